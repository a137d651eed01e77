import { eq, sql } from "drizzle-orm";
import type { Access } from "./access";
import { loadEnds, sheetSites } from "./schema-work";

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
  return [...new Map(rows.map(({ id: _, ...row }) => [`${row.site} ${row.load}`, row])).values()];
}

/** As many as a bench lists. */
const MOST = 100;

/** The loads of which something is unaccounted for, the newest first. @param siteIds those for some sites; all where it is left out */
export function unaccountedLoads(db: Access, siteIds?: readonly string[]): LoadEnd[] {
  const here =
    siteIds === undefined
      ? sql``
      : sql`and exists (select 1 from ${sheetSites} s where s.sheet_id = e.sheet_id and s.site_id in (${sql.join(
          siteIds.map((id) => sql`${id}`),
          sql`, `,
        )}))`;
  // By the few that ever were, not through all loads.
  const ever = db.all<{ sheetId: string }>(
    sql`select distinct e.sheet_id as "sheetId" from ${loadEnds} e indexed by load_ends_lost where e.unaccounted > 0 ${here}`,
  );
  const open = ever.flatMap(({ sheetId }) => endsOfSheet(db, sheetId)).filter((end) => end.unaccounted > 0);
  return siteIds === undefined ? open.reverse().slice(0, MOST) : open;
}
