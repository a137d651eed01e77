/** What belongs in a hose-end head, by what a product is for. A warning, never a permission: the label decides. */
export const PRODUCT_USES = [
  "herbicide",
  "pre-emergent",
  "fungicide",
  "insecticide",
  "fertilizer",
  "biostimulant",
  "wetting agent",
] as const;
export type ProductUse = (typeof PRODUCT_USES)[number];

export interface Suitability {
  readonly state: "good" | "ask" | "poor";
  readonly text: string;
}

/** Of the products of a mix through a head, those that don't go with one, each with why. */
export const unfitForHead = <T extends { readonly name: string; readonly use?: string | undefined }>(
  products: readonly T[],
): { readonly name: string; readonly text: string }[] =>
  products.flatMap(({ name, use }) => {
    const known = PRODUCT_USES.find((one) => one === use);
    const fit = known && suitsHead(known);
    return fit?.state === "poor" ? [{ name, text: fit.text }] : [];
  });

/** Whether a use goes with a head (common practice); the text always defers to the label. */
export function suitsHead(use: ProductUse): Suitability {
  switch (use) {
    case "herbicide":
      return {
        state: "poor",
        text: "Most herbicides need an exact dose in an exact place: a hose-end head gives neither. Only where the label names it.",
      };
    case "pre-emergent":
      return {
        state: "poor",
        text: "A soil pre-emergent needs an even, exact dose: a hose-end head doesn't give it. Only where the label names it.",
      };
    case "biostimulant":
    case "wetting agent":
      return { state: "good", text: "Goes well in a hose-end head, where its label allows it." };
    default:
      return {
        state: "ask",
        text: "Read the label: it must name hose-end application, and the dose must forgive some unevenness.",
      };
  }
}
