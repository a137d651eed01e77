import type { Quantity } from "../quantity/kinds";
import { quantity } from "../quantity/quantity";
import { atMost } from "../quantity/slack";
import { read, type System } from "../working/units";
import { raw } from "../quantity/kinds";
import { readTemperature } from "./temperature";

/** Whether the air lets somebody spray: go, wait or no, each with its reasons. What isn't known is never guessed. */

export const WHENS = ["day", "sunrise", "sunset", "night"] as const;
/** The part of the day: towards its ends and at night the air may lie in layers. */
export type When = (typeof WHENS)[number];

export const VERDICTS = ["go", "wait", "no"] as const;
export type Verdict = (typeof VERDICTS)[number];

export interface Wind {
  /** Degrees from north that it comes from; null where it comes from anywhere. */
  readonly from: number | null;
  readonly variable: boolean;
  readonly speed: Quantity<"speed">;
  readonly gust: Quantity<"speed"> | null;
}

/** What was seen; null where it wasn't. */
export interface Seen {
  readonly wind: Wind | null;
  /** °C. */
  readonly air: number | null;
  /** K. */
  readonly deltaT: number | null;
  /** Something falls, or freezes on: the groups that say so. */
  readonly wet: readonly string[];
  /** Whether it is wet can't be told. */
  readonly weatherUnknown?: boolean | undefined;
}

export interface ConditionLimits {
  /** Our ceiling where nobody says another one. */
  readonly wind?: Quantity<"speed"> | undefined;
  /** °C. */
  readonly airAtLeast?: number | undefined;
  readonly airAtMost?: number | undefined;
  /** Whose limit each of them is, where it is neither a label's nor ours. */
  readonly by?: { readonly [K in "wind" | "airAtLeast" | "airAtMost"]?: string | undefined } | undefined;
}

export type ReasonCode =
  | "wind-over-limit"
  | "air-over-limit"
  | "air-under-limit"
  | "soil-under-limit"
  | "soil-over-limit"
  | "days-over-limit"
  | "rain-now"
  | "inversion-possible"
  | "dries-fast"
  | "dries-slowly"
  | "report-old"
  | "report-ahead"
  | "not-known";

export interface ConditionReason {
  readonly code: ReasonCode;
  readonly verdict: Exclude<Verdict, "go">;
  /** In words, in the reader's units. */
  readonly text: (system: System) => string;
}

/** Our ceiling for wind where no label says another (trade: common practice). */
export const MOST_WIND = quantity("speed", 10, "mph");
/** Under this near sunrise, sunset and at night the air may be in layers (common practice). */
export const CALM = quantity("speed", 3, "mph");
/** Delta-T within which droplets neither dry on the way nor hang, K (common practice). */
export const DELTA_T = { least: 2, most: 10 } as const;

export interface Conditions {
  readonly verdict: Verdict;
  readonly reasons: readonly ConditionReason[];
}

/** Judges what was seen against limits. The hardest reason is the verdict. */
export function judgeConditions(seen: Seen, limits: ConditionLimits, when: When): Conditions {
  const reasons = [...windReasons(seen.wind, limits, when), ...airReasons(seen, limits)];
  return { verdict: hardestOf(reasons), reasons };
}

/** A report that says nothing of the moment that is asked about. @param minutes its age, below zero where it is ahead */
export function ageReason(age: "now" | "old" | "ahead", minutes: number): ConditionReason | undefined {
  const rounded = Math.round(Math.abs(minutes));
  if (age === "old") return reason("report-old", "wait", () => `the report is ${rounded} min old: weather turns within the hour`);
  if (age === "ahead") return reason("report-ahead", "wait", () => `the report is ${rounded} min ahead: a clock is wrong`);
  return undefined;
}

/** The hardest of some reasons; go where there is none. */
export const hardestOf = (reasons: readonly ConditionReason[]): Verdict =>
  reasons.reduce<Verdict>(
    (hardest, { verdict }) => (VERDICTS.indexOf(verdict) > VERDICTS.indexOf(hardest) ? verdict : hardest),
    "go",
  );

const byWhom = (by: string | undefined): string => (by === undefined ? "" : ` (${by})`);

const reason = (code: ReasonCode, verdict: ConditionReason["verdict"], text: ConditionReason["text"]): ConditionReason => ({
  code,
  verdict,
  text,
});

function windReasons(wind: Wind | null, { wind: most = MOST_WIND, by }: ConditionLimits, when: When): ConditionReason[] {
  const whose = byWhom(by?.wind);
  const say = (speed: Quantity<"speed">, system: System) => read(speed, "speed", system, { figures: 2 });
  if (!wind)
    return [reason("not-known", "wait", (s) => `the wind isn't known, and ${say(most, s)} is the most: look, or measure it`)];
  const { speed, gust } = wind;
  const reasons: ConditionReason[] = [];
  const over = (one: Quantity<"speed">) => !atMost(raw(one), raw(most));
  if (over(speed))
    reasons.push(reason("wind-over-limit", "no", (s) => `wind of ${say(speed, s)}, ${say(most, s)} is the most${whose}`));
  else if (gust && over(gust))
    reasons.push(reason("wind-over-limit", "no", (s) => `gusts of ${say(gust, s)}, ${say(most, s)} is the most${whose}`));
  if (when !== "day" && raw(speed) < raw(CALM))
    reasons.push(
      reason(
        "inversion-possible",
        "wait",
        (s) => `wind under ${say(CALM, s)} at ${when}: the air may lie in layers, and fine droplets drift in it for miles`,
      ),
    );
  return reasons;
}

function airReasons(
  { air, deltaT, wet, weatherUnknown }: Seen,
  { airAtLeast, airAtMost, by }: ConditionLimits,
): ConditionReason[] {
  const reasons: ConditionReason[] = [];
  const say = (celsius: number, system: System) => readTemperature(celsius, system);
  if (air === null && (airAtLeast !== undefined || airAtMost !== undefined))
    reasons.push(reason("not-known", "wait", () => "the temperature isn't known, and a limit asks for it"));
  if (air !== null && airAtMost !== undefined && air > airAtMost + HAIR)
    reasons.push(
      reason("air-over-limit", "no", (s) => `${say(air, s)}, ${say(airAtMost, s)} is the most${byWhom(by?.airAtMost)}`),
    );
  if (air !== null && airAtLeast !== undefined && air < airAtLeast - HAIR)
    reasons.push(
      reason("air-under-limit", "no", (s) => `${say(air, s)}, ${say(airAtLeast, s)} is the least${byWhom(by?.airAtLeast)}`),
    );
  if (wet.length > 0) reasons.push(reason("rain-now", "no", () => `it is wet now (${wet.join(", ")})`));
  else if (weatherUnknown)
    reasons.push(reason("not-known", "wait", () => "whether it is wet can't be told from the report: look"));
  if (deltaT !== null && deltaT > DELTA_T.most)
    reasons.push(reason("dries-fast", "wait", () => `delta-T ${deltaT.toFixed(1)} K: droplets dry before they land`));
  if (deltaT !== null && deltaT < DELTA_T.least)
    reasons.push(reason("dries-slowly", "wait", () => `delta-T ${deltaT.toFixed(1)} K: droplets hang in the air and drift`));
  return reasons;
}

/** A degree Fahrenheit that was written as one is no breach by rounding, K. */
export const HAIR = 1e-9;
