import { coverageFactor } from "../calibration/student";

/**
 * What works here: how much of a target was gone, and how much turf was hurt, by product and rate, rig and person, as
 * inspections judged it. A mean of few says little, so it comes with its band; what was judged before its effect could be seen,
 * or has another cause that was named, is told and left out.
 */
export interface Judged {
  readonly product: string;
  /** As it was put down: "0.3 oz/1000 ft2". */
  readonly rate: string;
  readonly rig: string | null;
  readonly person: string | null;
  /** Per cent of the target that is gone, and of the turf that is hurt; null where nobody said. */
  readonly control: number | null;
  readonly injury: number | null;
  /** Before the label's time to effect. */
  readonly early: boolean;
  /** Something else may have done it. */
  readonly otherCause: boolean;
}

export const RESULT_BY = ["product", "rate", "rig", "person"] as const;
export type ResultBy = (typeof RESULT_BY)[number];

/** A mean in per cent, with half its 95 % band; that of one alone is not known. */
export interface Share {
  readonly count: number;
  readonly mean: number;
  readonly half: number | null;
}

export interface Result {
  readonly product: string;
  readonly by: ResultBy;
  /** The rate, the rig or the person; the product itself of all of them together. */
  readonly of: string;
  readonly control: Share | null;
  readonly injury: Share | null;
  /** Inspections that were left out: too early, or with another cause. */
  readonly leftOut: number;
}

/**
 * Mean and band of parts of a whole; null of none.
 * @param parts per cent
 */
export function shareOfAll(parts: readonly number[]): Share | null {
  const count = parts.length;
  if (count === 0) return null;
  const mean = parts.reduce((sum, part) => sum + part, 0) / count;
  if (count === 1) return { count, mean, half: null };
  const variance = parts.reduce((sum, part) => sum + (part - mean) ** 2, 0) / (count - 1);
  return { count, mean, half: coverageFactor(count - 1) * Math.sqrt(variance / count) };
}

/** Inspections, grouped: each product in all, then by rate, by rig and by person where there are several of them. */
export function resultsOf(judged: readonly Judged[]): Result[] {
  const products = [...new Set(judged.map((one) => one.product))].sort();
  return products.flatMap((product) => {
    const own = judged.filter((one) => one.product === product);
    return RESULT_BY.flatMap((by) => {
      const groups = by === "product" ? [product] : [...new Set(own.flatMap((one) => one[by] ?? []))].sort();
      // One rig alone says nothing that the product doesn't say; a rate is told all the same.
      if (groups.length < 2 && (by === "rig" || by === "person")) return [];
      return groups.map((of) =>
        resultOf(
          product,
          by,
          of,
          own.filter((one) => by === "product" || one[by] === of),
        ),
      );
    });
  });
}

function resultOf(product: string, by: ResultBy, of: string, group: readonly Judged[]): Result {
  const counted = group.filter((one) => !one.early && !one.otherCause);
  const known = (key: "control" | "injury") => counted.flatMap((one) => one[key] ?? []);
  return {
    product,
    by,
    of,
    control: shareOfAll(known("control")),
    injury: shareOfAll(known("injury")),
    leftOut: group.length - counted.length,
  };
}
