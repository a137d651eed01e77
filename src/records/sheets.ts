import { and, asc, desc, eq, inArray } from "drizzle-orm";
import type { JobFile, SiteText } from "@/formats/job-file/types";
import { asItIs, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./database";
import { mixSheets, sheetSites, ticks } from "./schema-work";

export interface NewSheet {
  readonly id: string;
  readonly madeAt: string;
  readonly siteId: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly calibrationId: string;
  /** What the sheets of one day have in common. */
  readonly dayId: string | null;
  readonly job: JobFile;
  readonly rules: readonly string[];
}

/** @param siteIds all its sites; `sheet.siteId` is the first of them */
export function addSheet(db: Access, sheet: NewSheet, siteIds: readonly string[], now: string): void {
  db.insert(mixSheets)
    .values({ ...sheet, createdAt: now })
    .run();
  db.insert(sheetSites)
    .values(siteIds.map((siteId) => ({ sheetId: sheet.id, siteId })))
    .run();
}

/** The other sheets of the same day: a truck's other tank. */
export const sheetsOfDay = (db: Access, dayId: string) =>
  readRows("mix sheet", db.select().from(mixSheets).where(eq(mixSheets.dayId, dayId)).all(), asItIs);

export const findSheet = (db: Access, id: string) =>
  readRow("mix sheet", db.select().from(mixSheets).where(eq(mixSheets.id, id)).get(), asItIs);

/** The newest sheets, newest first, with the keys of their ticked steps. */
export function listSheets(db: Access, most: number, aside?: SetAside[]) {
  const all = db.select().from(mixSheets).orderBy(desc(mixSheets.madeAt), desc(mixSheets.createdAt)).limit(most).all();
  const rows = readRows("mix sheet", all, asItIs, aside);
  const events =
    rows.length === 0
      ? []
      : db
          .select()
          .from(ticks)
          .where(
            inArray(
              ticks.sheetId,
              rows.map((r) => r.id),
            ),
          )
          .orderBy(asc(ticks.id))
          .all();
  return rows.map((row) => ({ ...row, done: standing(events.filter((e) => e.sheetId === row.id)) }));
}

/** Ticks a step off, or takes the tick back: either way a new row. */
export function addTick(db: Access, sheetId: string, step: string, done: boolean, at: string): void {
  db.insert(ticks).values({ sheetId, step, done, at }).run();
}

/** The keys of the steps of a sheet that are ticked off. */
export function doneSteps(db: Access, sheetId: string): string[] {
  return standing(db.select().from(ticks).where(eq(ticks.sheetId, sheetId)).orderBy(asc(ticks.id)).all());
}

/** The keys of all steps that were ever ticked, those that were taken back too. */
export const everTicked = (db: Access, sheetId: string): string[] =>
  db
    .selectDistinct({ step: ticks.step })
    .from(ticks)
    .where(and(eq(ticks.sheetId, sheetId), eq(ticks.done, true)))
    .all()
    .map((row) => row.step);

/** The last word on each step counts. */
function standing(events: readonly { step: string; done: boolean }[]): string[] {
  const last = new Map(events.map((e) => [e.step, e.done]));
  return [...last].flatMap(([step, done]) => (done ? [step] : []));
}

/** The id on record of a site of a sheet. Sheets of one site did not always name it. */
export const siteIdOf = (sheet: { readonly siteId: string }, site: SiteText): string => site["x-id"] ?? sheet.siteId;
