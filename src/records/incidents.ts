import { and, desc, eq, gte, lte, notExists } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { IncidentsAsked, Page } from "@/formats/slices";
import type { Access } from "./access";
import { asItIs, readRows, type SetAside } from "./aside";
import { pageOf, rowsAfter } from "./page";
import { incidents } from "./schema-work";

/** What went wrong, newest first. */

export type IncidentRow = typeof incidents.$inferSelect;

export type NewIncident = typeof incidents.$inferInsert;

export const addIncident = (db: Access, row: NewIncident): void => void db.insert(incidents).values(row).run();

export const findIncident = (db: Access, id: string) =>
  db.select({ id: incidents.id }).from(incidents).where(eq(incidents.id, id)).get();

/** What tells it anew, if anything does. */
export const correctedBy = (db: Access, id: string) =>
  db.select({ id: incidents.id }).from(incidents).where(eq(incidents.corrects, id)).get();

export function incidentsPage(
  db: Access,
  { site, from, to, after }: IncidentsAsked,
  most: number,
  aside?: SetAside[],
): Page<IncidentRow> {
  const { date, createdAt, id } = incidents;
  const newer = alias(incidents, "newer");
  const found = db
    .select()
    .from(incidents)
    .where(
      and(
        site === undefined ? undefined : eq(incidents.siteId, site),
        from === undefined ? undefined : gte(date, from),
        to === undefined ? undefined : lte(date, to),
        // What was told anew stands as it was told last; the first telling stays on record.
        notExists(db.select({ id: newer.id }).from(newer).where(eq(newer.corrects, incidents.id))),
        rowsAfter([date, createdAt, id], after),
      ),
    )
    .orderBy(desc(date), desc(createdAt), desc(id))
    .limit(most + 1)
    .all();
  const page = pageOf(found, most, (row) => [row.date, row.createdAt, row.id]);
  return { ...page, rows: readRows("incident", page.rows, asItIs, aside) };
}
