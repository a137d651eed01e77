import { createHash } from "node:crypto";
import type Database from "better-sqlite3";
import type { Records } from "./access";
import { EVIDENCE, EVIDENCE_NAMES, type EvidenceKind, type EvidenceName } from "./evidence-kinds";
import { quoted } from "./quoted";

/**
 * The chain of everything that happened: see docs/chain.md. It is written by triggers, with a function of this program, so that whatever
 * way a row comes in it is in the chain at once, and another program can't add one unseen. It proves that nothing before a digest that
 * somebody noted elsewhere was altered; not against whoever holds the file and makes every digest anew.
 */

/** What stands before the first row. */
const BEGINNING = "";

type Value = string | number | bigint | null | Buffer | Uint8Array;

/** A value as it goes into a digest: bytes by their own. */
const told = (value: Value): string | number | null => {
  if (value === null || typeof value === "string" || typeof value === "number") return value;
  return typeof value === "bigint" ? Number(value) : createHash("sha256").update(value).digest("hex");
};

/** SHA-256, in hex, of what stands before and of a JSON list of the values. */
export const digestOf = (before: string, values: readonly Value[]): string =>
  createHash("sha256")
    .update(before)
    .update(JSON.stringify(values.map(told)))
    .digest("hex");

/** Teaches a connection the function that the triggers of the chain call. Without it no row can be added. */
export function withDigests(client: Database.Database): void {
  client.function("chain_digest", { varargs: true, deterministic: true }, (before: unknown, ...values: unknown[]) =>
    digestOf(typeof before === "string" ? before : BEGINNING, values as Value[]),
  );
}

/** The head of a file's chain, as it stands written; empty where it has none. */
export function headOf(client: Database.Database): string {
  const has = client.prepare("select count(*) from sqlite_master where name = 'evidence'").pluck().get() as number;
  if (has === 0) return BEGINNING;
  return (
    (client.prepare("select digest from evidence order by place desc limit 1").pluck().get() as string | undefined) ?? BEGINNING
  );
}

/** A place of a chain: the kind, the key of the row, the digest, the number of the list, and 1 where it was taken in as found. */
export type Link = readonly [kind: string, record: string, digest: string, list: number, found: number];

/** Every place of the chain, in order. */
export const linksOf = ({ $client: client }: Records): Link[] =>
  client.prepare("select kind, record_id, digest, columns, found from evidence order by place").raw().all() as Link[];

/** Whether the chain once had this head. */
export const hasDigest = ({ $client: client }: Records, digest: string): boolean =>
  client.prepare("select 1 from evidence where digest = ?").get(digest) !== undefined;

/** Where a row of a kind is, by its key in one text. */
const keyOf = ({ key }: EvidenceKind, of: string): string =>
  key.map((column) => `cast(${of}.${quoted(column)} as text)`).join(" || ' ' || ");

/** The triggers that write the chain, as a migration has them. */
export const evidenceTriggers = (): string[] =>
  EVIDENCE_NAMES.map((name) => {
    const kind: EvidenceKind = EVIDENCE[name];
    const list = kind.lists.length;
    const columns = kind.lists
      .at(-1)!
      .map((column) => `new.${quoted(column)}`)
      .join(", ");
    const last = "coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), '')";
    return `CREATE TRIGGER ${name}_evidence AFTER INSERT ON ${name} BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('${name}', ${keyOf(kind, "new")}, chain_digest(${last}, '${name}', ${columns}), ${list}); END;`;
  });

/** A row that isn't as it was when it came, or isn't there any more. */
export interface EvidenceBreak {
  readonly place: number;
  readonly kind: string;
  readonly recordId: string;
  readonly why: "altered" | "gone";
}

export interface EvidenceState {
  readonly rows: number;
  /** The last digest: the head. */
  readonly digest: string;
  readonly broken: EvidenceBreak | null;
  /** Rows that are in no place of the chain, by their kinds. */
  readonly outside: Readonly<Record<string, number>>;
  /** Places that were cut off at an end: so many more were given than there are, also where rows came after it since. */
  readonly cut: number;
  /** Rows that were taken in as they were found. */
  readonly found: number;
}

/** Works the whole chain out anew, a row at a time. */
export function evidenceState(db: Records): EvidenceState {
  const { $client: client } = db;
  const readers = new Map<string, Database.Statement>();
  const reader = (name: EvidenceName, list: number): Database.Statement | undefined => {
    const kind: EvidenceKind = EVIDENCE[name];
    const columns = kind.lists[list - 1];
    if (!columns) return undefined;
    const at = `${name} ${list}`;
    const known = readers.get(at);
    if (known) return known;
    // By each column of the key, so that an index serves.
    const where = kind.key.map((column) => `${quoted(column)} = ?`).join(" and ");
    const made = client.prepare(`select ${columns.map(quoted).join(", ")} from ${quoted(name)} where ${where}`).raw();
    readers.set(at, made);
    return made;
  };
  /** A row by its key; no key has a blank in it. */
  const rowOf = (name: EvidenceName, list: number, id: string): unknown => {
    const { length } = EVIDENCE[name].key;
    const by = length === 1 ? [id] : id.split(" ");
    return by.length === length ? reader(name, list)?.get(...by) : undefined;
  };
  let [digest, rows, found] = [BEGINNING, 0, 0];
  let broken: EvidenceBreak | null = null;
  const all = client.prepare("select place, kind, record_id, digest, columns as list, found from evidence order by place");
  for (const at of all.iterate() as IterableIterator<{
    place: number;
    kind: string;
    record_id: string;
    digest: string;
    list: number;
    found: number;
  }>) {
    if (!broken) {
      const known = EVIDENCE_NAMES.find((name) => name === at.kind);
      const row = known && (rowOf(known, at.list, at.record_id) as Value[] | undefined);
      const now = row && digestOf(digest, [at.kind, ...row]);
      if (now !== at.digest) broken = { place: at.place, kind: at.kind, recordId: at.record_id, why: row ? "altered" : "gone" };
    }
    digest = at.digest;
    rows += 1;
    found += at.found;
  }
  return { rows, digest, broken, outside: outsideOf(client), cut: Math.max(0, given(client) - rows), found };
}

/** How many places were ever given. */
const given = (client: Database.Database): number =>
  (client.prepare("select seq from sqlite_sequence where name = 'evidence'").pluck().get() as number | undefined) ?? 0;

function outsideOf(client: Database.Database): Record<string, number> {
  return Object.fromEntries(
    EVIDENCE_NAMES.flatMap((name) => {
      const count = client
        .prepare(
          `select count(*) from ${quoted(name)} t where not exists (select 1 from evidence e where e.kind = '${name}' and e.record_id = ${keyOf(EVIDENCE[name], "t")})`,
        )
        .pluck()
        .get() as number;
      return count > 0 ? [[name, count] as const] : [];
    }),
  );
}

const AT_ONCE = 100;
type AdoptedRow = [rowid: number, key: string, ...values: Value[]];

/**
 * Takes in what was there before the chain was, once for each file of records: marked as found, in the order of the tables. What comes in
 * beside the app later is never taken in by itself.
 * @param first what is done besides, that once
 */
export function adoptEvidence(db: Records, at: string, first: (db: Records) => void): void {
  const { $client: client } = db;
  const adopted = client.prepare("select count(*) from chain_events where what = 'adopted'").pluck().get() as number;
  if (adopted > 0) return;
  const adopt = client.transaction(() => {
    first(db);
    let rows = 0;
    let digest = headOf(client);
    const add = client.prepare("insert into evidence (kind, record_id, digest, columns, found) values (?, ?, ?, ?, 1)");
    for (const name of EVIDENCE_NAMES) {
      const kind: EvidenceKind = EVIDENCE[name];
      const list = kind.lists.length;
      const columns = kind.lists.at(-1)!.map(quoted).join(", ");
      // A few at a time: photos may be many.
      const missing = client
        .prepare(
          `select t.rowid, ${keyOf(kind, "t")} as key_of, ${columns} from ${quoted(name)} t where t.rowid > ? and not exists (select 1 from evidence e where e.kind = '${name}' and e.record_id = ${keyOf(kind, "t")}) order by t.rowid limit ${AT_ONCE}`,
        )
        .raw();
      for (let after = -1, some: AdoptedRow[] = []; ; after = some.at(-1)![0]) {
        some = missing.all(after) as AdoptedRow[];
        for (const [, key, ...values] of some) {
          digest = digestOf(digest, [name, ...values]);
          add.run(name, String(key), digest, list);
          rows += 1;
        }
        if (some.length < AT_ONCE) break;
      }
    }
    client
      .prepare("insert into chain_events (what, at, why, state) values ('adopted', ?, null, ?)")
      .run(at, JSON.stringify({ rows, digest }));
  });
  adopt.immediate();
}

/** Keeps that somebody went on past what isn't as it was, with the reason. @param state what that is, as JSON */
export function acceptChain(
  db: Records,
  { at, why, state }: { readonly at: string; readonly why: string; readonly state: string },
): void {
  db.$client.prepare("insert into chain_events (what, at, why, state) values ('accepted', ?, ?, ?)").run(at, why, state);
}

/** When somebody last went on past just this; undefined where nobody did. */
export const lastAccepted = (db: Records, state: string): { readonly at: string; readonly why: string } | undefined =>
  db.$client
    .prepare("select at, why from chain_events where what = 'accepted' and state = ? order by id desc limit 1")
    .get(state) as { at: string; why: string } | undefined;
