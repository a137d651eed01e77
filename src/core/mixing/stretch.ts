import { requiredFlowRule, speedForFlowRule } from "../calibration/required-flow";
import { WALKABLE } from "../calibration/warnings";
import type { AreaRate } from "../labels/active";
import { roomOf } from "../labels/limit-mix";
import type { Entered } from "../quantity/parse";
import { constant, derive, given, num, nums, rule, type Derived, type Source } from "../working/rule";
import { coverageRule } from "./areas";
import { atLeast } from "../quantity/slack";

export const mostProductRule = rule({
  id: "most-product",
  version: 1,
  title: "Product at most, all together",
  formula: "volume / (dilution + 1)",
  inputs: { volume: "volume", dilution: "dilution" },
  output: "volume",
  source: "water : product is (V − p) : p, solved for p",
  compute: ({ volume, dilution }) => num(volume) / (num(dilution) + 1),
});

export const leastForDilutionRule = rule({
  id: "least-for-dilution",
  version: 1,
  title: "Spray volume that keeps the dilution",
  formula: "sum(products) * (dilution + 1)",
  inputs: { products: ["rateByVolume"], dilution: "dilution" },
  output: "sprayVolume",
  source: "water : product is (q − p) : p, solved for q",
  compute: ({ products, dilution }) => nums(products).reduce((sum, p) => sum + p, 0) * (num(dilution) + 1),
});

/** The most of all products together that a volume of spray may hold: 9 : 1 in 320 fl oz is at most 32. */
export const mostProduct = (volume: Source<"volume">, dilution: Source<"dilution">): Derived<"volume"> =>
  derive(mostProductRule, { volume, dilution });

export interface StretchInput {
  readonly usable: Source<"volume">;
  readonly now: Source<"sprayVolume">;
  readonly flow: Source<"flow"> | null;
  readonly swath: Source<"length"> | null;
  readonly onFoot: boolean;
  readonly products: readonly {
    readonly name: string;
    readonly dry: boolean;
    readonly rate: AreaRate;
    readonly carrierAtLeast?: Entered<"sprayVolume"> | undefined;
    readonly dilutionAtLeast?: Entered<"dilution"> | undefined;
  }[];
}

export interface StretchCheck {
  readonly of: "dilution" | "carrier" | "speed";
  /** The product whose label asks; null for the speed. */
  readonly product: string | null;
  /** The spray volume that it doesn't let go under. */
  readonly least: Source<"sprayVolume">;
}

export interface Stretch {
  /** What each check asks; the greatest binds. */
  readonly checks: readonly StretchCheck[];
  readonly binding: StretchCheck;
  /** How far one full tank goes then. */
  readonly covers: Derived<"area">;
  /** The speed that it takes; null where the swath or the flow isn't known. */
  readonly speed: Derived<"speed"> | null;
}

/**
 * The dilution school: how far a tank may be stretched by walking faster. Water to all products together stays at the
 * label's least, the carrier minimum holds, the speed stays walkable.
 * @returns null where nothing bounds it, or the tank is at its bound already: there is nothing to stretch
 */
export function stretch({ usable, now, flow, swath, onFoot, products }: StretchInput): Stretch | null {
  const room = products.map(roomOf);
  const walkable = constant("speed", WALKABLE, "walkable speed");
  const checks: StretchCheck[] = products.flatMap(({ name, carrierAtLeast, dilutionAtLeast }): StretchCheck[] => [
    ...(carrierAtLeast ? [{ of: "carrier" as const, product: name, least: given(carrierAtLeast, `carrier of ${name}`) }] : []),
    ...(dilutionAtLeast
      ? [
          {
            of: "dilution" as const,
            product: name,
            least: derive(leastForDilutionRule, { products: room, dilution: given(dilutionAtLeast, `dilution of ${name}`) }),
          },
        ]
      : []),
  ]);
  if (onFoot && flow && swath)
    checks.push({ of: "speed", product: null, least: derive(leastForSpeedRule, { flow, speed: walkable, swath }) });
  const binding = [...checks].sort((a, b) => num(b.least) - num(a.least))[0];
  // Without a label's own number on the water, thinner is not ours to propose.
  if (!binding || checks.every((c) => c.of === "speed") || atLeast(num(binding.least), num(now))) return null;
  return {
    checks,
    binding,
    covers: derive(coverageRule, { usable, sprayVolume: binding.least }),
    speed: flow && swath ? derive(speedForFlowRule, { flow, sprayVolume: binding.least, width: swath }) : null,
  };
}

export const leastForSpeedRule = rule({
  id: "least-for-speed",
  version: 1,
  title: "Spray volume at the fastest walk",
  formula: "flow / (speed * swath)",
  inputs: { flow: "flow", speed: "speed", swath: "length" },
  output: "sprayVolume",
  source: requiredFlowRule.source,
  compute: ({ flow, speed, swath }) => num(flow) / (num(speed) * num(swath)),
});
