import { desc, eq } from "drizzle-orm";
import { asItIs, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./database";
import { kitChecks, quickChecks } from "./schema";

type NewQuickCheck = Omit<typeof quickChecks.$inferInsert, "createdAt">;
type NewKitCheck = Omit<typeof kitChecks.$inferInsert, "createdAt">;

export function addQuickCheck(db: Access, check: NewQuickCheck, now: string): void {
  db.insert(quickChecks)
    .values({ ...check, createdAt: now })
    .run();
}

export const findQuickCheck = (db: Access, id: string) =>
  readRow("quick check", db.select().from(quickChecks).where(eq(quickChecks.id, id)).get(), asItIs);

export const findKitCheck = (db: Access, id: string) => db.select().from(kitChecks).where(eq(kitChecks.id, id)).get();

/** The newest quick checks, newest first. */
export const listQuickChecks = (db: Access, most: number, aside?: SetAside[]) =>
  readRows(
    "quick check",
    db.select().from(quickChecks).orderBy(desc(quickChecks.madeAt), desc(quickChecks.createdAt)).limit(most).all(),
    asItIs,
    aside,
  );

/** The quick checks that hold a calibration's flow against the rig, newest first. */
export const checksOf = (db: Access, calibrationId: string) =>
  readRows(
    "quick check",
    db
      .select()
      .from(quickChecks)
      .where(eq(quickChecks.calibrationId, calibrationId))
      .orderBy(desc(quickChecks.madeAt), desc(quickChecks.createdAt))
      .all(),
    asItIs,
  );

export function addKitCheck(db: Access, check: NewKitCheck, now: string): void {
  db.insert(kitChecks)
    .values({ ...check, createdAt: now })
    .run();
}

/** The newest proofs of tools, newest first. */
export const listKitChecks = (db: Access, most: number) =>
  db.select().from(kitChecks).orderBy(desc(kitChecks.madeAt), desc(kitChecks.createdAt)).limit(most).all();
