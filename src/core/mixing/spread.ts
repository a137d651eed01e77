import { quantity } from "../quantity/quantity";
import { constant, derive, given, type AnySource, type Derived, type Source } from "../working/rule";
import { amountFor, costOf } from "./amounts";
import { areaOf, overageRule } from "./areas";
import { judge, type Judgement } from "./judge";
import type { MixSite } from "./mix";
import { enough, type Package } from "./packages";
import { isSpread } from "./pouring-order";
import type { MixProduct } from "./product";

/** What one site takes of a granule. */
export interface SpreadItem {
  readonly site: string;
  readonly product: MixProduct;
  readonly area: Source<"area">;
  readonly total: Derived<"mass">;
  /** Whole bags: rounded up once, at the end. Null where no bag is known. */
  readonly bags: { readonly one: Package; readonly count: number } | null;
  readonly cost: { readonly value: number; readonly currency: string } | null;
}

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
