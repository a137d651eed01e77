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

/** The gear of a mix: everything that any of its labels names, each once with every type that is named for it. */
export function gearOf(products: readonly ProductText[]): GearItem[] {
  const named = products.flatMap((p): readonly GearText[] => cardOfProduct(p).gear ?? []);
  const types = new Map<string, Set<string>>();
  for (const { item, type } of named.length > 0 ? named : USUAL)
    types.set(item, new Set([...(types.get(item) ?? []), ...(type ? [type] : [])]));
  return [...types].map(([item, of]) => ({
    key: `gear.${item.toLowerCase().replace(/[^a-z0-9]+/g, "-")}`,
    text: of.size > 0 ? `${item} (${[...of].join(", ")})` : item,
  }));
}
