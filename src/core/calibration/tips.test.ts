import fc from "fast-check";
import { entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { expectNear } from "../testing/near";
import { constant, given } from "../working/rule";
import { boomCheck } from "./boom";
import { flowOfCatch, minuteFor, volumeIn } from "./expected-catch";
import { raw } from "../quantity/kinds";
import { times } from "../quantity/arithmetic";
import {
  denserFlow,
  dropChange,
  dropletAt,
  ISO_TIPS,
  nearestTips,
  rangeOf,
  ratedFlow,
  tipFlow,
  TIP_SIZES,
  wearOf,
  type TipChart,
  ORDINARY_RANGE,
  workingRange,
} from "./tips";

const psi = (n: number) => quantity("pressure", n, "psi");
const at = (n: number) => constant("pressure", psi(n), "pressure");
const gpm = (n: number) => quantity("flow", n, "gal/min");
const flow = (size: string, pressure: number, count = 1, chart?: TipChart) =>
  valueIn(tipFlow(size, at(pressure), count, chart).value, "gal/min");

describe("the square-root law", () => {
  // Extension handbooks' tables of tips, from memory: size 025 at 20, 40 and 60 psi.
  test.each([
    [20, 0.177],
    [40, 0.25],
    [60, 0.306],
  ])("025 at %d psi gives %d gal/min", (pressure, gallons) => expect(flow("025", pressure)).toBeCloseTo(gallons, 3));

  // √pressure factors to 40 psi as printed in extension handbooks, from memory.
  test.each([
    [10, 0.5],
    [20, 0.707],
    [30, 0.866],
    [50, 1.118],
    [60, 1.225],
    [80, 1.414],
  ])("at %d psi a tip gives %d of its flow at 40", (pressure, factor) => expect(flow("10", pressure)).toBeCloseTo(factor, 3));

  test("four times the pressure doubles the flow, whatever the tip; so many tips give so many times", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...TIP_SIZES),
        fc.double({ min: 5, max: 100, noNaN: true }),
        fc.integer({ min: 1, max: 60 }),
        (size, p, n) => {
          expectNear(flow(size, 4 * p), 2 * flow(size, p), 1e-12);
          expectNear(flow(size, p, n), n * flow(size, p), 1e-12);
        },
      ),
    );
  });

  // ISO 10625:2018, table 1 (values from memory): nominal flows at 300 kPa; by rounding up to 1.4 % above the tenths at 40 psi.
  test.each(ISO_TIPS.map((t) => [t.size, t.litres] as const))("ISO size %s gives about %d L/min at 3 bar", (size, litres) => {
    const ours = valueIn(tipFlow(size, constant("pressure", quantity("pressure", 3, "bar"), "p"), 1).value, "L/min");
    expect(litres / ours).toBeGreaterThan(1.0);
    expect(litres / ours).toBeLessThan(1.02);
  });

  // Extension handbooks, from memory: a 28 % solution, 1.28 as dense as water, flows 0.884 as fast.
  test("a denser liquid flows less", () => {
    const water = tipFlow("025", at(40), 1);
    expect(valueIn(denserFlow(water, given(entered("1.28", "gravity"), "gravity")).value, "gal/min") / 0.25).toBeCloseTo(
      0.884,
      3,
    );
  });
});

const chart: TipChart = {
  size: "03",
  rows: [
    [20, 0.21, "coarse"],
    [40, 0.3, "medium"],
    [60, 0.37, "fine"],
  ].map(([p, f, droplet]) => ({
    pressure: entered(`${p} psi`, "pressure"),
    flow: entered(`${f} gal/min`, "flow"),
    droplet: droplet as "coarse",
  })),
};

describe("a tip's chart", () => {
  test("is read at its rows, and by the law from the nearest between them", () => {
    expect(flow("03", 60, 1, chart)).toBeCloseTo(0.37, 12);
    expect(flow("03", 44, 1, chart)).toBeCloseTo(0.3 * Math.sqrt(44 / 40), 12);
    expect(flow("03", 57, 1, chart)).toBeCloseTo(0.37 * Math.sqrt(57 / 60), 12);
  });
  test("says its droplet class: between two rows the finer", () => {
    expect([20, 25, 40, 41, 60].map((p) => dropletAt(chart, psi(p)))).toEqual(["coarse", "medium", "medium", "fine", "fine"]);
    expect(dropletAt(chart, psi(70))).toBeUndefined();
    expect(dropChange(psi(30), psi(55), chart)).toEqual({ from: "medium", to: "fine" });
    expect(dropChange(psi(30), psi(55))).toBe("finer");
    expect(dropChange(psi(55), psi(30))).toBe("coarser");
  });
  test("says where the tip works", () => {
    expect(valueIn(rangeOf(chart).most, "psi")).toBeCloseTo(60, 9);
    expect(valueIn(rangeOf(undefined).least, "psi")).toBeCloseTo(15, 9);
  });
});

// ISO 16122-2:2015, the flow of single nozzles (clause not known, from memory), and extension handbooks: ±10 % of rated.
test.each([
  [0.275, "good"],
  [0.2751, "worn"],
  [0.225, "good"],
  [0.2249, "blocked"],
] as const)("%d gal/min of a size 025 at 40 psi is %s", (measured, wear) =>
  expect(wearOf(gpm(measured), ratedFlow("025")!).wear).toBe(wear),
);

test("the nearest tip at the pressure needed gives the flow that is wanted", () => {
  fc.assert(
    fc.property(fc.double({ min: 0.06, max: 1.5, noNaN: true }), fc.double({ min: 15, max: 60, noNaN: true }), (wanted, p) => {
      const [best, next] = nearestTips(gpm(wanted), psi(p));
      expectNear(flow(best!.size, valueIn(best!.needs, "psi")), wanted, 1e-9);
      const off = (tip: { size: string }) => Math.abs(Math.log(flow(tip.size, p) / wanted));
      // Two tips may be as far off as one another.
      expect(off(best!)).toBeLessThanOrEqual(off(next!) + 1e-12);
    }),
    { examples: [[1.4999999999999987, 59.99999999999989]] },
  );
});

describe("boom check (±5 % of the mean; ±10 % of rated: ISO 16122-2 and extension handbooks, from memory)", () => {
  const oz = (...volumes: number[]) => volumes.map((v) => quantity("flow", v * 2, "fl oz/min"));
  test("all even", () => {
    const check = boomCheck(oz(13, 13.2, 12.9, 13.1), gpm(0.2));
    expect([check.toClean, check.toReplace]).toEqual([[], []]);
    expect(check.outlets.every((o) => o.even && o.wear === "good")).toBe(true);
  });
  test("one worn, one blocked: which is which, seen from the left", () => {
    const check = boomCheck(oz(13, 13, 15, 13, 11, 13), gpm(0.2));
    expect(check.toReplace).toEqual([3]);
    expect(check.toClean).toEqual([5]);
  });
  test("without a rated flow the mean alone decides", () => {
    expect(boomCheck(oz(13, 13, 14.5, 13, 13, 13)).toReplace).toEqual([3]);
    expect(boomCheck(oz(13, 13, 14.5, 13, 13, 13)).outlets[0]!.ofRated).toBeNull();
  });
  test("5 % of the mean is even still, and a uniformly worn set is told by its rated flow", () => {
    expect(boomCheck(oz(10.5, 9.5)).outlets.map((o) => o.even)).toEqual([true, true]);
    expect(boomCheck(oz(10.51, 9.49)).outlets.map((o) => o.even)).toEqual([false, false]);
    expect(boomCheck(oz(15, 15, 15), gpm(0.2)).toReplace).toEqual([1, 2, 3]);
  });
  test("left against right; the middle one belongs to neither", () => {
    const sides = boomCheck(oz(14, 14, 99, 12, 12)).sides!;
    expect(sides.apart).toBeCloseTo(2 / 13, 12);
    expect(boomCheck(oz(14)).sides).toBeNull();
  });
});

describe("the pressures that a tip works at", () => {
  const empty = { size: "03", rows: [] };
  test("are its chart's ends; without rows they are those of ordinary tips", () => {
    expect(rangeOf(chart)).toEqual({ least: chart.rows[0]!.pressure.value, most: chart.rows.at(-1)!.pressure.value });
    expect(rangeOf(empty)).toEqual(ORDINARY_RANGE);
    expect(rangeOf(undefined)).toEqual(ORDINARY_RANGE);
  });
  test("are not known of a gun, nor above what ordinary tips take, unless a chart says", () => {
    const known = (gun: boolean, at: number, of?: typeof chart) => workingRange(gun, psi(at), of).known;
    expect([known(false, 40), known(true, 40), known(false, 200), known(true, 200)]).toEqual([true, false, false, false]);
    expect([known(true, 40, chart), known(false, 200, chart), known(true, 40, empty as never)]).toEqual([true, true, false]);
    expect(workingRange(true, psi(200), chart)).toMatchObject(rangeOf(chart));
  });
  test("no class of drops is known beyond either end", () => {
    const { least, most } = rangeOf(chart);
    expect(dropletAt(chart, least)).toBeDefined();
    expect(dropletAt(chart, most)).toBeDefined();
    expect(dropletAt(chart, times(least, 0.9))).toBeUndefined();
    expect(dropletAt(chart, times(most, 1.1))).toBeUndefined();
  });
});

test("a flow fills flow × time: a gallon a minute is half a gallon in 30 s", () => {
  expect(volumeIn(quantity("flow", 1, "gal/min"), quantity("time", 30, "s"))).toBeCloseTo(raw(quantity("volume", 0.5, "gal")), 9);
  expect(flowOfCatch(quantity("volume", 0.5, "gal"), quantity("time", 30, "s"))).toBeCloseTo(
    raw(quantity("flow", 1, "gal/min")),
    9,
  );
});

test("the bucket before the walk: 1 gal for 1,000 sq ft at 250 s is 0.24 gal in a minute", () => {
  const minute = minuteFor(quantity("sprayVolume", 1, "gal/1000 ft2"), quantity("time", 250, "s"));
  expect(minute).toBeCloseTo(raw(quantity("volume", 0.24, "gal")), 9);
});
