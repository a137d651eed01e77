import { quantity } from "../quantity/quantity";
import { THOUSAND } from "../working/thousand";
import { constant, derive, given, num, nums, rule, type Derived, type Source } from "../working/rule";
import type { PaceEvidence, RigBasics } from "./evidence";
import { rigRules } from "@/rig-kinds/rules";

export const meanTimeRule = rule({
  id: "mean-time",
  version: 1,
  title: "Mean time",
  formula: "mean(times)",
  inputs: { times: ["time"] },
  output: "time",
  source: "times of equal runs are averaged before anything is made of them (common practice)",
  compute: ({ times }) => nums(times).reduce((sum, t) => sum + t, 0) / times.length,
});

export const paceOfAreaRule = rule({
  id: "pace-of-area",
  version: 1,
  title: "Pace for 1,000 sq ft",
  formula: "time / area * thousand",
  inputs: { time: "time", area: "area", thousand: "area" },
  output: "time",
  source: "proportion",
  compute: ({ time, area, thousand }) => (num(time) / num(area)) * num(thousand),
});

export const speedRule = rule({
  id: "speed",
  version: 1,
  title: "Travel speed",
  formula: "distance / time",
  inputs: { distance: "length", time: "time" },
  output: "speed",
  source: "definition",
  compute: ({ distance, time }) => num(distance) / num(time),
});

export const paceOfSpeedRule = rule({
  id: "pace-of-speed",
  version: 1,
  title: "Pace for 1,000 sq ft",
  formula: "thousand / (speed * swath)",
  inputs: { thousand: "area", speed: "speed", swath: "length" },
  output: "time",
  source: "a swath w at speed v covers w·v in a unit of time",
  compute: ({ thousand, speed, swath }) => num(thousand) / (num(speed) * num(swath)),
});

export const impliedSpeedRule = rule({
  id: "implied-speed",
  version: 1,
  title: "Travel speed implied",
  formula: "area / (time * swath)",
  inputs: { area: "area", time: "time", swath: "length" },
  output: "speed",
  source: "a swath w at speed v covers w·v in a unit of time",
  compute: ({ area, time, swath }) => num(area) / (num(time) * num(swath)),
});

export const boomSwathRule = rule({
  id: "boom-swath",
  version: 1,
  title: "Swath of the boom",
  formula: "count * spacing",
  inputs: { count: "count", spacing: "length" },
  output: "length",
  source: "a boom of n outlets at spacing d treats n·d (common practice)",
  compute: ({ count, spacing }) => num(count) * num(spacing),
});

export interface Pace {
  /** The time spent on `area`: what the one equation takes. */
  readonly time: Source<"time">;
  readonly area: Source<"area">;
  readonly timePer1000: Derived<"time">;
  /** Null where no swath is known. */
  readonly speed: Source<"speed"> | null;
  readonly swath: Source<"length"> | null;
}

/** The mean of several times; one time stands for itself. */
export function meanTime(times: readonly Source<"time">[]): Source<"time"> {
  return times.length === 1 ? times[0]! : derive(meanTimeRule, { times });
}

/** The swath of a boom from its outlets, where both are known. */
export function boomSwath(rig: RigBasics): Derived<"length"> | undefined {
  if (!rigRules(rig.kind).spaced || !rig.outlets.spacing) return undefined;
  const count = constant("count", quantity("count", rig.outlets.count, ""), "outlets");
  return derive(boomSwathRule, { count, spacing: given(rig.outlets.spacing, "spacing") });
}

/**
 * Works a pace out of its evidence.
 * @throws RangeError where a run or a speed has no swath and the rig gives none: the caller checks first.
 */
export function paceOf(evidence: PaceEvidence, rig: RigBasics): Pace {
  if (evidence.kind === "timed-area") {
    const time = meanTime(evidence.times.map((t, i) => given(t, `walk ${i + 1}`)));
    const area = given(evidence.area, "test area");
    const swath = evidence.swath ? given(evidence.swath, "effective swath") : boomSwath(rig);
    return {
      time,
      area,
      timePer1000: derive(paceOfAreaRule, { time, area, thousand: THOUSAND }),
      speed: swath ? derive(impliedSpeedRule, { area, time, swath }) : null,
      swath: swath ?? null,
    };
  }
  const swath = evidence.swath ? given(evidence.swath, "effective swath") : boomSwath(rig);
  if (!swath) throw new RangeError("a pace by speed needs a swath");
  const speed =
    evidence.kind === "speed"
      ? given(evidence.speed, "travel speed")
      : derive(speedRule, {
          distance: given(evidence.distance, "course"),
          time: meanTime(evidence.times.map((t, i) => given(t, `run ${i + 1}`))),
        });
  const timePer1000 = derive(paceOfSpeedRule, { thousand: THOUSAND, speed, swath });
  return { time: timePer1000, area: THOUSAND, timePer1000, speed, swath };
}
