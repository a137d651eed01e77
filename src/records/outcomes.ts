import { and, desc, eq, sql } from "drizzle-orm";
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

/** Something of it stands in the log: what was struck there as never gone down is evidence of nothing. */
const STANDS = sql`exists (select 1 from applications a where a.sheet_id = ${outcomes.sheetId} and a.site_id = ${outcomes.siteId} and a.void = 0 and not exists (select 1 from applications c where c.corrects = a.id))`;

/** What loads did that were mixed from a calibration and stand as down, newest first. */
export const outcomesSince = (db: Access, calibrationId: string, most: number) =>
  readRows(
    "outcome of a sheet",
    db
      .select({ outcome: outcomes })
      .from(mixSheets)
      .innerJoin(outcomes, eq(outcomes.sheetId, mixSheets.id))
      .where(and(eq(mixSheets.calibrationId, calibrationId), STANDS))
      .orderBy(desc(outcomes.createdAt))
      .limit(most)
      .all()
      .map((row) => row.outcome),
    asItIs,
  );
