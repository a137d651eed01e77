import { parse } from "papaparse";
import { bad, good, issueAt, type Issue, type Result } from "@/core/issue";
import { asTyped, toCsv } from "../csv-out";
import { parseJson } from "../json-file";
import { shown } from "../job-file/shown";
import { ROW_KEYS, type CardText, type LimitRowText } from "./card";
import { CARD_FIELDS } from "./fields";
import { readCard } from "./read-card";

/**
 * Cards as a table, for a spreadsheet. A card begins on the line that has its name; the lines below it without a name go
 * on with its lists: actives, rates, limits, gear, packages, one of each a line.
 */
const LIMIT_KEYS = [
  "turf",
  "jurisdiction",
  "perApplication",
  "perYear",
  "yearKind",
  "applicationsPerYear",
  "intervalAtLeast",
  "intervalAtMost",
] as const satisfies readonly (keyof LimitRowText)[];

const LISTS = {
  actives: { active: "name", "active content": "content" },
  rates: { ...named("rate", ROW_KEYS), rate: "rate", "rate to": "to" },
  limits: named("limit", LIMIT_KEYS),
  gear: { gear: "item", "gear type": "type" },
  packages: { package: "content", price: "price" },
} as const satisfies Record<string, Readonly<Record<string, string>>>;

type ListName = keyof typeof LISTS;

function named<K extends string>(of: string, keys: readonly K[]): Record<string, K> {
  return Object.fromEntries(keys.map((key) => [`${of} ${key}`, key]));
}

export const CARD_COLUMNS: readonly string[] = [
  "name",
  "form",
  ...CARD_FIELDS.map(({ key }) => key),
  ...Object.values(LISTS).flatMap((columns) => Object.keys(columns)),
];

/** Cards → CSV. What a spreadsheet would take for a formula is escaped. */
export function cardsToCsv(cards: readonly CardText[]): string {
  const lines = cards.flatMap((card) => {
    const count = Math.max(1, ...(Object.keys(LISTS) as ListName[]).map((list) => card[list].length));
    return Array.from({ length: count }, (_, i) => {
      const line: Record<string, string> = {};
      if (i === 0) {
        line.name = card.name;
        line.form = card.form;
        for (const { key } of CARD_FIELDS) line[key] = card[key] ?? "";
      }
      for (const [list, columns] of Object.entries(LISTS)) {
        const row = card[list as ListName][i] as unknown as Record<string, string> | undefined;
        for (const [column, key] of Object.entries(columns)) line[column] = row?.[key] ?? "";
      }
      return line;
    });
  });
  return toCsv(lines, CARD_COLUMNS);
}

/** CSV → cards, or every fault with its line. */
export function cardsFromCsv(text: string): Result<CardText[]> {
  const table = readTable(text, CARD_COLUMNS, ["name"]);
  if (!table.ok) return table;
  const drafts: { line: number; card: Record<string, unknown> }[] = [];
  for (const { line, cells } of table.value) {
    if (cells.name) {
      const scalars = Object.fromEntries(
        ["name", "form", ...CARD_FIELDS.map(({ key }) => key)].map((key) => [key, cells[key] ?? ""]),
      );
      drafts.push({
        line,
        card: { ...scalars, form: cells.form || "dry", actives: [], rates: [], limits: [], gear: [], packages: [] },
      });
    }
    const draft = drafts.at(-1);
    if (!draft)
      return bad({ path: `line ${line}`, code: "missing", received: "", expected: "the name of a product in the first line" });
    for (const [list, columns] of Object.entries(LISTS))
      (draft.card[list] as unknown[]).push(
        Object.fromEntries(Object.entries(columns).map(([column, key]) => [key, cells[column] ?? ""])),
      );
  }
  return all(drafts.map(({ line, card }) => ({ place: `line ${line}`, card })));
}

interface Place {
  readonly place: string;
  readonly card: unknown;
}

/** Reads cards that each have a place; all faults at once. */
function all(drafts: readonly Place[]): Result<CardText[]> {
  const issues: Issue[] = [];
  const cards = drafts.flatMap(({ place, card }) => {
    const read = readCard(card);
    if (!read.ok) issues.push(...read.issues.map((i) => issueAt(place, i)));
    return read.ok ? [read.value] : [];
  });
  const names = cards.map((c) => c.name);
  const double = names.find((name, i) => names.indexOf(name) < i);
  if (double !== undefined)
    issues.push({ path: drafts[names.lastIndexOf(double)]!.place, code: "duplicate-name", received: double, expected: "name" });
  return issues.length > 0 ? { ok: false, issues } : good(cards);
}

const FORMAT = "careful-gauge-cards";

export const cardsToJson = (cards: readonly CardText[]): string =>
  `${JSON.stringify({ format: FORMAT, version: 1, cards }, null, 2)}\n`;

/** JSON → cards, or every fault with its place. */
export function cardsFromJson(text: string): Result<CardText[]> {
  const file = parseJson(text, "a file of cards is one JSON object");
  if (!file.ok) return file;
  const { format, version, cards } = (file.value ?? {}) as { format?: unknown; version?: unknown; cards?: unknown };
  if (format !== FORMAT || version !== 1)
    return bad({ path: "format", code: "not-a-choice", received: shown(format), expected: `${FORMAT}, version 1` });
  if (!Array.isArray(cards)) return bad({ path: "cards", code: "wrong-type", received: typeof cards, expected: "a list" });
  if (cards.length > MOST_CARDS)
    return bad({ path: "cards", code: "too-many", received: `${cards.length} cards`, expected: String(MOST_CARDS) });
  return all(cards.map((card, i) => ({ place: `cards[${i}]`, card })));
}

/** A file of cards of either kind. */
export const cardsFromText = (text: string): Result<CardText[]> =>
  /^\s*\uFEFF?\s*\{/.test(text) ? cardsFromJson(text) : cardsFromCsv(text);

/** The most lines and cards of one file (ours). */
const MOST_LINES = 50_000;
const MOST_CARDS = 2000;

export interface Line {
  /** Its line in the file, from 1: the header's is 1. */
  readonly line: number;
  readonly cells: Readonly<Record<string, string>>;
}

/** A table with known columns; unknown and missing ones are faults. Blank lines are passed over. */
export function readTable(text: string, columns: readonly string[], needed: readonly string[]): Result<Line[]> {
  const { data, meta, errors } = parse<Record<string, string>>(text.replace(/^\uFEFF/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (header) => header.trim(),
  });
  const broken = errors.find((e) => e.type !== "Delimiter");
  if (broken)
    return bad({
      // A quote is missed while the lines are still counted with the header.
      path: `line ${(broken.row ?? 0) + (broken.type === "Quotes" ? 1 : 2)}`,
      code: "not-possible",
      received: broken.message,
      expected: "quote cells that hold commas",
    });
  const fields = meta.fields ?? [];
  const unknown = fields.filter((f) => !columns.includes(f));
  const missing = needed.filter((n) => !fields.includes(n));
  if (unknown.length + missing.length > 0)
    return bad(
      ...unknown.map((received): Issue => ({ path: "line 1", code: "not-a-choice", received, expected: columns.join(", ") })),
      ...missing.map((n): Issue => ({ path: "line 1", code: "missing", received: "", expected: `the column "${n}"` })),
    );
  if (data.length === 0) return bad({ path: "", code: "too-few", received: "no line", expected: "one line below the columns" });
  if (data.length > MOST_LINES)
    return bad({
      path: "",
      code: "too-many",
      received: `${data.length.toLocaleString("en-US")} lines`,
      expected: MOST_LINES.toLocaleString("en-US"),
    });
  // Formula signs were made harmless on the way out.
  const plain = (cell: string | undefined) => asTyped((cell ?? "").trim()).trim();
  return good(data.map((row, i) => ({ line: i + 2, cells: Object.fromEntries(columns.map((c) => [c, plain(row[c])])) })));
}
