import fc from "fast-check";
import { valueIn } from "../quantity/quantity";
import { entered } from "../quantity/parse";
import { expectNear } from "../testing/near";
import { areaRelative, TAPE_WINS_UNDER, togetherRelative } from "./uncertainty";
import { alongEarth, flatAround, ringOnEarth, type Position } from "./geodesic";
import { crossing, inside, liesIn, meet, withoutRepeats, type Point } from "./ring";
import { areaOfShape, type Shape } from "./shape";
import { closed } from "./traverse";

const ft = (length: number) => entered(`${length.toFixed(6)} ft`, "length");
const ft2 = (shape: Shape) => valueIn(areaOfShape(shape).value, "ft2");
const size = fc.double({ min: 5, max: 500, noNaN: true });

/** A way around corners that are given, as legs with bearings. */
function around(corners: readonly Point[], turned = 0) {
  return corners.map(([x, y], i) => {
    const [u, v] = corners[(i + 1) % corners.length]!;
    const bearing = ((Math.atan2(u - x, v - y) * 180) / Math.PI + turned + 720) % 360;
    return { length: ft(Math.hypot(u - x, v - y)), bearing };
  });
}
/** Corners around a middle, in their order: it never crosses itself. */
const star = fc.array(fc.double({ min: 20, max: 100, noNaN: true }), { minLength: 3, maxLength: 12 }).map((radii) =>
  radii.map((r, i): Point => {
    const angle = (2 * Math.PI * i) / radii.length;
    return [r * Math.cos(angle), r * Math.sin(angle)];
  }),
);
const shoelace = (ring: readonly Point[]) =>
  Math.abs(ring.reduce((sum, [x, y], i) => sum + x * ring[(i + 1) % ring.length]![1] - ring[(i + 1) % ring.length]![0] * y, 0)) /
  2;

describe("an area stays what it is", () => {
  test("cut in two, its parts add up", () =>
    fc.assert(
      fc.property(size, size, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (long, wide, cut) => {
        const whole = ft2({ kind: "rectangle", length: ft(long), width: ft(wide) });
        const parts: Shape[] = [cut, 1 - cut].map((part) => ({ kind: "rectangle", length: ft(long * part), width: ft(wide) }));
        expectNear(ft2({ kind: "parts", parts }), whole, 1e-6);
        const halves: Shape[] = [0, 1].map(() => ({
          kind: "three-sides",
          sides: [ft(long), ft(wide), ft(Math.hypot(long, wide))],
        }));
        expectNear(ft2({ kind: "parts", parts: halves }), whole, 1e-5);
      }),
    ));
  test("turned, begun at another corner or walked the other way, a traverse encloses as much", () =>
    fc.assert(
      fc.property(star, fc.integer({ min: 0, max: 359 }), fc.nat(11), (corners, turn, from) => {
        const there = shoelace(corners);
        const area = (ring: readonly Point[], turned = 0) => ft2({ kind: "traverse", legs: around(ring, turned) });
        expectNear(area(corners), there, 1e-6);
        expectNear(area(corners, turn), there, 1e-6);
        expectNear(area([...corners].reverse()), there, 1e-6);
        const at = from % corners.length;
        expectNear(area([...corners.slice(at), ...corners.slice(0, at)]), there, 1e-6);
      }),
    ));
  test("a way around that closes has no gap; one leg that is off is the gap", () =>
    fc.assert(
      fc.property(star, fc.double({ min: 0.5, max: 5, noNaN: true }), (corners, off) => {
        const legs = around(corners);
        expect(closed(legs).misclosure).toBeLessThan(1e-6);
        const [first, ...rest] = legs;
        const longer = [{ ...first!, length: ft(valueIn(first!.length.value, "ft") + off) }, ...rest];
        expectNear(closed(longer).gap / 0.3048, off, 1e-4);
      }),
    ));
  test("a needle of a triangle keeps its figures", () => {
    // Kahan's example (from memory): sides 100000, 99999.99979 and 0.00029 enclose about 10.0; Heron's sums as they stand lose half of it.
    const sides = ["100000 ft", "99999.99979 ft", "0.00029 ft"].map((side) => entered(side, "length"));
    expectNear(ft2({ kind: "three-sides", sides: sides as never }), 9.99999999, 1e-3);
  });
});

describe("a ring that crosses itself", () => {
  const grid = fc.tuple(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 6 }));
  /** The same by looking at every two pieces, with whole numbers. */
  function naive(ring: readonly Point[]): boolean {
    const turn = (a: Point, b: Point, c: Point) => Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]));
    const on = (a: Point, b: Point, p: Point) =>
      turn(a, b, p) === 0 && (p[0] - a[0]) * (p[0] - b[0]) <= 0 && (p[1] - a[1]) * (p[1] - b[1]) <= 0;
    const n = ring.length;
    for (let i = 0; i < n; i++)
      for (let j = i + 1; j < n; j++) {
        const [a, b, c, d] = [ring[i]!, ring[(i + 1) % n]!, ring[j]!, ring[(j + 1) % n]!];
        const common = j === i + 1 ? b : i === 0 && j === n - 1 ? a : undefined;
        if (common) {
          const [p, q] = common === b ? [a, d] : [b, c];
          if (on(common, p, q) || on(common, q, p)) return true;
        } else if (
          (turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0) ||
          on(a, b, c) ||
          on(a, b, d) ||
          on(c, d, a) ||
          on(c, d, b)
        )
          return true;
      }
    return false;
  }
  test("is found just where every two pieces say so", () => {
    let crossed = 0;
    fc.assert(
      fc.property(fc.array(grid, { minLength: 3, maxLength: 9 }), (points) => {
        const ring = withoutRepeats(points);
        if (ring.length < 3) return;
        const found = crossing(ring);
        if (found) crossed += 1;
        expect(found !== undefined).toBe(naive(ring));
      }),
      { numRuns: 2000 },
    );
    expect(crossed).toBeGreaterThan(100);
  });
  test("two pieces that only touch meet; those that lie beside one another don't", () => {
    expect(meet([0, 0], [2, 0], [1, 0], [1, 5])).toBe(true);
    expect(meet([0, 0], [2, 0], [3, 0], [5, 0])).toBe(false);
    expect(meet([0, 0], [2, 0], [1, 0], [5, 0])).toBe(true);
  });
  const SQUARE: Point[] = [
    [0, 0],
    [4, 0],
    [4, 4],
    [0, 4],
  ];
  test.each<[string, Point[], boolean]>([
    [
      "inside",
      [
        [1, 1],
        [2, 1],
        [2, 2],
      ],
      true,
    ],
    [
      "outside",
      [
        [5, 5],
        [6, 5],
        [6, 6],
      ],
      false,
    ],
    [
      "over the edge",
      [
        [1, 1],
        [6, 1],
        [1, 2],
      ],
      false,
    ],
    [
      "with a corner on the edge",
      [
        [0, 2],
        [1, 1],
        [1, 3],
      ],
      true,
    ],
    ["the whole of it", SQUARE, true],
  ])("a hole %s: %j", (_what, hole, lies) => expect(liesIn(SQUARE, hole)).toBe(lies));
  test("a point on the edge isn't inside", () => {
    expect([inside(SQUARE, [2, 2]), inside(SQUARE, [4, 2]), inside(SQUARE, [5, 2]), inside(SQUARE, [0, 0])]).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });
});

describe("how sure an area is", () => {
  const square = (feet: number) => areaOfShape({ kind: "rectangle", length: ft(feet), width: ft(feet) }).value;
  test("a lawn of 1,000 sq ft by a phone's fixes is worth ±20 %; by tape under ±1 %, by strides under ±10 %", () => {
    const lawn = square(Math.sqrt(1000));
    expect(areaRelative("walk", lawn)).toBeCloseTo(0.2, 2);
    expect(areaRelative("tape", lawn)).toBeLessThan(0.01);
    expect(areaRelative("strides", lawn)).toBeLessThan(0.1);
    expect(areaRelative("strides", lawn)).toBeGreaterThan(areaRelative("wheel", lawn));
    expect(areaRelative("map", lawn)).toBeLessThan(areaRelative("walk", lawn));
  });
  test("a walk is worth more on more ground; under some size the tape wins", () => {
    expect(areaRelative("walk", square(400))).toBeLessThan(0.02);
    const edge = square(Math.sqrt(TAPE_WINS_UNDER / 0.09290304));
    expect(areaRelative("walk", edge)).toBeCloseTo(0.05, 9);
    expect(TAPE_WINS_UNDER / 0.09290304).toBeCloseTo(16_200, -2);
  });
  test("zones together are surer than each of them; what was typed says nothing", () => {
    const zone = { area: square(100), by: "strides" as const };
    expect(togetherRelative([zone])).toBeCloseTo(areaRelative("strides", zone.area), 12);
    expect(togetherRelative([zone, zone])).toBeCloseTo(areaRelative("strides", zone.area) / Math.SQRT2, 12);
    expect(togetherRelative([zone, { area: zone.area, by: null }])).toBeCloseTo(areaRelative("strides", zone.area) / 2, 12);
    expect(togetherRelative([{ area: zone.area, by: null }])).toBeNull();
  });
  // Corners that are each off by σ, drawn with a fixed seed: the spread of a square's area is √2 · σ · side.
  test("as corners drawn at random say", () => {
    let seed = 7;
    const uniform = () => ((seed = (seed * 48271) % 2147483647) + 0.5) / 2147483647;
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const side = 10;
    const areas = Array.from({ length: 4000 }, () =>
      shoelace(
        (
          [
            [0, 0],
            [side, 0],
            [side, side],
            [0, side],
          ] as Point[]
        ).map(([x, y]) => [x + 0.7 * normal(), y + 0.7 * normal()]),
      ),
    );
    const mean = areas.reduce((sum, a) => sum + a, 0) / areas.length;
    const spread = Math.sqrt(areas.reduce((sum, a) => sum + (a - mean) ** 2, 0) / areas.length);
    expect(spread / (Math.SQRT2 * 0.7 * side)).toBeCloseTo(1, 1);
  });
});

describe("on the earth", () => {
  const lawn: Position[] = [
    [-74, 40],
    [-73.999, 40],
    [-73.999, 40.001],
    [-74, 40.001],
  ];
  test("laid flat a lawn keeps its area and its sides", () => {
    const flat = flatAround(lawn[0]!, lawn);
    expectNear(shoelace(flat), ringOnEarth(lawn).area, 1e-4);
    expectNear(Math.hypot(...flat[1]!), alongEarth(lawn.slice(0, 2)), 1e-9);
  });
  // On WGS 84 a degree of latitude at the equator is 110,574 m, one of longitude 111,320 m (from memory).
  test("a degree has its length", () => {
    expectNear(
      alongEarth([
        [0, 0],
        [0, 1],
      ]),
      110_574,
      1e-5,
    );
    expectNear(
      alongEarth([
        [0, 0],
        [1, 0],
      ]),
      111_320,
      1e-5,
    );
  });
});
