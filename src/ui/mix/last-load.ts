import { allFillings } from "@/core/mixing/column";
import type { MixPlan } from "@/core/mixing/plan";
import { ratio } from "@/core/quantity/arithmetic";
import { isWithin } from "@/core/quantity/slack";
import { oneLess, planOf, type Planned } from "@/formats/job-file/assemble";
import { readChecked, type Job } from "@/formats/job-file/read-checked";
import type { JobFile } from "@/formats/job-file/types";
import type { MeasuringOf } from "./measures";

/**
 * How a rest that is hardly a load is gone about: it is filled once more, the loads are made equal, or there is one load less, its product
 * spread over the full ones.
 */
const LAST_LOADS = ["less", "equal", "fill"] as const;
export type LastLoad = (typeof LAST_LOADS)[number];

/** What a file says of its last load, where a person said how. */
const LAST_LOAD_FILE: Record<LastLoad, Pick<JobFile, "loads" | "oneLoadLess">> = {
  less: { loads: "full-then-part", oneLoadLess: true },
  equal: { loads: "equal" },
  fill: { loads: "full-then-part" },
};

export const lastLoadOf = (job: Job): LastLoad => (job.oneLess ? "less" : job.loads === "equal" ? "equal" : "fill");

/** What the kit lacks for the last load, where it can measure the full ones. */
function lastNeeds(plan: MixPlan, measured: MeasuringOf | undefined): string | undefined {
  const fillings = allFillings(plan);
  const [first, last] = [fillings[0], fillings.at(-1)];
  if (!measured || !first || !last || first === last) return undefined;
  return plan.products
    .map((_, i) => (measured(first, i)?.needs === undefined ? measured(last, i)?.needs : undefined))
    .find((needs) => needs !== undefined);
}

/** Why the last load of a plan is none: less than the calibration is sure of, or than the kit can measure. */
type NoLoad = { readonly why: "unsure" } | { readonly why: "unmeasured"; readonly needs: string };

/** @param planned filled once more */
export function noLoadOf(
  { job, calibration, plan }: Planned & { readonly job: Job },
  measured?: MeasuringOf,
): NoLoad | undefined {
  const sure = calibration.uncertainty?.relative;
  const less = oneLess(job, calibration);
  if (less !== null && sure !== undefined && 1 - less.ratio < sure) return { why: "unsure" };
  const needs = lastNeeds(plan, measured);
  return needs === undefined ? undefined : { why: "unmeasured", needs };
}

/** Whether two plans fill as often, and to the same. */
function fillAlike(a: MixPlan, b: MixPlan): boolean {
  const [one, other] = [allFillings(a), allFillings(b)];
  return one.length === other.length && one.every(({ fillTo }, i) => isWithin(ratio(fillTo.value, other[i]!.fillTo.value), 0));
}

/** The same mix gone about in each way that there is for it, and that no label holds where another doesn't. */
export function lastLoadsOf(file: JobFile): ReadonlyMap<LastLoad, Planned & { readonly job: Job }> {
  const ways = LAST_LOADS.flatMap((way) => {
    const { oneLoadLess: _, ...rest } = file;
    const job = readChecked({ ...rest, ...LAST_LOAD_FILE[way] });
    const planned = job.ok ? planOf(job.value) : undefined;
    return job.ok && planned?.ok ? [[way, { ...planned.value, job: job.value }] as const] : [];
  });
  const allowed = ways.filter(([, { plan }]) => plan.reasons.length === 0);
  const found = new Map(allowed.length > 0 ? allowed : ways);
  // A rest under the least mix shares with the load before it: that may be the equal loads already.
  const [fill, equal] = [found.get("fill"), found.get("equal")];
  if (fill && equal && fillAlike(fill.plan, equal.plan)) found.delete("equal");
  return found;
}

/**
 * A rest that is hardly a load is none, unless somebody says so: one load less, or equal ones where only the kit is in the way.
 * @param planned filled once more, held by nothing · @param measured how a plan's amounts are measured; left out, no kit is known
 */
export function withoutNoLoad(
  planned: Planned & { readonly job: Job },
  measured?: (plan: MixPlan) => MeasuringOf | undefined,
): Planned & { readonly job: Job } {
  if (!noLoadOf(planned, measured?.(planned.plan))) return planned;
  const ways = lastLoadsOf(planned.job.file);
  const [less, equal] = [ways.get("less"), ways.get("equal")];
  if (less) return less;
  const of = equal && measured?.(equal.plan);
  const [first] = equal ? allFillings(equal.plan) : [];
  const can = first && of && equal?.plan.products.every((_, i) => of(first, i)?.needs === undefined);
  return can && equal ? equal : planned;
}
