import { good, issueAt, type Result } from "@/core/issue";
import { foldedName } from "@/core/names";
import type { CardText } from "./card/card";
import type { ChoiceText } from "./card/choice";
import { productOf } from "./card/product-of";
import type { CountedEntry } from "./entries";
import type { AppliedText, ProductText, SiteText } from "./job-file/types";

/** Entries by the zone that they count against, and by site and name where they know their zone by name only. */
interface Index {
  readonly byZone: ReadonlyMap<string, readonly CountedEntry[]>;
  readonly byName: ReadonlyMap<string, readonly CountedEntry[]>;
}
const indexes = new WeakMap<readonly CountedEntry[], Index>();
const nameKey = (siteId: string, zone: string) => `${siteId}\n${foldedName(zone)}`;

function indexOf(counted: readonly CountedEntry[]): Index {
  const known = indexes.get(counted);
  if (known) return known;
  const byZone = new Map<string, CountedEntry[]>();
  const byName = new Map<string, CountedEntry[]>();
  const add = (map: Map<string, CountedEntry[]>, key: string, entry: CountedEntry) => {
    const list = map.get(key);
    if (list) list.push(entry);
    else map.set(key, [entry]);
  };
  for (const entry of counted) {
    for (const zone of entry.zoneIds) add(byZone, zone, entry);
    if (entry.zoneIds.length === 0) add(byName, nameKey(entry.siteId, entry.zone), entry);
  }
  const index = { byZone, byName };
  indexes.set(counted, index);
  return index;
}

/**
 * A site with what counts against the limits of each of its zones: what went down on that ground, whatever it was called
 * and whichever zone it was then. An entry that knows its zone by name only counts against the zone of that name.
 * @param except the sheet that is being looked at: it doesn't count against itself
 */
export function withCounted(site: SiteText, siteId: string, counted: readonly CountedEntry[], except?: string): SiteText {
  const { byZone, byName } = indexOf(counted);
  return {
    ...site,
    zones: site.zones.map((zone) => {
      const here = [...(byZone.get(zone.id ?? "") ?? []), ...(byName.get(nameKey(siteId, zone.name ?? "")) ?? [])];
      const applied = here.filter((c) => c.sheetId === null || c.sheetId !== except).map((c) => c.applied);
      return applied.length > 0 ? { ...zone, applied } : zone;
    }),
  };
}

/** A product of a mix as it was picked: its card, the rate as typed, how it was chosen. */
export interface Picked {
  /** The card's id on record: a sheet knows it through every change of its name. */
  readonly id?: string;
  readonly card: CardText;
  readonly rate: string;
  readonly choice?: ChoiceText | undefined;
}

/** The products of a mix for its job file, or what is wrong with a rate, at its place. */
export function productsOf(picked: readonly Picked[]): Result<ProductText[]> {
  const products: ProductText[] = [];
  for (const [i, { id, card, rate, choice }] of picked.entries()) {
    const read = productOf(card, rate, choice);
    if (!read.ok) return { ok: false, issues: read.issues.map((issue) => issueAt(`products[${i}]`, issue)) };
    products.push({ ...read.value, ...(id !== undefined && { id }) });
  }
  return good(products);
}

/** What went down or is planned, before it is told active by active. */
export interface Down {
  readonly name: string;
  readonly actives: readonly { readonly name: string; readonly content: string }[];
  readonly gravity?: string | undefined;
}

/** How an entry counts: on which day, perhaps on another one too; planned, or down. */
export interface CountsOn {
  readonly date: string;
  readonly alsoOn?: string | null;
  readonly planned?: boolean;
  /** A container was opened for what is planned. */
  readonly poured?: boolean;
}

/** The actives of a product as entries of what went down; the product itself where nobody noted one. */
export function appliedOf({ name, actives, gravity }: Down, amount: string, on: CountsOn): AppliedText[] {
  const unknown = actives.length === 0;
  return (unknown ? [{ name, content: "100 %" }] : actives).map((active) => ({
    of: name,
    active: active.name,
    ...(active.content.endsWith("%") ? { fraction: active.content } : { strength: active.content }),
    ...(gravity !== undefined && { specificGravity: gravity }),
    amount,
    date: on.date,
    ...(on.alsoOn && { alsoOn: on.alsoOn }),
    ...(unknown && { activeUnknown: true }),
    ...(on.planned && { planned: true }),
    ...(on.poured && { poured: true }),
  }));
}
