import fc from "fast-check";
import { holdUp } from "../calibration/required-flow";
import { aftercareClashes, type Aftercare } from "../labels/aftercare";
import type { LabelSays } from "../labels/label";
import { labelRoom, roomUp } from "../measuring/room";
import { parseAnalysis, parseStated } from "../labels/stated";
import { raw } from "../quantity/kinds";
import { entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { expectNear } from "../testing/near";
import { explain, lineText } from "../working/explain";
import { given, num } from "../working/rule";
import { amountFor, type Amount } from "./amounts";
import { fillingsOfRun, stepsOf } from "./column";
import { mix } from "./mix";
import type { MixInput } from "./plan";
import { enough, packageLife, packagesFor, wholePackets } from "./packages";
import type { MixProduct } from "./product";
import { inJar, JARS, premix } from "./small-mixes";
import { mostProduct, stretch } from "./stretch";
import { reasonWords } from "@/core/words/reasons";
import { courseOf, lastsFor } from "./walk-of-load";

const volume = (text: string) => given(entered(text, "volume"), text);
const q = (text: string) => given(entered(text, "sprayVolume"), "q");
const dry = (rate: string, more: Partial<MixProduct> = {}): MixProduct => ({
  name: "D",
  form: "dry",
  rate: entered(rate, "rateByWeight"),
  ...more,
});
const liquid = (rate: string, more: Partial<MixProduct> = {}): MixProduct => ({
  name: "L",
  form: "liquid",
  rate: entered(rate, "rateByVolume"),
  ...more,
});
const plan = (more: Partial<MixInput> = {}) =>
  mix({
    sprayVolume: q("1 gal/1000 ft2"),
    tank: { name: "main", usable: entered("4 gal", "volume") },
    products: [dry("0.3 oz/1000 ft2")],
    sites: [{ name: "s", zones: [{ name: "z", area: entered("4000 ft2", "area") }] }],
    loads: "full-then-part",
    ...more,
  });
const oz = (a: Amount) => valueIn(a.value as ReturnType<typeof quantity<"mass">>, "oz");
const flOz = (a: Amount) => valueIn(a.value as ReturnType<typeof quantity<"volume">>, "fl oz");
const says = (more: Partial<LabelSays>): LabelSays => ({ actives: [], limits: [], ...more });

describe("check values of the trade (common practice)", () => {
  test("1/2 in × 300 ft of hose hold 3.06 gal", () => {
    const holds = holdUp(given(entered("0.5 in", "length"), "d"), given(entered("300 ft", "length"), "L"));
    expect(valueIn(holds.value, "gal")).toBeCloseTo(3.06, 2);
  });
  test("9 : 1 in 320 fl oz is at most 32 fl oz of product", () => {
    const most = mostProduct(volume("320 fl oz"), given(entered("9:1", "dilution"), "9:1"));
    expectNear(valueIn(most.value, "fl oz"), 32, 1e-12);
  });
  test("0.75 lb of N for 1,000 sq ft on 40,000 from 50 lb bags at 12 %: 250 lb, 5 bags, rounded up once at the end", () => {
    const analysis = parseAnalysis("12-0-0");
    if (!analysis.ok) throw new Error("analysis");
    const stated = parseStated("0.75 lb N/1000 ft2", { name: "F", form: "dry", actives: [], analysis: analysis.value });
    if (!stated.ok) throw new Error(stated.issues[0]!.code);
    const made = plan({
      products: [dry("1 oz/1000 ft2", { rate: stated.value.rate, by: stated.value.by! })],
      tank: { name: "spreader", usable: entered("40 gal", "volume") },
      sites: [{ name: "s", zones: [{ name: "z", area: entered("40000 ft2", "area") }] }],
    });
    const total = made.sites[0]!.totals[0]!;
    expectNear(oz(total), 250 * 16, 1e-12);
    expect(packagesFor(total, { content: entered("50 lb", "mass") })).toBe(5);
    expect(packageLife(total, { content: entered("50 lb", "mass") })).toBeCloseTo(0.2, 12);
  });
  test("40 lb are one bag of 40 lb, and not two by the last bit of a double", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.double({ min: 0.1, max: 60, noNaN: true }), (bags, pounds) => {
        const content = entered(`${pounds.toPrecision(4)} lb`, "mass");
        const amount = amountFor(dry("1 oz/1000 ft2"))(
          given(entered(`${(raw(content.value) / 28.349523125) * bags * 1000} ft2`, "area"), "area"),
          volume("1 gal"),
        );
        expect(packagesFor(amount, { content })).toBe(bags);
      }),
    );
  });
});

describe("the fixed-volume school", () => {
  const made = plan({ sprayVolume: q("1.5 gal/1000 ft2"), mixedFor: q("1 gal/1000 ft2") });
  test("mixed for q₀ and sprayed at q: R·q/q₀ goes down, the tank covers q₀/q of what was meant", () => {
    // 4,000 sq ft take 6 gal at 1.5; every gallon has the 0.3 oz that were meant for 1,000 sq ft.
    expectNear(oz(made.sites[0]!.totals[0]!), 6 * 0.3, 1e-12);
    expectNear(valueIn(made.tankCoverage.value, "ft2"), 4000 / 1.5, 1e-12);
    expect(made.warnings).toEqual([{ code: "mixed-for-another-volume", values: expect.objectContaining({ factor: 1.5 }) }]);
  });
  test("it is judged by what really goes down: within the label as typed, held as sprayed", () => {
    const product = dry("0.3 oz/1000 ft2", {
      says: says({ limits: [{ perApplication: entered("0.4 oz/1000 ft2", "rateByWeight") }] }),
    });
    expect(plan({ products: [product] }).held).toEqual([]);
    const held = plan({ products: [product], sprayVolume: q("1.5 gal/1000 ft2"), mixedFor: q("1 gal/1000 ft2") });
    expect(held.reasons.map((r) => r.code)).toEqual(["over-application-limit"]);
    expect(held.sites).toEqual([]);
  });
  test("a rate for a volume of spray never depended on the area; the same volume changes nothing", () => {
    const strength = dry("1 oz/1000 ft2", { rate: entered("2 oz/100 gal", "strengthByWeight") });
    const amount = (more: Partial<MixInput>) => oz(plan({ products: [strength], ...more }).sites[0]!.totals[0]!);
    expectNear(amount({ mixedFor: q("2 gal/1000 ft2") }), amount({}), 1e-12);
    expect(plan({ mixedFor: q("1 gal/1000 ft2") }).warnings).toEqual([]);
  });
});

describe("the dilution school", () => {
  const product = { name: "L", dry: false, rate: given(entered("6 fl oz/1000 ft2", "rateByVolume"), "R") };
  const input = {
    usable: volume("4 gal"),
    now: q("1 gal/1000 ft2"),
    flow: given(entered("0.5 gal/min", "flow"), "flow"),
    swath: given(entered("5 ft", "length"), "swath"),
    onFoot: true,
    products: [{ ...product, dilutionAtLeast: entered("9:1", "dilution") }],
  };
  test("the tightest of dilution, carrier and walk binds", () => {
    // 9 : 1 of 6 fl oz is 60 fl oz for 1,000 sq ft: 0.469 gal. At 4.5 mph, 0.5 gal/min over 5 ft gives 0.2525 gal.
    const made = stretch(input)!;
    expect(made.binding.of).toBe("dilution");
    expectNear(valueIn(made.binding.least.value, "gal/1000 ft2"), 60 / 128, 1e-12);
    expectNear(valueIn(made.covers.value, "ft2"), (4 / (60 / 128)) * 1000, 1e-12);
    expectNear(valueIn(made.speed!.value, "ft/min"), 0.5 / (60 / 128 / 1000) / 5, 1e-12);
    const carrier = { ...input.products[0]!, carrierAtLeast: entered("0.6 gal/1000 ft2", "sprayVolume") };
    expect(stretch({ ...input, products: [carrier] })!.binding.of).toBe("carrier");
    const fast = stretch({ ...input, flow: given(entered("2 gal/min", "flow"), "f") });
    // The walk would have to be at least 1.01 gal: there is nothing to stretch.
    expect(fast).toBeNull();
  });
  test("without a label's own number on the water it proposes nothing", () =>
    expect(stretch({ ...input, products: [product] })).toBeNull());
  test("what it allows is inside the dilution, to the last digit", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 12, noNaN: true }), fc.integer({ min: 3, max: 40 }), (rate, d) => {
        const one = {
          ...product,
          rate: given(entered(`${rate.toPrecision(6)} fl oz/1000 ft2`, "rateByVolume"), "R"),
          dilutionAtLeast: entered(`${d}:1`, "dilution"),
        };
        const made = stretch({ ...input, onFoot: false, now: q("50 gal/1000 ft2"), products: [one] })!;
        const least = valueIn(made.binding.least.value, "gal/1000 ft2") * 128;
        const r = Number(rate.toPrecision(6));
        expectNear((least - r) / r, d, 1e-9);
      }),
    );
  });
});

describe("small mixes", () => {
  test("a jar test is a load scaled to a pint, in every part", () => {
    const made = plan({ products: [dry("0.3 oz/1000 ft2"), liquid("1.5 fl oz/1000 ft2")] }).sites[0]!.loads[0]!.contents;
    const jar = inJar(made.amounts, made.fillTo, JARS.pint);
    // 4 gal are 32 pints.
    expectNear(oz(jar[0]!), 1.2 / 32, 1e-12);
    expectNear(flOz(jar[1]!), 6 / 32, 1e-12);
    expectNear(oz(inJar(made.amounts, made.fillTo, JARS.quart)[0]!), 1.2 / 16, 1e-12);
  });
  test("a half-gallon spot mix is a zone as large as it treats: strength R/q, whatever the volume", () => {
    const half = plan({
      sprayVolume: q("2 gal/1000 ft2"),
      products: [
        dry("0.3 oz/1000 ft2"),
        liquid("1 fl oz/1000 ft2", { name: "S", rate: entered("1.5 fl oz/gal", "strengthByVolume") }),
      ],
      sites: [{ name: "s", zones: [{ name: "spot", area: entered("250 ft2", "area") }] }],
    }).sites[0]!.loads[0]!.contents;
    expectNear(valueIn(half.fillTo.value, "gal"), 0.5, 1e-12);
    expectNear(oz(half.amounts[0]!), 0.3 / 4, 1e-12);
    expectNear(flOz(half.amounts[1]!), 0.75, 1e-12);
  });
  test("a premix for eight loads", () => {
    const amount = plan().sites[0]!.loads[0]!.contents.amounts[0] as Parameters<typeof premix>[0];
    const made = premix(amount, 8, volume("1 qt"));
    expectNear(oz(made.product), 8 * 1.2, 1e-12);
    expectNear(valueIn(made.makesUpTo.value, "qt"), 8, 1e-12);
  });
  test("amounts scale with the area and the spray", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 40, noNaN: true }), (factor) => {
        const of = (area: number) =>
          oz(plan({ sites: [{ name: "s", zones: [{ name: "z", area: entered(`${area} ft2`, "area") }] }] }).sites[0]!.totals[0]!);
        expectNear(of(1000 * factor), factor * of(1000), 1e-9);
      }),
    );
  });
});

describe("packages", () => {
  const amount = (text: string) => amountFor(dry(`${text}/1000 ft2`))(given(entered("1000 ft2", "area"), "a"), volume("1 gal"));
  const of = (...contents: string[]) => contents.map((c) => ({ content: entered(c, "mass") }));
  test("the smallest that is enough by itself, else so many of the largest", () => {
    expect(enough(amount("6 oz"), of("80 oz", "8 oz", "4 oz"))).toMatchObject({ one: { content: { text: "8 oz" } }, count: 1 });
    expect(enough(amount("200 oz"), of("8 oz", "80 oz"))).toMatchObject({ one: { content: { text: "80 oz" } }, count: 3 });
    expect(enough(amount("8 oz"), of("8 oz"))!.count).toBe(1);
    expect(enough(amount("8 oz"), [])).toBeUndefined();
  });
  test("packets go in whole: the load is made for as many as fit", () => {
    expect(wholePackets(amount("2.4 oz"), entered("1 oz", "mass"))).toEqual({
      count: expect.closeTo(2.4, 12),
      whole: false,
      instead: { packets: 2, part: expect.closeTo(2 / 2.4, 12) },
    });
    expect(wholePackets(amount("3 oz"), entered("1 oz", "mass"))).toMatchObject({ whole: true, instead: null });
    expect(wholePackets(amount("0.4 oz"), entered("1 oz", "mass"))).toMatchObject({ whole: false, instead: null });
  });
});

describe("overage", () => {
  test("off unless asked for; then spray and product alike", () => {
    const made = plan({ overage: given(entered("5 %", "share"), "overage") });
    expectNear(valueIn(made.sites[0]!.spray.value, "gal"), 4.2, 1e-12);
    expectNear(oz(made.sites[0]!.totals[0]!), 1.2 * 1.05, 1e-12);
    expect(made.sites[0]!.loads.length).toBe(2);
    expectNear(valueIn(plan().sites[0]!.spray.value, "gal"), 4, 1e-12);
  });
});

describe("aftercare across a tank", () => {
  const care = (more: Record<string, string>): Aftercare =>
    Object.fromEntries(
      Object.entries(more).map(([k, v]) => [
        k,
        k.startsWith("water") && k !== "waterWithin" ? entered(v, "length") : entered(v, "time"),
      ]),
    );
  const clash = (a: Record<string, string>, b: Record<string, string>) =>
    aftercareClashes([
      { name: "A", aftercare: care(a) },
      { name: "B", aftercare: care(b) },
    ]);
  test.each<[string, Record<string, string>, Record<string, string>, object | null]>([
    [
      "must water in against keep dry",
      { waterLeast: "0.25 in", waterWithin: "24 h" },
      { keepDry: "48 h" },
      { of: "hours", by: { of: "A" }, dry: { of: "B" } },
    ],
    ["the other way round", { keepDry: "48 h" }, { waterWithin: "24 h" }, { of: "hours", by: { of: "B" }, dry: { of: "A" } }],
    ["no deadline on the card is asked about, and doesn't clash", { keepDry: "24 h" }, { waterLeast: "0.25 in" }, null],
    ["dry for a day, then watered in within three", { keepDry: "24 h" }, { waterLeast: "0.25 in", waterWithin: "72 h" }, null],
    ["a deadline that leaves the time", { waterLeast: "0.25 in", waterWithin: "48 h" }, { keepDry: "24 h" }, null],
    [
      "depths with nothing in common",
      { waterLeast: "0.5 in" },
      { waterLeast: "0.1 in", waterMost: "0.25 in" },
      { of: "depths", least: { value: { text: "0.5 in" } }, most: { value: { text: "0.25 in" } } },
    ],
    ["depths that meet", { waterLeast: "0.25 in" }, { waterMost: "0.25 in" }, null],
    ["nothing said", {}, { keepDry: "24 h" }, null],
  ])("%s", (_what, a, b, wanted) => {
    const found = clash(a, b);
    expect(found).toMatchObject(wanted ? [wanted] : []);
    expect(found).toHaveLength(wanted ? 1 : 0);
  });
  test("holds every site of the mix: no amounts", () => {
    const made = plan({
      products: [
        dry("0.3 oz/1000 ft2", { says: says({ aftercare: care({ waterLeast: "0.25 in", waterWithin: "12 h" }) }) }),
        liquid("1 fl oz/1000 ft2", { says: says({ aftercare: care({ keepDry: "24 h" }) }) }),
      ],
    });
    expect(made.reasons).toMatchObject([{ code: "aftercare-clash", product: "L" }]);
    expect(reasonWords(made.reasons[0]!, "us").fits).toContain("take L out");
    expect(made.sites).toEqual([]);
  });
});

describe("measuring up to the label and no further", () => {
  const limited = (rate: string, most: string, active: string): MixProduct =>
    dry(rate, {
      name: `${active} ${rate}`,
      says: says({
        actives: [{ name: active, content: entered("40 %", "share") }],
        limits: [{ perApplication: entered(most, "rateByWeight") }],
      }),
    });
  test("the room is what the limit leaves over the rate", () => {
    const made = plan({ products: [limited("0.3 oz/1000 ft2", "0.4 oz/1000 ft2", "a")] });
    expectNear(roomUp(made, 0, ["s"]), 4 / 3, 1e-9);
    expect(roomUp(plan(), 0, ["s"])).toBe(1);
    // The highest rate of a label is a limit too, and the year's budget where it is the tighter one.
    const range = [entered("0.2 oz/1000 ft2", "rateByWeight"), entered("0.33 oz/1000 ft2", "rateByWeight")] as const;
    expectNear(roomUp(plan({ products: [dry("0.3 oz/1000 ft2", { says: says({ range }) })] }), 0, ["s"]), 1.1, 1e-9);
    const year = says({ range, limits: [{ perYear: entered("0.31 oz/1000 ft2", "rateByWeight"), yearKind: "calendar" }] });
    const tight = plan({ products: [dry("0.3 oz/1000 ft2", { says: year })], date: "2026-09-02" });
    expectNear(labelRoom(tight, 0, ["s"])!, 31 / 30, 1e-9);
    expectNear(labelRoom(tight, 0, ["s"], "application")!, 1.1, 1e-9);
  });
  test("two products with one active round nothing up: each by itself would pass, both would not", () => {
    const made = plan({
      products: [limited("0.1 oz/1000 ft2", "0.4 oz/1000 ft2", "a"), limited("0.2 oz/1000 ft2", "0.4 oz/1000 ft2", "a")],
    });
    expect(made.held).toEqual([]);
    expect([roomUp(made, 0, ["s"]), roomUp(made, 1, ["s"])]).toEqual([1, 1]);
  });
});

describe("the walk of a load", () => {
  test("3 gal at 0.4 gal/min last 7 min 30 s; 4,000 sq ft at 5 ft are 800 ft", () => {
    expectNear(valueIn(lastsFor(volume("3 gal"), given(entered("0.4 gal/min", "flow"), "f"))!.value, "s"), 450, 1e-12);
    const course = courseOf(given(entered("4000 ft2", "area"), "covers"), given(entered("5 ft", "length"), "swath"));
    expectNear(valueIn(course!.value, "ft"), 800, 1e-12);
    expect([lastsFor(volume("3 gal"), null), courseOf(given(entered("1 ft2", "area"), "a"), null)]).toEqual([null, null]);
  });
});

test("a fill on top of what is left: water to the mark of both, and the pad says from what", () => {
  const made = plan({
    run: { places: true, todo: ["s"], inTank: volume("1 gal") },
    sites: [{ name: "s", zones: [{ name: "z", area: entered("4000 ft2", "area") }] }],
  });
  const [filling] = fillingsOfRun(made.run!, 2);
  expect(filling!.key).toBe("run.3");
  const [water] = stepsOf(made.products, filling!);
  if (water?.kind !== "water") throw new Error("no water");
  expectNear(num(water.to) / 3785.411784, 1 + 3 / 2, 1e-12);
  expect(explain(water.to, "us").map(lineText)).toContain("Water to start with, on what is left = 1 gal + 1.5 gal = 2.5 gal");
});
