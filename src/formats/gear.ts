import type { CardText, GearText } from "./card/card";
import type { ProductText } from "./job-file/types";

/** One thing that is worn, ticked before the first container is opened. */
export interface GearItem {
  /** Stable: the key of its tick. */
  readonly key: string;
  readonly text: string;
}

/** What is worn where no label of a mix names anything (common practice; the label's own list wins). */
const USUAL: readonly GearText[] = [
  { item: "long sleeves and trousers" },
  { item: "gloves", type: "chemical-resistant" },
  { item: "eye protection", type: "goggles or face shield" },
  { item: "boots" },
];

export const cardOfProduct = (product: ProductText): Partial<CardText> => (product["x-label"] ?? {}) as Partial<CardText>;

/** Everything that any of a mix's labels names, each once with every type that is named for it: "gloves (nitrile)". */
export const namedGear = (products: readonly ProductText[]): string[] =>
  united(products.flatMap((p): readonly GearText[] => cardOfProduct(p).gear ?? []));

/** The gear of a mix: what its labels name, or what is usual. */
export function gearOf(products: readonly ProductText[]): GearItem[] {
  const named = namedGear(products);
  return (named.length > 0 ? named : united(USUAL)).map((text) => ({ key: `gear.${slug(text.split(" (")[0]!)}`, text }));
}

const slug = (item: string) => item.toLowerCase().replace(/[^a-z0-9]+/g, "-");

function united(gear: readonly GearText[]): string[] {
  const types = new Map<string, Set<string>>();
  for (const { item, type } of gear) types.set(item, new Set([...(types.get(item) ?? []), ...(type ? [type] : [])]));
  return [...types].map(([item, of]) => (of.size > 0 ? `${item} (${[...of].join(", ")})` : item));
}
