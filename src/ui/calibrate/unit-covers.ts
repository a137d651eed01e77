import { make, num, quantity, raw, type Calibration, type System } from "@/core/contents";

/** The ground that one gallon, or litre, covers: the strength of any small amount goes by it. */
export const unitCovers = (made: Calibration, system: System) =>
  make<"area">(raw(quantity("volume", 1, system === "us" ? "gal" : "L")) / num(made.sprayVolume));
