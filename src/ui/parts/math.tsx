"use client";

import { chakra } from "@chakra-ui/react";
import { createContext, useContext, useId, type ReactNode } from "react";
import { Bare } from "./controls";
import { explain, type Line } from "@/core/working/explain";
import type { AnySource } from "@/core/working/rule";
import { useSystem } from "../data/units";

/** What the pad is asked to show: how one value came about. */
export interface Asked {
  readonly title: string;
  readonly lines: readonly Line[];
}

/** How a view shows the math of something; nothing where a view has no pad. */
export const MathContext = createContext<((asked: Asked) => void) | undefined>(undefined);

const Pressed = chakra(Bare, {
  base: {
    display: "block",
    color: "inherit",
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
  const says = useId();
  if (!show) return children;
  return (
    <Pressed
      type="button"
      aria-label={`${title}: show the math`}
      aria-describedby={says}
      aria-haspopup="dialog"
      onClick={() => show({ title, lines: explain(of, system) })}
    >
      <span id={says}>{children}</span>
    </Pressed>
  );
}
