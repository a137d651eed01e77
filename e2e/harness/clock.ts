import { dateOf, dayOf } from "../../src/core/calendar";
import { localDate } from "../../src/formats/day";
import { machineZone } from "../../src/services/clock";

/**
 * What time it is, for tests, their servers and pages: the machine's, or with TEST_CLOCK the moment at which every journey
 * begins, in the time zone of TZ. A test that asks the machine itself would be a day off then (lint).
 */
const begins = process.env.TEST_CLOCK;
let ahead: number | undefined;

/** Puts the clock back to where journeys begin. @returns `clockAhead()` */
export function beginAnew(): number | undefined {
  ahead = begins === undefined ? undefined : Date.parse(begins) - Date.now();
  return ahead;
}

/** How far the clock is ahead of the machine's, ms; undefined where it is the machine's. */
export const clockAhead = (): number | undefined => ahead;

/** Milliseconds since 1970. */
export const now = (): number => Date.now() + (ahead ?? 0);
export const nowText = (): string => new Date(now()).toISOString();
/** The firm's day: its place is where the machine is. */
export const today = (): string => localDate(nowText(), machineZone());
export const daysAgo = (days: number): string => dateOf(dayOf(today()) - days);
/** The day, hour and minute (UTC) of a station's report of some minutes ago, "101653Z". */
export function reportTime(minutesAgo: number): string {
  const [, day, hour, minute] = /-(\d\d)T(\d\d):(\d\d)/.exec(new Date(now() - minutesAgo * 60_000).toISOString())!;
  return `${day}${hour}${minute}Z`;
}
