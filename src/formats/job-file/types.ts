import type { MeasuredBy } from "@/core/area/uncertainty";
import type { MeasuredText } from "../area/types";
import type { Ground } from "@/core/calibration/evidence";
import type { Kind } from "@/core/quantity/kinds";
import type { Entered } from "@/core/quantity/parse";
import type { YearKind } from "@/core/labels/label";
import type { Form } from "@/core/labels/label-rate";
import type { WaterFirst } from "@/core/mixing/column";
import type { LoadMode } from "@/core/mixing/loads";
import type { RigKind } from "@/rig-kinds/rules";

/** The job file as it is written: every quantity a text with its unit (docs/job-file.md). */
export interface JobFile {
  readonly format: "careful-gauge-job";
  readonly version: 2;
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
  /** "any": what went down was taken from records, which hold in whatever order they were written. */
  readonly priorOrder?: "any";
  /** So much more is mixed than the sites take; and the spray volume that it is mixed for, whatever is sprayed. */
  readonly overage?: string;
  readonly nominalSprayVolume?: string;
  /** One load less, where what is left over is let go; and the school of filling. */
  readonly oneLoadLess?: boolean;
  readonly fillOrder?: WaterFirst;
  /** Of version 1: whether the sites say if they have water; version 2 says it by `waterSource.fill`. */
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
  /** How long the spraying took. */
  readonly time?: string;
  /** How much of each zone it did, by the zone's name; together what it covered. A zone that is left out got nothing of it. */
  readonly zones?: Readonly<Record<string, string>>;
}

export interface RigText {
  readonly name?: string;
  readonly kind: RigKind;
  readonly tanks?: readonly TankText[];
  readonly outlets?: { readonly count?: number; readonly spacing?: string };
  readonly tip?: TipOn;
  readonly head?: HeadText;
  /** Its id on record. */
  readonly id?: string;
  /** What else a calibration stands on, and the measuring kit. */
  readonly setup?: unknown;
}

export interface TipOn {
  readonly size?: string;
  readonly pressure?: string;
  /** The chart of the tip that is on. */
  readonly chart?: unknown;
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
  /** The finest mark of the vessel that was read, and the specific gravity of the liquid for a chart's flow. */
  readonly graduation?: unknown;
  readonly specificGravity?: unknown;
  /** What practice showed of how the person's walks scatter. */
  readonly repeatability?: unknown;
  /** The effective swath of a timed area, for the travel speed that it implies. */
  readonly swath?: unknown;
  /** Each catch ran for a time of its own, as in a fill-time test. */
  readonly ownTimes?: unknown;
  /** Of a flow alone through a hose-end head: the label rate that it was read for. */
  readonly labelRate?: unknown;
  /** Who calibrated, when and how: read when a file is taken in, no part of a recorded job. */
  readonly record?: RecordText;
}

export interface RecordText {
  readonly person?: string;
  /** A moment, ISO 8601. */
  readonly madeAt?: string;
  readonly method?: string;
  /** What it was walked on. */
  readonly footing?: string;
  /** The lever that was pulled before it, which it proves. */
  readonly adjusts?: { readonly lever: string; readonly setTo: string };
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
  /** The id of its card on record. */
  readonly id?: string;
  /** The rest of the label's card, and how the rate was chosen. */
  readonly label?: unknown;
  readonly rateChoice?: unknown;
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
  /** The specific gravity of a liquid; and that it stands on an open sheet and isn't down yet. */
  readonly specificGravity?: string;
  readonly planned?: boolean;
  /** Of what stands on an open sheet, that a container was opened for it. */
  readonly poured?: boolean;
  /** Another day that it may have gone down on; and that nobody noted its active. */
  readonly alsoOn?: string;
  readonly activeUnknown?: boolean;
}

export const WATERS = ["client", "firm"] as const;
export type Waters = (typeof WATERS)[number];

export interface ZoneText {
  readonly name?: string;
  readonly area: string;
  readonly applied?: readonly AppliedText[];
  /** Its id on record. */
  readonly id?: string;
  /** Its area is what a spot mix of this volume treats; how large the whole zone is. */
  readonly spot?: { readonly volume?: string; readonly zoneArea?: string };
  /** Of a zone that comes to a site later: the zone that it is the same ground as, or "new". */
  readonly continues?: string;
  /** What grows there, and when it was or will be seeded or sodded (ISO dates). */
  readonly turf?: string;
  readonly seededOn?: string;
  readonly soddedOn?: string;
  readonly seedingOn?: string;
  readonly soddingOn?: string;
  /** How fast its irrigation waters ("0.5 in/h"); what its ground is like to walk on; how high it stands, and since which mowing (ISO date). */
  readonly irrigationRate?: string;
  readonly footing?: Ground;
  readonly mowingHeight?: string;
  readonly mowedOn?: string;
  /** How its area was measured; in a mix only by what. */
  readonly measurement?: MeasuredText;
  readonly measuredBy?: MeasuredBy;
}

/** Its hydrant or tap: whether a tank can be filled there, how fast it fills ("20 gal/min"), and where it is. */
export interface WaterSourceText {
  readonly fill?: boolean;
  readonly flow?: string;
  readonly position?: string;
}

export interface SiteText {
  readonly name: string;
  /** Whose local rules hold here. */
  readonly jurisdiction?: string;
  /** Who or what must be minded there (children, bees, a pond); how one gets in; what else is known. */
  readonly precautions?: string;
  readonly access?: string;
  readonly notes?: string;
  /** Who waters there: what the client does is not ours to count on. */
  readonly irrigatedBy?: Waters;
  /** Where one goes in and out: "41.88321, -87.61231", latitude first. */
  readonly entrance?: string;
  /** Its id on record, and its water. */
  readonly id?: string;
  readonly waterSource?: WaterSourceText;
  readonly zones: readonly ZoneText[];
}
