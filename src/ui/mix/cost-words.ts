import { costOf, type Amount } from "@/core/mixing/amounts";
import type { MixProduct } from "@/core/mixing/product";
import { money } from "../data/money";

/** What some amounts cost together, as far as prices are known; undefined where none is. Currencies are not added up. */
export function costWords(products: readonly MixProduct[], amounts: readonly Amount[]): string | undefined {
  const sums = new Map<string, number>();
  products.forEach(({ price }, i) => {
    if (price) sums.set(price.currency, (sums.get(price.currency) ?? 0) + costOf(amounts[i]!, price));
  });
  const words = [...sums].map(([currency, value]) => money(value, currency));
  return words.length > 0 ? words.join(" and ") : undefined;
}
