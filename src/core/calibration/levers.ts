import { show, writeNumber } from "../quantity/format";
import { make, raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { num, type Source } from "../working/rule";
import { onFoot, type RigBasics } from "./evidence";
import { driftNote, nearestTips, RATED_AT, ratedFlow, workingRange } from "./tips";
import { WALKABLE } from "./warnings";
import { atLeast, atMost } from "../quantity/slack";

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
  readonly why: string;
  /** The reading that proves it: the flow of all outlets, or the time for 1,000 sq ft; null where nothing is re-read. */
  readonly expect: Expectation | null;
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
  /** What the pump or its regulator gives at the most, where it is known. */
  readonly pumpMost?: Quantity<"pressure">;
  /** Of the tank that is mixed in, and the highest carrier minimum of the products, where they are known. */
  readonly usable?: Entered<"volume">;
  readonly carrierAtLeast?: Quantity<"sprayVolume">;
}

const NO_PRESSURE = "The pressure at the tip is not known: read it while spraying.";

/** All four levers, each with what to set, whether it can be done, why, and the reading to expect next. */
export function levers(input: LeverInput): Remedy[] {
  const s = raw(input.wanted) / raw(input.actual);
  return [pressureLever(input, s), tipLever(input, s), speedLever(input, s), remixLever(input)];
}

const nextFlow = (flow: Source<"flow"> | null, s: number): Expectation | null =>
  flow ? { of: "flow", value: make(num(flow) * s) } : null;

function pressureLever({ rig, flow, pumpMost }: LeverInput, s: number): Remedy {
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
  const { least, most, known } = workingRange(rig.kind === "spray-truck", pressure.value, rig.tip?.chart);
  const shown = show(setTo, "pressure", "psi");
  const answer = { lever: "pressure", setTo, expect: nextFlow(flow, s) } as const;
  if (pumpMost !== undefined && !atMost(raw(setTo), raw(pumpMost)))
    return {
      ...answer,
      feasible: false,
      why: `It would take ${shown}: this pump gives ${show(pumpMost, "pressure", "psi")} at the most.`,
    };
  if (!atLeast(raw(setTo), raw(least)) || !atMost(raw(setTo), raw(most))) {
    const whose = rig.tip?.chart ? "this tip works at" : "ordinary tips work at";
    const range = `${show(least, "pressure", "psi").replace(" psi", "")} to ${show(most, "pressure", "psi")}`;
    return { ...answer, feasible: false, why: `It would take ${shown}, outside the ${range} that ${whose}.` };
  }
  const drift = driftNote(pressure.value, setTo, rig.tip?.chart);
  return {
    ...answer,
    feasible: true,
    why: `Flow goes with the square root of pressure: ${shown}. ${drift} Measure the swath again.${known ? "" : " Only within what the pump and the tip are made for."}`,
  };
}

/** Four times the pressure gives twice the flow: past this the pump and the drift speak against it (ours). */
const DEAR = 1.25;

/**
 * A regulator without a number is turned until the bucket says so: the factor, and what a minute must give.
 * @param s wanted over actual flow
 */
function byBucket(flow: Source<"flow">, s: number): string {
  const factor = writeNumber(s * s, { figures: 2 });
  const minute = show(make<"volume">(num(flow) * s * 60), "volume", "gal", { figures: 3 });
  const cheaper = s > DEAR ? " A new tip, or another speed, is cheaper." : "";
  return `No number on the regulator: it takes ${factor} times the pressure for ${writeNumber(s, { figures: 2 })} times the flow. Turn it, and catch: 60 s must give ${minute}.${cheaper}`;
}

/** The size for the flow at whatever pressure the regulator stands, where the size that is on is known. */
function sameRegulator({ tip }: RigBasics, s: number): string | undefined {
  const rated = tip?.size === undefined ? undefined : ratedFlow(tip.size);
  if (rated === undefined) return undefined;
  const near = nearestTips(make(raw(rated) * s), RATED_AT.value)[0]!;
  if (near.size === tip!.size) return undefined;
  return `The pressure isn't known. With the regulator left alone, size ${near.size} in place of ${tip!.size} comes nearest: catch it.`;
}

function tipLever({ rig, flow, pumpMost }: LeverInput, s: number): Remedy {
  const lacks = (why: string): Remedy => ({ lever: "tip", feasible: false, setTo: null, why, expect: null });
  if (!flow) return lacks("The flow was not measured: catch it first.");
  const pressure = rig.tip?.pressure;
  if (!pressure) return lacks(sameRegulator(rig, s) ?? NO_PRESSURE);
  const range = workingRange(rig.kind === "spray-truck", pressure.value, undefined);
  // Where no range is known, a tip is one for the pressure that is there, give or take a quarter (ours).
  const [least, most] = range.known
    ? [raw(range.least), raw(range.most)]
    : [raw(pressure.value) * 0.75, Math.min(raw(pressure.value) * 1.25, pumpMost === undefined ? Infinity : raw(pumpMost))];
  const works = (at: Quantity<"pressure">) => atLeast(raw(at), least) && atMost(raw(at), most);
  const near = nearestTips(make((num(flow) * s) / rig.outlets.count), pressure.value);
  const best = near.find((tip) => works(tip.needs)) ?? near[0]!;
  const other = near.find((tip) => tip.size !== best.size && works(tip.needs));
  const answer = { lever: "tip", setTo: best.size, expect: nextFlow(flow, s) } as const;
  if (!works(best.needs))
    return {
      ...answer,
      feasible: false,
      why: `The nearest size, ${best.size}, would need ${show(best.needs, "pressure", "psi")}.`,
    };
  const next = other ? ` Or ${other.size} at ${show(other.needs, "pressure", "psi")}.` : "";
  const same = best.size === rig.tip?.size ? " It is the size that is on: this is the pressure lever." : "";
  return {
    ...answer,
    feasible: true,
    why: `Size ${best.size} gives the flow at ${show(best.needs, "pressure", "psi")}.${next}${same} Swath again, and a new tip is a new calibration: prove it.`,
  };
}

function speedLever({ rig, speed, timePer1000 }: LeverInput, s: number): Remedy {
  const expect: Expectation | null = timePer1000 ? { of: "pace", value: make(num(timePer1000) * s) } : null;
  if (!speed)
    return {
      lever: "speed",
      feasible: false,
      setTo: null,
      expect,
      why: "The travel speed is not known: measure the swath or time a distance.",
    };
  const setTo = make<"speed">(num(speed) / s);
  const feasible = !onFoot(rig.kind) || atMost(raw(setTo), raw(WALKABLE));
  const shown = show(setTo, "speed", "mph");
  return {
    lever: "speed",
    feasible,
    setTo,
    expect,
    why: feasible ? `Go at ${shown} and time it again.` : `It would take ${shown} on foot: 4.5 mph is the most.`,
  };
}

function remixLever({ actual, usable, carrierAtLeast }: LeverInput): Remedy {
  const setTo = usable ? make<"area">(raw(usable.value) / raw(actual)) : null;
  const answer = { lever: "remix", setTo, expect: null } as const;
  if (carrierAtLeast !== undefined && !atLeast(raw(actual), raw(carrierAtLeast))) {
    const why = `The label asks for at least ${show(carrierAtLeast, "sprayVolume", "gal/1000 ft2")}.`;
    return { ...answer, feasible: false, why };
  }
  if (!setTo) return { ...answer, feasible: false, why: "The tank's usable volume is not known." };
  return { ...answer, feasible: true, why: `Leave it, and mix each tank for ${show(setTo, "area", "ft2")}.` };
}
