import { createHash } from "node:crypto";
import { existsSync, openSync, closeSync, readFileSync, readSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";

/**
 * `gauge verify FILE`: whether what a file holds is as it was written: a copy of the records, all records as JSON, or the whole log as JSON.
 * It goes by docs/chain.json alone and shares no code with what writes the chain, so that the one checks the other. The first break is
 * named, with the number of its entry, its table and id, and whether it was changed, removed, added or reordered.
 */

interface Kind {
  readonly key: readonly string[];
  readonly lists: readonly (readonly string[])[];
}
interface Definition {
  readonly kinds: Readonly<Record<string, Kind>>;
  readonly log: Kind & { readonly kind: string };
}

interface Told {
  readonly exit: 0 | 2;
  readonly out: string;
  readonly err: string;
}

/** An entry of a chain. */
interface Link {
  readonly place: number;
  readonly kind: string;
  readonly record: string;
  readonly digest: string;
  readonly list: number;
}

/** What is checked, whatever file it is from. */
interface Chain {
  readonly links: readonly Link[];
  /** The values that the digest of an entry is of; undefined where there is no such row, null where this kind of file carries none. */
  readonly values: (link: Link) => readonly unknown[] | undefined | null;
  /** Rows that are in no entry. */
  readonly outside: () => readonly { readonly kind: string; readonly record: string }[];
  /** How many entries were ever written, where that is known. */
  readonly given?: number;
}

class Refused extends Error {}
const refuse = (why: string): Told => ({ exit: 2, out: "", err: why });
const definition = (): Definition => JSON.parse(readFileSync(path.join("docs", "chain.json"), "utf8")) as Definition;

/**
 * @param file its path, or its bytes
 * @param noted a head that was noted elsewhere: it has to be in the chain
 * @returns exit 0 with the result on standard output; or 2 with the first break on standard error
 */
export function runVerify(file: string | Buffer, noted?: string): Told {
  const name = typeof file === "string" ? file : "standard input";
  if (typeof file === "string" && !existsSync(file)) return refuse(`${file}: no such file`);
  try {
    if (!isDatabase(file))
      return check(chainInText(typeof file === "string" ? readFileSync(file, "utf8") : file.toString("utf8")), noted);
    const db = open(file);
    try {
      return check(chainInDatabase(db), noted);
    } finally {
      db.close();
    }
  } catch (error) {
    return refuse(
      `${name}: ${error instanceof Refused ? error.message : `can't be read (${error instanceof Error ? error.message : "unreadable"})`}`,
    );
  }
}

const MAGIC = "SQLite format 3\u0000";
function isDatabase(file: string | Buffer): boolean {
  if (typeof file !== "string") return file.subarray(0, 16).toString("latin1") === MAGIC;
  const bytes = Buffer.alloc(16);
  const at = openSync(file, "r");
  try {
    readSync(at, bytes, 0, 16, 0);
  } finally {
    closeSync(at);
  }
  return bytes.toString("latin1") === MAGIC;
}

function open(file: string | Buffer): Database.Database {
  if (typeof file === "string") return new Database(file, { readonly: true, fileMustExist: true });
  // A database of bytes has no file beside it to write ahead to.
  const bytes = Buffer.from(file);
  bytes.fill(1, 18, 20);
  return new Database(bytes);
}

const sha256 = (text: string | Uint8Array) => createHash("sha256").update(text).digest("hex");
/** A value as it goes into a digest. */
const told = (value: unknown): unknown => (value instanceof Uint8Array ? sha256(value) : (value ?? null));

function check({ links, values, outside, given }: Chain, noted: string | undefined): Told {
  const at = (link: Link) => `entry ${link.place}, ${link.kind} ${link.record}`;
  const digestOf = (before: string, row: readonly unknown[]) => sha256(before + JSON.stringify(row.map(told)));
  let head = "";
  for (const [i, link] of links.entries()) {
    if (link.place !== i + 1) return refuse(`after entry ${i}: ${link.place - i - 1} removed, and entries that came after`);
    const row = values(link);
    if (row === undefined) return refuse(`${at(link)}: removed`);
    const now = row && digestOf(head, row);
    if (row && now !== link.digest) return refuse(`${at(link)}: ${moved(links, link, row, digestOf) ? "reordered" : "changed"}`);
    head = link.digest;
  }
  if (given !== undefined && given > links.length)
    return refuse(`after entry ${links.length}: ${given - links.length} removed, cut off at the end`);
  const [first, ...more] = outside();
  if (first)
    return refuse(
      `after entry ${links.length}, ${first.kind} ${first.record}: added, in no entry of the chain${more.length > 0 ? `, and ${more.length} more` : ""}`,
    );
  if (noted !== undefined && noted !== head && !links.some((link) => link.digest === noted))
    return refuse(`after entry ${links.length}: removed, cut off at the end: ${noted} is in no entry`);
  return {
    exit: 0,
    out: JSON.stringify({ format: "careful-gauge-verified", version: 1, head, entries: links.length, outside: 0 }),
    err: "",
  };
}

/** Whether a row stands in another place than it was written in: behind another entry it would fit. */
const moved = (
  links: readonly Link[],
  link: Link,
  row: readonly unknown[],
  digestOf: (before: string, row: readonly unknown[]) => string,
): boolean =>
  ["", ...links.map(({ digest }) => digest)].some((before) => digestOf(before, row) === link.digest) ||
  links.some((other, i) => other !== link && digestOf(links[i - 1]?.digest ?? "", row) === other.digest);

const kindOf = (kinds: Definition["kinds"], { kind, list, place, record }: Link): readonly string[] => {
  const columns = kinds[kind]?.lists[list - 1];
  if (!columns) throw new Refused(`entry ${place}, ${kind} ${record}: of a kind or a list that docs/chain.json doesn't name`);
  return columns;
};
const keyOf = ({ key }: Kind, row: Readonly<Record<string, unknown>>): string =>
  key.map((column) => String(row[column])).join(" ");

function chainInDatabase(db: Database.Database): Chain {
  const { kinds } = definition();
  const tables = db.prepare("select name from sqlite_master where type = 'table'").pluck().all() as string[];
  if (!tables.includes("evidence")) throw new Refused("no file of records with a chain");
  const statements = new Map<string, Database.Statement>();
  const prepared = (sql: string) => {
    const made = statements.get(sql) ?? db.prepare(sql);
    statements.set(sql, made);
    return made;
  };
  const links = db
    .prepare("select place, kind, record_id as record, digest, columns as list from evidence order by place")
    .all() as Link[];
  return {
    links,
    values: (link) => {
      const columns = kindOf(kinds, link);
      const { key } = kinds[link.kind]!;
      // By each column of its key, so that an index serves; no key has a blank in it.
      const by = key.length === 1 ? [link.record] : link.record.split(" ");
      const where = key.map((column) => `"${column}" = ?`).join(" and ");
      const row =
        by.length === key.length
          ? (prepared(`select * from "${link.kind}" where ${where}`).get(...by) as Record<string, unknown> | undefined)
          : undefined;
      return row && [link.kind, ...columns.map((column) => row[column])];
    },
    outside: () => {
      const inChain = new Set(links.map(({ kind, record }) => `${kind} ${record}`));
      return Object.entries(kinds).flatMap(([kind, of]) =>
        tables.includes(kind)
          ? (
              db.prepare(`select ${of.key.map((column) => `"${column}"`).join(", ")} from "${kind}"`).all() as Record<
                string,
                unknown
              >[]
            )
              .map((row) => ({ kind, record: keyOf(of, row) }))
              .filter(({ record }) => !inChain.has(`${kind} ${record}`))
          : [],
      );
    },
    given: (db.prepare("select seq from sqlite_sequence where name = 'evidence'").pluck().get() as number | undefined) ?? 0,
  };
}

interface TextFile {
  readonly format?: unknown;
  readonly tables?: Readonly<Record<string, readonly Readonly<Record<string, unknown>>[]>>;
  readonly records?: readonly Readonly<Record<string, unknown>>[];
  readonly chain?: {
    readonly links?: readonly (readonly [kind: string, record: string, digest: string, list: number, found: number])[];
    readonly rows?: readonly (readonly [digest: string, list: number, ...values: unknown[]])[];
  };
}

function chainInText(text: string): Chain {
  let file: TextFile;
  try {
    file = (JSON.parse(text) ?? {}) as TextFile;
  } catch {
    throw new Refused("neither a file of records nor JSON");
  }
  if (file.format === "careful-gauge-records") return chainOfRecords(file);
  if (file.format === "careful-gauge-log") return chainOfLog(file);
  throw new Refused("no records, no log and no copy of Careful Gauge");
}

function chainOfRecords({ tables = {}, chain }: TextFile): Chain {
  const { kinds } = definition();
  if (!chain?.links) throw new Refused("carries no chain: it was written by an earlier version");
  const links = chain.links.map(([kind, record, digest, list], i) => ({ place: i + 1, kind, record, digest, list }));
  const rows = new Map(
    Object.entries(kinds).map(([kind, of]) => [kind, new Map((tables[kind] ?? []).map((row) => [keyOf(of, row), row]))]),
  );
  const inChain = new Set(links.map(({ kind, record }) => `${kind} ${record}`));
  return {
    links,
    values: (link) => {
      const columns = kindOf(kinds, link);
      // Photos, and what was done about the chain, aren't in this kind of file: their digests are taken as they stand.
      if (tables[link.kind] === undefined) return null;
      const row = rows.get(link.kind)!.get(link.record);
      return row && [link.kind, ...columns.map((column) => row[column])];
    },
    outside: () =>
      [...rows].flatMap(([kind, own]) =>
        [...own.keys()].filter((record) => !inChain.has(`${kind} ${record}`)).map((record) => ({ kind, record })),
      ),
  };
}

/** What a record of the log says in its own words, by the column that says it, too. */
const SAID: Readonly<Record<string, string>> = {
  id: "id",
  date: "date",
  zone: "zone",
  product: "product",
  rate: "rate",
  total: "total",
  note: "note",
  why: "why",
};

function chainOfLog({ records = [], chain }: TextFile): Chain {
  const { log } = definition();
  if (!chain?.rows) throw new Refused("a part of the log carries no chain: save the whole of it");
  const own = chain.rows.map(([digest, list, ...values]) => {
    const columns = log.lists[list - 1];
    if (!columns) throw new Refused(`a list that docs/chain.json doesn't name (${String(list)})`);
    return { digest, list, values, row: Object.fromEntries(columns.map((column, i) => [column, values[i]])) };
  });
  const links = own.map(({ digest, list, row }, i) => ({ place: i + 1, kind: log.kind, record: keyOf(log, row), digest, list }));
  const shown = new Map(records.map((record) => [String(record.id), record]));
  const inChain = new Set(links.map(({ record }) => record));
  return {
    links,
    values: ({ place, record }) => {
      const { row, values } = own[place - 1]!;
      const one = shown.get(record);
      if (!one) return undefined;
      // What is shown of it has to be what the chain is of.
      const same = Object.entries(SAID).every(([column, key]) => (one[key] ?? null) === (row[column] ?? null));
      return same ? values : [];
    },
    outside: () => [...shown.keys()].filter((record) => !inChain.has(record)).map((record) => ({ kind: log.kind, record })),
  };
}
