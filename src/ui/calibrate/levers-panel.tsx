"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { Calibration, CalibrationInput } from "@/core/calibration/calibrate";
import { levers, type Remedy } from "@/core/calibration/levers";
import type { Tank } from "@/core/mixing/plan";
import { writeNumber } from "@/core/quantity/format";
import type { Entered } from "@/core/quantity/parse";
import { read, type System } from "@/core/working/units";
import { paceText } from "@/core/working/thousand";
import { leverText } from "@/core/words/levers";
import { Button, Note, SubHeading } from "../parts/controls";
import { Stamp } from "../parts/stamp";
import { Row } from "../parts/layout";

export const LEVER_WORDS: Record<Remedy["lever"], string> = {
  pressure: "Pressure",
  tip: "Tip",
  speed: "Speed",
  remix: "Leave it, remix",
};

/** What a lever is to be set to, as text with its unit: what the run sheet that proves it is told. */
export function settingText(remedy: Remedy, system: System): string {
  if (remedy.setTo === null) return remedy.lever === "pressure" && remedy.expect ? "by the bucket" : "";
  switch (remedy.lever) {
    case "pressure":
      return read(remedy.setTo, "pressure", system);
    case "speed":
      return read(remedy.setTo, "speed", system);
    case "remix":
      return read(remedy.setTo, "area", system);
    case "tip":
      return `size ${remedy.setTo}`;
  }
}

interface PanelProps {
  readonly made: Calibration;
  readonly input: CalibrationInput;
  readonly target: Entered<"sprayVolume">;
  readonly tank: Tank | undefined;
  readonly system: System;
  /** Starts the reading that proves a lever; left out where there is nothing to begin from yet. */
  readonly onProve?: ((remedy: Remedy) => void) | undefined;
}

/** Against what is wanted: within the band, or all four levers side by side, each with what to set and what to expect. */
export function LeversPanel({ made, input, target, tank, system, onProve }: PanelProps) {
  const { ratio, within } = made.againstTarget!;
  const off = writeNumber(Math.abs(ratio - 1) * 100, { figures: 2 });
  const remedies = within
    ? []
    : levers({
        actual: made.sprayVolume.value,
        wanted: target.value,
        rig: input.rig,
        flow: made.flow,
        timePer1000: made.timePer1000,
        speed: made.speed,
        ...(tank && { usable: tank.usable }),
      });
  return (
    <Box as="section" aria-label="Levers">
      <SubHeading>Against {read(target.value, "sprayVolume", system)}</SubHeading>
      <Row paddingY="10px" gap="14px" alignItems="baseline" flexWrap="wrap">
        {within ? (
          <Stamp state="good">within the wanted band</Stamp>
        ) : (
          <>
            <Stamp state="act">{`${off} % ${ratio > 1 ? "too much" : "too little"}`}</Stamp>
            <Note>Schools differ on which to pull: four ways, each to be proved by a new reading.</Note>
          </>
        )}
      </Row>
      {remedies.length > 0 && (
        <Box
          display="grid"
          gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr", xl: "repeat(4, minmax(0,1fr))" }}
          borderTop="1px solid"
          borderLeft="1px solid"
          borderColor="line"
        >
          {remedies.map((remedy) => (
            <Lever key={remedy.lever} remedy={remedy} system={system} onProve={onProve} />
          ))}
        </Box>
      )}
    </Box>
  );
}

function Lever({ remedy, system, onProve }: { remedy: Remedy; system: System; onProve: PanelProps["onProve"] }) {
  const { lever, feasible, expect, why } = remedy;
  const set = settingText(remedy, system);
  // No number on the regulator: it is turned until the bucket says so.
  const byBucket = lever === "pressure" && remedy.setTo === null && expect !== null;
  return (
    <Box
      borderRight="1px solid"
      borderBottom="1px solid"
      borderColor="line"
      padding="10px 12px"
      display="flex"
      flexDirection="column"
      gap="4px"
    >
      <Box textStyle="label" color={feasible || byBucket ? "ink" : "soft"}>
        {feasible || byBucket ? "→ " : "✕ "}
        {LEVER_WORDS[lever]}
      </Box>
      {/* A pressure that may not be set is no number to turn a knob to: the words say what it would take. */}
      {set !== "" && (feasible || lever !== "pressure") && (
        <Box fontFamily="reading" fontWeight="700" fontSize="1.375rem" textDecoration={feasible ? "none" : "line-through"}>
          {set}
        </Box>
      )}
      <Box textStyle="small" color="soft">
        {leverText(why, system)}
      </Box>
      {expect && (
        <Box textStyle="small">
          Expect{" "}
          <chakra.strong>
            {expect.of === "flow" ? read(expect.value, "flow", system) : paceText(expect.value, system)}
          </chakra.strong>
        </Box>
      )}
      {(feasible || byBucket) && onProve && lever !== "remix" && (
        <Box marginTop="auto" paddingTop="6px">
          <Button onClick={() => onProve(remedy)}>Prove it</Button>
        </Box>
      )}
    </Box>
  );
}
