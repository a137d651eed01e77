"use client";

import { Box } from "@chakra-ui/react";
import { useMemo } from "react";
import { dayInOrder } from "@/core/mixing/mix";
import type { MixInput, MixPlan } from "@/core/mixing/plan";
import { given } from "@/core/working/rule";
import type { System } from "@/core/working/units";
import { SubHeading } from "../parts/controls";
import { usePreviewed, type Preview } from "./preview";
import { RunPicture, RunWords } from "./run-picture";

interface DayProps {
  readonly plan: MixPlan;
  readonly input: MixInput;
  readonly tank?: string | undefined;
  /** The names of the sites in the order of the day, those behind first. */
  readonly stops: readonly string[];
  readonly inTank?: number;
  readonly system: System;
  /** The order as it would be, while a stop is dragged. */
  readonly preview?: Preview;
}

/** The day of one tank: its level along the route, and where it is filled for what. */
export function DayPicture({ plan, input, tank, stops, inTank = 0, system, preview }: DayProps) {
  const order = usePreviewed(preview);
  const run = useMemo(() => (order ? dayInOrder(input, plan, order) : plan.run!), [order, input, plan]);
  const shown = order ? [...stops.filter((name) => !order.includes(name)), ...order] : stops;
  const { usable, leastMix } = input.tank;
  const title = tank ? `The ${tank} tank along the day` : "The tank along the day";
  return (
    <Box as="section" aria-label={title} display="grid" gap="10px" gridTemplateColumns="minmax(0,1fr)">
      <SubHeading>{title}</SubHeading>
      <Box overflowX="auto" tabIndex={0} role="group" aria-label="Picture of the level">
        <RunPicture
          run={run}
          stops={shown.map((name, i) => ({ name, number: i + 1 }))}
          sprayVolume={plan.sprayVolume}
          usable={given(usable, "usable volume")}
          least={leastMix && given(leastMix, "least mix")}
          inTank={inTank}
          title={title}
          system={system}
        />
      </Box>
      <RunWords run={run} numberOf={(site) => shown.indexOf(site) + 1} system={system} />
    </Box>
  );
}
