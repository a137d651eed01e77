import { gpx, kml } from "@tmcw/togeojson";
import { DOMParser } from "@xmldom/xmldom";
import type { Position } from "@/core/area/geodesic";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { looked, tooMany, type MapLooked } from "./geojson";
import { gapOf, MapFaults, MOST_POINTS, readLine, readPolygon, readRing, zoneOf, type MapZone, type Placed } from "./map";

/**
 * KML and GPX. Neither needs a document type: a file that declares one, or entities, is refused before anything of it is read, so
 * that nothing can be expanded or fetched.
 */

/** Tags of one file, and how deep they may stand in one another (ours): many times what a season of walks has. */
const MOST_TAGS = 1_500_000;
const DEEPEST = 64;

const refusal = (received: string, expected: string): Issue => ({ path: "", code: "unreadable", received, expected });

/** What begins and ends a text in which tags are none. */
const TEXTS = [
  ["<!--", "-->"],
  ["<![CDATA[", "]]>"],
] as const;

/** What can be said of the text before it is parsed: in one pass, and without keeping anything. */
function textFault(text: string): Issue | undefined {
  if (/<!(?:DOCTYPE|ENTITY)/i.test(text))
    return refusal("a file with a document type or entities", "save it without: KML and GPX need neither");
  let depth = 0;
  let tags = 0;
  for (let i = text.indexOf("<"); i >= 0; i = text.indexOf("<", i + 1)) {
    // A description may hold a page's tags, and a comment anything: they are text.
    const skipped = TEXTS.find(([begin]) => text.startsWith(begin, i));
    if (skipped) {
      const end = text.indexOf(skipped[1], i);
      if (end < 0) return refusal("this file", "it ends in the middle of a text: was it cut off?");
      i = end;
      continue;
    }
    const next = text.charCodeAt(i + 1);
    if (next === 47) depth -= 1;
    else if (next !== 33 && next !== 63) {
      tags += 1;
      const end = text.indexOf(">", i);
      if (end < 0) return refusal("this file", "it ends in the middle of a tag: was it cut off?");
      if (text.charCodeAt(end - 1) !== 47) depth += 1;
    }
    if (depth > DEEPEST)
      return { path: "", code: "too-many", received: `more than ${DEEPEST} levels`, expected: String(DEEPEST) };
    if (tags > MOST_TAGS)
      return { path: "", code: "too-many", received: "more tags than a map has", expected: MOST_TAGS.toLocaleString("en-US") };
  }
  return undefined;
}

/** @param tidy what is done to a walk before it is looked at; as it stands where nothing is */
export function readXml(
  text: string,
  tidy: (line: readonly Position[]) => readonly Position[] = (line) => line,
): Result<MapLooked> {
  const wrong = textFault(text);
  if (wrong) return bad(wrong);
  let doc;
  try {
    doc = new DOMParser({
      onError: (level, message) => {
        if (level !== "warning") throw new Error(message);
      },
    }).parseFromString(plain(text), "text/xml");
  } catch (error) {
    const reason = error instanceof Error ? error.message.split("\n")[0]!.slice(0, 120) : "no XML";
    return bad(refusal("this file", `it is no XML (${reason})`));
  }
  const root = doc.documentElement?.localName;
  if (root === "kml") return readKml(kml(doc as unknown as Document).features as unknown as readonly XmlFeature[]);
  if (root === "gpx") return readGpx(gpx(doc as unknown as Document).features as unknown as readonly XmlFeature[], tidy);
  return bad(refusal(`a file that begins with <${root ?? "nothing"}>`, "KML or GPX, GeoJSON, or a site file"));
}

/**
 * A file as its reader knows one: the tags of KML and GPX without the prefix that some programs give them, and no blanks beside the
 * commas of coordinates, where a blank begins the next place.
 */
function plain(text: string): string {
  const prefix = /<([\w.-]+):(?:kml|gpx)[\s>]/.exec(text.slice(0, 4000))?.[1];
  const bare = prefix === undefined ? text : text.replaceAll(`<${prefix}:`, "<").replaceAll(`</${prefix}:`, "</");
  return bare.replace(/(<coordinates[^>]*>)([^<]*)/g, (_, tag: string, all: string) => tag + all.replace(/\s*,\s*/g, ","));
}

interface XmlGeometry {
  readonly type: string;
  readonly coordinates?: unknown;
  readonly geometries?: readonly XmlGeometry[];
}
interface XmlFeature {
  readonly geometry: XmlGeometry | null;
  readonly properties: { readonly name?: unknown; readonly _gpxType?: unknown } | null;
}

const nameOf = (feature: XmlFeature, what: string): string => {
  const name = feature.properties?.name;
  return typeof name === "string" && name.trim() !== "" ? name.trim().slice(0, 200) : what;
};

/** One zone a placemark; its polygons with what is cut out of them. */
function readKml(features: readonly XmlFeature[]): Result<MapLooked> {
  const faults = new MapFaults();
  const passedOver: string[] = [];
  const count = features.reduce((sum, { geometry }) => sum + pointsOf(geometry), 0);
  if (count > MOST_POINTS) return bad(tooMany(count));
  const zones = features.flatMap((feature, i): MapZone[] => {
    const name = nameOf(feature, `zone ${i + 1}`);
    const placed = polygonsOf(feature.geometry, `placemark "${name}"`, faults, passedOver);
    return placed.length > 0 ? [zoneOf(name, placed, null, faults)] : [];
  });
  return good(looked({ zones, passedOver, faults }, `a <Polygon> in a placemark: this has none`));
}

function polygonsOf(geometry: XmlGeometry | null, at: string, faults: MapFaults, passedOver: string[]): Placed[] {
  // A ring of its own, or a line that ends where it began, is a piece of ground too.
  const rings = geometry?.type === "Polygon" ? geometry.coordinates : isClosed(geometry) ? [geometry!.coordinates] : undefined;
  if (rings !== undefined) {
    const polygon = readPolygon(rings, at, faults, false);
    return polygon ? [{ polygon, at }] : [];
  }
  if (geometry?.type === "GeometryCollection")
    return (geometry.geometries ?? []).flatMap((one) => polygonsOf(one, at, faults, passedOver));
  passedOver.push(`${at}: ${geometry ? `a ${geometry.type} is no piece of ground` : "no geometry"}`);
  return [];
}

function isClosed(geometry: XmlGeometry | null): boolean {
  if (geometry?.type !== "LineString" || !Array.isArray(geometry.coordinates) || geometry.coordinates.length < 4) return false;
  const line = geometry.coordinates as readonly Position[];
  const [first, last] = [line[0]!, line.at(-1)!];
  return first[0] === last[0] && first[1] === last[1];
}

/** Each track, its segments joined, and each route is one ring. */
function readGpx(features: readonly XmlFeature[], tidy: (line: readonly Position[]) => readonly Position[]): Result<MapLooked> {
  const faults = new MapFaults();
  const passedOver: string[] = [];
  const count = features.reduce((sum, { geometry }) => sum + pointsOf(geometry), 0);
  if (count > MOST_POINTS) return bad(tooMany(count));
  const zones = features.flatMap((feature, i): MapZone[] => {
    const { geometry, properties } = feature;
    const what = properties?._gpxType === "rte" ? "route" : "track";
    const name = nameOf(feature, `${what} ${i + 1}`);
    const lines =
      geometry?.type === "LineString"
        ? [geometry.coordinates]
        : geometry?.type === "MultiLineString"
          ? (geometry.coordinates as readonly unknown[])
          : undefined;
    if (!lines) {
      passedOver.push(`"${name}": a ${geometry?.type ?? "nothing"} is no walk around a piece of ground`);
      return [];
    }
    const line = (lines as readonly (readonly Position[])[]).flat();
    const walked = readLine(line, `${what} "${name}"`, faults);
    const outer = walked && readRing(tidy(walked), `${what} "${name}"`, faults, false);
    const at = `${what} "${name}"`;
    const walk = { gap: gapOf(line), fixes: line.length };
    return outer ? [zoneOf(name, [{ polygon: { outer, holes: [] }, at }], walk, faults)] : [];
  });
  return good(looked({ zones, passedOver, faults }, "a track or a route: this has none"));
}

/** How many positions a geometry has. */
function pointsOf(geometry: XmlGeometry | null): number {
  const count = (value: unknown): number =>
    Array.isArray(value)
      ? typeof value[0] === "number"
        ? 1
        : (value as unknown[]).reduce<number>((sum, one) => sum + count(one), 0)
      : 0;
  if (!geometry) return 0;
  return count(geometry.coordinates) + (geometry.geometries ?? []).reduce((sum, one) => sum + pointsOf(one), 0);
}
