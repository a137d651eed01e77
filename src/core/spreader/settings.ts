import { make, raw, type Quantity } from "../quantity/kinds";
import { isSame } from "../quantity/slack";

/**
 * A spreader's settings from what was caught or weighed at some of them: the one that gives a wanted rate lies between two neighbours
 * that were tried, by a straight line (common practice). What wasn't tried on either side is never guessed.
 */

/** What was used on how much ground at a setting; of lettered ones A is 1. */
export interface SpreadTrial {
  readonly setting: number;
  readonly used: Quantity<"mass">;
  readonly ground: Quantity<"area">;
}

export interface TriedSetting {
  readonly setting: number;
  /** The mean of its trials' rates. */
  readonly rate: Quantity<"rateByWeight">;
  readonly trials: number;
  /** Greatest less least over the mean, a part; null of one trial. */
  readonly spread: number | null;
}

export type SpreaderWarning = "trials-disagree" | "not-rising" | "one-trial" | "far-apart";

export interface SpreaderSetting {
  readonly settings: readonly TriedSetting[];
  readonly perPass: Quantity<"rateByWeight">;
  /** Null where none of what was tried brackets it, or more than one pair does. */
  readonly setting: number | null;
  readonly try: "higher" | "lower" | null;
  /** The settings that it was taken from: one that was tried, or two neighbours. */
  readonly from: readonly TriedSetting[];
  readonly warnings: readonly SpreaderWarning[];
}

/** Trials of one setting that differ by more are no calibration (common practice). */
const DISAGREE = 0.1;
/** Neighbours whose rates differ by more are no straight line (ours). */
const FAR = 2;

/** The settings that were tried, rising. */
export function triedSettings(trials: readonly SpreadTrial[]): TriedSetting[] {
  const rates = new Map<number, number[]>();
  for (const { setting, used, ground } of trials) rates.set(setting, [...(rates.get(setting) ?? []), raw(used) / raw(ground)]);
  return [...rates]
    .sort(([a], [b]) => a - b)
    .map(([setting, own]) => {
      const mean = own.reduce((sum, one) => sum + one, 0) / own.length;
      const spread = own.length === 1 ? null : (Math.max(...own) - Math.min(...own)) / mean;
      return { setting, rate: make<"rateByWeight">(mean), trials: own.length, spread };
    });
}

/** @param wanted for the ground, over all passes */
export function settingFor(trials: readonly SpreadTrial[], wanted: Quantity<"rateByWeight">, passes: 1 | 2): SpreaderSetting {
  const settings = triedSettings(trials);
  const aim = raw(wanted) / passes;
  const rate = (one: TriedSetting) => raw(one.rate);
  const pairs = settings.slice(1).map((higher, i) => [settings[i]!, higher] as const);
  const exact = settings.filter((one) => isSame(rate(one), aim));
  // What was tried just so goes before a line between two others; of several nobody can say which.
  const between = exact.length > 0 ? [] : pairs.filter(([low, high]) => (rate(low) - aim) * (rate(high) - aim) < 0);
  const found = exact.length + between.length;
  const from = found === 1 ? (exact.length === 1 ? exact : [...between[0]!]) : [];
  const [low, high] = from;
  const setting = !low
    ? null
    : high
      ? low.setting + ((aim - rate(low)) / (rate(high) - rate(low))) * (high.setting - low.setting)
      : low.setting;
  const all = settings.map(rate);
  const beyond = found > 0 ? null : aim > Math.max(...all) ? "higher" : "lower";
  const warnings: SpreaderWarning[] = [
    ...(settings.some(({ spread }) => spread !== null && spread > DISAGREE) ? (["trials-disagree"] as const) : []),
    ...(pairs.some(([a, b]) => rate(b) < rate(a) && !isSame(rate(b), rate(a))) ? (["not-rising"] as const) : []),
    ...(from.some(({ trials: count }) => count === 1) ? (["one-trial"] as const) : []),
    ...(from.length === 2 && Math.max(...from.map(rate)) > FAR * Math.min(...from.map(rate)) ? (["far-apart"] as const) : []),
  ];
  return { settings, perPass: make(aim), setting, try: beyond, from, warnings };
}
