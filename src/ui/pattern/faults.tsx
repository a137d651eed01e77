"use client";

import { Box } from "@chakra-ui/react";
import { proxy } from "comlink";
import { useState } from "react";
import type { Boom, Outcome } from "@/core/pattern/boom";
import { valueIn } from "@/core/quantity/quantity";
import { parseField } from "@/core/quantity/ranges";
import { writeNumber } from "@/core/quantity/format";
import type { BoomDoor } from "@/workers/boom.worker";
import { useKept } from "../data/kept-here";
import { useWorker } from "../data/worker";
import { Typed } from "../calibrate/typed";
import { Button, Note } from "../parts/controls";
import { Choose } from "../parts/choose";
import { TextField } from "../parts/field";
import { Row } from "../parts/layout";

interface Draft {
  readonly outlets: string;
  readonly spacing: string;
  readonly height: string;
  readonly angle: "80" | "110";
  readonly which: string;
  readonly gives: "1" | "0" | "0.5" | "1.15";
  readonly drift: "0" | "0.2" | "0.5" | "1";
  readonly yaw: "0" | "0.1" | "0.25" | "0.4";
}
const BLANK: Draft = {
  outlets: "8",
  spacing: "20 in",
  height: "20 in",
  angle: "110",
  which: "3",
  gives: "1",
  drift: "0",
  yaw: "0",
};
const MOST_OUTLETS = 60;

/** What was typed, as a boom; undefined where it is none. */
export function boomOf(draft: Draft): Boom | undefined {
  const outlets = Number(draft.outlets);
  const [spacing, height] = [parseField("spacing", draft.spacing), parseField("side", draft.height)];
  if (!Number.isInteger(outlets) || outlets < 1 || outlets > MOST_OUTLETS || !spacing.ok || !height.ok) return undefined;
  return {
    outlets,
    spacing: valueIn(spacing.value.value, "m"),
    height: valueIn(height.value.value, "m"),
    angle: Number(draft.angle),
    gives: Array.from({ length: outlets }, (_, i) => (i === Number(draft.which) - 1 ? Number(draft.gives) : 1)),
    drift: Number(draft.drift),
    yaw: Number(draft.yaw),
    seed: 1,
  };
}

type Run =
  | { readonly is: "none" }
  | { readonly is: "failed" }
  | { readonly is: "running"; readonly part: number }
  | { readonly is: "done"; readonly outcome: Outcome };

/** Runs a boom in a worker of its own, which ends with the screen or when it is told to. */
function useRun() {
  const [run, set] = useState<Run>({ is: "none" });
  const { begin, end } = useWorker<BoomDoor>();
  const start = (boom: Boom) => {
    const worker = new Worker(new URL("../../workers/boom.worker.ts", import.meta.url), { type: "module" });
    const own = begin(worker, () => set({ is: "failed" }));
    set({ is: "running", part: 0 });
    const work = async () => {
      const outcome = await own.door.run(
        boom,
        proxy((part) => void (!own.isOver() && set({ is: "running", part }))),
      );
      if (own.isOver()) return;
      own.end();
      set({ is: "done", outcome });
    };
    work().catch(() => {
      if (own.isOver()) return;
      own.end();
      set({ is: "failed" });
    });
  };
  const stop = () => {
    end();
    set({ is: "none" });
  };
  return { run, start, stop };
}

/** A made-up boom with something wrong: what a lawn gets at its least and its most. */
export function Faults() {
  const [kept, keep] = useKept<Draft>("faults");
  const draft = { ...BLANK, ...kept };
  const change = (next: Partial<Draft>) => keep({ ...draft, ...next });
  const boom = boomOf(draft);
  const { run, start, stop } = useRun();
  return (
    <Box>
      <Note marginBottom="10px">
        A model of tapered flat fans, for seeing what matters. No measurement: a pattern that was caught says what is so.
      </Note>
      <Box display="grid" gap="12px" gridTemplateColumns="repeat(auto-fill, minmax(170px, 1fr))" alignItems="start">
        <TextField
          label="Outlets"
          inputMode="numeric"
          value={draft.outlets}
          error={boom || draft.outlets === "" || Number(draft.outlets) <= MOST_OUTLETS ? undefined : `1 to ${MOST_OUTLETS}`}
          onChange={(e) => change({ outlets: e.target.value })}
        />
        <Typed label="They stand apart by" field="spacing" value={draft.spacing} onChange={(spacing) => change({ spacing })} />
        <Typed label="Height over the ground" field="side" value={draft.height} onChange={(height) => change({ height })} />
        <Choose
          label="Fans of"
          value={draft.angle}
          options={[
            ["80", "80°"],
            ["110", "110°"],
          ]}
          onPick={(angle) => change({ angle })}
        />
        <Choose
          label="One outlet is"
          value={draft.gives}
          options={[
            ["1", "as it should be"],
            ["0", "blocked"],
            ["0.5", "half blocked"],
            ["1.15", "worn, 15 % too much"],
          ]}
          onPick={(gives) => change({ gives })}
        />
        <TextField
          label="namely number"
          inputMode="numeric"
          value={draft.which}
          onChange={(e) => change({ which: e.target.value })}
        />
        <Choose
          label="A side wind carries fans"
          value={draft.drift}
          options={[
            ["0", "nowhere"],
            ["0.2", "a fifth of their height"],
            ["0.5", "half of their height"],
            ["1", "as far as they are high"],
          ]}
          onPick={(drift) => change({ drift })}
        />
        <Choose
          label="The boom yaws"
          value={draft.yaw}
          options={[
            ["0", "not at all"],
            ["0.1", "ends 10 % quicker and slower"],
            ["0.25", "25 %"],
            ["0.4", "40 %"],
          ]}
          onPick={(yaw) => change({ yaw })}
        />
      </Box>
      <Row marginTop="10px">
        {run.is === "running" ? (
          <>
            <Box role="status">{Math.round(run.part * 100)} % of its swings …</Box>
            <Button look="stop" onClick={stop}>
              Stop
            </Button>
          </>
        ) : (
          <Button disabled={!boom} onClick={() => boom && start(boom)}>
            Drive it over a lawn
          </Button>
        )}
      </Row>
      {run.is === "failed" && <Note>It couldn&apos;t be worked out: is the server there? Try again.</Note>}
      {run.is === "done" && <Came outcome={run.outcome} />}
    </Box>
  );
}

const HIGH = 110;
const percent = (part: number) => `${writeNumber(part * 100, { figures: 3 })} %`;

function Came({ outcome: { least, most, mean, uneven, across } }: { outcome: Outcome }) {
  const top = Math.max(most, 1) * 1.05;
  const line = across.map((amount, i) => `${i} ${HIGH - (amount / top) * HIGH}`).join(" L");
  return (
    <Box as="section" aria-label="What the lawn gets" marginTop="12px">
      <Box fontSize="1.375rem">
        The lawn gets between <strong>{percent(least)}</strong> and <strong>{percent(most)}</strong> of what it should,{" "}
        {percent(mean)} on average; uneven by {percent(uneven)}.
      </Box>
      <svg
        viewBox={`0 0 ${across.length - 1} ${HIGH}`}
        preserveAspectRatio="none"
        width="100%"
        height={HIGH}
        role="img"
        aria-label="Two passes, there and back, with what should go down as a dashed line"
      >
        <path
          d={`M0 ${HIGH} L${line} L${across.length - 1} ${HIGH} Z`}
          fill="var(--cg-colors-water)"
          stroke="var(--cg-colors-ink)"
          vectorEffect="non-scaling-stroke"
        />
        <path
          d={`M0 ${HIGH - HIGH / top} H${across.length}`}
          stroke="var(--cg-colors-act)"
          strokeWidth="2"
          strokeDasharray="6 4"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
    </Box>
  );
}
