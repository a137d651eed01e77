import { good, issueAt, type Result } from "@/core/contents";
import type { CardText } from "./card/card";
import type { ChoiceText } from "./card/choice";
import { productOf } from "./card/product-of";
import type { CountedEntry } from "./book";
import type { AppliedText, ProductText, SiteText } from "./job-file/types";

/**
 * A site with what counts against the limits of each of its zones. A zone is told by its id, and by its name too: one that
 * was taken out and put in again under its old name is still the same ground.
 * @param except the sheet that is being looked at: it doesn't count against itself
 */
export function withCounted(site: SiteText, siteId: string, counted: readonly CountedEntry[], except?: string): SiteText {
  const here = counted.filter((c) => c.siteId === siteId && (c.sheetId === null || c.sheetId !== except));
  return {
    ...site,
    zones: site.zones.map((zone) => {
      const applied = here.filter((c) => c.zoneId === zone["x-id"] || c.zone === zone.name).map((c) => c.applied);
      return applied.length > 0 ? { ...zone, applied } : zone;
    }),
  };
}

/** A product of a mix as it was picked: its card, the rate as typed, how it was chosen. */
export interface Picked {
  readonly card: CardText;
  readonly rate: string;
  readonly choice?: ChoiceText | undefined;
}

/** The products of a mix for its job file, or what is wrong with a rate, at its place. */
export function productsOf(picked: readonly Picked[]): Result<ProductText[]> {
  const products: ProductText[] = [];
  for (const [i, { card, rate, choice }] of picked.entries()) {
    const read = productOf(card, rate, choice);
    if (!read.ok) return { ok: false, issues: read.issues.map((issue) => issueAt(`products[${i}]`, issue)) };
    products.push(read.value);
  }
  return good(products);
}

/** The actives of a product as entries of what went down; the product itself where it has none noted. */
export function appliedOf(
  product: {
    readonly name: string;
    readonly actives: readonly { readonly name: string; readonly content: string }[];
    readonly gravity?: string | undefined;
  },
  amount: string,
  date: string,
  planned = false,
): AppliedText[] {
  const actives = product.actives.length > 0 ? product.actives : [{ name: product.name, content: "100 %" }];
  return actives.map(({ name, content }) => ({
    of: product.name,
    active: name,
    ...(content.endsWith("%") ? { fraction: content } : { strength: content }),
    ...(product.gravity !== undefined && { "x-gravity": product.gravity }),
    amount,
    date,
    ...(planned && { "x-planned": true }),
  }));
}
