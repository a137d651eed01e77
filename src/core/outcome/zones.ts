import type { AreaRate } from "../labels/active";
import type { Amount } from "../mixing/amounts";
import type { MixProduct } from "../mixing/product";
import type { Entered } from "../quantity/parse";
import { derive, given, kindOf, num, nums, rule, type Derived, type Source } from "../working/rule";
import { groundCoveredRule, volumeOverGroundRule, weightOverGroundRule } from "./over-ground";

/**
 * Which zone got what: where somebody said how much of each zone a load did, each zone has its own rate. A load goes down evenly
 * over its own ground, so a zone gets of it as much as its part of that ground.
 */

/** A pass, as far as it says what it covered. */
interface Covering {
  readonly load: number;
  readonly again: boolean;
  readonly covered: Entered<"area">;
  readonly on?: readonly { readonly zone: string; readonly covered: Entered<"area"> }[] | undefined;
}

/** What a product came to on one zone. */
export interface ZoneProduct {
  readonly product: MixProduct;
  readonly putDown: AreaRate;
  readonly total: Amount;
}

export interface ZoneOutcome {
  readonly zone: string;
  readonly covered: Source<"area">;
  readonly products: readonly ZoneProduct[];
}

export const weightOfPassRule = rule({
  id: "weight-of-pass",
  version: 1,
  title: "Of it on the zone",
  formula: "sum(amounts * on / ground)",
  inputs: { amounts: ["mass"], on: ["area"], ground: ["area"] },
  output: "mass",
  source: "a pass goes down evenly: the zone's part of its ground has that part of it",
  compute: ({ amounts, on, ground }) => sumOfParts(nums(amounts), nums(on), nums(ground)),
});

export const volumeOfPassRule = rule({
  id: "volume-of-pass",
  version: 1,
  title: "Of it on the zone",
  formula: "sum(amounts * on / ground)",
  inputs: { amounts: ["volume"], on: ["area"], ground: ["area"] },
  output: "volume",
  source: "a pass goes down evenly: the zone's part of its ground has that part of it",
  compute: ({ amounts, on, ground }) => sumOfParts(nums(amounts), nums(on), nums(ground)),
});

const sumOfParts = (amounts: readonly number[], on: readonly number[], ground: readonly number[]): number =>
  amounts.reduce((sum, amount, i) => sum + (amount * on[i]!) / ground[i]!, 0);

/**
 * What each zone of a site got; undefined where nobody said which load went where. Zones on which nothing went down are left out.
 * @param each what every pass put down of each product, in the order of the passes
 */
export function zonesOf(
  passes: readonly Covering[],
  each: readonly { readonly product: MixProduct; readonly passes: readonly Amount[] }[],
): readonly ZoneOutcome[] | undefined {
  const names = [...new Set(passes.flatMap((pass) => pass.on?.map(({ zone }) => zone) ?? []))];
  if (names.length === 0) return undefined;
  return names.flatMap((zone): ZoneOutcome[] => {
    const on = passes.flatMap((pass, i) => {
      const here = pass.on?.find((part) => part.zone === zone);
      if (!here) return [];
      const ground = given(pass.covered, `covered by load ${pass.load}`);
      return [{ i, first: !pass.again, area: given(here.covered, `${zone}, covered by load ${pass.load}`), ground }];
    });
    const firsts = on.filter(({ first }) => first).map(({ area }) => area);
    if (firsts.length === 0) return [];
    const covered = derive(groundCoveredRule, { passes: firsts });
    const products = each.map(({ product, passes: amounts }): ZoneProduct => {
      const parts = { on: on.map((one) => one.area), ground: on.map((one) => one.ground) };
      const own = on.map(({ i }) => amounts[i]!);
      if (kindOf(own[0]!) === "mass") {
        const total = derive(weightOfPassRule, { amounts: own as Derived<"mass">[], ...parts });
        return { product, total, putDown: derive(weightOverGroundRule, { amount: total, ground: covered }) };
      }
      const total = derive(volumeOfPassRule, { amounts: own as Derived<"volume">[], ...parts });
      return { product, total, putDown: derive(volumeOverGroundRule, { amount: total, ground: covered }) };
    });
    return [{ zone, covered, products }];
  });
}

/** Whether the parts of a pass are all of its ground: so much may texts round off. */
export const PARTS_AGREE = 0.01;

/** How far the zones of a pass are from its ground, as a part. */
export const partsOff = (covered: Source<"area">, parts: readonly Source<"area">[]): number =>
  Math.abs(parts.reduce((sum, part) => sum + num(part), 0) / num(covered) - 1);
