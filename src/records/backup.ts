import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, renameSync, rmSync, statSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import { connect, migrationsApplied, migrationsKnown, recordsFile } from "./database";
import { isDerived } from "./derived";
import { RecordsFault } from "./disk";
import { headOf } from "./evidence";
import { quoted } from "./quoted";

/** Copies of the records that are known to be whole. */

const FOLDER = "backups";
/** When it was made, and how the head of its chain begins: whoever has the list of names has the heads outside the files. */
const NAME = /^careful-gauge-(\d{4}-\d\d-\d\d)T(\d\d)(\d\d)(\d\d)(?:-[0-9a-f]{12})?\.db$/;

export const backupsFolder = (folder: string): string => path.join(/*turbopackIgnore: true*/ folder, FOLDER);

export interface Checked {
  /** The rows of each table. */
  readonly counts: Readonly<Record<string, number>>;
  /** The last digest of its chain; empty where it has none. */
  readonly head: string;
}

export interface Backup extends Checked {
  readonly file: string;
  readonly bytes: number;
}

function countsOf(client: Database.Database): Record<string, number> {
  const tables = client.prepare("select name from sqlite_master where type = 'table'").pluck().all() as string[];
  return Object.fromEntries(
    tables
      .filter((t) => !isDerived(t))
      .map((t) => [
        t,
        client
          .prepare(`select count(*) from ${quoted(t)}`)
          .pluck()
          .get() as number,
      ]),
  );
}

/**
 * Opens a copy and looks at all of it: whole, every reference leads somewhere, ours, not newer than this program.
 * @throws RecordsFault that says what is wrong with it
 */
export function checkCopy(file: string): Checked {
  const wrong = (reason: string, todo = "Take another copy.") => new RecordsFault({ reason: `${file}: ${reason}`, todo });
  if (!existsSync(file)) throw wrong("there is no such file.");
  let client: Database.Database | undefined;
  try {
    client = new Database(file, { readonly: true, fileMustExist: true });
    const found = client.pragma("integrity_check", { simple: true });
    if (found !== "ok") throw wrong(`it is damaged (${String(found)}).`);
    const applied = migrationsApplied(client);
    if (applied === 0) throw wrong("it holds no records of Careful Gauge.");
    if (applied > migrationsKnown().count) throw wrong("it was written by a newer Careful Gauge.", "Update the program first.");
    if ((client.pragma("foreign_key_check") as unknown[]).length > 0)
      throw wrong("some of its rows refer to others that aren't there.");
    return { counts: countsOf(client), head: headOf(client) };
  } catch (error) {
    if (error instanceof RecordsFault) throw error;
    throw wrong("it can't be read as records.");
  } finally {
    client?.close();
  }
}

export const stampOf = (now: Date) => now.toISOString().slice(0, 19).replaceAll(":", "");

/**
 * Copies the records while they are in use. The copy is opened, checked and counted before it is called one; then those
 * that no schedule asks for any more are cleared away.
 */
export function backUp(folder: string, now: Date): Backup {
  const into = backupsFolder(folder);
  mkdirSync(into, { recursive: true });
  const made = path.join(into, `careful-gauge-${stampOf(now)}.db.part`);
  copyWhole(folder, made);
  try {
    const checked = checkCopy(made);
    const head = checked.head === "" ? "" : `-${checked.head.slice(0, 12)}`;
    const file = path.join(into, `careful-gauge-${stampOf(now)}${head}.db`);
    renameSync(made, file);
    prune(into);
    return { file, bytes: statSync(file).size, ...checked };
  } finally {
    rmSync(made, { force: true });
  }
}

/** One whole copy at a place of its own. @throws RecordsFault where fewer rows arrived than there were */
export function copyWhole(folder: string, file: string): void {
  if (!existsSync(recordsFile(folder)))
    throw new RecordsFault({ reason: `There are no records in ${folder}.`, todo: "Name their folder with CAREFUL_GAUGE_DATA." });
  const { $client: live } = connect(recordsFile(folder));
  try {
    const before = countsOf(live);
    rmSync(file, { force: true });
    live.prepare("vacuum into ?").run(file);
    const handle = openSync(file, "r+");
    fsyncSync(handle);
    closeSync(handle);
    const copy = new Database(file, { readonly: true });
    const there = countsOf(copy);
    copy.close();
    // Tanks are written anew with their rig; everything else only grows.
    const short = Object.keys(before).filter((t) => t !== "tanks" && (there[t] ?? 0) < before[t]!);
    if (short.length > 0) throw new RecordsFault({ reason: `The copy lacks rows of ${short.join(", ")}.`, todo: "Try again." });
  } finally {
    live.close();
  }
}

/** The backups of a folder, newest first. */
export function listBackups(folder: string): { readonly file: string; readonly at: string }[] {
  const into = backupsFolder(folder);
  if (!existsSync(into)) return [];
  return readdirSync(into)
    .filter((name) => NAME.test(name))
    .sort()
    .reverse()
    .map((name) => ({ file: path.join(into, name), at: name.replace(NAME, "$1T$2:$3:$4Z") }));
}

const KEPT = { days: 7, weeks: 4, months: 12 } as const;

/**
 * Which backups are kept: the newest of each of the last 7 days, 4 weeks and 12 months that have one.
 * @param stamps ISO moments, newest first
 */
export function keptBackups(stamps: readonly string[]): string[] {
  const week = (stamp: string) => String(Math.floor((Date.parse(stamp) / 86_400_000 + 3) / 7));
  const newestOf = (most: number, span: (stamp: string) => string) => {
    const spans = new Map<string, string>();
    for (const stamp of stamps) if (!spans.has(span(stamp)) && spans.size < most) spans.set(span(stamp), stamp);
    return [...spans.values()];
  };
  const kept = new Set([
    ...newestOf(KEPT.days, (s) => s.slice(0, 10)),
    ...newestOf(KEPT.weeks, week),
    ...newestOf(KEPT.months, (s) => s.slice(0, 7)),
  ]);
  return stamps.filter((stamp) => kept.has(stamp));
}

function prune(into: string): void {
  const all = listBackups(path.dirname(into));
  const kept = new Set(keptBackups(all.map((one) => one.at)));
  for (const { file, at } of all) if (!kept.has(at)) rmSync(file, { force: true });
}
