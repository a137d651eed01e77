import { airOf, type Air } from "@/core/conditions/air";
import { judgeGround, type GroundLimits } from "@/core/conditions/ground";
import {
  hardestOf,
  judgeConditions,
  MOST_WIND,
  WHENS,
  type ConditionLimits,
  type ConditionReason,
  type Conditions,
  type ReasonCode,
  type When,
  type Wind,
} from "@/core/conditions/judge";
import { parseTemperature } from "@/core/conditions/temperature";
import { isSpread } from "@/core/mixing/pouring-order";
import { good, type Issue, type Result } from "@/core/issue";
import { compare } from "@/core/quantity/arithmetic";
import type { Quantity } from "@/core/quantity/kinds";
import { entered, parseQuantity } from "@/core/quantity/parse";
import { quantity } from "@/core/quantity/quantity";
import type { CardText } from "./card/card";
import { cardOfProduct } from "./gear";
import type { ProductText } from "./job-file/types";
import { ruleName, type LocalRule } from "./local-rules";
import type { DaysBefore } from "./season/days-before";
import { readMetar } from "./weather/metar";

/** What somebody saw of the weather before a mix goes down: a station's report, or what was measured there. */
export interface AirText {
  readonly when: When;
  /** A METAR; else what was measured on the ground. */
  readonly metar?: string;
  /** "6 mph", or "calm"; gusts; degrees that it comes from. */
  readonly wind?: string;
  /** Whether the wind was measured there or guessed. Without it a "calm" counts as guessed, a speed as measured. */
  readonly windMeasured?: WindMeasured;
  readonly gust?: string;
  readonly from?: number;
  readonly air?: string;
  readonly dewPoint?: string;
  readonly wet?: boolean;
  /** Of the soil at the place, beside a report too. */
  readonly soil?: string;
  /** The id of the site at which it was seen, where it was looked at for several; it says nothing of the others. */
  readonly site?: string;
  /** Kept by a server whose clock stood before the newest moment on record: it says nothing of now. */
  readonly clock?: "behind";
}

export const WIND_MEASURED = ["measured", "guessed"] as const;
export type WindMeasured = (typeof WIND_MEASURED)[number];

export interface AirSeen {
  readonly when: When;
  readonly station: string | null;
  /** A report's own day, hour and minute, "101653Z"; null of what was seen on the ground. */
  readonly reported: string | null;
  /** The wind was guessed: it answers no limit, and stands as not known. */
  readonly guessed: boolean;
  readonly wind: Wind | null;
  /** °C; null where it wasn't seen. */
  readonly temperature: number | null;
  /** Humidity, wet bulb and delta-T; null without a dew point. */
  readonly air: Air | null;
  readonly wet: readonly string[];
  /** Somebody said whether it is wet: of what was seen on the ground; a report always does. */
  readonly wetKnown: boolean;
  /** Of the soil at the place, °C; null where nobody measured it. */
  readonly soil: number | null;
  /** Groups of a report that nobody could read. */
  readonly unread: readonly string[];
}

const KEYS = ["when", "metar", "wind", "windMeasured", "gust", "from", "air", "dewPoint", "wet", "soil", "site", "clock"];

/** @returns what was seen, or every fault with its field */
export function readAir(told: unknown): Result<AirSeen> {
  const text = (typeof told === "object" && told !== null ? told : {}) as Record<string, unknown>;
  const issues: Issue[] = Object.keys(text)
    .filter((key) => !KEYS.includes(key))
    .map((key) => ({ path: key, code: "unknown-key", received: key, expected: KEYS.join(", ") }));
  const when = WHENS.find((one) => one === text.when);
  if (!when) issues.push({ path: "when", code: "not-a-choice", received: String(text.when), expected: WHENS.join(", ") });
  const soil = degreesOf(text, "soil", issues);
  if (text.site !== undefined && typeof text.site !== "string")
    issues.push({ path: "site", code: "wrong-type", received: typeof text.site, expected: "the site at which it was seen" });
  if (text.metar !== undefined) {
    const report = typeof text.metar === "string" ? readMetar(text.metar, "metar") : readMetar("", "metar");
    if (!report.ok) issues.push(...report.issues);
    if (issues.length > 0 || !report.ok) return { ok: false, issues };
    const { station, time, wind, air, dewPoint, wet, unread, weatherUnknown } = report.value;
    const said = { station, reported: time, guessed: false, wind, wet, wetKnown: !weatherUnknown, unread };
    return good({ when: when!, ...said, temperature: air, air: airOf(air, dewPoint), soil });
  }
  const blows = windOf(text, issues);
  const { windMeasured } = text;
  if (windMeasured !== undefined && !WIND_MEASURED.includes(windMeasured as WindMeasured))
    issues.push({
      path: "windMeasured",
      code: "not-a-choice",
      received: String(windMeasured),
      expected: WIND_MEASURED.join(", "),
    });
  const guessed = windMeasured === "guessed" || (text.wind === "calm" && windMeasured !== "measured");
  const wind = guessed ? null : blows;
  const [air, dewPoint] = [degreesOf(text, "air", issues), degreesOf(text, "dewPoint", issues)];
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
  const said = { station: null, reported: null, guessed, wind, wet, wetKnown: text.wet !== undefined, unread: [] };
  return good({ when: when!, ...said, temperature: air, air: airOf(air, dewPoint), soil });
}

function degreesOf(text: Record<string, unknown>, key: string, issues: Issue[]): number | null {
  if (text[key] === undefined) return null;
  const read = parseTemperature(text[key], key);
  if (!read.ok) issues.push(...read.issues);
  return read.ok ? read.value.celsius : null;
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

/** What a mix is held against beside its labels. */
export interface AirBeside {
  /** Rules of the place. */
  readonly rules?: readonly LocalRule[] | undefined;
  /** What was measured in the days before; nothing of it where it is left out. */
  readonly before?: DaysBefore | undefined;
}

type Says = Pick<CardText, "wind" | "airLeast" | "airMost">;

/** A limit of the wind: as it was written, and whose it is; ours has no writing. */
export interface WindLimit {
  readonly value: Quantity<"speed">;
  readonly text: string | null;
  readonly by: { readonly of: "label" | "rule" | "ours"; readonly name: string };
}

/** Every limit of the wind that holds a mix, the strictest first: of its labels, of the place and the firm, and ours where no label says. */
export function windLimits(cards: readonly (Says & { readonly name: string })[], rules: readonly LocalRule[]): WindLimit[] {
  const of = (wind: string | undefined, by: WindLimit["by"]): WindLimit[] =>
    wind === undefined ? [] : [{ value: entered(wind, "speed").value, text: wind, by }];
  const labels = cards.flatMap(({ wind, name }) => of(wind, { of: "label", name }));
  const ours: WindLimit = { value: MOST_WIND, text: null, by: { of: "ours", name: "our ceiling, where no label says" } };
  // A rule of the place is beside the label's limit, or ours: it never stands for it.
  return [
    ...rules.flatMap((rule) => of(rule.wind, { of: "rule", name: ruleName(rule) })),
    ...(labels.length > 0 ? labels : [ours]),
  ].sort((a, b) => compare(a.value, b.value));
}

/** The limits of some labels together, and of the rules of the place; our ceiling for the wind where no label says another. */
export function limitsOfCards(cards: readonly Says[], rules: readonly LocalRule[] = []): ConditionLimits {
  const all = [...cards.map((says) => ({ says, by: undefined })), ...rules.map((rule) => ({ says: rule, by: ruleName(rule) }))];
  const wind = windLimits(
    cards.map((says) => ({ ...says, name: "" })),
    rules,
  )[0]!;
  const degrees = (of: (says: Says) => string | undefined) =>
    all.flatMap(({ says, by }) => {
      const value = celsiusOf(of(says));
      return value === undefined ? [] : [{ value, by }];
    });
  const [least] = degrees((says) => says.airLeast).sort((a, b) => b.value - a.value);
  const [most] = degrees((says) => says.airMost).sort((a, b) => a.value - b.value);
  const by = { wind: wind.by.of === "rule" ? wind.by.name : undefined, airAtLeast: least?.by, airAtMost: most?.by };
  return {
    wind: wind.value,
    ...(least && { airAtLeast: least.value }),
    ...(most && { airAtMost: most.value }),
    ...(Object.values(by).some((one) => one !== undefined) && { by }),
  };
}

const celsiusOf = (text: string | undefined): number | undefined => {
  const read = text === undefined ? undefined : parseTemperature(text);
  return read?.ok ? read.value.celsius : undefined;
};

/** What a label asks of the soil, and of the days before. */
function groundLimits({ soilLeast, soilMost, airMost, airOver }: Partial<CardText>): GroundLimits {
  const atMost = celsiusOf(airMost);
  return {
    soilAtLeast: celsiusOf(soilLeast),
    soilAtMost: celsiusOf(soilMost),
    days: airOver === undefined || atMost === undefined ? undefined : { count: Number.parseInt(airOver, 10), atMost },
  };
}

const OF_DROPLETS: readonly ReasonCode[] = ["inversion-possible", "dries-fast", "dries-slowly"];

/** Whether what was seen lets a mix be sprayed, or spread. */
export function judgeAir(seen: AirSeen, products: readonly ProductText[], { rules, before }: AirBeside = {}): Conditions {
  const { reasons: air } = judgeSeen(seen, limitsOfCards(products.map(cardOfProduct), rules));
  const isDry = products.length > 0 && products.every((product) => isSpread({ ...cardOfProduct(product), form: product.form }));
  const known = { soil: seen.soil, series: before?.soil ?? null, highs: before?.highs ?? [] };
  const said = new Map<string, ConditionReason>();
  for (const product of products)
    for (const reason of judgeGround(known, groundLimits(cardOfProduct(product)))) said.set(reason.text("us"), reason);
  // A granule has no droplets: it neither hangs in still air nor dries on its way.
  const reasons = [...air.filter(({ code }) => !isDry || !OF_DROPLETS.includes(code)), ...said.values()];
  return { verdict: hardestOf(reasons), reasons };
}

export const judgeSeen = ({ wind, temperature, air, wet, when }: AirSeen, limits: ConditionLimits): Conditions =>
  judgeConditions({ wind, air: temperature, deltaT: air?.deltaT ?? null, wet }, limits, when);
