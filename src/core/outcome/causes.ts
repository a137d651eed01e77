import { raw, type Quantity } from "../quantity/kinds";
import { isWithin } from "../quantity/slack";
import { TOLERANCE } from "../calibration/calibrate";
import { THOUSAND } from "../working/thousand";
import type { SiteOutcome } from "./reconcile";

/**
 * Which constant probably moved, where what went down is off what was calibrated: q = f·T/A, so the flow, or the time that the
 * ground took, and that by the pace, the width of a pass or an area that isn't what it was taken for. People change faster
 * than machines (common practice: speed first); with a time the two can be told apart.
 */
export interface Cause {
  readonly of: "pace" | "flow" | "swath" | "area";
  /** Real over calibrated, where a time says it. */
  readonly ratio: number | null;
}

/** What the calibration knew of the time and of the flow. */
export interface Calibrated {
  readonly timePer1000: Quantity<"time"> | null;
  readonly flow: Quantity<"flow"> | null;
}

/** The likely causes, the likeliest first; none where the first passes stayed within 5 %. */
export function causesOf({ passes, next, sprayVolume, ratio: all }: SiteOutcome, { timePer1000, flow }: Calibrated): Cause[] {
  if (isWithin((all * raw(next.value)) / raw(sprayVolume.value), TOLERANCE)) return [];
  const first = passes.filter((pass) => !pass.again);
  const times = first.flatMap((pass) => pass.time?.value ?? []);
  if (times.length < first.length || !timePer1000 || !flow)
    return (["pace", "flow", "swath", "area"] as const).map((of) => ({ of, ratio: null }));
  const took = times.reduce((sum, time) => sum + raw(time), 0);
  const ground = first.reduce((sum, pass) => sum + raw(pass.covered.value), 0);
  const out = first.reduce((sum, pass) => sum + raw(pass.out.value), 0);
  const slower = took / ((raw(timePer1000) * ground) / raw(THOUSAND.value));
  const stronger = out / took / raw(flow);
  const pace: Cause[] = [
    { of: "pace", ratio: slower },
    { of: "swath", ratio: null },
    { of: "area", ratio: null },
  ];
  const flowed: Cause = { of: "flow", ratio: stronger };
  return Math.abs(Math.log(slower)) >= Math.abs(Math.log(stronger))
    ? [...pace, flowed]
    : [flowed, { of: "pace", ratio: slower }, { of: "swath", ratio: null }, { of: "area", ratio: null }];
}
