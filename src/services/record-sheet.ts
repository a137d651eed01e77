import { isDate } from "@/core/calendar";
import { bad, good, type Result } from "@/core/issue";
import type { Form, LabelRate } from "@/core/labels/label-rate";
import { parseRate } from "@/core/labels/rate";
import type { RunState } from "@/core/mixing/run-state";
import type { SiteOutcome } from "@/core/outcome/reconcile";
import { canonical, ratio, total } from "@/core/quantity/arithmetic";
import { writeNumber } from "@/core/quantity/format";
import { plainNumber } from "@/core/quantity/plain";
import { valueIn } from "@/core/quantity/quantity";
import { entered, type Entered } from "@/core/quantity/parse";
import { outcomeText } from "@/core/words/outcome";
import { amountText, groundText, isChoice, totalText } from "@/formats/card/choice";
import { outcomeOfSheet } from "@/formats/job-file/outcome-of-sheet";
import type { OutcomeText, ProductText, SiteText } from "@/formats/job-file/types";
import { planOfSheet, tickKeys } from "@/formats/sheet-plan";
import { addApplication, recordsOfSheet, type NewApplication } from "@/records/applications";
import { type Access, type Records, whole } from "@/records/database";
import { findLabel } from "@/records/labels";
import { recordsNamed } from "@/records/names";
import { addOutcome, type NewOutcome } from "@/records/outcomes";
import { findPerson } from "@/records/people";
import { doneSteps, findSheet, siteIdOf } from "@/records/sheets";
import { findSite } from "@/records/sites";
import { dateAt, todayOf } from "./clock";
import { plansOf, recordedOf, wasPoured } from "./counted";
import { factsNow, readTold } from "./facts";
import { judgeSheet, unopenedFaults } from "./judge";
import { readLots, withLot } from "./lots";
import { isId, isReason, issue, nowText, shown } from "./input";
import { runOf, sheetState, type SheetRow } from "./sheet-state";

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

/** What is said of a sheet when it is put on record. */
interface RecordRequest {
  readonly date?: unknown;
  readonly why?: unknown;
  /** All of it went down, though not every step is ticked. */
  readonly all?: unknown;
  /** What became of its loads, as the job file writes it. */
  readonly outcome?: unknown;
  /** What else is known: start and end, target, weather. */
  readonly facts?: unknown;
  /** Of which lot each product was. */
  readonly lots?: unknown;
}

/**
 * Puts a poured sheet on record: one application for each of its products on each of its zones. Of a day, the stops that
 * were done; where the tank was read after one, with what really went down. `{ date, why?, all?, outcome?, facts?, lots? }`: with an
 * outcome, what really went down on the sites that it tells of; `all` answers that all of it went down where not every step
 * is ticked.
 */
export function recordSheet(db: Records, sheetId: string, input: unknown): Result<{ id: string }> {
  return whole(db, (tx): Result<{ id: string }> => {
    const sheet = isId(sheetId) ? findSheet(tx, sheetId) : undefined;
    if (!sheet) return bad(issue("", "unknown-name", shown(sheetId), "the mix sheets on record"));
    const request = (input ?? {}) as RecordRequest;
    const day = dayOfRecord(tx, sheet, request);
    if (!day.ok) return day;
    const told = readTold(request.facts);
    if (!told.ok) return told;
    const lots = readLots(request.lots, sheet.job.products!.length);
    if (!lots.ok) return lots;
    const before = recordsOfSheet(tx, sheetId);
    if (before.length > 0)
      return before.some((row) => row.corrects === null && row.date === day.value.date)
        ? good({ id: sheetId })
        : bad(issue("date", "kept-otherwise", "this sheet is on record for another day", "correct its records in the log"));
    if (sheetState(tx, sheetId) === "withdrawn")
      return bad(issue("", "conflict", "this sheet was withdrawn", "enter what went down by hand in the log"));
    const run = runOf(tx, sheet);
    const stops = sprayedSites(sheet, run);
    if (!stops.ok) return stops;
    const entries = run ? stopsRead(stops.value, run) : request.outcome;
    if (run && request.outcome !== undefined)
      return bad(issue("outcome", "conflict", "a day's stops", "the tank is read at each stop of a day"));
    const outcome = entries === undefined ? good({ sites: [] }) : outcomeOfSheet(sheet.job, entries as readonly OutcomeText[]);
    if (!outcome.ok) return outcome;
    const unticked = run ? undefined : untickedOf(tx, sheet);
    // What was opened was judged then, and what went down is truth; what wasn't is judged now.
    if (unticked && !wasPoured(tx, sheetId)) {
      const faults = unopenedFaults(judgeSheet(tx, sheet, true));
      if (faults.length > 0) return bad(...faults);
    }
    if (unticked && outcome.value.sites.length === 0 && request.all !== true) return bad(notAllTicked(unticked));
    const now = nowText();
    // What a sheet plans is worked out in one place: it is what is recorded, or so much more as the tank told.
    const plans = plansOf(sheet);
    const papers = sheet.personId === null ? undefined : findPerson(tx, sheet.personId)?.papers;
    stops.value.forEach((site, k) => {
      const siteId = siteIdOf(sheet, site);
      const known = findSite(tx, siteId)?.site;
      const really = outcome.value.sites.find((one) => one.name === site.name);
      site.zones.forEach((zone, i) =>
        sheet.job.products!.forEach((product, j) => {
          const planned = plans.find((p) => p.siteId === siteId && p.product === j && p.zone === (zone.name ?? ""))!;
          const area = entered(zone.area, "area");
          const what = recordedOf(product);
          // A sheet from before cards travelled by id knows its product by name.
          const labelId = what.labelId ?? recordsNamed(tx, "labels", product.name)[0]?.id ?? null;
          const put = really ? putDownOn(really, product.name, area) : wentAsPlanned(planned.amount, product.form, area);
          const notes = [
            zone["x-spot"] !== undefined && `a spot of ${zone["x-spot"]}`,
            againNote(product),
            really && outcomeNote(really, run !== null),
            !really &&
              unticked &&
              `put on record with ${unticked.done} of ${unticked.steps} steps ticked: all of it was said to be sprayed`,
          ].filter(Boolean);
          const zoneId = zone["x-id"] ?? "";
          const card = labelId === null ? undefined : findLabel(tx, labelId)?.card;
          const facts = factsNow({ card, site: known, zoneId, papers, date: day.value.date, rig: sheet.job.rig.name });
          addApplication(
            tx,
            {
              id: k === 0 ? `${sheetId}.${i}.${j}` : `${sheetId}.${k}.${i}.${j}`,
              ...day.value,
              siteId,
              zoneId,
              zone: zone.name ?? "",
              area,
              ...what,
              labelId,
              ...put,
              personId: sheet.personId,
              source: "sheet",
              sheetId,
              note: notes.length > 0 ? notes.join("; ") : null,
              corrects: null,
              isVoid: false,
              facts: withLot({ ...facts, ...told.value }, lots.value[j]),
            } satisfies NewApplication,
            now,
          );
        }),
      );
      if (really) addOutcome(tx, outcomeRow(sheetId, siteId, really, entries as readonly OutcomeText[]), now);
    });
    return good({ id: sheetId });
  });
}

/** The sites that something went down on: of a day the stops that were done, each of which must have its word. */
function sprayedSites(sheet: SheetRow, run: RunState | null): Result<readonly SiteText[]> {
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
  return stops.length > 0
    ? good(stops)
    : bad(issue("", "conflict", "every stop was skipped", "withdraw the sheet: nothing went down"));
}

/** What the tank told at the stops of a day where it was read, as an outcome is written. */
const stopsRead = (sites: readonly SiteText[], run: RunState): OutcomeText[] =>
  sites.flatMap(({ name, zones }) => {
    const told = run.stops.find((stop) => stop.site === name)?.read;
    if (!told) return [];
    const planned = total(zones.map((zone) => entered(zone.area, "area").value));
    const covered = told.covered ?? `${plainNumber(valueIn(planned, "ft2"))} ft2`;
    return [{ site: name, load: 1, mixed: mL(told.began), left: mL(told.left), covered }];
  });

const mL = (volume: number) => `${plainNumber(volume)} mL`;

const notAllTicked = ({ done, steps, gear }: Unticked) =>
  issue(
    "all",
    "reason-needed",
    `${done} of ${steps} steps are ticked${gear ? ", and not all of the gear" : ""}`,
    "say whether it was all poured and sprayed; what never went down is withdrawn, a part is told load by load",
  );

/** The rate and the total of a product on a zone. */
type PutDown = Pick<NewApplication, "rate" | "total">;

const wentAsPlanned = (rate: string, form: Form, area: Entered<"area">): PutDown => ({
  rate,
  total: totalText(soundRate(rate, form), area.value),
});

/**
 * What really went down of a product: its rate where it went down, and of what left the tank this zone's part by its area. The
 * rate is that of the ground that was covered: a limit is passed where product lies, not on the mean of a half-done lawn.
 */
function putDownOn({ products, area: whole }: SiteOutcome, name: string, area: Entered<"area">): PutDown {
  const { putDown, total } = products.find((p) => p.product.name === name)!;
  return { rate: groundText(putDown), total: amountText(total, ratio(area.value, whole.value)) };
}

/** Why it went down there twice on one day. */
export function againNote(product: ProductText): string | false {
  const choice = product["x-choice"];
  return isChoice(choice) && choice.again !== undefined && `again on the same day: ${choice.again.trim()}`;
}

/** @param day of a stop of a day, where the tank was read */
const outcomeNote = (site: SiteOutcome, day: boolean): string =>
  [
    `${day ? "read off the tank" : "told load by load"}: ${writeNumber(site.ratio * 100, { figures: 3 })} % of the calibrated spray volume went down`,
    ...site.warnings.filter((w) => w.code === "second-pass" || w.code === "not-all-covered").map((w) => outcomeText(w, "us")),
  ].join("; ");

const outcomeRow = (sheetId: string, siteId: string, site: SiteOutcome, entries: readonly OutcomeText[]): NewOutcome => {
  const first = site.passes.filter((pass) => !pass.again);
  return {
    id: `${sheetId}.${siteId}`,
    sheetId,
    siteId,
    entries: entries.filter((entry) => entry.site === site.name),
    sprayVolume: canonical(site.next.value),
    ratio: (site.ratio * canonical(site.next.value)) / canonical(site.sprayVolume.value),
    relative: site.uncertainty.relative,
    sprayed: canonical(total(first.map((pass) => pass.out.value))),
    covered: canonical(site.covered.value),
  };
};

interface Unticked {
  readonly done: number;
  readonly steps: number;
  readonly gear: boolean;
}

/** How far a sheet was ticked off, where not all of it was; undefined where it was. */
function untickedOf(db: Access, sheet: SheetRow): Unticked | undefined {
  const keys = tickKeys(sheet.job, planOfSheet(sheet.job, null));
  const ticked = new Set(doneSteps(db, sheet.id));
  const done = keys.filter((key) => ticked.has(key)).length;
  if (done === keys.length) return undefined;
  return { done, steps: keys.length, gear: keys.some((key) => key.startsWith("gear.") && !ticked.has(key)) };
}

function soundRate(text: string, form: Form): LabelRate {
  const rate = parseRate(text, form);
  if (!rate.ok) throw new Error(`a checked rate can't be read: ${rate.issues[0]!.code}`);
  return rate.value;
}
