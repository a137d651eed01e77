import { areaLess, groundArea } from "@/core/area/ground";
import { MEASURED_BY, type MeasuredBy } from "@/core/area/uncertainty";
import { good, type Result } from "@/core/issue";
import { ratio } from "@/core/quantity/arithmetic";
import type { Quantity } from "@/core/quantity/kinds";
import { parseField } from "@/core/quantity/ranges";
import type { Derived } from "@/core/working/rule";
import { faultsIn } from "../job-file/shape-parts";
import { areaOnMap } from "./read-area";
import { MapFaults, MOST_POINTS, readPolygon, type MapPolygon } from "./map";
import { readGround } from "./read-ground";
import { GROUND_SHAPE } from "./shapes";
import type { MapText, MeasuredText } from "./types";

/** How a zone was measured → its area with its working, or every fault. */
export function areaOfMeasured(measured: MeasuredText): Result<Derived<"area">> {
  if (measured.map) return mapArea(measured.map);
  const issues = faultsIn(GROUND_SHAPE, measured.ground);
  if (issues.length > 0) return { ok: false, issues };
  const faults = new MapFaults();
  const ground = readGround(measured.ground!, "", faults);
  const area = ground && groundArea(ground);
  return area ? good(area) : { ok: false, issues: faults.issues };
}

function mapArea({ polygons, slope }: MapText): Result<Derived<"area">> {
  const read = polygonsOf(polygons);
  if (!read.ok) return read;
  const on = slope === undefined ? undefined : parseField("slope", slope, { path: "slope", zero: true });
  if (on && !on.ok) return on;
  return good(areaLess(areaOnMap({ polygons: read.value }), [], on?.value)!);
}

/** The polygons of a map as it is kept. */
export function polygonsOf(polygons: MapText["polygons"]): Result<readonly MapPolygon[]> {
  const faults = new MapFaults();
  const read = polygons.map((polygon, i) => readPolygon(polygon, `polygons[${i}]`, faults, false));
  if (read.length === 0) faults.add("polygons", "too-few", "empty", "1 polygon");
  return faults.issues.length > 0 ? { ok: false, issues: faults.issues } : good(read as MapPolygon[]);
}

/** An area is written with three figures or four: so much may it differ from what its measurement comes to. */
const AS_GOOD_AS = 0.005;

/** How an area was measured, where it is what that comes to: who types another area has another. */
export function measuredFor(area: Quantity<"area">, told: unknown): MeasuredText | undefined {
  const worked = isMeasured(told) ? areaOfMeasured(told) : undefined;
  return worked?.ok && Math.abs(ratio(area, worked.value.value) - 1) <= AS_GOOD_AS ? (told as MeasuredText) : undefined;
}

/** Whether a value is a measurement that can be worked out again. */
export function isMeasured(value: unknown): value is MeasuredText {
  if (typeof value !== "object" || value === null) return false;
  const { by, stride, ground, map } = value as Record<string, unknown>;
  if (!MEASURED_BY.includes(by as MeasuredBy) || (ground === undefined) === (map === undefined)) return false;
  if (stride !== undefined && !parseField("stride", stride).ok) return false;
  if (map !== undefined) {
    const { polygons } = (map ?? {}) as { polygons?: unknown };
    if (!Array.isArray(polygons) || JSON.stringify(polygons).length > MOST_POINTS) return false;
  }
  return areaOfMeasured(value as MeasuredText).ok;
}
