import fc from "fast-check";
import { resultsOf, shareOfAll, type Judged } from "./results";

const judged = (more: Partial<Judged> = {}): Judged => ({
  product: "Tollguard",
  rate: "0.3 oz/1000 ft2",
  rig: "Blue backpack",
  person: "Odile Marsh",
  control: 80,
  injury: 0,
  early: false,
  otherCause: false,
  ...more,
});

describe("a mean in per cent with its band", () => {
  // By hand: 70, 80, 90 have the mean 80 and the standard deviation 10; t of 2 degrees of freedom is 4.303, over the root of 3.
  test("of several, Student's", () => {
    const { count, mean, half } = shareOfAll([70, 80, 90])!;
    expect([count, mean]).toEqual([3, 80]);
    expect(half).toBeCloseTo((4.303 * 10) / Math.sqrt(3), 9);
  });
  test("of one alone its band isn't known; of none there is nothing", () => {
    expect(shareOfAll([80])).toEqual({ count: 1, mean: 80, half: null });
    expect(shareOfAll([])).toBeNull();
  });
  test("the mean lies between the least and the most, and the order doesn't matter", () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 1, maxLength: 30 }), (parts) => {
        const { mean, half } = shareOfAll(parts)!;
        expect(mean).toBeGreaterThanOrEqual(Math.min(...parts) - 1e-9);
        expect(mean).toBeLessThanOrEqual(Math.max(...parts) + 1e-9);
        expect(shareOfAll([...parts].reverse())!.mean).toBeCloseTo(mean, 9);
        if (half !== null) expect(half).toBeGreaterThanOrEqual(0);
      }),
    ));
});

describe("what works here", () => {
  test("a product in all, and by rate; by rig and person only where there are several", () => {
    const results = resultsOf([judged(), judged({ rate: "0.4 oz/1000 ft2", control: 90 }), judged({ control: 70 })]);
    expect(results.map((one) => [one.by, one.of, one.control!.mean, one.control!.count])).toEqual([
      ["product", "Tollguard", 80, 3],
      ["rate", "0.3 oz/1000 ft2", 75, 2],
      ["rate", "0.4 oz/1000 ft2", 90, 1],
    ]);
    const two = resultsOf([judged(), judged({ person: "Bram Tiller", rig: null })]);
    expect(two.filter((one) => one.by === "person").map((one) => one.of)).toEqual(["Bram Tiller", "Odile Marsh"]);
    expect(two.filter((one) => one.by === "rig")).toEqual([]);
  });
  test("what was judged too early, or could be something else, is told and left out", () => {
    const [all] = resultsOf([judged(), judged({ control: 0, early: true }), judged({ control: 10, otherCause: true })]);
    expect(all).toMatchObject({ control: { mean: 80, count: 1 }, leftOut: 2 });
  });
  test("nobody said: it isn't nought", () => {
    const [all] = resultsOf([judged({ control: null, injury: 5 }), judged({ injury: null })]);
    expect(all).toMatchObject({ control: { mean: 80, count: 1 }, injury: { mean: 5, count: 1 } });
  });
});
