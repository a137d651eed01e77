import { isDate } from "@/core/calendar";
import { bad, good, type Result } from "@/core/issue";
import type { Form, LabelRate } from "@/core/labels/label-rate";
import { parseRate } from "@/core/labels/rate";
import { plainNumber } from "@/core/quantity/plain";
import { entered } from "@/core/quantity/parse";
import { totalText } from "@/formats/card/choice";
import { planOfSheet, tickKeys } from "@/formats/sheet-plan";
import { addApplication, recordsOfSheet, type NewApplication } from "@/records/applications";
import { type Access, type Records, whole } from "@/records/database";
import { recordsNamed } from "@/records/names";
import { doneSteps, findSheet, siteIdOf } from "@/records/sheets";
import { dateAt, todayOf } from "./clock";
import { plansOf, recordedOf } from "./counted";
import { isId, isReason, issue, nowText, shown } from "./input";
import { runOf, sheetState, type SheetRow } from "./sheet-today";

/** A day that something went down on, against the day that its sheet speaks for. */
export interface RecordedDay {
  readonly date: string;
  /** The sheet's own day, where the date lies before it: it counts on both. */
  readonly alsoOn: string | null;
  readonly why: string | null;
}

/**
 * The day of a record: from the day on which its sheet was made to today. An earlier one needs a reason, and counts on the
 * sheet's day too: a date alone must not give a budget back.
 */
export function dayOfRecord(
  db: Access,
  sheet: Pick<SheetRow, "madeAt"> | undefined,
  input: { readonly date?: unknown; readonly why?: unknown },
  today = todayOf(db),
): Result<RecordedDay> {
  const { date, why } = input;
  if (typeof date !== "string" || !isDate(date) || date < "1990-01-01" || date > today)
    return bad(issue("date", "bad-date", shown(date), `"${today}", today or before`));
  const reason = isReason(why) ? why.trim() : null;
  const from = sheet && dateAt(db, sheet.madeAt);
  if (from === undefined || date >= from) return good({ date, alsoOn: null, why: reason });
  if (reason === null)
    return bad(
      issue(
        "why",
        "reason-needed",
        `${date} lies before this sheet, which was made on ${from}`,
        "say why it went down on that day",
      ),
    );
  return good({ date, alsoOn: from, why: reason });
}

/**
 * Puts a poured sheet on record: one application for each of its products on each of its zones. Of a day, the stops that
 * were done; where the tank was read after one, with what really went down. `{ date, why?, all? }`: `all` answers that all of
 * it went down where not every step is ticked.
 */
export function recordSheet(db: Records, sheetId: string, input: unknown): Result<{ id: string }> {
  return whole(db, (tx): Result<{ id: string }> => {
    const sheet = isId(sheetId) ? findSheet(tx, sheetId) : undefined;
    if (!sheet) return bad(issue("", "unknown-name", shown(sheetId), "the mix sheets on record"));
    const day = dayOfRecord(tx, sheet, (input ?? {}) as { date?: unknown });
    if (!day.ok) return day;
    const before = recordsOfSheet(tx, sheetId);
    if (before.length > 0)
      return before.some((row) => row.corrects === null && row.date === day.value.date)
        ? good({ id: sheetId })
        : bad(issue("date", "kept-otherwise", "this sheet is on record for another day", "correct its records in the log"));
    if (sheetState(tx, sheetId) === "withdrawn")
      return bad(issue("", "conflict", "this sheet was withdrawn", "enter what went down by hand in the log"));
    const run = runOf(tx, sheet);
    const open = run?.stops.filter((s) => s.state === "todo") ?? [];
    if (open.length > 0)
      return bad(
        issue(
          "",
          "conflict",
          `${open.map((s) => s.site).join(", ")}: neither done nor skipped`,
          "say of each stop what became of it",
        ),
      );
    const stops = sheet.job.sites!.filter((site) => !run || run.stops.find((s) => s.site === site.name)?.state === "done");
    if (stops.length === 0) return bad(issue("", "conflict", "every stop was skipped", "withdraw the sheet: nothing went down"));
    const unticked = run ? undefined : untickedOf(tx, sheet);
    const { all } = (input ?? {}) as { all?: unknown };
    if (unticked && all !== true)
      return bad(
        issue(
          "all",
          "reason-needed",
          `${unticked.done} of ${unticked.steps} steps are ticked${unticked.gear ? ", and not all of the gear" : ""}`,
          "say whether it was all poured and sprayed; what never went down is withdrawn, a part is entered by hand in the log",
        ),
      );
    const now = nowText();
    // What a sheet plans is worked out in one place: it is what is recorded, or so much more as the tank told.
    const plans = plansOf(sheet);
    stops.forEach((site, k) => {
      const siteId = siteIdOf(sheet, site);
      const ratio = run?.stops.find((s) => s.site === site.name)?.ratio ?? null;
      site.zones.forEach((zone, i) =>
        sheet.job.products!.forEach((product, j) => {
          const planned = plans.find((p) => p.siteId === siteId && p.product === j && p.zone === (zone.name ?? ""))!;
          const rate = ratio === null ? planned.amount : timesRate(planned.amount, ratio);
          const area = entered(zone.area, "area");
          const notes = [
            zone["x-spot"] !== undefined && `a spot of ${zone["x-spot"]}`,
            unticked && `put on record with ${unticked.done} of ${unticked.steps} steps ticked: all of it was said to be sprayed`,
            ratio !== null && `${Math.round(ratio * 100)} % of what was planned, read off the tank`,
          ].filter(Boolean);
          const what = recordedOf(product);
          addApplication(
            tx,
            {
              id: k === 0 ? `${sheetId}.${i}.${j}` : `${sheetId}.${k}.${i}.${j}`,
              ...day.value,
              siteId,
              zoneId: zone["x-id"] ?? "",
              zone: zone.name ?? "",
              area,
              ...what,
              // A sheet from before cards travelled by id knows its product by name.
              labelId: what.labelId ?? recordsNamed(tx, "labels", product.name)[0]?.id ?? null,
              rate,
              total: totalText(soundRate(rate, product.form), area.value),
              personId: sheet.personId,
              source: "sheet",
              sheetId,
              note: notes.length > 0 ? notes.join("; ") : null,
              corrects: null,
              isVoid: false,
            } satisfies NewApplication,
            now,
          );
        }),
      );
    });
    return good({ id: sheetId });
  });
}

/** How far a sheet was ticked off, where not all of it was; undefined where it was. */
function untickedOf(db: Access, sheet: SheetRow): { done: number; steps: number; gear: boolean } | undefined {
  const keys = tickKeys(sheet.job, planOfSheet(sheet.job, null));
  const ticked = new Set(doneSteps(db, sheet.id));
  const done = keys.filter((key) => ticked.has(key)).length;
  if (done === keys.length) return undefined;
  return { done, steps: keys.length, gear: keys.some((key) => key.startsWith("gear.") && !ticked.has(key)) };
}

/** A rate so many times over, as a job file writes it. */
function timesRate(text: string, ratio: number): string {
  const [number, ...unit] = text.split(" ");
  return `${plainNumber(Number(number!.replaceAll(",", "")) * ratio)} ${unit.join(" ")}`;
}

function soundRate(text: string, form: Form): LabelRate {
  const rate = parseRate(text, form);
  if (!rate.ok) throw new Error(`a checked rate can't be read: ${rate.issues[0]!.code}`);
  return rate.value;
}
