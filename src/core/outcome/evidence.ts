import { coverageFactor } from "../calibration/student";
import { TOLERANCE } from "../calibration/calibrate";
import { make, raw, type Quantity } from "../quantity/kinds";
import { isWithin } from "../quantity/slack";

/**
 * Every load is evidence: what loads really put down, against what the bucket said. A single day may have been a wet stretch or
 * a slope; several that lean the same way are a change (common practice: believe three).
 */
export interface LoadEvidence {
  /** Sprayed and covered by first passes, mL and m². */
  readonly sprayed: Quantity<"volume">;
  readonly covered: Quantity<"area">;
  /** What they came to over the calibrated spray volume. */
  readonly ratio: number;
}

export interface Pooled {
  readonly count: number;
  /** All volume over all ground. */
  readonly sprayVolume: Quantity<"sprayVolume">;
  /** The mean of the ratios, and half its 95 % band; null of one alone, which says nothing of a second. */
  readonly ratio: number;
  readonly relative: number | null;
  /**
   * They lean: three or more, the mean is off by over 5 %, and the whole band lies on that side of the calibration. Told
   * before the weekly bucket would.
   */
  readonly leans: "heavy" | "light" | null;
}

/** As many as are believed (common practice). */
export const BELIEVED = 3;

/** Loads of one rig as it is set, one person and one calibration, pooled. @param loads at least one */
export function pool(loads: readonly LoadEvidence[]): Pooled {
  const count = loads.length;
  const sprayed = loads.reduce((sum, load) => sum + raw(load.sprayed), 0);
  const covered = loads.reduce((sum, load) => sum + raw(load.covered), 0);
  const ratio = loads.reduce((sum, load) => sum + load.ratio, 0) / count;
  const variance = count < 2 ? null : loads.reduce((sum, load) => sum + (load.ratio - ratio) ** 2, 0) / (count - 1);
  const half = variance === null ? null : coverageFactor(count - 1) * Math.sqrt(variance / count);
  const off = half !== null && count >= BELIEVED && !isWithin(ratio, TOLERANCE) && Math.abs(ratio - 1) > half;
  return {
    count,
    sprayVolume: make(sprayed / covered),
    ratio,
    relative: half === null ? null : half / ratio,
    leans: off ? (ratio > 1 ? "heavy" : "light") : null,
  };
}
