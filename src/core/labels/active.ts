import type { Entered } from "../quantity/parse";
import { derive, given, num, rule, type Derived, type Source } from "../working/rule";
import { read, type System } from "../working/units";

/** An active ingredient, with how much of it is in the product: a part by weight, or a weight in a volume. */
export interface Active {
  readonly name: string;
  readonly content: Entered<"share"> | Entered<"activeStrength">;
}

/** A rate of product for an area. */
export type AreaRate = Source<"rateByWeight"> | Source<"rateByVolume">;

/** A rate's plain number in the coherent set, whichever of the two kinds it is: for comparing two of one kind. */
export const sizeOf = (rate: AreaRate): number => num(rate as Source<"rateByWeight">);

/** A rate in the reader's units, rounded down: it may be a limit. */
export function readAreaRate(rate: AreaRate, system: System, figures = 3): string {
  const rounding = { figures, down: true };
  return isWeightRate(rate)
    ? read(rate.value, "rateByWeight", system, rounding)
    : read((rate as Source<"rateByVolume">).value, "rateByVolume", system, rounding);
}

const BY_ACTIVE = "two products are compared by the active ingredient in them, limits count it and not the product";

export const strengthOfLiquidRule = rule({
  id: "strength-of-liquid",
  version: 1,
  title: "Active in a volume of the liquid",
  formula: "gravity * fraction",
  inputs: { gravity: "gravity", fraction: "share" },
  output: "activeStrength",
  source: "a liquid weighs its specific gravity times as much as water, 1 g to the mL",
  compute: ({ gravity, fraction }) => num(gravity) * num(fraction),
});

export const weightAsWeightRule = rule({
  id: "weight-as-weight",
  version: 1,
  title: "As much of the planned product",
  formula: "amount * fraction / own",
  inputs: { amount: "rateByWeight", fraction: "share", own: "share" },
  output: "rateByWeight",
  source: BY_ACTIVE,
  compute: ({ amount, fraction, own }) => (num(amount) * num(fraction)) / num(own),
});

export const volumeAsVolumeRule = rule({
  id: "volume-as-volume",
  version: 1,
  title: "As much of the planned product",
  formula: "amount * strength / own",
  inputs: { amount: "rateByVolume", strength: "activeStrength", own: "activeStrength" },
  output: "rateByVolume",
  source: BY_ACTIVE,
  compute: ({ amount, strength, own }) => (num(amount) * num(strength)) / num(own),
});

export const sameLiquidRule = rule({
  id: "same-liquid",
  version: 1,
  title: "As much of the planned product",
  formula: "amount * fraction / own",
  inputs: { amount: "rateByVolume", fraction: "share", own: "share" },
  output: "rateByVolume",
  source: `${BY_ACTIVE}; of one liquid the specific gravity cancels`,
  compute: ({ amount, fraction, own }) => (num(amount) * num(fraction)) / num(own),
});

export const weightAsVolumeRule = rule({
  id: "weight-as-volume",
  version: 1,
  title: "As much of the planned product",
  formula: "amount * fraction / own",
  inputs: { amount: "rateByWeight", fraction: "share", own: "activeStrength" },
  output: "rateByVolume",
  source: BY_ACTIVE,
  compute: ({ amount, fraction, own }) => (num(amount) * num(fraction)) / num(own),
});

export const volumeAsWeightRule = rule({
  id: "volume-as-weight",
  version: 1,
  title: "As much of the planned product",
  formula: "amount * strength / own",
  inputs: { amount: "rateByVolume", strength: "activeStrength", own: "share" },
  output: "rateByWeight",
  source: BY_ACTIVE,
  compute: ({ amount, strength, own }) => (num(amount) * num(strength)) / num(own),
});

/** A product that stands for an active: what it is called, what is in it, how dense it is. */
export interface Holder {
  readonly product: string;
  readonly content: Active["content"];
  readonly gravity?: Entered<"gravity"> | undefined;
}

/** The active in a volume of a liquid; undefined where only its part by weight is known, and not the specific gravity. */
export function strengthOf({ product, content, gravity }: Holder): Source<"activeStrength"> | undefined {
  if (content.kind === "activeStrength") return given(content, `active in ${product}`);
  const fraction = given(content, `active in ${product}`);
  return gravity && derive(strengthOfLiquidRule, { gravity: given(gravity, `specific gravity of ${product}`), fraction });
}

const isWeightRate = (rate: AreaRate): rate is Source<"rateByWeight"> =>
  ("rule" in rate ? rate.rule.output : rate.kind) === "rateByWeight";

/**
 * An amount of one product as so much of another that holds the same active: what the label's limits of the other one
 * count. Undefined where a liquid's specific gravity would be needed and isn't known.
 * @param amount of the product `holder`, per area · @param own the planned product · @param dry whether that one is dry
 */
export function asPlanned(
  amount: AreaRate,
  holder: Holder,
  own: Holder,
  dry: boolean,
): Derived<"rateByWeight"> | Derived<"rateByVolume"> | undefined {
  if (isWeightRate(amount)) {
    if (holder.content.kind !== "share") return undefined;
    const fraction = given(holder.content, `active in ${holder.product}`);
    if (!dry) {
      const strength = strengthOf(own);
      return strength && derive(weightAsVolumeRule, { amount, fraction, own: strength });
    }
    if (own.content.kind !== "share") return undefined;
    return derive(weightAsWeightRule, { amount, fraction, own: given(own.content, `active in ${own.product}`) });
  }
  const strength = strengthOf(holder);
  if (dry) {
    if (!strength || own.content.kind !== "share") return undefined;
    return derive(volumeAsWeightRule, { amount, strength, own: given(own.content, `active in ${own.product}`) });
  }
  const ownStrength = strengthOf(own);
  if (strength && ownStrength) return derive(volumeAsVolumeRule, { amount, strength, own: ownStrength });
  if (holder.product !== own.product || holder.content.kind !== "share" || own.content.kind !== "share") return undefined;
  const fraction = given(holder.content, `active in ${holder.product}`);
  return derive(sameLiquidRule, { amount, fraction, own: given(own.content, `active in ${own.product}`) });
}
