import { getPosition, getTimes } from "suncalc";
import type { Position } from "@/core/area/geodesic";
import type { When } from "@/core/conditions/judge";

/** The part of the day by the sun: when the air lies in layers hangs on the sun, not on the clock. */

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** Hours about the sun's rising and setting in which the air may lie in layers (common practice). */
const AROUND = { rising: { before: 1, after: 2 }, setting: { before: 2, after: 1 } } as const;

export interface SunAt {
  readonly when: When;
  /** The moments of that solar day, ms since 1970; null where the sun does neither. */
  readonly rises: number | null;
  readonly sets: number | null;
}

/**
 * @param at ms since 1970
 * @param place longitude and latitude, degrees
 */
export function sunAt(at: number, [lon, lat]: Position): SunAt {
  // A moment near midnight may belong to the rising of the day beside.
  const days = [-1, 0, 1].map((day) => getTimes(new Date(at + day * DAY), lat, lon));
  const near = (of: "sunrise" | "sunset", { before, after }: { before: number; after: number }) =>
    days.some((times) => {
      const moment = times[of]?.getTime();
      return moment !== undefined && at >= moment - before * HOUR && at <= moment + after * HOUR;
    });
  const isUp = getPosition(new Date(at), lat, lon).altitude > 0;
  const when = near("sunrise", AROUND.rising) ? "sunrise" : near("sunset", AROUND.setting) ? "sunset" : isUp ? "day" : "night";
  const today = days.find((times) => Math.abs(times.solarNoon.getTime() - at) <= DAY / 2) ?? days[1]!;
  return { when, rises: today.sunrise?.getTime() ?? null, sets: today.sunset?.getTime() ?? null };
}
