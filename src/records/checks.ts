import { desc, eq } from "drizzle-orm";
import type { Access } from "./database";
import { kitChecks, quickChecks } from "./schema";

type NewQuickCheck = Omit<typeof quickChecks.$inferInsert, "createdAt">;
type NewKitCheck = Omit<typeof kitChecks.$inferInsert, "createdAt">;

/** Appends a quick check; one that is there already is left. */
export function addQuickCheck(db: Access, check: NewQuickCheck, now: string): void {
  db.insert(quickChecks)
    .values({ ...check, createdAt: now })
    .onConflictDoNothing()
    .run();
}

export const findQuickCheck = (db: Access, id: string) => db.select().from(quickChecks).where(eq(quickChecks.id, id)).get();

/** The newest quick checks, newest first. */
export const listQuickChecks = (db: Access, most: number) =>
  db.select().from(quickChecks).orderBy(desc(quickChecks.madeAt), desc(quickChecks.createdAt)).limit(most).all();

/** The quick checks that hold a calibration's flow against the rig, newest first. */
export const checksOf = (db: Access, calibrationId: string) =>
  db.select().from(quickChecks).where(eq(quickChecks.calibrationId, calibrationId)).orderBy(desc(quickChecks.madeAt)).all();

export function addKitCheck(db: Access, check: NewKitCheck, now: string): void {
  db.insert(kitChecks)
    .values({ ...check, createdAt: now })
    .onConflictDoNothing()
    .run();
}

/** The newest proofs of tools, newest first. */
export const listKitChecks = (db: Access, most: number) =>
  db.select().from(kitChecks).orderBy(desc(kitChecks.madeAt), desc(kitChecks.createdAt)).limit(most).all();
