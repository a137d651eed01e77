import { plainNumber } from "../quantity/plain";
import { raw, type Kind } from "../quantity/kinds";
import { parseQuantity, type Entered } from "../quantity/parse";
import { findUnit } from "../quantity/unit";
import { atLeast, atMost } from "../quantity/slack";

/**
 * The slip catcher. A typed value that lies outside what is possible or labelled is compared with what usually goes wrong:
 * a unit taken for another, a decimal point, half a width. What brings it inside is offered, likeliest first. A value
 * inside is never asked about. Factors: exact relations of the unit catalogue; the list is common practice.
 */
export const SLIP_CODES = [
  "rounded-up",
  "acre-for-1000",
  "weight-unit",
  "volume-unit",
  "spoon",
  "metric-weight",
  "metric-volume",
  "gallon-litre",
  "hectare-acre",
  "5000-for-1000",
  "decimal-point",
  "imperial-gallon",
  "active-for-product",
  "total-for-rate",
  "rate-for-total",
  "dry-for-fluid",
  "fluid-for-dry",
  "thousands",
  "acres-for-feet",
  "metres-for-feet",
  "minutes-for-seconds",
  "seconds-for-minutes",
  "half-width",
  "one-outlet",
  "all-outlets",
  "gpa-for-flow",
  "psi-for-bar",
  "bar-for-psi",
  "one-thousand",
  "other-area",
  "between-marks",
  "other-name",
  "unusual-rate",
] as const;
export type SlipCode = (typeof SLIP_CODES)[number];

export interface Slip {
  readonly code: SlipCode;
  /** What probably happened, in words. */
  readonly says: string;
  /** What to put in its place, as a job file writes it; null where only the person can know. */
  readonly corrected: string | null;
}

/** From the least to the most that is possible or labelled, in the coherent set. */
export interface Bounds {
  readonly least: number;
  readonly most: number;
}

export const inside = (value: number, { least, most }: Bounds): boolean => atLeast(value, least) && atMost(value, most);

/** The same number in another unit; undefined where that is no unit of the kind. */
export function respelled<K extends Kind>(typed: Entered<K>, unit: string): Entered<K> | undefined {
  const read = parseQuantity(`${plainNumber(typed.number)} ${findUnit(unit)?.id ?? unit}`, typed.kind);
  return read.ok ? read.value : undefined;
}

/** The typed number times a factor, in its own unit. */
export function scaled<K extends Kind>(typed: Entered<K>, factor: number): Entered<K> | undefined {
  const read = parseQuantity(`${plainNumber(Number((typed.number * factor).toPrecision(12)))} ${typed.unit}`.trim(), typed.kind);
  return read.ok ? read.value : undefined;
}

export interface Candidate<K extends Kind> {
  readonly code: SlipCode;
  readonly value: Entered<K> | undefined;
  readonly says: string;
}

/** The candidates that bring a value inside, in their order, each value once; none where it is inside already. */
export function fitting<K extends Kind>(typed: Entered<K>, bounds: Bounds, candidates: readonly Candidate<K>[]): Slip[] {
  if (inside(raw(typed.value), bounds)) return [];
  const seen = new Set<string>([typed.text]);
  return candidates.flatMap(({ code, value, says }) => {
    if (!value || !inside(raw(value.value), bounds) || seen.has(value.text)) return [];
    seen.add(value.text);
    return [{ code, says, corrected: value.text }];
  });
}

const WEIGHTS: readonly (readonly [string, string, SlipCode])[] = [
  ["oz", "lb", "weight-unit"],
  ["oz", "g", "metric-weight"],
  ["lb", "kg", "metric-weight"],
  ["g", "kg", "metric-weight"],
];
const VOLUMES: readonly (readonly [string, string, SlipCode])[] = [
  ["fl oz", "gal", "volume-unit"],
  ["fl oz", "qt", "volume-unit"],
  ["fl oz", "pt", "volume-unit"],
  ["fl oz", "cup", "volume-unit"],
  ["pt", "qt", "volume-unit"],
  ["pt", "gal", "volume-unit"],
  ["qt", "gal", "volume-unit"],
  ["fl oz", "tbsp", "spoon"],
  ["fl oz", "tsp", "spoon"],
  ["tbsp", "tsp", "spoon"],
  ["fl oz", "mL", "metric-volume"],
  ["gal", "L", "gallon-litre"],
  ["qt", "L", "gallon-litre"],
  ["L", "mL", "metric-volume"],
];

/** The units that one is taken for, with the slip's name: both ways round. */
export function takenFor(unit: string): readonly (readonly [unit: string, code: SlipCode])[] {
  return [...WEIGHTS, ...VOLUMES].flatMap(([a, b, code]) =>
    a === unit ? [[b, code] as const] : b === unit ? [[a, code] as const] : [],
  );
}
