import { asc, eq } from "drizzle-orm";
import type { TipText } from "@/formats/rig-setup";
import type { Access } from "./database";
import { tips } from "./schema";

/** All tips with their charts. */
export const listTips = (db: Access) =>
  db
    .select()
    .from(tips)
    .orderBy(asc(tips.name))
    .all()
    .map((row) => ({ id: row.id, retired: row.retiredAt !== null, tip: row.tip }));

export const tipNamed = (db: Access, name: string) => db.select({ id: tips.id }).from(tips).where(eq(tips.name, name)).get();

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
