import { raw, type Kind, type Quantity } from "../quantity/kinds";
import { writtenAs } from "../quantity/parse";
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

/** Two rates of one kind: below zero where the first is the lower. @throws RangeError where their kinds differ */
export function compareRates(a: LabelRate, b: LabelRate): number {
  if (a.kind !== b.kind) throw new RangeError(`a ${a.kind} against a ${b.kind}`);
  return sizeOfRate(a) - sizeOfRate(b);
}

/** A rate's plain number in the coherent set, whichever kind it is. */
export const sizeOfRate = (rate: LabelRate): number => raw(rate.value as Quantity<Kind>);

/** Where in a range a rate lies. */
export type RangePoint = "least" | "middle" | "most";

/** A point of a range, divided: half of the middle for one part of a split. In the unit of its lower end. */
export function pointOf(least: LabelRate, most: LabelRate, point: RangePoint, parts: number): LabelRate {
  const [low, high] = [sizeOfRate(least), sizeOfRate(most)];
  const value = (point === "middle" ? (low + high) / 2 : point === "most" ? high : low) / parts;
  const number = Number((least.number * (value / low)).toPrecision(12));
  return writtenAs(least.kind, number, least.unit) as LabelRate;
}
