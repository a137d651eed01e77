"use client";

import { Box } from "@chakra-ui/react";
import type { KeyboardEvent } from "react";
import type { Session } from "@/formats/session";
import { Button, Note } from "../parts/controls";
import { Typed } from "./mark-step";

interface StepProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
}

/** One catch an outlet, all for the same time. Enter goes on to the next. */
export function OutletStep({ session, change }: StepProps) {
  const next = (event: KeyboardEvent<HTMLDivElement>) => {
    if (event.key !== "Enter") return;
    event.preventDefault();
    const inputs = [...event.currentTarget.querySelectorAll("input")];
    inputs[inputs.indexOf(event.target as HTMLInputElement) + 1]?.focus();
  };
  return (
    <Box display="grid" gap="16px">
      <Box maxW="220px">
        <Typed
          label="Each caught for"
          field="catchTime"
          value={session.outletTime}
          onChange={(outletTime) => change({ outletTime })}
        />
      </Box>
      <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="12px" onKeyDown={next}>
        {session.outlets.map((volume, i) => (
          <Typed
            key={i}
            label={`Outlet ${i + 1}`}
            field="catchVolume"
            hint=""
            value={volume}
            onChange={(typed) => change({ outlets: session.outlets.map((v, j) => (j === i ? typed : v)) })}
          />
        ))}
      </Box>
      <Note>From the left, seen from behind; fl oz if no unit. Enter goes on to the next outlet.</Note>
    </Box>
  );
}

/** What a marked area used up: the level at the start and what was left. */
export function UsedStep({ session, change }: StepProps) {
  const set = (i: number, next: Partial<Session["used"][number]>) =>
    change({ used: session.used.map((u, j) => (j === i ? { ...u, ...next } : u)) });
  return (
    <Box display="grid" gap="16px">
      <Note>
        Fill to a mark, spray the marked area, measure what is left. A tapered tank fools the eye: measure, don&apos;t judge.
      </Note>
      {session.used.map((trial, i) => (
        <Box
          key={i}
          display="grid"
          gridTemplateColumns="repeat(auto-fit, minmax(140px, 1fr))"
          gap="12px"
          borderTop="1px solid"
          borderColor="line"
          paddingTop="10px"
        >
          <Typed label={`Area ${i + 1}`} field="testArea" value={trial.area} onChange={(area) => set(i, { area })} />
          <Typed
            label="At the start"
            field="catchVolume"
            value={trial.start}
            onChange={(start) => set(i, { start })}
            placeholder="96 fl oz"
          />
          <Typed
            label="Left"
            field="catchVolume"
            zero
            value={trial.remaining}
            onChange={(remaining) => set(i, { remaining })}
            placeholder="60 fl oz"
          />
        </Box>
      ))}
      <Button
        look="quiet"
        justifySelf="start"
        onClick={() => change({ used: [...session.used, { area: session.used.at(-1)!.area, start: "", remaining: "" }] })}
      >
        Add a trial
      </Button>
    </Box>
  );
}
