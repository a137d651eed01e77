import fc from "fast-check";
import { seeded } from "../risk/chance";
import { depositOf } from "./look";
import { fitted, median, parting } from "./least-squares";
import { closed, distances, filled, hullOf, opened, outlined, pieces, type Mask } from "./mask";
import { fallenPerPixel } from "./overlap";
import { areaOf, ordered, quadIn, sidesOf, within, type Point } from "./quad";
import { onPicture } from "./square-up";

const maskOf = (...rows: string[]): Mask => ({
  width: rows[0]!.length,
  height: rows.length,
  on: Uint8Array.from(rows.join(""), (c) => (c === "#" ? 1 : 0)),
});
const drawn = ({ width, on }: Mask) =>
  Array.from({ length: on.length / width }, (_, y) =>
    [...on.subarray(y * width, (y + 1) * width)].map((one) => (one ? "#" : ".")).join(""),
  );
const masks = fc.integer({ min: 3, max: 14 }).chain((width) =>
  fc.array(fc.boolean(), { minLength: 3 * width, maxLength: 12 * width }).map((cells): Mask => {
    const height = Math.floor(cells.length / width);
    return { width, height, on: Uint8Array.from(cells.slice(0, width * height), Number) };
  }),
);

describe("masks", () => {
  test("closing fills gaps and keeps what was on; opening takes specks away and adds nothing", () => {
    fc.assert(
      fc.property(masks, fc.integer({ min: 1, max: 3 }), (mask, by) => {
        const [more, less] = [closed(mask, by), opened(mask, by)];
        mask.on.forEach((one, i) => {
          if (one) expect(more.on[i]).toBe(1);
          else expect(less.on[i]).toBe(0);
        });
      }),
    );
    expect(drawn(closed(maskOf("........", "..#.#...", "..#.#...", "........"), 1))[1]).toBe("..###...");
  });
  test("a hole is filled, a bay is not", () => {
    expect(drawn(filled(maskOf("####.", "#..#.", "####.", "....#")))).toEqual(["####.", "####.", "####.", "....#"]);
    expect(drawn(filled(maskOf("####", "#...", "####")))).toEqual(["####", "#...", "####"]);
  });
  test("pieces hang together over corners", () => {
    expect(pieces(maskOf("#..", ".#.", "..#")).count).toBe(1);
    expect(pieces(maskOf("#.#", "...", "#.#")).count).toBe(4);
    expect(outlined(maskOf(".....", ".##..", ".##..", "....."), 2)).toMatchObject([{ size: 4, cut: false }]);
  });
  test("distances to what is off are those of a slow search", () => {
    fc.assert(
      fc.property(masks, (mask) => {
        fc.pre(mask.on.some((one) => one === 0));
        const fast = distances(mask);
        mask.on.forEach((one, i) => {
          const [x, y] = [i % mask.width, Math.floor(i / mask.width)];
          let least = Infinity;
          mask.on.forEach((other, j) => {
            if (other === 0) least = Math.min(least, (x - (j % mask.width)) ** 2 + (y - Math.floor(j / mask.width)) ** 2);
          });
          expect(fast[i]).toBe(one ? least : 0);
        });
      }),
      { numRuns: 40 },
    );
  });
});

describe("corners", () => {
  const points = fc
    .tuple(fc.double({ min: 0, max: 100, noNaN: true }), fc.double({ min: 0, max: 100, noNaN: true }))
    .map(([x, y]): Point => ({ x, y }));
  test("an outline holds every one of its points", () => {
    fc.assert(
      fc.property(fc.array(points, { minLength: 5, maxLength: 40 }), (all) => {
        const hull = hullOf(all);
        fc.pre(hull.length >= 3 && areaOf(hull) > 1);
        const middle = { x: hull.reduce((s, p) => s + p.x, 0) / hull.length, y: hull.reduce((s, p) => s + p.y, 0) / hull.length };
        // Drawn in by a hair, for points that lie on the outline itself.
        for (const p of all)
          expect(within(hull, { x: p.x + (middle.x - p.x) * 1e-6, y: p.y + (middle.y - p.y) * 1e-6 })).toBe(true);
      }),
    );
  });
  test("a quad's own corners are found again among more points on its sides", () => {
    const corners = ordered([
      { x: 10, y: 12 },
      { x: 90, y: 20 },
      { x: 88, y: 52 },
      { x: 8, y: 44 },
    ]);
    const sides = corners.flatMap((a, i) =>
      [0, 0.25, 0.5, 0.75].map((t) => ({
        x: a.x + (corners[(i + 1) % 4]!.x - a.x) * t,
        y: a.y + (corners[(i + 1) % 4]!.y - a.y) * t,
      })),
    );
    expect(quadIn(hullOf(sides))).toEqual(corners);
    expect(sidesOf(corners).long).toBeGreaterThan(sidesOf(corners).short);
  });
  test("squaring up sends the unit square's corners to the card's, and straight lines to straight ones", () => {
    const quad = ordered([
      { x: 5, y: 9 },
      { x: 71, y: 2 },
      { x: 80, y: 40 },
      { x: 1, y: 33 },
    ]);
    const map = onPicture(quad);
    [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ].forEach(([u, v], i) => {
      expect(map(u!, v!).x).toBeCloseTo(quad[i]!.x, 9);
      expect(map(u!, v!).y).toBeCloseTo(quad[i]!.y, 9);
    });
    const [a, b, c] = [map(0, 0.5), map(0.4, 0.5), map(1, 0.5)];
    expect((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)).toBeCloseTo(0, 6);
  });
});

describe("fits", () => {
  test("a plane through points on a plane is that plane", () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 })),
        ([a, b, c]) => {
          const at = [
            [0, 0],
            [1, 0],
            [0, 1],
            [1, 1],
            [0.5, 0.2],
          ] as const;
          const made = fitted(
            at.flatMap(([x, y]) => [1, x, y]),
            at.map(([x, y]) => a + b * x + c * y),
            null,
            3,
          );
          [a, b, c].forEach((value, i) => expect(made[i]).toBeCloseTo(value, 5));
        },
      ),
    );
  });
  test("two heaps part between them; the middle is the middle", () => {
    expect(parting([9, 9, 0, 0, 0, 4, 4])).toBeGreaterThan(1);
    expect(parting([9, 9, 0, 0, 0, 4, 4])).toBeLessThan(6);
    expect(median([5, 1, 9])).toBe(5);
  });
});

describe("droplets that hide one another", () => {
  test.each([
    [60, 12],
    [150, 14],
    [40, 30],
  ])("%i discs of radius %i at random on a torus-free field: those that fell, within 12 %%", (perField, r) => {
    const side = 700;
    const found: number[] = [];
    for (let seed = 1; seed <= 4; seed += 1) {
      const uniform = seeded(seed * 31 + r);
      const on = new Uint8Array(side * side);
      // Over the edge too, so that the field is a piece of a larger one.
      const wide = side + 2 * r;
      const count = Math.round((perField * wide * wide) / (side * side));
      for (let k = 0; k < count; k += 1) {
        const [cx, cy] = [uniform() * wide - r, uniform() * wide - r];
        for (let y = Math.max(0, Math.ceil(cy - r)); y <= Math.min(side - 1, cy + r); y += 1)
          for (let x = Math.max(0, Math.ceil(cx - r)); x <= Math.min(side - 1, cx + r); x += 1)
            if ((x - cx) ** 2 + (y - cy) ** 2 <= r * r) on[y * side + x] = 1;
      }
      found.push(fallenPerPixel({ width: side, height: side, on }) * side * side);
    }
    const mean = found.reduce((sum, n) => sum + n, 0) / found.length;
    expect(Math.abs(mean / perField - 1)).toBeLessThan(0.12);
  });
  test("what fell grows faster than what is covered, and starts as it", () => {
    expect(depositOf(0)).toBeCloseTo(0);
    expect(depositOf(0.01)).toBeCloseTo(0.01, 3);
    expect(depositOf(0.5)).toBeCloseTo(Math.LN2, 9);
    expect(Number.isFinite(depositOf(1))).toBe(true);
  });
});
