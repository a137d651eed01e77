import { calibrate, isEstimate, isUnsure, type Calibration } from "@/core/calibration/calibrate";
import { mixLock } from "@/core/calibration/may-mix";
import { hasOwnCatchTime } from "@/core/calibration/methods";
import { CHECK_EVERY } from "@/core/calibration/quick-check";
import { standingOf, type Standing } from "@/core/calibration/standing";
import { dayIn } from "./day";
import type { CalibrationEntry, CheckEntry } from "./entries";
import { soundCalibration } from "./job-file/read-calibration";
import type { RigText } from "./job-file/types";
import { standsOn } from "./stands-on";

/** A calibration on record, worked out and judged against the rig as it is today: one judgement for screens and server. */
export interface Calibrated {
  readonly entry: CalibrationEntry;
  readonly made: Calibration;
  readonly standing: Standing;
  /** Over 10 % between trials: not a calibration yet. */
  readonly unsure: boolean;
  /** Only a tip's rated flow stands behind it. */
  readonly estimate: boolean;
  /** The newest quick check since. */
  readonly check: CheckEntry | undefined;
}

/** What was recorded of a calibration: all that it is worked out from. */
export type Recorded = Pick<CalibrationEntry, "rig" | "calibration" | "ground" | "method">;

/** A calibration as core takes it: the one place where its input is put together from what is on record. */
export function inputOf({ rig, calibration, ground, method }: Recorded) {
  const input = soundCalibration(rig, calibration);
  return {
    ...input,
    ...(ground && { ground }),
    ownCatchTime: input.ownCatchTime === true || (method !== null && hasOwnCatchTime(method)),
  };
}

const worked = new WeakMap<Recorded["calibration"], Map<string, Calibration>>();

/** A calibration on record, worked out again from what was entered; once for each. */
export function workOut(recorded: Recorded): Calibration {
  const { calibration, ground, method } = recorded;
  const known = worked.get(calibration) ?? new Map<string, Calibration>();
  worked.set(calibration, known);
  const key = `${ground} ${method}`;
  const made = known.get(key) ?? calibrate(inputOf(recorded));
  known.set(key, made);
  return made;
}

/** The day that it is where the firm is. */
export interface Day {
  readonly today: number;
  readonly zone: string;
}

export function judge(rig: RigText, entry: CalibrationEntry, check: CheckEntry | undefined, { today, zone }: Day): Calibrated {
  const made = workOut(entry);
  return {
    entry,
    made,
    check,
    standing: standingOf(standsOn(entry.rig), standsOn(rig), dayIn(entry.madeAt, zone), today, check?.ratio),
    unsure: isUnsure(made),
    estimate: isEstimate(made),
  };
}

/** Why a calibration may not be mixed from; undefined where it may. */
export const lockOf = (one: Calibrated) => mixLock({ ...one, withdrawn: one.entry.withdrawn });

/** A week after the calibration, or after the last check of it; direct evidence has no flow to check. */
export const checkDue = ({ entry, check, made }: Calibrated, { today, zone }: Day): boolean =>
  made.flow !== null && today - dayIn(check?.madeAt ?? entry.madeAt, zone) > CHECK_EVERY;

/**
 * The calibration that counts of those of one rig and owner, newest first: the newest that can be mixed from. One that is no
 * calibration yet, or was made with another tip or pressure, pushes none aside that stands; where none does, the newest
 * says why.
 */
export function thatCounts(newestFirst: Iterable<Calibrated>): Calibrated | undefined {
  let newest: Calibrated | undefined;
  for (const one of newestFirst) {
    if (one.entry.withdrawn !== undefined) continue;
    if (one.standing.state !== "stale" && !one.unsure && !one.estimate) return one;
    newest ??= one;
  }
  return newest;
}
