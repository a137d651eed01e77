import type { Calibration } from "../calibration/calibrate";
import type { LabelRate } from "../labels/label-rate";
import type { Measure } from "../measuring/measure";
import { labelRoom } from "../measuring/room";
import { canonicalAmount } from "../mixing/amounts";
import type { Filling } from "../mixing/column";
import { rateOnGround } from "../mixing/judge";
import type { MixPlan } from "../mixing/plan";
import { sizeOf } from "../labels/active";
import { rateBounds } from "../slips/of-rate";
import type { RiskInput } from "./risk";

/**
 * What of a product in a load is unsure, and between what it has to lie.
 * @param best how it is measured; undefined where the kit says nothing
 * @returns undefined where its label says neither bound, or nobody knows how sure the spray volume is
 */
export function riskInputOf(
  plan: MixPlan,
  product: number,
  filling: Filling,
  { uncertainty }: Calibration,
  best: Measure | null | undefined,
): RiskInput | undefined {
  const one = plan.products[product]!;
  const planned = sizeOf(rateOnGround(one, plan.leaves));
  const most = labelRoom(plan, product, filling.sites, "application");
  const least = one.split ? undefined : leastOf(one.says?.range?.[0], one.rate, planned);
  if (!uncertainty || (most === undefined && least === undefined)) return undefined;
  // Each reading by itself, as a part of the amount.
  const amount = canonicalAmount(filling.amounts[product]!);
  const readings = (best?.pours ?? []).flatMap(({ tool, full, part }) =>
    Array.from({ length: full + (part === null ? 0 : 1) }, () => tool.step / 2 / amount),
  );
  return {
    spread: uncertainty.standard,
    freedom: uncertainty.freedom,
    measured: best ? best.amount / amount : 1,
    readings,
    most,
    least,
  };
}

/** The label's least over what is planned, where both are of one kind. */
function leastOf(least: LabelRate | undefined, rate: LabelRate, planned: number): number | undefined {
  const bounds = least && rateBounds(rate.kind, { least });
  return bounds && (rate.kind === "rateByWeight" || rate.kind === "rateByVolume") ? bounds.least / planned : undefined;
}
