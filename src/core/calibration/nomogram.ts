import { TOLERANCE } from "./calibrate";
import type { Evidence, RigBasics } from "./evidence";
import { flowOf } from "./flow";
import { paceOf } from "./pace";
import { make, raw, type Quantity } from "../quantity/kinds";
import { constant } from "../working/rule";
import { tipFlow, TIP_SIZES } from "./tips";
import { WALKABLE } from "./warnings";
import { quantity } from "../quantity/quantity";
import { atMost } from "../quantity/slack";

/**
 * The geometry of the three-line chart: pace, spray volume and flow on parallel logarithmic scales, so that a straight
 * line across joins any three that belong together. With outer scales of equal modulus m, log q = log f + log T − log A
 * puts the middle scale half-way between them with modulus m/2. Heights run from 0 (bottom) to 1 (top).
 */
export interface Scale<K extends "time" | "flow" | "sprayVolume"> {
  readonly from: Quantity<K>;
  readonly to: Quantity<K>;
}

export interface Nomogram {
  readonly pace: Scale<"time">;
  readonly flow: Scale<"flow">;
  readonly sprayVolume: Scale<"sprayVolume">;
}

/** The area that the pace scale is stated for: 1,000 sq ft. */
const AREA = raw(quantity("area", 1000, "ft2"));

/** Where the outer scales begin, and how far each goes: two decades, which hold a hand can and a truck alike. */
const PACE_FROM = quantity("time", 10, "s");
const FLOW_FROM = quantity("flow", 0.05, "gal/min");
const SPAN = 100;

/** As near to the end of a scale as a reading may come before the scale is moved, in parts of the scale. */
const MARGIN = 0.08;

/**
 * The scales for a pace and a flow. They stand still from one calibration to the next, so that lines can be compared,
 * and are moved by whole half-decades only where a reading would come to lie at an end. Both outer scales span the same
 * ratio, which is what keeps the middle one half-way.
 */
export function nomogramFor(pace: Quantity<"time">, flow: Quantity<"flow">): Nomogram {
  const holding = <K extends "time" | "flow">(value: Quantity<K>, start: Quantity<K>): Scale<K> => {
    let from = raw(start);
    const height = () => Math.log(raw(value) / from) / Math.log(SPAN);
    while (height() < MARGIN) from /= Math.sqrt(10);
    while (height() > 1 - MARGIN) from *= Math.sqrt(10);
    return { from: make<K>(from), to: make<K>(from * SPAN) };
  };
  const t = holding(pace, PACE_FROM);
  const f = holding(flow, FLOW_FROM);
  return {
    pace: t,
    flow: f,
    sprayVolume: {
      from: make<"sprayVolume">((raw(f.from) * raw(t.from)) / AREA),
      to: make<"sprayVolume">((raw(f.to) * raw(t.to)) / AREA),
    },
  };
}

/** The height of a value on its scale: 0 at the bottom, 1 at the top; outside of both where the value is. */
export function heightOn<K extends "time" | "flow" | "sprayVolume">(scale: Scale<K>, value: Quantity<K>): number {
  return Math.log(raw(value) / raw(scale.from)) / Math.log(raw(scale.to) / raw(scale.from));
}

/** The value at a height of a scale: the inverse of {@link heightOn}. */
export function valueAt<K extends "time" | "flow" | "sprayVolume">(scale: Scale<K>, height: number): Quantity<K> {
  return make<K>(raw(scale.from) * (raw(scale.to) / raw(scale.from)) ** height);
}

/** The three that belong together: the spray volume of a pace and a flow. */
export function throughLine(pace: Quantity<"time">, flow: Quantity<"flow">): Quantity<"sprayVolume"> {
  return make<"sprayVolume">((raw(flow) * raw(pace)) / AREA);
}

/** The shortest pace that a person can walk with a swath: where the walkable band of the pace scale ends. */
export const walkablePace = (swath: Quantity<"length">): Quantity<"time"> => make<"time">(AREA / (raw(WALKABLE) * raw(swath)));

/** The sizes of tips whose rated flow at a pressure lies on the scale, as ticks of it. */
export function tipTicks(
  scale: Scale<"flow">,
  pressure: Quantity<"pressure">,
  count: number,
): { size: string; height: number }[] {
  return TIP_SIZES.flatMap((size) => {
    const height = heightOn(scale, tipFlow(size, constant("pressure", pressure, "pressure"), count).value);
    return height >= 0 && height <= 1 ? [{ size, height }] : [];
  });
}

/** A second for 100 m², in seconds for 1,000 sq ft: the factor of a metric pace scale. */
export const PACE_PER_100_M2 = AREA / 100;

/** The wanted band: a spray volume less and plus its tolerance, 5 % where none is given. */
export function bandAround(
  wanted: Quantity<"sprayVolume">,
  tolerance?: Quantity<"share">,
): readonly [Quantity<"sprayVolume">, Quantity<"sprayVolume">] {
  const part = tolerance === undefined ? TOLERANCE : raw(tolerance);
  return [make<"sprayVolume">(raw(wanted) * Math.max(0, 1 - part)), make<"sprayVolume">(raw(wanted) * (1 + part))];
}

export interface Tick {
  readonly height: number;
  /** In the unit of the scale. */
  readonly value: number;
  readonly major: boolean;
}

/**
 * The ticks of a scale in a unit: 1, 2, 3, 5 of each decade large, whole steps between small.
 * @param factor how many of the coherent unit one of the scale's unit is
 */
export function ticksOf(scale: Scale<"time" | "flow" | "sprayVolume">, factor: number): Tick[] {
  const from = raw(scale.from) / factor;
  const to = raw(scale.to) / factor;
  const ticks: Tick[] = [];
  const wide = Math.log10(to / from) > 3;
  for (let decade = Math.floor(Math.log10(from)); decade <= Math.ceil(Math.log10(to)); decade++) {
    for (let step = 10; step < 100; step++) {
      const fine = step < 20 ? (wide ? 2 : 1) : step < 50 ? (wide ? 5 : 2) : wide ? 10 : 5;
      if (step % fine !== 0) continue;
      const value = Number((step * 10 ** (decade - 1)).toPrecision(6));
      if (value < from || value > to) continue;
      const large = wide ? [10, 20, 50].includes(step) : [10, 15, 20, 30, 50, 70].includes(step);
      ticks.push({ value, height: Math.log(value / from) / Math.log(to / from), major: large });
    }
  }
  return ticks;
}

/** What each trial alone would give, for a tick on its scale. Struck trials have been left out by the caller. */
export function trialMarks(
  evidence: Evidence,
  rig: RigBasics,
): { readonly pace: readonly Quantity<"time">[]; readonly flow: readonly Quantity<"flow">[] } {
  if (evidence.kind !== "timed") return { pace: [], flow: [] };
  const { pace, flow } = evidence;
  return {
    pace: pace.kind === "speed" ? [] : pace.times.map((time) => paceOf({ ...pace, times: [time] }, rig).timePer1000.value),
    flow: flow.kind === "timed-catch" ? flow.catches.map((one) => flowOf({ ...flow, catches: [one] }).value) : [],
  };
}

/** The swath that a pace and a travel speed go with: 1,000 sq ft over the way that is gone in that time. */
export const impliedSwath = (pace: Quantity<"time">, speed: Quantity<"speed">): Quantity<"length"> =>
  make<"length">(AREA / (raw(pace) * raw(speed)));

/** The travel speed of a pace with a swath. */
export const speedAtPace = (pace: Quantity<"time">, swath: Quantity<"length">): Quantity<"speed"> =>
  make<"speed">(AREA / (raw(pace) * raw(swath)));

export const tooFastOnFoot = (speed: Quantity<"speed">): boolean => !atMost(raw(speed), raw(WALKABLE));

/** The pressure that takes one flow of the same tips to another: P·(f₂/f₁)². */
export const pressureForFlow = (
  pressure: Quantity<"pressure">,
  from: Quantity<"flow">,
  to: Quantity<"flow">,
): Quantity<"pressure"> => make<"pressure">(raw(pressure) * (raw(to) / raw(from)) ** 2);
