import type { MeasuredBy } from "@/core/area/uncertainty";
import { issueAt, type Issue, type Result } from "@/core/issue";
import { fromCanonical, canonical } from "@/core/quantity/arithmetic";
import { plainNumber } from "@/core/quantity/plain";
import { entered, type Entered } from "@/core/quantity/parse";
import { valueIn } from "@/core/quantity/quantity";
import type { GroundText, MeasuredText, ShapeText } from "./types";

/** A piece of ground in the making: shapes with what was typed of each, before any of it is read. */

export const SHAPE_KINDS = [
  "rectangle",
  "triangle",
  "three sides",
  "circle",
  "ellipse",
  "trapezoid",
  "offsets",
  "traverse",
] as const;
export type ShapeKind = (typeof SHAPE_KINDS)[number];

export interface ShapeDraft {
  readonly kind: ShapeKind;
  /** By field: "length", "width"; of offsets and a traverse also "list". */
  readonly typed: Readonly<Record<string, string>>;
}

export interface GroundDraft {
  readonly by: Exclude<MeasuredBy, "map" | "walk"> | "plan";
  readonly stride: string;
  /** Added to one another. */
  readonly parts: readonly ShapeDraft[];
  readonly less: readonly ShapeDraft[];
  readonly slope: string;
}

export const NEW_SHAPE: ShapeDraft = { kind: "rectangle", typed: {} };
export const NEW_GROUND: GroundDraft = { by: "tape", stride: "", parts: [NEW_SHAPE], less: [], slope: "" };

interface ShapeField {
  readonly key: string;
  readonly label: string;
  readonly example: string;
}

/** What is asked of each shape. */
export const SHAPE_FIELDS: Readonly<Record<ShapeKind, readonly ShapeField[]>> = {
  rectangle: [
    { key: "length", label: "Length", example: "120 ft" },
    { key: "width", label: "Width", example: "51.5 ft" },
  ],
  triangle: [
    { key: "base", label: "Base", example: "60 ft" },
    { key: "height", label: "Height, square to the base", example: "35 ft" },
  ],
  "three sides": [
    { key: "a", label: "Side 1", example: "60 ft" },
    { key: "b", label: "Side 2", example: "45 ft" },
    { key: "c", label: "Side 3", example: "38 ft" },
  ],
  circle: [{ key: "diameter", label: "Across", example: "24 ft" }],
  ellipse: [
    { key: "length", label: "Longest across", example: "40 ft" },
    { key: "width", label: "Shortest across", example: "28 ft" },
  ],
  trapezoid: [
    { key: "first", label: "One parallel side", example: "40 ft" },
    { key: "second", label: "The other", example: "60 ft" },
    { key: "height", label: "Between them, square", example: "30 ft" },
  ],
  offsets: [
    { key: "every", label: "A reading every", example: "10 ft" },
    { key: "list", label: "Across, one after another", example: "0, 12, 15, 9, 0" },
  ],
  traverse: [{ key: "list", label: "Legs: length and degrees from north", example: "60 at 90; 40 at 180; 72 at 304" }],
};

/** How a length is read: what was typed, to feet or metres; of strides a bare number is so many of them. */
export type ReadLength = (typed: string, zero: boolean) => Result<Entered<"length">>;

/** A length of so many strides. */
export const strides = (count: number, stride: Entered<"length">): Entered<"length"> =>
  entered(`${plainNumber(valueIn(fromCanonical<"length">(count * canonical(stride.value)), "ft"))} ft`, "length");

/** Parts of a list: "0, 12, 15" or "0 12 15", each with its unit or without. */
const listed = (typed: string) => typed.split(/[,;\n]+/).map((one) => one.trim()).filter((one) => one !== ""); // prettier-ignore

/** A shape as it is written; or what of it can't be read, each with its field: "list", "width". */
export function shapeText(draft: ShapeDraft, read: ReadLength): Result<ShapeText> {
  const issues: Issue[] = [];
  const length = (key: string, typed = draft.typed[key] ?? "", zero = false): string => {
    const one = read(typed, zero);
    if (one.ok) return one.value.text;
    issues.push(...one.issues.map((issue) => issueAt(key, { ...issue, path: "" })));
    return "";
  };
  const shape = shapeOf(draft, length, issues);
  return issues.length > 0 ? { ok: false, issues } : { ok: true, value: shape };
}

function shapeOf(
  { kind, typed }: ShapeDraft,
  length: (key: string, typed?: string, zero?: boolean) => string,
  issues: Issue[],
): ShapeText {
  switch (kind) {
    case "rectangle":
    case "ellipse":
      return { shape: kind, length: length("length"), width: length("width") };
    case "triangle":
      return { shape: "triangle", base: length("base"), height: length("height") };
    case "three sides":
      return { shape: "triangle", sides: ["a", "b", "c"].map((key) => length(key)) };
    case "circle":
      return { shape: "circle", diameter: length("diameter") };
    case "trapezoid":
      return { shape: "trapezoid", parallel: [length("first"), length("second")], height: length("height") };
    case "offsets":
      return {
        shape: "offsets",
        every: length("every"),
        offsets: atLeast(2, "reading", typed, issues).map((one) => length("list", one, true)),
      };
    case "traverse":
      return { shape: "traverse", legs: atLeast(3, "leg", typed, issues).map((leg) => legOf(leg, length, issues)) };
  }
}

/** The parts of a list, of which there must be so many. */
function atLeast(least: number, what: string, typed: ShapeDraft["typed"], issues: Issue[]): string[] {
  const all = listed(typed.list ?? "");
  if (all.length < least)
    issues.push({
      path: "list",
      code: "too-few",
      received: all.length === 0 ? "" : `${all.length} ${what}`,
      expected: `${least}`,
    });
  return all;
}

/** "60 ft at 90", "60 90" */
function legOf(typed: string, length: (key: string, typed?: string) => string, issues: Issue[]) {
  const parts = /^(.*?)\s*(?:at|@|\s)\s*(\d{1,3}(?:\.\d+)?)\s*°?$/.exec(typed);
  const bearing = Number(parts?.[2]);
  if (!parts || !(bearing <= 360)) {
    issues.push({
      path: "list",
      code: "not-a-number",
      received: typed,
      expected: `"60 ft at 90": a length, and degrees from north`,
    });
    return { length: "", bearing: 0 };
  }
  return { length: length("list", parts[1]), bearing };
}

/** A piece of ground as it is kept; or what of it can't be read: "parts[0].width". */
export function measuredText(
  draft: GroundDraft,
  read: ReadLength,
  readSlope: (typed: string) => Result<string | undefined>,
): Result<MeasuredText> {
  const issues: Issue[] = [];
  const shapes = (key: "parts" | "less") =>
    draft[key].flatMap((one, i): ShapeText[] => {
      const shape = shapeText(one, read);
      if (shape.ok) return [shape.value];
      issues.push(...shape.issues.map((issue) => issueAt(`${key}[${i}]`, issue)));
      return [];
    });
  const [parts, less] = [shapes("parts"), shapes("less")];
  const slope = readSlope(draft.slope);
  if (!slope.ok) issues.push(...slope.issues);
  if (issues.length > 0 || !slope.ok) return { ok: false, issues };
  const ground: GroundText = {
    measured: parts.length === 1 ? parts[0]! : { shape: "parts", parts },
    ...(less.length > 0 && { less }),
    ...(slope.value !== undefined && { slope: slope.value }),
    ...(draft.by === "plan" && { measuredOn: "map" as const }),
  };
  return {
    ok: true,
    value: {
      by: draft.by === "plan" ? "map" : draft.by,
      ...(draft.by === "strides" && { stride: draft.stride }),
      ground,
    },
  };
}
