import { make, raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { derive, num, rule, type Derived, type Source } from "../working/rule";
import { quantity } from "../quantity/quantity";
import { THOUSAND } from "../working/thousand";
import { drawnAt, type Head } from "./head";

/**
 * From a label rate and a pace to what a head is set to. Of the settings that it really has, each with the strength that
 * its jar must be mixed to: drawn is d·f (or the feed), and R/T of it a minute must be product.
 */
export const jarStrengthRule = rule({
  id: "jar-strength",
  version: 1,
  title: "Jar to product",
  formula: "drawn * time / (rate * thousand)",
  inputs: { drawn: "flow", time: "time", rate: "rateByVolume", thousand: "area" },
  output: "dilution",
  source: "k = d·f·T / R: so many times the product's own volume is drawn over 1,000 sq ft",
  compute: ({ drawn, time, rate, thousand }) => (num(drawn) * num(time)) / (num(rate) * num(thousand)),
});

export const jarProductRule = rule({
  id: "jar-product",
  version: 1,
  title: "Product into a full jar",
  formula: "jar / strength",
  inputs: { jar: "volume", strength: "dilution" },
  output: "volume",
  source: "1/k of the jar is product",
  compute: ({ jar, strength }) => num(jar) / num(strength),
});

/** A setting and a jar that give the label rate at a pace. */
export interface HeadPair {
  readonly head: Head;
  /** Jar to product, at least 1: 1 is undiluted. */
  readonly strength: Derived<"dilution">;
  /** Of the first product, into a full jar; the other products and water make it up. */
  readonly product: Derived<"volume">;
  readonly jar: Source<"volume">;
}

export interface HeadWish {
  readonly head: Head;
  /** The numbers that the dial has; the present one where they aren't listed. A metering feed has the one. */
  readonly settings: readonly Entered<"strengthByVolume">[];
  readonly flow: Source<"flow">;
  readonly rate: Source<"rateByVolume">;
  readonly pace: Source<"time">;
  /** What the jar holds. */
  readonly jar: Source<"volume">;
  /** What the other products of the jar take, for each volume of the first: nothing where it is alone. */
  readonly beside?: number;
  /** The least that is measured into a jar, mL; a third of a fluid ounce (two teaspoons) where it is left out (ours). */
  readonly least?: Quantity<"volume">;
}

const LEAST = quantity("volume", 2, "tsp");
/** Within this a jar is undiluted: nobody measures half a percent of water (ours). */
const UNDILUTED = 0.005;

/**
 * The settings of a head with the jar each asks for, the one nearest to undiluted first. Left out is a setting that draws
 * too little even undiluted, and one whose jar would hold less product than can be measured.
 */
export function headPairs(wish: HeadWish): HeadPair[] {
  const { head, flow, rate, pace, jar, beside = 0, least = LEAST } = wish;
  const heads: Head[] =
    head.kind === "metered"
      ? [head]
      : (wish.settings.length > 0 ? wish.settings : [head.setting]).map((setting) => ({ kind: "dial", setting }));
  return heads
    .flatMap((one): HeadPair[] => {
      const drawn = drawnAt(one, flow);
      const strength = derive(jarStrengthRule, { drawn, time: pace, rate, thousand: THOUSAND });
      if (num(strength) < (1 + beside) * (1 - UNDILUTED)) return [];
      const product = derive(jarProductRule, { jar, strength });
      return num(product) < raw(least) ? [] : [{ head: one, strength, product, jar }];
    })
    .sort((a, b) => num(a.strength) - num(b.strength));
}

/** A pair's jar as it is filled: product and water, in what the vessel reads; no water where it is undiluted. */
export function jarOf({ strength, product, jar }: HeadPair): { product: Quantity<"volume">; water: Quantity<"volume"> } {
  if (num(strength) <= 1 + UNDILUTED) return { product: jar.value, water: make(0) };
  return { product: product.value, water: make(num(jar) - num(product)) };
}
