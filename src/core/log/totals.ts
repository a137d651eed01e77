import { strengthOf, type Active } from "../labels/active";
import { make, raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";

/** So much of a product in all, with what is in it. */
export interface ProductTotal {
  readonly product: string;
  /** By weight of a dry product, by volume of a liquid one. */
  readonly amount:
    { readonly of: "mass"; readonly value: Quantity<"mass"> } | { readonly of: "volume"; readonly value: Quantity<"volume"> };
  readonly actives: readonly Active[];
  readonly gravity?: Entered<"gravity"> | undefined;
}

export interface ActiveTotal {
  readonly active: string;
  readonly amount: Quantity<"mass">;
  /** Products that hold it and of which it can't be told how much: a liquid by weight without its specific gravity. */
  readonly open: readonly string[];
}

/**
 * How much of each active went down in all: a part by weight of what was weighed, a strength times what was measured. By name,
 * capitals aside, in the order of the names.
 */
export function activeTotals(products: readonly ProductTotal[]): ActiveTotal[] {
  const totals = new Map<string, { active: string; grams: number; open: Set<string> }>();
  for (const { product, amount, actives, gravity } of products)
    for (const { name, content } of actives) {
      const key = name.toLowerCase();
      const one = totals.get(key) ?? { active: name, grams: 0, open: new Set<string>() };
      totals.set(key, one);
      const grams = gramsOf(product, amount, content, gravity);
      if (grams === undefined) one.open.add(product);
      else one.grams += grams;
    }
  return [...totals.values()]
    .sort((a, b) => a.active.localeCompare(b.active, "en"))
    .map(({ active, grams, open }) => ({ active, amount: make<"mass">(grams), open: [...open] }));
}

function gramsOf(
  product: string,
  amount: ProductTotal["amount"],
  content: Active["content"],
  gravity: ProductTotal["gravity"],
): number | undefined {
  if (amount.of === "mass") return content.kind === "share" ? raw(amount.value) * raw(content.value) : undefined;
  const strength = strengthOf({ product, content, gravity });
  return strength && raw(amount.value) * raw(strength.value);
}
