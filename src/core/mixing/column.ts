import { derive, num, nums, rule, type Derived, type Source } from "../working/rule";
import type { Amount } from "./amounts";
import { isWeight } from "./display";
import type { Load, MixPlan } from "./mix";
import { pouringOrder } from "./pouring-order";

export const halfWaterRule = rule({
  id: "half-water",
  version: 1,
  title: "Water to start with",
  formula: "fill / 2",
  inputs: { fill: "volume" },
  output: "volume",
  source: "half the water first, then the products, then to the mark (common practice; some say three quarters)",
  compute: ({ fill }) => num(fill) / 2,
});

export const roomForWaterRule = rule({
  id: "room-for-water",
  version: 1,
  title: "Water to start with",
  formula: "fill - sum(products)",
  inputs: { fill: "volume", products: ["volume"] },
  output: "volume",
  source: "where the products take more than half, only so much water has room beside them",
  compute: ({ fill, products }) => num(fill) - nums(products).reduce((sum, p) => sum + p, 0),
});

/**
 * The water that a load is begun with: half of it, or as much as the liquid products leave room for. Null where they
 * leave none: a jar of undiluted product.
 */
export function waterFirst(fill: Source<"volume">, amounts: readonly Amount[]): Derived<"volume"> | null {
  const products = amounts.filter((a): a is Derived<"volume"> => !isWeight(a));
  const taken = nums(products).reduce((sum, p) => sum + p, 0);
  if (taken <= num(fill) / 2) return derive(halfWaterRule, { fill });
  return taken < num(fill) * (1 - 1e-9) ? derive(roomForWaterRule, { fill, products }) : null;
}

/** One thing to do at the tank, in its order. The key is stable: it is what is ticked off and kept. */
export type Step =
  /** Water to begin with; `mark` is the load's own top mark: both are read in one unit. */
  | { readonly key: string; readonly kind: "water"; readonly to: Derived<"volume">; readonly mark: Source<"volume"> }
  | {
      readonly key: string;
      readonly kind: "product";
      readonly name: string;
      readonly formulation?: string;
      readonly amount: Amount;
    }
  | { readonly key: string; readonly kind: "topUp"; readonly to: Source<"volume"> };

/** The steps of a load: water to begin with, the products in pouring order, up to the mark. */
export function stepsOf(plan: MixPlan, site: number, load: Load): Step[] {
  const at = (what: string) => `${site + 1}.${load.number}.${what}`;
  const { fillTo, amounts } = load.contents;
  const water = waterFirst(fillTo, amounts);
  return [
    ...(water ? [{ key: at("water"), kind: "water", to: water, mark: fillTo } as const] : []),
    ...pouringOrder(plan.products).map((i): Step => {
      const { name, formulation } = plan.products[i]!;
      return { key: at(`product-${i + 1}`), kind: "product", name, ...(formulation && { formulation }), amount: amounts[i]! };
    }),
    { key: at("top-up"), kind: "topUp", to: fillTo },
  ];
}

/** The keys of all steps of a plan: what can be ticked off. */
export function stepKeys(plan: MixPlan): string[] {
  return plan.sites.flatMap((site, i) => site.loads.flatMap((load) => stepsOf(plan, i, load).map((step) => step.key)));
}

/** How full a load makes the tank: 0 empty, 1 the usable volume. For drawing to scale. */
export function fullness(fillTo: Source<"volume">, usable: Source<"volume">): number {
  return num(fillTo) / num(usable);
}
