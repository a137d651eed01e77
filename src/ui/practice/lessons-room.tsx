"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import { LESSONS, lessonTitle, type LessonId } from "@/core/practice/lesson-ids";
import { lessonOf, type Lesson } from "@/core/practice/lessons";
import { show } from "@/core/quantity/format";
import { parseAs } from "@/core/quantity/parse";
import { explainAll, lineText } from "@/core/working/explain";
import type { System } from "@/core/working/units";
import type { PersonEntry, PracticeEntry } from "@/formats/entries";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useInHand } from "../data/in-hand";
import { keep, useKept } from "../data/kept-here";
import { sentences, useSlice } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { unitsInHand, useSystem } from "../data/units";
import { Button, Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { FirstThing, Notice } from "../parts/notices";
import { Stamp } from "../parts/stamp";
import { Drill } from "./drills";

/** Short lessons on made-up rigs, with numbers that are drawn afresh. */
export function LessonsRoom() {
  const { person } = useInHand();
  return (
    <Drill
      at="/calibrate/practice/lessons"
      title="Lessons"
      about="Six short ones on made-up rigs. Work each out with the rooms of this app, on paper or in your head: the numbers are new every time."
    >
      <ClientOnly>
        {person ? (
          <Lessons key={person.id} person={person} />
        ) : (
          <FirstThing>Who learns? Pick the person in the strip above: what was done stands in their record.</FirstThing>
        )}
      </ClientOnly>
    </Drill>
  );
}

/** The room in which the same sum is done. */
const ROOM: { readonly [L in LessonId]: readonly [path: string, words: string] } = {
  pattern: ["/calibrate/pattern", "Open it in Swath"],
  pressure: ["/calibrate/plan", "Plan works tips and pressures out"],
  ounces: ["/mix", "Mix weighs and measures"],
  "slow-tenth": ["/log", "The log counts a year"],
  "other-legs": ["/calibrate/crew", "Crew compares legs"],
  acres: ["/mix", "Mix reads a label's rate"],
};

/** How a lesson went: newest first. */
const doneOf = (entries: readonly PracticeEntry[], id: LessonId) =>
  entries.flatMap(({ what, at }) => (what.kind === "lesson" && what.lesson === id ? [{ at, right: what.right === true }] : []));

/** Other numbers. */
const newSeed = (): number => 1 + Math.floor(Math.random() * 900_000);

function Lessons({ person }: { person: PersonEntry }) {
  const entries = useSlice("practice", { person: person.id }).value ?? [];
  const system = useSystem();
  // Units that are switched in the middle of a lesson don't change its question.
  const [at, setAt] = useKept<{ id: LessonId; seed: number; units?: System }>(`lesson:${person.id}`);
  const take = (id: LessonId) => setAt({ id, seed: newSeed(), units: system });
  const titleOf = (id: LessonId) => lessonTitle(id, at?.id === id ? (at.units ?? "us") : system);
  return (
    <Column gap="10px" marginTop="14px">
      {LESSONS.map((id) => {
        const done = doneOf(entries, id);
        const right = done.find((one) => one.right);
        return (
          <Box key={id} borderTop="1px solid" borderColor="line" paddingTop="8px">
            <Row justifyContent="space-between" flexWrap="wrap" gap="4px 14px">
              <Box fontWeight="700">{titleOf(id)}</Box>
              <Row>
                {right ? (
                  <Stamp state="good">{`right on ${format(wallClock(right.at), "d MMM")}`}</Stamp>
                ) : (
                  done.length > 0 && <Stamp state="act">not yet</Stamp>
                )}
                {at?.id !== id && (
                  <Button aria-label={`Take the lesson: ${titleOf(id)}`} onClick={() => take(id)}>
                    {done.length > 0 ? "Again" : "Take it"}
                  </Button>
                )}
              </Row>
            </Row>
            {at?.id === id && (
              <Open
                key={at.seed}
                person={person}
                lesson={lessonOf(id, at.seed, at.units ?? "us")}
                seed={at.seed}
                units={at.units ?? "us"}
                onAgain={() => take(id)}
                onClose={() => setAt(undefined)}
              />
            )}
          </Box>
        );
      })}
    </Column>
  );
}

interface OpenProps {
  readonly person: PersonEntry;
  readonly lesson: Lesson;
  readonly seed: number;
  readonly units: System;
  readonly onAgain: () => void;
  readonly onClose: () => void;
}

/** One lesson: its story, an answer that is typed, and how core works it out once it is answered. */
function Open({ person, lesson, seed, units, onAgain, onClose }: OpenProps) {
  const key = `answer:${lesson.id}:${seed}`;
  const [typed = "", setTyped] = useKept<string>(key);
  const [outcome, setOutcome] = useState<{ readonly right: boolean; readonly answered: string }>();
  const [error, setError] = useState<string>();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const save = useSaveOnce();
  const answer = async () => {
    const text = /^[\d.,]+$/.test(typed.trim()) ? `${typed.trim()} ${lesson.unit}` : typed.trim();
    const read = parseAs(text, [lesson.kind]);
    if (!read.ok) return setError(wordsFor(read.issues[0]!, unitsInHand()));
    setError(undefined);
    const what = { kind: "lesson", lesson: lesson.id, seed, units, answer: read.value.text };
    const result = await save<{ right: boolean }>("/api/practice", `lesson:${person.id}`, { personId: person.id, what });
    if (!result.ok) return setTrouble(sentences(result.issues));
    setTrouble([]);
    setOutcome({ right: result.value.right, answered: typed });
    keep(key, undefined);
  };
  const [path, words] = ROOM[lesson.id];
  const pattern = lesson.deposit;
  return (
    <Column gap="10px" padding="12px 0 18px" maxW="72ch">
      <Note>{lesson.about}</Note>
      <Box fontSize="1.0625rem">{lesson.story}</Box>
      <Box fontWeight="700">{lesson.question}</Box>
      <Row flexWrap="wrap" alignItems="flex-start" gap="12px">
        <Box width="220px">
          <TextField
            label="Your answer"
            quantity={{ us: lesson.unit, metric: lesson.unit }}
            value={outcome?.answered ?? typed}
            error={error}
            disabled={outcome !== undefined}
            onChange={(e) => setTyped(e.target.value || undefined)}
            onKeyDown={(e) => e.key === "Enter" && typed.trim() && void answer()}
          />
        </Box>
        {outcome === undefined && (
          <Button look="act" marginTop="25px" disabled={typed.trim() === ""} onClick={() => void answer()}>
            That is it
          </Button>
        )}
        <PageLink
          href={path}
          style={{ marginTop: 36 }}
          onClick={() => pattern && keep("pattern", { spacing: lesson.spacing, caught: pattern.join(" "), most: "", at: 0 })}
        >
          {words}
        </PageLink>
      </Row>
      {trouble.map((one) => (
        <Notice key={one} state="stop">
          {one}
        </Notice>
      ))}
      {outcome !== undefined && <Told lesson={lesson} right={outcome.right} onAgain={onAgain} onClose={onClose} />}
    </Column>
  );
}

function Told({ lesson, right, onAgain, onClose }: Pick<OpenProps, "lesson" | "onAgain" | "onClose"> & { right: boolean }) {
  const { system } = useInHand();
  const lines = lesson.working ? explainAll([lesson.working], system) : [];
  return (
    <Box role="status">
      <Stamp state={right ? "good" : "stop"}>{right ? "Right" : "Not right"}</Stamp>
      <Box marginTop="6px">
        It is <strong>{show(lesson.answer, lesson.kind, lesson.unit as never, { figures: 4 })}</strong>. {lesson.why}
      </Box>
      {lines.map((line) => (
        <Box key={lineText(line)} fontFamily="reading" textStyle="note">
          {lineText(line)}
        </Box>
      ))}
      <Row marginTop="8px">
        <Button onClick={onAgain}>Other numbers</Button>
        <Button look="quiet" onClick={onClose}>
          Done
        </Button>
      </Row>
    </Box>
  );
}
