import { and, asc, eq, gte, inArray, isNull, sql } from "drizzle-orm";
import type { Access } from "./access";
import { asItIs, readRows, type SetAside } from "./aside";
import { waterings } from "./schema-season";

export type NewWatering = Omit<typeof waterings.$inferInsert, "createdAt">;

export const addWatering = (db: Access, watering: NewWatering, now: string): void =>
  void db
    .insert(waterings)
    .values({ ...watering, createdAt: now })
    .run();

export const findWatering = (db: Access, id: string) => db.select().from(waterings).where(eq(waterings.id, id)).get();

/** Whether a row was struck. */
export const isStruck = (db: Access, id: string): boolean =>
  db.select({ id: waterings.id }).from(waterings).where(eq(waterings.strikes, id)).limit(1).get() !== undefined;

/** What was measured on some sites since a moment, and stands. */
export const wateringsSince = (db: Access, siteIds: readonly string[], since: string, aside?: SetAside[]) =>
  readRows(
    "watering",
    db
      .select()
      .from(waterings)
      .where(
        and(
          inArray(waterings.siteId, [...siteIds]),
          gte(waterings.at, since),
          isNull(waterings.strikes),
          sql`not exists (select 1 from ${waterings} s where s.strikes = ${waterings.id} and s.site_id = ${waterings.siteId})`,
        ),
      )
      .orderBy(asc(waterings.at))
      .all(),
    asItIs,
    aside,
  );
