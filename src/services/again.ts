import type { Issue } from "@/core/issue";
import type { LimitWarning, Reason } from "@/core/labels/reason";
import type { MixWarning } from "@/core/mixing/plan";
import { mixWarningText } from "@/core/words/mix-warnings";
import { isChoice } from "@/formats/card/choice";
import type { ProductText } from "@/formats/job-file/types";
import { heldIssues } from "./held";
import { isReason } from "./input";

/** A second dose of one day on one ground, where no label names a time between: asked, and the answer kept with the product. */

type SameDay = Extract<LimitWarning, { code: "same-day" }>;
const isSameDay = (warning: MixWarning): warning is SameDay => warning.code === "same-day";

/** What is down by now, or in a tank: what only stands on another sheet asks that one. */
export const isDownByNow = ({ values }: SameDay): boolean => values.down;

/**
 * Why a plan may not be: what a label holds; else what would be a second dose of its day, of which nobody said why.
 * @param products of the plan, with how each was chosen · @param which second doses count
 */
export function planFaults(
  products: readonly ProductText[],
  { reasons, warnings }: { readonly reasons: readonly Reason[]; readonly warnings: readonly MixWarning[] },
  which: (warning: SameDay) => boolean = () => true,
): Issue[] {
  if (reasons.length > 0) return heldIssues({ reasons });
  return warnings.filter(isSameDay).flatMap((warning): Issue[] => {
    const i = products.findIndex((product) => product.name === warning.values.product);
    const choice = products[i]?.rateChoice;
    if (!which(warning) || (isChoice(choice) && isReason(choice.again))) return [];
    const [received, metric] = [mixWarningText(warning, "us"), mixWarningText(warning, "metric")];
    const expected = "say why it goes down there twice on one day, or leave the zone out";
    return [
      { path: `products[${i}].choice.again`, code: "reason-needed", received, expected, ...(metric !== received && { metric }) },
    ];
  });
}

/** The products of a plan as they are kept: an answer to a second dose stays only with what is one. */
export const answered = (products: readonly ProductText[], warnings: readonly MixWarning[]): ProductText[] =>
  products.map((product) => {
    const choice = product.rateChoice;
    if (!isChoice(choice) || choice.again === undefined) return product;
    if (warnings.some((warning) => isSameDay(warning) && warning.values.product === product.name)) return product;
    const { again: _, ...rest } = choice;
    return { ...product, rateChoice: rest };
  });
