import { and, asc, count, eq, isNotNull, sql } from "drizzle-orm";
import type { Access } from "./access";
import { asItIs, readRows, type SetAside } from "./aside";
import { applications } from "./schema-work";
import { deliveries } from "./schema-season";
import { STANDS } from "./applications";

/** Packages that came, with their lots. */

export type DeliveryRow = typeof deliveries.$inferSelect;

export const addDelivery = (db: Access, row: Omit<DeliveryRow, "createdAt">, now: string): void =>
  void db
    .insert(deliveries)
    .values({ ...row, createdAt: now })
    .run();

export const findDelivery = (db: Access, id: string): DeliveryRow | undefined =>
  db.select().from(deliveries).where(eq(deliveries.id, id)).get();

/** What puts a delivery right; undefined where nothing does. */
export const correctionOfDelivery = (db: Access, id: string) =>
  db.select({ id: deliveries.id }).from(deliveries).where(eq(deliveries.corrects, id)).limit(1).get();

/** When a delivery was noted first, whatever put it right since. */
function notedAt(db: Access, row: DeliveryRow): string {
  let first = row;
  for (let before = row.corrects; before !== null; before = first.corrects) {
    const was = findDelivery(db, before);
    if (!was) break;
    first = was;
  }
  return first.createdAt;
}

/** How many deliveries have a price. */
export const pricesPaid = (db: Access): number =>
  db.select({ n: count() }).from(deliveries).where(isNotNull(deliveries.price)).get()!.n;

/** The deliveries of a product that stand, oldest first; each with when it was noted first. */
export const deliveriesOf = (db: Access, labelId: string, aside?: SetAside[]): (DeliveryRow & { readonly noted: string })[] =>
  readRows(
    "delivery",
    db
      .select()
      .from(deliveries)
      .where(
        and(eq(deliveries.labelId, labelId), sql`not exists (select 1 from ${deliveries} c where c.corrects = ${deliveries.id})`),
      )
      .orderBy(asc(deliveries.came), asc(deliveries.createdAt))
      .all()
      .map((row) => ({ ...row, name: row.lot, noted: notedAt(db, row) })),
    asItIs,
    aside,
  );

/** As many lawns as a recall names. */
const MOST = 2000;

/** What went down of a product since a day, with the lot that was noted of it. */
export const lotsDown = (db: Access, labelId: string, since: string) =>
  db
    .select({
      id: applications.id,
      date: applications.date,
      siteId: applications.siteId,
      zone: applications.zone,
      lot: sql<string | null>`json_extract(${applications.facts}, '$.lot')`,
    })
    .from(applications)
    .where(and(eq(applications.labelId, labelId), sql`${applications.date} >= ${since}`, STANDS))
    .orderBy(asc(applications.date))
    .limit(MOST)
    .all();
