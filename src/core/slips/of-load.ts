import { read, type System } from "../working/units";
import { make, raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { unitNamed } from "../quantity/unit";
import type { LabelRate } from "../labels/label-rate";
import { atMost } from "../quantity/slack";
import { scaled, type Slip } from "./slip";

/** An amount of a product in a load, with its rate. */
export interface Measured {
  readonly name: string;
  readonly amount: Entered<"mass"> | Entered<"volume">;
  readonly rate: LabelRate;
}

/** The area that an amount is enough for; undefined of a rate for a volume of spray. */
export function impliedArea({ amount, rate }: Measured): Quantity<"area"> | undefined {
  if (rate.kind !== "rateByWeight" && rate.kind !== "rateByVolume") return undefined;
  return make<"area">(raw(amount.value as Quantity<"mass">) / raw(rate.value as Quantity<"rateByWeight">));
}

/** How far two areas of one load may differ by rounding alone (ours). */
const ALIKE = 1.06;

/**
 * Products in one load that imply different areas: amount ÷ rate should be the same for all.
 * @param products all with rates for an area
 */
export function slipsOfLoad(products: readonly Measured[], system: System): Slip[] {
  const areas = products.flatMap((p) => {
    const area = impliedArea(p);
    return area === undefined ? [] : [{ p, area: raw(area) }];
  });
  if (areas.length < 2) return [];
  const [least, most] = [areas.reduce((a, b) => (b.area < a.area ? b : a)), areas.reduce((a, b) => (b.area > a.area ? b : a))];
  if (most.area / least.area <= ALIKE) return [];
  const words = (one: typeof most) => `${one.p.name} for ${read(make<"area">(one.area), "area", system)}`;
  return [
    {
      code: "other-area",
      says: `the products of one load are measured for different areas: ${words(most)}, ${words(least)}`,
      corrected: null,
    },
  ];
}

/** How an amount that somebody measured stands to what the load takes by its own area and rate. */
export interface AgainstLoad {
  /** What was measured over what the load takes. */
  readonly ratio: number;
  readonly state: "as planned" | "too much" | "too little" | "over its label";
  /** What would go down with it: the rate, times the ratio. */
  readonly goesDown: number;
}

/**
 * @param planned what the load takes of it
 * @param most the label's most at once, of the rate's own kind, where it is known: an amount over it is over, however little
 */
export function againstLoad(
  { amount, rate }: Measured,
  planned: Quantity<"mass"> | Quantity<"volume">,
  most?: LabelRate,
): AgainstLoad {
  const ratio = raw(amount.value as Quantity<"mass">) / raw(planned as Quantity<"mass">);
  const goesDown = raw(rate.value as Quantity<"rateByWeight">) * ratio;
  const over = most?.kind === rate.kind && !atMost(goesDown, raw(most.value as Quantity<"rateByWeight">));
  const near = ratio <= ALIKE && ratio >= 1 / ALIKE;
  return { ratio, goesDown, state: over ? "over its label" : near ? "as planned" : ratio > 1 ? "too much" : "too little" };
}

const THOUSAND = unitNamed("ft2").factor * 1000;

/** One thousand's dose in a load that covers more: the label's number itself was measured. */
export function slipsOfDose({ amount, rate }: Measured, covers: Quantity<"area">, system: System): Slip[] {
  const dose = raw(rate.value as Quantity<"rateByWeight">) * THOUSAND;
  const thousands = raw(covers) / THOUSAND;
  if (Math.abs(raw(amount.value as Quantity<"mass">) / dose - 1) > 0.02 || thousands < 1.5) return [];
  const right = scaled(amount as Entered<"mass">, Number(thousands.toPrecision(6)));
  return [
    {
      code: "one-thousand",
      says: `that is the dose of 1,000 sq ft, and the load covers ${read(covers, "area", system)}`,
      corrected: right?.text ?? null,
    },
  ];
}

/**
 * A weight typed for a liquid, or a fluid ounce for a dry product: never taken, and what was probably meant is offered.
 * @param text as typed, in the written way ("0.3 oz/1000 ft2")
 */
export function slipsOfForm(text: string, form: "dry" | "liquid"): Slip[] {
  const number = /^\S+/.exec(text)?.[0];
  if (number === undefined) return [];
  if (form === "liquid" && /^\S+ oz\b/.test(text))
    return [
      {
        code: "dry-for-fluid",
        says: "oz is a weight, and this product is a liquid: fluid ounces were probably meant",
        corrected: text.replace(/ oz\b/, " fl oz"),
      },
    ];
  if (form === "dry" && /^\S+ fl oz\b/.test(text))
    return [
      {
        code: "fluid-for-dry",
        says: "fl oz is a volume, and this product is dry: ounces of weight were probably meant",
        corrected: text.replace(" fl oz", " oz"),
      },
    ];
  return [];
}
