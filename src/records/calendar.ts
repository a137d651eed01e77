import { sql } from "drizzle-orm";
import type { Access } from "./access";
import { calendarEvents } from "./schema-season";

/** What a calendar was told last. */

export type ToldEvent = typeof calendarEvents.$inferSelect;

/** All that was told of events whose names begin so. */
export const toldEvents = (db: Access, prefix: string): ToldEvent[] =>
  db
    .select()
    .from(calendarEvents)
    .where(sql`substr(${calendarEvents.uid}, 1, ${prefix.length}) = ${prefix}`)
    .all();

export const tellEvent = (db: Access, event: ToldEvent): void => {
  const { uid: _, ...set } = event;
  db.insert(calendarEvents).values(event).onConflictDoUpdate({ target: calendarEvents.uid, set }).run();
};
