import { and, desc, eq, inArray, sql } from "drizzle-orm";
import type { Access } from "./access";
import { loadEnds, mixSheets, sheetSites } from "./schema-work";

/** The ledger of the loads that were poured: what each came to, in mL. */

export type LoadEnd = Omit<typeof loadEnds.$inferSelect, "id">;

export const addLoadEnds = (db: Access, ends: readonly LoadEnd[]): void =>
  void (
    ends.length > 0 &&
    db
      .insert(loadEnds)
      .values([...ends])
      .run()
  );

/** How the loads of a sheet ended: the last word on each counts. */
export function endsOfSheet(db: Access, sheetId: string): LoadEnd[] {
  const rows = db.select().from(loadEnds).where(eq(loadEnds.sheetId, sheetId)).orderBy(loadEnds.id).all();
  return lastOfEach(rows);
}

const lastOfEach = (rows: readonly (typeof loadEnds.$inferSelect)[]): LoadEnd[] => [
  ...new Map(rows.map(({ id: _, ...row }) => [`${row.sheetId} ${row.site} ${row.load}`, row])).values(),
];

/** As many as a bench lists. */
const MOST = 100;

/** The loads of which something is unaccounted for, the newest first. @param siteIds those for some sites; all where it is left out */
export function unaccountedLoads(db: Access, siteIds?: readonly string[]): LoadEnd[] {
  const ever = db
    .selectDistinct({ sheetId: loadEnds.sheetId })
    .from(loadEnds)
    .innerJoin(sheetSites, eq(sheetSites.sheetId, loadEnds.sheetId))
    // Written out, as the index has it.
    .where(and(sql`${loadEnds.unaccounted} > 0`, siteIds === undefined ? undefined : inArray(sheetSites.siteId, [...siteIds])))
    .all();
  const open = ever.flatMap(({ sheetId }) => endsOfSheet(db, sheetId)).filter((end) => end.unaccounted > 0);
  return siteIds === undefined ? open.reverse().slice(0, MOST) : open;
}

/** Sheets by their ids, the newest first. */
export const sheetsOf = (db: Access, ids: readonly string[]) =>
  ids.length === 0
    ? []
    : db
        .select()
        .from(mixSheets)
        .where(inArray(mixSheets.id, [...ids]))
        .orderBy(desc(mixSheets.madeAt))
        .all();
