import fc from "fast-check";
import { entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { expectNear } from "../testing/near";
import { activeTotals, type ProductTotal } from "./totals";

const dry = (oz: number, share: string, product = "Granule"): ProductTotal => ({
  product,
  amount: { of: "mass", value: quantity("mass", oz, "oz") },
  actives: [{ name: "Quarril", content: entered(share, "share") }],
});
const wet = (more: Partial<ProductTotal>): ProductTotal => ({
  product: "Liquid",
  amount: { of: "volume", value: quantity("volume", 128, "fl oz") },
  actives: [{ name: "quarril", content: entered("4 lb/gal", "activeStrength") }],
  ...more,
});

test("40 % of 10 oz and 4 lb in a gallon are 4 oz and 4 lb of one active, whatever its capitals", () => {
  const [one, ...others] = activeTotals([dry(10, "40 %"), wet({})]);
  expect(others).toEqual([]);
  expect(one).toMatchObject({ active: "Quarril", open: [] });
  expectNear(valueIn(one!.amount, "oz"), 4 + 64, 1e-12);
});

test("a liquid by weight needs its specific gravity: a gallon of 1.2 with 10 % holds 1.0015 lb; without it, it is open", () => {
  const actives = [{ name: "Quarril", content: entered("10 %", "share") }];
  // A gallon is 3,785.411784 mL; 1.2 × 0.1 of that in grams.
  const [known] = activeTotals([wet({ actives, gravity: entered("1.2", "gravity") })]);
  expectNear(valueIn(known!.amount, "g"), 3785.411784 * 0.12, 1e-9);
  const [open] = activeTotals([wet({ actives }), dry(10, "40 %")]);
  expect(open).toMatchObject({ open: ["Liquid"] });
  expectNear(valueIn(open!.amount, "oz"), 4, 1e-12);
});

test("a strength by volume says nothing of a weighed product", () => {
  const strange: ProductTotal = {
    ...dry(10, "40 %"),
    actives: [{ name: "Quarril", content: entered("4 lb/gal", "activeStrength") }],
  };
  expect(activeTotals([strange])[0]).toMatchObject({ open: ["Granule"] });
});

test("two lists together are both added up", () => {
  const list = fc.array(fc.tuple(fc.integer({ min: 1, max: 999 }), fc.integer({ min: 1, max: 99 })), { maxLength: 8 });
  const total = (products: readonly ProductTotal[]) =>
    activeTotals(products).reduce((sum, one) => sum + valueIn(one.amount, "g"), 0);
  fc.assert(
    fc.property(list, list, (a, b) => {
      const of = (pairs: typeof a) => pairs.map(([oz, share]) => dry(oz, `${share} %`));
      expect(total([...of(a), ...of(b)])).toBeCloseTo(total(of(a)) + total(of(b)), 6);
    }),
  );
});
