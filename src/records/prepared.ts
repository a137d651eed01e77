import { getTableColumns, sql } from "drizzle-orm";
import type { SQLiteTable } from "drizzle-orm/sqlite-core";
import type { Access, Records } from "./access";

/**
 * Queries that are asked again and again are built once for each connection: building one takes longer than answering it. A
 * transaction is of its connection, and asks what was prepared there.
 */
const connectionOf = new WeakMap<Access, Records>();
const prepared = new WeakMap<Records, Map<string, unknown>>();

/** Says of which connection a transaction is. */
export function within(db: Access, tx: Access): void {
  connectionOf.set(tx, connectionOf.get(db) ?? (db as Records));
}

/**
 * A query of a connection, built at its first use.
 * @param name tells it from all others
 */
export function once<Q>(db: Access, name: string, build: (connection: Records) => Q): Q {
  const connection = connectionOf.get(db) ?? (db as Records);
  const known = prepared.get(connection) ?? new Map<string, unknown>();
  prepared.set(connection, known);
  const before = known.get(name) as Q | undefined;
  if (before !== undefined) return before;
  const query = build(connection);
  known.set(name, query);
  return query;
}

/**
 * Keeps a row under its id, new or changed.
 * @param first what is kept of a new one only
 */
export function keepRow<T extends SQLiteTable>(
  db: Access,
  name: string,
  table: T,
  row: { readonly id: string } & Partial<T["$inferInsert"]>,
  first: Partial<T["$inferInsert"]> = {},
): void {
  once(db, name, (of) => {
    const columns = getTableColumns(table);
    const values = Object.fromEntries(Object.keys({ ...row, ...first }).map((key) => [key, sql.placeholder(key)]));
    const set = Object.fromEntries(
      Object.keys(row).flatMap((key) => (key === "id" ? [] : [[key, sql`excluded.${sql.identifier(columns[key]!.name)}`]])),
    );
    return of
      .insert(table)
      .values(values as never)
      .onConflictDoUpdate({ target: columns.id!, set: set as never })
      .prepare();
  }).run({ ...row, ...first });
}
