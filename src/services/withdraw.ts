import { bad, good, type Result } from "@/core/issue";
import { withdrawSheet } from "@/records/applications";
import { type Access, type Records, whole } from "@/records/database";
import { findSheet } from "@/records/sheets";
import { wasPoured } from "./counted";
import { isId, issue, nowText, shown } from "./input";
import { closeLoads, dayDown, isStory, pouredLoads, RESTS, type PouredLoad, type Rest } from "./ledger";
import { runOf, sheetState, type SheetRow } from "./sheet-state";

/** What was ticked and never opened at all: beside where what was opened is. */
export const NEVER_OPENED = "never-opened";
const WHATS = [...RESTS, NEVER_OPENED];

/**
 * Withdraws a sheet that will not be poured: what it planned no longer counts. Of one of which a product was ticked as poured, only
 * with what became of it: `{ what, became }`, where `what` is where it is now, or that nothing was opened, and `became` says it in
 * words. What nobody can account for goes on counting.
 */
export function withdraw(db: Records, id: string, input: unknown): Result<{ id: string }> {
  const { what, became } = (input ?? {}) as { what?: unknown; became?: unknown };
  return whole(db, (tx): Result<{ id: string }> => {
    const sheet = isId(id) ? findSheet(tx, id) : undefined;
    if (!sheet) return bad(issue("", "unknown-name", shown(id), "the mix sheets on record"));
    const state = sheetState(tx, id);
    if (state === "withdrawn") return good({ id });
    if (state === "recorded")
      return bad(issue("", "already-done", "this sheet is on record as sprayed", "correct its records in the log instead"));
    const sprayed = runOf(tx, sheet)?.stops.filter((stop) => stop.state === "done") ?? [];
    if (sprayed.length > 0)
      return bad(
        issue(
          "",
          "already-done",
          `${sprayed.map((stop) => stop.site).join(", ")}: sprayed already`,
          "skip the other stops and put the day on record",
        ),
      );
    const poured = wasPoured(tx, id);
    if (poured) {
      if (!WHATS.includes(what as string) || !isStory(became))
        return bad(
          issue(
            "became",
            "reason-needed",
            "a product of this sheet was ticked as poured",
            "put it on record if any of it was sprayed; else say where it is, and in words what became of it",
          ),
        );
      const says = became.trim();
      if (what !== NEVER_OPENED) closeLoads(tx, id, inTank(tx, sheet), { what: what as Rest["what"], says }, nowText());
    }
    withdrawSheet(tx, id, poured ? (became as string).trim() : null, nowText());
    return good({ id });
  });
}

/** What was poured of a sheet of which nothing was sprayed. */
function inTank(tx: Access, sheet: SheetRow): PouredLoad[] {
  const run = runOf(tx, sheet);
  if (run) return dayDown(run).map((load) => ({ ...load, applied: 0 }));
  return pouredLoads(tx, sheet).map(({ site, load, fill }) => ({ site, load, filled: fill, applied: 0 }));
}
