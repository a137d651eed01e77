import { bad, good, type Issue, type Result } from "@/core/issue";
import { canonical } from "@/core/quantity/arithmetic";
import { showEntered } from "@/core/quantity/format";
import { entered } from "@/core/quantity/parse";
import type { SpreadPlan } from "@/core/mixing/spread";
import { airHolds } from "@/formats/air-holds";
import type { CardText } from "@/formats/card/card";
import { isChoice, rowName } from "@/formats/card/choice";
import { productOf } from "@/formats/card/product-of";
import { withCounted } from "@/formats/counted";
import type { KeptSite } from "@/formats/entries";
import { tankName } from "@/formats/job-file/assemble";
import { planOfSpread, readSpread, type SpreadFile } from "@/formats/job-file/spread";
import type { JobFile, ProductText, SiteText } from "@/formats/job-file/types";
import { forMix } from "@/formats/mix-of";
import { planOfSheet, type SheetPlan } from "@/formats/sheet-plan";
import { lockOf } from "@/formats/standing";
import type { SetAside } from "@/records/aside";
import { findWithStruck } from "@/records/calibrations";
import type { Access } from "@/records/database";
import { findLabel, type Label } from "@/records/labels";
import { recordsNamed } from "@/records/names";
import { findPerson } from "@/records/people";
import { findRig, type KnownRig } from "@/records/rigs";
import { siteIdOf } from "@/records/sheets";
import { findSite } from "@/records/sites";
import type { findSpreading } from "@/records/spreadings";
import { looksAt, newestMoment } from "@/records/weather";
import { isDownByNow, planFaults } from "./again";
import { asideFaults } from "./aside-faults";
import { dateAt, dayNow, nowText, todayOf } from "./clock";
import { countedOf, withGround } from "./counted";
import { issue } from "./input";
import { rulesOn } from "./local-rules";
import { paperFaults } from "./paper-faults";
import { runOf, type SheetRow } from "./sheet-state";
import { countsNow, judgeRow, lockWords } from "./slices/calibrations";
import { ownerOf } from "@/rig-kinds/rules";

/**
 * The one judge. A plan is judged when it is saved; a container is opened later, in a world that went on. So whatever opens one,
 * shows an amount of an open plan or puts a plan on record asks here, at that moment: the calibration in force, the card of today,
 * the ground of today with all that is down or planned on it, the gear's rig, who sprays, and, before a container, the weather of the
 * place. There is no way past it.
 */

type SpreadingRow = NonNullable<ReturnType<typeof findSpreading>>;

/** A plan as the world is now. */
export interface Judged<File, Plan> {
  readonly job: File;
  /** What has changed since, so that nothing may be poured from it any more. */
  readonly stopped: readonly Issue[];
  /** Worked out with today's cards and ground; undefined where it can't be, or what has changed stops it before. */
  readonly plan: Plan | undefined;
}

const AGAIN = "withdraw this and mix again";

/**
 * An open sheet as it stands today. Another sheet or a record may have taken the budget since, a card may have been put right, a
 * tip been changed, a zone been measured again.
 * @param pouring it is poured now: on this day it counts, also where it was planned for a later one
 */
export function judgeSheet(db: Access, sheet: SheetRow, pouring = false): Judged<JobFile, SheetPlan> {
  const { job, stopped } = filled(db, sheet.job, (site) => siteIdOf(sheet, site), {
    id: sheet.id,
    date: sheet.job.date,
    pouring,
    personId: sheet.personId,
  });
  const all = [...ofCalibration(db, sheet), ...stopped];
  if (all.length > 0) return { job: sheet.job, stopped: all, plan: undefined };
  try {
    return { job, stopped: [], plan: planOfSheet(job, runOf(db, sheet)) };
  } catch {
    const fault = issue("", "plan-outdated", "this sheet can't be worked out with today's cards", AGAIN);
    return { job: sheet.job, stopped: [fault], plan: undefined };
  }
}

/** Open granules as they stand today. @param pouring as with a sheet */
export function judgeSpreading(db: Access, spreading: SpreadingRow, pouring = false): Judged<SpreadFile, SpreadPlan> {
  const { job, stopped } = filled(db, spreading.job, (site) => site.id ?? "", {
    id: spreading.id,
    date: spreading.date,
    pouring,
    personId: spreading.personId,
  });
  if (stopped.length > 0) return { job: spreading.job, stopped, plan: undefined };
  const read = readSpread(job);
  if (read.ok) return { job, stopped: [], plan: planOfSpread(read.value) };
  return { job: spreading.job, stopped: read.issues, plan: undefined };
}

/** Why a plan may not go on, apart from the weather: what has changed, and what a label holds. */
export function plannedFaults({ job, stopped, plan }: Judged<SpreadFile, Pick<SheetPlan, "plan"> | SpreadPlan>): Issue[] {
  if (stopped.length > 0 || plan === undefined) return [...stopped];
  return planFaults(job.products ?? [], "plan" in plan ? plan.plan : plan, isDownByNow);
}

/** What stops a plan as a screen shows it, which tells what a label holds by the plan itself. */
export const stoppedFaults = (judged: Parameters<typeof plannedFaults>[0]): Issue[] =>
  plannedFaults(judged).filter((fault) => fault.code !== "held");

/**
 * Why what was never opened can't be put on record as it was planned: its amounts were nobody's to open.
 * @param sites where only some of the sites of a sheet are meant: those on which not all was opened
 */
export function unopenedFaults(judged: Parameters<typeof plannedFaults>[0], sites?: readonly string[]): Issue[] {
  const faults = plannedFaults(judged);
  if (faults.length === 0) return [];
  const [received, expected] = sites
    ? [
        `not all of it was ticked as opened on ${sites.join(", ")}`,
        "say load by load what went down, and where nothing did; what else went down is entered by hand in the log",
      ]
    : ["nothing of it was ticked as opened", "what really went down is entered by hand in the log, and this withdrawn"];
  return [...faults, issue("", "out-of-turn", received, expected)];
}

/**
 * Why no container may be opened at some sites now: what was seen last of what a label limits says no, and nothing newer of that
 * place answers it.
 */
export function weatherFaults(
  db: Access,
  siteIds: readonly string[],
  { products = [], sites = [] }: Pick<JobFile, "products" | "sites">,
): Issue[] {
  const rules = rulesOn(db, sites);
  const all = siteIds.flatMap((id) => airHolds(looksAt(db, withGround(db, [id])), products, rules));
  const holds = [...new Map(all.map((one) => [one.text("us"), one])).values()];
  const behind = holds.length > 0 ? clockBehind(db) : undefined;
  return holds.map(({ text }) => {
    const [received, metric] = [text("us"), text("metric")];
    const wait = "wait, and look again there: no label is sprayed against its weather";
    const expected = behind === undefined ? wait : `put the server's clock right first: ${behindWords(db, behind)}`;
    return { path: "step", code: "not-allowed-now", received, expected, ...(metric !== received && { metric }) };
  });
}

/** Why no container may be opened now, beside what the plan itself says: the weather of the ground, then the papers of who sprays. */
export function openingFaults(
  db: Access,
  { siteIds, personId, job }: { readonly siteIds: readonly string[]; readonly personId: string | null; readonly job: SpreadFile },
): Issue[] {
  const weather = weatherFaults(db, siteIds, job);
  return weather.length > 0 ? weather : paperFaults(db, personId, job);
}

/** As far as a clock may go back by itself, ms: it is set by another one now and then. */
const DRIFT = 60_000;

/** The newest moment on record, where the server's clock stands before it; undefined where all is well. */
export function clockBehind(db: Access): string | undefined {
  const newest = newestMoment(db);
  return newest !== undefined && Date.parse(nowText()) < Date.parse(newest) - DRIFT ? newest : undefined;
}

export const behindWords = (db: Access, newest: string): string =>
  `it stands at ${dateAt(db, nowText())} ${nowText().slice(11, 16)} UTC, before what is on record of ${dateAt(db, newest)} ${newest.slice(11, 16)} UTC`;

interface Filling {
  readonly id: string;
  readonly date: string | undefined;
  readonly pouring: boolean;
  readonly personId: string | null;
}

/** A plan with today's cards, ground and everything that counts there, without itself; and what has changed for good. */
function filled<File extends SpreadFile>(
  db: Access,
  file: File,
  idOf: (site: SiteText) => string,
  { id, date, pouring, personId }: Filling,
): { job: File; stopped: readonly Issue[] } {
  const sites = file.sites ?? [];
  const siteIds = sites.map(idOf);
  const aside: SetAside[] = [];
  const counted = countedOf(db, siteIds, aside);
  const stopped: Issue[] = asideFaults(aside);
  const gone = (what: string, name: string) => stopped.push(issue("", "retired", `${what} ${name}`, AGAIN));
  const person = personId === null ? undefined : findPerson(db, personId);
  if (person?.retired) gone("the person", person.name);
  const today = todayOf(db);
  const job: File = {
    ...file,
    date: !pouring && (date ?? today) > today ? date : today,
    products: (file.products ?? []).map((product, i) => {
      const now = withCard(db, product, `products[${i}]`);
      if (!now.ok) stopped.push(...now.issues);
      return now.ok ? now.value : product;
    }),
    sites: sites.map((site, i) => {
      const siteId = siteIds[i]!;
      const known = findSite(db, siteId);
      if (known?.retired) gone("the site", known.site.name);
      stopped.push(...groundFaults(site, known?.site));
      return withCounted(withFacts(site, known?.site), siteId, counted, id);
    }),
  };
  return { job, stopped };
}

/** Whether the calibration that it was mixed from is still the one in force, and its rig and tank are still the same. */
function ofCalibration(db: Access, sheet: SheetRow): Issue[] {
  const calibration = findWithStruck(db, sheet.calibrationId);
  const rig = findRig(db, sheet.rigId);
  if (!calibration || !rig) return [issue("", "calibration-unusable", "its rig or its calibration is gone", AGAIN)];
  const retired = rig.retired ? [issue("", "retired", `the rig ${rig.rig.name}`, AGAIN)] : [];
  return [...retired, ...lockFaults(db, calibration, rig), ...tankFaults(sheet, rig)];
}

function lockFaults(db: Access, calibration: NonNullable<ReturnType<typeof findWithStruck>>, rig: KnownRig): Issue[] {
  const lock = lockOf(judgeRow(db, rig.rig, calibration, dayNow(db)));
  const fault = (received: string, expected: string) => [issue("", "calibration-unusable", received, expected)];
  if (lock?.code === "withdrawn")
    return fault(`its calibration was withdrawn (${lock.why})`, "withdraw this sheet and mix from one that stands");
  if (lock) return fault(`its calibration is ${lockWords(lock)}`, "calibrate again, then withdraw this sheet and mix anew");
  const newer = newerThan(db, rig, calibration);
  return newer === undefined
    ? []
    : fault(
        `a newer calibration is in force, of ${dateAt(db, newer.madeAt)}: this sheet was worked out by the one of ${dateAt(db, calibration.madeAt)}`,
        "work the sheet out anew: what was poured of it already is taken into account",
      );
}

/** The calibration in force of a rig and whoever it was made with, where that is another one. */
export function newerThan(
  db: Access,
  rig: KnownRig,
  { id, personId, siteId }: Pick<NonNullable<ReturnType<typeof findWithStruck>>, "id" | "personId" | "siteId">,
): { readonly id: string; readonly madeAt: string } | undefined {
  const owner = ownerOf(rig.rig.kind);
  const hand = {
    ...(owner === "person" && personId !== null && { personId }),
    ...(owner === "tap" && siteId !== null && { siteId }),
  };
  const entry = countsNow(db, rig, hand, dayNow(db))?.entry;
  return entry && entry.id !== id ? entry : undefined;
}

function tankFaults(sheet: SheetRow, { rig }: KnownRig): Issue[] {
  const name = tankName(sheet.job);
  const find = (tanks: JobFile["rig"]["tanks"]) => tanks?.find((t) => t.name === name) ?? tanks?.[0];
  const [then, now] = [find(sheet.job.rig.tanks)?.usable, find(rig.tanks)?.usable];
  if (then === undefined || now === then) return [];
  const holds = now === undefined ? "nothing any more" : showEntered(entered(now, "volume"));
  return [
    issue(
      "",
      "plan-outdated",
      `the ${name} tank holds ${holds}, this was planned for ${showEntered(entered(then, "volume"))}`,
      AGAIN,
    ),
  ];
}

/** The label of a product of a plan: by its id; or, of one that has none, by its name, now or then. */
function labelOf(db: Access, product: ProductText): Label | undefined {
  const id = product.id ?? recordsNamed(db, "labels", product.name)[0]?.id;
  return id === undefined ? undefined : findLabel(db, id);
}

/** A product of a plan with what its card says today; the rate is the plan's own. */
function withCard(db: Access, product: ProductText, path: string): Result<ProductText> {
  const label = labelOf(db, product);
  const card: CardText | undefined = label?.card;
  if (!label || !card) return bad(issue(path, "plan-outdated", `${product.name} has no card any more`, AGAIN));
  if (label.retired) return bad(issue(path, "retired", `the product ${card.name}`, AGAIN));
  if (card.form !== product.form)
    return bad(
      issue(path, "plan-outdated", `the card says that ${card.name} is ${card.form}, this was planned as ${product.form}`, AGAIN),
    );
  const known = product.rateChoice;
  const choice = isChoice(known) ? known : undefined;
  if (choice?.from !== undefined && rowName(card, choice.row) !== choice.from)
    return bad(issue(path, "plan-outdated", `the label's row "${choice.from}" of ${card.name} is another one today`, AGAIN));
  const today = productOf(card, product.rate, choice);
  if (!today.ok)
    return bad(issue(path, "plan-outdated", `${product.rate} of ${card.name} can't be held against its card`, AGAIN));
  if (today.value.gallonCovers !== product.gallonCovers)
    return bad(
      issue(
        path,
        "plan-outdated",
        `the card of ${card.name} says today that a gallon is for ${today.value.gallonCovers ?? "no ground"}`,
        AGAIN,
      ),
    );
  const own = { ...(product.id !== undefined && { id: product.id }) };
  return good({ ...today.value, ...own, rate: product.rate, ...(known !== undefined && { rateChoice: known }) });
}

/** An area that was written again in other units is no other one: so little may two texts of it differ, as a part. */
const SAME_AREA = 1e-3;

/** What of the ground isn't as it was planned for: zones that were taken out, or measured again. */
function groundFaults(site: SiteText, known: KeptSite | undefined): Issue[] {
  return site.zones.flatMap((zone): Issue[] => {
    if (!known || zone.id === undefined) return [];
    const name = `${zone.name ?? "a zone"} of ${site.name}`;
    const now = known.zones.find((z) => z.id === zone.id);
    if (!now) return [issue("", "plan-outdated", `${name} was taken out of its site`, AGAIN)];
    // A spot is held against the zone that it lies in.
    if (zone.spot?.volume !== undefined) return [];
    const [then, today] = [entered(zone.area, "area"), entered(now.area, "area")];
    if (Math.abs(canonical(today.value) / canonical(then.value) - 1) <= SAME_AREA) return [];
    const said = `${name} was planned as ${showEntered(then)}, and is ${showEntered(today)} by now`;
    return [issue("", "plan-outdated", said, AGAIN)];
  });
}

/** A plan's site with what is known of its zones today, and without the history that was written with it. */
function withFacts(site: SiteText, known: KeptSite | undefined): SiteText {
  return {
    ...site,
    ...(known?.jurisdiction !== undefined && { jurisdiction: known.jurisdiction }),
    ...(known?.precautions !== undefined && { precautions: known.precautions }),
    ...(known?.access !== undefined && { access: known.access }),
    zones: site.zones.map(({ applied: _, ...zone }) => {
      const now = known?.zones.find((z) => z.id === zone.id);
      const spot = zone.spot?.volume !== undefined && { spot: { volume: zone.spot.volume, ...(now && { zoneArea: now.area }) } };
      return now ? { ...forMix(now), name: zone.name ?? now.name, area: zone.area, ...spot } : zone;
    }),
  };
}
