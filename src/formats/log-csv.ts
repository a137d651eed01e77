import type { Result } from "@/core/contents";
import type { ApplicationEntry } from "./book";
import { readTable, type Line } from "./card/csv";
import { toCsv } from "./csv-out";

/** What went down, as a table: one line an application. The amount is a rate for an area, or the total of the zone. */
export const LOG_COLUMNS = ["date", "site", "zone", "product", "amount", "person", "note"] as const;

export const logLines = (text: string): Result<Line[]> =>
  readTable(text, LOG_COLUMNS, ["date", "site", "zone", "product", "amount"]);

/** Records → CSV; those that were corrected or are void are left out. */
export function logToCsv(
  entries: readonly ApplicationEntry[],
  names: { readonly site: (id: string) => string; readonly person: (id: string) => string },
): string {
  const corrected = new Set(entries.map((e) => e.corrects));
  const lines = entries
    .filter((e) => !e.isVoid && !corrected.has(e.id))
    .map((e) => ({
      date: e.date,
      site: names.site(e.siteId),
      zone: e.zone,
      product: e.product,
      amount: e.rate,
      person: e.personId === null ? "" : names.person(e.personId),
      note: e.note ?? "",
    }));
  return toCsv(lines, LOG_COLUMNS);
}
