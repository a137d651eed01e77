import { daysFrom, isDate } from "@/core/calendar";
import type { MixLock } from "@/core/calibration/may-mix";
import { bad, good, issueAt, type Issue, type Result } from "@/core/issue";
import { groundIsOpen } from "@/core/labels/gallon";
import { WATER_FIRST, type WaterFirst } from "@/core/mixing/column";
import { LOAD_MODES, type LoadMode } from "@/core/mixing/loads";
import { planSources } from "@/core/mixing/mix";
import type { MixPlan } from "@/core/mixing/plan";
import type { MixProduct } from "@/core/mixing/product";
import type { CardText } from "@/formats/card/card";
import { isChoice, rowName, strangeTurfs, type ChoiceText } from "@/formats/card/choice";
import { productsOf } from "@/formats/counted";
import type { KeptSite } from "@/formats/entries";
import { planOf, rulesOf, soundJob, soundPlan } from "@/formats/job-file/assemble";
import { readJob } from "@/formats/job-file/read";
import type { HeadText, RigText } from "@/formats/job-file/types";
import { fitsHead, isHead } from "@/formats/rig-setup";
import { mixFile, type MixWish, type StopWish } from "@/formats/mix-of";
import { lockOf } from "@/formats/standing";
import { ownedBy } from "@/formats/stands-on";
import { findWithStruck } from "@/records/calibrations";
import type { SetAside } from "@/records/aside";
import { whole, type Access, type Records } from "@/records/database";
import { findLabel } from "@/records/labels";
import { findPerson } from "@/records/people";
import { findRig } from "@/records/rigs";
import { addSheet, findSheet } from "@/records/sheets";
import { findSite } from "@/records/sites";
import { answered, planFaults } from "./again";
import { countedOf } from "./counted";
import { asideFaults } from "./aside-faults";
import { dateAt, todayOf } from "./clock";
import { isId, issue, nowText, shown } from "./input";
import { newerThan } from "./judge";
import { wholly } from "./keep-up";
import { once } from "./once";
import { retiredFaults } from "./retired";
import { judgeRow, lockWords, onDay } from "./slices/calibrations";
import { belongsToPerson } from "@/rig-kinds/rules";

/** As many loads as one sheet can be ticked off for, and as many stops as one day has. */
const MOST_POURED = 120;
const MOST_STOPS = 60;
/** As many days ahead as anybody plans (ours). */
const FARTHEST = 366;

/** A sheet before it is worked out: what it is made of, and the rates as typed. */
interface SheetRequest extends MixWish {
  readonly id: string;
  /** What the device says of the time: evidence. The server's clock says when it was made. */
  readonly madeAt?: string;
  /** The day that it is planned for, ISO; today where it is left out. */
  readonly date?: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly calibrationId: string;
  /** What the sheets of one day have in common: a truck's tanks. */
  readonly dayId: string | null;
  /** How the head of a hose-end rig is set for this mix; left out, as on the rig. */
  readonly head?: HeadText;
  readonly stops: readonly StopWish[];
  readonly products: readonly { readonly labelId: string; readonly rate: string; readonly choice?: ChoiceText }[];
}

const isText = (value: unknown): value is string => typeof value === "string" && value.length <= 200;

export function isStop(input: unknown): input is StopWish {
  const { siteId, without, spot } = (input ?? {}) as { siteId?: unknown; without?: unknown; spot?: unknown };
  const { zoneId, volume } = (spot ?? {}) as { zoneId?: unknown; volume?: unknown };
  return (
    isId(siteId) &&
    (without === undefined || (Array.isArray(without) && without.length <= 60 && without.every(isText))) &&
    (spot === undefined || (isText(zoneId) && isText(volume)))
  );
}

function isRequest(input: unknown): input is SheetRequest {
  const r = (input ?? {}) as Record<string, unknown>;
  const { stops, products } = r;
  return (
    isId(r.id) &&
    (r.madeAt === undefined || typeof r.madeAt === "string") &&
    (r.date === undefined || typeof r.date === "string") &&
    [r.rigId, r.calibrationId].every(isId) &&
    [r.personId, r.dayId].every((id) => id === null || isId(id)) &&
    [r.tank, r.overage, r.mixedFor].every(isText) &&
    (r.oneLess === undefined || typeof r.oneLess === "boolean") &&
    (r.waterFirst === undefined || WATER_FIRST.includes(r.waterFirst as WaterFirst)) &&
    (r.head === undefined || isHead(r.head)) &&
    typeof r.run === "boolean" &&
    LOAD_MODES.includes(r.loads as LoadMode) &&
    Array.isArray(stops) &&
    stops.length >= 1 &&
    stops.length <= MOST_STOPS &&
    stops.every(isStop) &&
    Array.isArray(products) &&
    products.length <= 50 &&
    products.every(
      (p: { labelId?: unknown; rate?: unknown; choice?: unknown } | null) =>
        isId(p?.labelId) && typeof p?.rate === "string" && (p.choice === undefined || isChoice(p.choice)),
    )
  );
}

/**
 * Saves a mix sheet: one site's, several sites', or a day's. The request names records and the rates as typed; every
 * amount is worked out here. A calibration that no longer stands, that is another person's, or that is not one yet, gives
 * no sheet.
 */
export function saveSheet(db: Access, input: unknown): Result<{ id: string }> {
  if (!isRequest(input))
    return bad(issue("", "wrong-type", "something else", "a mix: sites, rig, calibration, products and loads"));
  const day = dayOfPlan(db, input.date);
  if (!day.ok) return day;
  const date = day.value;
  const known = findRig(db, input.rigId);
  const rig = known && asSet(known.rig, input.head);
  if (known && !rig)
    return bad(
      issue("head", "not-possible", "this head can't be set so", "a number that its dial has, or its own feed: see the rig"),
    );
  const calibration = findWithStruck(db, input.calibrationId);
  const sites = input.stops.map((stop) => findSite(db, stop.siteId));
  const stops = input.stops.flatMap((stop, i) => (sites[i] ? [{ ...stop, site: sites[i].site }] : []));
  if (!known || !rig || !calibration || stops.length < input.stops.length)
    return bad(issue("", "unknown-name", "rig, site or calibration", "what is on record: reload the page"));
  const missing = missingOf(db, input, stops);
  if (missing.length > 0) return bad(...missing);
  const labels = input.products.map(({ labelId }) => findLabel(db, labelId)!);
  const person = input.personId === null ? undefined : findPerson(db, input.personId);
  const retired = retiredFaults(
    ["rigId", rig.name, known],
    ["personId", person?.name ?? "", person],
    ...sites.map((site, i) => [`stops[${i}]`, site!.site.name, site] as const),
    ...labels.map((label, i) => [`products[${i}]`, label.card.name, label] as const),
  );
  if (retired.length > 0) return bad(...retired);
  const ownerOfTap = { personId: input.personId, siteId: input.stops[0]!.siteId };
  if (calibration.rigId !== input.rigId || !ownedBy(rig.kind, calibration, ownerOfTap))
    return bad(
      issue(
        "calibrationId",
        "calibration-unusable",
        "this calibration is of another rig, person or tap",
        "calibrate this rig with the person who sprays",
      ),
    );
  const products = productsOf(input.products.map(({ labelId, ...rest }, i) => ({ ...rest, id: labelId, card: labels[i]!.card })));
  if (!products.ok) return products;
  const judged = judgeRow(db, rig, calibration, onDay(db, date));
  const lock = lockOf(judged);
  if (lock) return bad(lockIssue(lock));
  const newer = newerThan(db, known, calibration);
  if (newer)
    return bad(
      issue(
        "calibrationId",
        "calibration-unusable",
        `this calibration is of ${dateAt(db, calibration.madeAt)}, and a newer one is in force, of ${dateAt(db, newer.madeAt)}`,
        "mix from the newer one, or withdraw it with its reason",
      ),
    );
  const { made } = judged;
  const fileNow = (counted: ReturnType<typeof countedOf>) =>
    mixFile({
      ...input,
      rig,
      calibration: calibration.job.calibration,
      sprayVolume: made.sprayVolume,
      products: products.value,
      stops,
      counted,
      date,
      except: input.id,
    });
  const siteIds = stops.map((stop) => stop.siteId);
  const aside: SetAside[] = [];
  const counted = (access: Access) => countedOf(access, siteIds, aside);
  const file = fileNow(counted(db));
  if (aside.length > 0) return bad(...asideFaults(aside));
  if (!file.ok) return file;
  const read = readJob(file.value);
  if (!read.ok) return read;
  const turfs = stops.flatMap(({ site, without, spot }) =>
    site.zones.filter((z) => (spot ? z.id === spot.zoneId : !without?.includes(z.id))).flatMap((z) => z.turf ?? []),
  );
  const open = [...openGround(read.value.products), ...strangeRows(input.products, labels, turfs)];
  if (open.length > 0) return bad(...open);
  const planned = planOf(read.value);
  if (!planned.ok) return planned;
  const { plan } = planned.value;
  const faults = planFaults(products.value, plan);
  if (faults.length > 0) return bad(...faults);
  const loads = loadsOf(plan);
  if (loads > MOST_POURED)
    return bad(
      issue(
        "stops",
        "not-possible",
        `${loads} loads are more than a sheet holds`,
        `${MOST_POURED} is the most: take a larger tank, or split the site`,
      ),
    );

  const { madeAt: _, ...content } = input;
  return whole(db, (tx) =>
    once(
      tx,
      "sheet",
      input.id,
      content,
      findSheet(tx, input.id) !== undefined,
      () => ({ id: input.id }),
      (): Result<{ id: string }> => {
        // Another sheet may have been saved since the plan was judged: the budget is looked at again where it is taken.
        const now = fileNow(counted(tx));
        if (!now.ok) return now;
        const again = soundPlan(soundJob(now.value));
        const held = planFaults(products.value, again.plan);
        if (held.length > 0) return bad(...held);
        const { id, rigId, calibrationId, dayId } = input;
        const madeAt = nowText();
        const personId = belongsToPerson(rig.kind) ? input.personId : null;
        const rules = rulesOf([...planSources(plan), ...plan.judged]);
        const { file: asked } = read.value;
        const job = { ...asked, products: answered(asked.products ?? [], again.plan.warnings) };
        const sheet = { id, madeAt, siteId: siteIds[0]!, rigId, personId, calibrationId, dayId, job, rules };
        addSheet(tx, sheet, siteIds, madeAt);
        return good({ id });
      },
    ),
  );
}

/** Why a calibration may not be mixed from, as a fault of a request. */
function lockIssue(lock: MixLock): Issue {
  const fault = (received: string, expected: string) => issue("calibrationId", "calibration-unusable", received, expected);
  if (lock.code === "withdrawn") return fault(`this calibration was withdrawn (${lock.why})`, "mix from one that stands");
  if (lock.code === "unsure")
    return fault("the trials differ by over 10 %, this is not a calibration yet", "take more trials before mixing");
  if (lock.code === "estimate") return fault("the flow is only estimated from the tip's rated one", "catch it before mixing");
  return fault(`the calibration is ${lockWords(lock)}`, "calibrate again before mixing");
}

/**
 * Saves the sheets of one day, a tank each: `{ sheets: [ … ] }`. All of them or none: half a day's mix is not on record.
 * @returns the ids, in order
 */
export function saveSheets(db: Records, input: unknown): Result<{ ids: readonly string[] }> {
  const { sheets } = (input ?? {}) as { sheets?: unknown };
  if (!Array.isArray(sheets) || sheets.length < 1 || sheets.length > MOST_TANKS)
    return bad(issue("sheets", "wrong-type", "something else", `a list of 1 to ${MOST_TANKS} mixes`));
  return wholly(db, (tx) => {
    const ids: string[] = [];
    for (const [i, sheet] of sheets.entries()) {
      const kept = saveSheet(tx, sheet);
      if (!kept.ok) return { ok: false, issues: kept.issues.map((one) => issueAt(`sheets[${i}]`, one)) };
      ids.push(kept.value.id);
    }
    return good({ ids });
  });
}
/** More tanks than any truck has (ours). */
const MOST_TANKS = 8;

/** A rate for a gallon of which nobody said how much ground it is for: an overdose wherever more is sprayed. */
export const openGround = (products: readonly MixProduct[]): Issue[] =>
  products.flatMap((product, i) =>
    groundIsOpen(product)
      ? [
          issue(
            `products[${i}].rate`,
            "answer-needed",
            `${product.rate.text} of ${product.name} is a rate for a gallon, and nobody said for how much ground`,
            "the ground that its label means a gallon for, or that the strength is meant",
          ),
        ]
      : [],
  );

type PickedRate = Pick<SheetRequest["products"][number], "choice">;

/** Rows of a label that are for another turf than the ground: taken only with a reason. */
export const strangeRows = (
  products: readonly PickedRate[],
  labels: readonly { readonly card: CardText }[],
  turfs: readonly string[],
): Issue[] =>
  products.flatMap(({ choice }, i) => {
    const { card } = labels[i]!;
    const strange = strangeTurfs(card, choice, turfs);
    if (strange.length === 0 || (choice?.reason ?? "").trim().length >= 3) return [];
    const said = `the row "${rowName(card, choice!.row)}" of ${card.name} on ${strange.join(", ")}`;
    return [issue(`products[${i}].choice`, "reason-needed", said, "the row for that turf, or say why this one")];
  });

/** The day that something is planned for: today, or a later one within a year. */
export function dayOfPlan(db: Access, wanted: string | undefined): Result<string> {
  const today = todayOf(db);
  const date = wanted ?? today;
  if (!isDate(date) || date < today || daysFrom(today, date) > FARTHEST)
    return bad(issue("date", "bad-date", shown(date), `"${today}", today's date, or a later day within a year`));
  return good(date);
}

/** The rig with its head set for this mix; undefined where it can't be set so. */
function asSet<R extends RigText>(rig: R, head: HeadText | undefined): R | undefined {
  if (!head) return rig;
  return fitsHead(rig, head) ? { ...rig, head } : undefined;
}

const loadsOf = (plan: MixPlan) => plan.run?.loads.length ?? plan.sites.reduce((sum, site) => sum + site.loads.length, 0);

/** What a request names that isn't there: labels, zones, a site twice. */
function missingOf(db: Access, input: SheetRequest, stops: readonly (StopWish & { readonly site: KeptSite })[]): Issue[] {
  const issues: Issue[] = [];
  input.products.forEach(({ labelId }, i) => {
    if (!findLabel(db, labelId)) issues.push(issue(`products[${i}].labelId`, "unknown-name", labelId, "the labels on record"));
  });
  if (input.products.length === 0) issues.push(issue("products", "missing", "", "a label: pick at least one product"));
  stops.forEach(({ siteId, site, without, spot }, i) => {
    if (stops.findIndex((s) => s.siteId === siteId) < i) issues.push(issue(`stops[${i}]`, "duplicate-name", site.name, "stop"));
    if (spot && !site.zones.some((z) => z.id === spot.zoneId))
      issues.push(issue(`stops[${i}].spot`, "missing", "", `a zone of ${site.name}`));
    if (!spot && site.zones.every((z) => without?.includes(z.id)))
      issues.push(issue(`stops[${i}].without`, "missing", "", "a zone: tick at least one"));
  });
  return issues;
}
