import { sameName } from "../names";
import type { Kit } from "../calibration/kit";
import { raw, type Quantity } from "../quantity/kinds";
import { unitNamed } from "../quantity/unit";

/** One tool of a kit, for one form of product: a scale for what is dry, a vessel for what is liquid. */
export interface Tool {
  readonly name: string;
  /** What it is read to: a scale's step, a vessel's graduation. In g or mL. */
  readonly step: number;
  /** The most that it takes at a time, in the same unit. */
  readonly capacity: number;
  /** The unit that its marks are in. */
  readonly unit: string;
  /** Filled to its brim or to its one line, never read between marks: a spoon, a cup with two ends. */
  readonly brim?: boolean;
}

/** So many times one tool: `full` times to its last mark, then once to `part`, where there is a part. */
export interface Pours {
  readonly tool: Tool;
  readonly full: number;
  /** The last mark of the tool, and the reading of the part pour; in g or mL. */
  readonly mark: number;
  readonly part: number | null;
}

export interface Measure {
  readonly pours: readonly Pours[];
  /** How often something is weighed or filled. */
  readonly count: number;
  /** What the readings add up to, g or mL. */
  readonly amount: number;
  /**
   * How far what is poured may be off what was asked for, as a part of it: the difference of the readings, and half a
   * step for every reading, which add by their squares, since they are read one by one. What is filled to the brim is off by
   * {@link BRIM}, each time alike.
   */
  readonly error: number;
  /** The reading alone, without the difference that is known: what a risk takes for chance. */
  readonly reading: number;
}

export interface HowToMeasure {
  /** The least error; of those, the fewest pours. Null where no tool reaches it in {@link MOST_POURS}. */
  readonly best: Measure | null;
  /** Fewer pours for at most {@link GOOD_ENOUGH}, where the best takes more. */
  readonly quicker: Measure | null;
  /** What a tool would need to be where the best is off by more than {@link TOO_ROUGH}; in g or mL. */
  readonly needs: { readonly step: number; readonly capacity: number } | null;
}

/** Nobody counts further than this over a tank (ours). */
export const MOST_POURS = 20;
/** What a person may take for the sake of fewer pours (ours). */
export const GOOD_ENOUGH = 0.02;
/** How true a spoon or a cup is that is filled to the brim, as a part of what it holds (ours). */
export const BRIM = 0.03;
/** Off by more than this, the kit can't measure it (ours). */
export const TOO_ROUGH = 0.05;
/** Errors this near each other, as a part of the amount, are the same. */
const SAME = 1e-9;

/** The scales of a kit, with the cups whose marks hold for this product, or its vessels, as tools. */
export function toolsOf(kit: Kit, dry: boolean, product?: string): Tool[] {
  const cups = (kit.cups ?? []).filter((cup) => product !== undefined && sameName(cup.product, product));
  return dry
    ? [...kit.scales, ...cups].map((s) => ({
        name: s.name,
        step: raw(s.step.value),
        capacity: raw(s.capacity.value),
        unit: s.step.unit,
      }))
    : kit.vessels.map((v) => ({
        name: v.name,
        step: raw(v.graduation.value),
        capacity: raw(v.capacity.value),
        unit: v.graduation.unit,
        ...(raw(v.capacity.value) / raw(v.graduation.value) <= 2 * (1 + SAME) && { brim: true }),
      }));
}

/**
 * How to measure an amount with the tools at hand: at most two of them for one amount, since nobody keeps count of more
 * with gloves on (ours), each filled any number of times to its last mark and at most once to a mark below. Exact: the
 * test holds it against every combination there is.
 * @param amount above zero · @param most what the readings may add up to, g or mL: a reading is never rounded up past it;
 * less than the amount is taken for the amount · @param unit in whose 1-2-5 steps a missing tool is named
 */
export function measure(
  amount: Quantity<"mass"> | Quantity<"volume">,
  most: number,
  tools: readonly Tool[],
  unit: string,
): HowToMeasure {
  const target = raw(amount as Quantity<"mass">);
  const bound = Math.max(most, target);
  const found = search(target, bound, tools);
  const best = found.reduce<Found | undefined>((a, b) => (a && !better(b, a, target) ? a : b), undefined);
  const quick = found
    .filter((f) => best && f.count < best.count && f.error / target <= GOOD_ENOUGH)
    .sort((a, b) => a.count - b.count)[0];
  return {
    best: best ? measureOf(best, target) : null,
    quicker: quick ? measureOf(quick, target) : null,
    needs: best && best.error / target <= TOO_ROUGH ? null : needed(target, bound, unitNamed(unit).factor),
  };
}

interface Found {
  readonly of: readonly (readonly [tool: Tool, steps: number])[];
  readonly count: number;
  readonly amount: number;
  readonly error: number;
  readonly reading: number;
}

/** The last mark of a tool in steps: a cup of 30 mL marked every 4 is read to 28. */
const marks = (tool: Tool) => Math.floor((tool.capacity / tool.step) * (1 + SAME));

function better(a: Pick<Found, "error" | "count" | "of">, b: typeof a, target: number): boolean {
  if (Math.abs(a.error - b.error) > target * SAME) return a.error < b.error;
  return a.count !== b.count ? a.count < b.count : a.of.length < b.of.length;
}

/** How far so many readings of a tool may be off together, g or mL. */
const misread = ({ step, brim }: Tool, steps: number, count: number): number =>
  brim ? BRIM * steps * step : (Math.sqrt(count) * step) / 2;

/** For every number of pours the best that there is: what is quicker is picked from them. */
function search(target: number, most: number, all: readonly Tool[]): Found[] {
  const tools = all.flatMap((tool) => (marks(tool) >= 1 ? [{ tool, marks: marks(tool), step: tool.step }] : []));
  type Marked = (typeof tools)[number];
  const byCount: (Found | undefined)[] = [];
  const offer = (a: Marked, stepsA: number, b: Marked | null, stepsB: number) => {
    const [countA, countB] = [Math.ceil(stepsA / a.marks), b ? Math.ceil(stepsB / b.marks) : 0];
    const count = countA + countB;
    const amount = stepsA * a.step + (b ? stepsB * b.step : 0);
    if (count === 0 || count > MOST_POURS || amount > most * (1 + SAME)) return;
    const reading = Math.hypot(misread(a.tool, stepsA, countA), b ? misread(b.tool, stepsB, countB) : 0);
    const error = Math.abs(amount - target) + reading;
    const known = byCount[count];
    if (known && error > known.error + target * SAME) return;
    const of = ([[a.tool, stepsA]] as [Tool, number][]).concat(b ? [[b.tool, stepsB]] : []).filter(([, steps]) => steps > 0);
    const one = { of, count, amount, reading, error };
    if (!known || better(one, known, target)) byCount[count] = one;
  };
  /** The two readings next to what is left: any other is further off by more than a pour's reading could win back. */
  const finish = (last: Marked, left: number, counted: Marked | null, steps: number) => {
    const reach = last.marks * (MOST_POURS - (counted ? Math.ceil(steps / counted.marks) : 0));
    const below = Math.min(reach, Math.max(0, Math.floor((left / last.step) * (1 + SAME))));
    offer(last, below, counted, steps);
    offer(last, below + 1, counted, steps);
  };
  /** How many steps of a tool there can be in the amount. */
  const few = (tool: Marked) => Math.min(tool.marks * MOST_POURS, Math.ceil(target / tool.step));
  for (const [i, one] of tools.entries()) {
    finish(one, target, null, 0);
    for (const other of tools.slice(i + 1)) {
      const [counted, last] = few(one) <= few(other) ? [one, other] : [other, one];
      const end = few(counted);
      for (let steps = 1; steps <= end; steps++) finish(last, target - steps * counted.step, counted, steps);
    }
  }
  return byCount.filter((f) => f !== undefined);
}

function measureOf(found: Found, target: number): Measure {
  const pours = found.of.map(([tool, steps]): Pours => {
    const full = Math.floor(steps / marks(tool));
    const part = steps - full * marks(tool);
    return { tool, full, mark: marks(tool) * tool.step, part: part > 0 ? part * tool.step : null };
  });
  return {
    // What is filled to the brim is counted first, the careful reading comes last.
    pours: pours.sort((a, b) => b.mark - a.mark),
    count: found.count,
    amount: found.amount,
    error: found.error / target,
    reading: found.reading / target,
  };
}

/** The coarsest step of 1, 2, 5, 10 … of a unit by which one reading would be near enough. */
function needed(target: number, most: number, unit: number): { step: number; capacity: number } {
  for (let power = Math.ceil(Math.log10(target / unit)); ; power--)
    for (const digit of [5, 2, 1]) {
      const step = digit * 10 ** power * unit;
      const below = Math.floor((target / step) * (1 + SAME)) * step;
      const up = below + step;
      const near = up <= most * (1 + SAME) && up - target < target - below ? up : below;
      if (near > 0 && (Math.abs(near - target) + step / 2) / target <= TOO_ROUGH) return { step, capacity: near };
    }
}
