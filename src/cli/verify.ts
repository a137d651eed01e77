import { createHash } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";

/**
 * `gauge verify FILE`: whether the chain of a file of records, a copy or a backup, is whole. It goes by docs/chain.json alone and shares no
 * code with what writes the chain, so that the one checks the other.
 */

interface Definition {
  readonly kinds: Readonly<Record<string, { readonly key: readonly string[]; readonly lists: readonly (readonly string[])[] }>>;
}

interface Told {
  readonly exit: 0 | 2;
  readonly out: string;
  readonly err: string;
}

const refuse = (why: string): Told => ({ exit: 2, out: "", err: why });

/** @returns exit 0 with the head on standard output; or 2 with the first break on standard error */
export function runVerify(file: string): Told {
  if (!existsSync(file)) return refuse(`${file}: no such file`);
  let db: Database.Database;
  try {
    db = new Database(file, { readonly: true, fileMustExist: true });
    db.prepare("select count(*) from evidence").get();
  } catch (error) {
    return refuse(`${file}: no file of records with a chain (${error instanceof Error ? error.message : "unreadable"})`);
  }
  try {
    return check(db);
  } catch (error) {
    return refuse(`${file}: can't be read (${error instanceof Error ? error.message : "unreadable"})`);
  } finally {
    db.close();
  }
}

const statements = new WeakMap<Database.Database, Map<string, Database.Statement>>();
function rowBy(db: Database.Database, sql: string): Database.Statement {
  const known = statements.get(db) ?? new Map<string, Database.Statement>();
  statements.set(db, known);
  const made = known.get(sql) ?? db.prepare(sql);
  known.set(sql, made);
  return made;
}

function check(db: Database.Database): Told {
  const { kinds } = JSON.parse(readFileSync(path.join("docs", "chain.json"), "utf8")) as Definition;
  let [head, rows, adopted] = ["", 0, 0];
  for (const link of db.prepare("select * from evidence order by place").all() as {
    place: number;
    kind: string;
    record_id: string;
    digest: string;
    columns: number;
    found: number;
  }[]) {
    const at = `place ${link.place}, ${link.kind} ${link.record_id}`;
    if (link.place !== rows + 1) return refuse(`after place ${rows}: ${link.place - rows - 1} cut off, and rows that came after`);
    const kind = kinds[link.kind];
    const columns = kind?.lists[link.columns - 1];
    if (!kind || !columns) return refuse(`${at}: of a kind or a list that docs/chain.json doesn't name`);
    // By each column of its key, so that an index serves; no key has a blank in it.
    const where = kind.key.map((column) => `"${column}" = ?`).join(" and ");
    const by = kind.key.length === 1 ? [link.record_id] : link.record_id.split(" ");
    const found = by.length === kind.key.length ? rowBy(db, `select * from "${link.kind}" where ${where}`).get(...by) : undefined;
    const row = found as Record<string, unknown> | undefined;
    if (!row) return refuse(`${at}: gone`);
    const values = columns.map((column) => {
      const value = row[column];
      return value instanceof Uint8Array ? createHash("sha256").update(value).digest("hex") : value;
    });
    head = createHash("sha256")
      .update(head + JSON.stringify([link.kind, ...values]))
      .digest("hex");
    if (head !== link.digest) return refuse(`${at}: altered`);
    rows += 1;
    adopted += link.found;
  }
  const given = (db.prepare("select seq from sqlite_sequence where name = 'evidence'").pluck().get() as number | undefined) ?? 0;
  if (given > rows) return refuse(`after place ${rows}: ${given - rows} cut off at the end`);
  for (const [name, { key }] of Object.entries(kinds)) {
    const where = key.map((column) => `cast(t."${column}" as text)`).join(" || ' ' || ");
    const outside = db
      .prepare(`select ${where} from "${name}" t where ${where} not in (select record_id from evidence where kind = ?)`)
      .pluck()
      .all(name) as string[];
    if (outside.length > 0) return refuse(`${name} ${outside[0]}: in no place of the chain, and ${outside.length - 1} more`);
  }
  return {
    exit: 0,
    out: `${JSON.stringify({ format: "careful-gauge-verified", version: 1, head, rows, found: adopted })}`,
    err: "",
  };
}
