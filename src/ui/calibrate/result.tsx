"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { Calibration, CalibrationInput } from "@/core/calibration/calibrate";
import type { Remedy } from "@/core/calibration/levers";
import { minutesToEmptyRule } from "@/core/calibration/required-flow";
import { PART_WORDS, type Uncertainty } from "@/core/calibration/uncertainty";
import { coverageOf } from "@/core/mixing/mix";
import type { Tank } from "@/core/mixing/plan";
import { show, showDuration, writeNumber } from "@/core/quantity/format";
import { derive, given } from "@/core/working/rule";
import { read, readParts, secondsA, type System } from "@/core/working/units";
import { groundText, paceTime } from "@/core/working/thousand";
import { warningText } from "@/core/words/warnings";
import { unitCovers } from "@/core/mixing/ground";
import { capital } from "@/core/words/capital";
import { Fact } from "../parts/fact";
import { Notice } from "../parts/notices";
import { HeadFacts } from "./head-facts";
import { LeversPanel } from "./levers-panel";
import { ThreeLineChart } from "./three-line-chart";
import { Column, Row } from "../parts/layout";

interface ResultProps {
  readonly made: Calibration;
  readonly input: CalibrationInput;
  readonly tank: Tank | undefined;
  readonly system: System;
  readonly onProve?: ((remedy: Remedy) => void) | undefined;
}

/** What a calibration comes to: the spray volume with its band, what it stands on, what is wrong with it. */
export function Result({ made, input, tank, system, onProve }: ResultProps) {
  const { number, unit } = readParts(made.sprayVolume.value, "sprayVolume", system);
  const band = made.uncertainty;
  return (
    <Column gap="20px">
      <Row flexWrap="wrap" gap="8px 26px" alignItems="baseline">
        <Box data-testid="spray-volume">
          <chakra.span
            fontFamily="reading"
            fontWeight="700"
            fontSize={{ base: "3.75rem", lg: "5.75rem" }}
            lineHeight="1"
            letterSpacing="-0.03em"
          >
            {number}
          </chakra.span>{" "}
          <chakra.span fontSize="1.375rem" fontWeight="700">
            {unit}
          </chakra.span>
        </Box>
        <Box fontSize="1.0625rem">
          {band ? (
            <>
              ± {writeNumber(band.relative * 100, { figures: 2 })} %
              <Why band={band} />
              {input.practised && (
                <Box textStyle="note" color="soft">
                  with practice: one walk of this person scatters by{" "}
                  {writeNumber(Math.sqrt(input.practised.variance) * 100, { figures: 2 })} % on this ground
                </Box>
              )}
            </>
          ) : (
            "as given, not measured"
          )}
        </Box>
      </Row>
      <Box
        display="grid"
        gap="22px 34px"
        gridTemplateColumns={{ base: "minmax(0,1fr)", xl: made.flow ? "minmax(0,1.15fr) minmax(0,1fr)" : "minmax(0,1fr)" }}
        alignItems="start"
      >
        <ThreeLineChart made={made} input={input} system={system} />
        <Column gap="16px">
          <Warnings made={made} system={system} />
          <Facts made={made} tank={tank} system={system} />
        </Column>
      </Box>
      {made.hoseEnd && <HeadFacts made={made} input={input} tank={tank} system={system} />}
      {input.target && (
        <LeversPanel made={made} input={input} target={input.target} tank={tank} system={system} onProve={onProve} />
      )}
    </Column>
  );
}

/** What the band is made of, in one tap: the largest part with what would halve it, and the others' shares. */
function Why({ band }: { band: Uncertainty }) {
  const whole = band.parts.reduce((sum, p) => sum + p.variance, 0);
  const parts = [...band.parts].filter((p) => p.variance > 0).sort((a, b) => b.variance - a.variance);
  return (
    <chakra.details fontSize="1.0625rem" maxW="60ch">
      <chakra.summary cursor="pointer" minHeight="32px" color="soft">
        mostly from {PART_WORDS[band.largest].name}
      </chakra.summary>
      <Box fontWeight="700">{capital(PART_WORDS[band.largest].remedy)}.</Box>
      <Box as="ul" listStyleType="none" textStyle="note">
        {parts.map((p) => (
          <Box as="li" key={p.part} display="grid" gridTemplateColumns="56px 1fr" gap="8px">
            <chakra.span fontFamily="reading" textAlign="right">
              {writeNumber((p.variance / whole) * 100, { decimals: 0 })} %
            </chakra.span>
            <span>{PART_WORDS[p.part].name}</span>
          </Box>
        ))}
      </Box>
      <Box textStyle="small" color="soft">
        Parts of the variance. About 95 of 100 calibrations like this hold the true spray volume in their band.
      </Box>
    </chakra.details>
  );
}

const STOPS: readonly string[] = ["trials-disagree", "pace-not-walkable", "estimate-only", "dial-is-label-number"];

/** Words of a wide spread give way to those of one that is too wide: one message a fault. */
function Warnings({ made, system }: Pick<ResultProps, "made" | "system">) {
  const stops = made.warnings.some((w) => w.code === "trials-disagree");
  const shown = made.warnings.filter((w) => !(stops && w.code === "trials-wide"));
  if (shown.length === 0) return null;
  return (
    <Column gap="8px">
      {shown.map((warning) => (
        <Notice key={warningText(warning, system)} state={STOPS.includes(warning.code) ? "stop" : "act"}>
          {warningText(warning, system)}
        </Notice>
      ))}
    </Column>
  );
}

const OF_WORDS = { pace: "Walks", flow: "Catches", used: "Trials", outlets: "Outlets" } as const;

function Facts({ made, tank, system }: Pick<ResultProps, "made" | "tank" | "system">) {
  const facts: [string, string][] = [
    [
      system === "us" ? "By the acre" : "By the hectare",
      show(made.sprayVolume.value, "sprayVolume", system === "us" ? "gal/ac" : "L/ha"),
    ],
  ];
  if (made.timePer1000) facts.push([`Pace for ${groundText(system)}`, paceTime(made.timePer1000.value, system)]);
  if (made.flow) facts.push(["Flow", `${read(made.flow.value, "flow", system)}, ${secondsA(made.flow.value, system)}`]);
  if (!made.hoseEnd)
    facts.push([
      system === "us" ? "A gallon covers" : "A litre covers",
      read(unitCovers(made.sprayVolume, system), "area", system),
    ]);
  if (made.speed) facts.push(["Travel speed", read(made.speed.value, "speed", system)]);
  if (tank && !made.hoseEnd) facts.push(["A full tank covers", read(coverageOf(tank, made.sprayVolume).value, "area", system)]);
  if (tank && made.flow && !made.hoseEnd)
    facts.push([
      "Empty after",
      showDuration(derive(minutesToEmptyRule, { usable: given(tank.usable, "usable volume"), flow: made.flow }).value),
    ]);
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
        <Fact key={name} name={name} value={value} />
      ))}
    </Box>
  );
}
