import { inWords, type WordsOf } from "../finding";
import { readAreaRate } from "../labels/active";
import type { LimitWarningValues } from "../labels/reason";
import type { MixWarning, MixWarningValues, RateWarningValues } from "../mixing/plan";
import { show, showEntered, writeNumber } from "../quantity/format";
import { raw, type Kind } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { read, type System } from "../working/units";
import { tankText } from "./values";
import { wentDown } from "./reasons";

const rateText = (rate: RateWarningValues["ground-open"]["rate"]) => showEntered(rate as Entered<Kind>);

const slipped = ({ product, rate, slips }: RateWarningValues["unit-slip"]) =>
  `${product}: ${rateText(rate)} is outside the label; ${slips[0]!.says} (${slips.map((s) => s.corrected).join(" or ")}).`;

const counted = (product: string, zone: string, limitFor: string, what: string) =>
  `${product} has a limit for ${limitFor}; the ${what} of ${zone} isn't noted, so it is counted.`;

const WORDS: WordsOf<LimitWarningValues & RateWarningValues & MixWarningValues> = {
  "turf-unknown": (unknown) =>
    "limitFor" in unknown
      ? counted(unknown.product, unknown.zone, unknown.limitFor, "turf")
      : `${unknown.product} is for ${unknown.isFor.join(", ")}; the turf of ${unknown.zone} isn't noted.`,
  "jurisdiction-unknown": ({ product, zone, limitFor }) => counted(product, zone, limitFor, "jurisdiction"),
  "water-deadline-open": ({ product, dry, keepDry }) =>
    `${product} must be watered in and its card says no deadline, ${dry} must stay dry for ${showEntered(keepDry)} first: does the label of ${product} leave the time?`,
  "second-half-late": ({ product, zone, last, ended }) =>
    `${product} on ${zone}: the label's time for the next one ended on ${ended}, counted from ${last}.`,
  "same-day": ({ product, zone, other, amount, on, down }, system) =>
    `${product} on ${zone}: ${readAreaRate(amount, system)} of ${other} ${down ? "went" : "is planned to go"} down there on ${on} too. Is a second dose of the same day meant?`,
  "not-to-be-judged-yet": ({ product, zone, on, from }) =>
    `${product} went down on ${zone} on ${on}, and its label says not to judge it before ${from}: is a repeat needed?`,
  "active-not-noted": ({ product, zone, other, on }) =>
    `${other} ${wentDown(on)} on ${zone}, and its active isn't noted: if it is one of ${product}'s, it isn't counted. Note it on its card.`,
  "per-acre-slip": slipped,
  "unit-slip": slipped,
  "unusual-rate": ({ product, rate, slips }) =>
    `${product}: ${rateText(rate)}, and its card has no rates to hold it against; ${slips[0]!.says}${slips[0]!.corrected === null ? "" : ` (${slips.map((s) => s.corrected).join(" or ")})`}.`,
  "too-thick": ({ product, rate, most }, system) =>
    `${product}: at ${rateText(rate)} there is more of it in the spray than it can carry (${read(most.value as never, most.kind, system)} at the most): is the rate, or its unit, right?`,
  "under-label-range": ({ product, rate, least }) =>
    `${product}: ${rateText(rate)} is under the label's least, ${rateText(least)}: too light wastes product and breeds survivors.`,
  "ground-open": ({ product, rate }) =>
    `${product}: ${rateText(rate)} is a strength, and its label sets no limit by area. If it means a ${rate.unit.split("/")[1] === "L" ? "litre" : "gallon"} for so much ground, say so (gallonCovers): a sprayer that puts down more than that overdoses.`,
  "below-least-mix": ({ site, fill, least }, system) =>
    `${site}: a load of ${tankText(fill, system)} is under the ${tankText(least, system)} that this tank can agitate. Use a smaller sprayer or spray it with the next site.`,
  "mixed-for-another-volume": ({ mixedFor, sprayVolume, factor }, system) =>
    `Mixed for ${read(mixedFor, "sprayVolume", system)}, sprayed at ${read(sprayVolume, "sprayVolume", system)}: ${show(factor, "share", "%", { figures: 3 })} of the typed rate goes down, and a tank covers ${writeNumber(100 / raw(factor), { figures: 3 })} % of what was meant.`,
};

/** What a warning of a plan says, in the reader's units. A label's own figures stay as its label has them. */
export const mixWarningText = (warning: MixWarning, system: System): string => inWords(WORDS, warning, system);
