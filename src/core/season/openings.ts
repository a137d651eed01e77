import { daysFrom } from "../calendar";
import { edgeOn, type Round } from "./due";
import { risesTo, type SoilMean } from "./soil";

/** On which day of each year the soil opened or closed a round, and how that is against the year before. */
export interface SoilDays {
  readonly round: string;
  readonly as: "opens" | "closes";
  readonly celsius: number;
  readonly way: "rise" | "fall";
  /** By year; those in which the soil hasn't reached it are not among them. */
  readonly days: readonly { readonly year: string; readonly date: string; readonly later: number | null }[];
}

/**
 * How many days the soil is behind the year before (below zero: ahead of it): from the newest mean of a year to the day of the year
 * before on which it first rose as far. Undefined where the two can't be compared: it is falling, or the year before has no such day.
 * @param means five-day means, by date · @param date ISO: today
 */
export function soilBehind(means: readonly SoilMean[], date: string): number | undefined {
  const year = Number(date.slice(0, 4));
  const own = means.filter((mean) => mean.date.startsWith(`${year}-`) && mean.date <= date);
  const last = own.at(-1);
  if (!last || last.celsius < Math.max(...own.map(({ celsius }) => celsius))) return undefined;
  const rose = risesTo(means, last.celsius, String(year - 1));
  if (rose === undefined || means.find((mean) => mean.date.startsWith(`${year - 1}-`))?.date === rose) return undefined;
  return daysFrom(`${year}-01-01`, last.date) - daysFrom(`${year - 1}-01-01`, rose);
}

/** @param means five-day means, by date · `later`: days later in the year than in the year before; below zero sooner */
export function soilDaysOf(rounds: readonly Round[], means: readonly SoilMean[]): SoilDays[] {
  const years = [...new Set(means.map((mean) => mean.date.slice(0, 4)))];
  return rounds.flatMap((round) =>
    (["opens", "closes"] as const).flatMap((as): SoilDays[] => {
      const edge = round[as];
      if (!edge || edge.on === "date" || edge.on === "degrees") return [];
      const dates = years.flatMap((year) => {
        const date = edgeOn(edge, { means, air: [] }, year, as);
        return date === undefined ? [] : [{ year, date, of: daysFrom(`${year}-01-01`, date) }];
      });
      const days = dates.map(({ year, date, of }) => {
        const before = dates.find((one) => Number(one.year) === Number(year) - 1);
        return { year, date, later: before ? of - before.of : null };
      });
      return [{ round: round.name, as, celsius: edge.celsius, way: edge.on, days }];
    }),
  );
}
