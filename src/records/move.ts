import { copyFileSync } from "node:fs";
import Database from "better-sqlite3";
import { backUp, checkCopy, type Checked } from "./backup";
import { closeRecords, connect, openCopy, recordsFile } from "./database";
import { isDerived } from "./derived";
import { RecordsFault } from "./disk";
import { quoted } from "./quoted";

/**
 * A whole file of records, with photos and chain, moved into an empty installation while it runs. It is looked at and brought up to date
 * on a copy; then it goes over page by page in one transaction of SQLite's own (its backup interface), and whoever reads in the meantime
 * reads what was there before.
 */

/** Tables that a new installation fills by itself. */
const OWN = ["settings"];

/** Whether nothing was recorded here yet. */
export function isEmpty(folder: string): boolean {
  const { $client: client } = connect(recordsFile(folder));
  try {
    const tables = client.prepare("select name from sqlite_master where type = 'table'").pluck().all() as string[];
    return tables
      .filter((table) => !isDerived(table) && !OWN.includes(table))
      .every(
        (table) =>
          client
            .prepare(`select count(*) from ${quoted(table)}`)
            .pluck()
            .get() === 0,
      );
  } finally {
    client.close();
  }
}

/**
 * Brings a file that came up to date, on a copy of it, and looks at all of it.
 * @param staged where the copy is put
 * @throws RecordsFault that says what is wrong with it
 */
export function stageMove(file: string, staged: string): Checked {
  checkCopy(file);
  copyFileSync(file, staged);
  closeRecords(openCopy(staged));
  return checkCopy(staged);
}

/**
 * Puts a staged file in the place of the empty records here. What was here is backed up first.
 * @throws RecordsFault where something was recorded here meanwhile
 */
export async function takeMove(folder: string, staged: string, now: Date): Promise<void> {
  if (!isEmpty(folder))
    throw new RecordsFault({
      reason: "There are records here.",
      todo: "Move into an installation in which nothing is recorded yet.",
    });
  backUp(folder, now);
  const source = new Database(staged);
  try {
    // Whoever has read what was here must not take it for what is here now.
    const live = new Database(recordsFile(folder), { readonly: true });
    const counts = live.prepare("select kind, n from slice_state").all() as { kind: string; n: number }[];
    live.close();
    const past = source.prepare("update slice_state set n = max(n, ?) + 1 where kind = ?");
    for (const { kind, n } of counts) past.run(n, kind);
    source.pragma("wal_checkpoint(TRUNCATE)");
    await source.backup(recordsFile(folder));
  } finally {
    source.close();
  }
}
