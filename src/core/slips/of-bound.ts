import type { ProductUse } from "../hose-end/suitability";
import type { Form, LabelRate, RateKind } from "../labels/label-rate";
import { formulationCode, isSpread } from "../mixing/pouring-order";
import { perArea } from "../labels/per-area";
import { read, type System } from "../working/units";
import { raw, type Kind, type Quantity } from "../quantity/kinds";
import { entered, type Entered } from "../quantity/parse";
import { atMost } from "../quantity/slack";
import { constant } from "../working/rule";
import { rateCandidates, type RateContext } from "./of-rate";
import { fitting, inside, type Bounds, type Slip } from "./slip";

/**
 * What is plausible of a product where no label says it: the most for 1,000 sq ft by what it is used as, and the most that a gallon of
 * spray can carry by its formulation. Both are ours, and wide: they are above what turf labels ask for (common practice), and under what
 * comes of pounds for an acre that are typed for 1,000 sq ft. They only ask; a label's own figures go before them.
 */

type Sprayed = "dry" | "liquid" | "spread";
const dry = (ounces: number) => entered(`${ounces} oz/1000 ft2`, "rateByWeight");
const liquid = (ounces: number) => entered(`${ounces} fl oz/1000 ft2`, "rateByVolume");

const MOST: Record<ProductUse | "unknown", Readonly<Record<Sprayed, Entered<"rateByWeight"> | Entered<"rateByVolume">>>> = {
  herbicide: { dry: dry(6), liquid: liquid(12), spread: dry(256) },
  "pre-emergent": { dry: dry(10), liquid: liquid(12), spread: dry(256) },
  fungicide: { dry: dry(12), liquid: liquid(16), spread: dry(256) },
  insecticide: { dry: dry(12), liquid: liquid(16), spread: dry(256) },
  fertilizer: { dry: dry(80), liquid: liquid(256), spread: dry(400) },
  biostimulant: { dry: dry(48), liquid: liquid(64), spread: dry(400) },
  "wetting agent": { dry: dry(20), liquid: liquid(64), spread: dry(256) },
  unknown: { dry: dry(10), liquid: liquid(64), spread: dry(400) },
};

/** What a gallon carries: half of it product, or so much of what disperses or dissolves. */
const GALLON = {
  liquid: entered("64 fl oz/gal", "strengthByVolume"),
  dissolves: entered("64 oz/gal", "strengthByWeight"),
  disperses: entered("16 oz/gal", "strengthByWeight"),
} as const;

/** What is known of a product whose rate no label bounds. */
export interface Plain {
  readonly form: Form;
  readonly formulation?: string | undefined;
  readonly use?: ProductUse | undefined;
}

/** A card with the same active: what its rates come to for this product, by how much of the active is in each. */
export interface Alike {
  readonly name: string;
  readonly least: LabelRate;
  readonly most: LabelRate;
  /** So many times as much of this product holds as much of the active. */
  readonly times: number;
}

/** The least that is typed is so many times under the most (ours). */
const DEEP = 5000;
/** Cards of one active may differ so far (ours). */
const APART = 4;

/** The most for an area that is plausible of a product. */
export const plausibleMost = (product: Plain): Entered<"rateByWeight"> | Entered<"rateByVolume"> =>
  MOST[product.use ?? "unknown"][isSpread(product) ? "spread" : product.form];

/** The most that a volume of spray carries of a product. */
export function carries({ form, formulation, use }: Plain): Entered<"strengthByWeight"> | Entered<"strengthByVolume"> {
  if (form === "liquid") return GALLON.liquid;
  return formulationCode(formulation) === "SP" || use === "fertilizer" ? GALLON.dissolves : GALLON.disperses;
}

/** What a rate of a product that no label bounds may have been meant to be. Empty where it is plausible. */
export function slipsOfBound(
  rate: LabelRate,
  product: Plain,
  context: RateContext & { readonly alike?: readonly Alike[] },
  system: System,
): Slip[] {
  if (rate.kind !== "rateByWeight" && rate.kind !== "rateByVolume") return [];
  const most = plausibleMost(product);
  if (most.kind !== rate.kind) return [];
  const typed = rate as Entered<RateKind>;
  const size = (one: LabelRate | typeof most) => raw(one.value as Quantity<"rateByWeight">);
  const own: Bounds = { least: size(most) / DEEP, most: size(most) };
  const ask = (bounds: Bounds, says: string): Slip[] => {
    if (inside(size(rate), bounds)) return [];
    const found = fitting(typed, bounds, rateCandidates(rate, context));
    return found.length > 0 ? found : [{ code: "unusual-rate", says, corrected: null }];
  };
  const told = read(most.value as Quantity<Kind> as never, most.kind, system, { figures: 3 });
  const above = ask(own, `that is more than labels of its kind ask for: ${told} is the most that isn't asked about`);
  if (above.length > 0) return above;
  const alike = (context.alike ?? []).filter(({ least, most: top }) => least.kind === rate.kind && top.kind === rate.kind);
  const near = (one: Alike): Bounds => ({
    least: (size(one.least) * one.times) / APART,
    most: size(one.most) * one.times * APART,
  });
  const [first] = alike;
  if (!first || alike.some((one) => inside(size(rate), near(one)))) return [];
  return ask(
    near(first),
    `${first.name} has the same active, and its label asks for far ${size(rate) > near(first).most ? "less" : "more"}`,
  );
}

/** More of a product than its spray can carry; null where it can. @param sprayVolume what it is sprayed at */
export function overCarried(
  rate: LabelRate,
  product: Plain,
  sprayVolume: Quantity<"sprayVolume">,
): { readonly most: Entered<"strengthByWeight"> | Entered<"strengthByVolume">; readonly strength: number } | null {
  if (isSpread(product)) return null;
  const most = carries(product);
  const onGround = perArea(rate, "rate", constant("sprayVolume", sprayVolume, "spray volume"));
  const strength = raw(onGround.value as Quantity<"rateByWeight">) / raw(sprayVolume);
  return atMost(strength, raw(most.value as Quantity<"strengthByWeight">)) ? null : { most, strength };
}
