import {
  calibrationSources,
  planSources,
  explainAll,
  isWeight,
  levers,
  lineText,
  PART_WORDS,
  valueIn,
  type Amount,
  type AnySource,
  type Calibration,
  type Kind,
  type MixPlan,
  type Quantity,
  type Remedy,
  type Source,
  type UnitOf,
  type Warning,
} from "@/core/contents";
import type { Job } from "./read-checked";

/** What the `gauge` command prints: numbers with their units, unrounded. The meaning of every field is in docs/job-file.md. */
export interface Measured {
  readonly value: number;
  readonly unit: string;
}

const measured = <K extends Kind>(value: Quantity<K>, unit: UnitOf<K>): Measured => ({ value: valueIn(value, unit), unit });
const maybe = <K extends Kind>(source: Source<K> | null, unit: UnitOf<K>): Measured | null =>
  source ? measured(source.value, unit) : null;
const amount = (of: Amount): Measured => (isWeight(of) ? measured(of.value, "oz") : measured(of.value, "fl oz"));

const working = (sources: readonly AnySource[]) => explainAll(sources, "us").map(lineText);

export function calibrationResult(job: Job, made: Calibration) {
  const { sprayVolume, uncertainty, againstTarget } = made;
  return {
    format: "careful-gauge-calibration",
    version: 1,
    sprayVolume: measured(sprayVolume.value, "gal/1000 ft2"),
    perAcre: measured(sprayVolume.value, "gal/ac"),
    flow: maybe(made.flow, "gal/min"),
    timePer1000: maybe(made.timePer1000, "s"),
    speed: maybe(made.speed, "mph"),
    uncertainty: uncertainty && { relative: uncertainty.relative, largest: PART_WORDS[uncertainty.largest].name },
    trials: made.trials,
    againstTarget,
    remedies: againstTarget && !againstTarget.within ? remediesOf(job, made) : [],
    hoseEnd: null,
    warnings: made.warnings,
    working: working(calibrationSources(made)),
  };
}

function remediesOf(job: Job, made: Calibration) {
  const remedies = levers({
    actual: made.sprayVolume.value,
    wanted: job.calibration.target!.value,
    rig: job.rig,
    flow: made.flow,
    speed: made.speed,
    ...(job.tank && { usable: job.tank.usable }),
  });
  return remedies.map((remedy) => ({
    lever: remedy.lever,
    feasible: remedy.feasible,
    setTo: settingOf(remedy),
    why: remedy.why,
  }));
}

function settingOf(remedy: Remedy): Measured | string | null {
  if (remedy.setTo === null) return null;
  switch (remedy.lever) {
    case "pressure":
      return measured(remedy.setTo, "psi");
    case "speed":
      return measured(remedy.setTo, "mph");
    case "remix":
      return measured(remedy.setTo, "ft2");
    case "tip":
      return remedy.setTo;
  }
}

/** @param calibration what is wrong with the calibration that is mixed from: it is as true of the mix */
export function mixResult(plan: MixPlan, calibration: readonly Warning[]) {
  return {
    format: "careful-gauge-mix",
    version: 1,
    status: "ready",
    reasons: [],
    sprayVolume: measured(plan.sprayVolume.value, "gal/1000 ft2"),
    tankCoverage: measured(plan.tankCoverage.value, "ft2"),
    sites: plan.sites.map((site) => ({
      name: site.name,
      area: measured(site.area.value, "ft2"),
      spray: measured(site.spray.value, "gal"),
      loads: site.loads.map(({ number, contents }) => ({
        number,
        fillTo: measured(contents.fillTo.value, "gal"),
        covers: measured(contents.covers.value, "ft2"),
        products: contents.amounts.map((a, i) => ({ name: plan.products[i]!.name, amount: amount(a) })),
      })),
      products: site.totals.map((total, i) => ({ name: plan.products[i]!.name, total: amount(total), cost: site.costs[i]! })),
    })),
    warnings: [...calibration, ...plan.warnings],
    working: working(planSources(plan)),
  };
}
