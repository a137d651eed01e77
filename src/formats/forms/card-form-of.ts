import type { YearKind } from "@/core/labels/label";
import type { Form } from "@/core/labels/label-rate";
import type { CardText, LimitRowText, RateRowText } from "../card/card";
import { CARD_FIELDS, type ScalarKey } from "../card/fields";

/** A card as its form holds it: every text is there, blank where the label says nothing. */
export type CardForm = Record<ScalarKey, string> & {
  name: string;
  form: Form;
  actives: { name: string; content: string }[];
  gear: { item: string; type: string }[];
  packages: { content: string; price: string }[];
  rates: Record<keyof RateRowText, string>[];
  limits: (Record<Exclude<keyof LimitRowText, "yearKind">, string> & { yearKind: YearKind | "" })[];
};

export const BLANK_RATE: CardForm["rates"][number] = {
  use: "",
  region: "",
  turf: "",
  mowing: "",
  lastYear: "",
  season: "",
  rate: "",
  to: "",
};
export const BLANK_LIMIT: CardForm["limits"][number] = {
  turf: "",
  jurisdiction: "",
  perApplication: "",
  perYear: "",
  yearKind: "",
  applicationsPerYear: "",
  intervalAtLeast: "",
  intervalAtMost: "",
};

/** The form of a card that exists, or an empty one. */
export function cardFormOf(card: Partial<CardText> = {}): CardForm {
  const scalars = Object.fromEntries(CARD_FIELDS.map(({ key }) => [key, card[key] ?? ""])) as Record<ScalarKey, string>;
  const some = <T>(list: readonly T[] | undefined, blank: T): T[] => (list?.length ? [...list] : [blank]);
  return {
    ...scalars,
    name: card.name ?? "",
    form: card.form ?? "dry",
    actives: some(
      card.actives?.map((a) => ({ ...a })),
      { name: "", content: "" },
    ),
    gear: (card.gear ?? []).map((g) => ({ item: g.item, type: g.type ?? "" })),
    packages: some(
      card.packages?.map((p) => ({ content: p.content, price: p.price ?? "" })),
      { content: "", price: "" },
    ),
    rates: some(
      card.rates?.map((r) => ({ ...BLANK_RATE, ...r })),
      BLANK_RATE,
    ),
    limits: some(
      card.limits?.map((l) => ({ ...BLANK_LIMIT, ...l })),
      BLANK_LIMIT,
    ),
  };
}
