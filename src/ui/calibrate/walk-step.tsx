"use client";

import { Box } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { wordsFor } from "@/core/issue";
import { showEntered } from "@/core/quantity/format";
import type { Session } from "@/formats/session";
import { readTyped } from "@/formats/typed";
import { useKept } from "../data/kept-here";
import { unitsInHand } from "../data/units";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import { Tape } from "./tape";
import { Typed } from "./typed";
import { useFrames, useWatch, watchText } from "./watch";
import { WatchFace } from "./watch-face";
import { Row } from "../parts/layout";

interface StepProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
  /** A boom is driven. */
  readonly driven?: boolean;
}

/** Walk (or drive) the course with clean water, and time it. */
export function WalkStep({ session, change, driven = false }: StepProps) {
  const watch = useWatch(`watch:${session.id}:walk`);
  /** The plot was asked for here: the field stays while it is typed into. */
  const [asked, setAsked] = useState(false);
  const digits = useRef<HTMLSpanElement>(null);
  useFrames(watch.running, () => {
    if (digits.current) digits.current.textContent = watchText(watch.seconds());
  });
  const add = (time: string) => change({ walks: [...session.walks, { time }] });
  const press = (timeStamp: number) => {
    const seconds = watch.press(timeStamp);
    if (seconds !== undefined) add(`${seconds.toFixed(2)} s`);
  };
  const counted = session.walks.filter((w) => !w.struck).length;
  const last = session.walks.at(-1)?.time.split(" ")[0];
  const run = session.pace === "timed-run";
  const unpegged = !(run ? readTyped("course", session.distance) : readTyped("testArea", session.area)).ok;
  return (
    <Box>
      {(unpegged || asked) && (
        <Box maxW="300px" marginBottom="14px" onFocus={() => setAsked(true)}>
          {run ? (
            <Typed
              label="Course, one way"
              field="course"
              value={session.distance}
              onChange={(distance) => change({ distance })}
              placeholder="200 ft"
            />
          ) : (
            <Typed
              label="Plot that is pegged"
              field="testArea"
              value={session.area}
              onChange={(area) => change({ area })}
              placeholder="10 x 25"
            />
          )}
        </Box>
      )}
      <WatchFace
        running={watch.running}
        onPress={press}
        label={watch.running ? "Stop the watch" : "Start the watch"}
        digits={<span ref={digits}>{watch.running ? watchText(watch.seconds()) : (last ?? "0.0")}</span>}
        says={
          watch.running
            ? "Press at the end line"
            : counted === 0
              ? `${courseWords(session)}: press as you cross the start line`
              : counted < 3
                ? `${counted} of 3. ${driven ? "Drive" : "Walk"} it again`
                : `${counted} ${driven ? "runs" : "walks"}. Go on to the catch`
        }
      />
      {watch.running && (
        <Button look="stop" marginTop="8px" onClick={watch.abandon}>
          Throw this run away
        </Button>
      )}
      <TypeOne label="or type a time" hint="62.3, or 1:02" field="walkTime" onAdd={add} keptAs={`${session.id}:walk`} />
      <Tape name={driven ? "Run" : "Walk"} trials={session.walks} onChange={(walks) => change({ walks })} />
    </Box>
  );
}

/** What is being walked, so that a test area left as it was is noticed before it is timed. */
function courseWords(session: Session): string {
  const run = session.pace === "timed-run";
  const course = run ? readTyped("course", session.distance) : readTyped("testArea", session.area);
  return course.ok ? showEntered(course.value) : run ? "The course" : "The test area";
}

/** One reading typed in place of timed. Enter adds it; what can't be read stays in the field with the reason. */
export function TypeOne({
  label,
  hint,
  field,
  onAdd,
  keptAs,
  autoFocus = false,
}: {
  label: string;
  hint?: string;
  field: "walkTime" | "catchVolume";
  onAdd: (text: string) => void;
  /** What the half-typed text is kept under. */
  keptAs: string;
  autoFocus?: boolean;
}) {
  const [kept = "", setKept] = useKept<string>(`typed:${keptAs}`);
  const typed = kept;
  const setTyped = (text: string) => setKept(text === "" ? undefined : text);
  const [error, setError] = useState<string>();
  const add = () => {
    const read = readTyped(field, typed);
    if (!read.ok) return setError(wordsFor(read.issues[0]!, unitsInHand()));
    setTyped("");
    setError(undefined);
    onAdd(read.value.text);
  };
  return (
    <Row alignItems="flex-start" marginTop="14px" maxW="420px">
      <Box flex="1">
        <TextField
          label={label}
          quantity={field}
          {...(hint !== undefined && { hint })}
          error={error}
          value={typed}
          autoFocus={autoFocus}
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== "Enter") return;
            e.preventDefault();
            add();
          }}
        />
      </Box>
      <Button marginTop="25px" onClick={add}>
        Add
      </Button>
    </Row>
  );
}
