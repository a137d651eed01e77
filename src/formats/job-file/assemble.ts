import {
  bad,
  calibrate,
  explainAll,
  given,
  good,
  jarVolume,
  mix,
  MOST_LOADS,
  overloaded,
  overloadedDay,
  type AnySource,
  type Calibration,
  type Entered,
  type Issue,
  type LoadMode,
  type MixInput,
  type MixPlan,
  type Progress,
  type Result,
  type Source,
} from "@/core/contents";
import { readChecked, type Job } from "./read-checked";
import type { CalibrationText, JobFile, ProductText, RigText, SiteText } from "./types";

/** A calibration alone, as a job file. */
export const calibrationJob = (rig: RigText, calibration: CalibrationText): JobFile => ({
  format: "careful-gauge-job",
  version: 1,
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
  readonly "x-any-order"?: boolean;
  readonly "x-overage"?: string;
  readonly "x-mixed-for"?: string;
  readonly "x-places"?: boolean;
}

/** A whole job, as a job file. */
export const mixJob = (parts: MixParts): JobFile => ({ format: "careful-gauge-job", version: 1, ...parts });

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

/**
 * Works a job's mix out; or says why there can be none: no tank, or more loads than anyone pours.
 * @param progress how far a day has come: what is still to do, and what is in the tank
 */
export function planOf(job: Job, progress?: Progress): Result<Planned> {
  const { tank, sites, products, loads } = job;
  if (!tank)
    return bad({ path: "rig.tanks", code: "missing", received: "", expected: `[{ "name": "main", "usable": "4 gal" }]` });
  const calibration = calibrate(job.calibration);
  const filled = fillVolume(job, calibration);
  if (!filled.ok) return filled;
  const input: MixInput = {
    sprayVolume: filled.value,
    tank,
    products,
    sites,
    loads,
    leaves: calibration.sprayVolume,
    hoseEnd: job.rig.kind === "hose-end",
    date: job.file.date,
    anyOrder: job.file["x-any-order"] === true,
    ...(job.overage && { overage: given(job.overage, "overage") }),
    ...(job.mixedFor && !job.rig.head && { mixedFor: given(job.mixedFor, "mixed for") }),
    ...(job.run && { run: { ...job.run, ...progress } }),
  };
  const over = overloaded(input).map(({ site, loads: count }): Issue => {
    const received = `${count.toLocaleString("en-US")} loads of ${tank.usable.text} for ${sites[site]!.name}`;
    const expected = `${MOST_LOADS.toLocaleString("en-US")} is the most for a site: check the area and its unit, or take a larger tank`;
    return { path: `sites[${site}]`, code: "conflict", received, expected };
  });
  if (job.run && over.length === 0) {
    const day = overloadedDay(input);
    if (day !== null)
      over.push({
        path: "run",
        code: "conflict",
        received: `a day of ${day.toLocaleString("en-US")} loads`,
        expected: `${MOST_LOADS.toLocaleString("en-US")} is the most: take a larger tank, or split the day`,
      });
  }
  return over.length > 0 ? bad(...over) : good({ calibration, input, plan: mix(input) });
}

/** What fills a tank for an area: the spray; or, of a hose-end head, what its jar gives. */
function fillVolume({ rig, products }: Job, { sprayVolume }: Calibration): Result<Source<"sprayVolume">> {
  if (!rig.head) return good(sprayVolume);
  const [first, ...more] = products;
  if (more.length > 0)
    return bad({
      path: "products[1]",
      code: "conflict",
      received: `${products.length} products in the jar of a hose-end head`,
      expected: "one product at a time goes into it",
    });
  if (first && first.rate.kind !== "rateByVolume")
    return bad({
      path: "products[0].rate",
      code: "conflict",
      received: `${first.rate.text} can't be planned in jars`,
      expected: `a liquid's rate for an area, e.g. "4 fl oz/1000 ft2"`,
    });
  return good(first ? jarVolume(rig.head, given(first.rate as Entered<"rateByVolume">, "label rate")) : sprayVolume);
}

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
