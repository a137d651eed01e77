import type { MeasuredBy } from "@/core/area/uncertainty";
import type { MeasuredText } from "../area/types";
import type { Ground, RigKind } from "@/core/calibration/evidence";
import type { Kind } from "@/core/quantity/kinds";
import type { Entered } from "@/core/quantity/parse";
import type { YearKind } from "@/core/labels/label";
import type { Form } from "@/core/labels/label-rate";
import type { WaterFirst } from "@/core/mixing/column";
import type { LoadMode } from "@/core/mixing/loads";

/** The job file as it is written: every quantity a text with its unit (docs/job-file.md). */
export interface JobFile {
  readonly format: "careful-gauge-job";
  readonly version: 1;
  readonly rig: RigText;
  readonly calibration: CalibrationText;
  readonly products?: readonly ProductText[];
  readonly sites?: readonly SiteText[];
  /** The tank to mix in, by name; the first where none is named. */
  readonly tank?: string;
  readonly date?: string;
  readonly loads?: LoadMode;
  readonly run?: "day";
  /** What became of the loads: one entry a load and pass. */
  readonly outcome?: readonly OutcomeText[];
  /** Ours: what went down was taken from records, which hold in whatever order they were written. */
  readonly "x-any-order"?: boolean;
  /** Ours: so much more is mixed than the sites take; and the spray volume that it is mixed for, whatever is sprayed. */
  readonly "x-overage"?: string;
  readonly "x-mixed-for"?: string;
  /** Ours: one load less, where what is left over is let go; and the school of filling. */
  readonly "x-one-less"?: boolean;
  readonly "x-water-first"?: WaterFirst;
  /** Ours: sites say whether they have water, so that a day's refills can be placed. */
  readonly "x-places"?: boolean;
}

export interface OutcomeText {
  readonly site: string;
  readonly load: number;
  /** What was left in the tank, "0 gal" where it ran dry. */
  readonly left: string;
  readonly covered: string;
  /** Over ground that was covered already. */
  readonly again?: boolean;
  /** What was really mixed; the plan's fill where it is left out. */
  readonly mixed?: string;
  /** Ours: how long the spraying took. */
  readonly time?: string;
  /** Ours: how much of each zone it did, by the zone's name; together what it covered. A zone that is left out got nothing of it. */
  readonly "x-zones"?: Readonly<Record<string, string>>;
}

export interface RigText {
  readonly name?: string;
  readonly kind: RigKind;
  readonly tanks?: readonly TankText[];
  readonly outlets?: { readonly count?: number; readonly spacing?: string };
  readonly tip?: { readonly size?: string; readonly pressure?: string };
  readonly head?: HeadText;
  /** Ours, beside the format: what else a calibration stands on, the kit, and the chart of the tip that is on. */
  readonly "x-setup"?: unknown;
  readonly "x-chart"?: unknown;
}

export type HeadText =
  | { readonly kind: "metered"; readonly feed: string; readonly jar?: JarText }
  | { readonly kind: "dial"; readonly setting: string; readonly jar?: JarText };

export interface JarText {
  readonly product?: string;
  readonly water?: string;
}

export interface TankText {
  readonly name?: string;
  readonly usable: string;
  readonly leastMix?: string;
}

/** @typeParam T a quantity: text, as it is written; or, of a run sheet whose texts were read, a value that knows its text */
export type PaceOf<T> =
  | { readonly kind: "timed-area"; readonly area: T; readonly times: readonly T[] }
  | { readonly kind: "timed-run"; readonly distance: T; readonly swath?: T; readonly times: readonly T[] }
  | { readonly kind: "speed"; readonly speed: T; readonly swath?: T };

export type FlowOf<T> =
  | { readonly kind: "timed-catch"; readonly catches: readonly { readonly volume: T; readonly time: T }[] }
  | { readonly kind: "outlet-catches"; readonly time: T; readonly volumes: readonly T[] }
  | { readonly kind: "metered-flow"; readonly readings?: readonly T[]; readonly whole?: T }
  | { readonly kind: "tip-chart" };

export interface UsedOf<T> {
  readonly area: T;
  readonly start?: T;
  readonly remaining?: T;
  readonly topUp?: T;
}

export interface CalibrationOf<T> {
  readonly sprayVolume?: T;
  readonly pace?: PaceOf<T>;
  readonly flow?: FlowOf<T>;
  readonly used?: UsedOf<T> | readonly UsedOf<T>[];
  readonly target?: T;
  readonly tolerance?: T;
  /** Ours: the finest mark of the vessel that was read, and the specific gravity of the liquid for a chart's flow. */
  readonly "x-graduation"?: unknown;
  readonly "x-gravity"?: unknown;
  /** Ours: what practice showed of how the person's walks scatter. */
  readonly "x-practice"?: unknown;
  /** Ours: the effective swath of a timed area, for the travel speed that it implies. */
  readonly "x-swath"?: unknown;
  /** Ours: each catch ran for a time of its own, as in a fill-time test. */
  readonly "x-own-time"?: unknown;
  /** Ours, of a flow alone through a hose-end head: the label rate that it was read for. */
  readonly "x-rate"?: unknown;
}

export type PaceText = PaceOf<string>;
export type FlowText = FlowOf<string>;
export type UsedText = UsedOf<string>;
export type CalibrationText = CalibrationOf<string>;

/** A quantity as it is written, or as it was read already. */
export type Written = string | Entered<Kind>;

/** A job of which the calibration may have been read already. */
export type JobRead = Omit<JobFile, "calibration"> & { readonly calibration: CalibrationOf<Written> };

export interface ProductText {
  readonly name: string;
  readonly form: Form;
  readonly formulation?: string;
  readonly rate: string;
  /** A rate for a gallon means one gallon of the mix for so much ground. */
  readonly gallonCovers?: string;
  readonly price?: { readonly amount: number; readonly currency: string; readonly per: string };
  readonly labelRange?: readonly string[];
  readonly actives?: readonly { readonly name: string; readonly fraction?: string; readonly strength?: string }[];
  readonly limits?: LimitsText;
  readonly carrierAtLeast?: string;
  readonly dilutionAtLeast?: string;
  /** Ours: the id of its card on record. */
  readonly "x-id"?: string;
  /** Ours: the rest of the label's card, and how the rate was chosen. */
  readonly "x-label"?: unknown;
  readonly "x-choice"?: unknown;
}

export interface LimitsText {
  readonly perApplication?: string;
  readonly perYear?: string;
  readonly yearKind?: YearKind;
  readonly applicationsPerYear?: number;
  readonly intervalAtLeast?: string;
}

/** What went down on a zone before. */
export interface AppliedText {
  readonly of: string;
  readonly active: string;
  readonly fraction?: string;
  readonly strength?: string;
  readonly amount: string;
  readonly date: string;
  /** Ours: the specific gravity of a liquid; and that it stands on an open sheet and isn't down yet. */
  readonly "x-gravity"?: string;
  readonly "x-planned"?: boolean;
  /** Ours: of what stands on an open sheet, that a container was opened for it. */
  readonly "x-poured"?: boolean;
  /** Ours: another day that it may have gone down on; and that nobody noted its active. */
  readonly "x-also-on"?: string;
  readonly "x-unknown"?: boolean;
}

export const WATERS = ["client", "firm"] as const;
export type Waters = (typeof WATERS)[number];

export interface ZoneText {
  readonly name?: string;
  readonly area: string;
  readonly applied?: readonly AppliedText[];
  /** Ours: its id on record; and that its area is what a spot mix of this volume treats. */
  readonly "x-id"?: string;
  readonly "x-spot"?: string;
  /** Ours, of a zone that comes to a site later: the zone that it is the same ground as, or "new". */
  readonly "x-ground"?: string;
  /** Ours: how large the whole zone of a spot is. */
  readonly "x-whole"?: string;
  /** Ours: what grows there, and when it was or will be seeded or sodded (ISO dates). */
  readonly "x-turf"?: string;
  readonly "x-seeded"?: string;
  readonly "x-sodded"?: string;
  readonly "x-seeding"?: string;
  readonly "x-sodding"?: string;
  /** Ours: how fast its irrigation waters ("0.5 in/h"); what its ground is like to walk on; how high it stands, and since which mowing (ISO date). */
  readonly "x-irrigation"?: string;
  readonly "x-lies"?: Ground;
  readonly "x-height"?: string;
  readonly "x-mowed"?: string;
  /** Ours: how its area was measured; in a mix only by what. */
  readonly "x-measured"?: MeasuredText;
  readonly "x-measured-by"?: MeasuredBy;
}

export interface SiteText {
  readonly name: string;
  /** Ours: whose local rules hold here. */
  readonly "x-jurisdiction"?: string;
  /** Ours: who or what must be minded there (children, bees, a pond); how one gets in; what else is known. */
  readonly "x-minding"?: string;
  readonly "x-access"?: string;
  readonly "x-notes"?: string;
  /** Ours: who waters there: what the client does is not ours to count on. How fast its hydrant or tap fills ("20 gal/min"). */
  readonly "x-waters"?: Waters;
  readonly "x-tap-flow"?: string;
  /** Ours: where one goes in and out, and where the tap or hydrant is: "41.88321, -87.61231", latitude first. */
  readonly "x-gate"?: string;
  readonly "x-tap"?: string;
  /** Ours: its id on record, and whether there is water to fill from. */
  readonly "x-id"?: string;
  readonly "x-water"?: boolean;
  readonly zones: readonly ZoneText[];
}
