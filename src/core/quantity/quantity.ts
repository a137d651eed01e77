import { make, raw, type Kind, type Quantity } from "./kinds";
import { unitNamed } from "./unit";
import { SHAPES, type UnitOf } from "./units";

/**
 * A quantity of a number and a unit: `quantity("volume", 4, "gal")`.
 * @throws RangeError where the number is negative or not finite, or the unit is of another kind.
 */
export function quantity<K extends Kind>(kind: K, number: number, unit: UnitOf<K>): Quantity<K> {
  const found = unitNamed(unit);
  if (found.shape !== SHAPES[kind]) throw new RangeError(`${unit} is no unit of ${kind}`);
  return make<K>(number * found.factor);
}

/** The number of a quantity in a unit of its kind, unrounded. Rounding belongs to the formatter. */
export function valueIn<K extends Kind>(value: Quantity<K>, unit: UnitOf<K>): number {
  return raw(value) / unitNamed(unit).factor;
}
