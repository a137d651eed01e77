import type { Position } from "@/core/area/geodesic";
import type { MeasuredOn } from "@/core/area/ground";
import type { MeasuredBy } from "@/core/area/uncertainty";

/** A site file, as it is written: zones with how they were measured. */
export type ShapeText =
  | { readonly shape: "rectangle"; readonly length: string; readonly width: string }
  | { readonly shape: "triangle"; readonly base?: string; readonly height?: string; readonly sides?: readonly string[] }
  | { readonly shape: "circle"; readonly radius?: string; readonly diameter?: string }
  | { readonly shape: "ellipse"; readonly length: string; readonly width: string }
  | { readonly shape: "trapezoid"; readonly parallel: readonly string[]; readonly height: string }
  | { readonly shape: "offsets"; readonly every: string; readonly offsets: readonly string[] }
  | { readonly shape: "traverse"; readonly legs: readonly { readonly length: string; readonly bearing: number }[] }
  | { readonly shape: "parts"; readonly parts: readonly ShapeText[] };

export interface GroundText {
  readonly measured: ShapeText;
  readonly less?: readonly ShapeText[];
  readonly slope?: string;
  readonly measuredOn?: MeasuredOn;
}

export interface SiteFile {
  readonly format: "careful-gauge-site";
  readonly version: 1;
  readonly name?: string;
  readonly zones: readonly (GroundText & { readonly name: string })[];
}

/** How a zone on record was measured: as it was entered, so that it can be looked at, and measured again. */
export interface MeasuredText {
  readonly by: MeasuredBy;
  /** Of strides: how long one is; the lengths of `ground` are so many of them. */
  readonly stride?: string;
  readonly ground?: GroundText;
  /** Of a map or a walk: polygons as GeoJSON has them, and the slope that they lie on. */
  readonly map?: MapText;
}

export interface MapText {
  readonly polygons: readonly (readonly (readonly Position[])[])[];
  readonly slope?: string;
}
