import { and, asc, eq, notInArray } from "drizzle-orm";
import { entered, raw } from "@/core/contents";
import type { KeptSite } from "@/formats/book";
import type { SiteText } from "@/formats/job-file/types";
import type { Access } from "./database";
import { sites, zones } from "./schema";

/** All sites with their zones, as a job file writes them. */
export function listSites(db: Access): { id: string; retired: boolean; site: KeptSite }[] {
  const all = db.select().from(zones).orderBy(asc(zones.position)).all();
  return db
    .select()
    .from(sites)
    .orderBy(asc(sites.name))
    .all()
    .map((row) => ({
      id: row.id,
      retired: row.retiredAt !== null,
      site: textOf(
        row,
        all.filter((z) => z.siteId === row.id),
      ),
    }));
}

export function findSite(db: Access, id: string): KeptSite | undefined {
  const row = db.select().from(sites).where(eq(sites.id, id)).get();
  return row && textOf(row, db.select().from(zones).where(eq(zones.siteId, id)).orderBy(asc(zones.position)).all());
}

export const siteNamed = (db: Access, name: string) => db.select({ id: sites.id }).from(sites).where(eq(sites.name, name)).get();

/**
 * Adds a site, or brings the one with this id up to date; its zones go with it. A zone is told by its id: one that comes
 * without is the one of its name, where there is one, else a new one.
 */
export function putSite(db: Access, id: string, site: SiteText, now: string): void {
  const facts = { name: site.name, jurisdiction: site["x-jurisdiction"] ?? null, water: site["x-water"] === true };
  db.insert(sites)
    .values({ id, ...facts, createdAt: now })
    .onConflictDoUpdate({ target: sites.id, set: facts })
    .run();
  const known = db.select({ id: zones.id, name: zones.name }).from(zones).where(eq(zones.siteId, id)).all();
  const taken = new Set<string>();
  const free = () => {
    let n = site.zones.length;
    while (known.some((z) => z.id === `${id}.${n}`) || taken.has(`${id}.${n}`)) n += 1;
    return `${id}.${n}`;
  };
  site.zones.forEach((zone, position) => {
    const name = zone.name ?? `zone ${position + 1}`;
    const own =
      known.find((z) => z.id === zone["x-id"] && !taken.has(z.id)) ?? known.find((z) => z.name === name && !taken.has(z.id));
    const zoneId = own?.id ?? (known.length === 0 ? `${id}.${position}` : free());
    taken.add(zoneId);
    const area = entered(zone.area, "area");
    const row = {
      siteId: id,
      position,
      name,
      area,
      areaM2: raw(area.value),
      turf: zone["x-turf"] ?? null,
      seeded: zone["x-seeded"] ?? null,
      sodded: zone["x-sodded"] ?? null,
      seeding: zone["x-seeding"] ?? null,
      sodding: zone["x-sodding"] ?? null,
    };
    db.insert(zones)
      .values({ id: zoneId, ...row })
      .onConflictDoUpdate({ target: zones.id, set: row })
      .run();
  });
  db.delete(zones)
    .where(and(eq(zones.siteId, id), notInArray(zones.id, [...taken])))
    .run();
}

export function retireSite(db: Access, id: string, at: string | null): boolean {
  return db.update(sites).set({ retiredAt: at }).where(eq(sites.id, id)).run().changes === 1;
}

function textOf(
  site: { name: string; jurisdiction: string | null; water: boolean },
  of: (typeof zones.$inferSelect)[],
): KeptSite {
  return {
    name: site.name,
    ...(site.jurisdiction !== null && { "x-jurisdiction": site.jurisdiction }),
    ...(site.water && { "x-water": true }),
    zones: of.map((z) => ({
      name: z.name,
      area: z.area.text,
      "x-id": z.id,
      ...(z.turf !== null && { "x-turf": z.turf }),
      ...(z.seeded !== null && { "x-seeded": z.seeded }),
      ...(z.sodded !== null && { "x-sodded": z.sodded }),
      ...(z.seeding !== null && { "x-seeding": z.seeding }),
      ...(z.sodding !== null && { "x-sodding": z.sodding }),
    })),
  };
}
