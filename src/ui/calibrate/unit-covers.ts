import type { Calibration } from "@/core/calibration/calibrate";
import { make, raw } from "@/core/quantity/kinds";
import { quantity } from "@/core/quantity/quantity";
import { num } from "@/core/working/rule";
import type { System } from "@/core/working/units";

/** The ground that one gallon, or litre, covers: the strength of any small amount goes by it. */
export const unitCovers = (made: Calibration, system: System) =>
  make<"area">(raw(quantity("volume", 1, system === "us" ? "gal" : "L")) / num(made.sprayVolume));
