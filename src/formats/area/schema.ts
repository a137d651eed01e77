import { MEASURED_ON } from "@/core/area/ground";
import { choice, list, object, q, quantity, text, type Schema } from "../schema-parts";
import { DEEPEST, MOST_LEGS, MOST_PARTS, MOST_ZONES } from "./shapes";

/** The site file as a JSON Schema. What two lengths make wrong together (sides that make no triangle) no schema says. */
const side = q("length");
const either = (shape: string, ...ways: readonly Readonly<Record<string, Schema>>[]): Schema => ({
  oneOf: ways.map((way) => object(["shape", ...Object.keys(way)], { shape: { const: shape }, ...way })),
});

const ref = (deep: number): Schema => ({ $ref: `#/$defs/shape-${deep}` });

/** @param deep how many shapes it stands in */
function shape(deep: number): Schema {
  const shapes = [
    either("rectangle", { length: side, width: side }),
    either("triangle", { base: side, height: side }, { sides: list(side, 3, 3) }),
    either("circle", { radius: side }, { diameter: side }),
    either("ellipse", { length: side, width: side }),
    either("trapezoid", { parallel: list(side, 2, 2), height: side }),
    either("offsets", { every: side, offsets: list(quantity(["length"], true), 2, MOST_LEGS) }),
    either("traverse", {
      legs: list(
        object(["length", "bearing"], { length: side, bearing: { type: "number", minimum: 0, maximum: 360 } }),
        3,
        MOST_LEGS,
      ),
    }),
  ];
  return { oneOf: deep < DEEPEST ? [...shapes, either("parts", { parts: list(ref(deep + 1), 1, MOST_PARTS) })] : shapes };
}

export const SITE_FILE_SCHEMA: Schema = {
  $schema: "https://json-schema.org/draft/2020-12/schema",
  title: "Careful Gauge site file, version 1",
  description: "Pieces of ground and how they were measured. Its meaning is in job-file.md.",
  ...object(["format", "version", "zones"], {
    format: { const: "careful-gauge-site" },
    version: { const: 1 },
    name: text(),
    zones: list(
      object(["name", "measured"], {
        name: text(),
        measured: ref(0),
        less: list(ref(0), 0, MOST_PARTS),
        slope: quantity(["share"], true),
        measuredOn: choice(MEASURED_ON),
      }),
      1,
      MOST_ZONES,
    ),
  }),
  $defs: Object.fromEntries(Array.from({ length: DEEPEST + 1 }, (_, deep) => [`shape-${deep}`, shape(deep)])),
};
