import { bad, good, type Result } from "../issue";
import { writeNumber } from "../quantity/format";
import type { System } from "../working/units";

/**
 * Temperatures. They may be below nought and are never added up, so they are no quantities of the catalogue: a number of degrees
 * Celsius beside what was entered.
 */
export interface Temperature {
  readonly celsius: number;
  /** As entered: "50 °F". */
  readonly text: string;
}

export const toCelsius = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;
export const toFahrenheit = (celsius: number): number => (celsius * 9) / 5 + 32;

/** Colder or hotter than any place or day on earth (ours): a slip. */
const COLDEST = -90;
const HOTTEST = 70;

/** How a file writes one. */
export const TEMPERATURE_WRITTEN = "^-?\\d{1,4}(?:\\.\\d{1,6})? °?[FC]$";

/** "50 F", "50 °F", "-2 C", "10 °C". @param path where it stands */
export function parseTemperature(value: unknown, path = ""): Result<Temperature> {
  const text = typeof value === "string" ? value.trim() : "";
  const parts = /^([-−]?\d+(?:\.\d+)?) ?°? ?([FC])$/.exec(text);
  const expected = `"50 F" or "10 C"`;
  if (!parts) return bad({ path, code: "not-a-number", received: typeof value === "string" ? value : String(value), expected });
  const number = Number(parts[1]!.replace("−", "-"));
  const celsius = parts[2] === "F" ? toCelsius(number) : number;
  if (celsius < COLDEST || celsius > HOTTEST)
    return bad({
      path,
      code: "out-of-range",
      received: text,
      expected: "from -130 °F to 158 °F",
      metric: "from -90 °C to 70 °C",
    });
  return good({ celsius, text: `${number} °${parts[2]}` });
}

/** A temperature that the code itself wrote. @throws RangeError where it is none */
export function temperature(text: string): Temperature {
  const read = parseTemperature(text);
  if (!read.ok) throw new RangeError(`no temperature "${text}"`);
  return read.value;
}

/** A temperature in the reader's units, in whole degrees or with so many places. */
export const readTemperature = (celsius: number, system: System, decimals = 0): string =>
  system === "us" ? `${writeNumber(toFahrenheit(celsius), { decimals })} °F` : `${writeNumber(celsius, { decimals })} °C`;
