"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import type { PersonEntry } from "@/formats/entries";
import { dayNow } from "../data/clock";
import { useSlice } from "../data/records";
import { SubHeading } from "../parts/controls";
import { seasonOf } from "./season-lines";

const SeasonChart = dynamic(() => import("./season-chart").then((m) => m.SeasonChart), { ssr: false });

/** How near the seconds were, over the season. */
export function SeasonOfCountdowns({ person, rigId }: { person: PersonEntry; rigId: string }) {
  const entries = useSlice("practice", { person: person.id }).value ?? [];
  const lines = seasonOf(entries, rigId, dayNow().zone);
  if (lines.length === 0) return null;
  return (
    <Box as="section" aria-label="Over the season">
      <SubHeading>Over the season</SubHeading>
      <SeasonChart lines={lines} />
    </Box>
  );
}
