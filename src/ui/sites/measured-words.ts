import type { MeasuredBy } from "@/core/area/uncertainty";
import { writeNumber } from "@/core/quantity/format";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import type { System } from "@/core/working/units";

/** By what an area was measured, and where its uncertainty comes from. */
export const BY_WORDS: Readonly<Record<MeasuredBy, readonly [by: string, from: string]>> = {
  tape: ["by tape", "two lengths, each good to half a per cent on grass"],
  wheel: ["by measuring wheel", "two lengths, each good to 2 %: a wheel bounces and wanders"],
  strides: ["by strides", "two lengths, each good to 5 %: a stride is longer on the way home"],
  map: ["from a map or a plan", "corners that are half a metre off, each by itself"],
  walk: ["walked with a phone", "fixes that are most of a metre off, each by itself"],
};

/** "±0.8 %" */
export const plusMinus = (relative: number): string => `±${writeNumber(relative * 100, { figures: 2 })} %`;

/** An area as a form takes it, in the reader's units: as many figures as it is worth. */
export function areaText(area: Quantity<"area">, system: System): string {
  const unit = system === "us" ? "ft2" : "m2";
  return `${writeNumber(valueIn(area, unit), { figures: 4 })} ${unit}`;
}
