import { plainNumber } from "../quantity/format";
import { raw, type Quantity } from "../quantity/kinds";
import { entered, type Entered } from "../quantity/parse";
import { unitNamed } from "../quantity/unit";
import type { LabelRate } from "./label-rate";

const THOUSAND = unitNamed("ft2").factor * 1000;

/** A total over an area as a rate for an area: ounces, or fluid ounces, for 1,000 sq ft, as a job file writes it. */
export function rateOfTotal(total: Entered<"mass"> | Entered<"volume">, area: Quantity<"area">): LabelRate {
  const ounces = (unit: "oz" | "fl oz") =>
    plainNumber(raw(total.value as Quantity<"mass">) / unitNamed(unit).factor / (raw(area) / THOUSAND));
  return total.kind === "mass"
    ? entered(`${ounces("oz")} oz/1000 ft2`, "rateByWeight")
    : entered(`${ounces("fl oz")} fl oz/1000 ft2`, "rateByVolume");
}

/** A rate for an area times an area: ounces, or fluid ounces, as a job file writes it. */
export function totalOfRate(rate: LabelRate, area: Quantity<"area">): Entered<"mass"> | Entered<"volume"> {
  const amount = raw(rate.value as Quantity<"rateByWeight">) * raw(area);
  return rate.kind === "rateByWeight"
    ? entered(`${plainNumber(amount / unitNamed("oz").factor)} oz`, "mass")
    : entered(`${plainNumber(amount / unitNamed("fl oz").factor)} fl oz`, "volume");
}
