"use client";

import { labelNumberMistake } from "@/core/hose-end/head";
import { show, writeNumber } from "@/core/quantity/format";
import { Notice } from "../parts/notices";

type Args = Parameters<typeof labelNumberMistake>;

/** What comes of a dial set to the label's number, and when that would be right. */
export function MistakeNote({ rate, flow, pace }: { rate: Args[0]; flow: Args[1]; pace: Args[2] }) {
  const { setting, seconds, factor } = labelNumberMistake(rate, flow, pace);
  const right = `${writeNumber(seconds, { decimals: 0 })} s`;
  const number = show(setting, "strengthByVolume", "fl oz/gal");
  if (Math.abs(factor - 1) <= 0.1)
    return (
      <Notice state="plain">
        A dial at the label&apos;s number, {number}, is right for who covers 1,000 sq ft in {right}, as here: one gallon, one
        dose. At any other pace or flow it is not.
      </Notice>
    );
  return (
    <Notice state="act">
      Never set the dial to the label&apos;s number. At {number} the dose for 1,000 sq ft is gone in <strong>{right}</strong>; at
      this pace <strong>{writeNumber(factor, { figures: 2 })} times</strong> the label goes down. It would be right only for who
      covers 1,000 sq ft in {right}.
    </Notice>
  );
}
