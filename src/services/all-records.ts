import { bad, good, type Issue, type Result } from "@/core/issue";
import { NOTHING, type Choices, type Imported, type ImportItem } from "@/formats/import";
import { parseJson } from "@/formats/json-file";
import { nearest } from "@/formats/job-file/shape-parts";
import { shown } from "@/formats/job-file/shown";
import type { SetAside } from "@/records/aside";
import { migrationsKnown, type Records } from "@/records/database";
import { allApplications, fillNumbers } from "@/records/applications";
import { allCalibrations } from "@/records/calibrations";
import { allQuickChecks } from "@/records/checks";
import { listLabels } from "@/records/labels";
import { listPeople } from "@/records/people";
import { listRigs } from "@/records/rigs";
import { allSheets } from "@/records/sheets";
import { allSites } from "@/records/sites";
import { listTips } from "@/records/tips";
import { twinOf, type NamedKind } from "@/records/names";
import {
  allRows,
  danglingRows,
  hasRowLike,
  infoOf,
  insertRow,
  recordsInMemory,
  rowAt,
  TABLES,
  type Row,
  type TableName,
} from "@/records/whole";
import { carriedChain, carriedFaults, keepCarried, readCarried, type CarriedChain } from "./elsewhere";
import { bringIn } from "./import-items";
import { newZones, siteOver } from "./import-sites";
import { issue, nowText } from "./input";
import { canonical } from "./once";
import { personOf, type KeptKind, type KeptText } from "./keep-up";
import type { Progress } from "./progress";

/** All records out as one JSON file, and in again: what isn't there is added row by row, what is there is never changed unasked. */

const FORMAT = "careful-gauge-records";

/** @returns the text of the file; the same records give the same text */
export const exportAll = (db: Records): string =>
  `${JSON.stringify({ format: FORMAT, version: migrationsKnown().count, tables: allRows(db), chain: carriedChain(db) })}\n`;

/** Tables of what is kept up to date: a difference is shown, and taken only by choice. */
const OF_KIND: Partial<Record<TableName, KeptKind>> = {
  people: "people",
  rigs: "rigs",
  tips: "tips",
  labels: "labels",
  sites: "sites",
};
/** Their parts, and what isn't compared: it follows from the rest. */
const FOLLOWS: readonly TableName[] = ["tanks", "zones", "settings", "record_names", "saved_requests", "calendar_events"];

/** Rows that the database numbers, and that nothing names by their number. */
const NUMBERED: readonly TableName[] = [
  "trials",
  "ticks",
  "spreading_ticks",
  "load_ends",
  "dismissals",
  "revisions",
  "same_ground",
  "areas_before",
  "planned_days",
];

/** Takes a file of all records in. */
export function importAll(db: Records, text: string, choices: Choices = {}, progress?: Progress): Result<Imported> {
  const read = readFile(text);
  if (!read.ok) return read;
  const { tables, chain } = read.value;
  const other = recordsInMemory();
  const issues: Issue[] = [];
  const total = TABLES.reduce((sum, t) => sum + (tables[t]?.length ?? 0), 0);
  let done = 0;
  const tick = () => {
    done += 1;
    if (done % 500 === 0) progress?.(done, 2 * total);
  };
  issues.push(...rowFaults(other, tables));
  if (issues.length > 0) {
    other.$client.close();
    return { ok: false, issues };
  }
  try {
    other.$client.pragma("foreign_keys = OFF");
    other.$client.exec("begin");
    for (const table of TABLES)
      for (const [i, row] of (tables[table] ?? []).entries()) {
        tick();
        if (issues.length >= 100) break;
        try {
          insertRow(other, table, row);
        } catch (error) {
          issues.push(issue(`tables.${table}[${i}]`, "not-possible", message(error), "a row as the app writes it"));
        }
      }
    other.$client.exec("commit");
    issues.push(...asideOf(other).map((one) => issue(`${one.of} ${one.id}`, "unreadable", one.name, one.reason)));
    issues.push(
      ...danglingRows(other)
        .slice(0, 20)
        .map((row) => issue(row, "unknown-name", row, "a row that the file has")),
    );
    if (issues.length > 0) return { ok: false, issues };
    const merged = merge(db, other, tables, choices, tick);
    // Also where every row is here by now: the file is from there all the same.
    if (merged.ok && chain) keepCarried(db, chain, carriedFaults(chain, tables));
    return merged;
  } finally {
    other.$client.close();
  }
}

const message = (error: unknown) => (error instanceof Error ? error.message : "unreadable");

interface WholeFile {
  readonly tables: Partial<Record<TableName, readonly Row[]>>;
  readonly chain: CarriedChain | undefined;
}

function readFile(text: string): Result<WholeFile> {
  const file = parseJson(text, "a file of all records is one JSON object");
  if (!file.ok) return file;
  const { format, version, tables, chain } = (file.value ?? {}) as Partial<Record<string, unknown>>;
  if (format !== FORMAT) return bad(issue("format", "not-a-choice", shown(format), FORMAT));
  if (typeof version !== "number" || version > migrationsKnown().count)
    return bad(
      issue("version", "not-a-choice", shown(version), "records of this Careful Gauge or an earlier one: update it first"),
    );
  if (typeof tables !== "object" || tables === null) return bad(issue("tables", "wrong-type", shown(tables), "an object"));
  const unknown = Object.keys(tables).filter((t) => !TABLES.includes(t as TableName));
  if (unknown.length > 0)
    return bad(...unknown.map((t) => issue(`tables.${shown(t)}`, "unknown-key", shown(t), nearest(t, TABLES))));
  for (const [table, rows] of Object.entries(tables))
    if (!Array.isArray(rows) || rows.some((row) => typeof row !== "object" || row === null || Array.isArray(row)))
      return bad(issue(`tables.${table}`, "wrong-type", "something else", "a list of rows"));
  const carried = readCarried(chain);
  if (!carried.ok) return carried;
  return good({ tables: tables as WholeFile["tables"], chain: carried.value });
}

/** What of the rows of a file is none of its table's: keys that are no columns, and values that no column has. */
function rowFaults(db: Records, tables: Partial<Record<TableName, readonly Row[]>>): Issue[] {
  const MOST = 100;
  const issues: Issue[] = [];
  for (const table of TABLES) {
    const columns = new Set(infoOf(db, table).columns);
    for (const [i, row] of (tables[table] ?? []).entries())
      for (const [key, value] of Object.entries(row)) {
        if (issues.length >= MOST) return issues;
        const path = `tables.${table}[${i}]`;
        if (!columns.has(key)) issues.push(issue(`${path}.${shown(key)}`, "unknown-key", shown(key), nearest(key, [...columns])));
        else if (value !== null && typeof value !== "string" && !Number.isFinite(value))
          issues.push(issue(`${path}.${key}`, "wrong-type", shown(value), "a text, a number or null"));
      }
  }
  return issues;
}

/** What of these records no room could show. */
export function asideOf(db: Records): SetAside[] {
  const aside: SetAside[] = [];
  listPeople(db, aside);
  listRigs(db, aside);
  listTips(db, aside);
  listLabels(db, aside);
  allSites(db, aside);
  allCalibrations(db, aside);
  allQuickChecks(db, aside);
  allSheets(db, aside);
  allApplications(db, aside);
  return aside;
}

function merge(
  db: Records,
  other: Records,
  tables: Partial<Record<TableName, readonly Row[]>>,
  choices: Choices,
  tick: () => void,
): Result<Imported> {
  const items: ImportItem[] = [];
  const issues: Issue[] = [];
  let rows = 0;
  const added = new Set<string>();
  const now = nowText();
  db.$client.exec("savepoint whole");
  for (const table of TABLES) {
    const info = infoOf(db, table);
    const kind = OF_KIND[table];
    for (const row of tables[table] ?? []) {
      tick();
      if (issues.length >= 100) break;
      const id = String(row[info.key[0]!]);
      const here = rowAt(db, table, info, row);
      if (!here) {
        const twin = kind && twinOf(db, kind as NamedKind, String(row.name));
        if (twin) {
          issues.push(
            issue(
              `tables.${table}`,
              "duplicate-name",
              twin.name,
              "id: these are the records of another firm; bring its files in one by one",
            ),
          );
          continue;
        }
        // A part of a record that is left is left with it.
        const whole = table === "tanks" ? String(row.rig_id) : table === "zones" ? String(row.site_id) : undefined;
        if (whole !== undefined && !added.has(whole)) continue;
        if (table === "same_ground" && !rowAt(db, "zones", ZONE, { id: row.zone_id! })) continue;
        try {
          insertRow(db, table, row);
          rows += 1;
          if (kind) added.add(id);
        } catch (error) {
          issues.push(issue(`tables.${table} ${id}`, "not-possible", message(error), "what is on record was left"));
        }
      } else if (
        kind ||
        FOLLOWS.includes(table) ||
        canonical(alone(here)) === canonical(alone({ ...nulls(info.columns), ...row }))
      ) {
        // On record just so, or held against what is here below.
      } else if (NUMBERED.includes(table)) {
        // The number was given to something else here since: it is another row, under another number.
        if (hasRowLike(db, table, info, row)) continue;
        insertRow(db, table, Object.fromEntries(Object.entries(row).filter(([column]) => !info.key.includes(column))));
        rows += 1;
      } else {
        issues.push(
          issue(`tables.${table} ${id}`, "kept-otherwise", "on record with other content", "what happened is never changed"),
        );
      }
    }
  }
  const each = <K extends KeptKind>(
    of: K,
    list: readonly { id: string; text: KeptText[K] }[],
    over?: (text: KeptText[K]) => (here: KeptText[K]) => KeptText[K],
  ) => {
    for (const { id, text } of list) {
      if (added.has(id)) continue;
      const brought = bringIn(db, { of, text, xId: id, path: id, ...(over && { over: over(text) }) }, choices, now);
      if (!brought.ok) issues.push(...brought.issues);
      else if (brought.value.item.state !== "same") items.push(brought.value.item);
    }
  };
  if (issues.length === 0) {
    fillNumbers(db);
    each(
      "people",
      listPeople(other).map((p) => ({ id: p.id, text: personOf(p) })),
    );
    each(
      "rigs",
      listRigs(other).map((r) => ({ id: r.id, text: r.rig })),
    );
    each(
      "tips",
      listTips(other).map((t) => ({ id: t.id, text: t.tip })),
    );
    each(
      "labels",
      listLabels(other).map((l) => ({ id: l.id, text: l.card })),
    );
    const sites = allSites(other).map((s) => ({ id: s.id, text: s.site }));
    each("sites", sites, (file) => (here) => siteOver(here, file));
    for (const { id, text } of sites) if (!added.has(id)) items.push(...newZones(db, id, text, id, choices, now, issues));
  }
  db.$client.exec(issues.length > 0 ? "rollback to whole; release whole" : "release whole");
  return issues.length > 0 ? { ok: false, issues } : good({ ...NOTHING, items, rows });
}

/** A row without the numbers that only repeat its texts: a file from before has none. */
const alone = ({ measured: _m, rate_canonical: _r, total_canonical: _t, ...row }: Row): Row => row;

const ZONE = { columns: [], key: ["id"] };

const nulls = (columns: readonly string[]): Row => Object.fromEntries(columns.map((c) => [c, null]));
