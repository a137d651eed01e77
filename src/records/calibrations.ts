import { and, desc, eq, inArray, isNull, lt } from "drizzle-orm";
import { entered, type Ground, type LeverName, type MethodId } from "@/core/contents";
import type { JobFile } from "@/formats/job-file/types";
import { asItIs, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./database";
import { calibrations, trials } from "./schema";
import { calibrationWithdrawals } from "./schema-work";

export interface NewTrial {
  readonly of: "walk" | "catch";
  readonly time: string;
  readonly volume: string | null;
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
    const volume = trial.volume === null ? null : entered(trial.volume, "volume");
    db.insert(trials)
      .values({ calibrationId: made.id, position, of: trial.of, time: entered(trial.time, "time"), volume, struck: trial.struck })
      .run();
  });
}

export const findCalibration = (db: Access, id: string) =>
  readRow("calibration", db.select().from(calibrations).where(eq(calibrations.id, id)).get(), asItIs);

/** The calibrations that no longer count, with their reasons. */
export const calibrationsWithdrawn = (db: Access): ReadonlyMap<string, string> =>
  new Map(
    db
      .select()
      .from(calibrationWithdrawals)
      .all()
      .map((row) => [row.calibrationId, row.why]),
  );

export const withdrawalOfCalibration = (db: Access, id: string) =>
  db.select().from(calibrationWithdrawals).where(eq(calibrationWithdrawals.calibrationId, id)).get();

export const withdrawCalibration = (db: Access, calibrationId: string, why: string, at: string): void =>
  void db.insert(calibrationWithdrawals).values({ calibrationId, why, at }).run();

/** The newest calibrations, newest first, with the trials that were struck. */
export function listCalibrations(db: Access, most: number, aside?: SetAside[]) {
  const all = db.select().from(calibrations).orderBy(desc(calibrations.madeAt), desc(calibrations.createdAt)).limit(most).all();
  const rows = readRows("calibration", all, asItIs, aside);
  const tape =
    rows.length === 0
      ? []
      : db
          .select()
          .from(trials)
          .where(
            inArray(
              trials.calibrationId,
              rows.map((r) => r.id),
            ),
          )
          .all();
  const struck = readRows("trial", tape, asItIs, aside).filter((t) => t.struck !== null);
  return rows.map((row) => ({ ...row, struck: struck.filter((t) => t.calibrationId === row.id) }));
}

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
