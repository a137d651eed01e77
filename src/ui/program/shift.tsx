"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { soilBehind } from "@/core/season/openings";
import { soilMeans } from "@/core/season/soil";
import type { YearEntry } from "@/formats/entries";
import { seasonOf } from "@/formats/season/program";
import { useSlice } from "../data/records";
import { Check } from "../parts/choose";
import { Button, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Column, Row } from "../parts/layout";
import type { Moves } from "./moves";
import { daysWords, laterWords } from "./why";

/** A season that is later or earlier than usual: the rounds that hang on it move with one press. */
export function Shift({ year, moves }: { year: YearEntry; moves: Moves }) {
  const program = useSlice("program", {}).value;
  const bySoil = (program?.rounds ?? []).filter((round) => round.opens?.soilRisesTo !== undefined).map(({ name }) => name);
  const behind = program && soilBehind(soilMeans(seasonOf(program).soil), year.date);
  const [typed, setTyped] = useState("");
  // Which rounds hang on the season only the firm knows: none is taken for it.
  const [picked, setPicked] = useState<readonly string[]>([]);
  const names = year.rounds.map(({ name }) => name);
  const rounds = picked.filter((name) => names.includes(name));
  const days = /^[+-]?\d{1,2}$/.test(typed.trim()) ? Number(typed) : undefined;
  return (
    <Box as="section" aria-label="A late season">
      <SubHeading>A cold spring, or an early one</SubHeading>
      <Column gap="8px" marginTop="8px">
        <Note>
          Which rounds? What opens them moves by so many days from the usual, and the days that were fixed for them with it. What
          closes them, a label&apos;s limits and what is planned to be seeded stay where they are.
          {behind !== undefined &&
            behind !== 0 &&
            ` The soil is ${daysWords(behind)} ${behind > 0 ? "behind" : "ahead of"} last year.`}
        </Note>
        <Row flexWrap="wrap" gap="0 18px">
          {year.rounds.map(({ name, later }) => (
            <Check
              key={name}
              checked={rounds.includes(name)}
              onChange={(e) => setPicked(e.target.checked ? [...rounds, name] : rounds.filter((one) => one !== name))}
            >
              {name}
              {bySoil.includes(name) && ", by the soil"}
              {later !== 0 && `, ${laterWords(later)}`}
            </Check>
          ))}
        </Row>
        <Row flexWrap="wrap" alignItems="flex-end">
          <Box width="200px">
            <TextField
              label="Days later"
              placeholder="10"
              hint="-5: earlier; 0: as usual"
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
            />
          </Box>
          <Button disabled={days === undefined || rounds.length === 0} onClick={() => void moves.shift(rounds, days!)}>
            Move them
          </Button>
          {behind !== undefined && behind !== 0 && (
            <Button look="quiet" disabled={rounds.length === 0} onClick={() => void moves.shift(rounds, behind)}>
              Move them {daysWords(behind)} {behind > 0 ? "later" : "earlier"}, as the soil is
            </Button>
          )}
        </Row>
      </Column>
    </Box>
  );
}
