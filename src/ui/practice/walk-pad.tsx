"use client";

import { Box } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { againstMark, marksAt } from "@/core/practice/beat";
import { keep, useKept } from "../data/kept-here";
import { useFrames, watchText } from "../calibrate/watch";
import { WatchFace } from "../calibrate/watch-face";
import { Button } from "../parts/controls";

interface PadProps {
  /** What a walk under way is kept under. */
  readonly keptAs: string;
  /** Seconds for the course, in how many parts it is marked. */
  readonly seconds: number;
  readonly parts: number;
  readonly say: (words: string) => void;
  readonly onWalk: (seconds: number) => void;
}

/** A walk that began, as the wall's clock has it, with the marks that were passed; a reload in the middle goes on counting. */
export interface Under {
  readonly since: number;
  readonly passed: readonly number[];
  /** The page that it began on, and when by the page's own clock, which nobody sets. */
  readonly page: number;
  readonly stamp: number;
}

/** Two clocks of a device that are so far apart over a walk: one of them was set, or it slept, s (ours). */
const APART = 0.2;

/** How far the wall's clock went otherwise than the page's since a walk began, s; nothing is known of it after a reload. */
export const clockSlip = (under: Under, at: number, timeStamp: number, page: number): number =>
  under.page === page ? (at - under.since - (timeStamp - under.stamp)) / 1000 : 0;

/** When an event happened, by the clock on the wall. */
const wallTime = (timeStamp: number): number => Date.now() - (performance.now() - timeStamp);

const apart = (off: number) => `${Math.abs(off).toFixed(1)} s`;

/** The walk, pressed at its start, at each mark and at its end; told at each how early or late it was. */
export function WalkPad({ keptAs, seconds, parts, say, onWalk }: PadProps) {
  const [under] = useKept<Under>(keptAs);
  const [said, setSaid] = useState<string>();
  const digits = useRef<HTMLSpanElement>(null);
  const marks = marksAt(seconds, parts);
  useFrames(under !== undefined, () => {
    if (digits.current && under) digits.current.textContent = watchText((Date.now() - under.since) / 1000);
  });
  const press = (timeStamp: number) => {
    const at = wallTime(timeStamp);
    if (!under) {
      setSaid(undefined);
      keep(keptAs, { since: at, passed: [], page: performance.timeOrigin, stamp: timeStamp } satisfies Under);
      return;
    }
    const took = (at - under.since) / 1000;
    const slip = clockSlip(under, at, timeStamp, performance.timeOrigin);
    if (Math.abs(slip) > APART) {
      setSaid(`Not counted: this device's clock was set, or it slept, by ${Math.abs(slip).toFixed(1)} s meanwhile. Walk again`);
      return keep(keptAs, undefined);
    }
    const passed = [...under.passed, took];
    const { off, say: how } = againstMark(took, marks[passed.length - 1]!);
    const words = how === "on the beat" ? how : `${apart(off)} ${how}`;
    say(words);
    if (passed.length < parts) {
      setSaid(`Mark ${passed.length}: ${words}`);
      keep(keptAs, { ...under, passed } satisfies Under);
      return;
    }
    setSaid(`${took.toFixed(2)} s: ${words}`);
    keep(keptAs, undefined);
    onWalk(took);
  };
  const next = (under?.passed.length ?? 0) + 1;
  return (
    <Box>
      <WatchFace
        running={under !== undefined}
        onPress={press}
        label={under ? (next < parts ? `Pass mark ${next}` : "End the walk") : "Start the walk"}
        digits={<span ref={digits}>{under ? "…" : "0.0"}</span>}
        says={
          said ??
          (under
            ? next < parts
              ? `Press at mark ${next}: due at ${marks[next - 1]!.toFixed(1)} s`
              : `Press at the end: due at ${seconds.toFixed(1)} s`
            : `Press as you cross the start line: due at ${seconds.toFixed(1)} s`)
        }
      />
      {under && (
        <Button look="stop" marginTop="8px" onClick={() => keep(keptAs, undefined)}>
          Throw this walk away
        </Button>
      )}
    </Box>
  );
}
