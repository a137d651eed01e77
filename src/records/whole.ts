import Database from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { migrationsKnown, type Access, type Records } from "./database";
import { withDigests } from "./evidence";
import { keepStatements } from "./kept-statements";
import * as upkeep from "./schema";
import * as season from "./schema-season";
import * as work from "./schema-work";
import { quoted } from "./quoted";

/** All records as they stand, table by table and row by row: for a file that holds everything, and back. */

export type Row = Readonly<Record<string, string | number | null>>;
export type Tables = Readonly<Record<string, readonly Row[]>>;

const client = (db: Access): Database.Database => (db as Records).$client;

/** The tables of the records, those that others refer to first. */
export const TABLES = [
  "settings",
  "people",
  "rigs",
  "tanks",
  "tips",
  "labels",
  "sites",
  "zones",
  "areas_before",
  "same_ground",
  "record_names",
  "revisions",
  "calibrations",
  "trials",
  "calibration_withdrawals",
  "quick_checks",
  "kit_checks",
  "mix_sheets",
  "sheet_sites",
  "stop_events",
  "fills",
  "ticks",
  "weather_seen",
  "rinses",
  "stock_counts",
  "withdrawals",
  "outcomes",
  "load_ends",
  "spreadings",
  "spreading_ticks",
  "spreading_weather",
  "spreading_ends",
  "applications",
  "looks",
  "incidents",
  "dismissals",
  "planned_days",
  "rounds_given",
  "waterings",
  "deliveries",
  "practices",
  "chains_elsewhere",
  "calendar_events",
  "saved_requests",
] as const;
export type TableName = (typeof TABLES)[number];

/** Every row of every table. */
export const allRows = (db: Records): Tables =>
  Object.fromEntries(
    TABLES.map((t) => [
      t,
      client(db)
        .prepare(`select * from ${quoted(t)} order by rowid`)
        .all() as Row[],
    ]),
  );

export interface TableInfo {
  readonly columns: readonly string[];
  readonly key: readonly string[];
}

export function infoOf(db: Records, table: TableName): TableInfo {
  const info = client(db)
    .prepare(`pragma table_info(${quoted(table)})`)
    .all() as { name: string; pk: number }[];
  return {
    columns: info.map((c) => c.name),
    key: info
      .filter((c) => c.pk > 0)
      .sort((a, b) => a.pk - b.pk)
      .map((c) => c.name),
  };
}

/** The columns of a table, which never change while the program runs. */
const known = new Map<TableName, TableInfo>();
function columnsIn(db: Records, table: TableName, row: Row): string[] {
  const info = known.get(table) ?? infoOf(db, table);
  known.set(table, info);
  const columns = Object.keys(row);
  const strange = columns.find((column) => !info.columns.includes(column));
  // A name that reached a statement could say anything.
  if (strange !== undefined) throw new RangeError(`${table} has no column of that name`);
  return columns;
}

/** Adds a row as it is. @throws SqliteError where a CHECK, a key or a unique name refuses it @throws RangeError for a key that is no column */
export function insertRow(db: Records, table: TableName, row: Row): void {
  const columns = columnsIn(db, table, row);
  const names = columns.map(quoted).join(", ");
  client(db)
    .prepare(`insert into ${quoted(table)} (${names}) values (${columns.map(() => "?").join(", ")})`)
    .run(columns.map((c) => row[c]));
}

/** The row of a key; undefined where there is none. */
export function rowAt(db: Records, table: TableName, { key }: TableInfo, row: Row): Row | undefined {
  const where = key.map((k) => `${quoted(k)} = ?`).join(" and ");
  return client(db)
    .prepare(`select * from ${quoted(table)} where ${where}`)
    .get(key.map((k) => row[k])) as Row | undefined;
}

/** Whether a row of this content is there, under whatever number. */
export function hasRowLike(db: Records, table: TableName, { key }: TableInfo, row: Row): boolean {
  const columns = columnsIn(db, table, row).filter((c) => !key.includes(c));
  const where = columns.map((c) => `${quoted(c)} is ?`).join(" and ");
  const found = client(db)
    .prepare(`select 1 from ${quoted(table)} where ${where}`)
    .get(columns.map((c) => row[c]));
  return found !== undefined;
}

/** Records by a connection of their own. */
export function recordsIn(client: Database.Database): Records {
  withDigests(client);
  keepStatements(client);
  return drizzle(client, { schema: { ...upkeep, ...work, ...season } }) as Records;
}

/** Records of their own in memory, to read rows in that came from elsewhere. */
export function recordsInMemory(): Records {
  const db = recordsIn(new Database(":memory:"));
  migrate(db, { migrationsFolder: migrationsKnown().folder });
  return db;
}

/** The rows that refer to one that isn't there. */
export const danglingRows = (db: Records): string[] =>
  (client(db).pragma("foreign_key_check") as { table: string; rowid: number; parent: string }[]).map(
    ({ table, rowid, parent }) => `${table} ${rowid} → ${parent}`,
  );
