import fc from "fast-check";
import { PRODUCT_USES, type ProductUse } from "../hose-end/suitability";
import type { Form, LabelRate } from "../labels/label-rate";
import { parseRate } from "../labels/rate";
import { entered } from "../quantity/parse";
import { overCarried, plausibleMost, slipsOfBound, type Plain } from "./of-bound";
import { slipsOfTank } from "./of-reading";

const rate = (text: string, form: Form): LabelRate => {
  const read = parseRate(text, form);
  if (!read.ok) throw new Error(text);
  return read.value;
};
const asked = (text: string, product: Plain, alike: Parameters<typeof slipsOfBound>[2]["alike"] = []) =>
  slipsOfBound(rate(text, product.form), product, { alike }, "us").map(({ code, corrected }) => [code, corrected]);

describe("a rate that no label bounds", () => {
  test("pounds for an acre that are typed for 1,000 sq ft are asked about, whatever it is used as", () => {
    // Turf labels ask for a half to four pounds an acre of what disperses (common practice).
    for (const use of [undefined, "herbicide", "pre-emergent", "fungicide", "insecticide"] as (ProductUse | undefined)[])
      for (const pounds of [1, 1.5, 2, 3, 4])
        expect([use, asked(`${pounds} lb/1000 ft2`, { form: "dry", formulation: "WG", use })[0]]).toEqual([
          use,
          ["acre-for-1000", `${pounds} lb/ac`],
        ]);
    expect(asked("2 gal/1000 ft2", { form: "liquid" })[0]![1]).not.toBeNull();
  });
  test.each<[string, Plain]>([
    ["0.2 oz/1000 ft2", { form: "dry", formulation: "WG", use: "herbicide" }],
    ["5.5 oz/1000 ft2", { form: "dry", formulation: "WG", use: "fungicide" }],
    ["0.47 lb/ac", { form: "dry", use: "herbicide" }],
    ["3 lb/1000 ft2", { form: "dry", formulation: "G", use: "fertilizer" }],
    ["1.5 fl oz/1000 ft2", { form: "liquid" }],
    ["6 fl oz/1000 ft2", { form: "liquid", use: "wetting agent" }],
    ["2 oz/100 gal", { form: "dry" }],
  ])("%s is plausible and never asked about", (text, product) => expect(asked(text, product)).toEqual([]));
  test("what nothing explains is asked about all the same", () =>
    expect(asked("400 lb/1000 ft2", { form: "dry", use: "fertilizer" })).toEqual([["unusual-rate", null]]));
  test("another card of the same active says what it should be, by how much of it each holds", () => {
    const alike = [{ name: "Quayrafen", least: rate("0.2 oz/1000 ft2", "dry"), most: rate("0.4 oz/1000 ft2", "dry"), times: 2 }];
    const product: Plain = { form: "dry", formulation: "WG", use: "herbicide" };
    expect(asked("0.6 oz/1000 ft2", product, alike)).toEqual([]);
    expect(asked("3.5 oz/1000 ft2", product, alike)).toContainEqual(["decimal-point", "0.35 oz/1000 ft2"]);
    expect(
      slipsOfBound(rate("5 oz/1000 ft2", "dry"), product, { alike: [{ ...alike[0]!, times: 0.001 }] }, "us")[0]!.says,
    ).toMatch(/./);
  });
  test("what is at most plausible is never asked about, what is ten times that always", () => {
    const form = fc.constantFrom<Form>("dry", "liquid");
    fc.assert(
      fc.property(
        form,
        fc.constantFrom(undefined, ...PRODUCT_USES),
        fc.double({ min: 0.001, max: 1, noNaN: true }),
        (of, use, part) => {
          const product: Plain = { form: of, use };
          const most = plausibleMost(product);
          const unit = of === "dry" ? "oz/1000 ft2" : "fl oz/1000 ft2";
          expect(asked(`${Number((most.number * part).toPrecision(4))} ${unit}`, product)).toEqual([]);
          expect(asked(`${Number((most.number * (10 + part)).toPrecision(4))} ${unit}`, product)).not.toEqual([]);
        },
      ),
    );
  });
});

test("twenty pounds in a four gallon pack are more than it can carry; a label's ounces aren't", () => {
  const at = (text: string, product: Plain, volume: string) =>
    overCarried(rate(text, product.form), product, entered(volume, "sprayVolume").value) !== null;
  const powder: Plain = { form: "dry", formulation: "WP" };
  expect(at("80 oz/1000 ft2", powder, "1 gal/1000 ft2")).toBe(true);
  expect(at("8 oz/1000 ft2", powder, "1 gal/1000 ft2")).toBe(false);
  expect(at("48 oz/1000 ft2", { ...powder, use: "fertilizer" }, "1 gal/1000 ft2")).toBe(false);
  expect(at("70 fl oz/1000 ft2", { form: "liquid" }, "1 gal/1000 ft2")).toBe(true);
  expect(at("3 lb/1000 ft2", { form: "dry", formulation: "G" }, "1 gal/1000 ft2")).toBe(false);
});

test("a jar of 32 gal was 32 fl oz, a pack of 15 gal 15 L", () => {
  const of = (text: string, kind: "hose-end" | "backpack" | "boom") =>
    slipsOfTank(entered(text, "volume"), kind).map((slip) => slip.corrected);
  expect(of("32 gal", "hose-end")).toContain("32 fl oz");
  expect(of("15 gal", "backpack")).toContain("15 L");
  expect(of("40 gal", "backpack")).toContain("4 gal");
  expect([of("4 gal", "backpack"), of("300 gal", "boom"), of("32 fl oz", "hose-end")]).toEqual([[], [], []]);
});
