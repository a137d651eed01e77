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
  readonly head?: Readonly<Record<string, unknown>>;
}

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
