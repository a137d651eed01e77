import { apart, type Position } from "./geodesic";

/** A ring that is walked with a phone: fix by fix, those that can't be right left out and told. */
export interface Fix {
  /** Longitude first. */
  readonly at: Position;
  /** How far off it may be, m, as the phone has it. */
  readonly accuracy: number;
  /** Milliseconds of any clock that goes forward. */
  readonly time: number;
}

export interface Walked {
  readonly points: readonly Position[];
  readonly last: Fix | null;
  /** Fixes that were left out: too unsure, or farther than anybody walks. */
  readonly dropped: number;
  /** The mean of what the phone says of the fixes that were kept, m. */
  readonly accuracy: number | null;
}

export const NOTHING_WALKED: Walked = { points: [], last: null, dropped: 0, accuracy: null };

/** Fixes that are surer than this are kept, m; nobody on a lawn is quicker than that, m/s (both ours). */
export const SURE_ENOUGH = 12;
const QUICKEST = 4;
/** Standing still makes no points, m. */
const STEP = 0.5;

/** One fix more. */
export function walkOn(walked: Walked, fix: Fix): Walked {
  const { points, last, dropped, accuracy } = walked;
  if (!(fix.accuracy <= SURE_ENOUGH)) return { ...walked, dropped: dropped + 1 };
  if (last) {
    const far = apart(last.at, fix.at);
    const seconds = (fix.time - last.time) / 1000;
    // A jump is left out; what the phone itself is unsure of is no jump.
    if (far > QUICKEST * Math.max(seconds, 0) + fix.accuracy) return { ...walked, dropped: dropped + 1 };
    if (far < STEP) return walked;
  }
  return {
    points: [...points, fix.at],
    last: fix,
    dropped,
    accuracy: ((accuracy ?? 0) * points.length + fix.accuracy) / (points.length + 1),
  };
}
