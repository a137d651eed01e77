"use client";

import { Box } from "@chakra-ui/react";
import { useRef } from "react";
import { showEntered } from "@/core/quantity/format";
import { exampleFor } from "@/core/quantity/ranges";
import { readTyped } from "@/formats/typed";
import { useSystem } from "../data/units";
import type { Session } from "@/formats/session";
import { Note } from "../parts/controls";
import { Notice } from "../parts/notices";
import { Tape } from "./tape";
import { TypeOne } from "./walk-step";
import { useFrames, useWatch, watchText } from "./watch";
import { WatchFace } from "./watch-face";

interface StepProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
}

/** Time how long the output takes to fill a marked vessel: a catch whose volume is known and whose time is measured. */
export function FillStep({ session, change }: StepProps) {
  const system = useSystem();
  const watch = useWatch(`watch:${session.id}:fill`);
  const digits = useRef<HTMLSpanElement>(null);
  useFrames(watch.running, () => {
    if (digits.current) digits.current.textContent = watchText(watch.seconds());
  });
  const volume = readTyped("catchVolume", session.fill);
  if (!volume.ok)
    return (
      <Notice state="act">
        Write on the first step at which mark the vessel is full: say, {exampleFor("catchVolume", "1 gal", system)}.
      </Notice>
    );
  const add = (time: string) => change({ catches: [...session.catches, { volume: volume.value.text, time }] });
  const press = (timeStamp: number) => {
    const seconds = watch.press(timeStamp);
    if (seconds !== undefined) add(`${seconds.toFixed(2)} s`);
  };
  const counted = session.catches.filter((c) => !c.struck).length;
  return (
    <Box>
      <WatchFace
        running={watch.running}
        onPress={press}
        label={watch.running ? "Stop at the mark" : "Start filling"}
        digits={<span ref={digits}>{watch.running ? watchText(watch.seconds()) : "0.0"}</span>}
        says={
          watch.running
            ? `Press when it reaches ${showEntered(volume.value)}`
            : counted === 0
              ? "Press as the first drop falls into the vessel"
              : `${counted} filled. Press for another`
        }
      />
      <TypeOne label="or type a time" hint="62.3, or 1:02" field="walkTime" onAdd={add} keptAs={`${session.id}:fill`} />
      <Tape name="Catch" trials={session.catches} onChange={(catches) => change({ catches })} />
      <Note marginTop="10px">Same pressure as in the walk, agitation as in work. Mark the vessel on level ground.</Note>
    </Box>
  );
}
