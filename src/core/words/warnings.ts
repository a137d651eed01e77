import { inWords, type WordsOf } from "../finding";
import { LEAST_AREA, LEAST_CATCH, LEAST_WALK, WALKABLE, type Warning, type WarningValues } from "../calibration/warnings";
import type { TrialSummary } from "../calibration/trials";
import { ROUNDING, writeNumber } from "../quantity/format";
import { quantity } from "../quantity/quantity";
import { read, readParts, type System } from "../working/units";
import { percentText } from "./values";
import { groundText, paceTime } from "../working/thousand";
import { rigRules } from "@/rig-kinds/rules";

const TRIALS: Record<TrialSummary["of"], { many: string; one: string }> = {
  pace: { many: "walks", one: "One walk only" },
  flow: { many: "catches", one: "One catch only" },
  used: { many: "trials", one: "One trial only" },
  outlets: { many: "outlets", one: "One outlet only" },
};

/** "one catch only". */
export const onceText = (of: TrialSummary["of"]): string => TRIALS[of].one.toLowerCase();

const seconds = (value: Parameters<typeof read<"time">>[0], system: System) => read(value, "time", system);
const walkable = (system: System) => read(WALKABLE, "speed", system);

const WORDS: WordsOf<WarningValues> = {
  "single-trial": ({ of }) => `${TRIALS[of].one}: take another, three is the habit.`,
  "trials-wide": ({ of, spread }) => `The ${TRIALS[of].many} differ by ${percentText(spread)}: take another.`,
  "trials-disagree": ({ of, spread }) =>
    `The ${TRIALS[of].many} differ by ${percentText(spread)}, over 10 %: this is not a calibration yet.`,
  given: () => "The spray volume was taken as given: no reading stands behind it.",
  "estimate-only": () => "The flow is the tip's rated one: an estimate until a catch confirms it. Nothing is mixed from it.",
  "volume-unusual": ({ sprayVolume, rig }, system) => {
    const { least, most, name } = rigRules(rig).usual!;
    const usual = [least, most].map(
      (gallons) => readParts(quantity("sprayVolume", gallons, "gal/1000 ft2"), "sprayVolume", system).number,
    );
    const usually = least === most ? `about ${usual[0]}` : `${usual[0]} to ${usual[1]}`;
    return `${read(sprayVolume, "sprayVolume", system)} is far from what ${name} usually gives, ${usually}: is every unit right?`;
  },
  "pace-not-walkable": ({ speed }, system) =>
    `${read(speed, "speed", system)} on foot is not a plan: ${walkable(system)} is the most.`,
  "pavement-only": () => "Timed on pavement only: a walk in grass is usually slower. Time it on turf.",
  "small-test-area": ({ area }, system) =>
    `${read(area, "area", system, ROUNDING.rate)} is a small test area: mark out at least ${read(LEAST_AREA, "area", system, { figures: 2 })}.`,
  "short-timing": ({ of, time }, system) =>
    of === "walk"
      ? `A walk of ${seconds(time, system)} is short: ${leastOf(LEAST_WALK)} at least, better a longer course.`
      : `A catch of ${seconds(time, system)} is short: ${leastOf(LEAST_CATCH)} at least.`,
  "catch-time-differs": ({ caught, walked }, system) =>
    `A catch ran ${seconds(caught, system)}, the walks take ${seconds(walked, system)}: allowed for in the arithmetic, but check that it was meant.`,
  "outlets-uneven": ({ outlets }) => `Beyond ±5 % of the mean: outlet ${outlets.join(", ")}. Clean or replace the tip.`,
  "looks-rounded": () => "Every walk is a multiple of 5 s: these look rounded before use. Write down what the watch shows.",
  "tip-worn": (values) => `${offRated(values, "more")}: worn, or the pressure is not what was read.`,
  "tip-blocked": (values) =>
    `${offRated(values, "less")}: blocked or worn narrow, clean it; or the pressure is lower than was read.`,
  "pace-far-from-label": ({ overdose, timePer1000 }, system) => {
    const times = writeNumber(overdose > 1 ? overdose : 1 / overdose, { figures: 2 });
    const far =
      overdose > 1 ? `${times} times the label rate goes down` : `the label rate is missed by a factor of ${times}, too little`;
    return `At this pace ${far}: ${paceTime(timePer1000, system)} for ${groundText(system)} give it.`;
  },
  "dial-is-label-number": ({ timePer1000 }, system) =>
    `The dial stands at the label's number: the dose for ${groundText(system)} is gone in ${paceTime(timePer1000, system)}.`,
};

const leastOf = (time: typeof LEAST_WALK) => read(time, "time", "us", { figures: 2 });

function offRated({ outlets, count, ratio }: WarningValues["tip-worn"], way: "more" | "less"): string {
  if (outlets) return `Outlet ${outlets.join(", ")} gives over 10 % ${way} than rated`;
  return `${count > 1 ? "The tips give" : "The tip gives"} ${percentText(Math.abs(ratio - 1))} ${way} than rated`;
}

/** What a warning of a calibration says, in the reader's units. */
export const warningText = (warning: Warning, system: System): string => inWords(WORDS, warning, system);
