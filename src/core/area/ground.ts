import type { Entered } from "../quantity/parse";
import { derive, num, nums, rule, type Derived, type Source } from "../working/rule";
import { areaOfShape, type Shape } from "./shape";

/** The ground of a zone: a shape, less what isn't sprayed in it, on a slope where a map said how large it is. */
export const lessRule = rule({
  id: "area-less",
  version: 1,
  title: "Less what isn't sprayed",
  formula: "whole - sum(less)",
  inputs: { whole: "area", less: ["area"] },
  output: "area",
  source: "house, drive, beds and trees are taken off",
  compute: ({ whole, less }) => num(whole) - nums(less).reduce((sum, area) => sum + area, 0),
});

export const slopeRule = rule({
  id: "area-on-slope",
  version: 1,
  title: "On the slope",
  formula: "flat * sqrt(1 + slope * slope)",
  inputs: { flat: "area", slope: "share" },
  output: "area",
  source: "a map gives the flat area, the sprayer covers the slope: rise over run, by Pythagoras",
  compute: ({ flat, slope }) => num(flat) * Math.sqrt(1 + num(slope) ** 2),
});

export const ringRule = rule({
  id: "area-on-map",
  version: 1,
  title: "On the map",
  formula: "ring",
  inputs: { ring: "area" },
  output: "area",
  source: "geodesics on the ellipsoid of WGS 84 (Karney 2013)",
  compute: ({ ring }) => num(ring),
});

/** Where the lengths come from: a tape along a slope measures what the sprayer covers, a map doesn't. */
export const MEASURED_ON = ["ground", "map"] as const;
export type MeasuredOn = (typeof MEASURED_ON)[number];

export interface Ground {
  readonly measured: Shape;
  readonly less: readonly Shape[];
  readonly slope?: Entered<"share"> | undefined;
  readonly measuredOn: MeasuredOn;
}

/** The area that is sprayed, with its working; undefined where as much is taken off as there is. */
export function groundArea({ measured, less, slope, measuredOn }: Ground): Derived<"area"> | undefined {
  return areaLess(areaOfShape(measured), less.map(areaOfShape), measuredOn === "map" ? slope : undefined);
}

/** @param slope of what was measured flat */
export function areaLess(
  whole: Derived<"area">,
  less: readonly Source<"area">[],
  slope: Entered<"share"> | undefined,
): Derived<"area"> | undefined {
  if (nums(less).reduce((sum, area) => sum + area, 0) >= num(whole)) return undefined;
  const left = less.length === 0 ? whole : derive(lessRule, { whole, less });
  return slope === undefined || slope.number === 0
    ? left
    : derive(slopeRule, { flat: left, slope: { value: slope.value, kind: "share", name: "slope", entered: slope } });
}
