import { unitText, writeNumber } from "../quantity/format";
import { plainNumber } from "../quantity/plain";
import { unitNamed } from "../quantity/unit";
import type { HowToMeasure, Measure, Pours } from "./measure";

/** A reading in its tool's own unit, as it stands on the tool. */
const reading = ({ tool }: Pours, value: number) =>
  `${plainNumber(Number((value / unitNamed(tool.unit).factor).toPrecision(9)))} ${unitText(tool.unit)}`;

const TIMES = ["", "", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"];
const times = (n: number) => TIMES[n] ?? String(n);

/**
 * How to measure, as one says it: "30 mL cup: five full and one to 15 mL"; "bench scale: 0.29 oz".
 * @param dry on a scale: nothing is full there
 */
export function measureWords({ pours }: Measure, dry: boolean): string {
  return pours
    .map((one) => {
      const { tool, full, mark, part } = one;
      if (dry) {
        const again = full > 1 ? `${times(full)} times ${reading(one, mark)}` : full === 1 ? reading(one, mark) : "";
        return `${tool.name}: ${[again, part !== null && reading(one, part)].filter(Boolean).join(", then ")}`;
      }
      const brim = full === 1 ? `full, ${reading(one, mark)}` : full > 1 ? `${times(full)} full` : "";
      const last = part === null ? "" : full > 0 ? `one to ${reading(one, part)}` : `to ${reading(one, part)}`;
      return `${tool.name}: ${[brim, last].filter(Boolean).join(" and ")}`;
    })
    .join(", then ");
}

/** How far it may be off: ±1.7 %, not to be torn apart at the end of a line. */
export const errorWords = ({ error }: Measure): string => `±${writeNumber(error * 100, { figures: 2 })}\u00a0%`;

/** What is missing in a kit, for an amount that it can't measure. @param unit the one that `needs` was asked in */
export function needsWords({ best, needs }: HowToMeasure, amount: string, dry: boolean, unit: string): string | undefined {
  if (!needs) return undefined;
  const size = (value: number) => `${plainNumber(Number((value / unitNamed(unit).factor).toPrecision(3)))} ${unitText(unit)}`;
  const far = best !== null && best.amount < needs.capacity / 2;
  const what = dry ? "a scale that reads" : "a vessel marked every";
  return `${amount} needs ${what} ${size(needs.step)}${!best || far ? ` and takes ${size(needs.capacity)}` : ""}`;
}
