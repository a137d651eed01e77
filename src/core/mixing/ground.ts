import { make, raw, type Quantity } from "../quantity/kinds";
import { quantity } from "../quantity/quantity";
import { num, type Source } from "../working/rule";
import type { System } from "../working/units";

/** The reader's measure of spray: a gallon, or a litre. */
const ONE = { us: quantity("volume", 1, "gal"), metric: quantity("volume", 1, "L") };

/** A gallon, or a litre: what a small mix is counted by. */
export const oneVolume = (system: System): Quantity<"volume"> => ONE[system];

/** The ground that one gallon, or litre, covers: the strength of any small amount goes by it. */
export const unitCovers = (sprayVolume: Source<"sprayVolume">, system: System): Quantity<"area"> =>
  make(raw(ONE[system]) / num(sprayVolume));

/** The spray that a stretch of ground takes. */
export const sprayOn = (covers: Source<"area">, sprayVolume: Source<"sprayVolume">): Quantity<"volume"> =>
  make(num(covers) * num(sprayVolume));
