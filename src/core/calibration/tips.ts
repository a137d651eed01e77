import { make, raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { quantity } from "../quantity/quantity";
import { constant, derive, given, num, rule, type Derived, type Source } from "../working/rule";
import { atLeast, atMost, isSame } from "../quantity/slack";

/** Tips: their sizes, the square-root law, charts, wear, droplets. */

/**
 * Tips sold by size, in tenths of a gallon a minute at 40 psi, up to what guns use. Source (from memory): ISO 10625 and
 * extension handbooks; beyond 20 common practice.
 */
export const TIP_SIZES = [
  ...["005", "0067", "01", "015", "02", "025", "03", "04", "05", "06", "08", "10", "15", "20"],
  ...["25", "30", "40", "50", "60", "80"],
] as const;

/**
 * Colours of sizes and their nominal flow at 300 kPa, L/min. Source (from memory): ISO 10625, which rounds, so that its
 * flows lie up to 1.4 % above the tenths of a gallon at 40 psi that we compute from. Colour isn't always size: some tips
 * are named by their fan angle.
 */
export const ISO_TIPS = [
  { size: "01", colour: "orange", litres: 0.4 },
  { size: "015", colour: "green", litres: 0.6 },
  { size: "02", colour: "yellow", litres: 0.8 },
  { size: "025", colour: "lilac", litres: 1.0 },
  { size: "03", colour: "blue", litres: 1.2 },
  { size: "04", colour: "red", litres: 1.6 },
  { size: "05", colour: "brown", litres: 2.0 },
  { size: "06", colour: "grey", litres: 2.4 },
  { size: "08", colour: "white", litres: 3.2 },
] as const;

/** Droplet classes, finest first. Source (from memory): ANSI/ASAE S572. */
export const DROPLETS = ["very fine", "fine", "medium", "coarse", "very coarse", "extremely coarse", "ultra coarse"] as const;
export type Droplet = (typeof DROPLETS)[number];

/** The pressure that sizes are stated at. */
export const RATED_AT = constant("pressure", quantity("pressure", 40, "psi"), "40 psi");

/** Where ordinary turf tips work, where no chart says otherwise (common practice). */
export const ORDINARY_RANGE = { least: quantity("pressure", 15, "psi"), most: quantity("pressure", 60, "psi") } as const;

/** The window that booms are comfortable in, 2 to 3 bar (common practice). */
export const COMFORTABLE = { least: quantity("pressure", 2, "bar"), most: quantity("pressure", 3, "bar") } as const;

/** Beyond this of its rated flow a tip is worn or blocked. Source (from memory): ISO 16122-2, extension handbooks. */
export const WORN = 0.1;

/** The flow of a size at 40 psi: "025" is 0.25 gal/min. Undefined where the text is no size. */
export function ratedFlow(size: string): Quantity<"flow"> | undefined {
  if (!/^\d{2,4}$/.test(size)) return undefined;
  // The first two digits are whole tenths, what follows is a fraction of one.
  const tenths = Number(`${size.slice(0, 2)}.${size.slice(2)}`);
  return tenths > 0 ? quantity("flow", tenths / 10, "gal/min") : undefined;
}

/** The square-root law; its source from memory. */
export const tipFlowRule = rule({
  id: "tip-flow",
  version: 1,
  title: "Rated flow of the tips",
  formula: "count * rated * sqrt(pressure / ratedAt)",
  inputs: { count: "count", rated: "flow", pressure: "pressure", ratedAt: "pressure" },
  output: "flow",
  source: "f2 = f1 √(P2/P1), the pressure read at the tip (extension handbooks)",
  compute: ({ count, rated, pressure, ratedAt }) => num(count) * num(rated) * Math.sqrt(num(pressure) / num(ratedAt)),
});

/** As the law of orifices has it; its source from memory. */
export const denseFlowRule = rule({
  id: "dense-flow",
  version: 1,
  title: "Flow of the denser liquid",
  formula: "flow / sqrt(gravity)",
  inputs: { flow: "flow", gravity: "gravity" },
  output: "flow",
  source: "a liquid of specific gravity g flows 1/√g as fast as water (extension handbooks)",
  compute: ({ flow, gravity }) => num(flow) / Math.sqrt(num(gravity)),
});

/** One line of a tip's chart. */
export interface ChartRow {
  readonly pressure: Entered<"pressure">;
  readonly flow: Entered<"flow">;
  readonly droplet?: Droplet;
}

/** A tip as its maker's chart has it: rows from low to high pressure. */
export interface TipChart {
  readonly size: string;
  readonly rows: readonly ChartRow[];
}

/**
 * What `count` tips of a size give at a pressure, by the square-root law from 40 psi; or, where a chart is given, from
 * the chart's nearest row.
 * @throws RangeError where the size is none and no chart is given: the caller checks first.
 */
export function tipFlow(size: string, pressure: Source<"pressure">, count: number, chart?: TipChart): Derived<"flow"> {
  const many = constant("count", quantity("count", count, ""), count === 1 ? "tip" : "tips");
  const row = chart && nearestRow(chart, pressure.value);
  if (row)
    return derive(tipFlowRule, {
      count: many,
      rated: given(row.flow, "flow in the chart"),
      pressure,
      ratedAt: given(row.pressure, "pressure in the chart"),
    });
  const rated = ratedFlow(size);
  if (rated === undefined) throw new RangeError(`"${size}" is no tip size`);
  return derive(tipFlowRule, { count: many, rated: constant("flow", rated, `size ${size}`), pressure, ratedAt: RATED_AT });
}

/** The same for a liquid of another density than water. */
export function denserFlow(flow: Source<"flow">, gravity: Source<"gravity">): Derived<"flow"> {
  return derive(denseFlowRule, { flow, gravity });
}

const nearestRow = ({ rows }: TipChart, pressure: Quantity<"pressure">): ChartRow | undefined => {
  const off = (row: ChartRow) => Math.abs(Math.log(raw(row.pressure.value) / raw(pressure)));
  return rows.length === 0 ? undefined : rows.reduce((best, row) => (off(row) < off(best) ? row : best));
};

/**
 * The pressures that a rig's tip may be set to: its chart's ends; else those of ordinary tips, but not of a gun, nor of a
 * pack that works above them already: there the pump's and the tip's own limits decide, and nobody may have noted them.
 */
export function workingRange(
  gun: boolean,
  at: Quantity<"pressure">,
  chart: TipChart | undefined,
): { least: Quantity<"pressure">; most: Quantity<"pressure">; known: boolean } {
  if (chart && chart.rows.length > 0) return { ...rangeOf(chart), known: true };
  if (!gun && atMost(raw(at), raw(ORDINARY_RANGE.most))) return { ...ORDINARY_RANGE, known: true };
  return { least: make(0), most: make(Number.MAX_VALUE), known: false };
}

/** The pressures that a tip works at: its chart's ends, or those of ordinary tips. */
export function rangeOf(chart: TipChart | undefined): { least: Quantity<"pressure">; most: Quantity<"pressure"> } {
  if (!chart || chart.rows.length === 0) return ORDINARY_RANGE;
  const pressures = chart.rows.map((row) => raw(row.pressure.value));
  return { least: make(Math.min(...pressures)), most: make(Math.max(...pressures)) };
}

/**
 * The droplet class of a tip at a pressure, where its chart says. Between two rows the finer one counts, that of the
 * higher pressure: drift is judged by the worse of two.
 */
export function dropletAt(chart: TipChart | undefined, pressure: Quantity<"pressure">): Droplet | undefined {
  if (!chart) return undefined;
  const rows = [...chart.rows].sort((a, b) => raw(a.pressure.value) - raw(b.pressure.value));
  const { most, least } = rangeOf(chart);
  if (!atMost(raw(pressure), raw(most)) || !atLeast(raw(pressure), raw(least))) return undefined;
  return rows.find((row) => atLeast(raw(row.pressure.value), raw(pressure)))?.droplet;
}

/** Whether one class is finer than another. */
export const finer = (a: Droplet, b: Droplet): boolean => DROPLETS.indexOf(a) < DROPLETS.indexOf(b);

/** What happens to the drops: from one class to another where a chart knows them, else the way that it goes. */
export type DropChange = { readonly from: Droplet; readonly to: Droplet } | "same" | "finer" | "coarser";

/** What a change of pressure does to the drops. */
export function dropChange(from: Quantity<"pressure">, to: Quantity<"pressure">, chart?: TipChart): DropChange {
  const [before, after] = [dropletAt(chart, from), dropletAt(chart, to)];
  if (before && after && before !== after) return { from: before, to: after };
  if (isSame(raw(to), raw(from))) return "same";
  return raw(to) > raw(from) ? "finer" : "coarser";
}

export type Wear = "good" | "worn" | "blocked";

/** A tip's measured flow against its rated flow at the working pressure; ±10 % is the most either way. */
export function wearOf(measured: Quantity<"flow">, rated: Quantity<"flow">): { readonly ratio: number; readonly wear: Wear } {
  const ratio = raw(measured) / raw(rated);
  const wear = !atMost(ratio, 1 + WORN) ? "worn" : !atLeast(ratio, 1 - WORN) ? "blocked" : "good";
  return { ratio, wear };
}

/** The size whose rated flow lies nearest to a wanted one (per outlet, by ratio), and the pressure that it would need. */
export function nearestTips(
  wanted: Quantity<"flow">,
  pressure: Quantity<"pressure">,
  sizes: readonly string[] = TIP_SIZES,
): readonly { readonly size: string; readonly needs: Quantity<"pressure"> }[] {
  const at40 = raw(wanted) * Math.sqrt(num(RATED_AT) / raw(pressure));
  const off = (size: string) => Math.abs(Math.log(raw(ratedFlow(size)!) / at40));
  return sizes
    .filter((size) => ratedFlow(size) !== undefined)
    .sort((a, b) => off(a) - off(b))
    .map((size) => ({ size, needs: pressureFor(wanted, size) }));
}

/** The pressure at which a size gives a flow. */
export function pressureFor(wanted: Quantity<"flow">, size: string): Quantity<"pressure"> {
  return make(num(RATED_AT) * (raw(wanted) / raw(ratedFlow(size)!)) ** 2);
}
