import { desc, sql, type SQL } from "drizzle-orm";
import type { SQLiteColumn } from "drizzle-orm/sqlite-core";
import type { Cursor, Page } from "@/formats/slices";

/** Pages of a list, newest first: a page tells where the next one begins, so that what comes in meanwhile shifts nothing. */

/** The rows behind a place in the order of some columns; all where there is none. */
export function rowsAfter(columns: readonly SQLiteColumn[], after: Cursor | undefined): SQL | undefined {
  if (after === undefined || after.length !== columns.length) return undefined;
  const list = (parts: readonly unknown[]) =>
    sql.join(
      parts.map((part) => sql`${part}`),
      sql`, `,
    );
  return sql`(${list(columns)}) < (${list(after)})`;
}

export const newestFirst = (columns: readonly SQLiteColumn[]) => columns.map((column) => desc(column));

/** A page of rows of which one more than it holds was asked for. */
export function pageOf<R>(found: readonly R[], most: number, place: (row: R) => Cursor): Page<R> {
  const rows = found.slice(0, most);
  return { rows, next: found.length > most ? place(rows.at(-1)!) : null };
}
