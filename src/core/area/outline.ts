import { raw } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import type { Point } from "./ring";
import type { Shape } from "./shape";
import { closed } from "./traverse";

/** How a shape looks from above, to scale: its edge in metres, and which length stands where. */
export interface Outline {
  readonly edge: readonly Point[];
  readonly sides: readonly { readonly from: Point; readonly to: Point; readonly length: Entered<"length"> }[];
}

const ROUND = 72;
const m = (length: Entered<"length">): number => raw(length.value);

/** An ellipse around a middle, by its half axes. */
const round = (a: number, b: number): Point[] =>
  Array.from({ length: ROUND }, (_, i) => {
    const angle = (2 * Math.PI * i) / ROUND;
    return [a + a * Math.cos(angle), b + b * Math.sin(angle)];
  });

/** The shapes that something is put together from; any other is one alone. */
export const partsOf = (shape: Shape): Exclude<Shape, { kind: "parts" }>[] =>
  shape.kind === "parts" ? shape.parts.flatMap(partsOf) : [shape];

/** The edge of a shape; a triangle of base and height, and a trapezoid, stand upright: what is known of them fits many. */
export function outlineOf(shape: Exclude<Shape, { kind: "parts" }>): Outline {
  switch (shape.kind) {
    case "rectangle": {
      const [l, w] = [m(shape.length), m(shape.width)];
      return {
        edge: [[0, 0], [l, 0], [l, w], [0, w]], // prettier-ignore
        sides: [
          { from: [0, 0], to: [l, 0], length: shape.length },
          { from: [l, 0], to: [l, w], length: shape.width },
        ],
      };
    }
    case "triangle": {
      const [b, h] = [m(shape.base), m(shape.height)];
      return {
        edge: [[0, 0], [b, 0], [b / 2, h]], // prettier-ignore
        sides: [
          { from: [0, 0], to: [b, 0], length: shape.base },
          { from: [b / 2, 0], to: [b / 2, h], length: shape.height },
        ],
      };
    }
    case "three-sides": {
      const [a, b, c] = shape.sides.map(m) as [number, number, number];
      const x = (a * a + b * b - c * c) / (2 * a);
      const tip: Point = [x, Math.sqrt(Math.max(0, b * b - x * x))];
      return {
        edge: [[0, 0], [a, 0], tip],
        sides: [
          { from: [0, 0], to: [a, 0], length: shape.sides[0] },
          { from: [0, 0], to: tip, length: shape.sides[1] },
          { from: tip, to: [a, 0], length: shape.sides[2] },
        ],
      };
    }
    case "circle": {
      const r = m(shape.radius);
      return { edge: round(r, r), sides: [{ from: [r, r], to: [2 * r, r], length: shape.radius }] };
    }
    case "circle-across": {
      const d = m(shape.diameter);
      return { edge: round(d / 2, d / 2), sides: [{ from: [0, d / 2], to: [d, d / 2], length: shape.diameter }] };
    }
    case "ellipse": {
      const [l, w] = [m(shape.length), m(shape.width)];
      return {
        edge: round(l / 2, w / 2),
        sides: [
          { from: [0, w / 2], to: [l, w / 2], length: shape.length },
          { from: [l / 2, 0], to: [l / 2, w], length: shape.width },
        ],
      };
    }
    case "trapezoid": {
      const [a, b, h] = [m(shape.parallel[0]), m(shape.parallel[1]), m(shape.height)];
      const wide = Math.max(a, b);
      const [al, bl] = [(wide - a) / 2, (wide - b) / 2];
      return {
        edge: [[al, 0], [al + a, 0], [bl + b, h], [bl, h]], // prettier-ignore
        sides: [
          { from: [al, 0], to: [al + a, 0], length: shape.parallel[0] },
          { from: [bl, h], to: [bl + b, h], length: shape.parallel[1] },
          { from: [wide / 2, 0], to: [wide / 2, h], length: shape.height },
        ],
      };
    }
    case "offsets": {
      const step = m(shape.every);
      const tops = shape.offsets.map((offset, i): Point => [i * step, m(offset)]);
      const end = tops.at(-1)![0];
      return {
        edge: [[0, 0], [end, 0], ...[...tops].reverse()],
        sides: shape.offsets.map((length, i) => ({ from: [i * step, 0], to: tops[i]!, length })),
      };
    }
    case "traverse": {
      const { corners } = closed(shape.legs);
      return {
        edge: corners,
        sides: shape.legs.map(({ length }, i) => ({ from: corners[i]!, to: corners[(i + 1) % corners.length]!, length })),
      };
    }
  }
}
