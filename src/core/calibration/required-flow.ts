import { make, raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { quantity } from "../quantity/quantity";
import { constant, derive, num, rule, type Derived, type Source } from "../working/rule";

/** The forms in common units are from memory. */
export const requiredFlowRule = rule({
  id: "required-flow",
  version: 1,
  title: "Flow that an outlet must give",
  formula: "sprayVolume * speed * width",
  inputs: { sprayVolume: "sprayVolume", speed: "speed", width: "length" },
  output: "flow",
  source: "gal/min = GPA × mph × in ÷ 5,940, L/min = L/ha × km/h × m ÷ 600 (extension handbooks)",
  compute: ({ sprayVolume, speed, width }) => num(sprayVolume) * num(speed) * num(width),
});

export const outletWidthRule = rule({
  id: "outlet-width",
  version: 1,
  title: "Width of one outlet",
  formula: "swath / count",
  inputs: { swath: "length", count: "count" },
  output: "length",
  source: "the effective swath of a boom, shared by its outlets (common practice)",
  compute: ({ swath, count }) => num(swath) / num(count),
});

export const speedForFlowRule = rule({
  id: "speed-for-flow",
  version: 1,
  title: "Speed for the spray volume",
  formula: "flow / (sprayVolume * width)",
  inputs: { flow: "flow", sprayVolume: "sprayVolume", width: "length" },
  output: "speed",
  source: "gal/min = GPA × mph × in ÷ 5,940, solved for the speed",
  compute: ({ flow, sprayVolume, width }) => num(flow) / (num(sprayVolume) * num(width)),
});

export const paceForFlowRule = rule({
  id: "pace-for-flow",
  version: 1,
  title: "Pace for the spray volume",
  formula: "sprayVolume * thousand / flow",
  inputs: { sprayVolume: "sprayVolume", thousand: "area", flow: "flow" },
  output: "time",
  source: "q = f·T/A, solved for T",
  compute: ({ sprayVolume, thousand, flow }) => (num(sprayVolume) * num(thousand)) / num(flow),
});

export const roundCoverageRule = rule({
  id: "round-coverage",
  version: 1,
  title: "Spray volume for the round coverage",
  formula: "usable / area",
  inputs: { usable: "volume", area: "area" },
  output: "sprayVolume",
  source: "q = V/A: so much liquid is to do so much ground",
  compute: ({ usable, area }) => num(usable) / num(area),
});

export const minutesToEmptyRule = rule({
  id: "time-to-empty",
  version: 1,
  title: "Time to empty the tank",
  formula: "usable / flow",
  inputs: { usable: "volume", flow: "flow" },
  output: "time",
  source: "definition; an estimate while the flow is one",
  compute: ({ usable, flow }) => num(usable) / num(flow),
});

export const boomRunRule = rule({
  id: "boom-run",
  version: 1,
  title: "Distance to drive",
  formula: "area / spacing",
  inputs: { area: "area", spacing: "length" },
  output: "length",
  source: "1/128 acre for one outlet: 4,083.75 ÷ spacing in inches, feet (extension handbooks)",
  compute: ({ area, spacing }) => num(area) / num(spacing),
});

export const holdUpRule = rule({
  id: "hold-up",
  version: 1,
  title: "The hose holds",
  formula: "3.141592653589793 / 4 * diameter^2 * length * 1000000",
  inputs: { diameter: "length", length: "length" },
  output: "volume",
  source: "volume of a cylinder, in mL from metres",
  compute: ({ diameter, length }) => (Math.PI / 4) * num(diameter) ** 2 * num(length) * 1e6,
});

/** The area for which fluid ounces caught are gallons an acre: 43,560 / 128 sq ft. */
export const ACRE_128TH = constant("area", quantity("area", 43560 / 128, "ft2"), "1/128 acre");

/**
 * What one outlet must give for a spray volume at a speed.
 * @param width the spacing on a boom, the swath where there is one outlet
 */
export const requiredFlow = (sprayVolume: Source<"sprayVolume">, speed: Source<"speed">, width: Source<"length">) =>
  derive(requiredFlowRule, { sprayVolume, speed, width });

/** What each outlet of a boom has to itself of a swath that was measured. */
export const outletWidth = (swath: Source<"length">, outlets: number): Derived<"length"> =>
  derive(outletWidthRule, { swath, count: constant("count", quantity("count", outlets, ""), "outlets") });

/** How far a boom drives for 1/128 acre an outlet. */
export const boomRun = (spacing: Source<"length">): Derived<"length"> => derive(boomRunRule, { area: ACRE_128TH, spacing });

/** The course that makes so much ground under the whole boom. */
export const courseUnder = (ground: Quantity<"area">, spacing: Entered<"length">, count: number): Quantity<"length"> =>
  make(raw(ground) / (raw(spacing.value) * count));

/** What stays in a hose: it matters at the first site after a change of product and at the end of the day. */
export const holdUp = (diameter: Source<"length">, length: Source<"length">): Derived<"volume"> =>
  derive(holdUpRule, { diameter, length });
