import { isStated } from "@/core/labels/stated";
import { FORMULATIONS, formulationCode } from "@/core/mixing/pouring-order";
import { showEntered, unitText } from "@/core/quantity/format";
import type { Kind } from "@/core/quantity/kinds";
import { entered } from "@/core/quantity/parse";
import type { CardText, LimitRowText, RateRowText } from "@/formats/card/card";
import { CARD_FIELDS, type ScalarKey } from "@/formats/card/fields";

/** A rate as a card keeps it, in a reader's words; a stated nutrient or active keeps its own. */
export function rateWords(text: string): string {
  const [number, ...unit] = text.split(" ");
  if (isStated(text)) {
    const [over, under] = unit.join(" ").split("/") as [string, string];
    return `${number} ${over} ${unitText(`oz/${under}`).replace(/^oz /, "")}`;
  }
  return `${number} ${unitText(unit.join(" "))}`;
}

/** A row's rate or range, with the unit once. */
export function rangeWords(row: Pick<RateRowText, "rate" | "to">): string {
  if (row.to === undefined) return rateWords(row.rate);
  const [low, ...unit] = row.rate.split(" ");
  const [high, ...other] = row.to.split(" ");
  return unit.join(" ") === other.join(" ")
    ? `${low} to ${rateWords(`${high} ${other.join(" ")}`)}`
    : `${rateWords(row.rate)} to ${rateWords(row.to)}`;
}

export function formWords(card: Pick<CardText, "form" | "formulation">): string {
  const noted = card.formulation;
  const code = formulationCode(noted);
  const known = code && FORMULATIONS[code].name;
  return [
    card.form === "dry" ? "dry, by weight" : "liquid, by volume",
    known && known.toUpperCase() !== code ? `${code} ${known}` : (known ?? noted),
  ]
    .filter(Boolean)
    .join(" · ");
}

/** A single text of a card as a person reads it. */
export function scalarWords(key: ScalarKey, text: string): string {
  const check = CARD_FIELDS.find((f) => f.key === key)!.check;
  if (check.of !== "quantity") return text;
  return showEntered(entered(text, check.kind as Kind));
}

/** How it is watered in, by its card: "0.25 in to 0.5 in within 24 h"; undefined where the card says nothing. */
export function wateringWords(card: CardText): string | undefined {
  if (card.waterLeast === undefined) return undefined;
  const says = (key: ScalarKey & keyof CardText) => scalarWords(key, card[key] as string);
  return [
    says("waterLeast"),
    card.waterMost === undefined ? "or more" : `to ${says("waterMost")}`,
    card.waterWithin !== undefined && `within ${says("waterWithin")}`,
  ]
    .filter(Boolean)
    .join(" ");
}

/** A row of the limits as a list of what it says. */
export function limitWords(row: LimitRowText): string[] {
  const year = row.yearKind === "rolling" ? "in any 12 months" : "a year";
  return [
    row.perApplication !== undefined && `${rateWords(row.perApplication)} at once`,
    row.perYear !== undefined && `${rateWords(row.perYear)} ${year}`,
    row.applicationsPerYear !== undefined &&
      `${row.applicationsPerYear} application${row.applicationsPerYear === "1" ? "" : "s"} ${year}`,
    row.intervalAtLeast !== undefined &&
      `${row.intervalAtLeast} apart${row.intervalAtMost === undefined ? "" : `, at most ${row.intervalAtMost}`}`,
  ].filter((words) => words !== false);
}

/** A worked-out rate has as many figures as a double; four are enough to read. */
export const shorter = (rate: string) => rate.replace(/^\d+\.\d+/, (n) => String(Number(Number(n).toPrecision(4))));
