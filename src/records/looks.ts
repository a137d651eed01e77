import { and, desc, eq, gte, inArray, lte, sql } from "drizzle-orm";
import type { LookKind, LookText } from "@/formats/looks";
import type { Cursor, Page } from "@/formats/slices";
import type { Access } from "./access";
import { STANDS } from "./applications";
import { asItIs, readRows, type SetAside } from "./aside";
import { pageOf, rowsAfter } from "./page";
import { applications, looks, photos } from "./schema-work";

/** What somebody saw of a zone, with photos: before anything went down, and when it was judged. */

export type LookRow = typeof looks.$inferSelect;

export interface NewLook {
  readonly id: string;
  readonly kind: LookKind;
  readonly siteId: string;
  readonly zoneId: string;
  readonly zone: string;
  readonly labelId: string | null;
  readonly recordId: string | null;
  readonly date: string;
  readonly personId: string | null;
  readonly says: LookText;
}

export const addLook = (db: Access, look: NewLook, now: string): void =>
  void db
    .insert(looks)
    .values({ ...look, createdAt: now })
    .run();

export const findLook = (db: Access, id: string) => db.select({ id: looks.id }).from(looks).where(eq(looks.id, id)).get();

/** What was seen, newest first. */
export function looksPage(
  db: Access,
  { siteId }: { readonly siteId?: string | undefined },
  after: Cursor | undefined,
  most: number,
  aside?: SetAside[],
): Page<LookRow> {
  const { date, createdAt, id } = looks;
  const found = db
    .select()
    .from(looks)
    .where(and(siteId === undefined ? undefined : eq(looks.siteId, siteId), rowsAfter([date, createdAt, id], after)))
    .orderBy(desc(date), desc(createdAt), desc(id))
    .limit(most + 1)
    .all();
  const page = pageOf(found, most, (row) => [row.date, row.createdAt, row.id]);
  return { ...page, rows: readRows("look at a zone", page.rows, asItIs, aside) };
}

/** The last scouting of a zone up to a day. */
export const scoutedBefore = (db: Access, siteId: string, zoneId: string, day: string) =>
  readRows(
    "look at a zone",
    db
      .select()
      .from(looks)
      .where(and(eq(looks.siteId, siteId), eq(looks.zoneId, zoneId), eq(looks.kind, "scout"), lte(looks.date, day)))
      .orderBy(desc(looks.date), desc(looks.createdAt))
      .limit(1)
      .all(),
    asItIs,
  )[0];

/** The inspections of a zone since a day, of one product or of all, newest first. */
export const inspectedSince = (db: Access, siteId: string, zoneId: string, labelId: string | null, day: string) =>
  readRows(
    "look at a zone",
    db
      .select()
      .from(looks)
      .where(
        and(
          eq(looks.siteId, siteId),
          eq(looks.zoneId, zoneId),
          eq(looks.kind, "inspection"),
          labelId === null ? undefined : eq(looks.labelId, labelId),
          gte(looks.date, day),
        ),
      )
      .orderBy(desc(looks.date), desc(looks.createdAt))
      .limit(20)
      .all(),
    asItIs,
  );

/** The day on which what went down was last looked at; none where nobody did. */
const LAST_LOOK = sql<string | null>`(select max(l.date) from ${looks} l where l.site_id = ${applications.siteId}
  and l.zone_id = ${applications.zoneId} and l.label_id = ${applications.labelId} and l.kind = 'inspection'
  and l.date >= ${applications.date})`;

/** What stands as down of some products between two days, newest first, with the day on which it was last looked at. */
export const downBetween = (db: Access, labelIds: readonly string[], from: string, to: string, most: number) =>
  db
    .select({
      id: applications.id,
      date: applications.date,
      siteId: applications.siteId,
      zoneId: applications.zoneId,
      zone: applications.zone,
      labelId: applications.labelId,
      product: applications.product,
      lastLook: LAST_LOOK,
    })
    .from(applications)
    .where(and(inArray(applications.labelId, [...labelIds]), gte(applications.date, from), lte(applications.date, to), STANDS))
    .orderBy(desc(applications.date))
    .limit(most)
    .all();

/** Whether something went down on a zone after a day. */
export const treatedAfter = (db: Access, siteId: string, zoneId: string, day: string): boolean =>
  db
    .select({ id: applications.id })
    .from(applications)
    .where(and(eq(applications.siteId, siteId), eq(applications.zoneId, zoneId), sql`${applications.date} > ${day}`, STANDS))
    .limit(1)
    .get() !== undefined;

/** Looks since a day that plan another treatment, newest first. */
export const withFollowUp = (db: Access, since: string, most: number) =>
  readRows(
    "look at a zone",
    db
      .select()
      .from(looks)
      .where(
        and(
          gte(looks.date, since),
          sql`case when json_valid(${looks.says}) then json_extract(${looks.says}, '$.followUp') is not null end`,
        ),
      )
      .orderBy(desc(looks.date))
      .limit(most)
      .all(),
    asItIs,
  );

/** The newest inspections with the records that they judge. */
export const inspections = (db: Access, since: string, most: number) =>
  readRows(
    "look at a zone",
    db
      .select({ look: looks, record: applications })
      .from(looks)
      .innerJoin(applications, eq(applications.id, looks.recordId))
      .where(and(eq(looks.kind, "inspection"), gte(looks.date, since)))
      .orderBy(desc(looks.date), desc(looks.createdAt))
      .limit(most)
      .all()
      .map(({ look, record }) => ({ ...look, record })),
    asItIs,
  );

export const addPhoto = (
  db: Access,
  photo: { readonly id: string; readonly lookId: string; readonly bytes: Buffer },
  now: string,
) =>
  void db
    .insert(photos)
    .values({ ...photo, plain: true, createdAt: now })
    .run();

export const findPhoto = (db: Access, id: string) =>
  db.select({ bytes: photos.bytes, plain: photos.plain }).from(photos).where(eq(photos.id, id)).get();

/** The photos of some looks, by the look, in the order in which they came. */
export function photosOf(db: Access, lookIds: readonly string[]): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, string[]>();
  if (lookIds.length === 0) return found;
  for (const { id, lookId } of db
    .select({ id: photos.id, lookId: photos.lookId })
    .from(photos)
    .where(inArray(photos.lookId, [...lookIds]))
    .orderBy(photos.createdAt)
    .all())
    found.set(lookId, [...(found.get(lookId) ?? []), id]);
  return found;
}
