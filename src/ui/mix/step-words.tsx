"use client";

import { Box, chakra } from "@chakra-ui/react";
import { isWeight, measuredWith, num, read, readAmount, show, unitFor, type Step, type System } from "@/core/contents";
import type { Measuring } from "./measures";

/** A step at the tank in words: what, how much, and how. The columns, the pouring view and the voice say the same. */
export interface StepText {
  readonly what: string;
  readonly amount: string;
  readonly how: readonly string[];
  /** What the kit lacks for it. */
  readonly needs?: string | undefined;
}

export function stepText(step: Step, system: System, measured: Measuring | undefined): StepText {
  switch (step.kind) {
    case "water":
      return {
        what: "Clean water to",
        amount: show(step.to.value, "volume", unitFor(step.mark.value, "volume", system)),
        how: [num(step.to) < num(step.mark) * 0.499 ? "what the product leaves room for" : "half, before anything else"],
      };
    case "product": {
      const by = isWeight(step.amount) ? "by weight" : "by volume";
      return {
        what: `${step.name}${step.formulation && step.formulation.length <= 3 ? ` (${step.formulation})` : ""}`,
        amount: readAmount(step.amount, system),
        how: [
          measured?.words ? `${by}, ${measured.words}, ${measured.error}` : `${by}, ${measuredWith(step.amount)}`,
          ...(measured?.quicker ? [`quicker: ${measured.quicker}`] : []),
          ...(step.slurry ? ["stir to a slurry in a pail first"] : []),
        ],
        needs: measured?.needs,
      };
    }
    case "rinse":
      return { what: "Rinse what you measured with", amount: "into the tank", how: ["three times, then close and agitate"] };
    case "topUp":
      return { what: "Fill to", amount: read(step.to.value, "volume", system), how: ["from above, then agitate again"] };
  }
}

export function StepWords({ text }: { text: StepText }) {
  return (
    <Box paddingY="5px">
      <Box fontSize="15px">{text.what}</Box>
      <Box fontFamily="reading" fontWeight="700" fontSize={text.amount === "into the tank" ? "16px" : "21px"} lineHeight="1.2">
        {text.amount}
      </Box>
      {text.how.map((how) => (
        <Box key={how} fontSize="14px" color="soft">
          {how}
        </Box>
      ))}
      {text.needs && (
        <Box fontSize="14px" fontWeight="700" color="stop">
          <chakra.span aria-hidden>✕ </chakra.span>
          This kit can&apos;t: {text.needs}.
        </Box>
      )}
    </Box>
  );
}
