import { dayOf } from "@/core/calendar";

/** Days of a place: which day a moment falls on depends on where it is asked, never on UTC. */

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(zone: string): Intl.DateTimeFormat {
  let format = formats.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat("en-US", { timeZone: zone, year: "numeric", month: "2-digit", day: "2-digit" });
    formats.set(zone, format);
  }
  return format;
}

/** The date on which a moment (ISO 8601) falls in a time zone (IANA name). @throws RangeError for no moment or no zone */
export function localDate(moment: string, zone: string): string {
  const parts = formatOf(zone).formatToParts(new Date(moment));
  const part = (type: string) => parts.find((p) => p.type === type)!.value;
  return `${part("year")}-${part("month")}-${part("day")}`;
}

/** As {@link localDate}, counted from 1970-01-01, so that core can count days without a clock. */
export const dayIn = (moment: string, zone: string): number => dayOf(localDate(moment, zone));

/** Whether a text names a time zone that is known here. */
export function isZone(zone: unknown): zone is string {
  if (typeof zone !== "string" || zone.length > 60 || !/^[A-Za-z][A-Za-z0-9_+/-]*$/.test(zone)) return false;
  try {
    formatOf(zone);
    return true;
  } catch {
    return false;
  }
}

const clocks = new Map<string, Intl.DateTimeFormat>();

/** What a wall clock in a zone shows at a moment, as milliseconds of a UTC that shows the same. */
function wallAt(at: number, zone: string): number {
  let clock = clocks.get(zone);
  if (!clock) {
    const parts = {
      year: "numeric",
      month: "2-digit",
      day: "2-digit",
      hour: "2-digit",
      minute: "2-digit",
      second: "2-digit",
    } as const;
    clock = new Intl.DateTimeFormat("en-US", { ...parts, timeZone: zone, hourCycle: "h23" });
    clocks.set(zone, clock);
  }
  const read = Object.fromEntries(clock.formatToParts(new Date(at)).map((part) => [part.type, Number(part.value)]));
  return Date.UTC(read.year!, read.month! - 1, read.day!, read.hour!, read.minute!, read.second!);
}

/**
 * The moment at which the clock of a place shows a time on a date. Of an hour that the clock goes through twice it is the first; one
 * that it leaves out is the moment at which it is put forward, and as much later.
 * @param date ISO · @param time `HH:MM` · @param zone IANA @returns milliseconds since 1970
 */
export function momentOf(date: string, time: string, zone: string): number {
  const wanted = Date.parse(`${date}T${time}:00Z`);
  const offsets = [wanted - 86_400_000, wanted + 86_400_000].map((at) => wallAt(at, zone) - at);
  const fits = offsets.map((offset) => wanted - offset).filter((at) => wallAt(at, zone) === wanted);
  return fits.length > 0 ? Math.min(...fits) : wanted - offsets[0]!;
}
