import { and, asc, desc, eq, inArray, ne, sql } from "drizzle-orm";
import type { SQLiteColumn } from "drizzle-orm/sqlite-core";
import type { JobFile, SiteText } from "@/formats/job-file/types";
import type { Cursor } from "@/formats/slices";
import { asItIs, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./access";
import { newestFirst, pageOf, rowsAfter } from "./page";
import { mixSheets, sheetProducts, sheetSites, sheetTanks, stillOpen, ticks, withdrawals } from "./schema-work";

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

/** Some sheets by their ids, the newest first. */
export const sheetsById = (db: Access, ids: readonly string[], aside?: SetAside[]) => {
  const found = ids.length === 0 ? [] : db.select().from(mixSheets).where(inArray(mixSheets.id, [...ids])).orderBy(desc(mixSheets.madeAt)).all(); // prettier-ignore
  return readRows("mix sheet", found, asItIs, aside);
};

export const findSheet = (db: Access, id: string) =>
  readRow("mix sheet", db.select().from(mixSheets).where(eq(mixSheets.id, id)).get(), asItIs);

const OPEN_PLACE = [stillOpen.madeAt, stillOpen.recordId] as const;

/** A page of the open sheets, newest first. */
export function openSheetsPage(db: Access, after: Cursor | undefined, most: number, aside?: SetAside[]) {
  const found = db
    .select({ sheet: mixSheets })
    .from(stillOpen)
    .innerJoin(mixSheets, eq(mixSheets.id, stillOpen.recordId))
    .where(and(eq(stillOpen.kind, "sheet"), rowsAfter(OPEN_PLACE, after)))
    .orderBy(...newestFirst(OPEN_PLACE))
    .limit(most + 1)
    .all()
    .map((row) => row.sheet);
  const page = pageOf(found, most, (row) => [row.madeAt, row.id]);
  return { ...page, rows: readRows("mix sheet", page.rows, asItIs, aside) };
}

/** Every sheet, for whoever looks at all of them. */
export const allSheets = (db: Access, aside?: SetAside[]) =>
  readRows("mix sheet", db.select().from(mixSheets).all(), asItIs, aside);

/** A step of it was ticked, and it was not withdrawn. */
const MIXED = (sheetId: SQLiteColumn) =>
  sql`exists (select 1 from ${ticks} t where t.sheet_id = ${sheetId} and t.done = 1) and not exists (select 1 from ${withdrawals} w where w.sheet_id = ${sheetId})`;

/** The newest sheets that were mixed into a tank of a rig, newest first. @param except a sheet that is passed over */
export const mixedInto = (db: Access, rigId: string, tank: string, except: string | undefined, most: number) =>
  db
    .select({ id: sheetTanks.sheetId, madeAt: sheetTanks.madeAt })
    .from(sheetTanks)
    .where(
      and(
        eq(sheetTanks.rigId, rigId),
        eq(sheetTanks.tank, tank),
        except === undefined ? undefined : ne(sheetTanks.sheetId, except),
        MIXED(sheetTanks.sheetId),
      ),
    )
    .orderBy(desc(sheetTanks.madeAt))
    .limit(most)
    .all();

/** The cards of a sheet's products, by id; of an old sheet by name. */
export const productsOfSheet = (db: Access, sheetId: string): string[] =>
  db
    .select({ id: sheetProducts.labelId })
    .from(sheetProducts)
    .where(eq(sheetProducts.sheetId, sheetId))
    .all()
    .map((row) => row.id);

/** Whether just these products, by id, were mixed in one tank before. */
export function mixedBefore(db: Access, labelIds: readonly string[]): boolean {
  const [first] = labelIds;
  if (first === undefined) return false;
  const one = db
    .select({ id: sheetProducts.sheetId })
    .from(sheetProducts)
    .where(
      and(
        eq(sheetProducts.labelId, first),
        sql`(select count(*) from ${sheetProducts} p where p.sheet_id = ${sheetProducts.sheetId}) = ${labelIds.length}`,
        ...labelIds
          .slice(1)
          .map(
            (id) =>
              sql`exists (select 1 from ${sheetProducts} p where p.sheet_id = ${sheetProducts.sheetId} and p.label_id = ${id})`,
          ),
        MIXED(sheetProducts.sheetId),
      ),
    )
    .limit(1)
    .get();
  return one !== undefined;
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
export function standing(events: readonly { step: string; done: boolean }[]): string[] {
  const last = new Map(events.map((e) => [e.step, e.done]));
  return [...last].flatMap(([step, done]) => (done ? [step] : []));
}

/** The id on record of a site of a sheet. Sheets of one site did not always name it. */
export const siteIdOf = (sheet: { readonly siteId: string }, site: SiteText): string => site.id ?? sheet.siteId;
