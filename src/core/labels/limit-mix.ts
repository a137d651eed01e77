import { afterTank, aftercareClashes } from "./aftercare";
import type { HeadReading } from "../hose-end/head";
import { show, showEntered, writeNumber } from "../quantity/format";
import { quantity } from "../quantity/quantity";
import { constant, derive, given, num, rule, type AnySource, type Source } from "../working/rule";
import type { Counting } from "./budget";
import type { DayOfPlan, LimitWarning, Reason } from "./reason";
import { atLeast, atMost } from "../quantity/slack";

export const dilutionOnAreaRule = rule({
  id: "dilution-on-area",
  version: 2,
  title: "Water to all products",
  formula: "max(sprayVolume - sum(products), 0) / sum(products)",
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
  head: HeadReading | null = null,
): { reasons: readonly Reason[]; warnings: readonly LimitWarning[]; working: readonly AnySource[] } {
  const reasons: Reason[] = [];
  const working: AnySource[] = [];
  const held = (product: string, reason: Pick<Reason, "code" | "text" | "fits">) =>
    reasons.push({ ...reason, product, site: null, zone: null, most: null });
  const inTank = products.filter((p) => !p.spread);
  const off = headOffRate(inTank[0]?.name, head);
  if (off) held(off.product, off);
  for (const { name, says } of inTank) {
    const least = says.carrierAtLeast;
    if (least && !atLeast(num(sprayVolume), num(given(least, "carrier minimum"))))
      held(name, {
        code: "under-carrier-minimum",
        text: `${name}: the label wants at least ${show(least.value, "sprayVolume", "gal/1000 ft2")}, this sprayer puts down ${show(sprayVolume.value, "sprayVolume", "gal/1000 ft2")}.`,
        fits: "Walk slower or take a larger tip, and calibrate again.",
      });
    if (says.dilutionAtLeast) {
      const dilution = derive(dilutionOnAreaRule, { sprayVolume, products: inTank.map(roomOf) });
      working.push(dilution);
      const wanted = says.dilutionAtLeast;
      if (!atLeast(num(dilution), num(given(wanted, "least dilution"))))
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
  const wishes = products.map(({ name, says }) => ({ name, aftercare: says.aftercare }));
  for (const { between, text } of aftercareClashes(wishes))
    held(between[1], {
      code: "aftercare-clash",
      text: `${text}: no hour satisfies both.`,
      fits: `Split them: take ${between[1]} out and spray it on another day, when the first has had its aftercare.`,
    });
  const { openOf, dry } = afterTank(wishes);
  const warnings: LimitWarning[] =
    openOf !== null
      ? [
          {
            code: "water-deadline-open",
            text: `${openOf} must be watered in and its card says no deadline, ${dry!.of} must stay dry for ${showEntered(dry!.value)} first: does the label of ${openOf} leave the time?`,
          },
        ]
      : [];
  return { reasons, warnings, working };
}

/** So far may head, jar and pace together be off the label's rate (ours: as far as trials may differ). */
const HEAD_WITHIN = 0.1;

/** A hose-end head that puts down another dose than its label at the pace that was timed. */
function headOffRate(product: string | undefined, head: HeadReading | null) {
  if (product === undefined || !head?.timePer1000 || head.overdose === null) return undefined;
  if (atMost(Math.abs(head.overdose - 1), HEAD_WITHIN)) return undefined;
  const times = writeNumber(head.overdose, { figures: 3 });
  return {
    product,
    code: "head-off-rate" as const,
    text: `${product}: at the pace that was timed this head and jar put down ${times} times the label rate.`,
    fits: `Walk 1,000 sq ft in ${show(head.timePer1000.value, "time", "s")}, or set another dial or a weaker jar.`,
  };
}

/** The room that a rate takes: a dry product as much as its weight of water. */
export const roomOf = ({ rate, dry }: Pick<Counting, "rate" | "dry">): Source<"rateByVolume"> =>
  dry ? derive(roomOfDryRule, { rate: rate as Source<"rateByWeight">, water: WATER }) : (rate as Source<"rateByVolume">);
