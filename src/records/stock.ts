import { asc, desc, eq } from "drizzle-orm";
import type { Access } from "./database";
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

/** The last count of every product. */
export function lastCounts(db: Access) {
  const rows = db.select().from(stockCounts).orderBy(asc(stockCounts.countedAt), asc(stockCounts.createdAt)).all();
  return [...new Map(rows.map((row) => [row.labelId, row])).values()];
}

export interface NewRinse {
  readonly id: string;
  readonly rigId: string;
  readonly tank: string;
  readonly personId: string | null;
  readonly rinsedAt: string;
}

export function addRinse(db: Access, rinse: NewRinse, now: string): void {
  db.insert(rinses)
    .values({ ...rinse, createdAt: now })
    .run();
}

/** The newest rinses, newest first. */
export const listRinses = (db: Access, most: number) => db.select().from(rinses).orderBy(desc(rinses.rinsedAt)).limit(most).all();
