import { volumeOnAreaRule, weightOnAreaRule } from "../labels/per-area";
import { derive, given, kindOf, num, rule, type Derived, type Source } from "../working/rule";
import type { Mixed, MixProduct } from "./product";

const SOURCE = "the fixed-volume school: so much water is taken to cover an area, whatever is really sprayed (common practice)";

export const fixedWeightRule = rule({
  id: "fixed-volume-weight",
  version: 1,
  title: "Into each gallon",
  formula: "rate / mixedFor",
  inputs: { rate: "rateByWeight", mixedFor: "sprayVolume" },
  output: "strengthByWeight",
  source: SOURCE,
  compute: ({ rate, mixedFor }) => num(rate) / num(mixedFor),
});

export const fixedVolumeRule = rule({
  id: "fixed-volume-volume",
  version: 1,
  title: "Into each gallon",
  formula: "rate / mixedFor",
  inputs: { rate: "rateByVolume", mixedFor: "sprayVolume" },
  output: "strengthByVolume",
  source: SOURCE,
  compute: ({ rate, mixedFor }) => num(rate) / num(mixedFor),
});

export const fixedFactorRule = rule({
  id: "fixed-volume-factor",
  version: 1,
  title: "Of the label's rate goes down",
  formula: "sprayed / mixedFor",
  inputs: { sprayed: "sprayVolume", mixedFor: "sprayVolume" },
  output: "share",
  source: "mixed for q₀ and sprayed at q, product goes down at R·q/q₀, and the tank covers q₀/q of what was meant",
  compute: ({ sprayed, mixedFor }) => num(sprayed) / num(mixedFor),
});

/**
 * A product mixed for another spray volume than is really sprayed. A rate for a volume of spray stays what it is: it never
 * depended on the area.
 */
export function mixedFor(product: MixProduct, volume: Source<"sprayVolume">): MixProduct {
  const { rate } = product;
  const name = `rate of ${product.name}`;
  if (rate.kind === "rateByWeight") {
    const source = (product.by as Source<"rateByWeight"> | undefined) ?? given(rate, name);
    return { ...product, mixed: derive(fixedWeightRule, { rate: source, mixedFor: volume }) };
  }
  if (rate.kind === "rateByVolume") {
    const source = (product.by as Source<"rateByVolume"> | undefined) ?? given(rate, name);
    return { ...product, mixed: derive(fixedVolumeRule, { rate: source, mixedFor: volume }) };
  }
  return product;
}

/** What a mixed strength puts on an area at what is really sprayed. */
export function leavesOnGround(
  mixed: Mixed,
  sprayVolume: Source<"sprayVolume">,
): Derived<"rateByWeight"> | Derived<"rateByVolume"> {
  return kindOf(mixed) === "strengthByWeight"
    ? derive(weightOnAreaRule, { strength: mixed as Derived<"strengthByWeight">, sprayVolume })
    : derive(volumeOnAreaRule, { strength: mixed as Derived<"strengthByVolume">, sprayVolume });
}

/** How much of the label's rate goes down, and whether that is worth a word: within 1 % it isn't. */
export function fixedVolumeEffect(sprayed: Source<"sprayVolume">, volume: Source<"sprayVolume">) {
  const factor = derive(fixedFactorRule, { sprayed, mixedFor: volume });
  return { factor, matters: Math.abs(num(factor) - 1) > 0.01 };
}
