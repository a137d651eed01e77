import { bad, good, num, runState, type Result, type RunState } from "@/core/contents";
import type { KeptSite, SheetState } from "@/formats/book";
import { isChoice } from "@/formats/card/choice";
import { productOf } from "@/formats/card/product-of";
import { withCounted } from "@/formats/counted";
import { soundJob, soundPlan } from "@/formats/job-file/assemble";
import type { JobFile, ProductText, SiteText } from "@/formats/job-file/types";
import { isWithdrawn, recordsOfSheet, withdrawSheet } from "@/records/applications";
import type { Access, Records } from "@/records/database";
import { labelNamed } from "@/records/labels";
import { fillsOf, stopEventsOf } from "@/records/runs";
import { findSheet, siteIdOf } from "@/records/sheets";
import { findSite } from "@/records/sites";
import { countedOf } from "./counted";
import { isId, issue, nowText } from "./input";

export type SheetRow = NonNullable<ReturnType<typeof findSheet>>;

/**
 * The job of a sheet as it stands today. While it is open it is held against today's cards, what is known of the zones
 * today and what counts today, not those of the day it was saved: another sheet or a record may have taken the budget
 * since, a card may have been put right, a zone be due for seed.
 */
export function jobToday(db: Access, sheet: SheetRow): JobFile {
  if (sheetState(db, sheet.id) !== "open") return sheet.job;
  const sites = sheet.job.sites ?? [];
  // Of a day all that counts anywhere is read once, not once a stop.
  const everywhere = sites.length > 1 ? countedOf(db) : undefined;
  return {
    ...sheet.job,
    products: (sheet.job.products ?? []).map((product) => withCard(db, product)),
    sites: sites.map((site) => {
      const id = siteIdOf(sheet, site);
      return withCounted(withFacts(site, findSite(db, id)), id, everywhere ?? countedOf(db, id), sheet.id);
    }),
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
      const spot = zone["x-spot"] !== undefined && { "x-spot": zone["x-spot"] };
      return now ? { ...now, name: zone.name ?? now.name, area: zone.area, ...spot } : zone;
    }),
  };
}

export function sheetState(db: Access, id: string): SheetState {
  if (recordsOfSheet(db, id).length > 0) return "recorded";
  return isWithdrawn(db, id) ? "withdrawn" : "open";
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
  const planned = sites.map(({ name, spray }) => ({ site: name, spray: num(spray) }));
  known.set(job, planned);
  return planned;
}

/** What a site takes doesn't depend on what went down there: a held one is a stop of the day all the same. */
const withoutHistory = (site: SiteText): SiteText => ({
  ...site,
  zones: site.zones.map(({ name, area }) => ({ ...(name && { name }), area })),
});

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
