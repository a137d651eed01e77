import { allFillings, type Filling } from "@/core/mixing/column";
import { isWeight } from "@/core/mixing/display";
import type { MixPlan } from "@/core/mixing/plan";
import { pouringOrder } from "@/core/mixing/pouring-order";
import type { Quantity } from "@/core/quantity/kinds";
import { unitText } from "@/core/quantity/format";
import { valueIn } from "@/core/quantity/quantity";
import { reasonWords } from "@/core/words/reasons";
import type { System } from "@/core/working/units";
import { toCsv } from "./csv-out";

/** The units that a table of loads is in, by its reader; the command's is the us one. */
const UNITS = {
  us: { tank: "gal", ground: "ft2", dry: "oz", liquid: "fl oz" },
  metric: { tank: "L", ground: "m2", dry: "g", liquid: "mL" },
} as const;

/** What is poured, as a table: one line a product of a load, in the order of pouring. Numbers are not rounded. */
const loadColumns = (system: System) => {
  const { tank, ground } = UNITS[system];
  return {
    site: "site",
    load: "load",
    status: "status",
    fillTo: `fill to (${tank})`,
    covers: `covers (${unitText(ground)})`,
    product: "product",
    amount: "amount",
    unit: "unit",
    reason: "reason",
  } as const;
};

/** A plan → CSV; of a day under way with the fills that are behind. A held site has one line, without an amount, with the reason. */
export function loadsToCsv(plan: MixPlan, fillings: readonly Filling[] = allFillings(plan), system: System = "us"): string {
  const columns = loadColumns(system);
  const units = UNITS[system];
  const line = (cells: Partial<Record<keyof typeof columns, string | number>>) =>
    Object.fromEntries(Object.entries(columns).map(([key, heading]) => [heading, cells[key as keyof typeof columns] ?? ""]));
  const lines = fillings.flatMap((load) =>
    pouringOrder(plan.products).map((i) => {
      const amount = load.amounts[i]!;
      const dry = isWeight(amount);
      return line({
        site: load.sites.join("; "),
        load: load.number,
        status: "ready",
        fillTo: valueIn(load.fillTo.value, units.tank),
        covers: valueIn(load.covers.value, units.ground),
        product: plan.products[i]!.name,
        amount: dry ? valueIn(amount.value, units.dry) : valueIn(amount.value as Quantity<"volume">, units.liquid),
        unit: dry ? units.dry : units.liquid,
      });
    }),
  );
  for (const site of plan.held) {
    const why = plan.reasons.filter((r) => r.site === site || r.site === null).map((r) => reasonWords(r, system).text);
    lines.push(line({ site, status: "held", reason: [...new Set(why)].join(" ") }));
  }
  return toCsv(lines, Object.values(columns));
}
