import { bad, good, issueAt, type Result } from "@/core/issue";
import { isStrength } from "@/core/labels/gallon";
import { compareRates } from "@/core/labels/label-rate";
import { DEFAULT_CURRENCY } from "../currency";
import { written } from "../forms/field";
import type { LimitsText, ProductText } from "../job-file/types";
import type { CardText, LimitRowText } from "./card";
import { BY_STRENGTH, rowRates, type ChoiceText } from "./choice";
import { compositionOf } from "./composition";
import { readCard, readStated } from "./read-card";

/**
 * A card as a job file's product: what the format has a key for goes there, so that anyone's reader can hold the plan
 * against the label; the rest of the card travels under `label`. A card's prices are figures: the currency is the firm's.
 */
export function productOf(card: CardText, rate: string, choice?: ChoiceText, currency = DEFAULT_CURRENCY): Result<ProductText> {
  const composition = compositionOf(card);
  const read = readStated(rate, composition, "rate");
  if (!read.ok) return read;
  const row = choice && rowRates(card, choice.row);
  const all = row ? [row] : card.rates.map((_, i) => rowRates(card, i)!);
  const range = rangeOf(all, read.value.rate.kind);
  const plain = card.limits.findIndex((l) => !l.turf && !l.jurisdiction && l.intervalAtMost === undefined);
  const limits = plain < 0 ? undefined : limitsText(card.limits[plain]!, card);
  const { name, form, formulation, actives, gallonCovers, carrierAtLeast, dilutionAtLeast, packages, ...rest } = card;
  const chosen = choice?.gallon === undefined || choice.gallon === BY_STRENGTH ? undefined : choice.gallon;
  const covers = isStrength(read.value.rate) ? (gallonCovers ?? chosen) : undefined;
  const priced = packages.find((p) => p.price !== undefined);
  const stated = read.value.by ? { stated: read.value.text } : {};
  return good({
    name,
    form,
    ...(formulation !== undefined && { formulation }),
    rate: read.value.rate.text,
    ...(covers !== undefined && { gallonCovers: written("zoneArea", covers) }),
    ...(range && { labelRange: range }),
    ...(actives.length > 0 && {
      actives: actives.map(({ name: of, content }) => ({
        name: of,
        ...(content.endsWith("%") ? { fraction: content } : { strength: content }),
      })),
    }),
    ...(limits && { limits }),
    ...(carrierAtLeast !== undefined && { carrierAtLeast }),
    ...(dilutionAtLeast !== undefined && { dilutionAtLeast }),
    ...(priced && { price: { amount: Number(priced.price), currency, per: priced.content } }),
    label: { ...rest, packages, limits: card.limits.filter((_, i) => i !== plain) },
    ...((choice || read.value.by) && { rateChoice: { ...choice, ...stated } }),
  });
}

type Ends = NonNullable<ReturnType<typeof rowRates>>;

/** The least and the most of some rows, of one kind of rate. */
function rangeOf(rows: readonly Ends[], kind: string): [string, string] | undefined {
  const same = rows.filter((r) => r.least.kind === kind);
  if (same.length === 0) return undefined;
  const low = same.reduce((a, b) => (compareRates(b.least, a.least) < 0 ? b : a)).least;
  const high = same.reduce((a, b) => (compareRates(b.most, a.most) > 0 ? b : a)).most;
  return [low.text, high.text];
}

function limitsText(row: LimitRowText, card: CardText): LimitsText {
  const rate = (text: string) => {
    const read = readStated(text, compositionOf(card), "");
    if (!read.ok) throw new Error(`a checked limit can't be read: ${read.issues[0]!.code}`);
    return read.value.rate.text;
  };
  return {
    ...(row.perApplication !== undefined && { perApplication: rate(row.perApplication) }),
    ...(row.perYear !== undefined && { perYear: rate(row.perYear) }),
    ...(row.yearKind !== undefined && { yearKind: row.yearKind }),
    ...(row.applicationsPerYear !== undefined && { applicationsPerYear: Number(row.applicationsPerYear) }),
    ...(row.intervalAtLeast !== undefined && { intervalAtLeast: row.intervalAtLeast }),
  };
}

/**
 * A job file's product as a card: its own keys, and what of the card rides along under `label`. A price in another currency than
 * the firm's is none of its prices: it stands in the notes, as it came.
 */
export function cardOf(product: ProductText, path = "", currency = DEFAULT_CURRENCY): Result<CardText> {
  const { limits, price } = product;
  const foreign = price !== undefined && price.currency !== currency;
  const label = (product.label ?? {}) as Partial<CardText>;
  const rest = foreign ? withoutPrices(label, price) : label;
  const range = product.labelRange;
  const own: LimitRowText[] = limits
    ? [
        {
          ...(limits.perApplication !== undefined && { perApplication: limits.perApplication }),
          ...(limits.perYear !== undefined && { perYear: limits.perYear }),
          ...(limits.yearKind !== undefined && { yearKind: limits.yearKind }),
          ...(limits.applicationsPerYear !== undefined && { applicationsPerYear: String(limits.applicationsPerYear) }),
          ...(limits.intervalAtLeast !== undefined && { intervalAtLeast: limits.intervalAtLeast }),
        },
      ]
    : [];
  const read = readCard({
    ...rest,
    name: product.name,
    form: product.form,
    formulation: product.formulation,
    actives: (product.actives ?? []).map((a) => ({ name: a.name, content: a.fraction ?? a.strength })),
    rates: rest.rates ?? [{ rate: range?.[0] ?? product.rate, ...(range && range[1] !== range[0] && { to: range[1] }) }],
    limits: [...own, ...(rest.limits ?? [])],
    gallonCovers: product.gallonCovers,
    carrierAtLeast: product.carrierAtLeast,
    dilutionAtLeast: product.dilutionAtLeast,
    packages: rest.packages ?? (price ? [{ content: price.per, ...(!foreign && { price: price.amount.toFixed(2) }) }] : []),
  });
  return read.ok ? read : bad(...read.issues.map((i) => issueAt(path, i)));
}

function withoutPrices(label: Partial<CardText>, price: NonNullable<ProductText["price"]>): Partial<CardText> {
  const as = `${price.amount.toFixed(2)} ${price.currency} for ${price.per}`;
  return {
    ...label,
    ...(label.packages && { packages: label.packages.map(({ content }) => ({ content })) }),
    notes: label.notes === undefined ? as : `${label.notes}\n${as}`,
  };
}
