import { and, eq, gte, inArray, isNotNull, isNull, lte, ne, sql, type SQL } from "drizzle-orm";
import type { MeasuredText } from "@/formats/area/types";
import type { Access } from "./access";
import { once } from "./prepared";
import { readRows } from "./aside";
import { groundBoxes, sameGround, sites, zones } from "./schema";
import { applications } from "./schema-work";

/** Which zones are one ground, through every change of name: what went down on one of them went down on all. */

/**
 * Says which ground a zone is: that of others, or, where none is named, ground that nothing was known of.
 * @param why why it is other ground than that it was taken for
 */
export function noteGround(db: Access, zoneId: string, as: readonly string[], at: string, why: string | null = null): void {
  const rows = as.length > 0 ? as.map((asZoneId) => ({ zoneId, asZoneId, at })) : [{ zoneId, asZoneId: null, at, why }];
  db.insert(sameGround).values(rows).run();
}

/**
 * The zones that are one ground with each zone of some sites that has others beside it. Links are followed from those sites
 * on, however far they lead.
 */
export function groundGroups(db: Access, siteIds: readonly string[]): ReadonlyMap<string, readonly string[]> {
  if (siteIds.length === 0) return new Map();
  const list = sql.join(
    siteIds.map((id) => sql`${id}`),
    sql`, `,
  );
  const links = db.all<{ a: string; b: string }>(sql`
    with recursive reached(zone) as (
      select ${zones.id} from ${zones} where ${zones.siteId} in (${list})
      union select ${sameGround.asZoneId} from reached cross join ${sameGround} on ${sameGround.zoneId} = reached.zone
        where ${sameGround.asZoneId} is not null
      union select ${sameGround.zoneId} from reached cross join ${sameGround} on ${sameGround.asZoneId} = reached.zone
    )
    select ${sameGround.zoneId} as a, ${sameGround.asZoneId} as b from reached cross join ${sameGround} on ${sameGround.zoneId} = reached.zone
      where ${sameGround.asZoneId} is not null`);
  const groups = new Map<string, Set<string>>();
  for (const { a, b } of links) {
    const joined = new Set([a, b, ...(groups.get(a) ?? []), ...(groups.get(b) ?? [])]);
    for (const zone of joined) groups.set(zone, joined);
  }
  return new Map([...groups].map(([zone, group]) => [zone, [...group]]));
}

/** Where zones lie, also those that were taken out: those of some sites, and some by their ids. */
export function sitesOfZones(
  db: Access,
  of: { readonly siteIds: readonly string[]; readonly zoneIds: readonly string[] },
): Map<string, string> {
  const place = { id: zones.id, siteId: zones.siteId };
  const found = [
    ...db
      .select(place)
      .from(zones)
      .where(inArray(zones.siteId, [...of.siteIds]))
      .all(),
    ...db
      .select(place)
      .from(zones)
      .where(inArray(zones.id, [...of.zoneIds]))
      .all(),
  ];
  return new Map(found.map((zone) => [zone.id, zone.siteId]));
}

/** A zone that somebody may be entering again. */
export interface FormerZone {
  readonly id: string;
  readonly name: string;
  readonly site: string;
  readonly siteId: string;
  readonly areaM2: number;
  readonly retired: boolean;
  /** It is in use, at a site that is none of the one that is kept. */
  readonly live?: true;
}

const columns = {
  id: zones.id,
  name: zones.name,
  siteId: zones.siteId,
  site: sites.name,
  areaM2: zones.areaM2,
  retiredAt: zones.retiredAt,
  siteRetiredAt: sites.retiredAt,
};

const asFormer = (row: { [K in keyof typeof columns]: unknown }): FormerZone => ({
  id: row.id as string,
  name: row.name as string,
  siteId: row.siteId as string,
  site: row.site as string,
  areaM2: row.areaM2 as number,
  retired: row.retiredAt !== null || row.siteRetiredAt !== null,
});

/** Every zone that a site has or had. */
export const zonesEverOf = (db: Access, siteId: string): FormerZone[] =>
  once(db, "zones ever of", (of) =>
    of
      .select(columns)
      .from(zones)
      .innerJoin(sites, eq(sites.id, zones.siteId))
      .where(eq(zones.siteId, sql.placeholder("siteId")))
      .prepare(),
  )
    .all({ siteId })
    .map(asFormer);

/** Something went down there: its history would be lost under another name. */
const WENT_DOWN = sql`exists (select 1 from ${applications} a where a.site_id = ${zones.siteId} and a.zone_id = ${zones.id})`;

/** The zones of sites that are retired, on which something went down. */
export const zonesOfRetiredSites = (db: Access): FormerZone[] =>
  once(db, "zones of retired sites", (of) =>
    of
      .select(columns)
      .from(zones)
      .innerJoin(sites, eq(sites.id, zones.siteId))
      .where(and(inArray(zones.siteId, of.select({ id: sites.id }).from(sites).where(isNotNull(sites.retiredAt))), WENT_DOWN))
      .prepare(),
  )
    .all()
    .map(asFormer);

/** Zones that were taken out of sites that are not retired, on which something went down. */
export const retiredZones = (db: Access): FormerZone[] =>
  once(db, "retired zones", (of) =>
    of
      .select(columns)
      .from(zones)
      .innerJoin(sites, eq(sites.id, zones.siteId))
      .where(and(isNotNull(zones.retiredAt), isNull(sites.retiredAt), WENT_DOWN))
      .prepare(),
  )
    .all()
    .map(asFormer);

/** South, north, west and east, degrees. */
type BoxAround = readonly [number, number, number, number];

/** What lies on a box: of zones their own boxes, of gates the sites' places. */
const boxesOn = (db: Access, [south, north, west, east]: BoxAround, gate: boolean) =>
  db
    .select({ id: groundBoxes.id })
    .from(groundBoxes)
    .where(
      and(
        lte(groundBoxes.south, north),
        gte(groundBoxes.north, south),
        lte(groundBoxes.west, east),
        gte(groundBoxes.east, west),
        eq(groundBoxes.gate, gate),
      ),
    );

/** Zones in use at other sites whose box lies on one. */
export const zonesAround = (db: Access, except: string, box: BoxAround) =>
  liveZones(db, except, inArray(zones.id, boxesOn(db, box, false)));

/** The zones in use of other sites whose gate lies in a box. */
export const zonesOfGate = (db: Access, except: string, box: BoxAround): FormerZone[] =>
  liveZones(db, except, inArray(zones.siteId, boxesOn(db, box, true)));

/** The zones in use of other sites whose names begin with a house number and a street's first word. */
export const zonesOfAddress = (db: Access, except: string, number: string, street: string): FormerZone[] =>
  liveZones(
    db,
    except,
    sql`${zones.siteId} in (select n.site_id from site_search f join site_numbers n on n.n = f.rowid where site_search match ${`"${number}" "${street}"`})`,
  );

function liveZones(db: Access, except: string, which: SQL): (FormerZone & { readonly measured: MeasuredText | null })[] {
  const rows = db
    .select({ ...columns, measured: zones.measured })
    .from(zones)
    .innerJoin(sites, eq(sites.id, zones.siteId))
    .where(and(which, ne(zones.siteId, except), isNull(zones.retiredAt), isNull(sites.retiredAt)))
    .all();
  return readRows("zone", rows, ({ measured, ...row }) => ({ ...asFormer(row), live: true as const, measured }));
}
