import { asc, eq } from "drizzle-orm";
import type { CardText } from "@/formats/card/card";
import { readRow, readRows, RecordUnreadable, type SetAside } from "./aside";
import type { Access } from "./access";
import { labels } from "./schema";

export interface Label {
  readonly id: string;
  readonly retired: boolean;
  readonly revision: number;
  readonly card: CardText;
}

const labelOf = ({ id, retiredAt, revision, card }: typeof labels.$inferSelect): Label => ({
  id,
  retired: retiredAt !== null,
  revision,
  card,
});

/** All labels, each as its card. */
export const listLabels = (db: Access, aside?: SetAside[]): Label[] =>
  readRows("label", db.select().from(labels).orderBy(asc(labels.name)).all(), labelOf, aside);

export const findLabel = (db: Access, id: string): Label | undefined =>
  readRow("label", db.select().from(labels).where(eq(labels.id, id)).get(), labelOf);

/** A label's card for what is told beside a record: undefined also where it can't be read, which the list of labels tells. */
export function cardIfRead(db: Access, id: string | null): CardText | undefined {
  try {
    return id === null ? undefined : findLabel(db, id)?.card;
  } catch (error) {
    if (error instanceof RecordUnreadable) return undefined;
    throw error;
  }
}

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
