import type { Finding, Nothing } from "../finding";
import { make, raw, type Quantity } from "../quantity/kinds";
import { entered, type Entered } from "../quantity/parse";
import { num, type Source } from "../working/rule";
import { type RigBasics } from "./evidence";
import { dropChange, nearestTips, RATED_AT, ratedFlow, workingRange, type DropChange } from "./tips";
import { WALKABLE } from "./warnings";
import { atLeast, atMost } from "../quantity/slack";
import { onFoot, rigRules } from "@/rig-kinds/rules";

/**
 * Four ways to act when the spray volume is not what is wanted. With s = wanted / actual: pressure P·s² (flow goes with
 * its square root), the tip whose rated flow fits, speed v/s, or leave it and mix for what really goes down.
 * Source: the square-root law of orifice flow; the rest follows from q = f·T/A.
 */
export type Remedy = Pulled &
  (
    | { readonly lever: "pressure"; readonly setTo: Quantity<"pressure"> | null }
    | { readonly lever: "tip"; readonly setTo: string | null }
    | { readonly lever: "speed"; readonly setTo: Quantity<"speed"> | null }
    | { readonly lever: "remix"; readonly setTo: Quantity<"area"> | null }
  );

interface Pulled {
  readonly feasible: boolean;
  readonly why: LeverWhy;
  /** The reading that proves it: the flow of all outlets, or the time for 1,000 sq ft; null where nothing is re-read. */
  readonly expect: Expectation | null;
}

/** Why a lever can be pulled, or can't: a code and the values that it is about. */
export type LeverWhy = Finding<LeverValues>;

export interface LeverValues {
  readonly "pressure-unknown": Nothing;
  /** No number on the regulator: so much pressure and flow to what there is, and what a minute must give. */
  readonly "by-bucket": {
    readonly pressure: number;
    readonly flow: number;
    readonly minute: Quantity<"volume">;
    readonly dear: boolean;
  };
  /** Nobody noted what the pump and the tip bear, of a rig that is carried or hangs on a garden hose. */
  readonly "no-limit-known": { readonly needs: Quantity<"pressure"> };
  /** What a truck or a boom bears is not noted: this is the most that is offered then. */
  readonly "over-most": { readonly needs: Quantity<"pressure">; readonly most: Quantity<"pressure"> };
  readonly "over-pump": { readonly needs: Quantity<"pressure">; readonly most: Quantity<"pressure"> };
  readonly "outside-tip": {
    readonly needs: Quantity<"pressure">;
    readonly least: Quantity<"pressure">;
    readonly most: Quantity<"pressure">;
    /** The range is this tip's own, from its chart. */
    readonly own: boolean;
  };
  readonly "set-pressure": { readonly to: Quantity<"pressure">; readonly drops: DropChange; readonly known: boolean };
  readonly "flow-unmeasured": Nothing;
  readonly "same-regulator": { readonly near: string; readonly on: string };
  readonly "size-needs": { readonly size: string; readonly needs: Quantity<"pressure"> };
  readonly "set-size": {
    readonly size: string;
    readonly needs: Quantity<"pressure">;
    readonly other: { readonly size: string; readonly needs: Quantity<"pressure"> } | null;
    /** It is the size that is on. */
    readonly same: boolean;
  };
  readonly "speed-unknown": Nothing;
  readonly "go-at": { readonly speed: Quantity<"speed"> };
  readonly "not-walkable": { readonly speed: Quantity<"speed"> };
  readonly "under-carrier": { readonly least: Quantity<"sprayVolume"> };
  readonly "tank-unknown": Nothing;
  readonly "mix-for": { readonly area: Quantity<"area"> };
}

export type Expectation =
  { readonly of: "flow"; readonly value: Quantity<"flow"> } | { readonly of: "pace"; readonly value: Quantity<"time"> };

export const LEVERS = ["pressure", "tip", "speed", "remix"] as const;
export type LeverName = (typeof LEVERS)[number];

export interface LeverInput {
  readonly actual: Quantity<"sprayVolume">;
  readonly wanted: Quantity<"sprayVolume">;
  readonly rig: RigBasics;
  readonly flow: Source<"flow"> | null;
  readonly timePer1000: Source<"time"> | null;
  readonly speed: Source<"speed"> | null;
  /** Of the tank that is mixed in, and the highest carrier minimum of the products, where they are known. */
  readonly usable?: Entered<"volume">;
  readonly carrierAtLeast?: Quantity<"sprayVolume">;
}

const NO_PRESSURE: LeverWhy = { code: "pressure-unknown", values: {} };

/** The most that is offered for a truck or a boom of which no limit is noted (ours). */
const MOST_UNKNOWN = entered("250 psi", "pressure").value;

/** All four levers, each with what to set, whether it can be done, why, and the reading to expect next. */
export function levers(input: LeverInput): Remedy[] {
  const s = raw(input.wanted) / raw(input.actual);
  return [pressureLever(input, s), tipLever(input, s), speedLever(input, s), remixLever(input)];
}

const nextFlow = (flow: Source<"flow"> | null, s: number): Expectation | null =>
  flow ? { of: "flow", value: make(num(flow) * s) } : null;

function pressureLever({ rig, flow }: LeverInput, s: number): Remedy {
  const pumpMost = rig.mostPressure?.value;
  const pressure = rig.tip?.pressure;
  if (!pressure)
    return {
      lever: "pressure",
      feasible: false,
      setTo: null,
      why: flow ? byBucket(flow, s) : NO_PRESSURE,
      expect: nextFlow(flow, s),
    };
  const setTo = make<"pressure">(raw(pressure.value) * s * s);
  const { least, most, known } = workingRange(rigRules(rig.kind).gun, pressure.value, rig.tip?.chart);
  const answer = { lever: "pressure", setTo, expect: nextFlow(flow, s) } as const;
  if (pumpMost !== undefined && !atMost(raw(setTo), raw(pumpMost)))
    return {
      ...answer,
      feasible: false,
      why: { code: "over-pump", values: { needs: setTo, most: pumpMost } },
    };
  if (!atLeast(raw(setTo), raw(least)) || !atMost(raw(setTo), raw(most)))
    return {
      ...answer,
      feasible: false,
      why: { code: "outside-tip", values: { needs: setTo, least, most, own: rig.tip?.chart !== undefined } },
    };
  // What no limit is known of is turned by nobody's guess: a hose bursts, a tip mists.
  if (!known && pumpMost === undefined) {
    if (!rigRules(rig.kind).driven)
      return { ...answer, feasible: false, why: { code: "no-limit-known", values: { needs: setTo } } };
    if (!atMost(raw(setTo), raw(MOST_UNKNOWN)))
      return { ...answer, feasible: false, why: { code: "over-most", values: { needs: setTo, most: MOST_UNKNOWN } } };
  }
  const drops = dropChange(pressure.value, setTo, rig.tip?.chart);
  return { ...answer, feasible: true, why: { code: "set-pressure", values: { to: setTo, drops, known } } };
}

/** Four times the pressure gives twice the flow: past this the pump and the drift speak against it (ours). */
const DEAR = 1.25;

/**
 * A regulator without a number is turned until the bucket says so: the factor, and what a minute must give.
 * @param s wanted over actual flow
 */
function byBucket(flow: Source<"flow">, s: number): LeverWhy {
  const minute = make<"volume">(num(flow) * s * 60);
  return { code: "by-bucket", values: { pressure: s * s, flow: s, minute, dear: s > DEAR } };
}

/** The size for the flow at whatever pressure the regulator stands, where the size that is on is known. */
function sameRegulator({ tip }: RigBasics, s: number): LeverWhy | undefined {
  const rated = tip?.size === undefined ? undefined : ratedFlow(tip.size);
  if (rated === undefined) return undefined;
  const near = nearestTips(make(raw(rated) * s), RATED_AT.value)[0]!;
  if (near.size === tip!.size) return undefined;
  return { code: "same-regulator", values: { near: near.size, on: tip!.size! } };
}

function tipLever({ rig, flow }: LeverInput, s: number): Remedy {
  const pumpMost = rig.mostPressure?.value;
  const lacks = (why: LeverWhy): Remedy => ({ lever: "tip", feasible: false, setTo: null, why, expect: null });
  if (!flow) return lacks({ code: "flow-unmeasured", values: {} });
  const pressure = rig.tip?.pressure;
  if (!pressure) return lacks(sameRegulator(rig, s) ?? NO_PRESSURE);
  const range = workingRange(rigRules(rig.kind).gun, pressure.value, undefined);
  // Where no range is known, a tip is one for the pressure that is there, give or take a quarter (ours).
  const [least, most] = range.known
    ? [raw(range.least), raw(range.most)]
    : [raw(pressure.value) * 0.75, Math.min(raw(pressure.value) * 1.25, pumpMost === undefined ? Infinity : raw(pumpMost))];
  const works = (at: Quantity<"pressure">) => atLeast(raw(at), least) && atMost(raw(at), most);
  const near = nearestTips(make((num(flow) * s) / rig.outlets.count), pressure.value);
  const best = near.find((tip) => works(tip.needs)) ?? near[0]!;
  const other = near.find((tip) => tip.size !== best.size && works(tip.needs));
  const answer = { lever: "tip", setTo: best.size, expect: nextFlow(flow, s) } as const;
  if (!works(best.needs)) return { ...answer, feasible: false, why: { code: "size-needs", values: best } };
  const values = { ...best, other: other ?? null, same: best.size === rig.tip?.size };
  return { ...answer, feasible: true, why: { code: "set-size", values } };
}

function speedLever({ rig, speed, timePer1000 }: LeverInput, s: number): Remedy {
  const expect: Expectation | null = timePer1000 ? { of: "pace", value: make(num(timePer1000) * s) } : null;
  if (!speed)
    return {
      lever: "speed",
      feasible: false,
      setTo: null,
      expect,
      why: { code: "speed-unknown", values: {} },
    };
  const setTo = make<"speed">(num(speed) / s);
  const feasible = !onFoot(rig.kind) || atMost(raw(setTo), raw(WALKABLE));
  return {
    lever: "speed",
    feasible,
    setTo,
    expect,
    why: { code: feasible ? "go-at" : "not-walkable", values: { speed: setTo } },
  };
}

function remixLever({ actual, usable, carrierAtLeast }: LeverInput): Remedy {
  const setTo = usable ? make<"area">(raw(usable.value) / raw(actual)) : null;
  const answer = { lever: "remix", setTo, expect: null } as const;
  if (carrierAtLeast !== undefined && !atLeast(raw(actual), raw(carrierAtLeast)))
    return { ...answer, feasible: false, why: { code: "under-carrier", values: { least: carrierAtLeast } } };
  if (!setTo) return { ...answer, feasible: false, why: { code: "tank-unknown", values: {} } };
  return { ...answer, feasible: true, why: { code: "mix-for", values: { area: setTo } } };
}
