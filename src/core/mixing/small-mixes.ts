import { quantity } from "../quantity/quantity";
import { constant, derive, num, rule, type Derived, type Source } from "../working/rule";
import type { System } from "../working/units";
import type { Amount } from "./amounts";
import { isWeight } from "./display";

export const scaledWeightRule = rule({
  id: "scaled-weight",
  version: 1,
  title: "Into the small mix",
  formula: "amount * small / fill",
  inputs: { amount: "mass", small: "volume", fill: "volume" },
  output: "mass",
  source: "proportion: the same strength in less spray",
  compute: ({ amount, small, fill }) => (num(amount) * num(small)) / num(fill),
});

export const scaledVolumeRule = rule({
  id: "scaled-volume",
  version: 1,
  title: "Into the small mix",
  formula: "amount * small / fill",
  inputs: { amount: "volume", small: "volume", fill: "volume" },
  output: "volume",
  source: "proportion: the same strength in less spray",
  compute: ({ amount, small, fill }) => (num(amount) * num(small)) / num(fill),
});

export const premixWeightRule = rule({
  id: "premix-weight",
  version: 1,
  title: "Into the premix",
  formula: "amount * loads",
  inputs: { amount: "mass", loads: "count" },
  output: "mass",
  source: "so many loads at once",
  compute: ({ amount, loads }) => num(amount) * num(loads),
});

export const premixVolumeRule = rule({
  id: "premix-volume",
  version: 1,
  title: "The premix makes up to",
  formula: "portion * loads",
  inputs: { portion: "volume", loads: "count" },
  output: "volume",
  source: "so many portions at once",
  compute: ({ portion, loads }) => num(portion) * num(loads),
});

/** The jars that a combination is tried in. */
export const JARS = {
  pint: constant("volume", quantity("volume", 1, "pt"), "a pint jar"),
  quart: constant("volume", quantity("volume", 1, "qt"), "a quart jar"),
  litre: constant("volume", quantity("volume", 1, "L"), "a litre jar"),
  "half litre": constant("volume", quantity("volume", 500, "mL"), "a half litre jar"),
} as const;
export type TestJar = keyof typeof JARS;
/** The jars of each reader, the usual one first. */
export const JARS_OF = { us: ["quart", "pint"], metric: ["litre", "half litre"] } as const satisfies Record<
  System,
  readonly TestJar[]
>;

/**
 * A load in a jar: each amount scaled to it, in the same order. For a combination that nobody has mixed yet.
 * @param fill the load's own mark · @param jar what is tried in it
 */
export function inJar(amounts: readonly Amount[], fill: Source<"volume">, jar: Source<"volume">): Amount[] {
  return amounts.map((amount) =>
    isWeight(amount)
      ? derive(scaledWeightRule, { amount, small: jar, fill })
      : derive(scaledVolumeRule, { amount: amount as Derived<"volume">, small: jar, fill }),
  );
}

export interface Premix {
  readonly product: Derived<"mass">;
  readonly makesUpTo: Derived<"volume">;
  readonly portion: Source<"volume">;
}

/**
 * A slurry for several loads at once: weigh once, make it up, pour one portion into each load while it is kept stirred.
 * What is too little for a scale in one load may be enough in eight.
 */
export function premix(amount: Derived<"mass">, loads: number, portion: Source<"volume">): Premix {
  const count = constant("count", quantity("count", loads, ""), "loads");
  return {
    product: derive(premixWeightRule, { amount, loads: count }),
    makesUpTo: derive(premixVolumeRule, { portion, loads: count }),
    portion,
  };
}
