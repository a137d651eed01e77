import quantile from "@stdlib/stats-base-dists-t-quantile";
import fc from "fast-check";
import { coverageFactor } from "../calibration/student";
import { gamma, logGamma, seeded, studentAbove, studentQuantile, studentValue } from "./chance";
import { drawRisk, riskExact, SURE, type Risk, type RiskInput } from "./risk";

function draw(input: RiskInput, samples = 100_000, seed = 1): Risk {
  const drawing = drawRisk(input, samples, seed);
  for (;;) {
    const next = drawing.next();
    if (next.done) return next.value;
  }
}

describe("Student's t", () => {
  test("ln Γ at whole and half numbers is (n−1)! and √π", () => {
    expect(Math.exp(logGamma(6))).toBeCloseTo(120, 9);
    expect(logGamma(0.5)).toBeCloseTo(Math.log(Math.sqrt(Math.PI)), 12);
  });
  test("closed forms: one degree of freedom is Cauchy's, two has a root", () => {
    for (const t of [-3, -0.4, 0, 0.7, 2, 12]) {
      expect(studentAbove(t, 1)).toBeCloseTo(0.5 - Math.atan(t) / Math.PI, 12);
      expect(studentAbove(t, 2)).toBeCloseTo(0.5 - t / (2 * Math.sqrt(2 + t * t)), 12);
    }
  });
  test("97.5 % quantiles are those of JCGM 100:2008 (GUM), annex G, table G.2 (values from memory), as far as it is printed", () => {
    for (const freedom of [1, 2, 3, 5, 8, 10, 20, 30])
      expect(Math.abs(studentQuantile(0.975, freedom) - coverageFactor(freedom))).toBeLessThan(6e-4 * coverageFactor(freedom));
    expect(studentQuantile(0.975, Infinity)).toBeCloseTo(1.959964, 5);
    expect(studentQuantile(0.95, Infinity)).toBeCloseTo(1.644854, 5);
  });
});

describe("against an independent implementation (stdlib)", () => {
  test("quantiles of Student's t", () => {
    for (const freedom of [1, 1.7, 2, 3.4, 6, 15.5, 80])
      for (const share of [0.6, 0.9, 0.95, 0.975, 0.999]) {
        const other = quantile(share, freedom);
        expect(Math.abs(studentQuantile(share, freedom) - other)).toBeLessThan(1e-8 * Math.max(1, other));
        expect(studentAbove(other, freedom)).toBeCloseTo(1 - share, 9);
      }
  });
});

describe("risk", () => {
  const sure: RiskInput = { spread: 0.04, freedom: Infinity, measured: 1, readings: [], most: 1.1, least: 0.9 };
  test("a rate in the middle of its band, 4 % either way", () => {
    // Normal distribution, 2.5 standard deviations either side: 0.621 % (table of the normal distribution, from memory).
    expect(riskExact(sure)!.over).toBeCloseTo(0.00621, 5);
    expect(riskExact(sure)!.under).toBeCloseTo(0.00621, 5);
    expect(riskExact(sure)!.aim).toBeCloseTo(1.1 / (1 + 1.644854 * 0.04), 6);
  });
  test("at the label's most the chance is even; aiming lower brings it to one in twenty", () => {
    const at: RiskInput = { ...sure, most: 1, least: undefined };
    expect(riskExact(at)!.over).toBeCloseTo(0.5, 12);
    const aim = riskExact(at)!.aim!;
    expect(riskExact({ ...at, most: 1 / aim })!.over).toBeCloseTo(1 - SURE, 7);
  });
  test("drawing agrees with the closed form, within its own chance", () => {
    fc.assert(
      fc.property(
        fc.record({
          spread: fc.double({ min: 0.005, max: 0.1, noNaN: true }),
          freedom: fc.constantFrom(1, 2, 3.4, 8, 30, Infinity),
          measured: fc.double({ min: 0.95, max: 1.02, noNaN: true }),
          most: fc.double({ min: 1, max: 1.2, noNaN: true }),
          least: fc.double({ min: 0.8, max: 1, noNaN: true }),
        }),
        fc.integer(),
        (input, seed) => {
          const exact = riskExact({ ...input, readings: [] })!;
          const drawn = draw({ ...input, readings: [] }, 15_000, seed);
          const within = (p: number) => 5 * Math.sqrt((p * (1 - p)) / 15_000) + 1e-4;
          expect(Math.abs(drawn.over! - exact.over!)).toBeLessThan(within(exact.over!));
          expect(Math.abs(drawn.under! - exact.under!)).toBeLessThan(within(exact.under!));
        },
      ),
      { numRuns: 24 },
    );
  });
  test("with readings: the chance of two even distributions, worked out by hand", () => {
    // Only the readings are unsure: two of ±5 % add up to a triangle of ±10 %; above +5 % lies an eighth of it.
    const drawn = draw({ spread: 0, freedom: Infinity, measured: 1, readings: [0.05, 0.05], most: 1.05 }, 100_000);
    expect(drawn.over).toBeCloseTo(0.125, 2);
    expect(drawn.under).toBeNull();
    expect(riskExact({ ...sure, readings: [0.01] })).toBeNull();
  });
  test("the same seed gives the same answer, another seed another", () => {
    const input = { ...sure, readings: [0.02] };
    expect(draw(input, 10_000, 7)).toEqual(draw(input, 10_000, 7));
    expect(draw(input, 10_000, 7)).not.toEqual(draw(input, 10_000, 8));
    const uniform = seeded(3);
    for (let i = 0; i < 1000; i++) expect(Math.abs(uniform() - 0.5)).toBeLessThan(0.5);
  });
  test("tells how far it is, and can be left in the middle", () => {
    const drawing = drawRisk(sure, 20_000, 1);
    expect(drawing.next()).toEqual({ value: 0.25, done: false });
    expect(drawing.next().value).toBe(0.5);
  });
});

test("values of Student's t are as far out as its quantiles say, at every number of trials", () => {
  const values = 120_000;
  for (const freedom of [2, 3, 5, 12]) {
    const uniform = seeded(7);
    const drawn = Array.from({ length: values }, () => studentValue(freedom, uniform));
    for (const share of [0.55, 0.75, 0.9, 0.975, 0.995]) {
      const quantile = studentQuantile(share, freedom);
      const above = drawn.filter((t) => t > quantile).length / values;
      // Four times the standard deviation of a count.
      expect(Math.abs(above - (1 - share))).toBeLessThan(4 * Math.sqrt((share * (1 - share)) / values));
    }
  }
});

test("the gamma that it is drawn with has its shape as mean and as variance", () => {
  const values = 200_000;
  for (const shape of [0.5, 1, 1.5, 4, 10]) {
    const uniform = seeded(11);
    const drawn = Array.from({ length: values }, () => gamma(shape, uniform));
    const mean = drawn.reduce((sum, x) => sum + x, 0) / values;
    const variance = drawn.reduce((sum, x) => sum + (x - mean) ** 2, 0) / values;
    expect(Math.abs(mean - shape)).toBeLessThan(4 * Math.sqrt(shape / values));
    expect(Math.abs(variance / shape - 1)).toBeLessThan(4 * Math.sqrt((2 + 6 / shape) / values));
  }
});
