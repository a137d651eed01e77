import { calibrate, type Calibration } from "@/core/calibration/calibrate";
import { readTyped } from "@/formats/typed";
import { good, type Issue, type Result } from "@/core/issue";
import { groundIsOpen } from "@/core/labels/gallon";
import type { Form } from "@/core/labels/label-rate";
import type { FullTank } from "@/core/mixing/full-tank";
import { coverageOf } from "@/core/mixing/mix";
import { entered } from "@/core/quantity/parse";
import type { Field } from "@/core/quantity/ranges";
import type { Derived } from "@/core/working/rule";
import { valueIn } from "@/core/quantity/quantity";
import { given } from "@/core/working/rule";
import { meanTime } from "@/core/calibration/pace";
import { readRate } from "@/formats/forms/rate";
import { lastLoadsOf, withoutNoLoad, type LastLoad } from "../mix/last-load";
import type { Dismissed } from "../parts/slip-ask";
import { calibrationJob, fullTankOf, mixJob, planOf, tankJob, type Planned } from "@/formats/job-file/assemble";
import { readChecked, type Job } from "@/formats/job-file/read-checked";
import type { CalibrationText, JobFile, ProductText, RigText } from "@/formats/job-file/types";

/** A mix on one page, as typed: tank, plot or course, time, catch, rate, lawn. Kept in this browser until it is kept. */
export interface Quick {
  readonly kind: "backpack" | "hand-can" | "spray-truck";
  readonly tank: string;
  /** A straight course in place of a plot. */
  readonly course: boolean;
  readonly plot: string;
  readonly distance: string;
  readonly swath: string;
  /** One time a walk, with commas between. */
  readonly times: string;
  readonly caught: string;
  /** Empty: caught for as long as the walk. */
  readonly caughtFor: string;
  readonly form: Form;
  readonly rate: string;
  /** The label's most for one application; empty: not known. */
  readonly most: string;
  readonly lawn: string;
  /** How a last load that is hardly one is gone about, where somebody said so. */
  readonly lastLoad?: LastLoad;
  /** Slips that were asked about and meant. */
  readonly dismissed?: readonly Dismissed[];
  /** What it is kept under. */
  readonly names: { readonly rig: string; readonly person: string; readonly product: string; readonly site: string };
}

export const BLANK: Quick = {
  kind: "backpack",
  tank: "",
  course: false,
  plot: "",
  distance: "",
  swath: "",
  times: "",
  caught: "",
  caughtFor: "",
  form: "dry",
  rate: "",
  most: "",
  lawn: "",
  names: { rig: "", person: "", product: "", site: "" },
};

/** What is worked out so far: the answer grows with what is typed. */
export interface QuickAnswer {
  readonly made?: Calibration;
  /** What one tank covers. */
  readonly covers?: Derived<"area">;
  readonly planned?: Planned & { readonly job: Job };
  /** What goes into a full tank, while no lawn is typed. */
  readonly full?: FullTank;
  /** What stands in the way, where two fields together can't be. */
  readonly issues: readonly Issue[];
}

const NAMES = { rig: "sprayer", product: "the product", site: "the lawn" } as const;

/** A text of a field as a job file writes it; undefined where it is empty or can't be read: the field itself says so. */
function text(field: Field, typed: string): string | undefined {
  const read = typed.trim() === "" ? undefined : readTyped(field, typed);
  return read?.ok ? read.value.text : undefined;
}

/** The times of the walks: one, or several with commas or blanks between. Undefined where one of them can't be read. */
export function timesOf(typed: string): string[] | undefined {
  const parts = typed
    .split(/[,;]+|\s+(?=\d)/)
    .map((part) => part.trim())
    .filter((part) => part !== "");
  const read = parts.map((part) => readTyped("walkTime", part));
  return read.length > 0 && read.every((one) => one.ok) ? read.map((one) => (one.ok ? one.value.text : "")) : undefined;
}

function rigOf({ kind, tank, names }: Quick): RigText | undefined {
  const usable = text("usable", tank);
  return usable === undefined ? undefined : { name: names.rig.trim() || NAMES.rig, kind, tanks: [{ name: "main", usable }] };
}

function calibrationOf(quick: Quick): CalibrationText | undefined {
  const times = timesOf(quick.times);
  const volume = text("catchVolume", quick.caught);
  if (!times || volume === undefined) return undefined;
  const [area, distance, swath] = [text("testArea", quick.plot), text("course", quick.distance), text("swath", quick.swath)];
  const pace = quick.course
    ? distance !== undefined && swath !== undefined && ({ kind: "timed-run", distance, swath, times } as const)
    : area !== undefined && ({ kind: "timed-area", area, times } as const);
  const mean = valueIn(meanTime(times.map((time) => given(entered(time, "time"), "walk"))).value, "s");
  const time = quick.caughtFor.trim() === "" ? `${Number(mean.toFixed(2))} s` : text("catchTime", quick.caughtFor);
  if (!pace || time === undefined) return undefined;
  return { pace, flow: { kind: "timed-catch", catches: [{ volume, time }] } };
}

function productOf(quick: Quick): Result<ProductText> | undefined {
  if (quick.rate.trim() === "") return undefined;
  const rate = readRate(quick.rate, quick.form);
  if (!rate.ok) return rate;
  const most = quick.most.trim() === "" ? undefined : readRate(quick.most, quick.form, "most");
  if (most && !most.ok) return most;
  return good({
    name: quick.names.product.trim() || NAMES.product,
    form: quick.form,
    rate: rate.value.text,
    ...(most && { limits: { perApplication: most.value.text } }),
  });
}

/** Works out as much as there is. */
export function quickAnswer(quick: Quick): QuickAnswer {
  const rig = rigOf(quick);
  const calibration = calibrationOf(quick);
  if (!calibration) return { issues: [] };
  const alone = readChecked(calibrationJob(rig ?? { kind: quick.kind }, calibration));
  if (!alone.ok) return { issues: alone.issues };
  const made = calibrate(alone.value.calibration);
  const tank = alone.value.tank;
  const soFar = { made, ...(tank && { covers: coverageOf(tank, made.sprayVolume) }) };
  const file = quickFile(quick);
  if (!file?.ok) return { ...soFar, ...(file ? {} : fullOf(quick)), issues: file?.issues ?? [] };
  const job = readChecked(file.value);
  if (!job.ok) return { ...soFar, issues: job.issues };
  // One page has no card to ask: a rate for a gallon is written for the ground that the label means.
  if (job.value.products.some(groundIsOpen))
    return {
      ...soFar,
      issues: [
        {
          path: "",
          code: "answer-needed",
          received: `${quick.rate.trim()} is a rate for a gallon`,
          expected: "write what goes on so much ground: most labels mean a gallon for 1,000 sq ft",
        },
      ],
    };
  const planned = planOf(job.value);
  if (!planned.ok) return { ...soFar, issues: planned.issues };
  return { ...soFar, planned: withLastLoad(quick, { ...planned.value, job: job.value }), issues: [] };
}

/** A rest within the ± of the calibration is no load, unless somebody says so. */
function withLastLoad({ lastLoad }: Quick, planned: Planned & { readonly job: Job }): Planned & { readonly job: Job } {
  if (planned.plan.reasons.length > 0) return planned;
  if (lastLoad === undefined) return withoutNoLoad(planned);
  return lastLoadsOf(planned.job.file).get(lastLoad) ?? planned;
}

/** A full tank, where everything but the lawn is typed. */
function fullOf(quick: Quick): { full?: FullTank } {
  const [rig, calibration, product] = [rigOf(quick), calibrationOf(quick), productOf(quick)];
  if (!rig || !calibration || !product?.ok || quick.lawn.trim() !== "") return {};
  const job = readChecked(tankJob({ rig, calibration, products: [product.value] }));
  const full = job.ok && !job.value.products.some(groundIsOpen) ? fullTankOf(job.value) : undefined;
  return full?.ok ? { full: full.value.full } : {};
}

/** All of it as a job file; undefined while something is still missing. */
export function quickFile(quick: Quick): Result<JobFile> | undefined {
  const rig = rigOf(quick);
  const calibration = calibrationOf(quick);
  const product = productOf(quick);
  const area = text("zoneArea", quick.lawn);
  if (!rig || !calibration || !product || area === undefined) return undefined;
  if (!product.ok) return product;
  const sites = [{ name: quick.names.site.trim() || NAMES.site, zones: [{ name: "lawn", area }] }];
  return good(mixJob({ rig, calibration, products: [product.value], sites, loads: "full-then-part" }));
}
