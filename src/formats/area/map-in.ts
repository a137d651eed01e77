import simplify from "simplify-js";
import { apart, flatAround, placeAt, ringOnEarth, unrolled, type Position } from "@/core/area/geodesic";
import { crossing, liesIn, withoutRepeats } from "@/core/area/ring";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { isGeoJson, readGeoJson, type MapLooked } from "./geojson";
import { textOf } from "./decode";
import { parseJson } from "../json-file";
import { gapOf, MapFaults, OPEN_TOLD, readPolygon, readRing, type BrokenRing, type MapPolygon, type MapZone } from "./map";
import { mendedRing } from "./mend";
import type { MapText } from "./types";

/** A map or a walk that is brought in: its rings as they would be kept, each with its area. */

export interface RingFound {
  readonly name: string;
  readonly polygons: MapText["polygons"];
  /** m², flat. */
  readonly area: number;
  /** Of a walk: how far its end is from its start, as a part of its length, where that is told. */
  readonly open: number | null;
  readonly walked: boolean;
  /** Points that were left out as jitter. */
  readonly thinned: number;
  /** How far it lies from the first ring of its file, where that is far, m. */
  readonly far?: number;
  /** It is nowhere wider than a step: two lines along one another rather than a piece of ground. */
  readonly sliver: boolean;
}

/** A ring that is none: what is wrong, the ring with where in it, and what of it may be kept. */
export interface BrokenFound {
  readonly what: BrokenRing["what"];
  readonly issue: Issue;
  readonly points: readonly Position[];
  readonly at: readonly Position[];
  readonly mend: RingFound | null;
}

export interface MapFound {
  readonly rings: readonly RingFound[];
  readonly passedOver: readonly string[];
  readonly broken: readonly BrokenFound[];
  /** Faults that have no place in a picture. */
  readonly faults: readonly Issue[];
}

/** How far a thinned edge may leave the walked one, m (ours): what a phone's fixes scatter by; of a drawn one next to nothing. */
const JITTER = { walk: 0.5, map: 0.05 } as const;
/** Nowhere wider than this, on average, a ring is no lawn, m (ours). */
const SLIVER = 0.3;
/** A drawn ring of so few points stays as it is. */
const FEW = 100;

export async function readMapFile(bytes: Uint8Array): Promise<Result<MapFound>> {
  const text = textOf(bytes);
  if (!text.ok) return text;
  const read = await readMap(text.value);
  if (!read.ok) return read;
  const { zones, passedOver, faults } = read.value;
  const broken = faults.broken.slice(0, MOST_DRAWN).map(brokenOf);
  // What can be drawn is shown with its fault; the rest of the file stands.
  if (faults.issues.length > 0 && zones.length === 0 && broken.length === 0) return { ok: false, issues: faults.issues };
  const drawn = broken.map(({ issue }) => issue);
  const told = faults.issues.filter((issue) => !drawn.includes(issue)).slice(0, MOST_DRAWN);
  return good({ ...apartFrom(zones.map(ringOf)), passedOver, broken, faults: told });
}

/** As many broken rings are drawn as anybody looks at (ours). */
const MOST_DRAWN = 12;

function brokenOf({ what, issue, points, at }: BrokenRing): BrokenFound {
  const outer = mendedRing(what, points);
  const mend = outer && ringOf({ name: "mended", polygons: [{ outer, holes: [] }], walk: null });
  return { what, issue, points: thinnedLine(points), at, mend: mend ?? null };
}

/** So far from the first one a ring lies at another place, m (ours). */
const FAR = 2000;

/** Rings with how far each lies from the first, where that is far. */
function apartFrom(rings: readonly RingFound[]): { readonly rings: readonly RingFound[] } {
  const from = rings[0]?.polygons[0]?.[0]?.[0] as Position | undefined;
  if (!from) return { rings };
  return {
    rings: rings.map((ring) => {
      const away = apart(from, ring.polygons[0]![0]![0] as Position);
      return away > FAR ? { ...ring, far: away } : ring;
    }),
  };
}

function ringOf({ name, polygons, walk }: Omit<MapZone, "touching">): RingFound {
  const walked = walk !== null;
  const thin = polygons.map((polygon) => thinned(polygon, walked));
  const count = (all: readonly MapPolygon[]) =>
    all.reduce((sum, { outer, holes }) => sum + outer.length + holes.reduce((more, hole) => more + hole.length, 0), 0);
  const cut = thin.reduce((sum, { holes }) => sum + holes.reduce((more, hole) => more + ringOnEarth(hole).area, 0), 0);
  const area = thin.reduce((sum, { outer }) => sum + ringOnEarth(outer).area, 0) - cut;
  const around = thin.reduce((sum, { outer }) => sum + ringOnEarth(outer).around, 0);
  return {
    name,
    polygons: asText(thin),
    area,
    sliver: (2 * area) / around < SLIVER,
    open: walk !== null && walk.gap > OPEN_TOLD ? walk.gap : null,
    walked,
    thinned: (walk?.fixes ?? count(polygons)) - count(thin),
  };
}

/** A walk around a piece of ground → a ring as it would be kept; or why it is none. */
export function ringOfWalk(points: readonly Position[]): Result<RingFound> {
  const faults = new MapFaults();
  const tidy = tidied(points);
  const outer = readRing(tidy, "", faults, false);
  if (!outer) return { ok: false, issues: faults.issues };
  const walk = { gap: gapOf(points), fixes: points.length };
  return good(ringOf({ name: "lawn", polygons: [{ outer, holes: [] }], walk }));
}

/** A walk is thinned no more than it takes until it doesn't cross itself, m. */
const TRIED = [JITTER.walk, 1, 2];

/** So near to its start a walk has come round, m (ours). */
const ROUND = 5;

/**
 * A walk as somebody meant it: what goes on past its start is left out, and so are the points that say nothing of its shape.
 * Neighbouring fixes lie on both sides of the edge, so that a walk as it comes would nearly always cross itself.
 */
function tidied(line: readonly Position[]): readonly Position[] {
  if (line.length < 4) return line;
  const flat = flatAround(line[0]!, line).map(([x, y], i) => ({ x, y, i, far: Math.hypot(x, y) }));
  const half = Math.floor(flat.length / 2);
  const back = flat.slice(half).reduce((near, one) => (one.far < near.far ? one : near));
  const whole = back.far < ROUND ? flat.slice(0, back.i + 1) : flat;
  const thin = TRIED.map((tolerance) => {
    const kept = simplify(whole, tolerance, true) as typeof flat;
    // Who is back is back: the last few fixes scatter about the first.
    while (kept.length > 3 && kept.at(-1)!.far < ROUND / 2) kept.pop();
    return kept.map(({ i }) => line[i]!);
  });
  const walked = whole.map(({ i }) => line[i]!);
  const sound = thin.find((ring) => ring.length >= 3 && !crossing(unrolled(withoutRepeats(ring))));
  return sound ? letOut(sound, ringOnEarth(walked).area) : walked;
}

/**
 * A thinned ring, let out again about its middle to the area of the ring that it stands for: chords cut the bend of a lawn off, and
 * one ring has one area. As it is, where it would be let out so far that it is another one.
 */
function letOut(thin: readonly Position[], area: number): readonly Position[] {
  const origin = thin[0]!;
  let ring = thin;
  for (let turn = 0; turn < 2; turn++) {
    const by = Math.sqrt(area / ringOnEarth(ring).area);
    if (!(Math.abs(by - 1) < LET_OUT)) return thin;
    const flat = flatAround(origin, ring);
    const [x, y] = [0, 1].map((k) => flat.reduce((sum, point) => sum + point[k as 0 | 1], 0) / flat.length) as [number, number];
    ring = flat.map(([east, north]) => placeAt(origin, [x + (east - x) * by, y + (north - y) * by]));
  }
  return crossing(unrolled(ring)) ? thin : ring;
}

/** A thinned ring is let out by so much of its width at most (ours): half of it in area. */
const LET_OUT = 0.25;

async function readMap(text: string): Promise<Result<MapLooked>> {
  const plain = text.replace(/^\uFEFF/, "").trimStart();
  if (plain.startsWith("<")) return (await import("./xml")).readXml(plain, tidied);
  const file = parseJson(plain, "GeoJSON, KML or GPX");
  if (!file.ok) return file;
  if (!isGeoJson(file.value))
    return bad({ path: "type", code: "missing", received: "", expected: `"FeatureCollection": this is no GeoJSON, KML or GPX` });
  return readGeoJson(file.value);
}

/** A ring without the points that say nothing of its shape; as it was where that would cross itself. */
function thinnedRing(ring: readonly Position[], walked: boolean): readonly Position[] {
  if (!walked && ring.length <= FEW) return ring;
  const flat = flatAround(ring[0]!, ring).map(([x, y], i) => ({ x, y, i }));
  const kept = simplify([...flat, { ...flat[0]! }], walked ? JITTER.walk : JITTER.map, true) as typeof flat;
  const thin = kept.slice(0, -1).map(({ i }) => ring[i]!);
  return thin.length >= 3 && !crossing(unrolled(thin)) ? letOut(thin, ringOnEarth(ring).area) : ring;
}

/** A broken ring as it is drawn: without what nobody would see. */
function thinnedLine(line: readonly Position[]): readonly Position[] {
  if (line.length <= FEW) return line;
  const flat = flatAround(line[0]!, line).map(([x, y], i) => ({ x, y, i }));
  return (simplify(flat, JITTER.walk, true) as typeof flat).map(({ i }) => line[i]!);
}

const thinned = ({ outer, holes }: MapPolygon, walked: boolean): MapPolygon => ({
  outer: thinnedRing(outer, walked),
  holes: holes.map((hole) => thinnedRing(hole, walked)),
});

/** Seven places of a degree are a centimetre. */
const PLACES = 7;

const asText = (polygons: readonly MapPolygon[]): MapText["polygons"] =>
  polygons.map(({ outer, holes }) =>
    [outer, ...holes].map((ring) =>
      ring.map(([lon, lat]): Position => [Number(lon.toFixed(PLACES)), Number(lat.toFixed(PLACES))]),
    ),
  );

/**
 * A piece of ground with one of its corners somewhere else; or why it can't be.
 * @param ring which of its rings, counted through all its polygons
 */
export function withCorner(found: RingFound, ring: number, corner: number, to: Position): Result<RingFound> {
  let n = -1;
  const moved = found.polygons.map((polygon) =>
    polygon.map((points) => {
      n += 1;
      return n === ring ? points.map((point, i) => (i === corner ? to : point)) : points;
    }),
  );
  const faults = new MapFaults();
  const polygons = moved.map((polygon) => readPolygon(polygon, "", faults, false));
  if (faults.issues.length > 0) return { ok: false, issues: faults.issues };
  const { area, sliver } = ringOf({ name: found.name, polygons: polygons as MapPolygon[], walk: null });
  return good({ ...found, polygons: asText(polygons as MapPolygon[]), area, sliver });
}

/** A ring cut out of another one; or why it can't be. */
export function cutOut(from: RingFound, hole: RingFound): Result<RingFound> {
  const cut = hole.polygons[0]![0]!;
  const at = from.polygons.findIndex(([outer]) => {
    return liesIn(unrolled(outer!), unrolled([outer![0]!, ...cut]).slice(1));
  });
  if (at < 0) {
    const issue: Issue = {
      path: hole.name,
      code: "contradiction",
      received: `${hole.name} isn't wholly inside ${from.name}`,
      expected: "only what lies in it can be cut out of it",
    };
    return bad(issue);
  }
  const area = ringOnEarth(cut).area;
  if (area >= from.area)
    return bad({
      path: hole.name,
      code: "contradiction",
      received: `${hole.name} is as large as ${from.name}`,
      expected: "less",
    });
  const polygons = from.polygons.map((polygon, i) => (i === at ? [...polygon, hole.polygons[0]![0]!] : polygon));
  return good({ ...from, polygons, area: from.area - area });
}
