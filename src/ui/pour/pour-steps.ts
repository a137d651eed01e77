import { stepsOf } from "@/core/mixing/column";
import { servedByTank } from "@/core/mixing/day-run";
import { courseOf, lastsFor } from "@/core/mixing/walk-of-load";
import { showDuration } from "@/core/quantity/format";
import { read, type System } from "@/core/working/units";
import { valueIn } from "@/core/quantity/quantity";
import type { Sheet } from "@/formats/entries";
import { gearOf } from "@/formats/gear";
import type { SheetPlan } from "@/formats/sheet-plan";
import type { MeasuringOf } from "../mix/measures";
import { stepText, type StepText } from "../mix/step-words";
import { onFoot } from "@/rig-kinds/rules";

/** One thing to do, as it fills the screen. */
export interface PourStep {
  readonly key: string;
  /** Where it belongs: "Gear", "Load 2 of 4". */
  readonly part: string;
  readonly text: StepText;
  /** What is said of it, in full words. */
  readonly spoken: string;
}

/** Everything that is to be done at the tank, in its order. Of a day only as far as the next fill: what follows may change. */
export function pourSteps(sheet: Sheet, worked: SheetPlan, measured: MeasuringOf, system: System): PourStep[] {
  const { plan, fillings, filled, calibration, job } = worked;
  const gear = gearOf(sheet.job.products ?? []).map(({ key, text }): PourStep => {
    const words = { what: "Gear on", amount: text, how: ["before the first container is opened"] };
    return { key, part: "Gear", text: words, spoken: `Put on: ${text}` };
  });
  const due = plan.run && servedByTank(plan.run).length === 0;
  const reach = plan.run ? fillings.slice(0, due ? filled + 1 : filled) : fillings;
  const loads = reach.flatMap((filling) => {
    const steps = stepsOf(plan.products, filling, job.waterFirst);
    const where = plan.run || plan.sites.length < 2 ? "" : `, ${filling.sites.join(", ")}`;
    return steps.map((step): PourStep => {
      const text = stepText(
        step,
        system,
        step.kind === "product" ? measured(filling, step.product) : undefined,
        job.rig.head !== undefined,
      );
      const lasts = step.kind === "topUp" && !job.rig.head ? lastsFor(filling.fillTo, calibration.flow) : null;
      const how = lasts
        ? [...text.how, `it should last ${showDuration(lasts.value)}, for ${read(filling.covers.value, "area", system)}`]
        : text.how;
      return {
        key: step.key,
        part: `Load ${filling.number} of ${fillings.length}${where}`,
        text: { ...text, how },
        spoken: spokenWords(text),
      };
    });
  });
  return [...gear, ...loads];
}

/** The load that is in the tank: the last that is filled, with how long it should last and how it is walked. */
export function loadInTank(sheet: Sheet, { fillings, calibration, job }: SheetPlan, system: System) {
  const at = fillings.findLastIndex((f) => sheet.done.includes(`${f.key}.top-up`));
  const filling = fillings[at];
  // With the next one begun the last is out of the tank, and its countdown over.
  const next = fillings[at + 1];
  if (next && sheet.done.some((key) => key.startsWith(`${next.key}.`))) return undefined;
  const lasts = filling && !job.rig.head ? lastsFor(filling.fillTo, calibration.flow) : null;
  if (!filling || !lasts) return undefined;
  const course = courseOf(filling.covers, calibration.swath);
  return {
    key: filling.key,
    number: filling.number,
    seconds: valueIn(lasts.value, "s"),
    words: showDuration(lasts.value),
    course: course ? [`${onFoot(job.rig.kind) ? "walk" : "drive"} ${read(course.value, "length", system)}`] : [],
  };
}

/** Whether a step begins a fill that comes after another: the tank should be empty then, or hold what is known. */
export function asksEmpty(key: string, { fillings, plan }: SheetPlan): boolean {
  const at = fillings.findIndex((f) => key.startsWith(`${f.key}.`));
  const filling = fillings[at];
  const before = fillings[at - 1];
  if (!filling || !before || stepsOf(plan.products, filling)[0]?.key !== key) return false;
  // Of a day a fill at a new stop begins with what is known to be left; of a site every one after the first is in its middle.
  return plan.run ? filling.startsWith === null : filling.sites.join() === before.sites.join();
}

/** Units as they are said. */
const SAID: readonly (readonly [RegExp, string])[] = [
  [/\bfl oz\b/g, "fluid ounces"],
  [/\boz\b/g, "ounces by weight"],
  [/\bgal\b/g, "gallons"],
  [/\bqt\b/g, "quarts"],
  [/\blb\b/g, "pounds"],
  [/\bmL\b/g, "millilitres"],
  [/\bL\b/g, "litres"],
  [/\bkg\b/g, "kilograms"],
  [/\bg\b/g, "grams"],
  [/,? ±[\d.]+\s%/g, ""],
];

const said = (text: string) => SAID.reduce((words, [unit, word]) => words.replace(unit, word), text);

function spokenWords({ what, amount, how, needs }: StepText): string {
  return [`${what} ${amount}`, ...how.slice(0, 1), ...(needs ? [`This kit can't measure it. ${needs}`] : [])]
    .map(said)
    .join(". ");
}

/** What comes after the last step, in words: the stops that the tank holds enough for. */
export function nextWords({ plan }: SheetPlan): string {
  const sites = [...new Set((plan.run?.begun ?? []).map((p) => p.lawn.site))];
  return sites.length > 0 ? `Now spray ${sites.join(", ")}.` : "";
}
