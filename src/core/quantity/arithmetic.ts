import { make, raw, type Kind, type Quantity } from "./kinds";

/**
 * What may be done with quantities of one kind outside core: add, scale, compare. What needs two kinds is a rule of core
 * with its working, never a sum in a room.
 */

/** All of some together; nothing at all is zero. */
export const total = <K extends Kind>(values: readonly Quantity<K>[]): Quantity<K> =>
  make(values.reduce((sum, value) => sum + raw(value), 0));

/** So many times a quantity. @throws RangeError where the factor is negative or not finite */
export const times = <K extends Kind>(value: Quantity<K>, factor: number): Quantity<K> => make(raw(value) * factor);

/** How many times one is in another: a bare ratio. Infinite or NaN where `under` is zero. */
export const ratio = <K extends Kind>(over: Quantity<K>, under: Quantity<K>): number => raw(over) / raw(under);

/** Below zero where the first is less, above where it is more: for sorting, and for `<` and `>`. */
export const compare = <K extends Kind>(a: Quantity<K>, b: Quantity<K>): number => raw(a) - raw(b);

/** The larger of two; of equals the first. */
export const larger = <K extends Kind>(a: Quantity<K>, b: Quantity<K>): Quantity<K> => (raw(b) > raw(a) ? b : a);

/** Whether there is nothing of it. */
export const isZero = <K extends Kind>(value: Quantity<K>): boolean => raw(value) === 0;

/** The number that a column keeps: of the coherent set (m, s, mL, g, Pa), unrounded. */
export const canonical = <K extends Kind>(value: Quantity<K>): number => raw(value);

/** Back from a column. @throws RangeError where it is negative or not finite */
export const fromCanonical = <K extends Kind>(number: number): Quantity<K> => make(number);

/** Whether a part of a whole is more than the whole. */
export const isOverWhole = (share: Quantity<"share">): boolean => raw(share) > 1;
