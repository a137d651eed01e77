import { raw, type Quantity } from "../quantity/kinds";
import { quantity } from "../quantity/quantity";
import { constant, derive, num, nums, rule, type Derived, type Source } from "../working/rule";
import { amountFor, type Amount } from "./amounts";
import { coversRule } from "./areas";
import { isWeight } from "./display";
import type { DayRun } from "./day-run";
import type { MixPlan } from "./plan";
import { goesInAsSlurry, isPacket, pouringOrder } from "./pouring-order";
import type { MixProduct } from "./product";
import type { DoneFill } from "./run-state";
import { atLeast } from "../quantity/slack";

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

export const threeQuartersWaterRule = rule({
  id: "three-quarters-water",
  version: 1,
  title: "Water to start with",
  formula: "fill * 3 / 4",
  inputs: { fill: "volume" },
  output: "volume",
  source: "three quarters of the water first, then the products, then to the mark (another school, common practice)",
  compute: ({ fill }) => (num(fill) * 3) / 4,
});

/** The schools of filling: how much water goes in before the products. */
export const WATER_FIRST = ["half", "three quarters"] as const;
export type WaterFirst = (typeof WATER_FIRST)[number];

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

export const waterOnTopRule = rule({
  id: "water-on-top",
  version: 1,
  title: "Water to start with, on what is left",
  formula: "left + water",
  inputs: { left: "volume", water: "volume" },
  output: "volume",
  source: "half of what is mixed fresh, on top of what is mixed already",
  compute: ({ left, water }) => num(left) + num(water),
});

/**
 * The water that a load is begun with: half of it, or as much as the liquid products leave room for. Null where they
 * leave none: a jar of undiluted product.
 * @param school how much of it comes before the products
 */
export function waterFirst(
  fill: Source<"volume">,
  amounts: readonly Amount[],
  school: WaterFirst = "half",
): Derived<"volume"> | null {
  const products = amounts.filter((a): a is Derived<"volume"> => !isWeight(a));
  const taken = nums(products).reduce((sum, p) => sum + p, 0);
  if (school === "three quarters" && taken <= num(fill) / 4) return derive(threeQuartersWaterRule, { fill });
  if (taken <= num(fill) / 2) return derive(halfWaterRule, { fill });
  return !atLeast(taken, num(fill)) ? derive(roomForWaterRule, { fill, products }) : null;
}

/** One filling of a tank, for one site or for several: what is poured into it. */
export interface Filling {
  /** Stable: the keys of its steps begin with it. */
  readonly key: string;
  readonly number: number;
  readonly fillTo: Source<"volume">;
  /** What is mixed fresh; less than `fillTo` where something was left in the tank. */
  readonly adds: Source<"volume">;
  readonly startsWith: Source<"volume"> | null;
  readonly covers: Source<"area">;
  /** One amount a product, in the order of the plan's products. */
  readonly amounts: readonly Amount[];
  /** The names of the sites that it is for. */
  readonly sites: readonly string[];
}

/** The fillings of one site of a plan, in their order. */
export function fillingsOf(plan: MixPlan, site: number): Filling[] {
  const { name, loads } = plan.sites[site]!;
  return loads.map(({ number, contents: { fillTo, covers, amounts } }) => ({
    key: `${site + 1}.${number}`,
    number,
    fillTo,
    adds: fillTo,
    startsWith: null,
    covers,
    amounts,
    sites: [name],
  }));
}

/** The fillings of a day. @param before how many were filled already */
export function fillingsOfRun({ loads }: DayRun, before = 0): Filling[] {
  return loads.map(({ number, pieces, ...load }) => ({
    ...load,
    key: `run.${before + number}`,
    number: before + number,
    sites: [...new Set(pieces.map((p) => p.lawn.site))],
  }));
}

/** The fillings of a day that are behind: what they held is on record, what went in follows from it. */
export function filledBefore(plan: MixPlan, fills: readonly DoneFill[]): Filling[] {
  const volume = (mL: number, name: string) => constant("volume", quantity("volume", mL, "mL"), name);
  return fills.map(({ number, fillTo, adds }) => {
    const fresh = volume(adds, "mixed fresh");
    const full = volume(fillTo, "filled to");
    const area = derive(coversRule, { fill: fresh, sprayVolume: plan.sprayVolume });
    return {
      key: `run.${number}`,
      number,
      fillTo: full,
      adds: fresh,
      startsWith: fillTo - adds > 1 ? volume(fillTo - adds, "left in the tank") : null,
      covers: derive(coversRule, { fill: full, sprayVolume: plan.sprayVolume }),
      amounts: plan.products.map((product) => amountFor(product)(area, fresh)),
      sites: [],
    };
  });
}

/** One thing to do at the tank, in its order. The key is stable: it is what is ticked off and kept. */
export type Step =
  /** Water to begin with; `mark` is the load's own top mark: both are read in one unit. */
  | { readonly key: string; readonly kind: "water"; readonly to: Derived<"volume">; readonly mark: Source<"volume"> }
  | {
      readonly key: string;
      readonly kind: "product";
      /** Its place among the plan's products. */
      readonly product: number;
      readonly name: string;
      readonly formulation?: string;
      /** Stirred to a slurry in a pail first, so that it goes in without lumps. */
      readonly slurry: boolean;
      /** It comes in packets that dissolve: they go in whole. How many, where the card says what one holds and they come out whole. */
      readonly packets?: { readonly count: number | null };
      /** The label's own word on mixing it. */
      readonly order?: string;
      readonly amount: Amount;
    }
  | { readonly key: string; readonly kind: "rinse" }
  | { readonly key: string; readonly kind: "topUp"; readonly to: Source<"volume"> };

/**
 * The steps of a filling: water to begin with, the products in pouring order, what was used rinsed in, up to the mark.
 * @param school how much of the water comes first
 */
export function stepsOf(products: readonly MixProduct[], filling: Filling, school: WaterFirst = "half"): Step[] {
  const at = (what: string) => `${filling.key}.${what}`;
  const { fillTo, adds, startsWith, amounts } = filling;
  const fresh = waterFirst(adds, amounts, school);
  const water = fresh && startsWith ? derive(waterOnTopRule, { left: startsWith, water: fresh }) : fresh;
  return [
    ...(water ? [{ key: at("water"), kind: "water", to: water, mark: fillTo } as const] : []),
    ...pouringOrder(products).map((i): Step => {
      const { name, formulation, order } = products[i]!;
      return {
        key: at(`product-${i + 1}`),
        kind: "product",
        product: i,
        name,
        ...(formulation && { formulation }),
        slurry: goesInAsSlurry(products[i]!),
        ...(isPacket(products[i]!) && { packets: { count: packetsIn(products[i]!, amounts[i]!) } }),
        ...(order !== undefined && { order }),
        amount: amounts[i]!,
      };
    }),
    { key: at("rinse"), kind: "rinse" },
    { key: at("top-up"), kind: "topUp", to: fillTo },
  ];
}

/** How many packets an amount is, where it is a whole number of them. */
function packetsIn({ packages }: MixProduct, amount: Amount): number | null {
  const one = packages?.[0]?.content;
  if (!one || one.kind !== amount.rule.output) return null;
  const count = num(amount as Source<"mass">) / raw(one.value as Quantity<"mass">);
  const whole = Math.round(count);
  return whole > 0 && Math.abs(count - whole) <= 0.01 * whole ? whole : null;
}

/** All fillings of a plan: the day's where it is planned as one, else every site's. */
export const allFillings = (plan: MixPlan): Filling[] =>
  plan.run ? fillingsOfRun(plan.run) : plan.sites.flatMap((_, i) => fillingsOf(plan, i));

/** The fullest that a plan makes its tank; undefined where nothing is filled. */
export const largestFill = (plan: MixPlan): Source<"volume"> | undefined =>
  allFillings(plan)
    .map(({ fillTo }): Source<"volume"> => fillTo)
    .sort((a, b) => num(b) - num(a))[0];

/** How full a load makes the tank: 0 empty, 1 the usable volume. For drawing to scale. */
export function fullness(fillTo: Source<"volume">, usable: Source<"volume">): number {
  return num(fillTo) / num(usable);
}
