import { calibrationSources, type Calibration } from "@/core/calibration/calibrate";
import { levers, type Remedy } from "@/core/calibration/levers";
import { PART_WORDS } from "@/core/calibration/uncertainty";
import type { Warning } from "@/core/calibration/warnings";
import type { AreaRate } from "@/core/labels/active";
import type { Reason } from "@/core/labels/reason";
import type { Amount } from "@/core/mixing/amounts";
import { sprayFor } from "@/core/mixing/areas";
import type { RunLoad } from "@/core/mixing/day-run";
import type { Step } from "@/core/mixing/column";
import { SOME_YEAR, type FullTank } from "@/core/mixing/full-tank";
import { isWeight } from "@/core/mixing/display";
import { planLines } from "@/core/mixing/mix";
import type { MixPlan, MixWarning, SpreadItem } from "@/core/mixing/plan";
import { isZero } from "@/core/quantity/arithmetic";
import type { Kind, Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import type { UnitOf } from "@/core/quantity/units";
import { causeText, outcomeText } from "@/core/words/outcome";
import { leverText } from "@/core/words/levers";
import { mixWarningText } from "@/core/words/mix-warnings";
import { reasonWords } from "@/core/words/reasons";
import { warningText } from "@/core/words/warnings";
import { explainAll, lineText } from "@/core/working/explain";
import { kindOf, type AnySource, type Source } from "@/core/working/rule";
import type { Outcome } from "./outcome";
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

/** A rate as it is counted against a limit: ounces, or fluid ounces, for 1,000 sq ft. */
const rateOnArea = (rate: AreaRate): Measured =>
  kindOf(rate) === "rateByWeight"
    ? measured(rate.value as Quantity<"rateByWeight">, "oz/1000 ft2")
    : measured(rate.value as Quantity<"rateByVolume">, "fl oz/1000 ft2");

/** A fill of the day: what goes in, and what it serves, the lawns of a site together. */
function runLoad(plan: MixPlan, { number, fillTo, covers, amounts, pieces }: RunLoad) {
  const stops = [...new Set(pieces.map((p) => p.lawn.site))];
  const onSite = (site: string) =>
    pieces.filter((p) => p.lawn.site === site).reduce((sum, p) => sum + valueIn(p.covers.value, "ft2"), 0);
  return {
    number,
    fillTo: measured(fillTo.value, "gal"),
    covers: measured(covers.value, "ft2"),
    products: amounts.map((a, i) => ({ name: plan.products[i]!.name, amount: amount(a) })),
    stops: stops.map((site) => ({ site, covers: { value: onSite(site), unit: "ft2" } })),
  };
}

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
    hoseEnd: made.hoseEnd && headResult(made.hoseEnd),
    warnings: made.warnings.map(warningResult),
    working: working(calibrationSources(made)),
  };
}

function remediesOf(job: Job, made: Calibration) {
  const remedies = levers({
    actual: made.sprayVolume.value,
    wanted: job.calibration.target!.value,
    rig: job.rig,
    flow: made.flow,
    timePer1000: made.timePer1000,
    speed: made.speed,
    ...(job.tank && { usable: job.tank.usable }),
  });
  return remedies.map((remedy) => ({
    lever: remedy.lever,
    feasible: remedy.feasible,
    setTo: settingOf(remedy),
    why: leverText(remedy.why, "us"),
    expect: expectationOf(remedy),
  }));
}

/** The reading that proves a lever: the flow of all outlets, or the time for 1,000 sq ft. */
function expectationOf({ expect }: Remedy) {
  if (!expect) return null;
  return expect.of === "flow" ? measured(expect.value, "gal/min") : measured(expect.value, "s");
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

/** Why a plan is held, as the command prints it. */
export const reasonResult = (reason: Reason) => ({
  code: reason.code,
  text: reasonWords(reason, "us").text,
  site: reason.site,
  zone: reason.zone,
  product: reason.product,
  most: reason.most && rateOnArea(reason.most),
});

const warningResult = (warning: Warning) => ({ code: warning.code, text: warningText(warning, "us") });

/** What should be known of a plan, as the command prints it. */
export const mixWarningResult = (warning: MixWarning) => ({ code: warning.code, text: mixWarningText(warning, "us") });

/** What is spread dry: the total of each granule on each site, in whole packages where one is known. */
export const spreadResult = (items: readonly SpreadItem[]) =>
  items.map(({ site, product, area, total, bags, cost }) => ({
    site,
    name: product.name,
    total: amount(total),
    area: measured(area.value, "ft2"),
    packages: bags && { count: bags.count, content: measured(bags.one.content.value as Quantity<"mass">, "oz") },
    cost,
  }));

const headResult = (head: NonNullable<Calibration["hoseEnd"]>) => ({
  productFlow: maybe(head.productFlow, "fl oz/min"),
  dilution: head.dilution ? valueIn(head.dilution.value, ":1") : null,
  timePer1000: maybe(head.timePer1000, "s"),
  overdose: head.overdose,
});

/**
 * @param calibration what is mixed from: its warnings are as true of the mix, and where a load is a jar it, not the plan,
 * knows the spray volume
 */
export function mixResult(plan: MixPlan, { sprayVolume, warnings, hoseEnd }: Calibration) {
  return {
    format: "careful-gauge-mix",
    version: 1,
    status: plan.reasons.length > 0 ? "held" : "ready",
    // With ground everything is judged.
    notJudged: [],
    reasons: plan.reasons.map(reasonResult),
    sprayVolume: measured(sprayVolume.value, "gal/1000 ft2"),
    tankCoverage: measured(plan.tankCoverage.value, "ft2"),
    sites: plan.sites.map((site) => ({
      name: site.name,
      area: measured(site.area.value, "ft2"),
      spray: measured(sprayFor(site.area, sprayVolume).value, "gal"),
      loads: site.loads.map(({ number, contents }) => ({
        number,
        fillTo: measured(contents.fillTo.value, "gal"),
        covers: measured(contents.covers.value, "ft2"),
        products: contents.amounts.map((a, i) => ({ name: plan.products[i]!.name, amount: amount(a) })),
      })),
      products: site.totals.map((total, i) => ({ name: plan.products[i]!.name, total: amount(total), cost: site.costs[i]! })),
    })),
    ...(hoseEnd && { hoseEnd: headResult(hoseEnd) }),
    ...(plan.spread.length > 0 && { spreadDry: spreadResult(plan.spread) }),
    ...(plan.run && { run: plan.run.loads.map((load) => runLoad(plan, load)) }),
    warnings: [...warnings.map(warningResult), ...plan.warnings.map(mixWarningResult)],
    working: planLines(plan, "us").map(lineText),
  };
}

/** A reason of a full tank: nobody named a site or a zone. */
function reasonWithoutGround(reason: Reason) {
  const { text, ...told } = reasonResult(reason);
  return { ...told, text: text.replace(` in ${SOME_YEAR}`, " in a year"), site: null, zone: null };
}

/** What goes on 1,000 sq ft of each granule of a mix without ground. */
const spreadWithoutGround = (spread: FullTank["spread"]) =>
  spread.map(({ product, total }) => ({
    site: null,
    name: product.name,
    total: amount(total),
    area: { value: 1000, unit: "ft2" },
    packages: null,
    cost: null,
  }));

/** A full tank of a mix that names no ground, as the command prints it. */
export function fullTankResult({ plan, contents, spread, notJudged }: FullTank, made: Calibration | null) {
  const sources: AnySource[] = [
    ...(plan.sprayVolume ? [plan.sprayVolume] : []),
    ...(plan.tankCoverage ? [plan.tankCoverage] : []),
    ...(contents ? [...contents.amounts, ...(contents.water ? [contents.water] : [])] : []),
    ...spread.map(({ total }) => total),
    ...plan.judged,
  ];
  return {
    format: "careful-gauge-mix",
    version: 1,
    status: plan.reasons.length > 0 ? "held" : "ready",
    notJudged,
    reasons: plan.reasons.map(reasonWithoutGround),
    sprayVolume: maybe(made && made.sprayVolume, "gal/1000 ft2"),
    tankCoverage: maybe(plan.tankCoverage, "ft2"),
    fullTank: contents && {
      spray: measured(contents.fillTo.value, "gal"),
      covers: measured(contents.covers.value, "ft2"),
      waterFirst: contents.water ? measured(contents.water.value, "gal") : { value: 0, unit: "gal" },
      steps: contents.steps.map(stepResult),
      products: contents.amounts.map((a, i) => ({ name: plan.products[i]!.name, amount: amount(a) })),
    },
    ...(made?.hoseEnd && { hoseEnd: headResult(made.hoseEnd) }),
    ...(spread.length > 0 && { spreadDry: spreadWithoutGround(spread) }),
    warnings: [...(made?.warnings ?? []).map(warningResult), ...plan.warnings.map(mixWarningResult)],
    working: working(sources),
  };
}

/** One thing to do at the tank. */
function stepResult(step: Step) {
  switch (step.kind) {
    case "water":
      return { do: "water", to: measured(step.to.value, "gal") };
    case "product":
      return { do: "product", name: step.name, amount: amount(step.amount), slurry: step.slurry };
    case "rinse":
      return { do: "rinse" };
    case "topUp":
      return { do: "top-up", to: measured(step.to.value, "gal") };
  }
}

/** What a job really did, as the command prints it. */
export function outcomeResult({ sites }: Outcome) {
  const sources = sites.flatMap((site): AnySource[] => [
    site.sprayVolume,
    ...(site.next === site.sprayVolume ? [] : [site.next]),
    ...site.products.flatMap((p) => [p.putDown, p.total, ...(isZero(site.leftover.value) ? [] : [p.left])]),
    site.leftover,
  ]);
  return {
    format: "careful-gauge-outcome",
    version: 1,
    sites: sites.map((site) => ({
      name: site.name,
      covered: measured(site.covered.value, "ft2"),
      sprayVolume: measured(site.sprayVolume.value, "gal/1000 ft2"),
      ratio: site.ratio,
      uncertainty: { relative: site.uncertainty.relative, largest: PART_WORDS[site.uncertainty.largest].name },
      products: site.products.map((p) => ({
        name: p.product.name,
        planned: rateOnArea(p.planned),
        putDown: rateOnArea(p.putDown),
        ratio: p.ratio,
        total: amount(p.total),
        left: amount(p.left),
      })),
      leftover: measured(site.leftover.value, "gal"),
      leftoverCovers: measured(site.leftoverCovers.value, "ft2"),
      causes: site.causes.map((cause) => ({ of: cause.of, ratio: cause.ratio, text: causeText(cause, "us") })),
      next: { sprayVolume: measured(site.next.value, "gal/1000 ft2") },
    })),
    warnings: sites.flatMap((site) =>
      site.warnings.map((w) => ({
        code: w.code,
        text: outcomeText(w, "us"),
        site: site.name,
        ...("product" in w.values && { product: w.values.product }),
      })),
    ),
    working: working(sources),
  };
}
