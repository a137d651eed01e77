import { quantity } from "../quantity/quantity";
import { constant, type Source } from "../working/rule";
import type { Finding, Nothing } from "../finding";
import type { Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import type { AreaRate } from "./active";
import type { Clash } from "./aftercare";
import type { Counting } from "./budget";
import type { LimitRow, YearKind, ZoneFacts } from "./label";

/** Why a plan is held. There is no override: a reason goes away when the plan comes inside the label. */
export interface ReasonValues {
  readonly "over-application-limit": {
    readonly planned: AreaRate;
    readonly limit: AreaRate;
    /** The label's highest rate, or its limit at once. */
    readonly by: "highest-rate" | "at-once";
    /** The active that another product of the mix holds too. */
    readonly also: string | null;
    /** What counts beside it on the same ground and day; null where nothing does. */
    readonly today: AreaRate | null;
    readonly left: AreaRate;
  };
  readonly "over-year-limit": {
    readonly planned: AreaRate;
    readonly limit: AreaRate;
    readonly year: Year;
    readonly active: string;
    /** What counts against it already; null where nothing does. */
    readonly before: AreaRate | null;
    readonly left: AreaRate;
  };
  readonly "over-count-limit": { readonly most: number; readonly year: Year; readonly count: number };
  readonly "too-soon": {
    readonly on: string;
    /** It stands on an open sheet, or in the year's plan; false where it is down. */
    readonly planned: boolean | "program";
    readonly wait: number;
  };
  readonly "under-carrier-minimum": { readonly least: Quantity<"sprayVolume">; readonly sprayVolume: Quantity<"sprayVolume"> };
  readonly "over-concentrated": { readonly wanted: Entered<"dilution">; readonly dilution: Quantity<"dilution"> };
  readonly "turf-not-allowed": { readonly turfs: readonly string[]; readonly turf: string };
  readonly "too-soon-after-seeding": { readonly what: "seeded" | "sodded"; readonly done: string; readonly wait: number };
  readonly "too-soon-before-seeding": {
    readonly what: "seeding" | "sodding";
    readonly planned: string;
    readonly days: number;
    /** The day to which it would have to be put off. */
    readonly until: string;
  };
  readonly "hose-end-not-allowed": Nothing;
  readonly "aftercare-clash": Clash;
  /** What holds the active too, and can't be compared. */
  readonly uncountable: { readonly other: string; readonly active: string };
  /** Something that went down, or is planned where `on` is null, of which the active isn't noted either. */
  readonly "active-unknown": { readonly other: string; readonly on: string | null };
  readonly "spot-over-zone": { readonly area: Entered<"area">; readonly whole: Entered<"area"> };
  readonly "head-off-rate": { readonly overdose: number; readonly timePer1000: Quantity<"time"> };
}

/** A year of a limit: its kind, and the day on which it ends. */
export interface Year {
  readonly kind: YearKind;
  readonly end: string;
}

/** A reason, before it is said of what. */
export type Held = Finding<ReasonValues> & {
  /** The most of the product that the label still allows here; null where the reason is not about an amount. */
  readonly most: AreaRate | null;
  /** The date from which it may go down again, where waiting helps. */
  readonly earliest?: string;
};

export type Reason = Held & { readonly site: string | null; readonly zone: string | null; readonly product: string };

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
export type LimitWarning = Finding<LimitWarningValues>;

export interface LimitWarningValues {
  readonly "turf-unknown": TurfUnknown;
  readonly "jurisdiction-unknown": { readonly product: string; readonly zone: string; readonly limitFor: string };
  readonly "water-deadline-open": { readonly product: string; readonly dry: string; readonly keepDry: Entered<"time"> };
  readonly "second-half-late": {
    readonly product: string;
    readonly zone: string;
    readonly last: string;
    /** The day on which the label's time for the next one ended. */
    readonly ended: string;
  };
  /** It, or another product with its active, goes down there on the same day, and no label names a time between. */
  readonly "same-day": {
    readonly product: string;
    readonly zone: string;
    readonly other: string;
    readonly amount: AreaRate;
    readonly on: string;
    /** It is down, or a container was opened for it; false where it only stands on a sheet. */
    readonly down: boolean;
  };
  /** It went down there, and its effect can't be seen yet: a repeat may be needless. */
  readonly "not-to-be-judged-yet": {
    readonly product: string;
    readonly zone: string;
    readonly on: string;
    /** The first day on which its label lets it be judged. */
    readonly from: string;
  };
  readonly "active-not-noted": {
    readonly product: string;
    readonly zone: string;
    readonly other: string;
    readonly on: string | null;
  };
}

/** A limit for one turf, or a product for some, on a zone of which the turf isn't noted. */
type TurfUnknown = { readonly product: string; readonly zone: string } & (
  { readonly limitFor: string } | { readonly isFor: readonly string[] }
);

/** Takes one reason of a product on a zone. */
export type Hold = (reason: Held) => void;

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

const NONE = {
  dry: constant("rateByWeight", quantity("rateByWeight", 0, "oz/1000 ft2"), "nothing more"),
  liquid: constant("rateByVolume", quantity("rateByVolume", 0, "fl oz/1000 ft2"), "nothing more"),
};

/** Nothing more of a product. */
export const none = (product: Counting): AreaRate => (product.dry ? NONE.dry : NONE.liquid);
