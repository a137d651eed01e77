import { plainNumber } from "../quantity/plain";
import { raw, type Kind } from "../quantity/kinds";
import { showEntered } from "../quantity/format";
import { parseAs } from "../quantity/parse";
import { unitNamed } from "../quantity/unit";
import { read, unitFor, type System } from "./units";

/**
 * What is on record stays as it was entered, and is shown as its reader reads it: as entered where that is in units of theirs, converted
 * where it isn't.
 */

const METRIC = /^(?:m|cm|mm|km|m2|ha|mL|L|g|kg|bar|kPa|km\/h|m\/s)$/;
const US = /^(?:in|ft|yd|mi|ft2|yd2|ac|gal|qt|pt|cup|fl oz|tbsp|tsp|lb|oz|mph|ft\/min|psi)$/;
/** Units of everybody: of time, parts of a whole, counts. */
const SHARED = /^(?:s|min|h|%|%v\/v|:1|)$/;

/** Whether a unit is one of a reader's. */
export function isUnitOf(unit: string, system: System): boolean {
  const own = system === "us" ? US : METRIC;
  if (own.test(unit) || SHARED.test(unit)) return true;
  return unit.includes("/") && unit.split("/").every((part) => own.test(part.replace(/^\d[\d,]* /, "")) || SHARED.test(part));
}

/** A figure that was worked out has as many as a double has: nobody reads more than these. */
const READ_FIGURES = 4;
const WRITTEN_FIGURES = 6;
const figuresOf = (text: string): number =>
  text.replace(/^[0.,]+/, "").replace(/[^\d].*$/, (rest) => rest.replace(/\D/g, "")).length;
const short = (number: number, figures: number): string => plainNumber(Number(number.toPrecision(figures)));

/** A text as a job file writes it, for a reader. What can't be read is shown as it stands. */
export function asRead(text: string, kinds: readonly Kind[], system: System): string {
  const found = parseAs(text, kinds);
  if (!found.ok) return text;
  const { value, kind, unit, number } = found.value;
  if (!isUnitOf(unit, system)) return read(value as never, kind, system, kind === "area" ? undefined : { figures: READ_FIGURES });
  const long = kind !== "time" && figuresOf(text.split(" ")[0]!) > WRITTEN_FIGURES;
  return showEntered(long ? { ...found.value, text: `${short(number, READ_FIGURES)} ${unit}` } : found.value);
}

/**
 * The same as a file writes it: six figures at most.
 * @param system whose units; as entered where it is left out
 */
export function asWritten(text: string, kinds: readonly Kind[], system: System | undefined): string {
  const found = parseAs(text, kinds);
  if (!found.ok) return text;
  const { value, kind, unit } = found.value;
  const other = system !== undefined && !isUnitOf(unit, system);
  if (!other && figuresOf(text.split(" ")[0]!) <= WRITTEN_FIGURES) return text;
  const to = other ? unitFor(value as never, kind, system) : unit;
  return `${short(raw(value as never) / unitNamed(to).factor, WRITTEN_FIGURES)} ${to}`;
}

export const RATE_KINDS: readonly Kind[] = ["rateByWeight", "rateByVolume", "strengthByWeight", "strengthByVolume"];
export const TOTAL_KINDS: readonly Kind[] = ["mass", "volume"];

/** A rate of product on record, for its reader. */
export const rateAsRead = (text: string, system: System): string => asRead(text, RATE_KINDS, system);
/** An area on record, for its reader. */
export const areaAsRead = (text: string, system: System): string => asRead(text, ["area"], system);
