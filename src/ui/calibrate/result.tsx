"use client";

import { Box, chakra } from "@chakra-ui/react";
import {
  coverageOf,
  levers,
  PART_WORDS,
  read,
  readParts,
  show,
  writeNumber,
  type Calibration,
  type CalibrationInput,
  type Entered,
  type Remedy,
  type System,
  type Tank,
} from "@/core/contents";
import { Note, SubHeading } from "../parts/controls";
import { Notice } from "../parts/notices";
import { Stamp } from "../parts/stamp";
import { ThreeLineChart } from "./three-line-chart";

interface ResultProps {
  readonly made: Calibration;
  readonly input: CalibrationInput;
  readonly tank: Tank | undefined;
  readonly system: System;
}

/** What a calibration comes to: the spray volume with its band, what it stands on, what is wrong with it. */
export function Result({ made, input, tank, system }: ResultProps) {
  const { number, unit } = readParts(made.sprayVolume.value, "sprayVolume", system);
  const band = made.uncertainty;
  return (
    <Box display="grid" gap="20px">
      <Box display="flex" flexWrap="wrap" gap="8px 26px" alignItems="baseline">
        <Box data-testid="spray-volume">
          <chakra.span
            fontFamily="reading"
            fontWeight="700"
            fontSize={{ base: "64px", lg: "76px" }}
            lineHeight="1"
            letterSpacing="-0.03em"
          >
            {number}
          </chakra.span>{" "}
          <chakra.span fontSize="20px" fontWeight="700">
            {unit}
          </chakra.span>
        </Box>
        <Box fontSize="18px">
          {band ? (
            <>
              ± {writeNumber(band.relative * 100, { figures: 2 })} %
              <chakra.span color="soft">
                {" "}
                mostly from {PART_WORDS[band.largest].name}: {PART_WORDS[band.largest].remedy}
              </chakra.span>
            </>
          ) : (
            "as given, not measured"
          )}
        </Box>
      </Box>
      <Box
        display="grid"
        gap="22px 34px"
        gridTemplateColumns={{ base: "minmax(0,1fr)", xl: made.flow ? "minmax(0,1.15fr) minmax(0,1fr)" : "minmax(0,1fr)" }}
        alignItems="start"
      >
        <ThreeLineChart made={made} input={input} system={system} />
        <Box display="grid" gap="16px">
          <Warnings made={made} />
          <Facts made={made} tank={tank} system={system} />
          {input.target && <AgainstTarget made={made} input={input} target={input.target} tank={tank} system={system} />}
        </Box>
      </Box>
    </Box>
  );
}

/** Words of a wide spread give way to those of one that is too wide: one message a fault. */
function Warnings({ made }: { made: Calibration }) {
  const stops = made.warnings.some((w) => w.code === "trials-disagree");
  const shown = made.warnings.filter((w) => !(stops && w.code === "trials-wide"));
  if (shown.length === 0) return null;
  return (
    <Box display="grid" gap="8px">
      {shown.map((warning) => (
        <Notice
          key={warning.text}
          state={warning.code === "trials-disagree" || warning.code === "pace-not-walkable" ? "stop" : "act"}
        >
          {warning.text}
        </Notice>
      ))}
    </Box>
  );
}

const OF_WORDS = { pace: "Walks", flow: "Catches", used: "Trials", outlets: "Outlets" } as const;

function Facts({ made, tank, system }: Pick<ResultProps, "made" | "tank" | "system">) {
  const facts: [string, string][] = [
    ["By the acre", show(made.sprayVolume.value, "sprayVolume", system === "us" ? "gal/ac" : "L/ha")],
  ];
  if (made.timePer1000) facts.push(["Pace for 1,000 sq ft", read(made.timePer1000.value, "time", system)]);
  if (made.flow) facts.push(["Flow", read(made.flow.value, "flow", system)]);
  if (made.speed) facts.push(["Travel speed", read(made.speed.value, "speed", system)]);
  if (tank) facts.push(["A full tank covers", read(coverageOf(tank, made.sprayVolume).value, "area", system)]);
  for (const trial of made.trials)
    facts.push([
      OF_WORDS[trial.of],
      trial.spread === null ? "1" : `${trial.count}, spread ${writeNumber(trial.spread * 100, { figures: 2 })} %`,
    ]);
  return (
    <Box
      as="dl"
      display="grid"
      gridTemplateColumns="repeat(auto-fill, minmax(150px, 1fr))"
      gap="10px 20px"
      borderTop="1px solid"
      borderBottom="1px solid"
      borderColor="line"
      paddingY="10px"
    >
      {facts.map(([name, value]) => (
        <Box key={name}>
          <chakra.dt fontSize="14px" color="soft">
            {name}
          </chakra.dt>
          <chakra.dd fontFamily="reading" fontWeight="700" fontSize="17px">
            {value}
          </chakra.dd>
        </Box>
      ))}
    </Box>
  );
}

const LEVER_WORDS: Record<Remedy["lever"], string> = {
  pressure: "Pressure",
  tip: "Tip",
  speed: "Speed",
  remix: "Remix",
};

function AgainstTarget({ made, input, target, tank, system }: ResultProps & { readonly target: Entered<"sprayVolume"> }) {
  const { ratio, within } = made.againstTarget!;
  const off = writeNumber(Math.abs(ratio - 1) * 100, { figures: 2 });
  const remedies = within
    ? []
    : levers({
        actual: made.sprayVolume.value,
        wanted: target.value,
        rig: input.rig,
        flow: made.flow,
        speed: made.speed,
        ...(tank && { usable: tank.usable }),
      });
  return (
    <Box>
      <SubHeading>Against {read(target.value, "sprayVolume", system)}</SubHeading>
      <Box paddingY="10px">
        {within ? (
          <Stamp state="good">within the wanted band</Stamp>
        ) : (
          <Stamp state="act">{`${off} % ${ratio > 1 ? "too much" : "too little"}`}</Stamp>
        )}
      </Box>
      {remedies.map((remedy) => (
        <Box key={remedy.lever} borderTop="1px solid" borderColor="line" paddingY="8px">
          <chakra.strong>
            {remedy.feasible ? "→ " : "✕ "}
            {LEVER_WORDS[remedy.lever]}
          </chakra.strong>
          <Note fontSize="15px">{remedy.why}</Note>
        </Box>
      ))}
    </Box>
  );
}
