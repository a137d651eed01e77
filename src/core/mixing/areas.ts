import { derive, num, nums, rule, type Derived, type Source } from "../working/rule";

export const siteAreaRule = rule({
  id: "site-area",
  version: 1,
  title: "Area of the site",
  formula: "sum(zones)",
  inputs: { zones: ["area"] },
  output: "area",
  source: "the zones of a site, added up",
  compute: ({ zones }) => nums(zones).reduce((sum, a) => sum + a, 0),
});

export const siteSprayRule = rule({
  id: "site-spray",
  version: 1,
  title: "Spray for the site",
  formula: "sprayVolume * area",
  inputs: { sprayVolume: "sprayVolume", area: "area" },
  output: "volume",
  source: "q = V/A, solved for V",
  compute: ({ sprayVolume, area }) => num(sprayVolume) * num(area),
});

export const coverageRule = rule({
  id: "tank-coverage",
  version: 1,
  title: "Tank coverage",
  formula: "usable / sprayVolume",
  inputs: { usable: "volume", sprayVolume: "sprayVolume" },
  output: "area",
  source: "C = usable volume / q",
  compute: ({ usable, sprayVolume }) => num(usable) / num(sprayVolume),
});

export const coversRule = rule({
  id: "load-covers",
  version: 1,
  title: "A load covers",
  formula: "fill / sprayVolume",
  inputs: { fill: "volume", sprayVolume: "sprayVolume" },
  output: "area",
  source: "q = V/A, solved for A",
  compute: ({ fill, sprayVolume }) => num(fill) / num(sprayVolume),
});

export const overageRule = rule({
  id: "area-with-overage",
  version: 1,
  title: "Mixed for",
  formula: "area * (1 + overage)",
  inputs: { area: "area", overage: "share" },
  output: "area",
  source: "so much more than the site takes; off unless somebody asks for it: a leftover has to go somewhere",
  compute: ({ area, overage }) => num(area) * (1 + num(overage)),
});

/** Areas as one: a single one stands for itself, several are added up. @param zones at least one */
export const areaOf = (zones: readonly Source<"area">[]): Source<"area"> =>
  zones.length === 1 ? zones[0]! : derive(siteAreaRule, { zones });

/** The spray that an area takes. */
export const sprayFor = (area: Source<"area">, sprayVolume: Source<"sprayVolume">): Derived<"volume"> =>
  derive(siteSprayRule, { sprayVolume, area });
