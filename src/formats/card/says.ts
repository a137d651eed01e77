import type { LimitRow } from "@/core/labels/label";
import type { LabelRate } from "@/core/labels/label-rate";
import type { Composition } from "@/core/labels/stated";
import type { CardText, LimitRowText } from "./card";
import { readStated } from "./read-card";

/** What a card's texts say, as core judges it. For cards that were read: what can't be read again is a fault of ours. */

/** The turf that a card allows, one by one. */
export const turfsOf = (card: Pick<CardText, "turfs">): string[] =>
  (card.turfs ?? "")
    .split(",")
    .map((turf) => turf.trim())
    .filter((turf) => turf !== "");

/** The days of a text such as "35 days". */
export const daysOf = (text: string | undefined): number | undefined =>
  text === undefined ? undefined : Number(text.split(" ")[0]);

/** The longest time that a text in a label's own words names, in days: 28 of "2 to 4 weeks"; none where it names none. */
export function longestDays(text: string | undefined): number | undefined {
  const DAYS = { day: 1, week: 7, month: 30 } as const;
  const found = [...(text ?? "").matchAll(/(\d{1,3})[\s-]*(day|week|month)s?\b/gi)].map(
    ([, count, unit]) => Number(count) * DAYS[unit!.toLowerCase() as keyof typeof DAYS],
  );
  return found.length > 0 ? Math.max(...found) : undefined;
}

/** A row of a card's limits. @throws Error where a rate in it can't be read: the card was checked. */
export function limitRowOf(row: LimitRowText, composition: Composition): LimitRow {
  const rate = (text: string | undefined): LabelRate | undefined => {
    if (text === undefined) return undefined;
    const read = readStated(text, composition, "");
    if (!read.ok) throw new Error(`a checked limit can't be read: ${read.issues[0]!.code}`);
    return read.value.rate;
  };
  return {
    turf: row.turf,
    jurisdiction: row.jurisdiction,
    perApplication: rate(row.perApplication),
    perYear: rate(row.perYear),
    yearKind: row.yearKind,
    applicationsPerYear: row.applicationsPerYear === undefined ? undefined : Number(row.applicationsPerYear),
    intervalAtLeast: daysOf(row.intervalAtLeast),
    intervalAtMost: daysOf(row.intervalAtMost),
  };
}
