import { quantity } from "../quantity/quantity";
import { constant, type Source } from "../working/rule";
import { readAreaRate, type AreaRate } from "./active";
import type { Counting } from "./budget";
import type { LimitRow, YearKind, ZoneFacts } from "./label";

/** Why a plan is held. There is no override: a reason goes away when the plan comes inside the label. */
export const REASON_CODES = [
  "over-application-limit",
  "over-year-limit",
  "over-count-limit",
  "too-soon",
  "under-carrier-minimum",
  "over-concentrated",
  "turf-not-allowed",
  "too-soon-after-seeding",
  "too-soon-before-seeding",
  "hose-end-not-allowed",
  "aftercare-clash",
  "uncountable",
  "active-unknown",
  "spot-over-zone",
  "head-off-rate",
] as const;
export type ReasonCode = (typeof REASON_CODES)[number];

export interface Reason {
  readonly code: ReasonCode;
  readonly text: string;
  /** What would make it fit, in words. */
  readonly fits: string;
  readonly site: string | null;
  readonly zone: string | null;
  readonly product: string | null;
  /** The most of the product that the label still allows here; null where the reason is not about an amount. */
  readonly most: AreaRate | null;
  /** The date from which it may go down again, where waiting helps. */
  readonly earliest?: string;
}

/** How much of a limit on the year or the application is taken: what a budget bar draws. All in the planned product. */
export interface Budget {
  readonly of: "year" | "application";
  readonly zone: string;
  readonly product: string;
  readonly active: string;
  readonly limit: AreaRate;
  /** What went down; null where nothing did. */
  readonly used: AreaRate | null;
  /** What stands on open sheets and in this mix. */
  readonly planned: AreaRate;
  /** What is left for this product in this mix. */
  readonly left: AreaRate;
  readonly yearKind?: YearKind;
}

export interface Judged {
  readonly reasons: readonly Reason[];
  readonly budgets: readonly Budget[];
  readonly warnings: readonly LimitWarning[];
}

export interface DayOfPlan {
  readonly site: string;
  readonly jurisdiction?: string | undefined;
  /** ISO date; absent where no limit needs one. */
  readonly date?: string | undefined;
  readonly sprayVolume: Source<"sprayVolume">;
  /**
   * Whether entries after the date count too. A job file's limits look back from its date; the records of the app must
   * hold in whatever order they were written, so there every year that holds the plan is looked at.
   */
  readonly anyOrder?: boolean | undefined;
}

/** A warning of a judgement: it doesn't hold the plan. */
export interface LimitWarning {
  readonly code: "turf-unknown" | "jurisdiction-unknown" | "water-deadline-open" | "second-half-late" | "active-not-noted";
  readonly text: string;
}

/** Takes one reason of a product on a zone. */
export type Hold = (reason: Omit<Reason, "site" | "zone" | "product">) => void;

/** One product on one zone, before its label. */
export interface Case {
  readonly own: Counting;
  /** The other products of the mix. */
  readonly others: readonly Counting[];
  /** The rows of the limits that bind here. */
  readonly rows: readonly LimitRow[];
  readonly zone: ZoneFacts;
  readonly day: DayOfPlan;
  readonly held: Hold;
  readonly budgets: Budget[];
  readonly warnings: LimitWarning[];
}

/** A rate in the words of a reason. */
export const rateText = (rate: AreaRate): string => readAreaRate(rate, "us", 4);

const NONE = {
  dry: constant("rateByWeight", quantity("rateByWeight", 0, "oz/1000 ft2"), "nothing more"),
  liquid: constant("rateByVolume", quantity("rateByVolume", 0, "fl oz/1000 ft2"), "nothing more"),
};

/** Nothing more of a product. */
export const none = (product: Counting): AreaRate => (product.dry ? NONE.dry : NONE.liquid);
