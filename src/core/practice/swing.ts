import { quantity } from "../quantity/quantity";
import { constant, derive, num, nums, rule, type Derived, type Source } from "../working/rule";

/** The swing of a hand-held wand: how wide, how often, and how far it goes forward meanwhile. */

export const swingRateRule = rule({
  id: "swing-rate",
  version: 1,
  title: "Seconds for a swing",
  formula: "time / swings",
  inputs: { time: "time", swings: "count" },
  output: "time",
  source: "swings counted over a time, there or back each one",
  compute: ({ time, swings }) => num(time) / num(swings),
});

export const advanceRule = rule({
  id: "advance",
  version: 1,
  title: "Forward with each swing",
  formula: "speed * swing",
  inputs: { speed: "speed", swing: "time" },
  output: "length",
  source: "definition of speed",
  compute: ({ speed, swing }) => num(speed) * num(swing),
});

export const widthAtRule = rule({
  id: "width-at-height",
  version: 1,
  title: "Width at another height",
  formula: "width * height2 / height",
  inputs: { width: "length", height: "length", height2: "length" },
  output: "length",
  source: "similar triangles: a fan keeps its angle (common practice)",
  compute: ({ width, height, height2 }) => (num(width) * num(height2)) / num(height),
});

export const wetSwathRule = rule({
  id: "wet-swath",
  version: 1,
  title: "Effective swath",
  formula: "mean(widths) - 2 * edge",
  inputs: { widths: ["length"], edge: "length" },
  output: "length",
  source: "the wet strip, less half of each soft edge's overlap: an edge gets about half (common practice)",
  compute: ({ widths, edge }) => nums(widths).reduce((sum, w) => sum + w, 0) / nums(widths).length - 2 * num(edge),
});

export interface Swing {
  readonly every: Derived<"time">;
  readonly advance: Derived<"length">;
  /** How often a place is swept: the depth of the fan over what each swing goes forward. */
  readonly sweeps: number;
}

/** @param depth how deep the wetted strip is along the way, under a wand that stands still */
export function swingOf(time: Source<"time">, swings: number, speed: Source<"speed">, depth: Source<"length">): Swing {
  const every = derive(swingRateRule, { time, swings: constant("count", quantity("count", swings, ""), "swings counted") });
  const advance = derive(advanceRule, { speed, swing: every });
  return { every, advance, sweeps: num(depth) / num(advance) };
}

export const widthAt = (width: Source<"length">, height: Source<"length">, height2: Source<"length">): Derived<"length"> =>
  derive(widthAtRule, { width, height, height2 });

/** @param widths of the wet strip, measured at several places · @param edge how wide one soft edge's share is that isn't counted */
export const wetSwath = (widths: readonly Source<"length">[], edge: Source<"length">): Derived<"length"> =>
  derive(wetSwathRule, { widths, edge });
