import { daysLater } from "@/core/calendar";
import { calibrate } from "@/core/calibration/calibrate";
import { mixedFor } from "@/core/mixing/fixed-volume";
import { rateOnGround } from "@/core/mixing/judge";
import { canonical } from "@/core/quantity/arithmetic";
import { parseAs } from "@/core/quantity/parse";
import { plainNumber } from "@/core/quantity/plain";
import { boundsOf, FIELDS } from "@/core/quantity/ranges";
import { given } from "@/core/working/rule";
import type { CardText } from "@/formats/card/card";
import { groundText, rowRates } from "@/formats/card/choice";
import type { CountedEntry } from "@/formats/entries";
import { appliedOf } from "@/formats/counted";
import { cardOfProduct } from "@/formats/gear";
import { oneLess, soundJob } from "@/formats/job-file/assemble";
import { readSpread } from "@/formats/job-file/spread";
import type { JobFile, ProductText } from "@/formats/job-file/types";
import { countedSince, openSheets, standingApplications, type ApplicationRow } from "@/records/applications";
import type { BrokenRecord, SetAside } from "@/records/aside";
import type { Access } from "@/records/database";
import { groundGroups, sitesOfZones } from "@/records/ground";
import { unaccountedLoads } from "@/records/load-ends";
import { everTicked, sheetsById, siteIdOf } from "@/records/sheets";
import { doneOfSpreading, openSpreadings } from "@/records/spreadings";
import { cardsNow, type Recorded } from "./cards-now";
import { todayOf } from "./clock";
import { plannedFor } from "./sheet-state";

/**
 * The first day that a limit can still see from today: the calendar year and the twelve months before it, or the longest
 * time between two applications that a card names. What lies before it can't hold a plan.
 */
function firstSeen(cards: Iterable<CardText>, today: string): string {
  const YEAR = 366;
  let most = YEAR;
  for (const { limits } of cards)
    for (const { intervalAtLeast, intervalAtMost } of limits)
      // Past its latest day the next one is late; a year later it is no second half any more.
      most = Math.max(most, days(intervalAtLeast), intervalAtMost === undefined ? 0 : days(intervalAtMost) + YEAR);
  return daysLater(today, -most);
}
const days = (text: string | undefined): number => Number.parseInt(text ?? "0", 10);

/**
 * All that counts against the limits of the zones of some sites: what went down, as far back as a limit can see, and what
 * open sheets and spreadings plan.
 * @param aside takes the rows that can't be read and can't be counted at their most either: nothing may be planned beside them
 */
export function countedOf(db: Access, siteIds: readonly string[], aside?: SetAside[]): CountedEntry[] {
  const counting = countingIn(db, siteIds);
  const { everywhere, known, today, ground } = counting;
  const down = downIn(db, counting, aside);
  const planned = openSheets(db, everywhere, aside).flatMap((sheet) => {
    const later = (sheet.job.date ?? today) > today;
    // What was poured before its day counts today too.
    const poured = wasPoured(db, sheet.id);
    const alsoOn = later && poured ? today : null;
    return plansOf(sheet).flatMap(({ siteId, zoneId, zone, holder, amount, planFor }): CountedEntry[] => {
      // A sheet of yesterday that nobody closed is poured today or later.
      const date = later ? planFor : today;
      const applied = appliedOf(known.downOf(holder), amount, { date, alsoOn, planned: true, poured });
      return applied.map((one) => ({ siteId, zoneIds: ground(zoneId), zone, sheetId: sheet.id, applied: one }));
    });
  });
  const spread = openSpreadings(db, aside)
    .filter(({ job }) => (job.sites ?? []).some((site) => everywhere.includes(site.id ?? "")))
    .flatMap((spreading) => {
      const read = readSpread(spreading.job);
      const later = spreading.date > today;
      const poured = doneOfSpreading(db, spreading.id).some(isProductStep);
      const date = later ? spreading.date : today;
      const on = { date, alsoOn: later && poured ? today : null, planned: true, poured };
      return (spreading.job.products ?? []).flatMap((product, j) => {
        const one = read.ok ? read.value.products[j]! : undefined;
        const amount = one?.by ? groundText(one.by) : product.rate;
        const applied = appliedOf(known.downOf(recordedOf(product)), amount, on);
        return (spreading.job.sites ?? []).flatMap((site) =>
          site.zones.flatMap((zone) =>
            applied.map((one): CountedEntry => ({
              siteId: site.id ?? "",
              zoneIds: ground(zone.id ?? ""),
              zone: zone.name ?? "",
              sheetId: spreading.id,
              applied: one,
            })),
          ),
        );
      });
    });
  return [...down, ...planned, ...spread, ...unaccountedIn(db, counting, aside)];
}

/**
 * What was poured and nobody can account for may lie on any site of its sheet: on each it counts as if all of it did, on the day of
 * the sheet, until it is known where it is.
 */
function unaccountedIn(db: Access, { everywhere, known, ground }: Counting, aside?: SetAside[]): CountedEntry[] {
  const ends = unaccountedLoads(db, everywhere);
  const ids = ends.map((end) => end.sheetId);
  return sheetsById(db, ids, aside).flatMap((sheet) => {
    const lost = ends.filter((end) => end.sheetId === sheet.id).reduce((sum, end) => sum + end.unaccounted, 0);
    return plansOf(sheet).flatMap(({ siteId, zoneId, zone, holder, amount, planFor }): CountedEntry[] => {
      const site = (sheet.job.sites ?? []).find((one) => siteIdOf(sheet, one) === siteId);
      const spray = site ? plannedFor(sheet, site.name) : 0;
      if (spray <= 0) return [];
      const on = { date: planFor, planned: true, poured: true };
      const applied = appliedOf(known.downOf(holder), timesAmount(amount, lost / spray), on);
      return applied.map((one) => ({ siteId, zoneIds: ground(zoneId), zone, sheetId: sheet.id, applied: one }));
    });
  });
}

/** So many times an amount for an area, as a job file writes it. */
const timesAmount = (amount: string, times: number): string =>
  atLeastRead(amount.replace(/^[\d.]+/, (number) => plainNumber(Number(number) * times)));

/** The least rates that a job file can have: what is less counts as that. */
const LEAST = { rateByWeight: FIELDS.weightRate.least, rateByVolume: FIELDS.volumeRate.least } as const;
const SMALLEST = Math.max(boundsOf("weightRate").least, boundsOf("volumeRate").least);

/** An amount for an area, or the least that can be read, where it is less: what next to nothing went down of counts a little more. */
function atLeastRead(amount: string): string {
  const read = parseAs<"rateByWeight" | "rateByVolume">(amount, ["rateByWeight", "rateByVolume"]);
  if (!read.ok) return amount;
  const { kind, value } = read.value;
  const field = kind === "rateByWeight" ? "weightRate" : "volumeRate";
  return canonical(value) < boundsOf(field).least ? LEAST[kind] : amount;
}

/**
 * What went down on some sites, as far back as a limit can see: without what stands on open sheets.
 * @param all these are all sites that there are
 */
export function downOn(db: Access, siteIds: readonly string[], aside?: SetAside[], all = false): CountedEntry[] {
  const counting = countingIn(db, siteIds);
  if (!all) return downIn(db, counting, aside);
  return withBroken(counting, aside, (broken) => countedSince(db, firstSeen(counting.known.cards, counting.today), broken));
}

function countingIn(db: Access, siteIds: readonly string[]) {
  const groups = groundGroups(db, siteIds);
  // Ground that lies under another site's name has its history there.
  const everywhere = withGround(db, siteIds, groups);
  const siteOf = sitesOfZones(db, { siteIds: everywhere, zoneIds: [] });
  const ground = (zoneId: string) => groups.get(zoneId) ?? (siteOf.has(zoneId) ? [zoneId] : []);
  return { everywhere, known: cardsNow(db), today: todayOf(db), ground };
}

type Counting = ReturnType<typeof countingIn>;

const downIn = (db: Access, counting: Counting, aside?: SetAside[]): CountedEntry[] =>
  withBroken(counting, aside, (broken) =>
    standingApplications(db, counting.everywhere, firstSeen(counting.known.cards, counting.today), broken),
  );

/** What is down by some records, those that can't be read whole with it; only what can't be counted at all is set aside. */
function withBroken(
  counting: Counting,
  aside: SetAside[] | undefined,
  read: (broken: SetAside[]) => readonly DownRow[],
): CountedEntry[] {
  const broken: SetAside[] = [];
  const down = entriesOf(read(broken), counting);
  const guessed = broken.flatMap((one) => {
    const entries = one.record ? atMost(one.record, counting) : [];
    if (entries.length === 0) aside?.push(one);
    return entries;
  });
  return [...down, ...guessed];
}

/**
 * A record that can't be read whole, as much as it can have been: on its own zone, at its rate, or the most that its label allows at
 * once; today, where its day can't be read. None where the zone, the product or the most isn't known.
 */
function atMost(record: BrokenRecord, { known, today, ground }: Counting): CountedEntry[] {
  const { siteId, zoneId, zone, labelId, product } = record;
  const zoneIds = ground(zoneId);
  const holder = { labelId, product, actives: [], gravity: null };
  // Which actives it held may be what can't be read: its card has to say.
  const cards = known.cardsOf(holder);
  const amount = record.rate === undefined ? mostOf(cards) : atLeastRead(record.rate);
  if (zoneIds.length === 0 || cards.length === 0 || amount === undefined) return [];
  return appliedOf(known.downOf(holder), amount, { date: record.date ?? today }).map((applied) => ({
    siteId,
    zoneIds,
    zone,
    sheetId: null,
    applied,
    unreadable: true,
  }));
}

/** The most of a product that goes down at once by its cards, as a job file writes it. */
function mostOf(cards: readonly CardText[]): string | undefined {
  const rates = cards.flatMap((card) => card.rates.flatMap((_, i) => rowRates(card, i)?.most ?? []));
  const byArea = rates.filter((rate) => rate.kind === "rateByWeight" || rate.kind === "rateByVolume");
  return byArea.sort((a, b) => canonical(b.value) - canonical(a.value))[0]?.text;
}

type DownRow = Recorded &
  Pick<ApplicationRow, "rate" | "rateCanonical" | "date" | "alsoOn" | "siteId" | "zone" | "zoneId"> &
  Partial<Pick<ApplicationRow, "total" | "facts" | "createdAt">>;

function entriesOf(rows: readonly DownRow[], { known, ground }: Counting): CountedEntry[] {
  return rows.flatMap((row): CountedEntry[] => {
    // Rows of before the least was asked for may be under it.
    const rate = row.rateCanonical !== null && row.rateCanonical < SMALLEST ? atLeastRead(row.rate) : row.rate;
    const applied = appliedOf(known.downOf(row), rate, { date: row.date, alsoOn: row.alsoOn });
    const { siteId, zone } = row;
    const zoneIds = ground(row.zoneId);
    const { total, facts, createdAt: keptAt } = row;
    const down = total !== undefined && keptAt !== undefined && { down: { total, time: facts?.started ?? null, keptAt } };
    return applied.map((one) => ({ siteId, zoneIds, zone, sheetId: null, applied: one, ...down }));
  });
}

/** Some sites, and those whose zones are one ground with a zone of theirs. */
export function withGround(
  db: Access,
  siteIds: readonly string[],
  groups: ReadonlyMap<string, readonly string[]> = groundGroups(db, siteIds),
): string[] {
  if (groups.size === 0) return [...siteIds];
  const siteOf = sitesOfZones(db, { siteIds: [], zoneIds: [...groups.keys()] });
  const beside = [...groups].flatMap(([zone, group]) =>
    siteIds.includes(siteOf.get(zone) ?? "") ? group.map((other) => siteOf.get(other) ?? "") : [],
  );
  return [...new Set([...siteIds, ...beside])];
}

/** A product's step: its container was opened. */
export const isProductStep = (step: string): boolean => /\.product-\d+$/.test(step);

/** Whether a product of a sheet was ever ticked as poured, also where the tick was taken back. */
export const wasPoured = (db: Access, sheetId: string): boolean => everTicked(db, sheetId).some(isProductStep);

type OpenSheet = ReturnType<typeof openSheets>[number];

/** What an open sheet plans for one product on one zone. */
export interface PlannedDown {
  readonly siteId: string;
  readonly zoneId: string;
  readonly zone: string;
  readonly product: number;
  readonly holder: Recorded;
  /** What goes down, as a job file writes it. */
  readonly amount: string;
  readonly planFor: string;
}

/** What sheets plan, worked out once for each: a sheet never changes. */
const known = new WeakMap<JobFile, Map<string, readonly PlannedDown[]>>();

export function plansOf(sheet: Pick<OpenSheet, "id" | "siteId" | "job" | "madeAt">): readonly PlannedDown[] {
  const sheets = known.get(sheet.job) ?? new Map<string, readonly PlannedDown[]>();
  known.set(sheet.job, sheets);
  const key = [sheet.id, sheet.siteId, sheet.madeAt].join();
  const entries = sheets.get(key) ?? workOut(sheet);
  sheets.set(key, entries);
  return entries;
}

function workOut(sheet: Pick<OpenSheet, "siteId" | "job" | "madeAt">): PlannedDown[] {
  const job = soundJob(sheet.job);
  // One load less is put down at its own, smaller spray volume.
  const made = calibrate(job.calibration);
  const sprayVolume = (job.oneLess ? oneLess(job, made)?.sprayVolume : undefined) ?? made.sprayVolume;
  const fixed = job.mixedFor && !job.rig.head ? given(job.mixedFor, "mixed for") : undefined;
  return (sheet.job.products ?? []).flatMap((product, i) => {
    const one = job.products[i]!;
    const amount = groundText(rateOnGround(fixed ? mixedFor(one, fixed) : one, sprayVolume));
    return (sheet.job.sites ?? []).flatMap((site) =>
      site.zones.map((zone): PlannedDown => ({
        siteId: siteIdOf(sheet, site),
        zoneId: zone.id ?? "",
        zone: zone.name ?? "",
        product: i,
        holder: recordedOf(product),
        amount,
        planFor: sheet.job.date ?? sheet.madeAt.slice(0, 10),
      })),
    );
  });
}

/** A product of a sheet as a record of the log names it. */
export function recordedOf(product: ProductText): Recorded {
  return {
    product: product.name,
    labelId: product.id ?? null,
    actives: (product.actives ?? []).map((a) => ({ name: a.name, content: (a.fraction ?? a.strength)! })),
    gravity: cardOfProduct(product).gravity ?? null,
  };
}
