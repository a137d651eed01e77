import type { CalibrationInput } from "@/core/calibration/calibrate";
import type { RigBasics } from "@/core/calibration/evidence";
import { good, type Issue, type Result } from "@/core/issue";
import { WATER_FIRST, type WaterFirst } from "@/core/mixing/column";
import type { LoadMode } from "@/core/mixing/loads";
import type { MixSite, Tank } from "@/core/mixing/plan";
import { isSpread } from "@/core/mixing/pouring-order";
import type { MixProduct } from "@/core/mixing/product";
import type { Kind } from "@/core/quantity/kinds";
import { isEntered, type Entered } from "@/core/quantity/parse";
import { extra, Faults } from "./faults";
import { readCalibration, readTanks } from "./read-calibration";
import { readGoods, soundIn, unique } from "./read-goods";
import { readRig } from "./read-rig";
import type { JobFile, JobRead } from "./types";

/** A job as values: what core computes with. */
export interface Job {
  readonly file: JobFile;
  /** It was written in the first version: faults are told at the places of that. */
  readonly version1?: boolean;
  readonly rig: RigBasics;
  readonly calibration: CalibrationInput;
  readonly tanks: readonly Tank[];
  /** The tank to mix in; undefined where the rig lists none. */
  readonly tank: Tank | undefined;
  readonly products: readonly MixProduct[];
  readonly sites: readonly MixSite[];
  readonly loads: LoadMode;
  /** So much more than the sites take; the spray volume that is mixed for, where it isn't the calibrated one. */
  readonly overage: Entered<"share"> | undefined;
  readonly mixedFor: Entered<"sprayVolume"> | undefined;
  readonly run: { readonly places: boolean } | undefined;
  /** One load less, where what is left over may be let go. */
  readonly oneLess: boolean;
  readonly waterFirst: WaterFirst;
}

/**
 * A job file of the right shape → a job, or every fault that two places make wrong together, looked for wherever both
 * have the right shape.
 * @param shape the faults of its shape that are known already; a place that has one is left alone
 */
export function readChecked(job: JobRead, shape: readonly Issue[] = []): Result<Job> {
  const faults = new Faults();
  faults.issues.push(...shape);
  const sound = soundIn(shape);

  const rig = sound("rig") ? readRig(job.rig, faults) : undefined;
  const calibration = rig && sound("calibration") ? readCalibration(job.calibration, rig, faults) : undefined;
  const tanks = rig ? readTanks(job.rig, faults) : [];
  unique(
    tanks.map((t) => t.name),
    (i) => `rig.tanks[${i}].name`,
    faults,
  );
  const tank = job.tank === undefined ? tanks[0] : tanks.find((t) => t.name === job.tank);
  if (rig && job.tank !== undefined && !tank && sound("tank"))
    faults.add("tank", "unknown-name", job.tank, tanks.map((t) => t.name).join(", ") || "no tanks");

  const { products, sites } = readGoods(job, faults, sound);
  const rate = rig?.head
    ? (products.find((p) => !isSpread(p))?.rate ?? extra(job.calibration?.labelRate, "volumeRate"))
    : undefined;
  if (calibration?.evidence.kind === "flow-alone" && rate?.kind !== "rateByVolume")
    faults.add("calibration.pace", "missing", "", `{ "kind": "timed-area", … }, or a product with a rate that asks for a pace`);
  if (faults.issues.length > 0 || !rig || !calibration) return { ok: false, issues: faults.issues };
  return good({
    file: { ...job, calibration: inText(job.calibration) },
    rig,
    calibration: rate?.kind === "rateByVolume" ? { ...calibration, rate } : calibration,
    tanks,
    tank,
    products,
    sites,
    loads: job.loads ?? "full-then-part",
    overage: extra(job.overage, "overage"),
    mixedFor: extra(job.nominalSprayVolume, "sprayVolume"),
    oneLess: job.oneLoadLess === true,
    waterFirst: WATER_FIRST.includes(job.fillOrder as WaterFirst) ? job.fillOrder! : "half",
    run: job.run === "day" ? { places: saysWater(job) } : undefined,
  });
}

/** Whether the sites of a day say if a tank can be filled there, so that its refills can be placed. */
const saysWater = (job: JobRead): boolean =>
  job["x-places"] ?? (job.sites ?? []).some(({ waterSource }) => waterSource?.fill !== undefined);

/** A part whose quantities may have been read, with texts in their place. */
type InText<T> = T extends Entered<Kind> ? string : T extends object ? { readonly [K in keyof T]: InText<T[K]> } : T;

/** Something as it is written: what was read gives its text back. */
export function inText<T>(part: T): InText<T>;
export function inText(part: unknown): unknown {
  if (isEntered(part)) return part.text;
  if (Array.isArray(part)) return part.map((one) => inText(one as unknown));
  if (typeof part !== "object" || part === null) return part;
  return Object.fromEntries(Object.entries(part).map(([key, one]) => [key, inText(one as unknown)]));
}
