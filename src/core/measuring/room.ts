import { sameName } from "../names";
import { perArea } from "../labels/per-area";
import { rateOnGround } from "../mixing/judge";
import type { SiteBudget, MixPlan } from "../mixing/plan";
import { num, type Source } from "../working/rule";

type Budgets = ReadonlyMap<string, readonly SiteBudget[]>;
const byProduct = new WeakMap<MixPlan, Budgets>();

/** The budgets of a plan by product and site, sorted once a plan. */
function budgetsOf(plan: MixPlan, product: string, site: string): readonly SiteBudget[] {
  let known = byProduct.get(plan);
  if (!known) {
    const sorted = new Map<string, SiteBudget[]>();
    for (const budget of plan.budgets) {
      const key = JSON.stringify([budget.product, budget.site]);
      const list = sorted.get(key);
      if (list) list.push(budget);
      else sorted.set(key, [budget]);
    }
    byProduct.set(plan, sorted);
    known = sorted;
  }
  return known.get(JSON.stringify([product, site])) ?? [];
}

const size = (rate: ReturnType<typeof rateOnGround>) => num(rate as Source<"rateByWeight">);

/**
 * How much of a product may go down for what is planned, as a factor: the least of what its labels still allow on the zones
 * that it is for, and of its highest rate. Undefined where no label sets either.
 * @param sites the names of the sites that it is for · @param of which budgets count: the year's too, or one application's
 */
export function labelRoom(
  plan: MixPlan,
  product: number,
  sites: readonly string[],
  of: "all" | "application" = "all",
): number | undefined {
  const one = plan.products[product]!;
  const rate = size(rateOnGround(one, plan.leaves));
  const budgets = sites.flatMap((site) => budgetsOf(plan, one.name, site)).filter((b) => of === "all" || b.of === of);
  const highest = one.says?.range?.[1];
  const bounds = [
    ...budgets.map((b) => size(b.left)),
    ...(highest ? [size(perArea(highest, `highest rate of ${one.name}`, plan.leaves))] : []),
  ];
  return bounds.length > 0 ? Math.min(...bounds) / rate : undefined;
}

/**
 * How far an amount of a product may be rounded up: to what the label allows; 1 where it sets nothing, since then the
 * figure itself is the limit, and where another product of the mix has the same active: two readings rounded up could pass
 * together what each may pass by itself.
 */
export function roomUp(plan: MixPlan, product: number, sites: readonly string[]): number {
  const actives = plan.products[product]!.says?.actives ?? [];
  const shared = plan.products.some(
    (other, i) => i !== product && (other.says?.actives ?? []).some((a) => actives.some((b) => sameName(a.name, b.name))),
  );
  return shared ? 1 : Math.max(1, labelRoom(plan, product, sites) ?? 1);
}
