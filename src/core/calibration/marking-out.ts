import { quantity } from "../quantity/quantity";
import { constant, derive, num, rule, type Derived, type Source } from "../working/rule";

export const courseWidthRule = rule({
  id: "course-width",
  version: 1,
  title: "Mark out, wide",
  formula: "passes * swath",
  inputs: { passes: "count", swath: "length" },
  output: "length",
  source: "so many passes beside one another",
  compute: ({ passes, swath }) => num(passes) * num(swath),
});

export const courseLengthRule = rule({
  id: "course-length",
  version: 1,
  title: "Mark out, long",
  formula: "area / width",
  inputs: { area: "area", width: "length" },
  output: "length",
  source: "area of a rectangle",
  compute: ({ area, width }) => num(area) / num(width),
});

export const diagonalRule = rule({
  id: "course-diagonal",
  version: 1,
  title: "Diagonal, to square it",
  formula: "sqrt(width^2 + length^2)",
  inputs: { width: "length", length: "length" },
  output: "length",
  source: "Pythagoras",
  compute: ({ width, length }) => Math.hypot(num(width), num(length)),
});

export const squareSideRule = rule({
  id: "square-side",
  version: 1,
  title: "Side of the square",
  formula: "sqrt(area)",
  inputs: { area: "area" },
  output: "length",
  source: "area of a square",
  compute: ({ area }) => Math.sqrt(num(area)),
});

/** A square plot of an area: its side, and the diagonal that squares it. */
export function squareOf(area: Source<"area">): { readonly side: Derived<"length">; readonly diagonal: Derived<"length"> } {
  const side = derive(squareSideRule, { area });
  return { side, diagonal: derive(diagonalRule, { width: side, length: side }) };
}

export interface MarkingOut {
  readonly passes: 1 | 2;
  readonly width: Derived<"length">;
  readonly length: Derived<"length">;
  readonly diagonal: Derived<"length">;
}

/**
 * The rectangle to peg for a test area: one pass wide (a straight course) or two (up and back), from the effective
 * swath, with the diagonal that shows whether it is square.
 */
export function markingOut(area: Source<"area">, swath: Source<"length">, passes: 1 | 2): MarkingOut {
  const width = derive(courseWidthRule, { passes: constant("count", quantity("count", passes, ""), "passes"), swath });
  const length = derive(courseLengthRule, { area, width });
  return { passes, width, length, diagonal: derive(diagonalRule, { width, length }) };
}
