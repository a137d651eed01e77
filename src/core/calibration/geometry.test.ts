import fc from "fast-check";
import { entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { expectNear } from "../testing/near";
import { given } from "../working/rule";
import { levers, type LeverInput } from "./levers";
import { ratedFlow } from "./tips";
import { markingOut } from "./marking-out";
import { bandAround, heightOn, nomogramFor, PACE_PER_100_M2, ticksOf } from "./nomogram";
import { GOOD_FOR, standingOf } from "./standing";
import type { RigBasics } from "./evidence";

describe("the three-line chart", () => {
  test("a straight line crosses the middle scale where the equation says", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 4000, noNaN: true }),
        fc.double({ min: 0.002, max: 50, noNaN: true }),
        (seconds, gallons) => {
          const pace = quantity("time", seconds, "s");
          const flow = quantity("flow", gallons, "gal/min");
          const chart = nomogramFor(pace, flow);
          const q = quantity("sprayVolume", (gallons / 60) * seconds, "gal/1000 ft2");
          const [a, b] = [heightOn(chart.pace, pace), heightOn(chart.flow, flow)];
          expect(heightOn(chart.sprayVolume, q)).toBeCloseTo((a + b) / 2, 10);
          expect([a, b].every((h) => h > 0 && h < 1)).toBe(true);
        },
      ),
    );
  });

  test("the scales stand still for ordinary sprayers, so that lines can be compared", () => {
    const backpack = nomogramFor(quantity("time", 248, "s"), quantity("flow", 0.25, "gal/min"));
    const truck = nomogramFor(quantity("time", 45, "s"), quantity("flow", 3, "gal/min"));
    expect(backpack).toEqual(truck);
  });

  test("ticks lie on the scale, rise, and are round", () => {
    const chart = nomogramFor(quantity("time", 60, "s"), quantity("flow", 1, "gal/min"));
    const ticks = ticksOf(chart.pace, 1);
    expect(ticks.filter((t) => t.major).map((t) => t.value)).toEqual([
      10, 15, 20, 30, 50, 70, 100, 150, 200, 300, 500, 700, 1000,
    ]);
    ticks.forEach((t, i) => {
      expect(t.height).toBeGreaterThanOrEqual(0);
      expect(t.height).toBeLessThanOrEqual(1 + 1e-9);
      if (i > 0) expect(t.height).toBeGreaterThan(ticks[i - 1]!.height);
      expect(t.height).toBeCloseTo(heightOn(chart.pace, quantity("time", t.value, "s")), 10);
    });
  });

  test("a metric pace is stated for 100 m²", () => expectNear(PACE_PER_100_M2, 0.9290304, 1e-12));

  test("the wanted band is 5 % either way unless said", () => {
    const [low, high] = bandAround(quantity("sprayVolume", 2, "gal/1000 ft2"));
    expectNear(valueIn(low, "gal/1000 ft2"), 1.9);
    expectNear(valueIn(high, "gal/1000 ft2"), 2.1);
  });
});

describe("marking out (common practice)", () => {
  test("a straight course with a 5 ft swath is 200 ft for 1,000 sq ft", () => {
    const marked = markingOut(given(entered("1000 ft2", "area"), "area"), given(entered("5 ft", "length"), "swath"), 1);
    expectNear(valueIn(marked.length.value, "ft"), 200);
  });
  test("up and back with a 10 ft swath is 20 by 50 ft, diagonal 53.85 ft", () => {
    const marked = markingOut(given(entered("1000 ft2", "area"), "area"), given(entered("10 ft", "length"), "swath"), 2);
    expectNear(valueIn(marked.width.value, "ft"), 20);
    expectNear(valueIn(marked.length.value, "ft"), 50);
    expect(valueIn(marked.diagonal.value, "ft")).toBeCloseTo(53.85, 2);
  });
});

describe("levers", () => {
  const rig: RigBasics = {
    kind: "backpack",
    outlets: { count: 1 },
    tip: { size: "025", pressure: entered("40 psi", "pressure") },
  };
  const input = (actual: number, wanted: number): LeverInput => ({
    actual: quantity("sprayVolume", actual, "gal/1000 ft2"),
    wanted: quantity("sprayVolume", wanted, "gal/1000 ft2"),
    rig,
    flow: given(entered("0.25 gal/min", "flow"), "flow"),
    timePer1000: given(entered("60 s", "time"), "pace"),
    speed: given(entered("3 mph", "speed"), "speed"),
    usable: entered("4 gal", "volume"),
  });
  const lever = <L extends ReturnType<typeof levers>[number]["lever"]>(name: L, of: LeverInput) =>
    levers(of).find((r): r is Extract<ReturnType<typeof levers>[number], { lever: L }> => r.lever === name)!;

  test("pressure goes with the square, and each lever lands on what is wanted", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (actual, wanted) => {
          const of = input(actual, wanted);
          const pressure = lever("pressure", of).setTo!;
          expectNear(actual * Math.sqrt(valueIn(pressure, "psi") / 40), wanted, 1e-9);
          const speed = lever("speed", of).setTo!;
          expectNear((actual * 3) / valueIn(speed, "mph"), wanted, 1e-9);
          const covers = lever("remix", of).setTo!;
          expectNear(valueIn(covers, "ft2") * actual, 4000, 1e-9);
        },
      ),
    );
  });

  test("feasibility is said, with why not", () => {
    expect(lever("pressure", input(1, 1.2)).feasible).toBe(true);
    expect(lever("pressure", input(1, 2))).toMatchObject({
      feasible: false,
      why: { code: "outside-tip", values: { needs: quantity("pressure", 160, "psi") } },
    });
    expect(lever("speed", input(2, 1))).toMatchObject({
      feasible: false,
      why: { code: "not-walkable", values: { speed: quantity("speed", 6, "mph") } },
    });
    expect(lever("pressure", { ...input(1, 1.2), rig: { ...rig, tip: {} } })).toMatchObject({ feasible: false, setTo: null });
    expect(lever("speed", { ...input(1, 1.2), speed: null })).toMatchObject({ feasible: false, setTo: null });
    expect(lever("remix", { ...input(1, 1.2), carrierAtLeast: quantity("sprayVolume", 2, "gal/1000 ft2") }).feasible).toBe(false);
  });

  test("the nearest tip, at the pressure in use", () => {
    expect(lever("tip", input(1, 1.6)).setTo).toBe("04");
    expect(lever("tip", input(1, 1)).setTo).toBe("025");
  });

  // Source: ISO 10625:2018, introduction (from memory): sizes are tenths of a gallon a minute at 40 psi.
  test.each([
    ["025", 0.25],
    ["04", 0.4],
    ["0067", 0.067],
    ["10", 1],
    ["015", 0.15],
  ])("size %s flows %d gal/min at 40 psi", (size, flow) => expectNear(valueIn(ratedFlow(size)!, "gal/min"), flow));
  test.each(["", "x", "0", "00", "02500"])("%p is no size", (size) => expect(ratedFlow(size)).toBeUndefined());
});

describe("whether a calibration stands", () => {
  const rig: RigBasics = {
    kind: "backpack",
    outlets: { count: 1 },
    tip: { size: "025", pressure: entered("40 psi", "pressure") },
  };
  const on = (of: RigBasics, held: Record<string, string> = {}) => ({ rig: of, held });
  test("a month from its day", () => {
    expect(standingOf(on(rig), on(rig), 100, 100 + GOOD_FOR).state).toBe("stands");
    expect(standingOf(on(rig), on(rig), 100, 101 + GOOD_FOR)).toMatchObject({ state: "expired", daysLeft: -1 });
  });
  test.each<[string, RigBasics]>([
    ["tip 03, was 025", { ...rig, tip: { ...rig.tip, size: "03" } }],
    ["pressure 30 psi, was 40 psi", { ...rig, tip: { ...rig.tip, pressure: entered("30 psi", "pressure") } }],
    ["outlets 2, was 1", { ...rig, outlets: { count: 2 } }],
    ["kind hand-can, was backpack", { ...rig, kind: "hand-can" }],
  ])("stale: %s", (reason, now) =>
    expect(standingOf(on(rig), on(now), 100, 101)).toMatchObject({ state: "stale", reasons: [reason] }),
  );
});
