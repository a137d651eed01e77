import fc from "fast-check";
import { raw } from "../quantity/kinds";
import { entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { expectNear } from "../testing/near";
import { explainAll, lineText } from "../working/explain";
import { given, num } from "../working/rule";
import { costOf, type Amount } from "./amounts";
import { fillingsOf, fullness, stepsOf, waterFirst } from "./column";
import { readAmount } from "./display";
import { splitLoads, type LoadMode } from "./loads";
import { coverageOf, mix } from "./mix";
import type { MixInput } from "./plan";
import { pouringOrder } from "./pouring-order";
import type { MixProduct } from "./product";

const dry = (rate: string, more: Partial<MixProduct> = {}): MixProduct => ({
  name: "D",
  form: "dry",
  rate: entered(rate, "rateByWeight"),
  ...more,
});
const liquid = (rate: string): MixProduct => ({ name: "L", form: "liquid", rate: entered(rate, "rateByVolume") });
const q = (text: string) => given(entered(text, "sprayVolume"), "q");
const site = (name: string, ...areas: string[]) => ({
  name,
  zones: areas.map((a, i) => ({ name: `z${i}`, area: entered(a, "area") })),
});
const tank = (usable: string, leastMix?: string) => ({
  name: "main",
  usable: entered(usable, "volume"),
  ...(leastMix && { leastMix: entered(leastMix, "volume") }),
});
const plan = (input: Partial<MixInput> & { sites: MixInput["sites"] }) =>
  mix({
    sprayVolume: q("1 gal/1000 ft2"),
    tank: tank("4 gal"),
    products: [dry("0.3 oz/1000 ft2")],
    loads: "full-then-part",
    ...input,
  });

const gal = (source: { value: ReturnType<typeof quantity<"volume">> }) => valueIn(source.value, "gal");
const oz = (amount: Amount) => valueIn(amount.value as ReturnType<typeof quantity<"mass">>, "oz");
const flOz = (amount: Amount) => valueIn(amount.value as ReturnType<typeof quantity<"volume">>, "fl oz");

describe("check values of the trade (common practice)", () => {
  const totalOz = (rate: string, area: string) =>
    oz(plan({ products: [dry(rate)], sites: [site("s", area)] }).sites[0]!.totals[0]!);
  test("0.5 lb/ac is 0.18365 oz per 1,000", () => expect(totalOz("0.5 lb/ac", "1000 ft2")).toBeCloseTo(0.18365, 5));
  test("0.75 lb/ac is 0.27548 oz per 1,000", () => expect(totalOz("0.75 lb/ac", "1000 ft2")).toBeCloseTo(0.27548, 5));
  test("20 mL per 1,000 on 7,300 sq ft are 146 mL", () => {
    const total = plan({ products: [liquid("20 mL/1000 ft2")], sites: [site("s", "7,300 ft2")] }).sites[0]!.totals[0]!;
    expectNear(valueIn(total.value as ReturnType<typeof quantity<"volume">>, "mL"), 146, 1e-12);
  });
  test("tank coverage is usable volume over spray volume: 100 gal at 2.296 is an acre", () => {
    const covers = coverageOf(tank("100 gal"), q(`${100 / 43.56} gal/1000 ft2`));
    expectNear(valueIn(covers.value, "ac"), 1, 1e-12);
  });
  test("0.25 % v/v of 4 gal are 1.28 fl oz", () => {
    const surfactant: MixProduct = { name: "S", form: "liquid", rate: entered("0.25 %v/v", "strengthByVolume") };
    expectNear(flOz(plan({ products: [surfactant], sites: [site("s", "4000 ft2")] }).sites[0]!.totals[0]!), 1.28, 1e-12);
  });
  test("2 oz in 100 gal are 0.08 oz in 4", () => {
    const strength: MixProduct = { name: "S", form: "dry", rate: entered("2 oz/100 gal", "strengthByWeight") };
    expectNear(oz(plan({ products: [strength], sites: [site("s", "4000 ft2")] }).sites[0]!.totals[0]!), 0.08, 1e-12);
  });
});

describe("loads", () => {
  const fills = (spray: string, usable: string, least: string | undefined, mode: LoadMode = "full-then-part") =>
    splitLoads(
      given(entered(spray, "volume"), "spray"),
      given(entered(usable, "volume"), "usable"),
      least ? given(entered(least, "volume"), "least") : undefined,
      mode,
    ).flatMap((f) => Array.from({ length: f.times }, () => Number(gal(f.fill).toPrecision(9))));

  test.each<[string, string, string | undefined, LoadMode, number[]]>([
    ["12 gal", "4 gal", undefined, "full-then-part", [4, 4, 4]],
    ["12 gal", "4 gal", "0.5 gal", "full-then-part", [4, 4, 4]],
    ["12.000001 gal", "4 gal", undefined, "full-then-part", [4, 4, 4, 0.000001]],
    ["12.000001 gal", "4 gal", "0.5 gal", "full-then-part", [4, 4, 2.0000005, 2.0000005]],
    ["10 gal", "4 gal", "0.5 gal", "full-then-part", [4, 4, 2]],
    ["8.4 gal", "4 gal", "0.5 gal", "full-then-part", [4, 2.2, 2.2]],
    ["8.5 gal", "4 gal", "0.5 gal", "full-then-part", [4, 4, 0.5]],
    ["4.2 gal", "4 gal", "0.5 gal", "full-then-part", [2.1, 2.1]],
    ["3 gal", "4 gal", "0.5 gal", "full-then-part", [3]],
    ["4 gal", "4 gal", "0.5 gal", "full-then-part", [4]],
    ["0.3 gal", "4 gal", "0.5 gal", "full-then-part", [0.3]],
    ["10 gal", "4 gal", "0.5 gal", "equal", [10 / 3, 10 / 3, 10 / 3].map((n) => Number(n.toPrecision(9)))],
    ["12 gal", "4 gal", undefined, "equal", [4, 4, 4]],
  ])("%s in a tank of %s, least %s, %s", (spray, usable, least, mode, expected) =>
    expect(fills(spray, usable, least, mode)).toEqual(expected),
  );

  test("an exact multiple stays one, whatever the units and the last bit of a double", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.double({ min: 0.1, max: 300, noNaN: true }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        (tanks, usable, perThousand) => {
          const u = Number(usable.toPrecision(5));
          const rate = Number(perThousand.toPrecision(4));
          const area = ((tanks * u) / rate) * 1000;
          const made = plan({
            sprayVolume: q(`${rate} gal/1000 ft2`),
            tank: tank(`${u} gal`),
            sites: [site("s", `${area.toFixed(9)} ft2`)],
          });
          expect(made.sites[0]!.loads.length).toBe(tanks);
        },
      ),
    );
  });

  test("loads hold the spray, cover the site and hold the products; none is over the tank", () => {
    const inputs = fc.record({
      areas: fc.array(fc.double({ min: 1, max: 90_000, noNaN: true }), { minLength: 1, maxLength: 5 }),
      usable: fc.double({ min: 0.5, max: 300, noNaN: true }),
      least: fc.double({ min: 0, max: 1, noNaN: true }),
      rate: fc.double({ min: 0.05, max: 6, noNaN: true }),
      mode: fc.constantFrom<LoadMode>("full-then-part", "equal"),
    });
    fc.assert(
      fc.property(inputs, (i) => {
        fc.pre(i.areas.reduce((a, b) => a + b, 0) * i.rate < 1000 * i.usable * 300);
        const usable = i.usable.toFixed(6);
        const least = (Number(usable) * Math.max(0.001, i.least)).toFixed(9);
        const made = plan({
          sprayVolume: q(`${i.rate.toFixed(6)} gal/1000 ft2`),
          tank: tank(`${usable} gal`, `${least} gal`),
          products: [
            dry("0.3 oz/1000 ft2"),
            liquid("1.5 fl oz/1000 ft2"),
            { name: "S", form: "liquid", rate: entered("0.25 %v/v", "strengthByVolume") },
          ],
          sites: [site("s", ...i.areas.map((a) => `${a.toFixed(6)} ft2`))],
          loads: i.mode,
        }).sites[0]!;
        const sum = (of: (load: (typeof made.loads)[number]) => number) =>
          made.loads.reduce((total, load) => total + of(load), 0);
        expectNear(
          sum((l) => num(l.contents.fillTo)),
          num(made.spray),
          1e-8,
        );
        expectNear(
          sum((l) => num(l.contents.covers)),
          num(made.area),
          1e-8,
        );
        made.totals.forEach((total, p) =>
          expectNear(
            sum((l) => num(l.contents.amounts[p] as typeof made.spray)),
            num(total as typeof made.spray),
            1e-8,
          ),
        );
        for (const load of made.loads)
          expect(num(load.contents.fillTo)).toBeLessThanOrEqual(raw(entered(`${usable} gal`, "volume").value) * (1 + 1e-8));
        expect(made.loads.map((l) => l.number)).toEqual(made.loads.map((_, n) => n + 1));
      }),
      { numRuns: 300 },
    );
  });

  test("scaling the area scales every product", () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 40_000, noNaN: true }), fc.integer({ min: 2, max: 9 }), (area, times) => {
        const total = (a: number) => oz(plan({ sites: [site("s", `${a.toFixed(6)} ft2`)] }).sites[0]!.totals[0]!);
        expectNear(total(Number(area.toFixed(6)) * times), times * total(area), 1e-7);
      }),
    );
  });
});

describe("a mix", () => {
  test("many sites, zones and products; every site begins with an empty tank", () => {
    const made = plan({
      products: [dry("0.3 oz/1000 ft2"), liquid("1.5 fl oz/1000 ft2")],
      sites: [site("a", "2500 ft2", "700 ft2"), site("b", "9000 ft2")],
    });
    expect(made.sites.map((s) => [s.name, s.loads.length])).toEqual([
      ["a", 1],
      ["b", 3],
    ]);
    expectNear(gal(made.sites[0]!.spray), 3.2, 1e-12);
    expectNear(oz(made.sites[0]!.totals[0]!), 0.96, 1e-12);
    expectNear(flOz(made.sites[1]!.loads[0]!.contents.amounts[1]!), 6, 1e-12);
  });

  test("a load under the least mix is warned of, and only that", () => {
    const made = plan({ tank: tank("4 gal", "0.5 gal"), sites: [site("small", "300 ft2"), site("right", "500 ft2")] });
    expect(made.warnings).toMatchObject([{ code: "below-least-mix", values: { site: expect.stringContaining("small") } }]);
  });

  test("what it costs", () => {
    const price = { amount: 64, currency: "USD", per: entered("80 oz", "mass") } as const;
    const made = plan({ products: [dry("0.3 oz/1000 ft2", { price })], sites: [site("s", "6200 ft2")] });
    expectNear(made.sites[0]!.costs[0]!.value, 1.488, 1e-12);
    expectNear(costOf(made.sites[0]!.totals[0]!, price), 1.488, 1e-12);
    expect(plan({ sites: [site("s", "6200 ft2")] }).sites[0]!.costs).toEqual([null]);
  });

  test("the working of an amount leads back to what was typed", () => {
    const made = plan({ sites: [site("s", "6200 ft2")] });
    const last = made.sites[0]!.loads.at(-1)!.contents;
    expect(explainAll([last.amounts[0]!], "us").map(lineText)).toEqual([
      "Spray for the site = 1 gal per 1,000 sq ft × 6,200 sq ft = 6.2 gal",
      "Last load = 6.2 gal − 1 × 4 gal = 2.2 gal",
      "A load covers = 2.2 gal ÷ 1 gal per 1,000 sq ft = 2,200 sq ft",
      "Product = 0.3 oz per 1,000 sq ft × 2,200 sq ft = 0.66 oz",
    ]);
  });

  test("packets and dry products first, surfactant and dye last (common practice)", () => {
    const of = (formulation: string | undefined, form: "dry" | "liquid" = "liquid"): MixProduct => ({
      ...liquid("1 fl oz/ac"),
      form,
      ...(formulation && { formulation }),
    });
    const names = ["DYE", "SURFACTANT", "SL", "EC", "SC", "WG", "WSP"];
    expect(pouringOrder(names.map((n) => of(n)))).toEqual([6, 5, 4, 3, 2, 1, 0]);
    expect(pouringOrder([of(undefined), of(undefined, "dry"), of("wg")])).toEqual([1, 2, 0]);
  });

  test("the steps at the tank: half the water, the products, up to the mark", () => {
    const made = plan({
      products: [liquid("1.5 fl oz/1000 ft2"), dry("0.3 oz/1000 ft2", { formulation: "WG" })],
      sites: [site("s", "4000 ft2")],
    });
    const load = fillingsOf(made, 0)[0]!;
    const steps = stepsOf(made.products, load);
    expect(steps.map((s) => s.key)).toEqual(["1.1.water", "1.1.product-2", "1.1.product-1", "1.1.rinse", "1.1.top-up"]);
    expect(steps.flatMap((s) => (s.kind === "product" ? [s.slurry] : []))).toEqual([true, false]);
    expect(steps[0]!.kind === "water" && gal(steps[0]!.to)).toBeCloseTo(2, 12);
    expect(fullness(load.fillTo, given(entered("8 gal", "volume"), "usable"))).toBeCloseTo(0.5, 12);
  });

  test("water to begin with never leaves the products without room", () => {
    const begun = (rate: string, spray: string) => {
      const made = plan({
        products: [liquid(rate)],
        sites: [site("s", "1000 ft2")],
        sprayVolume: q(spray),
      });
      const { fillTo, amounts } = made.sites[0]!.loads[0]!.contents;
      const water = waterFirst(fillTo, amounts);
      return water && [gal(water) * 128, gal(fillTo) * 128, flOz(amounts[0]!)];
    };
    // 8 fl oz in 12: 4 of water, not 6; 4 in 12: half; 12 in 12: none.
    expect(begun("8 fl oz/1000 ft2", "12 fl oz/1000 ft2")![0]).toBeCloseTo(4, 9);
    expect(begun("4 fl oz/1000 ft2", "12 fl oz/1000 ft2")![0]).toBeCloseTo(6, 9);
    expect(begun("12 fl oz/1000 ft2", "12 fl oz/1000 ft2")).toBeNull();
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 11.9, noNaN: true }), (rate) => {
        const [water, fill, product] = begun(`${rate.toFixed(4)} fl oz/1000 ft2`, "12 fl oz/1000 ft2")!;
        expect(water! + product!).toBeLessThanOrEqual(fill! * (1 + 1e-9));
      }),
      { numRuns: 50 },
    );
  });

  test("an amount is never read up past what was worked out, and says which ounce it is", () => {
    const made = plan({
      products: [dry("0.29999 oz/1000 ft2"), liquid("1.49999 fl oz/1000 ft2")],
      sites: [site("s", "1000 ft2")],
    });
    expect(made.sites[0]!.totals.map((t) => readAmount(t, "us"))).toEqual(["0.299 oz", "1.49 fl oz"]);
  });

  test("grams where the rate was typed in grams, millilitres where in millilitres; a metric reader has them anyway", () => {
    const made = plan({
      products: [dry("8 g/1000 ft2"), liquid("12.5 mL/1000 ft2"), dry("0.5 oz/1000 ft2")],
      sites: [site("s", "2000 ft2")],
    });
    const read = (system: "us" | "metric") => made.sites[0]!.totals.map((t) => readAmount(t, system));
    expect(read("us")).toEqual(["16 g", "25 mL", "1 oz"]);
    expect(read("metric")).toEqual(["16 g", "25 mL", "28.3 g"]);
  });
});
