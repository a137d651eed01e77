import polygonClipping from "polygon-clipping";
import { ringOnEarth, type Position } from "./geodesic";

/** Ground as a map has it: polygons, each its outer ring and its holes. */
export type Polygons = readonly (readonly (readonly Position[])[])[];

/** Points that are enough to say whether two pieces of ground lie on one another. */
const ENOUGH = 48;
/** Decimals of a degree: about 0.1 m. */
const DECIMALS = 1e6;

/** Ground as coarse as it is compared: outer rings alone, of at most 48 points, to a tenth of a metre. */
export const coarse = (polygons: Polygons): Polygons =>
  polygons.flatMap(([ring = []]) => {
    const every = Math.max(1, ring.length / ENOUGH);
    const few = Array.from({ length: Math.min(ring.length, ENOUGH) }, (_, i) => ring[Math.floor(i * every)]!);
    return few.length < 3 ? [] : [[few.map(([lon, lat]): Position => [rounded(lon), rounded(lat)])]];
  });
const rounded = (degrees: number): number => Math.round(degrees * DECIMALS) / DECIMALS;

/** The area of pieces that don't lie on one another, m². */
const areaOf = (polygons: Polygons): number =>
  polygons.reduce((sum, [outer = [], ...holes]) => {
    const size = (ring: readonly Position[]) => (ring.length < 3 ? 0 : ringOnEarth(ring).area);
    return sum + size(outer) - holes.reduce((less, hole) => less + size(hole), 0);
  }, 0);

type Geometry = Parameters<typeof polygonClipping.union>[0];
const geometry = (polygons: Polygons) => polygons.map((rings) => rings.map((ring) => ring.map(([x, y]) => [x, y]))) as Geometry;
const combined = (how: "union" | "intersection", ...of: [Geometry, ...Geometry[]]) =>
  polygonClipping[how](...of) as unknown as Polygons;

/**
 * How much of the smaller of two pieces of ground lies on the other, from 0 to 1; of what is no ground 0. Pieces of one that lie on
 * one another count once.
 */
export function overlapShare(a: Polygons, b: Polygons): number {
  const [one, other] = [a, b].map((polygons) => combined("union", geometry(coarse(polygons))));
  const smaller = Math.min(areaOf(one!), areaOf(other!));
  if (!(smaller > 0)) return 0;
  return Math.min(1, areaOf(combined("intersection", geometry(one!), geometry(other!))) / smaller);
}

/** The least box that holds a piece of ground: south, north, west and east, degrees; undefined of none. */
export function boxOf(polygons: Polygons): readonly [south: number, north: number, west: number, east: number] | undefined {
  const all = polygons.flat(2) as unknown as readonly Position[];
  if (all.length === 0) return undefined;
  const [lon, lat] = [all.map((at) => at[0]), all.map((at) => at[1])];
  return [Math.min(...lat), Math.max(...lat), Math.min(...lon), Math.max(...lon)];
}
