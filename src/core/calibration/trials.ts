import { atMost } from "../quantity/slack";

/** Statistics of repeated readings, on plain numbers. */
export interface TrialStats {
  readonly count: number;
  readonly mean: number;
  /** (max − min) / mean; null for a single trial, which has no spread. */
  readonly spread: number | null;
  /** Variance of a single reading, n − 1 in the denominator; null for a single trial. */
  readonly variance: number | null;
}

/**
 * Mean, spread and variance of equal trials.
 * @throws RangeError for an empty list: there is no mean of nothing.
 */
export function trialStats(values: readonly number[]): TrialStats {
  if (values.length === 0) throw new RangeError("no trials");
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  if (values.length === 1) return { count: 1, mean, spread: null, variance: null };
  const variance = values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (values.length - 1);
  return { count: values.length, mean, spread: (Math.max(...values) - Math.min(...values)) / mean, variance };
}

/** Up to 5 % the trials agree; to 10 % another is wanted; beyond it is not a calibration yet (common practice). */
export const SPREAD_GOOD = 0.05;
export const SPREAD_MOST = 0.1;

export type Agreement = "single" | "good" | "wide" | "disagree";

/** Judges a spread; equality passes, to the last bits of a double. */
export function agreement(spread: number | null): Agreement {
  if (spread === null) return "single";
  if (atMost(spread, SPREAD_GOOD)) return "good";
  return atMost(spread, SPREAD_MOST) ? "wide" : "disagree";
}

/** How far repeats of one thing were apart. */
export interface TrialSummary {
  readonly of: "pace" | "flow" | "used" | "outlets";
  readonly count: number;
  readonly spread: number | null;
}
