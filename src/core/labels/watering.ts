import type { Entered } from "../quantity/parse";
import type { Quantity } from "../quantity/kinds";
import { constant, derive, given, num, rule, type Derived, type Source } from "../working/rule";
import type { AfterTank } from "./aftercare";

/** Watering in: what a label asks as a depth, as minutes of a zone's irrigation and as a volume. */

export const wateringTimeRule = rule({
  id: "watering-time",
  version: 1,
  title: "Time to run the irrigation",
  formula: "depth / precipitation",
  inputs: { depth: "length", precipitation: "precipitation" },
  output: "time",
  source: "an irrigation's precipitation rate is the depth that it lays down in a time",
  compute: ({ depth, precipitation }) => num(depth) / num(precipitation),
});

/** mL in a m³. */
const CUBIC = 1e6;

export const wateringVolumeRule = rule({
  id: "watering-volume",
  version: 1,
  title: "Water for it",
  formula: "depth * area",
  inputs: { depth: "length", area: "area" },
  output: "volume",
  source: "a depth over an area is a volume; what runs off or evaporates comes on top",
  compute: ({ depth, area }) => num(depth) * num(area) * CUBIC,
});

export const fillTimeRule = rule({
  id: "fill-time",
  version: 1,
  title: "Time to fill",
  formula: "fill / tap",
  inputs: { fill: "volume", tap: "flow" },
  output: "time",
  source: "a tank fills as fast as its tap or hydrant gives",
  compute: ({ fill, tap }) => num(fill) / num(tap),
});

/** How long an irrigation runs for a depth. */
export const wateringTime = (depth: Quantity<"length">, irrigation: Entered<"precipitation">): Derived<"time"> =>
  derive(wateringTimeRule, { depth: constant("length", depth, "depth"), precipitation: given(irrigation, "irrigation") });

/** A depth of water on a zone. */
export interface Watering {
  /** How long its irrigation runs; null where nobody said how fast that is. */
  readonly time: Derived<"time"> | null;
  readonly volume: Derived<"volume">;
}

/**
 * What the depths of an aftercare are on a zone.
 * @param irrigation how fast its irrigation waters
 * @returns for the least and the most depth; null where the labels ask for none
 */
export function wateringOf(
  { least, most }: Pick<AfterTank, "least" | "most">,
  area: Source<"area">,
  irrigation: Entered<"precipitation"> | undefined,
): { readonly least: Watering | null; readonly most: Watering | null } {
  const of = (ask: AfterTank["least"], name: string): Watering | null => {
    if (!ask) return null;
    const depth = given(ask.value, name);
    const time = irrigation && derive(wateringTimeRule, { depth, precipitation: given(irrigation, "irrigation") });
    return { time: time ?? null, volume: derive(wateringVolumeRule, { depth, area }) };
  };
  return { least: of(least, "least depth"), most: of(most, "most depth") };
}
