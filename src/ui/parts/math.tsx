"use client";

import { chakra } from "@chakra-ui/react";
import { createContext, useContext, type ReactNode } from "react";
import { explain, type Line } from "@/core/working/explain";
import type { AnySource } from "@/core/working/rule";
import { useSystem } from "../data/units";

/** What the pad is asked to show: how one value came about, or, without one, all that stands on the stage. */
export interface Asked {
  readonly title: string;
  readonly lines: readonly Line[];
}

/** How a view shows the math of something; nothing where a view has no pad. */
export const MathContext = createContext<((asked: Asked | undefined) => void) | undefined>(undefined);

const Pressed = chakra("button", {
  base: {
    display: "block",
    width: "100%",
    minHeight: "48px",
    padding: 0,
    background: "none",
    border: "none",
    font: "inherit",
    color: "inherit",
    textAlign: "left",
    cursor: "pointer",
    _hover: { background: "well" },
  },
});

interface HowProps {
  /** The value that the words are of. */
  readonly of: AnySource;
  /** What the pad is headed with, and what the press is called to whoever can't see it. */
  readonly title: string;
  readonly children: ReactNode;
}

/** An amount that shows, when it is pressed, how it came about. */
export function HowItCame({ of, title, children }: HowProps) {
  const show = useContext(MathContext);
  const system = useSystem();
  if (!show) return children;
  return (
    <Pressed
      type="button"
      aria-label={`${title}: show the math`}
      aria-haspopup="dialog"
      onClick={() => show({ title, lines: explain(of, system) })}
    >
      {children}
    </Pressed>
  );
}
