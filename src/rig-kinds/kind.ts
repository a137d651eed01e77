import type { MethodId } from "@/core/calibration/method-ids";

/** Whose a calibration is: a walking person's own, a machine's with a governed speed, or the tap's that feeds a head. */
export type Owner = "person" | "rig" | "tap";

/** What is possible: from the least to the most. */
export interface Bounds {
  readonly least: number;
  readonly most: number;
}

/**
 * What is true of every rig of a kind, for whoever computes with one. A kind is one folder: its rules, its face on screens, and a line in
 * each of the two tables (table.ts, faces.tsx).
 */
export interface RigRules {
  readonly owner: Owner;
  /** It goes at the pace of a person's legs. */
  readonly onFoot: boolean;
  /** An engine drives its pump: it gives what is asked, up to its own most. */
  readonly driven: boolean;
  /** A gun on a hose: its pressures are a gun's, not those of tips. */
  readonly gun: boolean;
  /** Its outlets stand on a line, so far apart: its swath follows from them. */
  readonly spaced: boolean;
  /** It is a head on a garden hose, with a jar in a tank's place. */
  readonly head: boolean;
  /** The methods that calibrate it. */
  readonly methods: readonly MethodId[];
  /** Spray volumes that are usual, gal per 1,000 sq ft (common practice), and what the kind is called in that sentence. */
  readonly usual?: Bounds & { readonly name: string };
  /**
   * What is possible of a reading (ours; wide, so that a true one is never asked about): seconds for 1,000 sq ft, gallons a minute from one
   * outlet, feet of swath, gallons in a tank.
   */
  readonly possible: { readonly pace: Bounds; readonly flow: Bounds; readonly swath: Bounds; readonly tank: Bounds };
}

/** Paces of somebody on foot, seconds for 1,000 sq ft. */
export const ON_FOOT: Bounds = { least: 12, most: 1200 };
