import { ROUNDING, show, writeNumber } from "../quantity/format";
import { make, raw, type Quantity } from "../quantity/kinds";
import { quantity, valueIn } from "../quantity/quantity";
import { given, isDerived, num, type Source } from "../working/rule";
import type { Evidence, FlowEvidence, Ground, RigBasics, RigKind } from "./evidence";
import type { HeadReading } from "../hose-end/head";
import { ratedFlow, tipFlow, wearOf } from "./tips";
import { agreement, trialStats, type TrialSummary } from "./trials";
import { SLACK, atLeast, atMost, isWithin } from "../quantity/slack";

/** Something that a person should know before relying on a calibration. The codes are listed in docs/job-file.md. */
export interface Warning {
  readonly code: WarningCode;
  readonly text: string;
}

export type WarningCode =
  | "trials-wide"
  | "trials-disagree"
  | "single-trial"
  | "small-test-area"
  | "short-timing"
  | "pace-not-walkable"
  | "catch-time-differs"
  | "outlets-uneven"
  | "pavement-only"
  | "looks-rounded"
  | "given"
  | "estimate-only"
  | "pace-far-from-label"
  | "volume-unusual"
  | "dial-is-label-number"
  | "tip-worn"
  | "tip-blocked";

/** The least that the trade calls a test (common practice). */
const LEAST_AREA = quantity("area", 50, "ft2");
const LEAST_WALK = quantity("time", 10, "s");
const LEAST_CATCH = quantity("time", 15, "s");
/** Nobody sprays evenly on foot above this (common practice). */
export const WALKABLE = quantity("speed", 4.5, "mph");
/** An outlet this far from the mean of all is uneven: extension handbooks, from memory. */
export const EVEN = 0.05;

/** Spray volumes that are usual, gal per 1,000 sq ft (common practice, not rules). Three times outside of them is asked about. */
const USUAL: Partial<Record<RigKind, readonly [number, number, string]>> = {
  boom: [0.5, 0.5, "a boom"],
  backpack: [1, 1, "a backpack"],
  "spray-truck": [2, 4, "a gun and hose"],
  "hand-can": [2, 4, "a hand can"],
};
const FAR = 3;

const under = <K extends "area" | "time">(value: Quantity<K>, least: Quantity<K>) => !atLeast(raw(value), raw(least));

const TRIAL_WORDS: Record<TrialSummary["of"], { many: string; one: string }> = {
  pace: { many: "walks", one: "One walk only" },
  flow: { many: "catches", one: "One catch only" },
  used: { many: "trials", one: "One trial only" },
  outlets: { many: "outlets", one: "One outlet only" },
};

interface Gathered {
  readonly rig: RigBasics;
  readonly evidence: Evidence;
  readonly trials: readonly TrialSummary[];
  /** Of a person on foot; null for a machine or where no swath is known. */
  readonly speed: Source<"speed"> | null;
  readonly ground: Ground | undefined;
  readonly hoseEnd: HeadReading | null;
  readonly sprayVolume: Quantity<"sprayVolume">;
  /** Of all outlets; null where none was measured. */
  readonly flow: Quantity<"flow"> | null;
  readonly ownCatchTime: boolean;
}

/** Everything worth flagging in a calibration's evidence. */
export function warningsOf(judged: Gathered): Warning[] {
  const { rig, evidence, trials, speed, ground, hoseEnd, sprayVolume } = judged;
  const warnings: Warning[] = [];
  const warn = (code: WarningCode, text: string) => warnings.push({ code, text });

  for (const trial of trials.filter((t) => t.of !== "outlets")) {
    const words = TRIAL_WORDS[trial.of];
    const judged = agreement(trial.spread);
    if (judged === "single") warn("single-trial", `${words.one}: take another, three is the habit.`);
    if (judged === "wide" || judged === "disagree")
      warn("trials-wide", `The ${words.many} differ by ${percent(trial.spread!)}: take another.`);
    if (judged === "disagree")
      warn("trials-disagree", `The ${words.many} differ by ${percent(trial.spread!)}, over 10 %: this is not a calibration yet.`);
  }
  if (evidence.kind === "given") warn("given", "The spray volume was taken as given: no reading stands behind it.");
  if (evidence.kind === "used")
    areaWarning(
      evidence.trials.map((t) => t.area.value),
      warn,
    );
  if (evidence.kind === "timed") {
    timedWarnings(evidence, judged.ownCatchTime, warn);
    if (judged.flow !== null) wearWarnings(rig, evidence.flow, judged.flow, warn);
  }
  if ((evidence.kind === "timed" || evidence.kind === "flow-alone") && evidence.flow.kind === "tip-chart")
    warn("estimate-only", "The flow is the tip's rated one: an estimate until a catch confirms it. Nothing is mixed from it.");
  if (hoseEnd) headWarnings(rig, hoseEnd, warn);
  const usual = USUAL[rig.kind];
  const gallons = valueIn(sprayVolume, "gal/1000 ft2");
  if (usual && (gallons < usual[0] / FAR || gallons > usual[1] * FAR))
    warn(
      "volume-unusual",
      `${show(sprayVolume, "sprayVolume", "gal/1000 ft2")} is far from what ${usual[2]} usually gives, ${usual[0] === usual[1] ? `about ${usual[0]}` : `${usual[0]} to ${usual[1]}`}: is every unit right?`,
    );
  if (speed && !atMost(num(speed), raw(WALKABLE)))
    warn("pace-not-walkable", `${show(speed.value, "speed", "mph")} on foot is not a plan: 4.5 mph is the most.`);
  if (ground === "pavement") warn("pavement-only", "Timed on pavement only: a walk in grass is usually slower. Time it on turf.");
  return warnings;
}

type Warn = (code: WarningCode, text: string) => void;

function areaWarning(areas: readonly Quantity<"area">[], warn: Warn): void {
  const small = areas.find((a) => under(a, LEAST_AREA));
  if (small !== undefined)
    warn("small-test-area", `${show(small, "area", "ft2", ROUNDING.rate)} is a small test area: mark out at least 50 sq ft.`);
}

function timedWarnings({ pace, flow }: Extract<Evidence, { kind: "timed" }>, ownCatchTime: boolean, warn: Warn): void {
  if (pace.kind === "timed-area") areaWarning([pace.area.value], warn);
  const walks = pace.kind === "speed" ? [] : pace.times.map((t) => t.value);
  const catches =
    flow.kind === "timed-catch" ? flow.catches.map((c) => c.time.value) : flow.kind === "outlet-catches" ? [flow.time.value] : [];
  const shortWalk = walks.find((t) => under(t, LEAST_WALK));
  if (shortWalk !== undefined)
    warn("short-timing", `A walk of ${show(shortWalk, "time", "s")} is short: 10 s at least, better a longer course.`);
  const shortCatch = catches.find((t) => under(t, LEAST_CATCH));
  if (shortCatch !== undefined) warn("short-timing", `A catch of ${show(shortCatch, "time", "s")} is short: 15 s at least.`);

  if (pace.kind === "timed-area" && flow.kind === "timed-catch" && !ownCatchTime) {
    const mean = trialStats(pace.times.map((t) => raw(t.value))).mean;
    const other = catches.find((t) => Math.abs(raw(t) / mean - 1) > EVEN);
    if (other !== undefined)
      warn(
        "catch-time-differs",
        `A catch ran ${show(other, "time", "s")}, the walks take ${writeNumber(mean, ROUNDING.seconds)} s: allowed for in the arithmetic, but check that it was meant.`,
      );
  }
  if (flow.kind === "outlet-catches" || (flow.kind === "metered-flow" && flow.readings.length > 1)) {
    const outlets =
      flow.kind === "outlet-catches" ? flow.volumes.map((v) => raw(v.value)) : flow.readings.map((r) => raw(r.value));
    const { mean } = trialStats(outlets);
    const uneven = outlets.flatMap((v, i) => (Math.abs(v / mean - 1) > EVEN + SLACK ? [i + 1] : []));
    if (uneven.length > 0)
      warn("outlets-uneven", `Beyond ±5 % of the mean: outlet ${uneven.join(", ")}. Clean or replace the tip.`);
  }
  const times = pace.kind === "speed" ? [] : pace.times;
  if (
    times.length > 1 &&
    times.every((t) => t.number % 5 === 0 && !t.text.includes(".")) &&
    new Set(times.map((t) => t.number)).size > 1
  )
    warn("looks-rounded", "Every walk is a multiple of 5 s: these look rounded before use. Write down what the watch shows.");
}

/** Tips against their rated flow at the working pressure: all of them together, or one outlet at a time. */
function wearWarnings({ tip, outlets }: RigBasics, evidence: FlowEvidence, flow: Quantity<"flow">, warn: Warn): void {
  if (evidence.kind === "tip-chart" || !tip?.pressure || !tip.size || ratedFlow(tip.size) === undefined) return;
  const rated = tipFlow(tip.size, given(tip.pressure, "pressure"), 1, tip.chart).value;
  const each = outletFlows(evidence) ?? [make<"flow">(raw(flow) / outlets.count)];
  const judged = each.map((one) => wearOf(one, rated));
  for (const [wear, code] of [
    ["worn", "tip-worn"],
    ["blocked", "tip-blocked"],
  ] as const) {
    const off = judged.flatMap((j, i) => (j.wear === wear ? [{ ...j, outlet: i + 1 }] : []));
    if (off.length === 0) continue;
    const which =
      each.length > 1
        ? `Outlet ${off.map((o) => o.outlet).join(", ")} gives`
        : outlets.count > 1
          ? "The tips give"
          : "The tip gives";
    const much = percent(Math.abs(off[0]!.ratio - 1));
    const act =
      wear === "worn"
        ? "worn, or the pressure is not what was read"
        : "blocked or worn narrow, clean it; or the pressure is lower than was read";
    warn(code, `${which} ${each.length > 1 ? "over 10 %" : much} ${wear === "worn" ? "more" : "less"} than rated: ${act}.`);
  }
}

/** One flow an outlet, where they were read one by one. */
function outletFlows(evidence: FlowEvidence): Quantity<"flow">[] | undefined {
  if (evidence.kind === "outlet-catches" && evidence.volumes.length > 1)
    return evidence.volumes.map((v) => make<"flow">(raw(v.value) / raw(evidence.time.value)));
  return evidence.kind === "metered-flow" && evidence.readings.length > 1 ? evidence.readings.map((r) => r.value) : undefined;
}

/** A head that puts down far more or less than the label at this pace; and the dial set to the label's number. */
function headWarnings({ head }: RigBasics, { overdose, timePer1000 }: HeadReading, warn: Warn): void {
  if (overdose === null || timePer1000 === null) return;
  const seconds = show(timePer1000.value, "time", "s");
  const times = writeNumber(overdose > 1 ? overdose : 1 / overdose, { figures: 2 });
  if (!isWithin(overdose, EVEN))
    warn(
      "pace-far-from-label",
      `At this pace ${overdose > 1 ? `${times} times the label rate goes down` : `the label rate is missed by a factor of ${times}, too little`}: ${seconds} for 1,000 sq ft give it.`,
    );
  const rate = isDerived(timePer1000) ? (timePer1000.inputs.rate as Source<"rateByVolume">) : null;
  if (head?.kind !== "dial" || !rate) return;
  const number = valueIn(rate.value, "fl oz/1000 ft2") / valueIn(head.setting.value, "fl oz/gal");
  if (Math.abs(number - 1) < SLACK)
    warn("dial-is-label-number", `The dial stands at the label's number: the dose for 1,000 sq ft is gone in ${seconds}.`);
}

const percent = (share: number) => `${writeNumber(share * 100, ROUNDING.percent)} %`;
