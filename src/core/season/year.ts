import { dateOf, dayOf, daysFrom, daysLater, weekday, yearAfter } from "../calendar";
import { sizeOf } from "../labels/active";
import { activesOf, daysOfEntry, type Counting } from "../labels/budget";
import type { PutDown, YearKind, ZoneFacts } from "../labels/label";
import { judgeZone } from "../labels/limits";
import type { Budget, Reason } from "../labels/reason";
import { foldedName, sameName } from "../names";
import type { Source } from "../working/rule";
import { measuredOf, type Round, type Series } from "./due";
import { windowOf, type YearWindow } from "./window";

/**
 * The year laid out ahead: on which day each round of the program is to be done on each site, so that every day has no more
 * than a day's work, every round lies in its window, and no label's limit is passed. What can't be laid out says why.
 */

/** A round with the product that it is done with. */
export interface YearRound extends Round {
  /** The product at its rate, before its label; null where nobody gave the round a rate: its limits can't be counted ahead. */
  readonly counting: Counting | null;
  /** It is for zones of this turf alone. */
  readonly turf?: string | undefined;
  /** Days by which the season is later than usual for it; below zero earlier. Moves what opens it, not what closes it. */
  readonly later?: number | undefined;
}

export interface YearSite {
  readonly name: string;
  readonly jurisdiction?: string | undefined;
  /** With what went down on them. An open sheet is a plan being done: it counts when it is down. */
  readonly zones: readonly ZoneFacts[];
  /** By zone, m². */
  readonly areas: readonly number[];
  /** By round: on which day of the year the last of its zones had it; the day that somebody fixed for it. */
  readonly done: readonly (string | null)[];
  readonly fixed: readonly (string | null)[];
  /** Rounds that some zones have had and others haven't: which have, by their number. */
  readonly some?: ReadonlyMap<string, ReadonlySet<number>> | undefined;
  /** ISO dates: the last seed that is down, the next that is planned. */
  readonly seeded?: string | undefined;
  readonly seeding?: string | undefined;
  /** The number of the station that it goes by; left out, the firm's own series. */
  readonly station?: number | undefined;
}

/** What a firm does in a day. */
export interface DaysWork {
  /** m²; null where nobody said it: a day takes all that is due. */
  readonly perDay: number | null;
  /** Days of the week on which there is work, 0 (Sunday) to 6. */
  readonly days: readonly number[];
}

export interface YearAsked extends Series {
  /** ISO: today. What lies before it is done or isn't. */
  readonly date: string;
  /** Other places where the soil and the air were read. */
  readonly stations?: readonly Series[] | undefined;
  readonly rounds: readonly YearRound[];
  readonly sites: readonly YearSite[];
  readonly work: DaysWork;
  readonly sprayVolume: Source<"sprayVolume">;
}

/** Why a round can't be done on a day, or on none. */
export type YearReason =
  | "not-open"
  | "soil-unknown"
  | "closed"
  | "after-not-planned"
  | "too-soon-after"
  | "past-latest"
  | "after-seeding"
  | "before-seeding"
  | "limit"
  | "no-room"
  | "next-year"
  | "behind";

export interface YearItem {
  /** Numbers in `sites` and `rounds`. */
  readonly site: number;
  readonly round: number;
  readonly state: "done" | "planned" | "unfit";
  /** ISO: the day on which it was done, or is to be done; null where there is none. */
  readonly on: string | null;
  /** Somebody fixed this day. */
  readonly fixed: boolean;
  /** The first and last day on which it may be done; null where there is none, or none is known. */
  readonly earliest: string | null;
  readonly latest: string | null;
  readonly reasons: readonly YearReason[];
  /** What its label holds, where that is a reason. */
  readonly held: readonly Reason[];
}

/** By series, the firm's own first, then its stations in their order: when each round opens and closes. */
export type Windows = readonly (readonly YearWindow[])[];

export interface Year {
  readonly windows: Windows;
  /** Sites in their order, rounds in theirs; rounds that are not for a site are left out. */
  readonly items: readonly YearItem[];
}

/** The zones of a site that a round is for, without those that have had it where others haven't. */
export function zonesFor({ zones, some }: YearSite, { turf, name }: Pick<YearRound, "turf" | "name">): readonly ZoneFacts[] {
  const had = some?.get(name);
  if (turf === undefined && !had) return zones;
  return zones.filter(
    (zone, i) => !had?.has(i) && (turf === undefined || (zone.turf !== undefined && sameName(zone.turf, turf))),
  );
}

export const isFor = (site: YearSite, round: Pick<YearRound, "turf" | "name">): boolean => zonesFor(site, round).length > 0;

/** How much of a site a round is for, m². */
export function areaFor(site: YearSite, round: Pick<YearRound, "turf" | "name">): number {
  const zones = new Set(zonesFor(site, round));
  return site.areas.reduce((sum, area, i) => (zones.has(site.zones[i]!) ? sum + area : sum), 0);
}

const latestOf = (days: readonly (string | null | undefined)[]): string | null =>
  days.reduce<string | null>((last, day) => (day != null && (last === null || day > last) ? day : last), null);
const earliestOf = (days: readonly (string | null | undefined)[]): string | null =>
  days.reduce<string | null>((first, day) => (day != null && (first === null || day < first) ? day : first), null);

/** A product at its rate as what goes down on a zone on a day: one entry for each active. */
export const downAs = (counting: Counting, date: string): PutDown[] =>
  activesOf(counting).map((active) => ({
    of: counting.name,
    active,
    ...(counting.says.gravity && { gravity: counting.says.gravity }),
    amount: counting.rate,
    date,
    planned: true,
    byProgram: true,
  }));

/** When each round opens and closes in the year that is asked for. */
export const windowsOf = (asked: Pick<YearAsked, "soil" | "air" | "rounds" | "date" | "stations">): Windows =>
  [asked, ...(asked.stations ?? [])].map((series) => {
    const measured = measuredOf(series);
    return asked.rounds.map((round) => windowOf(round, measured, asked.date));
  });

/** Lays a year out. Work: sites × rounds, a look at each label for each that is laid out. */
export function yearOf(asked: YearAsked): Year {
  const windows = windowsOf(asked);
  return { windows, items: new Laying(asked, windows).items() };
}

/** What a round on a day runs into, by its program and its label, beside what is done and fixed: what a person is told who moves it there. */
export function reasonsOn(
  asked: YearAsked,
  windows: Windows,
  site: number,
  round: number,
  day: string,
): { readonly reasons: readonly YearReason[]; readonly held: readonly Reason[] } {
  return new Laying(asked, windows).on(site, round, day);
}

/** How much of each yearly limit of a site a round takes, with what is down and what was laid out before it. */
export function budgetsOf(
  asked: YearAsked,
  { items }: Pick<Year, "items">,
  site: number,
): readonly (Budget & { readonly on: string })[] {
  const one = asked.sites[site]!;
  const own = items.filter((item) => item.site === site && item.state === "planned" && item.on !== null);
  const inOrder = [...own].sort((a, b) => (a.on! < b.on! ? -1 : 1));
  const before: Beside[] = [];
  return inOrder.flatMap(({ round, on }) => {
    const of = asked.rounds[round]!;
    if (!of.counting) return [];
    const budgets = judgeAt(one, of, on!, before, asked.sprayVolume).budgets.filter((budget) => budget.of === "year");
    before.push({ of, on: on! });
    return budgets.map((budget) => ({ ...budget, on: on! }));
  });
}

/** Another round of the same year, on its day. */
interface Beside {
  readonly of: YearRound;
  readonly on: string;
}

/** A round on a site on a day, before its label, on the zones that it is for, beside what else is to go down on them. */
function judgeAt(
  site: YearSite,
  round: YearRound,
  date: string,
  others: readonly Beside[],
  sprayVolume: Source<"sprayVolume">,
): { readonly reasons: readonly Reason[]; readonly budgets: readonly Budget[] } {
  const day = { site: site.name, jurisdiction: site.jurisdiction, date, sprayVolume, anyOrder: true };
  const planned = others.map(({ of, on }) => ({ zones: zonesFor(site, of), down: of.counting ? downAs(of.counting, on) : [] }));
  const judged = zonesFor(site, round).map((zone) => {
    const here = planned.flatMap(({ zones, down }) => (zones.includes(zone) ? down : []));
    return judgeZone([round.counting!], here.length > 0 ? { ...zone, applied: [...(zone.applied ?? []), ...here] } : zone, day);
  });
  return { reasons: judged.flatMap(({ reasons }) => reasons), budgets: judged.flatMap(({ budgets }) => budgets) };
}

/** Whether a reason is the limit of a year of some kind: a calendar year holds for as long as it lasts, a rolling one frees by the day. */
const isOfYear = ({ code, values }: Reason, kind: YearKind): boolean =>
  (code === "over-year-limit" || code === "over-count-limit") && values.year.kind === kind;

/** A round on a site that waits for its day. */
interface Waiting {
  readonly site: number;
  readonly round: number;
  readonly earliest: number;
  readonly latest: string | null;
  /** How much of a day's work it is, m². */
  readonly area: number;
}

/** The number of the first in a line, from one on, that a day still takes beside what is used of it; past the end where it takes none. */
function nextThatFits(line: readonly (Waiting | undefined)[], from: number, used: number, most: number): number {
  let i = from;
  while (i < line.length && used + line[i]!.area > most) i += 1;
  return i;
}

class Laying {
  /** By site and round: whether the round is for it. */
  private readonly takes: readonly (readonly boolean[])[];
  private readonly on_: (string | null)[][];
  private readonly found: (YearItem | undefined)[][];
  private readonly first: number;
  private readonly last: number;
  private readonly after: readonly (readonly number[])[];
  private readonly before: readonly (number | undefined)[];
  private readonly alike: ({ readonly key: string; readonly dated: boolean } | undefined)[][];
  /** By round: its product and the actives of it, as they are called, and as they are compared. */
  private readonly called: readonly (readonly string[])[];
  private readonly names: readonly ReadonlySet<string>[];
  private readonly folded = new Map<string, string>();
  /** What was judged and is held by nothing. */
  private readonly clear = new Set<string>();

  constructor(
    private readonly asked: YearAsked,
    private readonly windows: Windows,
  ) {
    const { date, rounds, sites } = asked;
    this.first = dayOf(date);
    this.last = dayOf(`${date.slice(0, 4)}-12-31`);
    this.takes = sites.map((site) => rounds.map((round) => isFor(site, round)));
    this.on_ = sites.map(({ done, fixed }, site) =>
      rounds.map((_, i) => (this.takes[site]![i] ? (done[i] ?? fixed[i] ?? null) : null)),
    );
    this.found = sites.map(() => rounds.map(() => undefined));
    this.alike = sites.map(() => []);
    this.called = rounds.map(({ counting }) => (counting ? [counting.name, ...activesOf(counting).map(({ name }) => name)] : []));
    this.names = this.called.map((names) => new Set(names.map(foldedName)));
    const number = new Map(rounds.map(({ name }, i) => [name, i]));
    this.before = rounds.map(({ after }) => (after ? number.get(after.round) : undefined));
    this.after = rounds.map((_, i) => rounds.flatMap((__, j) => (this.before[j] === i ? [j] : [])));
  }

  /** When a round opens and closes on a site. */
  private window(site: number, round: number): YearWindow {
    const { station } = this.asked.sites[site]!;
    return this.windows[station === undefined ? 0 : station + 1]![round]!;
  }

  items(): YearItem[] {
    const { rounds, sites, work } = this.asked;
    const room = new Map<number, number>();
    /** Of all that waited until now: where less room is left, nothing fits. */
    let smallest = Infinity;
    this.eachTaken((site, round) => {
      const { done, fixed } = sites[site]!;
      if (done[round] != null || fixed[round] == null) return;
      const day = dayOf(fixed[round]);
      room.set(day, (room.get(day) ?? 0) + areaFor(sites[site]!, rounds[round]!));
    });
    const opening: Waiting[][] = Array.from({ length: this.last - this.first + 1 }, () => []);
    const open = (site: number, round: number) => {
      const waiting = this.waiting(site, round);
      if (!waiting) return;
      smallest = Math.min(smallest, waiting.area);
      if (waiting.earliest > this.last) this.unfit(site, round, ["next-year"]);
      else opening[Math.max(0, waiting.earliest - this.first)]!.push(waiting);
    };
    this.eachTaken((site, round) => {
      const { done, fixed } = sites[site]!;
      if (done[round] != null) this.keep(site, round, { state: "done", on: done[round] });
      else if (fixed[round] != null) {
        const { reasons, held } = this.on(site, round, fixed[round]);
        this.keep(site, round, { state: "planned", on: fixed[round], fixed: true, reasons, held });
      } else if (this.before[round] === undefined || !this.isToCome(site, this.before[round])) open(site, round);
    });
    /** What is open, by the day on which it ends: what ends first goes first. */
    const ready: Waiting[][] = Array.from({ length: this.last - this.first + 2 }, () => []);
    const never = ready.length - 1;
    for (let day = this.first; day <= this.last; day++) {
      for (const waiting of opening[day - this.first]!) {
        const ends = waiting.latest === null ? never : dayOf(waiting.latest) - this.first;
        if (ends < day - this.first) this.unfit(waiting.site, waiting.round, this.whyOver(waiting, false));
        else ready[Math.min(ends, never)]!.push(waiting);
      }
      if (work.days.includes(weekday(day))) {
        let used = room.get(day) ?? 0;
        for (let ends = day - this.first; ends <= never; ends++) {
          // A site that is more than a day's work gets a day of its own.
          const most = () => (work.perDay === null || used === 0 ? Infinity : work.perDay);
          if (used + smallest > most()) break;
          // What doesn't fit into the rest of the day waits; it holds up no smaller one behind it.
          const line: (Waiting | undefined)[] = ready[ends]!;
          let gone = 0;
          for (let i = nextThatFits(line, 0, used, most()); i < line.length; i = nextThatFits(line, i + 1, used, most())) {
            const waiting = line[i]!;
            line[i] = undefined;
            gone += 1;
            const again = this.place(waiting, day);
            if (again === "placed") {
              used += waiting.area;
              for (const next of this.after[waiting.round]!) if (this.isOpenFor(waiting.site, next)) open(waiting.site, next);
            } else if (again !== undefined) {
              const from = Math.max(again, day + 1);
              if (from > this.last) this.unfit(waiting.site, waiting.round, ["next-year"]);
              else opening[from - this.first]!.push({ ...waiting, earliest: from });
            }
          }
          if (gone > 0) ready[ends] = line.filter((one) => one !== undefined);
        }
      }
      // What ended today and found no day.
      for (const waiting of ready[day - this.first]!.splice(0))
        this.unfit(waiting.site, waiting.round, this.whyOver(waiting, true));
    }
    for (const waiting of ready.flat()) this.unfit(waiting.site, waiting.round, ["no-room"]);
    this.eachTaken((site, round) => {
      if (!this.found[site]![round]) this.unfit(site, round, ["after-not-planned"]);
    });
    return sites.flatMap((_, site) => rounds.flatMap((__, round) => this.found[site]![round] ?? []));
  }

  /** What a round on a day runs into. */
  on(site: number, round: number, day: string): { readonly reasons: readonly YearReason[]; readonly held: readonly Reason[] } {
    const { opens, closes } = this.window(site, round);
    const one = this.asked.sites[site]!;
    const { after, afterSeeding, beforeSeeding, counting } = this.asked.rounds[round]!;
    const previous = this.dayBefore(site, round);
    const held = counting ? this.judge(site, round, day) : [];
    const reasons: YearReason[] = [];
    if (day < this.asked.date) reasons.push("behind");
    if (opens === undefined) reasons.push("soil-unknown");
    else if (opens !== null && day < opens) reasons.push("not-open");
    if (closes !== null && day > closes) reasons.push("closed");
    if (after && previous === null) reasons.push("after-not-planned");
    if (previous !== null && after) {
      if (daysFrom(previous, day) < (after.atLeast ?? 1)) reasons.push("too-soon-after");
      if (after.atMost !== undefined && daysFrom(previous, day) > after.atMost) reasons.push("past-latest");
    }
    if (afterSeeding !== undefined && one.seeded !== undefined && daysFrom(one.seeded, day) < afterSeeding)
      reasons.push("after-seeding");
    if (this.seedsAfter(one, day) && daysFrom(day, one.seeding!) < (beforeSeeding ?? 0)) reasons.push("before-seeding");
    if (!this.seedsAfter(one, day) && one.seeding !== undefined && daysFrom(one.seeding, day) < (afterSeeding ?? 0))
      reasons.push("after-seeding");
    if (held.length > 0) reasons.push("limit");
    return { reasons, held };
  }

  private readonly seedsAfter = (site: YearSite, day: string): boolean => site.seeding !== undefined && site.seeding > day;

  private eachTaken(work: (site: number, round: number) => void): void {
    this.takes.forEach((takes, site) => takes.forEach((takesIt, round) => takesIt && work(site, round)));
  }

  /** The day of the round before, done or laid out; null where there is none. */
  private dayBefore(site: number, round: number): string | null {
    const before = this.before[round];
    if (before === undefined) return null;
    return this.on_[site]![before] ?? null;
  }

  /** Whether a round is still to be laid out. */
  private isToCome(site: number, round: number): boolean {
    const { done, fixed } = this.asked.sites[site]!;
    return this.takes[site]![round] === true && done[round] == null && fixed[round] == null;
  }

  private readonly isOpenFor = (site: number, round: number): boolean =>
    this.isToCome(site, round) && this.found[site]![round] === undefined;

  /** The days between which a round may be done; undefined where none is known, which is noted. */
  private waiting(site: number, round: number): Waiting | undefined {
    const { opens, closes } = this.window(site, round);
    const one = this.asked.sites[site]!;
    const { after, afterSeeding = 0, beforeSeeding = 0 } = this.asked.rounds[round]!;
    const previous = this.dayBefore(site, round);
    if (opens === undefined) return void this.unfit(site, round, ["soil-unknown"]);
    if (after && previous === null) return void this.unfit(site, round, ["after-not-planned"]);
    const afterIt = (days: number | undefined) => (previous !== null && days !== undefined ? daysLater(previous, days) : null);
    let earliest = latestOf([
      this.asked.date,
      opens,
      afterIt(after && (after.atLeast ?? 1)),
      one.seeded !== undefined && afterSeeding > 0 ? daysLater(one.seeded, afterSeeding) : null,
    ])!;
    let latest = earliestOf([closes, afterIt(after?.atMost)]);
    if (one.seeding !== undefined && (beforeSeeding > 0 || afterSeeding > 0)) {
      // Either far enough before the seed, or long enough after it.
      const lastBefore = daysLater(one.seeding, -Math.max(beforeSeeding, 1));
      if (earliest <= lastBefore) latest = earliestOf([latest, lastBefore]);
      else earliest = latestOf([earliest, daysLater(one.seeding, afterSeeding)])!;
    }
    return { site, round, earliest: dayOf(earliest), latest, area: areaFor(one, this.asked.rounds[round]!) };
  }

  /** Lays it out on a day; a later day to try where its label lets it wait; undefined where its label holds it. */
  private place({ site, round, earliest, latest }: Waiting, day: number): "placed" | number | undefined {
    const date = dateOf(day);
    const held = this.asked.rounds[round]!.counting ? this.judge(site, round, date) : [];
    if (held.length > 0) {
      const next = this.freeAgain(site, round, held, date);
      // A day after its window is none: what holds it is told, not that it closed.
      if (next !== undefined && (latest === null || next <= latest)) return dayOf(next);
      this.keep(site, round, { state: "unfit", on: null, earliest: dateOf(earliest), latest, reasons: ["limit"], held });
      return undefined;
    }
    this.on_[site]![round] = date;
    const broken = this.breaks(site, round);
    if (broken.length > 0) {
      this.on_[site]![round] = null;
      // Another day of the same calendar year counts alike; what runs by the day may free.
      const lasting = broken.filter((reason) => isOfYear(reason, "calendar"));
      if (lasting.length === 0) return day + 1;
      this.keep(site, round, {
        state: "unfit",
        on: null,
        earliest: dateOf(earliest),
        latest,
        reasons: ["limit"],
        held: lasting,
      });
      return undefined;
    }
    this.keep(site, round, { state: "planned", on: date, earliest: dateOf(earliest), latest });
    return "placed";
  }

  /** The next day on which what holds a round may hold it no more; undefined where no day helps. */
  private freeAgain(site: number, round: number, held: readonly Reason[], date: string): string | undefined {
    const waits = held.map(
      (reason) => reason.earliest ?? (isOfYear(reason, "rolling") ? this.firstOut(site, round, date) : undefined),
    );
    return waits.every((one) => one !== undefined) ? latestOf(waits)! : undefined;
  }

  /** The next day on which something of a round's product or actives lies twelve months back; undefined where nothing is down. */
  private firstOut(site: number, round: number, date: string): string | undefined {
    const one = this.asked.sites[site]!;
    const out = zonesFor(one, this.asked.rounds[round]!).flatMap(({ applied = [] }) =>
      applied
        .filter(({ of, active }) => this.shares(round, active ? [of, active.name] : [of]))
        .map((entry) => yearAfter(latestOf(daysOfEntry(entry))!))
        .filter((day) => day > date),
    );
    return earliestOf(out) ?? undefined;
  }

  /** What a round that was just laid out breaks of the others' labels: theirs count it too, also where its own has nothing against it. */
  private breaks(site: number, round: number): readonly Reason[] {
    const { rounds, sites } = this.asked;
    const date = this.on_[site]![round]!;
    return this.on_[site]!.flatMap((on, other) => {
      const { counting } = rounds[other]!;
      if (other === round || on === null || !counting || sites[site]!.done[other] != null || !rounds[round]!.counting) return [];
      if (!this.shares(other, this.called[round]!)) return [];
      const now = this.judge(site, other, on);
      if (now.length === 0) return [];
      // What was against it before is told where it stands; only what is new is this one's.
      this.on_[site]![round] = null;
      const before = this.judge(site, other, on).map(({ code }) => code);
      this.on_[site]![round] = date;
      return now.filter(({ code }) => !before.includes(code));
    });
  }

  /** What a label holds. Sites that are alike to it are judged once: of thousands most are. */
  private judge(site: number, round: number, date: string): readonly Reason[] {
    const { rounds, sites, sprayVolume } = this.asked;
    const known = this.likeness(site, round);
    const others = this.on_[site]!.flatMap((on, i): (Beside & { readonly i: number })[] => {
      const of = rounds[i]!;
      // What is done stands in the log, and is counted from there.
      const counts = i !== round && on !== null && of.counting && sites[site]!.done[i] == null;
      return counts ? [{ of, on, i }] : [];
    });
    const beside = others.filter(({ i }) => this.shares(round, this.called[i]!));
    const dated = beside.length > 0 || known.dated;
    const key = `${known.key}\n${beside.map(({ i, on }) => `${i} ${on}`).join()}\n${dated ? date : ""}`;
    if (this.clear.has(key)) return [];
    const { reasons } = judgeAt(sites[site]!, rounds[round]!, date, others, sprayVolume);
    if (reasons.length === 0) this.clear.add(key);
    return reasons;
  }

  /** Whether something that goes by some names, its own or its actives', may count against a limit of a round's product. */
  private shares(round: number, names: readonly string[]): boolean {
    return names.some((name) => {
      const folded = this.folded.get(name) ?? foldedName(name);
      this.folded.set(name, folded);
      return this.names[round]!.has(folded);
    });
  }

  /** All that a label looks at on a site, as a text; and whether the day matters to it. */
  private likeness(site: number, round: number): { readonly key: string; readonly dated: boolean } {
    const known = this.alike[site]![round];
    if (known) return known;
    const { jurisdiction = "" } = this.asked.sites[site]!;
    const zones = zonesFor(this.asked.sites[site]!, this.asked.rounds[round]!);
    let dated = false;
    const parts = zones.map(({ turf = "", seeded = "", sodded = "", seeding = "", sodding = "", area, whole, applied = [] }) => {
      const own = applied.filter(
        ({ of, active, unknown }) => unknown === true || this.shares(round, active ? [of, active.name] : [of]),
      );
      dated ||= own.length > 0 || seeded + sodded + seeding + sodding !== "";
      const entries = own.map((one) =>
        [
          one.of,
          one.active?.name,
          one.active?.content.text,
          one.gravity?.text,
          sizeOf(one.amount),
          one.date,
          one.alsoOn,
          one.planned,
          one.unknown,
        ].join(),
      );
      return [turf, seeded, sodded, seeding, sodding, whole ? `${area?.text} of ${whole.text}` : "", ...entries].join("|");
    });
    const made = { key: [round, jurisdiction, ...new Set(parts)].join("\n"), dated };
    this.alike[site]![round] = made;
    return made;
  }

  private whyOver({ site, round, latest }: Waiting, wasOpen: boolean): YearReason[] {
    if (wasOpen) return ["no-room"];
    const { closes } = this.window(site, round);
    if (closes !== null && closes === latest) return ["closed"];
    const { seeding } = this.asked.sites[site]!;
    return [
      seeding !== undefined && latest !== null && latest < seeding && this.dayBefore(site, round) === null
        ? "before-seeding"
        : "past-latest",
    ];
  }

  private unfit(site: number, round: number, reasons: readonly YearReason[]): void {
    this.keep(site, round, { state: "unfit", on: null, reasons });
  }

  private keep(site: number, round: number, item: Pick<YearItem, "state" | "on"> & Partial<YearItem>): void {
    const { opens, closes } = this.window(site, round);
    this.found[site]![round] = {
      site,
      round,
      fixed: false,
      earliest: opens ?? null,
      latest: closes,
      reasons: [],
      held: [],
      ...item,
    };
  }
}
