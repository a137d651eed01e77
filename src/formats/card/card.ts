import type { ProductUse } from "@/core/hose-end/suitability";
import type { YearKind } from "@/core/labels/label";
import type { Form } from "@/core/labels/label-rate";

/**
 * A product's card: what its label says, as text, each quantity as a job file writes it. It is kept whole, goes out and
 * comes in as JSON and CSV, and what binds a mix is read from it.
 */
/** What a card says where only a certified applicator may use the product. */
export const RESTRICTED_USE = "restricted use";

export interface CardText {
  readonly name: string;
  readonly form: Form;
  /** The label's code: WG, SC, EC … */
  readonly formulation?: string;
  readonly use?: ProductUse;
  readonly actives: readonly ActiveText[];
  /** N-P₂O₅-K₂O by weight, 24-0-11. */
  readonly analysis?: string;
  readonly gravity?: string;
  readonly registration?: string;
  /** "restricted use" where only a certified applicator, or who works under one, may use it. */
  readonly restricted?: string;
  /** The category of certificate that its use takes: "turf and ornamental". */
  readonly category?: string;
  readonly signalWord?: SignalWord;
  readonly gear: readonly GearText[];
  readonly firstAid?: string;
  readonly emergency?: string;
  readonly packages: readonly PackageText[];
  readonly rates: readonly RateRowText[];
  /** Of a label whose rates are for a gallon: the ground that one gallon of the mix is for. */
  readonly gallonCovers?: string;
  readonly carrierAtLeast?: string;
  readonly dilutionAtLeast?: string;
  readonly droplets?: string;
  readonly limits: readonly LimitRowText[];
  /** Turf that the label names, separated by commas. */
  readonly turfs?: string;
  readonly afterSeeding?: string;
  readonly afterSodding?: string;
  readonly beforeSeeding?: string;
  readonly beforeSodding?: string;
  readonly residual?: string;
  /** Watered in: from, to, by when. */
  readonly waterLeast?: string;
  readonly waterMost?: string;
  readonly waterWithin?: string;
  /** Or kept dry for so long. */
  readonly keepDry?: string;
  readonly wind?: string;
  readonly airLeast?: string;
  readonly airMost?: string;
  readonly airOver?: string;
  readonly soilLeast?: string;
  readonly soilMost?: string;
  readonly reentry?: string;
  /** Days for which it isn't mown. */
  readonly mowAfter?: string;
  readonly visible?: string;
  /** What it holds back only, by the label, and doesn't control; separated by commas. */
  readonly suppresses?: string;
  readonly hoseEnd?: "allowed" | "not allowed";
  readonly order?: string;
  readonly keepOut?: string;
  readonly notes?: string;
}

export const SIGNAL_WORDS = ["caution", "warning", "danger"] as const;
export type SignalWord = (typeof SIGNAL_WORDS)[number];

export interface ActiveText {
  readonly name: string;
  /** A part by weight (`40 %`), or the weight in a volume of a liquid (`4 lb/gal`). */
  readonly content: string;
}

/** What is worn, with its type: sunglasses aren't goggles. */
export interface GearText {
  readonly item: string;
  readonly type?: string;
}

/** What a label usually asks for, as a list to pick from; a card may name anything else. */
export const GEAR: readonly (readonly [item: string, type: string])[] = [
  ["long sleeves and trousers", ""],
  ["gloves", "chemical-resistant"],
  ["boots", "chemical-resistant"],
  ["shoes and socks", ""],
  ["eye protection", "goggles or face shield"],
  ["respirator", "for fine powders"],
  ["apron", "chemical-resistant"],
];

export interface PackageText {
  readonly content: string;
  /** In the firm's currency. */
  readonly price?: string;
}

/** A row of the label's rates: for what, where, on what, and how much. */
export interface RateRowText {
  readonly use?: string;
  readonly region?: string;
  readonly turf?: string;
  readonly mowing?: string;
  readonly lastYear?: string;
  readonly season?: string;
  readonly rate: string;
  /** The upper end, where the label gives a range. */
  readonly to?: string;
}

export interface LimitRowText {
  readonly turf?: string;
  readonly jurisdiction?: string;
  readonly perApplication?: string;
  readonly perYear?: string;
  readonly yearKind?: YearKind;
  readonly applicationsPerYear?: string;
  readonly intervalAtLeast?: string;
  readonly intervalAtMost?: string;
}

/** What narrows a row of the rates, in the order in which a label names it. */
export const ROW_KEYS = ["use", "region", "turf", "mowing", "lastYear", "season"] as const;

export const ROW_WORDS: Record<(typeof ROW_KEYS)[number], string> = {
  use: "Use",
  region: "Region",
  turf: "Turf",
  mowing: "Mowing height",
  lastYear: "Weed control last year",
  season: "Season",
};

/** A row in one line: "crabgrass · north · cool-season". */
export const rowWords = (row: RateRowText): string => ROW_KEYS.flatMap((key) => row[key] ?? []).join(" · ") || "the label's rate";
