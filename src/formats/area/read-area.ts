import { piecesOverlapping, TOUCHING } from "@/core/area/overlap";
import { MISCLOSURE_TOLD, closed } from "@/core/area/traverse";
import { areaLess, groundArea, ringRule, type Ground } from "@/core/area/ground";
import { perimeterOfShape, partsRule, type Shape } from "@/core/area/shape";
import { bad, good, type Result } from "@/core/issue";
import { fromCanonical } from "@/core/quantity/arithmetic";
import type { Quantity } from "@/core/quantity/kinds";
import { constant, derive, type Derived } from "@/core/working/rule";
import { Faults } from "../job-file/faults";
import { faultsIn } from "../job-file/shape-parts";
import { parseJson } from "../json-file";
import { typeName } from "../job-file/shown";
import { isGeoJson, readGeoJson, wholeMap, type MapRead } from "./geojson";
import { aroundZone, OPEN_TOLD, ringsOf, type MapPolygon, type MapZone } from "./map";
import { readGround } from "./read-ground";
import { SITE_FILE } from "./shapes";
import type { SiteFile } from "./types";

/** A file with pieces of ground, of whatever kind, told by what is in it → their areas, or every fault at once. */

export const AREA_WARNINGS = ["misclosure", "open-walk", "touching", "zones-overlap"] as const;
export type AreaWarning = (typeof AREA_WARNINGS)[number];

export interface ZoneArea {
  readonly name: string;
  readonly area: Derived<"area">;
  readonly perimeter: Quantity<"length"> | null;
  readonly warnings: readonly AreaWarning[];
}

export interface Areas {
  readonly name: string | null;
  readonly zones: readonly ZoneArea[];
  /** What in a map is no piece of ground: points, lines. */
  readonly passedOver: readonly string[];
}

/** @param text of a site file, GeoJSON, KML or GPX */
export async function readAreas(text: string): Promise<Result<Areas>> {
  const plain = text.replace(/^\uFEFF/, "").trimStart();
  if (plain.startsWith("<")) {
    // The XML reader is loaded for a file that needs it.
    const { readXml } = await import("./xml");
    return mapAreas(wholeMap(readXml(plain)));
  }
  const file = parseJson(plain, "a site file, GeoJSON, KML or GPX");
  if (!file.ok) return file;
  if (isGeoJson(file.value)) return mapAreas(wholeMap(readGeoJson(file.value)));
  return siteAreas(file.value);
}

function siteAreas(file: unknown): Result<Areas> {
  if (typeof file !== "object" || file === null || Array.isArray(file))
    return bad({ path: "", code: "wrong-type", received: typeName(file), expected: "an object (the site file)" });
  const issues = faultsIn(SITE_FILE, file);
  if (issues.length > 0) return { ok: false, issues };
  const { name, zones } = file as SiteFile;
  const faults = new Faults();
  const grounds = zones.map((zone, i) => readGround(zone, `zones[${i}].`, faults));
  if (faults.issues.length > 0) return { ok: false, issues: faults.issues };
  return good({
    name: name ?? null,
    zones: (grounds as Ground[]).map((ground, i) => ({
      name: zones[i]!.name,
      area: groundArea(ground)!,
      perimeter: perimeterOfShape(ground.measured),
      warnings: warningsOf([ground.measured, ...ground.less]),
    })),
    passedOver: [],
  });
}

/** What is told of the shapes of a zone. */
export function warningsOf(shapes: readonly Shape[]): AreaWarning[] {
  const off = (shape: Shape): boolean =>
    shape.kind === "parts" ? shape.parts.some(off) : shape.kind === "traverse" && closed(shape.legs).misclosure > MISCLOSURE_TOLD;
  return shapes.some(off) ? ["misclosure"] : [];
}

const polygonArea = (polygon: MapPolygon): Derived<"area"> => {
  const { outer, holes } = ringsOf(polygon);
  const of = (area: number, name: string) => constant("area", fromCanonical<"area">(area), name);
  const whole = derive(ringRule, { ring: of(outer.area, "what is inside the ring") });
  return areaLess(
    whole,
    holes.map((hole, i) => of(hole.area, `hole ${i + 1}`)),
    undefined,
  )!;
};

/** The area of a zone of a map, flat, with its working. */
export function areaOnMap({ polygons }: Pick<MapZone, "polygons">): Derived<"area"> {
  const parts = polygons.map(polygonArea);
  return parts.length === 1 ? parts[0]! : derive(partsRule, { parts });
}

function mapAreas(read: Result<MapRead>): Result<Areas> {
  if (!read.ok) return read;
  const { zones } = read.value;
  const pieces = zones.map(({ polygons }) => polygons.map(({ outer, holes }) => [outer, ...holes]));
  const twice = piecesOverlapping(pieces, TOUCHING);
  return good({
    name: null,
    zones: zones.map((zone, i) => ({
      name: zone.name,
      area: areaOnMap(zone),
      perimeter: fromCanonical<"length">(aroundZone(zone)),
      warnings: [
        ...(zone.walk !== null && zone.walk.gap > OPEN_TOLD ? (["open-walk"] as const) : []),
        ...(zone.touching ? (["touching"] as const) : []),
        ...(twice.has(i) ? (["zones-overlap"] as const) : []),
      ],
    })),
    passedOver: read.value.passedOver,
  });
}
