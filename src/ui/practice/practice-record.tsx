"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import { nanoid } from "nanoid";
import { aimWithin, type PaceRecord } from "@/core/practice/held";
import { LESSON_TITLES } from "@/core/practice/lesson-ids";
import { writeNumber } from "@/core/quantity/format";
import type { Ground } from "@/core/calibration/evidence";
import type { PersonEntry, PracticeEntry } from "@/formats/entries";
import { freeWalks } from "@/formats/practice";
import { recordsOf } from "@/formats/practice-record";
import { dayNow, wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useKept } from "../data/kept-here";
import { sentences, useSend, useSlice } from "../data/records";
import { Button, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { Row } from "../parts/layout";
import { AskWhy } from "../parts/ask-why";
import { GROUND_WORDS } from "./drills";

const percent = (part: number, figures = 2): string => `${writeNumber(part * 100, { figures })} %`;
const groundWords = (ground: Ground) => GROUND_WORDS.find(([key]) => key === ground)![1];

/** A label's rates, as typed: plain numbers in one unit. */
interface Rates {
  readonly least: string;
  readonly most: string;
}

/** What somebody's practice comes to over the weeks: by kind of ground, and what may be sprayed with it. */
export function PracticeRecord({ person }: { person: PersonEntry }) {
  const entries = useSlice("practice", { person: person.id }).value;
  const [rates = { least: "", most: "" }, keepRates] = useKept<Rates>("practice-rates");
  if (!entries || entries.length === 0) return null;
  const records = recordsOf(entries, dayNow().zone);
  const most = Number(rates.most);
  const label = most > 0 ? { least: Number(rates.least) || 0, most } : undefined;
  return (
    <Box as="section" aria-label="Training record">
      <SubHeading>{person.name}&apos;s record</SubHeading>
      {records.length > 0 && (
        <>
          <Row flexWrap="wrap" gap="12px" marginY="8px" alignItems="flex-start">
            <Box width="150px">
              <TextField
                label="Label's rates from"
                hint="any unit; may stay empty"
                inputMode="decimal"
                value={rates.least}
                onChange={(e) => keepRates({ ...rates, least: e.target.value })}
              />
            </Box>
            <Box width="150px">
              <TextField
                label="to"
                hint="in the same unit"
                inputMode="decimal"
                value={rates.most}
                onChange={(e) => keepRates({ ...rates, most: e.target.value })}
              />
            </Box>
          </Row>
          <Records records={records} label={label} />
        </>
      )}
      <Fold title={`All of it: ${entries.length}`}>
        {entries.map((entry) => (
          <Piece key={entry.id} entry={entry} />
        ))}
      </Fold>
    </Box>
  );
}

const HEADS = ["Ground", "Walks", "Mean", "One walk scatters by", "It held", "One walk lies within", "Aim at"];
const cell = { borderBottom: "1px solid", borderColor: "line", padding: "8px 14px 8px 0", textAlign: "left" } as const;

function Records({
  records,
  label,
}: {
  records: readonly { readonly ground: Ground; readonly record: PaceRecord }[];
  label: { readonly least: number; readonly most: number } | undefined;
}) {
  return (
    <Box overflowX="auto" tabIndex={0} role="region" aria-label="By kind of ground">
      <chakra.table minWidth="700px" width="100%" borderCollapse="collapse" fontSize="16px">
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
          {records.map(({ ground, record }) => (
            <tr key={ground}>
              <chakra.th scope="row" {...cell}>
                {groundWords(ground)}
              </chakra.th>
              <chakra.td {...cell}>{record.walks}</chakra.td>
              <chakra.td {...cell}>
                {percent(Math.abs(record.mean - 1))} {record.mean > 1 ? "slow" : "quick"}
              </chakra.td>
              <chakra.td {...cell}>{record.scatter === null ? "one a day says nothing" : percent(record.scatter)}</chakra.td>
              <chakra.td {...cell}>{heldWords(record.held)}</chakra.td>
              <chakra.td {...cell}>
                {record.band ? `${percent(record.band.low, 3)} to ${percent(record.band.high, 3)} of the time` : "–"}
              </chakra.td>
              <chakra.td {...cell}>{aimWords(record, label)}</chakra.td>
            </tr>
          ))}
        </tbody>
      </chakra.table>
      <Note marginTop="6px">
        Who is slow puts more down, in the same part. Practice of the last 90 days goes into the ± of this person&apos;s
        calibrations on the same ground, marked so.
      </Note>
    </Box>
  );
}

const day = (date: string) => format(new Date(`${date}T12:00:00`), "d MMM");

function heldWords(held: PaceRecord["held"]): string {
  if (!held) return "never yet";
  if (held.lost) return `${day(held.from)} to ${day(held.to)}, lost on ${day(held.lost)}`;
  return held.from === held.to ? `on ${day(held.from)}` : `${day(held.from)} to ${day(held.to)}`;
}

/** Where to aim so that neither end of a label is passed; the label decides, whatever the pace. */
export function aimWords({ band }: PaceRecord, label: { readonly least: number; readonly most: number } | undefined): string {
  if (!band) return "–";
  if (!label) return "type a label's rates";
  const aim = aimWithin(band, label);
  if (!aim) return "✕ this pace is wider than the label: practise first";
  const number = (value: number) => writeNumber(value, { figures: 3 });
  return label.least > 0 ? `${number(aim.least)} to ${number(aim.most)}` : `${number(aim.most)} at most`;
}

function Piece({ entry }: { entry: PracticeEntry }) {
  const send = useSend();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [asked, setAsked] = useState(false);
  const strike = async (why: string) => {
    const result = await send("/api/practice/strike", { id: nanoid(), strikes: entry.id, why });
    setTrouble(result.ok ? [] : sentences(result.issues));
  };
  return (
    <Box borderBottom="1px solid" borderColor="line" paddingY="6px">
      <Row flexWrap="wrap" gap="4px 14px" justifyContent="space-between">
        <Box>
          <chakra.strong>{format(wallClock(entry.at), "d MMM, HH:mm")}</chakra.strong> {pieceWords(entry)}
        </Box>
        {!asked && (
          <Button look="inline" onClick={() => setAsked(true)}>
            Strike it
          </Button>
        )}
      </Row>
      {asked && <AskWhy label="What was wrong with it?" press="Strike it" onSay={(why) => void strike(why)} />}
      {trouble.map((words) => (
        <Box key={words} color="stop">
          ✕ {words}
        </Box>
      ))}
    </Box>
  );
}

function pieceWords({ what, ground }: PracticeEntry): string {
  switch (what.kind) {
    case "pace": {
      const free = freeWalks(what.walks);
      const on = ground ? ` on ${groundWords(ground).toLowerCase()}` : "";
      return `${what.course} in ${what.wanted}${on}: ${free.length > 0 ? `${free.map((time) => time.toFixed(1)).join(", ")} s` : "to the beat only"}`;
    }
    case "countdown":
      return `countdown${what.gun ? `, ${what.gun}` : ""}: ${what.strips.map(({ area, took, wanted }) => `${area} in ${took} (${wanted})`).join(", ")}`;
    case "swing":
      return `${what.swings} swings in ${what.time}, ${what.width} wide at ${what.height}`;
    case "lesson":
      return `lesson "${LESSON_TITLES[what.lesson]}": ${what.answer}, ${what.right ? "right" : "not right"}`;
  }
}
