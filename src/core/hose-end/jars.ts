import { derive, given, num, rule, type Derived, type Source } from "../working/rule";
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
 * What a jar gives for an area: product and the water it is made up with. A hose-end head is planned in jars by it, as a
 * tank is by the spray volume: a load is a jar, and what it covers is the product in it over the rate.
 */
export function jarVolume(head: Head, rate: Source<"rateByVolume">): Derived<"sprayVolume"> {
  if (head.kind === "metered" || !head.jar) return derive(jarUndilutedRule, { rate });
  const product = given(head.jar.product, "product in the jar");
  return derive(jarVolumeRule, { rate, product, water: given(head.jar.water, "water in the jar") });
}
