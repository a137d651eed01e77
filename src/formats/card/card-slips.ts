import type { LabelRate } from "@/core/labels/label-rate";
import { entered } from "@/core/quantity/parse";
import { spokenToWritten } from "@/core/quantity/spoken";
import { slipsOfForm } from "@/core/slips/of-load";
import { slipsOfRate } from "@/core/slips/of-rate";
import type { Slip } from "@/core/slips/slip";
import { sizeOfRate } from "@/core/labels/label-rate";
import type { CardForm } from "../forms/card-form-of";
import { compositionOf } from "./composition";
import { readStated } from "./read-card";

/** How many times the highest rate a limit may be (ours): four applications at once, a spray a fortnight in a year. */
const AT_ONCE = 4;
const A_YEAR = 26;
/** How many times the lower end of a range the upper one may be (ours). */
const RANGE = 10;

const times = (rate: LabelRate, factor: number): LabelRate =>
  entered(`${Number((rate.number * factor).toPrecision(12))} ${rate.unit}`, rate.kind) as LabelRate;

/**
 * What probably went wrong while a card was typed: its rates and limits are held against one another, since there is no
 * other label to hold them against. By the place of the field (`limits[0].perYear`).
 */
export function cardSlips(form: CardForm): Record<string, Slip[]> {
  const composition = compositionOf({ ...form, ...blanksOut(form), actives: form.actives });
  const read = (typed: string): LabelRate | undefined => {
    const result = typed.trim() === "" ? undefined : readStated(typed, composition, "");
    return result?.ok ? result.value.rate : undefined;
  };
  const slips: Record<string, Slip[]> = {};
  const ask = (place: string, rate: LabelRate | undefined, least: LabelRate | undefined, factor: number) => {
    if (!rate || !least || rate.kind !== least.kind) return;
    const found = slipsOfRate(rate, { least, most: times(least, factor) });
    if (found.length > 0) slips[place] = found;
  };
  const wrongOunces = (place: string, typed: string) => {
    const found = slipsOfForm(spokenToWritten(typed), form.form);
    if (found.length > 0) slips[place] = found;
  };
  form.rates.forEach((row, i) => {
    wrongOunces(`rates[${i}].rate`, row.rate);
    wrongOunces(`rates[${i}].to`, row.to);
  });
  form.rates.forEach((row, i) => ask(`rates[${i}].to`, read(row.to), read(row.rate), RANGE));
  const tops = form.rates.flatMap((row) => read(row.to) ?? read(row.rate) ?? []);
  const top = tops.reduce<LabelRate | undefined>((a, b) => (a && sizeOfRate(a) >= sizeOfRate(b) ? a : b), undefined);
  form.limits.forEach((row, i) => {
    const atOnce = read(row.perApplication);
    ask(`limits[${i}].perApplication`, atOnce, top, AT_ONCE);
    ask(`limits[${i}].perYear`, read(row.perYear), atOnce ?? top, A_YEAR);
  });
  return slips;
}

/** What is blank is not there. */
function blanksOut({ analysis, gravity }: CardForm) {
  return {
    ...(analysis.trim() === "" ? { analysis: undefined } : {}),
    ...(gravity.trim() === "" ? { gravity: undefined } : {}),
  } as { analysis?: string; gravity?: string };
}
