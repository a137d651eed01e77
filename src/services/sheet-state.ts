import { runState, type RunState } from "@/core/mixing/run-state";
import { canonical } from "@/core/quantity/arithmetic";
import type { SheetState } from "@/formats/entries";
import { soundJob, soundPlan } from "@/formats/job-file/assemble";
import type { JobFile, SiteText } from "@/formats/job-file/types";
import { recordsOfSheet, withdrawalOf } from "@/records/applications";
import type { Access } from "@/records/database";
import { fillsOf, stopEventsOf } from "@/records/runs";
import type { findSheet } from "@/records/sheets";

/** How a sheet stands, and how its day has come along. Whether it may be poured says the judge. */

export type SheetRow = NonNullable<ReturnType<typeof findSheet>>;

export function sheetState(db: Access, id: string): SheetState {
  if (recordsOfSheet(db, id).length > 0) return "recorded";
  return withdrawalOf(db, id) ? "withdrawn" : "open";
}

/** How a day has come along; null of a sheet that is none. */
export function runOf(db: Access, { id, job }: Pick<SheetRow, "id" | "job">): RunState | null {
  if (job.run !== "day") return null;
  return runState(plannedOf(job), stopEventsOf(db, id), fillsOf(db, id));
}

type PlannedStops = Parameters<typeof runState>[0];
const known = new WeakMap<JobFile, PlannedStops>();

/** What each stop of a day takes, worked out once for each: what was planned never changes. */
function plannedOf(job: JobFile): PlannedStops {
  const before = known.get(job);
  if (before) return before;
  const { sites } = soundPlan(soundJob({ ...job, sites: (job.sites ?? []).map(withoutHistory) })).plan;
  const planned = sites.map(({ name, spray }) => ({ site: name, spray: canonical(spray.value) }));
  known.set(job, planned);
  return planned;
}

/** What a stop of a day takes, mL. */
export const plannedFor = ({ job }: Pick<SheetRow, "job">, site: string): number =>
  plannedOf(job).find((p) => p.site === site)?.spray ?? 0;

/** What a site takes doesn't depend on what went down there: a held one is a stop of the day all the same. */
export const withoutHistory = (site: SiteText): SiteText => ({
  ...site,
  zones: site.zones.map(({ name, area }) => ({ ...(name && { name }), area })),
});
