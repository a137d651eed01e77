import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import { isDate } from "@/core/calendar";
import { GROUNDS } from "@/core/calibration/evidence";
import { entered, type Entered } from "@/core/quantity/parse";
import { SLACK } from "@/core/quantity/slack";
import { parseField, type Field, type KindOfField } from "@/core/quantity/ranges";
import { canonical } from "@/core/quantity/arithmetic";
import { measuredFor } from "@/formats/area/measured";
import { placeOf } from "@/formats/area/place";
import type { KeptSite } from "@/formats/entries";
import { WATERS, type SiteText, type WaterSourceText } from "@/formats/job-file/types";
import type { Cursor, Page, SitesAsked } from "@/formats/slices";
import { readParts, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./access";
import { pageOf } from "./page";
import { keepRow, once } from "./prepared";
import { areasBefore, sites, zones } from "./schema";

/** A zone that was taken out of its site. What went down on it is still known. */
export interface FormerZoneText {
  readonly id: string;
  readonly name: string;
  readonly area: string;
}

export interface KnownSite {
  readonly id: string;
  readonly retired: boolean;
  readonly revision: number;
  readonly site: KeptSite;
  /** Since when its notes stand so, a moment; null where it has none. */
  readonly noted: string | null;
  readonly former: readonly FormerZoneText[];
}

type SiteRow = typeof sites.$inferSelect;
type ZoneRow = typeof zones.$inferSelect;

/** All sites with their zones, for whoever looks at all of them. */
export const allSites = (db: Access, aside?: SetAside[]): KnownSite[] =>
  withZones(db, db.select().from(sites).orderBy(asc(sites.name)).all(), aside);

/** Some sites by their ids, by name. */
export const sitesById = (db: Access, ids: readonly string[], aside?: SetAside[]): KnownSite[] =>
  withZones(
    db,
    db
      .select()
      .from(sites)
      .where(inArray(sites.id, [...ids]))
      .orderBy(asc(sites.name))
      .all(),
    aside,
  );

/** The names of some sites. */
export const siteNames = (db: Access, ids: readonly string[]): ReadonlyMap<string, string> =>
  new Map(
    db
      .select({ id: sites.id, name: sites.name })
      .from(sites)
      .where(inArray(sites.id, [...ids]))
      .all()
      .map((row) => [row.id, row.name]),
  );

/** Which sites are listed: those that are retired or those that are not, with words that begin so. */
export interface SitesQuery extends Readonly<SitesAsked> {
  readonly retired: boolean;
}

/** A page of the sites by name. @param after the name that the last page ended with */
export function sitesPage(
  db: Access,
  { search, turf, rules, idleSince, least, most: atMost, retired }: SitesQuery,
  after: Cursor | undefined,
  most: number,
  aside?: SetAside[],
): Page<KnownSite> {
  const words = (search ?? "").normalize("NFC").match(/[\p{L}\p{N}]+/gu) ?? [];
  const matches = sql.join(
    words.slice(0, MOST_WORDS).map((word) => sql`${`"${word}"*`}`),
    sql` || ' ' || `,
  );
  const found = db
    .select()
    .from(sites)
    .where(
      and(
        retired ? isNotNull(sites.retiredAt) : isNull(sites.retiredAt),
        after === undefined ? undefined : gt(sites.name, after[0] ?? ""),
        rules === undefined ? undefined : sql`${sites.jurisdiction} = ${rules} collate nocase`,
        turf === undefined
          ? undefined
          : sql`exists (select 1 from zones z where z.site_id = ${sites.id} and z.turf = ${turf} collate nocase and z.retired_at is null)`,
        least === undefined ? undefined : sql`(${AREA}) >= ${least * (1 - SLACK)}`,
        atMost === undefined ? undefined : sql`(${AREA}) <= ${atMost * (1 + SLACK)}`,
        idleSince === undefined ? undefined : sql`not exists (${treatedSince(idleSince)})`,
        words.length === 0
          ? undefined
          : sql`${sites.id} in (select n.site_id from site_search f join site_numbers n on n.n = f.rowid where site_search match ${matches})`,
      ),
    )
    .orderBy(asc(sites.name))
    .limit(most + 1)
    .all();
  const page = pageOf(found, most, (row) => [row.name]);
  return { ...page, rows: withZones(db, page.rows, aside) };
}
const MOST_WORDS = 8;

/** How large the zones of a site are together, m². */
const AREA = sql`select coalesce(sum(z.area_m2), 0) from zones z where z.site_id = ${sites.id} and z.retired_at is null`;

/** What stands as down on a site since a day. */
const treatedSince = (day: string) => sql`select 1 from applications a where a.site_id = ${sites.id} and a.date >= ${day}
  and a.void = 0 and not exists (select 1 from applications c where c.corrects = a.id)`;

/** Sites with their zones, which are asked for all at once. */
function withZones(db: Access, rows: readonly SiteRow[], aside?: SetAside[]): KnownSite[] {
  const all = new Map<string, ZoneRow[]>();
  const AT_ONCE = 500;
  for (let i = 0; i < rows.length; i += AT_ONCE)
    for (const zone of db
      .select()
      .from(zones)
      .where(
        inArray(
          zones.siteId,
          rows.slice(i, i + AT_ONCE).map((row) => row.id),
        ),
      )
      .orderBy(asc(zones.position))
      .all()) {
      const list = all.get(zone.siteId);
      if (list) list.push(zone);
      else all.set(zone.siteId, [zone]);
    }
  return readRows("site", rows, (row) => siteOf(row, all.get(row.id) ?? []), aside);
}

const ID = sql.placeholder("id");

/** All zones of a site, in order. */
const zonesOf = (db: Access, id: string): ZoneRow[] =>
  once(db, "zones of site", (of) =>
    of.select().from(zones).where(eq(zones.siteId, ID)).orderBy(asc(zones.position)).prepare(),
  ).all({ id });

export function findSite(db: Access, id: string): KnownSite | undefined {
  const row = once(db, "site", (of) => of.select().from(sites).where(eq(sites.id, ID)).prepare()).get({ id });
  return readRow("site", row, (site) => siteOf(site, zonesOf(db, id)));
}

/**
 * Adds a site, or brings the one with this id up to date; its zones go with it. A zone is told by its id: one that comes
 * without is the one of its name, where there is one, else a new one. A zone that is left out is retired, never deleted.
 * @returns the id of each zone of the site, in order, and whether it is new
 */
export function putSite(db: Access, id: string, site: SiteText, now: string): { id: string; isNew: boolean }[] {
  const facts = {
    name: site.name,
    jurisdiction: site.jurisdiction ?? null,
    water: site.waterSource?.fill === true,
    minding: wordsOf(site.precautions),
    access: wordsOf(site.access),
    waters: oneOf(WATERS, site.irrigatedBy),
    tapFlow: quantityOf("tapFlow", site.waterSource?.flow),
    gate: placeKept(site.entrance),
    tap: placeKept(site.waterSource?.position),
    ...notesOf(db, id, wordsOf(site.notes), now),
  };
  keepRow(db, "keep site", sites, { id, ...facts }, { createdAt: now });
  const known = zonesOf(db, id);
  const taken = new Set<string>();
  const foreign = (zoneId: string) =>
    once(db, "zone", (of) => of.select({ id: zones.id }).from(zones).where(eq(zones.id, ID)).prepare()).get({ id: zoneId }) !==
    undefined;
  const free = (wished: string | undefined) => {
    if (wished !== undefined && /^[\w.-]{1,80}$/.test(wished) && !taken.has(wished) && !foreign(wished)) return wished;
    let n = known.length === 0 ? taken.size : Math.max(known.length, site.zones.length);
    while (known.some((z) => z.id === `${id}.${n}`) || taken.has(`${id}.${n}`) || foreign(`${id}.${n}`)) n += 1;
    return `${id}.${n}`;
  };
  const kept = zonesTold(site, known).map((own, position) => {
    const zone = site.zones[position]!;
    const zoneId = own ?? free(zone.id);
    taken.add(zoneId);
    const area = entered(zone.area, "area");
    // Who doesn't say how it was measured, and means the same area, changes nothing of it.
    const same = known.find((z) => z.id === zoneId && isClose(z.areaM2, canonical(area.value)));
    const row = {
      siteId: id,
      position,
      name: zoneName(zone, position),
      area,
      areaM2: canonical(area.value),
      turf: zone.turf ?? null,
      seeded: zone.seededOn ?? null,
      sodded: zone.soddedOn ?? null,
      seeding: zone.seedingOn ?? null,
      sodding: zone.soddingOn ?? null,
      irrigation: quantityOf("irrigation", zone.irrigationRate),
      lies: oneOf(GROUNDS, zone.footing),
      height: quantityOf("mowing", zone.mowingHeight),
      mowed: zone.mowedOn !== undefined && isDate(zone.mowedOn) ? zone.mowedOn : null,
      // A file may say anything under our own key: what is no measurement isn't kept as one.
      measured: measuredFor(area.value, zone.measurement) ?? same?.measured ?? null,
      retiredAt: null,
    };
    keepRow(db, "keep zone", zones, { id: zoneId, ...row });
    return { id: zoneId, isNew: own === undefined };
  });
  const gone = known.filter((zone) => !taken.has(zone.id)).map((zone) => zone.id);
  if (gone.length > 0) db.update(zones).set({ retiredAt: now }).where(inArray(zones.id, gone)).run();
  return kept;
}

const isClose = (one: number, other: number): boolean => Math.abs(one - other) <= 1e-9 * other;

/** Notes stand since the day on which they were written. */
function notesOf(db: Access, id: string, notes: string | null, now: string) {
  const before = once(db, "notes of site", (of) =>
    of.select({ notes: sites.notes, noted: sites.noted }).from(sites).where(eq(sites.id, ID)).prepare(),
  ).get({ id });
  return { notes, noted: notes === null ? null : before?.notes === notes ? before.noted : now };
}

const placeKept = (told: unknown): string | null => (placeOf(told) ? (told as string).trim() : null);

const oneOf = <T extends string>(choices: readonly T[], told: unknown): T | null => choices.find((one) => one === told) ?? null;

function quantityOf<F extends Field>(field: F, told: unknown): Entered<KindOfField<F>> | null {
  const read = typeof told === "string" ? parseField(field, told) : undefined;
  return read?.ok ? read.value : null;
}

/** A file may have anything under a key of ours: what is no text is none of it. */
const wordsOf = (told: unknown): string | null =>
  typeof told === "string" && told.trim() !== "" ? told.trim().slice(0, 600) : null;

const zoneName = (zone: SiteText["zones"][number], position: number) => zone.name ?? `zone ${position + 1}`;

/** The zone on record that each zone of a text is: by its id, else by its name; undefined where it is a new one. */
export function zonesTold(
  site: SiteText,
  known: readonly { readonly id: string; readonly name: string }[],
): (string | undefined)[] {
  const taken = new Set(site.zones.flatMap((zone) => known.find((z) => z.id === zone.id)?.id ?? []));
  return site.zones.map((zone, position) => {
    const byId = known.find((z) => z.id === zone.id)?.id;
    const byName = known.find((z) => z.name === zoneName(zone, position) && !taken.has(z.id))?.id;
    const own = byId ?? byName;
    if (own !== undefined) taken.add(own);
    return own;
  });
}

export function retireSite(db: Access, id: string, at: string | null): boolean {
  return db.update(sites).set({ retiredAt: at }).where(eq(sites.id, id)).run().changes === 1;
}

/** What a zone was taken for before, newest first. */
export const areasOf = (db: Access, zoneId: string) =>
  readRows(
    "area of a zone",
    db.select().from(areasBefore).where(eq(areasBefore.zoneId, zoneId)).orderBy(desc(areasBefore.id)).limit(20).all(),
    ({ area, measured, until }) => ({ area: area.text, by: measured?.by ?? null, until }),
  );

function siteOf(site: SiteRow, of: readonly ZoneRow[]): KnownSite {
  const live = readParts(
    "zone",
    of.filter((z) => z.retiredAt === null),
    zoneOf,
  );
  const tap: WaterSourceText = {
    ...(site.water && { fill: true }),
    ...(site.tapFlow !== null && { flow: site.tapFlow.text }),
    ...(site.tap !== null && { position: site.tap }),
  };
  return {
    id: site.id,
    retired: site.retiredAt !== null,
    revision: site.revision,
    noted: site.noted,
    site: {
      name: site.name,
      ...(site.jurisdiction !== null && { jurisdiction: site.jurisdiction }),
      ...(site.minding !== null && { precautions: site.minding }),
      ...(site.access !== null && { access: site.access }),
      ...(site.notes !== null && { notes: site.notes }),
      ...(site.waters !== null && { irrigatedBy: site.waters }),
      ...(site.gate !== null && { entrance: site.gate }),
      ...(Object.keys(tap).length > 0 && { waterSource: tap }),
      zones: live,
    },
    former: readRows(
      "zone",
      of.filter((z) => z.retiredAt !== null),
      (z) => ({ id: z.id, name: z.name, area: z.area.text }),
    ),
  };
}

function zoneOf(z: ZoneRow): KeptSite["zones"][number] {
  const dates = { seededOn: z.seeded, soddedOn: z.sodded, seedingOn: z.seeding, soddingOn: z.sodding };
  for (const [key, date] of Object.entries(dates))
    if (date !== null && !isDate(date)) throw new Error(`${key.slice(2)}: "${date}" is no date`);
  return {
    name: z.name,
    area: z.area.text,
    id: z.id,
    ...(z.turf !== null && { turf: z.turf }),
    ...(z.seeded !== null && { seededOn: z.seeded }),
    ...(z.sodded !== null && { soddedOn: z.sodded }),
    ...(z.seeding !== null && { seedingOn: z.seeding }),
    ...(z.sodding !== null && { soddingOn: z.sodding }),
    ...(z.irrigation !== null && { irrigationRate: z.irrigation.text }),
    ...(z.lies !== null && { footing: z.lies }),
    ...(z.height !== null && { mowingHeight: z.height.text }),
    ...(z.mowed !== null && { mowedOn: z.mowed }),
    ...(z.measured !== null && { measurement: z.measured }),
  };
}

/** What grows on the zones of a site, and when it was or will be seeded. */
export interface SiteSeed {
  readonly id: string;
  readonly name: string;
  readonly jurisdiction: string | null;
  /** Where one goes in; null where nobody noted it. */
  readonly gate: string | null;
  readonly seeds: readonly (Pick<ZoneRow, "turf" | "seeded" | "sodded" | "seeding" | "sodding" | "areaM2"> & {
    readonly zoneId: string;
    readonly zone: string;
  })[];
}

/** Of all sites that are not retired, by name. */
export function seedOfSites(db: Access): SiteSeed[] {
  const rows = once(db, "seed of sites", (of) =>
    of
      .select({
        id: sites.id,
        name: sites.name,
        jurisdiction: sites.jurisdiction,
        gate: sites.gate,
        zoneId: zones.id,
        zone: zones.name,
        areaM2: zones.areaM2,
        turf: zones.turf,
        seeded: zones.seeded,
        sodded: zones.sodded,
        seeding: zones.seeding,
        sodding: zones.sodding,
      })
      .from(sites)
      .innerJoin(zones, eq(zones.siteId, sites.id))
      .where(and(isNull(sites.retiredAt), isNull(zones.retiredAt)))
      .orderBy(asc(sites.name), asc(zones.position))
      .prepare(),
  ).all();
  const found: (SiteSeed & { seeds: SiteSeed["seeds"][number][] })[] = [];
  for (const { id, name, jurisdiction, gate, ...zone } of rows) {
    if (found.at(-1)?.id !== id) found.push({ id, name, jurisdiction, gate, seeds: [] });
    found.at(-1)!.seeds.push(zone);
  }
  return found;
}
