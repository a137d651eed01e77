/**
 * Quantities are opaque and told apart by what they *are*, not by their dimension: L/ha is dimensionally a length and
 * mL/L a bare ratio, so only a kind keeps a spray volume, a label rate by weight and a label rate by volume apart.
 *
 * At run time a quantity is a plain number in one coherent set (m, s, mL, g, Pa), so that q = f·T/A needs no
 * constants. In the types it is an object with a private symbol: it can't be added, multiplied, compared with another
 * kind, or put into JSX. Only `core` may open one, with `raw`.
 */
declare const kind: unique symbol;

export const KINDS = [
  "length", // m
  "area", // m²
  "volume", // mL
  "mass", // g
  "time", // s
  "speed", // m/s
  "pressure", // Pa
  "flow", // mL/s
  "precipitation", // m/s: depth of water in a time
  "sprayVolume", // mL of spray / m²
  "rateByWeight", // g of product / m²
  "rateByVolume", // mL of product / m²
  "strengthByWeight", // g of product / mL of spray
  "strengthByVolume", // mL of product / mL of spray
  "activeRate", // g of active or nutrient / m²
  "activeStrength", // g of active / mL of product
  "share", // part of a whole: a fraction by weight, a tolerance, a spread
  "dilution", // water : all products, by volume
  "count", // whole things
  "gravity", // specific gravity: how many times as dense as water
] as const;

export type Kind = (typeof KINDS)[number];

export interface Quantity<K extends Kind> {
  readonly [kind]: K;
}

/** Opens a quantity: its number in the coherent set (m, s, mL, g, Pa). For arithmetic inside core only. */
export function raw<K extends Kind>(quantity: Quantity<K>): number {
  return quantity as unknown as number;
}

/**
 * Makes a quantity of a number that is already in the coherent set.
 * @throws RangeError where the number is NaN, infinite or negative: none of them may travel.
 */
export function make<K extends Kind>(value: number): Quantity<K> {
  if (!(value >= 0 && value < Infinity)) throw new RangeError(`not a quantity: ${value}`);
  return value as unknown as Quantity<K>;
}
