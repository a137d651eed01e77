/**
 * Days of the Gregorian calendar without a clock: core counts them, it never asks what day it is. A date is ISO 8601
 * (`2026-09-02`), so that dates compare as texts. Method: days from civil, by eras of 400 years (from memory); the test
 * compares it with the platform's own calendar.
 */

/** The number of a day, counted from 1970-01-01. @param date `YYYY-MM-DD` */
export function dayOf(date: string): number {
  const [year, month, day] = date.split("-").map(Number) as [number, number, number];
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yearOfEra = y - era * 400;
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  const dayOfEra = yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return era * 146_097 + dayOfEra - 719_468;
}

/** The date of a day's number. */
export function dateOf(day: number): string {
  const z = day + 719_468;
  const era = Math.floor(z / 146_097);
  const doe = z - era * 146_097;
  const yoe = Math.floor((doe - Math.floor(doe / 1460) + Math.floor(doe / 36_524) - Math.floor(doe / 146_096)) / 365);
  const doy = doe - (365 * yoe + Math.floor(yoe / 4) - Math.floor(yoe / 100));
  const mp = Math.floor((5 * doy + 2) / 153);
  const dayOfMonth = doy - Math.floor((153 * mp + 2) / 5) + 1;
  const month = mp + (mp < 10 ? 3 : -9);
  const year = yoe + era * 400 + (month <= 2 ? 1 : 0);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${String(year).padStart(4, "0")}-${two(month)}-${two(dayOfMonth)}`;
}

/** Which day of the week a day's number is, 0 for Sunday. */
export const weekday = (day: number): number => (((day + 4) % 7) + 7) % 7;

/** The days from one date to another: above zero where the second is later. */
export const daysFrom = (from: string, to: string): number => dayOf(to) - dayOf(from);

/** A date some days later. */
export const daysLater = (date: string, days: number): string => dateOf(dayOf(date) + days);

/** The same day a year before, as a text to compare with: of 29 February it is a day that no date has. */
export const yearBefore = (date: string): string => `${String(Number(date.slice(0, 4)) - 1).padStart(4, "0")}${date.slice(4)}`;

/** The first day of which a day lies a year back: of a leap day the first of March. */
export const yearAfter = (date: string): string => {
  const same = `${String(Number(date.slice(0, 4)) + 1).padStart(4, "0")}${date.slice(4)}`;
  return isDate(same) ? same : `${same.slice(0, 4)}-03-01`;
};

/** Whether a text is a date that the calendar has: not 30 February, not a thirteenth month. */
export const isDate = (text: string): boolean => /^\d{4}-\d\d-\d\d$/.test(text) && dateOf(dayOf(text)) === text;

/** A moment as ISO 8601 writes it, with its offset: without one nobody knows which it is. */
export const MOMENT = /^\d{4}-\d{2}-\d{2}T(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d(?:\.\d{1,3})?)?(?:Z|[+-](?:0\d|1[0-4]):[0-5]\d)$/;

/** Whether a text is a moment on a date that the calendar has: a platform's own reading makes 2 March of 30 February. */
export const isMomentText = (text: string): boolean => MOMENT.test(text) && isDate(text.slice(0, 10));

/** Whether a text is a time of the day, "14:05". */
export const isClockTime = (text: string): boolean => /^([01]\d|2[0-3]):[0-5]\d$/.test(text);
