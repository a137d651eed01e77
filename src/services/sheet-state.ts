import { bad, good, type Result } from "@/core/issue";
import { runState, type RunState } from "@/core/mixing/run-state";
import { canonical } from "@/core/quantity/arithmetic";
import type { SheetState } from "@/formats/entries";
import { soundJob, soundPlan } from "@/formats/job-file/assemble";
import type { JobFile, SiteText } from "@/formats/job-file/types";
import { recordsOfSheet, withdrawalOf, withdrawSheet } from "@/records/applications";
import { type Access, type Records, whole } from "@/records/database";
import { fillsOf, stopEventsOf } from "@/records/runs";
import { findSheet } from "@/records/sheets";
import { wasPoured } from "./counted";
import { isId, isReason, issue, nowText, shown } from "./input";

/** How an open sheet has come along, and how it ends without going down. Whether it may be poured says the judge. */

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
const withoutHistory = (site: SiteText): SiteText => ({
  ...site,
  zones: site.zones.map(({ name, area }) => ({ ...(name && { name }), area })),
});

/**
 * Withdraws a sheet that will not be poured: what it planned no longer counts. Of one of which a product was poured, only
 * with what became of it: `{ became }`. Until that is on record its budget stays taken.
 */
export function withdraw(db: Records, id: string, input: unknown): Result<{ id: string }> {
  const became = (input as { became?: unknown } | null)?.became;
  return whole(db, (tx): Result<{ id: string }> => {
    const sheet = isId(id) ? findSheet(tx, id) : undefined;
    if (!sheet) return bad(issue("", "unknown-name", shown(id), "the mix sheets on record"));
    const state = sheetState(tx, id);
    if (state === "withdrawn") return good({ id });
    if (state === "recorded")
      return bad(issue("", "conflict", "this sheet is on record as sprayed", "correct its records in the log instead"));
    const sprayed = runOf(tx, sheet)?.stops.filter((stop) => stop.state === "done") ?? [];
    if (sprayed.length > 0)
      return bad(
        issue(
          "",
          "conflict",
          `${sprayed.map((stop) => stop.site).join(", ")}: sprayed already`,
          "skip the other stops and put the day on record",
        ),
      );
    if (wasPoured(tx, id) && !isReason(became))
      return bad(
        issue(
          "became",
          "reason-needed",
          "a product of this sheet was ticked as poured",
          "put it on record if any of it was sprayed; else say what became of it",
        ),
      );
    withdrawSheet(tx, id, isReason(became) ? became.trim() : null, nowText());
    return good({ id });
  });
}
