"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { daysFrom } from "@/core/calendar";
import { readTemperature, toFahrenheit } from "@/core/conditions/temperature";
import { degreesIn, reachedOn, type AirDay } from "@/core/season/degrees";
import type { Round } from "@/core/season/due";
import { soilDaysOf } from "@/core/season/openings";
import { soilMeans, type SoilMean } from "@/core/season/soil";
import { seasonOf, type ProgramText } from "@/formats/season/program";
import { todayDate } from "../data/clock";
import { dayWords } from "../data/dates";
import { useSystem } from "../data/units";
import { Note, SubHeading } from "../parts/controls";

// The chart's library is fetched where there is something to draw.
const YearsChart = dynamic(() => import("./years-chart").then((m) => m.YearsChart), { ssr: false });

/** The soil and the degree days as they were read, drawn, of each place by itself. */
export function Soil({ program }: { program: ProgramText }) {
  return (
    <>
      <SoilAt program={program} at="" />
      {(program.stations ?? []).map(({ name, soil, air = [] }) => (
        <SoilAt key={name} program={{ ...program, soil, air }} at={`, ${name}`} />
      ))}
    </>
  );
}

/** On which day what was read at a place opened or closed which round. @param at what is said of the place */
function SoilAt({ program, at }: { program: ProgramText; at: string }) {
  const { rounds, soil, air = [] } = seasonOf(program);
  const means = soilMeans(soil);
  const byDegrees = degreesOf(rounds);
  return (
    <>
      {means.length > 0 && <SoilTemperature rounds={rounds} means={means} at={at} />}
      {byDegrees.map(({ key, ...one }) => (
        <Degrees key={key} {...one} air={air} at={at} />
      ))}
    </>
  );
}

/** The days of some years, the newest year first. */
const byYear = <T extends { readonly date: string }>(days: readonly T[]): readonly (readonly [string, readonly T[]])[] =>
  [...new Set(days.map(({ date }) => date.slice(0, 4)))]
    .sort()
    .reverse()
    .map((year) => [year, days.filter(({ date }) => date.startsWith(year))] as const);

interface TemperatureProps {
  readonly rounds: readonly Round[];
  readonly means: readonly SoilMean[];
  readonly at: string;
}

function SoilTemperature({ rounds, means, at }: TemperatureProps) {
  const system = useSystem();
  const edges = soilDaysOf(rounds, means);
  const degrees = (celsius: number) => (system === "us" ? toFahrenheit(celsius) : celsius);
  return (
    <Box as="section" aria-label={`Soil temperature${at}`}>
      <SubHeading>Soil, the mean of five days{at}</SubHeading>
      <YearsChart
        title={system === "us" ? "soil, °F" : "soil, °C"}
        years={byYear(means).map(([year, days]) => ({
          year,
          points: days.map(({ date, celsius }) => [date, degrees(celsius)] as const),
        }))}
        marks={edges.map(({ celsius }) => degrees(celsius))}
      />
      {edges.map(({ round, as, celsius, way, days }) => {
        const last = days.at(-1);
        const words = last
          ? `${as === "opens" ? "opened" : "closed"} on ${dayWords(last.date)}${lateWords(last.later)}`
          : "not yet";
        const says = `${round}, when the soil ${way === "rise" ? "rises" : "falls"} to ${readTemperature(celsius, system)}: ${words}.`;
        return <Note key={`${round} ${as}`}>{says}</Note>;
      })}
    </Box>
  );
}

function lateWords(later: number | null): string {
  if (later === null) return "";
  if (later === 0) return ", as last year";
  const days = Math.abs(later);
  return `, ${days} ${days === 1 ? "day" : "days"} ${later < 0 ? "before" : "after"} last year`;
}

interface DegreesProps {
  readonly base: number;
  readonly from: string;
  /** The rounds that go by them, each with the sum that opens or closes it, K·d. */
  readonly rounds: readonly { readonly name: string; readonly as: "opens" | "closes"; readonly sum: number }[];
}

/** Rounds that go by degree days, those over one base from one day on together. */
function degreesOf(rounds: readonly Round[]): (DegreesProps & { readonly key: string })[] {
  const found = new Map<string, DegreesProps & { rounds: DegreesProps["rounds"][number][] }>();
  for (const round of rounds)
    for (const as of ["opens", "closes"] as const) {
      const edge = round[as];
      if (edge?.on !== "degrees") continue;
      const { base, from, sum } = edge;
      const key = `${base} ${from}`;
      const one = found.get(key) ?? { base, from, rounds: [] };
      one.rounds.push({ name: round.name, as, sum });
      found.set(key, one);
    }
  return [...found].map(([key, one]) => ({ key, ...one }));
}

/** How far the degree days of a base are, the years above one another, and when they opened or closed what. */
function Degrees({ base, from, rounds, air, at }: DegreesProps & { readonly air: readonly AirDay[]; readonly at: string }) {
  const system = useSystem();
  const unit = system === "us" ? 9 / 5 : 1;
  const today = todayDate().slice(0, 4);
  const years = byYear(air).map(([year]) => ({ year, sums: degreesIn(air, { base, from }, year) }));
  const drawn = years.filter(({ sums }) => sums.length > 0);
  const over = readTemperature(base, system);
  return (
    <Box as="section" aria-label={`Degree days over ${over}${at}`}>
      <SubHeading>
        Degree days over {over}
        {at}
      </SubHeading>
      {drawn.length > 0 && (
        <YearsChart
          title={system === "us" ? "degree days, °F" : "degree days, °C"}
          years={drawn.map(({ year, sums }) => ({ year, points: sums.map(({ until, sum }) => [until, sum * unit] as const) }))}
          marks={rounds.map(({ sum }) => sum * unit)}
        />
      )}
      {rounds.map(({ name, as, sum }) => {
        const wanted = `${Math.round(sum * unit)} degree days over ${over}`;
        const reached = reachedOn(air, { base, from, sum }, today);
        const last = years.find(({ year }) => year === today)?.sums.at(-1);
        const lastYear = String(Number(today) - 1);
        const before = reachedOn(air, { base, from, sum }, lastYear);
        const later = reached && before ? daysFrom(`${today}-01-01`, reached) - daysFrom(`${lastYear}-01-01`, before) : null;
        const words = reached
          ? `were there on ${dayWords(reached)}, and ${as === "opens" ? "opened" : "closed"} it${lateWords(later)}`
          : last
            ? `${Math.round(last.sum * unit)} of them by ${dayWords(last.until)}`
            : "none of this year on record";
        return <Note key={`${name} ${as}`}>{`${name}: ${wanted}, ${words}.`}</Note>;
      })}
    </Box>
  );
}
