import { and, eq, inArray, isNotNull, isNull, or, sql } from "drizzle-orm";
import type { Access } from "./database";
import { sameGround, sites, zones } from "./schema";
import { applications } from "./schema-work";

/** Which zones are one ground, through every change of name: what went down on one of them went down on all. */

/** Says which ground a zone is: that of others, or, where none is named, ground that nothing was known of. */
export function noteGround(db: Access, zoneId: string, as: readonly string[], at: string): void {
  const rows = as.length > 0 ? as.map((asZoneId) => ({ zoneId, asZoneId, at })) : [{ zoneId, asZoneId: null, at }];
  db.insert(sameGround).values(rows).run();
}

/** The zones that are one ground with each zone that has others beside it. */
export function groundGroups(db: Access): ReadonlyMap<string, readonly string[]> {
  const links = db
    .select({ a: sameGround.zoneId, b: sameGround.asZoneId })
    .from(sameGround)
    .where(isNotNull(sameGround.asZoneId))
    .all();
  const groups = new Map<string, Set<string>>();
  for (const { a, b } of links) {
    const joined = new Set([a, b!, ...(groups.get(a) ?? []), ...(groups.get(b!) ?? [])]);
    for (const zone of joined) groups.set(zone, joined);
  }
  return new Map([...groups].map(([zone, group]) => [zone, [...group]]));
}

/** Where zones lie, also those that were taken out: all of them, or those of some sites and some by their ids. */
export function sitesOfZones(
  db: Access,
  of?: { readonly siteIds: readonly string[]; readonly zoneIds: readonly string[] },
): Map<string, string> {
  const rows = db
    .select({ id: zones.id, siteId: zones.siteId })
    .from(zones)
    .where(of && or(inArray(zones.siteId, [...of.siteIds]), inArray(zones.id, [...of.zoneIds])))
    .all();
  return new Map(rows.map((zone) => [zone.id, zone.siteId]));
}

/** A zone that somebody may be entering again. */
export interface FormerZone {
  readonly id: string;
  readonly name: string;
  readonly site: string;
  readonly siteId: string;
  readonly areaM2: number;
  readonly retired: boolean;
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
  db.select(columns).from(zones).innerJoin(sites, eq(sites.id, zones.siteId)).where(eq(zones.siteId, siteId)).all().map(asFormer);

/** Something went down there: its history would be lost under another name. */
const WENT_DOWN = sql`exists (select 1 from ${applications} a where a.site_id = ${zones.siteId} and a.zone_id = ${zones.id})`;

/** The zones of sites that are retired, on which something went down. */
export const zonesOfRetiredSites = (db: Access): FormerZone[] =>
  db
    .select(columns)
    .from(sites)
    .innerJoin(zones, eq(zones.siteId, sites.id))
    .where(and(isNotNull(sites.retiredAt), WENT_DOWN))
    .all()
    .map(asFormer);

/** Zones that were taken out of sites that are not retired, on which something went down. */
export const retiredZones = (db: Access): FormerZone[] =>
  db
    .select(columns)
    .from(zones)
    .innerJoin(sites, eq(sites.id, zones.siteId))
    .where(and(isNotNull(zones.retiredAt), isNull(sites.retiredAt), WENT_DOWN))
    .all()
    .map(asFormer);
