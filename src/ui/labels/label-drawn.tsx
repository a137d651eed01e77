"use client";

import { chakra } from "@chakra-ui/react";
import { isSpread } from "@/core/mixing/pouring-order";
import type { CardText } from "@/formats/card/card";

const SHAPES = {
  jug: "M10 16 h12 V8 h8 v8 q6 3 6 10 v22 H10 z M30 20 q6 2 6 9 M14 34 h16 v8 H14 z",
  box: "M8 14 h28 v34 H8 z M8 14 l5 -6 h18 l5 6 M14 26 h16 M14 32 h16",
  bag: "M12 8 h20 l-2 5 q8 18 4 36 H10 q-4 -18 4 -36 z M12 8 q10 5 20 0 M15 30 h14",
} as const;

/** What a product comes in: a jug, a box, a bag that is spread dry. */
export function LabelDrawn({ card: { form, formulation } }: { card: CardText }) {
  const shape = form === "liquid" ? "jug" : isSpread({ form, ...(formulation && { formulation }) }) ? "bag" : "box";
  return (
    <chakra.svg viewBox="0 0 44 54" width="40px" height="48px" flex="0 0 40px" aria-hidden>
      <path d={SHAPES[shape]} fill="none" stroke="currentColor" strokeWidth="2.1" strokeLinejoin="round" />
    </chakra.svg>
  );
}
