import { canonical } from "@/core/quantity/arithmetic";
import type { Kind } from "@/core/quantity/kinds";
import { parseQuantity } from "@/core/quantity/parse";
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
  const { to, most, within, content, type, use, turf, jurisdiction, yearKind } = more;
  return [
    use && `${use}:`,
    to === undefined && most === undefined ? value : `${value} to ${to ?? most}`,
    within && `within ${within}`,
    content,
    type && `(${type})`,
    turf && `on ${turf}`,
    jurisdiction && `in ${jurisdiction}`,
    yearKind && (yearKind === "rolling" ? "in any 12 months" : "of a calendar year"),
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

/** What became of a candidate that was taken. */
export interface Taken {
  readonly form: CardForm;
  /** Where it stands now, in words: "Most a year, row 2 of the limits". */
  readonly became: string;
}

type LimitRow = CardForm["limits"][number];
const SCOPE = ["turf", "jurisdiction", "yearKind"] as const;

/**
 * A limit in a row with what it is for. It goes into a row that is for the same and says nothing of it yet, else into one of its own: none
 * ever takes another's place.
 */
function withLimit(form: CardForm, fields: Partial<LimitRow>, scope: Partial<LimitRow>): Taken {
  const wanted = { ...BLANK_LIMIT, ...scope, ...fields };
  const keys = Object.keys(fields) as (keyof LimitRow)[];
  const isFor = (row: LimitRow) => SCOPE.every((key) => row[key] === wanted[key]);
  const name = (at: number) => `row ${at + 1} of the limits`;
  const same = form.limits.findIndex((row) => isFor(row) && keys.every((key) => row[key] === fields[key]));
  if (same >= 0) return { form, became: `${name(same)}, which says so already` };
  const free = form.limits.findIndex((row) => isBlank(row) || (isFor(row) && keys.every((key) => row[key] === "")));
  const at = free < 0 ? form.limits.length : free;
  const row = { ...(free < 0 ? BLANK_LIMIT : form.limits[free]!), ...scope, ...fields };
  return { form: { ...form, limits: [...form.limits.slice(0, at), row, ...form.limits.slice(at + 1)] }, became: name(at) };
}

/** Which of two texts of a field holds more back; undefined where nobody can tell. */
const STRICTER: Partial<Record<ScalarKey, "more" | "less">> = {
  carrierAtLeast: "more",
  dilutionAtLeast: "more",
  afterSeeding: "more",
  afterSodding: "more",
  beforeSeeding: "more",
  beforeSodding: "more",
  residual: "more",
  keepDry: "more",
  wind: "less",
  airMost: "less",
  soilMost: "less",
  airLeast: "more",
  soilLeast: "more",
};

/** The size of a text of the card, in one unit for each of these fields. */
function sizeOf(key: ScalarKey, text: string): number | undefined {
  const check = CARD_FIELDS.find((field) => field.key === key)?.check;
  if (check?.of === "quantity") {
    const read = parseQuantity(text, check.kind as Kind, { dialect: "screen", bare: check.units.us });
    return read.ok ? canonical(read.value.value as never) : undefined;
  }
  const number = Number.parseFloat(text);
  if (Number.isNaN(number)) return undefined;
  if (check?.of === "temperature") return /C$/i.test(text) ? number * 1.8 + 32 : number;
  return number * (/week/i.test(text) ? 7 : /month/i.test(text) ? 30 : 1);
}

/** One text of the card: where another stands there already, what holds more back stays. */
function withScalar(form: CardForm, key: ScalarKey, value: string): Taken {
  const name = MARK_WORDS[key as MarkField] ?? key;
  const here = form[key].trim();
  const [a, b] = [sizeOf(key, here), sizeOf(key, value)];
  const by = STRICTER[key];
  if (here !== "" && by && a !== undefined && b !== undefined && (by === "more" ? a >= b : a <= b))
    return { form, became: `${name}: ${here} stays, which holds more back` };
  return { form: { ...form, [key]: value }, became: here === "" || here === value ? name : `${name}, in place of ${here}` };
}

/** A card's form with a confirmed candidate in it, and what became of it. A limit never takes another's place. */
export function takeMark(form: CardForm, mark: Mark): Taken {
  const { field, value, more = {} } = mark;
  const { turf = "", jurisdiction = "", yearKind = "" } = more;
  const scope = {
    ...(turf && { turf }),
    ...(jurisdiction && { jurisdiction }),
    ...(yearKind && field !== "interval" && { yearKind: yearKind as LimitRow["yearKind"] }),
  };
  switch (field) {
    case "rate": {
      const rates = withRow(form.rates, { ...BLANK_RATE, rate: value, to: more.to ?? "", use: more.use ?? "" });
      return { form: { ...form, rates }, became: "a row of the rates" };
    }
    case "perApplication":
    case "perYear":
    case "applicationsPerYear":
      return withLimit(form, { [field]: value }, scope);
    case "interval":
      return withLimit(form, { intervalAtLeast: value, ...(more.most !== undefined && { intervalAtMost: more.most }) }, scope);
    case "active":
      return {
        form: { ...form, actives: withRow(form.actives, { name: value, content: more.content ?? "" }) },
        became: "an active",
      };
    case "gear":
      // What was said of it stays.
      if (form.gear.some((g) => g.item === value)) return { form, became: `${value}, which is there already` };
      return { form: { ...form, gear: [...form.gear, { item: value, type: more.type ?? "" }] }, became: "gear of the label" };
    case "waterIn":
      return {
        form: {
          ...form,
          waterLeast: value,
          waterMost: more.most ?? form.waterMost,
          waterWithin: more.within ?? form.waterWithin,
        },
        became: "Water in",
      };
    case "firstAid":
      return { form: { ...form, firstAid: form.firstAid === "" ? value : `${form.firstAid} ${value}` }, became: "First aid" };
    default:
      return withScalar(form, field, value);
  }
}

/** Takes several, one after another. @returns the form, and what became of each */
export const takeMarks = (
  form: CardForm,
  marks: readonly Mark[],
): { readonly form: CardForm; readonly became: readonly string[] } =>
  marks.reduce<{ form: CardForm; became: string[] }>(
    (so, mark) => {
      const { form: next, became } = takeMark(so.form, mark);
      return { form: next, became: [...so.became, became] };
    },
    { form, became: [] },
  );
