import fc from "fast-check";
import { entered } from "../quantity/parse";
import { valueIn } from "../quantity/quantity";
import { expectNear } from "../testing/near";
import { explain, lineText } from "../working/explain";
import { num } from "../working/rule";
import { calibrate, type CalibrationInput } from "./calibrate";
import type { Evidence, FlowEvidence, PaceEvidence, RigBasics } from "./evidence";
import { methodOf } from "./methods";
import type { WarningCode } from "./warnings";

const BACKPACK: RigBasics = { kind: "backpack", outlets: { count: 1 } };
const s = (text: string) => entered(text, "time");
const vol = (text: string) => entered(text, "volume");
const area = (text: string) => entered(text, "area");
const ft = (text: string) => entered(text, "length");

const pace = (of: string, ...times: string[]): PaceEvidence => ({ kind: "timed-area", area: area(of), times: times.map(s) });
const caught = (...catches: [string, string][]): FlowEvidence => ({
  kind: "timed-catch",
  catches: catches.map(([v, t]) => ({ volume: vol(v), time: s(t) })),
});
const timed = (p: PaceEvidence, f: FlowEvidence): Evidence => ({ kind: "timed", pace: p, flow: f });
const made = (evidence: Evidence, rig: RigBasics = BACKPACK, more: Partial<CalibrationInput> = {}) =>
  calibrate({ rig, evidence, ...more });
const codes = (...args: Parameters<typeof made>): WarningCode[] => made(...args).warnings.map((w) => w.code);

describe("check values of the trade (common practice unless a source is named)", () => {
  test("100 sq ft in 36 s and 9 fl oz in 36 s are 90 fl oz per 1,000 sq ft", () => {
    const { sprayVolume } = made(timed(pace("100 ft2", "36 s"), caught(["9 fl oz", "36 s"])));
    expectNear(valueIn(sprayVolume.value, "fl oz/1000 ft2"), 90, 1e-12);
  });

  // Ohio State University Extension, FABE-520, "Calibrating Boom Sprayers" (the 1/128 acre method; title from memory, page not known):
  // fluid ounces caught in the time for 1/128 acre are gallons per acre.
  test("1/128 acre: 40 fl oz are 40 gal per acre, 0.918 gal per 1,000", () => {
    const { sprayVolume } = made(timed(pace("340.3125 ft2", "80 s"), caught(["40 fl oz", "80 s"])));
    expectNear(valueIn(sprayVolume.value, "gal/ac"), 40, 1e-12);
    expect(valueIn(sprayVolume.value, "gal/1000 ft2")).toBeCloseTo(0.918, 3);
  });

  test("the method's plot is 1/128 acre, and pegged 18.5 by 18.5 ft it is as much too large as is said beside it", () => {
    const { area, says } = methodOf("acre-128")!;
    const plot = valueIn(entered(area!, "area").value, "ft2");
    // An acre is 43,560 sq ft (NIST Handbook 44, Appendix C).
    expectNear(plot, 43_560 / 128);
    expect(says).toContain(`${(((18.5 * 18.5) / plot - 1) * 100).toFixed(2)} % large`);
    expect(says).toContain("342.25 sq ft");
  });

  // The table of courses in the same FABE-520, from memory: feet to drive with one outlet caught, in whole feet.
  test.each([
    ["20 in", 204],
    ["30 in", 136],
    ["40 in", 102],
  ])("1/128 acre on a boom at %s is %d ft", (spacing, feet) => {
    const boom: RigBasics = { kind: "boom", outlets: { count: 1, spacing: ft(spacing) } };
    const run: PaceEvidence = {
      kind: "timed-run",
      distance: ft(`${feet} ft`),
      swath: undefined,
      times: [s("34 s")],
    };
    const { sprayVolume } = made(timed(run, { kind: "outlet-catches", time: s("34 s"), volumes: [vol("17 fl oz")] }), boom);
    // Ounces caught are gallons an acre, as near as the table's whole feet are.
    expectNear(valueIn(sprayVolume.value, "gal/ac"), 17, 0.5 / feet);
  });

  test("start 96, left 60 fl oz on 100 sq ft are 360 fl oz per 1,000", () => {
    const { sprayVolume } = made({
      kind: "used",
      trials: [{ area: area("100 ft2"), used: { start: vol("96 fl oz"), remaining: vol("60 fl oz") } }],
    });
    expectNear(valueIn(sprayVolume.value, "fl oz/1000 ft2"), 360, 1e-12);
  });

  test("44 ft in 10 s are 3 mph", () => {
    const run: PaceEvidence = { kind: "timed-run", distance: ft("44 ft"), swath: ft("5 ft"), times: [s("10 s")] };
    const { speed } = made(timed(run, caught(["30 fl oz", "30 s"])));
    expectNear(valueIn(speed!.value, "mph"), 3, 1e-12);
  });

  // Speed tables of extension handbooks, from memory: seconds over 100 ft, rounded as they print them.
  test.each([
    [68, 1],
    [34, 2],
    [23, 3],
    [17, 4],
    [14, 5],
  ])("100 ft in %d s are about %d mph", (seconds, mph) => {
    const run: PaceEvidence = { kind: "timed-run", distance: ft("100 ft"), swath: ft("5 ft"), times: [s(`${seconds} s`)] };
    const { speed } = made(timed(run, caught(["30 fl oz", "30 s"])));
    expect(Math.abs(valueIn(speed!.value, "mph") / mph - 1)).toBeLessThan(0.03);
  });

  test("100 m in 60 s are 6 km/h (km/h = 360 / seconds)", () => {
    const run: PaceEvidence = { kind: "timed-run", distance: ft("100 m"), swath: ft("2 m"), times: [s("60 s")] };
    expectNear(valueIn(made(timed(run, caught(["3 L", "60 s"]))).speed!.value, "km/h"), 6, 1e-12);
  });

  // The nozzle equations of extension handbooks (from memory): gal/min = GPA·mph·in/5,940; L/min = L/ha·km/h·m/600.
  test("20 GPA at 3 mph and 20 in take 0.202 gal/min", () => {
    const known: PaceEvidence = { kind: "speed", speed: entered("3 mph", "speed"), swath: ft("20 in") };
    const flow = (20 * 3 * 20) / 5940;
    const { sprayVolume } = made(timed(known, { kind: "metered-flow", readings: [entered(`${flow} gal/min`, "flow")] }));
    expectNear(valueIn(sprayVolume.value, "gal/ac"), 20, 1e-12);
    expect(flow).toBeCloseTo(0.202, 3);
  });

  test("300 L/ha at 6 km/h and 0.5 m take 1.5 L/min", () => {
    const known: PaceEvidence = { kind: "speed", speed: entered("6 km/h", "speed"), swath: ft("0.5 m") };
    const { sprayVolume } = made(timed(known, { kind: "metered-flow", readings: [entered("1.5 L/min", "flow")] }));
    expectNear(valueIn(sprayVolume.value, "L/ha"), 300, 1e-12);
  });

  test("100 gal an acre at 4 gal/min take 34.4 s per 1,000 sq ft", () => {
    const seconds = 60 * (100 / 43.56 / 4);
    const { sprayVolume } = made(
      timed(pace("1000 ft2", `${seconds} s`), { kind: "metered-flow", readings: [entered("4 gal/min", "flow")] }),
    );
    expectNear(valueIn(sprayVolume.value, "gal/1000 ft2"), 100 / 43.56, 1e-12);
    expect(valueIn(sprayVolume.value, "gal/1000 ft2")).toBeCloseTo(2.296, 3);
    expect(seconds).toBeCloseTo(34.4, 1);
  });
});

test("unit systems agree: the same ground, time and catch in metres and litres give the same spray volume", () => {
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true }).map((n) => Number(n.toFixed(4)));
  fc.assert(
    fc.property(number(50, 2000), number(10, 400), number(5, 400), number(15, 120), (sqFt, seconds, ounces, caughtFor) => {
      const us = made(timed(pace(`${sqFt} ft2`, `${seconds} s`), caught([`${ounces} fl oz`, `${caughtFor} s`])));
      const metric = made(
        timed(
          pace(`${(sqFt * 0.09290304).toFixed(9)} m2`, `${seconds} s`),
          caught([`${(ounces * 29.5735295625).toFixed(7)} mL`, `${caughtFor} s`]),
        ),
      );
      expectNear(num(metric.sprayVolume), num(us.sprayVolume), 1e-7);
    }),
  );
});

describe("how readings are put together", () => {
  test("times are averaged, then turned into speed; flows of catches are averaged", () => {
    const run: PaceEvidence = {
      kind: "timed-run",
      distance: ft("200 ft"),
      swath: ft("5 ft"),
      times: ["60 s", "64 s", "62 s"].map(s),
    };
    const result = made(timed(run, caught(["30 fl oz", "30 s"], ["60 fl oz", "61 s"])));
    expectNear(valueIn(result.speed!.value, "ft/min"), (200 / 62) * 60, 1e-12);
    expectNear(valueIn(result.flow!.value, "fl oz/min"), (60 + (60 / 61) * 60) / 2, 1e-12);
    expectNear(num(result.timePer1000!), 62, 1e-12);
  });

  test("direct trials are pooled: total volume over total area", () => {
    const trial = (a: string, topUp: string) => ({ area: area(a), used: { topUp: vol(topUp) } });
    const { sprayVolume, trials } = made({ kind: "used", trials: [trial("100 ft2", "20 fl oz"), trial("300 ft2", "54 fl oz")] });
    expectNear(valueIn(sprayVolume.value, "fl oz/1000 ft2"), (74 / 400) * 1000, 1e-12);
    expect(trials[0]).toMatchObject({ of: "used", count: 2 });
    expectNear(trials[0]!.spread!, (200 - 180) / 190, 1e-12);
  });

  test("outlets are added up, and a boom's swath is count × spacing", () => {
    const boom: RigBasics = { kind: "boom", outlets: { count: 3, spacing: ft("20 in") } };
    const run: PaceEvidence = { kind: "timed-run", distance: ft("200 ft"), swath: undefined, times: [s("40 s")] };
    const result = made(
      timed(run, { kind: "outlet-catches", time: s("30 s"), volumes: ["16 fl oz", "17 fl oz", "15 fl oz"].map(vol) }),
      boom,
    );
    expectNear(valueIn(result.flow!.value, "fl oz/min"), 96, 1e-12);
    expectNear(num(result.timePer1000!), (1000 / (200 * 5)) * 40, 1e-12);
    expect(result.trials.map((t) => t.of)).toEqual(["pace", "outlets"]);
  });

  test("a boom timed over an area shows the speed that its swath implies", () => {
    const boom: RigBasics = { kind: "boom", outlets: { count: 3, spacing: ft("20 in") } };
    const result = made(timed(pace("1000 ft2", "60 s"), caught(["2 gal", "60 s"])), boom);
    expectNear(valueIn(result.speed!.value, "ft/min"), 200, 1e-12);
  });

  test("the working is the sum as people write it", () => {
    const { sprayVolume } = made(timed(pace("1000 ft2", "35 s"), caught(["4 gal", "60 s"])));
    expect(explain(sprayVolume, "us").map(lineText)).toEqual([
      "Flow of the catch = 4 gal ÷ 60 s = 4 gal/min",
      "Spray volume = 4 gal/min × 35 s ÷ 1,000 sq ft = 2.33 gal per 1,000 sq ft",
    ]);
  });
});

describe("properties", () => {
  const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true }).map((n) => Number(n.toPrecision(6)));
  const readings = fc.record({
    area: positive(50, 2000),
    time: positive(10, 300),
    volume: positive(4, 600),
    ran: positive(15, 300),
  });

  test("US and metric readings of the same ground agree", () => {
    fc.assert(
      fc.property(readings, (r) => {
        const us = made(timed(pace(`${r.area} ft2`, `${r.time} s`), caught([`${r.volume} fl oz`, `${r.ran} s`])));
        const metres = (r.area * 0.09290304).toPrecision(14);
        const litres = (r.volume * 0.0295735295625).toPrecision(14);
        const metric = made(
          timed(pace(`${metres} m2`, `${(r.time / 60).toPrecision(14)} min`), caught([`${litres} L`, `${r.ran} s`])),
        );
        expectNear(num(us.sprayVolume), num(metric.sprayVolume), 1e-11);
      }),
    );
  });

  test("twice the catch is twice the spray volume, twice the area half of it", () => {
    fc.assert(
      fc.property(readings, (r) => {
        const q = (a: number, v: number) =>
          num(made(timed(pace(`${a} ft2`, `${r.time} s`), caught([`${v} fl oz`, `${r.ran} s`]))).sprayVolume);
        expectNear(q(r.area, r.volume * 2), 2 * q(r.area, r.volume), 1e-12);
        expectNear(q(r.area * 2, r.volume), q(r.area, r.volume) / 2, 1e-12);
      }),
    );
  });

  test("the order of trials doesn't matter", () => {
    fc.assert(
      fc.property(fc.array(positive(20, 100), { minLength: 2, maxLength: 6 }), (times) => {
        const q = (list: number[]) =>
          num(made(timed(pace("250 ft2", ...list.map((t) => `${t} s`)), caught(["30 fl oz", "60 s"]))).sprayVolume);
        expectNear(q(times), q([...times].reverse()), 1e-12);
      }),
    );
  });
});

describe("against what is wanted", () => {
  const q = (target: string, tolerance?: string) =>
    made(timed(pace("1000 ft2", "60 s"), caught(["2 gal", "60 s"])), BACKPACK, {
      target: entered(target, "sprayVolume"),
      ...(tolerance && { tolerance: entered(tolerance, "share") }),
    }).againstTarget!;
  test("ratio is actual over wanted", () => expectNear(q("1 gal/1000 ft2").ratio, 2));
  test("5 % by default, equality passes", () => {
    expect(q(`${2 / 1.05} gal/1000 ft2`).within).toBe(true);
    expect(q(`${2 / 1.06} gal/1000 ft2`).within).toBe(false);
    expect(q(`${2 / 1.06} gal/1000 ft2`, "6 %").within).toBe(true);
  });
});

describe("warnings", () => {
  const good = caught(["33 fl oz", "62 s"], ["33 fl oz", "62 s"]);
  test("none for a clean calibration", () => expect(codes(timed(pace("250 ft2", "61 s", "63 s", "62 s"), good))).toEqual([]));
  test("up to 5 % good, to 10 % wide, beyond it disagreeing; each equality passes", () => {
    const spread = (second: string) =>
      codes(timed(pace("250 ft2", "100 s", second), caught(["33 fl oz", "100 s"], ["33 fl oz", "100 s"])));
    expect(spread("105.12 s")).toEqual([]);
    expect(spread("106 s")).toEqual(["trials-wide"]);
    expect(spread("112 s")).toEqual(["trials-wide", "trials-disagree", "catch-time-differs"]);
  });
  test("single trials", () =>
    expect(codes(timed(pace("250 ft2", "62 s"), caught(["33 fl oz", "62 s"])))).toEqual(["single-trial", "single-trial"]));
  test("a small test area, at its edge", () => {
    expect(codes(timed(pace("49 ft2", "61 s", "62 s"), good))).toContain("small-test-area");
    expect(codes(timed(pace("50 ft2", "61 s", "62 s"), good))).not.toContain("small-test-area");
  });
  test("short timings, at their edges", () => {
    expect(codes(timed(pace("250 ft2", "9.9 s", "10 s"), good))).toContain("short-timing");
    expect(codes(timed(pace("250 ft2", "10 s", "10 s"), caught(["8 fl oz", "14.9 s"], ["8 fl oz", "15 s"])))).toContain(
      "short-timing",
    );
    expect(codes(timed(pace("250 ft2", "10 s", "10 s"), caught(["8 fl oz", "15 s"], ["8 fl oz", "15 s"])))).not.toContain(
      "short-timing",
    );
  });
  test("a pace is walkable up to 4.5 mph on foot; a machine may go faster", () => {
    const at = (speed: string, rig: RigBasics = BACKPACK) =>
      codes(timed({ kind: "speed", speed: entered(speed, "speed"), swath: ft("5 ft") }, good), rig);
    expect(at("4.5 mph")).not.toContain("pace-not-walkable");
    expect(at("4.6 mph")).toContain("pace-not-walkable");
    expect(at("6 mph", { kind: "boom", outlets: { count: 1 } })).not.toContain("pace-not-walkable");
  });
  test("pavement only", () =>
    expect(codes(timed(pace("250 ft2", "61 s", "62 s"), good), BACKPACK, { ground: "pavement" })).toEqual(["pavement-only"]));
  test("readings that look rounded before use", () =>
    expect(codes(timed(pace("250 ft2", "60 s", "60 s", "62 s"), good))).toEqual([]));
  test("every walk a multiple of five", () =>
    expect(codes(timed(pace("250 ft2", "100 s", "105 s"), caught(["33 fl oz", "102 s"], ["33 fl oz", "102 s"])))).toEqual([
      "looks-rounded",
    ]));
  test("an outlet beyond 5 % of the mean", () => {
    const boom: RigBasics = { kind: "boom", outlets: { count: 3, spacing: ft("20 in") } };
    const run: PaceEvidence = { kind: "timed-run", distance: ft("200 ft"), swath: undefined, times: [s("40 s"), s("41 s")] };
    const outlets = (...v: string[]): FlowEvidence => ({ kind: "outlet-catches", time: s("30 s"), volumes: v.map(vol) });
    expect(codes(timed(run, outlets("20 fl oz", "20 fl oz", "23 fl oz")), boom)).toEqual(["outlets-uneven"]);
    expect(codes(timed(run, outlets("20 fl oz", "20 fl oz", "20.5 fl oz")), boom)).toEqual([]);
  });
  test("a spray volume taken as given is marked so", () =>
    expect(codes({ kind: "given", sprayVolume: entered("2 gal/1000 ft2", "sprayVolume") })).toEqual(["given"]));
});

test("a pace by speed without any swath is refused", () => {
  expect(() =>
    made(timed({ kind: "speed", speed: entered("3 mph", "speed"), swath: undefined }, caught(["9 fl oz", "36 s"]))),
  ).toThrow(/swath/);
});
