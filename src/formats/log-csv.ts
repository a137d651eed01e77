import type { Result } from "@/core/issue";
import type { ApplicationEntry } from "./entries";
import { asWritten, RATE_KINDS, TOTAL_KINDS } from "@/core/working/as-read";
import type { System } from "@/core/working/units";
import { readTable, type Line } from "./card/csv";
import { toCsv } from "./csv-out";
import { TOLD } from "./facts";

/** What went down, as a table: one line an application. The amount is a rate for an area, or the total of the zone. */
export const LOG_COLUMNS = ["date", "site", "zone", "product", "amount", "person", "note"] as const;

export const logLines = (text: string): Result<Line[]> =>
  readTable(text, LOG_COLUMNS, ["date", "site", "zone", "product", "amount"]);

/**
 * Records → CSV; those that were corrected or are void are left out.
 * @param head whether the names of the columns come first
 * @param system whose units amounts have; as entered where it is left out
 */
export function logToCsv(entries: readonly ApplicationEntry[], head = true, system?: System): string {
  const lines = entries
    .filter((e) => !e.isVoid && !e.corrected)
    .map((e) => ({
      date: e.date,
      site: e.site,
      zone: e.zone,
      product: e.product,
      amount: asWritten(e.rate, RATE_KINDS, system),
      person: e.person ?? "",
      note: e.note ?? "",
    }));
  return head || lines.length > 0 ? toCsv(lines, LOG_COLUMNS, head) : "";
}

/** Every record with all that is known of it, also what was corrected or never went down. */
export const LOG_DETAILS = [
  "date",
  "site",
  "zone",
  "area",
  "covered",
  "turf",
  "jurisdiction",
  "product",
  "registration",
  "restricted",
  "actives",
  "rate",
  "total",
  "person",
  "certificate",
  "certifiedBy",
  "categories",
  "certificateEnds",
  ...TOLD,
  "rig",
  "note",
  "why",
  "state",
  "id",
  "corrects",
  "was",
] as const;

/** Records → CSV with all that is known of each. */
export function logInFull(entries: readonly ApplicationEntry[], head = true, system?: System): string {
  const lines = entries.map(({ facts, actives, ...entry }) => ({
    ...entry,
    area: asWritten(entry.area, ["area"], system),
    covered: asWritten(entry.covered, ["area"], system),
    rate: asWritten(entry.rate, RATE_KINDS, system),
    total: asWritten(entry.total, TOTAL_KINDS, system),
    ...facts,
    actives: actives.map((a) => `${a.name} ${a.content}`).join("; "),
    state: stateOf(entry),
  }));
  return head || lines.length > 0 ? toCsv(lines, LOG_DETAILS, head) : "";
}

/** Whether a record stands, was corrected since, or says that it never went down. */
export const stateOf = ({ corrected, isVoid }: Pick<ApplicationEntry, "corrected" | "isVoid">) =>
  corrected ? "corrected" : isVoid ? "never went down" : "stands";
