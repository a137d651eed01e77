import { bad, type Result } from "../issue";
import { show, showEntered, unitText, writeNumber } from "./format";
import { meantIn, type FieldUnits } from "./typed";
import { unitNamed } from "./unit";
import { raw, type Kind, type Quantity } from "./kinds";
import type { System } from "../working/units";
import { entered, parseQuantity, type Entered, type ParseOptions } from "./parse";
import { atLeast, atMost } from "./slack";

/**
 * What a person may enter, field by field: one declaration that feeds the forms, the services, the database's CHECKs and
 * the property tests' generators. The bounds are wide (ours): they stop a slip of the keyboard, not a judgement.
 */
export const FIELDS = {
  usable: { kind: "volume", least: "8 fl oz", most: "5000 gal", bare: "gal" },
  leastMix: { kind: "volume", least: "1 fl oz", most: "5000 gal", bare: "gal" },
  spacing: { kind: "length", least: "2 in", most: "120 in", bare: "in" },
  pressure: { kind: "pressure", least: "1 psi", most: "1000 psi", bare: "psi" },
  testArea: { kind: "area", least: "1 ft2", most: "10 ac", bare: "ft2" },
  walkTime: { kind: "time", least: "1 s", most: "4 h", bare: "s" },
  catchTime: { kind: "time", least: "1 s", most: "2 h", bare: "s" },
  catchVolume: { kind: "volume", least: "0.1 fl oz", most: "500 gal", bare: "fl oz" },
  course: { kind: "length", least: "3 ft", most: "1 mi", bare: "ft" },
  swath: { kind: "length", least: "3 in", most: "200 ft", bare: "ft" },
  speed: { kind: "speed", least: "0.1 mph", most: "30 mph", bare: "mph" },
  overage: { kind: "share", least: "0.1 %", most: "50 %", bare: "%" },
  spot: { kind: "volume", least: "2 fl oz", most: "50 gal", bare: "gal" },
  stride: { kind: "length", least: "12 in", most: "6 ft", bare: "in" },
  side: { kind: "length", least: "1 in", most: "10 mi", bare: "ft" },
  slope: { kind: "share", least: "0.1 %", most: "200 %", bare: "%" },
  left: { kind: "volume", least: "0.03 fl oz", most: "5000 gal", bare: "gal" },
  loadTime: { kind: "time", least: "1 s", most: "4 h", bare: "s" },
  sprayVolume: { kind: "sprayVolume", least: "0.01 gal/1000 ft2", most: "100 gal/1000 ft2", bare: "gal/1000 ft2" },
  hoseDiameter: { kind: "length", least: "0.1 in", most: "6 in", bare: "in" },
  hoseLength: { kind: "length", least: "1 ft", most: "2000 ft", bare: "ft" },
  scaleStep: { kind: "mass", least: "0.01 g", most: "5 lb", bare: "oz" },
  scaleCapacity: { kind: "mass", least: "1 g", most: "1000 lb", bare: "lb" },
  graduation: { kind: "volume", least: "0.1 mL", most: "10 gal", bare: "fl oz" },
  vesselCapacity: { kind: "volume", least: "1 mL", most: "500 gal", bare: "fl oz" },
  knownWeight: { kind: "mass", least: "0.1 g", most: "200 lb", bare: "oz" },
  tipFlow: { kind: "flow", least: "0.005 gal/min", most: "50 gal/min", bare: "gal/min" },
  meterFlow: { kind: "flow", least: "0.005 gal/min", most: "200 gal/min", bare: "gal/min" },
  feed: { kind: "flow", least: "0.01 fl oz/min", most: "128 fl oz/min", bare: "fl oz/min" },
  dial: { kind: "strengthByVolume", least: "0.01 fl oz/gal", most: "64 fl oz/gal", bare: "fl oz/gal" },
  jarVolume: { kind: "volume", least: "0.1 fl oz", most: "5 gal", bare: "fl oz" },
  gravity: { kind: "gravity", least: "0.5", most: "3", bare: "" },
  irrigation: { kind: "precipitation", least: "0.02 in/h", most: "10 in/h", bare: "in/h" },
  tapFlow: { kind: "flow", least: "0.2 gal/min", most: "1500 gal/min", bare: "gal/min" },
  mowing: { kind: "length", least: "0.1 in", most: "12 in", bare: "in" },
  waterDepth: { kind: "length", least: "0.01 in", most: "20 in", bare: "in" },
  zoneArea: { kind: "area", least: "1 ft2", most: "10000 ac", bare: "ft2" },
  shelfWeight: { kind: "mass", least: "0.001 oz", most: "200000 lb", bare: "oz" },
  shelfVolume: { kind: "volume", least: "0.001 fl oz", most: "50000 gal", bare: "fl oz" },
  weightRate: { kind: "rateByWeight", least: "0.0001 oz/1000 ft2", most: "100 lb/1000 ft2", bare: "oz/1000 ft2" },
  volumeRate: { kind: "rateByVolume", least: "0.0001 fl oz/1000 ft2", most: "20 gal/1000 ft2", bare: "fl oz/1000 ft2" },
  weightStrength: { kind: "strengthByWeight", least: "0.0001 oz/gal", most: "10 lb/gal", bare: "oz/gal" },
  volumeStrength: { kind: "strengthByVolume", least: "0.0001 %v/v", most: "90 %v/v", bare: "fl oz/gal" },
} as const satisfies Record<string, { kind: Kind; least: string; most: string; bare: string }>;

/** The unit that a bare number has for a metric reader. */
export const METRIC_BARE: Readonly<Record<keyof typeof FIELDS, string>> = {
  usable: "L",
  leastMix: "L",
  spacing: "cm",
  pressure: "bar",
  testArea: "m2",
  walkTime: "s",
  catchTime: "s",
  catchVolume: "mL",
  course: "m",
  swath: "m",
  speed: "km/h",
  overage: "%",
  spot: "L",
  stride: "cm",
  side: "m",
  slope: "%",
  left: "L",
  loadTime: "s",
  sprayVolume: "L/100 m2",
  hoseDiameter: "cm",
  hoseLength: "m",
  scaleStep: "g",
  scaleCapacity: "kg",
  graduation: "mL",
  vesselCapacity: "mL",
  knownWeight: "g",
  tipFlow: "L/min",
  meterFlow: "L/min",
  feed: "mL/min",
  dial: "mL/L",
  jarVolume: "mL",
  gravity: "",
  irrigation: "mm/h",
  tapFlow: "L/min",
  mowing: "mm",
  waterDepth: "mm",
  zoneArea: "m2",
  shelfWeight: "g",
  shelfVolume: "mL",
  weightRate: "g/100 m2",
  volumeRate: "mL/100 m2",
  weightStrength: "g/L",
  volumeStrength: "mL/L",
};

export type Field = keyof typeof FIELDS;
export type KindOfField<F extends Field> = (typeof FIELDS)[F]["kind"];

/** The bounds of a field in the coherent set: for a database CHECK or a generator. */
export function boundsOf(field: Field): { readonly least: number; readonly most: number } {
  const { kind, least, most } = FIELDS[field];
  return { least: raw(entered(least, kind).value), most: raw(entered(most, kind).value) };
}

/** Whether a value lies in a field's range; otherwise the issue that says which range is possible. */
export function withinField<K extends Kind>(field: Field, value: Entered<K>, path: string): Result<Entered<K>> {
  const { kind, least, most, bare } = FIELDS[field];
  const bounds = boundsOf(field);
  const number = raw(value.value);
  if (atLeast(number, bounds.least) && atMost(number, bounds.most)) return { ok: true, value };
  const expected = `from ${showEntered(entered(least, kind))} to ${showEntered(entered(most, kind))}`;
  const issue = { path, code: "out-of-range", received: value.text, expected } as const;
  if (bare === METRIC_BARE[field]) return bad(issue);
  const metric = [least, most].map((end) => inUnit(entered<Kind>(end, kind), METRIC_BARE[field]));
  return bad({ ...issue, metric: `from ${metric[0]} to ${metric[1]}` });
}

/** A foot in metres, for the sides of an example. */
const FOOT = unitNamed("ft").factor;

/** A value in another unit of its kind, as an example: two figures are enough. */
const inUnit = ({ value }: Entered<Kind>, unit: string): string =>
  `${writeNumber(raw(value) / unitNamed(unit).factor, { figures: 2 })} ${unitText(unit)}`;

/** An example of what may be typed, in the reader's units: "200 ft" is 61 m. One that can't be read is left as it is. */
export function exampleFor(field: Field, example: string, system: System): string {
  const unit = METRIC_BARE[field];
  if (system === "us" || unit === FIELDS[field].bare) return example;
  if (SIDES.test(example)) return example.replace(/[\d.]+/g, (side) => writeNumber(Number(side) * FOOT, { figures: 2 }));
  const read = parseField(field, example);
  return read.ok ? inUnit(read.value, unit) : example;
}

/** The field of a rate for an area. */
export const rateField = (form: "dry" | "liquid"): "weightRate" | "volumeRate" => (form === "dry" ? "weightRate" : "volumeRate");

/** The field of an amount of product: weighed, or measured in a vessel. */
export const amountField = (form: "dry" | "liquid"): Field => (form === "dry" ? "knownWeight" : "jarVolume");

/** The unit that a bare number has in a field, by the reader's units. */
export const bareUnit = (field: Field, system: System): string => (system === "us" ? FIELDS[field].bare : METRIC_BARE[field]);

/** Two sides without a unit: "20 x 30". */
const SIDES = /^\s*[\d.,]+\s*(?:x|×|by)\s*[\d.,]+\s*$/i;

/** What was typed into a field as it is meant there: see {@link meantIn}. */
export const withUnit = (field: Field, typed: string, system: System): string => meantIn(unitsIn(field), typed, system);

/** The units that a field shows. */
export const unitsIn = (field: Field): FieldUnits => ({ us: FIELDS[field].bare, metric: METRIC_BARE[field] });

/**
 * What was understood of a typed text, where it isn't plain from the text itself: a fraction, two sides, feet and inches, thousands, a
 * rate without its area. Undefined where it is plain or can't be read.
 */
export function understood(field: Field, typed: string): string | undefined {
  const text = typed.trim();
  if (
    !/[½¼¾⅓⅔⅛⅜⅝⅞'’"”×]|\d\/\d|\dx\d|\d x \d|\bby\b|\d ?k\b|(?:ft|feet|foot)\.? ?[\d.]+ ?in/i.test(text) &&
    !(FIELDS[field].kind === "speed" && /\d[^\d.,]+\d/.test(text)) &&
    !(FIELDS[field].bare.includes("/") && /[a-z]$/i.test(text) && !/\/|\bper\b/i.test(text))
  )
    return undefined;
  const read = parseField(field, typed);
  if (!read.ok) return undefined;
  // Seconds over a course: in what speeds are compared in.
  const { kind, unit, value } = read.value;
  return kind === "speed"
    ? show(value as Quantity<"speed">, "speed", unit === "ft/min" ? "mph" : "km/h")
    : showEntered(read.value);
}

/** Reads what was typed into a field: in its kind, in its range; a bare number takes the field's unit. */
export function parseField<F extends Field>(
  field: F,
  typed: unknown,
  options: ParseOptions = {},
): Result<Entered<KindOfField<F>>> {
  const { kind, bare } = FIELDS[field];
  const read = parseQuantity(typed, kind as KindOfField<F>, { dialect: "screen", bare, ...options });
  if (!read.ok) return read;
  // "Nothing left in the tank" is a reading too, below the field's own range.
  if (options.zero && read.value.number === 0) return read;
  return withinField(field, read.value, options.path ?? "");
}
