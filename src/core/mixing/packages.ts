import { raw, type Quantity } from "../quantity/kinds";
import { num, type Source } from "../working/rule";
import type { Amount } from "./amounts";
import type { Package } from "./product";
import { SLACK } from "../quantity/slack";

const of = (amount: Amount | Source<"mass">, content: Package["content"]) =>
  num(amount as Source<"mass">) / raw(content.value as Quantity<"mass">);

/** How many packages an amount takes: rounded up once, at the end. */
export const packagesFor = (amount: Amount, one: Package): number =>
  Math.max(1, Math.ceil(of(amount, one.content) * (1 - SLACK)));

/** How often one package gives an amount: 3.4 such loads. */
export const packageLife = (amount: Amount, one: Package): number => 1 / of(amount, one.content);

/**
 * The smallest package that is enough for an amount by itself; where none is, the largest, with how many of it.
 * @returns undefined where no package is known
 */
export function enough(amount: Amount, packages: readonly Package[]): { one: Package; count: number } | undefined {
  const bySize = [...packages].sort(
    (a, b) => raw(a.content.value as Quantity<"mass">) - raw(b.content.value as Quantity<"mass">),
  );
  const single = bySize.find((p) => of(amount, p.content) <= 1 + SLACK);
  const largest = bySize.at(-1);
  if (single) return { one: single, count: 1 };
  return largest && { one: largest, count: packagesFor(amount, largest) };
}

export interface Packets {
  /** Packets that the amount comes to, with a fraction. */
  readonly count: number;
  readonly whole: boolean;
  /** The load that takes whole packets: at most as much as this one. Null where not even one packet fits. */
  readonly instead: { readonly packets: number; readonly part: number } | null;
}

/**
 * The whole-packet rule: a water-soluble packet goes in unopened. Where the amount isn't so many packets, the load is made
 * smaller until it is: `part` of this load's spray and area takes `packets`.
 */
export function wholePackets(amount: Amount, packet: Package["content"]): Packets {
  const count = of(amount, packet);
  const near = Math.round(count);
  const whole = near > 0 && Math.abs(count - near) <= 1e-6 * near;
  const packets = whole ? near : Math.floor(count);
  return { count, whole, instead: whole || packets === 0 ? null : { packets, part: packets / count } };
}
