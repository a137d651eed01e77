import { dayIn, localDate } from "@/formats/day";
import { dateOf, dayOf, isMomentText } from "@/core/calendar";
import type { Access } from "@/records/database";
import { readSetting } from "@/records/settings";

/** The server's clock and the firm's time zone decide what day it is. What a device says of the time is evidence, no more. */

let source: () => number = Date.now;

export const now = (): Date => new Date(source());
export const nowText = (): string => now().toISOString();

/**
 * Sets the clock to another moment, where it goes on by a millisecond a look: for the demo, whose season lies behind, and
 * for tests. Nothing in the app does.
 */
export function holdClock(moment: string | undefined): void {
  let at = moment === undefined ? 0 : Date.parse(moment);
  source = moment === undefined ? Date.now : () => at++;
}

/** The zone of the machine: the guess until somebody has settled it. */
export const machineZone = (): string => new Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC";

/** The firm's time zone, and whether anybody has said so. */
export function firmZone(db: Access): { readonly zone: string; readonly settled: boolean } {
  const zone = readSetting(db, "time-zone");
  return zone === undefined ? { zone: machineZone(), settled: false } : { zone, settled: true };
}

/** Today, as an ISO date of the firm's place. */
export const todayOf = (db: Access): string => localDate(nowText(), firmZone(db).zone);

/** Which day it is at the firm's place, for judging by days. */
export const dayNow = (db: Access) => ({ today: dayOf(todayOf(db)), zone: firmZone(db).zone });

/** The day of a moment at the firm's place. */
export const dateAt = (db: Access, moment: string): string => dateOf(dayIn(moment, firmZone(db).zone));

/** How far a device's clock may run ahead, ms: what a request takes, and what nobody sets more exactly. */
const AHEAD = 5 * 60_000;

/** A moment as ISO 8601 in UTC that can have been: not before 1990, not later than now. */
export function isMoment(value: unknown): value is string {
  if (typeof value !== "string" || !/:\d\d:\d\d(\.\d{1,3})?Z$/.test(value) || !isMomentText(value)) return false;
  const at = Date.parse(value);
  return at > Date.parse("1990-01-01") && at <= now().getTime() + AHEAD;
}

/** What a moment should look like, for whoever sent another. */
export const A_MOMENT = `"2026-04-14T09:30:00.000Z", not later than now: is the clock of this device right?`;
