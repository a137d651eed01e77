import type { AddedRows, ChangeLine, Changes } from "@/formats/import";
import { nameOf } from "@/formats/record-kinds";
import type { StagedRow, StagedTable } from "@/records/staging";

/**
 * What a file would do to the records, row by row, as a person is shown it before anything is kept: first what makes less count or
 * changes what is here, each in words; then what is added. It is read off the copy on which the file was worked through, so nothing
 * is left out, whatever the file is.
 */
export function changesOf(tables: readonly StagedTable[], find: (table: string, id: unknown) => StagedRow | undefined): Changes {
  const first: ChangeLine[] = [];
  const added: AddedRows[] = [];
  for (const { table, key, added: rows, changed, gone } of tables) {
    const idOf = (row: StagedRow) => key.map((k) => String(row[k])).join(" ");
    const line = (of: string, row: StagedRow, words: string): ChangeLine => ({ of, table, id: idOf(row), words });
    const plain: StagedRow[] = [];
    for (const row of rows) {
      const told = TOLD[table]?.(row, find);
      if (told) first.push(line(told[0], row, told[1]));
      else plain.push(row);
    }
    for (const [before, after] of changed) first.push(line("changes", after, changedWords(table, before, after)));
    for (const row of gone) first.push(line("removes", row, `${nameOf(table)}: ${wordsOf(table, row, find)}`));
    if (plain.length > 0)
      added.push({
        table,
        of: nameOf(table),
        ids: plain.map(idOf),
        names: plain.slice(0, NAMED).map((row) => wordsOf(table, row, find)),
      });
  }
  return { first: first.sort((a, b) => ORDER.indexOf(a.of) - ORDER.indexOf(b.of)), added };
}

/** So many rows of a table are named; the rest is counted. */
const NAMED = 200;

/** What is told first. */
const ORDER = ["strikes", "removes", "corrects", "withdraws", "changes", "accounts", "joins", "carries", "settles"];

type Find = (table: string, id: unknown) => StagedRow | undefined;
type Told = (row: StagedRow, find: Find) => readonly [of: string, words: string] | undefined;

const text = (value: unknown): string => (typeof value === "string" || typeof value === "number" ? String(value) : "");
const because = (why: unknown): string => (text(why) === "" ? "" : ` (${text(why)})`);

/** Rows that change what counts, or what is settled: in words. */
const TOLD: Readonly<Record<string, Told>> = {
  applications: (row, find) => {
    if (row.corrects === null || row.corrects === undefined) return undefined;
    const before = find("applications", row.corrects);
    const was = before ? recordWords(before, find) : `the record ${text(row.corrects)}`;
    return row.void === 1
      ? ["strikes", `${was}: never went down${because(row.why)}`]
      : ["corrects", `${was}: becomes ${recordWords(row, find)}${because(row.why)}`];
  },
  withdrawals: (row) => ["withdraws", `mix sheet ${text(row.sheet_id)}${because(row.became)}`],
  calibration_withdrawals: (row) => ["withdraws", `calibration ${text(row.calibration_id)}${because(row.why)}`],
  spreading_ends: (row) => ["withdraws", `granules ${text(row.spreading_id)}: ${text(row.what)}`],
  load_ends: (row) => [
    "accounts",
    `load ${text(row.load)} of mix sheet ${text(row.sheet_id)}: ${text(row.unaccounted)} mL unaccounted for${because(row.says)}`,
  ],
  same_ground: (row, find) => {
    const zone = (id: unknown) => text(find("zones", id)?.name) || text(id);
    return row.as_zone_id === null
      ? ["joins", `${zone(row.zone_id)} is other ground than it was taken for${because(row.why)}`]
      : ["joins", `${zone(row.zone_id)} is the same ground as ${zone(row.as_zone_id)}`];
  },
  chains_elsewhere: (row) => {
    const faults = JSON.parse(text(row.faults)) as string[];
    const state =
      faults.length === 0 ? "each row of the file as it came in there" : `not all as it came in there: ${faults.join("; ")}`;
    return ["carries", `the chain of where these records were kept (${text(row.rows)} places, head ${text(row.id)}): ${state}`];
  },
  settings: (row) => ["settles", `${text(row.key)}: ${text(row.value).slice(0, 200)}`],
  planned_days: (row) => ["settles", `a day of the year: ${text(row.day) || text(row.date)}`],
};

const recordWords = (row: StagedRow, find: Find): string =>
  `${text(row.total)} of ${text(row.product)} on ${text(row.zone)}, ${text(find("sites", row.site_id)?.name)}, ${text(row.date)}`;

/** What a row is told by: a record by what went down, what has a name by that, else by its id. */
function wordsOf(table: string, row: StagedRow, find: Find): string {
  if (table === "applications") return recordWords(row, find);
  return text(row.name) || text(row.id) || text(row.sheet_id) || text(row.key);
}

function changedWords(table: string, before: StagedRow, after: StagedRow): string {
  const columns = Object.keys(after).filter((column) => before[column] !== after[column]);
  const one = (column: string) =>
    `${column.replaceAll("_", " ")} ${text(before[column]).slice(0, 80) || "nothing"} becomes ${text(after[column]).slice(0, 80) || "nothing"}`;
  return `${nameOf(table)} ${text(after.name) || text(after.id)}: ${columns.map(one).join("; ")}`;
}
