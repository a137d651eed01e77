import type { ProductUse } from "../hose-end/suitability";
import type { LabelRate } from "./label-rate";
import type { Entered } from "../quantity/parse";
import type { Active, AreaRate } from "./active";
import type { Aftercare } from "./aftercare";

/** What a label binds a plan to, beyond the rate: the part of a card that is judged. */
export interface LabelSays {
  readonly actives: readonly Active[];
  readonly gravity?: Entered<"gravity"> | undefined;
  /** What it is for; undefined where nobody noted it. */
  readonly use?: ProductUse | undefined;
  /** The least and the most rate of the label's table. */
  readonly range?: readonly [LabelRate, LabelRate] | undefined;
  /** A table by turf class and jurisdiction; every row that fits binds. */
  readonly limits: readonly LimitRow[];
  readonly carrierAtLeast?: Entered<"sprayVolume"> | undefined;
  readonly dilutionAtLeast?: Entered<"dilution"> | undefined;
  /** Turf types that the label names; empty where it names none. */
  readonly turfs?: readonly string[];
  /** Days from seeding or sodding until it may go down. */
  readonly afterSeeding?: number;
  readonly afterSodding?: number;
  /** Days from the application until seed or sod may follow. */
  readonly beforeSeeding?: number;
  readonly beforeSodding?: number;
  /** Days for which it stays active in the soil. */
  readonly residual?: number;
  /** Days until its effect can be seen: before them nobody can judge it. */
  readonly visibleAfter?: number;
  /** What the label says of hose-end heads; undefined where it says nothing. */
  readonly hoseEnd?: boolean;
  readonly aftercare?: Aftercare;
}

export const YEAR_KINDS = ["calendar", "rolling"] as const;
export type YearKind = (typeof YEAR_KINDS)[number];

/** A row of the label's limits. What it leaves out, it doesn't limit. */
export interface LimitRow {
  /** Binds on this turf alone; on every turf where it is left out. */
  readonly turf?: string | undefined;
  readonly jurisdiction?: string | undefined;
  readonly perApplication?: LabelRate | undefined;
  readonly perYear?: LabelRate | undefined;
  readonly yearKind?: YearKind | undefined;
  readonly applicationsPerYear?: number | undefined;
  /** Days between two applications: not sooner, not later. */
  readonly intervalAtLeast?: number | undefined;
  readonly intervalAtMost?: number | undefined;
}

/** What went down on a zone, or stands on an open mix sheet for it. */
export interface PutDown {
  /** The product. */
  readonly of: string;
  /** The active that this entry counts; one entry for each active. Absent where the product has none noted. */
  readonly active?: Active | undefined;
  readonly gravity?: Entered<"gravity"> | undefined;
  readonly amount: AreaRate;
  /** ISO date. */
  readonly date: string;
  /** Another day that it may have gone down on: it counts in the year of either, and from the later one. */
  readonly alsoOn?: string | undefined;
  /** Nobody noted its active: what it adds to anybody's budget can't be told. */
  readonly unknown?: boolean;
  /** Stands on an open sheet: not down yet, counted all the same. */
  readonly planned?: boolean;
  /** It stands on an open sheet, and a container was opened for it. */
  readonly poured?: boolean;
  /** It is the year's plan that it stands in, no sheet. */
  readonly byProgram?: boolean;
}

/** A zone on the day of the plan. */
export interface ZoneFacts {
  readonly name: string;
  readonly turf?: string | undefined;
  readonly area?: Entered<"area"> | undefined;
  /** Of a spot mix: how large the whole zone is. A spot is never larger. */
  readonly whole?: Entered<"area"> | undefined;
  /** ISO dates: when it was seeded or sodded last, when it will be next. */
  readonly seeded?: string | undefined;
  readonly sodded?: string | undefined;
  readonly seeding?: string | undefined;
  readonly sodding?: string | undefined;
  readonly applied?: readonly PutDown[] | undefined;
}
