"use client";

import { dayIn, localDate } from "@/formats/day";

/**
 * What time it is: the server's, carried on by this device; and which day that is where the firm is. A device's own clock
 * may be a day off, and its owner may be travelling.
 */
let zone = new Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC";
/** What the server's clock is ahead of this one, ms. */
let ahead = 0;

export function setFirmZone(next: string): void {
  zone = next;
}

/** Takes the server's time, as it came with an answer. */
export function setServerTime(milliseconds: number): void {
  if (Number.isFinite(milliseconds)) ahead = milliseconds - Date.now();
}

/** How far this device's clock is off, ms: above zero where it runs ahead. */
export const clockIsOff = (): number => -ahead;

export const nowMoment = (): string => new Date(Date.now() + ahead).toISOString();

/** The number of the day that it is. */
export const today = (): number => dayIn(nowMoment(), zone);

/** Which day it is where the firm is, for judging by days. */
export const dayNow = () => ({ today: today(), zone });

export const todayDate = (): string => localDate(nowMoment(), zone);

/** The number of the day of a moment, where the firm is. */
export const dayHere = (moment: string): number => dayIn(moment, zone);

const parts = new Map<string, Intl.DateTimeFormat>();

/** What the clock on the firm's wall shows at a moment (ISO 8601), as a date for formatting; now, where none is given. */
export function wallClock(moment: string = nowMoment()): Date {
  let format = parts.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat("en-US", {
      timeZone: zone,
      year: "numeric",
      month: "numeric",
      day: "numeric",
      hour: "numeric",
      minute: "numeric",
      second: "numeric",
      hourCycle: "h23",
    });
    parts.set(zone, format);
  }
  const read = Object.fromEntries(format.formatToParts(new Date(moment)).map((p) => [p.type, Number(p.value)]));
  return new Date(read.year!, read.month! - 1, read.day!, read.hour!, read.minute!, read.second!);
}
