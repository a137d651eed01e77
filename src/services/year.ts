import { dayOf, daysLater, weekday } from "@/core/calendar";
import type { Counting } from "@/core/labels/budget";
import { foldedName } from "@/core/names";
import type { PutDown } from "@/core/labels/label";
import { downAs, yearOf, zonesFor, type Year, type YearAsked, type YearRound, type YearSite } from "@/core/season/year";
import type { CountedEntry } from "@/formats/entries";
import { withCounted } from "@/formats/counted";
import { Faults } from "@/formats/job-file/faults";
import { readApplied } from "@/formats/job-file/read-sites";
import { MADE_OF } from "@/formats/slices";
import { seasonOf, stationAt, workOf, type ProgramText } from "@/formats/season/program";
import { AHEAD, countingOf } from "@/formats/season/rates";
import { placeOf } from "@/formats/area/place";
import type { SetAside } from "@/records/aside";
import type { Access, Records } from "@/records/database";
import { listLabels } from "@/records/labels";
import { plannedIn } from "@/records/plan";
import { revisionsOf } from "@/records/revision";
import { seedOfSites, type SiteSeed } from "@/records/sites";
import { todayOf } from "./clock";
import { downOn } from "./counted";
import { doneBySite, doneOn, NOTHING_DONE, type Done } from "./done";
import { programOf, seedOf } from "./program";

/** The firm's year, laid out ahead: which round on which day on which site, and what doesn't fit. */

export interface YearNow {
  readonly program: ProgramText;
  readonly asked: YearAsked;
  readonly year: Year;
  /** By site, in the order of `asked.sites`. */
  readonly sites: readonly SiteSeed[];
  /** What of the program is done in that year. */
  readonly done: Done;
}

interface Known {
  readonly key: string;
  readonly now: YearNow;
}
const known = new WeakMap<Records, Map<boolean, Known>>();

/**
 * The year as it stands, laid out once for each change of what it is made of.
 * @param next next year's, from its first day on, with what is laid out for the rest of this one counted
 */
export function yearNow(db: Records, next = false, aside?: SetAside[]): YearNow {
  const revisions = revisionsOf(db);
  const key = [todayOf(db), ...MADE_OF.year.map((kind) => revisions.get(kind))].join();
  const of = known.get(db) ?? new Map<boolean, Known>();
  known.set(db, of);
  const before = of.get(next);
  if (before?.key === key) return before.now;
  const now = layOut(db, next, aside);
  of.set(next, { key, now });
  return now;
}

function layOut(db: Records, next: boolean, aside?: SetAside[]): YearNow {
  const before = next ? yearNow(db, false, aside) : undefined;
  const asked = yearAsked(db, next, before, { aside, counted: (ids) => countedOnce(db, ids, aside) });
  return { ...asked, year: yearOf(asked.asked) };
}

const counts = new WeakMap<Records, { readonly key: string; readonly counted: readonly CountedEntry[] }>();
/** What counts against limits doesn't hang on the plan: who moves something doesn't ask for all of it again. */
const COUNTED = MADE_OF.year.filter((kind) => kind !== "settings" && kind !== "plans");

function countedOnce(db: Records, ids: readonly string[], aside?: SetAside[]): readonly CountedEntry[] {
  const revisions = revisionsOf(db);
  const key = [todayOf(db), ...COUNTED.map((kind) => revisions.get(kind))].join();
  const before = counts.get(db);
  if (before?.key === key) return before.counted;
  const counted = downOn(db, ids, aside, true);
  counts.set(db, { key, counted });
  return counted;
}

interface AskedOf {
  readonly aside?: SetAside[] | undefined;
  /** These sites alone. */
  readonly only?: ReadonlySet<string>;
  /** What counts against the limits of sites; left out, it is read. */
  readonly counted?: (ids: readonly string[]) => readonly CountedEntry[];
}

/**
 * What a year is laid out from.
 * @param before this year's, where next year's is asked for
 */
export function yearAsked(
  db: Access,
  next: boolean,
  before: YearNow | undefined,
  { aside, only, counted = (ids) => downOn(db, ids, aside) }: AskedOf = {},
): Omit<YearNow, "year"> {
  const today = todayOf(db);
  const date = next ? `${Number(today.slice(0, 4)) + 1}-01-01` : today;
  const year = Number(date.slice(0, 4));
  const program = programOf(db, aside);
  const planned = plannedIn(db, year);
  const later = new Map(
    planned.flatMap(({ siteId, round, later: days }) => (siteId === null ? [[round, days ?? 0] as const] : [])),
  );
  const fixed = new Map(
    planned.flatMap(({ siteId, round, day }) => (siteId !== null && day !== null ? [[`${siteId}\n${round}`, day] as const] : [])),
  );
  const cards = new Map(listLabels(db, aside).map((label) => [label.id, label.card]));
  const { rounds, soil, air, stations } = seasonOf(program);
  const station = stationAt(program);
  const yearRounds = rounds.map((round, i): YearRound => {
    const { label, rate, turf } = program.rounds[i]!;
    const card = cards.get(label);
    const counting = card && rate !== undefined ? countingOf(card, rate, "") : undefined;
    return { ...round, turf, counting: counting?.ok ? counting.value : null, later: later.get(round.name) ?? 0 };
  });
  const all = rounds.length > 0 ? seedOfSites(db) : [];
  const sites = byPlace(only ? all.filter(({ id }) => only.has(id)) : all);
  const done = next ? NOTHING_DONE : doneBySite(db, program, sites, today);
  const zonesOf = zonesWithHistory(sites, yearRounds, before, counted);
  const yearSites = sites.map((site, i): YearSite => {
    const own = doneOn(done, site.id);
    return {
      name: site.name,
      ...(site.jurisdiction !== null && { jurisdiction: site.jurisdiction }),
      zones: zonesOf(i),
      areas: site.seeds.map((zone) => zone.areaM2),
      done: rounds.map(({ name }) => own.done.find((one) => one.round === name)?.date ?? null),
      some: own.some,
      fixed: rounds.map(({ name }) => fixed.get(`${site.id}\n${name}`) ?? null),
      ...seedOf(site.seeds, date),
      station: station(site.gate),
    };
  });
  return {
    program,
    sites,
    done,
    asked: { date, soil, air, stations, rounds: yearRounds, sites: yearSites, work: workOf(program), sprayVolume: AHEAD },
  };
}

/** Degrees of a square in which sites are near each other: about two kilometres. */
const NEAR = 0.02;

/** Sites that lie near each other stand behind one another, so that a day's work lies in one place; those of no known place last. */
function byPlace(sites: readonly SiteSeed[]): SiteSeed[] {
  const keyOf = (site: SiteSeed): string => {
    const place = site.gate === null ? undefined : placeOf(site.gate);
    if (!place) return "~";
    const [row, column] = [Math.floor((place[1] + 90) / NEAR), Math.floor((place[0] + 180) / NEAR)];
    // Up one column and down the next: neighbours in the order are neighbours on the ground.
    return `${String(column).padStart(6, "0")} ${String(column % 2 === 0 ? row : 99_999 - row).padStart(6, "0")}`;
  };
  return sites
    .map((site) => [keyOf(site), site] as const)
    .sort(([a, x], [b, y]) => (a !== b ? (a < b ? -1 : 1) : x.name < y.name ? -1 : 1))
    .map(([, site]) => site);
}

/** The zones of each site with what counts against the limits of what is planned: what holds another active is left out. */
function zonesWithHistory(
  sites: readonly SiteSeed[],
  rounds: readonly YearRound[],
  before: YearNow | undefined,
  countedIn: (ids: readonly string[]) => readonly CountedEntry[],
): (site: number) => YearSite["zones"] {
  const named = new Set(
    rounds
      .flatMap(({ counting }) => (counting ? [counting.name, ...counting.says.actives.map((a) => a.name)] : []))
      .map(foldedName),
  );
  const all = sites.length > 0 ? countedIn(sites.map((site) => site.id)) : [];
  const counted = all.filter(
    ({ applied }) => applied.activeUnknown === true || named.has(foldedName(applied.of)) || named.has(foldedName(applied.active)),
  );
  const laidOut = before ? plannedBefore(before) : new Map<string, readonly PutDown[]>();
  const faults = new Faults();
  return (i) => {
    const site = sites[i]!;
    const zones = site.seeds.map((zone) => ({ name: zone.zone, area: "1 ft2", id: zone.zoneId }));
    const { zones: here } = withCounted({ name: site.name, zones }, site.id, counted);
    return site.seeds.map((zone, j) => ({
      name: zone.zone,
      ...(zone.turf !== null && { turf: zone.turf }),
      ...(zone.seeded !== null && { seeded: zone.seeded }),
      ...(zone.sodded !== null && { sodded: zone.sodded }),
      ...(zone.seeding !== null && { seeding: zone.seeding }),
      ...(zone.sodding !== null && { sodding: zone.sodding }),
      applied: [
        ...(here[j]!.applied ?? []).flatMap((entry) => readApplied(entry, "", faults) ?? []),
        ...(laidOut.get(zone.zoneId) ?? []),
      ],
    }));
  };
}

/** What this year's layout will have put down by the end of it, by the id of the zone. */
function plannedBefore({ asked, year, sites }: YearNow): ReadonlyMap<string, readonly PutDown[]> {
  const down = new Map<string, PutDown[]>();
  for (const { site, round, state, on } of year.items) {
    const counting: Counting | null = asked.rounds[round]!.counting;
    if (state !== "planned" || on === null || !counting) continue;
    const here = zonesFor(asked.sites[site]!, asked.rounds[round]!);
    sites[site]!.seeds.forEach(({ zoneId }, i) => {
      if (here.includes(asked.sites[site]!.zones[i]!)) down.set(zoneId, [...(down.get(zoneId) ?? []), ...downAs(counting, on)]);
    });
  }
  return down;
}

/** The Monday of the week that a date lies in. */
export function mondayOf(date: string): string {
  return daysLater(date, -((weekday(dayOf(date)) + 6) % 7));
}
