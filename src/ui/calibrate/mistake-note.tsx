"use client";

import { labelNumberMistake } from "@/core/hose-end/head";
import { writeNumber } from "@/core/quantity/format";
import { quantity } from "@/core/quantity/quantity";
import { dialText } from "@/core/words/values";
import { groundText, paceOn } from "@/core/working/thousand";
import { read, type System } from "@/core/working/units";
import { Notice } from "../parts/notices";

type Args = Parameters<typeof labelNumberMistake>;

/** What comes of a dial set to the label's number, and when that would be right. */
export function MistakeNote({ rate, flow, pace, system }: { rate: Args[0]; flow: Args[1]; pace: Args[2]; system: System }) {
  const { setting, seconds, factor } = labelNumberMistake(rate, flow, pace);
  const right = read(paceOn(quantity("time", seconds, "s"), system), "time", system, { decimals: 0 });
  const number = dialText(setting, system);
  const ground = groundText(system);
  if (Math.abs(factor - 1) <= 0.1)
    return (
      <Notice state="plain">
        A dial at the label&apos;s number, {number}, is right for who covers {ground} in {right}, as here. At any other pace or
        flow it is not.
      </Notice>
    );
  return (
    <Notice state="act">
      Never set the dial to the label&apos;s number. At {number} the dose for {ground} is gone in <strong>{right}</strong>; at
      this pace <strong>{writeNumber(factor, { figures: 2 })} times</strong> the label goes down. It would be right only for who
      covers {ground} in {right}.
    </Notice>
  );
}
