import { daysFrom, daysLater, isDate } from "../calendar";
import { reachedOn, type AirDay, type DegreeDays } from "./degrees";
import { fallsTo, risesTo, soilMeans, type SoilDay, type SoilMean } from "./soil";

/** What of a season's rounds is due on which site: one answer for each, with why. */

/** When a round opens or closes: a day of the year, a temperature of the soil, °C, or a sum of degree days. */
export type Edge =
  | { readonly on: "date"; readonly monthDay: string }
  | { readonly on: "rise"; readonly celsius: number }
  | { readonly on: "fall"; readonly celsius: number }
  | ({ readonly on: "degrees" } & DegreeDays);

/** What was measured of a year: the soil's five-day means and the air, by date. */
export interface Measured {
  readonly means: readonly SoilMean[];
  readonly air: readonly AirDay[];
}

/** What was read at one place. */
export interface Series {
  readonly soil: readonly SoilDay[];
  readonly air?: readonly AirDay[] | undefined;
}

export interface Round {
  readonly name: string;
  /** Left out: always open, never closes. */
  readonly opens?: Edge | undefined;
  readonly closes?: Edge | undefined;
  /** Days from seeding on, and before a planned one, in which it can't be done. */
  readonly afterSeeding?: number | undefined;
  readonly beforeSeeding?: number | undefined;
  /** The round that comes before it, and the days between them. */
  readonly after?:
    { readonly round: string; readonly atLeast?: number | undefined; readonly atMost?: number | undefined } | undefined;
}

export interface SeasonSite {
  readonly name: string;
  readonly done: readonly { readonly round: string; readonly date: string }[];
  /** ISO dates. */
  readonly seeded?: string | undefined;
  readonly seeding?: string | undefined;
  /** The number of the station that it goes by; left out, the season's own series. */
  readonly station?: number | undefined;
}

export interface Season extends Series {
  readonly date: string;
  /** Other places where it was read. */
  readonly stations?: readonly Series[] | undefined;
  readonly rounds: readonly Round[];
  readonly sites: readonly SeasonSite[];
}

export const DUE_STATES = ["done", "waits", "blocked", "too-early", "missed", "overdue", "due"] as const;
export type DueState = (typeof DUE_STATES)[number];

export type DueReason =
  | "after-not-done"
  | "after-seeding"
  | "before-seeding"
  | "not-open"
  | "soil-not-reached"
  | "degrees-not-reached"
  | "too-soon-after"
  | "closed"
  | "past-latest";

export interface DueItem {
  readonly site: string;
  readonly round: string;
  readonly state: DueState;
  /** ISO dates, both of them days on which it may be done; null where there is none or it isn't known. */
  readonly earliest: string | null;
  readonly latest: string | null;
  readonly reasons: readonly DueReason[];
}

/** The window of a round in a year: when it opens and closes, the same on every site that goes by one series. */
interface Window {
  readonly round: Round;
  /** ISO date; null where it is always open; undefined where the soil hasn't said. */
  readonly opens: string | null | undefined;
  readonly closes: string | null;
}

/** Sites in their order, rounds in theirs. */
export function dueOf(season: Season): DueItem[] {
  const { date, rounds, sites, stations = [] } = season;
  const year = date.slice(0, 4);
  const [own, ...others] = [season, ...stations].map((series) => {
    const measured = measuredOf(series);
    return rounds.map((round): Window => ({
      round,
      opens: round.opens ? edgeOn(round.opens, measured, year, "opens") : null,
      closes: round.closes ? (edgeOn(round.closes, measured, year, "closes") ?? null) : null,
    }));
  });
  return sites.flatMap((site) =>
    (site.station === undefined ? own! : others[site.station]!).map((window) => dueItem(site, window, date)),
  );
}

export const measuredOf = ({ soil, air = [] }: Series): Measured => ({
  means: soilMeans(soil),
  air: [...air].sort((a, b) => (a.date < b.date ? -1 : 1)),
});

/** The day that an edge is in a year; undefined where the soil, or the sum of degree days, hasn't reached it. */
export function edgeOn(edge: Edge, { means, air }: Measured, year: string, as: "opens" | "closes"): string | undefined {
  if (edge.on === "rise") return risesTo(means, edge.celsius, year);
  if (edge.on === "fall") return fallsTo(means, edge.celsius, year);
  if (edge.on === "degrees") return reachedOn(air, edge, year);
  const day = `${year}-${edge.monthDay}`;
  // The leap day of a common year: no earlier than it opens, no later than it closes.
  return isDate(day) ? day : `${year}-${as === "opens" ? "03-01" : "02-28"}`;
}

/** The last day of a year on which a round was done on a site. */
const doneIn = (site: SeasonSite, round: string, year: string): string | undefined =>
  site.done.reduce<string | undefined>(
    (last, one) => (one.round === round && one.date.startsWith(year) && (!last || one.date > last) ? one.date : last),
    undefined,
  );

const later = (a: string | null, b: string | null): string | null => (a === null ? b : b === null || a >= b ? a : b);
const earlier = (a: string | null, b: string | null): string | null => (a === null ? b : b === null || a <= b ? a : b);

function dueItem(site: SeasonSite, { round, opens, closes }: Window, date: string): DueItem {
  const year = date.slice(0, 4);
  const { after } = round;
  const before = after && doneIn(site, after.round, year);
  const days = (count: number | undefined) => (before && count !== undefined ? daysLater(before, count) : null);
  // After means after: where nobody says more, on the next day at the earliest.
  const [soonest, last] = [days(after && (after.atLeast ?? 1)), days(after?.atMost)];
  // What waits for the soil has no earliest day yet, whatever else says.
  const earliest = opens === undefined ? null : later(opens, soonest);
  const latest = earlier(closes, last);
  const item = (state: DueState, reasons: readonly DueReason[] = [], first = earliest): DueItem => ({
    site: site.name,
    round: round.name,
    state,
    earliest: first,
    latest,
    reasons,
  });
  if (doneIn(site, round.name, year)) return item("done");
  if (after && !before) return item("waits", ["after-not-done"]);
  const { afterSeeding, beforeSeeding } = round;
  if (site.seeded !== undefined && afterSeeding !== undefined && daysFrom(site.seeded, date) < afterSeeding)
    return item("blocked", ["after-seeding"], daysLater(site.seeded, afterSeeding));
  if (
    site.seeding !== undefined &&
    beforeSeeding !== undefined &&
    site.seeding > date &&
    daysFrom(date, site.seeding) < beforeSeeding
  )
    return item("blocked", ["before-seeding"]);
  const early: DueReason[] = [
    ...(opens === undefined ? ([round.opens?.on === "degrees" ? "degrees-not-reached" : "soil-not-reached"] as const) : []),
    ...(opens && date < opens ? (["not-open"] as const) : []),
    ...(soonest !== null && date < soonest ? (["too-soon-after"] as const) : []),
  ];
  if (early.length > 0) return item("too-early", early);
  if (closes !== null && date > closes) return item("missed", ["closed"]);
  if (last !== null && date > last) return item("overdue", ["past-latest"]);
  return item("due");
}
