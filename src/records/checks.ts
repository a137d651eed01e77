import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import { asItIs, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./access";
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

const newest = () => [desc(quickChecks.madeAt), desc(quickChecks.createdAt)];

/** The newest quick check that holds a calibration's flow against the rig. */
export const newestCheckOf = (db: Access, calibrationId: string) =>
  readRow(
    "quick check",
    db
      .select()
      .from(quickChecks)
      .where(eq(quickChecks.calibrationId, calibrationId))
      .orderBy(...newest())
      .limit(1)
      .get(),
    asItIs,
  );

/** The quick checks of some calibrations, newest first. */
export const checksOf = (db: Access, calibrationIds: readonly string[], aside?: SetAside[]) =>
  readRows(
    "quick check",
    db
      .select()
      .from(quickChecks)
      .where(inArray(quickChecks.calibrationId, [...calibrationIds]))
      .orderBy(...newest())
      .all(),
    asItIs,
    aside,
  );

/** The newest quick checks of a rig by a person, or by nobody in particular, newest first. */
export const newestChecks = (db: Access, rigId: string, personId: string | null, most: number, aside?: SetAside[]) =>
  readRows(
    "quick check",
    db
      .select()
      .from(quickChecks)
      .where(
        and(eq(quickChecks.rigId, rigId), personId === null ? isNull(quickChecks.personId) : eq(quickChecks.personId, personId)),
      )
      .orderBy(...newest())
      .limit(most)
      .all(),
    asItIs,
    aside,
  );

/** Every quick check, for whoever looks at all of them. */
export const allQuickChecks = (db: Access, aside?: SetAside[]) =>
  readRows("quick check", db.select().from(quickChecks).all(), asItIs, aside);

export function addKitCheck(db: Access, check: NewKitCheck, now: string): void {
  db.insert(kitChecks)
    .values({ ...check, createdAt: now })
    .run();
}

/** The last proof of a tool of a rig. */
export const lastProof = (db: Access, rigId: string, of: "scale" | "vessel", tool: string) =>
  db
    .select()
    .from(kitChecks)
    .where(and(eq(kitChecks.rigId, rigId), eq(kitChecks.of, of), eq(kitChecks.tool, tool)))
    .orderBy(desc(kitChecks.madeAt), desc(kitChecks.createdAt))
    .limit(1)
    .get();
