import type { Standing } from "./standing";

/** Why no amounts are worked out from a calibration. */
export type MixLock =
  | { readonly code: "withdrawn"; readonly why: string }
  /** The trials differ by over 10 %. */
  | { readonly code: "unsure" }
  /** Only a rated flow stands behind it. */
  | { readonly code: "estimate" }
  /** The rig was changed since, or the last quick check failed. */
  | { readonly code: "stale" | "failing"; readonly reasons: readonly string[] };

export interface MayMix {
  readonly standing: Standing;
  readonly unsure: boolean;
  readonly estimate: boolean;
  /** Why it was withdrawn, where it was. */
  readonly withdrawn?: string | undefined;
}

/**
 * Whether amounts may be worked out from a calibration: the one policy of every door. An old pace is only warned of.
 * @returns what stands in the way, the gravest first; undefined where nothing does
 */
export function mixLock({ standing, unsure, estimate, withdrawn }: MayMix): MixLock | undefined {
  if (withdrawn !== undefined) return { code: "withdrawn", why: withdrawn };
  if (unsure) return { code: "unsure" };
  if (estimate) return { code: "estimate" };
  const { state, reasons } = standing;
  return state === "stale" || state === "failing" ? { code: state, reasons } : undefined;
}
