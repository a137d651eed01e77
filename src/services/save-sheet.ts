import {
  bad,
  belongsToPerson,
  good,
  isEstimate,
  isUnsure,
  mayMix,
  LOAD_MODES,
  planSources,
  standingOf,
  stepKeys,
  type Issue,
  type LoadMode,
  type MixPlan,
  type Result,
} from "@/core/contents";
import { isChoice, type ChoiceText } from "@/formats/card/choice";
import { productOf } from "@/formats/card/product-of";
import { productsOf, withCounted } from "@/formats/counted";
import type { KeptSite, SheetState } from "@/formats/book";
import { dayNumber } from "@/formats/day";
import { mixJob, planOf, rulesOf, soundJob, soundPlan } from "@/formats/job-file/assemble";
import { readJob } from "@/formats/job-file/read";
import type { JobFile, ProductText, SiteText } from "@/formats/job-file/types";
import { ownedBy, standsOn } from "@/formats/stands-on";
import { findCalibration } from "@/records/calibrations";
import { checksOf } from "@/records/checks";
import { isWithdrawn, recordsOfSheet, withdrawSheet } from "@/records/applications";
import type { Access, Records } from "@/records/database";
import { findLabel, labelNamed } from "@/records/labels";
import { findRig } from "@/records/rigs";
import { addSheet, addTick, doneSteps, findSheet, type NewSheet } from "@/records/sheets";
import { findSite } from "@/records/sites";
import { countedOf } from "./counted";
import { isId, isMoment, issue, nowText } from "./input";

/** As many loads as one sheet can be ticked off for. */
const MOST_POURED = 120;

/** A sheet before it is worked out: what it is made of, and the rates as typed. */
interface SheetRequest extends Omit<NewSheet, "job" | "rules"> {
  readonly tank: string;
  /** The ids of the zones that are left out. */
  readonly without?: readonly string[];
  readonly loads: LoadMode;
  readonly products: readonly { readonly labelId: string; readonly rate: string; readonly choice?: ChoiceText }[];
}

function isRequest(input: unknown): input is SheetRequest {
  const r = (input ?? {}) as Record<string, unknown>;
  const products = r.products;
  return (
    isId(r.id) &&
    isMoment(r.madeAt) &&
    [r.siteId, r.rigId, r.calibrationId].every(isId) &&
    (r.personId === null || isId(r.personId)) &&
    typeof r.tank === "string" &&
    (r.without === undefined || (Array.isArray(r.without) && r.without.every((id) => typeof id === "string"))) &&
    LOAD_MODES.includes(r.loads as LoadMode) &&
    Array.isArray(products) &&
    products.length <= 50 &&
    products.every(
      (p: { labelId?: unknown; rate?: unknown; choice?: unknown } | null) =>
        isId(p?.labelId) && typeof p?.rate === "string" && (p.choice === undefined || isChoice(p.choice)),
    )
  );
}

/**
 * Saves a mix sheet. The request names records and the rates as typed; every amount is worked out here. A calibration
 * that no longer stands, that is another person's, or that is not one yet, gives no sheet.
 */
export function saveSheet(db: Records, input: unknown): Result<{ id: string }> {
  if (!isRequest(input))
    return bad(issue("", "wrong-type", "something else", "a mix: site, rig, calibration, products and loads"));
  const rig = findRig(db, input.rigId);
  const whole = findSite(db, input.siteId);
  const site = whole && { ...whole, zones: whole.zones.filter((z) => !input.without?.includes(z["x-id"])) };
  const calibration = findCalibration(db, input.calibrationId);
  if (!rig || !site || !calibration)
    return bad(issue("", "unknown-name", "rig, site or calibration", "what is on record: reload the page"));
  const unknown = input.products.findIndex((p) => !findLabel(db, p.labelId));
  if (unknown >= 0)
    return bad(issue(`products[${unknown}].labelId`, "unknown-name", input.products[unknown]!.labelId, "the labels on record"));
  if (site.zones.length === 0) return bad(issue("without", "missing", "", "a zone: tick at least one"));
  if (input.products.length === 0) return bad(issue("products", "missing", "", "a label: pick at least one product"));
  if (calibration.rigId !== input.rigId || !ownedBy(rig.kind, calibration, input))
    return bad(
      issue(
        "calibrationId",
        "conflict",
        "this calibration is of another rig, person or tap",
        "calibrate this rig with the person who sprays",
      ),
    );

  const products = productsOf(input.products.map(({ labelId, ...rest }) => ({ ...rest, card: findLabel(db, labelId)! })));
  if (!products.ok) return products;
  const date = input.madeAt.slice(0, 10);
  const parts = {
    rig,
    calibration: calibration.job.calibration,
    products: products.value,
    sites: [withCounted(site, input.siteId, countedOf(db, input.siteId), input.id)],
    loads: input.loads,
    date,
    "x-any-order": true,
  };
  const read = readJob(mixJob({ ...parts, ...(input.tank !== "" && { tank: input.tank }) }));
  if (!read.ok) return read;
  const standing = standingOf(
    standsOn(calibration.job.rig),
    standsOn(rig),
    dayNumber(calibration.madeAt),
    dayNumber(input.madeAt),
    checksOf(db, calibration.id)[0]?.ratio,
  );
  if (!mayMix(standing))
    return bad(
      issue(
        "calibrationId",
        "conflict",
        `the calibration is ${standing.state} (${standing.reasons.join("; ")})`,
        "calibrate again before mixing",
      ),
    );
  const planned = planOf(read.value);
  if (!planned.ok) return planned;
  const { plan, calibration: made } = planned.value;
  if (plan.reasons.length > 0) return bad(...heldIssues(plan));
  const loads = plan.sites[0]!.loads.length;
  if (loads > MOST_POURED)
    return bad(
      issue(
        "siteId",
        "conflict",
        `${loads} loads are more than a sheet holds`,
        `${MOST_POURED} is the most: take a larger tank, or split the site`,
      ),
    );
  if (isEstimate(made))
    return bad(
      issue("calibrationId", "conflict", "the flow is only estimated from the tip's rated one", "catch it before mixing"),
    );
  if (isUnsure(made))
    return bad(
      issue(
        "calibrationId",
        "conflict",
        "the trials differ by over 10 %, this is not a calibration yet",
        "take more trials before mixing",
      ),
    );

  return db.transaction((tx): Result<{ id: string }> => {
    if (findSheet(tx, input.id)) return good({ id: input.id });
    // Another sheet may have been saved since the plan was judged: the budget is looked at again where it is taken.
    const now = soundPlan(
      soundJob({ ...read.value.file, sites: [withCounted(site, input.siteId, countedOf(tx, input.siteId))] }),
    );
    if (now.plan.reasons.length > 0) return bad(...heldIssues(now.plan));
    const { id, madeAt, siteId, rigId, calibrationId } = input;
    const personId = belongsToPerson(rig.kind) ? input.personId : null;
    const rules = rulesOf([...planSources(plan), ...plan.judged]);
    addSheet(tx, { id, madeAt, siteId, rigId, personId, calibrationId, job: read.value.file, rules }, nowText());
    return good({ id });
  });
}

/** Why a plan is held, as issues: there is no way past them. */
const heldIssues = (plan: MixPlan): Issue[] => plan.reasons.map((reason) => issue("", "held", reason.text, reason.fits));

/**
 * The job of a sheet as it stands today. While it is open it is held against today's cards, what is known of the zones
 * today and what counts today, not those of the day it was saved: another sheet or a record may have taken the budget
 * since, a card may have been put right, a zone be due for seed.
 */
export function jobToday(db: Access, sheet: NonNullable<ReturnType<typeof findSheet>>): JobFile {
  if (sheetState(db, sheet.id) !== "open") return sheet.job;
  const counted = countedOf(db, sheet.siteId);
  const known = findSite(db, sheet.siteId);
  return {
    ...sheet.job,
    products: (sheet.job.products ?? []).map((product) => withCard(db, product)),
    sites: (sheet.job.sites ?? []).map((site) => withCounted(withFacts(site, known), sheet.siteId, counted, sheet.id)),
  };
}

/** A product of a sheet with what its card says today; the rate is the sheet's own. */
function withCard(db: Access, product: ProductText): ProductText {
  const card = labelNamed(db, product.name)?.card;
  const choice = product["x-choice"];
  const today = card && productOf(card, product.rate, isChoice(choice) ? choice : undefined);
  if (!card || !today?.ok || card.form !== product.form) return product;
  return { ...today.value, rate: product.rate, ...(choice !== undefined && { "x-choice": choice }) };
}

/** A sheet's site with what is known of its zones today, and without the history that was written with it. */
function withFacts(site: SiteText, known: KeptSite | undefined): SiteText {
  return {
    ...site,
    ...(known?.["x-jurisdiction"] !== undefined && { "x-jurisdiction": known["x-jurisdiction"] }),
    zones: site.zones.map(({ applied: _, ...zone }) => {
      const now = known?.zones.find((z) => z["x-id"] === zone["x-id"]);
      return now ? { ...now, name: zone.name ?? now.name, area: zone.area } : zone;
    }),
  };
}

export function sheetState(db: Access, id: string): SheetState {
  if (recordsOfSheet(db, id).length > 0) return "recorded";
  return isWithdrawn(db, id) ? "withdrawn" : "open";
}

/** Withdraws a sheet that will not be poured: what it planned no longer counts. */
export function withdraw(db: Records, id: string): Result<{ id: string }> {
  return db.transaction((tx): Result<{ id: string }> => {
    if (!isId(id) || !findSheet(tx, id)) return bad(issue("", "unknown-name", String(id), "the mix sheets on record"));
    if (sheetState(tx, id) === "recorded")
      return bad(issue("", "conflict", "this sheet is on record as sprayed", "correct its records in the log instead"));
    withdrawSheet(tx, id, nowText());
    return good({ id });
  });
}

/** Ticks a step of a sheet off, or takes the tick back: `{ step, done }`. Answers with how the whole sheet stands. */
export function tickStep(db: Records, sheetId: string, input: unknown): Result<{ done: string[] }> {
  const { step, done } = (input ?? {}) as { step?: unknown; done?: unknown };
  const sheet = isId(sheetId) ? findSheet(db, sheetId) : undefined;
  if (!sheet) return bad(issue("", "unknown-name", String(sheetId), "the mix sheets on record"));
  if (typeof step !== "string" || typeof done !== "boolean")
    return bad(issue("step", "wrong-type", "no step", "a step of this sheet"));
  if (done && sheetState(db, sheetId) === "withdrawn")
    return bad(issue("", "conflict", "this sheet was withdrawn", "mix again: its budget may be taken"));
  const { plan } = soundPlan(soundJob(jobToday(db, sheet)));
  if (done && plan.reasons.length > 0) return bad(...heldIssues(plan));
  if (!stepKeys(soundPlan(soundJob(sheet.job)).plan).includes(step))
    return bad(issue("step", "unknown-name", step.slice(0, 40), "the steps of this sheet"));
  return db.transaction((tx): Result<{ done: string[] }> => {
    if (doneSteps(tx, sheetId).includes(step) !== done) addTick(tx, sheetId, step, done, nowText());
    return good({ done: doneSteps(tx, sheetId) });
  });
}
