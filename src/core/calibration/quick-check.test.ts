import fc from "fast-check";
import { linearRegression, linearRegressionLine, mean, sumNthPowerDeviations } from "simple-statistics";
import { CHECK_BAND, HORIZON, trendOf, type CheckPoint } from "./quick-check";
import { coverageFactor } from "./student";

/** The trend of quick checks against published figures, and the day on which it leaves against a naive search. */

const points = (pairs: readonly (readonly [day: number, ratio: number])[]): CheckPoint[] =>
  pairs.map(([day, ratio]) => ({ day, ratio }));

/**
 * NIST Statistical Reference Datasets, linear regression, "Norris" (lower difficulty), data and certified values from memory: they
 * agree with one another to eleven figures, which a wrong memory would not.
 */
const NORRIS = points([
  [0.2, 0.1], [337.4, 338.8], [118.2, 118.1], [884.6, 888], [10.1, 9.2], [226.5, 228.1], [666.3, 668.5], [996.3, 998.5],
  [448.6, 449.1], [777, 778.9], [558.2, 559.2], [0.4, 0.3], [0.6, 0.1], [775.5, 778.1], [666.9, 668.8], [338, 339.3],
  [447.5, 448.9], [11.6, 10.8], [556, 557.7], [228.1, 228.3], [995.8, 998], [887.6, 888.8], [120.2, 119.6], [0.3, 0.3],
  [0.3, 0.6], [556.8, 557.6], [339.1, 339.3], [887.2, 888], [999, 998.5], [779, 778.9], [11.1, 10.2], [118.3, 117.6],
  [229.2, 228.9], [669.1, 668.4], [448.9, 449.2], [0.5, 0.2],
]); // prettier-ignore

test("NIST Norris: slope, intercept, their standard errors and the scatter at 34 degrees of freedom", () => {
  const trend = trendOf(NORRIS, 0)!;
  const t = coverageFactor(34);
  const middle = mean(NORRIS.map((p) => p.day));
  expect(trend.slope).toBeCloseTo(1.00211681802045, 11);
  expect(trend.at(0).ratio).toBeCloseTo(-0.262323073774029, 9);
  expect(trend.slopeBand / t).toBeCloseTo(0.000429796848199937, 12);
  expect(trend.at(0).band / t).toBeCloseTo(0.232818234301152, 9);
  expect((trend.at(middle).band / t) * Math.sqrt(36)).toBeCloseTo(0.884796396144373, 9);
  expect(trend.told).toBe(true);
});

test("three checks leave one degree of freedom: 12.7 times the scatter", () => {
  // The line is level at 1.01; residuals of 0.01, −0.02 and 0.01: s² = 0.0006 ÷ 1.
  const trend = trendOf(points([[0, 1.02], [7, 0.99], [14, 1.02]]), 14)!; // prettier-ignore
  expect(trend.slope).toBeCloseTo(0, 12);
  expect(trend.at(7).band).toBeCloseTo((12.706 * Math.sqrt(0.0006)) / Math.sqrt(3), 9);
  expect(trend.told).toBe(false);
});

test("what is told of nothing at all is nothing: checks that are all alike have no trend", () =>
  expect(trendOf(points([[0, 1], [7, 1], [14, 1]]), 14)).toMatchObject({ told: false, leaves: null })); // prettier-ignore

test("it is followed for two years, to the day", () => {
  const leaving = (on: number) =>
    trendOf(points([0, 10, 20].map((day) => [day, 1 - (CHECK_BAND * day) / (on - 0.5)])), 0)!.leaves;
  // Without scatter the band has no width: the line and both of its edges leave on one day.
  expect(leaving(HORIZON)).toEqual({ day: HORIZON, earliest: HORIZON, latest: HORIZON });
  expect(leaving(HORIZON + 1)).toBeNull();
});

/** The same by looking at every day, with another library's line. */
function naive(all: readonly CheckPoint[], from: number) {
  const xs = all.map((p) => p.day);
  const line = linearRegressionLine(linearRegression(all.map((p) => [p.day, p.ratio])));
  const s = Math.sqrt(all.reduce((sum, p) => sum + (p.ratio - line(p.day)) ** 2, 0) / (all.length - 2));
  const t = coverageFactor(all.length - 2);
  const band = (day: number) => t * s * Math.sqrt(1 / all.length + (day - mean(xs)) ** 2 / sumNthPowerDeviations(xs, 2));
  let day: number | null = null;
  let earliest: number | null = null;
  let latest: number | null = null;
  let up = false;
  for (let d = from; d <= from + HORIZON && day === null; d += 1)
    if (Math.abs(line(d) - 1) > CHECK_BAND) {
      day = d;
      up = line(d) > 1;
    }
  if (day === null) return null;
  for (let d = from; d <= from + HORIZON; d += 1) {
    const [low, high] = [line(d) - band(d), line(d) + band(d)];
    if (earliest === null && (up ? high > 1 + CHECK_BAND : low < 1 - CHECK_BAND)) earliest = d;
    if (latest === null && d >= day && (up ? low > 1 + CHECK_BAND : high < 1 - CHECK_BAND)) latest = d;
  }
  return { day, earliest: earliest ?? day, latest };
}

test("the day on which the line leaves its band, and its window, are those of a search day by day", () => {
  const check = fc.record({ day: fc.integer({ min: 0, max: 120 }), ratio: fc.double({ min: 0.93, max: 1.07, noNaN: true }) });
  const series = fc.uniqueArray(check, { minLength: 3, maxLength: 10, selector: (p) => p.day });
  fc.assert(
    fc.property(series, fc.integer({ min: 0, max: 200 }), (all, from) =>
      expect(trendOf(all, from)!.leaves).toEqual(naive(all, from)),
    ),
    { numRuns: 400, seed: 26 },
  );
});
