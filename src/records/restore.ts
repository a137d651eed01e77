import { copyFileSync, existsSync, mkdirSync, renameSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import { checkCopy, stampOf, type Checked } from "./backup";
import { recordsFile } from "./database";
import { RecordsFault } from "./disk";
import { makePrivate, makePrivately } from "./private";

/**
 * Puts a copy in the place of the records. It is checked before anything is touched, and what it replaces is kept under
 * `replaced`.
 * @returns where the former records are now; null where there were none
 * @throws RecordsFault where the copy is no good, or the records are in use
 */
export function restore(folder: string, from: string, now: Date): { readonly replaced: string | null } & Checked {
  const checked = checkCopy(from);
  const file = recordsFile(folder);
  makePrivately();
  mkdirSync(folder, { recursive: true });
  let replaced: string | null = null;
  copyFileSync(from, `${file}.new`);
  if (existsSync(file)) {
    release(file);
    const into = path.join(folder, "replaced");
    mkdirSync(into, { recursive: true });
    replaced = path.join(into, `careful-gauge-${stampOf(now)}.db`);
    for (const end of ["", "-wal", "-shm"]) if (existsSync(`${file}${end}`)) renameSync(`${file}${end}`, `${replaced}${end}`);
  }
  renameSync(`${file}.new`, file);
  makePrivate(folder);
  return { replaced, ...checked };
}

/** Makes sure that nobody has the records open: only the last connection can leave the write-ahead log. */
function release(file: string): void {
  let client: Database.Database | undefined;
  try {
    client = new Database(file, { timeout: 500 });
    client.pragma("journal_mode = DELETE");
  } catch (error) {
    const code = String((error as { code?: unknown }).code);
    // What can't be read at all is just what is being replaced.
    if (/^SQLITE_(BUSY|LOCKED)/.test(code))
      throw new RecordsFault({ reason: "The records are in use.", todo: "Stop Careful Gauge first, then restore." });
  } finally {
    client?.close();
  }
}
