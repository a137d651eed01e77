"use client";

import { Box } from "@chakra-ui/react";
import { useRef } from "react";
import { useKept } from "../data/kept-here";
import { useFrames } from "../calibrate/watch";
import { useAwake } from "../pour/voice";
import { Check } from "../parts/choose";
import { Button, Note } from "../parts/controls";
import { Row } from "../parts/layout";
import type { Sounder, Told } from "./sounder";

export const LOUD: Told = { sound: true, buzz: true };

/** What of a beat is told on this device. */
export function useTold(): readonly [Told, (next: Partial<Told>) => void] {
  const [told = LOUD, keep] = useKept<Told>("beat-told");
  return [told, (next) => keep({ ...told, ...next })];
}

interface PlayerProps {
  readonly sounder: Sounder;
  /** Seconds from beat to beat; how many of them are a step. */
  readonly every: number;
  readonly loud: number;
  /** When the marks of the course are due, s. */
  readonly marks: readonly number[];
}

/** The beat to walk to: two feet that take turns, a sound and a buzz. */
export function BeatPlayer({ sounder, every, loud, marks }: PlayerProps) {
  const [told, setTold] = useTold();
  const feet = useRef<HTMLDivElement>(null);
  const canBuzz = typeof navigator !== "undefined" && "vibrate" in navigator;
  useFrames(sounder.running, () => {
    const since = sounder.since();
    if (!feet.current || since === null) return;
    const step = Math.floor(since / (every * loud));
    const fresh = since >= 0 && since - step * every * loud < 0.18;
    [...feet.current.children].forEach((foot, i) => {
      (foot as HTMLElement).style.opacity = fresh && i === ((step % 2) + 2) % 2 ? "1" : "0.15";
    });
  });
  return (
    <Box as="section" aria-label="The beat">
      <Box
        key={String(sounder.running)}
        ref={feet}
        display="grid"
        gridTemplateColumns="1fr 1fr"
        gap="10px"
        height="110px"
        aria-hidden
      >
        <Box background="ink" opacity="0.15" />
        <Box background="ink" opacity="0.15" />
      </Box>
      <Row flexWrap="wrap" marginTop="10px" gap="6px 20px">
        <Button
          look={sounder.running ? "stop" : "act"}
          onClick={() => (sounder.running ? sounder.stop() : sounder.start({ every, loud, marks }))}
        >
          {sounder.running ? "Stop the beat" : "Start the beat"}
        </Button>
        <Check checked={told.sound} onChange={(e) => setTold({ sound: e.target.checked })}>
          heard
        </Check>
        {canBuzz && (
          <Check checked={told.buzz} onChange={(e) => setTold({ buzz: e.target.checked })}>
            felt
          </Check>
        )}
        {sounder.running && <Awake />}
      </Row>
      <Note marginTop="4px">
        A higher tone falls when each mark is due, the highest at the end: walk so that you are there. In a pocket the sound goes
        on; a phone buzzes only while its screen is on.
      </Note>
    </Box>
  );
}

/** A beat that is seen needs a screen that is on. */
function Awake() {
  const awake = useAwake();
  return awake === false || awake === null ? <Note>The screen may go dark: this device can&apos;t be kept awake.</Note> : null;
}
