import { and, desc, eq, isNull, sql } from "drizzle-orm";
import type { PracticeEntry } from "@/formats/entries";
import type { Access } from "./access";
import { readRows, type SetAside } from "./aside";
import { practices } from "./schema-season";

export type NewPractice = Omit<typeof practices.$inferInsert, "createdAt">;

export const addPractice = (db: Access, practice: NewPractice, now: string): void =>
  void db
    .insert(practices)
    .values({ ...practice, createdAt: now })
    .run();

export const findPractice = (db: Access, id: string) => db.select().from(practices).where(eq(practices.id, id)).get();

export const isPracticeStruck = (db: Access, id: string): boolean =>
  db.select({ id: practices.id }).from(practices).where(eq(practices.strikes, id)).limit(1).get() !== undefined;

/** As many of a person's as are looked at: some years of it. */
const MOST = 600;

/** What a person practised and stands, newest first. */
export const practicesOf = (db: Access, personId: string, aside?: SetAside[]): PracticeEntry[] =>
  readRows(
    "practice",
    db
      .select()
      .from(practices)
      .where(
        and(
          eq(practices.personId, personId),
          isNull(practices.strikes),
          sql`not exists (select 1 from ${practices} s where s.strikes = ${practices.id})`,
        ),
      )
      .orderBy(desc(practices.createdAt), desc(practices.id))
      .limit(MOST)
      .all(),
    ({ id, rigId, ground, what, createdAt }) => ({ id, personId, rigId, ground, what, at: createdAt }),
    aside,
  );
