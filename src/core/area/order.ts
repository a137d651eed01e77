import { inside, type Point } from "./ring";

/**
 * In which order the zones of a site are done so that nobody treads on what is wet (common practice): the farthest from the gate
 * first, each from its far corner on, so that every way out leads over ground that is still to be done.
 */

export interface ZoneOrder {
  /** Its number in the list that was asked about. */
  readonly zone: number;
  /** Where to begin in it. */
  readonly start: Point;
}

/**
 * @param zones the outer rings of each zone, in metres
 * @param gate where one goes out, in the same metres
 */
export function workOrder(zones: readonly (readonly (readonly Point[])[])[], gate: Point): ZoneOrder[] {
  const apart = ([x, y]: Point) => Math.hypot(x - gate[0], y - gate[1]);
  return zones
    .flatMap((rings, zone) => {
      const corners = rings.flat();
      if (corners.length === 0) return [];
      const start = corners.reduce((far, corner) => (apart(corner) > apart(far) ? corner : far));
      const near = rings.some((ring) => inside(ring, gate)) ? 0 : Math.min(...rings.map((ring) => distanceTo(ring, gate)));
      return [{ zone, start, near, far: apart(start) }];
    })
    .sort((a, b) => b.near - a.near || b.far - a.far || a.zone - b.zone)
    .map(({ zone, start }) => ({ zone, start }));
}

/** How far a point is from the edge of a ring. */
function distanceTo(ring: readonly Point[], [px, py]: Point): number {
  return ring.reduce((least, [ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    const [ux, uy] = [bx - ax, by - ay];
    const length = ux * ux + uy * uy;
    const along = length === 0 ? 0 : Math.min(1, Math.max(0, ((px - ax) * ux + (py - ay) * uy) / length));
    return Math.min(least, Math.hypot(px - ax - along * ux, py - ay - along * uy));
  }, Infinity);
}
