import { dayOf } from "../calendar";

/**
 * Growing-degree days: of each day the mean of its least and most, as far as it is over a base, added up from a day of the year on.
 * Method: the simple average (extension handbooks, from memory). A day without a reading ends the sum: nobody guesses it.
 */
export interface AirDay {
  /** ISO date. */
  readonly date: string;
  /** °C, of air. */
  readonly least: number;
  readonly most: number;
}

export interface DegreeDays {
  /** °C. */
  readonly base: number;
  /** Kelvin days. */
  readonly sum: number;
  /** Month and day from which they are added up. */
  readonly from: string;
}

export interface DegreesSoFar {
  /** The last day on record without a gap. */
  readonly until: string;
  /** Kelvin days. */
  readonly sum: number;
}

/** A sum of so many additions is equal within this, K·d. */
const HAIR = 1e-9;

/** The sum day by day in a year, from its first day on until a day is missing. @param air each day once, by date */
export function degreesIn(
  air: readonly AirDay[],
  { base, from }: Pick<DegreeDays, "base" | "from">,
  year: string,
): DegreesSoFar[] {
  const first = `${year}-${from}`;
  const days = air.filter(({ date }) => date >= first && date.startsWith(`${year}-`));
  const sums: DegreesSoFar[] = [];
  let sum = 0;
  for (const [i, { date, least, most }] of days.entries()) {
    if (dayOf(date) - dayOf(first) !== i) break;
    sum += Math.max(0, (least + most) / 2 - base);
    sums.push({ until: date, sum });
  }
  return sums;
}

/** The first day of a year on which the sum is there; undefined where it isn't, or a day before it is missing. */
export const reachedOn = (air: readonly AirDay[], wanted: DegreeDays, year: string): string | undefined =>
  degreesIn(air, wanted, year).find(({ sum }) => sum >= wanted.sum - HAIR)?.until;
