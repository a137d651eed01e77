import type { Entered } from "../quantity/parse";

/** Dry products go on a scale, liquid ones into a vessel: a weight ounce never stands for a fluid ounce. */
export const FORMS = ["dry", "liquid"] as const;
export type Form = (typeof FORMS)[number];

/** A label rate: product for an area, or for a volume of spray. */
export const RATE_KINDS = ["rateByWeight", "rateByVolume", "strengthByWeight", "strengthByVolume"] as const;
export type RateKind = (typeof RATE_KINDS)[number];
export type LabelRate = { [K in RateKind]: Entered<K> }[RateKind];

/** The kinds of rate that a form can have. */
export const RATES_OF_FORM = {
  dry: ["rateByWeight", "strengthByWeight"],
  liquid: ["rateByVolume", "strengthByVolume"],
} as const satisfies Record<Form, readonly RateKind[]>;

/** The ounce that is meant where none is named: by weight of a dry product, by volume of a liquid one. The one place for it. */
export const ounceOf = (form: Form): "oz" | "fl oz" => (form === "dry" ? "oz" : "fl oz");

/** Whether a typed amount is a rate for an area, "0.3 oz/1000 ft2" or "4 oz per 1,000", and not a total. */
export const isRateText = (typed: string): boolean => /\/|\bper\b/i.test(typed);
