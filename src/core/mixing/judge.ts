import type { AreaRate } from "../labels/active";
import type { Counting } from "../labels/budget";
import type { LabelSays } from "../labels/label";
import { groundIsOpen } from "../labels/gallon";
import { judgeMix } from "../labels/limit-mix";
import { judgeZone } from "../labels/limits";
import { perArea } from "../labels/per-area";
import type { Reason } from "../labels/reason";
import { sizeOfRate } from "../labels/label-rate";
import { overCarried, slipsOfBound, type Plain } from "../slips/of-bound";
import { rateBounds, slipsOfRate, type RateContext } from "../slips/of-rate";
import type { Source } from "../working/rule";
import { leavesOnGround } from "./fixed-volume";
import type { Judgement, LabelWarning, MixInput, SiteBudget } from "./plan";
import { isSpread } from "./pouring-order";
import type { MixProduct } from "./product";
import { atLeast } from "../quantity/slack";

const SAYS_NOTHING: LabelSays = { actives: [], limits: [] };

/** What of a mix is judged. */
type Judging = Pick<MixInput, "products" | "sites" | "sprayVolume" | "leaves" | "hoseEnd" | "head" | "date" | "anyOrder">;

/** Holds a mix against its labels, zone by zone. A site with a reason is held whole: its zones are sprayed from one tank. */
export function judge(input: Judging): Judgement {
  const sprayVolume = input.leaves ?? input.sprayVolume;
  const products = input.products.map((product): Counting => ({
    name: product.name,
    dry: product.form === "dry",
    // The second of two halves is meant to follow the first.
    says: product.says ? { ...product.says, ...(product.split && { visibleAfter: 0 }) } : SAYS_NOTHING,
    rate: rateOnGround(product, sprayVolume),
    spread: isSpread(product),
  }));
  const whole = judgeMix(products, { sprayVolume }, input.hoseEnd ?? false, input.head ?? null);
  const { date, anyOrder } = input;
  const reasons: Reason[] = [...whole.reasons];
  const warnings: LabelWarning[] = [
    ...whole.warnings,
    ...input.products.flatMap((product) => rateWarnings(product, sprayVolume)),
  ];
  const budgets: SiteBudget[] = [];
  const held = new Set<string>(whole.reasons.length > 0 ? input.sites.map((s) => s.name) : []);
  // A product that says nothing, and no other that does, has nothing to be judged.
  const silent =
    products.every(({ says }) => !says.range && says.limits.length === 0 && says.use === undefined && !binding(says)) &&
    input.sites.every((site) => site.zones.every((zone) => !zone.whole));
  if (!silent)
    for (const site of input.sites)
      for (const zone of site.zones) {
        const day = { site: site.name, jurisdiction: site.jurisdiction, date, sprayVolume, anyOrder };
        const judged = judgeZone(products, zone, day);
        reasons.push(...judged.reasons);
        warnings.push(...judged.warnings);
        budgets.push(...judged.budgets.map((budget) => ({ ...budget, site: site.name })));
        if (judged.reasons.length > 0) held.add(site.name);
      }
  const working = [
    ...whole.working,
    ...budgets.flatMap((b) => [b.used, b.planned, b.left]),
    ...reasons.map((r) => r.most),
  ].filter((s): s is NonNullable<typeof s> => s !== null);
  return { held: [...held], reasons, budgets, warnings: unique(warnings), working };
}

/** What of a product really goes down: its rate, or what it is mixed for times what is sprayed. */
export function rateOnGround(product: MixProduct, sprayVolume: Source<"sprayVolume">): AreaRate {
  if (product.mixed) return leavesOnGround(product.mixed, sprayVolume);
  return product.by ?? perArea(product.rate, `rate of ${product.name}`, sprayVolume);
}

/** What a label says beside rates and limits that a zone can be held for. */
const binding = (says: LabelSays): boolean =>
  Boolean(
    says.turfs?.length ||
    says.afterSeeding ||
    says.afterSodding ||
    says.beforeSeeding ||
    says.beforeSodding ||
    says.residual ||
    says.visibleAfter,
  );

const unique = (warnings: readonly LabelWarning[]): LabelWarning[] => [
  ...new Map(warnings.map((w) => [w.code + JSON.stringify(w.values), w])).values(),
];

/** What a label's rates are compared with: its range; where it gives none, the least of its limits for one application. */
export function rateContextOf({ says }: Pick<MixProduct, "says">): RateContext {
  if (!says) return {};
  const { actives } = says;
  if (says.range) return { least: says.range[0], most: says.range[1], actives };
  const limits = says.limits.flatMap((row) => row.perApplication ?? []).sort((a, b) => sizeOfRate(a) - sizeOfRate(b));
  return limits[0] ? { most: limits[0], actives } : { actives };
}

/** What a product is known by where no label bounds its rate. */
export const plainOf = ({ form, formulation, says }: MixProduct): Plain => ({ form, formulation, use: says?.use });

/** A rate that lies outside its label: what it probably was, and whether it is too light. */
function rateWarnings(product: MixProduct, sprayVolume: Source<"sprayVolume">): LabelWarning[] {
  const context = rateContextOf(product);
  const warnings: LabelWarning[] = [];
  const slips = product.split ? [] : slipsOfRate(product.rate, context);
  const [acre, others] = [slips.filter((s) => s.code === "acre-for-1000"), slips.filter((s) => s.code !== "acre-for-1000")];
  for (const [code, found] of [
    ["per-acre-slip", acre],
    ["unit-slip", others],
  ] as const)
    if (found.length > 0) warnings.push({ code, values: { product: product.name, rate: product.rate, slips: found } });
  const plain = plainOf(product);
  // A label's own figures go before what is plausible.
  if (!rateBounds(product.rate.kind, context) && !product.split) {
    const found = slipsOfBound(product.rate, plain, context, "us");
    if (found.length > 0)
      warnings.push({ code: "unusual-rate", values: { product: product.name, rate: product.rate, slips: found } });
  }
  const thick = product.mixed ? null : overCarried(product.rate, plain, sprayVolume.value);
  if (thick) warnings.push({ code: "too-thick", values: { product: product.name, rate: product.rate, most: thick.most } });
  if (groundIsOpen(product)) warnings.push({ code: "ground-open", values: { product: product.name, rate: product.rate } });
  const least = product.says?.range?.[0];
  const bounds = least && rateBounds(product.rate.kind, { least });
  if (!product.split && bounds && !atLeast(sizeOfRate(product.rate), bounds.least))
    warnings.push({ code: "under-label-range", values: { product: product.name, rate: product.rate, least } });
  return warnings;
}
