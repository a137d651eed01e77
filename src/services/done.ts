import { sizeOf } from "@/core/labels/active";
import { canonical } from "@/core/quantity/arithmetic";
import { parseField } from "@/core/quantity/ranges";
import { atLeast, isWithin } from "@/core/quantity/slack";
import { foldedName, sameName } from "@/core/names";
import { WHOLE } from "@/core/outcome/reconcile";
import { measuredOf } from "@/core/season/due";
import { windowOf, type YearWindow } from "@/core/season/window";
import type { ZonesLeft } from "@/formats/entries";
import { idOfRound, seasonOf, stationAt, type ProgramRound, type ProgramText } from "@/formats/season/program";
import { countingOf } from "@/formats/season/rates";
import { zonesDown, type ZoneDown } from "@/records/applications";
import type { Access } from "@/records/database";
import { groundGroups, sitesOfZones } from "@/records/ground";
import { cardIfRead } from "@/records/labels";
import { givenRounds } from "@/records/rounds-given";
import type { SiteSeed } from "@/records/sites";

/**
 * What of the program is done: a round is, on a zone, when its ground was covered by records of that round; on a site, when the last of
 * the zones that it is for has had it.
 */

export interface DoneOnSite {
  /** Rounds that are done, with the day on which the last zone had them. */
  readonly done: readonly { readonly round: string; readonly date: string }[];
  /** Rounds that some zones have had and others haven't: which have, by their number on the site. */
  readonly some: ReadonlyMap<string, ReadonlySet<number>>;
  /** Of rounds that were begun on zones and not brought to their end: how much of the zone had it, from 0 to 1. */
  readonly begun: ReadonlyMap<string, ReadonlyMap<number, number>>;
}

/** A record that may be of a round, and of which nobody said so: it went down outside its window. */
export interface Unclear {
  readonly recordId: string;
  readonly siteId: string;
  readonly zone: string;
  readonly date: string;
  /** The round's name. */
  readonly round: string;
}

export interface Done {
  readonly bySite: ReadonlyMap<string, DoneOnSite>;
  readonly unclear: readonly Unclear[];
  /** By record, the id of the round that it was taken for without anybody having said so. */
  readonly inferred: ReadonlyMap<string, string>;
}

/** Of a year in which nothing can be done yet. */
export const NOTHING_DONE: Done = { bySite: new Map(), unclear: [], inferred: new Map() };

const NOTHING: DoneOnSite = { done: [], some: new Map(), begun: new Map() };

/** Of a record without its round so much of the round's rate, or of the least on its label, must have gone down to be it (ours). */
const ENOUGH = 0.5;

/** So far may two measurements of one ground lie apart (ours: as far as a load may cover more than it could). */
const MEASURED_ANEW = 0.1;

/** A round as records are held against it. */
interface Asked {
  readonly round: ProgramRound;
  readonly id: string;
  /** g or mL for a square metre, from which on a record may be of it; null where nobody knows. */
  readonly least: number | null;
  /** By station, the firm's own first. */
  readonly windows: readonly YearWindow[];
}

/**
 * A record knows its round (it was mixed for it, or a person gave it to one); then it counts for that. One that doesn't, or whose round is
 * no more, is inferred (and kept so as soon as the program changes, see `keepInferred`): of
 * the round's product, inside its window, at half of its rate at least, the first round of those that isn't done there yet. What went
 * down on ground counts for every zone that is that ground now.
 * Rounds are of a year: that of today.
 */
export function doneBySite(db: Access, program: ProgramText, sites: readonly SiteSeed[], today: string): Done {
  const asked = roundsAsked(db, program, today);
  const station = stationAt(program);
  const bySite = new Map<string, DoneOnSite>();
  const unclear: Unclear[] = [];
  const inferred = new Map<string, string>();
  const known = new Set(asked.map(({ id }) => id));
  const since = `${today.slice(0, 4)}-01-01`;
  const downOn = downByZone(db, [...new Set(program.rounds.map(({ label }) => label))], since, sites, known);
  for (const site of sites) {
    const had = new Map<string, Map<number, string>>();
    const begun = new Map<string, Map<number, number>>();
    site.seeds.forEach((zone, i) => {
      const rows = downOn.get(zone.zoneId);
      if (!rows) return;
      const own = asked.filter(({ round }) => isForZone(round, zone));
      const found = onZone(own, rows, zone.areaM2, (station(site.gate) ?? -1) + 1);
      for (const [name, { share, date }] of found.shares)
        if (atLeast(share, WHOLE)) put(had, name, i, date);
        else if (share >= 1 - WHOLE) put(begun, name, i, share);
      for (const [record, round] of found.inferred) inferred.set(record, round);
      for (const { row, name } of found.unclear)
        unclear.push({ recordId: row.id, siteId: site.id, zone: zone.zone, date: row.date, round: name });
    });
    if (had.size === 0 && begun.size === 0) continue;
    const done: { round: string; date: string }[] = [];
    const some = new Map<string, ReadonlySet<number>>();
    for (const round of program.rounds) {
      const here = had.get(round.name);
      if (!here) continue;
      const all = site.seeds.every((zone, i) => here.has(i) || !isForZone(round, zone));
      if (all) done.push({ round: round.name, date: [...here.values()].sort().at(-1)! });
      else some.set(round.name, new Set(here.keys()));
    }
    bySite.set(site.id, { done, some, begun });
  }
  return { bySite, unclear, inferred };
}

export const doneOn = ({ bySite }: Done, siteId: string): DoneOnSite => bySite.get(siteId) ?? NOTHING;

function put<V>(map: Map<string, Map<number, V>>, name: string, zone: number, value: V): void {
  const of = map.get(name) ?? new Map<number, V>();
  map.set(name, of.set(zone, value));
}

function roundsAsked(db: Access, program: ProgramText, today: string): Asked[] {
  const { rounds, stations = [], ...own } = seasonOf(program);
  const measured = [own, ...stations].map(measuredOf);
  return rounds.map((round, i): Asked => {
    const text = program.rounds[i]!;
    const windows = measured.map((one) => windowOf(round, one, today));
    return { round: text, id: idOfRound(text), least: leastOf(db, text), windows };
  });
}

/** From which rate on a record may be of a round. */
function leastOf(db: Access, { label, rate }: ProgramRound): number | null {
  const card = cardIfRead(db, label);
  if (!card) return null;
  const sizes = (rate === undefined ? card.rates.map((row) => row.rate) : [rate]).flatMap((text) => {
    const counting = countingOf(card, text, "");
    return counting.ok ? [sizeOf(counting.value.rate)] : [];
  });
  return sizes.length === 0 ? null : Math.min(...sizes) * ENOUGH;
}

/** What went down on a zone; whether a person gave it to its round. */
type Known = ZoneDown & { readonly given?: boolean };

interface OnZone {
  /** By round: how much of the zone had it, and when last. */
  readonly shares: ReadonlyMap<string, { readonly share: number; readonly date: string }>;
  readonly unclear: readonly { readonly row: ZoneDown; readonly name: string }[];
  readonly inferred: ReadonlyMap<string, string>;
}

/** Which records of a zone are of which round. @param rows in the order of their days */
function onZone(rounds: readonly Asked[], rows: readonly Known[], areaM2: number, series: number): OnZone {
  const shares = new Map<string, { share: number; date: string }>();
  const unclear: { row: ZoneDown; name: string }[] = [];
  const inferred = new Map<string, string>();
  const isDone = ({ round }: Asked) => atLeast(shares.get(round.name)?.share ?? 0, WHOLE);
  /** Whether a round of the product was brought to its end here on this day: what else went down is no next one. */
  const endedOn = (label: string, date: string) =>
    rounds.some((one) => one.round.label === label && isDone(one) && shares.get(one.round.name)!.date >= date);
  for (const row of rows) {
    const known = row.roundId === undefined ? undefined : rounds.find(({ id }) => id === row.roundId);
    // Given to none, or to a round that is not for this zone; or a pinch of what the round was mixed for.
    if (row.roundId !== undefined && !(known && (row.given || isEnough(known, row)))) continue;
    const fits = known ? [] : rounds.filter((one) => one.round.label === row.labelId && !isDone(one) && isEnough(one, row));
    const of = known ?? (endedOn(row.labelId, row.date) ? undefined : fits.find((one) => isOpen(one.windows[series]!, row.date)));
    if (of) {
      if (!known) inferred.set(row.id, of.id);
      const before = shares.get(of.round.name)?.share ?? 0;
      shares.set(of.round.name, { share: before + shareOf(row, areaM2), date: row.date });
    } else if (fits.length > 0 && !endedOn(row.labelId, row.date)) unclear.push({ row, name: fits[0]!.round.name });
  }
  // What was unclear as it went down is no question any more where the round was done since.
  return { shares, inferred, unclear: unclear.filter(({ name }) => !atLeast(shares.get(name)?.share ?? 0, WHOLE)) };
}

/** How much of a zone a record covered. The same ground, measured a little otherwise, is all of it. */
function shareOf({ coveredM2, area }: ZoneDown, areaM2: number): number {
  const share = coveredM2 / areaM2;
  if (share >= WHOLE || share < 1 - 2 * MEASURED_ANEW) return share;
  const then = parseField("zoneArea", area);
  const was = then.ok ? canonical(then.value.value) : areaM2;
  return isWithin(was / areaM2, MEASURED_ANEW) ? coveredM2 / was : share;
}

const isEnough = ({ least }: Asked, { rate }: ZoneDown): boolean => least === null || rate === null || atLeast(rate, least);

const isOpen = ({ opens, closes, expected }: YearWindow, date: string): boolean =>
  opens !== undefined && !expected && (opens === null || date >= opens) && (closes === null || date <= closes);

/** The names of the zones that a round is still to be done on, where others have had it, or a part of them. */
export const stillToDo = (
  site: SiteSeed,
  round: ProgramRound,
  { some, begun }: Pick<DoneOnSite, "some" | "begun">,
): ZonesLeft => {
  const [had, parts] = [some.get(round.name), begun.get(round.name)];
  if (!had && !parts) return undefined;
  return site.seeds.flatMap((zone, i) => {
    const part = parts?.get(i);
    return had?.has(i) || !isForZone(round, zone)
      ? []
      : [{ id: zone.zoneId, name: zone.zone, ...(part !== undefined && { had: part }) }];
  });
};

/** Whether a round is for a zone, by its turf. */
export const isForZone = ({ turf }: Pick<ProgramRound, "turf">, zone: SiteSeed["seeds"][number]): boolean =>
  turf === undefined || (zone.turf !== null && sameName(zone.turf, turf));

/** Dates and moments as texts: of tens of thousands a comparison by language would take seconds. */
const order = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** What went down of some products, by the zone that is that ground now, in the order of the days. @param rounds ids of those that there are */
function downByZone(
  db: Access,
  labels: readonly string[],
  since: string,
  sites: readonly SiteSeed[],
  rounds: ReadonlySet<string>,
): ReadonlyMap<string, readonly Known[]> {
  const asked = new Set(sites.map(({ id }) => id));
  // Ground is asked about once, for all products; what lies on it may stand under another site.
  const groups = groundGroups(db, [...asked]);
  const given = givenRounds(db);
  const all = labels
    .flatMap((label) => zonesDown(db, label, since))
    .filter(({ siteId, zoneId }) => asked.has(siteId) || groups.has(zoneId))
    .map((row): Known => {
      const said = given.get(row.id);
      if (said !== undefined && (said === "" || rounds.has(said))) return { ...row, roundId: said, given: true };
      // A round that is no more is nobody's word on what is a round now.
      return row.roundId === undefined || rounds.has(row.roundId) ? row : { ...row, roundId: undefined };
    })
    .sort((a, b) => order(a.date, b.date) || order(a.createdAt, b.createdAt));
  if (all.length === 0) return new Map();
  const live = new Set(sites.flatMap(({ seeds }) => seeds.map(({ zoneId }) => zoneId)));
  const strange = [...new Set(all.map(({ zoneId }) => zoneId))].filter((zoneId) => !groups.has(zoneId) && !live.has(zoneId));
  const known = strange.length > 0 ? sitesOfZones(db, { siteIds: [], zoneIds: strange }) : undefined;
  // A record that knows its zone by name only means the zone of that name.
  const byName = new Set(strange.filter((zoneId) => !known?.has(zoneId)));
  const named = new Map(
    byName.size > 0
      ? sites.flatMap(({ id, seeds }) => seeds.map((zone) => [`${id}\n${foldedName(zone.zone)}`, zone.zoneId]))
      : [],
  );
  const found = new Map<string, Known[]>();
  for (const row of all) {
    const here = byName.has(row.zoneId)
      ? [named.get(`${row.siteId}\n${foldedName(row.zone)}`) ?? row.zoneId]
      : (groups.get(row.zoneId) ?? [row.zoneId]);
    for (const one of here) found.set(one, [...(found.get(one) ?? []), row]);
  }
  return found;
}
