import type { Position } from "@/core/area/geodesic";
import type { SiteText } from "../job-file/types";

/** A place as a person has it from a phone or a map: "41.88321, -87.61231", latitude first, degrees. */

/** Seven places of a degree are a centimetre. */
const PLACES = 7;

export const placeText = ([lon, lat]: Position): string => `${Number(lat.toFixed(PLACES))}, ${Number(lon.toFixed(PLACES))}`;

/** A place that was written; undefined where it is none. */
export function placeOf(text: unknown): Position | undefined {
  const found = typeof text === "string" ? /^\s*(-?\d{1,2}(?:\.\d+)?)\s*[,;\s]\s*(-?\d{1,3}(?:\.\d+)?)\s*$/.exec(text) : null;
  if (!found) return undefined;
  const [lat, lon] = [Number(found[1]), Number(found[2])];
  return Math.abs(lat) <= 90 && Math.abs(lon) <= 180 ? [lon, lat] : undefined;
}

/** Where a site is, as far as anybody noted it: its gate, its tap, or a corner of what was drawn of it. */
export const placeOfSite = (site: SiteText): Position | undefined =>
  placeOf(site.entrance) ??
  placeOf(site.waterSource?.position) ??
  site.zones.flatMap((zone) => zone.measurement?.map?.polygons ?? [])[0]?.[0]?.[0];
