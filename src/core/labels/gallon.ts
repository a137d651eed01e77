import { entered, type Entered } from "../quantity/parse";
import { constant, derive, given, rule, num, type Derived } from "../working/rule";
import type { LabelRate } from "./label-rate";
import type { MixProduct } from "../mixing/product";

/**
 * Rates for a gallon. "2 tbsp a gallon" on a label often means a gallon for so much ground: sprayed at 3.75 gal per 1,000
 * sq ft it would put 3.75 times the dose down. Where the label says how much ground, the rate is one for an area.
 */
const SOURCE = "the label means one gallon of the mix for so much ground (common practice)";
const GALLON = constant("volume", entered("1 gal", "volume").value, "a gallon");

export const weightOfGallonRule = rule({
  id: "gallon-weight",
  version: 1,
  title: "Label rate for the ground",
  formula: "strength * gallon / covers",
  inputs: { strength: "strengthByWeight", gallon: "volume", covers: "area" },
  output: "rateByWeight",
  source: SOURCE,
  compute: ({ strength, gallon, covers }) => (num(strength) * num(gallon)) / num(covers),
});

export const volumeOfGallonRule = rule({
  id: "gallon-volume",
  version: 1,
  title: "Label rate for the ground",
  formula: "strength * gallon / covers",
  inputs: { strength: "strengthByVolume", gallon: "volume", covers: "area" },
  output: "rateByVolume",
  source: SOURCE,
  compute: ({ strength, gallon, covers }) => (num(strength) * num(gallon)) / num(covers),
});

/** A rate for a volume of spray, not for an area. */
export const isStrength = (rate: LabelRate): rate is Extract<LabelRate, { kind: "strengthByWeight" | "strengthByVolume" }> =>
  rate.kind === "strengthByWeight" || rate.kind === "strengthByVolume";

/** What a rate for a gallon puts on an area, where the label says how much ground a gallon is for. */
export function rateOfGallon(
  rate: Extract<LabelRate, { kind: "strengthByWeight" | "strengthByVolume" }>,
  covers: Entered<"area">,
): Derived<"rateByWeight"> | Derived<"rateByVolume"> {
  const ground = given(covers, "ground that a gallon is for");
  return rate.kind === "strengthByWeight"
    ? derive(weightOfGallonRule, { strength: given(rate, "label rate"), gallon: GALLON, covers: ground })
    : derive(volumeOfGallonRule, { strength: given(rate, "label rate"), gallon: GALLON, covers: ground });
}

/** Formulations of which a rate for a volume means just that: they work by the strength of the mix. */
const BY_STRENGTH = ["CONDITIONER", "SURFACTANT", "DYE"];

/**
 * Whether it is open how much ground a product's rate is for: a rate for a volume of spray, of no adjuvant or dye, with no
 * limit by area that would hold an overdose. It is asked about before there is an amount.
 */
export function groundIsOpen({
  rate,
  formulation,
  says,
  byStrength,
}: Pick<MixProduct, "rate" | "formulation" | "says" | "byStrength">): boolean {
  if (byStrength || !isStrength(rate) || BY_STRENGTH.includes(formulation?.toUpperCase() ?? "")) return false;
  const byArea = [says?.range?.[1], ...(says?.limits ?? []).flatMap((row) => [row.perApplication, row.perYear])];
  return !byArea.some((limit) => limit !== undefined && !isStrength(limit));
}
