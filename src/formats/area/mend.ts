import { unrolled, type Position } from "@/core/area/geodesic";
import { crossing, withoutRepeats, type Point } from "@/core/area/ring";
import type { BrokenRing } from "./map";

/** What of a ring that is none may be kept; a person looks at it and decides. */

/** So many crossings of one ring are undone: one that has more is no outline of anything. */
const MOST_CROSSINGS = 40;

/**
 * An open ring closed by a straight line; swapped coordinates the right way round (the points come so); of one that crosses
 * itself the largest loop. Undefined where nothing sound is left, and for a hole that lies outside: what it was meant to leave
 * out nobody knows.
 */
export function mendedRing(what: BrokenRing["what"], points: readonly Position[]): readonly Position[] | undefined {
  if (what === "hole") return undefined;
  let ring = withoutRepeats(points);
  if (ring.length < 3) return undefined;
  for (let i = 0; i <= MOST_CROSSINGS; i++) {
    const cross = crossing(unrolled(ring));
    if (!cross) return ring;
    ring = largerLoop(ring, cross);
    if (ring.length < 3) return undefined;
  }
  return undefined;
}

/** Of the two loops that a crossing makes, the one around more ground. */
function largerLoop(ring: readonly Position[], [i, j]: readonly [number, number]): Position[] {
  const n = ring.length;
  const flat = unrolled(ring);
  const meets = meeting(flat[i]!, flat[(i + 1) % n]!, flat[j]!, flat[(j + 1) % n]!);
  // Two edges along one another: the corner between them is a spike.
  if (!meets) return ring.filter((_, k) => k !== (i === 0 && j === n - 1 ? 0 : i + 1));
  const first = [...ring.slice(i + 1, j + 1)];
  const second = [...ring.slice(j + 1), ...ring.slice(0, i + 1)];
  const loops = [first, second].map((loop) => withoutRepeats([meets as Position, ...loop]));
  const [a, b] = loops.map((loop) => (loop.length < 3 ? 0 : around(unrolled(loop))));
  return a! >= b! ? loops[0]! : loops[1]!;
}

/** Twice the area of a ring in the plane of its degrees: good for telling which of two neighbours is larger. */
const around = (ring: readonly Point[]): number =>
  Math.abs(
    ring.reduce((sum, [x, y], i) => {
      const [u, v] = ring[(i + 1) % ring.length]!;
      return sum + (x - ring[0]![0]) * (v - ring[0]![1]) - (u - ring[0]![0]) * (y - ring[0]![1]);
    }, 0),
  );

/** Where two pieces of line meet; undefined where they lie along one another. */
function meeting(a: Point, b: Point, c: Point, d: Point): Point | undefined {
  const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
  const turn = ux * vy - uy * vx;
  if (turn === 0) return undefined;
  const along = ((c[0] - a[0]) * vy - (c[1] - a[1]) * vx) / turn;
  return [a[0] + along * ux, a[1] + along * uy];
}
