import type { LabelSays } from "../labels/label";
import type { Entered } from "../quantity/parse";
import type { Derived } from "../working/rule";
import type { Mixed } from "./fixed-volume";
import type { Package } from "./packages";

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

export interface Price {
  readonly amount: number;
  /** ISO 4217: "USD". */
  readonly currency: string;
  readonly per: Entered<"mass"> | Entered<"volume">;
}

/** What a mix needs to know of a product. */
export interface MixProduct {
  readonly name: string;
  readonly form: Form;
  /** The label's code: WG, SC, EC … decides when it goes into the tank. */
  readonly formulation?: string;
  /** The label's own mixing order, in its words. */
  readonly order?: string;
  readonly rate: LabelRate;
  /** How the rate was turned into product, where the label states a nutrient or an active. */
  readonly by?: Derived<"rateByWeight"> | Derived<"rateByVolume">;
  /** What goes into a volume of spray, where it is mixed for another spray volume than is sprayed. */
  readonly mixed?: Mixed;
  readonly price?: Price;
  /** Packages that it comes in. */
  readonly packages?: readonly Package[];
  /** A rate for a volume of spray was asked about, and is meant as the strength of the mix. */
  readonly byStrength?: boolean;
  /** One part of a split: half the label's rate is meant. */
  readonly split?: boolean;
  /** What the label binds the plan to. */
  readonly says?: LabelSays;
}
