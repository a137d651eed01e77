import type { MixProduct } from "./product";

/**
 * When each formulation goes into the tank (common practice; the label's own order wins). What
 * changes the water goes first, then what needs the most stirring, surfactants and dye last.
 */
export const FORMULATIONS = {
  CONDITIONER: { place: 0, name: "water conditioner or compatibility agent" },
  WSP: { place: 1, name: "water-soluble packet" },
  WP: { place: 2, name: "wettable powder" },
  WG: { place: 2, name: "water-dispersible granule" },
  DF: { place: 2, name: "dry flowable" },
  G: { place: 2, name: "granule, spread dry" },
  SC: { place: 3, name: "suspension concentrate" },
  F: { place: 3, name: "flowable" },
  EC: { place: 4, name: "emulsifiable concentrate" },
  EW: { place: 4, name: "emulsion in water" },
  SL: { place: 5, name: "soluble liquid" },
  SP: { place: 5, name: "soluble powder" },
  SURFACTANT: { place: 6, name: "surfactant" },
  DYE: { place: 7, name: "dye" },
} as const satisfies Record<string, { place: number; name: string }>;

export type Formulation = keyof typeof FORMULATIONS;

/** Where a product of unknown formulation goes: dry ones with the granules, liquid ones with the solutions. */
const UNKNOWN = { dry: 2, liquid: 5 } as const;

/** What labels and people call a packet that dissolves. */
const PACKETS =
  /\bws[pb]s?\b|\bpackets?\b|\bsachets?\b|\bpouch(?:es)?\b|\bpods?\b|\b(?:water[- ])?soluble (?:bags?|packs?|film)\b/i;

/** The code of a formulation as it was noted, "WSB" and "soluble bag" among the packets; undefined where it is none of ours. */
export function formulationCode(noted: string | undefined): Formulation | undefined {
  const text = noted?.trim() ?? "";
  if (PACKETS.test(text)) return "WSP";
  const code = text.toUpperCase();
  return code in FORMULATIONS ? (code as Formulation) : undefined;
}

/** Powders and granules that disperse are stirred with water first (common practice); packets go in whole. */
const SLURRIED: readonly (Formulation | undefined)[] = ["WP", "WG", "DF"];
export const goesInAsSlurry = ({ formulation }: Pick<MixProduct, "formulation">): boolean =>
  SLURRIED.includes(formulationCode(formulation));

/** A packet that dissolves goes in whole and unopened. */
export const isPacket = ({ formulation }: Pick<MixProduct, "formulation">): boolean => formulationCode(formulation) === "WSP";

/** Granules that are spread dry: they never go into a tank, and need neither a rig nor its calibration. */
export const isSpread = ({ form, formulation }: Pick<MixProduct, "form" | "formulation">): boolean =>
  form === "dry" && formulationCode(formulation) === "G";

/** What the label itself says of when it goes in: first of all, or last. Its own word counts above the usual order. */
const FIRST = /^first\b|\b(?:add|goes|put|pour|mix)(?: it| in| into the tank)* first\b|\bbefore (?:all|any|every)/i;
const LAST = /^last\b|\b(?:add|goes|put|pour|mix)(?: it| in| into the tank)* last\b|\bafter (?:all|every)/i;

function placeOf(product: MixProduct): number {
  const own = product.order ?? "";
  if (FIRST.test(own) !== LAST.test(own)) return FIRST.test(own) ? -1 : 99;
  const code = formulationCode(product.formulation);
  return code ? FORMULATIONS[code].place : UNKNOWN[product.form];
}

/** The places of the products in a list, in the order in which they are poured; equals stay in the list's order. */
export function pouringOrder(products: readonly MixProduct[]): readonly number[] {
  return products.map((_, i) => i).sort((a, b) => placeOf(products[a]!) - placeOf(products[b]!) || a - b);
}
