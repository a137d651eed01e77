import { make, raw, type Quantity } from "../quantity/kinds";
import { SLACK } from "../quantity/slack";

/** A size that a product is sold in. */
export interface Size {
  readonly content: Quantity<"mass"> | Quantity<"volume">;
  /** In a currency; null where nobody noted it. */
  readonly price: number | null;
}

export interface Bought {
  /** By size, in their order: how many. */
  readonly counts: readonly number[];
  /** Null where a price is missing. */
  readonly price: number | null;
  /** What is over when the need is met. */
  readonly over: Quantity<"mass"> | Quantity<"volume">;
}

/**
 * The packages that meet a need: whole ones, the cheapest set where every size has its price, else the least left over; of equal ones
 * the fewest packages. Exact: every set is looked at that could be better than the best so far.
 * @param need of the same kind as the sizes · @returns undefined where nothing is sold or needed
 */
export function cheapestSet(need: Quantity<"mass"> | Quantity<"volume">, sizes: readonly Size[]): Bought | undefined {
  const wanted = raw(need as Quantity<"mass">);
  if (sizes.length === 0 || wanted <= 0) return undefined;
  const priced = sizes.every(({ price }) => price !== null);
  const amount = sizes.map(({ content }) => raw(content as Quantity<"mass">));
  const cost = sizes.map(({ price }, i) => (priced ? price! : amount[i]!));
  // What gives most for its price first: with it filled up, the least that is still to be paid is known.
  const order = sizes.map((_, i) => i).sort((a, b) => cost[a]! / amount[a]! - cost[b]! / amount[b]!);
  let best: { readonly counts: readonly number[]; readonly cost: number; readonly packages: number } | undefined;
  const better = (paid: number, packages: number) =>
    !best || paid < best.cost * (1 - SLACK) || (paid <= best.cost * (1 + SLACK) && packages < best.packages);
  const look = (at: number, left: number, paid: number, counts: readonly number[], packages: number): void => {
    if (left <= wanted * SLACK) {
      if (better(paid, packages)) best = { counts, cost: paid, packages };
      return;
    }
    if (at === order.length) return;
    const size = order[at]!;
    const least = paid + (left / amount[size]!) * cost[size]!;
    if (best && least > best.cost * (1 + SLACK)) return;
    for (let count = Math.ceil((left / amount[size]!) * (1 - SLACK)); count >= 0; count--)
      look(at + 1, left - count * amount[size]!, paid + count * cost[size]!, counted(counts, size, count), packages + count);
  };
  look(
    0,
    wanted,
    0,
    sizes.map(() => 0),
    0,
  );
  if (!best) return undefined;
  const got = best.counts.reduce((sum, count, i) => sum + count * amount[i]!, 0);
  return { counts: best.counts, price: priced ? best.cost : null, over: make<"mass">(Math.max(0, got - wanted)) };
}

/** With another count of one size. */
const counted = (counts: readonly number[], at: number, count: number): number[] =>
  counts.map((one, i) => (i === at ? count : one));
