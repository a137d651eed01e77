"use client";

import { Box } from "@chakra-ui/react";
import type { Session } from "@/formats/session";
import { Button, Note } from "../parts/controls";
import { Typed } from "./typed";
import { Column } from "../parts/layout";

interface StepProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
}

/** What a marked area used up: the level at the start and what was left, or what it took to fill up again. */
export function UsedStep({ session, change }: StepProps) {
  const set = (i: number, next: Partial<Session["used"][number]>) =>
    change({ used: session.used.map((u, j) => (j === i ? { ...u, ...next } : u)) });
  return (
    <Column gap="16px">
      <Note>
        Fill to a mark, spray the marked area, then measure what is left, or what it takes to fill up to the mark again. A tapered
        tank fools the eye: measure, don&apos;t judge.
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
          {trial.topUp.trim() === "" && (
            <>
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
            </>
          )}
          <Typed
            label="or refilled with"
            field="catchVolume"
            optional
            value={trial.topUp}
            onChange={(topUp) => set(i, { topUp })}
            placeholder="36 fl oz"
          />
        </Box>
      ))}
      <Button
        look="quiet"
        justifySelf="start"
        onClick={() =>
          change({ used: [...session.used, { area: session.used.at(-1)!.area, start: "", remaining: "", topUp: "" }] })
        }
      >
        Add a trial
      </Button>
    </Column>
  );
}
