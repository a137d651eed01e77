import { ROUNDING, show, type Rounding } from "../quantity/format";
import { RATE_KINDS } from "../labels/label-rate";
import type { Kind } from "../quantity/kinds";
import { parseAs, type Entered } from "../quantity/parse";
import { isDerived, type AnySource, type Derived } from "../working/rule";
import { unitFor, type System } from "../working/units";
import type { Amount } from "./amounts";

/**
 * The units that an amount is read in: those of the reader; but grams and millilitres where its rate was typed in them, since
 * that is what will be weighed and poured.
 */
export function systemOf(amount: Amount, system: System): System {
  const rate = rateOf(amount);
  return rate && /^(m?g|kg|mL|L)\//.test(rate.unit) ? "metric" : system;
}

/** The rate that an amount was worked out from, as it was entered. */
function rateOf(source: AnySource): Entered<Kind> | undefined {
  if (!isDerived(source)) return source.entered && RATES.includes(source.kind) ? source.entered : undefined;
  for (const input of Object.values(source.inputs))
    for (const one of [input].flat()) {
      const found = rateOf(one as AnySource);
      if (found) return found;
    }
  return undefined;
}
const RATES: readonly Kind[] = RATE_KINDS;

/**
 * An amount to measure, in the reader's units or its rate's own (see {@link systemOf}), rounded down to three figures: never up
 * past what was worked out. A weight says that it is one, since an ounce on a scale and a fluid ounce share a name and nothing else.
 */
export function readAmount(amount: Amount, reader: System, rounding: Rounding = ROUNDING.amountDown): string {
  const system = systemOf(amount, reader);
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
