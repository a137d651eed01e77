import type { LabelSays } from "../labels/label";
import type { Entered } from "../quantity/parse";
import type { Derived } from "../working/rule";
import type { Form, LabelRate } from "../labels/label-rate";

export interface Price {
  readonly amount: number;
  /** ISO 4217: "USD". */
  readonly currency: string;
  readonly per: Entered<"mass"> | Entered<"volume">;
}

/** A package on the shelf or in the shop. */
export interface Package {
  /** A weight of a dry product, a volume of a liquid one. */
  readonly content: Entered<"mass"> | Entered<"volume">;
  readonly price?: number;
}

/** What a product has of a strength: what goes into a volume of spray, worked out. */
export type Mixed = Derived<"strengthByWeight"> | Derived<"strengthByVolume">;

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
