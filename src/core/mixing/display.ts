import { ROUNDING, show, type Rounding } from "../quantity/format";
import { parseAs } from "../quantity/parse";
import type { Derived } from "../working/rule";
import { unitFor, type System } from "../working/units";
import type { Amount } from "./amounts";

/**
 * An amount to measure, in the reader's units, rounded down to three figures: never up past what was worked out.
 * A weight says that it is one, since an ounce on a scale and a fluid ounce share a name and nothing else.
 */
export function readAmount(amount: Amount, system: System, rounding: Rounding = ROUNDING.amountDown): string {
  return isWeight(amount)
    ? show(amount.value, "mass", unitFor(amount.value, "mass", system), rounding)
    : show(amount.value, "volume", unitFor(amount.value, "volume", system), rounding);
}

export function isWeight(amount: Amount): amount is Derived<"mass"> {
  return amount.rule.output === "mass";
}

/** What an amount is measured with, until the rig's own measuring kit says more. */
export function measuredWith(amount: Amount): string {
  return isWeight(amount) ? "on the scale" : "in the cup";
}

/** An amount as a job file writes it, in the reader's units, rounded to three figures. */
export function readAmountOf(text: string, system: System): string {
  const read = parseAs<"mass" | "volume">(text, ["mass", "volume"]);
  if (!read.ok) return text;
  const { kind, value } = read.value;
  return show(value, kind, unitFor(value, kind, system));
}
