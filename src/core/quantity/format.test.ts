import fc from "fast-check";
import { ROUNDING, roundBy, show, showEntered, unitText, writeNumber } from "./format";
import { entered } from "./parse";
import { quantity } from "./quantity";
import { read } from "../working/units";

test.each([
  [2.333333, ROUNDING.rate, "2.33"],
  [0.918, ROUNDING.rate, "0.918"],
  [12.345, ROUNDING.rate, "12.3"],
  [3878.7879, ROUNDING.rate, "3,879"],
  [0.0459, ROUNDING.rate, "0.0459"],
  [62.04, ROUNDING.seconds, "62.0"],
  [6199.6, ROUNDING.area, "6,200"],
  [1.157685, ROUNDING.amountDown, "1.15"],
  [0.44, ROUNDING.amountDown, "0.44"],
  [0.1 + 0.2, ROUNDING.amountDown, "0.3"],
  [165, { step: 30, down: true }, "150"],
  [0.294, { step: 0.05 }, "0.30"],
  [0.29, { step: 0.01, down: true }, "0.29"],
])("%d by %p reads %s", (value, rule, text) => expect(writeNumber(value, rule)).toBe(text));

test("rounding down never goes up, and never loses a whole step", () => {
  fc.assert(
    fc.property(fc.double({ min: 1e-6, max: 1e6, noNaN: true }), (value) => {
      const down = roundBy(value, ROUNDING.amountDown).value;
      expect(down).toBeLessThanOrEqual(value * (1 + 1e-8));
      expect(value - down).toBeLessThanOrEqual(value / 99);
    }),
  );
});

test("units read as people say them", () => {
  expect(["gal/1000 ft2", "oz/ac", "%v/v", "mph", "fl oz/min", "L/100 m2", "ft2"].map(unitText)).toEqual([
    "gal per 1,000 sq ft",
    "oz per acre",
    "% v/v",
    "mph",
    "fl oz/min",
    "L per 100 m²",
    "sq ft",
  ]);
});

test("a value comes back as it was entered", () => {
  expect(showEntered(entered("40 psi", "pressure"))).toBe("40 psi");
  expect(showEntered(entered("1:52", "time"))).toBe("1:52");
  expect(showEntered(entered("6,200 ft2", "area"))).toBe("6,200 sq ft");
});

test("readers' units: small volumes in fluid ounces, large ones in gallons, never a bare oz for either", () => {
  expect(show(quantity("volume", 12, "gal"), "volume", "gal")).toBe("12 gal");
  expect(read(quantity("volume", 12, "fl oz"), "volume", "us")).toBe("12 fl oz");
  expect(read(quantity("volume", 1, "gal"), "volume", "us")).toBe("1 gal");
  expect(read(quantity("mass", 12, "oz"), "mass", "us")).toBe("12 oz");
  expect(read(quantity("volume", 1, "gal"), "volume", "metric")).toBe("3.79 L");
  expect(read(quantity("sprayVolume", 1, "gal/1000 ft2"), "sprayVolume", "metric")).toBe("4.07 L per 100 m²");
});
