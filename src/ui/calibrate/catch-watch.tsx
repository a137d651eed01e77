"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { wordsFor } from "@/core/issue";
import { showEntered } from "@/core/quantity/format";
import type { Entered } from "@/core/quantity/parse";
import { valueIn } from "@/core/quantity/quantity";
import { readTyped } from "@/formats/typed";
import { useKept } from "../data/kept-here";
import { unitsInHand } from "../data/units";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";
import { allowSound, beep } from "./beep";
import { TypeOne } from "./walk-step";
import { useFrames, useWatch, watchText } from "./watch";
import { WatchFace } from "./watch-face";
import { Row } from "../parts/layout";

interface Caught {
  readonly volume: string;
  readonly time: string;
}

interface CatchWatchProps {
  /** What the running watch is kept under: a reload in the middle goes on counting. */
  readonly id: string;
  /** How long to catch for. */
  readonly time: Entered<"time">;
  /** Said while nothing runs. */
  readonly says: string;
  readonly onCaught: (one: Caught) => void;
  /** Between the watch and the fields. */
  readonly children?: ReactNode;
}

/** How late the end of a catch may be noticed and still count, s: a frame or two, and a hand. */
const OVERRUN = 1;

/** The catch: a count-down with a beep at its end, then what the vessel shows; or both typed whole. */
export function CatchWatch({ id, time, says, onCaught, children }: CatchWatchProps) {
  const watch = useWatch(`watch:${id}:catch`);
  const [caught, finish] = useKept<string>(`caught:${id}`);
  const digits = useRef<HTMLSpanElement>(null);
  const whole = valueIn(time.value, "s");
  const left = () => whole - watch.seconds();
  const warned = useRef(4);
  const [missed, setMissed] = useState(false);

  const run = useRef(() => {});
  useEffect(() => {
    run.current = () => {
      const seconds = left();
      if (digits.current) digits.current.textContent = watchText(seconds);
      const still = Math.ceil(seconds);
      if (still < warned.current && still > 0 && still <= 3) beep("soon");
      warned.current = still;
      if (seconds > 0) return;
      watch.abandon();
      // With the screen off no frame was drawn and no beep was heard: nobody knows when the vessel went away.
      if (seconds < -OVERRUN) return setMissed(true);
      beep("end");
      finish(time.text);
    };
  });
  useFrames(watch.running, () => run.current());

  const press = (timeStamp: number) => {
    allowSound();
    if (caught) return;
    const seconds = watch.press(timeStamp);
    setMissed(false);
    warned.current = 4;
    // Stopped by hand before the end: the catch ran for what it ran.
    if (seconds !== undefined) finish(`${seconds.toFixed(2)} s`);
  };
  const add = (volume: string) => {
    onCaught({ volume, time: caught! });
    finish(undefined);
  };
  return (
    <Box>
      <WatchFace
        running={watch.running}
        disabled={caught !== undefined}
        onPress={press}
        label={watch.running ? "Stop the catch" : "Start the catch"}
        digits={<span ref={digits}>{watchText(watch.running ? left() : caught ? 0 : whole)}</span>}
        says={caught ? `Caught for ${caught}. Read the vessel` : watch.running ? "Vessel away at the long beep" : says}
      />
      {children}
      {missed && (
        <Notice state="act">The count-down ran out while the screen was off, so its end went unheard. Catch again.</Notice>
      )}
      {caught ? (
        <Row gap="8px" alignItems="flex-end" flexWrap="wrap">
          <TypeOne label={`Caught in ${caught}`} field="catchVolume" onAdd={add} keptAs={`${id}:caught`} autoFocus />
          <Button look="quiet" onClick={() => finish(undefined)}>
            Throw it away
          </Button>
        </Row>
      ) : (
        <TypeCatch time={showEntered(time)} onAdd={onCaught} />
      )}
    </Box>
  );
}

/** A catch typed whole: what was caught, and for how long. */
function TypeCatch({ time, onAdd }: { time: string; onAdd: (one: { volume: string; time: string }) => void }) {
  const [typed, setTyped] = useState({ volume: "", time });
  const [errors, setErrors] = useState<{ volume?: string | undefined; time?: string | undefined }>({});
  const [shown, setShown] = useState(time);
  if (shown !== time) {
    // The walk's mean has moved: a time that nobody typed goes with it.
    setShown(time);
    if (typed.time === shown) setTyped({ ...typed, time });
  }
  const add = () => {
    const volume = readTyped("catchVolume", typed.volume);
    const ran = readTyped("catchTime", typed.time);
    setErrors({
      volume: volume.ok ? undefined : wordsFor(volume.issues[0]!, unitsInHand()),
      time: ran.ok ? undefined : wordsFor(ran.issues[0]!, unitsInHand()),
    });
    if (!volume.ok || !ran.ok) return;
    onAdd({ volume: volume.value.text, time: ran.value.text });
    setTyped({ volume: "", time });
  };
  const enter = (event: { key: string; preventDefault: () => void }) => {
    if (event.key !== "Enter") return;
    event.preventDefault();
    add();
  };
  return (
    <Box display="grid" gridTemplateColumns="1fr 1fr auto" gap="10px" alignItems="start" marginTop="14px" maxW="560px">
      <TextField
        label="or type a catch"
        quantity="catchVolume"
        value={typed.volume}
        error={errors.volume}
        onKeyDown={enter}
        onChange={(e) => setTyped({ ...typed, volume: e.target.value })}
      />
      <TextField
        label="caught for"
        quantity="catchTime"
        value={typed.time}
        error={errors.time}
        onKeyDown={enter}
        onChange={(e) => setTyped({ ...typed, time: e.target.value })}
      />
      <Button marginTop="25px" onClick={add}>
        Add
      </Button>
    </Box>
  );
}
