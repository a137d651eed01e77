import { coverageFactor } from "../calibration/student";
import { agreement, SPREAD_GOOD, trialStats } from "../calibration/trials";
import { isWithin } from "../quantity/slack";

/**
 * Whether a pace sits: walks of one course, in the order in which they were walked, without a beat to walk to. All on plain
 * numbers: seconds.
 */
export interface Held {
  readonly count: number;
  readonly mean: number;
  /** The mean over what was wanted: above one is too slow, and puts too much down. */
  readonly ratio: number;
  /** (max − min) / mean of all of them; null for one. */
  readonly spread: number | null;
  /** How much slower each walk is than the one before it, on a straight line through them; a part of the mean. Null under three. */
  readonly drift: number | null;
  /** The last three repeat within 5 % and each is within 5 % of what was wanted (5 % is common practice; three is the habit). */
  readonly sits: boolean;
}

export const IN_A_ROW = 3;

/** @param times at least one · @throws RangeError for none */
export function heldPace(times: readonly number[], wanted: number): Held {
  const { count, mean, spread } = trialStats(times);
  const last = times.slice(-IN_A_ROW);
  return {
    count,
    mean,
    ratio: mean / wanted,
    spread,
    drift: count < 3 ? null : slope(times) / mean,
    sits:
      last.length === IN_A_ROW &&
      agreement(trialStats(last).spread) === "good" &&
      last.every((time) => isWithin(time / wanted, SPREAD_GOOD)),
  };
}

function slope(values: readonly number[]): number {
  const middle = (values.length - 1) / 2;
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  const over = values.reduce((sum, _, i) => sum + (i - middle) ** 2, 0);
  return values.reduce((sum, v, i) => sum + (i - middle) * (v - mean), 0) / over;
}

/** Walks of one day on one kind of ground. */
export interface Walks {
  /** ISO date. */
  readonly day: string;
  readonly times: readonly number[];
  readonly wanted: number;
}

/** What somebody's walks of some weeks come to, on one kind of ground. Ratios: the time that was taken over the one wanted. */
export interface PaceRecord {
  readonly walks: number;
  readonly mean: number;
  /** A standard deviation of one walk about its day's mean, as a part; null where no day has two. */
  readonly scatter: number | null;
  readonly freedom: number;
  /** Between these one walk more lies, with about 95 %; null without a scatter. */
  readonly band: { readonly low: number; readonly high: number } | null;
  /** From the first day on which it sat to the last since on which it was still within 5 %; null where it never sat. */
  readonly held: { readonly from: string; readonly to: string; readonly lost: string | null } | null;
}

/** @param days in order, each with at least one walk · @throws RangeError for none */
export function paceRecord(days: readonly Walks[]): PaceRecord {
  const ratios = days.flatMap(({ times, wanted }) => times.map((time) => time / wanted));
  const { count, mean } = trialStats(ratios);
  let [squares, freedom] = [0, 0];
  for (const { times } of days) {
    const one = trialStats(times);
    if (one.variance === null) continue;
    squares += (one.variance * (one.count - 1)) / one.mean ** 2;
    freedom += one.count - 1;
  }
  const scatter = freedom === 0 ? null : Math.sqrt(squares / freedom);
  return {
    walks: count,
    mean,
    scatter,
    freedom,
    band: scatter === null ? null : bandOf(mean, count, spreadOf(days, scatter), freedom),
    held: heldOver(days),
  };
}

/** Days differ, too: one walk of another day scatters by what days do beside what walks do. */
function spreadOf(days: readonly Walks[], scatter: number): number {
  if (days.length < 2) return scatter;
  const means = days.map(({ times, wanted }) => trialStats(times).mean / wanted);
  return Math.hypot(scatter, Math.sqrt(trialStats(means).variance ?? 0));
}

/** Where one value more lies (a prediction interval with Student's t). */
function bandOf(mean: number, count: number, spread: number, freedom: number) {
  const half = coverageFactor(freedom) * spread * Math.sqrt(1 + 1 / count);
  return { low: Math.max(0.01, mean - half), high: mean + half };
}

function heldOver(days: readonly Walks[]): PaceRecord["held"] {
  let from: string | null = null;
  let to: string | null = null;
  let lost: string | null = null;
  for (const { day, times, wanted } of days) {
    const held = heldPace(times, wanted);
    if (held.sits && (from === null || lost !== null)) [from, to, lost] = [day, day, null];
    else if (from !== null && lost === null) {
      if (isWithin(held.ratio, SPREAD_GOOD)) to = day;
      else lost = day;
    }
  }
  return from === null || to === null ? null : { from, to, lost };
}

/**
 * Where to aim within a label's rates so that somebody with such a pace passes neither end: what goes down is the aim times the time
 * taken. Null where their band is wider than the label's; `least` nought where the label has no lowest rate.
 */
export function aimWithin(
  { low, high }: { readonly low: number; readonly high: number },
  label: { readonly least: number; readonly most: number },
): { readonly least: number; readonly most: number } | null {
  const aim = { least: label.least / low, most: label.most / high };
  return aim.least > aim.most ? null : aim;
}
