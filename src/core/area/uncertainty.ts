import { coverageFactor } from "../calibration/student";
import { TAPE } from "../calibration/uncertainty";
import { raw, type Quantity } from "../quantity/kinds";

/**
 * How sure an area is, as half its 95 % band, in parts: by how it was measured. A shape of a lawn is never quite a rectangle, so
 * these are what the measuring itself leaves open, not what a careless eye does.
 */
export const MEASURED_BY = ["tape", "wheel", "strides", "map", "walk"] as const;
export type MeasuredBy = (typeof MEASURED_BY)[number];

/** Limits of one length, as parts (ours; the tape's is common practice). */
const LIMITS = { tape: TAPE, wheel: 0.02, strides: 0.05 } as const;

/** A corner on a picture of the ground, and a fix of a phone against the fixes beside it, m (ours, one standard deviation). */
const CORNER = { map: 0.5, walk: 0.7 } as const;

/**
 * Two lengths make an area, each known within a rectangular limit (GUM 4.3.7). Of corners that are each off by themselves: the
 * area of a square is off by √2 · σ over its side, so that a lawn of 1,000 sq ft by a phone's fixes is worth ±20 %.
 */
export function areaRelative(by: MeasuredBy, area: Quantity<"area">): number {
  const standard =
    by === "map" || by === "walk" ? (Math.SQRT2 * CORNER[by]) / Math.sqrt(raw(area)) : Math.SQRT2 * (LIMITS[by] / Math.sqrt(3));
  return coverageFactor(Infinity) * standard;
}

/** Under this a walk with a phone isn't worth a tape: there it is off by over 5 % (ours). In m². */
export const TAPE_WINS_UNDER = ((coverageFactor(Infinity) * Math.SQRT2 * CORNER.walk) / 0.05) ** 2;

/** A zone of a mix with how sure its area is; null where it was typed. */
export interface ZoneSure {
  readonly area: Quantity<"area">;
  readonly by: MeasuredBy | null;
}

/**
 * How sure several zones are together, as a part of all of them: each is off by itself, so their squares add up. Null where none was
 * measured. What nobody measured is taken as it was typed, so the whole is at least as unsure as this.
 */
export function togetherRelative(zones: readonly ZoneSure[]): number | null {
  if (zones.every(({ by }) => by === null)) return null;
  const whole = zones.reduce((sum, { area }) => sum + raw(area), 0);
  const off = zones.reduce((sum, { area, by }) => sum + (by === null ? 0 : (raw(area) * areaRelative(by, area)) ** 2), 0);
  return Math.sqrt(off) / whole;
}
