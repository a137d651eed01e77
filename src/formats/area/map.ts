import { alongEarth, apart, ringOnEarth, unrolled, type Position, type RingOnEarth } from "@/core/area/geodesic";
import { overlapsIn, TOUCHING, type Polygons } from "@/core/area/overlap";
import { crossing, liesIn, withoutRepeats } from "@/core/area/ring";
import type { Issue } from "@/core/issue";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { show, writeNumber } from "@/core/quantity/format";
import { Faults } from "../job-file/faults";
import { shown, typeName } from "../job-file/shown";

/** Rings on a map → pieces of ground, or every fault with its place. Longitude first, degrees, WGS 84 (RFC 7946). */

/** A piece of ground: what is around it, and what is cut out of it. */
export interface MapPolygon {
  readonly outer: readonly Position[];
  readonly holes: readonly (readonly Position[])[];
}

export interface MapZone {
  readonly name: string;
  readonly polygons: readonly MapPolygon[];
  /** Pieces of it, or holes, lie on one another by a sliver: they are taken as touching. */
  readonly touching: boolean;
  /** Of a walked ring: how far its end is from its start, as a part of its length, and how many fixes it came with. */
  readonly walk: { readonly gap: number; readonly fixes: number } | null;
}

/** A ring that is none, with where in it the fault is: for a picture, and for what of it may be kept. */
export interface BrokenRing {
  readonly what: "open" | "crossing" | "hole" | "turned";
  readonly issue: Issue;
  readonly points: readonly Position[];
  readonly at: readonly Position[];
}

/** The faults of a map; of those that lie in the shape of a ring, the ring as well. */
export class MapFaults extends Faults {
  readonly broken: BrokenRing[] = [];
  addRing(
    what: BrokenRing["what"],
    { path, received, expected }: Omit<Issue, "code" | "metric">,
    points: BrokenRing["points"],
    at: BrokenRing["at"],
  ) {
    const issue: Issue = { path, code: "contradiction", received, expected };
    this.issues.push(issue);
    this.broken.push({ what, issue, points, at });
  }
}

/** Points of one file (ours): the exact answer takes seconds then, and no lawn has more. */
export const MOST_POINTS = 100_000;

/** What of a ring is still open after a walk and is told (as the command has it). */
export const OPEN_TOLD = 0.05;

/** A position as it stands in a file. @param at its place */
function readPosition(value: unknown, at: string, faults: Faults): Position | undefined {
  if (!Array.isArray(value) || value.length < 2 || typeof value[0] !== "number" || typeof value[1] !== "number") {
    faults.add(at, "wrong-type", Array.isArray(value) ? shown(value) : typeName(value), "[longitude, latitude]");
    return undefined;
  }
  const [lon, lat] = value as [number, number];
  if (!Number.isFinite(lon) || !Number.isFinite(lat)) {
    faults.add(at, "wrong-type", shown(value), "[longitude, latitude]");
    return undefined;
  }
  if (Math.abs(lat) > 90) {
    const swapped = Math.abs(lon) <= 90 && Math.abs(lat) <= 180 ? ": longitude stands first, are the two swapped?" : "";
    faults.add(at, "out-of-range", `latitude ${lat}`, `from -90 to 90${swapped}`);
    return undefined;
  }
  if (Math.abs(lon) > 360) {
    faults.add(at, "out-of-range", `longitude ${lon}`, "from -360 to 360");
    return undefined;
  }
  // Counted on past the date line, it is turned back.
  return [lon > 180 ? lon - 360 : lon < -180 ? lon + 360 : lon, lat];
}

/** Faults of one ring are told up to so many: a list of swapped points is one mistake. */
const TOLD = 3;

/** The positions of a line as they stand in a file, each of which must be one. */
export function readLine(value: unknown, at: string, faults: MapFaults): readonly Position[] | undefined {
  if (!Array.isArray(value)) {
    faults.add(at, "wrong-type", typeName(value), "a list of positions");
    return undefined;
  }
  const before = faults.issues.length;
  const points: Position[] = [];
  for (const [i, one] of (value as unknown[]).entries()) {
    const point = readPosition(one, `${at}[${i}]`, faults);
    if (point) points.push(point);
    if (faults.issues.length - before >= TOLD) break;
  }
  if (faults.issues.length > before) brokenBySwap(value, faults, before);
  return faults.issues.length > before ? undefined : points;
}

/** A line that reads well with its coordinates the other way round is kept so for whoever looks at it. */
function brokenBySwap(value: readonly unknown[], faults: MapFaults, first: number): void {
  const turned = value.map((one): unknown => (Array.isArray(one) ? [one[1], one[0], ...(one.slice(2) as unknown[])] : one));
  const quiet = new Faults();
  const points = turned.map((one) => readPosition(one, "", quiet)).filter((point) => point !== undefined);
  if (quiet.issues.length === 0 && points.length > 2)
    faults.broken.push({ what: "turned", issue: faults.issues[first]!, points, at: [] });
}

/**
 * A ring as it stands in a file.
 * @param closes its last point must be its first, as GeoJSON has it
 */
export function readRing(value: unknown, at: string, faults: MapFaults, closes: boolean): readonly Position[] | undefined {
  const points = readLine(value, at, faults);
  if (!points) return undefined;
  const [first, last] = [points[0], points.at(-1)];
  if (closes && points.length > 1 && (first![0] !== last![0] || first![1] !== last![1])) {
    const words = { path: at, received: "an open ring", expected: "its last position must be its first" };
    faults.addRing("open", words, points, [points.at(-1)!, points[0]!]);
    return undefined;
  }
  const ring = withoutRepeats(points);
  if (ring.length < 3) {
    faults.add(at, "too-few", `${ring.length} ${ring.length === 1 ? "point" : "points"}`, "3 different points");
    return undefined;
  }
  const cross = crossing(unrolled(ring));
  if (cross) {
    const place = ring[cross[1]]!.slice(0, 2).map((degrees) => writeNumber(degrees, { decimals: 6 }));
    const received = `the ring crosses itself near ${place.join(", ")} (edges ${cross[0] + 1} and ${cross[1] + 1})`;
    faults.addRing("crossing", { path: at, received, expected: "a ring that doesn't cross itself" }, ring, [ring[cross[1]]!]);
    return undefined;
  }
  return ring;
}

/** A polygon of rings: the first around it, the others cut out of it. */
export function readPolygon(value: unknown, at: string, faults: MapFaults, closes: boolean): MapPolygon | undefined {
  if (!Array.isArray(value) || value.length === 0) {
    faults.add(at, "wrong-type", Array.isArray(value) ? "an empty list" : typeName(value), "a list of rings");
    return undefined;
  }
  const rings = (value as unknown[]).map((ring, i) => readRing(ring, `${at}[${i}]`, faults, closes));
  if (rings.some((ring) => ring === undefined)) return undefined;
  const [outer, ...holes] = rings as (readonly Position[])[];
  const before = faults.issues.length;
  const flat = unrolled(outer!);
  holes.forEach((hole, i) => {
    // Counted from where the outer ring is, so that both lie on one side of the date line.
    const near = unrolled([outer![0]!, ...hole]).slice(1);
    if (!liesIn(flat, near))
      faults.addRing(
        "hole",
        { path: `${at}[${i + 1}]`, received: "a hole that isn't wholly inside", expected: "a ring within the first one" },
        outer!,
        hole,
      );
  });
  const area = ringOnEarth(outer!).area;
  const cut = holes.reduce((sum, hole) => sum + ringOnEarth(hole).area, 0);
  if (cut >= area) faults.add(at, "contradiction", "as much is taken off as there is", "holes that leave something");
  return faults.issues.length > before ? undefined : { outer: outer!, holes };
}

/** A piece of ground with its place in the file. */
export interface Placed {
  readonly polygon: MapPolygon;
  readonly at: string;
}

/**
 * The pieces of one zone, each counted once: those that lie on one another are told at their places with how much, and so are holes
 * that lie on one another.
 */
export function zoneOf(name: string, placed: readonly Placed[], walk: MapZone["walk"], faults: MapFaults): MapZone {
  let touching = false;
  const judge = (of: readonly { readonly rings: Polygons[number]; readonly at: string }[], what: string) => {
    const before = faults.issues.length;
    for (const { one, other, area, share } of overlapsIn(of.map(({ rings }) => [rings]))) {
      if (share < TOUCHING) {
        touching = true;
        continue;
      }
      const first = of[one]!.at === of[other]!.at ? "another one" : of[one]!.at;
      const by = show(fromCanonical<"area">(area), "area", "ft2", { figures: 4 });
      faults.add(of[other]!.at, "contradiction", `${what} that lies on ${first} by ${by}`, "each piece of ground once");
      if (faults.issues.length - before >= TOLD) return;
    }
  };
  judge(
    placed.map(({ polygon, at }) => ({ rings: [polygon.outer, ...polygon.holes], at })),
    "a piece",
  );
  for (const { polygon, at } of placed)
    judge(
      polygon.holes.map((hole, i) => ({ rings: [hole], at: `${at}[${i + 1}]` })),
      "a hole",
    );
  return { name, polygons: placed.map(({ polygon }) => polygon), touching, walk };
}

/** How far a walked ring's end is from its start, as a part of the whole way around. */
export function gapOf(line: readonly Position[]): number {
  const open = apart(line.at(-1)!, line[0]!);
  const walked = alongEarth(line);
  return open === 0 ? 0 : open / (walked + open);
}

/** What is around the pieces of a zone, in all; holes are not counted. */
export const aroundZone = ({ polygons }: MapZone): number =>
  polygons.reduce((sum, { outer }) => sum + ringOnEarth(outer).around, 0);

export const ringsOf = ({
  outer,
  holes,
}: MapPolygon): { readonly outer: RingOnEarth; readonly holes: readonly RingOnEarth[] } => ({
  outer: ringOnEarth(outer),
  holes: holes.map(ringOnEarth),
});
