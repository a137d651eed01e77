import type { Mark, MarkField } from "@/core/reader/reader";
import { BLANK_LIMIT, BLANK_RATE, type CardForm } from "../forms/card-form-of";
import { CARD_FIELDS, type ScalarKey } from "./fields";

/** What a candidate of the label reader is called. */
export const MARK_WORDS: Record<MarkField, string> = {
  ...(Object.fromEntries(CARD_FIELDS.map(({ key, label }) => [key, label])) as Record<ScalarKey, string>),
  rate: "Rate",
  perApplication: "Most at once",
  perYear: "Most a year",
  applicationsPerYear: "Applications a year",
  interval: "Days between",
  active: "Active",
  gear: "Gear",
  waterIn: "Water in",
  keepDry: "Keep dry for",
};

/** A candidate in words: what would go into the card. */
export function markWords({ value, more = {} }: Mark): string {
  const { to, most, within, content, type, use } = more;
  return [
    use && `${use}:`,
    to === undefined && most === undefined ? value : `${value} to ${to ?? most}`,
    within && `within ${within}`,
    content,
    type && `(${type})`,
  ]
    .filter(Boolean)
    .join(" ");
}

const isBlank = (row: Record<string, string>) => Object.values(row).every((text) => text.trim() === "");

/** Puts a row into a list: into the first blank one, else at the end. */
function withRow<T extends Record<string, string>>(rows: readonly T[], row: T): T[] {
  const at = rows.findIndex(isBlank);
  return at < 0 ? [...rows, row] : rows.map((one, i) => (i === at ? row : one));
}

/** A card's form with a confirmed candidate in it. Nothing that was typed is overwritten but the field itself. */
export function takeMark(form: CardForm, mark: Mark): CardForm {
  const { field, value, more = {} } = mark;
  const limit = (fields: Partial<CardForm["limits"][number]>): CardForm => ({
    ...form,
    limits: [{ ...(form.limits[0] ?? BLANK_LIMIT), ...fields }, ...form.limits.slice(1)],
  });
  switch (field) {
    case "rate":
      return { ...form, rates: withRow(form.rates, { ...BLANK_RATE, rate: value, to: more.to ?? "", use: more.use ?? "" }) };
    case "perApplication":
    case "perYear":
    case "applicationsPerYear":
      return limit({ [field]: value });
    case "interval":
      return limit({ intervalAtLeast: value, ...(more.most !== undefined && { intervalAtMost: more.most }) });
    case "active":
      return { ...form, actives: withRow(form.actives, { name: value, content: more.content ?? "" }) };
    case "gear":
      return form.gear.some((g) => g.item === value)
        ? form
        : { ...form, gear: [...form.gear, { item: value, type: more.type ?? "" }] };
    case "waterIn":
      return { ...form, waterLeast: value, waterMost: more.most ?? form.waterMost, waterWithin: more.within ?? form.waterWithin };
    case "firstAid":
      return { ...form, firstAid: form.firstAid === "" ? value : `${form.firstAid} ${value}` };
    default:
      return { ...form, [field]: value };
  }
}
