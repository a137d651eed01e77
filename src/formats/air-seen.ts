import { airOf, type Air } from "@/core/conditions/air";
import {
  judgeConditions,
  MOST_WIND,
  WHENS,
  type ConditionLimits,
  type ConditionReason,
  type Conditions,
  type When,
  type Wind,
} from "@/core/conditions/judge";
import { parseTemperature } from "@/core/conditions/temperature";
import { good, type Issue, type Result } from "@/core/issue";
import { compare } from "@/core/quantity/arithmetic";
import type { Quantity } from "@/core/quantity/kinds";
import { entered, parseQuantity } from "@/core/quantity/parse";
import { quantity } from "@/core/quantity/quantity";
import type { CardText } from "./card/card";
import { cardOfProduct } from "./gear";
import type { ProductText } from "./job-file/types";
import { readMetar } from "./weather/metar";

/** What somebody saw of the weather before a mix goes down: a station's report, or what was measured there. */
export interface AirText {
  readonly when: When;
  /** A METAR; else what was measured on the ground. */
  readonly metar?: string;
  /** "6 mph", or "calm"; gusts; degrees that it comes from. */
  readonly wind?: string;
  readonly gust?: string;
  readonly from?: number;
  readonly air?: string;
  readonly dewPoint?: string;
  readonly wet?: boolean;
}

export interface AirSeen {
  readonly when: When;
  readonly station: string | null;
  readonly wind: Wind | null;
  /** °C; null where it wasn't seen. */
  readonly temperature: number | null;
  /** Humidity, wet bulb and delta-T; null without a dew point. */
  readonly air: Air | null;
  readonly wet: readonly string[];
  /** Groups of a report that nobody could read. */
  readonly unread: readonly string[];
}

const KEYS = ["when", "metar", "wind", "gust", "from", "air", "dewPoint", "wet"];

/** @returns what was seen, or every fault with its field */
export function readAir(told: unknown): Result<AirSeen> {
  const text = (typeof told === "object" && told !== null ? told : {}) as Record<string, unknown>;
  const issues: Issue[] = Object.keys(text)
    .filter((key) => !KEYS.includes(key))
    .map((key) => ({ path: key, code: "unknown-key", received: key, expected: KEYS.join(", ") }));
  const when = WHENS.find((one) => one === text.when);
  if (!when) issues.push({ path: "when", code: "not-a-choice", received: String(text.when), expected: WHENS.join(", ") });
  if (text.metar !== undefined) {
    const report = typeof text.metar === "string" ? readMetar(text.metar, "metar") : readMetar("", "metar");
    if (!report.ok) issues.push(...report.issues);
    if (issues.length > 0 || !report.ok) return { ok: false, issues };
    const { station, wind, air, dewPoint, wet, unread } = report.value;
    return good({ when: when!, station, wind, temperature: air, air: airOf(air, dewPoint), wet, unread });
  }
  const wind = windOf(text, issues);
  const [air, dewPoint] = (["air", "dewPoint"] as const).map((key) => {
    if (text[key] === undefined) return null;
    const read = parseTemperature(text[key], key);
    if (!read.ok) issues.push(...read.issues);
    return read.ok ? read.value.celsius : null;
  }) as [number | null, number | null];
  if (air !== null && dewPoint !== null && dewPoint > air)
    issues.push({
      path: "dewPoint",
      code: "contradiction",
      received: "a dew point over the air",
      expected: "one that is no higher",
    });
  if (text.wet !== undefined && typeof text.wet !== "boolean")
    issues.push({ path: "wet", code: "wrong-type", received: String(text.wet), expected: "true or false" });
  if (text.wind === undefined && air === null && text.wet !== true && issues.length === 0)
    issues.push({ path: "wind", code: "missing", received: "", expected: `"6 mph", or a report` });
  if (issues.length > 0) return { ok: false, issues };
  const wet = text.wet === true ? ["seen"] : [];
  return good({ when: when!, station: null, wind, temperature: air, air: airOf(air, dewPoint), wet, unread: [] });
}

function windOf(text: Record<string, unknown>, issues: Issue[]): Wind | null {
  const speedOf = (key: "wind" | "gust"): Quantity<"speed"> | null => {
    const told = text[key];
    if (told === undefined) return null;
    if (told === "calm") return quantity("speed", 0, "m/s");
    const read = parseQuantity(told, "speed", { path: key, zero: true });
    if (!read.ok) issues.push(...read.issues);
    return read.ok ? read.value.value : null;
  };
  const [speed, gust] = [speedOf("wind"), speedOf("gust")];
  const { from } = text;
  if (from !== undefined && !(typeof from === "number" && from >= 0 && from <= 360))
    issues.push({ path: "from", code: "out-of-range", received: String(from), expected: "from 0 to 360 degrees" });
  return speed === null ? null : { from: typeof from === "number" ? from : null, variable: false, speed, gust };
}

/** The limits of all labels of a mix together; our ceiling for the wind where none says another. */
export const airLimits = (products: readonly ProductText[]): ConditionLimits => limitsOfCards(products.map(cardOfProduct));

export function limitsOfCards(cards: readonly Pick<CardText, "wind" | "airLeast" | "airMost">[]): ConditionLimits {
  const winds = cards.flatMap((card) => (card.wind === undefined ? [] : [entered(card.wind, "speed").value]));
  const degrees = (of: (card: (typeof cards)[number]) => string | undefined): number[] =>
    cards.flatMap((card) => {
      const read = of(card) === undefined ? undefined : parseTemperature(of(card));
      return read?.ok ? [read.value.celsius] : [];
    });
  const [least, most] = [degrees((card) => card.airLeast), degrees((card) => card.airMost)];
  return {
    wind: winds.sort(compare)[0] ?? MOST_WIND,
    ...(least.length > 0 && { airAtLeast: Math.max(...least) }),
    ...(most.length > 0 && { airAtMost: Math.min(...most) }),
  };
}

/** Whether what was seen lets a mix be sprayed. */
export const judgeAir = (seen: AirSeen, products: readonly ProductText[]): Conditions => judgeSeen(seen, airLimits(products));

export const judgeSeen = ({ wind, temperature, air, wet, when }: AirSeen, limits: ConditionLimits): Conditions =>
  judgeConditions({ wind, air: temperature, deltaT: air?.deltaT ?? null, wet }, limits, when);

/** Why no container is opened: what was seen last still counts and says no. What nobody looked at says nothing. */
export function airHolds(
  last: { readonly at: string; readonly seen: AirText } | null | undefined,
  products: readonly ProductText[],
  now: string,
): readonly ConditionReason[] {
  const seen = last && airCounts(last.at, now) ? readAir(last.seen) : undefined;
  if (!seen?.ok) return [];
  const { verdict, reasons } = judgeAir(seen.value, products);
  return verdict === "no" ? reasons.filter((one) => one.verdict === "no") : [];
}

/** So long what was seen counts, minutes (ours): weather turns within hours. */
export const AIR_COUNTS = 120;

/** Whether what was seen at a moment still counts at another one. */
export const airCounts = (seenAt: string, now: string): boolean =>
  Math.abs(Date.parse(now) - Date.parse(seenAt)) <= AIR_COUNTS * 60_000;
