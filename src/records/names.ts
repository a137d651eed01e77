import { and, eq, sql } from "drizzle-orm";
import { foldedName } from "@/core/names";
import type { Access } from "./access";
import { once } from "./prepared";
import { labels, people, recordNames, revisions, rigs, sites, tips } from "./schema";

/** What has a name, is kept up to date, and is retired rather than deleted. */
export const NAMED = { people, rigs, tips, labels, sites } as const;
export type NamedKind = keyof typeof NAMED;

/** Keeps that a record is called so: a file that knows it by this name will still mean it when it is called otherwise. */
export function keepName(db: Access, kind: NamedKind, recordId: string, name: string, at: string): void {
  db.insert(recordNames)
    .values({ kind, recordId, key: foldedName(name), name, at })
    .onConflictDoNothing()
    .run();
}

/** A record by one of its names. */
export interface NamedRecord {
  readonly id: string;
  /** What it is called now. */
  readonly name: string;
  readonly retired: boolean;
}

/** The records that are called so now, or once were; those that are called so now first, retired ones last. */
export function recordsNamed(db: Access, kind: NamedKind, name: string): NamedRecord[] {
  const key = foldedName(name);
  const table = NAMED[kind];
  const rows = once(db, `${kind} named`, (of) =>
    of
      .select({ id: table.id, name: table.name, retiredAt: table.retiredAt })
      .from(recordNames)
      .innerJoin(table, eq(table.id, recordNames.recordId))
      .where(and(eq(recordNames.kind, kind), eq(recordNames.key, sql.placeholder("key"))))
      .prepare(),
  ).all({ key });
  const order = (row: (typeof rows)[number]) => (row.retiredAt === null ? 0 : 2) + (foldedName(row.name) === key ? 0 : 1);
  return rows
    .sort((a, b) => order(a) - order(b) || (a.id < b.id ? -1 : 1))
    .map(({ id, name: now, retiredAt }) => ({ id, name: now, retired: retiredAt !== null }));
}

/** Every name that a record has or had. */
export const namesOf = (db: Access, kind: NamedKind, recordId: string): string[] =>
  db
    .select({ name: recordNames.name })
    .from(recordNames)
    .where(and(eq(recordNames.kind, kind), eq(recordNames.recordId, recordId)))
    .all()
    .map((row) => row.name);

/** The record that is called so now, but for capitals, accents and what can't be seen; a retired one too. */
export const twinOf = (db: Access, kind: NamedKind, name: string): NamedRecord | undefined =>
  recordsNamed(db, kind, name).find((one) => foldedName(one.name) === foldedName(name));

/** Names that records had before names were kept; also where a start was cut off before all were. */
export function fillNames(db: Access, at: string): void {
  for (const kind of Object.keys(NAMED) as NamedKind[]) {
    const table = NAMED[kind];
    const rows = db
      .select({ id: table.id, name: table.name })
      .from(table)
      .where(sql`not exists (select 1 from ${recordNames} n where n.kind = ${kind} and n.record_id = ${table.id})`)
      .all();
    for (const { id, name } of rows) keepName(db, kind, id, name, at);
  }
}

/** Keeps how a record was before it is changed. */
export function keepRevision(db: Access, kind: NamedKind, recordId: string, was: object, at: string): void {
  db.insert(revisions)
    .values({ kind, recordId, was: JSON.stringify(was), at })
    .run();
}
