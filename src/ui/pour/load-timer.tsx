"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { allowSound, beep } from "../calibrate/beep";
import { useKept } from "../data/kept-here";
import { Button } from "../parts/controls";

interface TimerProps {
  /** What it is kept under: the sheet and the load. */
  readonly name: string;
  readonly number: number;
  /** How long the load should last, s, and in words. */
  readonly lasts: number;
  readonly words: string;
  /** How it is walked, in words. */
  readonly course: readonly string[];
  /** Says something aloud, where the voice is on. */
  readonly say: (text: string) => void;
}

const clock = (seconds: number) => {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
};

/**
 * The time of a load that is in the tank: half of it, and the end, are beeped and said. Kept through a reload; the time is
 * that of the presses.
 */
export function LoadTimer({ name, number, lasts, words, course, say }: TimerProps) {
  const [started, setStarted] = useKept<number>(`load:${name}`);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (started === undefined) return;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [started]);
  const left = started === undefined ? lasts : lasts - (now - started) / 1000;
  const state = started === undefined ? "waiting" : left <= 0 ? "over" : left <= lasts / 2 ? "half" : "running";
  useEffect(() => {
    if (state === "half") {
      beep("soon");
      say("Half of the load: half of the ground should be done");
    }
    if (state === "over") {
      beep("end");
      say(`Load ${number} should be empty now`);
    }
    // Said when it comes to that, not whenever it is drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [state]);
  return (
    <Box
      as="section"
      aria-label={`Load ${number} on the ground`}
      borderLeft="6px solid"
      borderColor="ink"
      padding="6px 12px"
      marginY="8px"
    >
      <Box display="flex" gap="14px" alignItems="center" flexWrap="wrap">
        {state === "waiting" ? (
          <Box>
            Load {number} is in the tank and should last <strong>{words}</strong>.
          </Box>
        ) : (
          <Box role="timer" fontFamily="reading" fontWeight="700" fontSize="34px" lineHeight="1.1">
            {clock(left)}
          </Box>
        )}
        {state === "waiting" && (
          <Button
            minHeight="56px"
            onClick={(event) => {
              allowSound();
              // The event's own time, as of the press, not of the drawing.
              setStarted(Math.round(performance.timeOrigin + event.timeStamp));
            }}
          >
            Start spraying
          </Button>
        )}
        {state !== "waiting" && (
          <Button look="quiet" onClick={() => setStarted(undefined)}>
            {state === "over" ? "Put away" : "Stop"}
          </Button>
        )}
      </Box>
      <Box fontSize="15px" color="soft">
        {state === "over"
          ? "Should be empty now. Empty before: too heavy, check the speed first. Some left: too light."
          : ["trim pass round the edge, then back and forth; shut off at each turn", ...course].join("; ")}
      </Box>
    </Box>
  );
}
