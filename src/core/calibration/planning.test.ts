import fc from "fast-check";
import { linearRegression } from "simple-statistics";
import { entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { expectNear } from "../testing/near";
import { derive, given, num } from "../working/rule";
import { proveTool, vesselFor } from "./kit";
import { levers } from "./levers";
import { METHODS, methodsFor } from "./methods";
import { rankSetups, roundMixes, type PlanWish } from "./planner";
import { judgeCheck, trendOf, type CheckPoint } from "./quick-check";
import {
  boomRun,
  holdUp,
  minutesToEmptyRule,
  paceForFlowRule,
  requiredFlow,
  roundCoverageRule,
  speedForFlowRule,
} from "./required-flow";
import { THOUSAND } from "../working/thousand";
import { leverText } from "@/core/words/levers";
import { raw } from "../quantity/kinds";
import { TIP_SIZES } from "./tips";
import { RIG_KINDS } from "@/rig-kinds/rules";

const of = <K extends Parameters<typeof entered>[1]>(text: string, kind: K) => given(entered(text, kind), text);

describe("required flow (nozzle equations of extension handbooks, from memory)", () => {
  // gal/min = GPA × mph × in ÷ 5,940.
  test.each([
    [20, 3, 20, 0.202],
    [10, 5, 20, 0.168],
    [40, 2.5, 30, 0.505],
  ])("%d GPA at %d mph and %d in take %d gal/min", (gpa, mph, inches, gpm) => {
    const flow = requiredFlow(of(`${gpa} gal/ac`, "sprayVolume"), of(`${mph} mph`, "speed"), of(`${inches} in`, "length"));
    expect(valueIn(flow.value, "gal/min")).toBeCloseTo(gpm, 3);
    expectNear(valueIn(flow.value, "gal/min"), (gpa * mph * inches) / 5940, 1e-12);
  });
  // L/min = L/ha × km/h × m ÷ 600.
  test("300 L/ha at 6 km/h and 0.5 m take 1.5 L/min", () => {
    const flow = requiredFlow(of("300 L/ha", "sprayVolume"), of("6 km/h", "speed"), of("0.5 m", "length"));
    expectNear(valueIn(flow.value, "L/min"), 1.5, 1e-12);
    const speed = derive(speedForFlowRule, { flow, sprayVolume: of("300 L/ha", "sprayVolume"), width: of("0.5 m", "length") });
    expectNear(valueIn(speed.value, "km/h"), 6, 1e-12);
  });
  // 100 gal do an acre: 2.296 gal per 1,000; at 4 gal/min 34.4 s (common practice).
  test("a round coverage", () => {
    const sprayVolume = derive(roundCoverageRule, { usable: of("100 gal", "volume"), area: of("1 ac", "area") });
    expect(valueIn(sprayVolume.value, "gal/1000 ft2")).toBeCloseTo(2.296, 3);
    const pace = derive(paceForFlowRule, { sprayVolume, thousand: THOUSAND, flow: of("4 gal/min", "flow") });
    expect(num(pace)).toBeCloseTo(34.4, 1);
  });
  // 3 gal at 0.4 gal/min: 7 min 30 s (common practice).
  test("minutes to empty", () =>
    expectNear(num(derive(minutesToEmptyRule, { usable: of("3 gal", "volume"), flow: of("0.4 gal/min", "flow") })), 450, 1e-12));
  // 1/2 in × 300 ft hold 3.06 gal (geometry).
  test("line hold-up", () =>
    expect(valueIn(holdUp(of("0.5 in", "length"), of("300 ft", "length")).value, "gal")).toBeCloseTo(3.06, 2));
  // 4,083.75 ÷ spacing in inches, feet (extension handbooks, from memory).
  test.each([
    ["20 in", 204],
    ["30 in", 136],
    ["40 in", 102],
  ])("1/128 acre at %s is %d ft to drive", (spacing, feet) =>
    expect(Math.round(valueIn(boomRun(of(spacing, "length")).value, "ft"))).toBe(feet),
  );
});

describe("methods", () => {
  test("every kind of rig has one, and one that needs no watch, and one that needs no bucket where a chart can stand in", () => {
    for (const kind of RIG_KINDS) {
      expect(methodsFor(kind, [], "us")[0]!.lacks).toEqual([]);
      expect(methodsFor(kind, ["watch"], "us")[0]).toMatchObject({
        method: { id: kind === "hose-end" ? "refill" : expect.any(String) },
        lacks: [],
      });
      if (kind !== "hose-end") expect(methodsFor(kind, ["bucket", "tape", "watch"], "us")[0]!.method.id).toBe("desk");
    }
  });
  test("a metric reader is offered none that rests on ounces and acres, unless it was picked", () => {
    for (const kind of RIG_KINDS) expect(methodsFor(kind, [], "metric").map(({ method }) => method.inOunces)).not.toContain(true);
    expect(methodsFor("boom", [], "us")[0]!.method.id).toBe("acre-128-boom");
    expect(methodsFor("boom", [], "metric", "acre-128-boom").map(({ method }) => method.id)).toContain("acre-128-boom");
  });
  test("each says what to gather and in what order", () => {
    for (const method of METHODS) expect([method.gather.length, method.steps.length].every((n) => n > 0)).toBe(true);
  });
});

describe("the planner", () => {
  const wish = (more: Partial<PlanWish> = {}): PlanWish => ({
    count: 1,
    swath: quantity("length", 5, "ft"),
    onFoot: true,
    area: quantity("area", 8000, "ft2"),
    usable: quantity("volume", 4, "gal"),
    refill: quantity("time", 6, "min"),
    wanted: { least: quantity("sprayVolume", 0.95, "gal/1000 ft2"), most: quantity("sprayVolume", 1.05, "gal/1000 ft2") },
    tips: TIP_SIZES.map((size) => ({ size })),
    pressures: [20, 30, 40, 50, 60].map((p) => quantity("pressure", p, "psi")),
    fastest: quantity("speed", 4, "mph"),
    ...more,
  });
  test("every setting lands in the wanted band, and the equation holds in each", () => {
    const setups = rankSetups(wish());
    expect(setups.length).toBeGreaterThan(5);
    for (const s of setups) {
      const q = valueIn(s.sprayVolume, "gal/1000 ft2");
      expect(q).toBeGreaterThanOrEqual(0.95 - 1e-9);
      expect(q).toBeLessThanOrEqual(1.05 + 1e-9);
      expectNear((valueIn(s.flow, "gal/min") / (valueIn(s.speed, "ft/min") * 5)) * 1000, q, 1e-9);
      expect(valueIn(s.speed, "mph")).toBeLessThanOrEqual(4 + 1e-9);
      // Minutes: spraying, and six for each refill.
      expectNear(s.minutes, (q * 8) / valueIn(s.flow, "gal/min") + s.refills * 6, 1e-9);
      expect(s.refills).toBe(Math.ceil((q * 8) / 4 - 1e-9) - 1);
    }
  });
  test("the quickest first among those that fit; nobody walks over 4.5 mph", () => {
    const fit = rankSetups(wish({ fastest: quantity("speed", 9, "mph") })).filter((s) => s.fits);
    expect(fit.map((s) => s.minutes)).toEqual([...fit.map((s) => s.minutes)].sort((a, b) => a - b));
    expect(Math.max(...fit.map((s) => valueIn(s.speed, "mph")))).toBeLessThanOrEqual(4.5 + 1e-9);
  });
  test("a carrier minimum is never passed under, a droplet class that no chart proves doesn't fit", () => {
    const carrier = quantity("sprayVolume", 1, "gal/1000 ft2");
    for (const s of rankSetups(wish({ carrierAtLeast: carrier })))
      expect(valueIn(s.sprayVolume, "gal/1000 ft2")).toBeGreaterThanOrEqual(1 - 1e-9);
    expect(rankSetups(wish({ droplet: "coarse" })).some((s) => s.fits)).toBe(false);
  });
  test("round measuring numbers: q = R·V/amount, and what it costs to leave q as it is", () => {
    // 0.3 oz per 1,000, 4 gal at 1.03 gal per 1,000: 1.165 oz a tank.
    const rate = entered("0.3 oz/1000 ft2", "rateByWeight");
    const quarter = quantity("mass", 0.25, "oz");
    const usable = quantity("volume", 4, "gal");
    const [best] = roundMixes(rate, usable, quantity("sprayVolume", 1.03, "gal/1000 ft2"), quarter);
    expect(best!.amount / raw(quarter)).toBeCloseTo(5, 9);
    expectNear((0.3 * 4) / valueIn(best!.sprayVolume, "gal/1000 ft2"), 1.25, 1e-9);
    expectNear(best!.error, 1.25 / ((0.3 * 4) / 1.03) - 1, 1e-9);
    // Nothing under the label's carrier minimum is offered.
    const carrier = quantity("sprayVolume", 1, "gal/1000 ft2");
    const enough = roundMixes(rate, usable, quantity("sprayVolume", 1.03, "gal/1000 ft2"), quarter, carrier);
    expect(enough.length).toBeGreaterThan(0);
    for (const one of enough) expect(valueIn(one.sprayVolume, "gal/1000 ft2")).toBeGreaterThanOrEqual(1 - 1e-9);
  });
});

describe("quick checks (±5 % still good: common practice)", () => {
  const flow = (n: number) => quantity("flow", n, "gal/min");
  test.each([
    [0.95, "pass"],
    [0.9499, "recalibrate"],
    [1.05, "pass"],
    [1.0501, "recalibrate"],
  ])("%d of the flow: %s", (ratio, verdict) => expect(judgeCheck(flow(ratio), flow(1)).verdict).toBe(verdict));

  const series = (slope: number, scatter: readonly number[]): CheckPoint[] =>
    scatter.map((s, i) => ({ day: 100 + 7 * i, ratio: 1 + slope * 7 * i + s }));
  const SCATTER = [0.001, -0.002, 0.0015, -0.001, 0.002, -0.0015];

  test("the line is that of least squares", () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.8, max: 1.2, noNaN: true }), { minLength: 3, maxLength: 40 }), (ratios) => {
        const points = ratios.map((ratio, i) => ({ day: 10 + 3 * i, ratio }));
        const { m, b } = linearRegression(points.map((p) => [p.day, p.ratio]));
        const trend = trendOf(points, 0)!;
        expect(trend.slope).toBeCloseTo(m, 9);
        expect(trend.at(50).ratio).toBeCloseTo(m * 50 + b, 9);
      }),
    );
  });
  test("a pump that wears a tenth of a per cent a day leaves the band on its day, in a window about it", () => {
    const trend = trendOf(series(-0.001, SCATTER), 135)!;
    expect(trend.told).toBe(true);
    expect(trend.leaves!.day).toBeGreaterThanOrEqual(148);
    expect(trend.leaves!.day).toBeLessThanOrEqual(154);
    expect(trend.leaves!.earliest).toBeLessThanOrEqual(trend.leaves!.day);
    expect(trend.leaves!.latest!).toBeGreaterThanOrEqual(trend.leaves!.day);
  });
  test("one that doesn't wear leaves it never; two checks make no trend", () => {
    expect(trendOf(series(0, SCATTER), 135)!.told).toBe(false);
    expect(
      trendOf(
        [
          { day: 1, ratio: 1 },
          { day: 8, ratio: 1 },
          { day: 15, ratio: 1 },
        ],
        15,
      )!.leaves,
    ).toBeNull();
    expect(trendOf(series(-0.001, SCATTER.slice(0, 2)), 110)).toBeUndefined();
    expect(
      trendOf(
        [1, 1, 1].map((ratio) => ({ day: 5, ratio })),
        5,
      ),
    ).toBeUndefined();
  });
  test("the band is narrowest amid the checks and widens away from them", () => {
    const trend = trendOf(series(-0.001, SCATTER), 135)!;
    expect(trend.at(117).band).toBeLessThan(trend.at(135).band);
    expect(trend.at(135).band).toBeLessThan(trend.at(200).band);
  });
});

describe("the kit", () => {
  const oz = (n: number) => quantity("mass", n, "oz");
  test("a scale passes within 2 % or half its step", () => {
    expect(proveTool(oz(10), oz(10.2), oz(0.1)).good).toBe(true);
    expect(proveTool(oz(10), oz(10.21), oz(0.1)).good).toBe(false);
    expect(proveTool(oz(1), oz(1.5), oz(1)).good).toBe(true);
  });
  test("the vessel to catch in is the finest that holds it", () => {
    const vessel = (name: string, graduation: string, capacity: string) => ({
      name,
      graduation: entered(graduation, "volume"),
      capacity: entered(capacity, "volume"),
    });
    const kit = {
      scales: [],
      vessels: [vessel("bucket", "1 qt", "5 gal"), vessel("jug", "1 fl oz", "64 fl oz"), vessel("cup", "5 mL", "500 mL")],
    };
    const named = (text: string) => vesselFor(kit, entered(text, "volume").value)?.name;
    expect(["10 fl oz", "40 fl oz", "1 gal", "9 gal"].map(named)).toEqual(["cup", "jug", "bucket", undefined]);
  });
});

describe("levers of guns and high-pressure packs", () => {
  const of = (more: object, wanted = "4 gal/1000 ft2", actual = "2 gal/1000 ft2") =>
    levers({
      actual: entered(actual, "sprayVolume").value,
      wanted: entered(wanted, "sprayVolume").value,
      rig: { kind: "spray-truck", outlets: { count: 1 } },
      flow: given(entered("2 gal/min", "flow"), "flow"),
      timePer1000: given(entered("60 s", "time"), "pace"),
      speed: null,
      ...more,
    });
  const rig = (kind: string, pressure: string, most?: string) => ({
    rig: {
      kind,
      outlets: { count: 1 },
      tip: { size: "25", pressure: entered(pressure, "pressure") },
      ...(most !== undefined && { mostPressure: entered(most, "pressure") }),
    },
  });
  test("with no number on the regulator the bucket says so: four times the pressure for twice the flow (common practice)", () => {
    const [pressure] = of({});
    expect(pressure).toMatchObject({ lever: "pressure", feasible: false, setTo: null });
    expect(leverText(pressure!.why, "us")).toMatch(/4 times the pressure for 2 times the flow.*60 s must give 4 gal.*cheaper/);
    expect(valueIn(pressure!.expect!.value as never, "gal/min" as never)).toBeCloseTo(4, 9);
  });
  test("a gun is no 15 to 60 psi tip: its pump decides", () => {
    expect(of(rig("spray-truck", "90 psi"), "3 gal/1000 ft2")[0]).toMatchObject({ lever: "pressure", feasible: true });
    expect(of(rig("spray-truck", "90 psi", "120 psi"), "3 gal/1000 ft2")[0]).toMatchObject({ feasible: false });
    // A high-pressure pack works above ordinary tips already, by its noted limit; a pack at 40 psi is held to them.
    expect(of(rig("backpack", "90 psi", "250 psi"), "3 gal/1000 ft2")[0]).toMatchObject({ feasible: true });
    expect(of(rig("backpack", "40 psi"), "3 gal/1000 ft2")[0]).toMatchObject({ feasible: false });
  });
  test("where nobody noted a limit there is no pressure to turn to on what is carried, and 250 psi is the most of what is driven", () => {
    for (const kind of ["backpack", "hand-can", "hose-end"])
      for (const wanted of ["1.9 gal/1000 ft2", "2.1 gal/1000 ft2", "4 gal/1000 ft2"]) {
        const [pressure] = of(rig(kind, "90 psi"), wanted);
        expect([kind, pressure!.feasible, pressure!.why.code]).toEqual([kind, false, "no-limit-known"]);
      }
    for (const kind of ["spray-truck", "boom"]) {
      expect(of(rig(kind, "100 psi"), "4 gal/1000 ft2")[0]).toMatchObject({ feasible: false, why: { code: "over-most" } });
      expect(of(rig(kind, "100 psi"), "3.1 gal/1000 ft2")[0]).toMatchObject({ feasible: true });
      expect(of(rig(kind, "100 psi", "500 psi"), "4 gal/1000 ft2")[0]).toMatchObject({ feasible: true });
    }
  });
  test("sizes go up to what guns use", () => {
    const [, tip] = of(
      { ...rig("spray-truck", "40 psi"), flow: given(entered("4 gal/min", "flow"), "flow") },
      "2.5 gal/1000 ft2",
    );
    expect(tip).toMatchObject({ lever: "tip", feasible: true, setTo: "50" });
  });
  test("without a pressure the size that is on tells the next one", () => {
    const [, tip] = of({ rig: { kind: "spray-truck", outlets: { count: 1 }, tip: { size: "20" } } });
    expect(tip).toMatchObject({ feasible: false, setTo: null });
    expect(tip!.why).toEqual({ code: "same-regulator", values: { near: "40", on: "20" } });
  });
});
