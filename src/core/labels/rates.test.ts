import fc from "fast-check";
import { all, create } from "mathjs";
import { isRateText, ounceOf, type Form } from "./label-rate";
import { parseRate } from "./rate";
import { parseStated, parseAnalysis, type Composition } from "./stated";
import { plainNumber } from "../quantity/plain";
import { raw, type Quantity } from "../quantity/kinds";
import { entered } from "../quantity/parse";
import { valueIn } from "../quantity/quantity";

const math = create(all!);

/** The examples of rates that a label states, worked by hand; "common practice" in how labels write them. */
const share = (text: string) => entered(text, "share");
const DRY: Composition = { name: "D", form: "dry", actives: [{ name: "a", content: share("40 %") }] };
const WET: Composition = { name: "L", form: "liquid", actives: [{ name: "a", content: entered("4 lb/gal", "activeStrength") }] };

function rate(typed: string, product: Composition) {
  const read = parseStated(typed, product, { dialect: "screen" });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const { rate: of } = read.value;
  return of.kind === "rateByWeight"
    ? valueIn(of.value as Quantity<"rateByWeight">, "oz/1000 ft2")
    : valueIn(of.value as Quantity<"rateByVolume">, "fl oz/1000 ft2");
}
const close = (value: number, expected: number, digits = 10) => expect(value / expected).toBeCloseTo(1, digits);

describe("rates of product", () => {
  test.each([
    ["0.5 lb/ac", DRY, (0.5 * 16) / 43.56],
    ["0.75 lb per acre", DRY, (0.75 * 16) / 43.56],
    ["2 kg/ha", DRY, 2000 / 28.349523125 / 107.639104167097],
    ["1 oz per 5,000 sq ft", DRY, 0.2],
    ["30 g/100 m2", DRY, 30 / 28.349523125 / 1.07639104167097],
    ["1.5 pt/ac", WET, 24 / 43.56],
    ["1 gal/ac", WET, 128 / 43.56],
    ["2 qt per acre", WET, 64 / 43.56],
    ["20 mL/1000 ft2", WET, 20 / 29.5735295625],
  ] as const)("%s", (typed, product, expected) => close(rate(typed, product), expected));

  test("0.5 and 0.75 lb an acre to five figures", () => {
    expect(rate("0.5 lb/ac", DRY)).toBeCloseTo(0.18365, 5);
    expect(rate("0.75 lb/ac", DRY)).toBeCloseTo(0.27548, 5);
  });

  // mathjs is exact for these units; its own acre is rounded, so square feet are used.
  test.each([
    ["oz/1000 ft2", "floz", "rateByVolume", "fl oz/1000 ft2"],
    ["pt", "pint", "rateByVolume", "pt/1000 ft2"],
    ["qt", "quart", "rateByVolume", "qt/1000 ft2"],
    ["gal", "gallon", "rateByVolume", "gal/1000 ft2"],
    ["L", "liter", "rateByVolume", "L/1000 ft2"],
  ] as const)("a rate by %s agrees with mathjs", (_what, theirs, kind, unit) => {
    const ours = raw(entered(`3.7 ${unit}`, kind).value);
    const wanted = math.evaluate(`number(3.7 ${theirs} / (1000 sqft), mL/m2)`) as number;
    // mathjs' litre-based volumes of US units are rounded at the seventh figure.
    close(ours, wanted, 5);
  });
  test("a rate by weight agrees with mathjs", () => {
    close(raw(entered("0.3 oz/1000 ft2", "rateByWeight").value), math.evaluate("number(0.3 oz / (1000 sqft), g/m2)") as number);
    close(raw(entered("0.3 lb/1000 ft2", "rateByWeight").value), math.evaluate("number(0.3 lbm / (1000 sqft), g/m2)") as number);
  });
});

describe("rates of a nutrient or an active", () => {
  const analysis = (text: string) => {
    const read = parseAnalysis(text);
    if (!read.ok) throw new Error("no analysis");
    return read.value;
  };
  test("0.75 lb N per 1,000 of a 12-0-0 is 6.25 lb: 250 lb on 40,000 sq ft, five bags of 50", () => {
    const pounds = rate("0.75 lb N per 1,000 sq ft", { ...DRY, actives: [], analysis: analysis("12-0-0") }) / 16;
    close(pounds, 6.25);
    expect(Math.ceil((pounds * 40) / 50 - 1e-9)).toBe(5);
  });
  test("P2O5 and K2O by their own parts", () => {
    const feed: Composition = { ...DRY, actives: [], analysis: analysis("18-24-6") };
    close(rate("1 lb P2O5/1000 ft2", feed), 16 / 0.24);
    close(rate("0.5 lb K2O/1000 ft2", feed), 8 / 0.06);
    expect(parseStated("1 lb K2O/1000 ft2", { ...feed, analysis: analysis("18-24-0") }, {}).ok).toBe(false);
  });
  test("a liquid feed by its specific gravity", () => {
    const feed: Composition = {
      name: "F",
      form: "liquid",
      actives: [],
      analysis: analysis("15-0-0"),
      gravity: entered("1.2", "gravity"),
    };
    // 0.1 lb N ÷ 15 % = 0.667 lb of liquid, at 1.2 g/mL.
    close(rate("0.1 lb N/1000 ft2", feed), (0.1 * 453.59237) / 0.15 / 1.2 / 29.5735295625);
  });
  test("an active by its part, or by its weight in a gallon", () => {
    close(rate("0.5 lb ai/ac", DRY), (0.5 * 16) / 43.56 / 0.4);
    close(rate("0.5 lb a.i. per acre", WET), ((0.5 / 4) * 128) / 43.56);
  });
  test.each([
    ["0.75 lb N/1000 ft2", DRY, /analysis must say/],
    ["0.5 lb ai/ac", { ...DRY, actives: [] }, /say first what active/],
    ["0.5 lb ai/ac", { ...WET, actives: [{ name: "a", content: share("20 %") }] }, /specific gravity/],
    ["0.5 lb ai/ac", { ...DRY, actives: [...DRY.actives, { name: "b", content: share("5 %") }] }, /isn't clear which active/],
  ] as const)("%s says what it lacks", (typed, product, words) => {
    const read = parseStated(typed, product as Composition, {});
    expect(read.ok ? "" : `${read.issues[0]!.received} ${read.issues[0]!.expected}`).toMatch(words);
  });
  test.each(["24-0", "0-0-0", "60-30-20", "a-b-c"])("%s is no analysis", (text) => expect(parseAnalysis(text).ok).toBe(false));
});

test("a worked-out rate is written with every digit it has, never with an exponent", () => {
  fc.assert(
    fc.property(fc.double({ min: 1e-8, max: 1e9, noNaN: true }), (value) => {
      const text = plainNumber(value);
      expect(text).not.toMatch(/e/);
      expect(Math.abs(Number(text) / value - 1)).toBeLessThan(1e-12);
    }),
  );
});

test("a stated rate reads the same whatever the form it is measured in", () => {
  const forms: Form[] = ["dry", "liquid"];
  for (const form of forms) {
    const product = form === "dry" ? DRY : WET;
    const read = parseStated("1.5 lb ai/ac", product, { dialect: "screen" });
    expect(read.ok && read.value.text).toBe("1.5 lb ai/ac");
  }
});

test('a label\'s percentage is by volume of a liquid; of a dry product, or for an "a", it is asked what is meant', () => {
  const read = (typed: string, form: Form, dialect: "screen" | "file" = "screen") => {
    const result = parseRate(typed, form, { dialect });
    return result.ok ? result.value.text : result.issues[0]!.expected;
  };
  expect(["0.5 %", "0.5%", "0.5 % v/v", "5 mL/are", "20 mL per are"].map((typed) => read(typed, "liquid"))).toEqual([
    "0.5 %v/v",
    "0.5 %v/v",
    "0.5 %v/v",
    "5 mL/100 m2",
    "20 mL/100 m2",
  ]);
  expect(read("0.5 %", "dry")).toMatch(/weight for so much spray/);
  // An are and an acre share a letter: 40 times apart.
  expect(read("50 mL/a", "liquid")).toBe('"mL/ac" for an acre, or "mL/100 m2" for an are');
  expect(read("2 lb/A", "dry")).toBe('"lb/ac" for an acre, or "lb/100 m2" for an are');
  expect(read("0.5 %", "liquid", "file")).not.toBe("0.5 %v/v");
});

test("a bare number is of the form's own ounce, and what has an area is a rate", () => {
  expect([ounceOf("dry"), ounceOf("liquid")]).toEqual(["oz", "fl oz"]);
  expect(["0.3 oz/1000 ft2", "4 oz per 1,000", "0.3/M"].map(isRateText)).toEqual([true, true, true]);
  expect(["4 oz", "0.3", "pepper 4 oz"].map(isRateText)).toEqual([false, false, false]);
});
