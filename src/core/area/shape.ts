import type { Entered } from "../quantity/parse";
import { constant, derive, given, num, nums, rule, type Derived, type Source } from "../working/rule";
import { make, raw, type Quantity } from "../quantity/kinds";
import { closed, type Traverse } from "./traverse";

/**
 * The area of a piece of ground from lengths that were taped, stepped or read off a plan. Formulas of plane geometry; the
 * trapezoidal rule for offsets and the compass rule for a traverse are common practice in surveying.
 */
type Length = Entered<"length">;

export type Shape =
  | { readonly kind: "rectangle"; readonly length: Length; readonly width: Length }
  | { readonly kind: "triangle"; readonly base: Length; readonly height: Length }
  | { readonly kind: "three-sides"; readonly sides: readonly [Length, Length, Length] }
  | { readonly kind: "circle"; readonly radius: Length }
  | { readonly kind: "circle-across"; readonly diameter: Length }
  /** Whole axes. */
  | { readonly kind: "ellipse"; readonly length: Length; readonly width: Length }
  | { readonly kind: "trapezoid"; readonly parallel: readonly [Length, Length]; readonly height: Length }
  /** At equal steps along a straight line: how far it is across to the edge, first to last. */
  | { readonly kind: "offsets"; readonly every: Length; readonly offsets: readonly Length[] }
  | { readonly kind: "traverse"; readonly legs: Traverse }
  | { readonly kind: "parts"; readonly parts: readonly Shape[] };

export const rectangleRule = rule({
  id: "area-of-rectangle",
  version: 1,
  title: "Rectangle",
  formula: "length * width",
  inputs: { length: "length", width: "length" },
  output: "area",
  source: "plane geometry",
  compute: ({ length, width }) => num(length) * num(width),
});

export const triangleRule = rule({
  id: "area-of-triangle",
  version: 1,
  title: "Triangle",
  formula: "base * height / 2",
  inputs: { base: "length", height: "length" },
  output: "area",
  source: "plane geometry",
  compute: ({ base, height }) => (num(base) * num(height)) / 2,
});

export const heronRule = rule({
  id: "area-of-three-sides",
  version: 1,
  title: "Triangle of three sides",
  formula: "sqrt(max(0, (a + b + c) * (b + c - a) * (a + c - b) * (a + b - c))) / 4",
  inputs: { a: "length", b: "length", c: "length" },
  output: "area",
  source: "Heron's formula",
  compute: ({ a, b, c }) => {
    // Kahan's order of the sums: a needle of a triangle loses no figures.
    const [x, y, z] = [num(a), num(b), num(c)].sort((p, q) => q - p) as [number, number, number];
    return Math.sqrt(Math.max(0, (x + (y + z)) * (z - (x - y)) * (z + (x - y)) * (x + (y - z)))) / 4;
  },
});

export const circleRule = rule({
  id: "area-of-circle",
  version: 1,
  title: "Circle",
  formula: "pi * radius * radius",
  inputs: { radius: "length" },
  output: "area",
  source: "plane geometry",
  compute: ({ radius }) => Math.PI * num(radius) ** 2,
});

export const circleAcrossRule = rule({
  id: "area-of-circle-across",
  version: 1,
  title: "Circle",
  formula: "pi * diameter * diameter / 4",
  inputs: { diameter: "length" },
  output: "area",
  source: "plane geometry",
  compute: ({ diameter }) => (Math.PI * num(diameter) ** 2) / 4,
});

export const ellipseRule = rule({
  id: "area-of-ellipse",
  version: 1,
  title: "Ellipse",
  formula: "pi * length * width / 4",
  inputs: { length: "length", width: "length" },
  output: "area",
  source: "plane geometry; length and width are whole axes",
  compute: ({ length, width }) => (Math.PI * num(length) * num(width)) / 4,
});

export const trapezoidRule = rule({
  id: "area-of-trapezoid",
  version: 1,
  title: "Trapezoid",
  formula: "(first + second) / 2 * height",
  inputs: { first: "length", second: "length", height: "length" },
  output: "area",
  source: "plane geometry",
  compute: ({ first, second, height }) => ((num(first) + num(second)) / 2) * num(height),
});

export const offsetsRule = rule({
  id: "area-of-offsets",
  version: 1,
  title: "Along a baseline",
  formula: "every * ((first + last) / 2 + sum(between))",
  inputs: { every: "length", first: "length", last: "length", between: ["length"] },
  output: "area",
  source: "trapezoidal rule",
  compute: ({ every, first, last, between }) =>
    num(every) * ((num(first) + num(last)) / 2 + nums(between).reduce((sum, offset) => sum + offset, 0)),
});

export const endsOnlyRule = rule({
  id: "area-of-two-offsets",
  version: 1,
  title: "Along a baseline",
  formula: "every * (first + last) / 2",
  inputs: { every: "length", first: "length", last: "length" },
  output: "area",
  source: "trapezoidal rule",
  compute: ({ every, first, last }) => (num(every) * (num(first) + num(last))) / 2,
});

export const cornerRule = rule({
  id: "corner-of-traverse",
  version: 1,
  title: "East of one corner by north of another",
  formula: "east * north",
  inputs: { east: "length", north: "length" },
  output: "area",
  source: "coordinates of the corners, the gap spread over the legs by their lengths (compass rule)",
  compute: ({ east, north }) => num(east) * num(north),
});

export const traverseRule = rule({
  id: "area-of-traverse",
  version: 1,
  title: "Closed traverse",
  formula: "abs(sum(forward) - sum(back)) / 2",
  inputs: { forward: ["area"], back: ["area"] },
  output: "area",
  source: "area by coordinates (the surveyor's formula)",
  compute: ({ forward, back }) => Math.abs(total(forward) - total(back)) / 2,
});

export const partsRule = rule({
  id: "area-of-parts",
  version: 1,
  title: "Parts together",
  formula: "sum(parts)",
  inputs: { parts: ["area"] },
  output: "area",
  source: "the parts, added up",
  compute: ({ parts }) => total(parts),
});

const total = (areas: readonly Source<"area">[]): number => nums(areas).reduce((sum, area) => sum + area, 0);

/** The area of a shape, with its working. @throws RangeError where there is none: its reader says why first */
export function areaOfShape(shape: Shape): Derived<"area"> {
  switch (shape.kind) {
    case "rectangle":
      return derive(rectangleRule, { length: given(shape.length, "length"), width: given(shape.width, "width") });
    case "triangle":
      return derive(triangleRule, { base: given(shape.base, "base"), height: given(shape.height, "height") });
    case "three-sides": {
      const [a, b, c] = shape.sides.map((side, i) => given(side, `side ${i + 1}`));
      return derive(heronRule, { a: a!, b: b!, c: c! });
    }
    case "circle":
      return derive(circleRule, { radius: given(shape.radius, "radius") });
    case "circle-across":
      return derive(circleAcrossRule, { diameter: given(shape.diameter, "diameter") });
    case "ellipse":
      return derive(ellipseRule, { length: given(shape.length, "length"), width: given(shape.width, "width") });
    case "trapezoid": {
      const [first, second] = shape.parallel;
      return derive(trapezoidRule, {
        first: given(first, "first parallel side"),
        second: given(second, "second parallel side"),
        height: given(shape.height, "height"),
      });
    }
    case "offsets": {
      const [first, ...rest] = shape.offsets.map((offset, i) => given(offset, `offset ${i + 1}`));
      const between = rest.slice(0, -1);
      const ends = { every: given(shape.every, "every"), first: first!, last: rest.at(-1)! };
      return between.length === 0 ? derive(endsOnlyRule, ends) : derive(offsetsRule, { ...ends, between });
    }
    case "traverse":
      return traverseArea(shape.legs);
    case "parts": {
      const parts = shape.parts.map(areaOfShape);
      return parts.length === 1 ? parts[0]! : derive(partsRule, { parts });
    }
  }
}

/** From the adjusted corners, moved so that none lies west or south of nought: a length has no sign. */
function traverseArea(legs: Traverse): Derived<"area"> {
  const { corners } = closed(legs);
  const west = Math.min(...corners.map(([east]) => east));
  const south = Math.min(...corners.map(([, north]) => north));
  const at = corners.map(([east, north], i) => ({
    east: constant("length", make<"length">(east - west), `corner ${i + 1}, east`),
    north: constant("length", make<"length">(north - south), `corner ${i + 1}, north`),
  }));
  const next = (i: number) => at[(i + 1) % at.length]!;
  return derive(traverseRule, {
    forward: at.map(({ east }, i) => derive(cornerRule, { east, north: next(i).north })),
    back: at.map(({ north }, i) => derive(cornerRule, { east: next(i).east, north })),
  });
}

/** The length around a shape; null where its lengths don't say it. */
export function perimeterOfShape(shape: Shape): Quantity<"length"> | null {
  switch (shape.kind) {
    case "rectangle":
      return make(2 * (raw(shape.length.value) + raw(shape.width.value)));
    case "three-sides":
      return make(shape.sides.reduce((sum, side) => sum + raw(side.value), 0));
    case "circle":
      return make(2 * Math.PI * raw(shape.radius.value));
    case "circle-across":
      return make(Math.PI * raw(shape.diameter.value));
    case "ellipse":
      return make(aroundEllipse(raw(shape.length.value) / 2, raw(shape.width.value) / 2));
    case "traverse":
      return make(closed(shape.legs).around);
    case "parts":
      return shape.parts.length === 1 ? perimeterOfShape(shape.parts[0]!) : null;
    case "triangle":
    case "trapezoid":
    case "offsets":
      return null;
  }
}

/**
 * Around an ellipse, by the arithmetic-geometric mean: exact to the last figures of a double, and it doubles them at each step.
 * @param a @param b half axes
 */
function aroundEllipse(a: number, b: number): number {
  let [x, y, sum, weight] = [Math.max(a, b), Math.min(a, b), 0, 0.5];
  const largest = x;
  sum = weight * (x * x - y * y);
  for (let i = 0; i < 12 && x - y > 1e-15 * largest; i++) {
    const half = (x - y) / 2;
    [x, y] = [(x + y) / 2, Math.sqrt(x * y)];
    weight *= 2;
    sum += weight * half * half;
  }
  return (2 * Math.PI * (largest * largest - sum)) / x;
}
