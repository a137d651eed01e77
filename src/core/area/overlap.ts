import Flatbush from "flatbush";
import polygonClipping from "polygon-clipping";
import { ringOnEarth, unrolled, type Position } from "./geodesic";

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

/** Pieces of ground that may lie on one another: exact, with what is cut out of them; only those whose boxes meet are looked at. */
class Pieces {
  private readonly flat: readonly Polygons[];
  private readonly boxes: readonly (readonly [south: number, north: number, west: number, east: number])[];
  private readonly index: Flatbush;

  constructor(pieces: readonly Polygons[]) {
    const origin = pieces[0]![0]![0]![0]!;
    // Counted from one place, so that all of it lies on one side of the date line.
    this.flat = pieces.map((polygons) =>
      polygons.map((rings) => rings.map((ring) => unrolled([origin, ...ring]).slice(1) as readonly Position[])),
    );
    this.boxes = this.flat.map((polygons) => boxOf(polygons)!);
    this.index = new Flatbush(pieces.length);
    for (const [south, north, west, east] of this.boxes) this.index.add(west, south, east, north);
    this.index.finish();
  }

  /** The numbers of the pieces that may lie on one of them, in their order. */
  near(i: number): readonly number[] {
    const [south, north, west, east] = this.boxes[i]!;
    return this.index.search(west, south, east, north, (j) => j !== i).sort((a, b) => a - b);
  }

  /** One that lies on a piece by so much at least; no further one is looked at then. */
  firstOn(i: number, least: number): number | undefined {
    const [south, north, west, east] = this.boxes[i]!;
    let found: number | undefined;
    this.index.search(west, south, east, north, (j) => {
      if (found === undefined && j !== i && this.common(i, j).share >= least) found = j;
      return false;
    });
    return found;
  }

  /** What two have in common, m², and what part of the smaller one that is. */
  common(i: number, j: number): { readonly area: number; readonly share: number } {
    const area = areaOf(intersection(this.flat[i]!, this.flat[j]!));
    return { area, share: area > 0 ? area / Math.min(areaOf(this.flat[i]!), areaOf(this.flat[j]!)) : 0 };
  }
}

export interface Overlap {
  /** Numbers of two pieces, the first one lower. */
  readonly one: number;
  readonly other: number;
  /** m², and as a part of the smaller of the two. */
  readonly area: number;
  readonly share: number;
}

/** Less than this part of the smaller one is a sliver: two pieces that touch. */
export const TOUCHING = 0.001;

/** Pairs of pieces that lie on one another, one after another, so that whoever knows enough may stop. */
export function* overlapsIn(pieces: readonly Polygons[]): Generator<Overlap> {
  if (pieces.length < 2) return;
  const all = new Pieces(pieces);
  for (let one = 0; one < pieces.length; one++)
    for (const other of all.near(one)) {
      if (other < one) continue;
      const { area, share } = all.common(one, other);
      if (area > 0) yield { one, other, area, share };
    }
}

/** The numbers of the pieces that lie on another one. @param least the part of the smaller one from which on it is told */
export function piecesOverlapping(pieces: readonly Polygons[], least: number): ReadonlySet<number> {
  const found = new Set<number>();
  if (pieces.length < 2) return found;
  const all = new Pieces(pieces);
  for (let i = 0; i < pieces.length; i++) {
    if (found.has(i)) continue;
    const j = all.firstOn(i, least);
    if (j !== undefined) found.add(i).add(j);
  }
  return found;
}

/** What two pieces have in common. Edges that lie within a hair of one another can be more than the clipping takes: then coarser. */
function intersection(a: Polygons, b: Polygons): Polygons {
  for (const decimals of [undefined, 1e9, 1e8, 1e7])
    try {
      const fine = (polygons: Polygons): Polygons =>
        decimals === undefined
          ? polygons
          : polygons.map((rings) =>
              rings.map((ring) =>
                ring.map(([x, y]): Position => [Math.round(x * decimals) / decimals, Math.round(y * decimals) / decimals]),
              ),
            );
      return combined("intersection", geometry(fine(a)), geometry(fine(b)));
    } catch {
      continue;
    }
  return [];
}

/** The least box that holds a piece of ground: south, north, west and east, degrees; undefined of none. */
export function boxOf(polygons: Polygons): readonly [south: number, north: number, west: number, east: number] | undefined {
  const all = polygons.flat(2) as unknown as readonly Position[];
  if (all.length === 0) return undefined;
  const [lon, lat] = [all.map((at) => at[0]), all.map((at) => at[1])];
  return [Math.min(...lat), Math.max(...lat), Math.min(...lon), Math.max(...lon)];
}
