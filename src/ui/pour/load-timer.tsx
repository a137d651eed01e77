"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { showChange } from "@/core/quantity/format";
import { allowSound, beep } from "../calibrate/beep";
import { useKept } from "../data/kept-here";
import { Button } from "../parts/controls";
import { Row } from "../parts/layout";

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

/** The time that was sprayed: what was, up to the last pause, and since when it runs again; ms. */
interface Kept {
  readonly spent: number;
  /** Null while it pauses. */
  readonly since: number | null;
  /** The tank was empty: the time counts. */
  readonly empty?: boolean;
}

const clock = (seconds: number) => {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
};

/** Within this of what it should last, a load was as planned (as a quick check: common practice). */
const AS_PLANNED = 0.05;

/**
 * The time of a load that is in the tank, while it is really sprayed: turns and shut-offs are paused. Half of it is beeped
 * and said; that it should be empty is said too, and nothing is judged before somebody says that it is. Kept through a reload;
 * the time is that of the presses.
 */
export function LoadTimer({ name, number, lasts, words, course, say }: TimerProps) {
  const [kept, setKept] = useKept<Kept>(`spraying:${name}`);
  const [now, setNow] = useState(() => Date.now());
  const running = kept !== undefined && kept.since !== null;
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [running]);
  const spent = kept === undefined ? 0 : (kept.spent + (kept.since === null ? 0 : Math.max(0, now - kept.since))) / 1000;
  const state =
    kept === undefined
      ? "waiting"
      : kept.empty
        ? "empty"
        : !running
          ? "paused"
          : spent >= lasts
            ? "over"
            : spent >= lasts / 2
              ? "half"
              : "running";
  useEffect(() => {
    if (state === "half") {
      beep("soon");
      say("Half of the load: half of the ground should be done");
    }
    if (state === "over") {
      beep("end");
      say(`Load ${number} should be empty about now. Spray on until it is`);
    }
    // Said when it comes to that, not whenever it is drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [state]);
  // The event's own time, as of the press, not of the drawing.
  const at = (event: { timeStamp: number }) => Math.round(performance.timeOrigin + event.timeStamp);
  const upTo = (moment: number) => (kept?.spent ?? 0) + (kept?.since == null ? 0 : Math.max(0, moment - kept.since));
  return (
    <Box
      as="section"
      aria-label={`Load ${number} on the ground`}
      borderLeft="6px solid"
      borderColor="ink"
      padding="6px 12px"
      marginY="8px"
    >
      <Row gap="8px 14px" flexWrap="wrap">
        {state === "waiting" ? (
          <Box>
            Load {number} is in the tank and should last <strong>{words}</strong>.
          </Box>
        ) : (
          <Box>
            <Box role="timer" fontFamily="reading" fontWeight="700" fontSize="2.25rem" lineHeight="1.1">
              {clock(spent)}
            </Box>
            <Box textStyle="small" color="soft">
              of {words}
            </Box>
          </Box>
        )}
        {state === "waiting" && (
          <Button
            minHeight="56px"
            onClick={(event) => {
              allowSound();
              setKept({ spent: 0, since: at(event) });
            }}
          >
            Start spraying
          </Button>
        )}
        {running && (
          <Button minHeight="56px" onClick={(event) => setKept({ spent: upTo(at(event)), since: null })}>
            Shut off: pause
          </Button>
        )}
        {state === "paused" && (
          <Button minHeight="56px" onClick={(event) => setKept({ spent: kept!.spent, since: at(event) })}>
            Spraying again
          </Button>
        )}
        {(running || state === "paused") && (
          <Button minHeight="56px" onClick={(event) => setKept({ spent: upTo(at(event)), since: null, empty: true })}>
            Tank is empty
          </Button>
        )}
        {state !== "waiting" && (
          <Button look="quiet" onClick={() => setKept(undefined)}>
            {state === "empty" ? "Put away" : "Begin again"}
          </Button>
        )}
      </Row>
      <Box textStyle="note" color="soft">
        {state === "empty"
          ? verdict(spent / lasts)
          : state === "over"
            ? "Should be empty about now. Spray on as before until it is: what is left is not for ground that has had its dose."
            : ["trim pass round the edge, then back and forth; shut off at each turn", ...course].join("; ")}
      </Box>
    </Box>
  );
}

/** What the time of a whole load says of the flow, once it is over. The ground is another matter: it was covered or not. */
function verdict(ratio: number): string {
  if (Math.abs(ratio - 1) <= AS_PLANNED) return "As planned, within 5 %.";
  const off = showChange(ratio - 1);
  return ratio < 1
    ? `Empty early, ${off}: more flows than was calibrated. If ground is left, it is for the next load at its own rate. Catch the flow first.`
    : `Empty late, ${off}: less flows than was calibrated. What is covered is covered; no second pass. Catch the flow before the next load.`;
}
