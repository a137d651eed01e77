import { allFillings, type Filling } from "@/core/mixing/column";
import { isWeight } from "@/core/mixing/display";
import type { MixPlan } from "@/core/mixing/plan";
import { pouringOrder } from "@/core/mixing/pouring-order";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import { toCsv } from "./csv-out";

/** What is poured, as a table: one line a product of a load, in the order of pouring. Numbers are not rounded. */
export const LOAD_COLUMNS = [
  "site",
  "load",
  "status",
  "fill to (gal)",
  "covers (sq ft)",
  "product",
  "amount",
  "unit",
  "reason",
] as const;

/** A plan → CSV; of a day under way with the fills that are behind. A held site has one line, without an amount, with the reason. */
export function loadsToCsv(plan: MixPlan, fillings: readonly Filling[] = allFillings(plan)): string {
  const lines: Record<(typeof LOAD_COLUMNS)[number], string | number>[] = fillings.flatMap((load) =>
    pouringOrder(plan.products).map((i) => {
      const amount = load.amounts[i]!;
      const dry = isWeight(amount);
      return {
        site: load.sites.join("; "),
        load: load.number,
        status: "ready",
        "fill to (gal)": valueIn(load.fillTo.value, "gal"),
        "covers (sq ft)": valueIn(load.covers.value, "ft2"),
        product: plan.products[i]!.name,
        amount: dry ? valueIn(amount.value, "oz") : valueIn(amount.value as Quantity<"volume">, "fl oz"),
        unit: dry ? "oz" : "fl oz",
        reason: "",
      };
    }),
  );
  const none = { load: "", "fill to (gal)": "", "covers (sq ft)": "", product: "", amount: "", unit: "" };
  for (const site of plan.held) {
    const why = plan.reasons.filter((r) => r.site === site || r.site === null).map((r) => r.text);
    lines.push({ ...none, site, status: "held", reason: [...new Set(why)].join(" ") });
  }
  return toCsv(lines, LOAD_COLUMNS);
}
