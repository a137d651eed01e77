import { explainAll, type Line } from "../working/explain";
import { derive, given, num, type AnySource, type Derived, type Source } from "../working/rule";
import type { System } from "../working/units";
import { amountFor, costOf, type AmountFor } from "./amounts";
import { coverageRule, coversRule, areaOf, overageRule, sprayFor } from "./areas";
import { dayRun, type DayRun, type Lawn } from "./day-run";
import { fixedVolumeEffect, mixedFor } from "./fixed-volume";
import { loadCount, MOST_LOADS, splitLoads, underLeast } from "./loads";
import { judge } from "./judge";
import { isSpread } from "./pouring-order";
import type { Contents, Load, MixInput, MixPlan, MixSite, MixWarning, SitePlan, Tank } from "./plan";
import type { MixProduct } from "./product";
import { spreadItems } from "./spread";
import { totalsOf } from "./totals";

/**
 * Turns label rates into what goes into each load, for any number of sites, zones and products. Every site starts with
 * an empty tank. Each amount keeps how it was worked out; nothing is rounded here.
 */
export function mix(input: MixInput): MixPlan {
  const { sprayVolume } = input;
  const all = input.mixedFor ? input.products.map((p) => (isSpread(p) ? p : mixedFor(p, input.mixedFor!))) : input.products;
  const products = all.filter((p) => !isSpread(p));
  const usable = given(input.tank.usable, "usable volume");
  const least = input.tank.leastMix ? given(input.tank.leastMix, "least mix") : undefined;
  const tankCoverage = derive(coverageRule, { usable, sprayVolume });
  const bound = products.map(amountFor);
  const full = contentsOf(usable, tankCoverage, bound);
  const judgement = judge({ ...input, products: all });
  const warnings: MixWarning[] = [...judgement.warnings, ...schoolWarnings(input)];

  const sites = input.sites.flatMap((site): SitePlan[] => {
    if (judgement.held.includes(site.name)) return [];
    const { area, meant, spray } = siteSpray(site, input);
    const loads: Load[] = [];
    for (const part of products.length > 0 ? splitLoads(spray, usable, least, input.loads) : []) {
      const contents = part.full ? full : contentsOf(part.fill, coversOf(part.fill, spray, meant, sprayVolume), bound);
      for (let i = 0; i < part.times; i++) loads.push({ number: loads.length + 1, contents });
      // Of a day its own fills count, not what each site would take by itself.
      if (!input.run && underLeast(part.fill, least)) warnings.push(belowLeast(site.name, part.fill, least!));
    }
    const totals = bound.map((amount) => amount(meant, spray));
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
  const run = input.run && products.length > 0 ? dayOf(input, products, held, bound) : null;
  if (run)
    for (const load of run.loads)
      if (underLeast(load.fillTo, least)) warnings.push(belowLeast(`Load ${load.number} of the day`, load.fillTo, least!));
  const leaves = input.leaves ?? sprayVolume;
  const spread = spreadItems({ ...input, products: all }, held);
  return { sprayVolume, leaves, tankCoverage, products, spread, sites, run, held, reasons, budgets, judged: working, warnings };
}

/** The day of a mix, as far as it is still to do. */
function dayOf(
  input: MixInput,
  products: readonly MixProduct[],
  held: readonly string[],
  amounts = products.map(amountFor),
): DayRun {
  const { sprayVolume, tank, loads, run } = input;
  return dayRun({
    sprayVolume,
    usable: given(tank.usable, "usable volume"),
    least: tank.leastMix && given(tank.leastMix, "least mix"),
    lawns: lawnsOf(input, held),
    loads,
    places: run?.places === true,
    inTank: run?.inTank,
    standsAt: run?.standsAt,
    amounts,
  });
}

/** The same day with its stops in another order: nothing is judged anew, since no label minds the order. */
export const dayInOrder = (input: MixInput, { products, held }: MixPlan, todo: readonly string[]): DayRun =>
  dayOf({ ...input, run: { places: false, ...input.run, todo } }, products, held);

/** The lawns of a day that are still to do, in their order, without those of held sites. */
function lawnsOf({ sites, overage, run }: Pick<MixInput, "sites" | "overage" | "run">, held: readonly string[]): Lawn[] {
  const order = run?.todo ? run.todo.flatMap((name) => sites.find((site) => site.name === name) ?? []) : sites;
  return order
    .filter((site) => !held.includes(site.name))
    .flatMap((site) =>
      site.zones.map((zone) => ({
        site: site.name,
        name: zone.name,
        area: withOverage(given(zone.area, zone.name), overage),
        water: site.water === true,
      })),
    );
}

const withOverage = (area: Source<"area">, overage: Source<"share"> | undefined): Source<"area"> =>
  overage ? derive(overageRule, { area, overage }) : area;

/** What a school of mixing does to the rates. */
function schoolWarnings({ mixedFor: volume, sprayVolume, leaves }: MixInput): MixWarning[] {
  if (!volume) return [];
  const { factor, matters } = fixedVolumeEffect(leaves ?? sprayVolume, volume);
  if (!matters) return [];
  const values = { mixedFor: volume.value, sprayVolume: sprayVolume.value, factor: factor.value };
  return [{ code: "mixed-for-another-volume", values }];
}

/** The area of a site, its zones added up; the area that is mixed for, and the spray that it takes. */
function siteSpray(
  site: MixSite,
  { sprayVolume, overage }: Pick<MixInput, "sprayVolume" | "overage">,
): { area: Source<"area">; meant: Source<"area">; spray: Derived<"volume"> } {
  const area = areaOf(site.zones.map((z) => given(z.area, z.name)));
  const meant = withOverage(area, overage);
  return { area, meant, spray: sprayFor(meant, sprayVolume) };
}

/** What a plan's amounts were worked out from, in the order in which their working is read. */
export function planSources(plan: MixPlan): AnySource[] {
  return plan.sites
    .flatMap((site): AnySource[] => [
      plan.sprayVolume,
      plan.tankCoverage,
      site.spray,
      // Of a day its own fills are read, not what each site would take by itself.
      ...(plan.run ? [] : site.loads).flatMap(({ contents }) => [contents.fillTo, contents.covers, ...contents.amounts]),
      ...site.totals,
    ])
    .concat(
      plan.sites.length > 1 ? totalsOf(plan).map((total) => total.amount) : [],
      (plan.run?.loads ?? []).flatMap((load): AnySource[] => [
        ...load.pieces.map((p) => p.covers),
        load.fillTo,
        load.adds,
        load.covers,
        ...load.amounts,
      ]),
      plan.spread.map((item) => item.total),
    );
}

/**
 * The working of a plan, line by line, its judgement after it: what two zones or two loads share is written once.
 * @param beside what else a screen shows of it: how long a load lasts, the water that it is begun with
 */
export function planLines(plan: MixPlan, system: System, beside: readonly AnySource[] = []): Line[] {
  const main = explainAll(planSources(plan), system);
  const key = (line: Line) => line.rule + line.sum;
  const known = new Set(main.map(key));
  const more = explainAll([...beside, ...plan.judged], system).filter((line) => !known.has(key(line)));
  return [...main, ...new Map(more.map((line) => [key(line), line])).values()];
}

/** The sites of an input that would take more loads than a plan may have, with how many. */
export function overloaded({
  tank,
  sites,
  ...input
}: Pick<MixInput, "sprayVolume" | "tank" | "sites" | "overage">): { site: number; loads: number }[] {
  const usable = given(tank.usable, "usable volume");
  return sites.flatMap((site, i) => {
    const loads = loadCount(siteSpray(site, input).spray, usable);
    return loads > MOST_LOADS ? [{ site: i, loads }] : [];
  });
}

/** How many loads a day would take at the least, where those are more than a plan may have; else null. */
export function overloadedDay({
  tank,
  sites,
  ...input
}: Pick<MixInput, "sprayVolume" | "tank" | "sites" | "overage">): number | null {
  const all = sites.reduce((sum, site) => sum + num(siteSpray(site, input).spray), 0);
  const loads = Math.ceil(all / num(given(tank.usable, "usable volume")));
  return loads > MOST_LOADS ? loads : null;
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
  return { code: "below-least-mix", values: { site, fill: fill.value, least: least.value } };
}

/** The area that one full tank treats. */
export function coverageOf(tank: Tank, sprayVolume: Source<"sprayVolume">): Derived<"area"> {
  return derive(coverageRule, { usable: given(tank.usable, "usable volume"), sprayVolume });
}
