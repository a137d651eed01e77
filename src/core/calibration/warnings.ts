import type { Finding, Nothing } from "../finding";
import { make, raw, type Quantity } from "../quantity/kinds";
import { quantity, valueIn } from "../quantity/quantity";
import { given, isDerived, num, type Source } from "../working/rule";
import type { Evidence, FlowEvidence, Ground, RigBasics } from "./evidence";
import type { HeadReading } from "../hose-end/head";
import { ratedFlow, tipFlow, wearOf } from "./tips";
import { agreement, trialStats, type TrialSummary } from "./trials";
import { SLACK, atLeast, atMost, isWithin } from "../quantity/slack";
import { rigRules, type RigKind } from "@/rig-kinds/rules";

/** Something that a person should know before relying on a calibration. The codes are listed in docs/job-file.md. */
export type Warning = Finding<WarningValues>;

type OffRated = {
  /** Those that are off, from 1; null where the tips were caught together. */
  readonly outlets: readonly number[] | null;
  readonly count: number;
  /** Measured over rated. */
  readonly ratio: number;
};

export interface WarningValues {
  readonly "trials-wide": { readonly of: TrialSummary["of"]; readonly spread: number };
  readonly "trials-disagree": { readonly of: TrialSummary["of"]; readonly spread: number };
  readonly "single-trial": { readonly of: TrialSummary["of"] };
  readonly "small-test-area": { readonly area: Quantity<"area"> };
  readonly "short-timing": { readonly of: "walk" | "catch"; readonly time: Quantity<"time"> };
  readonly "pace-not-walkable": { readonly speed: Quantity<"speed"> };
  readonly "catch-time-differs": { readonly caught: Quantity<"time">; readonly walked: Quantity<"time"> };
  readonly "outlets-uneven": { readonly outlets: readonly number[] };
  readonly "pavement-only": Nothing;
  readonly "looks-rounded": Nothing;
  readonly given: Nothing;
  readonly "estimate-only": Nothing;
  readonly "pace-far-from-label": { readonly overdose: number; readonly timePer1000: Quantity<"time"> };
  readonly "volume-unusual": { readonly sprayVolume: Quantity<"sprayVolume">; readonly rig: RigKind };
  readonly "dial-is-label-number": { readonly timePer1000: Quantity<"time"> };
  readonly "tip-worn": OffRated;
  readonly "tip-blocked": OffRated;
}

export type WarningCode = keyof WarningValues;

/** The least that the trade calls a test (common practice). */
export const LEAST_AREA = quantity("area", 50, "ft2");
export const LEAST_WALK = quantity("time", 10, "s");
export const LEAST_CATCH = quantity("time", 15, "s");
/** Nobody sprays evenly on foot above this (common practice). */
export const WALKABLE = quantity("speed", 4.5, "mph");
/** An outlet this far from the mean of all is uneven: extension handbooks, from memory. */
export const EVEN = 0.05;

/** So many times outside of what is usual for the kind of rig is asked about (ours). */
const FAR = 3;

const under = <K extends "area" | "time">(value: Quantity<K>, least: Quantity<K>) => !atLeast(raw(value), raw(least));

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
  const warn: Warn = (code, values) => warnings.push({ code, values } as Warning);

  for (const { of, spread } of trials.filter((t) => t.of !== "outlets")) {
    const judged = agreement(spread);
    if (judged === "single") warn("single-trial", { of });
    if (judged === "wide" || judged === "disagree") warn("trials-wide", { of, spread: spread! });
    if (judged === "disagree") warn("trials-disagree", { of, spread: spread! });
  }
  if (evidence.kind === "given") warn("given", {});
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
    warn("estimate-only", {});
  if (hoseEnd) headWarnings(rig, hoseEnd, warn);
  const usual = rigRules(rig.kind).usual;
  const gallons = valueIn(sprayVolume, "gal/1000 ft2");
  if (usual && (gallons < usual.least / FAR || gallons > usual.most * FAR))
    warn("volume-unusual", { sprayVolume, rig: rig.kind });
  if (speed && !atMost(num(speed), raw(WALKABLE))) warn("pace-not-walkable", { speed: speed.value });
  if (ground === "pavement") warn("pavement-only", {});
  return warnings;
}

type Warn = <C extends WarningCode>(code: C, values: WarningValues[C]) => void;

function areaWarning(areas: readonly Quantity<"area">[], warn: Warn): void {
  const small = areas.find((a) => under(a, LEAST_AREA));
  if (small !== undefined) warn("small-test-area", { area: small });
}

function timedWarnings({ pace, flow }: Extract<Evidence, { kind: "timed" }>, ownCatchTime: boolean, warn: Warn): void {
  if (pace.kind === "timed-area") areaWarning([pace.area.value], warn);
  const walks = pace.kind === "speed" ? [] : pace.times.map((t) => t.value);
  const catches =
    flow.kind === "timed-catch" ? flow.catches.map((c) => c.time.value) : flow.kind === "outlet-catches" ? [flow.time.value] : [];
  const shortWalk = walks.find((t) => under(t, LEAST_WALK));
  if (shortWalk !== undefined) warn("short-timing", { of: "walk", time: shortWalk });
  const shortCatch = catches.find((t) => under(t, LEAST_CATCH));
  if (shortCatch !== undefined) warn("short-timing", { of: "catch", time: shortCatch });

  if (pace.kind === "timed-area" && flow.kind === "timed-catch" && !ownCatchTime) {
    const mean = trialStats(pace.times.map((t) => raw(t.value))).mean;
    const other = catches.find((t) => Math.abs(raw(t) / mean - 1) > EVEN);
    if (other !== undefined) warn("catch-time-differs", { caught: other, walked: make<"time">(mean) });
  }
  if (flow.kind === "outlet-catches" || (flow.kind === "metered-flow" && flow.readings.length > 1)) {
    const outlets =
      flow.kind === "outlet-catches" ? flow.volumes.map((v) => raw(v.value)) : flow.readings.map((r) => raw(r.value));
    const { mean } = trialStats(outlets);
    const uneven = outlets.flatMap((v, i) => (Math.abs(v / mean - 1) > EVEN + SLACK ? [i + 1] : []));
    if (uneven.length > 0) warn("outlets-uneven", { outlets: uneven });
  }
  const times = pace.kind === "speed" ? [] : pace.times;
  if (
    times.length > 1 &&
    times.every((t) => t.number % 5 === 0 && !t.text.includes(".")) &&
    new Set(times.map((t) => t.number)).size > 1
  )
    warn("looks-rounded", {});
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
    const together = each.length === 1;
    warn(code, { outlets: together ? null : off.map((o) => o.outlet), count: outlets.count, ratio: off[0]!.ratio });
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
  if (!isWithin(overdose, EVEN)) warn("pace-far-from-label", { overdose, timePer1000: timePer1000.value });
  const rate = isDerived(timePer1000) ? (timePer1000.inputs.rate as Source<"rateByVolume">) : null;
  if (head?.kind !== "dial" || !rate) return;
  const number = valueIn(rate.value, "fl oz/1000 ft2") / valueIn(head.setting.value, "fl oz/gal");
  if (Math.abs(number - 1) < SLACK) warn("dial-is-label-number", { timePer1000: timePer1000.value });
}
