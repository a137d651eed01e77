import { afterTank, aftercareClashes, between } from "./aftercare";
import type { HeadReading } from "../hose-end/head";
import { quantity } from "../quantity/quantity";
import { constant, derive, given, num, rule, type AnySource, type Source } from "../working/rule";
import type { Counting } from "./budget";
import type { DayOfPlan, Held, LimitWarning, Reason } from "./reason";
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
  const held = (product: string, reason: Held) => reasons.push({ ...reason, product, site: null, zone: null });
  const inTank = products.filter((p) => !p.spread);
  const off = inTank.length > 0 && headOffRate(head);
  if (off) held(inTank[0]!.name, off);
  for (const { name, says } of inTank) {
    const least = says.carrierAtLeast;
    if (least && !atLeast(num(sprayVolume), num(given(least, "carrier minimum"))))
      held(name, {
        code: "under-carrier-minimum",
        values: { least: least.value, sprayVolume: sprayVolume.value },
        most: null,
      });
    if (says.dilutionAtLeast) {
      const dilution = derive(dilutionOnAreaRule, { sprayVolume, products: inTank.map(roomOf) });
      working.push(dilution);
      const wanted = says.dilutionAtLeast;
      if (!atLeast(num(dilution), num(given(wanted, "least dilution"))))
        held(name, { code: "over-concentrated", values: { wanted, dilution: dilution.value }, most: null });
    }
    if (hoseEnd && says.hoseEnd === false) held(name, { code: "hose-end-not-allowed", values: {}, most: null });
  }
  const wishes = products.map(({ name, says }) => ({ name, aftercare: says.aftercare }));
  for (const clash of aftercareClashes(wishes)) held(between(clash)[1], { code: "aftercare-clash", values: clash, most: null });
  const { openOf, dry } = afterTank(wishes);
  const warnings: LimitWarning[] =
    openOf !== null ? [{ code: "water-deadline-open", values: { product: openOf, dry: dry!.of, keepDry: dry!.value } }] : [];
  return { reasons, warnings, working };
}

/** So far may head, jar and pace together be off the label's rate (ours: as far as trials may differ). */
const HEAD_WITHIN = 0.1;

/** A hose-end head that puts down another dose than its label at the pace that was timed. */
function headOffRate(head: HeadReading | null): Held | undefined {
  if (!head?.timePer1000 || head.overdose === null) return undefined;
  if (atMost(Math.abs(head.overdose - 1), HEAD_WITHIN)) return undefined;
  return {
    code: "head-off-rate",
    values: { overdose: head.overdose, timePer1000: head.timePer1000.value },
    most: null,
  };
}

/** The room that a rate takes: a dry product as much as its weight of water. */
export const roomOf = ({ rate, dry }: Pick<Counting, "rate" | "dry">): Source<"rateByVolume"> =>
  dry ? derive(roomOfDryRule, { rate: rate as Source<"rateByWeight">, water: WATER }) : (rate as Source<"rateByVolume">);
