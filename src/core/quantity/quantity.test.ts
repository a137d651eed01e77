import fc from "fast-check";
import { unit as mathUnit } from "mathjs";
import { expectNear } from "../testing/near";
import { KINDS, make, raw, type Kind, type Quantity } from "./kinds";
import { quantity, valueIn } from "./quantity";
import { findUnit, unitNamed, unitsOf } from "./unit";
import { DIMENSIONS, type Dimension } from "./units";

const factor = (name: string) => unitNamed(name).factor;

describe("the unit catalogue", () => {
  // Sources, values from memory: NIST Handbook 44, Appendix C, "General Tables of Units of Measurement"; NIST SP 811 (2008), appendix B.8.
  test.each([
    ["gal", 128, "fl oz"],
    ["gal", 8, "pt"],
    ["gal", 4, "qt"],
    ["gal", 16, "cup"],
    ["fl oz", 2, "tbsp"],
    ["fl oz", 6, "tsp"],
    ["lb", 16, "oz"],
    ["ac", 43_560, "ft2"],
    ["mi", 5280, "ft"],
    ["mph", 88, "ft/min"],
    ["yd", 3, "ft"],
    ["h", 60, "min"],
    ["ha", 10_000, "m2"],
  ])("1 %s = %d %s", (one, times, other) => expectNear(factor(one), times * factor(other), 1e-15));

  test.each([
    ["gal", 3785.411784],
    ["fl oz", 29.5735295625],
    ["lb", 453.59237],
    ["ac", 4046.8564224],
    ["mi", 1609.344],
    ["psi", 6894.757293168],
    ["mph", 0.44704],
  ])("1 %s is %d of the coherent unit", (unit, value) => expectNear(factor(unit), value, 1e-13));

  // mathjs as an outside reference. Its acre (4046.86 m²), tablespoon (15 mL), teaspoon (5 mL) and psi
  // (6894.75729276…) are rounded: left out here, they are held by the exact relations above.
  test.each([
    ["gal", "gallon", "cm^3"],
    ["qt", "quart", "cm^3"],
    ["pt", "pint", "cm^3"],
    ["cup", "cup", "cm^3"],
    ["fl oz", "fluidounce", "cm^3"],
    ["oz", "ounce", "g"],
    ["lb", "lbm", "g"],
    ["ft2", "sqft", "m^2"],
    ["yd2", "sqyd", "m^2"],
    ["ha", "hectare", "m^2"],
    ["bar", "bar", "Pa"],
    ["mi", "mile", "m"],
    ["in", "inch", "m"],
    ["yd", "yard", "m"],
    ["mph", "mi/h", "m/s"],
    ["km/h", "km/h", "m/s"],
  ])("%s is mathjs's %s", (ours, theirs, base) => expectNear(factor(ours), mathUnit(1, theirs).toNumber(base), 1e-12));

  test("a compound unit is one over the other, with its count", () => {
    expectNear(factor("oz/1000 ft2"), factor("oz") / (1000 * factor("ft2")));
    expectNear(factor("fl oz/100 gal"), factor("fl oz") / (100 * factor("gal")));
    expect(findUnit("oz/1,000 ft2")?.id).toBe("oz/1000 ft2");
    expect(findUnit("fl_oz/gal")?.id).toBe("fl oz/gal");
  });

  test.each(["", "furlong", "oz/", "/ft2", "oz/0 ft2", "oz//ft2", "oz/1000", "gal/min/ac", "%/ft2"])(
    "%p is no unit of a rate",
    (name) => {
      const found = findUnit(name);
      expect(found === undefined || found.id === "" || found.shape.startsWith("%")).toBe(true);
    },
  );

  test("an inch of water over 1,000 sq ft is about 623.4 gal", () => {
    // Common practice; follows from 231 cubic inches to the gallon.
    const inch = raw(quantity("length", 1, "in")) * raw(quantity("area", 1000, "ft2")) * 1e6;
    expect(inch / factor("gal")).toBeCloseTo(623.4, 1);
  });
});

describe("quantities", () => {
  test.each([NaN, Infinity, -1, -0.001])("%d is none", (value) => expect(() => make(value)).toThrow(RangeError));

  test("a unit of another kind is refused when it runs, too", () => {
    expect(() => quantity("area", 1, "gal" as never)).toThrow(/no unit of area/);
  });

  test("every simple unit makes the round trip", () => {
    const dimensions = Object.keys(DIMENSIONS) as Dimension[];
    const any = fc
      .constantFrom(...dimensions)
      .chain((d) => fc.tuple(fc.constant(d), fc.constantFrom(...unitsOf(d)), fc.double({ min: 1e-9, max: 1e12, noNaN: true })));
    fc.assert(fc.property(any, ([d, u, n]) => expectNear(valueIn(quantity(d as "area", n, u as "ft2"), u as "ft2"), n, 1e-14)));
  });

  test("kinds are told apart in name", () => expect(new Set(KINDS).size).toBe(KINDS.length));
});

/** What must not compile. `tsc` fails where one of these lines would. */
export function mustNotCompile(): unknown[] {
  const area = quantity("area", 1, "ft2");
  const volume = quantity("volume", 1, "gal");
  const rate = quantity("rateByVolume", 1, "fl oz/1000 ft2");
  const takesSpray = (q: Quantity<"sprayVolume">) => q;
  const any: Kind = "area";
  return [
    // @ts-expect-error two quantities can't be added
    area + volume,
    // @ts-expect-error not even of one kind: sums belong into a rule
    area + area,
    // @ts-expect-error nor multiplied
    area * 2,
    // @ts-expect-error two kinds can't be compared
    area < volume,
    // @ts-expect-error nor be equal
    area === volume,
    // @ts-expect-error a label rate is no spray volume, though both are volume over area
    takesSpray(rate),
    // @ts-expect-error a plain number is no quantity
    takesSpray(2),
    // @ts-expect-error a quantity is no plain number
    Math.round(area),
    // @ts-expect-error a unit of another kind
    valueIn(area, "gal"),
    // @ts-expect-error a weight ounce is no fluid ounce
    quantity("volume", 1, "oz"),
    any,
  ];
}
