import type { Polygons } from "@/core/area/overlap";
import { polygonsOf } from "@/formats/area/measured";
import { placeOf } from "@/formats/area/place";
import type {
  FirmEntry,
  GroundEntry,
  KitCheckEntry,
  PersonEntry,
  RinseEntry,
  SiteEntry,
  SpreadingEntry,
} from "@/formats/entries";
import { kitOf } from "@/formats/rig-setup";
import { daysBefore } from "@/formats/season/days-before";
import type { Cursor, Page, SitesAsked, Slices } from "@/formats/slices";
import { readRows, type SetAside } from "@/records/aside";
import { calibrationsByPerson } from "@/records/calibrations";
import { lastProof } from "@/records/checks";
import type { Access } from "@/records/database";
import { twinOf } from "@/records/names";
import { listPeople, peopleNames } from "@/records/people";
import { findRig } from "@/records/rigs";
import { settingRevision } from "@/records/settings";
import { findSite, sitesPage } from "@/records/sites";
import { rinsesOf } from "@/records/stock";
import { openSpreadings } from "@/records/spreadings";
import { spreadingEntry } from "../spread";
import { firmZone, todayOf } from "../clock";
import { firmCurrency } from "../currency";
import { firmNumbers } from "../firm-numbers";
import { localRules } from "../local-rules";
import { programOf } from "../program";
import { groundBefore, groundKnown } from "../same-ground";

/** What people keep up to date, as rooms ask for it. */

export function firm(db: Access, _query: object, aside: SetAside[]): FirmEntry {
  const today = todayOf(db);
  const program = programOf(db);
  return {
    ...firmZone(db),
    today,
    currency: firmCurrency(db),
    numbers: firmNumbers(db, aside),
    rules: localRules(db, aside).rules,
    rulesRevision: settingRevision(db, "local-rules"),
    before: daysBefore(program, today),
    place: program.place,
    stations: (program.stations ?? []).map((station) => ({ place: station.place, before: daysBefore(station, today) })),
  };
}

export function people(db: Access, aside: SetAside[]): PersonEntry[] {
  const all = listPeople(db, aside);
  const made = calibrationsByPerson(
    db,
    all.map((person) => person.id),
  );
  return all.map((person) => ({ ...person, calibrations: made.get(person.id) ?? 0 }));
}

/** The last proof of each tool of a rig's kit. */
export function proofs(db: Access, { rig: rigId }: { rig: string }): KitCheckEntry[] {
  const rig = findRig(db, rigId);
  if (!rig) return [];
  const { scales, vessels } = kitOf(rig.rig);
  const tools = [
    ...scales.map(({ name }) => ({ of: "scale", name }) as const),
    ...vessels.map(({ name }) => ({ of: "vessel", name }) as const),
  ];
  return tools.flatMap(({ of, name }) => {
    const last = lastProof(db, rigId, of, name);
    if (!last) return [];
    const { createdAt: _, ...proof } = last;
    return [proof];
  });
}

/** As many clean-outs as a rig's page shows. */
const CLEAN_OUTS = 8;

/** The newest clean-outs of a rig. */
export function cleanOuts(db: Access, { rig }: { rig: string }, aside: SetAside[]): RinseEntry[] {
  const names = peopleNames(db);
  return rinsesOf(db, rig, CLEAN_OUTS, aside).map(({ id, tank, rinsedAt, personId, facts }) => ({
    id,
    tank,
    rinsedAt,
    person: names.get(personId ?? "") ?? null,
    facts,
  }));
}

const SITES = 50;

export const sites = (
  db: Access,
  { retired, after, ...asked }: SitesAsked & { retired?: boolean; after?: Cursor },
  aside: SetAside[],
): Page<SiteEntry> => sitesPage(db, { ...asked, retired: retired === true }, after, SITES, aside);

export function siteCalled(db: Access, { name }: { name: string }): SiteEntry | null {
  const twin = twinOf(db, "sites", name);
  return (twin && findSite(db, twin.id)) ?? null;
}

/** The ground that a zone which comes to a site may be: asked in the form by the same rule as when it is kept. */
export function grounds(db: Access, { site = "", name, areaM2, called, gate, map }: Slices["grounds"]["query"]): GroundEntry[] {
  const known = groundKnown(db, site, { name: called, gate: placeOf(gate) });
  return groundBefore(db, site, { name, areaM2, polygons: shapeOf(map) }, known).map((zone) => ({
    id: zone.id,
    name: `${zone.name}${zone.siteId === site ? "" : ` of ${zone.site}`}${zone.siteId === site && zone.retired ? ", taken out" : ""}`,
    ...(zone.live && { live: zone.live }),
  }));
}

/** Polygons as JSON; none where they can't be read. */
function shapeOf(map: string | undefined): Polygons | undefined {
  try {
    const polygons = map === undefined ? undefined : (JSON.parse(map) as Polygons);
    return polygons && polygonsOf(polygons).ok ? polygons : undefined;
  } catch {
    return undefined;
  }
}

export const spreadings = (db: Access, aside: SetAside[]): SpreadingEntry[] =>
  readRows("spreading", openSpreadings(db, aside), (spreading) => spreadingEntry(db, spreading), aside);
