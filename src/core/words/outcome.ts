import { inWords, type WordsOf } from "../finding";
import { readAreaRate } from "../labels/active";
import type { Cause } from "../outcome/causes";
import type { OutcomeWarning, OutcomeWarningValues } from "../outcome/warnings";
import { groundText } from "../working/thousand";
import { read, type System } from "../working/units";
import { percentText, tankText } from "./values";

const off = (ratio: number): string => (Math.abs(ratio - 1) < 0.005 ? "under 0.5 %" : percentText(Math.abs(ratio - 1)));

const WORDS: WordsOf<OutcomeWarningValues> = {
  "too-heavy": ({ site, sprayVolume, ratio }, system) =>
    `${site}: ${read(sprayVolume, "sprayVolume", system)} went down, ${off(ratio)} more than calibrated: the next load runs out early, and every product is put down as much heavier.`,
  "too-light": ({ site, sprayVolume, ratio }, system) =>
    `${site}: ${read(sprayVolume, "sprayVolume", system)} went down, ${off(ratio)} less than calibrated: spray is left, and every product is put down as much lighter.`,
  "left-over": ({ site, left }, system) =>
    `${site}: ${tankText(left, system)} is left. It goes onto ground that its label allows it on, at the label's rate, or is used as the water of the next like mix: never away.`,
  "second-pass": ({ site }) => `${site}: a second pass went over ground that was covered: its volume counts on the same ground.`,
  "put-down-over-label": ({ site, product, putDown, ratio }, system) =>
    `${site}: ${readAreaRate(putDown, system)} of ${product} went down, ${off(ratio)} over its label. Nothing more of it there until the label allows it, and look at the turf.`,
  "put-down-under-label": ({ site, product, putDown, ratio }, system) =>
    `${site}: ${readAreaRate(putDown, system)} of ${product} went down, ${off(ratio)} under the label's least: it may not do what it is for. A repeat counts with what went down already.`,
  "not-all-covered": ({ site, covered, area }, system) =>
    `${site}: ${read(covered, "area", system)} of ${read(area, "area", system)} was covered.`,
};

/** What a warning of an outcome says, in the reader's units. */
export const outcomeText = (warning: OutcomeWarning, system: System): string => inWords(WORDS, warning, system);

/** What a cause means: how it moved where that is known, and what would prove it. */
export function causeText({ of, ratio }: Cause, system: System): string {
  switch (of) {
    case "pace":
      return ratio === null
        ? `The pace: time ${groundText(system)} as it is walked today`
        : `The pace: the ground took ${off(ratio)} ${ratio > 1 ? "longer" : "less"} than calibrated`;
    case "flow":
      return ratio === null
        ? "The flow: a quick check with the bucket shows it"
        : `The flow: ${off(ratio)} ${ratio > 1 ? "more" : "less"} than calibrated; a quick check with the bucket proves it`;
    case "swath":
      return "The width of a pass: look at a wet strip on pavement";
    case "area":
      return "The area: measure the ground again";
  }
}
