/** Dates and clock times as they are read, by the browser's own Intl: "Thu 5 Nov 2026". */

const of = (options: Intl.DateTimeFormatOptions) => {
  const format = new Intl.DateTimeFormat("en-US", options);
  return (date: Date) => format.format(date);
};
const two = (n: number) => String(n).padStart(2, "0");

const PARTS: Readonly<Record<string, (date: Date) => string>> = {
  EEEE: of({ weekday: "long" }),
  EEE: of({ weekday: "short" }),
  MMMM: of({ month: "long" }),
  MMM: of({ month: "short" }),
  yyyy: (date) => String(date.getFullYear()),
  HH: (date) => two(date.getHours()),
  mm: (date) => two(date.getMinutes()),
  d: (date) => String(date.getDate()),
};

/**
 * A date in words.
 * @param date by the clock on the wall (see `wallClock`) · @param pattern of EEEE, EEE, d, MMMM, MMM, yyyy, HH and mm
 */
export const format = (date: Date, pattern: string): string =>
  pattern.replace(/EEEE|EEE|MMMM|MMM|yyyy|HH|mm|d/g, (part) => PARTS[part]!(date));

/** A day as people write it: "21 Oct 2026". @param date ISO */
export const dayWords = (date: string): string => format(new Date(`${date}T12:00:00`), "d MMM yyyy");
