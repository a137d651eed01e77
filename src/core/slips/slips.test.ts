import fc from "fast-check";
import type { LabelRate } from "../labels/label-rate";
import { parseRate } from "../labels/rate";
import { raw } from "../quantity/kinds";
import { entered } from "../quantity/parse";
import { quantity } from "../quantity/quantity";
import { FIELDS } from "../quantity/ranges";
import { slipsOfDose, slipsOfForm, slipsOfLoad } from "./of-load";
import { slipsOfName } from "./of-name";
import { slipsOfRate, type RateContext } from "./of-rate";
import {
  slipsOfArea,
  slipsOfCatch,
  slipsOfCatchTime,
  slipsOfFlow,
  slipsOfMarks,
  slipsOfOutlet,
  slipsOfPressure,
  slipsOfSprayVolume,
  slipsOfSwath,
  slipsOfWalk,
} from "./of-reading";
import { slipsOfTotal } from "./of-total";
import type { Slip, SlipCode } from "./slip";

/** The slips of the trade (common practice): each with what was typed, what it should be, and a true value that is left alone. */
const rate = (text: string): LabelRate => {
  const read = parseRate(text, undefined);
  if (!read.ok) throw new Error(text);
  return read.value;
};
const range = (least: string, most: string): RateContext => ({ least: rate(least), most: rate(most) });
const DRY = range("0.2 oz/1000 ft2", "0.4 oz/1000 ft2");
const WET = range("3 fl oz/1000 ft2", "4 fl oz/1000 ft2");
const offers = (slips: readonly Slip[]) => slips.map((s) => `${s.code}: ${s.corrected}`);

describe("a rate", () => {
  test.each<[SlipCode, string, RateContext, string]>([
    ["acre-for-1000", "13 oz/1000 ft2", DRY, "13 oz/ac"],
    ["acre-for-1000", "0.3 oz/ac", DRY, "0.3 oz/1000 ft2"],
    ["hectare-acre", "2.2 kg/ac", range("2 kg/ha", "2.5 kg/ha"), "2.2 kg/ha"],
    ["weight-unit", "0.3 lb/1000 ft2", DRY, "0.3 oz/1000 ft2"],
    ["volume-unit", "3.5 gal/1000 ft2", WET, "3.5 fl oz/1000 ft2"],
    ["volume-unit", "3.5 qt/1000 ft2", WET, "3.5 fl oz/1000 ft2"],
    ["volume-unit", "3.5 pt/1000 ft2", WET, "3.5 fl oz/1000 ft2"],
    ["volume-unit", "1.5 fl oz/ac", range("1.2 pt/ac", "1.5 pt/ac"), "1.5 pt/ac"],
    ["spoon", "3.5 tbsp/1000 ft2", WET, "3.5 fl oz/1000 ft2"],
    ["spoon", "6 fl oz/gal", range("2 tsp/gal", "8 tsp/gal"), "6 tsp/gal"],
    ["spoon", "2 tsp/gal", range("1.5 tbsp/gal", "3 tbsp/gal"), "2 tbsp/gal"],
    ["gallon-litre", "3.4 gal/ha", range("3 L/ha", "4 L/ha"), "3.4 L/ha"],
    ["metric-weight", "9 oz/1000 ft2", range("8 g/1000 ft2", "10 g/1000 ft2"), "9 g/1000 ft2"],
    ["metric-volume", "20 fl oz/1000 ft2", range("18 mL/1000 ft2", "25 mL/1000 ft2"), "20 mL/1000 ft2"],
    ["decimal-point", "3 oz/1000 ft2", range("0.25 oz/1000 ft2", "0.35 oz/1000 ft2"), "0.3 oz/1000 ft2"],
    ["decimal-point", "0.03 oz/1000 ft2", DRY, "0.3 oz/1000 ft2"],
    ["rounded-up", "0.28 oz/1000 ft2", range("0.2 oz/1000 ft2", "0.275 oz/1000 ft2"), "0.275 oz/1000 ft2"],
    ["rounded-up", "0.3 oz/1000 ft2", range("0.5 lb/ac", "0.75 lb/ac"), "0.2754 oz/1000 ft2"],
  ])("%s: %s", (code, typed, context, corrected) => {
    expect(offers(slipsOfRate(rate(typed), context))).toContain(`${code}: ${corrected}`);
  });

  test("an imperial gallon holds 1.2 US gallons", () => {
    const [slip] = slipsOfRate(rate("1 gal/ac"), range("1.15 gal/ac", "1.25 gal/ac"));
    expect(slip).toMatchObject({ code: "imperial-gallon" });
    expect(parseFloat(slip!.corrected!)).toBeCloseTo(1.20095, 5);
  });
  test("the active typed for the product, and the product turned twice", () => {
    const context = { ...DRY, actives: [{ name: "a", content: entered("16 %", "share") }] };
    expect(offers(slipsOfRate(rate("0.05 oz/1000 ft2"), context))).toEqual(["active-for-product: 0.3125 oz/1000 ft2"]);
    expect(offers(slipsOfRate(rate("2 oz/1000 ft2"), context))).toContain("active-for-product: 0.32 oz/1000 ft2");
  });
  test("a site's total typed as the rate", () => {
    const slips = slipsOfRate(rate("1.86 oz/1000 ft2"), { ...DRY, area: quantity("area", 6200, "ft2") });
    expect(offers(slips)).toContain("total-for-rate: 0.3 oz/1000 ft2");
  });
  test("several that fit are all offered, the likeliest first", () => {
    const slips = slipsOfRate(rate("12 fl oz/1000 ft2"), range("0.25 fl oz/1000 ft2", "0.5 fl oz/1000 ft2"));
    expect(slips.map((s) => s.code)).toEqual(["acre-for-1000", "metric-volume"]);
  });
  test.each([
    ["0.2 oz/1000 ft2", DRY],
    ["0.4 oz/1000 ft2", DRY],
    ["17.424 oz/ac", DRY],
    ["118 mL/1000 ft2", WET],
    ["0.25 %v/v", DRY],
    ["7 oz/1000 ft2", {}],
  ] as const)("%s is left alone", (typed, context) => expect(slipsOfRate(rate(typed), context)).toEqual([]));
  test("what nothing brings inside is not a slip of these: the limit holds it", () => {
    expect(slipsOfRate(rate("0.5 oz/1000 ft2"), DRY)).toEqual([]);
  });
});

test.each([
  ["dry-for-fluid", "1.5 oz/1000 ft2", "liquid", "1.5 fl oz/1000 ft2"],
  ["fluid-for-dry", "1.5 fl oz/1000 ft2", "dry", "1.5 oz/1000 ft2"],
] as const)("%s", (code, typed, form, corrected) => {
  expect(offers(slipsOfForm(typed, form))).toEqual([`${code}: ${corrected}`]);
  expect(slipsOfForm(corrected, form)).toEqual([]);
  expect(slipsOfForm("2 pt/ac", form)).toEqual([]);
});

describe("a total", () => {
  const context = { ...DRY, area: quantity("area", 6200, "ft2") };
  test.each<[SlipCode, string, string]>([
    ["rate-for-total", "0.3 oz", "1.86 oz"],
    ["weight-unit", "1.9 lb", "1.9 oz"],
    ["metric-weight", "1.9 g", "1.9 oz"],
    ["decimal-point", "19 oz", "1.9 oz"],
  ])("%s: %s", (code, typed, corrected) => {
    expect(offers(slipsOfTotal(entered(typed, "mass"), context))).toContain(`${code}: ${corrected}`);
  });
  test("an acre's rate counted for every thousand", () => {
    const [slip] = slipsOfTotal(entered("81 oz", "mass"), context);
    expect(slip!.code).toBe("acre-for-1000");
    expect(parseFloat(slip!.corrected!)).toBeCloseTo(81 / 43.56, 8);
  });
  test.each(["1.24 oz", "1.86 oz", "2.48 oz", "70 g"])("%s is left alone", (typed) =>
    expect(slipsOfTotal(entered(typed, "mass"), context)).toEqual([]),
  );
});

describe("areas, times, readings", () => {
  test.each([
    ["6.2 ft2", ["thousands: 6200 ft2", "acres-for-feet: 6.2 ac", "metres-for-feet: 6.2 m2"]],
    ["0.25 ft2", ["acres-for-feet: 0.25 ac", "thousands: 250 ft2"]],
    ["6200 ac", ["acres-for-feet: 6200 ft2", "metres-for-feet: 6200 m2"]],
  ])("a zone of %s", (typed, expected) => expect(offers(slipsOfArea(entered(typed, "area")))).toEqual(expected));
  test("minutes typed as seconds, and the other way round", () => {
    const walk = (text: string) => slipsOfWalk(entered(text, "time"), { area: quantity("area", 250, "ft2"), rig: "backpack" });
    expect(offers(walk("1.1 s"))).toEqual(["minutes-for-seconds: 66 s"]);
    expect(offers(walk("62 min"))).toEqual(["seconds-for-minutes: 62 s"]);
    expect(offers(walk("62:00"))).toEqual(["seconds-for-minutes: 62 s"]);
    expect(walk("62 s")).toEqual([]);
    expect(walk("1:02")).toEqual([]);
  });
  const backpack = { rig: "backpack", outlets: 1 } as const;
  const boom = { rig: "boom", outlets: 8, expected: quantity("flow", 2.4, "gal/min") } as const;
  const minute = quantity("time", 60, "s");
  test("a catch in another vessel's unit", () => {
    expect(offers(slipsOfCatch(entered("33 gal", "volume"), minute, backpack))).toContain("volume-unit: 33 fl oz");
    expect(offers(slipsOfCatch(entered("976 fl oz", "volume"), minute, backpack))).toContain("metric-volume: 976 mL");
    expect(slipsOfCatch(entered("33 fl oz", "volume"), minute, backpack)).toEqual([]);
  });
  test("one outlet's catch for the boom, and the boom's for one outlet", () => {
    expect(offers(slipsOfCatch(entered("38.4 fl oz", "volume"), minute, boom))[0]).toBe("one-outlet: 307.2 fl oz");
    expect(offers(slipsOfOutlet(entered("12 gal", "volume"), minute, boom))).toEqual(["all-outlets: 1.5 gal"]);
    expect(slipsOfOutlet(entered("38.4 fl oz", "volume"), minute, boom)).toEqual([]);
  });
  test("a catch's minutes typed as seconds", () => {
    const volume = quantity("volume", 33, "fl oz");
    expect(offers(slipsOfCatchTime(entered("1 s", "time"), volume, backpack))).toEqual(["minutes-for-seconds: 60 s"]);
    expect(slipsOfCatchTime(entered("60 s", "time"), volume, backpack)).toEqual([]);
  });
  test("an imperial bucket, told by an earlier flow", () => {
    const context = { rig: "spray-truck", outlets: 1, expected: quantity("flow", 4, "gal/min") } as const;
    expect(slipsOfCatch(entered("2 gal", "volume"), minute, context).map((s) => s.code)).toContain("imperial-gallon");
  });
  test("gallons an acre typed as gallons a minute", () => {
    // 40 GPA at a minute for 1,000 sq ft are 0.918 gal/min.
    const slips = slipsOfFlow(entered("40 gal/min", "flow"), { ...backpack, pace: minute });
    expect(slips[0]).toMatchObject({ code: "gpa-for-flow" });
    expect(parseFloat(slips[0]!.corrected!)).toBeCloseTo(40 / 43.56, 5);
    expect(slipsOfFlow(entered("0.35 gal/min", "flow"), { ...backpack, pace: minute })).toEqual([]);
  });
  test("psi for bar, bar for psi", () => {
    expect(offers(slipsOfPressure(entered("40 bar", "pressure")))).toEqual(["psi-for-bar: 40 psi"]);
    expect(offers(slipsOfPressure(entered("3 psi", "pressure")))).toEqual(["bar-for-psi: 3 bar"]);
    expect(slipsOfPressure(entered("40 psi", "pressure"))).toEqual([]);
    expect(slipsOfPressure(entered("2.8 bar", "pressure"))).toEqual([]);
  });
  test("half the width, against the last calibration's; metres for feet without one", () => {
    const last = quantity("length", 6, "ft");
    expect(offers(slipsOfSwath(entered("3 ft", "length"), "spray-truck", last))).toEqual([
      "half-width: 6 ft",
      "metres-for-feet: 3 m",
    ]);
    expect(slipsOfSwath(entered("5.5 ft", "length"), "spray-truck", last)).toEqual([]);
    expect(slipsOfSwath(entered("3 ft", "length"), "spray-truck")).toEqual([]);
    expect(offers(slipsOfSwath(entered("60 ft", "length"), "backpack"))).toEqual(["metres-for-feet: 60 in"]);
  });
  test("gallons an acre wanted for 1,000 sq ft", () => {
    expect(offers(slipsOfSprayVolume(entered("40 gal/1000 ft2", "sprayVolume")))[0]).toBe("acre-for-1000: 40 gal/ac");
    expect(slipsOfSprayVolume(entered("2 gal/1000 ft2", "sprayVolume"))).toEqual([]);
  });
  test("levels between marks written as the mark", () => {
    const one = (volume: number, seconds: number) => ({
      volume: quantity("volume", volume, "fl oz"),
      time: quantity("time", seconds, "s"),
    });
    const coarse = quantity("volume", 8, "fl oz");
    expect(slipsOfMarks([one(32, 60), one(32, 75)], coarse).map((s) => s.code)).toEqual(["between-marks"]);
    expect(slipsOfMarks([one(32, 60), one(32, 61)], coarse)).toEqual([]);
    expect(slipsOfMarks([one(32, 60), one(36, 68)], coarse)).toEqual([]);
    expect(slipsOfMarks([one(32, 60), one(32, 75)], quantity("volume", 1, "fl oz"))).toEqual([]);
  });
});

describe("a load", () => {
  const one = (name: string, amount: string, of: string) => ({
    name,
    amount: /fl oz/.test(amount) ? entered(amount, "volume") : entered(amount, "mass"),
    rate: rate(of),
  });
  test("products that are measured for different areas", () => {
    const [a, b] = [one("A", "1.2 oz", "0.3 oz/1000 ft2"), one("B", "3 fl oz", "1.5 fl oz/1000 ft2")];
    expect(slipsOfLoad([a, b], "us")[0]!.says).toMatch(/A for 4,000 sq ft, B for 2,000 sq ft/);
    expect(slipsOfLoad([a, one("B", "6.1 fl oz", "1.5 fl oz/1000 ft2")], "us")).toEqual([]);
    expect(slipsOfLoad([a, one("C", "1 fl oz", "0.25 %v/v")], "us")).toEqual([]);
  });
  test("one thousand's dose in a load that covers two", () => {
    const covers = quantity("area", 2000, "ft2");
    expect(offers(slipsOfDose(one("A", "0.3 oz", "0.3 oz/1000 ft2"), covers, "us"))).toEqual(["one-thousand: 0.6 oz"]);
    expect(slipsOfDose(one("A", "0.6 oz", "0.3 oz/1000 ft2"), covers, "us")).toEqual([]);
    expect(slipsOfDose(one("A", "0.3 oz", "0.3 oz/1000 ft2"), quantity("area", 1050, "ft2"), "us")).toEqual([]);
  });
});

/** What is true must never be asked about: drawn from inside the label, and from what rigs of each kind really give. */
describe("false alarms over 10,000 random valid entries: none", () => {
  const inside = (least: number, most: number) =>
    fc.double({ min: 0, max: 1, noNaN: true }).map((p) => least * (most / least) ** p);
  const number = (value: number) => String(Number(value.toPrecision(5)));
  const UNITS = ["oz/1000 ft2", "lb/ac", "g/100 m2", "kg/ha", "oz/5000 ft2"] as const;
  const silent = <T>(arbitrary: fc.Arbitrary<T>, slips: (value: T) => readonly Slip[], runs = 2000) =>
    fc.assert(
      fc.property(arbitrary, (value) => {
        expect(slips(value)).toEqual([]);
      }),
      { numRuns: runs },
    );

  test("rates inside their label, in any unit", () =>
    silent(
      fc.record({
        low: inside(0.01, 20),
        times: inside(1, 5),
        at: fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        unit: fc.constantFrom(...UNITS),
      }),
      ({ low, times, at, unit }) => {
        const high = low * times;
        const ounces = raw(entered("1 oz/1000 ft2", "rateByWeight").value) / raw(entered(`1 ${unit}`, "rateByWeight").value);
        const value = (low + (high - low) * at) * ounces;
        const margin = { least: rate(`${number(low * 0.999)} oz/1000 ft2`), most: rate(`${number(high * 1.001)} oz/1000 ft2`) };
        return slipsOfRate(rate(`${number(value)} ${unit}`), {
          ...margin,
          actives: [{ name: "a", content: entered("40 %", "share") }],
        });
      },
      4000,
    ));
  test("totals inside their label", () =>
    silent(fc.record({ area: inside(300, 80_000), at: inside(0.2005, 0.3995) }), ({ area, at }) =>
      slipsOfTotal(entered(`${number((at * area) / 1000)} oz`, "mass"), { ...DRY, area: quantity("area", area, "ft2") }),
    ));
  test("zones, test areas, pressures, swaths, spray volumes", () =>
    silent(
      fc.record({
        zone: inside(100, 200_000),
        test: inside(30, 5000),
        psi: inside(10, 200),
        swath: inside(2, 8),
        q: inside(0.2, 8),
      }),
      ({ zone, test, psi, swath, q }) => [
        ...slipsOfArea(entered(`${number(zone)} ft2`, "area")),
        ...slipsOfArea(entered(`${number(test)} ft2`, "area"), "test"),
        ...slipsOfPressure(entered(`${number(psi)} psi`, "pressure")),
        ...slipsOfSwath(entered(`${number(swath)} ft`, "length"), "backpack"),
        ...slipsOfSprayVolume(entered(`${number(q)} gal/1000 ft2`, "sprayVolume")),
      ],
    ));
  test("walks and catches of each kind of rig", () =>
    silent(
      fc.record({
        area: inside(50, 1000),
        pace: inside(20, 600),
        flow: inside(0.08, 1.2),
        seconds: inside(10, 120),
        truck: inside(0.8, 10),
      }),
      ({ area, pace, flow, seconds, truck }) => {
        const time = quantity("time", seconds, "s");
        const caught = (gpm: number) => entered(`${number((gpm * 128 * seconds) / 60)} fl oz`, "volume");
        return [
          ...slipsOfWalk(entered(`${number((pace * area) / 1000)} s`, "time"), {
            area: quantity("area", area, "ft2"),
            rig: "backpack",
          }),
          ...slipsOfCatch(caught(flow), time, { rig: "backpack", outlets: 1 }),
          ...slipsOfCatch(caught(truck), time, { rig: "spray-truck", outlets: 1 }),
          ...slipsOfCatch(caught(flow), time, { rig: "backpack", outlets: 1, expected: quantity("flow", flow * 1.2, "gal/min") }),
          ...slipsOfOutlet(caught(flow), time, { rig: "boom", outlets: 12 }),
        ];
      },
    ));
});

test("every field that a slip corrects takes the correction", () => {
  // A correction is written as a job file writes it: the field's own reader must take it.
  const corrected = slipsOfArea(entered("6.2 ft2", "area")).map((s) => s.corrected!);
  for (const text of corrected) expect(entered(text, FIELDS.zoneArea.kind).text).toBe(text);
});

test("an active under a name a letter away would have a budget of its own", () => {
  expect(offers(slipsOfName("oselfenate", ["osselfenate", "tollazole"]))).toEqual(["other-name: osselfenate"]);
  for (const known of ["Osselfenate ", "quayrafen", "oss"]) expect(slipsOfName(known, ["osselfenate", "tollazole"])).toEqual([]);
});
