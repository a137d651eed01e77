import { raw } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { derive, given, num, rule, type AnySource, type Source } from "../working/rule";
import { type Evidence, type Ground, type RigBasics } from "./evidence";
import { flowOf } from "./flow";
import { paceOf, type Pace } from "./pace";
import { THOUSAND } from "../working/thousand";
import { readHead, type HeadReading } from "../hose-end/head";
import { trialStats, type TrialSummary } from "./trials";
import { uncertaintyOf, type Practised, type Uncertainty } from "./uncertainty";
import { pooled } from "./used";
import { warningsOf, type Warning } from "./warnings";
import { isWithin } from "../quantity/slack";
import { onFoot } from "@/rig-kinds/rules";

export const sprayVolumeRule = rule({
  id: "spray-volume",
  version: 1,
  title: "Spray volume",
  formula: "flow * time / area",
  inputs: { flow: "flow", time: "time", area: "area" },
  output: "sprayVolume",
  source: "q = f·T/A: the flow, times the time spent on an area, over that area",
  compute: ({ flow, time, area }) => (num(flow) * num(time)) / num(area),
});

export interface CalibrationInput {
  readonly rig: RigBasics;
  readonly evidence: Evidence;
  readonly target?: Entered<"sprayVolume">;
  /** Half-width of the wanted band, 5 % where none is given. */
  readonly tolerance?: Entered<"share">;
  readonly ground?: Ground;
  /** The finest mark of the vessel that catches were read in, where the kit says. */
  readonly graduation?: Entered<"volume">;
  /** How the person's walks scatter on this ground, where practice showed it. */
  readonly practised?: Practised;
  /** The method catches for a time of its own: a catch that runs for another time than the walk is no slip. */
  readonly ownCatchTime?: boolean;
  /** The first product's rate, for a hose-end head. */
  readonly rate?: Entered<"rateByVolume">;
}

export interface Calibration {
  readonly sprayVolume: Source<"sprayVolume">;
  /** Null for direct evidence and where the spray volume was given. */
  readonly flow: Source<"flow"> | null;
  readonly timePer1000: Source<"time"> | null;
  readonly speed: Source<"speed"> | null;
  /** The effective swath, where one is known. */
  readonly swath: Source<"length"> | null;
  readonly uncertainty: Uncertainty | null;
  readonly trials: readonly TrialSummary[];
  readonly againstTarget: { readonly ratio: number; readonly within: boolean } | null;
  /** What the head does; null on any other kind of rig. */
  readonly hoseEnd: HeadReading | null;
  readonly warnings: readonly Warning[];
}

/** What a calibration was worked out from, in the order in which its working is read. */
export function calibrationSources({ timePer1000, speed, sprayVolume, hoseEnd }: Calibration): AnySource[] {
  const head = hoseEnd ? [hoseEnd.productFlow, hoseEnd.dilution, hoseEnd.timePer1000] : [];
  return [timePer1000, speed, sprayVolume, ...head].filter((source) => source !== null);
}

/** Trials that differ by over 10 % are not a calibration yet: nothing is mixed from them. */
export const isUnsure = (made: Calibration): boolean => made.warnings.some((w) => w.code === "trials-disagree");

/** What was measured once only: said for as long as the calibration stands. */
export const measuredOnce = (made: Calibration): readonly TrialSummary["of"][] =>
  made.warnings.flatMap((w) => (w.code === "single-trial" ? [w.values.of] : []));

/** A rated flow is an estimate until a catch confirms it: nothing is mixed from it. */
export const isEstimate = (made: Calibration): boolean => made.warnings.some((w) => w.code === "estimate-only");

export const TOLERANCE = 0.05;

/** Spray volume from what was gathered, with how it was worked out, how sure it is and what is wrong with it. */
export function calibrate(input: CalibrationInput): Calibration {
  const { evidence, rig } = input;
  const pace = evidence.kind === "timed" ? paceOf(evidence.pace, rig) : null;
  const flow = evidence.kind === "timed" || evidence.kind === "flow-alone" ? flowOf(evidence.flow) : null;
  const rate = input.rate ? given(input.rate, "label rate") : null;
  const hoseEnd = rig.head ? readHead(rig.head, flow, rate, pace?.timePer1000 ?? null) : null;
  const sprayVolume = sprayVolumeOf(evidence, pace, flow, hoseEnd);
  const trials = trialsOf(evidence);
  const speed = pace?.speed ?? null;
  const timePer1000 = pace?.timePer1000 ?? null;
  return {
    sprayVolume,
    flow,
    timePer1000,
    speed,
    swath: pace?.swath ?? null,
    uncertainty: uncertaintyOf(evidence, rig, { graduation: input.graduation?.value, practised: input.practised }),
    trials,
    againstTarget: input.target ? against(num(sprayVolume), raw(input.target.value), input.tolerance) : null,
    hoseEnd,
    warnings: warningsOf({
      rig,
      evidence,
      trials,
      speed: onFoot(rig.kind) ? speed : null,
      ground: input.ground,
      hoseEnd,
      sprayVolume: sprayVolume.value,
      flow: flow?.value ?? null,
      ownCatchTime: input.ownCatchTime ?? false,
    }),
  };
}

function sprayVolumeOf(
  evidence: Evidence,
  pace: Pace | null,
  flow: Source<"flow"> | null,
  head: HeadReading | null,
): Source<"sprayVolume"> {
  if (evidence.kind === "given") return given(evidence.sprayVolume, "spray volume, as given");
  if (evidence.kind === "used") return pooled(evidence.trials);
  if (evidence.kind === "flow-alone") {
    if (!head?.timePer1000) throw new RangeError("a flow alone needs a head, and a rate by area that asks for a pace");
    return derive(sprayVolumeRule, { flow: flow!, time: head.timePer1000, area: THOUSAND });
  }
  return derive(sprayVolumeRule, { flow: flow!, time: pace!.time, area: pace!.area });
}

/** Actual over wanted, and whether that is within the tolerance; equality passes, to the last bits of a double. */
function against(actual: number, target: number, tolerance: Entered<"share"> | undefined) {
  const ratio = actual / target;
  return { ratio, within: isWithin(ratio, tolerance ? raw(tolerance.value) : TOLERANCE) };
}

function trialsOf(evidence: Evidence): TrialSummary[] {
  const summary = (of: TrialSummary["of"], values: readonly number[]): TrialSummary => {
    const { count, spread } = trialStats(values);
    return { of, count, spread };
  };
  if (evidence.kind === "given") return [];
  if (evidence.kind === "used")
    return [
      summary(
        "used",
        evidence.trials.map((t) => num(pooled([t]))),
      ),
    ];
  const pace = evidence.kind === "timed" ? evidence.pace : undefined;
  const { flow } = evidence;
  const trials: TrialSummary[] = [];
  if (pace && pace.kind !== "speed")
    trials.push(
      summary(
        "pace",
        pace.times.map((t) => raw(t.value)),
      ),
    );
  if (flow.kind === "timed-catch")
    trials.push(
      summary(
        "flow",
        flow.catches.map((c) => raw(c.volume.value) / raw(c.time.value)),
      ),
    );
  if (flow.kind === "outlet-catches")
    trials.push(
      summary(
        "outlets",
        flow.volumes.map((v) => raw(v.value)),
      ),
    );
  if (flow.kind === "metered-flow" && flow.readings.length > 1)
    trials.push(
      summary(
        "outlets",
        flow.readings.map((r) => raw(r.value)),
      ),
    );
  return trials;
}
