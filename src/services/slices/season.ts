import { daysLater, isDate } from "@/core/calendar";
import { sizeOf } from "@/core/labels/active";
import type { Reason } from "@/core/labels/reason";
import { areaFor, budgetsOf, type YearItem, type YearReason, type YearRound, type YearSite } from "@/core/season/year";
import { reasonWords } from "@/core/words/reasons";
import type {
  BothWords,
  UnfitEntry,
  WeekEntry,
  WorkDayEntry,
  YearEntry,
  YearOfSiteEntry,
  YearRoundEntry,
} from "@/formats/entries";
import type { SetAside } from "@/records/aside";
import type { Records } from "@/records/database";
import { findLabel } from "@/records/labels";
import { lastBatch } from "@/records/plan";
import { findSite } from "@/records/sites";
import { doneOn, stillToDo } from "../done";
import { priceOf } from "../shelf";
import { mondayOf, yearNow, type YearNow } from "../year";

/** The year as rooms ask for it. */

const undoOf = (db: Records, date: string): string | null => lastBatch(db, Number(date.slice(0, 4))) ?? null;

export function yearEntry(db: Records, { next }: { next?: boolean }, aside: SetAside[]): YearEntry {
  const now = yearNow(db, next === true, aside);
  const { asked, year, sites } = now;
  const by: YearItem[][] = asked.rounds.map(() => []);
  for (const item of year.items) by[item.round]!.push(item);
  return {
    date: asked.date,
    sites: sites.length,
    rounds: asked.rounds.map((_, i) => roundEntry(now, i, by[i]!)),
    perDay: asked.work.perDay,
    undo: undoOf(db, asked.date),
  };
}

/** As many sites of a reason as are named. */
const NAMED = 6;

function roundEntry({ asked, year, program }: YearNow, i: number, items: readonly YearItem[]): YearRoundEntry {
  const { name, counting, later = 0 } = asked.rounds[i]!;
  const { opens, closes, expected } = year.windows[0]![i]!;
  const days = (of: readonly YearItem[]) => {
    const found = new Map<string, [number, number]>();
    for (const { site, round, on } of of) {
      const [n, area] = found.get(on!) ?? [0, 0];
      found.set(on!, [n + 1, area + areaFor(asked.sites[site]!, asked.rounds[round]!)]);
    }
    return [...found].sort(([a], [b]) => (a < b ? -1 : 1));
  };
  const down = (state: YearItem["state"]) => items.filter((item) => item.state === state && item.on !== null);
  return {
    name,
    label: program.rounds[i]!.label,
    ...(opens !== undefined && { opens }),
    closes,
    expected,
    later,
    counted: counting !== null,
    planned: days(down("planned")).map(([day, [n, area]]) => [day, n, area]),
    done: days(down("done")).map(([day, [n]]) => [day, n]),
    unfit: unfitOf(items, asked.sites),
  };
}

function unfitOf(items: readonly YearItem[], sites: YearNow["asked"]["sites"]): UnfitEntry[] {
  const found = new Map<YearReason, { n: number; names: string[]; says: Map<string, BothWords> }>();
  for (const { site, state, reasons, held } of items) {
    if (state === "done") continue;
    for (const reason of reasons) {
      const one = found.get(reason) ?? { n: 0, names: [], says: new Map<string, BothWords>() };
      one.n += 1;
      if (one.names.length < NAMED) one.names.push(sites[site]!.name);
      // Words take time: those of the first sites stand for all.
      if (reason === "limit" && one.n <= NAMED) for (const words of wordsOf(held)) one.says.set(words.us, words);
      found.set(reason, one);
    }
  }
  return [...found].map(([reason, { n, names, says }]) => ({ reason, sites: n, names, says: [...says.values()] }));
}

/** What labels hold, without the site and zone that a reason is said of. */
const wordsOf = (held: readonly Reason[]): BothWords[] =>
  held.map((reason) => {
    const say = (system: "us" | "metric") => {
      const { text, fits } = reasonWords(reason, system);
      return [text, fits].filter(Boolean).join(" ");
    };
    return { us: say("us"), metric: say("metric") };
  });

export function yearOfSite(
  db: Records,
  { site: id, next }: { site: string; next?: boolean },
  aside: SetAside[],
): YearOfSiteEntry | undefined {
  const { asked, year, sites, program, done } = yearNow(db, next === true, aside);
  const site = sites.findIndex((one) => one.id === id);
  if (site < 0) return findSite(db, id) && { date: asked.date, items: [], budgets: [], undo: null };
  const items = year.items.filter((item) => item.site === site);
  const bars = new Map<string, { product: string; active: string; zone: string; down: number; steps: [string, number][] }>();
  for (const { product, active, zone, limit, used, planned, on } of budgetsOf(asked, year, site)) {
    const size = sizeOf(limit);
    // A label may hold one active by two limits: of a turf, and of all.
    const key = [product, active, zone, size].join("\n");
    const bar = bars.get(key) ?? { product, active, zone, down: used ? sizeOf(used) / size : 0, steps: [] };
    bar.steps.push([on, ((used ? sizeOf(used) : 0) + sizeOf(planned)) / size]);
    bars.set(key, bar);
  }
  return {
    date: asked.date,
    items: items.map(({ round, held, site: _, ...item }) => ({
      ...item,
      cost: costOf(db, program.rounds[round]!.label, asked.rounds[round]!, asked.sites[site]!),
      round: asked.rounds[round]!.name,
      label: program.rounds[round]!.label,
      says: wordsOf(held),
      left: stillToDo(sites[site]!, program.rounds[round]!, doneOn(done, sites[site]!.id)),
    })),
    budgets: [...bars.values()],
    undo: undoOf(db, asked.date),
  };
}

/** What the product of a round costs on a site; null where it has no rate, or no price is known. */
function costOf(db: Records, labelId: string, round: YearRound, site: YearSite): number | null {
  const card = findLabel(db, labelId)?.card;
  const price = card && priceOf(db, labelId, card);
  return round.counting && price !== undefined ? sizeOf(round.counting.rate) * areaFor(site, round) * price : null;
}

/** As many sites of a day as a week shows. */
const SHOWN = 40;

/** The week that a day lies in, Monday to Sunday. */
export function week(db: Records, { from }: { from: string }, aside: SetAside[]): WeekEntry | undefined {
  if (!isDate(from)) return undefined;
  const now = yearNow(db, false, aside);
  const today = now.asked.date;
  const monday = mondayOf(from);
  const dates = Array.from({ length: 7 }, (_, i) => daysLater(monday, i));
  // A week may lie in two years, and in the next.
  const next = dates.some((date) => date.slice(0, 4) > today.slice(0, 4)) ? yearNow(db, true, aside) : undefined;
  const days = new Map(dates.map((date) => [date, [] as YearItem[]]));
  for (const { year } of next ? [now, next] : [now])
    for (const item of year.items) if (item.state === "planned" && item.on !== null) days.get(item.on)?.push(item);
  return {
    today,
    perDay: now.asked.work.perDay,
    days: dates.map((date, i): WorkDayEntry => {
      const { asked, sites, program, done } = next && date.slice(0, 4) > today.slice(0, 4) ? next : now;
      const items = days.get(date)!;
      return {
        date,
        works: asked.work.days.includes((i + 1) % 7),
        area: items.reduce((sum, { site, round }) => sum + areaFor(asked.sites[site]!, asked.rounds[round]!), 0),
        items: items.slice(0, SHOWN).map(({ site, round, fixed, reasons }) => ({
          left: stillToDo(sites[site]!, program.rounds[round]!, doneOn(done, sites[site]!.id)),
          siteId: sites[site]!.id,
          site: sites[site]!.name,
          round: asked.rounds[round]!.name,
          labelId: program.rounds[round]!.label,
          area: areaFor(asked.sites[site]!, asked.rounds[round]!),
          fixed,
          reasons,
        })),
        more: Math.max(0, items.length - SHOWN),
        load: [...new Set(items.map(({ round }) => round))].map((round) => {
          const of = asked.rounds[round]!;
          const { counting, name } = of;
          const area = items.reduce((sum, item) => (item.round === round ? sum + areaFor(asked.sites[item.site]!, of) : sum), 0);
          const { label, rate } = program.rounds[round]!;
          return { round: name, labelId: label, rate: rate ?? null, amount: counting && sizeOf(counting.rate) * area };
        }),
      };
    }),
    undo: undoOf(db, (next ?? now).asked.date),
  };
}
