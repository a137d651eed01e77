import type { ProductUse } from "@/core/hose-end/suitability";
import type { LabelRate } from "@/core/labels/label-rate";
import { sameName } from "@/core/names";
import type { Composition } from "@/core/labels/stated";
import { ratio } from "@/core/quantity/arithmetic";
import type { Quantity } from "@/core/quantity/kinds";
import type { System } from "@/core/working/units";
import { entered } from "@/core/quantity/parse";
import { spokenToWritten } from "@/core/quantity/spoken";
import { slipsOfBound, type Alike } from "@/core/slips/of-bound";
import { slipsOfForm } from "@/core/slips/of-load";
import { slipsOfRate } from "@/core/slips/of-rate";
import type { Slip } from "@/core/slips/slip";
import { sizeOfRate } from "@/core/labels/label-rate";
import type { CardText } from "./card";
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
export function cardSlips(form: CardForm, others: readonly CardText[] = [], system: System = "us"): Record<string, Slip[]> {
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
  // Nothing else of the card says what its rates should be: what labels of its kind ask for, and cards of the same active.
  const plain = { form: form.form, formulation: form.formulation, use: form.use === "" ? undefined : (form.use as ProductUse) };
  const alike = others.flatMap((card) => alikeOf(card, composition));
  const bound = (place: string, typed: string) => {
    const rate = read(typed);
    const found = rate && !slips[place] ? slipsOfBound(rate, plain, { actives: composition.actives, alike }, system) : [];
    if (found.length > 0) slips[place] = found;
  };
  form.rates.forEach((row, i) => {
    bound(`rates[${i}].rate`, row.rate);
    bound(`rates[${i}].to`, row.to);
  });
  form.rates.forEach((row, i) => ask(`rates[${i}].to`, read(row.to), read(row.rate), RANGE));
  const tops = form.rates.flatMap((row) => read(row.to) ?? read(row.rate) ?? []);
  const top = tops.reduce<LabelRate | undefined>((a, b) => (a && sizeOfRate(a) >= sizeOfRate(b) ? a : b), undefined);
  form.limits.forEach((row, i) => {
    const atOnce = read(row.perApplication);
    // A place or a turf may have far less than the rest: such a row is held against itself alone.
    const own = row.turf.trim() !== "" || row.jurisdiction.trim() !== "";
    if (!own) ask(`limits[${i}].perApplication`, atOnce, top, AT_ONCE);
    else bound(`limits[${i}].perApplication`, row.perApplication);
    ask(`limits[${i}].perYear`, read(row.perYear), atOnce ?? (own ? undefined : top), A_YEAR);
  });
  return slips;
}

/** What another card's rates come to for a product with the same active, by how much of it each holds; nothing where that isn't known. */
function alikeOf(card: CardText, own: Composition): Alike[] {
  const other = compositionOf(card);
  const [[active, ...more], [same, ...others]] = [own.actives, other.actives];
  if (!active || !same || more.length + others.length > 0 || card.form !== own.form || sameName(card.name, own.name)) return [];
  if (!sameName(active.name, same.name) || active.content.kind !== same.content.kind) return [];
  const rates = card.rates
    .flatMap(({ rate, to }) => [rate, ...(to === undefined ? [] : [to])])
    .flatMap((typed) => {
      const stated = readStated(typed, other, "");
      return stated.ok ? [stated.value.rate] : [];
    })
    .sort((a, b) => sizeOfRate(a) - sizeOfRate(b));
  if (rates.length === 0) return [];
  const times = ratio<"share">(same.content.value as Quantity<"share">, active.content.value as Quantity<"share">);
  return [{ name: card.name, least: rates[0]!, most: rates.at(-1)!, times }];
}

/** What is blank is not there. */
function blanksOut({ analysis, gravity }: CardForm) {
  return {
    ...(analysis.trim() === "" ? { analysis: undefined } : {}),
    ...(gravity.trim() === "" ? { gravity: undefined } : {}),
  } as { analysis?: string; gravity?: string };
}
