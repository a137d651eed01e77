import fc from "fast-check";
import { atLeast, atMost, isSame, isWithin } from "./slack";

const number = fc.double({ min: 1e-6, max: 1e6, noNaN: true });

test("what was reached by another way of reckoning is the bound itself", () => {
  // 0.1 + 0.2 is 0.30000000000000004 in doubles; 1 − 0.95 is 0.050000000000000044.
  expect([0.1 + 0.2 <= 0.3, atMost(0.1 + 0.2, 0.3)]).toEqual([false, true]);
  expect([0.3 >= 0.1 + 0.2, atLeast(0.3, 0.1 + 0.2)]).toEqual([false, true]);
  expect([Math.abs(0.95 - 1) <= 0.05, isWithin(0.95, 0.05), isWithin(1.05, 0.05)]).toEqual([false, true, true]);
  expect(isSame(0.1 + 0.2, 0.3)).toBe(true);
});

test("anything that can be measured lies on its own side", () =>
  fc.assert(
    fc.property(number, fc.double({ min: 1e-6, max: 1, noNaN: true }), (bound, part) => {
      expect([atMost(bound, bound), atLeast(bound, bound)]).toEqual([true, true]);
      expect([atMost(bound * (1 + part), bound), atLeast(bound * (1 + part), bound)]).toEqual([false, true]);
      expect([atMost(bound / (1 + part), bound), atLeast(bound / (1 + part), bound)]).toEqual([true, false]);
      expect([isSame(bound, bound * (1 + part)), isWithin(1 + 2 * part, part)]).toEqual([false, false]);
    }),
  ));
