"use client";

import { chakra } from "@chakra-ui/react";

/** A state in words, framed like a rubber stamp; its mark tells it apart without its colour. */
const Frame = chakra("span", {
  base: {
    display: "inline-block",
    fontSize: ".9375rem",
    fontWeight: "700",
    letterSpacing: "0.06em",
    textTransform: "uppercase",
    padding: "2px 8px",
    border: "2px solid",
    whiteSpace: "nowrap",
  },
  variants: {
    state: {
      good: { color: "ink", borderColor: "ink" },
      act: { color: "act", borderColor: "act", borderStyle: "dashed" },
      stop: { color: "stop", borderColor: "stop", borderStyle: "double", borderWidth: "4px", padding: "0 6px" },
    },
  },
});

const MARKS = { good: "✓", act: "!", stop: "✕" } as const;

export function Stamp({ state, children }: { state: keyof typeof MARKS; children: string }) {
  return (
    <Frame state={state}>
      <span aria-hidden>{MARKS[state]} </span>
      {children}
    </Frame>
  );
}
