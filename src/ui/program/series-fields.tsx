"use client";

import { Box } from "@chakra-ui/react";
import { parse } from "papaparse";
import { daysLater } from "@/core/calendar";
import type { ProgramText } from "@/formats/season/program";
import { soilBetween } from "@/standins/soil";
import { todayDate } from "../data/clock";
import { Button, Lines } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Row } from "../parts/layout";
import { PickFile } from "../parts/pick-file";

/** What was read at a place, as it is typed: a day a line. */
export interface SeriesDraft {
  readonly soil: string;
  /** A draft that was begun before there was air has none. */
  readonly air?: string;
  readonly place?: string;
}

export interface StationDraft extends SeriesDraft {
  readonly name: string;
}

export const NO_STATION: StationDraft = { name: "", place: "", soil: "", air: "" };

type SeriesOf = Pick<ProgramText, "soil" | "air" | "place">;

export const seriesDraft = ({ soil, air = [], place = "" }: SeriesOf): SeriesDraft => ({
  place,
  soil: soil.map(({ date, temperature }) => `${date}, ${temperature}`).join("\n"),
  air: air.map(({ date, least, most }) => `${date}, ${least}, ${most}`).join("\n"),
});

const lines = (text: string): string[][] => parse<string[]>(text, { skipEmptyLines: "greedy" }).data;

/** What was typed as it is sent. */
export const seriesText = ({ soil, air = "", place = "" }: SeriesDraft): object => ({
  ...(place.trim() !== "" && { place: place.trim() }),
  soil: lines(soil).map(([date = "", temperature = ""]) => ({ date: date.trim(), temperature: temperature.trim() })),
  ...(air.trim() !== "" && {
    air: lines(air).map(([date = "", least = "", most = ""]) => ({ date: date.trim(), least: least.trim(), most: most.trim() })),
  }),
});

/** Where a fault of a series is, as the screen calls it. */
export function seriesWords(path: string): string {
  const line = /^(soil|air)\[(\d+)\]/.exec(path);
  return line ? `${line[1]}, line ${Number(line[2]) + 1}` : path;
}

const isDay = ([date = ""]: readonly string[]): boolean => /^\d{4}-\d\d-\d\d$/.test(date.trim());

/** The days of both in the order of their dates, of a day the second's; what is no day stays behind them, for somebody to mend. */
function together(...both: readonly (readonly string[][])[]): string {
  const days = new Map<string, string>();
  const strange: string[] = [];
  for (const row of both.flat()) {
    const line = row.map((cell) => cell.trim()).join(", ");
    if (isDay(row)) days.set(row[0]!.trim(), line);
    else strange.push(line);
  }
  return [...[...days.values()].sort(), ...strange].join("\n");
}

/** A file's days, without its headings, beside those that are there: of a day the file's counts. */
export function withFile(typed: string, file: string): string {
  const [first = [], ...rest] = lines(file);
  return together(lines(typed), isDay(first) ? [first, ...rest] : rest);
}

/** Made-up days beside those that are there: what was read is never written over by what wasn't. */
export const withMadeUp = (typed: string, madeUp: string): string => together(lines(madeUp), lines(typed));

/** No year of the made-up station is late. */
const onTime = (): number => 0;

interface SeriesProps {
  readonly of: SeriesDraft;
  /** What stands behind the names of its fields, where there are several such. */
  readonly names: string;
  readonly change: (next: Partial<SeriesDraft>) => void;
}

/** The soil and the air of a place: typed, from a file, or of the made-up station. */
export function SeriesFields({ of, names, change }: SeriesProps) {
  const take = (key: "soil" | "air") => async (file: File) => change({ [key]: withFile(of[key] ?? "", await file.text()) });
  const simulated = () => {
    const today = todayDate();
    const days = soilBetween(daysLater(today, -400), today, onTime);
    change({ soil: withMadeUp(of.soil, days.map(({ date, temperature }) => `${date}, ${temperature}`).join("\n")) });
  };
  return (
    <>
      <Box maxW="340px">
        <TextField
          label={`Read at${names}`}
          placeholder="41.88321, -87.61231"
          hint="latitude and longitude; needed where there are stations"
          value={of.place ?? ""}
          onChange={(e) => change({ place: e.target.value })}
        />
      </Box>
      <Field
        label={`Soil temperature: a day and its reading a line${names}`}
        hint="2026-03-20, 47 F: as far as it was read; the mean of five days counts"
      >
        {(props) => <Lines {...props} rows={5} value={of.soil} onChange={(e) => change({ soil: e.target.value })} />}
      </Field>
      <Row flexWrap="wrap">
        <PickFile label={`Soil from a file${names}`} accept=".csv,text/csv,text/plain" onFile={take("soil")}>
          Soil from a file
        </PickFile>
        <Button look="quiet" onClick={simulated}>
          Ask the simulated station for its soil
        </Button>
      </Row>
      <Field
        label={`Air temperature: a day, its least and its most a line${names}`}
        hint="2026-03-20, 38 F, 61 F: for degree days; a day that is missing ends their sum"
      >
        {(props) => <Lines {...props} rows={3} value={of.air ?? ""} onChange={(e) => change({ air: e.target.value })} />}
      </Field>
      <Box>
        <PickFile label={`Air from a file${names}`} accept=".csv,text/csv,text/plain" onFile={take("air")}>
          Air from a file
        </PickFile>
      </Box>
    </>
  );
}

interface StationProps {
  readonly of: number;
  readonly station: StationDraft;
  readonly change: (next: Partial<StationDraft>) => void;
  readonly onOut: () => void;
}

/** Another place where the soil is read. */
export function StationFields({ of, station, change, onOut }: StationProps) {
  const name = station.name.trim() || `station ${of + 1}`;
  return (
    <Box as="section" aria-label={name} borderLeft="2px solid" borderColor="line" paddingLeft="12px" display="grid" gap="12px">
      <Row alignItems="flex-end" flexWrap="wrap">
        <Box width="240px">
          <TextField
            label="Station"
            of={String(of + 1)}
            placeholder="the hill"
            maxLength={60}
            value={station.name}
            onChange={(e) => change({ name: e.target.value })}
          />
        </Box>
        <Button look="quiet" onClick={onOut}>
          Take {name} out
        </Button>
      </Row>
      <SeriesFields of={station} names={`, ${name}`} change={change} />
    </Box>
  );
}
