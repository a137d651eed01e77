import { dayOf, daysFrom, daysLater } from "@/core/calendar";

/**
 * Made-up soil of our town, two inches down: coldest early in February, warmest early in August, with spells of some days. Behind
 * the same shape as a real series. Invented.
 */

const MEAN = 58;
const SWING = 19.5;
/** The day of a year that is coldest, and the year's days. */
const COLDEST = 36;
const DAYS = 365.25;

/** A number between -1 and 1 that a day always has. */
function chance(day: number): number {
  let x = (day * 2_654_435_761) >>> 0;
  x ^= x >>> 15;
  x = Math.imul(x, 2_246_822_519) >>> 0;
  x ^= x >>> 13;
  return (x >>> 0) / 2 ** 31 - 1;
}

/**
 * The soil of some days, °F in tenths.
 * @param from ISO date · @param to ISO date, too · @param late days by which a year runs late, by its number
 */
export function soilBetween(from: string, to: string, late: (year: number) => number): { date: string; temperature: string }[] {
  return Array.from({ length: daysFrom(from, to) + 1 }, (_, i) => {
    const date = daysLater(from, i);
    const ofYear = daysFrom(`${date.slice(0, 4)}-01-01`, date) - late(Number(date.slice(0, 4)));
    const day = dayOf(date);
    // A spell of warm or cold is a week's chance, smoothed, and a little of the day's own.
    const spell = [0, 1, 2, 3, 4, 5, 6].reduce((sum, back) => sum + chance(day - back), 0) / 7;
    const degrees = MEAN - SWING * Math.cos((2 * Math.PI * (ofYear - COLDEST)) / DAYS) + 3 * spell + 0.4 * chance(day + 7);
    return { date, temperature: `${degrees.toFixed(1)} F` };
  });
}
