import { and, asc, count, desc, eq, gt, inArray, isNull, lt } from "drizzle-orm";
import type { Ground } from "@/core/calibration/evidence";
import type { LeverName } from "@/core/calibration/levers";
import type { Entered } from "@/core/quantity/parse";
import type { JobFile } from "@/formats/job-file/types";
import type { Cursor, Page } from "@/formats/slices";
import { asItIs, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./access";
import { newestFirst, pageOf, rowsAfter } from "./page";
import { calibrations, trials } from "./schema";
import { calibrationWithdrawals } from "./schema-work";
import type { MethodId } from "@/core/calibration/method-ids";

export interface NewTrial {
  readonly of: "walk" | "catch";
  readonly time: Entered<"time">;
  readonly volume: Entered<"volume"> | null;
  readonly struck: string | null;
}

export interface NewCalibration {
  readonly id: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly siteId: string | null;
  readonly method: MethodId | null;
  readonly lever: LeverName | null;
  readonly leverSetTo: string | null;
  readonly follows: string | null;
  readonly madeAt: string;
  readonly ground: Ground | null;
  /** The rig as it is and the evidence, as entered. */
  readonly job: JobFile;
  /** mL/m². */
  readonly sprayVolume: number;
  readonly relative: number | null;
  readonly rules: readonly string[];
  readonly trials: readonly NewTrial[];
}

/** Appends a calibration with its trials. Call it in a transaction. */
export function addCalibration(db: Access, made: NewCalibration, now: string): void {
  const { trials: tape, ...row } = made;
  db.insert(calibrations)
    .values({ ...row, createdAt: now })
    .run();
  tape.forEach((trial, position) => {
    db.insert(trials)
      .values({ calibrationId: made.id, position, ...trial })
      .run();
  });
}

export const findCalibration = (db: Access, id: string) =>
  readRow("calibration", db.select().from(calibrations).where(eq(calibrations.id, id)).get(), asItIs);

/** Which of some calibrations no longer count, with their reasons. */
export const calibrationsWithdrawn = (db: Access, ids: readonly string[]): ReadonlyMap<string, string> =>
  new Map(
    db
      .select()
      .from(calibrationWithdrawals)
      .where(inArray(calibrationWithdrawals.calibrationId, [...ids]))
      .all()
      .map((row) => [row.calibrationId, row.why]),
  );

export const withdrawalOfCalibration = (db: Access, id: string) =>
  db.select().from(calibrationWithdrawals).where(eq(calibrationWithdrawals.calibrationId, id)).get();

export const withdrawCalibration = (db: Access, calibrationId: string, why: string, at: string): void =>
  void db.insert(calibrationWithdrawals).values({ calibrationId, why, at }).run();

/** Whose calibrations of a rig: a person's, a tap's, or all of the rig. */
export interface CalibrationsOf {
  readonly rigId: string;
  readonly personId?: string | undefined;
  readonly siteId?: string | undefined;
}

/** A calibration with the trials that were struck. */
export type CalibrationRow = typeof calibrations.$inferSelect & { readonly struck: readonly (typeof trials.$inferSelect)[] };

const PLACE = [calibrations.madeAt, calibrations.createdAt, calibrations.id] as const;

/** A page of the calibrations of a rig, newest first, with the trials that were struck. */
export function calibrationsPage(
  db: Access,
  { rigId, personId, siteId }: CalibrationsOf,
  after: Cursor | undefined,
  most: number,
  aside?: SetAside[],
): Page<CalibrationRow> {
  const found = db
    .select()
    .from(calibrations)
    .where(
      and(
        eq(calibrations.rigId, rigId),
        personId === undefined ? undefined : eq(calibrations.personId, personId),
        siteId === undefined ? undefined : eq(calibrations.siteId, siteId),
        rowsAfter(PLACE, after),
      ),
    )
    .orderBy(...newestFirst(PLACE))
    .limit(most + 1)
    .all();
  const page = pageOf(found, most, (row) => [row.madeAt, row.createdAt, row.id]);
  return { ...page, rows: withStruck(db, readRows("calibration", page.rows, asItIs, aside), aside) };
}

/** All calibrations of a rig, newest first, read a few at a time as they are asked for. */
export function* calibrationsNewestFirst(db: Access, of: CalibrationsOf, aside?: SetAside[]) {
  // Mostly the newest is the one that is looked for.
  let most = 1;
  let after: Cursor | undefined;
  do {
    const page = calibrationsPage(db, of, after, most, aside);
    yield* page.rows;
    after = page.next ?? undefined;
    most *= 4;
  } while (after);
}

/** A calibration with the trials that were struck. */
export function findWithStruck(db: Access, id: string): CalibrationRow | undefined {
  const row = findCalibration(db, id);
  return row && withStruck(db, [row])[0];
}

/** Every calibration, for whoever looks at all of them. */
export const allCalibrations = (db: Access, aside?: SetAside[]) => {
  readRows("trial", db.select().from(trials).all(), asItIs, aside);
  return readRows("calibration", db.select().from(calibrations).all(), asItIs, aside);
};

function withStruck<R extends { readonly id: string }>(db: Access, rows: readonly R[], aside?: SetAside[]) {
  const ids = rows.map((row) => row.id);
  const tape = ids.length === 0 ? [] : db.select().from(trials).where(inArray(trials.calibrationId, ids)).all();
  const struck = readRows("trial", tape, asItIs, aside).filter((t) => t.struck !== null);
  return rows.map((row) => ({ ...row, struck: struck.filter((t) => t.calibrationId === row.id) }));
}

/** Who has calibrated a rig, or whose taps fed it: looked up one after the other, however many calibrations there are. */
export function ownersOf(db: Access, rigId: string, owner: "person" | "tap", most: number): string[] {
  const column = owner === "person" ? calibrations.personId : calibrations.siteId;
  const found: string[] = [];
  while (found.length < most) {
    const next = db
      .select({ id: column })
      .from(calibrations)
      .where(and(eq(calibrations.rigId, rigId), gt(column, found.at(-1) ?? "")))
      .orderBy(asc(column))
      .limit(1)
      .get();
    if (!next?.id) break;
    found.push(next.id);
  }
  return found;
}

/** How many calibrations each person has made. */
export const calibrationsByPerson = (db: Access, personIds: readonly string[]): ReadonlyMap<string, number> =>
  new Map(
    db
      .select({ id: calibrations.personId, count: count() })
      .from(calibrations)
      .where(inArray(calibrations.personId, [...personIds]))
      .groupBy(calibrations.personId)
      .all()
      .map((row) => [row.id!, row.count]),
  );

/** The newest calibration of a rig with the same person or tap before a moment. */
export function newestBefore(db: Access, of: Pick<NewCalibration, "rigId" | "personId" | "siteId" | "madeAt">) {
  const same = (column: typeof calibrations.personId | typeof calibrations.siteId, value: string | null) =>
    value === null ? isNull(column) : eq(column, value);
  return db
    .select({ id: calibrations.id })
    .from(calibrations)
    .where(
      and(
        eq(calibrations.rigId, of.rigId),
        same(calibrations.personId, of.personId),
        same(calibrations.siteId, of.siteId),
        lt(calibrations.madeAt, of.madeAt),
      ),
    )
    .orderBy(desc(calibrations.madeAt))
    .get();
}
