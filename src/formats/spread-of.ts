import type { CountedEntry, KeptSite } from "./entries";
import { withCounted } from "./counted";
import type { SpreadFile } from "./job-file/spread";
import type { ProductText } from "./job-file/types";
import type { StopWish } from "./mix-of";

export interface SpreadOf {
  readonly products: readonly ProductText[];
  readonly stops: readonly (StopWish & { readonly site: KeptSite })[];
  readonly counted: readonly CountedEntry[];
  /** ISO date. */
  readonly date: string;
  /** The spreading that is looked at: it doesn't count against itself. */
  readonly except?: string;
}

/** Granules for some sites as their job file, with everything that counts against the zones. */
export const spreadWish = ({ products, stops, counted, date, except }: SpreadOf): SpreadFile => ({
  format: "careful-gauge-job",
  version: 2,
  products,
  sites: stops.map(({ siteId, site, without }) =>
    withCounted({ ...site, id: siteId, zones: site.zones.filter((z) => !without?.includes(z.id)) }, siteId, counted, except),
  ),
  date,
  priorOrder: "any",
});
