import type { Entered } from "../quantity/parse";
import type { Head } from "../hose-end/head";
import type { TipChart } from "./tips";
import type { RigKind } from "@/rig-kinds/rules";

/** What was gathered on the ground. Every method of calibrating collects a pace and a flow, or the direct evidence. */

/** What a calibration needs to know of its rig. */
export interface RigBasics {
  readonly kind: RigKind;
  readonly outlets: { readonly count: number; readonly spacing?: Entered<"length"> };
  readonly tip?: {
    readonly size?: string;
    readonly pressure?: Entered<"pressure">;
    /** Where the tip's own chart is known: its pressures, flows and droplet classes. */
    readonly chart?: TipChart;
  };
  /** What its pump or regulator gives at the most, where that is noted. */
  readonly mostPressure?: Entered<"pressure">;
  /** Of a hose-end rig. */
  readonly head?: Head;
}

export type PaceEvidence =
  /** A marked area, sprayed and timed. */
  | {
      readonly kind: "timed-area";
      readonly area: Entered<"area">;
      readonly times: readonly Entered<"time">[];
      /** Only for the travel speed that the pace implies: the spray volume doesn't need it. */
      readonly swath?: Entered<"length">;
    }
  /** A marked distance, walked or driven and timed, with the effective swath. */
  | {
      readonly kind: "timed-run";
      readonly distance: Entered<"length">;
      readonly swath: Entered<"length"> | undefined;
      readonly times: readonly Entered<"time">[];
    }
  /** A known speed and swath. */
  | { readonly kind: "speed"; readonly speed: Entered<"speed">; readonly swath: Entered<"length"> | undefined };

export interface Catch {
  readonly volume: Entered<"volume">;
  readonly time: Entered<"time">;
}

export type FlowEvidence =
  /** The whole output caught in a vessel and timed; a fill-time test is one too. */
  | { readonly kind: "timed-catch"; readonly catches: readonly Catch[] }
  /** One catch an outlet, all for the same time. */
  | { readonly kind: "outlet-catches"; readonly time: Entered<"time">; readonly volumes: readonly Entered<"volume">[] }
  /** Flow meter readings: of the whole output, or one an outlet. */
  | { readonly kind: "metered-flow"; readonly readings: readonly Entered<"flow">[] }
  /** The tips' rated flow at the pressure: an estimate until a catch confirms it. */
  | {
      readonly kind: "tip-chart";
      readonly size: string;
      readonly pressure: Entered<"pressure">;
      readonly count: number;
      readonly chart?: TipChart;
      /** Of the liquid, where it is denser than water. */
      readonly gravity?: Entered<"gravity">;
    };

/** What a marked area used up: a start and what remained, or what it took to fill up to the start again. */
export interface UsedTrial {
  readonly area: Entered<"area">;
  readonly used:
    { readonly start: Entered<"volume">; readonly remaining: Entered<"volume"> } | { readonly topUp: Entered<"volume"> };
}

export type Evidence =
  | { readonly kind: "timed"; readonly pace: PaceEvidence; readonly flow: FlowEvidence }
  | { readonly kind: "used"; readonly trials: readonly UsedTrial[] }
  /** Of a hose-end head: the flow alone. The pace is the one that the first product's rate asks for. */
  | { readonly kind: "flow-alone"; readonly flow: FlowEvidence }
  /** Taken as given, and marked so. */
  | { readonly kind: "given"; readonly sprayVolume: Entered<"sprayVolume"> };

/** The ground that a pace was timed on. A pace on pavement is seldom the pace in grass. */
export const GROUNDS = ["turf", "rough", "pavement"] as const;
export type Ground = (typeof GROUNDS)[number];
