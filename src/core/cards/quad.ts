/** A place in a picture, pixels; (0, 0) is the middle of its first pixel. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A card's four corners, clockwise as they are seen; a long side comes first. */
export type Quad = readonly [Point, Point, Point, Point];

export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Twice the area of a triangle, above nought where it is clockwise as seen (y grows downwards). */
const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

export const middleOf = (corners: readonly Point[]): Point => ({
  x: corners.reduce((sum, { x }) => sum + x, 0) / corners.length,
  y: corners.reduce((sum, { y }) => sum + y, 0) / corners.length,
});

/** The area of a polygon, px². */
export const areaOf = (corners: readonly Point[]): number =>
  Math.abs(corners.reduce((sum, p, i) => sum + turn(corners[0]!, p, corners[(i + 1) % corners.length]!), 0) / 2);

/** Whether a place is within a convex polygon, its edge too. */
export function within(corners: readonly Point[], at: Point): boolean {
  const turns = corners.map((p, i) => turn(p, corners[(i + 1) % corners.length]!, at));
  return turns.every((t) => t >= 0) || turns.every((t) => t <= 0);
}

/** Four corners in any order, clockwise and with a long side first; as it lies nearest to upright. */
export function ordered(corners: readonly [Point, Point, Point, Point]): Quad {
  const middle = middleOf(corners);
  const round = [...corners].sort(
    (a, b) => Math.atan2(a.y - middle.y, a.x - middle.x) - Math.atan2(b.y - middle.y, b.x - middle.x),
  );
  const longFirst =
    distance(round[0]!, round[1]!) + distance(round[2]!, round[3]!) >=
    distance(round[1]!, round[2]!) + distance(round[3]!, round[0]!);
  const turned = longFirst ? round : [...round.slice(1), round[0]!];
  return turned as unknown as Quad;
}

/** The sides of a quad, long by short, px: the means of those that face one another. */
export const sidesOf = ([a, b, c, d]: Quad): { readonly long: number; readonly short: number } => ({
  long: (distance(a, b) + distance(c, d)) / 2,
  short: (distance(b, c) + distance(d, a)) / 2,
});

const MOST_CORNERS = 26;

/** The four of a convex outline's corners that hold the most of it. @param hull in order, at least four */
export function quadIn(hull: readonly Point[]): Quad | undefined {
  const points = simpler(hull);
  const n = points.length;
  let best: [Point, Point, Point, Point] | undefined;
  let most = 0;
  // The diagonal parts the quad: on each side of it the farthest corner belongs to it.
  for (let i = 0; i < n; i += 1)
    for (let k = i + 2; k < n; k += 1) {
      const [a, c] = [points[i]!, points[k]!];
      const farthest = (from: number, to: number) => {
        let at = from % n;
        for (let j = from; j < to; j += 1)
          if (Math.abs(turn(a, c, points[j % n]!)) > Math.abs(turn(a, c, points[at]!))) at = j % n;
        return points[at]!;
      };
      if (k - i < 2 || i + n - k < 2) continue;
      const [b, d] = [farthest(i + 1, k), farthest(k + 1, i + n)];
      const area = Math.abs(turn(a, c, b)) + Math.abs(turn(a, c, d));
      if (area > most) [most, best] = [area, [a, b, c, d]];
    }
  return best && ordered(best);
}

/** Leaves out the corners that say the least, until few enough are left. */
function simpler(hull: readonly Point[]): Point[] {
  const points = [...hull];
  while (points.length > MOST_CORNERS) {
    const says = (i: number) =>
      Math.abs(turn(points[(i + points.length - 1) % points.length]!, points[i]!, points[(i + 1) % points.length]!));
    let least = 0;
    for (let i = 1; i < points.length; i += 1) if (says(i) < says(least)) least = i;
    points.splice(least, 1);
  }
  return points;
}
