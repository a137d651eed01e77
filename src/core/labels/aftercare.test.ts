import fc from "fast-check";
import { entered } from "@/core/quantity/parse";
import { aftercareClashes, between, afterTank, afterWords, type Aftercare } from "./aftercare";

const hours = (n: number) => entered(`${n} h`, "time");
const inches = (n: number) => entered(`${n} in`, "length");
const wants = (name: string, aftercare: Aftercare) => ({ name, aftercare });

describe("aftercare of one tank", () => {
  test("kept dry for a day and watered in within three is done every week: both are said, nothing clashes", () => {
    const tank = [
      wants("Leaf feed", { keepDry: hours(24) }),
      wants("Soil product", { waterLeast: inches(0.25), waterMost: inches(0.5), waterWithin: hours(72) }),
    ];
    expect(aftercareClashes(tank)).toEqual([]);
    expect(afterWords(afterTank(tank))).toBe("keep dry for 24 h, then water in 0.25 in to 0.5 in within 72 h");
  });
  test("dry for longer than the other's deadline leaves no hour, and names both labels", () => {
    const [clash, ...more] = aftercareClashes([
      wants("Leaf feed", { keepDry: hours(48) }),
      wants("Soil product", { waterLeast: inches(0.25), waterWithin: hours(24) }),
    ]);
    expect(more).toEqual([]);
    expect(clash).toEqual({
      of: "hours",
      by: { of: "Soil product", value: hours(24) },
      dry: { of: "Leaf feed", value: hours(48) },
    });
    expect(between(clash!)).toEqual(["Soil product", "Leaf feed"]);
  });
  test("a deadline that no card says is asked for, but only where another product is kept dry", () => {
    const open = wants("Soil product", { waterLeast: inches(0.25) });
    expect(afterTank([open]).openOf).toBeNull();
    expect(afterTank([open, wants("Leaf feed", { keepDry: hours(4) })]).openOf).toBe("Soil product");
    expect(afterTank([wants("Both", { waterLeast: inches(0.25), keepDry: hours(4) })]).openOf).toBeNull();
  });
  test("says what there is to say, and nothing of products that ask for nothing", () => {
    expect(afterWords(afterTank([wants("Plain", {}), { name: "None" }]))).toBe("");
    expect(afterWords(afterTank([wants("A", { waterMost: inches(0.1) })]))).toBe("water in at most 0.1 in");
    expect(afterWords(afterTank([wants("A", { waterLeast: inches(0.1) })]))).toBe("water in at least 0.1 in");
    expect(afterWords(afterTank([wants("A", { waterWithin: hours(5) })]))).toBe("water in within 5 h");
  });

  const maybe = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined });
  const hour = maybe(fc.integer({ min: 1, max: 40 }));
  const depth = maybe(fc.integer({ min: 1, max: 20 }));

  test("it holds exactly where no hour and no depth satisfy all (each product asks for one thing)", () => {
    const one = fc.oneof(
      hour.map((h) => (h === undefined ? {} : { keepDry: hours(h) })),
      hour.map((h) => (h === undefined ? {} : { waterWithin: hours(h) })),
      depth.map((d) => (d === undefined ? {} : { waterLeast: inches(d / 20) })),
      depth.map((d) => (d === undefined ? {} : { waterMost: inches(d / 20) })),
    );
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 5 }), (cares) => {
        const tank = cares.map((care: Aftercare, i) => wants(`p${i}`, care));
        // By trying every hour and every depth there is, in the units that they were typed in.
        const hourSuits = (h: number) =>
          cares.every((c: Aftercare) => (!c.keepDry || h >= c.keepDry.number) && (!c.waterWithin || h <= c.waterWithin.number));
        const depthSuits = (twentieths: number) =>
          cares.every(
            (c: Aftercare) =>
              (!c.waterLeast || twentieths >= Math.round(c.waterLeast.number * 20)) &&
              (!c.waterMost || twentieths <= Math.round(c.waterMost.number * 20)),
          );
        const range = Array.from({ length: 41 }, (_, i) => i);
        const fits = range.some(hourSuits) && range.some(depthSuits);
        expect(aftercareClashes(tank).length === 0).toBe(fits);
      }),
    );
  });

  test("what one product asks of itself doesn't hide what another asks of it", () => {
    const twice = wants("A", { keepDry: hours(24), waterWithin: hours(20) });
    expect(aftercareClashes([twice])).toEqual([]);
    expect(aftercareClashes([twice, wants("B", { waterWithin: hours(22) })]).map(between)).toEqual([["B", "A"]]);
    expect(aftercareClashes([twice, wants("B", { keepDry: hours(21) })]).map(between)).toEqual([["A", "B"]]);
  });

  test("of products that ask for several things, it holds exactly where two of them have no hour in common", () => {
    const one = fc.record({ keepDry: hour, waterWithin: hour });
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 5 }), (asked) => {
        const tank = asked.map(({ keepDry, waterWithin }, i) =>
          wants(`p${i}`, {
            ...(keepDry && { keepDry: hours(keepDry) }),
            ...(waterWithin && { waterWithin: hours(waterWithin) }),
          }),
        );
        const open = (dry: number, by: number) => Array.from({ length: 41 }, (_, h) => h).some((h) => h >= dry && h <= by);
        const clash = asked.some((a, i) => asked.some((b, j) => i !== j && !open(a.keepDry ?? 0, b.waterWithin ?? 40)));
        expect(aftercareClashes(tank).length > 0).toBe(clash);
      }),
    );
  });
});
