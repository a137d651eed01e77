import Flatbush from "flatbush";
import { orient2d } from "robust-predicates";

/**
 * A ring of points in a plane: whether it crosses itself, and where. The index and the exact test of which side a point lies on
 * are libraries of their own, so that a ring of a hundred thousand points is looked at in well under a second, and a needle of a
 * corner isn't taken for a crossing.
 */
export type Point = readonly [x: number, y: number];

/** Points without those that repeat the one before them, and without a last one that repeats the first. */
export function withoutRepeats<P extends readonly [number, number, ...number[]]>(points: readonly P[]): P[] {
  const kept = points.filter((point, i) => i === 0 || point[0] !== points[i - 1]![0] || point[1] !== points[i - 1]![1]);
  const [first, last] = [kept[0], kept.at(-1)];
  return kept.length > 1 && first![0] === last![0] && first![1] === last![1] ? kept.slice(0, -1) : kept;
}

/** Which side of the line from a to b a point lies on: above nought, below, or on it. */
const side = (a: Point, b: Point, p: Point): number => Math.sign(orient2d(a[0], a[1], b[0], b[1], p[0], p[1]));

const between = (a: Point, b: Point, p: Point): boolean =>
  Math.min(a[0], b[0]) <= p[0] && p[0] <= Math.max(a[0], b[0]) && Math.min(a[1], b[1]) <= p[1] && p[1] <= Math.max(a[1], b[1]);

/** Whether two pieces of line have a point in common. */
export function meet(a: Point, b: Point, c: Point, d: Point): boolean {
  const [ca, cb, ac, ad] = [side(c, d, a), side(c, d, b), side(a, b, c), side(a, b, d)];
  if (ca * cb < 0 && ac * ad < 0) return true;
  return (
    (ca === 0 && between(c, d, a)) ||
    (cb === 0 && between(c, d, b)) ||
    (ac === 0 && between(a, b, c)) ||
    (ad === 0 && between(a, b, d))
  );
}

/** The pieces of a ring by their place, for what lies near a piece. */
export function indexOf(ring: readonly Point[]): Flatbush {
  const index = new Flatbush(ring.length);
  ring.forEach(([x, y], i) => {
    const [u, v] = ring[(i + 1) % ring.length]!;
    index.add(Math.min(x, u), Math.min(y, v), Math.max(x, u), Math.max(y, v));
  });
  index.finish();
  return index;
}

/**
 * Where a ring crosses or touches itself: the numbers of two of its pieces, each from that point to the next; undefined where it
 * doesn't. @param ring at least three points, none repeated beside itself
 */
export function crossing(ring: readonly Point[]): readonly [number, number] | undefined {
  const index = indexOf(ring);
  const n = ring.length;
  for (let i = 0; i < n; i++) {
    const [a, b] = [ring[i]!, ring[(i + 1) % n]!];
    const near = index.search(
      Math.min(a[0], b[0]),
      Math.min(a[1], b[1]),
      Math.max(a[0], b[0]),
      Math.max(a[1], b[1]),
      (j) => j > i,
    );
    for (const j of near.sort((p, q) => p - q)) {
      const [c, d] = [ring[j]!, ring[(j + 1) % n]!];
      const after = j === i + 1;
      const before = i === 0 && j === n - 1;
      // Two pieces that follow one another have a corner in common: they cross where one runs back over the other.
      if (after || before) {
        const [from, corner, to] = after ? [a, b, d] : [c, d, b];
        const back =
          side(from, corner, to) === 0 &&
          (from[0] - corner[0]) * (to[0] - corner[0]) + (from[1] - corner[1]) * (to[1] - corner[1]) > 0;
        if (back) return [i, j];
      } else if (meet(a, b, c, d)) return [i, j];
    }
  }
  return undefined;
}

/** Whether a point lies inside a ring; on its edge it doesn't. */
export function inside(ring: readonly Point[], [x, y]: Point): boolean {
  let within = false;
  for (let i = 0; i < ring.length; i++) {
    const [a, b] = [ring[i]!, ring[(i + 1) % ring.length]!];
    const turn = side(a, b, [x, y]);
    if (turn === 0 && between(a, b, [x, y])) return false;
    if (a[1] > y !== b[1] > y && turn > 0 === b[1] > a[1]) within = !within;
  }
  return within;
}

/** Whether one ring lies wholly in another and touches it nowhere but, at most, in single corners. */
export function liesIn(outer: readonly Point[], hole: readonly Point[]): boolean {
  const index = indexOf(outer);
  const crosses = hole.some((a, i) => {
    const b = hole[(i + 1) % hole.length]!;
    const near = index.search(Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.max(a[0], b[0]), Math.max(a[1], b[1]));
    return near.some((j) => {
      const [c, d] = [outer[j]!, outer[(j + 1) % outer.length]!];
      return side(c, d, a) * side(c, d, b) < 0 && side(a, b, c) * side(a, b, d) < 0;
    });
  });
  return !crosses && (hole.some((point) => inside(outer, point)) || hole.every((point) => onEdge(outer, point)));
}

const onEdge = (ring: readonly Point[], point: Point): boolean =>
  ring.some((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    return side(a, b, point) === 0 && between(a, b, point);
  });
