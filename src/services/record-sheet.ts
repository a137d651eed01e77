import { isDate } from "@/core/calendar";
import { bad, good, type Issue, type Result } from "@/core/issue";
import type { Form, LabelRate } from "@/core/labels/label-rate";
import { parseRate } from "@/core/labels/rate";
import type { RunState } from "@/core/mixing/run-state";
import type { SiteOutcome } from "@/core/outcome/reconcile";
import { canonical, ratio, total } from "@/core/quantity/arithmetic";
import { writeNumber } from "@/core/quantity/format";
import { read } from "@/core/working/units";
import type { FactsText, ToldFact } from "@/formats/facts";
import { plainNumber } from "@/core/quantity/plain";
import { valueIn } from "@/core/quantity/quantity";
import { entered, parseAs, type Entered } from "@/core/quantity/parse";
import { withinField } from "@/core/quantity/ranges";
import { given, type Source } from "@/core/working/rule";
import { outcomeText } from "@/core/words/outcome";
import { amountText, groundText, isChoice, totalText } from "@/formats/card/choice";
import { outcomeOfSheet } from "@/formats/job-file/outcome-of-sheet";
import type { JobFile, OutcomeText, ProductText, SiteText } from "@/formats/job-file/types";
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
import { plansOf, recordedOf } from "./counted";
import { factsNow, readTold } from "./facts";
import { judgeSheet, unopenedFaults } from "./judge";
import { closeLoads, dayDown, loadsDown, loadsOf, readRest, restFaults, type Rest } from "./ledger";
import { readLots, withLot } from "./lots";
import { once } from "./once";
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
  sheet: { readonly madeAt: string } | undefined,
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
  /** Where what was poured and didn't go down is: `{ what, says }`. */
  readonly rest?: unknown;
  /** The names of the sites on which nothing went down. */
  readonly nothing?: unknown;
}

/**
 * Puts a poured sheet on record: one application for each of its products on each of its zones. Of a day, the stops that
 * were done; where the tank was read after one, with what really went down. `{ date, why?, all?, outcome?, facts?, lots?, rest?, nothing? }`: with an
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
    const rest = readRest(request.rest);
    if (!rest.ok) return rest;
    const nothing = readNothing(request.nothing, sheet);
    if (!nothing.ok) return nothing;
    const content = { ...day.value, all: request.all, outcome: request.outcome, facts: told.value, lots: lots.value, rest: rest.value, nothing: nothing.value }; // prettier-ignore
    const said: Said = { day: day.value, told: told.value, lots: lots.value, rest: rest.value, nothing: nothing.value };
    const stands = recordsOfSheet(tx, sheetId);
    const kept = once(
      tx,
      "record",
      sheetId,
      content,
      stands.length > 0,
      () => ({ id: sheetId }),
      () => keepRecord(tx, sheet, request, said),
    );
    return kept.ok || kept.issues[0]?.code !== "kept-otherwise" ? kept : bad(keptOtherwise(stands, request, day.value.date));
  });
}

/** What is said of a sheet when it is put on record, read. */
interface Said {
  readonly day: RecordedDay;
  readonly told: Pick<FactsText, ToldFact>;
  readonly lots: readonly (string | undefined)[];
  readonly rest: Rest | undefined;
  readonly nothing: readonly string[];
}

/** Something else stands on record than what is told now: both are shown, and nothing is thrown away in silence. */
function keptOtherwise(
  stands: readonly {
    readonly date: string;
    readonly corrects: string | null;
    readonly total: string;
    readonly product: string;
    readonly zone: string;
  }[],
  { outcome }: RecordRequest,
  date: string,
): Issue {
  const first = stands.filter((row) => row.corrects === null);
  const rows = first.slice(0, 6).map(({ product, total, zone }) => `${brief(total, 3)} of ${product} on ${zone}`);
  const now = outcome === undefined ? `as planned, on ${date}` : `load by load, on ${date}`;
  const path = first.every((row) => row.date === date) ? "outcome" : "date";
  const received = `on record since: ${rows.join(", ")}, on ${first[0]?.date}; told now: ${now}`;
  return issue(path, "kept-otherwise", received, "what stands was left as it is: correct its records in the log");
}

/** The sites of a sheet on which nothing went down. */
function readNothing(input: unknown, { job }: SheetRow): Result<readonly string[]> {
  if (input === undefined) return good([]);
  const names = (job.sites ?? []).map((site) => site.name);
  if (!Array.isArray(input) || !input.every((name) => names.includes(name as string)))
    return bad(
      issue("nothing", "unknown-name", Array.isArray(input) ? input.map(shown).join(", ") : shown(input), names.join(", ")),
    );
  return input.length < names.length
    ? good(input as readonly string[])
    : bad(issue("nothing", "not-possible", "nothing went down on any site", "withdraw the sheet"));
}

/** Puts a sheet on record that isn't yet. */
function keepRecord(tx: Access, sheet: SheetRow, request: RecordRequest, said: Said): Result<{ id: string }> {
  const { id: sheetId } = sheet;
  if (sheetState(tx, sheetId) === "withdrawn")
    return bad(issue("", "already-done", "this sheet was withdrawn", "enter what went down by hand in the log"));
  const run = runOf(tx, sheet);
  const sprayed = sprayedSites(sheet, run);
  if (!sprayed.ok) return sprayed;
  const stops = sprayed.value.filter((site) => !said.nothing.includes(site.name));
  const entries = run ? stopsRead(stops, run) : request.outcome;
  if (run && request.outcome !== undefined)
    return bad(issue("outcome", "not-possible", "a day's stops", "the tank is read at each stop of a day"));
  const outcome = entries === undefined ? good({ sites: [] }) : outcomeOfSheet(sheet.job, entries as readonly OutcomeText[]);
  if (!outcome.ok) return outcome;
  const told = outcome.value.sites;
  // What was opened was judged then, and what went down is truth; what wasn't is judged now.
  const ofPlan = run ? [] : loadsOf(tx, sheet);
  const unopened = unopenedAmong(stops, ofPlan, told);
  if (unopened.length > 0) {
    const judged = judgeSheet(tx, { ...sheet, job: { ...sheet.job, sites: unopened } }, true);
    const some = ofPlan.some(({ opened }) => opened);
    const faults = unopenedFaults(judged, some ? unopened.map((site) => site.name) : undefined);
    if (faults.length > 0) return bad(...faults);
  }
  const unticked = new Map(
    stops.map((site) => {
      const asked = !run && !told.some((one) => one.name === site.name);
      return [site, asked ? untickedOf(tx, sheet, told.length > 0 ? site : undefined) : undefined];
    }),
  );
  const open = stops.find((site) => unticked.get(site));
  if (open && request.all !== true) return bad(notAllTicked(unticked.get(open)!, told.length > 0 ? open.name : undefined));
  const loads = run ? dayDown(run) : loadsDown(tx, sheet, told, said.nothing);
  const faults = [
    // Of a day that was asked stop by stop.
    ...(run || isReason(request.why) ? [] : unlikely(told, sheet.job)),
    ...restFaults(loads, said.rest),
  ];
  if (faults.length > 0) return bad(...faults);
  const now = nowText();
  // What a sheet plans is worked out in one place: it is what is recorded, or so much more as the tank told.
  const plans = plansOf(sheet);
  const papers = sheet.personId === null ? undefined : findPerson(tx, sheet.personId)?.papers;
  const rows: NewApplication[] = [];
  const outcomes: NewOutcome[] = [];
  const tooLittle: Issue[] = [];
  (sheet.job.sites ?? []).forEach((site) => {
    const k = sprayed.value.indexOf(site);
    if (!stops.includes(site)) return;
    const siteId = siteIdOf(sheet, site);
    const known = findSite(tx, siteId)?.site;
    const really = told.find((one) => one.name === site.name);
    const noted = unticked.get(site);
    site.zones.forEach((zone, i) =>
      sheet.job.products!.forEach((product, j) => {
        const planned = plans.find((p) => p.siteId === siteId && p.product === j && p.zone === (zone.name ?? ""))!;
        const area = entered(zone.area, "area");
        const what = recordedOf(product);
        // A sheet from before cards travelled by id knows its product by name.
        const labelId = what.labelId ?? recordsNamed(tx, "labels", product.name)[0]?.id ?? null;
        const zoneTold = zone.name ?? `zone ${i + 1}`;
        const put = really ? putDownOn(really, product.name, area, zoneTold) : wentAsPlanned(planned.amount, product.form, area);
        if (!put) return;
        const notes = [
          zone.spot?.volume !== undefined && `a spot of ${zone.spot.volume}`,
          againNote(product),
          really && outcomeNote(really, run !== null),
          !really && noted && untickedNote(noted),
        ].filter(Boolean);
        if (!isReadable(put)) tooLittle.push(tooLittleOf(site.name, product.name));
        const zoneId = zone.id ?? "";
        const card = labelId === null ? undefined : findLabel(tx, labelId)?.card;
        const facts = factsNow({
          card,
          site: known,
          zoneId,
          papers,
          date: said.day.date,
          rig: sheet.job.rig.name,
          round: roundOf(product),
        });
        rows.push({
          id: k === 0 ? `${sheetId}.${i}.${j}` : `${sheetId}.${k}.${i}.${j}`,
          ...said.day,
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
          facts: withLot({ ...facts, ...said.told }, said.lots[j]),
        } satisfies NewApplication);
      }),
    );
    if (really) outcomes.push(outcomeRow(sheetId, siteId, really, entries as readonly OutcomeText[]));
  });
  // What is written can always be read.
  if (tooLittle.length > 0) return bad(tooLittle[0]!);
  for (const row of rows) addApplication(tx, row, now);
  for (const row of outcomes) addOutcome(tx, row, now);
  closeLoads(tx, sheetId, loads, said.rest, now);
  return good({ id: sheetId });
}

const untickedNote = ({ done, steps }: Unticked) =>
  `put on record with ${done} of ${steps} steps ticked: all of it was said to be sprayed`;

/** So little of a product is no record that anybody could read again. */
const tooLittleOf = (site: string, product: string): Issue =>
  issue(
    "outcome",
    "out-of-range",
    `hardly any ${product} on ${site}`,
    "that nothing went down there, and where what was mixed is",
  );

/** Whether the reader takes what is written. */
const isReadable = ({ rate, total, covered }: PutDown): boolean =>
  withinField("zoneArea", covered, "covered").ok &&
  parseAs<"rateByWeight" | "rateByVolume">(rate, ["rateByWeight", "rateByVolume"]).ok &&
  parseAs<"mass" | "volume">(total, ["mass", "volume"]).ok;

/** A quantity that was worked out, in as many figures as are read. */
export const brief = (text: string, figures: number): string =>
  text.replace(/^[\d.]+/, (number) => writeNumber(Number(number), { figures }));

/** So much more than the zone, or than the load could do, is asked about; so much may a fill be off its plan. */
export const OVER = { zone: 1.02, load: 1.1, fill: 0.1 } as const;

/** What of a telling can hardly be: more ground than there is, or than the load could do, another fill than was poured. */
function unlikely(told: readonly SiteOutcome[], job: JobFile): Issue[] {
  return told.flatMap(({ name, covered, area, passes, zones = [] }): Issue[] => {
    const all = ratio(covered.value, area.value) > OVER.zone;
    const far = passes.find((pass) => !pass.again && ratio(pass.covered.value, pass.could.value) > OVER.load);
    const fill = passes.find((pass) => pass.mixed && Math.abs(ratio(pass.mixed.value, pass.fillTo.value) - 1) > OVER.fill);
    const sizes = job.sites?.find((site) => site.name === name)?.zones ?? [];
    const over = zones.flatMap(({ zone, covered: on }) => {
      const size = sizes.find((one, i) => (one.name ?? `zone ${i + 1}`) === zone)?.area;
      const more = size !== undefined && ratio(on.value, entered(size, "area").value) > OVER.zone;
      return more ? [`${read(on.value, "area", "us")} of ${zone}, which has ${size}`] : [];
    });
    const words = [
      ...over,
      all && `${read(covered.value, "area", "us")} of ${name}, which has ${read(area.value, "area", "us")}`,
      far &&
        `load ${far.load} of ${name} did ${read(far.covered.value, "area", "us")}, and holds spray for ${read(far.could.value, "area", "us")}`,
      fill &&
        `load ${fill.load} of ${name} was mixed to ${read(fill.mixed!.value, "volume", "us")}, its plan is ${read(fill.fillTo.value, "volume", "us")}`,
    ].filter((one) => one !== false && one !== undefined);
    return words.length === 0 ? [] : [issue("why", "reason-needed", words.join("; "), "look again, or say why it is so")];
  });
}

/** The sites that something went down on: of a day the stops that were done, each of which must have its word. */
function sprayedSites(sheet: SheetRow, run: RunState | null): Result<readonly SiteText[]> {
  const open = run?.stops.filter((s) => s.state === "todo") ?? [];
  if (open.length > 0)
    return bad(
      issue(
        "",
        "out-of-turn",
        `${open.map((s) => s.site).join(", ")}: neither done nor skipped`,
        "say of each stop what became of it",
      ),
    );
  const stops = sheet.job.sites!.filter((site) => !run || run.stops.find((s) => s.site === site.name)?.state === "done");
  return stops.length > 0
    ? good(stops)
    : bad(issue("", "not-possible", "every stop was skipped", "withdraw the sheet: nothing went down"));
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

/** @param site where others were told of and this one wasn't */
const notAllTicked = ({ done, steps, gear }: Unticked, site?: string) =>
  issue(
    "all",
    "reason-needed",
    `${site === undefined ? "" : `nothing is told of ${site}: `}${done} of ${steps} steps are ticked${gear ? ", and not all of the gear" : ""}`,
    "say whether it was all poured and sprayed; what never went down is withdrawn, a part is told load by load",
  );

/** The rate and the total of a product on a zone. */
type PutDown = Pick<NewApplication, "rate" | "total" | "covered">;

const wentAsPlanned = (rate: string, form: Form, area: Entered<"area">): PutDown => ({
  rate,
  total: totalText(soundRate(rate, form), area.value),
  covered: area,
});

/**
 * What really went down of a product on a zone: its rate where it went down, and of what left the tank this zone's part, as it was
 * told, else by its area. The rate is that of the ground that was covered: a limit is passed where product lies, not on the mean of
 * a half-done lawn. Undefined where somebody said that the zone got nothing.
 */
function putDownOn(
  { products, zones, area: whole, covered }: SiteOutcome,
  name: string,
  area: Entered<"area">,
  zone: string,
): PutDown | undefined {
  if (zones) {
    const own = zones.find((one) => one.zone === zone);
    const here = own?.products.find((p) => p.product.name === name);
    if (!own || !here) return undefined;
    const ground = entered(`${plainNumber(valueIn(own.covered.value, "ft2"))} ft2`, "area");
    return {
      rate: groundText(here.putDown),
      total: amountText(here.total, 1),
      covered: isWhole(own.covered, given(area, zone)) ? area : ground,
    };
  }
  const { putDown, total } = products.find((p) => p.product.name === name)!;
  const part = ratio(area.value, whole.value);
  const ground = entered(`${plainNumber(valueIn(covered.value, "ft2") * part)} ft2`, "area");
  return { rate: groundText(putDown), total: amountText(total, part), covered: isWhole(covered, whole) ? area : ground };
}

/** Ground that was done but for what texts round off is all of it. */
const isWhole = (covered: Source<"area">, whole: Source<"area">) => Math.abs(ratio(covered.value, whole.value) - 1) < 1e-6;

/** The round of the program that a product was chosen for. */
export function roundOf(product: ProductText): string | undefined {
  const choice = product.rateChoice;
  return isChoice(choice) ? choice.round : undefined;
}

/** Why it went down there twice on one day. */
export function againNote(product: ProductText): string | false {
  const choice = product.rateChoice;
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

/** The sites that are said to be down with nothing ticked as opened: all of them, or, where no load was told, some of their loads. */
function unopenedAmong(stops: readonly SiteText[], loads: ReturnType<typeof loadsOf>, told: readonly SiteOutcome[]): SiteText[] {
  return stops.filter(({ name }) => {
    const own = loads.filter(({ site }) => site === name);
    const isTold = told.some((one) => one.name === name);
    return isTold ? own.length > 0 && own.every(({ opened }) => !opened) : own.some(({ opened }) => !opened);
  });
}

/** How far a sheet, or what of it is for one site, was ticked off, where not all of it was; undefined where it was. */
function untickedOf(db: Access, sheet: SheetRow, site?: SiteText): Unticked | undefined {
  const of = site === undefined ? undefined : `${sheet.job.sites!.indexOf(site) + 1}.`;
  const keys = tickKeys(sheet.job, planOfSheet(sheet.job, null)).filter((key) => of === undefined || key.startsWith(of));
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
