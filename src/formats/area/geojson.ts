import { bad, good, type Result } from "@/core/issue";
import { shown, typeName } from "../job-file/shown";
import { MapFaults, MOST_POINTS, readPolygon, zoneOf, type MapZone, type Placed } from "./map";

/** GeoJSON (RFC 7946): polygons and multipolygons, one zone a feature. What is a point or a line is no ground, and is told. */

interface Feature {
  readonly geometry: unknown;
  readonly name: string;
  readonly at: string;
}

/** What was read of a map: its zones, and what in it is no piece of ground. */
export interface MapRead {
  readonly zones: readonly MapZone[];
  readonly passedOver: readonly string[];
}

/** What of a map could be read, beside the faults of what could not. */
export interface MapLooked extends MapRead {
  readonly faults: MapFaults;
}

/** What could be read, with its faults; a file that has no piece of ground at all has that one. */
export function looked({ zones, passedOver, faults }: MapLooked, needs: string): MapLooked {
  if (faults.issues.length === 0 && zones.length === 0) faults.add("", "missing", "", needs);
  return { zones, passedOver, faults };
}

/** All of a map, or every fault of it. */
export const wholeMap = (result: Result<MapLooked>): Result<MapRead> => {
  if (!result.ok) return result;
  const { zones, passedOver, faults } = result.value;
  return faults.issues.length > 0 ? { ok: false, issues: faults.issues } : good({ zones, passedOver });
};

const TYPES = ["FeatureCollection", "Feature", "Polygon", "MultiPolygon", "GeometryCollection"];

export const isGeoJson = (file: unknown): boolean => {
  const type = (file as { type?: unknown } | null)?.type;
  return typeof type === "string" && [...TYPES, "Point", "MultiPoint", "LineString", "MultiLineString"].includes(type);
};

export function readGeoJson(file: unknown): Result<MapLooked> {
  const faults = new MapFaults();
  const points = countPoints(file);
  if (points > MOST_POINTS) return bad(tooMany(points));
  crsFaults(file, faults);
  const features = featuresOf(file, faults);
  const passedOver: string[] = [];
  const zones = features.flatMap(({ geometry, name, at }): MapZone[] => {
    const placed = polygonsOf(geometry, at, faults, passedOver);
    return placed.length > 0 ? [zoneOf(name, placed, null, faults)] : [];
  });
  return good(looked({ zones, passedOver, faults }, `a "Polygon" or a "MultiPolygon": this has none`));
}

/** Names of longitude and latitude on WGS 84, as programs write them in what older GeoJSON called "crs". */
const WGS84 = /(?:^|[:/])(?:CRS:?84|EPSG:{1,2}(?:[\d.]*:)?4326|WGS ?84)$/i;

/** Coordinates of another system would be read as degrees. */
function crsFaults(file: unknown, faults: MapFaults): void {
  const { crs } = file as { crs?: unknown };
  if (crs === undefined || crs === null) return;
  const name = (crs as { properties?: { name?: unknown } }).properties?.name;
  if (typeof name === "string" && WGS84.test(name.trim())) return;
  faults.add(
    "crs",
    "not-a-choice",
    typeof name === "string" ? name.slice(0, 80) : typeName(crs),
    "longitude and latitude on WGS 84 (RFC 7946)",
  );
}

export const tooMany = (points: number) =>
  ({
    path: "",
    code: "too-many",
    received: `${points.toLocaleString("en-US")} points`,
    expected: MOST_POINTS.toLocaleString("en-US"),
  }) as const;

/** How many positions a file has, without going deeper than GeoJSON does. */
function countPoints(file: unknown): number {
  let count = 0;
  const look = (value: unknown, deep: number): void => {
    if (deep > 12 || typeof value !== "object" || value === null) return;
    if (Array.isArray(value)) {
      if (typeof value[0] === "number") count += 1;
      else for (const one of value as unknown[]) look(one, deep + 1);
    } else for (const [key, one] of Object.entries(value)) if (key !== "properties") look(one, deep + 1);
  };
  look(file, 0);
  return count;
}

function featuresOf(file: unknown, faults: MapFaults): Feature[] {
  const { type, features, geometry, properties } = file as Record<string, unknown>;
  if (type === "FeatureCollection") {
    if (!Array.isArray(features)) {
      faults.add("features", "wrong-type", typeName(features), "a list of features");
      return [];
    }
    return (features as unknown[]).flatMap((feature, i) => featureOf(feature, `features[${i}]`, i, faults));
  }
  if (type === "Feature") return [{ geometry, name: nameOf(properties, 0), at: "geometry" }];
  return [{ geometry: file, name: nameOf(undefined, 0), at: "" }];
}

function featureOf(feature: unknown, at: string, i: number, faults: MapFaults): Feature[] {
  const { type, geometry, properties } = (feature ?? {}) as Record<string, unknown>;
  if (type !== "Feature") {
    faults.add(`${at}.type`, "not-a-choice", shown(type), "Feature");
    return [];
  }
  return [{ geometry, name: nameOf(properties, i), at: `${at}.geometry` }];
}

/** A feature's own name, or its number. */
function nameOf(properties: unknown, i: number): string {
  const name = (properties as { name?: unknown } | null | undefined)?.name;
  return typeof name === "string" && name.trim() !== "" ? name.trim().slice(0, 200) : `zone ${i + 1}`;
}

/** Collections within collections: more than any program writes. */
const DEEPEST = 8;

function polygonsOf(geometry: unknown, at: string, faults: MapFaults, passedOver: string[], depth = 0): Placed[] {
  const place = (key: string) => (at === "" ? key : `${at}.${key}`);
  const { type, coordinates, geometries } = (geometry ?? {}) as Record<string, unknown>;
  if (geometry === null || geometry === undefined) {
    passedOver.push(`${at}: no geometry`);
    return [];
  }
  const found = (polygon: unknown, where: string): Placed[] => {
    const read = readPolygon(polygon, where, faults, true);
    return read ? [{ polygon: read, at: where }] : [];
  };
  if (type === "Polygon") return found(coordinates, place("coordinates"));
  if (type === "MultiPolygon") {
    if (!Array.isArray(coordinates)) {
      faults.add(place("coordinates"), "wrong-type", typeName(coordinates), "a list of polygons");
      return [];
    }
    return (coordinates as unknown[]).flatMap((one, i) => found(one, `${place("coordinates")}[${i}]`));
  }
  if (type === "GeometryCollection" && Array.isArray(geometries)) {
    if (depth < DEEPEST)
      return (geometries as unknown[]).flatMap((one, i) =>
        polygonsOf(one, `${place("geometries")}[${i}]`, faults, passedOver, depth + 1),
      );
    faults.add(place("geometries"), "too-many", `more than ${DEEPEST} collections within one another`, String(DEEPEST));
    return [];
  }
  if (["Point", "MultiPoint", "LineString", "MultiLineString"].includes(String(type))) {
    passedOver.push(`${at}: a ${String(type)} is no piece of ground`);
    return [];
  }
  faults.add(place("type"), "not-a-choice", shown(type), "Polygon, MultiPolygon");
  return [];
}
