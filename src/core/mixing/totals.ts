import { derive, nums, rule, type Derived } from "../working/rule";
import { costOf, type Amount } from "./amounts";
import { isWeight } from "./display";
import type { MixPlan } from "./plan";

export const allSitesWeightRule = rule({
  id: "all-sites-weight",
  version: 1,
  title: "On all sites",
  formula: "sum(sites)",
  inputs: { sites: ["mass"] },
  output: "mass",
  source: "the sites of a mix, added up",
  compute: ({ sites }) => nums(sites).reduce((sum, a) => sum + a, 0),
});

export const allSitesVolumeRule = rule({
  id: "all-sites-volume",
  version: 1,
  title: "On all sites",
  formula: "sum(sites)",
  inputs: { sites: ["volume"] },
  output: "volume",
  source: "the sites of a mix, added up",
  compute: ({ sites }) => nums(sites).reduce((sum, a) => sum + a, 0),
});

export interface Total {
  readonly amount: Amount;
  readonly cost: { readonly value: number; readonly currency: string } | null;
}

/** What all sites of a plan take of each product, and what that costs; in the order of the products. */
export function totalsOf(plan: MixPlan): Total[] {
  return plan.products.map(({ price }, i) => {
    const each = plan.sites.map((site) => site.totals[i]!);
    const amount =
      each.length === 1
        ? each[0]!
        : isWeight(each[0]!)
          ? derive(allSitesWeightRule, { sites: each as Derived<"mass">[] })
          : derive(allSitesVolumeRule, { sites: each as Derived<"volume">[] });
    return { amount, cost: price ? { value: costOf(amount, price), currency: price.currency } : null };
  });
}
