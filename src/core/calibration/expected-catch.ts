import { make, raw, type Quantity } from "../quantity/kinds";
import { derive, num, rule, type Derived, type Source } from "../working/rule";
import { THOUSAND } from "../working/thousand";
import type { Pace } from "./pace";

export const expectedCatchRule = rule({
  id: "expected-catch",
  version: 1,
  title: "Catch to expect",
  formula: "wanted * area / time * run",
  inputs: { wanted: "sprayVolume", area: "area", time: "time", run: "time" },
  output: "volume",
  source: "q = f·T/A, solved for f and run for the time of the catch",
  compute: ({ wanted, area, time, run }) => ((num(wanted) * num(area)) / num(time)) * num(run),
});

/**
 * What a catch should hold if the spray volume is as wanted: shown before the catch, so that the vessel is large enough
 * and a reading far off is noticed at once.
 */
export function expectedCatch(wanted: Source<"sprayVolume">, pace: Pace, run: Source<"time">): Derived<"volume"> {
  return derive(expectedCatchRule, { wanted, area: pace.area, time: pace.time, run });
}

/** What a flow fills in a time. */
export const volumeIn = (flow: Quantity<"flow">, time: Quantity<"time">): Quantity<"volume"> => make(raw(flow) * raw(time));

/** What a minute must give so that a pace that somebody means to keep gives the wanted spray volume. */
export const minuteFor = (wanted: Quantity<"sprayVolume">, timePer1000: Quantity<"time">): Quantity<"volume"> =>
  make((raw(wanted) * num(THOUSAND) * 60) / raw(timePer1000));

/** The flow of a catch. */
export const flowOfCatch = (volume: Quantity<"volume">, time: Quantity<"time">): Quantity<"flow"> =>
  make(raw(volume) / raw(time));
