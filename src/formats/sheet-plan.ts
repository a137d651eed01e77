import type { Calibration } from "@/core/calibration/calibrate";
import { allFillings, filledBefore, fillingsOfRun, stepsOf, type Filling } from "@/core/mixing/column";
import type { MixInput, MixPlan, Progress } from "@/core/mixing/plan";
import type { RunState } from "@/core/mixing/run-state";
import { quantity } from "@/core/quantity/quantity";
import { constant } from "@/core/working/rule";
import { gearOf } from "./gear";
import { soundJob, soundPlan } from "./job-file/assemble";
import type { Job } from "./job-file/read-checked";
import type { JobFile, SiteText } from "./job-file/types";

/** A sheet worked out as it stands: a day from where it has come to. */
export interface SheetPlan {
  readonly job: Job;
  readonly plan: MixPlan;
  readonly calibration: Calibration;
  readonly input: MixInput;
  /** All fillings, those behind first. */
  readonly fillings: readonly Filling[];
  /** The number of those that are behind. */
  readonly filled: number;
}

/** Less than this in a tank is nothing, mL: what a sum of readings leaves over. */
const NOTHING = 1;

/** What is still to do of a day, and what it begins with. */
function progressOf({ stops, inTank }: RunState, sites: readonly SiteText[]): Progress {
  const todo = stops.filter((s) => s.state === "todo").map((s) => s.site);
  const last = stops.findLast((s) => s.state === "done")?.site;
  const water = sites.find((site) => site.name === last)?.waterSource?.fill === true;
  const standsAt = last === undefined ? {} : { standsAt: { site: last, water } };
  if (inTank < NOTHING) return { todo, ...standsAt };
  return { todo, ...standsAt, inTank: constant("volume", quantity("volume", inTank, "mL"), "in the tank") };
}

/** Works a sheet out: what the server ticks against, and what every screen shows. */
export function planOfSheet(file: JobFile, run: RunState | null): SheetPlan {
  if (!run) {
    const job = soundJob(file);
    const planned = soundPlan(job);
    return { job, ...planned, fillings: allFillings(planned.plan), filled: 0 };
  }
  const progress = progressOf(run, file.sites ?? []);
  // What is behind is judged no more: it went down, or it didn't.
  const sites = (file.sites ?? []).filter((site) => progress.todo!.includes(site.name));
  const job = soundJob({ ...file, sites });
  const planned = soundPlan(job, progress);
  const before = filledBefore(planned.plan, run.filled);
  return {
    job,
    ...planned,
    fillings: [...before, ...fillingsOfRun(planned.plan.run!, before.length)],
    filled: before.length,
  };
}

/** The keys of everything that can be ticked on a sheet: the gear, then the steps of every filling. */
export const tickKeys = (file: JobFile, { job, plan, fillings }: SheetPlan): string[] => [
  ...gearOf(file.products ?? []).map((g) => g.key),
  ...fillings.flatMap((filling) => stepsOf(plan.products, filling, job.waterFirst).map((step) => step.key)),
];

/** The gear that isn't on yet. */
export const gearMissing = (file: JobFile, done: ReadonlySet<string>) =>
  gearOf(file.products ?? []).filter((g) => !done.has(g.key));
