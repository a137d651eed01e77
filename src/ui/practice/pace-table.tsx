"use client";

import { Box, chakra } from "@chakra-ui/react";
import { aimWithin, type PaceRecord } from "@/core/practice/held";
import { writeNumber } from "@/core/quantity/format";
import type { PersonEntry } from "@/formats/entries";
import { recordsOf } from "@/formats/practice-record";
import { dayNow, todayDate } from "../data/clock";
import { format } from "../data/dates";
import { useSlice } from "../data/records";
import { Note } from "../parts/controls";
import { groundWords } from "./drills";

type LabelRates = { readonly least: number; readonly most: number } | undefined;

const HEADS = ["Who", "Ground", "Walks", "Mean", "One walk scatters by", "It held", "One walk lies within", "Aim at"];
const cell = { borderBottom: "1px solid", borderColor: "line", padding: "8px 14px 8px 0", textAlign: "left" } as const;
const percent = (part: number, figures = 2): string => `${writeNumber(part * 100, { figures })} %`;

/** Paces that people practised, side by side: who may spray what, with how wide a margin. */
export function PaceTable({ people, label }: { people: readonly PersonEntry[]; label: LabelRates }) {
  return (
    <Box overflowX="auto" tabIndex={0} role="region" aria-label="By kind of ground">
      <chakra.table minWidth="760px" width="100%" borderCollapse="collapse" fontSize="1.0625rem">
        <thead>
          <tr>
            {HEADS.map((head) => (
              <chakra.th key={head} scope="col" textStyle="small" color="soft" {...cell}>
                {head}
              </chakra.th>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <PersonRows key={person.id} person={person} label={label} />
          ))}
        </tbody>
      </chakra.table>
      <Note marginTop="6px">
        Who is slow puts more down, in the same part. Numbers are of the last 90 days; they go into the ± of a person&apos;s
        calibrations on the same ground, marked so.
      </Note>
    </Box>
  );
}

function PersonRows({ person, label }: { person: PersonEntry; label: LabelRates }) {
  const entries = useSlice("practice", { person: person.id }).value ?? [];
  return recordsOf(entries, { today: todayDate(), zone: dayNow().zone }).map(({ ground, record, held }) => (
    <tr key={ground}>
      <chakra.th scope="row" {...cell}>
        {person.name}
      </chakra.th>
      <chakra.td {...cell}>{groundWords(ground)}</chakra.td>
      {record ? (
        <>
          <chakra.td {...cell}>{record.walks}</chakra.td>
          <chakra.td {...cell}>
            {percent(Math.abs(record.mean - 1))} {record.mean > 1 ? "slow" : "quick"}
          </chakra.td>
          <chakra.td {...cell}>{record.scatter === null ? "one a day says nothing" : percent(record.scatter)}</chakra.td>
        </>
      ) : (
        <chakra.td colSpan={3} {...cell}>
          not walked in 90 days
        </chakra.td>
      )}
      <chakra.td {...cell}>{heldWords(held)}</chakra.td>
      <chakra.td {...cell}>
        {record?.band ? `${percent(record.band.low, 3)} to ${percent(record.band.high, 3)} of the time` : "–"}
      </chakra.td>
      <chakra.td {...cell}>{aimWords(record?.band ?? null, label)}</chakra.td>
    </tr>
  ));
}

const day = (date: string) => format(new Date(`${date}T12:00:00`), "d MMM");

function heldWords(held: PaceRecord["held"]): string {
  if (!held) return "never yet";
  const when = held.from === held.to ? `on ${day(held.from)}` : `${day(held.from)} to ${day(held.to)}`;
  return held.lost ? `${when}, lost on ${day(held.lost)}` : when;
}

/** Where to aim so that neither end of a label is passed; the label decides, whatever the pace. */
export function aimWords(band: PaceRecord["band"], label: LabelRates): string {
  if (!band) return "–";
  if (!label) return "type a label's rates";
  const aim = aimWithin(band, label);
  if (!aim) return "✕ this pace is wider than the label: practise first";
  const number = (value: number) => writeNumber(value, { figures: 3 });
  return label.least > 0 ? `${number(aim.least)} to ${number(aim.most)}` : `${number(aim.most)} at most`;
}
