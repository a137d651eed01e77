import { readTemperature } from "./temperature";
import { HAIR, type ConditionReason } from "./judge";
import type { System } from "../working/units";

/** What a label asks of the ground and of the days before: the soil's temperature, and how warm the days were. */

export interface GroundLimits {
  /** °C. */
  readonly soilAtLeast?: number | undefined;
  readonly soilAtMost?: number | undefined;
  /** The highs of so many days in a row, the last one yesterday, are at most so much, °C. */
  readonly days?: { readonly count: number; readonly atMost: number } | undefined;
}

/** What is known of it; null where it isn't. */
export interface GroundSeen {
  /** Measured at the place before the work, °C. */
  readonly soil: number | null;
  /** What the firm's series has for the days before, °C: of another place, perhaps. */
  readonly series: number | null;
  /** The highs of the days before, °C, yesterday's first. */
  readonly highs: readonly (number | null)[];
}

/** What of it speaks against the work. Soil that was measured there forbids; a series says to measure, as it may be of elsewhere. */
export function judgeGround(seen: GroundSeen, { soilAtLeast, soilAtMost, days }: GroundLimits): ConditionReason[] {
  const reasons: ConditionReason[] = [];
  const soil = seen.soil ?? seen.series;
  if (soilAtLeast !== undefined || soilAtMost !== undefined) {
    const verdict = seen.soil === null ? "wait" : "no";
    const here = (s: System) => `soil of ${readTemperature(soil!, s)}${seen.soil === null ? " by the firm's series" : ""}`;
    const then = seen.soil === null ? ": measure it there" : "";
    if (soil === null)
      reasons.push({
        code: "not-known",
        verdict,
        text: () => "the soil's temperature isn't known, and a label asks for it: measure it",
      });
    else if (soilAtLeast !== undefined && soil < soilAtLeast - HAIR)
      reasons.push({
        code: "soil-under-limit",
        verdict,
        text: (s) => `${here(s)}, ${readTemperature(soilAtLeast, s)} is the least${then}`,
      });
    else if (soilAtMost !== undefined && soil > soilAtMost + HAIR)
      reasons.push({
        code: "soil-over-limit",
        verdict,
        text: (s) => `${here(s)}, ${readTemperature(soilAtMost, s)} is the most${then}`,
      });
  }
  if (days) {
    const highs = Array.from({ length: days.count }, (_, i) => seen.highs[i] ?? null);
    const known = highs.filter((high) => high !== null);
    const most = Math.max(...known);
    if (known.length > 0 && most > days.atMost + HAIR)
      reasons.push({
        code: "days-over-limit",
        verdict: "wait",
        text: (s) =>
          `${readTemperature(most, s)} within the last ${days.count} days, ${readTemperature(days.atMost, s)} is the most`,
      });
    else if (known.length < days.count)
      reasons.push({
        code: "not-known",
        verdict: "wait",
        text: (s) =>
          `the highs of the last ${days.count} days aren't all on record: at most ${readTemperature(days.atMost, s)} each, a label says`,
      });
  }
  return reasons;
}
