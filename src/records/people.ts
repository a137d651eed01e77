import { asc, eq } from "drizzle-orm";
import { entered } from "@/core/quantity/parse";
import type { PaperText } from "@/formats/papers";
import { readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./access";
import { people } from "./schema";

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly retired: boolean;
  readonly revision: number;
  readonly papers?: readonly PaperText[];
  /** "30 in" */
  readonly stride?: string;
}

interface NamedPerson {
  readonly name: string;
  readonly papers?: readonly PaperText[] | null;
  readonly stride?: string | undefined;
}

function personOf(row: typeof people.$inferSelect): Person {
  if (typeof row.name !== "string" || row.name.trim() === "") throw new Error("it has no name");
  const { id, name, revision, papers, stride } = row;
  return {
    id,
    name,
    retired: row.retiredAt !== null,
    revision,
    ...(papers && { papers }),
    ...(stride && { stride: stride.text }),
  };
}

export const listPeople = (db: Access, aside?: SetAside[]): Person[] =>
  readRows("person", db.select().from(people).orderBy(asc(people.name)).all(), personOf, aside);

/** What everybody is called. */
export const peopleNames = (db: Access): ReadonlyMap<string, string> =>
  new Map(
    db
      .select({ id: people.id, name: people.name })
      .from(people)
      .all()
      .map((row) => [row.id, row.name]),
  );

export const findPerson = (db: Access, id: string): Person | undefined =>
  readRow("person", db.select().from(people).where(eq(people.id, id)).get(), personOf);

/** Adds a person, or changes the one with this id. */
export function putPerson(db: Access, id: string, { name, papers = null, stride: text }: NamedPerson, now: string): void {
  const stride = text === undefined ? null : entered(text, "length");
  db.insert(people)
    .values({ id, name, papers, stride, createdAt: now })
    .onConflictDoUpdate({ target: people.id, set: { name, papers, stride } })
    .run();
}

export function retirePerson(db: Access, id: string, at: string | null): boolean {
  return db.update(people).set({ retiredAt: at }).where(eq(people.id, id)).run().changes === 1;
}
