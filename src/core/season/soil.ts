import { dayOf } from "../calendar";

/**
 * When the soil has warmed or cooled to a temperature: the mean of five days, so that one warm afternoon opens nothing (common
 * practice).
 */
export interface SoilDay {
  /** ISO date. */
  readonly date: string;
  readonly celsius: number;
}

/** The days of a mean: that day and those before it. */
export const SOIL_DAYS = 5;

/** Before this day of a year a fall to a temperature is that of the winter before. */
const FALLS_FROM = "07-01";

export interface SoilMean {
  readonly date: string;
  readonly celsius: number;
}

/** The five-day mean of each day that has all five on record, by date. @param soil each day once, in any order */
export function soilMeans(soil: readonly SoilDay[]): SoilMean[] {
  const days = [...soil].sort((a, b) => (a.date < b.date ? -1 : 1));
  return days.flatMap(({ date }, i) => {
    const five = days.slice(Math.max(0, i - SOIL_DAYS + 1), i + 1);
    if (five.length < SOIL_DAYS || dayOf(date) - dayOf(five[0]!.date) !== SOIL_DAYS - 1) return [];
    return [{ date, celsius: five.reduce((sum, day) => sum + day.celsius, 0) / SOIL_DAYS }];
  });
}

/** A mean of sums is equal within this, K. */
const HAIR = 1e-9;

/** The first day of a year on which the mean is at or over a temperature; undefined where it hasn't been. */
export const risesTo = (means: readonly SoilMean[], celsius: number, year: string): string | undefined =>
  means.find((mean) => mean.date.startsWith(year) && mean.celsius >= celsius - HAIR)?.date;

/** The first day from 1 July of a year on which the mean is at or under a temperature. */
export const fallsTo = (means: readonly SoilMean[], celsius: number, year: string): string | undefined =>
  means.find((mean) => mean.date.startsWith(year) && mean.date >= `${year}-${FALLS_FROM}` && mean.celsius <= celsius + HAIR)
    ?.date;
