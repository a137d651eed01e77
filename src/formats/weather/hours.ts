import type { ConditionLimits, Conditions, When } from "@/core/conditions/judge";
import { ageAt } from "../air-age";
import { judgeSeen, readAir, type AirSeen } from "../air-seen";
import { readMetar } from "./metar";

/** What a day's reports say of each hour: what was measured, never what is to come. */

/** The part of the day by the clock on the wall, where nobody knows the place to ask the sun of (ours). */
export const whenAt = (hour: number): When =>
  hour >= 9 && hour < 18 ? "day" : hour >= 5 && hour < 9 ? "sunrise" : hour >= 18 && hour < 21 ? "sunset" : "night";

export interface ReportedHour {
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly seen: AirSeen;
  readonly judged: Conditions;
}

const DAY = 86_400_000;

/** The moment of a report's day and time in UTC ("101653Z"): the last one that was, seen from now. */
export function momentOfReport(time: string, now: number): number | undefined {
  const found = /^(\d\d)(\d\d)(\d\d)Z$/.exec(time);
  if (!found) return undefined;
  const [day, hour, minute] = found.slice(1).map(Number) as [number, number, number];
  // A month back at most, and never ahead by more than a clock that is off.
  for (let back = 0; back <= 31; back++) {
    const date = new Date(now + DAY / 24 - back * DAY);
    const at = Date.UTC(date.getUTCFullYear(), date.getUTCMonth(), date.getUTCDate(), hour, minute);
    if (date.getUTCDate() === day && at <= now + DAY / 24) return at;
  }
  return undefined;
}

/**
 * Reports, a line each, as hours in their order, each judged by its part of the day.
 * @param partAt the part of the day at a moment
 * @returns the hours; and the lines that nobody could read
 */
export function hoursOf(
  text: string,
  limits: ConditionLimits,
  now: number,
  partAt: (at: number) => When,
): { readonly hours: readonly ReportedHour[]; readonly unread: readonly string[] } {
  const unread: string[] = [];
  const hours = text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== "")
    .flatMap((line): ReportedHour[] => {
      const report = readMetar(line, "metar");
      const at = report.ok ? momentOfReport(report.value.time, now) : undefined;
      const seen = at === undefined ? undefined : readAir({ when: partAt(at), metar: line });
      if (at === undefined || !seen?.ok) {
        unread.push(line);
        return [];
      }
      return [{ at, seen: seen.value, judged: judgeSeen(seen.value, limits) }];
    })
    .sort((a, b) => a.at - b.at);
  return { hours, unread };
}

/** The newest report, where it still counts at a moment; undefined where it is too old to go by, or there is none. */
export function newestOf(hours: readonly ReportedHour[], now: string): ReportedHour | undefined {
  const last = hours.at(-1);
  return last && ageAt(last.at, Date.parse(now)) === "now" ? last : undefined;
}

/** The spans in which every report let it be sprayed: from the first moment to the last. */
export function goodSpans(hours: readonly ReportedHour[]): readonly (readonly [number, number])[] {
  const spans: [number, number][] = [];
  hours.forEach(({ at, judged }, i) => {
    if (judged.verdict !== "go") return;
    const last = spans.at(-1);
    if (last && hours[i - 1]?.judged.verdict === "go" && last[1] === hours[i - 1]!.at) last[1] = at;
    else spans.push([at, at]);
  });
  return spans;
}
