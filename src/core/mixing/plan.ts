import type { Finding } from "../finding";
import type { HeadReading } from "../hose-end/head";
import type { ZoneFacts } from "../labels/label";
import type { Budget, LimitWarning, Reason } from "../labels/reason";
import type { LabelRate } from "../labels/label-rate";
import type { Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import type { Slip } from "../slips/slip";
import type { AnySource, Derived, Source } from "../working/rule";
import type { Amount } from "./amounts";
import type { DayRun } from "./day-run";
import type { LoadMode } from "./loads";
import type { MixProduct, Package } from "./product";

/** What a mix is asked with and what a plan is: the types that judging, spreading and adding up share. */

export interface Tank {
  readonly name: string;
  readonly usable: Entered<"volume">;
  /** The least that the pump can agitate. */
  readonly leastMix?: Entered<"volume">;
}

export interface MixSite {
  readonly name: string;
  readonly jurisdiction?: string | undefined;
  /** Has water to fill from. */
  readonly water?: boolean;
  readonly zones: readonly (ZoneFacts & { readonly area: Entered<"area"> })[];
}

export interface MixInput {
  readonly sprayVolume: Source<"sprayVolume">;
  readonly tank: Tank;
  readonly products: readonly MixProduct[];
  readonly sites: readonly MixSite[];
  readonly loads: LoadMode;
  /** What really leaves the sprayer, where a load is not filled with it: a hose-end head's jar. */
  readonly leaves?: Source<"sprayVolume">;
  readonly hoseEnd?: boolean;
  /** What the head does with the first product at the pace that was timed. */
  readonly head?: HeadReading | null;
  /** The fixed-volume school: mixed for this, whatever is sprayed. */
  readonly mixedFor?: Source<"sprayVolume"> | undefined;
  /** So much more is mixed than the site takes; none unless somebody asks for it. */
  readonly overage?: Source<"share"> | undefined;
  /** One fill serves several sites; `places` where it is known which of them have water. */
  readonly run?: (Progress & { readonly places: boolean }) | undefined;
  /** ISO date of the plan; needed as soon as a limit on the year, the count or the interval is present. */
  readonly date?: string | undefined;
  readonly anyOrder?: boolean | undefined;
}

/** How far a day has come; nothing of it where it hasn't begun. */
export interface Progress {
  /** The names of the sites still to do, in their order; all of them where it is left out. */
  readonly todo?: readonly string[] | undefined;
  /** What is mixed in the tank now. */
  readonly inTank?: Source<"volume"> | undefined;
  /** The site that was done last, and whether it has water. */
  readonly standsAt?: { readonly site: string; readonly water: boolean } | undefined;
}

/** What one filling holds. Every full tank of a plan is the same object. */
export interface Contents {
  readonly fillTo: Source<"volume">;
  readonly covers: Source<"area">;
  /** One amount a product, in the order of the input's products. */
  readonly amounts: readonly Amount[];
}

export interface Load {
  /** From 1, in the order of pouring. */
  readonly number: number;
  readonly contents: Contents;
}

export interface SitePlan {
  readonly name: string;
  readonly area: Source<"area">;
  readonly spray: Derived<"volume">;
  readonly loads: readonly Load[];
  /** One total a product, in the order of the input's products. */
  readonly totals: readonly Amount[];
  /** What each total costs; null where no price is known. */
  readonly costs: readonly ({ readonly value: number; readonly currency: string } | null)[];
}

/** What should be known of a plan that isn't held. The codes are listed in docs/job-file.md. */
export type MixWarning = LabelWarning | Finding<MixWarningValues>;

export interface MixWarningValues {
  /** A load that is under what its tank can agitate. */
  readonly "below-least-mix": { readonly site: string; readonly fill: Quantity<"volume">; readonly least: Quantity<"volume"> };
  readonly "mixed-for-another-volume": {
    readonly mixedFor: Quantity<"sprayVolume">;
    readonly sprayVolume: Quantity<"sprayVolume">;
    /** What goes down over what was typed. */
    readonly factor: Quantity<"share">;
  };
}

export interface MixPlan {
  readonly sprayVolume: Source<"sprayVolume">;
  /** What really leaves the sprayer: the spray volume, but of a hose-end head's jar. */
  readonly leaves: Source<"sprayVolume">;
  readonly tankCoverage: Derived<"area">;
  /** What goes into the tank, in the order of the input. */
  readonly products: readonly MixProduct[];
  /** What is spread dry beside it, site by site. */
  readonly spread: readonly SpreadItem[];
  /** The sites that may be sprayed. A held one is not among them: there is no amount of it anywhere. */
  readonly sites: readonly SitePlan[];
  /** The fills of the day, where it is planned as one. */
  readonly run: DayRun | null;
  /** The names of the sites that a label holds, and why. */
  readonly held: readonly string[];
  readonly reasons: readonly Reason[];
  /** The budgets of every zone, of held sites too. */
  readonly budgets: readonly SiteBudget[];
  /** What the judgement was worked out from. */
  readonly judged: readonly AnySource[];
  readonly warnings: readonly MixWarning[];
}

/** What a label makes of a mix that doesn't hold it. */
export type LabelWarning = LimitWarning | Finding<RateWarningValues>;

export interface RateWarningValues {
  readonly "per-acre-slip": RateSlips;
  readonly "unit-slip": RateSlips;
  /** Of a product whose label gives no rate: more than labels of its kind ask for. */
  readonly "unusual-rate": RateSlips;
  /** More of it than its spray can carry. */
  readonly "too-thick": {
    readonly product: string;
    readonly rate: LabelRate;
    readonly most: Entered<"strengthByWeight"> | Entered<"strengthByVolume">;
  };
  readonly "under-label-range": { readonly product: string; readonly rate: LabelRate; readonly least: LabelRate };
  /** A rate for a gallon that may be meant for so much ground. */
  readonly "ground-open": { readonly product: string; readonly rate: LabelRate };
}

/** A rate outside its label, and what it probably was. */
interface RateSlips {
  readonly product: string;
  readonly rate: LabelRate;
  readonly slips: readonly Slip[];
}

export interface SiteBudget extends Budget {
  readonly site: string;
}

export interface Judgement {
  /** The names of the held sites. */
  readonly held: readonly string[];
  readonly reasons: readonly Reason[];
  readonly budgets: readonly SiteBudget[];
  readonly warnings: readonly LabelWarning[];
  readonly working: readonly AnySource[];
}

/** What one site takes of a granule. */
export interface SpreadItem {
  readonly site: string;
  readonly product: MixProduct;
  readonly area: Source<"area">;
  readonly total: Derived<"mass">;
  /** Whole bags: rounded up once, at the end. Null where no bag is known. */
  readonly bags: { readonly one: Package; readonly count: number } | null;
  readonly cost: { readonly value: number; readonly currency: string } | null;
}
