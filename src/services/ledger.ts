import { bad, good, type Issue, type Result } from "@/core/issue";
import type { RunState } from "@/core/mixing/run-state";
import type { SiteOutcome } from "@/core/outcome/reconcile";
import { canonical, fromCanonical } from "@/core/quantity/arithmetic";
import { read } from "@/core/working/units";
import { soundJob, soundPlan } from "@/formats/job-file/assemble";
import type { JobFile } from "@/formats/job-file/types";
import { type Access, type Records, whole } from "@/records/database";
import { addLoadEnds, endsOfSheet, type LoadEnd } from "@/records/load-ends";
import { everTicked, findSheet } from "@/records/sheets";
import { isProductStep } from "./counted";
import { isId, issue, nowText, shown } from "./input";
import { withoutHistory, type SheetRow } from "./sheet-state";

/**
 * The ledger. What was ticked went into the tank: each load that was poured went down, is left in the tank, was disposed of, or is
 * unaccounted for, which counts against limits until it is known. What was filled is always the sum of the four.
 */

/** Where what didn't go down is. */
export const RESTS = ["left", "disposed", "unaccounted"] as const;
export interface Rest {
  readonly what: (typeof RESTS)[number];
  /** Where it goes, how it was disposed of, why nobody knows. */
  readonly says: string;
}

/** Some words that say something: two at least. */
export const isStory = (text: unknown): text is string =>
  typeof text === "string" && text.length <= 300 && /\p{L}{2,}\s+\S*[\p{L}\d]{2,}/u.test(text.trim());

const A_REST = `{ "what": "left", "says": "goes on the hedge by the slip tomorrow" }`;

/** What is said of the rest; nothing where nothing is. */
export function readRest(input: unknown): Result<Rest | undefined> {
  if (input === undefined) return good(undefined);
  const { what, says } = (typeof input === "object" && input !== null ? input : {}) as Record<string, unknown>;
  if (!RESTS.includes(what as Rest["what"])) return bad(issue("rest.what", "not-a-choice", shown(what), RESTS.join(", ")));
  if (!isStory(says)) return bad(issue("rest.says", "reason-needed", shown(says), `say it in words: ${A_REST}`));
  return good({ what: what as Rest["what"], says: says.trim() });
}

/** A load that was poured: what it was filled to and what of it went down, mL. */
export interface PouredLoad {
  readonly site: string;
  readonly load: number;
  readonly filled: number;
  readonly applied: number;
}

interface PlannedLoad {
  readonly site: string;
  readonly load: number;
  readonly key: string;
  readonly fill: number;
}

const known = new WeakMap<JobFile, readonly PlannedLoad[]>();

/** The loads of a sheet that is no day, worked out once for each: what was planned never changes. */
function loadsPlanned(job: JobFile): readonly PlannedLoad[] {
  const before = known.get(job);
  if (before) return before;
  const { plan } = soundPlan(soundJob({ ...job, sites: (job.sites ?? []).map(withoutHistory) }));
  const loads = plan.sites.flatMap((site) => {
    const k = (job.sites ?? []).findIndex((one) => one.name === site.name);
    return site.loads.map(({ number, contents }): PlannedLoad => ({
      site: site.name,
      load: number,
      key: `${k + 1}.${number}.`,
      fill: canonical(contents.fillTo.value),
    }));
  });
  known.set(job, loads);
  return loads;
}

/** The loads of a sheet, and whether a product of each was ticked, even if the tick was taken back. */
export function loadsOf(
  db: Access,
  { id, job }: Pick<SheetRow, "id" | "job">,
): readonly (PlannedLoad & { readonly opened: boolean })[] {
  const ticked = everTicked(db, id).filter(isProductStep);
  return loadsPlanned(job).map((load) => ({ ...load, opened: ticked.some((step) => step.startsWith(load.key)) }));
}

/** Those of which something was opened. */
export const pouredLoads = (db: Access, sheet: Pick<SheetRow, "id" | "job">): readonly PlannedLoad[] =>
  loadsOf(db, sheet).filter(({ opened }) => opened);

/** What of the loads of a sheet went down. @param told what was told of its sites; @param nothing the sites on which nothing went down */
export function loadsDown(
  db: Access,
  sheet: Pick<SheetRow, "id" | "job">,
  told: readonly SiteOutcome[],
  nothing: readonly string[],
): PouredLoad[] {
  const poured = pouredLoads(db, sheet);
  return (sheet.job.sites ?? []).flatMap(({ name }): PouredLoad[] => {
    const own = poured.filter((load) => load.site === name);
    if (nothing.includes(name)) return own.map(({ site, load, fill }) => ({ site, load, filled: fill, applied: 0 }));
    const outcome = told.find((one) => one.name === name);
    // As planned, all of it went down, whether it was ticked or not.
    if (!outcome)
      return loadsPlanned(sheet.job).flatMap(({ site, load, fill }) =>
        site === name ? [{ site, load, filled: fill, applied: fill }] : [],
      );
    const numbers = [...new Set([...outcome.passes.map((pass) => pass.load), ...own.map(({ load }) => load)])];
    return numbers.map((load) => {
      const passes = outcome.passes.filter((pass) => pass.load === load);
      const filled = passes[0] ? canonical(passes[0].began.value) : own.find((one) => one.load === load)!.fill;
      return { site: name, load, filled, applied: passes.reduce((sum, pass) => sum + canonical(pass.out.value), 0) };
    });
  });
}

/** The one tank of a day: what was filled in all, and what of it went down. */
export function dayDown({ filled, inTank }: RunState): PouredLoad[] {
  const all = filled.reduce((sum, fill) => sum + fill.adds, 0);
  return all > 0 ? [{ site: "", load: 1, filled: all, applied: Math.max(0, all - inTank) }] : [];
}

/** So little is what a reading rounds off: a hundredth of a load, and a millilitre. */
const rounds = ({ filled, applied }: PouredLoad) => filled - applied <= Math.max(filled * 0.01, 1);

/** What is still to be said before loads are closed. */
export function restFaults(loads: readonly PouredLoad[], rest: Rest | undefined): Issue[] {
  const over = loads.filter((load) => !rounds(load));
  if (over.length === 0 || rest) return [];
  const words = (system: "us" | "metric") =>
    over
      .map(({ site, load, filled, applied }) => {
        const left = read(fromCanonical<"volume">(filled - applied), "volume", system);
        return site === "" ? `${left} of the day's tank` : `${left} of load ${load} of ${site}`;
      })
      .join(", ");
  const expected = "say where it is: left in the tank and where that goes, disposed of and how, or that nobody knows";
  return [{ path: "rest", code: "reason-needed", received: `${words("us")} did not go down`, metric: `${words("metric")} did not go down`, expected }]; // prettier-ignore
}

/** Closes the loads of a sheet: what didn't go down is where the rest is said to be. */
export function closeLoads(db: Access, sheetId: string, loads: readonly PouredLoad[], rest: Rest | undefined, at: string): void {
  addLoadEnds(
    db,
    loads.map((load): LoadEnd => {
      const over = rounds(load) ? 0 : load.filled - load.applied;
      const applied = load.filled - over;
      const of = (what: Rest["what"]) => (over > 0 && rest?.what === what ? over : 0);
      const { site, load: number, filled } = load;
      const ends = { left: of("left"), disposed: of("disposed"), unaccounted: of("unaccounted") };
      return { sheetId, site, load: number, filled, applied, ...ends, says: over > 0 ? (rest?.says ?? null) : null, at };
    }),
  );
}

/** Says what became of what was unaccounted for on a closed sheet: `{ what: "left" | "disposed", says }`. */
export function accountFor(db: Records, sheetId: string, input: unknown): Result<{ id: string }> {
  const rest = readRest(input ?? {});
  if (!rest.ok) return { ok: false, issues: rest.issues.map((one) => ({ ...one, path: one.path.replace(/^rest\./, "") })) };
  const { what, says } = rest.value!;
  return whole(db, (tx): Result<{ id: string }> => {
    if (!isId(sheetId) || !findSheet(tx, sheetId))
      return bad(issue("", "unknown-name", shown(sheetId), "the mix sheets on record"));
    const open = endsOfSheet(tx, sheetId).filter((end) => end.unaccounted > 0);
    if (open.length === 0) return bad(issue("", "already-done", "nothing of this sheet is unaccounted for", "look at the log"));
    const at = nowText();
    addLoadEnds(
      tx,
      open.map((end) => ({
        ...end,
        left: end.left + (what === "left" ? end.unaccounted : 0),
        disposed: end.disposed + (what === "disposed" ? end.unaccounted : 0),
        unaccounted: what === "unaccounted" ? end.unaccounted : 0,
        says,
        at,
      })),
    );
    return good({ id: sheetId });
  });
}
