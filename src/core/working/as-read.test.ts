import fc from "fast-check";
import { raw, type Kind } from "../quantity/kinds";
import { EXAMPLES, parseAs } from "../quantity/parse";
import { areaAsRead, asRead, asWritten, isUnitOf, rateAsRead, RATE_KINDS, TOTAL_KINDS } from "./as-read";
import { unitFor, type System } from "./units";

test.each<[string, System, string]>([
  ["0.3 oz/1000 ft2", "us", "0.3 oz per 1,000 sq ft"],
  ["2.5 L/ha", "metric", "2.5 L per ha"],
  ["2.5 L/ha", "us", "0.7854 fl oz per 1,000 sq ft"],
  ["0.3 oz/1000 ft2", "metric", "9.155 g per 100 m²"],
  ["0.8841234567890123 fl oz/1000 ft2", "us", "0.8841 fl oz per 1,000 sq ft"],
  ["what was that", "us", "what was that"],
])("the rate %p, to a reader of %s units: %p", (text, system, told) => expect(rateAsRead(text, system)).toBe(told));

test("areas, depths, times", () => {
  expect(areaAsRead("6,200 ft2", "us")).toBe("6,200 sq ft");
  expect(areaAsRead("6,200 ft2", "metric")).toBe("576 m²");
  expect(areaAsRead("0.5 ha", "us")).toBe("53,820 sq ft");
  expect(asRead("1:52", ["time"], "metric")).toBe("1:52");
});

test("a file has six figures at most, and as it was entered where nobody says whose units", () => {
  expect(asWritten("0.8841234567890123 fl oz/1000 ft2", RATE_KINDS, undefined)).toBe("0.884123 fl oz/1000 ft2");
  expect(asWritten("0.8841234567890123 fl oz/1000 ft2", RATE_KINDS, "metric")).toBe("28.144 mL/100 m2");
  expect(asWritten("1.86 oz", TOTAL_KINDS, "us")).toBe("1.86 oz");
  expect(asWritten("1,500 ft2", ["area"], "us")).toBe("1,500 ft2");
});

const SYSTEMS: readonly System[] = ["us", "metric"];
test("whatever is on record is shown in units of its reader, and a file has the same quantity", () => {
  const kinds = (Object.keys(EXAMPLES) as Kind[]).filter((kind) => kind !== "time" && kind !== "dilution");
  fc.assert(
    fc.property(
      fc.constantFrom(...kinds),
      fc.double({ min: 0.01, max: 5000, noNaN: true }),
      fc.constantFrom(...SYSTEMS),
      fc.constantFrom(...SYSTEMS),
      (kind, number, one, other) => {
        const unit = unitFor(1 as never, kind, one);
        const text = `${Number(number.toPrecision(12))}${unit === "" ? "" : ` ${unit}`}`;
        const written = parseAs(asWritten(text, [kind], other), [kind]);
        const was = parseAs(text, [kind]);
        if (!was.ok) return;
        expect(written.ok && isUnitOf(written.value.unit, other)).toBe(true);
        expect(written.ok && raw(written.value.value as never) / raw(was.value.value as never)).toBeCloseTo(1, 4);
      },
    ),
  );
});
