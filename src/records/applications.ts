import { and, asc, desc, eq, gt, gte, inArray, isNull, lte, or, sql, type SQL } from "drizzle-orm";
import { isDate } from "@/core/calendar";
import { entered, parseAs, type Entered } from "@/core/quantity/parse";
import { plainNumber } from "@/core/quantity/plain";
import { valueIn } from "@/core/quantity/quantity";
import { canonical, fromCanonical } from "@/core/quantity/arithmetic";
import type { ActiveText } from "@/formats/card/card";
import type { FactsText } from "@/formats/facts";
import type { Cursor, Page } from "@/formats/slices";
import { asItIs, readRow, readRows, RecordUnreadable, type BrokenRecord, type SetAside } from "./aside";
import type { Access } from "./access";
import { once } from "./prepared";
import { pageOf, rowsAfter } from "./page";
import {
  RESTRICTED,
  RIG_THEN,
  ROUND_THEN,
  applications,
  dismissals,
  mixSheets,
  sheetSites,
  stillOpen,
  withdrawals,
} from "./schema-work";

export type ApplicationRow = typeof applications.$inferSelect;

export interface NewApplication {
  readonly id: string;
  readonly date: string;
  readonly siteId: string;
  readonly zoneId: string;
  readonly zone: string;
  readonly area: Entered<"area">;
  readonly product: string;
  readonly labelId: string | null;
  readonly rate: string;
  readonly total: string;
  readonly actives: readonly ActiveText[];
  readonly gravity: string | null;
  readonly personId: string | null;
  readonly source: "hand" | "sheet" | "file";
  readonly sheetId: string | null;
  readonly note: string | null;
  readonly why: string | null;
  readonly alsoOn: string | null;
  readonly corrects: string | null;
  readonly isVoid: boolean;
  readonly facts: FactsText | null;
  /** The ground that it went down on. */
  readonly covered: Entered<"area">;
  /** The granules that it comes from. */
  readonly spreadingId?: string | null;
}

/** A rate and a total as numbers, for sums and CHECKs in the database; none where a text can't be read. */
function numbersOf({ rate, total }: Pick<ApplicationRow, "rate" | "total">) {
  const perArea = parseAs<"rateByWeight" | "rateByVolume">(rate, ["rateByWeight", "rateByVolume"]);
  const amount = parseAs<"mass" | "volume">(total, ["mass", "volume"]);
  if (!perArea.ok || !amount.ok) return {};
  const measured = amount.value.kind === "mass" ? ("mass" as const) : ("volume" as const);
  return { measured, rateCanonical: canonical(perArea.value.value), totalCanonical: canonical(amount.value.value) };
}

const rowOf = (application: NewApplication, createdAt: string) => ({
  ...application,
  ...numbersOf(application),
  coveredM2: canonical(application.covered.value),
  createdAt,
});

/** The ground that a record went down on: as it was told; of a row of before that was kept, what its total is for at its rate. */
export function coveredOf({
  covered,
  area,
  rateCanonical,
  totalCanonical,
}: Pick<ApplicationRow, "covered" | "area" | "rateCanonical" | "totalCanonical">): Entered<"area"> {
  if (covered) return covered;
  if (rateCanonical === null || totalCanonical === null) return area;
  const part = totalCanonical / rateCanonical / canonical(area.value);
  if (Math.abs(part - 1) <= ROUNDED) return area;
  return entered(`${plainNumber(valueIn(area.value, "ft2") * part)} ft2`, "area");
}
/** What the texts of a rate and a total round off, as a part. */
const ROUNDED = 1e-3;

/**
 * Puts a record on the log.
 * @throws RecordUnreadable where it couldn't be read again: nothing is kept that can't be counted
 */
export function addApplication(db: Access, application: NewApplication, now: string): void {
  db.insert(applications).values(rowOf(application, now)).run();
  findApplication(db, application.id);
}

/** Many at once, as a file brings them: a statement for a few hundred rows, not one for each. @throws RecordUnreadable as with one */
export function addApplications(db: Access, list: readonly NewApplication[], now: string): void {
  const AT_ONCE = 200;
  for (let i = 0; i < list.length; i += AT_ONCE) {
    const some = list.slice(i, i + AT_ONCE);
    db.insert(applications)
      .values(some.map((application) => rowOf(application, now)))
      .run();
    const unread: SetAside[] = [];
    const ids = some.map(({ id }) => id);
    readRows(OF_LOG, db.select().from(applications).where(inArray(applications.id, ids)).all(), recordOf, unread);
    if (unread[0]) throw new RecordUnreadable(unread[0]);
  }
}

/** Rows from before their numbers were kept get them; one that can't be read stays without. */
export function fillNumbers(db: Access): void {
  const { id, rate, total } = applications;
  for (const row of db.select({ id, rate, total }).from(applications).where(isNull(applications.totalCanonical)).all()) {
    const numbers = numbersOf(row);
    if (numbers.measured) db.update(applications).set(numbers).where(eq(id, row.id)).run();
  }
}

/** Which of some ids are on record. */
export function onRecord(db: Access, ids: readonly string[]): ReadonlySet<string> {
  const AT_ONCE = 500;
  const found = new Set<string>();
  for (let i = 0; i < ids.length; i += AT_ONCE)
    for (const { id } of db
      .select({ id: applications.id })
      .from(applications)
      .where(inArray(applications.id, ids.slice(i, i + AT_ONCE)))
      .all())
      found.add(id);
  return found;
}

/** As it stands, once it is sure that it can be counted: a total and a rate that can be read, a date that there is. */
function recordOf<R extends ApplicationRow>(row: R): R {
  if (!isDate(row.date)) throw new Error(`date: "${row.date}" is no date`);
  if (!numbersOf(row).measured) throw new Error(`"${row.rate}", "${row.total}": no amount`);
  return row;
}

/** The raw columns of a record that count, each of them plain. */
type RawRecord = Record<keyof BrokenRecord | "id", unknown> & { readonly rateCanonical: unknown; readonly measured: unknown };

/** What a broken record says still. */
function brokenOf(row: RawRecord): BrokenRecord {
  const text = (value: unknown): string | undefined => (typeof value === "string" ? value : undefined);
  const rate = parseAs<"rateByWeight" | "rateByVolume">(text(row.rate) ?? "", ["rateByWeight", "rateByVolume"]);
  const { rateCanonical: number, measured } = row;
  const kept = typeof number === "number" && number > 0 ? rateOf(number, measured) : undefined;
  const date = text(row.date);
  return {
    date: date !== undefined && isDate(date) ? date : undefined,
    siteId: text(row.siteId) ?? "",
    zoneId: text(row.zoneId) ?? "",
    zone: text(row.zone) ?? "",
    product: text(row.product) ?? "",
    labelId: text(row.labelId) ?? null,
    rate: rate.ok ? rate.value.text : kept,
    sheetId: text(row.sheetId) ?? null,
    spreadingId: text(row.spreadingId) ?? null,
    personId: text(row.personId) ?? null,
  };
}

/** A rate that is known by its number alone, as a job file writes it. */
function rateOf(number: number, measured: unknown): string | undefined {
  const text = (value: number, unit: string) => `${plainNumber(Number(value.toPrecision(12)))} ${unit}`;
  if (measured === "mass") return text(valueIn(fromCanonical<"rateByWeight">(number), "oz/1000 ft2"), "oz/1000 ft2");
  if (measured === "volume") return text(valueIn(fromCanonical<"rateByVolume">(number), "fl oz/1000 ft2"), "fl oz/1000 ft2");
  return undefined;
}

const OF_LOG = "record of the log";

/** Records of the log → values; those that can't be read go into `aside` with what can be told of them. */
function readRecords<R extends { readonly id: string }>(
  db: Access,
  rows: readonly R[],
  make: (row: R) => R,
  aside: SetAside[] | undefined,
): R[] {
  const broken: SetAside[] = [];
  const read = readRows(OF_LOG, rows, make, broken);
  if (aside && broken.length > 0) aside.push(...broken.map((one) => withRecord(db, one)));
  return read;
}

const withRecord = (db: Access, one: SetAside): SetAside => {
  const row = rawRecord(db, one.id);
  return row ? { ...one, record: row } : one;
};

/** What can be told of one record, read as it lies. */
function rawRecord(db: Access, id: string): BrokenRecord | undefined {
  const { date, siteId, zoneId, zone, product, labelId, rate, sheetId, spreadingId, personId } = applications;
  const plain = { id: applications.id, date, siteId, zoneId, zone, product, labelId, rate, sheetId, spreadingId, personId };
  const { rateCanonical, measured } = applications;
  const row = db
    .select({ ...plain, rateCanonical, measured })
    .from(applications)
    .where(eq(applications.id, id))
    .get();
  return row && brokenOf(row);
}

/** A record that is to be corrected: as it stands, or what can be told of it where it can't be read. */
export function findToCorrect(db: Access, id: string): { readonly old?: ApplicationRow; readonly broken?: BrokenRecord } {
  try {
    const old = findApplication(db, id);
    return old ? { old } : {};
  } catch (error) {
    if (!(error instanceof RecordUnreadable)) throw error;
    const broken = rawRecord(db, id);
    return broken ? { broken } : {};
  }
}

export const findApplication = (db: Access, id: string): ApplicationRow | undefined =>
  readRow(OF_LOG, db.select().from(applications).where(eq(applications.id, id)).get(), recordOf);

/** Some records, by their ids. */
export const applicationsById = (db: Access, ids: readonly string[]): ApplicationRow[] =>
  ids.length === 0
    ? []
    : readRows(
        OF_LOG,
        db
          .select()
          .from(applications)
          .where(inArray(applications.id, [...ids]))
          .all(),
        recordOf,
      );

/** What corrects a record; undefined where nothing does. */
export const correctionOf = (db: Access, id: string) =>
  db.select({ id: applications.id }).from(applications).where(eq(applications.corrects, id)).get();

/** Which records of the log: all, or those of which all of this holds. */
export interface LogQuery {
  readonly siteId?: string | undefined;
  readonly labelId?: string | undefined;
  readonly personId?: string | undefined;
  /** The name of an active. */
  readonly active?: string | undefined;
  /** Of restricted-use products alone. */
  readonly restricted?: boolean | undefined;
  /** The name of a rig, as it was then. */
  readonly rig?: string | undefined;
  /** ISO days, both of them in. */
  readonly from?: string | undefined;
  readonly to?: string | undefined;
}

const CORRECTED = sql`exists (select 1 from ${applications} c where c.corrects = ${applications.id})`;
export const STANDS = and(eq(applications.isVoid, false), sql`not ${CORRECTED}`);

export type LoggedRow = ApplicationRow & {
  /** Something corrects it. */
  readonly corrected: boolean;
};

function asked({ siteId, labelId, personId, active, restricted, rig, from, to }: LogQuery): SQL | undefined {
  return and(
    siteId === undefined ? undefined : eq(applications.siteId, siteId),
    labelId === undefined ? undefined : eq(applications.labelId, labelId),
    personId === undefined ? undefined : eq(applications.personId, personId),
    active === undefined
      ? undefined
      : sql`${applications.id} in (select record_id from record_actives where active = lower(${active}))`,
    restricted === true ? RESTRICTED : undefined,
    rig === undefined ? undefined : sql`${RIG_THEN} = ${rig}`,
    from === undefined ? undefined : gte(applications.date, from),
    to === undefined ? undefined : lte(applications.date, to),
  );
}

/** A page of the log, newest first, those that were corrected too. @param after where the last page ended */
export function applicationsPage(
  db: Access,
  query: LogQuery,
  after: Cursor | undefined,
  most: number,
  aside?: SetAside[],
): Page<LoggedRow> {
  const { date, createdAt, id } = applications;
  const found = db
    .select({ row: applications, corrected: sql<number>`${CORRECTED}` })
    .from(applications)
    .where(and(asked(query), rowsAfter([date, createdAt, id], after)))
    .orderBy(desc(date), desc(createdAt), desc(id))
    .limit(most + 1)
    .all()
    .map(({ row, corrected }) => ({ ...row, corrected: corrected === 1 }));
  const page = pageOf(found, most, (row) => [row.date, row.createdAt, row.id]);
  return { ...page, rows: readRecords(db, page.rows, recordOf, aside) };
}

/**
 * How much of each product stands as down, of what is asked for, as it was recorded: rows of one name and one list of actives
 * are added up. @param query with both days: what it looks through is what lies between them
 */
export function totalsDown(db: Access, query: LogQuery & { readonly from: string; readonly to: string }, aside?: SetAside[]) {
  const { product, actives, gravity, measured, totalCanonical } = applications;
  const rows = db
    .select({
      id: sql<string>`min(${applications.id})`,
      product,
      actives,
      gravity,
      measured,
      total: sql<number>`sum(${totalCanonical})`,
      count: sql<number>`count(*)`,
    })
    .from(applications)
    .where(and(asked(query), STANDS))
    .groupBy(product, actives, gravity, measured)
    .all();
  return readRows(OF_LOG, rows, asItIs, aside);
}

/** Every row of the log, for whoever looks at all of it. */
export const allApplications = (db: Access, aside?: SetAside[]): ApplicationRow[] =>
  readRows(OF_LOG, db.select().from(applications).all(), recordOf, aside);

/**
 * What stands as down on some sites since a day: neither corrected, wherever the correction lies, nor void.
 * @param since ISO day: what counts on no day from it on is left out
 */
export function standingApplications(
  db: Access,
  siteIds: readonly string[],
  since: string,
  aside?: SetAside[],
): ApplicationRow[] {
  const rows = db
    .select()
    .from(applications)
    .where(
      and(inArray(applications.siteId, [...siteIds]), or(gte(applications.date, since), gte(applications.alsoOn, since)), STANDS),
    )
    .orderBy(asc(applications.date))
    .all();
  return readRecords(db, rows, recordOf, aside);
}

/** More than goes down in some days. */
const MOST_SINCE = 20_000;

/** What stands as down since a day, newest first. @param since ISO day */
export function downSince(db: Access, since: string, aside?: SetAside[]): ApplicationRow[] {
  const { date, createdAt, id } = applications;
  const rows = db
    .select()
    .from(applications)
    .where(and(gte(date, since), STANDS))
    .orderBy(desc(date), desc(createdAt), desc(id))
    .limit(MOST_SINCE)
    .all();
  return readRows(OF_LOG, rows, recordOf, aside);
}

/**
 * The same, of all sites and as little of each record as a limit counts: what a year is laid out beside. Its amounts were read when
 * they were kept.
 */
export function countedSince(db: Access, since: string, aside?: SetAside[]) {
  const { id, date, alsoOn, siteId, zoneId, zone, product, labelId, rate, actives, gravity, rateCanonical } = applications;
  const rows = once(db, "counted since", (of) =>
    of
      .select({ id, date, alsoOn, siteId, zoneId, zone, product, labelId, rate, actives, gravity, rateCanonical })
      .from(applications)
      .where(and(or(gte(date, sql.placeholder("since")), gte(alsoOn, sql.placeholder("since"))), STANDS))
      .orderBy(desc(date), desc(applications.createdAt), desc(id))
      .limit(sql.placeholder("most"))
      .prepare(),
  ).all({ since, most: MOST_SINCE * 50 });
  const read = (row: (typeof rows)[number]) => {
    if (!isDate(row.date)) throw new Error(`date: "${row.date}" is no date`);
    if (row.rateCanonical === null) throw new Error(`"${row.rate}": no amount`);
    return row;
  };
  return readRecords(db, rows, read, aside);
}

/**
 * How much of a product went down since its shelf was counted, g or mL.
 * @param names what it is or was called, for rows that know it by name only
 */
export function usedSince(
  db: Access,
  labelId: string,
  names: readonly string[],
  measured: "mass" | "volume",
  since: string,
): number {
  const sum = (which: SQL | undefined): number =>
    db
      .select({ sum: sql<number>`coalesce(sum(${applications.totalCanonical}), 0)` })
      .from(applications)
      .where(and(which, gt(applications.createdAt, since), eq(applications.measured, measured), STANDS))
      .get()!.sum;
  const byName = and(isNull(applications.labelId), inArray(applications.product, [...names]));
  return sum(eq(applications.labelId, labelId)) + (names.length > 0 ? sum(byName) : 0);
}

export const recordsOfSheet = (db: Access, sheetId: string) =>
  db
    .select({
      id: applications.id,
      date: applications.date,
      corrects: applications.corrects,
      product: applications.product,
      zone: applications.zone,
      total: applications.total,
    })
    .from(applications)
    .where(eq(applications.sheetId, sheetId))
    .all();

/** @param became where something had been poured: what became of it */
export function withdrawSheet(db: Access, sheetId: string, became: string | null, at: string): void {
  db.insert(withdrawals).values({ sheetId, became, at }).onConflictDoNothing().run();
}

export const withdrawalOf = (db: Access, sheetId: string) =>
  db.select().from(withdrawals).where(eq(withdrawals.sheetId, sheetId)).get();

/** The open sheets of some sites: neither on record nor withdrawn. */
export function openSheets(db: Access, siteIds: readonly string[], aside?: SetAside[]) {
  const here = db
    .select({ id: sheetSites.sheetId })
    .from(sheetSites)
    .innerJoin(stillOpen, and(eq(stillOpen.kind, "sheet"), eq(stillOpen.recordId, sheetSites.sheetId)))
    .where(inArray(sheetSites.siteId, [...siteIds]));
  return readRows("mix sheet", db.select().from(mixSheets).where(inArray(mixSheets.id, here)).all(), asItIs, aside);
}

export interface Dismissal {
  readonly field: string;
  readonly slip: (typeof dismissals.$inferSelect)["slip"];
  readonly typed: string;
  readonly reason: string;
}

/** Keeps what was asked about and meant, beside the record. */
export function addDismissals(db: Access, recordId: string, list: readonly Dismissal[], at: string): void {
  for (const one of list)
    db.insert(dismissals)
      .values({ recordId, ...one, at })
      .onConflictDoNothing()
      .run();
}

/** What was meant, of some records. */
export const dismissalsOf = (db: Access, recordIds: readonly string[]) =>
  db
    .select()
    .from(dismissals)
    .where(inArray(dismissals.recordId, [...recordIds]))
    .all();

/** What went down of a product on a zone, as rounds of the program are held against it. */
export interface ZoneDown {
  readonly id: string;
  readonly siteId: string;
  readonly zoneId: string;
  readonly zone: string;
  readonly date: string;
  readonly createdAt: string;
  readonly labelId: string;
  /** g or mL for a square metre; null where it can't be read. */
  readonly rate: number | null;
  /** The zone as it was then, or the ground of a spot, as entered. */
  readonly area: string;
  readonly coveredM2: number;
  /** The round that it was mixed for. */
  readonly roundId?: string | undefined;
}

/** What went down of a product since a day, zone by zone. What was corrected or struck doesn't count. */
export function zonesDown(db: Access, labelId: string, since: string): ZoneDown[] {
  const rows = once(db, "zones down", (of) =>
    of
      .select({
        id: applications.id,
        siteId: applications.siteId,
        zoneId: applications.zoneId,
        zone: applications.zone,
        date: applications.date,
        createdAt: applications.createdAt,
        rate: applications.rateCanonical,
        area: sql<string>`${applications.area}`,
        // A record of before its ground was kept: what its total is at its rate.
        covered: sql<
          number | null
        >`coalesce(${applications.coveredM2}, ${applications.totalCanonical} / nullif(${applications.rateCanonical}, 0))`,
        round: ROUND_THEN,
      })
      .from(applications)
      .where(and(eq(applications.labelId, sql.placeholder("labelId")), gte(applications.date, sql.placeholder("since")), STANDS))
      .prepare(),
  ).all({ labelId, since });
  return readRows(OF_LOG, rows, ({ covered, round, ...row }) => ({
    ...row,
    labelId,
    coveredM2: covered ?? 0,
    ...(round !== null && { roundId: round }),
  }));
}
