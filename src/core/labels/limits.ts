import { sameName } from "../names";
import type { Counting } from "./budget";
import type { LimitRow, ZoneFacts } from "./label";
import { perApplication, perYear, uncountable } from "./limit-amounts";
import { countAndInterval, stillWorking, turfAndSeed } from "./limit-days";
import { activeNoted, spotInZone } from "./limit-known";
import type { Budget, Case, DayOfPlan, Held, Judged, LimitWarning, Reason } from "./reason";

/** Judges every product of a mix on one zone against its label. */
export function judgeZone(products: readonly Counting[], zone: ZoneFacts, day: DayOfPlan): Judged {
  const reasons: Reason[] = [];
  const budgets: Budget[] = [];
  const warnings: LimitWarning[] = [];
  const at = { site: day.site, zone: zone.name };
  for (const product of products) {
    const others = products.filter((p) => p !== product);
    const rows = product.says.limits.filter((row) => binds(row, zone, day, product, warnings));
    const held = (reason: Held) => reasons.push({ ...reason, ...at, product: product.name });
    const one: Case = { own: product, others, rows, zone, day, held, budgets, warnings };
    for (const judge of [
      spotInZone,
      activeNoted,
      uncountable,
      perApplication,
      perYear,
      countAndInterval,
      stillWorking,
      turfAndSeed,
    ])
      judge(one);
  }
  return { reasons, budgets, warnings };
}

/** Whether a row of the limits binds here. What isn't noted of a site can't excuse it: the row binds then, and says so. */
function binds(row: LimitRow, zone: ZoneFacts, day: DayOfPlan, product: Counting, warnings: LimitWarning[]): boolean {
  const one = (wanted: string | undefined, known: string | undefined, what: "turf" | "jurisdiction") => {
    if (wanted === undefined || wanted.trim() === "") return true;
    if (known !== undefined && known.trim() !== "") return sameName(wanted, known);
    warnings.push({ code: `${what}-unknown`, values: { product: product.name, zone: zone.name, limitFor: wanted } });
    return true;
  };
  return one(row.turf, zone.turf, "turf") && one(row.jurisdiction, day.jurisdiction, "jurisdiction");
}
