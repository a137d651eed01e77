import fc from "fast-check";
import { quantity } from "../quantity/quantity";
import { valueIn } from "../quantity/quantity";
import { cheapestSet, type Size } from "./buy";

const pounds = (n: number) => quantity("mass", n, "lb");
const size = (n: number, price: number | null): Size => ({ content: pounds(n), price });

test("whole packages, the cheapest set: a large and a small one where that is less than two large ones", () => {
  const sizes = [size(40, 62), size(10, 18)];
  expect(cheapestSet(pounds(45), sizes)).toMatchObject({ counts: [1, 1], price: 80 });
  expect(cheapestSet(pounds(65), sizes)).toMatchObject({ counts: [1, 3], price: 116 });
  expect(cheapestSet(pounds(75), sizes)).toMatchObject({ counts: [2, 0], price: 124 });
  // 250 lb of 50 lb bags are five bags: no hair of a sum makes a sixth.
  expect(cheapestSet(pounds(250), [size(50, 20)])).toMatchObject({ counts: [5] });
});

test("without a price the least is left over; nothing sold or needed is nothing bought", () => {
  const found = cheapestSet(pounds(41), [size(40, null), size(10, 18)])!;
  expect([found.counts, found.price, valueIn(found.over as ReturnType<typeof pounds>, "lb")]).toEqual([
    [1, 1],
    null,
    expect.closeTo(9, 9),
  ]);
  expect(cheapestSet(pounds(1), [])).toBeUndefined();
  expect(cheapestSet(pounds(0), [size(1, 1)])).toBeUndefined();
});

test("no other set of packages is cheaper", () => {
  const sizes = fc.array(fc.tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 30 })), {
    minLength: 1,
    maxLength: 3,
  });
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), sizes, (need, list) => {
      const found = cheapestSet(
        pounds(need),
        list.map(([n, price]) => size(n, price)),
      )!;
      // By money: the most that can be had for so much, as long as it isn't enough.
      const most = [0];
      let money = 0;
      while (most[money]! < need) {
        money += 1;
        most[money] = Math.max(most[money - 1]!, ...list.map(([n, price]) => (price <= money ? most[money - price]! + n : 0)));
      }
      expect(found.price).toBeCloseTo(money, 9);
      expect(found.counts.reduce((sum, count, i) => sum + count * list[i]![0], 0)).toBeGreaterThanOrEqual(need);
    }),
  );
});

test("a season of several sizes", () => {
  const sizes = [size(50, 61), size(40, 50.5), size(25, 33), size(10, 14.2), size(5, 7.9), size(1, 1.75)];
  expect(cheapestSet(pounds(12_345), sizes)!.counts.reduce((a, b) => a + b, 0)).toBeGreaterThan(240);
});
