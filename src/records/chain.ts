import { sql } from "drizzle-orm";
import type { Access, Records } from "./access";
import { digestOf } from "./evidence";
import { quoted } from "./quoted";

/**
 * The log as a chain. Each record's digest is of what it says and of the digest before it, so that whoever changes, removes or
 * inserts a record later would have to make every digest after it anew, and the last one would be another. It proves nothing
 * against someone who holds the file and makes all of them anew: against that, note the last digest where he can't reach it
 * (it stands on each page that is printed for an inspector).
 */
const FIRST = [
  "id",
  "date",
  "site_id",
  "zone_id",
  "zone",
  "area",
  "product",
  "label_id",
  "rate",
  "total",
  "actives",
  "gravity",
  "person_id",
  "source",
  "sheet_id",
  "note",
  "why",
  "also_on",
  "corrects",
  "void",
  "facts",
  "created_at",
] as const;
/** With the ground that was covered, and the granules that it comes from: what came before these were kept stays under the first list. */
const SECOND = [...FIRST, "covered", "spreading_id"] as const;
const COLUMNS = { 1: FIRST, 2: SECOND } as const;
/** The lists, by their numbers from 1 on, as docs/chain.json has them. */
export const LOG_LISTS = Object.values(COLUMNS);
type List = keyof typeof COLUMNS;
/** Under which a record is taken in. */
const NEWEST = 2 satisfies List;
const LIST = sql.raw(SECOND.map((name) => `a.${quoted(name)}`).join(", "));

type Row = Readonly<Record<(typeof SECOND)[number], string | number | null>>;

/** What stands before the first record. */
const BEGINNING = "";

const digestOfRow = (before: string, row: Row, list: List): string =>
  digestOf(
    before,
    COLUMNS[list].map((name) => row[name]),
  );

const isList = (list: number): list is List => Object.hasOwn(COLUMNS, list);

const inNoPlace = sql`not exists (select 1 from log_chain c where c.record_id = a.id)`;

/**
 * Takes records into the chain that aren't in it yet, in the order in which they came: once, for records of before it was. What is added
 * since is in it by a trigger (see the migration of the evidence), by the newest list.
 */
export function chainMissing(db: Access): void {
  const rows = db.all<Row>(sql`select ${LIST} from applications a where ${inNoPlace} order by a.rowid`);
  if (rows.length === 0) return;
  const [last] = db.all<{ digest: string }>(sql`select digest from log_chain order by place desc limit 1`);
  let digest = last?.digest ?? BEGINNING;
  for (const row of rows) {
    digest = digestOfRow(digest, row, NEWEST);
    db.run(sql`insert into log_chain (record_id, digest, columns) values (${row.id}, ${digest}, ${NEWEST})`);
  }
}

/** A place of the chain as a file carries it: its digest, the number of its list, and the values that it is of, in the list's order. */
export type LogLink = readonly [digest: string, list: number, ...values: (string | number | null)[]];

/** Every place of the chain with what it is of, a few hundred at a time. */
export function* logLinks({ $client: client }: Records, most = 500): Generator<LogLink[]> {
  const columns = SECOND.map((name) => `a.${quoted(name)}`).join(", ");
  const some = client.prepare(
    `select c.place, c.digest, c.columns as list, ${columns} from log_chain c join applications a on a.id = c.record_id where c.place > ? order by c.place limit ?`,
  );
  for (let after = 0; ;) {
    const rows = some.all(after, most) as (Row & { place: number; digest: string; list: number })[];
    if (rows.length === 0) return;
    yield rows.map(({ digest, list, ...row }) => [
      digest,
      list,
      ...COLUMNS[isList(list) ? list : NEWEST].map((name) => (row as unknown as Row)[name]),
    ]);
    after = rows.at(-1)!.place;
  }
}

/** How the chain stands: unbroken with its last digest, or the first place at which it doesn't fit. */
export interface ChainState {
  readonly records: number;
  readonly digest: string;
  /** The record that is not as it was when it came; null where all fit. */
  readonly broken: { readonly place: number; readonly recordId: string } | null;
  /** Records that are in no place of the chain: they came in another way than through the app. */
  readonly outside: number;
}

/** Works the whole chain out anew, a record at a time. */
export function chainState(db: Records): ChainState {
  const sqlite = db.$client;
  let [digest, records] = [BEGINNING, 0];
  let broken: ChainState["broken"] = null;
  const columns = SECOND.map((name) => `a.${quoted(name)}`).join(", ");
  const all = sqlite.prepare(
    `select c.place, c.digest, c.record_id, c.columns as list, ${columns} from log_chain c left join applications a on a.id = c.record_id order by c.place`,
  );
  for (const row of all.iterate() as IterableIterator<Row & { place: number; digest: string; record_id: string; list: number }>) {
    const now = isList(row.list) ? digestOfRow(digest, row, row.list) : undefined;
    if (!broken && now !== row.digest) broken = { place: row.place, recordId: row.record_id };
    digest = row.digest;
    records += 1;
  }
  const outside = sqlite
    .prepare("select count(*) from applications a where not exists (select 1 from log_chain c where c.record_id = a.id)")
    .pluck()
    .get() as number;
  return { records, digest, broken, outside };
}
