import type { Ground, Issue, LeverName, MethodId, RunState } from "@/core/contents";
import type { SpreadFile } from "./job-file/spread";
import type { TipText } from "./rig-setup";
import type { ActiveText, CardText } from "./card/card";
import type { AppliedText, CalibrationText, JobFile, RigText, SiteText, ZoneText } from "./job-file/types";

/**
 * The book: what a screen needs to know, in the job file's own way of writing. Quantities travel as entered and are read
 * by core where they are used, so that the browser and the server work from the same texts.
 */
export interface Book {
  /** The firm's time zone (IANA), whether anybody settled it, and the day that it is there. */
  readonly firm: { readonly zone: string; readonly settled: boolean; readonly today: string };
  /** The rows that can't be read. */
  readonly aside: readonly AsideEntry[];
  readonly people: readonly PersonEntry[];
  readonly rigs: readonly RigEntry[];
  readonly labels: readonly LabelEntry[];
  readonly sites: readonly SiteEntry[];
  /** Newest first. */
  readonly calibrations: readonly CalibrationEntry[];
  /** Newest first. */
  readonly sheets: readonly SheetEntry[];
  /** Granules that are booked and not down yet, newest first. */
  readonly spreadings: readonly SpreadingEntry[];
  readonly tips: readonly TipEntry[];
  /** Newest first. */
  readonly checks: readonly CheckEntry[];
  /** All that counts against the limits of any zone. */
  readonly counted: readonly CountedEntry[];
  /** Newest first, those that were corrected too. */
  readonly applications: readonly ApplicationEntry[];
  /** Newest first. */
  readonly kitChecks: readonly KitCheckEntry[];
  /** What is on hand of the products that were counted. */
  readonly stock: readonly StockEntry[];
  /** Newest first. */
  readonly rinses: readonly RinseEntry[];
}

export const EMPTY_BOOK: Book = {
  firm: { zone: "UTC", settled: true, today: "1970-01-01" },
  aside: [],
  people: [],
  rigs: [],
  labels: [],
  sites: [],
  calibrations: [],
  sheets: [],
  spreadings: [],
  tips: [],
  checks: [],
  kitChecks: [],
  stock: [],
  rinses: [],
  counted: [],
  applications: [],
};

/** A row that can't be read, set aside by itself. */
export interface AsideEntry {
  readonly of: string;
  readonly id: string;
  readonly name: string;
  readonly reason: string;
  readonly raw: string;
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

export interface TipEntry extends Entry {
  readonly tip: TipText;
}

/** A quick check of the flow. */
export interface CheckEntry {
  readonly id: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly calibrationId: string;
  readonly madeAt: string;
  readonly volume: string;
  readonly time: string;
  readonly ratio: number;
}

/** A proof of a scale or a vessel. */
export interface KitCheckEntry {
  readonly id: string;
  readonly rigId: string;
  readonly of: "scale" | "vessel";
  readonly tool: string;
  readonly madeAt: string;
  readonly known: string;
  readonly shown: string;
  readonly ratio: number;
  readonly good: boolean;
}

/** A product on the shelf, as it was counted last. */
export interface StockEntry {
  readonly labelId: string;
  /** As entered. */
  readonly counted: string;
  readonly countedAt: string;
  /** What is left of it after what went down since, g or mL. */
  readonly left: number;
}

export interface RinseEntry {
  readonly id: string;
  readonly rigId: string;
  readonly tank: string;
  readonly rinsedAt: string;
}

export interface LabelEntry extends Entry {
  readonly card: CardText;
}

/** A zone on record: it has a name, and an id beside what a job file says of it. */
export type KeptZone = ZoneText & { readonly name: string; readonly "x-id": string };
export type KeptSite = Omit<SiteText, "zones"> & { readonly zones: readonly KeptZone[] };

export interface SiteEntry extends Entry {
  readonly site: KeptSite;
  /** Zones that were taken out: their ground is still there. */
  readonly former: readonly { readonly id: string; readonly name: string; readonly area: string }[];
}

/** Something that counts against the limits of a zone: down, or planned on an open sheet. */
export interface CountedEntry {
  readonly siteId: string;
  /** The zones that are this ground, of this site or another; none where the record knows its zone by name only. */
  readonly zoneIds: readonly string[];
  readonly zone: string;
  /** The open sheet that plans it; null where it is down. */
  readonly sheetId: string | null;
  readonly applied: AppliedText;
}

/** A record of what went down. */
export interface ApplicationEntry {
  readonly id: string;
  readonly date: string;
  readonly siteId: string;
  readonly zoneId: string;
  readonly zone: string;
  readonly product: string;
  readonly labelId: string | null;
  readonly rate: string;
  readonly total: string;
  readonly actives: readonly ActiveText[];
  readonly personId: string | null;
  readonly source: "hand" | "sheet" | "file";
  readonly sheetId: string | null;
  readonly note: string | null;
  readonly why: string | null;
  /** Another day that it counts on. */
  readonly alsoOn: string | null;
  readonly corrects: string | null;
  readonly isVoid: boolean;
  /** What its product is called now, and what is known of its actives now, where that is another thing. */
  readonly calledNow?: string;
  readonly activesNow?: readonly ActiveText[];
  /** Why what looked like a slip was meant. */
  readonly meant: readonly string[];
}

export interface CalibrationEntry {
  readonly id: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly siteId: string | null;
  readonly method: MethodId | null;
  readonly lever: LeverName | null;
  readonly leverSetTo: string | null;
  readonly follows: string | null;
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  readonly ground: Ground | null;
  /** The rig as it was when the readings were taken. */
  readonly rig: RigText;
  readonly calibration: CalibrationText;
  /** Why what looked like a slip was meant. */
  readonly meant?: readonly string[];
  /** Why it no longer counts; absent while it does. */
  readonly withdrawn?: string;
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
  /** The names of its sites and of its products. */
  readonly sites: readonly string[];
  readonly products: readonly string[];
  readonly tank: string;
  /** One fill serves several sites. */
  readonly run: boolean;
  readonly dayId: string | null;
  readonly steps: number;
  readonly done: number;
  readonly state: SheetState;
}

/** Granules that are booked to be spread dry. */
export interface SpreadingEntry {
  readonly id: string;
  readonly madeAt: string;
  readonly date: string;
  readonly personId: string | null;
  readonly job: SpreadFile;
}

/** A sheet is open until what it planned is on record, or it is withdrawn. */
export type SheetState = "open" | "recorded" | "withdrawn";

/** One mix sheet, whole. */
export interface Sheet {
  readonly id: string;
  readonly madeAt: string;
  readonly personName: string | null;
  readonly calibrationMadeAt: string;
  readonly rigId: string;
  readonly state: SheetState;
  /** How the day has come along; null where it is none. */
  readonly run: RunState | null;
  /** The other tanks of the same day. */
  readonly others: readonly { readonly id: string; readonly tank: string }[];
  /** As it was saved; while it is open, with what is known and counts today. */
  readonly job: JobFile;
  /** What has changed since, so that nothing may be poured from it any more. */
  readonly stopped: readonly Issue[];
  /** A product of it was ticked as poured, perhaps taken back. */
  readonly poured: boolean;
  /** The keys of the steps that are ticked off. */
  readonly done: readonly string[];
}
