import { bad, good, type Issue, type Result } from "@/core/issue";
import { runState, type RunState } from "@/core/mixing/run-state";
import { showEntered } from "@/core/quantity/format";
import { entered } from "@/core/quantity/parse";
import { canonical } from "@/core/quantity/arithmetic";
import type { KeptSite, SheetState } from "@/formats/entries";
import type { CardText } from "@/formats/card/card";
import { isChoice, rowName } from "@/formats/card/choice";
import { productOf } from "@/formats/card/product-of";
import { forMix } from "@/formats/mix-of";
import { withCounted } from "@/formats/counted";
import { soundJob, soundPlan, tankName } from "@/formats/job-file/assemble";
import type { JobFile, ProductText, SiteText } from "@/formats/job-file/types";
import { planOfSheet } from "@/formats/sheet-plan";
import { lockOf } from "@/formats/standing";
import { recordsOfSheet, withdrawalOf, withdrawSheet } from "@/records/applications";
import type { SetAside } from "@/records/aside";
import { findWithStruck } from "@/records/calibrations";
import { type Access, type Records, whole } from "@/records/database";
import { findLabel } from "@/records/labels";
import { recordsNamed } from "@/records/names";
import { findRig } from "@/records/rigs";
import { fillsOf, stopEventsOf } from "@/records/runs";
import { findSheet, siteIdOf } from "@/records/sheets";
import { findSite } from "@/records/sites";
import { asideFaults } from "./aside-faults";
import { dayNow, todayOf } from "./clock";
import { countedOf, wasPoured } from "./counted";
import { isId, isReason, issue, nowText, shown } from "./input";
import { judgeRow, lockWords } from "./slices/calibrations";

export type SheetRow = NonNullable<ReturnType<typeof findSheet>>;

/** A sheet as the world is now. */
export interface SheetToday {
  readonly job: JobFile;
  /** What has changed since, so that nothing may be poured from it any more; a label's limits hold it beside these. */
  readonly stopped: readonly Issue[];
}

/**
 * A sheet as it stands today. While it is open it is held against today: the date, the cards with their rows and gear, what
 * is known of the zones, what counts, the rig with its tip, its quick checks. Another sheet or a record may have taken the
 * budget since, a card may have been put right, a tip been changed.
 * @param pouring it is poured now: on this day it counts, also where it was planned for a later one
 */
export function sheetToday(db: Access, sheet: SheetRow, pouring = false): SheetToday {
  if (sheetState(db, sheet.id) !== "open") return { job: sheet.job, stopped: [] };
  const sites = sheet.job.sites ?? [];
  const aside: SetAside[] = [];
  const siteIds = sites.map((site) => siteIdOf(sheet, site));
  const counted = countedOf(db, siteIds, aside);
  const stopped: Issue[] = [...asideFaults(aside), ...ofCalibration(db, sheet)];
  const today = todayOf(db);
  const job: JobFile = {
    ...sheet.job,
    date: !pouring && (sheet.job.date ?? today) > today ? sheet.job.date! : today,
    products: (sheet.job.products ?? []).map((product, i) => {
      const now = withCard(db, product, `products[${i}]`);
      if (!now.ok) stopped.push(...now.issues);
      return now.ok ? now.value : product;
    }),
    sites: sites.map((site, i) => {
      const id = siteIds[i]!;
      return withCounted(withFacts(site, findSite(db, id)?.site), id, counted, sheet.id);
    }),
  };
  if (stopped.length === 0) {
    try {
      planOfSheet(job, runOf(db, sheet));
    } catch {
      stopped.push(issue("", "conflict", "this sheet can't be worked out with today's cards", "withdraw it and mix again"));
    }
  }
  return stopped.length > 0 ? { job: sheet.job, stopped } : { job, stopped };
}

/** Whether its calibration may still be mixed from, and its tank is still the same. */
function ofCalibration(db: Access, sheet: SheetRow): Issue[] {
  const calibration = findWithStruck(db, sheet.calibrationId);
  const rig = findRig(db, sheet.rigId)?.rig;
  if (!calibration || !rig) return [issue("", "conflict", "its rig or its calibration is gone", "withdraw it and mix again")];
  const judged = judgeRow(db, rig, calibration, dayNow(db));
  const lock = lockOf(judged);
  const issues: Issue[] = lock
    ? [
        lock.code === "withdrawn"
          ? issue(
              "",
              "conflict",
              `its calibration was withdrawn (${lock.why})`,
              "withdraw this sheet and mix from one that stands",
            )
          : issue(
              "",
              "conflict",
              `its calibration is ${lockWords(lock)}`,
              "calibrate again, then withdraw this sheet and mix anew",
            ),
      ]
    : [];
  const name = tankName(sheet.job);
  const volume = (tanks: JobFile["rig"]["tanks"]) => (tanks?.find((t) => t.name === name) ?? tanks?.[0])?.usable;
  const [then, now] = [volume(sheet.job.rig.tanks), volume(rig.tanks)];
  if (then !== undefined && now !== then)
    issues.push(
      issue(
        "",
        "conflict",
        `the ${name} tank holds ${now === undefined ? "nothing any more" : showEntered(entered(now, "volume"))}, this was planned for ${showEntered(entered(then, "volume"))}`,
        "withdraw it and mix again",
      ),
    );
  return issues;
}

/** The card of a product of a sheet: by its id; or, of one that has none, by its name, now or then. */
function cardOf(db: Access, product: ProductText): CardText | undefined {
  const id = product["x-id"] ?? recordsNamed(db, "labels", product.name)[0]?.id;
  return id === undefined ? undefined : findLabel(db, id)?.card;
}

/** A product of a sheet with what its card says today; the rate is the sheet's own. */
function withCard(db: Access, product: ProductText, path: string): Result<ProductText> {
  const again = "withdraw this sheet and mix again";
  const card = cardOf(db, product);
  if (!card) return bad(issue(path, "conflict", `${product.name} has no card any more`, again));
  if (card.form !== product.form)
    return bad(
      issue(path, "conflict", `the card says that ${card.name} is ${card.form}, this was planned as ${product.form}`, again),
    );
  const known = product["x-choice"];
  const choice = isChoice(known) ? known : undefined;
  if (choice?.from !== undefined && rowName(card, choice.row) !== choice.from)
    return bad(issue(path, "conflict", `the label's row "${choice.from}" of ${card.name} is another one today`, again));
  const today = productOf(card, product.rate, choice);
  if (!today.ok) return bad(issue(path, "conflict", `${product.rate} of ${card.name} can't be held against its card`, again));
  if (today.value.gallonCovers !== product.gallonCovers)
    return bad(
      issue(
        path,
        "conflict",
        `the card of ${card.name} says today that a gallon is for ${today.value.gallonCovers ?? "no ground"}`,
        again,
      ),
    );
  const own = { ...(product["x-id"] !== undefined && { "x-id": product["x-id"] }) };
  return good({ ...today.value, ...own, rate: product.rate, ...(known !== undefined && { "x-choice": known }) });
}

/** A sheet's site with what is known of its zones today, and without the history that was written with it. */
function withFacts(site: SiteText, known: KeptSite | undefined): SiteText {
  return {
    ...site,
    ...(known?.["x-jurisdiction"] !== undefined && { "x-jurisdiction": known["x-jurisdiction"] }),
    ...(known?.["x-minding"] !== undefined && { "x-minding": known["x-minding"] }),
    ...(known?.["x-access"] !== undefined && { "x-access": known["x-access"] }),
    zones: site.zones.map(({ applied: _, ...zone }) => {
      const now = known?.zones.find((z) => z["x-id"] === zone["x-id"]);
      const spot = zone["x-spot"] !== undefined && { "x-spot": zone["x-spot"], ...(now && { "x-whole": now.area }) };
      return now ? { ...forMix(now), name: zone.name ?? now.name, area: zone.area, ...spot } : zone;
    }),
  };
}

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
