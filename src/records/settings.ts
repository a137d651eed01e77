import { and, count, eq } from "drizzle-orm";
import { lineFor, type Result } from "@/core/issue";
import { parseJson } from "@/formats/json-file";
import type { Access } from "./access";
import type { SetAside } from "./aside";
import { revisions, settings } from "./schema";

/** What the firm has settled for all its devices. */
export const SETTINGS = [
  "time-zone",
  "time-zone-why",
  "site-columns",
  "program",
  "calendar-name",
  "local-rules",
  "currency",
  "currency-why",
  "numbers",
] as const;
export type Setting = (typeof SETTINGS)[number];

export const readSetting = (db: Access, key: Setting): string | undefined =>
  db.select({ value: settings.value }).from(settings).where(eq(settings.key, key)).get()?.value;

/**
 * A setting that is kept as JSON; undefined where there is none. What can't be read (a file of all records may bring anything) is
 * set aside, and is none: settling it anew mends it.
 */
export function readSettingAs<T>(
  db: Access,
  key: Setting,
  readAs: (told: unknown) => Result<T>,
  aside?: SetAside[],
): T | undefined {
  const raw = readSetting(db, key);
  if (raw === undefined) return undefined;
  const json = parseJson(raw, "JSON");
  const read = json.ok ? readAs(json.value) : json;
  if (read.ok) return read.value;
  aside?.push({ of: "setting", id: key, name: key, reason: lineFor(read.issues[0]!), raw });
  return undefined;
}

/** How often a setting was changed: who saves over a newer one is told. 1 where it was never settled. */
export function settingRevision(db: Access, key: Setting): number {
  const { n } = db
    .select({ n: count() })
    .from(revisions)
    .where(and(eq(revisions.kind, key), eq(revisions.recordId, key)))
    .get()!;
  return readSetting(db, key) === undefined ? 1 : n + 2;
}

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
