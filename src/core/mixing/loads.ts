import { raw } from "../quantity/kinds";
import { quantity } from "../quantity/quantity";
import { constant, derive, num, rule, type Given, type Source } from "../working/rule";
import { SLACK, atLeast } from "../quantity/slack";

export const LOAD_MODES = ["full-then-part", "equal"] as const;
export type LoadMode = (typeof LOAD_MODES)[number];

export const lastLoadRule = rule({
  id: "last-load",
  version: 1,
  title: "Last load",
  formula: "spray - fulls * usable",
  inputs: { spray: "volume", fulls: "count", usable: "volume" },
  output: "volume",
  source: "what the full loads leave over",
  compute: ({ spray, fulls, usable }) => num(spray) - num(fulls) * num(usable),
});

export const joinedLoadRule = rule({
  id: "joined-load",
  version: 1,
  title: "Last two loads, made equal",
  formula: "(spray - fulls * usable) / 2",
  inputs: { spray: "volume", fulls: "count", usable: "volume" },
  output: "volume",
  source: "a last load under the least the pump can agitate is joined with its neighbour (common practice)",
  compute: ({ spray, fulls, usable }) => (num(spray) - num(fulls) * num(usable)) / 2,
});

export const equalLoadRule = rule({
  id: "equal-load",
  version: 1,
  title: "Each load",
  formula: "spray / loads",
  inputs: { spray: "volume", loads: "count" },
  output: "volume",
  source: "proportion",
  compute: ({ spray, loads }) => num(spray) / num(loads),
});

/** A run of loads that are filled alike: two full tanks are `{ fill: usable, times: 2 }`. */
export interface Fill {
  readonly fill: Source<"volume">;
  readonly times: number;
  /** Whether it is a full tank, whose contents every site shares. */
  readonly full: boolean;
}

/**
 * More loads than this for one site is a slip of a unit, not a day's work (ours). It also keeps a plan's size in bounds.
 */
export const MOST_LOADS = 2000;

/** How many loads a spray takes: at least one; an exact multiple of the tank is no load more. */
export function loadCount(spray: Source<"volume">, usable: Source<"volume">): number {
  return Math.max(1, Math.ceil((num(spray) / num(usable)) * (1 - SLACK)));
}

const counts: Given<"count">[] = [];
const counted = (n: number): Given<"count"> => (counts[n] ??= constant("count", quantity("count", n, ""), "loads"));

/**
 * Splits a site's spray into loads of one tank. Every load holds at most the usable volume; together they hold exactly
 * the spray; a leftover is never planned.
 * @throws RangeError for more than {@link MOST_LOADS}: the caller asks {@link loadCount} first
 * @param spray above zero · @param usable above zero · @param least the least that can be agitated, at most `usable`
 */
export function splitLoads(
  spray: Source<"volume">,
  usable: Source<"volume">,
  least: Source<"volume"> | undefined,
  mode: LoadMode,
): Fill[] {
  const tanks = num(spray) / num(usable);
  const count = loadCount(spray, usable);
  if (count > MOST_LOADS) throw new RangeError(`${count} loads are more than a plan may have`);
  if (count === 1) return [{ fill: spray, times: 1, full: false }];
  if (mode === "equal") return [{ fill: derive(equalLoadRule, { spray, loads: counted(count) }), times: count, full: false }];
  // An exact multiple of the tank: the loads are the tank itself.
  if (atLeast(tanks, count)) return [{ fill: usable, times: count, full: true }];
  const last = derive(lastLoadRule, { spray, fulls: counted(count - 1), usable });
  if (!least || atLeast(num(last), num(least)))
    return [
      { fill: usable, times: count - 1, full: true },
      { fill: last, times: 1, full: false },
    ];
  const joined = { fill: derive(joinedLoadRule, { spray, fulls: counted(count - 2), usable }), times: 2, full: false };
  return count === 2 ? [joined] : [{ fill: usable, times: count - 2, full: true }, joined];
}

/** Whether a load is under the least that the pump can agitate. */
export function underLeast(fill: Source<"volume">, least: Source<"volume"> | undefined): boolean {
  return least !== undefined && !atLeast(raw(fill.value), raw(least.value));
}
