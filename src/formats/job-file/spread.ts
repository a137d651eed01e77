import { good, type Issue, type Result } from "@/core/issue";
import type { MixSite } from "@/core/mixing/plan";
import { isSpread } from "@/core/mixing/pouring-order";
import type { MixProduct } from "@/core/mixing/product";
import { spreadPlan, spreadSources, type SpreadPlan } from "@/core/mixing/spread";
import type { Entered } from "@/core/quantity/parse";
import { explainAll, lineText } from "@/core/working/explain";
import { given } from "@/core/working/rule";
import { extra, Faults } from "./faults";
import { readGoods, soundIn } from "./read-goods";
import { granulesAlone } from "@/core/mixing/full-tank";
import { fullTankResult, mixWarningResult, reasonResult, spreadResult } from "./results";
import type { JobFile } from "./types";

/** A job of granules that are spread dry: no rig, no calibration, no tank. */
export type SpreadFile = Omit<JobFile, "rig" | "calibration"> & Partial<Pick<JobFile, "rig" | "calibration">>;

export interface SpreadJob {
  readonly file: SpreadFile;
  /** As with a job. */
  readonly version1?: boolean;
  readonly products: readonly MixProduct[];
  readonly sites: readonly MixSite[];
  readonly overage: Entered<"share"> | undefined;
}

/** A file of granules alone → a job, or every fault. @param shape the faults of its shape that are known already */
export function readSpread(file: SpreadFile, shape: readonly Issue[] = []): Result<SpreadJob> {
  const faults = new Faults();
  faults.issues.push(...shape);
  const goods = readGoods(file, faults, soundIn(shape));
  if (faults.issues.length > 0) return { ok: false, issues: faults.issues };
  goods.products.forEach((product, i) => {
    if (isSpread(product)) return;
    const expected = "G, spread dry: what goes into a tank is mixed under a rig";
    faults.add(`products[${i}].formulation`, "not-possible", file.products?.[i]?.formulation ?? "", expected);
  });
  if (faults.issues.length > 0) return { ok: false, issues: faults.issues };
  return good({ file, ...goods, overage: extra(file.overage, "overage") });
}

/** What it comes to: bags and pounds for each site; held sites get none. */
export const planOfSpread = ({ file, products, sites, overage }: SpreadJob): SpreadPlan =>
  spreadPlan({
    products,
    sites,
    date: file.date,
    anyOrder: file.priorOrder === "any",
    ...(overage && { overage: given(overage, "overage") }),
  });

/** What `gauge mix` prints of granules for which no ground is named: what goes on 1,000 sq ft. */
export function spreadTankResult({ products }: SpreadJob) {
  return fullTankResult(granulesAlone(products), null);
}

/** What `gauge mix` prints of it: a mix without a tank. */
export function spreadMixResult(plan: SpreadPlan) {
  const items = spreadResult(plan.items);
  const names = [...new Set(items.map((item) => item.site))];
  return {
    format: "careful-gauge-mix",
    version: 1,
    status: plan.reasons.length > 0 ? "held" : "ready",
    notJudged: [],
    reasons: plan.reasons.map(reasonResult),
    sprayVolume: null,
    tankCoverage: null,
    sites: names.map((name) => {
      const own = items.filter((item) => item.site === name);
      return {
        name,
        area: own[0]!.area,
        spray: null,
        loads: [],
        products: own.map(({ name: product, total, cost, packages }) => ({ name: product, total, cost, packages })),
      };
    }),
    spreadDry: items,
    warnings: plan.warnings.map(mixWarningResult),
    working: explainAll(spreadSources(plan), "us").map(lineText),
  };
}
