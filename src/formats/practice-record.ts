import { daysFrom } from "@/core/calendar";
import { GROUNDS, type Ground } from "@/core/calibration/evidence";
import { paceRecord, type PaceRecord, type Walks } from "@/core/practice/held";
import { localDate } from "./day";
import type { PracticeEntry } from "./entries";
import { freeWalks, seconds } from "./practice";
import type { PractisedText } from "./practised";
import type { Session } from "./session";

/** What somebody's practice comes to over the weeks, and what of it a calibration stands on. */

/** Somebody's days of walking on one kind of ground, in order. @param entries of that person */
export function daysOf(entries: readonly PracticeEntry[], ground: Ground, zone: string): Walks[] {
  const days = entries.flatMap(({ at, ground: on, what }) => {
    if (what.kind !== "pace" || on !== ground) return [];
    const times = freeWalks(what.walks);
    return times.length === 0 ? [] : [{ at, day: localDate(at, zone), times, wanted: seconds(what.wanted) }];
  });
  return days.sort((a, b) => (a.at < b.at ? -1 : 1));
}

/** What somebody's walks come to on each kind of ground that they walked on. */
export function recordsOf(
  entries: readonly PracticeEntry[],
  zone: string,
): { readonly ground: Ground; readonly record: PaceRecord }[] {
  return GROUNDS.flatMap((ground) => {
    const days = daysOf(entries, ground, zone);
    return days.length === 0 ? [] : [{ ground, record: paceRecord(days) }];
  });
}

/** Practice older than this says nothing of today's legs, days (ours). */
const FRESH = 90;

/** What is written beside a calibration whose pace is a person's legs. @param entries of that person */
export function practisedBeside(
  { direct, pace, ground }: Pick<Session, "direct" | "pace" | "ground">,
  entries: readonly PracticeEntry[],
  day: { readonly today: string; readonly zone: string },
): { readonly "x-practice"?: PractisedText } {
  const walked = !direct && (pace === "timed-area" || pace === "timed-run");
  const practised = walked ? practisedNow(entries, ground, day) : undefined;
  return practised ? { "x-practice": practised } : {};
}

/** What practice says of a person's walks on the ground of a calibration; undefined where it says nothing. @param today ISO date */
export function practisedNow(
  entries: readonly PracticeEntry[],
  ground: Ground,
  { today, zone }: { readonly today: string; readonly zone: string },
): PractisedText | undefined {
  const days = daysOf(entries, ground, zone).filter(({ day }) => day <= today && daysFrom(day, today) <= FRESH);
  if (days.length === 0) return undefined;
  const { scatter, freedom } = paceRecord(days);
  return scatter === null || freedom === 0
    ? undefined
    : { scatter: `${Number((100 * scatter).toPrecision(3))} %`, freedom, until: days.at(-1)!.day };
}
