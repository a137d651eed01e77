"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { readTemperature } from "@/core/conditions/temperature";
import { degreesIn, reachedOn, type AirDay } from "@/core/season/degrees";
import type { Round } from "@/core/season/due";
import { soilDaysOf } from "@/core/season/openings";
import { soilMeans } from "@/core/season/soil";
import { seasonOf, type ProgramText } from "@/formats/season/program";
import type { System } from "@/core/working/units";
import { todayDate } from "../data/clock";
import { dayWords } from "../data/dates";
import { useSystem } from "../data/units";
import { Note, SubHeading } from "../parts/controls";

// The chart's library is fetched where there is something to draw.
const SoilChart = dynamic(() => import("./soil-chart").then((m) => m.SoilChart), { ssr: false });

/** The soil as it was read, drawn, and on which day it opened or closed which round. */
export function Soil({ program }: { program: ProgramText }) {
  const system = useSystem();
  const { rounds, soil, air = [] } = seasonOf(program);
  const means = soilMeans(soil);
  const degrees = degreeLines(rounds, air, system);
  if (means.length === 0 && degrees.length === 0) return null;
  const edges = soilDaysOf(rounds, means);
  if (means.length === 0)
    return (
      <Box as="section" aria-label="Degree days">
        {degrees.map((says) => (
          <Note key={says}>{says}</Note>
        ))}
      </Box>
    );
  return (
    <Box as="section" aria-label="Soil temperature">
      <SubHeading>Soil, the mean of five days</SubHeading>
      <SoilChart means={means} edges={edges} system={system} />
      {edges.map(({ round, as, celsius, way, days }) => {
        const last = days.at(-1);
        const words = last
          ? `${as === "opens" ? "opened" : "closed"} on ${dayWords(last.date)}${lateWords(last.later)}`
          : "not yet";
        const says = `${round}, when the soil ${way === "rise" ? "rises" : "falls"} to ${readTemperature(celsius, system)}: ${words}.`;
        return <Note key={`${round} ${as}`}>{says}</Note>;
      })}
      {degrees.map((says) => (
        <Note key={says}>{says}</Note>
      ))}
    </Box>
  );
}

function lateWords(later: number | null): string {
  if (later === null) return "";
  if (later === 0) return ", as last year";
  const days = Math.abs(later);
  return `, ${days} ${days === 1 ? "day" : "days"} ${later < 0 ? "before" : "after"} last year`;
}

/** How far the degree days are that open rounds, this year. */
function degreeLines(rounds: readonly Round[], air: readonly AirDay[], system: System): string[] {
  const year = todayDate().slice(0, 4);
  const unit = system === "us" ? 9 / 5 : 1;
  return rounds.flatMap(({ name, opens }) => {
    if (opens?.on !== "degrees") return [];
    const last = degreesIn(air, opens, year).at(-1);
    const reached = reachedOn(air, opens, year);
    const wanted = `${Math.round(opens.sum * unit)} degree days over ${readTemperature(opens.base, system)}`;
    if (reached !== undefined) return [`${name}: ${wanted} were there on ${dayWords(reached)}.`];
    return [
      last
        ? `${name}: ${Math.round(last.sum * unit)} of ${wanted} by ${dayWords(last.until)}.`
        : `${name}: ${wanted}, none of this year on record.`,
    ];
  });
}
