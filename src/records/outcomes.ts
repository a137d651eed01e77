import { desc, eq } from "drizzle-orm";
import { asItIs, readRows } from "./aside";
import type { Access } from "./access";
import { mixSheets, outcomes } from "./schema-work";

export type NewOutcome = Omit<typeof outcomes.$inferInsert, "createdAt">;

/** Puts on record what the loads of a sheet did on a site. */
export const addOutcome = (db: Access, outcome: NewOutcome, now: string): void =>
  void db
    .insert(outcomes)
    .values({ ...outcome, createdAt: now })
    .run();

/** What is told of a sheet, site by site. */
export const outcomesOfSheet = (db: Access, sheetId: string) =>
  readRows("outcome of a sheet", db.select().from(outcomes).where(eq(outcomes.sheetId, sheetId)).all(), asItIs);

/** What loads did that were mixed from a calibration, newest first. */
export const outcomesSince = (db: Access, calibrationId: string, most: number) =>
  readRows(
    "outcome of a sheet",
    db
      .select({ outcome: outcomes })
      .from(mixSheets)
      .innerJoin(outcomes, eq(outcomes.sheetId, mixSheets.id))
      .where(eq(mixSheets.calibrationId, calibrationId))
      .orderBy(desc(outcomes.createdAt))
      .limit(most)
      .all()
      .map((row) => row.outcome),
    asItIs,
  );
