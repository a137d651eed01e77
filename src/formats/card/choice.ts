import { daysLater } from "@/core/calendar";
import type { AreaRate } from "@/core/labels/active";
import type { LabelRate } from "@/core/labels/label-rate";
import { asEntered, type Composition } from "@/core/labels/stated";
import type { Amount } from "@/core/mixing/amounts";
import { isWeight } from "@/core/mixing/display";
import { sameName } from "@/core/names";
import type { Quantity } from "@/core/quantity/kinds";
import { plainNumber } from "@/core/quantity/plain";
import { valueIn } from "@/core/quantity/quantity";
import { parseField } from "@/core/quantity/ranges";
import { totalOfRate } from "@/core/labels/total";
import { pointOf } from "@/core/labels/label-rate";
import { rowWords, type CardText, type RateRowText } from "./card";
import { compositionOf } from "./composition";
import { readStated } from "./read-card";
import { daysOf } from "./says";

/** How a rate was chosen from the label: kept with the sheet that it went into. */
export interface ChoiceText {
  /** The row of the label's table, from 0. */
  readonly row: number;
  /** The row in words, as it was then. */
  readonly from?: string;
  readonly point: Point;
  /** The row was picked by a person, and stays whatever the ground. */
  readonly hand?: boolean;
  /** One part of a split: half the rate now, the other half within the label's interval. */
  readonly split?: "first" | "second";
  /** Why this row and this point. */
  readonly reason?: string;
  /** Why it goes down again on a day on which it, or its active, went down there already. */
  readonly again?: string;
  /** The rate as the label states it, where that is a nutrient or an active. */
  readonly stated?: string;
  /** Of a rate for a gallon: the ground that one is for, or that it is meant as the strength of the mix. */
  readonly gallon?: string;
  /** What the soil test asks for: it counts above the coverage that a bag of fertilizer has printed on it. */
  readonly soil?: boolean;
  /** The id of the round of the program that it is for. */
  readonly round?: string;
  /** Slips that were asked about and meant. */
  readonly dismissed?: readonly { readonly slip: string; readonly typed: string; readonly reason: string }[];
}

/** A rate for a gallon that is meant as the strength of the mix, whatever is sprayed. */
export const BY_STRENGTH = "strength";

export const POINTS = ["least", "middle", "most", "typed"] as const;
export type Point = (typeof POINTS)[number];

/** A card's row as rates of product. @throws Error where it can't be read: the card was checked. */
export function rowRates(card: CardText, row: number): { readonly least: LabelRate; readonly most: LabelRate } | undefined {
  const text = card.rates[row];
  if (!text) return undefined;
  const composition = compositionOf(card);
  const least = productRate(text.rate, composition);
  return { least, most: text.to === undefined ? least : productRate(text.to, composition) };
}

function productRate(text: string, composition: Composition): LabelRate {
  const read = readStated(text, composition, "");
  if (!read.ok) throw new Error(`a checked rate can't be read: ${read.issues[0]!.code}`);
  return read.value.rate;
}

/** The rate of a point of a row, as the label states it where it can: half of it for one part of a split. */
export function rateAt(card: CardText, row: number, point: Point, split: boolean): string {
  const text = card.rates[row]!;
  const whole = point === "most" ? (text.to ?? text.rate) : text.rate;
  if ((point !== "middle" || text.to === undefined) && !split) return whole;
  const { least, most } = rowRates(card, row)!;
  // In the label's own unit, where it states product.
  return pointOf(least, most, point === "typed" ? "least" : point, split ? 2 : 1).text;
}

/** When the second half of a split may follow, by the label's limits: from, to. */
export function secondHalf(card: CardText, date: string): { readonly from?: string; readonly to?: string } {
  const days = (key: "intervalAtLeast" | "intervalAtMost") => card.limits.flatMap((row) => daysOf(row[key]) ?? []);
  const least = days("intervalAtLeast");
  const most = days("intervalAtMost");
  return {
    ...(least.length > 0 && { from: daysLater(date, Math.max(...least)) }),
    ...(most.length > 0 && { to: daysLater(date, Math.min(...most)) }),
  };
}

/** The first row of a card that names this turf, else the first. */
export function likelyRow(card: CardText, turf: string | undefined): number {
  const found = turf === undefined ? -1 : card.rates.findIndex((row) => row.turf !== undefined && isForTurf(row, turf));
  return Math.max(found, 0);
}

/** Whether a row of a label is for a turf: it names it, among others perhaps, or names none. */
export const isForTurf = (row: RateRowText, turf: string): boolean =>
  row.turf === undefined || row.turf.split(/[,;/]| and /).some((one) => sameName(one, turf));

/** The turfs of some ground that the row of a choice isn't for: a rate for bentgrass is none for ryegrass. */
export function strangeTurfs(card: CardText, choice: ChoiceText | undefined, turfs: readonly string[]): string[] {
  const row = choice && card.rates[choice.row];
  return row ? [...new Set(turfs)].filter((turf) => !isForTurf(row, turf)) : [];
}

/**
 * A choice that follows the ground: where all of it is one turf that the row isn't for, the label's row for it, at the same
 * point. What was picked by hand or typed stays, and is asked about.
 */
export function onGround(card: CardText, choice: ChoiceText, turfs: readonly string[]): ChoiceText | undefined {
  const [turf, ...others] = [...new Set(turfs)];
  if (turf === undefined || others.length > 0 || choice.hand || choice.point === "typed") return undefined;
  if (strangeTurfs(card, choice, [turf]).length === 0) return undefined;
  const row = likelyRow(card, turf);
  if (!isForTurf(card.rates[row]!, turf)) return undefined;
  return { ...choice, row, from: rowName(card, row) };
}

/** What a mix sheet says of how a rate was chosen. */
export function choiceWords(choice: ChoiceText): string {
  const point = { least: "the least", middle: "the middle", most: "the most", typed: "a rate typed" }[choice.point];
  const split = choice.split ? `, ${choice.split} half of a split` : "";
  const meant = (choice.dismissed ?? []).map((d) => `${d.typed} was meant: ${d.reason}`);
  const gallon =
    choice.gallon === undefined
      ? undefined
      : choice.gallon === BY_STRENGTH
        ? "meant as the strength of the mix"
        : `a gallon is for ${choice.gallon}`;
  const soil = choice.soil ? "by the soil test" : undefined;
  const again = choice.again === undefined ? undefined : `again on the same day: ${choice.again}`;
  return [`${choice.from ?? "the label's rate"}: ${point}${split}`, gallon, soil, choice.reason, again, ...new Set(meant)]
    .filter(Boolean)
    .join(" · ");
}

/** As {@link rowWords}, of a row by its number. */
export const rowName = (card: CardText, row: number): string =>
  card.rates[row] ? rowWords(card.rates[row]) : "the label's rate";

/** What goes down on an area, as a job file writes it: as entered, or with all its digits. */
export function groundText(onGround: AreaRate): string {
  if ("entered" in onGround && onGround.entered) return onGround.entered.text;
  return "rule" in onGround ? asEntered(onGround).text : "";
}

/** A rate times an area, as a job file writes it: ounces, or fluid ounces. */
export const totalText = (rate: LabelRate, area: Quantity<"area">): string => totalOfRate(rate, area).text;

/** A part of an amount that was worked out, as a job file writes it. */
export function amountText(amount: Amount, part: number): string {
  const dry = isWeight(amount);
  const number = dry ? valueIn(amount.value, "oz") : valueIn(amount.value as Quantity<"volume">, "fl oz");
  return `${plainNumber(number * part)} ${dry ? "oz" : "fl oz"}`;
}

/** Whether something that came from outside is a choice. */
export function isChoice(value: unknown): value is ChoiceText {
  const c = (value ?? {}) as Record<string, unknown>;
  const text = (v: unknown, most: number) => v === undefined || (typeof v === "string" && v.length <= most);
  return (
    Number.isInteger(c.row) &&
    (c.row as number) >= 0 &&
    (c.row as number) < 100 &&
    POINTS.includes(c.point as Point) &&
    (c.split === undefined || c.split === "first" || c.split === "second") &&
    text(c.from, 400) &&
    text(c.reason, 400) &&
    text(c.again, 300) &&
    text(c.round, 80) &&
    text(c.stated, 80) &&
    (c.gallon === undefined ||
      c.gallon === BY_STRENGTH ||
      (typeof c.gallon === "string" && parseField("zoneArea", c.gallon).ok)) &&
    (c.hand === undefined || typeof c.hand === "boolean") &&
    (c.soil === undefined || typeof c.soil === "boolean") &&
    (c.dismissed === undefined || (Array.isArray(c.dismissed) && c.dismissed.length <= 20))
  );
}
