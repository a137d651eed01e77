import { bad, good, type Result } from "../issue";
import type { Form, LabelRate } from "./label-rate";
import { plainNumber } from "../quantity/plain";
import { raw, type Quantity } from "../quantity/kinds";
import { parseQuantity, type Entered, type ParseOptions } from "../quantity/parse";
import { spokenToWritten } from "../quantity/spoken";
import { unitNamed } from "../quantity/unit";
import { derive, given, num, rule, type Derived } from "../working/rule";
import { strengthOf, type Active } from "./active";
import { parseRate } from "./rate";

/**
 * Rates that a label states as something else than product: a nutrient ("0.75 lb N per 1,000 sq ft", with an analysis)
 * or an active ingredient ("0.5 lb ai per acre"). Both are turned into product, unrounded: rounding belongs to the end.
 */

export const productForActiveRule = rule({
  id: "product-for-active",
  version: 1,
  title: "Label rate as product",
  formula: "rate / fraction",
  inputs: { rate: "activeRate", fraction: "share" },
  output: "rateByWeight",
  source: "product = rate ÷ fraction; P₂O₅ and K₂O are counted as the label counts them, not as elemental P and K",
  compute: ({ rate, fraction }) => num(rate) / num(fraction),
});

export const liquidForActiveRule = rule({
  id: "liquid-for-active",
  version: 1,
  title: "Label rate as product",
  formula: "rate / strength",
  inputs: { rate: "activeRate", strength: "activeStrength" },
  output: "rateByVolume",
  source: "product = rate ÷ the active in a volume of the liquid",
  compute: ({ rate, strength }) => num(rate) / num(strength),
});

export const NUTRIENTS = ["N", "P2O5", "K2O"] as const;
export type Nutrient = (typeof NUTRIENTS)[number];

/** The parts of nitrogen, P₂O₅ and K₂O in a fertilizer, by weight. */
export type Analysis = Readonly<Record<Nutrient, Entered<"share"> | undefined>>;

/** Reads an analysis such as 24-0-11. */
export function parseAnalysis(typed: string, path = "analysis"): Result<Analysis> {
  const parts = /^(\d{1,2}(?:\.\d{1,2})?)-(\d{1,2}(?:\.\d{1,2})?)-(\d{1,2}(?:\.\d{1,2})?)$/.exec(typed.trim());
  const numbers = parts?.slice(1).map(Number);
  if (!numbers || numbers.every((n) => n === 0) || numbers[0]! + numbers[1]! + numbers[2]! > 100)
    return bad({
      path,
      code: "not-a-choice",
      received: typed,
      expected: "three numbers, such as 24-0-11, of at most 100 together",
    });
  const share = (n: number) => {
    const read = parseQuantity(`${n} %`, "share");
    return read.ok ? read.value : undefined;
  };
  return good({ N: share(numbers[0]!), P2O5: share(numbers[1]!), K2O: share(numbers[2]!) });
}

/** What a product must tell so that a stated rate can be turned into product. */
export interface Composition {
  readonly name: string;
  readonly form: Form;
  readonly analysis?: Analysis | undefined;
  readonly actives: readonly Active[];
  readonly gravity?: Entered<"gravity"> | undefined;
}

export interface StatedRate {
  /** As product: what is measured. */
  readonly rate: LabelRate;
  /** How it was turned into product; absent where the label states product. */
  readonly by?: Derived<"rateByWeight"> | Derived<"rateByVolume">;
  /** As the label states it. */
  readonly text: string;
}

const STATED =
  /^([\d.,½¼¾/ ]*[\d½¼¾] ?[a-z]+) (N|nitrogen|P2O5|P₂O₅|phosphate|K2O|K₂O|potash|ai|a\.i\.|active(?: ingredient)?)(?=$|[\s/])(.*)$/i;

const NUTRIENT_WORDS: Record<string, Nutrient> = {
  n: "N",
  nitrogen: "N",
  p2o5: "P2O5",
  "p₂o₅": "P2O5",
  phosphate: "P2O5",
  k2o: "K2O",
  "k₂o": "K2O",
  potash: "K2O",
};

/** Whether a rate is stated as a nutrient or an active, and not as product. */
export const isStated = (typed: string): boolean => STATED.test(typed.trim());

/** Reads any form of label rate: as product, as a nutrient with the analysis, as an active ingredient. */
export function parseStated(typed: string, product: Composition, options: ParseOptions = {}): Result<StatedRate> {
  const parts = STATED.exec(typed.trim());
  if (!parts) {
    const read = parseRate(typed, product.form, options);
    return read.ok ? good({ rate: read.value, text: read.value.text }) : read;
  }
  const [, amount, what, rest] = parts as unknown as [string, string, string, string];
  const { path = "", dialect } = options;
  // Where a screen says for 1,000 sq ft, a nutrient without an area is meant so too.
  const spoken = rest.trim() === "" ? "/1000 ft2" : rest;
  const unit = dialect === "screen" ? spokenToWritten(`${amount} ${spoken}`) : `${amount}${rest}`;
  const read = parseQuantity(unit.replace(/^(\S+) ?([a-z]+) ?\//i, "$1 $2/"), "activeRate", {
    ...options,
    bare: undefined,
  } as ParseOptions);
  if (!read.ok) return read;
  const nutrient = NUTRIENT_WORDS[what.toLowerCase()];
  const content = nutrient ? product.analysis?.[nutrient] : product.actives[0]?.content;
  if (!content)
    return bad({
      path,
      code: "not-possible",
      received: `"${typed.trim()}" is a rate of ${nutrient ?? "active ingredient"}`,
      expected: nutrient
        ? `the analysis must say how much ${nutrient} is in it, e.g. 24-0-11`
        : "say first what active is in it and how much",
    });
  if (!nutrient && product.actives.length > 1)
    return bad({
      path,
      code: "not-possible",
      received: `"${typed.trim()}" with ${product.actives.length} actives`,
      expected: "write the rate of product, it isn't clear which active is meant",
    });
  const by = asProduct(read.value, content, product);
  if (!by)
    return bad({
      path,
      code: "not-possible",
      received: "a liquid with its content by weight",
      expected: "give its specific gravity too, or the weight in a gallon (lb/gal)",
    });
  const number = read.value.text.split(" ")[0]!;
  const text = `${number} ${read.value.unit.replace("/", ` ${nutrient ?? "ai"}/`)}`;
  return good({ rate: asEntered(by), by, text });
}

function asProduct(
  stated: Entered<"activeRate">,
  content: Active["content"],
  { name, form, gravity }: Composition,
): Derived<"rateByWeight"> | Derived<"rateByVolume"> | undefined {
  const rate = given(stated, "label rate");
  if (form === "liquid") {
    const strength = strengthOf({ product: name, content, gravity });
    return strength && derive(liquidForActiveRule, { rate, strength });
  }
  return content.kind === "share" ? derive(productForActiveRule, { rate, fraction: given(content, `in ${name}`) }) : undefined;
}

/** A worked-out rate as a job file can write it: all the digits that a double has, so that nothing is rounded on the way. */
export function asEntered(rate: Derived<"rateByWeight"> | Derived<"rateByVolume">): LabelRate {
  const kind = rate.rule.output as "rateByWeight" | "rateByVolume";
  const unit = kind === "rateByWeight" ? "oz/1000 ft2" : "fl oz/1000 ft2";
  const number = raw(rate.value as Quantity<typeof kind>) / unitNamed(unit).factor;
  const text = `${plainNumber(number)} ${unit}`;
  return { text, kind, number, unit, value: rate.value } as LabelRate;
}
