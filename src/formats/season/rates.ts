import { bad, good, issueAt, type Result } from "@/core/issue";
import type { Counting } from "@/core/labels/budget";
import { isStrength } from "@/core/labels/gallon";
import { perArea } from "@/core/labels/per-area";
import { entered } from "@/core/quantity/parse";
import { given } from "@/core/working/rule";
import type { CardText } from "../card/card";
import { productOf } from "../card/product-of";
import { Faults } from "../job-file/faults";
import { readProduct } from "../job-file/read-product";

/**
 * A limit that a label writes for a volume of spray is looked at as if a gallon were for 1,000 sq ft (common practice): which rig
 * will spray it nobody knows yet. The mix looks at it again with what is really sprayed.
 */
export const AHEAD = given(entered("1 gal/1000 ft2", "sprayVolume"), "spray volume, as if a gallon were for 1,000 sq ft");

/** A product at a rate as its label's limits see it, months ahead. @returns the fault of a rate that isn't one for an area */
export function countingOf(card: CardText, rate: string, path: string): Result<Counting> {
  const product = productOf(card, rate);
  if (!product.ok) return { ok: false, issues: product.issues.map((issue) => ({ ...issue, path })) };
  const faults = new Faults();
  const read = readProduct(product.value, 0, faults);
  if (!read) return { ok: false, issues: faults.issues.map((issue) => issueAt(path, { ...issue, path: "" })) };
  if (!read.by && isStrength(read.rate))
    return bad({
      path,
      code: "no-area",
      received: rate,
      expected: card.form === "dry" ? "0.3 oz/1000 ft2" : "1.5 fl oz/1000 ft2",
    });
  return good({
    name: read.name,
    dry: read.form === "dry",
    says: read.says ?? { actives: [], limits: [] },
    rate: read.by ?? perArea(read.rate, `rate of ${read.name}`, AHEAD),
  });
}
