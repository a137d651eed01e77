import { and, desc, eq, inArray, sql } from "drizzle-orm";
import { isDate, parseAs, type Entered, type Kind } from "@/core/contents";
import type { ActiveText } from "@/formats/card/card";
import { asItIs, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./database";
import { applications, dismissals, mixSheets, sheetSites, withdrawals } from "./schema-work";

export type ApplicationRow = typeof applications.$inferSelect;

export interface NewApplication {
  readonly id: string;
  readonly date: string;
  readonly siteId: string;
  readonly zoneId: string;
  readonly zone: string;
  readonly area: Entered<"area">;
  readonly product: string;
  readonly labelId: string | null;
  readonly rate: string;
  readonly total: string;
  readonly actives: readonly ActiveText[];
  readonly gravity: string | null;
  readonly personId: string | null;
  readonly source: "hand" | "sheet" | "file";
  readonly sheetId: string | null;
  readonly note: string | null;
  readonly why: string | null;
  readonly alsoOn: string | null;
  readonly corrects: string | null;
  readonly isVoid: boolean;
}

export function addApplication(db: Access, application: NewApplication, now: string): void {
  db.insert(applications)
    .values({ ...application, createdAt: now })
    .run();
}

/** Many at once, as a file brings them: a statement for a few hundred rows, not one for each. */
export function addApplications(db: Access, list: readonly NewApplication[], now: string): void {
  const AT_ONCE = 200;
  for (let i = 0; i < list.length; i += AT_ONCE)
    db.insert(applications)
      .values(list.slice(i, i + AT_ONCE).map((application) => ({ ...application, createdAt: now })))
      .run();
}

/** The ids of what files brought. */
export const idsFromFiles = (db: Access): ReadonlySet<string> =>
  new Set(
    db
      .select({ id: applications.id })
      .from(applications)
      .where(eq(applications.source, "file"))
      .all()
      .map((row) => row.id),
  );

/** As it stands, once it is sure that it can be counted: a total and a rate that can be read, a date that there is. */
function recordOf(row: ApplicationRow): ApplicationRow {
  if (!isDate(row.date)) throw new Error(`date: "${row.date}" is no date`);
  for (const text of [row.rate, row.total])
    if (!parseAs<Kind>(text, ["rateByWeight", "rateByVolume", "mass", "volume"]).ok) throw new Error(`"${text}" is no amount`);
  return row;
}

export const findApplication = (db: Access, id: string): ApplicationRow | undefined =>
  readRow("record of the log", db.select().from(applications).where(eq(applications.id, id)).get(), recordOf);

/** What corrects a record; undefined where nothing does. */
export const correctionOf = (db: Access, id: string) =>
  db.select({ id: applications.id }).from(applications).where(eq(applications.corrects, id)).get();

/** The newest records, newest first, those that were corrected too. */
export const listApplications = (db: Access, most: number, aside?: SetAside[]): ApplicationRow[] =>
  readRows(
    "record of the log",
    db.select().from(applications).orderBy(desc(applications.date), desc(applications.createdAt)).limit(most).all(),
    recordOf,
    aside,
  );

/** What stands as down: neither corrected, wherever the correction lies, nor void. Of some sites, or of all. */
export function standingApplications(db: Access, siteIds?: readonly string[], aside?: SetAside[]): ApplicationRow[] {
  const rows = db
    .select()
    .from(applications)
    .where(
      and(
        siteIds === undefined ? undefined : inArray(applications.siteId, [...siteIds]),
        eq(applications.isVoid, false),
        sql`not exists (select 1 from ${applications} c where c.corrects = ${applications.id})`,
      ),
    )
    .orderBy(applications.date)
    .all();
  return readRows("record of the log", rows, recordOf, aside);
}

export const recordsOfSheet = (db: Access, sheetId: string) =>
  db
    .select({ id: applications.id, date: applications.date, corrects: applications.corrects })
    .from(applications)
    .where(eq(applications.sheetId, sheetId))
    .all();

/** @param became where something had been poured: what became of it */
export function withdrawSheet(db: Access, sheetId: string, became: string | null, at: string): void {
  db.insert(withdrawals).values({ sheetId, became, at }).onConflictDoNothing().run();
}

export const withdrawalOf = (db: Access, sheetId: string) =>
  db.select().from(withdrawals).where(eq(withdrawals.sheetId, sheetId)).get();

/** The sheets that are neither put on record nor withdrawn: what they plan counts. Of some sites, or of all. */
export function openSheets(db: Access, siteIds?: readonly string[], aside?: SetAside[]) {
  const here =
    siteIds === undefined
      ? undefined
      : inArray(
          mixSheets.id,
          db
            .select({ id: sheetSites.sheetId })
            .from(sheetSites)
            .where(inArray(sheetSites.siteId, [...siteIds])),
        );
  const rows = db
    .select()
    .from(mixSheets)
    .where(
      and(
        here,
        sql`not exists (select 1 from ${applications} a where a.sheet_id = ${mixSheets.id})`,
        sql`not exists (select 1 from ${withdrawals} w where w.sheet_id = ${mixSheets.id})`,
      ),
    )
    .all();
  return readRows("mix sheet", rows, asItIs, aside);
}

export interface Dismissal {
  readonly field: string;
  readonly slip: (typeof dismissals.$inferSelect)["slip"];
  readonly typed: string;
  readonly reason: string;
}

/** Keeps what was asked about and meant, beside the record. */
export function addDismissals(db: Access, recordId: string, list: readonly Dismissal[], at: string): void {
  for (const one of list)
    db.insert(dismissals)
      .values({ recordId, ...one, at })
      .onConflictDoNothing()
      .run();
}

/** What was meant, of some records. */
export const dismissalsOf = (db: Access, recordIds: readonly string[]) =>
  db
    .select()
    .from(dismissals)
    .where(inArray(dismissals.recordId, [...recordIds]))
    .all();
