import { quantity } from "../quantity/quantity";
import { constant, derive, given, type AnySource, type Derived, type Source } from "../working/rule";
import { amountFor, costOf } from "./amounts";
import { areaOf, overageRule } from "./areas";
import { judge } from "./judge";
import { enough } from "./packages";
import type { Judgement, MixSite, SpreadItem } from "./plan";
import { isSpread } from "./pouring-order";
import type { MixProduct } from "./product";

interface Spreading {
  readonly products: readonly MixProduct[];
  readonly sites: readonly MixSite[];
  readonly overage?: Source<"share"> | undefined;
}

/** What the granules of a mix come to, site by site; held sites get none. */
export function spreadItems({ products, sites, overage }: Spreading, held: readonly string[]): SpreadItem[] {
  return sites
    .filter((site) => !held.includes(site.name))
    .flatMap((site) => {
      const whole = areaOf(site.zones.map((z) => given(z.area, z.name)));
      const area = overage ? derive(overageRule, { area: whole, overage }) : whole;
      return products.filter(isSpread).map((product): SpreadItem => {
        const total = amountFor(product)(area, NO_SPRAY) as Derived<"mass">;
        const { price } = product;
        return {
          site: site.name,
          product,
          area,
          total,
          bags: enough(total, product.packages ?? []) ?? null,
          cost: price ? { value: costOf(total, price), currency: price.currency } : null,
        };
      });
    });
}

const NO_SPRAY = constant("volume", quantity("volume", 0, "gal"), "nothing is sprayed");
/** Stands where a spray volume is asked for: no rate of what is spread dry depends on one. */
const NOT_SPRAYED = constant("sprayVolume", quantity("sprayVolume", 1, "gal/1000 ft2"), "nothing is sprayed");

export interface SpreadPlan extends Judgement {
  readonly items: readonly SpreadItem[];
}

/** A job of granules alone: bags and pounds for each site, and what holds them. */
export function spreadPlan(
  input: Spreading & { readonly date?: string | undefined; readonly anyOrder?: boolean | undefined },
): SpreadPlan {
  const judgement = judge({ ...input, sprayVolume: NOT_SPRAYED });
  return { ...judgement, items: spreadItems(input, judgement.held) };
}

/** What a plan of granules was worked out from. */
export const spreadSources = ({ items, working }: SpreadPlan): AnySource[] => [...items.map((item) => item.total), ...working];
