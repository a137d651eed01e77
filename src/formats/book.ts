import type { Ground } from "@/core/contents";
import type { CalibrationText, JobFile, ProductText, RigText, SiteText } from "./job-file/types";

/**
 * The book: what a screen needs to know, in the job file's own way of writing. Quantities travel as entered and are read
 * by core where they are used, so that the browser and the server work from the same texts.
 */
export interface Book {
  readonly people: readonly PersonEntry[];
  readonly rigs: readonly RigEntry[];
  readonly labels: readonly LabelEntry[];
  readonly sites: readonly SiteEntry[];
  /** Newest first. */
  readonly calibrations: readonly CalibrationEntry[];
  /** Newest first. */
  readonly sheets: readonly SheetEntry[];
}

interface Entry {
  readonly id: string;
  readonly retired: boolean;
}

export interface PersonEntry extends Entry {
  readonly name: string;
}

export interface RigEntry extends Entry {
  readonly rig: RigText & { readonly name: string };
}

export interface LabelEntry extends Entry {
  readonly product: ProductText;
}

export interface SiteEntry extends Entry {
  readonly site: SiteText;
}

export interface CalibrationEntry {
  readonly id: string;
  readonly rigId: string;
  readonly personId: string | null;
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  readonly ground: Ground | null;
  /** The rig as it was when the readings were taken. */
  readonly rig: RigText;
  readonly calibration: CalibrationText;
  readonly struck: readonly {
    readonly of: "walk" | "catch";
    readonly time: string;
    readonly volume: string | null;
    readonly why: string;
  }[];
}

export interface SheetEntry {
  readonly id: string;
  readonly madeAt: string;
  readonly siteId: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly steps: number;
  readonly done: number;
}

/** One mix sheet, whole. */
export interface Sheet {
  readonly id: string;
  readonly madeAt: string;
  readonly personName: string | null;
  readonly calibrationMadeAt: string;
  readonly job: JobFile;
  /** The keys of the steps that are ticked off. */
  readonly done: readonly string[];
}
