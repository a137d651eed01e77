import { eq } from "drizzle-orm";
import type { Access } from "./access";
import { revisions, settings } from "./schema";

/** What the firm has settled for all its devices. */
export const SETTINGS = ["time-zone", "site-columns", "program"] as const;
export type Setting = (typeof SETTINGS)[number];

export const readSetting = (db: Access, key: Setting): string | undefined =>
  db.select({ value: settings.value }).from(settings).where(eq(settings.key, key)).get()?.value;

export function putSetting(db: Access, key: Setting, value: string, at: string): void {
  db.insert(settings).values({ key, value, at }).onConflictDoUpdate({ target: settings.key, set: { value, at } }).run();
}

/** As {@link putSetting}; what stood before stays on record. */
export function changeSetting(db: Access, key: Setting, value: string, at: string): void {
  const was = readSetting(db, key);
  if (was === value) return;
  if (was !== undefined) db.insert(revisions).values({ kind: key, recordId: key, was, at }).run();
  putSetting(db, key, value, at);
}
