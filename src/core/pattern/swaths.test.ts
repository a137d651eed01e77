import fc from "fast-check";
import { extremes, overlap, swathsOf, variation, widestWithin, worseOf } from "./swaths";

/** By brute force: many passes over a long strip, what lies in the middle of it. */
function naive(deposit: readonly number[], swath: number, backAndForth: boolean): number[] {
  const passes = 2 * Math.ceil(deposit.length / swath) + 6;
  const ground = new Map<number, number>();
  for (let pass = 0; pass < passes; pass++)
    for (let i = 0; i < deposit.length; i++) {
      const at = pass * swath + i;
      const amount = backAndForth && pass % 2 === 1 ? deposit[deposit.length - 1 - i]! : deposit[i]!;
      ground.set(at, (ground.get(at) ?? 0) + amount);
    }
  const from = 2 * swath * Math.ceil(deposit.length / (2 * swath));
  return Array.from({ length: backAndForth ? 2 * swath : swath }, (_, i) => ground.get(from + i)!);
}

const close = (a: readonly number[], b: readonly number[]) => {
  expect(a.length).toBe(b.length);
  const sorted = (list: readonly number[]) => [...list].sort((x, y) => x - y);
  sorted(a).forEach((value, i) => expect(value).toBeCloseTo(sorted(b)[i]!, 9));
};

const deposits = fc
  .array(fc.integer({ min: 0, max: 100 }), { minLength: 3, maxLength: 24 })
  .filter((list) => list.some((amount) => amount > 0));

test("the overlapped pattern is that of many passes over one another, by brute force", () => {
  fc.assert(
    fc.property(deposits, fc.nat(23), (deposit, pick) => {
      const swath = (pick % deposit.length) + 1;
      const { sameWay, backAndForth } = overlap(deposit, swath);
      close(sameWay, naive(deposit, swath, false));
      close(backAndForth, naive(deposit, swath, true));
    }),
  );
});

test("a triangle, worked by hand: at half its base it is even, at its base it is not", () => {
  // 0 1 2 3 4 3 2 1 0: passes four apart add up to 4 everywhere.
  const triangle = [0, 1, 2, 3, 4, 3, 2, 1];
  const swaths = swathsOf(triangle);
  expect(swaths[3]).toMatchObject({ spacings: 4, mean: 4, sameWay: 0 });
  // Eight apart they don't meet: 0 1 2 3 4 3 2 1 has the mean 2 and the variance 1.5.
  expect(swaths[7]!.sameWay).toBeCloseTo(Math.sqrt(1.5) / 2, 12);
  expect(variation([2, 4, 4, 4, 5, 5, 7, 9])).toBeCloseTo(2 / 5, 12);
});

test("a pattern that is the same both ways is as even there and back; a lopsided one isn't", () => {
  const even = [0, 2, 5, 9, 10, 9, 5, 2, 0];
  for (const { sameWay, backAndForth } of swathsOf(even)) expect(backAndForth).toBeCloseTo(sameWay, 12);
  const lopsided = [0, 8, 10, 6, 4, 2, 1, 0];
  expect(swathsOf(lopsided).some(({ sameWay, backAndForth }) => Math.abs(sameWay - backAndForth) > 0.05)).toBe(true);
});

test("the widest that is even enough, also where a narrower one isn't; the least and the most at it", () => {
  const deposit = [0, 2, 5, 9, 10, 9, 5, 2, 0];
  const swaths = swathsOf(deposit);
  const best = widestWithin(swaths, 0.15)!;
  expect(worseOf(best)).toBeLessThanOrEqual(0.15);
  expect(swaths.slice(best.spacings).every((wider) => worseOf(wider) > 0.15)).toBe(true);
  const { under, over } = extremes(deposit, best);
  expect([under <= 1, over >= 1]).toEqual([true, true]);
  expect(widestWithin(swathsOf([1, 0, 0, 0, 9]), 0.0001)?.spacings).toBe(1);
});

test("what is put down is put down whichever way it is walked: the mean times the swath is the pass", () => {
  fc.assert(
    fc.property(deposits, (deposit) => {
      const total = deposit.reduce((sum, amount) => sum + amount, 0);
      for (const { spacings, mean } of swathsOf(deposit)) {
        const { sameWay, backAndForth } = overlap(deposit, spacings);
        expect(mean * spacings).toBeCloseTo(total, 9);
        expect(sameWay.reduce((sum, amount) => sum + amount, 0)).toBeCloseTo(total, 9);
        expect(backAndForth.reduce((sum, amount) => sum + amount, 0)).toBeCloseTo(2 * total, 9);
      }
    }),
  );
});
