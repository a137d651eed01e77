import type { System } from "@/core/working/units";

const FOOT = 0.3048;
const STEPS = [1, 2, 5];

/** A length in round figures that is at most a third of a drawing. @param wide of the drawing, m */
export function scaleBar(wide: number, system: System): { readonly length: number; readonly words: string } {
  const unit = system === "us" ? FOOT : 1;
  const most = wide / 3 / unit;
  const power = 10 ** Math.floor(Math.log10(most));
  const round = STEPS.map((step) => step * power).filter((length) => length <= most).at(-1)!; // prettier-ignore
  return { length: round * unit, words: `${Number(round.toPrecision(1))} ${system === "us" ? "ft" : "m"}` };
}
