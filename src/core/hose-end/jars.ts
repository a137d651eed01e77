import { raw } from "../quantity/kinds";
import { derive, given, num, rule, type Derived, type Source } from "../working/rule";
import { Entered } from "../quantity/parse";
import type { Head } from "./head";

export const jarVolumeRule = rule({
  id: "jar-volume",
  version: 1,
  title: "From the jar for an area",
  formula: "rate * (product + water) / product",
  inputs: { rate: "rateByVolume", product: "volume", water: "volume" },
  output: "sprayVolume",
  source: "with k = (product + water) / product the jar gives R·k for an area",
  compute: ({ rate, product, water }) => (num(rate) * (num(product) + num(water))) / num(product),
});

export const jarUndilutedRule = rule({
  id: "jar-undiluted",
  version: 1,
  title: "From the jar for an area",
  formula: "rate",
  inputs: { rate: "rateByVolume" },
  output: "sprayVolume",
  source: "undiluted, the jar gives the label rate for an area",
  compute: ({ rate }) => num(rate),
});

/**
 * How much of the other products a jar has room for, for what an area takes of the first, in mL/m²: its dilution belongs to the first, the
 * others take the place of water. Nothing where it is undiluted.
 */
export function roomInJar({ jar }: Head, first: Entered<"rateByVolume">): number {
  return jar ? (raw(jar.water.value) / raw(jar.product.value)) * raw(first.value) : 0;
}

/**
 * What a jar gives for an area: product and the water it is made up with. A hose-end head is planned in jars by it, as a
 * tank is by the spray volume: a load is a jar, and what it covers is the product in it over the rate.
 */
export function jarVolume(head: Head, rate: Source<"rateByVolume">): Derived<"sprayVolume"> {
  if (!head.jar) return derive(jarUndilutedRule, { rate });
  const product = given(head.jar.product, "product in the jar");
  return derive(jarVolumeRule, { rate, product, water: given(head.jar.water, "water in the jar") });
}
