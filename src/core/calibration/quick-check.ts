import { raw, type Quantity } from "../quantity/kinds";
import { coverageFactor } from "./student";
import { EVEN } from "./warnings";
import { isWithin } from "../quantity/slack";

/** The weekly bucket test of the flow, once a full calibration stands. It tests flow alone. */

/** A check is due every week, a pace every month (common practice); days. */
export const CHECK_EVERY = 7;
/** How far a check may be off before the rig is calibrated again (common practice). */
export const CHECK_BAND = EVEN;

export interface CheckPoint {
  /** Whole days of any one count. */
  readonly day: number;
  /** Checked flow over the calibration's flow: 0.97 is 3 % less. */
  readonly ratio: number;
}

export type CheckVerdict = "pass" | "recalibrate";

/** A checked flow against the calibration's; equality passes. */
export function judgeCheck(
  checked: Quantity<"flow">,
  calibrated: Quantity<"flow">,
): { readonly ratio: number; readonly verdict: CheckVerdict } {
  const ratio = raw(checked) / raw(calibrated);
  return { ratio, verdict: judgeRatio(ratio) };
}

/** The verdict on a ratio that is on record. */
export const judgeRatio = (ratio: number): CheckVerdict => (isWithin(ratio, CHECK_BAND) ? "pass" : "recalibrate");

export interface Trend {
  /** Ratio a day, and what it might as well be: half the width of its 95 % band. */
  readonly slope: number;
  readonly slopeBand: number;
  /** The line and half its 95 % band on a day; the band is of the line, not of a single check. */
  readonly at: (day: number) => { readonly ratio: number; readonly band: number };
  /**
   * The day on which the line leaves ±5 %; null where it does not within two years. `earliest` is where the edge of its
   * band first leaves, `latest` where the whole band has; null where that lies more than two years ahead.
   */
  readonly leaves: { readonly day: number; readonly earliest: number; readonly latest: number | null } | null;
  /** Whether the slope is told from none with 95 %. */
  readonly told: boolean;
}

/** As far as a trend is followed, days: two years. */
export const HORIZON = 730;

/**
 * The trend of a series by least squares, with 95 % bands by Student's t at n − 2 degrees of freedom (JCGM 100:2008
 * "GUM", H.3, from memory: a calibration curve). Undefined under three checks or where all are of one day: two points
 * make a line and no confidence in it.
 * @param from the day from which on the date of leaving is looked for
 */
export function trendOf(points: readonly CheckPoint[], from: number): Trend | undefined {
  const n = points.length;
  if (n < 3) return undefined;
  const day = points.reduce((sum, p) => sum + p.day, 0) / n;
  const ratio = points.reduce((sum, p) => sum + p.ratio, 0) / n;
  const sxx = points.reduce((sum, p) => sum + (p.day - day) ** 2, 0);
  if (sxx === 0) return undefined;
  const slope = points.reduce((sum, p) => sum + (p.day - day) * (p.ratio - ratio), 0) / sxx;
  const line = (at: number) => ratio + slope * (at - day);
  const residual = points.reduce((sum, p) => sum + (p.ratio - line(p.day)) ** 2, 0);
  const s = Math.sqrt(residual / (n - 2));
  const t = coverageFactor(n - 2);
  const band = (at: number) => t * s * Math.sqrt(1 / n + (at - day) ** 2 / sxx);
  const slopeBand = (t * s) / Math.sqrt(sxx);
  return {
    slope,
    slopeBand,
    at: (d) => ({ ratio: line(d), band: band(d) }),
    leaves: leavingDay(line, band, from),
    told: Math.abs(slope) > slopeBand,
  };
}

function leavingDay(line: (day: number) => number, band: (day: number) => number, from: number): Trend["leaves"] {
  const out = (value: number) => !isWithin(value, CHECK_BAND);
  const days = Array.from({ length: HORIZON + 1 }, (_, i) => from + i);
  const day = days.find((d) => out(line(d)));
  if (day === undefined) return null;
  const up = line(day) > 1;
  // On the side that the line leaves by: the nearer edge of its band is out last.
  const earliest = days.find((d) => (up ? line(d) + band(d) > 1 + CHECK_BAND : line(d) - band(d) < 1 - CHECK_BAND)) ?? day;
  const latest = days.find((d) => d >= day && (up ? line(d) - band(d) > 1 + CHECK_BAND : line(d) + band(d) < 1 - CHECK_BAND));
  return { day, earliest, latest: latest ?? null };
}
