import { asc, eq } from "drizzle-orm";
import type { CardText } from "@/formats/card/card";
import type { Access } from "./database";
import { labels } from "./schema";

/** All labels, each as its card. */
export function listLabels(db: Access): { id: string; retired: boolean; card: CardText }[] {
  return db
    .select()
    .from(labels)
    .orderBy(asc(labels.name))
    .all()
    .map(({ id, retiredAt, card }) => ({ id, retired: retiredAt !== null, card }));
}

export const findLabel = (db: Access, id: string): CardText | undefined =>
  db.select({ card: labels.card }).from(labels).where(eq(labels.id, id)).get()?.card;

export const labelNamed = (db: Access, name: string) =>
  db.select({ id: labels.id, card: labels.card }).from(labels).where(eq(labels.name, name)).get();

/** Adds a label, or brings the one with this id up to date. */
export function putLabel(db: Access, id: string, card: CardText, now: string): void {
  const { name } = card;
  db.insert(labels)
    .values({ id, name, card, createdAt: now })
    .onConflictDoUpdate({ target: labels.id, set: { name, card } })
    .run();
}

export function retireLabel(db: Access, id: string, at: string | null): boolean {
  return db.update(labels).set({ retiredAt: at }).where(eq(labels.id, id)).run().changes === 1;
}
