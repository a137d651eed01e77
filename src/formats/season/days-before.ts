import { daysFrom, daysLater } from "@/core/calendar";
import { soilMeans } from "@/core/season/soil";
import { seasonOf, type ProgramText } from "./program";

/** What the firm measured of the ground and the air in the days before a day. */
export interface DaysBefore {
  /** The newest five-day mean of the soil, °C; null where none is new enough. */
  readonly soil: number | null;
  /** The highs of the days before, °C, yesterday's first; null where a day wasn't measured. */
  readonly highs: readonly (number | null)[];
}

/** A mean that is older than so many days says nothing of today (ours). */
const NEW = 4;
/** No label asks further back. */
const MOST_DAYS = 30;

/** @param read what was read at one place · @param date ISO: the day of the work */
export function daysBefore(read: Pick<ProgramText, "soil" | "air">, date: string): DaysBefore {
  const { soil, air = [] } = seasonOf({ ...read, rounds: [] });
  const mean = soilMeans(soil.filter((day) => day.date <= date && daysFrom(day.date, date) < MOST_DAYS)).at(-1);
  const high = new Map(air.map((day) => [day.date, day.most]));
  return {
    soil: mean && daysFrom(mean.date, date) <= NEW ? mean.celsius : null,
    highs: Array.from({ length: MOST_DAYS }, (_, i) => high.get(daysLater(date, -1 - i)) ?? null),
  };
}
