"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useId } from "react";
import { Bare } from "../parts/controls";

/** How a load ended, where it didn't come out even; "each" is told load by load. */
export type Ended = "left" | "early" | "stopped" | "each";

const ENDED_WORDS = {
  even: ["Came out even", "tank empty, lawn done"],
  left: ["Some left", "lawn done, spray in the tank"],
  early: ["Ran out early", "tank empty, lawn not done"],
  stopped: ["Stopped", "wind, people or a fault"],
} as const;
type Way = keyof typeof ENDED_WORDS;

/** How full the tank is then, and how much of the lawn is done: only drawn. */
const DRAWN: Record<Way, readonly [tank: number, lawn: number]> = {
  even: [0, 1],
  left: [0.35, 1],
  early: [0, 0.7],
  stopped: [0.55, 0.45],
};

const Press = chakra(Bare, {
  base: {
    display: "flex",
    alignItems: "center",
    gap: "16px",
    minHeight: "88px",
    padding: "8px 16px",
    background: "sheet",
    border: "2px solid",
    borderColor: "ink",
    _hover: { background: "well" },
    "&[aria-pressed=true]": { borderColor: "act", borderWidth: "4px", padding: "6px 14px" },
  },
});

interface EndedProps {
  readonly ended: Ended | undefined;
  readonly onEven: () => void;
  readonly onPick: (ended: Ended) => void;
}

/** One question: how did it end? What came out even goes on record at once. */
export function HowItEnded({ ended, onEven, onPick }: EndedProps) {
  return (
    <Box display="grid" gap="8px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr" }}>
      <End way="even" pressed={undefined} onPress={onEven} />
      {(["left", "early", "stopped"] as const).map((way) => (
        <End key={way} way={way} pressed={ended === way} onPress={() => onPick(way)} />
      ))}
    </Box>
  );
}

interface EndProps {
  readonly way: Way;
  /** Undefined of a press that is done at once. */
  readonly pressed: boolean | undefined;
  readonly onPress: () => void;
}

function End({ way, pressed, onPress }: EndProps) {
  const id = useId();
  const [words, says] = ENDED_WORDS[way];
  const [tank, lawn] = DRAWN[way];
  return (
    <Press
      type="button"
      aria-labelledby={id}
      aria-describedby={`${id}says`}
      {...(pressed !== undefined && { "aria-pressed": pressed })}
      onClick={onPress}
    >
      <chakra.svg viewBox="0 0 92 60" width="92px" height="60px" flex="0 0 auto" aria-hidden color="ink">
        <rect x="4" y={4 + 50 * (1 - tank)} width="26" height={50 * tank} fill="var(--cg-colors-water)" />
        <path d="M3 3 V48 q0 8 8 8 h12 q8 0 8 -8 V3" fill="none" stroke="currentColor" strokeWidth="2.5" />
        <rect x="44" y={6 + 50 * (1 - lawn)} width="44" height={50 * lawn} fill="var(--cg-colors-well)" />
        <rect
          x="44"
          y="6"
          width="44"
          height="50"
          fill="none"
          stroke="currentColor"
          strokeWidth="2"
          strokeDasharray={lawn < 1 ? "4 3" : undefined}
        />
      </chakra.svg>
      <span>
        <chakra.span display="block" textStyle="lead" lineHeight="1.2" id={id}>
          {words}
        </chakra.span>
        <chakra.span display="block" textStyle="small" color="soft" id={`${id}says`}>
          {says}
        </chakra.span>
      </span>
    </Press>
  );
}
