import fc from "fast-check";
import type { Point } from "./ring";
import { workOrder } from "./order";

const square = (x: number, y: number, side: number): Point[] => [
  [x, y],
  [x + side, y],
  [x + side, y + side],
  [x, y + side],
];

test("the back first, the front by the gate last, each from its far corner", () => {
  const front = [square(0, 0, 10)];
  const back = [square(0, 30, 10)];
  const side = [square(12, 5, 5)];
  expect(workOrder([front, side, back], [6, -2])).toEqual([
    { zone: 2, start: [0, 40] },
    { zone: 1, start: [17, 10] },
    { zone: 0, start: [0, 10] },
  ]);
});
test("a gate in a lawn makes it the last", () =>
  expect(workOrder([[square(0, 0, 10)], [square(11, 0, 1)]], [9, 5]).map(({ zone }) => zone)).toEqual([1, 0]));
test("a zone without a ring has no place in it", () => expect(workOrder([[], [square(0, 0, 1)]], [0, 0])).toHaveLength(1));
test("turned, moved and asked in another order it is the same order", () =>
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: 1, max: 99 })), {
        minLength: 2,
        maxLength: 5,
        selector: ([x, y]) => `${x * x + y * y}`,
      }),
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      fc.integer({ min: -1000, max: 1000 }),
      (places, angle, move) => {
        const turn = ([x, y]: Point): Point => [
          x * Math.cos(angle) - y * Math.sin(angle) + move,
          x * Math.sin(angle) + y * Math.cos(angle) - move,
        ];
        const zones = places.map(([x, y]) => [square(x * 100, y * 100, 1)]);
        const order = workOrder(zones, [0.3, -0.7]).map(({ zone }) => zone);
        const turned = zones.map((rings) => rings.map((ring) => ring.map(turn)));
        expect(workOrder(turned, turn([0.3, -0.7])).map(({ zone }) => zone)).toEqual(order);
        const back = workOrder([...zones].reverse(), [0.3, -0.7]).map(({ zone }) => zones.length - 1 - zone);
        expect(back).toEqual(order);
      },
    ),
  ));
