import type { LabelRate } from "./label-rate";
import { derive, given, num, rule, type Source } from "../working/rule";
import type { AreaRate } from "./active";

const SOURCE = "strength of the mix times the spray volume";

export const weightOnAreaRule = rule({
  id: "weight-on-area",
  version: 1,
  title: "Product on the ground",
  formula: "strength * sprayVolume",
  inputs: { strength: "strengthByWeight", sprayVolume: "sprayVolume" },
  output: "rateByWeight",
  source: SOURCE,
  compute: ({ strength, sprayVolume }) => num(strength) * num(sprayVolume),
});

export const volumeOnAreaRule = rule({
  id: "volume-on-area",
  version: 1,
  title: "Product on the ground",
  formula: "strength * sprayVolume",
  inputs: { strength: "strengthByVolume", sprayVolume: "sprayVolume" },
  output: "rateByVolume",
  source: SOURCE,
  compute: ({ strength, sprayVolume }) => num(strength) * num(sprayVolume),
});

/** What a rate puts on an area: itself, or, of a rate for a volume of spray, that times the spray volume. */
export function perArea(rate: LabelRate, name: string, sprayVolume: Source<"sprayVolume">): AreaRate {
  switch (rate.kind) {
    case "rateByWeight":
      return given(rate, name);
    case "rateByVolume":
      return given(rate, name);
    case "strengthByWeight":
      return derive(weightOnAreaRule, { strength: given(rate, name), sprayVolume });
    case "strengthByVolume":
      return derive(volumeOnAreaRule, { strength: given(rate, name), sprayVolume });
  }
}
