"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import { nanoid } from "nanoid";
import { NO_UNIT } from "@/core/quantity/typed";
import { lessonTitle } from "@/core/practice/lesson-ids";
import type { PersonEntry, PracticeEntry } from "@/formats/entries";
import { freeWalks } from "@/formats/practice";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useKept } from "../data/kept-here";
import { sentences, usePeople, useSend, useSlice } from "../data/records";
import { Button, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { Row } from "../parts/layout";
import { AskWhy } from "../parts/ask-why";
import { groundWords } from "./drills";
import { PaceTable } from "./pace-table";

/** A label's rates, as typed: plain numbers in one unit. */
interface Rates {
  readonly least: string;
  readonly most: string;
}

/** What practice comes to over the weeks: by kind of ground, and what may be sprayed with it; of one person, and of everyone. */
export function PracticeRecord({ person }: { person: PersonEntry }) {
  const entries = useSlice("practice", { person: person.id }).value;
  const others = usePeople().filter(({ id, retired }) => id !== person.id && !retired);
  const [rates = { least: "", most: "" }, keepRates] = useKept<Rates>("practice-rates");
  const [everyone, setEveryone] = useState(false);
  if (!entries || entries.length === 0) return null;
  const walked = entries.some(({ what }) => what.kind === "pace");
  const most = Number(rates.most);
  const label = most > 0 ? { least: Number(rates.least) || 0, most } : undefined;
  return (
    <Box as="section" aria-label="Training record">
      <SubHeading>{person.name}&apos;s record</SubHeading>
      {walked && (
        <>
          <Row flexWrap="wrap" gap="12px" marginY="8px" alignItems="flex-start">
            <Box width="150px">
              <TextField
                label="Label's rates from"
                quantity={NO_UNIT}
                hint="any unit; may stay empty"
                inputMode="decimal"
                value={rates.least}
                onChange={(e) => keepRates({ ...rates, least: e.target.value })}
              />
            </Box>
            <Box width="150px">
              <TextField
                label="to"
                quantity={NO_UNIT}
                hint="in the same unit"
                inputMode="decimal"
                value={rates.most}
                onChange={(e) => keepRates({ ...rates, most: e.target.value })}
              />
            </Box>
          </Row>
          <PaceTable people={everyone ? [person, ...others.slice(0, MOST_OTHERS)] : [person]} label={label} />
          {!everyone && others.length > 0 && (
            <Button look="inline" onClick={() => setEveryone(true)}>
              Show everyone beside it
            </Button>
          )}
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

/** More people than are looked at side by side. */
const MOST_OTHERS = 20;

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
      return `lesson "${lessonTitle(what.lesson, what.units ?? "us")}": ${what.answer}, ${what.right ? "right" : "not right"}`;
  }
}
