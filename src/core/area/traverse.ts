import type { Entered } from "../quantity/parse";
import { raw } from "../quantity/kinds";

/**
 * A closed traverse: legs walked around a piece of ground, each with its length and its bearing in degrees from north,
 * clockwise. It should end where it began; what it misses is its gap.
 */
export type Traverse = readonly { readonly length: Entered<"length">; readonly bearing: number }[];

/** East and north, in metres from where it began. */
export type Corner = readonly [east: number, north: number];

export interface Closed {
  /** The corners, the gap spread over the legs by their lengths (compass rule). */
  readonly corners: readonly Corner[];
  /** How far it ended from where it began, m, and as a part of its length. */
  readonly gap: number;
  readonly misclosure: number;
  /** Around the adjusted corners, m. */
  readonly around: number;
}

/** More than this is told (ours, as the command has it); beyond ten times as much it is no traverse of one piece of ground. */
export const MISCLOSURE_TOLD = 0.01;
export const MISCLOSURE_MOST = 0.1;

/** Walks the legs and closes them. @param legs at least one */
export function closed(legs: Traverse): Closed {
  const walked = legs.map(({ length, bearing }) => {
    const angle = (bearing * Math.PI) / 180;
    const size = raw(length.value);
    return { size, east: size * Math.sin(angle), north: size * Math.cos(angle) };
  });
  const along = walked.reduce((sum, { size }) => sum + size, 0);
  const east = walked.reduce((sum, leg) => sum + leg.east, 0);
  const north = walked.reduce((sum, leg) => sum + leg.north, 0);
  const gap = Math.hypot(east, north);
  const corners: Corner[] = [];
  let at: Corner = [0, 0];
  for (const leg of walked) {
    corners.push(at);
    const share = leg.size / along;
    at = [at[0] + leg.east - east * share, at[1] + leg.north - north * share];
  }
  const around = corners.reduce((sum, [x, y], i) => {
    const [u, v] = corners[(i + 1) % corners.length]!;
    return sum + Math.hypot(u - x, v - y);
  }, 0);
  return { corners, gap, misclosure: gap / along, around };
}
