import type { LabelSays } from "../labels/label";
import { writtenAs } from "../quantity/parse";
import { valueIn } from "../quantity/quantity";
import { given, type Source } from "../working/rule";
import { coverageOf, mix } from "./mix";
import { stepsOf, waterFirst, type Filling, type Step, type WaterFirst } from "./column";
import type { Contents, MixInput, MixPlan } from "./plan";
import { isSpread } from "./pouring-order";
import { amountFor, type Amount } from "./amounts";
import { areaOf } from "./areas";
import type { MixProduct } from "./product";
import { spreadPlan } from "./spread";

/**
 * "What goes into a tank?": a full tank, before anybody says for which ground. It is held by everything that needs no ground: rate,
 * dilution, carrier, head, droplets, rig, and a rate that alone passes a year's most. What needs ground is not judged, and said so: it is
 * asked before the tank is poured.
 */
export interface FullTank {
  readonly plan: Pick<MixPlan, "products" | "reasons" | "warnings" | "judged" | "budgets"> & {
    /** Null of granules alone: nothing is sprayed. */
    readonly sprayVolume: MixPlan["sprayVolume"] | null;
    readonly tankCoverage: MixPlan["tankCoverage"] | null;
  };
  /** What it holds; null where the plan is held, or nothing goes into the tank. */
  readonly contents: (Contents & { readonly water: Source<"volume"> | null; readonly steps: readonly Step[] }) | null;
  /** Of the granules beside it, what goes on 1,000 sq ft. */
  readonly spread: readonly { readonly product: MixProduct; readonly total: Amount }[];
  readonly notJudged: readonly NotJudged[];
}

/** What needs ground: what went down there, and when it was seeded. */
export const NOT_JUDGED = ["year", "interval", "applications", "seeding"] as const;
export type NotJudged = (typeof NOT_JUDGED)[number];

/** What of the labels can't be judged without ground, each once, in this order. */
export function notJudged(products: readonly Pick<MixProduct, "says">[]): NotJudged[] {
  const says = products.flatMap((product) => product.says ?? []);
  const row = (has: (limit: LabelSays["limits"][number]) => unknown) =>
    says.some(({ limits }) => limits.some((limit) => has(limit) !== undefined));
  const found: Record<NotJudged, boolean> = {
    year: row((limit) => limit.perYear),
    interval: row((limit) => limit.intervalAtLeast ?? limit.intervalAtMost),
    applications: row((limit) => limit.applicationsPerYear),
    seeding: says.some(
      (one) => (one.afterSeeding ?? one.afterSodding ?? one.beforeSeeding ?? one.beforeSodding ?? one.residual) !== undefined,
    ),
  };
  return NOT_JUDGED.filter((what) => found[what]);
}

/** Stands for the ground that nobody named. */
export const NO_GROUND = "any ground";
/** Nothing was put down before it: it only says what a year is. */
export const SOME_YEAR = "2000";
const SOME_DAY = `${SOME_YEAR}-01-01`;
const THOUSAND = writtenAs("area", 1000, "ft2");

/** A full tank of a mix, without ground. @param school how much of the water comes first */
export function fullTank(input: Omit<MixInput, "sites" | "run">, school: WaterFirst = "half"): FullTank {
  const wet = input.products.filter((product) => !isSpread(product));
  const covers = coverageOf(input.tank, input.sprayVolume);
  const ground = { name: NO_GROUND, area: writtenAs("area", valueIn(covers.value, "ft2"), "ft2") };
  const { overage: _, ...rest } = input;
  const plan = mix({
    ...rest,
    date: input.date ?? SOME_DAY,
    loads: "full-then-part",
    sites: [{ name: NO_GROUND, zones: [ground] }],
  });
  const held = plan.reasons.length > 0;
  const usable = given(input.tank.usable, "usable volume");
  const amounts = plan.products.map((product) => amountFor(product)(plan.tankCoverage, usable));
  const filling: Filling = {
    key: "tank",
    number: 1,
    fillTo: usable,
    adds: usable,
    startsWith: null,
    covers: plan.tankCoverage,
    amounts,
    sites: [],
  };
  const thousand = areaOf([given(THOUSAND, "1,000 sq ft")]);
  return {
    plan,
    contents:
      held || wet.length === 0
        ? null
        : {
            fillTo: usable,
            covers: plan.tankCoverage,
            amounts,
            water: waterFirst(usable, amounts, school),
            steps: stepsOf(plan.products, filling, school),
          },
    spread: held
      ? []
      : input.products.filter(isSpread).map((product) => ({ product, total: amountFor(product)(thousand, usable) })),
    notJudged: notJudged(input.products),
  };
}

/** Granules alone, for which there is no tank: judged, and what goes on 1,000 sq ft. */
export function granulesAlone(products: readonly MixProduct[]): FullTank {
  const judged = spreadPlan({
    products,
    sites: [{ name: NO_GROUND, zones: [{ name: NO_GROUND, area: THOUSAND }] }],
    date: SOME_DAY,
  });
  return {
    plan: { ...judged, products, judged: judged.working, sprayVolume: null, tankCoverage: null },
    contents: null,
    spread: judged.items.map(({ product, total }) => ({ product, total })),
    notJudged: notJudged(products),
  };
}
