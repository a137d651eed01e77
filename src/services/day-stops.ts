import { bad, good, type Issue, type Result } from "@/core/issue";
import { showEntered } from "@/core/quantity/format";
import { entered } from "@/core/quantity/parse";
import { read } from "@/core/working/units";
import { STOP_EVENTS, type StopEvent } from "@/core/mixing/run-state";
import { parseField } from "@/core/quantity/ranges";
import { canonical, ratio, total } from "@/core/quantity/arithmetic";
import { type Access, type Records, whole } from "@/records/database";
import { addStopEvent, type NewStopEvent } from "@/records/runs";
import { doneSteps, findSheet, sheetsOfDay } from "@/records/sheets";
import { wholly } from "./keep-up";
import { isId, isReason, issue, nowText, shown } from "./input";
import { OVER } from "./record-sheet";
import { plannedFor, runOf, sheetState, type SheetRow } from "./sheet-state";

/**
 * Tells what became of a stop of a day: `{ what: "done", site, left?, covered? }` with what the tank still holds
 * where somebody looked and the ground that it did, `{ what: "skipped", site }`, `{ what: "back", site }`, or `{ what: "order", order }` for the stops still to do.
 * What follows is planned anew from it. With `everywhere` it is told to every tank of the day, or to none.
 */
export function tellStop(db: Records, sheetId: string, input: unknown): Result<{ id: string }> {
  if ((input as { everywhere?: unknown } | null)?.everywhere !== true) return tellOne(db, sheetId, input);
  return wholly(db, (tx) => {
    const day = isId(sheetId) ? findSheet(tx, sheetId)?.dayId : undefined;
    const sheets = [sheetId, ...(day ? sheetsOfDay(tx, day).flatMap((other) => (other.id === sheetId ? [] : [other.id])) : [])];
    for (const id of sheets) {
      const told = tellOne(tx, id, input);
      if (!told.ok) return told;
    }
    return good({ id: sheetId });
  });
}

function tellOne(db: Access, sheetId: string, input: unknown): Result<{ id: string }> {
  const { what, site, left, covered, order, why } = (input ?? {}) as Record<string, unknown>;
  return whole(db, (tx): Result<{ id: string }> => {
    const sheet = isId(sheetId) ? findSheet(tx, sheetId) : undefined;
    const run = sheet && runOf(tx, sheet);
    if (!run) return bad(issue("", "unknown-name", shown(sheetId), "the days on record"));
    if (sheetState(tx, sheetId) !== "open")
      return bad(issue("", "already-done", "this day is closed", "correct its records in the log instead"));
    if (!STOP_EVENTS.includes(what as StopEvent["what"]))
      return bad(issue("what", "not-a-choice", shown(what), STOP_EVENTS.join(", ")));
    // A fill that is half poured holds what it was planned for: what it serves can't change under it.
    const begun = doneSteps(tx, sheetId).some((key) => key.startsWith(`run.${run.filled.length + 1}.`));
    if (begun)
      return bad(
        issue(
          "",
          "out-of-turn",
          `load ${run.filled.length + 1} is half poured`,
          "finish it, or take its ticks back, before the day changes",
        ),
      );
    const event = { sheetId, what: what as StopEvent["what"] };
    if (what === "order") {
      const todo = run.stops.filter((s) => s.state === "todo").map((s) => s.site);
      const names = Array.isArray(order) ? order.slice(0, 100).map(shown) : [];
      if (names.length !== todo.length || !todo.every((name) => names.includes(name)))
        return bad(issue("order", "not-possible", "another list of stops", `name each of: ${todo.join(", ")}`));
      addStopEvent(tx, { ...event, site: "", left: null, covered: null, order: names }, nowText());
      return good({ id: sheetId });
    }
    const stop = run.stops.find((s) => s.site === site);
    if (!stop) return bad(issue("site", "unknown-name", shown(site), run.stops.map((s) => s.site).join(", ")));
    const rest = what === "done" && left !== undefined && left !== "" ? readLeft(left, run.inTank) : good(null);
    if (!rest.ok) return rest;
    const ground = readCovered(covered, rest.value !== null);
    if (!ground.ok) return ground;
    // What isn't in the tank can't have gone down; a sight gauge is read to a few per cent.
    const least = rest.value === null ? plannedFor(sheet, stop.site) * 0.95 : 0;
    if (what === "done" && stop.state === "todo" && run.inTank < least + 1)
      return bad(
        issue(
          "site",
          "out-of-turn",
          `the tank holds too little for ${stop.site}`,
          "tick the fill first, or say that the stop was skipped",
        ),
      );
    if (what === "done" && stop.state === "done") return good({ id: sheetId });
    // What went down there went down: a stop that is done is no skipped one.
    if (what === "skipped" && stop.state === "done")
      return bad(issue("site", "already-done", `${stop.site} is done`, "take that back first, if nothing went down there"));
    const far = what === "done" && !isReason(why) ? unlikelyGround(sheet, stop.site, ground.value, run.inTank) : [];
    if (far.length > 0) return bad(...far);
    addStopEvent(
      tx,
      {
        ...event,
        site: stop.site,
        left: rest.value,
        covered: ground.value,
        order: null,
        why: isReason(why) ? why.trim() : null,
      } satisfies NewStopEvent,
      nowText(),
    );
    return good({ id: sheetId });
  });
}

/** More ground than the site has, or than all that was in the tank could do, is asked about. */
function unlikelyGround(sheet: SheetRow, site: string, covered: string | null, inTank: number): Issue[] {
  if (covered === null) return [];
  const ground = entered(covered, "area");
  const zones = (sheet.job.sites ?? []).find((one) => one.name === site)?.zones ?? [];
  const whole = total(zones.map((zone) => entered(zone.area, "area").value));
  const planned = plannedFor(sheet, site);
  const could = planned > 0 ? canonical(whole) * (inTank / planned) : Infinity;
  const over = ratio(ground.value, whole) > OVER.zone;
  if (!over && canonical(ground.value) <= could * OVER.load) return [];
  const said = over
    ? `${showEntered(ground)} of ${site}, which has ${read(whole, "area", "us")}`
    : `${showEntered(ground)} of ${site} with what was in the tank`;
  return [issue("why", "reason-needed", said, "look again, or say why it is so")];
}

/** The ground that a stop did; told with what the tank still held, since of that alone nothing follows. */
function readCovered(typed: unknown, tankRead: boolean): Result<string | null> {
  if (typed === undefined || typed === "") return good(null);
  if (!tankRead)
    return bad(issue("left", "missing", "", "what the tank still held: the ground alone doesn't say how much went down on it"));
  const read = parseField("zoneArea", typed, { path: "covered" });
  return read.ok ? good(read.value.text) : read;
}

/** What a tank still holds, as read; never more than it held before. */
function readLeft(typed: unknown, inTank: number): Result<string> {
  const read = parseField("left", typed, { path: "left", zero: true });
  if (!read.ok) return read;
  // A sight gauge is read to a few per cent.
  if (canonical(read.value.value) > inTank * 1.02 + 1)
    return bad(
      issue("left", "not-possible", `${read.value.text} is more than the tank held`, "tick the fill first, or read it again"),
    );
  if (inTank > 0 && canonical(read.value.value) >= inTank)
    return bad(
      issue("left", "not-possible", "the tank holds what it held before", "skip the stop, if nothing was sprayed there"),
    );
  return good(read.value.text);
}
