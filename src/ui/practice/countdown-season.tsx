"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import type { PersonEntry, PracticeEntry } from "@/formats/entries";
import { localDate } from "@/formats/day";
import { dayNow } from "../data/clock";
import { useSlice } from "../data/records";
import { SubHeading } from "../parts/controls";

const SeasonChart = dynamic(() => import("./season-chart").then((m) => m.SeasonChart), { ssr: false });

export interface SeasonLine {
  readonly gun: string;
  readonly days: readonly string[];
  /** Time taken over the time wanted, per cent, of all strips of a day's piece together. */
  readonly percent: readonly number[];
}

const secondsOf = (text: string) => Number(text.replace(/ s$/, ""));

/** Countdowns of one rig over the season, each gun its own line, oldest first. */
export function seasonOf(entries: readonly PracticeEntry[], rigId: string, zone: string): SeasonLine[] {
  const guns = new Map<string, { days: string[]; percent: number[] }>();
  for (const { what, rigId: of, at } of [...entries].reverse()) {
    if (what.kind !== "countdown" || of !== rigId) continue;
    const line = guns.get(what.gun ?? "") ?? { days: [], percent: [] };
    guns.set(what.gun ?? "", line);
    const sum = (key: "took" | "wanted") => what.strips.reduce((all, strip) => all + secondsOf(strip[key]), 0);
    line.days.push(localDate(at, zone));
    line.percent.push((100 * sum("took")) / sum("wanted"));
  }
  return [...guns].map(([gun, line]) => ({ gun, ...line }));
}

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
