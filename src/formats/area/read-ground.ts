import { groundArea, type Ground } from "@/core/area/ground";
import { crossing } from "@/core/area/ring";
import { areaOfShape, type Shape } from "@/core/area/shape";
import { closed, MISCLOSURE_MOST, type Traverse } from "@/core/area/traverse";
import { showEntered, writeNumber } from "@/core/quantity/format";
import { compare, fromCanonical, isZero, total } from "@/core/quantity/arithmetic";
import type { Entered } from "@/core/quantity/parse";
import { read } from "@/core/working/units";
import { maybe, value, type Faults } from "../job-file/faults";
import type { GroundText, ShapeText } from "./types";

/** How a zone was measured → lengths, or every fault that two of them make together. The shape was looked at before. */
export function readGround(text: GroundText, at: string, faults: Faults): Ground | undefined {
  const count = faults.issues.length;
  const measured = readShape(text.measured, `${at}measured`, faults);
  const less = (text.less ?? []).map((one, i) => readShape(one, `${at}less[${i}]`, faults));
  if (faults.issues.length > count) return undefined;
  const slope = text.slope === undefined ? undefined : value(text.slope, "share", true);
  const ground: Ground = {
    measured: measured!,
    less: less as Shape[],
    slope,
    measuredOn: text.measuredOn ?? "ground",
  };
  if (isZero(areaOfShape(ground.measured).value))
    faults.add(`${at}measured`, "contradiction", "a piece of ground without any area", "lengths that enclose some");
  else if (!groundArea(ground)) {
    const whole = read(areaOfShape(ground.measured).value, "area", "us");
    faults.add(
      `${at}less`,
      "contradiction",
      `as much is taken off as there is (${whole})`,
      "less than the whole: what isn't sprayed",
    );
  }
  return faults.issues.length > count ? undefined : ground;
}

const length = (text: string): Entered<"length"> => value(text, "length", true);

function readShape(text: ShapeText, at: string, faults: Faults): Shape | undefined {
  switch (text.shape) {
    case "rectangle":
    case "ellipse":
      return { kind: text.shape, length: length(text.length), width: length(text.width) };
    case "triangle":
      return readTriangle(text, at, faults);
    case "circle":
      return readCircle(text, at, faults);
    case "trapezoid":
      return {
        kind: "trapezoid",
        parallel: [length(text.parallel[0]!), length(text.parallel[1]!)],
        height: length(text.height),
      };
    case "offsets":
      return readOffsets(text, at, faults);
    case "traverse":
      return readTraverse(
        text.legs.map((leg) => ({ length: length(leg.length), bearing: leg.bearing })),
        at,
        faults,
      );
    case "parts": {
      const parts = text.parts.map((part, i) => readShape(part, `${at}.parts[${i}]`, faults));
      return parts.every((part) => part !== undefined) ? { kind: "parts", parts: parts as Shape[] } : undefined;
    }
  }
}

type Of<S extends ShapeText["shape"]> = Extract<ShapeText, { shape: S }>;

function readTriangle({ base, height, sides }: Of<"triangle">, at: string, faults: Faults): Shape | undefined {
  if (sides !== undefined && base === undefined && height === undefined) {
    const [a, b, c] = sides.map(length) as [Entered<"length">, Entered<"length">, Entered<"length">];
    const [longest, ...others] = [a, b, c].sort((p, q) => compare(q.value, p.value));
    if (compare(longest!.value, total(others.map((side) => side.value))) >= 0) {
      const words = sides.join(", ");
      faults.add(
        `${at}.sides`,
        "contradiction",
        `${words} make no triangle`,
        "the longest must be shorter than the other two together",
      );
      return undefined;
    }
    return { kind: "three-sides", sides: [a, b, c] };
  }
  const [b, h] = [maybe(base, "length"), maybe(height, "length")];
  if (sides === undefined && b && h) return { kind: "triangle", base: b, height: h };
  faults.add(at, "contradiction", "a triangle", `"base" and "height", or three "sides"`);
  return undefined;
}

/** Only at the ends may the edge touch the baseline: between them that would be two pieces of ground. */
function readOffsets({ every, offsets }: Of<"offsets">, at: string, faults: Faults): Shape | undefined {
  const read = offsets.map(length);
  const before = faults.issues.length;
  read.forEach((offset, i) => {
    if (i > 0 && i < read.length - 1 && isZero(offset.value))
      faults.add(`${at}.offsets[${i}]`, "zero", offset.text, `"12 ft": only the first and the last may be nothing`);
  });
  return faults.issues.length > before ? undefined : { kind: "offsets", every: length(every), offsets: read };
}

function readCircle({ radius, diameter }: Of<"circle">, at: string, faults: Faults): Shape | undefined {
  const [r, d] = [maybe(radius, "length"), maybe(diameter, "length")];
  if (r && !d) return { kind: "circle", radius: r };
  if (d && !r) return { kind: "circle-across", diameter: d };
  faults.add(at, "contradiction", "a circle", `"radius", or "diameter"`);
  return undefined;
}

function readTraverse(legs: Traverse, at: string, faults: Faults): Shape | undefined {
  const { corners, gap, misclosure } = closed(legs);
  if (misclosure > MISCLOSURE_MOST) {
    const far = read(fromCanonical<"length">(gap), "length", "us");
    faults.add(
      `${at}.legs`,
      "contradiction",
      `it ends ${far} from where it began, ${writeNumber(misclosure * 100, { figures: 2 })} % of its length`,
      `${MISCLOSURE_MOST * 100} % at most: look for a bearing that was read the other way round`,
    );
    return undefined;
  }
  const cross = crossing(corners);
  if (cross) {
    const [i, j] = cross;
    faults.add(
      `${at}.legs[${j}]`,
      "contradiction",
      `leg ${j + 1} (${showEntered(legs[j]!.length)}) crosses leg ${i + 1}`,
      "a way around that doesn't cross itself",
    );
    return undefined;
  }
  return { kind: "traverse", legs };
}
