import { bad, good, type Result } from "@/core/issue";
import { entered } from "@/core/quantity/parse";
import { groundText, isChoice, totalText, type ChoiceText } from "@/formats/card/choice";
import { productsOf } from "@/formats/counted";
import type { SpreadingEntry } from "@/formats/entries";
import { gearOf } from "@/formats/gear";
import { spreadWish } from "@/formats/spread-of";
import { planOfSpread, readSpread, type SpreadFile } from "@/formats/job-file/spread";
import type { StopWish } from "@/formats/mix-of";
import { addApplication } from "@/records/applications";
import type { SetAside } from "@/records/aside";
import { whole, type Access, type Records } from "@/records/database";
import { findLabel } from "@/records/labels";
import { findPerson } from "@/records/people";
import { findSite } from "@/records/sites";
import {
  addSpreading,
  addSpreadingTick,
  doneOfSpreading,
  endOfSpreading,
  endSpreading,
  findSpreading,
} from "@/records/spreadings";
import { lastWeather } from "@/records/weather";
import { asideFaults } from "./aside-faults";
import { answered, planFaults } from "./again";
import { countedOf, isProductStep, recordedOf } from "./counted";
import { factsNow } from "./facts";
import { isId, issue, nowText, shown } from "./input";
import { clockBehind, judgeSpreading, openingFaults, plannedFaults, stoppedFaults, unopenedFaults, weatherFaults } from "./judge";
import { readLots, withLot } from "./lots";
import { once } from "./once";
import { againNote, dayOfRecord, roundOf } from "./record-sheet";
import { retiredFaults } from "./retired";
import { dayOfPlan, isStop, strangeRows } from "./save-sheet";

/** A job of granules as it is asked for: no rig, no calibration. */
interface SpreadRequest {
  readonly id: string;
  /** The day that it is planned for, ISO; today where it is left out. */
  readonly date?: string;
  readonly personId: string | null;
  readonly stops: readonly StopWish[];
  readonly products: readonly { readonly labelId: string; readonly rate: string; readonly choice?: ChoiceText }[];
}

function isRequest(input: unknown): input is SpreadRequest {
  const { id, date, personId, stops, products } = (input ?? {}) as Record<string, unknown>;
  return (
    isId(id) &&
    (date === undefined || typeof date === "string") &&
    (personId === null || isId(personId)) &&
    Array.isArray(stops) &&
    stops.length >= 1 &&
    stops.length <= 60 &&
    // A spot is sprayed: of granules it would be booked as its whole zone.
    stops.every((stop) => isStop(stop) && stop.spot === undefined) &&
    Array.isArray(products) &&
    products.length >= 1 &&
    products.length <= 20 &&
    products.every(
      (p: { labelId?: unknown; rate?: unknown; choice?: unknown } | null) =>
        isId(p?.labelId) && typeof p?.rate === "string" && (p.choice === undefined || isChoice(p.choice)),
    )
  );
}

/**
 * Books granules that are spread dry: they count as planned until they are on record or withdrawn. Every bag is worked out
 * here, and what a label holds is not kept.
 */
export function saveSpread(db: Records, input: unknown): Result<{ id: string }> {
  if (!isRequest(input)) return bad(issue("", "wrong-type", "something else", "sites and granules"));
  const day = dayOfPlan(db, input.date);
  if (!day.ok) return day;
  const sites = input.stops.map((stop) => findSite(db, stop.siteId));
  const labels = input.products.map(({ labelId }) => findLabel(db, labelId));
  const person = input.personId === null ? undefined : findPerson(db, input.personId);
  if (sites.some((s) => !s) || labels.some((l) => !l) || (input.personId !== null && !person))
    return bad(issue("", "unknown-name", "a site, a label or a person", "what is on record: reload the page"));
  const retired = retiredFaults(
    ["personId", person?.name ?? "", person],
    ...sites.map((site, i) => [`stops[${i}]`, site!.site.name, site] as const),
    ...labels.map((label, i) => [`products[${i}]`, label!.card.name, label] as const),
  );
  if (retired.length > 0) return bad(...retired);
  const products = productsOf(input.products.map(({ labelId, ...rest }, i) => ({ ...rest, id: labelId, card: labels[i]!.card })));
  if (!products.ok) return products;
  const turfs = input.stops.flatMap((stop, i) =>
    sites[i]!.site.zones.filter((z) => !stop.without?.includes(z.id)).flatMap((z) => z.turf ?? []),
  );
  const strange = strangeRows(
    input.products,
    labels.map((label) => label!),
    turfs,
  );
  if (strange.length > 0) return bad(...strange);
  const judged = (access: Access) => {
    const aside: SetAside[] = [];
    const siteIds = input.stops.map((s) => s.siteId);
    const job = spreadWish({
      products: products.value,
      stops: input.stops.map((stop, i) => ({ ...stop, site: sites[i]!.site })),
      counted: countedOf(access, siteIds, aside),
      date: day.value,
      except: input.id,
    });
    if (aside.length > 0) return bad(...asideFaults(aside));
    const read = readSpread(job);
    if (!read.ok) return read;
    if (read.value.sites.some((site) => site.zones.length === 0))
      return bad(issue("stops", "missing", "", "a zone: tick at least one"));
    const plan = planOfSpread(read.value);
    const faults = planFaults(products.value, plan);
    return faults.length > 0 ? bad(...faults) : good({ ...job, products: answered(products.value, plan.warnings) });
  };
  const { id, personId } = input;
  return whole(db, (tx) =>
    once(
      tx,
      "spreading",
      id,
      input,
      findSpreading(tx, id) !== undefined,
      () => ({ id }),
      (): Result<{ id: string }> => {
        const job = judged(tx);
        if (!job.ok) return job;
        const now = nowText();
        addSpreading(tx, { id, madeAt: now, date: day.value, personId, job: job.value }, now);
        return good({ id });
      },
    ),
  );
}

/** What is open of it, or why not. */
function openOf(db: Access, id: string) {
  const spreading = isId(id) ? findSpreading(db, id) : undefined;
  if (!spreading) return bad(issue("", "unknown-name", shown(id), "the spreadings on record"));
  const end = endOfSpreading(db, id);
  return good({ spreading, end: end?.what ?? null });
}

/** The steps of granules: the gear, then each product's bags, which are opened. */
export const spreadSteps = ({ products = [] }: Pick<SpreadFile, "products">): string[] => [
  ...gearOf(products).map((item) => item.key),
  ...products.map((_, i) => `bags.product-${i + 1}`),
];

/**
 * Ticks a step of granules off, or takes the tick back: `{ step, done }`. Gear comes before the first bag, and none is opened that
 * the judge, or the weather of the place, holds.
 */
export function tickSpread(db: Records, id: string, input: unknown): Result<{ done: string[] }> {
  const { step, done } = (input ?? {}) as { step?: unknown; done?: unknown };
  if (typeof step !== "string" || typeof done !== "boolean")
    return bad(issue("step", "wrong-type", "no step", "a step of these granules"));
  return whole(db, (tx): Result<{ done: string[] }> => {
    const open = openOf(tx, id);
    if (!open.ok) return open;
    const { spreading, end } = open.value;
    if (end !== null) return bad(closed(end));
    const before = new Set(doneOfSpreading(tx, id));
    const judged = judgeSpreading(tx, spreading, true);
    const faults = done ? plannedFaults(judged) : [];
    if (faults.length > 0) return bad(...faults);
    // A tick that stands may be taken back also where today's card no longer has its step.
    if (!spreadSteps(judged.job).includes(step) && (done || !before.has(step)))
      return bad(issue("step", "unknown-name", step.slice(0, 40), "the steps of these granules"));
    if (done && isProductStep(step)) {
      const missing = gearOf(judged.job.products ?? []).filter((item) => !before.has(item.key));
      if (missing.length > 0)
        return bad(
          issue("step", "out-of-turn", "a bag before the gear is on", `tick first: ${missing.map((g) => g.text).join(", ")}`),
        );
      const closed = openingFaults(tx, { siteIds: sitesOf(spreading), personId: spreading.personId, job: judged.job });
      if (closed.length > 0) return bad(...closed);
    }
    if (before.has(step) !== done) addSpreadingTick(tx, id, step, done, nowText());
    return good({ done: doneOfSpreading(tx, id) });
  });
}

const sitesOf = ({ job }: { readonly job: SpreadFile }) => (job.sites ?? []).flatMap((site) => site.id ?? []);

const closed = (end: "recorded" | "withdrawn") =>
  end === "recorded"
    ? issue("", "already-done", "this is on record as spread", "correct its records in the log instead")
    : issue("", "already-done", "this was withdrawn", "enter what went down by hand in the log");

/** Open granules as a screen shows them: as the world is now. */
export function spreadingEntry(db: Access, spreading: NonNullable<ReturnType<typeof findSpreading>>): SpreadingEntry {
  const { id, madeAt, date, personId } = spreading;
  const judged = judgeSpreading(db, spreading);
  const { job } = judged;
  return {
    id,
    madeAt,
    date,
    personId,
    job,
    stopped: stoppedFaults(judged),
    done: doneOfSpreading(db, id),
    weather: lastWeather(db, { spreadingId: id }) ?? null,
    weatherHolds: weatherFaults(db, sitesOf(spreading), job),
    clockBehind: clockBehind(db) ?? null,
  };
}

/**
 * Puts granules on record that were spread: `{ date, why?, all?, lots? }`; `all` answers that all of it went down where not every
 * step is ticked. What was never opened is judged now, as it would be before a bag.
 */
export function recordSpread(db: Records, id: string, input: unknown): Result<{ id: string }> {
  return whole(db, (tx): Result<{ id: string }> => {
    const open = openOf(tx, id);
    if (!open.ok) return open;
    const { spreading, end } = open.value;
    if (end === "recorded") return good({ id });
    if (end === "withdrawn") return bad(closed(end));
    const request = (input ?? {}) as { date?: unknown; all?: unknown; lots?: unknown };
    const day = dayOfRecord(tx, spreading, request);
    if (!day.ok) return day;
    const lots = readLots(request.lots, spreading.job.products?.length ?? 0);
    if (!lots.ok) return lots;
    const steps = spreadSteps(spreading.job);
    const ticked = new Set(doneOfSpreading(tx, id));
    const done = steps.filter((step) => ticked.has(step)).length;
    if (steps.some((step) => isProductStep(step) && !ticked.has(step))) {
      const faults = unopenedFaults(judgeSpreading(tx, spreading, true));
      if (faults.length > 0) return bad(...faults);
    }
    if (done < steps.length && request.all !== true)
      return bad(
        issue(
          "all",
          "reason-needed",
          `${done} of ${steps.length} steps are ticked`,
          "say whether all of it was spread; what never went down is withdrawn",
        ),
      );
    const unticked =
      done < steps.length && `put on record with ${done} of ${steps.length} steps ticked: all of it was said to be spread`;
    const now = nowText();
    const job = readSpread(spreading.job);
    if (!job.ok) return job;
    (spreading.job.sites ?? []).forEach((site, k) =>
      site.zones.forEach((zone, i) =>
        (spreading.job.products ?? []).forEach((product, j) => {
          const one = job.value.products[j]!;
          const area = entered(zone.area, "area");
          const what = recordedOf(product);
          const { labelId } = what;
          addApplication(
            tx,
            {
              id: `${id}.${k}.${i}.${j}`,
              ...day.value,
              siteId: site.id!,
              zoneId: zone.id ?? "",
              zone: zone.name ?? "",
              area,
              ...what,
              rate: one.by ? groundText(one.by) : product.rate,
              total: totalText(one.rate, area.value),
              covered: area,
              spreadingId: id,
              personId: spreading.personId,
              source: "hand",
              sheetId: null,
              note: ["spread dry", againNote(product), unticked].filter(Boolean).join("; "),
              corrects: null,
              isVoid: false,
              facts: withLot(
                factsNow({
                  card: labelId === null ? undefined : findLabel(tx, labelId)?.card,
                  site: findSite(tx, site.id!)?.site,
                  zoneId: zone.id ?? "",
                  papers: spreading.personId === null ? undefined : findPerson(tx, spreading.personId)?.papers,
                  date: day.value.date,
                  round: roundOf(product),
                }),
                lots.value[j],
              ),
            },
            now,
          );
        }),
      ),
    );
    endSpreading(tx, id, "recorded", now);
    return good({ id });
  });
}

/** Withdraws granules that won't be spread: what they planned no longer counts. */
export function withdrawSpread(db: Records, id: string): Result<{ id: string }> {
  return whole(db, (tx): Result<{ id: string }> => {
    const open = openOf(tx, id);
    if (!open.ok) return open;
    if (open.value.end === "recorded") return bad(closed("recorded"));
    if (open.value.end === null) endSpreading(tx, id, "withdrawn", nowText());
    return good({ id });
  });
}
