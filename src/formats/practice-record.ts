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

/** Practice older than this says nothing of today's legs, days (ours). */
const FRESH = 90;

/** The day that it is where the firm is: its date, and the time zone. */
interface Day {
  readonly today: string;
  readonly zone: string;
}

const recentOf = (days: readonly Walks[], today: string): Walks[] =>
  days.filter(({ day }) => day <= today && daysFrom(day, today) <= FRESH);

/** What is written beside a calibration whose pace is a person's legs. @param entries of that person */
export function practisedBeside(
  { direct, pace, ground }: Pick<Session, "direct" | "pace" | "ground">,
  entries: readonly PracticeEntry[],
  day: Day,
): { readonly repeatability?: PractisedText } {
  const walked = !direct && (pace === "timed-area" || pace === "timed-run");
  const practised = walked ? practisedNow(entries, ground, day) : undefined;
  return practised ? { repeatability: practised } : {};
}

/** What somebody's walks come to on a kind of ground. */
export interface OnGround {
  readonly ground: Ground;
  /** Of the last days; null where they didn't walk in them. */
  readonly record: PaceRecord | null;
  /** Of all of them: how long it held. */
  readonly held: PaceRecord["held"];
}

/** What somebody's walks come to on each kind of ground that they walked on. */
export function recordsOf(entries: readonly PracticeEntry[], on: Day): OnGround[] {
  return GROUNDS.flatMap((ground): OnGround[] => {
    const all = daysOf(entries, ground, on.zone);
    if (all.length === 0) return [];
    const recent = recentOf(all, on.today);
    return [{ ground, record: recent.length > 0 ? paceRecord(recent) : null, held: paceRecord(all).held }];
  });
}

/** What practice says of a person's walks on the ground of a calibration; undefined where it says nothing. @param today ISO date */
export function practisedNow(entries: readonly PracticeEntry[], ground: Ground, { today, zone }: Day): PractisedText | undefined {
  const days = recentOf(daysOf(entries, ground, zone), today);
  if (days.length === 0) return undefined;
  const { scatter, freedom } = paceRecord(days);
  return scatter === null || freedom === 0
    ? undefined
    : { scatter: `${Number((100 * scatter).toFixed(2))} %`, freedom, until: days.at(-1)!.day };
}
