import { unitText } from "../quantity/format";
import { raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { unitNamed } from "../quantity/unit";
import { decimals, rateBounds, type RateContext } from "./of-rate";
import { fitting, respelled, scaled, takenFor, type Candidate, type Slip } from "./slip";

const THOUSAND = unitNamed("ft2").factor * 1000;
const ACRE = unitNamed("ac").factor;

/** What a typed total of a product on an area may have been meant to be, by the label's rates. */
export function slipsOfTotal(
  total: Entered<"mass"> | Entered<"volume">,
  context: RateContext & { readonly area: Quantity<"area"> },
): Slip[] {
  const bounds = rateBounds(total.kind === "mass" ? "rateByWeight" : "rateByVolume", context);
  if (!bounds) return [];
  const area = raw(context.area);
  const typed = total as Entered<"mass" | "volume">;
  const candidates: Candidate<"mass" | "volume">[] = [
    {
      code: "rate-for-total",
      value: scaled(typed, area / THOUSAND),
      says: "the rate for 1,000 sq ft was probably typed, not the total of the zone",
    },
    {
      code: "acre-for-1000",
      value: scaled(typed, THOUSAND / ACRE),
      says: "the label's rate for an acre was probably counted for every 1,000 sq ft",
    },
    {
      code: "acre-for-1000",
      value: scaled(typed, ACRE / THOUSAND),
      says: "the label's rate for 1,000 sq ft was probably counted for every acre",
    },
    ...takenFor(typed.unit).map(([unit, code]) => ({
      code,
      value: respelled(typed, unit),
      says: `${unitText(unit)} was probably meant, not ${unitText(typed.unit)}`,
    })),
    ...decimals(typed),
  ];
  return fitting(typed, { least: bounds.least * area, most: bounds.most * area }, candidates);
}
