import type { Form, LoadMode, RigKind } from "@/core/contents";

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
  | { readonly kind: "metered"; readonly feed: string }
  | { readonly kind: "dial"; readonly setting: string; readonly jar?: { readonly product?: string; readonly water?: string } };

export interface TankText {
  readonly name?: string;
  readonly usable: string;
  readonly leastMix?: string;
}

export type PaceText =
  | { readonly kind: "timed-area"; readonly area: string; readonly times: readonly string[] }
  | { readonly kind: "timed-run"; readonly distance: string; readonly swath?: string; readonly times: readonly string[] }
  | { readonly kind: "speed"; readonly speed: string; readonly swath?: string };

export type FlowText =
  | { readonly kind: "timed-catch"; readonly catches: readonly { readonly volume: string; readonly time: string }[] }
  | { readonly kind: "outlet-catches"; readonly time: string; readonly volumes: readonly string[] }
  | { readonly kind: "metered-flow"; readonly readings?: readonly string[]; readonly whole?: string }
  | { readonly kind: "tip-chart" };

export interface UsedText {
  readonly area: string;
  readonly start?: string;
  readonly remaining?: string;
  readonly topUp?: string;
}

export interface CalibrationText {
  readonly sprayVolume?: string;
  readonly pace?: PaceText;
  readonly flow?: FlowText;
  readonly used?: UsedText | readonly UsedText[];
  readonly target?: string;
  readonly tolerance?: string;
  /** Ours: the finest mark of the vessel that was read, and the specific gravity of the liquid for a chart's flow. */
  readonly "x-graduation"?: unknown;
  readonly "x-gravity"?: unknown;
  /** Ours: the effective swath of a timed area, for the travel speed that it implies. */
  readonly "x-swath"?: unknown;
}

export interface ProductText {
  readonly name: string;
  readonly form: Form;
  readonly formulation?: string;
  readonly rate: string;
  readonly price?: { readonly amount: number; readonly currency: string; readonly per: string };
  readonly labelRange?: readonly string[];
  readonly actives?: readonly Readonly<Record<string, string>>[];
  readonly limits?: Readonly<Record<string, unknown>>;
  readonly carrierAtLeast?: string;
  readonly dilutionAtLeast?: string;
}

export interface ZoneText {
  readonly name?: string;
  readonly area: string;
  readonly applied?: readonly Readonly<Record<string, string>>[];
}

export interface SiteText {
  readonly name: string;
  readonly zones: readonly ZoneText[];
}
