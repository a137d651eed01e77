"use client";

import type { System } from "@/core/working/units";

const FOOT = 0.3048;
const STEPS = [1, 2, 5];

/** A length in round figures that is at most a third of a drawing. @param wide of the drawing, m */
function barOf(wide: number, system: System): { readonly length: number; readonly words: string } {
  const unit = system === "us" ? FOOT : 1;
  const most = wide / 3 / unit;
  const power = 10 ** Math.floor(Math.log10(most));
  const round = STEPS.map((step) => step * power).filter((length) => length <= most).at(-1)!; // prettier-ignore
  return { length: round * unit, words: `${Number(round.toPrecision(1))} ${system === "us" ? "ft" : "m"}` };
}

interface BarProps {
  /** Of the ground that is drawn, m, and pixels for one. */
  readonly wide: number;
  readonly scale: number;
  /** Where its left end stands. */
  readonly x: number;
  readonly y: number;
  readonly system: System;
}

/** A scale bar in the reader's units. */
export function ScaleBar({ wide, scale, x, y, system }: BarProps) {
  const { length, words } = barOf(wide, system);
  return (
    <>
      <path d={`M${x} ${y} v-6 v6 h${(length * scale).toFixed(1)} v-6`} stroke="currentColor" strokeWidth="1.5" fill="none" />
      <text x={x + 5} y={y - 4} fontSize="12" fill="currentColor">
        {words}
      </text>
    </>
  );
}
