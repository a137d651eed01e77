import { sql } from "drizzle-orm";
import { nanoid } from "nanoid";
import type { Access } from "./access";
import { calendarEvents } from "./schema-season";
import { putSetting, readSetting } from "./settings";

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

/** The sites of which something was told, by the names of their events: the scope, the id, a point. */
export const toldSites = (db: Access, scope: string): string[] => [
  ...new Set(toldEvents(db, scope).map(({ uid }) => uid.slice(scope.length, uid.indexOf(".", scope.length)))),
];

/** A name of this installation, so that two firms' events are never one. */
export const installationOf = (db: Access): string => readSetting(db, "calendar-name") ?? "unnamed";

/** Gives the installation its name, once. */
export function nameInstallation(db: Access, at: string): void {
  if (readSetting(db, "calendar-name") !== undefined) return;
  const made = nanoid(12)
    .toLowerCase()
    .replace(/[^a-z0-9]/g, "0");
  putSetting(db, "calendar-name", made, at);
}
