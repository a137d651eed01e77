import { asc, eq } from "drizzle-orm";
import type { Access } from "./database";
import { people } from "./schema";

export const listPeople = (db: Access) => db.select().from(people).orderBy(asc(people.name)).all();

export const findPerson = (db: Access, id: string) => db.select().from(people).where(eq(people.id, id)).get();

export const personNamed = (db: Access, name: string) => db.select().from(people).where(eq(people.name, name)).get();

/** Adds a person, or renames the one with this id. */
export function putPerson(db: Access, id: string, name: string, now: string): void {
  db.insert(people).values({ id, name, createdAt: now }).onConflictDoUpdate({ target: people.id, set: { name } }).run();
}

export function retirePerson(db: Access, id: string, at: string | null): boolean {
  return db.update(people).set({ retiredAt: at }).where(eq(people.id, id)).run().changes === 1;
}
