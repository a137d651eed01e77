import type { System } from "../working/units";
import { spokenToWritten } from "./spoken";
import { findUnit } from "./unit";

/**
 * A number gets its unit at the key that typed it, from the field that shows it, and never another. What is kept, sent and saved is the
 * text with its unit, so that nobody later has to ask whose units held.
 */

/** The unit that a bare number has in a field, for each reader; empty where it has none. */
export interface FieldUnits {
  readonly us: string;
  readonly metric: string;
}

/** A plain number. */
export const NO_UNIT: FieldUnits = { us: "", metric: "" };
/** A temperature, which is no quantity of the catalogue: its zero is a choice. */
export const DEGREES: FieldUnits = { us: "°F", metric: "°C" };

const NUMBER = String.raw`[\d.,½¼¾⅓⅔⅛⅜⅝⅞](?:[\d.,½¼¾⅓⅔⅛⅜⅝⅞/ ]*[\d.,½¼¾⅓⅔⅛⅜⅝⅞])?`;
/** A number and nothing else; a temperature may be below nought. */
const BARE = new RegExp(`^[-−]?${NUMBER}$`);
/** Two sides without a unit: "20 x 30". */
const SIDES = /^[\d.,]+\s*(?:x|×|by)\s*[\d.,]+$/i;
/** A number, its unit, and what of the product it is an amount of, where that is said. */
const AMOUNT = new RegExp(
  String.raw`^(${NUMBER}) ?([^\d/]+?)(\s+(?:N|nitrogen|P2O5|P₂O₅|phosphate|K2O|K₂O|potash|ai|a\.i\.|active(?: ingredient)?))?$`,
  "i",
);

/**
 * What was typed, as it is meant in the field that shows these units: a bare number with the unit, two sides with theirs, an amount with the
 * area or the volume that the field is for. A metric reader's decimal comma is a point; "1,500" may be either, and is marked with a "?" so
 * that it is asked about and taken nowhere. Anything else is left as it is.
 */
export function meantIn(units: FieldUnits, typed: string, system: System): string {
  const trimmed = typed.trim();
  if (trimmed === "") return typed;
  const text = system === "metric" ? commasOf(trimmed) : trimmed;
  const as = text === trimmed ? typed : text;
  const unit = units[system];
  if (unit === "") return as;
  if (AREAS.has(unit) && SIDES.test(text)) return `${text} ${unit.replace(/2$/, "")}`;
  if (BARE.test(text.replace(/\?$/, ""))) return unit === ":1" ? `${text}:1` : `${text} ${unit}`;
  const below = /\/(.+)$/.exec(unit)?.[1];
  const [, , amount, of = ""] = AMOUNT.exec(text) ?? [];
  if (below === undefined || amount === undefined || /\bper\b/i.test(text)) return as;
  const [over, under] = (findUnit(unit)?.shape ?? "").split("/");
  const shape = findUnit(spokenToWritten(amount))?.shape;
  // A nutrient or an active is a weight, whatever the product is measured in.
  const fits = under !== undefined && (shape === over || (of !== "" && shape === "mass" && under === "area"));
  return fits ? `${text}/${below}` : as;
}

const AREAS = new Set(["ft2", "m2", "yd2"]);

/** Decimal commas of the numbers of a text as points: of one number, or of each side of a rectangle. */
function commasOf(text: string): string {
  if (!text.includes(",")) return text;
  return text.replace(/(?<![\d.,])\d+(?:,\d+)+(?![\d.,])/g, (number) => {
    const [head, ...groups] = number.split(",") as [string, ...string[]];
    if (groups.length > 1) return number;
    const [group] = groups as [string];
    // A group of thousands has three figures, and the first doesn't begin with nought.
    const thousands = group.length === 3 && /^[1-9]\d{0,2}$/.test(head);
    return thousands ? `${number}?` : `${head}.${group}`;
  });
}
