import { asc, eq } from "drizzle-orm";
import { entered, raw } from "@/core/contents";
import type { SiteText } from "@/formats/job-file/types";
import type { Access } from "./database";
import { sites, zones } from "./schema";

/** All sites with their zones, as a job file writes them. */
export function listSites(db: Access): { id: string; retired: boolean; site: SiteText }[] {
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
        row.name,
        all.filter((z) => z.siteId === row.id),
      ),
    }));
}

export function findSite(db: Access, id: string): SiteText | undefined {
  const row = db.select().from(sites).where(eq(sites.id, id)).get();
  return row && textOf(row.name, db.select().from(zones).where(eq(zones.siteId, id)).orderBy(asc(zones.position)).all());
}

export const siteNamed = (db: Access, name: string) => db.select({ id: sites.id }).from(sites).where(eq(sites.name, name)).get();

/** Adds a site, or brings the one with this id up to date; its zones go with it. */
export function putSite(db: Access, id: string, site: SiteText, now: string): void {
  db.insert(sites)
    .values({ id, name: site.name, createdAt: now })
    .onConflictDoUpdate({ target: sites.id, set: { name: site.name } })
    .run();
  db.delete(zones).where(eq(zones.siteId, id)).run();
  site.zones.forEach((zone, position) => {
    const area = entered(zone.area, "area");
    db.insert(zones)
      .values({ siteId: id, position, name: zone.name ?? `zone ${position + 1}`, area, areaM2: raw(area.value) })
      .run();
  });
}

export function retireSite(db: Access, id: string, at: string | null): boolean {
  return db.update(sites).set({ retiredAt: at }).where(eq(sites.id, id)).run().changes === 1;
}

function textOf(name: string, of: (typeof zones.$inferSelect)[]): SiteText {
  return { name, zones: of.map((z) => ({ name: z.name, area: z.area.text })) };
}
