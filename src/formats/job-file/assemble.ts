import { calibrate, type Calibration } from "@/core/calibration/calibrate";
import type { Head } from "@/core/hose-end/head";
import { jarVolume, roomInJar } from "@/core/hose-end/jars";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { isStrength } from "@/core/labels/gallon";
import { roomOf } from "@/core/labels/limit-mix";
import { areaOf, sprayFor } from "@/core/mixing/areas";
import type { WaterFirst } from "@/core/mixing/column";
import { rateOnGround } from "@/core/mixing/judge";
import { MOST_LOADS, type LoadMode } from "@/core/mixing/loads";
import { fullTank, type FullTank } from "@/core/mixing/full-tank";
import { mix, overloaded, overloadedDay } from "@/core/mixing/mix";
import type { MixInput, MixPlan, Progress } from "@/core/mixing/plan";
import { isSpread } from "@/core/mixing/pouring-order";
import type { MixProduct } from "@/core/mixing/product";
import { wholeTanks, type WholeTanks } from "@/core/mixing/whole-tanks";
import type { Entered } from "@/core/quantity/parse";
import { quantity } from "@/core/quantity/quantity";
import { explainAll } from "@/core/working/explain";
import { constant, given, type AnySource, type Source } from "@/core/working/rule";
import { readChecked, type Job } from "./read-checked";
import type { CalibrationText, JobFile, ProductText, RigText, SiteText, CalibrationOf, Written } from "./types";
import { atMost } from "@/core/quantity/slack";
import { sizeOf } from "@/core/labels/active";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { System, read } from "@/core/working/units";
import { rigRules } from "@/rig-kinds/rules";

/** A calibration alone, as a job file. */
export const calibrationJob = <T extends Written>(
  rig: RigText,
  calibration: CalibrationOf<T>,
): Omit<JobFile, "calibration"> & { readonly calibration: CalibrationOf<T> } => ({
  format: "careful-gauge-job",
  version: 2,
  rig,
  calibration,
});

export interface MixParts {
  readonly rig: RigText;
  readonly calibration: CalibrationText;
  readonly products: readonly ProductText[];
  readonly sites: readonly SiteText[];
  readonly tank?: string;
  readonly loads: LoadMode;
  /** ISO day. */
  readonly date?: string;
  readonly run?: "day";
  readonly priorOrder?: "any";
  readonly overage?: string;
  readonly nominalSprayVolume?: string;
  readonly oneLoadLess?: boolean;
  readonly fillOrder?: WaterFirst;
}

/** A whole job, as a job file. */
export const mixJob = (parts: MixParts): JobFile => ({ format: "careful-gauge-job", version: 2, ...parts });

/** Reads a job that was put together from records. @throws Error where it can't be read: the records were checked. */
export function soundJob(file: JobFile): Job {
  const read = readChecked(file);
  if (!read.ok) throw new Error(`a job of checked parts can't be read: ${read.issues[0]!.path} ${read.issues[0]!.code}`);
  return read.value;
}

export interface Planned {
  readonly calibration: Calibration;
  readonly plan: MixPlan;
  /** What the plan was worked out from. */
  readonly input: MixInput;
}

/** A mix for which no ground is named yet, as a job file. */
export const tankJob = ({
  rig,
  calibration,
  products,
  tank,
}: Pick<MixParts, "rig" | "calibration" | "products" | "tank">): JobFile => ({
  ...calibrationJob(rig, calibration),
  products,
  ...(tank !== undefined && { tank }),
});

/** A full tank of a job that names no ground; or why there can be none. */
export function fullTankOf(job: Job): Result<{ readonly calibration: Calibration; readonly full: FullTank }> {
  const asked: readonly [string, boolean][] = [
    ["run", job.run !== undefined],
    ["oneLoadLess", job.oneLess],
  ];
  const needs = asked
    .filter(([, wanted]) => wanted)
    .map(([path]): Issue => ({
      path,
      code: "not-possible",
      received: "no sites",
      expected: "only with sites: a full tank is for no ground yet",
    }));
  if (needs.length > 0) return bad(...needs);
  const input = inputOf(job);
  return input.ok ? good({ calibration: input.value.calibration, full: fullTank(input.value.input, job.waterFirst) }) : input;
}

/**
 * Works a job's mix out; or says why there can be none: no tank, or more loads than anyone pours.
 * @param progress how far a day has come: what is still to do, and what is in the tank
 */
export function planOf(job: Job, progress?: Progress): Result<Planned> {
  const asked = inputOf(job, progress);
  if (!asked.ok) return asked;
  const { calibration, input } = asked.value;
  const { tank, sites } = input;
  const over = overloaded(input).map(({ site, loads: count }): Issue => {
    const received = `${count.toLocaleString("en-US")} loads of ${tank.usable.text} for ${sites[site]!.name}`;
    const expected = `${MOST_LOADS.toLocaleString("en-US")} is the most for a site: check the area and its unit, or take a larger tank`;
    return { path: `sites[${site}]`, code: "not-possible", received, expected };
  });
  if (job.run && over.length === 0) {
    const day = overloadedDay(input);
    if (day !== null)
      over.push({
        path: "run",
        code: "not-possible",
        received: `a day of ${day.toLocaleString("en-US")} loads`,
        expected: `${MOST_LOADS.toLocaleString("en-US")} is the most: take a larger tank, or split the day`,
      });
  }
  return over.length > 0 ? bad(...over) : good({ calibration, input, plan: mix(input) });
}

/** What a job's mix is worked out from. */
function inputOf(job: Job, progress?: Progress): Result<{ readonly calibration: Calibration; readonly input: MixInput }> {
  const { tank, sites, products, loads } = job;
  if (!tank)
    return bad({ path: "rig.tanks", code: "missing", received: "", expected: `[{ "name": "main", "usable": "4 gal" }]` });
  const calibration = calibrate(job.calibration);
  const filled = fillVolume(job, calibration);
  if (!filled.ok) return filled;
  const less = job.oneLess ? oneLess(job, calibration) : null;
  if (job.oneLess && !less)
    return bad({
      path: "oneLoadLess",
      code: "not-possible",
      received: "one load less",
      expected: "only of one site, where what the full tanks leave over is within the calibration's band or 5 %",
    });
  const input: MixInput = {
    sprayVolume: less?.sprayVolume ?? filled.value,
    tank,
    products,
    sites,
    loads,
    leaves: less?.sprayVolume ?? calibration.sprayVolume,
    hoseEnd: rigRules(job.rig.kind).head,
    head: calibration.hoseEnd,
    date: job.file.date,
    anyOrder: job.file.priorOrder === "any",
    ...(job.overage && { overage: given(job.overage, "overage") }),
    ...(job.mixedFor && !job.rig.head && { mixedFor: given(job.mixedFor, "mixed for") }),
    ...(job.run && { run: { ...job.run, ...progress } }),
  };
  return good({ calibration, input });
}

/** What one load less would be for the site of a job; null where it can't be offered. */
export function oneLess({ rig, tank, sites, run, overage }: Job, calibration: Calibration): WholeTanks | null {
  const [site, ...others] = sites;
  if (!tank || !site || others.length > 0 || run || rig.head || overage) return null;
  const area = areaOf(site.zones.map((zone) => given(zone.area, zone.name)));
  return wholeTanks(
    sprayFor(area, calibration.sprayVolume),
    area,
    given(tank.usable, "usable volume"),
    calibration.uncertainty?.relative ?? null,
  );
}

/** What fills a tank for an area: the spray; or, of a hose-end head, what its jar gives. */
function fillVolume({ rig, products }: Job, { sprayVolume }: Calibration): Result<Source<"sprayVolume">> {
  if (!rig.head) return good(sprayVolume);
  const inJar = products.map((product, i) => ({ product, i })).filter(({ product }) => !isSpread(product));
  const [first, ...more] = inJar;
  if (!first) return good(sprayVolume);
  const wrong = inJar.find(({ product: { rate } }, k) => (k === 0 ? rate.kind !== "rateByVolume" : isStrength(rate)));
  if (wrong)
    return bad({
      path: `products[${wrong.i}].rate`,
      code: "not-possible",
      received: `${wrong.product.rate.text} can't be planned in jars`,
      expected: `${wrong === first ? "a liquid's rate for an area" : "a rate for an area"}, e.g. "4 fl oz/1000 ft2"`,
    });
  const rate = first.product.rate as Entered<"rateByVolume">;
  const tooMuch = overJar(rig.head, rate, more);
  if (tooMuch) return bad(tooMuch);
  return good(jarVolume(rig.head, given(rate, "label rate")));
}

/**
 * The other products of a jar go in by their rates, where its water has room for them; a dry one as much as its weight of
 * water. The first that doesn't fit is a fault, with the most that does.
 */
function overJar(
  head: Head,
  first: Entered<"rateByVolume">,
  more: readonly { product: MixProduct; i: number }[],
): Issue | undefined {
  let room = roomInJar(head, first);
  for (const { product, i } of more) {
    const dry = product.form === "dry";
    const takes = sizeOf(roomOf({ dry, rate: rateOnGround(product, NOTHING) }));
    if (!atMost(takes, room)) {
      // A gram of a powder takes the room of a millilitre.
      const most = (system: System) =>
        `${dry ? read(fromCanonical<"rateByWeight">(room), "rateByWeight", system, FITS) : read(fromCanonical<"rateByVolume">(room), "rateByVolume", system, FITS)} is the most that fits: make the jar up with more water`;
      return {
        path: `products[${i}].rate`,
        code: "not-possible",
        received: `the jar has no room for ${product.rate.text} of ${product.name} beside ${first.text}`,
        expected: room > 0 ? most("us") : "nothing fits into an undiluted jar: make it up with water",
        ...(room > 0 && { metric: most("metric") }),
      };
    }
    room -= takes;
  }
  return undefined;
}

const FITS = { figures: 4, down: true };
/** No rate of a jar depends on what is sprayed: those that would are refused before. */
const NOTHING = constant("sprayVolume", quantity("sprayVolume", 0, "gal/1000 ft2"), "nothing");

/** As {@link planOf}, for a job on record, which had a plan when it was kept. */
export function soundPlan(job: Job, progress?: Progress): Planned {
  const planned = planOf(job, progress);
  if (!planned.ok) throw new Error(`a recorded job has no plan: ${planned.issues[0]!.code}`);
  return planned.value;
}

/** The rules that some values were worked out by, with their versions: what a record keeps to be explained again. */
export function rulesOf(sources: readonly AnySource[]): string[] {
  return [...new Set(explainAll(sources, "us").map((line) => line.rule))].sort();
}

/** The tank that a job is mixed in, by its name. */
export const tankName = ({ tank, rig }: JobFile): string => tank ?? rig.tanks?.[0]?.name ?? "main";
