import { Geodesic } from "geographiclib-geodesic";
import type { Point } from "./ring";

/**
 * What is drawn on a map: areas and lengths on the ellipsoid of WGS 84, by geodesics (C. F. F. Karney, "Algorithms for
 * geodesics", J. Geodesy 87 (2013) 43–55; his own library).
 */

/** A place: longitude first, as GeoJSON has it, in degrees. */
export type Position = readonly [lon: number, lat: number, ...rest: number[]];

export interface RingOnEarth {
  /** m², and m around. */
  readonly area: number;
  readonly around: number;
}

/** Rings that were looked at, as long as somebody holds them: of a long one a geodesic a point takes seconds. */
const known = new WeakMap<readonly Position[], RingOnEarth>();

/** A ring, closed from its last point to its first. @param ring at least three points; not changed afterwards */
export function ringOnEarth(ring: readonly Position[]): RingOnEarth {
  const before = known.get(ring);
  if (before) return before;
  const polygon = Geodesic.WGS84.Polygon(false);
  for (const [lon, lat] of ring) polygon.AddPoint(lat, lon);
  const { area, perimeter } = polygon.Compute(false, true);
  const found = { area: Math.abs(area!), around: perimeter };
  known.set(ring, found);
  return found;
}

/** From one place to another, m. */
export const apart = (a: Position, b: Position): number => Geodesic.WGS84.Inverse(a[1], a[0], b[1], b[0]).s12!;

/** Along a line of places, m. */
export const alongEarth = (line: readonly Position[]): number =>
  line.reduce((sum, at, i) => (i === 0 ? 0 : sum + apart(line[i - 1]!, at)), 0);

/** Longitudes counted from the first point's, so that a ring over the date line is one piece. */
export function unrolled(ring: readonly Position[]): Point[] {
  const first = ring[0]![0];
  const turned = (lon: number) => lon - 360 * Math.round((lon - first) / 360);
  return ring.map(([lon, lat]) => [turned(lon), lat]);
}

/** The place so many metres east and north of another one: the way back from {@link flatAround}. */
export function placeAt(origin: Position, [east, north]: Point): Position {
  const azimuth = (Math.atan2(east, north) * 180) / Math.PI;
  const { lat2, lon2 } = Geodesic.WGS84.Direct(origin[1], origin[0], azimuth, Math.hypot(east, north));
  return [lon2!, lat2!];
}

/** Places as metres east and north of one of them, for a drawing of a site: flat, right to a few parts in ten thousand. */
export function flatAround(origin: Position, places: readonly Position[]): Point[] {
  return places.map((place) => {
    const { s12, azi1 } = Geodesic.WGS84.Inverse(origin[1], origin[0], place[1], place[0]);
    const angle = (azi1! * Math.PI) / 180;
    return [s12! * Math.sin(angle), s12! * Math.cos(angle)];
  });
}
