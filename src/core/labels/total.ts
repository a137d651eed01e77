import { raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { unitNamed } from "../quantity/unit";
import { writtenAs } from "../quantity/parse";
import type { LabelRate } from "./label-rate";

const THOUSAND = unitNamed("ft2").factor * 1000;

/** A total over an area as a rate for an area: ounces, or fluid ounces, for 1,000 sq ft, as a job file writes it. */
export function rateOfTotal(total: Entered<"mass"> | Entered<"volume">, area: Quantity<"area">): LabelRate {
  const ounces = (unit: "oz" | "fl oz") => raw(total.value as Quantity<"mass">) / unitNamed(unit).factor / (raw(area) / THOUSAND);
  return total.kind === "mass"
    ? writtenAs("rateByWeight", ounces("oz"), "oz/1000 ft2")
    : writtenAs("rateByVolume", ounces("fl oz"), "fl oz/1000 ft2");
}

/** A rate for an area times an area: ounces, or fluid ounces, as a job file writes it. */
export function totalOfRate(rate: LabelRate, area: Quantity<"area">): Entered<"mass"> | Entered<"volume"> {
  const amount = raw(rate.value as Quantity<"rateByWeight">) * raw(area);
  return rate.kind === "rateByWeight"
    ? writtenAs("mass", amount / unitNamed("oz").factor, "oz")
    : writtenAs("volume", amount / unitNamed("fl oz").factor, "fl oz");
}
