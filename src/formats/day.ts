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
