import { bad, good, type Result } from "@/core/issue";
import { servedByTank } from "@/core/mixing/day-run";
import { canonical } from "@/core/quantity/arithmetic";
import { gearMissing, planOfSheet, tickKeys, type SheetPlan } from "@/formats/sheet-plan";
import { type Access, type Records, whole } from "@/records/database";
import { addFill, stopEventsOf } from "@/records/runs";
import { addTick, doneSteps, findSheet, siteIdOf } from "@/records/sheets";
import { isId, issue, nowText, shown } from "./input";
import { isProductStep } from "./counted";
import { judgeSheet, openingFaults, plannedFaults } from "./judge";
import { runOf, sheetState, type SheetRow } from "./sheet-state";

/**
 * Ticks a step of a sheet off, or takes the tick back: `{ step, done }`. Answers with how the whole sheet stands. Gear
 * comes before the first container, and none is opened while the weather that was seen last says no, or against the papers of who
 * sprays; of a day only the fill that is next is poured, and its last step fixes what it held.
 */
export function tickStep(db: Records, sheetId: string, input: unknown): Result<{ done: string[] }> {
  const { step, done } = (input ?? {}) as { step?: unknown; done?: unknown };
  if (typeof step !== "string" || typeof done !== "boolean")
    return bad(issue("step", "wrong-type", "no step", "a step of this sheet"));
  return whole(db, (tx): Result<{ done: string[] }> => {
    const sheet = isId(sheetId) ? findSheet(tx, sheetId) : undefined;
    if (!sheet) return bad(issue("", "unknown-name", shown(sheetId), "the mix sheets on record"));
    const state = sheetState(tx, sheetId);
    if (state === "withdrawn")
      return bad(issue("", "already-done", "this sheet was withdrawn", "mix again: its budget may be taken"));
    if (state === "recorded")
      return bad(issue("", "already-done", "this sheet is on record as sprayed", "correct its records in the log instead"));
    const before = new Set(doneSteps(tx, sheetId));
    const run = runOf(tx, sheet);
    const now = judgeSheet(tx, sheet, true);
    const faults = plannedFaults(now);
    if (done && faults.length > 0) return bad(...faults);
    const known = faults.length > 0 || !now.plan ? planOfSheet(sheet.job, run) : now.plan;
    // A tick that stands may be taken back also where today's card no longer has its step.
    if (!tickKeys(now.job, known).includes(step) && (done || !before.has(step)))
      return bad(issue("step", "unknown-name", step.slice(0, 40), "the steps of this sheet"));
    const missing = done && isProductStep(step) ? gearMissing(now.job, before) : [];
    if (missing.length > 0)
      return bad(
        issue("step", "out-of-turn", "a container before the gear is on", `tick first: ${missing.map((g) => g.text).join(", ")}`),
      );
    const siteIds = (sheet.job.sites ?? []).map((site) => siteIdOf(sheet, site));
    const closed = done && isProductStep(step) ? openingFaults(tx, { siteIds, personId: sheet.personId, job: now.job }) : [];
    if (closed.length > 0) return bad(...closed);
    const inTurn = run ? tickOfRun(tx, sheet, known, step, done) : good(null);
    if (!inTurn.ok) return inTurn;
    if (before.has(step) !== done) addTick(tx, sheetId, step, done, nowText());
    return good({ done: doneSteps(tx, sheetId) });
  });
}

/** A step of a day: in its turn, and the last step of a fill keeps what the tank held. */
function tickOfRun(
  tx: Access,
  sheet: SheetRow,
  { plan, fillings, filled }: SheetPlan,
  step: string,
  done: boolean,
): Result<null> {
  const of = /^run\.(\d+)\.(.+)$/.exec(step);
  if (!of) return good(null);
  const number = Number(of[1]);
  const last = of[2] === "top-up";
  const turn = done || !last ? filled + 1 : filled;
  const behind = number <= filled;
  const served = done && !behind ? servedByTank(plan.run!) : [];
  if (served.length > 0)
    return bad(
      issue("step", "out-of-turn", "what is in the tank isn't sprayed yet", `say first what became of ${served.join(", ")}`),
    );
  if (number > filled + 1)
    return bad(
      issue("step", "out-of-turn", `load ${number}`, `load ${filled + 1} is poured first: what follows may still change`),
    );
  if (behind && (!last || number !== filled) && !done)
    return bad(issue("step", "out-of-turn", `load ${number} is in the tank already`, "only the last fill can be taken back"));
  if (last && (done ? number === turn : number === filled)) {
    const { fillTo, adds } = fillings[number - 1]!;
    const after = stopEventsOf(tx, sheet.id).at(-1)?.id ?? 0;
    addFill(tx, sheet.id, { number, fillTo: canonical(fillTo.value), adds: canonical(adds.value), after }, done, nowText());
  }
  return good(null);
}
