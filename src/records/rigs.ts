import { asc, eq } from "drizzle-orm";
import { entered } from "@/core/quantity/parse";
import { canonical } from "@/core/quantity/arithmetic";
import { readRig } from "@/formats/job-file/read-rig";
import type { RigText, TipOn } from "@/formats/job-file/types";
import { isSetup, kitOf, type TipText } from "@/formats/rig-setup";
import { asItIs, readParts, readRow, readRows, type SetAside } from "./aside";
import type { Access } from "./access";
import { rigs, tanks } from "./schema";
import { listTips } from "./tips";
import { RIG_KINDS } from "@/rig-kinds/rules";

export type NamedRig = RigText & { readonly name: string };

export interface KnownRig {
  readonly id: string;
  readonly retired: boolean;
  readonly revision: number;
  readonly rig: NamedRig;
}

/** A row with its tanks → a rig. Everything that a room will make of it is made here once: what can't be is told of. */
function rigOf(row: typeof rigs.$inferSelect, of: readonly (typeof tanks.$inferSelect)[], charts: readonly TipText[]): KnownRig {
  if (!RIG_KINDS.includes(row.kind)) throw new Error(`"${row.kind}" is no kind of sprayer`);
  const rig = textOf(row, readParts("tank", of, asItIs), charts);
  readRig(rig);
  kitOf(rig);
  return { id: row.id, retired: row.retiredAt !== null, revision: row.revision, rig };
}

/** All rigs with their tanks, as a job file writes them. */
export function listRigs(db: Access, aside?: SetAside[]): KnownRig[] {
  const all = db.select().from(tanks).orderBy(asc(tanks.position)).all();
  const charts = listTips(db).map((t) => t.tip);
  return readRows(
    "rig",
    db.select().from(rigs).orderBy(asc(rigs.name)).all(),
    (row) =>
      rigOf(
        row,
        all.filter((t) => t.rigId === row.id),
        charts,
      ),
    aside,
  );
}

export function findRig(db: Access, id: string): KnownRig | undefined {
  const of = () => db.select().from(tanks).where(eq(tanks.rigId, id)).orderBy(asc(tanks.position)).all();
  return readRow("rig", db.select().from(rigs).where(eq(rigs.id, id)).get(), (row) =>
    rigOf(
      row,
      of(),
      listTips(db).map((t) => t.tip),
    ),
  );
}

/** What of a tip is noted on a rig: its chart is a record of its own. */
const setOf = ({ size, pressure }: TipOn): TipOn => ({
  ...(size !== undefined && { size }),
  ...(pressure !== undefined && { pressure }),
});

/** A rig of a file as it would come back from here: what it leaves out is what it means. */
export function keptRig(rig: NamedRig): NamedRig {
  const { outlets, tip } = rig;
  return {
    name: rig.name,
    kind: rig.kind,
    tanks: (rig.tanks ?? []).map((t, i) => ({
      name: t.name ?? (i === 0 ? "main" : `tank ${i + 1}`),
      usable: t.usable,
      ...(t.leastMix !== undefined && { leastMix: t.leastMix }),
    })),
    outlets: { count: outlets?.count ?? 1, ...(outlets?.spacing !== undefined && { spacing: outlets.spacing }) },
    ...(tip && (tip.size ?? tip.pressure) !== undefined && { tip: setOf(tip) }),
    ...(rig.head && { head: rig.head }),
    ...(isSetup(rig.setup) && { setup: rig.setup }),
  };
}

/** Adds a rig, or brings the one with this id up to date; its tanks go with it. */
export function putRig(db: Access, id: string, rig: NamedRig, now: string): void {
  const spacing = rig.outlets?.spacing === undefined ? null : entered(rig.outlets.spacing, "length");
  const pressure = rig.tip?.pressure === undefined ? null : entered(rig.tip.pressure, "pressure");
  const row = {
    name: rig.name,
    kind: rig.kind,
    outlets: rig.outlets?.count ?? 1,
    spacing,
    spacingM: spacing && canonical(spacing.value),
    tipSize: rig.tip?.size ?? null,
    pressure,
    pressurePa: pressure && canonical(pressure.value),
    head: rig.head ?? null,
    setup: isSetup(rig.setup) ? rig.setup : null,
  };
  db.insert(rigs)
    .values({ id, ...row, createdAt: now })
    .onConflictDoUpdate({ target: rigs.id, set: row })
    .run();
  db.delete(tanks).where(eq(tanks.rigId, id)).run();
  (rig.tanks ?? []).forEach((tank, position) => {
    const usable = entered(tank.usable, "volume");
    const leastMix = tank.leastMix === undefined ? null : entered(tank.leastMix, "volume");
    const amounts = { usable, usableMl: canonical(usable.value), leastMix, leastMixMl: leastMix && canonical(leastMix.value) };
    db.insert(tanks)
      .values({ rigId: id, position, name: tank.name ?? "main", ...amounts })
      .run();
  });
}

export function retireRig(db: Access, id: string, at: string | null): boolean {
  return db.update(rigs).set({ retiredAt: at }).where(eq(rigs.id, id)).run().changes === 1;
}

/** A rig as a job file writes it; with the chart of its tip, so that a recorded job says what it was worked out by. */
function textOf(row: typeof rigs.$inferSelect, of: readonly (typeof tanks.$inferSelect)[], charts: readonly TipText[]): NamedRig {
  const chart = row.setup?.chart === undefined ? undefined : charts.find((t) => t.name === row.setup!.chart);
  const tip = {
    ...(row.tipSize !== null && { size: row.tipSize }),
    ...(row.pressure && { pressure: row.pressure.text }),
    ...(chart && { chart }),
  };
  return {
    name: row.name,
    kind: row.kind,
    tanks: of.map((t) => ({ name: t.name, usable: t.usable.text, ...(t.leastMix && { leastMix: t.leastMix.text }) })),
    outlets: { count: row.outlets, ...(row.spacing && { spacing: row.spacing.text }) },
    ...(Object.keys(tip).length > 0 && { tip }),
    ...(row.head && { head: row.head }),
    ...(row.setup && { setup: row.setup }),
  };
}
