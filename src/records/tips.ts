import { asc, eq } from "drizzle-orm";
import type { TipText } from "@/formats/rig-setup";
import { readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./access";
import { tips } from "./schema";

const tipOf = (row: typeof tips.$inferSelect) => ({
  id: row.id,
  retired: row.retiredAt !== null,
  revision: row.revision,
  tip: row.tip,
});

/** All tips with their charts. */
export const listTips = (db: Access, aside?: SetAside[]) =>
  readRows("tip", db.select().from(tips).orderBy(asc(tips.name)).all(), tipOf, aside);

export const findTip = (db: Access, id: string) => readRow("tip", db.select().from(tips).where(eq(tips.id, id)).get(), tipOf);

/** Adds a tip, or brings the one with this id up to date. */
export function putTip(db: Access, id: string, tip: TipText, now: string): void {
  const row = { name: tip.name, tip };
  db.insert(tips)
    .values({ id, ...row, createdAt: now })
    .onConflictDoUpdate({ target: tips.id, set: row })
    .run();
}

export function retireTip(db: Access, id: string, at: string | null): boolean {
  return db.update(tips).set({ retiredAt: at }).where(eq(tips.id, id)).run().changes === 1;
}
