import { dutiesOfEntry } from "@/formats/after-duties";
import { limitsOfCards } from "@/formats/air-seen";
import { momentOf } from "@/formats/day";
import type { AfterEntry, WorkDayEntry } from "@/formats/entries";
import { hoursOf, newestOf } from "@/formats/weather/hours";
import { dayNow, nowMoment, todayDate, wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useKept } from "../data/kept-here";
import { useLabels, useSites, useSlice } from "../data/records";
import { useSystem } from "../data/units";
import { partAt, useAirBeside } from "../weather/beside";
import { REPORTS } from "../weather/reports";
import { reasonsSaid, VERDICT_WORDS } from "../weather/verdict";

/** What of the weather and of what the ground is still owed speaks against a day of work. */

/** What the newest report on this device says of today's work; nothing of other days, nor by an old one. */
export function useWeatherAgainst({ date, items }: WorkDayEntry): string | undefined {
  const isToday = date === todayDate();
  const [text = ""] = useKept<string>(REPORTS);
  const labels = useLabels();
  const system = useSystem();
  const { sites } = useSites(isToday ? items.map(({ siteId }) => siteId) : []);
  const places = sites.map(({ site }) => site);
  const { rules } = useAirBeside(places);
  if (!isToday || text === "" || items.length === 0) return undefined;
  const due = new Set(items.map(({ labelId }) => labelId));
  const cards = labels.filter(({ id }) => due.has(id)).map(({ card }) => card);
  const now = nowMoment();
  const last = newestOf(hoursOf(text, limitsOfCards(cards, rules), Date.parse(now), partAt(places)).hours, now);
  if (!last || last.judged.verdict === "go") return undefined;
  return `${VERDICT_WORDS[last.judged.verdict].toLowerCase()}, by the weather: ${reasonsSaid(last.judged.reasons, last.seen.when, system)}`;
}

/** From when a day is worked, by the clock on the wall (ours). */
const WORK_BEGINS = "07:00";
const OWED = {
  "keep-dry": "to be kept dry until",
  "water-in": "to be watered in by",
  "stay-off": "to be kept off until",
} as const;

/** What is still owed on a site on the morning of a day, by what went down before: nothing new goes onto it till then. */
export function owedOn(entries: readonly AfterEntry[], siteId: string, date: string, now: number): string[] {
  const { zone } = dayNow();
  const morning = momentOf(date, WORK_BEGINS, zone);
  return entries.flatMap((entry) =>
    entry.siteId !== siteId
      ? []
      : dutiesOfEntry(entry, now).flatMap(({ what, state, until }) => {
          if (what === "no-mowing" || until === null || until <= morning || state === "done" || state === "broken") return [];
          const end = format(wallClock(new Date(until).toISOString()), "EEE d MMM HH:mm");
          return [`after ${entry.cards.map(({ name }) => name).join(", ")} it is ${OWED[what]} ${end}`];
        }),
  );
}

export function useOwed(): (siteId: string, date: string) => string[] {
  const entries = useSlice("afterWork", {}).value ?? [];
  return (siteId, date) => owedOn(entries, siteId, date, Date.parse(nowMoment()));
}
