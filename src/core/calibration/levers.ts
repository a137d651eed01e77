import { show } from "../quantity/format";
import { make, raw, type Quantity } from "../quantity/kinds";
import { quantity } from "../quantity/quantity";
import type { Entered } from "../quantity/parse";
import { num, type Source } from "../working/rule";
import { onFoot, type RigBasics } from "./evidence";
import { WALKABLE } from "./warnings";

/**
 * Four ways to act when the spray volume is not what is wanted. With s = wanted / actual: pressure P·s² (flow goes with
 * its square root), the tip whose rated flow fits, speed v/s, or leave it and mix for what really goes down.
 * Source: the square-root law of orifice flow; the rest follows from q = f·T/A.
 */
export type Remedy =
  | { readonly lever: "pressure"; readonly feasible: boolean; readonly setTo: Quantity<"pressure"> | null; readonly why: string }
  | { readonly lever: "tip"; readonly feasible: boolean; readonly setTo: string | null; readonly why: string }
  | { readonly lever: "speed"; readonly feasible: boolean; readonly setTo: Quantity<"speed"> | null; readonly why: string }
  | { readonly lever: "remix"; readonly feasible: boolean; readonly setTo: Quantity<"area"> | null; readonly why: string };

/** Tips sold by size, in tenths of a gallon a minute at 40 psi. Source (from memory): ISO 10625 and extension handbooks. */
export const TIP_SIZES = ["005", "0067", "01", "015", "02", "025", "03", "04", "05", "06", "08", "10", "15", "20"] as const;

/** The flow of a size at 40 psi: "025" is 0.25 gal/min. Undefined where the text is no size. */
export function ratedFlow(size: string): Quantity<"flow"> | undefined {
  if (!/^\d{2,4}$/.test(size)) return undefined;
  // The first two digits are whole tenths, what follows is a fraction of one.
  const tenths = Number(`${size.slice(0, 2)}.${size.slice(2)}`);
  return tenths > 0 ? quantity("flow", tenths / 10, "gal/min") : undefined;
}

const RATED_AT = quantity("pressure", 40, "psi");
/** Where ordinary turf tips work (common practice). */
const LOWEST = quantity("pressure", 15, "psi");
const HIGHEST = quantity("pressure", 60, "psi");

export interface LeverInput {
  readonly actual: Quantity<"sprayVolume">;
  readonly wanted: Quantity<"sprayVolume">;
  readonly rig: RigBasics;
  readonly flow: Source<"flow"> | null;
  readonly speed: Source<"speed"> | null;
  /** Of the tank that is mixed in, and the highest carrier minimum of the products, where they are known. */
  readonly usable?: Entered<"volume">;
  readonly carrierAtLeast?: Quantity<"sprayVolume">;
}

/** All four levers, each with what to set, whether it can be done and why. */
export function levers(input: LeverInput): Remedy[] {
  const s = raw(input.wanted) / raw(input.actual);
  return [pressureLever(input, s), tipLever(input, s), speedLever(input, s), remixLever(input)];
}

function pressureLever({ rig }: LeverInput, s: number): Remedy {
  const pressure = rig.tip?.pressure;
  if (!pressure)
    return {
      lever: "pressure",
      feasible: false,
      setTo: null,
      why: "The pressure at the tip is not known: read it while spraying.",
    };
  const setTo = make<"pressure">(raw(pressure.value) * s * s);
  const feasible = raw(setTo) >= raw(LOWEST) && raw(setTo) <= raw(HIGHEST);
  const drift = s > 1 ? " Finer drops, more drift." : " Coarser drops.";
  return {
    lever: "pressure",
    feasible,
    setTo,
    why: feasible
      ? `Flow goes with the square root of pressure: ${show(setTo, "pressure", "psi")}.${drift} Measure the swath again.`
      : `It would take ${show(setTo, "pressure", "psi")}, outside the 15 to 60 psi that ordinary tips work at.`,
  };
}

function tipLever({ rig, flow }: LeverInput, s: number): Remedy {
  if (!flow) return { lever: "tip", feasible: false, setTo: null, why: "The flow was not measured: catch it first." };
  const pressure = rig.tip?.pressure;
  if (!pressure)
    return { lever: "tip", feasible: false, setTo: null, why: "The pressure at the tip is not known: read it while spraying." };
  const perOutlet = (num(flow) * s) / rig.outlets.count;
  const wanted = perOutlet * Math.sqrt(raw(RATED_AT) / raw(pressure.value));
  const off = (size: string) => Math.abs(Math.log(raw(ratedFlow(size)!) / wanted));
  const size = TIP_SIZES.reduce((best, next) => (off(next) < off(best) ? next : best));
  const needs = make<"pressure">(raw(RATED_AT) * (perOutlet / raw(ratedFlow(size)!)) ** 2);
  const feasible = raw(needs) >= raw(LOWEST) && raw(needs) <= raw(HIGHEST);
  return {
    lever: "tip",
    feasible,
    setTo: size,
    why: feasible
      ? `Size ${size} gives the flow at ${show(needs, "pressure", "psi")}. A new tip is a new calibration: prove it.`
      : `The nearest size, ${size}, would need ${show(needs, "pressure", "psi")}.`,
  };
}

function speedLever({ rig, speed }: LeverInput, s: number): Remedy {
  if (!speed)
    return {
      lever: "speed",
      feasible: false,
      setTo: null,
      why: "The travel speed is not known: measure the swath or time a distance.",
    };
  const setTo = make<"speed">(num(speed) / s);
  const feasible = !onFoot(rig.kind) || raw(setTo) <= raw(WALKABLE);
  return {
    lever: "speed",
    feasible,
    setTo,
    why: feasible
      ? `Go at ${show(setTo, "speed", "mph")} and time it again.`
      : `It would take ${show(setTo, "speed", "mph")} on foot: 4.5 mph is the most.`,
  };
}

function remixLever({ actual, usable, carrierAtLeast }: LeverInput): Remedy {
  const setTo = usable ? make<"area">(raw(usable.value) / raw(actual)) : null;
  if (carrierAtLeast !== undefined && raw(actual) < raw(carrierAtLeast) * (1 - 1e-9))
    return {
      lever: "remix",
      feasible: false,
      setTo,
      why: `The label asks for at least ${show(carrierAtLeast, "sprayVolume", "gal/1000 ft2")}.`,
    };
  if (!setTo) return { lever: "remix", feasible: false, setTo, why: "The tank's usable volume is not known." };
  return { lever: "remix", feasible: true, setTo, why: `Leave it, and mix each tank for ${show(setTo, "area", "ft2")}.` };
}
