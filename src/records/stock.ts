import { and, desc, eq, gt } from "drizzle-orm";
import type { CleanOut } from "@/formats/clean-out";
import type { Access } from "./access";
import { asItIs, readRows, type SetAside } from "./aside";
import { rinses, stockCounts } from "./schema-work";

export interface NewStockCount {
  readonly id: string;
  readonly labelId: string;
  /** As entered, as a job file writes it. */
  readonly amount: string;
  readonly countedAt: string;
}

export function addStockCount(db: Access, count: NewStockCount, now: string): void {
  db.insert(stockCounts)
    .values({ ...count, createdAt: now })
    .run();
}

export const findStockCount = (db: Access, id: string) =>
  db.select({ id: stockCounts.id }).from(stockCounts).where(eq(stockCounts.id, id)).get();

export const findRinse = (db: Access, id: string) => db.select({ id: rinses.id }).from(rinses).where(eq(rinses.id, id)).get();

/** The last count of a product. */
export const lastCount = (db: Access, labelId: string) =>
  db
    .select()
    .from(stockCounts)
    .where(eq(stockCounts.labelId, labelId))
    .orderBy(desc(stockCounts.countedAt), desc(stockCounts.createdAt))
    .limit(1)
    .get();

export interface NewRinse {
  readonly id: string;
  readonly rigId: string;
  readonly tank: string;
  readonly personId: string | null;
  readonly rinsedAt: string;
  readonly facts: CleanOut | null;
}

export function addRinse(db: Access, rinse: NewRinse, now: string): void {
  db.insert(rinses)
    .values({ ...rinse, createdAt: now })
    .run();
}

/** The newest rinses of a rig, newest first. */
export const rinsesOf = (db: Access, rigId: string, most: number, aside?: SetAside[]) =>
  readRows(
    "rinse",
    db
      .select()
      .from(rinses)
      .where(eq(rinses.rigId, rigId))
      .orderBy(desc(rinses.rinsedAt))
      .limit(most)
      .all()
      .map((row) => ({ ...row, name: row.tank })),
    asItIs,
    aside,
  );

/** Whether a tank was rinsed after a moment. */
export const rinsedSince = (db: Access, rigId: string, tank: string, moment: string): boolean =>
  db
    .select({ id: rinses.id })
    .from(rinses)
    .where(and(eq(rinses.rigId, rigId), eq(rinses.tank, tank), gt(rinses.rinsedAt, moment)))
    .limit(1)
    .get() !== undefined;
