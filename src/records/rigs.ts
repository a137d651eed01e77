import { asc, eq } from "drizzle-orm";
import { entered, raw } from "@/core/contents";
import type { RigText } from "@/formats/job-file/types";
import type { Access } from "./database";
import { isSetup, type TipText } from "@/formats/rig-setup";
import { rigs, tanks } from "./schema";
import { listTips } from "./tips";

export type NamedRig = RigText & { readonly name: string };

/** All rigs with their tanks, as a job file writes them. */
export function listRigs(db: Access): { id: string; retired: boolean; rig: NamedRig }[] {
  const all = db.select().from(tanks).orderBy(asc(tanks.position)).all();
  const charts = listTips(db).map((t) => t.tip);
  return db
    .select()
    .from(rigs)
    .orderBy(asc(rigs.name))
    .all()
    .map((row) => ({
      id: row.id,
      retired: row.retiredAt !== null,
      rig: textOf(
        row,
        all.filter((t) => t.rigId === row.id),
        charts,
      ),
    }));
}

export function findRig(db: Access, id: string): NamedRig | undefined {
  const row = db.select().from(rigs).where(eq(rigs.id, id)).get();
  if (!row) return undefined;
  const charts = listTips(db).map((t) => t.tip);
  return textOf(row, db.select().from(tanks).where(eq(tanks.rigId, id)).orderBy(asc(tanks.position)).all(), charts);
}

export const rigNamed = (db: Access, name: string) => db.select({ id: rigs.id }).from(rigs).where(eq(rigs.name, name)).get();

/** Adds a rig, or brings the one with this id up to date; its tanks go with it. */
export function putRig(db: Access, id: string, rig: NamedRig, now: string): void {
  const spacing = rig.outlets?.spacing === undefined ? null : entered(rig.outlets.spacing, "length");
  const pressure = rig.tip?.pressure === undefined ? null : entered(rig.tip.pressure, "pressure");
  const row = {
    name: rig.name,
    kind: rig.kind,
    outlets: rig.outlets?.count ?? 1,
    spacing,
    spacingM: spacing && raw(spacing.value),
    tipSize: rig.tip?.size ?? null,
    pressure,
    pressurePa: pressure && raw(pressure.value),
    head: rig.head ?? null,
    setup: isSetup(rig["x-setup"]) ? rig["x-setup"] : null,
  };
  db.insert(rigs)
    .values({ id, ...row, createdAt: now })
    .onConflictDoUpdate({ target: rigs.id, set: row })
    .run();
  db.delete(tanks).where(eq(tanks.rigId, id)).run();
  (rig.tanks ?? []).forEach((tank, position) => {
    const usable = entered(tank.usable, "volume");
    const leastMix = tank.leastMix === undefined ? null : entered(tank.leastMix, "volume");
    const amounts = { usable, usableMl: raw(usable.value), leastMix, leastMixMl: leastMix && raw(leastMix.value) };
    db.insert(tanks)
      .values({ rigId: id, position, name: tank.name ?? "main", ...amounts })
      .run();
  });
}

export function retireRig(db: Access, id: string, at: string | null): boolean {
  return db.update(rigs).set({ retiredAt: at }).where(eq(rigs.id, id)).run().changes === 1;
}

/** A rig as a job file writes it; with the chart of its tip, so that a recorded job says what it was worked out by. */
function textOf(row: typeof rigs.$inferSelect, of: (typeof tanks.$inferSelect)[], charts: readonly TipText[]): NamedRig {
  const tip = { ...(row.tipSize !== null && { size: row.tipSize }), ...(row.pressure && { pressure: row.pressure.text }) };
  const chart = row.setup?.chart === undefined ? undefined : charts.find((t) => t.name === row.setup!.chart);
  return {
    name: row.name,
    kind: row.kind,
    tanks: of.map((t) => ({ name: t.name, usable: t.usable.text, ...(t.leastMix && { leastMix: t.leastMix.text }) })),
    outlets: { count: row.outlets, ...(row.spacing && { spacing: row.spacing.text }) },
    ...(Object.keys(tip).length > 0 && { tip }),
    ...(row.head && { head: row.head }),
    ...(row.setup && { "x-setup": row.setup }),
    ...(chart && { "x-chart": chart }),
  };
}
