import { derive, num, rule, type Derived, type Source } from "../working/rule";

export const stripTimeRule = rule({
  id: "strip-time",
  version: 1,
  title: "Seconds for the strip",
  formula: "strip * pace / thousand",
  inputs: { strip: "area", pace: "time", thousand: "area" },
  output: "time",
  source: "proportion: the pace for 1,000 sq ft, for so much of it",
  compute: ({ strip, pace, thousand }) => (num(strip) * num(pace)) / num(thousand),
});

export const stripTime = (strip: Source<"area">, pace: Source<"time">, thousand: Source<"area">): Derived<"time"> =>
  derive(stripTimeRule, { strip, pace, thousand });

/** Seconds left at which a countdown speaks. */
export const CALLS = [30, 10, 0] as const;

/**
 * A countdown that stops with the spray: what was sprayed counts, what passes while it is shut off doesn't. Moments are seconds of
 * one clock.
 */
export interface Countdown {
  readonly wanted: number;
  /** Sprayed before the last start. */
  readonly before: number;
  /** Since when it sprays; null while it is shut off. */
  readonly since: number | null;
}

export const fresh = (wanted: number): Countdown => ({ wanted, before: 0, since: null });
export const sprayed = ({ before, since }: Countdown, now: number): number =>
  before + (since === null ? 0 : Math.max(0, now - since));
export const left = (one: Countdown, now: number): number => one.wanted - sprayed(one, now);
export const opened = (one: Countdown, now: number): Countdown => (one.since === null ? { ...one, since: now } : one);
export const shutOff = (one: Countdown, now: number): Countdown => ({ ...one, before: sprayed(one, now), since: null });

/** The calls that fall between two moments of spraying: the seconds left, of which it speaks; none twice, and none that a short strip never had. */
export const callsBetween = (one: Countdown, from: number, to: number): number[] =>
  CALLS.filter((call) => call < one.wanted && left(one, from) > call && left(one, to) <= call);
