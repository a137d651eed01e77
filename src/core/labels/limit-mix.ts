import { aftercareClashes } from "./aftercare";
import { show } from "../quantity/format";
import { quantity } from "../quantity/quantity";
import { constant, derive, given, num, rule, type AnySource, type Source } from "../working/rule";
import type { Counting } from "./budget";
import type { DayOfPlan, Reason } from "./reason";

export const dilutionOnAreaRule = rule({
  id: "dilution-on-area",
  version: 1,
  title: "Water to all products",
  formula: "(sprayVolume - sum(products)) / sum(products)",
  inputs: { sprayVolume: "sprayVolume", products: ["rateByVolume"] },
  output: "dilution",
  source:
    "what isn't product is water; a dry product is taken to need the room of as much water as it weighs (ours, on the safe side)",
  compute: ({ sprayVolume, products }) => {
    const all = products.reduce((sum, p) => sum + num(p), 0);
    return Math.max(num(sprayVolume) - all, 0) / all;
  },
});

export const roomOfDryRule = rule({
  id: "room-of-dry",
  version: 1,
  title: "Room that a dry product takes",
  formula: "rate / water",
  inputs: { rate: "rateByWeight", water: "activeStrength" },
  output: "rateByVolume",
  source: "as much water as it weighs, 1 g to the mL (ours, on the safe side: powders are denser than water)",
  compute: ({ rate, water }) => num(rate) / num(water),
});

const WATER = constant("activeStrength", quantity("activeStrength", 1, "g/mL"), "water");

/** Judges what doesn't depend on a zone: the carrier, the dilution, the kind of head, the aftercare across the tank. */
export function judgeMix(
  products: readonly Counting[],
  { sprayVolume }: Pick<DayOfPlan, "sprayVolume">,
  hoseEnd: boolean,
): { reasons: readonly Reason[]; working: readonly AnySource[] } {
  const reasons: Reason[] = [];
  const working: AnySource[] = [];
  const held = (product: string, reason: Pick<Reason, "code" | "text" | "fits">) =>
    reasons.push({ ...reason, product, site: null, zone: null, most: null });
  for (const { name, says } of products) {
    const least = says.carrierAtLeast;
    if (least && num(sprayVolume) < num(given(least, "carrier minimum")) * (1 - 1e-9))
      held(name, {
        code: "under-carrier-minimum",
        text: `${name}: the label wants at least ${show(least.value, "sprayVolume", "gal/1000 ft2")}, this sprayer puts down ${show(sprayVolume.value, "sprayVolume", "gal/1000 ft2")}.`,
        fits: "Walk slower or take a larger tip, and calibrate again.",
      });
    if (says.dilutionAtLeast) {
      const dilution = derive(dilutionOnAreaRule, { sprayVolume, products: products.map(roomOf) });
      working.push(dilution);
      const wanted = says.dilutionAtLeast;
      if (num(dilution) < num(given(wanted, "least dilution")) * (1 - 1e-9))
        held(name, {
          code: "over-concentrated",
          text: `${name}: the label wants ${wanted.text} of water to all products together, this mix is ${show(dilution.value, "dilution", ":1", { figures: 3, down: true })}.`,
          fits: "Put down more water, lower the rates, or spray the products one after the other.",
        });
    }
    if (hoseEnd && says.hoseEnd === false)
      held(name, {
        code: "hose-end-not-allowed",
        text: `${name}: the label doesn't allow a hose-end head.`,
        fits: "Take a backpack or a truck.",
      });
  }
  for (const { between, text } of aftercareClashes(products.map(({ name, says }) => ({ name, aftercare: says.aftercare }))))
    held(between[1], {
      code: "aftercare-clash",
      text: `${text}: one tank can't do both.`,
      fits: `Split them: take ${between[1]} out and spray it on another day, when the first has had its aftercare.`,
    });
  return { reasons, working };
}

/** The room that a rate takes: a dry product as much as its weight of water. */
export const roomOf = ({ rate, dry }: Pick<Counting, "rate" | "dry">): Source<"rateByVolume"> =>
  dry ? derive(roomOfDryRule, { rate: rate as Source<"rateByWeight">, water: WATER }) : (rate as Source<"rateByVolume">);
