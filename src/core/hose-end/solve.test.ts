import fc from "fast-check";
import { raw } from "../quantity/kinds";
import { entered, type Entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { ROUNDING, writeNumber } from "../quantity/format";
import { expectNear } from "../testing/near";
import { given, num } from "../working/rule";
import { readHead, type Head } from "./head";
import { headPairs, jarOf } from "./solve";

const rate = (ounces: number) => given(entered(`${ounces} fl oz/1000 ft2`, "rateByVolume"), "rate");
const time = (seconds: number) => given(entered(`${seconds} s`, "time"), "pace");
const flow = (gallons: number) => given(entered(`${gallons} gal/min`, "flow"), "flow");
const jar = (ounces: number) => given(entered(`${ounces} fl oz`, "volume"), "jar");
const settings = [1, 2, 4, 8].map((d) => entered(`${d} fl oz/gal`, "strengthByVolume"));
const DIAL: Head = { kind: "dial", setting: entered("4 fl oz/gal", "strengthByVolume") };

/** A pair as a person sets it: the jar filled to a tenth of a fluid ounce, rounded down, as the screen shows it. */
function asSet(pair: ReturnType<typeof headPairs>[number]): Head {
  const { product, water } = jarOf(pair);
  const ounces = (n: number) => entered(`${writeNumber(n, ROUNDING.amountDown).replaceAll(",", "")} fl oz`, "volume");
  if (raw(water) === 0) return pair.head;
  const made: Entered<"volume"> = ounces(valueIn(product, "fl oz"));
  const rest = quantity("volume", num(pair.jar) - raw(made.value), "mL");
  return { ...pair.head, jar: { product: made, water: { ...made, value: rest } } } as Head;
}

test("8 fl oz made up to 12, dial 2, 2.5 gal/min at 144 s: the pair is found, undiluted ones first (trade check value)", () => {
  const pairs = headPairs({ head: DIAL, settings, flow: flow(2.5), rate: rate(8), pace: time(144), jar: jar(12) });
  expect(pairs.map((p) => (p.head.kind === "dial" ? p.head.setting.text : ""))).toEqual([
    "2 fl oz/gal",
    "4 fl oz/gal",
    "8 fl oz/gal",
  ]);
  expectNear(valueIn(jarOf(pairs[0]!).product, "fl oz"), 8, 1e-12);
  expectNear(valueIn(jarOf(pairs[0]!).water, "fl oz"), 4, 1e-12);
  // A dial of 1 draws too little even undiluted.
  expect(pairs).toHaveLength(3);
});

test("what fits exactly is undiluted; a feed has the one setting", () => {
  const metered: Head = { kind: "metered", feed: entered("2 fl oz/min", "flow") };
  const [one, ...more] = headPairs({
    head: metered,
    settings: [],
    flow: flow(2.5),
    rate: rate(4),
    pace: time(120),
    jar: jar(16),
  });
  expect(more).toEqual([]);
  expect(raw(jarOf(one!).water)).toBe(0);
  expect(headPairs({ head: metered, settings: [], flow: flow(2.5), rate: rate(4), pace: time(60), jar: jar(16) })).toEqual([]);
});

test("a jar that must hold other products too is mixed weaker, and too little product to measure is left out", () => {
  const wish = { head: DIAL, settings, flow: flow(2.5), rate: rate(8), pace: time(144), jar: jar(12) };
  expect(headPairs({ ...wish, beside: 0.6 })).toHaveLength(2);
  expect(headPairs({ ...wish, rate: rate(0.05) }).every((p) => valueIn(p.product.value, "tsp") >= 2)).toBe(true);
});

test("every pair gives the label rate at the pace, as worked out and as it is filled", () => {
  let worst = 0;
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 10, noNaN: true }),
      fc.double({ min: 0.1, max: 20, noNaN: true }),
      fc.double({ min: 20, max: 300, noNaN: true }),
      fc.constantFrom(8, 16, 20, 32, 64),
      fc.constantFrom("dial", "metered"),
      (gallons, ounces, seconds, holds, kind) => {
        const head: Head = kind === "dial" ? DIAL : { kind: "metered", feed: entered("6 fl oz/min", "flow") };
        const f = flow(Number(gallons.toFixed(2)));
        const r = rate(Number(ounces.toFixed(2)));
        const t = time(Number(seconds.toFixed(1)));
        for (const pair of headPairs({ head, settings, flow: f, rate: r, pace: t, jar: jar(holds) })) {
          const off = Math.abs(readHead(asSet(pair), f, r, t).overdose! - 1);
          worst = Math.max(worst, off);
          expect(off).toBeLessThan(0.02);
        }
      },
    ),
    { seed: 11, numRuns: 2000 },
  );
  expect(worst).toBeGreaterThan(0);
});

test("a dial of which nobody listed the numbers has the one that it stands at", () => {
  const wish = { head: DIAL, flow: flow(2.5), rate: rate(8), pace: time(144), jar: jar(12) };
  expect(headPairs({ ...wish, settings: [] }).map((p) => p.head)).toEqual([DIAL]);
  expect(headPairs({ ...wish, settings: settings.slice(0, 2) }).map((p) => p.head)).toEqual([
    { kind: "dial", setting: settings[1] },
  ]);
});

test("the settings come nearest to undiluted first, however they are listed", () => {
  const wish = { head: DIAL, flow: flow(2.5), rate: rate(8), pace: time(144), jar: jar(12) };
  const strengths = (listed: typeof settings) => headPairs({ ...wish, settings: listed }).map((p) => num(p.strength));
  expect(strengths([...settings].reverse())).toEqual(strengths(settings));
  expect(strengths(settings)).toEqual([...strengths(settings)].sort((a, b) => a - b));
});

test("a jar with less product than can be measured is left out", () => {
  const wish = { head: DIAL, settings, flow: flow(2.5), rate: rate(8), pace: time(144), jar: jar(12) };
  const products = headPairs(wish).map((p) => jarOf(p).product);
  const least = products[1]!;
  expect(headPairs({ ...wish, least })).toHaveLength(2);
  expect(headPairs({ ...wish, least: quantity("volume", raw(least) * 1.001, "mL") })).toHaveLength(1);
});
