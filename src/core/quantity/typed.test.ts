import fc from "fast-check";
import { FIELDS, parseField, unitsIn, withUnit, type Field } from "./ranges";
import { meantIn, DEGREES, NO_UNIT } from "./typed";
import { plainNumber } from "./plain";
import { unitNamed } from "./unit";
import { raw, type Kind } from "./kinds";
import { entered } from "./parse";
import type { System } from "../working/units";

/** A number gets its unit at the key that typed it, from the field that shows it, and never another. */

const EVERY = Object.keys(FIELDS) as Field[];
const SYSTEMS: readonly System[] = ["us", "metric"];

/** A number that a field takes, in one of its units. */
const possible = (field: Field, unit: string) => {
  const { kind, least, most } = FIELDS[field];
  const bound = (text: string) => raw(entered(text, kind as Kind).value) / unitNamed(unit).factor;
  const [low, high] = [Math.max(1e-4, bound(least) * 1.01), Math.min(1e6, bound(most) * 0.99)];
  return fc.double({ min: 0, max: 1, noNaN: true }).map((at) => Number((low * (high / low) ** at).toPrecision(4)));
};

describe.each(SYSTEMS)("a bare number of a reader of %s units", (system) => {
  test.each(EVERY)("%s: is in the unit that the field shows, whoever reads it later", (field) => {
    const unit = unitsIn(field)[system];
    fc.assert(
      fc.property(possible(field, unit), (number) => {
        const meant = withUnit(field, plainNumber(number), system);
        const read = parseField(field, meant);
        expect(read.ok && raw(read.value.value as never)).toBeCloseTo(number * unitNamed(unit).factor, 9);
        // Told once it is told, also by a reader of other units, and key by key.
        for (const other of SYSTEMS) expect(withUnit(field, meant, other)).toBe(meant);
      }),
      { numRuns: 30 },
    );
  });
});

describe("an amount without its area or volume is for what the field shows", () => {
  const pairs = EVERY.filter(
    (field) =>
      /area|volume\/volume|mass\/volume/.test(unitNamed(unitsIn(field).us).shape.split("/").slice(1).join("/") || "") &&
      unitsIn(field).us.includes("/"),
  );
  test.each(SYSTEMS.flatMap((system) => pairs.map((field) => [field, system] as const)))("%s, %s", (field, system) => {
    const unit = unitsIn(field)[system];
    const [over, under] = unit.split("/") as [string, string];
    for (const text of [`8 ${over}`, `8${over}`, `0.5 ${over}`]) expect(withUnit(field, text, system)).toBe(`${text}/${under}`);
    expect(withUnit(field, `8 ${unit}`, system)).toBe(`8 ${unit}`);
    expect(withUnit(field, `8 ${over} per ${under}`, system)).toBe(`8 ${over} per ${under}`);
  });
  test.each([
    ["10 mL", "10 mL/100 m2"],
    ["10 ml", "10 ml/100 m2"],
    ["3 kg N", "3 kg N/100 m2"],
    ["3 kg ai", "3 kg ai/100 m2"],
    ["3 kg N/ha", "3 kg N/ha"],
    ["10 m", "10 m"],
    ["ten", "ten"],
  ])("a metric reader's %p is %p", (typed, meant) => expect(withUnit("volumeRate", typed, "metric")).toBe(meant));
});

describe("commas", () => {
  test.each([
    ["1,5", "1.5 L"],
    ["0,25", "0.25 L"],
    ["0,500", "0.500 L"],
    ["1,5 L", "1.5 L"],
    ["12,5678", "12.5678 L"],
    ["1,500", "1,500? L"],
    ["12,500 mL", "12,500? mL"],
    ["1,500,000", "1,500,000 L"],
    ["1500", "1500 L"],
  ])("of a metric reader: %p is %p", (typed, meant) => expect(withUnit("usable", typed, "metric")).toBe(meant));
  test("of a reader of US units are between thousands, as they always were", () => {
    expect(withUnit("zoneArea", "1,500", "us")).toBe("1,500 ft2");
    expect(withUnit("zoneArea", "1,5", "us")).toBe("1,5 ft2");
    expect(parseField("zoneArea", "1,5 ft2")).toMatchObject({ issues: [{ code: "comma-decimal" }] });
  });
  test("that may be either are asked about, and taken nowhere", () => {
    for (const typed of ["1,500", "1,500 m2", "12,500x30"]) {
      const read = parseField("zoneArea", withUnit("zoneArea", typed, "metric"));
      expect(read).toMatchObject({ ok: false, issues: [{ code: "comma-asked" }] });
    }
    expect(parseField("usable", "1,500? L")).toMatchObject({
      issues: [{ received: "1,500", expected: '"1500" or "1.500"' }],
    });
  });
  test("of each side of a rectangle", () => {
    expect(withUnit("zoneArea", "12,5 x 30", "metric")).toBe("12.5 x 30 m");
    expect(withUnit("zoneArea", "62 x 100", "us")).toBe("62 x 100 ft");
  });
  test("a group of thousands never begins with nought, in forms and in files", () => {
    for (const dialect of ["file", "screen"] as const)
      for (const text of ["0,500 L", "0,250 ha", "00,500 L", "0,5 L"])
        expect(parseField(text.endsWith("ha") ? "zoneArea" : "usable", text, { dialect })).toMatchObject({
          ok: false,
          issues: [{ code: "comma-decimal" }],
        });
  });
});

test("what has no unit gets none; degrees get the reader's, below nought too; a part of a dilution its other one", () => {
  expect(meantIn(NO_UNIT, "1,5", "metric")).toBe("1.5");
  expect(meantIn(NO_UNIT, "1.5 ", "us")).toBe("1.5 ");
  expect(meantIn(DEGREES, "-3", "metric")).toBe("-3 °C");
  expect(meantIn(DEGREES, "70", "us")).toBe("70 °F");
  expect(meantIn(DEGREES, "70 F", "metric")).toBe("70 F");
  expect(meantIn({ us: ":1", metric: ":1" }, "9", "us")).toBe("9:1");
  expect(withUnit("usable", " ", "us")).toBe(" ");
});

test("millimetres are read as people read depths, and written in centimetres", () => {
  expect(parseField("waterDepth", withUnit("waterDepth", "6", "metric"))).toMatchObject({ value: { text: "0.6 cm" } });
  expect(parseField("mowing", "65 mm")).toMatchObject({ value: { text: "6.5 cm", unit: "cm" } });
  expect(parseField("mowing", "65 mm", { dialect: "file" })).toMatchObject({ ok: false, issues: [{ code: "unknown-unit" }] });
});
