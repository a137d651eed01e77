import type { ApplicationEntry, SheetEntry, SheetState } from "@/formats/entries";
import { readRows, type SetAside } from "@/records/aside";
import { calibrationsNewestFirst } from "@/records/calibrations";
import { allQuickChecks } from "@/records/checks";
import type { Records } from "@/records/database";
import { listLabels } from "@/records/labels";
import { listRigs } from "@/records/rigs";
import { allSheets } from "@/records/sheets";
import { allSites } from "@/records/sites";
import { listTips } from "@/records/tips";
import { countedOf } from "./counted";
import { stockNow } from "./save-stock";
import { sheetState } from "./sheet-state";
import { calibrationEntries, checkEntry } from "./slices/calibrations";
import { wholeLog } from "./slices/log";
import { sheetEntry } from "./slices/sheets";
import { firm, people, proofs, spreadings } from "./slices/upkeep";

const newestFirst = <T extends { readonly madeAt: string }>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));

/** For scripts and tests: everything on record, through the readers of the slices. */
export function readAll(db: Records) {
  const aside: SetAside[] = [];
  const rigs = listRigs(db, aside);
  const sites = allSites(db, aside);
  const sheets = readRows(
    "mix sheet",
    newestFirst(allSheets(db, aside)),
    (sheet): SheetEntry & { state: SheetState } => ({ ...sheetEntry(db, sheet), state: sheetState(db, sheet.id) }),
    aside,
  );
  const applications: ApplicationEntry[] = [...wholeLog(db, {}, aside)].flat();
  return {
    firm: firm(db, {}, aside),
    people: people(db, aside),
    rigs,
    tips: listTips(db, aside),
    labels: listLabels(db, aside),
    sites,
    calibrations: newestFirst(
      calibrationEntries(
        db,
        rigs.flatMap((rig) => [...calibrationsNewestFirst(db, { rigId: rig.id }, aside)]),
      ),
    ),
    checks: newestFirst(allQuickChecks(db, aside).map(checkEntry)),
    kitChecks: rigs.flatMap((rig) => proofs(db, { rig: rig.id })),
    sheets,
    spreadings: spreadings(db, aside),
    stock: stockNow(db, aside),
    counted: countedOf(
      db,
      sites.map((site) => site.id),
      aside,
    ),
    applications,
    aside: [...new Map(aside.map((one) => [`${one.of} ${one.id}`, one])).values()],
  };
}
