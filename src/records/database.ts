import { mkdirSync, readFileSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import { drizzle, type BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import * as upkeep from "./schema";
import * as work from "./schema-work";

const schema = { ...upkeep, ...work };
export type Records = BetterSQLite3Database<typeof schema> & { $client: Database.Database };

/** Only a whole transaction, or the records themselves, may be handed to a query. */
export type Access = Records | Parameters<Parameters<Records["transaction"]>[0]>[0];

const MIGRATIONS = path.join("src", "records", "migrations");

/**
 * Opens the records in a folder. WAL with `synchronous=FULL`: what was acknowledged is on the disk, a kill -9 or a pulled
 * plug notwithstanding. Before the schema of records that exist is changed, a copy is put beside them.
 */
export function openRecords(folder: string): Records {
  mkdirSync(folder, { recursive: true });
  const file = path.join(/*turbopackIgnore: true*/ folder, "careful-gauge.db");
  const client = new Database(file, { timeout: 5000 });
  client.pragma("journal_mode = WAL");
  client.pragma("synchronous = FULL");
  client.pragma("foreign_keys = ON");
  const records = drizzle(client, { schema }) as Records;
  bringUpToDate(records, folder);
  return records;
}

function bringUpToDate(records: Records, folder: string): void {
  const migrationsFolder = path.join(/*turbopackIgnore: true*/ process.cwd(), MIGRATIONS);
  const journal = JSON.parse(readFileSync(path.join(migrationsFolder, "meta", "_journal.json"), "utf8")) as {
    entries: unknown[];
  };
  const known = records.$client
    .prepare("select count(*) from sqlite_master where name = '__drizzle_migrations'")
    .pluck()
    .get() as number;
  const applied = known ? (records.$client.prepare("select count(*) from __drizzle_migrations").pluck().get() as number) : 0;
  if (applied === journal.entries.length) return;
  if (applied > journal.entries.length)
    throw new Error("These records were written by a newer Careful Gauge. Update it, or use another data folder.");
  if (applied > 0) {
    const copies = path.join(/*turbopackIgnore: true*/ folder, "copies");
    mkdirSync(copies, { recursive: true });
    const stamp = new Date().toISOString().replaceAll(":", "-");
    records.$client.prepare("vacuum into ?").run(path.join(copies, `before-schema-${applied + 1}-${stamp}.db`));
  }
  migrate(records, { migrationsFolder });
}

const kept = globalThis as typeof globalThis & { carefulGaugeRecords?: Records };

/** The records of this process, opened once. The folder comes from CAREFUL_GAUGE_DATA, which the scripts set. */
export function records(): Records {
  if (!kept.carefulGaugeRecords) {
    const folder = process.env.CAREFUL_GAUGE_DATA;
    if (!folder) throw new Error("CAREFUL_GAUGE_DATA is not set: start with npm start, npm run dev or npm run demo.");
    kept.carefulGaugeRecords = openRecords(folder);
  }
  return kept.carefulGaugeRecords;
}
