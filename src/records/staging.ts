import { copyFileSync } from "node:fs";
import path from "node:path";
import type Database from "better-sqlite3";
import { connect, recordsFile, type Records } from "./database";
import { isDerived } from "./derived";
import { quoted } from "./quoted";

/**
 * Long work on records without holding anybody up: it is done on a copy, and what it added or changed there goes over in
 * one short transaction, all or nothing. Whoever saves in the meantime waits for that transaction alone.
 */

/** The records changed at the same place while the work went on: it has to be looked at again. */
export class ChangedMeanwhile extends Error {}

interface Copies {
  readonly base: string;
  readonly scratch: string;
}

/** A copy of the records to work on, and one to compare it with. @param folder of the records · @param tmp an empty folder */
export function copyRecords(folder: string, tmp: string): Copies & { readonly db: Records } {
  const base = path.join(tmp, "base.db");
  const scratch = path.join(tmp, "scratch.db");
  const live = connect(recordsFile(folder));
  try {
    live.$client.prepare("vacuum into ?").run(base);
  } finally {
    live.$client.close();
  }
  copyFileSync(base, scratch);
  const db = connect(scratch);
  // A copy that is lost is made again.
  db.$client.pragma("synchronous = OFF");
  return { base, scratch, db };
}

interface Table {
  readonly name: string;
  readonly columns: readonly string[];
  readonly key: readonly string[];
  /** Its key is a number that the database gives. */
  readonly counted: boolean;
}

/** Tables whose numbers others name. */
const NUMBERED = ["stop_events", "fills"];

function tablesOf(client: Database.Database): Table[] {
  const names = client.prepare("select name from scratch.sqlite_master where type = 'table'").pluck().all() as string[];
  return names
    .filter((name) => !isDerived(name))
    .map((name) => {
      const info = client.prepare(`pragma scratch.table_info(${quoted(name)})`).all() as {
        name: string;
        type: string;
        pk: number;
      }[];
      const key = info.filter((c) => c.pk > 0).sort((a, b) => a.pk - b.pk);
      return {
        name,
        columns: info.map((c) => c.name),
        key: key.map((c) => c.name),
        counted: key.length === 1 && key[0]!.type.toLowerCase() === "integer",
      };
    });
}

/** A row, by its columns. */
export type StagedRow = Readonly<Record<string, unknown>>;

/** What was done to one table of a copy: rows that are new, that were changed (before, after), that are gone. */
export interface StagedTable {
  readonly table: string;
  readonly key: readonly string[];
  readonly added: readonly StagedRow[];
  readonly changed: readonly (readonly [before: StagedRow, after: StagedRow])[];
  readonly gone: readonly StagedRow[];
}

/** Everything that was done on a copy, row by row: just what {@link takeOver} would take over. */
export function stagedRows({ base, scratch }: Copies): StagedTable[] {
  const { $client: client } = connect(scratch);
  try {
    client.prepare("attach ? as base").run(base);
    client.prepare("attach ? as scratch").run(scratch);
    return tablesOf(client).flatMap(({ name, key }): StagedTable[] => {
      const t = quoted(name);
      const put = client.prepare(`select * from scratch.${t} except select * from base.${t}`).all() as StagedRow[];
      const was = client.prepare(`select * from base.${t} except select * from scratch.${t}`).all() as StagedRow[];
      if (put.length === 0 && was.length === 0) return [];
      const keyOf = (row: StagedRow) => JSON.stringify(key.map((k) => row[k]));
      const before = new Map(was.map((row) => [keyOf(row), row]));
      const after = new Set(put.map(keyOf));
      return [
        {
          table: name,
          key,
          added: put.filter((row) => !before.has(keyOf(row))),
          changed: put.flatMap((row) => (before.has(keyOf(row)) ? [[before.get(keyOf(row))!, row] as const] : [])),
          gone: was.filter((row) => !after.has(keyOf(row))),
        },
      ];
    });
  } finally {
    client.close();
  }
}

/** Looks a row up by its id on a copy, each once. */
export function rowFinder(db: Records): (table: string, id: unknown) => StagedRow | undefined {
  const known = new Map<string, StagedRow | undefined>();
  return (table, id) => {
    const at = `${table} ${String(id)}`;
    if (!known.has(at) && typeof id === "string")
      known.set(at, db.$client.prepare(`select * from ${quoted(table)} where id = ?`).get(id) as StagedRow | undefined);
    return known.get(at);
  };
}

/**
 * Takes over what was added and changed on the copy.
 * @returns how many rows
 * @throws ChangedMeanwhile where the records were changed at the same place since the copy was made: nothing is taken then
 */
export function takeOver(folder: string, { base, scratch }: Copies): number {
  const { $client: client } = connect(recordsFile(folder));
  try {
    client.prepare("attach ? as base").run(base);
    client.prepare("attach ? as scratch").run(scratch);
    const tables = tablesOf(client);
    // All that takes time is done before anything is locked.
    for (const { name, key } of tables) {
      const t = quoted(name);
      const keys = key.map(quoted).join(", ");
      client.exec(
        `create temp table ${quoted(`put_${name}`)} as select * from scratch.${t} except select * from base.${t};
         create temp table ${quoted(`gone_${name}`)} as select ${keys} from base.${t} except select ${keys} from scratch.${t};`,
      );
    }
    const rows = client.transaction(() => {
      client.pragma("defer_foreign_keys = ON");
      return tables.reduce((sum, table) => sum + takeTable(client, table), 0);
    });
    return rows.immediate();
  } catch (error) {
    if (/^SQLITE_CONSTRAINT/.test(String((error as { code?: unknown }).code))) throw new ChangedMeanwhile(String(error));
    throw error;
  } finally {
    client.close();
  }
}

function takeTable(client: Database.Database, { name, columns, key, counted }: Table): number {
  const t = quoted(name);
  const put = `temp.${quoted(`put_${name}`)}`;
  const gone = `temp.${quoted(`gone_${name}`)}`;
  const same = (a: string, b: string) => key.map((k) => `${a}.${quoted(k)} = ${b}.${quoted(k)}`).join(" and ");
  const inBase = `exists (select 1 from base.${t} b where ${same("b", "p")})`;
  const count = (sql: string) => client.prepare(sql).pluck().get() as number;
  const touched = count(
    `select count(*) from (select b.* from base.${t} b where exists (select 1 from ${put} p where ${same("p", "b")})
       or exists (select 1 from ${gone} p where ${same("p", "b")}) except select * from main.${t})`,
  );
  if (touched > 0) throw new ChangedMeanwhile(name);
  client.exec(`delete from main.${t} where exists (select 1 from ${gone} p where ${same("p", t)})`);
  const rest = columns.filter((c) => !key.includes(c));
  if (rest.length > 0)
    client.exec(
      `update main.${t} set (${rest.map(quoted).join(", ")}) = (select ${rest.map((c) => `p.${quoted(c)}`).join(", ")}
         from ${put} p where ${same("p", t)}) where exists (select 1 from ${put} p where ${same("p", t)} and ${inBase})`,
    );
  // Numbers that the database gave to somebody else in the meantime are given anew.
  const last = (schema: string) => count(`select coalesce(max(${quoted(key[0]!)}), 0) from ${schema}.${t}`);
  const anew = counted && last("main") !== last("base");
  if (anew && NUMBERED.includes(name) && count(`select count(*) from ${put} p where not ${inBase}`) > 0)
    throw new ChangedMeanwhile(name);
  const kept = (anew ? rest : columns).map(quoted).join(", ");
  client.exec(`insert into main.${t} (${kept}) select ${kept} from ${put} p where not ${inBase}`);
  return count(`select count(*) from ${put}`);
}
