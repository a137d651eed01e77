"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { isUnsure } from "@/core/calibration/calibrate";
import type { Remedy } from "@/core/calibration/levers";
import { wordsFor } from "@/core/issue";
import type { System } from "@/core/working/units";
import { warningText } from "@/core/words/warnings";
import type { RigEntry } from "@/formats/entries";
import type { Lack, Session } from "@/formats/session";
import { sentences, useSend } from "../data/records";
import { nowMoment } from "../data/clock";
import { forgetId, saveId } from "../data/save-id";
import { unitsInHand } from "../data/units";
import { Button, Note } from "../parts/controls";
import { Notice } from "../parts/notices";
import { FlowAlone } from "./head-facts";
import { LEVER_WORDS, settingText } from "./levers-panel";
import { useProve } from "./prove";
import { Result } from "./result";
import type { StepName } from "./steps";
import type { WorkedOut } from "./worked-out";
import { Column, Row } from "../parts/layout";

const LACK_WORDS: Record<Lack, readonly [words: string, step: StepName]> = {
  walk: ["A timed walk is missing.", "walk"],
  catch: ["A catch is missing.", "catch"],
  area: ["The test area is missing.", "mark"],
  swath: ["The effective swath is missing.", "mark"],
  speed: ["The travel speed is missing.", "mark"],
  distance: ["The length of the course is missing.", "mark"],
  outlets: ["A catch of every outlet is missing.", "catch"],
  fill: ["The mark of the vessel is missing.", "mark"],
  rate: ["The label rate of what goes into the jar is missing.", "mark"],
  used: ["Start and rest of the trial are missing.", "catch"],
};

interface OutcomeProps {
  readonly worked: WorkedOut;
  readonly session: Session;
  readonly rig: RigEntry;
  readonly onSaved: () => void;
  readonly system: System;
  readonly onGo: (step: StepName) => void;
}

/** A reading with a worn or a blocked tip in it, or uneven outlets, is no calibration of the rig as it should be. */
const NOT_KEPT: readonly string[] = ["trials-disagree", "outlets-uneven", "tip-worn", "tip-blocked"];

interface KeepFirstProps {
  readonly pulled: Remedy;
  /** Why this reading is no calibration of the rig as it should be. */
  readonly worn: string | undefined;
  readonly system: System;
  readonly busy: boolean;
  readonly onBegin: () => void;
  readonly onKeep: () => void;
  readonly onLeave: () => void;
}

/** A lever is about to be pulled: is the reading before it kept? */
function KeepFirst({ pulled, worn, system, busy, onBegin, onKeep, onLeave }: KeepFirstProps) {
  return (
    <Notice state="act">
      {LEVER_WORDS[pulled.lever]} to {settingText(pulled, system)}: a new run sheet begins. Is this reading worth keeping?{" "}
      {worn && <strong>{worn}</strong>}
      <Row alignItems="stretch" gap="8px 12px" flexWrap="wrap" marginTop="8px">
        <Button onClick={onBegin}>Begin, without keeping it</Button>
        {!worn && (
          <Button look="quiet" disabled={busy} onClick={onKeep}>
            Keep it as a calibration, then begin
          </Button>
        )}
        <Button look="quiet" onClick={onLeave}>
          Leave the lever
        </Button>
      </Row>
    </Notice>
  );
}

/** What the run sheet comes to: the result to save, or what is lacking or wrong, with the way there. */
export function Outcome({ worked, session, rig, onSaved, system, onGo }: OutcomeProps) {
  const router = useRouter();
  const send = useSend();
  const prove = useProve();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  /** The lever that is to be proved, once it is said whether this reading is kept. */
  const [pulled, setPulled] = useState<Remedy>();
  const { reading, job, made } = worked;
  if (reading.state === "lacking")
    return (
      <Column gap="8px">
        {reading.lacks.map((lack) => (
          <Notice key={lack} state="act">
            {LACK_WORDS[lack][0]}{" "}
            <Button look="quiet" onClick={() => onGo(LACK_WORDS[lack][1])}>
              Go there
            </Button>
          </Notice>
        ))}
        {worked.head && worked.flow && <FlowAlone {...worked.head} flow={worked.flow} system={system} />}
      </Column>
    );
  if (reading.state === "wrong" || !job || !made)
    return (
      <Column gap="8px">
        {(reading.state === "wrong" ? reading.issues : []).map((issue) => (
          <Notice key={`${issue.path}${issue.code}`} state="stop">
            {placeWords(issue.path)}: {wordsFor(issue, unitsInHand())}
          </Notice>
        ))}
      </Column>
    );
  const { personId, siteId } = session;
  const worn = made.warnings.filter((w) => NOT_KEPT.includes(w.code));
  const proveOnly = (remedy: Remedy) => {
    setPulled(undefined);
    prove(remedy, { rig, personId, siteId, follows: "", session });
  };
  const save = async (remedy?: Remedy) => {
    setBusy(true);
    const key = `calibration:${session.id}`;
    const { id: _, ...content } = session;
    const kept = { ...session, id: saveId(key, content) };
    const result = await send<{ id: string }>("/api/calibrations", { session: kept, madeAt: nowMoment() });
    setBusy(false);
    if (!result.ok) return setTrouble(sentences(result.issues));
    forgetId(key);
    onSaved();
    if (!remedy) return router.push(`/calibrate/record?id=${result.value.id}`);
    // The lever is pulled after this reading: it is kept first, so that the story has its beginning.
    prove(remedy, { rig, personId, siteId, follows: result.value.id, session });
  };
  return (
    <Column gap="18px">
      <Result made={made} input={job.calibration} tank={job.tank} system={system} onProve={busy ? undefined : setPulled} />
      {pulled && (
        <KeepFirst
          pulled={pulled}
          worn={worn[0] && warningText(worn[0], system)}
          system={system}
          busy={busy}
          onBegin={() => proveOnly(pulled)}
          onKeep={() => void save(pulled)}
          onLeave={() => setPulled(undefined)}
        />
      )}
      {isUnsure(made) && (
        <Notice state="act">
          Not a calibration yet. It may be kept as a record of the day; what stands already goes on standing, and nothing is mixed
          from this one.
        </Notice>
      )}
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      <Box>
        <Button look="act" onClick={() => void save()} disabled={busy}>
          {isUnsure(made) ? "Keep it as a record" : "Save the calibration"}
        </Button>
      </Box>
      <Note>
        Write it on the sprayer too. It stands until the tip, the pressure, the outlets, the person or the ground change.
      </Note>
    </Column>
  );
}

/** A place on the run sheet, for a person: "walks[1].time" is walk 2. */
function placeWords(path: string): string {
  const named: Record<string, string> = {
    walks: "Walk",
    catches: "Catch",
    outlets: "Outlet",
    used: "Trial",
    area: "Test area",
    swath: "Swath",
    speed: "Speed",
    distance: "Course",
    target: "Wanted spray volume",
    outletTime: "Catch time",
    fill: "Vessel",
    gravity: "Specific gravity",
    rate: "Label rate",
    graduation: "Vessel",
    tip: "The rig's tip",
  };
  const last = path.replace(/^calibration\.(pace|flow)\.|^rig\./, "");
  const parts = /^(\w+)(?:\[(\d+)\])?/.exec(last);
  const name = named[parts?.[1] ?? ""] ?? "The readings";
  return parts?.[2] === undefined ? name : `${name} ${Number(parts[2]) + 1}`;
}
