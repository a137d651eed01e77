import type { Calibration } from "@/core/calibration/calibrate";
import { bad, good, type Result } from "@/core/issue";
import { mix } from "@/core/mixing/mix";
import { causesOf, type Cause } from "@/core/outcome/causes";
import { reconcile, type Pass, type Planning, type SiteOutcome } from "@/core/outcome/reconcile";
import { planOf, type Planned } from "./assemble";
import type { Job } from "./read-checked";
import { readOutcome } from "./read-outcome";
import type { OutcomeText } from "./types";

/** What a job really did, site by site, and which constant probably moved. */
export interface Outcome {
  readonly calibration: Calibration;
  readonly planning: Planning;
  readonly passes: readonly Pass[];
  readonly sites: readonly (SiteOutcome & { readonly causes: readonly Cause[] })[];
}

/** What an outcome is held against: the plan of a job without anything held, since what was poured was poured. */
export function planningOf(job: Job, { calibration, input }: Planned): Planning {
  const spoken = new Map(job.products.map((product) => [product.name, product.says]));
  const plan = mix({ ...input, products: input.products.map(({ says: _, ...product }) => product), head: null });
  const products = plan.products.map((product) => {
    const says = spoken.get(product.name);
    return says ? { ...product, says } : product;
  });
  return { plan: { ...plan, products }, calibrated: calibration.sprayVolume, jars: job.rig.head !== undefined };
}

/**
 * A job and what became of its loads → what it really did; or every fault.
 * @param ticked the plan's amounts went into each load, whatever it was mixed to; else what is mixed is of the plan's strength
 */
export function outcomeOf(job: Job, entries: readonly OutcomeText[] | undefined, ticked = false): Result<Outcome> {
  if (!entries)
    return bad({
      path: "outcome",
      code: "missing",
      received: "",
      expected: `[{ "site": "Ferry green", "load": 1, "left": "0.5 gal", "covered": "3500 ft2" }]`,
    });
  const planned = planOf(job);
  if (!planned.ok) return planned;
  const planning = { ...planningOf(job, planned.value), ticked };
  const passes = readOutcome(
    planning,
    entries,
    (site) =>
      job.sites.find((one) => one.name === site)?.zones.map(({ name, area }, i) => ({ name: name ?? `zone ${i + 1}`, area })) ??
      [],
  );
  if (!passes.ok) return passes;
  const { calibration } = planned.value;
  const { timePer1000, flow } = calibration;
  const known = { timePer1000: timePer1000 && timePer1000.value, flow: flow && flow.value };
  const sites = reconcile(planning, passes.value).map((site) => ({ ...site, causes: causesOf(site, known) }));
  return good({ calibration, planning, passes: passes.value, sites });
}
