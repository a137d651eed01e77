"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { useState } from "react";
import { marksAt } from "@/core/practice/beat";
import { IN_A_ROW, type Held } from "@/core/practice/held";
import { showEntered, writeNumber } from "@/core/quantity/format";
import { valueIn } from "@/core/quantity/quantity";
import { explainAll } from "@/core/working/explain";
import { read } from "@/core/working/units";
import type { PersonEntry } from "@/formats/entries";
import { useHere } from "../data/here";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { sentences } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { Tape } from "../calibrate/tape";
import { Button, Note, SubHeading } from "../parts/controls";
import { Fact, Facts } from "../parts/fact";
import { Column, Row } from "../parts/layout";
import { FirstThing, Notice } from "../parts/notices";
import { Stamp } from "../parts/stamp";
import { useVoice } from "../pour/voice";
import { BeatPlayer, useTold } from "./beat-player";
import { Drill } from "./drills";
import { VoiceToggle } from "./voice-toggle";
import { newDrill, readDraft, type PaceDraft, type PaceRead } from "./pace-draft";
import { PaceFields } from "./pace-fields";
import { PracticeRecord } from "./practice-record";
import { useSounder } from "./sounder";
import { WalkPad } from "./walk-pad";

/** The pace trainer: a beat to walk to, walks without it, and whether it sits. */
export function PaceRoom() {
  const { person, system } = useInHand();
  const here = useHere();
  const key = `pace:${person?.id ?? "nobody"}`;
  const [kept, keep] = useKept<PaceDraft>(key);
  const draft: PaceDraft = { ...newDrill(system), stride: person?.stride ?? "", ...kept };
  return (
    <Drill
      at="/calibrate/practice"
      title="Pace trainer"
      about="Walk a course to the beat with clean water, then without it. It sits when three walks in a row repeat."
      working={here ? explainAll(readDraft(draft).sources, system) : []}
    >
      <ClientOnly>
        {person ? (
          <Trainer key={key} keptAs={key} person={person} draft={draft} change={(next) => keep({ ...draft, ...next })} />
        ) : (
          <FirstThing>Who practises? Pick the person in the strip above: a pace is a person&apos;s own.</FirstThing>
        )}
      </ClientOnly>
    </Drill>
  );
}

interface TrainerProps {
  readonly keptAs: string;
  readonly person: PersonEntry;
  readonly draft: PaceDraft;
  readonly change: (next: Partial<PaceDraft>) => void;
}

function Trainer({ keptAs, person, draft, change }: TrainerProps) {
  const made = readDraft(draft);
  const [told] = useTold();
  const sounder = useSounder(told);
  const voice = useVoice();
  const seconds = made.time && valueIn(made.time.value, "s");
  const marks = seconds ? marksAt(seconds, draft.parts) : [];
  return (
    <Column gap="22px" marginTop="14px">
      <PaceFields draft={draft} change={change} made={made} />
      <WhatItComesTo made={made} />
      {made.beat && seconds ? (
        <BeatPlayer sounder={sounder} every={valueIn(made.beat.value, "s")} loud={Number(draft.beats)} marks={marks} />
      ) : (
        <Note>
          {seconds ? "A beat needs a stride: type one, or count strides over the course." : "Say which pace is wanted."}
        </Note>
      )}
      {seconds && (
        <Box as="section" aria-label="Walks">
          <Row justifyContent="space-between" flexWrap="wrap">
            <SubHeading>{sounder.running ? "Walk to the beat" : "Walk without the beat"}</SubHeading>
            <VoiceToggle voice={voice} says="early and late" />
          </Row>
          <WalkPad
            keptAs={`walk:${keptAs}`}
            seconds={seconds}
            parts={draft.parts}
            say={(words) => voice.on && voice.say(words)}
            onWalk={(took) => change({ walks: [...draft.walks, { time: `${took.toFixed(2)} s`, beat: sounder.running }] })}
          />
          <Tape
            name="Walk"
            trials={draft.walks.map(({ beat, time, ...walk }) => ({ ...walk, time: beat ? `${time}, to the beat` : time }))}
            onChange={(trials) =>
              change({
                walks: draft.walks.map(({ time, beat }, i) => {
                  const { struck } = trials[i]!;
                  return { time, beat, ...(struck !== undefined && { struck }) };
                }),
              })
            }
          />
          {made.held && <Verdict held={made.held} />}
          <Save person={person} draft={draft} made={made} keptAs={keptAs} onSaved={() => change({ walks: [] })} />
        </Box>
      )}
      <PracticeRecord person={person} />
    </Column>
  );
}

function WhatItComesTo({ made: { speed, time, beat } }: { made: PaceRead }) {
  const { system } = useInHand();
  if (!speed && !time) return null;
  return (
    <Facts>
      {speed && <Fact large name="Travel speed" value={read(speed.value, "speed", system)} />}
      {time && <Fact large name="The course takes" value={`${writeNumber(valueIn(time.value, "s"), { figures: 3 })} s`} />}
      {beat && <Fact large name="Beat" value={`${writeNumber(60 / valueIn(beat.value, "s"), { figures: 3 })} a minute`} />}
      {speed && valueIn(speed.value, "mph") > 4.5 && (
        <Notice state="act">
          {read(speed.value, "speed", system)} on foot is not a plan: narrow the swath or change the tip.
        </Notice>
      )}
    </Facts>
  );
}

/** Whether the pace sits, and what is missing. */
function Verdict({ held: { count, ratio, spread, drift, sits } }: { held: Held }) {
  const part = (value: number) => writeNumber(Math.abs(value) * 100, { figures: 2 });
  const slow = ratio - 1;
  return (
    <Box role="status" marginTop="12px">
      <Row gap="12px" flexWrap="wrap">
        <Stamp state={sits ? "good" : "act"}>{sits ? "It sits" : "Not yet"}</Stamp>
        <Box>
          {count} {count === 1 ? "walk" : "walks"} without the beat: {part(slow)} % too {slow > 0 ? "slow" : "quick"}
          {spread !== null && `, ${part(spread)} % apart`}
          {drift !== null &&
            Math.abs(drift) > 0.01 &&
            `, ${drift > 0 ? "slower" : "quicker"} by ${part(drift)} % from walk to walk`}
          .
        </Box>
      </Row>
      {!sits && (
        <Note marginTop="4px">
          It sits when {IN_A_ROW} in a row without the beat are within 5 % of one another and of the pace that is wanted.
        </Note>
      )}
    </Box>
  );
}

function Save({ person, draft, made, onSaved }: TrainerPropsOfSave) {
  const save = useSaveOnce();
  const [said, setSaid] = useState<readonly string[]>([]);
  if (draft.walks.length === 0 || !made.course || !made.time) return null;
  const what = {
    kind: "pace" as const,
    course: made.course.text,
    wanted: `${Number(valueIn(made.time.value, "s").toPrecision(6))} s`,
    walks: draft.walks,
  };
  const keep = async () => {
    const result = await save("/api/practice", `practice:${person.id}`, { personId: person.id, ground: draft.ground, what });
    if (!result.ok) return setSaid(sentences(result.issues));
    setSaid([]);
    onSaved();
  };
  return (
    <Box marginTop="12px">
      <Button look="act" whiteSpace="normal" onClick={() => void keep()}>
        Keep {draft.walks.length === 1 ? "this walk" : `these ${draft.walks.length} walks`} for {person.name}
      </Button>
      <Note>On {showEntered(made.course)}; walks to the beat are kept, too, but say nothing of how the pace sits.</Note>
      {said.map((words) => (
        <Notice key={words} state="stop">
          {words}
        </Notice>
      ))}
    </Box>
  );
}

interface TrainerPropsOfSave extends Omit<TrainerProps, "change"> {
  readonly made: PaceRead;
  readonly onSaved: () => void;
}
