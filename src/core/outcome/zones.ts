import type { AreaRate } from "../labels/active";
import type { Amount } from "../mixing/amounts";
import type { MixProduct } from "../mixing/product";
import type { Entered } from "../quantity/parse";
import { derive, given, kindOf, num, rule, type Derived, type Source } from "../working/rule";
import { groundCoveredRule, volumeInAllRule, volumeOverGroundRule, weightInAllRule, weightOverGroundRule } from "./over-ground";

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

const OF_PASS = {
  version: 1,
  title: "Of it on the zone",
  formula: "amount * on / ground",
  source: "a pass goes down evenly: the zone's part of its ground has that part of it",
} as const;

export const weightOfPassRule = rule({
  ...OF_PASS,
  id: "weight-of-pass",
  inputs: { amount: "mass", on: "area", ground: "area" },
  output: "mass",
  compute: ({ amount, on, ground }) => (num(amount) * num(on)) / num(ground),
});

export const volumeOfPassRule = rule({
  ...OF_PASS,
  id: "volume-of-pass",
  inputs: { amount: "volume", on: "area", ground: "area" },
  output: "volume",
  compute: ({ amount, on, ground }) => (num(amount) * num(on)) / num(ground),
});

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
      if (kindOf(amounts[0]!) === "mass") {
        const parts = on.map(({ i, area, ground }) =>
          derive(weightOfPassRule, { amount: amounts[i] as Derived<"mass">, on: area, ground }),
        );
        const total = derive(weightInAllRule, { passes: parts });
        return { product, total, putDown: derive(weightOverGroundRule, { amount: total, ground: covered }) };
      }
      const parts = on.map(({ i, area, ground }) =>
        derive(volumeOfPassRule, { amount: amounts[i] as Derived<"volume">, on: area, ground }),
      );
      const total = derive(volumeInAllRule, { passes: parts });
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
