import { asc, desc, eq, inArray } from "drizzle-orm";
import type { JobFile } from "@/formats/job-file/types";
import type { Access } from "./database";
import { mixSheets, ticks } from "./schema";

export interface NewSheet {
  readonly id: string;
  readonly madeAt: string;
  readonly siteId: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly calibrationId: string;
  readonly job: JobFile;
  readonly rules: readonly string[];
}

export function addSheet(db: Access, sheet: NewSheet, now: string): void {
  db.insert(mixSheets)
    .values({ ...sheet, createdAt: now })
    .run();
}

export const findSheet = (db: Access, id: string) => db.select().from(mixSheets).where(eq(mixSheets.id, id)).get();

/** The newest sheets, newest first, with the keys of their ticked steps. */
export function listSheets(db: Access, most: number) {
  const rows = db.select().from(mixSheets).orderBy(desc(mixSheets.madeAt), desc(mixSheets.createdAt)).limit(most).all();
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

/** The last word on each step counts. */
function standing(events: readonly { step: string; done: boolean }[]): string[] {
  const last = new Map(events.map((e) => [e.step, e.done]));
  return [...last].flatMap(([step, done]) => (done ? [step] : []));
}
