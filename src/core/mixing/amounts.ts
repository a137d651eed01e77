import { raw, type Quantity } from "../quantity/kinds";
import { derive, given, kindOf, num, rule, type Derived, type Source } from "../working/rule";
import type { MixProduct, Price } from "./product";

const PROPORTION = "a rate times what it is a rate of";

export const weightForAreaRule = rule({
  id: "product-weight-for-area",
  version: 1,
  title: "Product",
  formula: "rate * area",
  inputs: { rate: "rateByWeight", area: "area" },
  output: "mass",
  source: PROPORTION,
  compute: ({ rate, area }) => num(rate) * num(area),
});

export const volumeForAreaRule = rule({
  id: "product-volume-for-area",
  version: 1,
  title: "Product",
  formula: "rate * area",
  inputs: { rate: "rateByVolume", area: "area" },
  output: "volume",
  source: PROPORTION,
  compute: ({ rate, area }) => num(rate) * num(area),
});

export const weightForSprayRule = rule({
  id: "product-weight-for-spray",
  version: 1,
  title: "Product",
  formula: "strength * spray",
  inputs: { strength: "strengthByWeight", spray: "volume" },
  output: "mass",
  source: PROPORTION,
  compute: ({ strength, spray }) => num(strength) * num(spray),
});

export const volumeForSprayRule = rule({
  id: "product-volume-for-spray",
  version: 1,
  title: "Product",
  formula: "strength * spray",
  inputs: { strength: "strengthByVolume", spray: "volume" },
  output: "volume",
  source: PROPORTION,
  compute: ({ strength, spray }) => num(strength) * num(spray),
});

export type Amount = Derived<"mass"> | Derived<"volume">;

/** How much of a product a given area takes, or the spray that treats it: bound once to the product, used per load. */
export type AmountFor = (area: Source<"area">, spray: Source<"volume">) => Amount;

/** Binds a product's rate: what it is a rate of, is settled once and not in every load. */
export function amountFor(product: MixProduct): AmountFor {
  const { rate: entry, mixed } = product;
  if (mixed)
    return kindOf(mixed) === "strengthByWeight"
      ? (_area, spray) => derive(weightForSprayRule, { strength: mixed as Derived<"strengthByWeight">, spray })
      : (_area, spray) => derive(volumeForSprayRule, { strength: mixed as Derived<"strengthByVolume">, spray });
  switch (entry.kind) {
    case "rateByWeight": {
      const rate = (product.by as Source<"rateByWeight">) ?? given(entry, `rate of ${product.name}`);
      return (area) => derive(weightForAreaRule, { rate, area });
    }
    case "rateByVolume": {
      const rate = (product.by as Source<"rateByVolume">) ?? given(entry, `rate of ${product.name}`);
      return (area) => derive(volumeForAreaRule, { rate, area });
    }
    case "strengthByWeight": {
      const strength = given(entry, `strength of ${product.name}`);
      return (_area, spray) => derive(weightForSprayRule, { strength, spray });
    }
    case "strengthByVolume": {
      const strength = given(entry, `strength of ${product.name}`);
      return (_area, spray) => derive(volumeForSprayRule, { strength, spray });
    }
  }
}

/** What an amount costs, in the price's currency, unrounded. The price's content is in the amount's own kind. */
export function costOf(amount: Amount, price: Price): number {
  return (price.amount * num(amount as Source<"mass">)) / raw(price.per.value as Quantity<"mass">);
}

/** An amount's plain number, g or mL: what tools and stock are counted in. */
export const canonicalAmount = (amount: Amount): number => raw(amount.value as Quantity<"mass">);
