import { raw, type Kind, type Quantity } from "./kinds";
import type { Entered } from "./parse";
import { unitNamed } from "./unit";
import type { UnitOf } from "./units";
import { SLACK } from "./slack";

/** How a reading is rounded: once, at display. `down` is for anything that a limit bounds. */
export interface Rounding {
  /** Significant figures; whole units are never rounded away. */
  readonly figures?: number;
  readonly decimals?: number;
  /** To the step of a scale or the graduation of a cup, in the unit shown. */
  readonly step?: number;
  readonly down?: boolean;
}

/** The named rules. */
export const ROUNDING = {
  rate: { figures: 3 },
  amount: { figures: 3 },
  /** An amount that must not be measured up past what was worked out. */
  amountDown: { figures: 3, down: true },
  area: { decimals: 0 },
  seconds: { decimals: 1 },
  whole: { decimals: 0 },
  percent: { figures: 2 },
} as const satisfies Record<string, Rounding>;

const BY_KIND: Record<Kind, Rounding> = {
  length: ROUNDING.rate,
  area: ROUNDING.area,
  volume: ROUNDING.amount,
  mass: ROUNDING.amount,
  time: ROUNDING.seconds,
  speed: ROUNDING.rate,
  pressure: ROUNDING.rate,
  flow: ROUNDING.rate,
  precipitation: ROUNDING.rate,
  sprayVolume: ROUNDING.rate,
  rateByWeight: ROUNDING.rate,
  rateByVolume: ROUNDING.rate,
  strengthByWeight: ROUNDING.rate,
  strengthByVolume: ROUNDING.rate,
  activeRate: ROUNDING.rate,
  activeStrength: ROUNDING.rate,
  share: ROUNDING.percent,
  dilution: ROUNDING.rate,
  count: ROUNDING.whole,
  gravity: ROUNDING.rate,
};

/** Rounds a plain number by a rule: the number and the decimals it is to be written with. */
export function roundBy(value: number, rule: Rounding): { value: number; decimals: number } {
  if (rule.step !== undefined) {
    const steps = value / rule.step;
    const whole = rule.down ? Math.floor(steps * (1 + SLACK)) : Math.round(steps);
    const decimals = Math.max(0, Math.min(9, (String(rule.step).split(".")[1] ?? "").length));
    return { value: whole * rule.step, decimals };
  }
  const decimals =
    rule.decimals ??
    Math.max(
      0,
      Math.min(12, (rule.figures ?? 3) - 1 - (value === 0 ? 0 : Math.floor(Math.log10(Math.abs(value) * (1 + SLACK))))),
    );
  const scale = 10 ** decimals;
  const scaled = value * scale;
  return { value: (rule.down ? Math.floor(scaled * (1 + SLACK)) : Math.round(scaled * (1 + 1e-12))) / scale, decimals };
}

const writers = new Map<string, Intl.NumberFormat>();

/** A rounded number with thousands commas and a decimal point, without trailing zeros. */
export function writeNumber(value: number, rule: Rounding = ROUNDING.rate): string {
  const rounded = roundBy(value, rule);
  const fixed = rule.decimals !== undefined || rule.step !== undefined;
  const key = `${rounded.decimals}${fixed}`;
  let writer = writers.get(key);
  if (!writer) {
    writer = new Intl.NumberFormat("en-US", {
      maximumFractionDigits: rounded.decimals,
      minimumFractionDigits: fixed ? rounded.decimals : 0,
    });
    writers.set(key, writer);
  }
  return writer.format(rounded.value);
}

const SYMBOLS: Record<string, string> = { ft2: "sq ft", yd2: "sq yd", m2: "m²", ac: "acre", "%v/v": "% v/v" };

/** A unit as a person reads it: `gal/1000 ft2` → `gal per 1,000 sq ft`. The only place that writes unit symbols. */
export function unitText(unit: string): string {
  if (unit === "%v/v") return SYMBOLS["%v/v"]!;
  if (["mph", "km/h", "m/s", "ft/min"].includes(unit)) return unit;
  const [over, under] = unit.split("/") as [string, string?];
  const symbol = (name: string) => SYMBOLS[name] ?? name;
  const counted = (name: string) => {
    const parts = /^(\d+) (.+)$/.exec(name);
    return parts ? `${Number(parts[1]).toLocaleString("en-US")} ${symbol(parts[2]!)}` : symbol(name);
  };
  if (under === undefined) return counted(over);
  const below = counted(under);
  return ["min", "s", "h"].includes(under) ? `${symbol(over)}/${below}` : `${symbol(over)} per ${below}`;
}

/** A quantity in a unit, rounded and with its symbol: `2.33 gal per 1,000 sq ft`. */
export function show<K extends Kind>(value: Quantity<K>, kind: K, unit: UnitOf<K>, rule: Rounding = BY_KIND[kind]): string {
  const number = writeNumber(raw(value) / unitNamed(unit).factor, rule);
  if (unit === "") return number;
  return unit === "%" || unit === ":1" ? `${number}${unit === "%" ? " %" : unit}` : `${number} ${unitText(unit)}`;
}

/** How far something is off, with its sign: +3.8 %, −0.4 %. */
export function showChange(part: number, rule: Rounding = ROUNDING.percent): string {
  return `${part >= 0 ? "+" : "−"}${writeNumber(Math.abs(part) * 100, rule)} %`;
}

/** A time as people say it: 42.5 s, 7 min 30 s, 1 h 05 min. */
export function showDuration(value: Quantity<"time">): string {
  const seconds = raw(value);
  if (seconds < 120) return `${writeNumber(seconds, ROUNDING.seconds)} s`;
  const whole = Math.round(seconds);
  if (whole < 3600) return `${Math.floor(whole / 60)} min ${String(whole % 60).padStart(2, "0")} s`;
  const minutes = Math.round(seconds / 60);
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, "0")} min`;
}

/** Only the number, for a reading whose unit stands beside it in smaller type. */
export function showNumber<K extends Kind>(value: Quantity<K>, kind: K, unit: UnitOf<K>, rule: Rounding = BY_KIND[kind]): string {
  return writeNumber(raw(value) / unitNamed(unit).factor, rule);
}

/** A value as it was entered, with its unit as a person reads it: 40 psi comes back as 40 psi. */
export function showEntered(value: Entered<Kind>): string {
  if (value.text.includes(":")) return value.text;
  const typed = value.text.split(" ")[0]!;
  const number = /^\d{4,}$/.test(typed) ? Number(typed).toLocaleString("en-US") : typed;
  return value.unit === "" ? number : `${number} ${unitText(value.unit)}`;
}
