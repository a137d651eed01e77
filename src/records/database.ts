import { closeSync, fsyncSync, mkdirSync, openSync, readFileSync, rmSync, writeSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import type { Access, Records } from "./access";
import { damaged, diskFaultOf, RecordsFault } from "./disk";
import { fillNumbers } from "./applications";
import { chainMissing } from "./chain";
import { nameInstallation } from "./calendar";
import { adoptEvidence, withDigests } from "./evidence";
import { keepStatements } from "./kept-statements";
import { fillNames } from "./names";
import { clearStaging, makePrivate, makePrivately } from "./private";
import { within } from "./prepared";
import * as upkeep from "./schema";
import * as season from "./schema-season";
import * as work from "./schema-work";

const schema = { ...upkeep, ...work, ...season };
export type { Access, Records };

/**
 * All or nothing, with the right to write from the beginning: what is read in it is what it is written beside, also where
 * another process writes to the same file.
 */
export const whole = <T>(db: Access, work: (tx: Access) => T): T =>
  (db as Records).transaction(
    (tx) => {
      within(db, tx);
      return work(tx);
    },
    { behavior: "immediate" },
  );

const MIGRATIONS = path.join("src", "records", "migrations");

/** The one file of the records in their folder. */
export const recordsFile = (folder: string): string => path.join(/*turbopackIgnore: true*/ folder, "careful-gauge.db");

/**
 * Opens the records in a folder. WAL with `synchronous=FULL`: what was acknowledged is on the disk, a kill -9 or a pulled
 * plug notwithstanding. Before the schema of records that exist is changed, a copy is put beside them.
 * @throws RecordsFault where they can't be opened, with the reason and what to do
 */
export function openRecords(folder: string): Records {
  try {
    makePrivately();
    mkdirSync(folder, { recursive: true });
    probe(folder);
    makePrivate(folder);
    clearStaging(folder, true);
    const records = connect(recordsFile(folder));
    try {
      // A page that is damaged is found now, not in the middle of a day.
      if (records.$client.pragma("quick_check(1)", { simple: true }) !== "ok") throw damaged();
      bringUpToDate(records, folder);
    } catch (error) {
      records.$client.close();
      throw error;
    }
    return records;
  } catch (error) {
    const fault = diskFaultOf(error);
    throw fault ? new RecordsFault({ ...fault, reason: `${fault.reason} (${folder})` }) : error;
  }
}

/** A connection with the safety that records need. */
export function connect(file: string): Records {
  makePrivately();
  const client = new Database(file, { timeout: 5000 });
  withDigests(client);
  keepStatements(client);
  client.pragma("journal_mode = WAL");
  client.pragma("synchronous = FULL");
  client.pragma("foreign_keys = ON");
  return drizzle(client, { schema }) as Records;
}

/** Writes a little and takes it away again: a folder that is full or read-only is told of before anybody works. */
function probe(folder: string): void {
  const file = path.join(/*turbopackIgnore: true*/ folder, `.probe-${process.pid}`);
  const handle = openSync(file, "w");
  try {
    writeSync(handle, Buffer.alloc(16_384, 1));
    fsyncSync(handle);
  } finally {
    closeSync(handle);
    rmSync(file, { force: true });
  }
}

/** The migrations of this program, in order. */
export function migrationsKnown(): { readonly folder: string; readonly count: number } {
  const folder = path.join(/*turbopackIgnore: true*/ process.cwd(), MIGRATIONS);
  const journal = JSON.parse(readFileSync(path.join(folder, "meta", "_journal.json"), "utf8")) as { entries: unknown[] };
  return { folder, count: journal.entries.length };
}

/** How many migrations a file has behind it; none where it is new. */
export function migrationsApplied(client: Database.Database): number {
  const known = client.prepare("select count(*) from sqlite_master where name = '__drizzle_migrations'").pluck().get() as number;
  return known ? (client.prepare("select count(*) from __drizzle_migrations").pluck().get() as number) : 0;
}

function bringUpToDate(records: Records, folder: string): void {
  const { folder: migrationsFolder, count } = migrationsKnown();
  const applied = migrationsApplied(records.$client);
  if (applied > count)
    throw new RecordsFault({
      reason: `These records were written by a newer Careful Gauge (${folder}).`,
      todo: "Update it, or name another folder with CAREFUL_GAUGE_DATA.",
    });
  if (applied === count) return fillIn(records);
  if (applied > 0) {
    const copies = path.join(/*turbopackIgnore: true*/ folder, "copies");
    mkdirSync(copies, { recursive: true });
    const stamp = new Date().toISOString().replaceAll(":", "-");
    records.$client.prepare("vacuum into ?").run(path.join(copies, `before-schema-${applied + 1}-${stamp}.db`));
  }
  migrate(records, { migrationsFolder });
  fillIn(records);
  // The tables stand in the file itself from now on, not only in what is written ahead of it.
  records.$client.pragma("wal_checkpoint(TRUNCATE)");
}

/** Opens a file of records that lies anywhere, and brings it up to date as it lies there: one that is no newer than this program. */
export function openCopy(file: string): Records {
  const records = connect(file);
  migrate(records, { migrationsFolder: migrationsKnown().folder });
  fillIn(records);
  return records;
}

/** What records from before must have besides, and what a start that was cut off left. */
function fillIn(records: Records): void {
  nameInstallation(records, new Date().toISOString());
  fillNames(records, new Date().toISOString());
  fillNumbers(records);
  adoptEvidence(records, new Date().toISOString(), chainMissing);
}

/** Closes the records: everything goes into the one file, which may then be copied as it is. */
export function closeRecords(records: Records): void {
  if (!records.$client.open) return;
  try {
    records.$client.pragma("wal_checkpoint(TRUNCATE)");
  } finally {
    records.$client.close();
  }
}

const kept = globalThis as typeof globalThis & { carefulGaugeRecords?: Records };

/** The folder that the scripts set. */
export function recordsFolder(): string {
  const folder = process.env.CAREFUL_GAUGE_DATA;
  if (!folder)
    throw new RecordsFault({
      reason: "No folder of records is named (CAREFUL_GAUGE_DATA).",
      todo: "Start with npm start, npm run dev or npm run demo.",
    });
  return folder;
}

/**
 * The records of this process, opened once; tried anew at the next request where they couldn't be. When the process ends,
 * however it is told to, they are closed.
 */
export function records(): Records {
  if (!kept.carefulGaugeRecords) {
    const opened = openRecords(recordsFolder());
    kept.carefulGaugeRecords = opened;
    process.once("exit", () => closeRecords(opened));
  }
  return kept.carefulGaugeRecords;
}
