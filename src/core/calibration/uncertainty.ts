import { raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { unitNamed } from "../quantity/unit";
import type { Evidence, FlowEvidence, PaceEvidence, RigBasics, UsedTrial } from "./evidence";
import { boomSwath } from "./pace";
import { coverageFactor } from "./student";
import { WORN } from "./tips";
import { trialStats } from "./trials";

/**
 * How far the spray volume may be off. q = f·T/A is a product, so relative variances add (JCGM 100:2008 "GUM", 5.1.6,
 * from memory). Scatter of trials is type A: s²/n. Instrument limits are rectangular: limit²/3 (GUM 4.3.7). Where trials
 * exist the larger of scatter and resolution is taken for a reading, not both.
 */
export interface Uncertainty {
  /** Half the width of the band that holds q with about 95 %, as a part of q. */
  readonly relative: number;
  /** The same before it is expanded, with its effective degrees of freedom: what a chance is worked out from. */
  readonly standard: number;
  readonly freedom: number;
  /** The part with the largest variance. */
  readonly largest: Part;
  readonly parts: readonly Contribution[];
}

export interface Contribution {
  readonly part: Part;
  /** Relative variance of q from this part. */
  readonly variance: number;
  /** Degrees of freedom; Infinity for an instrument limit. */
  readonly freedom: number;
}

export type Part =
  | "walk-scatter"
  | "walk-practice"
  | "walk-stopwatch"
  | "walk-single"
  | "catch-scatter"
  | "catch-reading"
  | "catch-single"
  | "outlet-reading"
  | "meter-reading"
  | "used-scatter"
  | "used-reading"
  | "used-single"
  | "tape"
  | "swath-edges"
  | "speed-reading"
  | "tip-rated";

/** What each part is, and what would make it smaller. */
export const PART_WORDS: Record<Part, { readonly name: string; readonly remedy: string }> = {
  "walk-scatter": { name: "scatter of the walks", remedy: "four times as many walks halve it, a steadier pace does more" },
  "walk-practice": { name: "scatter of the walks, with practice", remedy: "a steadier pace: walk to the beat again" },
  "walk-stopwatch": { name: "stopwatch on the walk", remedy: "a course twice as long halves it" },
  "walk-single": { name: "a single walk", remedy: "walk it twice more" },
  "catch-scatter": { name: "scatter of the catches", remedy: "four times as many catches halve it" },
  "catch-reading": { name: "reading the catch", remedy: "catch for twice as long, or read a finer vessel" },
  "catch-single": { name: "a single catch", remedy: "catch twice more" },
  "outlet-reading": { name: "reading the outlets", remedy: "catch for twice as long, or read a finer vessel" },
  "meter-reading": { name: "the meter's last digit", remedy: "read one digit more" },
  "used-scatter": { name: "scatter of the trials", remedy: "four times as many trials halve it" },
  "used-reading": { name: "reading the tank", remedy: "spray twice the area, or read a finer vessel" },
  "used-single": { name: "a single trial", remedy: "spray it twice more" },
  tape: { name: "the tape", remedy: "measure with a tape lying flat and taut" },
  "swath-edges": { name: "the edges of the swath", remedy: "time a marked area, both passes, in place of a swath" },
  "speed-reading": { name: "the speed", remedy: "time a marked distance" },
  "tip-rated": { name: "the rated flow of the tip", remedy: "catch it: a worn tip or a wrong gauge shows at once" },
};

/** One press of a stopwatch, as a limit in seconds (common practice). A timing has two. */
export const PRESS = 0.2;
/** A tape on grass, as a limit in parts (common practice). An area has two sides. */
export const TAPE = 0.005;
/** One edge of a swath, as a limit: 0.25 ft in metres (common practice). A swath has two. */
export const SWATH_EDGE = 0.25 * 0.3048;
/**
 * One trial says nothing about how well a second would repeat it. As a limit we then assume the widest spread at which
 * the trade still calls trials a calibration, 10 % either way, so that one trial never looks better than two (ours).
 */
export const UNREPEATED = 0.1;

/**
 * The graduation that a vessel is taken to have where none is known, in its unit; a reading typed finer than this was
 * read finer. Ours; the measuring kit will know better.
 */
const GRADUATIONS: Record<string, number> = {
  "fl oz": 1,
  mL: 10,
  L: 0.1,
  gal: 1 / 8,
  qt: 1 / 8,
  pt: 1 / 8,
  cup: 1 / 8,
  tbsp: 0.5,
  tsp: 0.5,
};

const rectangular = (limit: number) => (limit * limit) / 3;

/** The smallest step that a number was typed to: 0.01 for "3.25", 1 for "33". */
function typedStep(entry: Entered<"volume" | "speed" | "flow">): number {
  const decimals = (entry.text.split(" ")[0]!.split(".")[1] ?? "").length;
  return 10 ** -decimals;
}

/** Half a graduation of a volume as read, in mL: the vessel's own where it is known. */
export function readingLimit(volume: Entered<"volume">, graduation?: Quantity<"volume">): number {
  if (graduation !== undefined) return raw(graduation) / 2;
  // "500 mL" was not read to the millilitre: noughts at the end of a whole number are no reading.
  const noughts = /^[\d,]*?(0*)$/.exec(volume.text.split(" ")[0]!)?.[1]?.length ?? 0;
  const step = Math.min(GRADUATIONS[volume.unit] ?? 1, typedStep(volume) * 10 ** noughts);
  return (step / 2) * unitNamed(volume.unit).factor;
}

const relative = (limit: number, value: Quantity<"volume" | "time" | "length" | "speed" | "flow">) =>
  rectangular(limit / raw(value));

const timing = (time: Quantity<"time">) => 2 * relative(PRESS, time);

/** How far a tip in use may be off its rated flow before it counts as worn: what a rated flow is worth, as a limit. */
const RATED = WORN;

/** One reading repeated: the larger of scatter and resolution; for a single one, resolution and what we assume. */
function repeated(
  values: readonly number[],
  resolution: number,
  parts: readonly [scatter: Part, resolution: Part, single: Part],
): Contribution[] {
  const { count, mean, variance } = trialStats(values);
  const instrument: Contribution = { part: parts[1], variance: resolution / count, freedom: Infinity };
  if (variance === null) return [instrument, { part: parts[2], variance: rectangular(UNREPEATED), freedom: Infinity }];
  const scatter: Contribution = { part: parts[0], variance: variance / count / mean ** 2, freedom: count - 1 };
  return [scatter.variance >= instrument.variance ? scatter : instrument];
}

/**
 * What practice showed of how one walk of this person scatters on this ground, beside the walks of the calibration: a relative
 * variance and its degrees of freedom.
 */
export interface Practised {
  readonly variance: number;
  readonly freedom: number;
}

/**
 * Walks with what practice knows of the person's: both scatters pooled, each as it has degrees of freedom (GUM 4.2.4, from memory).
 * A single walk, which by itself says nothing of a second, has the practised scatter.
 */
function practisedWalks(times: readonly number[], resolution: number, practised: Practised): Contribution[] {
  const { count, mean, variance } = trialStats(times);
  const freedom = practised.freedom + count - 1;
  const own = variance === null ? 0 : (variance / mean ** 2) * (count - 1);
  const scatter = (own + practised.variance * practised.freedom) / freedom / count;
  const instrument: Contribution = { part: "walk-stopwatch", variance: resolution / count, freedom: Infinity };
  return [scatter >= instrument.variance ? { part: "walk-practice", variance: scatter, freedom } : instrument];
}

const average = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;

function ofPace(pace: PaceEvidence, rig: RigBasics, practised: Practised | undefined): Contribution[] {
  const parts: Contribution[] = [];
  if (pace.kind === "speed") {
    const limit = (typedStep(pace.speed) / 2) * unitNamed(pace.speed.unit).factor;
    parts.push({ part: "speed-reading", variance: relative(limit, pace.speed.value), freedom: Infinity });
  } else {
    const times = pace.times.map((t) => raw(t.value));
    const resolution = average(pace.times.map((t) => timing(t.value)));
    parts.push(
      ...(practised
        ? practisedWalks(times, resolution, practised)
        : repeated(times, resolution, ["walk-scatter", "walk-stopwatch", "walk-single"])),
    );
    parts.push({ part: "tape", variance: (pace.kind === "timed-area" ? 2 : 1) * rectangular(TAPE), freedom: Infinity });
  }
  if (pace.kind !== "timed-area") {
    // A boom's swath follows from its spacing, which is a tape's matter; one read off wet pavement has two soft edges.
    const edges = pace.swath ? 2 * relative(SWATH_EDGE, pace.swath.value) : boomSwath(rig) ? rectangular(TAPE) : 0;
    parts.push({ part: pace.swath ? "swath-edges" : "tape", variance: edges, freedom: Infinity });
  }
  return parts;
}

function ofFlow(flow: FlowEvidence, graduation?: Quantity<"volume">): Contribution[] {
  switch (flow.kind) {
    case "timed-catch": {
      const flows = flow.catches.map((c) => raw(c.volume.value) / raw(c.time.value));
      const one = average(
        flow.catches.map((c) => relative(readingLimit(c.volume, graduation), c.volume.value) + timing(c.time.value)),
      );
      return repeated(flows, one, ["catch-scatter", "catch-reading", "catch-single"]);
    }
    case "outlet-catches": {
      const total = flow.volumes.reduce((sum, v) => sum + raw(v.value), 0);
      const readings = flow.volumes.reduce((sum, v) => sum + rectangular(readingLimit(v, graduation)), 0) / total ** 2;
      return [{ part: "outlet-reading", variance: readings + timing(flow.time.value), freedom: Infinity }];
    }
    case "metered-flow": {
      const total = flow.readings.reduce((sum, r) => sum + raw(r.value), 0);
      const digits = flow.readings.reduce((sum, r) => sum + rectangular((typedStep(r) / 2) * unitNamed(r.unit).factor), 0);
      return [{ part: "meter-reading", variance: digits / total ** 2, freedom: Infinity }];
    }
    case "tip-chart":
      return [{ part: "tip-rated", variance: rectangular(RATED), freedom: Infinity }];
  }
}

function ofUsed(trials: readonly UsedTrial[], graduation?: Quantity<"volume">): Contribution[] {
  const one = trials.map((t) => {
    if ("topUp" in t.used) return { used: raw(t.used.topUp.value), limits: rectangular(readingLimit(t.used.topUp, graduation)) };
    const { start, remaining } = t.used;
    return {
      used: raw(start.value) - raw(remaining.value),
      limits: rectangular(readingLimit(start, graduation)) + rectangular(readingLimit(remaining, graduation)),
    };
  });
  const volumes = one.map((t, i) => t.used / raw(trials[i]!.area.value));
  const resolution = average(one.map((t) => t.limits / t.used ** 2));
  return [
    ...repeated(volumes, resolution, ["used-scatter", "used-reading", "used-single"]),
    { part: "tape", variance: 2 * rectangular(TAPE), freedom: Infinity },
  ];
}

/** Adds contributions up and expands them with t at the effective degrees of freedom (Welch–Satterthwaite, GUM G.4). */
export function combine(parts: readonly Contribution[]): Uncertainty {
  const variance = parts.reduce((sum, p) => sum + p.variance, 0);
  const spent = parts.reduce((sum, p) => sum + p.variance ** 2 / p.freedom, 0);
  const freedom = spent === 0 ? Infinity : variance ** 2 / spent;
  const largest = parts.reduce((most, p) => (p.variance > most.variance ? p : most));
  const standard = Math.sqrt(variance);
  return { relative: coverageFactor(freedom) * standard, standard, freedom, largest: largest.part, parts };
}

/**
 * How sure it is what went down on a piece of ground: reading the tank before and after, and the tape. It is a measurement
 * of that work itself, so nothing is asked of repeating it. A load whose fill was worked out was filled to the tank's mark.
 * @param loads at least one
 */
export function measuredUse(
  loads: readonly {
    readonly area: Entered<"area">;
    readonly began: { readonly value: Quantity<"volume">; readonly entered?: Entered<"volume"> | undefined };
    readonly left: Entered<"volume">;
  }[],
): Uncertainty {
  const used = loads.reduce((sum, { began, left }) => sum + raw(began.value) - raw(left.value), 0);
  const limits = loads.reduce((sum, { began, left }) => {
    const mark = began.entered ? readingLimit(began.entered) : (GRADUATIONS.gal! / 2) * unitNamed("gal").factor;
    // A tank that ran dry was not read.
    return sum + rectangular(mark) + (raw(left.value) === 0 ? 0 : rectangular(readingLimit(left)));
  }, 0);
  return combine([
    { part: "used-reading", variance: limits / used ** 2, freedom: Infinity },
    { part: "tape", variance: 2 * rectangular(TAPE), freedom: Infinity },
  ]);
}

/** What is known beside the evidence itself. */
interface Beside {
  readonly graduation?: Quantity<"volume"> | undefined;
  readonly practised?: Practised | undefined;
}

/** The uncertainty of a spray volume from its evidence; null where it was taken as given. */
export function uncertaintyOf(evidence: Evidence, rig: RigBasics, { graduation, practised }: Beside = {}): Uncertainty | null {
  switch (evidence.kind) {
    case "given":
      return null;
    case "used":
      return combine(ofUsed(evidence.trials, graduation));
    case "flow-alone":
      return combine(ofFlow(evidence.flow, graduation));
    case "timed":
      return combine([...ofPace(evidence.pace, rig, practised), ...ofFlow(evidence.flow, graduation)]);
  }
}
