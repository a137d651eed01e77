import { and, asc, desc, eq, like, not, sql } from "drizzle-orm";
import type { Access } from "./access";
import { plannedDays } from "./schema-season";

/** What somebody moved in a year's plan: rounds on sites to days, and whole rounds to later. */

export type PlannedRow = Omit<typeof plannedDays.$inferSelect, "id">;

export const addPlanned = (db: Access, rows: readonly PlannedRow[]): void => {
  const AT_ONCE = 500;
  for (let i = 0; i < rows.length; i += AT_ONCE)
    db.insert(plannedDays)
      .values(rows.slice(i, i + AT_ONCE))
      .run();
};

/** The rows that count in a year: the newest of each round and site. */
export const plannedIn = (db: Access, year: number) =>
  db
    .select()
    .from(plannedDays)
    .where(
      and(
        eq(plannedDays.year, year),
        sql`${plannedDays.id} = (select max(p.id) from ${plannedDays} p where p.year = ${plannedDays.year}
          and p.site_id is ${plannedDays.siteId} and p.round = ${plannedDays.round})`,
      ),
    )
    .all();

/** What undoes a batch is itself one, under this name with the other's behind it. */
export const UNDO = "undo.";

/**
 * What goes over with a site that becomes part of another, or with a round that gets another name, is a batch under this name:
 * nobody moved it, and nothing undoes it.
 */
export const CARRIED = "carried.";

/** The newest batch of a year that was neither undone nor undoes another; undefined where there is none. */
export function lastBatch(db: Access, year: number): string | undefined {
  const undone = sql`exists (select 1 from ${plannedDays} u where u.batch = ${UNDO} || ${plannedDays.batch})`;
  return db
    .select({ batch: plannedDays.batch })
    .from(plannedDays)
    .where(and(eq(plannedDays.year, year), ...[UNDO, CARRIED].map((of) => not(like(plannedDays.batch, `${of}%`))), not(undone)))
    .orderBy(desc(plannedDays.id))
    .limit(1)
    .get()?.batch;
}

export const rowsOfBatch = (db: Access, batch: string) =>
  db.select().from(plannedDays).where(eq(plannedDays.batch, batch)).orderBy(asc(plannedDays.id)).all();
