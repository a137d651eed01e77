"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { Trial } from "@/formats/session";
import { Button, Select } from "../parts/controls";

const REASONS = [
  "stumbled or stopped",
  "missed the line",
  "watch pressed late",
  "pressure dropped",
  "spilled",
  "misread",
] as const;

interface TapeProps {
  readonly name: "Walk" | "Run" | "Catch";
  readonly trials: readonly Trial[];
  readonly onChange: (trials: readonly Trial[]) => void;
}

/** The trial tape: every reading in order. One that went wrong is struck with a reason, never torn off. */
export function Tape({ name, trials, onChange }: TapeProps) {
  const replace = (i: number, trial: Trial) => onChange(trials.map((t, j) => (j === i ? trial : t)));
  const strike = (i: number, struck: string) => replace(i, { ...trials[i]!, struck });
  const restore = (i: number) => {
    const { struck: _, ...trial } = trials[i]!;
    replace(i, trial);
  };
  if (trials.length === 0) return null;
  return (
    <Box as="ol" listStyleType="none" aria-label={`${name} tape`} borderTop="2px solid" borderColor="ink" marginTop="16px">
      {trials.map((trial, i) => (
        <Box
          as="li"
          key={i}
          display="flex"
          gap="12px"
          alignItems="center"
          borderBottom="1px dashed"
          borderColor="line"
          minHeight="54px"
          flexWrap="wrap"
        >
          <Box flex="1 1 150px" fontFamily="reading" fontSize="1.0625rem">
            <chakra.span color="soft" textStyle="note">
              {name} {i + 1}{" "}
            </chakra.span>
            <chakra.span fontWeight="700" textDecoration={trial.struck ? "line-through" : "none"}>
              {trial.volume ? `${trial.volume} in ` : ""}
              {trial.time}
            </chakra.span>
            {trial.struck && (
              <chakra.span color="stop" fontFamily="body" textStyle="note">
                {" "}
                ✕ {trial.struck}
              </chakra.span>
            )}
          </Box>
          {trial.struck ? (
            <Button look="quiet" onClick={() => restore(i)} aria-label={`Undo striking ${name.toLowerCase()} ${i + 1}`}>
              Undo
            </Button>
          ) : (
            <Select
              width="170px"
              value=""
              aria-label={`Strike ${name.toLowerCase()} ${i + 1}`}
              onChange={(e) => strike(i, e.target.value)}
            >
              <option value="" disabled>
                Strike: why?
              </option>
              {REASONS.map((reason) => (
                <option key={reason}>{reason}</option>
              ))}
            </Select>
          )}
        </Box>
      ))}
    </Box>
  );
}
