import type { Aftercare } from "@/core/labels/aftercare";
import { maybe } from "../job-file/faults";
import type { CardText } from "./card";
import { daysOf } from "./says";

/** What a card wants done after the application. */

export const careOf = (card: Pick<CardText, "waterLeast" | "waterMost" | "waterWithin" | "keepDry">): Aftercare => ({
  waterLeast: maybe(card.waterLeast, "length"),
  waterMost: maybe(card.waterMost, "length"),
  waterWithin: maybe(card.waterWithin, "time"),
  keepDry: maybe(card.keepDry, "time"),
});

/** Hours for which people and pets stay off; undefined where the card names no hours ("when dry"). */
export function offHoursOf({ reentry }: Pick<CardText, "reentry">): number | undefined {
  const found = /(\d+(?:\.\d+)?)\s*(h|hr|hour|day)s?\b/i.exec(reentry ?? "");
  return found ? Number(found[1]) * (found[2]!.toLowerCase() === "day" ? 24 : 1) : undefined;
}

/** Days for which it isn't mown. */
export const mowDaysOf = ({ mowAfter }: Pick<CardText, "mowAfter">): number | undefined => daysOf(mowAfter);
