import { foldedName } from "@/core/names";
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

export const cardOfProduct = (product: ProductText): Partial<CardText> => (product.label ?? {}) as Partial<CardText>;

/** Everything that any of a mix's labels names, each once with every type that is named for it: "gloves (nitrile)". */
export const namedGear = (products: readonly ProductText[]): string[] => itemsOf(products).map(({ text }) => text);

const itemsOf = (products: readonly ProductText[]) =>
  united(products.flatMap((p): readonly GearText[] => cardOfProduct(p).gear ?? []));

/** The gear of a mix: what its labels name, or what is usual. */
export function gearOf(products: readonly ProductText[]): GearItem[] {
  const named = itemsOf(products);
  return (named.length > 0 ? named : united(USUAL)).map(({ item, text }) => ({ key: `gear.${slug(item)}`, text }));
}

/** A key of plain letters; where those don't say all of an item (gloves in Japanese, two kinds of boots), with a sum of it. */
function slug(item: string): string {
  const folded = foldedName(item);
  const plain = folded.replace(/[^a-z0-9]+/g, "-");
  return plain.replaceAll("-", " ") === folded ? plain : `${plain}~${sumOf(folded)}`;
}

/** A short sum of a text (FNV-1a, 32 bits, over its code units; from memory). */
function sumOf(text: string): string {
  let sum = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) sum = Math.imul(sum ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return sum.toString(36);
}

function united(gear: readonly GearText[]): { readonly item: string; readonly text: string }[] {
  // One item however it is capitalised, under the spelling that came first.
  const spelt = new Map<string, string>();
  const types = new Map<string, Set<string>>();
  for (const { item: as, type } of gear) {
    const item = spelt.get(foldedName(as)) ?? as;
    spelt.set(foldedName(as), item);
    types.set(item, new Set([...(types.get(item) ?? []), ...(type ? [type] : [])]));
  }
  return [...types].map(([item, of]) => ({ item, text: of.size > 0 ? `${item} (${[...of].join(", ")})` : item }));
}
