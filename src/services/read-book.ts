import type { Book, Sheet } from "@/formats/book";
import { tankName } from "@/formats/job-file/assemble";
import type { JobFile } from "@/formats/job-file/types";
import { planOfSheet, tickKeys } from "@/formats/sheet-plan";
import { dismissalsOf, listApplications } from "@/records/applications";
import { calibrationsWithdrawn, findCalibration, listCalibrations } from "@/records/calibrations";
import { listKitChecks, listQuickChecks } from "@/records/checks";
import { readRows, type SetAside } from "@/records/aside";
import type { Records } from "@/records/database";
import { listLabels } from "@/records/labels";
import { findPerson, listPeople } from "@/records/people";
import { listRigs } from "@/records/rigs";
import { doneSteps, findSheet, listSheets, sheetsOfDay } from "@/records/sheets";
import { openSpreadings } from "@/records/spreadings";
import { listRinses } from "@/records/stock";
import { listTips } from "@/records/tips";
import { countedOf, wasPoured } from "./counted";
import { stockNow } from "./save-stock";
import { cardsNow } from "./cards-now";
import { firmZone, todayOf } from "./clock";
import { canonical } from "./once";
import { runOf, sheetState, sheetToday } from "./sheet-today";
import { listSites } from "@/records/sites";

/** As many as a screen can use: the last season's calibrations, the last weeks' sheets. */
const CALIBRATIONS = 300;
const SHEETS = 40;
const CHECKS = 400;
const APPLICATIONS = 300;

/** Everything that the screens show, in one reading. */
export function readBook(db: Records): Book {
  const aside: SetAside[] = [];
  const applications = listApplications(db, APPLICATIONS, aside);
  const calibrations = listCalibrations(db, CALIBRATIONS, aside);
  const withdrawn = calibrationsWithdrawn(db);
  const known = cardsNow(db);
  const { zone, settled } = firmZone(db);
  const dismissed = dismissalsOf(
    db,
    [...applications, ...calibrations].map((record) => record.id),
  );
  const meant = (id: string) => dismissed.filter((d) => d.recordId === id).map((d) => `${d.typed}: ${d.reason}`);
  return {
    firm: { zone, settled, today: todayOf(db) },
    people: listPeople(db, aside),
    rigs: listRigs(db, aside),
    labels: listLabels(db, aside),
    sites: listSites(db, aside),
    calibrations: calibrations.map((c) => ({
      id: c.id,
      rigId: c.rigId,
      personId: c.personId,
      siteId: c.siteId,
      method: c.method,
      lever: c.lever,
      leverSetTo: c.leverSetTo,
      follows: c.follows,
      madeAt: c.madeAt,
      ground: c.ground,
      rig: c.job.rig,
      calibration: c.job.calibration,
      meant: meant(c.id),
      ...(withdrawn.has(c.id) && { withdrawn: withdrawn.get(c.id)! }),
      struck: c.struck.map((t) => ({ of: t.of, time: t.time.text, volume: t.volume?.text ?? null, why: t.struck! })),
    })),
    tips: listTips(db, aside),
    checks: listQuickChecks(db, CHECKS, aside).map((c) => ({
      id: c.id,
      rigId: c.rigId,
      personId: c.personId,
      calibrationId: c.calibrationId,
      madeAt: c.madeAt,
      volume: c.volume.text,
      time: c.time.text,
      ratio: c.ratio,
    })),
    kitChecks: listKitChecks(db, CHECKS).map(({ createdAt: _, ...proof }) => proof),
    sheets: readRows(
      "mix sheet",
      listSheets(db, SHEETS, aside),
      (s) => ({
        id: s.id,
        madeAt: s.madeAt,
        siteId: s.siteId,
        rigId: s.rigId,
        personId: s.personId,
        ...sheetFacts(db, s),
      }),
      aside,
    ),
    spreadings: openSpreadings(db, aside).map(({ createdAt: _, ...spreading }) => spreading),
    stock: stockNow(db),
    rinses: listRinses(db, CHECKS).map(({ id, rigId, tank, rinsedAt }) => ({ id, rigId, tank, rinsedAt })),
    counted: countedOf(db),
    applications: applications.map(({ area: _, gravity, createdAt: _c, ...record }) => {
      const down = known.downOf({ ...record, gravity });
      return {
        ...record,
        meant: meant(record.id),
        // What is known of it now, where that is more than what was known then.
        ...(down.name !== record.product && { calledNow: down.name }),
        ...(canonical(down.actives) !== canonical(record.actives) && { activesNow: down.actives }),
      };
    }),
    aside: [...new Map(aside.map((one) => [`${one.of} ${one.id}`, one])).values()],
  };
}

/** What a list shows of a sheet: the gear and the steps that there are, and those that are ticked. */
function sheetFacts(db: Records, sheet: ReturnType<typeof listSheets>[number]) {
  const keys = keysOf(db, sheet);
  return {
    sites: (sheet.job.sites ?? []).map((site) => site.name),
    products: (sheet.job.products ?? []).map((product) => product.name),
    tank: tankName(sheet.job),
    run: sheet.job.run === "day",
    dayId: sheet.dayId,
    steps: keys.length,
    done: sheet.done.filter((key) => keys.includes(key)).length,
    state: sheetState(db, sheet.id),
  };
}

/** The keys of a sheet, worked out once for each way that its day may stand; of one that is no day there is only one. */
const known = new WeakMap<JobFile, Map<string, readonly string[]>>();

function keysOf(db: Records, sheet: ReturnType<typeof listSheets>[number]): readonly string[] {
  const run = runOf(db, sheet);
  const states = known.get(sheet.job) ?? new Map<string, readonly string[]>();
  known.set(sheet.job, states);
  const state = JSON.stringify(run);
  const keys = states.get(state) ?? tickKeys(sheet.job, planOfSheet(sheet.job, run));
  states.set(state, keys);
  return keys;
}

const othersOf = (db: Records, { id, dayId }: NonNullable<ReturnType<typeof findSheet>>) =>
  dayId === null
    ? []
    : sheetsOfDay(db, dayId).flatMap((other) => (other.id === id ? [] : [{ id: other.id, tank: tankName(other.job) }]));

/** One mix sheet, whole, with its ticks; undefined where there is none. */
export function readSheet(db: Records, id: string): Sheet | undefined {
  const sheet = findSheet(db, id);
  if (!sheet) return undefined;
  return {
    id,
    madeAt: sheet.madeAt,
    personName: sheet.personId === null ? null : (findPerson(db, sheet.personId)?.name ?? null),
    calibrationMadeAt: findCalibration(db, sheet.calibrationId)!.madeAt,
    rigId: sheet.rigId,
    run: runOf(db, sheet),
    others: othersOf(db, sheet),
    state: sheetState(db, id),
    ...sheetToday(db, sheet),
    poured: wasPoured(db, id),
    done: doneSteps(db, id),
  };
}
