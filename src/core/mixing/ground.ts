import type { Quantity } from "../quantity/kinds";
import { quantity } from "../quantity/quantity";
import { constant, derive, type Source } from "../working/rule";
import type { System } from "../working/units";
import { coversRule } from "./areas";

/** The reader's measure of spray: a gallon, or a litre. */
const ONE = { us: quantity("volume", 1, "gal"), metric: quantity("volume", 1, "L") };

/** A gallon, or a litre: what a small mix is counted by. */
export const oneVolume = (system: System): Quantity<"volume"> => ONE[system];

/** The ground that one gallon, or litre, covers: the strength of any small amount goes by it. */
export const unitCovers = (sprayVolume: Source<"sprayVolume">, system: System): Quantity<"area"> =>
  derive(coversRule, { fill: constant("volume", ONE[system], "one"), sprayVolume }).value;
