import { TEMPERATURE_WRITTEN } from "@/core/conditions/temperature";
import type { Kind } from "@/core/quantity/kinds";
import { NUMBER_PATTERN } from "@/core/quantity/parse";
import { unitsOf } from "@/core/quantity/unit";
import { SHAPES, type Dimension } from "@/core/quantity/units";

/** What the JSON Schemas of our files are put together from, made of the same catalogue of units that reads them. */
export type Schema = Readonly<Record<string, unknown>>;

const escaped = (text: string) => text.replace(/[/]/g, "\\/");
const oneOf = (names: readonly string[]) => `(?:${names.map(escaped).join("|")})`;

/** Units as they may be written: `fl_oz` beside `fl oz`. */
const names = (dimension: string) =>
  unitsOf(dimension as Dimension).flatMap((id) => (id === "fl oz" ? ["fl oz", "fl_oz"] : [id]));

/** The pattern of a kind's units: a unit, or one over another with a count. */
function unitPattern(kind: Kind): string {
  const [over, under] = SHAPES[kind].split("/") as [string, string?];
  if (over === "%") return "%";
  if (under === undefined) return oneOf(names(over));
  const counted = `(?:(?:[1-9]\\d{0,2}(?:,\\d{3})+|[1-9]\\d{0,8}) )?`;
  const pattern = `${oneOf(names(over))} ?\\/ ?${counted}${oneOf(names(under))}`;
  return kind === "strengthByVolume" ? `(?:${pattern}|%v\\/v)` : pattern;
}

const CLOCK = "\\d{1,4}:[0-5]\\d(?:\\.\\d{1,3})?";

/** A quantity of one of several kinds: a number above zero, a space, a unit. */
export function quantity(kinds: readonly Kind[], zero = false): Schema {
  if (kinds[0] === "dilution") return { type: "string", pattern: "^\\d+(?:\\.\\d+)? ?: ?1$" };
  if (kinds[0] === "gravity") return { type: "string", maxLength: 120, pattern: `^(?![0.,]+$)(?:${NUMBER_PATTERN})$` };
  const units = kinds.map(unitPattern).join("|");
  const written = `${zero ? "" : "(?![0.,]+ )"}(?:${NUMBER_PATTERN}) (?:${units})`;
  return {
    type: "string",
    maxLength: 120,
    pattern: kinds.includes("time") ? `^(?:${written}|(?!0+:00(?:\\.0+)?$)${CLOCK})$` : `^${written}$`,
  };
}

export function object(required: readonly string[], properties: Readonly<Record<string, Schema>>): Schema {
  return { type: "object", required, properties, patternProperties: { "^x-": {} }, additionalProperties: false };
}

export const list = (items: Schema, minItems = 1, maxItems = 5000): Schema => ({ type: "array", items, minItems, maxItems });
export const choice = (values: readonly (string | number)[]): Schema => ({ enum: values });
export const text = (maxLength = 200): Schema => ({ type: "string", pattern: "\\S", maxLength });
export const whole = (maximum: number): Schema => ({ type: "integer", minimum: 1, maximum });
export const temperatureText: Schema = { type: "string", pattern: TEMPERATURE_WRITTEN };
export const date: Schema = { type: "string", pattern: "^\\d{4}-\\d{2}-\\d{2}$" };
export const q = (kind: Kind): Schema => quantity([kind]);
