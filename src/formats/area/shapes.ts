import * as yup from "yup";
import { MEASURED_ON } from "@/core/area/ground";
import { byKey, choice, exact, fault, list, needed, text, within } from "../job-file/shape-parts";
import { shown, typeName } from "../job-file/shown";

/** The shape of a site file, for Yup. What two lengths make wrong together is checked in `read-ground.ts`. */

/** As many parts as one piece of ground may have, legs or offsets, and how deep parts may hold parts (ours). */
export const MOST_PARTS = 200;
export const MOST_LEGS = 2000;
export const MOST_ZONES = 500;
export const DEEPEST = 4;

const side = (zero = false) => within("side", { zero });
const l = (example: string) => needed(side(), `"${example}"`);

/** Degrees from north, clockwise. */
const bearing = () =>
  yup.mixed().test("bearing", function (value) {
    if (value === undefined) return true;
    if (typeof value !== "number" || !Number.isFinite(value))
      return fault(this, { code: "wrong-type", received: typeName(value), expected: "a number of degrees" });
    const turn = value >= 0 && value <= 360;
    return turn || fault(this, { code: "out-of-range", received: shown(value), expected: "from 0 to 360 degrees from north" });
  });

/** @param deep how many shapes it stands in */
export const shape = (deep = 0): yup.AnySchema =>
  yup.lazy(() =>
    byKey("shape", {
      rectangle: { length: l("120 ft"), width: l("51.5 ft") },
      triangle: { base: side(), height: side(), sides: list(side(), 3, "side", 3) },
      circle: { radius: side(), diameter: side() },
      ellipse: { length: l("60 ft"), width: l("40 ft") },
      trapezoid: { parallel: needed(list(side(), 2, "side", 2), `["40 ft", "60 ft"]`), height: l("30 ft") },
      offsets: {
        every: l("10 ft"),
        offsets: needed(list(side(true), 2, "offset", MOST_LEGS), `["0 ft", "12 ft", "9 ft", "0 ft"]`),
      },
      traverse: {
        legs: needed(
          list(exact({ length: l("60 ft"), bearing: needed(bearing(), "90") }), 3, "leg", MOST_LEGS),
          `[{ "length": "60 ft", "bearing": 90 }, …]`,
        ),
      },
      ...(deep < DEEPEST && {
        parts: {
          parts: needed(
            list(shape(deep + 1), 1, "part", MOST_PARTS),
            `[{ "shape": "rectangle", "length": "40 ft", "width": "20 ft" }]`,
          ),
        },
      }),
    }),
  ) as unknown as yup.AnySchema;

const EXAMPLE = `{ "shape": "rectangle", "length": "120 ft", "width": "51.5 ft" }`;

const GROUND = {
  measured: needed(shape(), EXAMPLE),
  less: list(shape(), 0, "part", MOST_PARTS),
  slope: within("slope", { zero: true }),
  measuredOn: choice(MEASURED_ON),
};

/** How one zone was measured, as a record keeps it. */
export const GROUND_SHAPE = exact(GROUND);

export const SITE_FILE = exact({
  format: needed(choice(["careful-gauge-site"]), `"careful-gauge-site"`),
  version: needed(choice([1]), "1"),
  name: text(),
  zones: needed(
    list(exact({ name: needed(text(), `"north"`), ...GROUND }), 1, "zone", MOST_ZONES),
    `[{ "name": "north", "measured": ${EXAMPLE} }]`,
  ),
});
