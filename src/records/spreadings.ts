import { asc, desc, eq } from "drizzle-orm";
import type { SpreadFile } from "@/formats/job-file/spread";
import { asItIs, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./access";
import { spreadingEnds, spreadings, spreadingTicks, stillOpen } from "./schema-work";
import { standing } from "./sheets";

export interface NewSpreading {
  readonly id: string;
  readonly madeAt: string;
  /** ISO day. */
  readonly date: string;
  readonly personId: string | null;
  readonly job: SpreadFile;
}

export const addSpreading = (db: Access, spreading: NewSpreading, now: string): void =>
  void db
    .insert(spreadings)
    .values({ ...spreading, createdAt: now })
    .run();

export const findSpreading = (db: Access, id: string) =>
  readRow("spreading", db.select().from(spreadings).where(eq(spreadings.id, id)).get(), asItIs);

export const addSpreadingTick = (db: Access, spreadingId: string, step: string, done: boolean, at: string): void =>
  void db.insert(spreadingTicks).values({ spreadingId, step, done, at }).run();

/** The steps of granules that are ticked off: the last row for each is how it stands. */
export const doneOfSpreading = (db: Access, spreadingId: string): string[] =>
  standing(
    db.select().from(spreadingTicks).where(eq(spreadingTicks.spreadingId, spreadingId)).orderBy(asc(spreadingTicks.id)).all(),
  );

export const endOfSpreading = (db: Access, id: string) =>
  db.select().from(spreadingEnds).where(eq(spreadingEnds.spreadingId, id)).get();

export const endSpreading = (db: Access, spreadingId: string, what: "recorded" | "withdrawn", at: string): void =>
  void db.insert(spreadingEnds).values({ spreadingId, what, at }).run();

/** The spreadings that are neither down nor withdrawn: what they plan counts. Newest first. */
export function openSpreadings(db: Access, aside?: SetAside[]) {
  const rows = db
    .select({ spreading: spreadings })
    .from(stillOpen)
    .innerJoin(spreadings, eq(spreadings.id, stillOpen.recordId))
    .where(eq(stillOpen.kind, "spreading"))
    .orderBy(desc(stillOpen.madeAt))
    .all();
  return readRows(
    "spreading",
    rows.map((row) => row.spreading),
    asItIs,
    aside,
  );
}
