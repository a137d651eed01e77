import type { ZoneFacts } from "../labels/label";
import type { Reason } from "../labels/reason";
import { show } from "../quantity/format";
import type { Entered } from "../quantity/parse";
import { explainAll, type Line } from "../working/explain";
import { derive, given, num, nums, rule, type AnySource, type Derived, type Source } from "../working/rule";
import type { System } from "../working/units";
import { amountFor, costOf, type Amount, type AmountFor } from "./amounts";
import { loadCount, MOST_LOADS, splitLoads, underLeast, type LoadMode } from "./loads";
import { judge, type LabelWarning, type SiteBudget } from "./judge";
import type { MixProduct } from "./product";

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

export interface Tank {
  readonly name: string;
  readonly usable: Entered<"volume">;
  /** The least that the pump can agitate. */
  readonly leastMix?: Entered<"volume">;
}

export interface MixSite {
  readonly name: string;
  readonly jurisdiction?: string | undefined;
  readonly zones: readonly (ZoneFacts & { readonly area: Entered<"area"> })[];
}

export interface MixInput {
  readonly sprayVolume: Source<"sprayVolume">;
  readonly tank: Tank;
  readonly products: readonly MixProduct[];
  readonly sites: readonly MixSite[];
  readonly loads: LoadMode;
  /** What really leaves the sprayer, where a load is not filled with it: a hose-end head's jar. */
  readonly leaves?: Source<"sprayVolume">;
  readonly hoseEnd?: boolean;
  /** ISO date of the plan; needed as soon as a limit on the year, the count or the interval is present. */
  readonly date?: string | undefined;
  readonly anyOrder?: boolean | undefined;
}

/** What one filling holds. Every full tank of a plan is the same object. */
export interface Contents {
  readonly fillTo: Source<"volume">;
  readonly covers: Source<"area">;
  /** One amount a product, in the order of the input's products. */
  readonly amounts: readonly Amount[];
}

export interface Load {
  /** From 1, in the order of pouring. */
  readonly number: number;
  readonly contents: Contents;
}

export interface SitePlan {
  readonly name: string;
  readonly area: Source<"area">;
  readonly spray: Derived<"volume">;
  readonly loads: readonly Load[];
  /** One total a product, in the order of the input's products. */
  readonly totals: readonly Amount[];
  /** What each total costs; null where no price is known. */
  readonly costs: readonly ({ readonly value: number; readonly currency: string } | null)[];
}

export interface MixWarning {
  readonly code: "below-least-mix" | LabelWarning["code"];
  readonly text: string;
}

export interface MixPlan {
  readonly sprayVolume: Source<"sprayVolume">;
  readonly tankCoverage: Derived<"area">;
  readonly products: readonly MixProduct[];
  /** The sites that may be sprayed. A held one is not among them: there is no amount of it anywhere. */
  readonly sites: readonly SitePlan[];
  /** The names of the sites that a label holds, and why. */
  readonly held: readonly string[];
  readonly reasons: readonly Reason[];
  /** The budgets of every zone, of held sites too. */
  readonly budgets: readonly SiteBudget[];
  /** What the judgement was worked out from. */
  readonly judged: readonly AnySource[];
  readonly warnings: readonly MixWarning[];
}

/**
 * Turns label rates into what goes into each load, for any number of sites, zones and products. Every site starts with
 * an empty tank. Each amount keeps how it was worked out; nothing is rounded here.
 */
export function mix(input: MixInput): MixPlan {
  const { sprayVolume, products } = input;
  const usable = given(input.tank.usable, "usable volume");
  const least = input.tank.leastMix ? given(input.tank.leastMix, "least mix") : undefined;
  const tankCoverage = derive(coverageRule, { usable, sprayVolume });
  const bound = products.map(amountFor);
  const full = contentsOf(usable, tankCoverage, bound);
  const judgement = judge(input);
  const warnings: MixWarning[] = [...judgement.warnings];

  const sites = input.sites.flatMap((site): SitePlan[] => {
    if (judgement.held.includes(site.name)) return [];
    const { area, spray } = siteSpray(site, sprayVolume);
    const loads: Load[] = [];
    for (const part of splitLoads(spray, usable, least, input.loads)) {
      const contents = part.full ? full : contentsOf(part.fill, coversOf(part.fill, spray, area, sprayVolume), bound);
      for (let i = 0; i < part.times; i++) loads.push({ number: loads.length + 1, contents });
      if (underLeast(part.fill, least)) warnings.push(belowLeast(site.name, part.fill, least!));
    }
    const totals = bound.map((amount) => amount(area, spray));
    return [
      {
        name: site.name,
        area,
        spray,
        loads,
        totals,
        costs: totals.map((total, i) => {
          const price = products[i]!.price;
          return price ? { value: costOf(total, price), currency: price.currency } : null;
        }),
      },
    ];
  });
  const { held, reasons, budgets, working } = judgement;
  return { sprayVolume, tankCoverage, products, sites, held, reasons, budgets, judged: working, warnings };
}

/** The spray that an area takes. */
export const sprayFor = (area: Source<"area">, sprayVolume: Source<"sprayVolume">): Derived<"volume"> =>
  derive(siteSprayRule, { sprayVolume, area });

/** The area of a site, its zones added up, and the spray that it takes. */
function siteSpray(site: MixSite, sprayVolume: Source<"sprayVolume">): { area: Source<"area">; spray: Derived<"volume"> } {
  const zones = site.zones.map((z) => given(z.area, z.name));
  const area = zones.length === 1 ? zones[0]! : derive(siteAreaRule, { zones });
  return { area, spray: sprayFor(area, sprayVolume) };
}

/** What a plan's amounts were worked out from, in the order in which their working is read. */
export function planSources(plan: MixPlan): AnySource[] {
  return plan.sites.flatMap((site): AnySource[] => [
    plan.sprayVolume,
    plan.tankCoverage,
    site.spray,
    ...site.loads.flatMap(({ contents }) => [contents.fillTo, contents.covers, ...contents.amounts]),
    ...site.totals,
  ]);
}

/** The working of a plan, line by line, its judgement after it: what two zones share there is written once. */
export function planLines(plan: MixPlan, system: System): Line[] {
  const judged = explainAll(plan.judged, system);
  const once = new Map(judged.map((line) => [line.rule + line.sum, line]));
  return [...explainAll(planSources(plan), system), ...once.values()];
}

/** The sites of an input that would take more loads than a plan may have, with how many. */
export function overloaded({
  sprayVolume,
  tank,
  sites,
}: Pick<MixInput, "sprayVolume" | "tank" | "sites">): { site: number; loads: number }[] {
  const usable = given(tank.usable, "usable volume");
  return sites.flatMap((site, i) => {
    const loads = loadCount(siteSpray(site, sprayVolume).spray, usable);
    return loads > MOST_LOADS ? [{ site: i, loads }] : [];
  });
}

/** A load that holds a whole site covers the site: no detour over the spray volume. */
function coversOf(
  fill: Source<"volume">,
  spray: Source<"volume">,
  area: Source<"area">,
  sprayVolume: Source<"sprayVolume">,
): Source<"area"> {
  return fill === spray ? area : derive(coversRule, { fill, sprayVolume });
}

function contentsOf(fillTo: Source<"volume">, covers: Source<"area">, bound: readonly AmountFor[]): Contents {
  return { fillTo, covers, amounts: bound.map((amount) => amount(covers, fillTo)) };
}

function belowLeast(site: string, fill: Source<"volume">, least: Source<"volume">): MixWarning {
  return {
    code: "below-least-mix",
    text: `${site}: a load of ${show(fill.value, "volume", "gal")} is under the ${show(least.value, "volume", "gal")} that this tank can agitate. Use a smaller sprayer or spray it with the next site.`,
  };
}

/** The area that one full tank treats. */
export function coverageOf(tank: Tank, sprayVolume: Source<"sprayVolume">): Derived<"area"> {
  return derive(coverageRule, { usable: given(tank.usable, "usable volume"), sprayVolume });
}
