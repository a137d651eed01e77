import type { MixSite } from "@/core/mixing/plan";
import type { MixProduct } from "@/core/mixing/product";
import type { Faults } from "./faults";
import { readProduct } from "./read-product";
import { readSites } from "./read-sites";
import type { JobFile, ProductText } from "./types";

/** What every job has, also one that is spread dry: products, sites, a date where a limit needs one. */
export interface Goods {
  readonly products: readonly MixProduct[];
  readonly sites: readonly MixSite[];
}

/** @param sound whether a place has no fault of its shape */
export function readGoods(
  job: Pick<JobFile, "products" | "sites" | "date">,
  faults: Faults,
  sound: (place: string) => boolean,
): Goods {
  const listed = Array.isArray(job.products) ? job.products : [];
  const products = listed.flatMap((p, i) => (sound(`products[${i}]`) ? (readProduct(p, i, faults) ?? []) : []));
  unique(
    listed.map((p) => p?.name),
    (i) => `products[${i}].name`,
    faults,
  );
  if (sound("sites"))
    unique(
      (job.sites ?? []).map((s) => s.name),
      (i) => `sites[${i}].name`,
      faults,
    );
  const sites = sound("sites") ? readSites(job, faults) : [];
  // A full tank is judged without ground, and so without a day.
  if (job.date === undefined && job.sites !== undefined && sound("date") && needsDate(listed, products, sites))
    faults.add("date", "missing", "", `"2026-09-02", a limit or a wait needs it`);
  return { products, sites };
}

/** Whether a place of the file, and all below it, has the right shape. */
export const soundIn = (shape: readonly { readonly path: string }[]) => (place: string) =>
  !shape.some((s) => s.path === place || s.path.startsWith(`${place}.`) || s.path.startsWith(`${place}[`));

export function unique(names: readonly unknown[], path: (i: number) => string, faults: Faults): void {
  names.forEach((name, i) => {
    if (typeof name === "string" && names.indexOf(name) < i) faults.add(path(i), "duplicate-name", name, "name");
  });
}

/** Whether something can only be judged on a date: a limit on the year, the count or the interval, or a wait. */
function needsDate(listed: readonly ProductText[], products: readonly MixProduct[], sites: readonly MixSite[]): boolean {
  const seeds = sites.some((s) => s.zones.some((z) => z.seeded ?? z.sodded ?? z.seeding ?? z.sodding));
  return (
    listed.some(({ limits }) => limits && (limits.perYear ?? limits.applicationsPerYear ?? limits.intervalAtLeast)) ||
    products.some(
      ({ says }) =>
        says?.limits.some((row) => row.perYear ?? row.applicationsPerYear ?? row.intervalAtLeast ?? row.intervalAtMost) ||
        (seeds && says && (says.afterSeeding ?? says.afterSodding ?? says.beforeSeeding ?? says.beforeSodding ?? says.residual)),
    )
  );
}
