import { flatAround, placeAt, type Position } from "@/core/area/geodesic";
import type { Point } from "@/core/area/ring";
import type { MapText } from "@/formats/area/types";

/** A drawing of zones from above: where each of their points stands in it. */

export interface Drawn {
  readonly key: string;
  readonly name: string;
  readonly polygons: MapText["polygons"];
  /** What grows there: each has its own hatching. */
  readonly turf?: string | undefined;
  /** Left out of what is taken. */
  readonly faint?: boolean;
  /** It is no piece of ground: drawn as a line, its fault marked at these places. */
  readonly broken?: readonly Position[];
}

export interface FlatZone extends Drawn {
  /** Its rings, those that are cut out too, in metres east and north. */
  readonly rings: readonly (readonly Point[])[];
  readonly marks: readonly Point[];
}

export interface Frame {
  readonly zones: readonly FlatZone[];
  readonly gate: Point | undefined;
  readonly tap: Point | undefined;
  /** Of the ground that is drawn, m, and pixels for one. */
  readonly wide: number;
  readonly scale: number;
  /** Metres → the drawing, and back. */
  readonly at: (point: Point) => Point;
  readonly back: (pixel: Point) => Point;
  /** Metres → a place on the earth. */
  readonly place: (point: Point) => Position;
}

export const WIDE = 560;
export const HIGH = 380;
export const EDGE = 30;

/** @returns undefined where there is nothing to draw */
export function frameOf(zones: readonly Drawn[], gatePlace?: Position, tapPlace?: Position): Frame | undefined {
  const origin = zones[0]?.polygons[0]?.[0]?.[0];
  if (!origin) return undefined;
  const flat = zones.map((zone) => ({
    ...zone,
    rings: zone.polygons.flatMap((polygon) => polygon.map((ring) => flatAround(origin, ring as readonly Position[]))),
    marks: flatAround(origin, zone.broken ?? []),
  }));
  const [gate, tap] = [gatePlace, tapPlace].map((place) => place && flatAround(origin, [place])[0]!);
  const beside = [gate, tap].filter((place) => place !== undefined);
  const all = [...flat.flatMap((zone) => [...zone.rings.flat(), ...zone.marks]), ...beside];
  const [west, east] = ends(all.map(([x]) => x));
  const [south, north] = ends(all.map(([, y]) => y));
  const wide = Math.max(east - west, 1);
  const scale = Math.min((WIDE - 2 * EDGE) / wide, (HIGH - 2 * EDGE) / Math.max(north - south, 1));
  return {
    zones: flat,
    gate,
    tap,
    wide,
    scale,
    at: ([x, y]) => [EDGE + (x - west) * scale, HIGH - EDGE - (y - south) * scale],
    back: ([x, y]) => [west + (x - EDGE) / scale, south + (HIGH - EDGE - y) / scale],
    place: (point) => placeAt(origin, point),
  };
}

const ends = (of: readonly number[]): readonly [number, number] =>
  of.reduce<readonly [number, number]>(
    ([least, most], one) => [Math.min(least, one), Math.max(most, one)],
    [Infinity, -Infinity],
  );

/** A corner of a zone. */
export interface Corner {
  readonly zone: number;
  readonly ring: number;
  readonly corner: number;
}

/** So near to a corner, in the drawing's pixels, it is taken hold of. */
const NEAR = 16;

/** The corner nearest to a place of the drawing, among the zones that are taken; undefined where none is near. */
export function cornerNear({ zones, at }: Frame, [px, py]: Point): Corner | undefined {
  let best: { readonly of: Corner; readonly away: number } | undefined;
  zones.forEach(({ rings, faint }, zone) => {
    if (!faint)
      rings.forEach((points, ring) =>
        points.forEach((point, corner) => {
          const [x, y] = at(point);
          const away = Math.hypot(x - px, y - py);
          if (away <= NEAR && (!best || away < best.away)) best = { of: { zone, ring, corner }, away };
        }),
      );
  });
  return best?.of;
}

/** The edge of a zone as a path. @param moved where a corner of it is dragged to, in metres */
export function edgeOf({ rings, broken }: FlatZone, at: Frame["at"], moved?: Corner & { readonly to: Point }): string {
  return rings
    .map((points, ring) => {
      const drawn = points.map((point, i) => at(moved?.ring === ring && moved.corner === i ? moved.to : point));
      return `M${drawn.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join(" L")}${broken ? "" : " Z"}`;
    })
    .join(" ");
}
