"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { Step } from "@/core/mixing/column";
import { isWeight, measuredWith, readAmount } from "@/core/mixing/display";
import { show } from "@/core/quantity/format";
import { read, unitFor, type System } from "@/core/working/units";
import { ratio } from "@/core/quantity/arithmetic";
import type { Measuring } from "./measures";

/** A step at the tank in words: what, how much, and how. The columns, the pouring view and the voice say the same. */
export interface StepText {
  readonly what: string;
  readonly amount: string;
  readonly how: readonly string[];
  /** What the kit lacks for it. */
  readonly needs?: string | undefined;
}

/** @param jar what is filled is the jar of a hose-end head */
export function stepText(step: Step, system: System, measured: Measuring | undefined, jar = false): StepText {
  const into = jar ? "into the jar" : "into the tank";
  switch (step.kind) {
    case "water":
      return {
        what: "Clean water to",
        amount: show(step.to.value, "volume", unitFor(step.mark.value, "volume", system)),
        how: [firstWords(ratio(step.to.value, step.mark.value))],
      };
    case "product": {
      const by = isWeight(step.amount) ? "by weight" : "by volume";
      return {
        what: `${step.name}${step.formulation && step.formulation.length <= 3 ? ` (${step.formulation})` : ""}`,
        amount: readAmount(step.amount, system),
        how: [
          measured?.words ? `${by}, ${measured.words}, ${measured.error}` : `${by}, ${measuredWith(step.amount)}`,
          ...(measured?.quicker ? [`quicker: ${measured.quicker}`] : []),
          ...(step.order !== undefined ? [`label: ${step.order}`] : []),
          ...(step.packets ? [packetWords(step.packets.count)] : []),
          ...(step.slurry ? ["stir to a slurry in a pail first"] : []),
        ],
        needs: measured?.needs,
      };
    }
    case "rinse":
      return {
        what: "Rinse what you measured with",
        amount: into,
        how: [jar ? "three times" : "three times, then close and agitate"],
      };
    case "topUp":
      return {
        what: "Fill to",
        amount: read(step.to.value, "volume", system),
        how: [jar ? "close the jar and shake it" : "from above, then agitate again"],
      };
  }
}

/** A packet is never opened: what is in it is breathed. */
const packetWords = (count: number | null): string =>
  `${count === null ? "packets" : `${count} ${count === 1 ? "packet" : "packets"}`}, whole and unopened, with dry gloves; gloves and respirator as its card says`;

/** How much of the mark the first water is. */
function firstWords(part: number): string {
  if (part < 0.499) return "what the product leaves room for";
  return part > 0.74 && part < 0.76 ? "three quarters, before anything else" : "half, before anything else";
}

export function StepWords({ text }: { text: StepText }) {
  return (
    <Box paddingY="5px">
      <Box textStyle="note">{text.what}</Box>
      <Box
        fontFamily="reading"
        fontWeight="700"
        fontSize={text.amount.startsWith("into the ") ? "1.0625rem" : "1.375rem"}
        lineHeight="1.2"
      >
        {text.amount}
      </Box>
      <Box textStyle="small" color="soft">
        {text.how.join(" · ")}
      </Box>
      {text.needs && (
        <Box textStyle="label" color="stop">
          <chakra.span aria-hidden>✕ </chakra.span>
          This kit can&apos;t: {text.needs}.
        </Box>
      )}
    </Box>
  );
}
