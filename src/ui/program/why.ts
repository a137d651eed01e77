import { percentText } from "@/core/words/values";
import type { YearReason } from "@/core/season/year";
import type { ZonesLeft } from "@/formats/entries";

/** Why a round finds no day, or what speaks against the day that it has. */
export const WHY: Readonly<Record<YearReason, string>> = {
  "not-open": "before it opens",
  "soil-unknown": "nothing measured in an earlier year says when it opens",
  closed: "after it closes",
  "after-not-planned": "the round before it has no day",
  "too-soon-after": "too soon after the round before it",
  "past-latest": "too late after the round before it",
  "after-seeding": "too soon after seed",
  "before-seeding": "too near to the seed that is planned",
  limit: "its label holds it",
  "no-room": "the days are full",
  "next-year": "only next year",
  behind: "its day went by and it isn't done",
};

export const daysWords = (days: number): string => `${Math.abs(days)} ${Math.abs(days) === 1 ? "day" : "days"}`;

/** By how much a season is off its usual: "9 days later". */
export const laterWords = (days: number): string =>
  days === 0 ? "as usual" : `${daysWords(days)} ${days > 0 ? "later" : "earlier"} than usual`;

/** Zones by name, in a line. */
export const nameList = (zones: NonNullable<ZonesLeft>): string =>
  zones.map(({ name, had }) => (had === undefined ? name : `${name}, of which ${percentText(had)} is done`)).join(", ");
