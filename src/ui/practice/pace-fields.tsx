"use client";

import { Box } from "@chakra-ui/react";
import { NO_UNIT } from "@/core/quantity/typed";
import { valueIn } from "@/core/quantity/quantity";
import type { Ground } from "@/core/calibration/evidence";
import { useInHand, type InHand } from "../data/in-hand";
import { Typed } from "../calibrate/typed";
import { Button } from "../parts/controls";
import { Choose } from "../parts/choose";
import { TextField } from "../parts/field";
import { GROUND_WORDS } from "./drills";
import type { PaceDraft, PaceRead } from "./pace-draft";

interface FieldsProps {
  readonly draft: PaceDraft;
  readonly change: (next: Partial<PaceDraft>) => void;
  readonly made: PaceRead;
}

const US = ["gal/min", "gal/1000 ft2", "ft"] as const;
const METRIC = ["L/min", "L/100 m2", "m"] as const;

const five = (value: number): string => String(Number(value.toPrecision(5)));

/** What the calibration in hand says of the flow, the swath and the spray volume that was wanted. */
export function ofCalibration({ calibrated, system }: Pick<InHand, "calibrated" | "system">): Partial<PaceDraft> | undefined {
  if (!calibrated?.made.flow) return undefined;
  const { flow, swath, sprayVolume } = calibrated.made;
  const [ofFlow, ofSpray, ofWidth] = system === "us" ? US : METRIC;
  return {
    by: "spray",
    flow: `${five(valueIn(flow.value, ofFlow))} ${ofFlow}`,
    wanted: calibrated.entry.calibration.target ?? `${five(valueIn(sprayVolume.value, ofSpray))} ${ofSpray}`,
    ...(swath && { swath: `${five(valueIn(swath.value, ofWidth))} ${ofWidth}` }),
  };
}

/** Which pace: a course in a time, or what a spray volume asks for; the stride, the ground, the marks. */
export function PaceFields({ draft, change }: FieldsProps) {
  const hand = useInHand();
  const from = ofCalibration(hand);
  return (
    <Box as="section" aria-label="Which pace">
      <Box display="grid" gap="12px" gridTemplateColumns="repeat(auto-fill, minmax(170px, 1fr))" alignItems="start">
        <Choose
          label="The pace"
          value={draft.by}
          options={[
            ["drill", "a course in a time"],
            ["spray", "what a spray volume asks for"],
          ]}
          onPick={(by) => change(by === "spray" ? { ...from, by } : { by })}
        />
        <Typed label="Course" field="course" placeholder="44 ft" value={draft.course} onChange={(course) => change({ course })} />
        {draft.by === "drill" ? (
          <Typed
            label="in"
            field="walkTime"
            placeholder="10 s"
            value={draft.seconds}
            onChange={(seconds) => change({ seconds })}
          />
        ) : (
          <>
            <Typed
              label="Spray volume"
              field="sprayVolume"
              placeholder="1 gal/1000 ft2"
              value={draft.wanted}
              onChange={(wanted) => change({ wanted })}
            />
            <Typed
              label="Flow"
              field="meterFlow"
              placeholder="0.25 gal/min"
              value={draft.flow}
              onChange={(flow) => change({ flow })}
            />
            <Typed label="Swath" field="swath" placeholder="5 ft" value={draft.swath} onChange={(swath) => change({ swath })} />
          </>
        )}
        <Typed
          label="One stride"
          field="stride"
          placeholder="30 in"
          optional
          value={draft.stride}
          onChange={(stride) => change({ stride })}
        />
        <TextField
          label="or strides over the course"
          quantity={NO_UNIT}
          inputMode="decimal"
          hint="counted"
          value={draft.strides}
          onChange={(e) => change({ strides: e.target.value.replace(/[^\d.]/g, "") })}
        />
        <Choose
          label="A beat for each"
          value={draft.beats}
          options={[
            ["1", "step"],
            ["3", "swing, three a step"],
          ]}
          onPick={(beats) => change({ beats })}
        />
        <Choose
          label="Marks on the course"
          value={String(draft.parts)}
          options={[
            ["1", "start and end"],
            ["2", "at the half"],
            ["4", "at each quarter"],
          ]}
          onPick={(parts) => change({ parts: Number(parts) })}
        />
        <Choose label="Ground" value={draft.ground} options={GROUND_WORDS} onPick={(ground: Ground) => change({ ground })} />
      </Box>
      {draft.by === "drill" && from && (
        <Button look="quiet" onClick={() => change(from)}>
          Take the pace of the calibration in hand
        </Button>
      )}
    </Box>
  );
}
