import { and, asc, eq, notInArray } from "drizzle-orm";
import { entered, isDate, raw } from "@/core/contents";
import type { KeptSite } from "@/formats/book";
import type { SiteText } from "@/formats/job-file/types";
import { readParts, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./database";
import { sites, zones } from "./schema";

/** A zone that was taken out of its site. What went down on it is still known. */
export interface FormerZoneText {
  readonly id: string;
  readonly name: string;
  readonly area: string;
}

export interface KnownSite {
  readonly id: string;
  readonly retired: boolean;
  readonly site: KeptSite;
  readonly former: readonly FormerZoneText[];
}

type SiteRow = typeof sites.$inferSelect;
type ZoneRow = typeof zones.$inferSelect;

/** All sites with their zones, as a job file writes them. */
export function listSites(db: Access, aside?: SetAside[]): KnownSite[] {
  const all = new Map<string, ZoneRow[]>();
  for (const zone of db.select().from(zones).orderBy(asc(zones.position)).all())
    all.set(zone.siteId, [...(all.get(zone.siteId) ?? []), zone]);
  return readRows(
    "site",
    db.select().from(sites).orderBy(asc(sites.name)).all(),
    (row) => siteOf(row, all.get(row.id) ?? []),
    aside,
  );
}

export function findSite(db: Access, id: string): KnownSite | undefined {
  const row = db.select().from(sites).where(eq(sites.id, id)).get();
  return readRow("site", row, (site) =>
    siteOf(site, db.select().from(zones).where(eq(zones.siteId, id)).orderBy(asc(zones.position)).all()),
  );
}

/**
 * Adds a site, or brings the one with this id up to date; its zones go with it. A zone is told by its id: one that comes
 * without is the one of its name, where there is one, else a new one. A zone that is left out is retired, never deleted.
 * @returns the id of each zone of the site, in order, and whether it is new
 */
export function putSite(db: Access, id: string, site: SiteText, now: string): { id: string; isNew: boolean }[] {
  const facts = { name: site.name, jurisdiction: site["x-jurisdiction"] ?? null, water: site["x-water"] === true };
  db.insert(sites)
    .values({ id, ...facts, createdAt: now })
    .onConflictDoUpdate({ target: sites.id, set: facts })
    .run();
  const known = db.select({ id: zones.id, name: zones.name }).from(zones).where(eq(zones.siteId, id)).all();
  const taken = new Set<string>();
  const foreign = (zoneId: string) => db.select({ id: zones.id }).from(zones).where(eq(zones.id, zoneId)).get() !== undefined;
  const free = (wished: string | undefined) => {
    if (wished !== undefined && /^[\w.-]{1,80}$/.test(wished) && !taken.has(wished) && !foreign(wished)) return wished;
    let n = known.length === 0 ? taken.size : Math.max(known.length, site.zones.length);
    while (known.some((z) => z.id === `${id}.${n}`) || taken.has(`${id}.${n}`) || foreign(`${id}.${n}`)) n += 1;
    return `${id}.${n}`;
  };
  const kept = zonesTold(site, known).map((own, position) => {
    const zone = site.zones[position]!;
    const zoneId = own ?? free(zone["x-id"]);
    taken.add(zoneId);
    const area = entered(zone.area, "area");
    const row = {
      siteId: id,
      position,
      name: zoneName(zone, position),
      area,
      areaM2: raw(area.value),
      turf: zone["x-turf"] ?? null,
      seeded: zone["x-seeded"] ?? null,
      sodded: zone["x-sodded"] ?? null,
      seeding: zone["x-seeding"] ?? null,
      sodding: zone["x-sodding"] ?? null,
      retiredAt: null,
    };
    db.insert(zones)
      .values({ id: zoneId, ...row })
      .onConflictDoUpdate({ target: zones.id, set: row })
      .run();
    return { id: zoneId, isNew: own === undefined };
  });
  db.update(zones)
    .set({ retiredAt: now })
    .where(and(eq(zones.siteId, id), notInArray(zones.id, [...taken])))
    .run();
  return kept;
}

const zoneName = (zone: SiteText["zones"][number], position: number) => zone.name ?? `zone ${position + 1}`;

/** The zone on record that each zone of a text is: by its id, else by its name; undefined where it is a new one. */
export function zonesTold(
  site: SiteText,
  known: readonly { readonly id: string; readonly name: string }[],
): (string | undefined)[] {
  const taken = new Set(site.zones.flatMap((zone) => known.find((z) => z.id === zone["x-id"])?.id ?? []));
  return site.zones.map((zone, position) => {
    const byId = known.find((z) => z.id === zone["x-id"])?.id;
    const byName = known.find((z) => z.name === zoneName(zone, position) && !taken.has(z.id))?.id;
    const own = byId ?? byName;
    if (own !== undefined) taken.add(own);
    return own;
  });
}

export function retireSite(db: Access, id: string, at: string | null): boolean {
  return db.update(sites).set({ retiredAt: at }).where(eq(sites.id, id)).run().changes === 1;
}

function siteOf(site: SiteRow, of: readonly ZoneRow[]): KnownSite {
  const live = readParts(
    "zone",
    of.filter((z) => z.retiredAt === null),
    zoneOf,
  );
  return {
    id: site.id,
    retired: site.retiredAt !== null,
    site: {
      name: site.name,
      ...(site.jurisdiction !== null && { "x-jurisdiction": site.jurisdiction }),
      ...(site.water && { "x-water": true }),
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
  const dates = { "x-seeded": z.seeded, "x-sodded": z.sodded, "x-seeding": z.seeding, "x-sodding": z.sodding };
  for (const [key, date] of Object.entries(dates))
    if (date !== null && !isDate(date)) throw new Error(`${key.slice(2)}: "${date}" is no date`);
  return {
    name: z.name,
    area: z.area.text,
    "x-id": z.id,
    ...(z.turf !== null && { "x-turf": z.turf }),
    ...(z.seeded !== null && { "x-seeded": z.seeded }),
    ...(z.sodded !== null && { "x-sodded": z.sodded }),
    ...(z.seeding !== null && { "x-seeding": z.seeding }),
    ...(z.sodding !== null && { "x-sodding": z.sodding }),
  };
}
