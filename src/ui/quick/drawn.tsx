"use client";

import { chakra } from "@chakra-ui/react";

/** A line drawing of what a field is about: a tired eye finds the bucket before it reads the word. */
const DRAWINGS = {
  tank: "M14 12 q0 -6 6 -6 h16 q6 0 6 6 v28 q0 6 -6 6 H20 q-6 0 -6 -6 z M24 6 V2 h8 v4 M14 20 h28",
  plot: "M6 14 h44 v26 H6 z M12 20 h32 v6 H12 v6 h32 M40 29 l5 3 -5 3",
  course: "M6 27 h42 M42 21 l7 6 -7 6 M8 12 v30 M50 12 v4 M50 38 v4",
  time: "M28 12 a17 17 0 1 0 0.1 0 M28 12 V6 M22 4 h12 M28 29 V19 M28 29 l8 5",
  catch: "M12 16 h32 l-4 30 H16 z M14 28 h28 M28 2 v3 M24 8 l-2 4 M28 8 v4 M32 8 l2 4",
  rate: "M14 4 h20 l8 8 v34 H14 z M34 4 v8 h8 M20 20 h16 M20 27 h16 M20 34 h9",
  most: "M10 46 V8 M10 46 h38 M18 46 V28 h7 V46 M31 46 V18 h7 V46 M14 14 h32",
  lawn: "M4 40 q12 -18 24 -12 t24 -10 v24 H4 z M14 40 v-6 M18 40 v-4 M30 40 v-6 M34 40 v-4 M44 40 v-7",
} as const;

export function Drawn({ of }: { of: keyof typeof DRAWINGS }) {
  return (
    <chakra.svg viewBox="0 0 56 50" width="52px" height="46px" flex="0 0 52px" aria-hidden>
      <path d={DRAWINGS[of]} fill="none" stroke="currentColor" strokeWidth="2.2" strokeLinecap="round" strokeLinejoin="round" />
    </chakra.svg>
  );
}
