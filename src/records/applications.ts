import { desc, eq, inArray } from "drizzle-orm";
import type { Entered } from "@/core/contents";
import type { ActiveText } from "@/formats/card/card";
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
  readonly corrects: string | null;
  readonly isVoid: boolean;
}

export function addApplication(db: Access, application: NewApplication, now: string): void {
  db.insert(applications)
    .values({ ...application, createdAt: now })
    .run();
}

export const findApplication = (db: Access, id: string) => db.select().from(applications).where(eq(applications.id, id)).get();

/** What corrects a record; undefined where nothing does. */
export const correctionOf = (db: Access, id: string) =>
  db.select({ id: applications.id }).from(applications).where(eq(applications.corrects, id)).get();

/** The newest records, newest first, those that were corrected too. */
export const listApplications = (db: Access, most: number): ApplicationRow[] =>
  db.select().from(applications).orderBy(desc(applications.date), desc(applications.createdAt)).limit(most).all();

/** What stands as down: neither corrected nor void. Of one site, or of all. */
export function standingApplications(db: Access, siteId?: string): ApplicationRow[] {
  const rows = db
    .select()
    .from(applications)
    .where(siteId === undefined ? undefined : eq(applications.siteId, siteId))
    .orderBy(applications.date)
    .all();
  const corrected = new Set(rows.map((r) => r.corrects));
  return rows.filter((r) => !corrected.has(r.id) && !r.isVoid);
}

export const recordsOfSheet = (db: Access, sheetId: string) =>
  db.select({ id: applications.id }).from(applications).where(eq(applications.sheetId, sheetId)).all();

export function withdrawSheet(db: Access, sheetId: string, at: string): void {
  db.insert(withdrawals).values({ sheetId, at }).onConflictDoNothing().run();
}

export const isWithdrawn = (db: Access, sheetId: string): boolean =>
  db.select().from(withdrawals).where(eq(withdrawals.sheetId, sheetId)).get() !== undefined;

/** The sheets that are neither put on record nor withdrawn: what they plan counts. Of one site, or of all. */
export function openSheets(db: Access, siteId?: string) {
  const recorded = new Set(
    db
      .select({ id: applications.sheetId })
      .from(applications)
      .all()
      .map((r) => r.id),
  );
  const gone = new Set(
    db
      .select({ id: withdrawals.sheetId })
      .from(withdrawals)
      .all()
      .map((r) => r.id),
  );
  const here =
    siteId === undefined
      ? undefined
      : inArray(mixSheets.id, db.select({ id: sheetSites.sheetId }).from(sheetSites).where(eq(sheetSites.siteId, siteId)));
  return db
    .select()
    .from(mixSheets)
    .where(here)
    .all()
    .filter((sheet) => !recorded.has(sheet.id) && !gone.has(sheet.id));
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
