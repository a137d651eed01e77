"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { Ground } from "@/core/calibration/evidence";
import { methodOf, methodsFor, type FlowKind, methodWords } from "@/core/calibration/methods";
import { boomRun, courseUnder } from "@/core/calibration/required-flow";
import { valueIn } from "@/core/quantity/quantity";
import { given } from "@/core/working/rule";
import type { System } from "@/core/working/units";
import type { Entered } from "@/core/quantity/parse";
import { groundArea } from "@/core/working/thousand";
import type { RigEntry } from "@/formats/entries";
import { readRig } from "@/formats/job-file/read-rig";
import { setupOf } from "@/formats/rig-setup";
import { byMethod, type Session } from "@/formats/session";
import { Button, Note, Select, SubHeading } from "../parts/controls";
import { Field } from "../parts/field";
import { Chooser } from "./chooser";
import { Sketch } from "./sketch";
import { Typed } from "./typed";
import { Column } from "../parts/layout";
import type { MethodId } from "@/core/calibration/method-ids";
import { rigRules } from "@/rig-kinds/rules";
import { FACES } from "@/rig-kinds/faces";

interface StepProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
  readonly system: System;
  readonly rig: RigEntry;
  /** Goes to the bucket before the walk; left out where nothing is caught. */
  readonly onBucket?: (() => void) | undefined;
}

const AREAS = ["50 ft2", "100 ft2", "250 ft2", "340.3 ft2", "500 ft2", "1000 ft2"];
const GROUND_WORDS: Record<Ground, string> = {
  turf: "Turf, as it will be sprayed",
  rough: "Rough ground, beds",
  pavement: "Pavement",
};
const FLOW_WORDS: Record<FlowKind, string> = {
  "timed-catch": "Catch for a time",
  "fill-time": "Time a marked vessel full",
  "outlet-catches": "One catch an outlet",
  "metered-flow": "A flow meter",
  "tip-chart": "The tip's rated flow: an estimate",
};

/** Choose how to measure, and mark the ground out. */
export function MarkStep({ session, change, system, rig, onBucket }: StepProps) {
  const method = methodOf(session.method)!;
  const outlets = session.outlets.length;
  const flows = method.flows.filter((flow) => flow !== "outlet-catches" || outlets > 1);
  return (
    <Box
      display="grid"
      gap="20px 28px"
      gridTemplateColumns={{ base: "minmax(0,1fr)", xl: "minmax(0,1fr) minmax(0,1fr)" }}
      alignItems="start"
    >
      <Column gap="14px">
        <Chooser
          kind={rig.rig.kind}
          chosen={session.method}
          onChoose={(id) => change({ ...byMethod(id, outlets, system), ...courseOf(id, rig, system) })}
        />
        {flows.length > 1 && (
          <Field label="Flow">
            {(props) => (
              <Select {...props} value={session.flow} onChange={(e) => change({ flow: e.target.value as FlowKind })}>
                {flows.map((flow) => (
                  <option key={flow} value={flow}>
                    {FLOW_WORDS[flow]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
        {!session.direct && <Measures session={session} change={change} rig={rig} />}
        <Box display="grid" gap="14px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr" }}>
          <VesselPick session={session} change={change} rig={rig} />
          <Field label="Ground">
            {(props) => (
              <Select {...props} value={session.ground} onChange={(e) => change({ ground: e.target.value as Ground })}>
                {Object.entries(GROUND_WORDS).map(([value, words]) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Typed
            label="Wanted spray volume"
            field="sprayVolume"
            optional
            value={session.target}
            onChange={(target) => change({ target })}
            placeholder="1 gal/1000 ft2"
          />
        </Box>
      </Column>
      <Column gap="14px">
        {method.sketch !== "none" && (
          <>
            <SubHeading>Mark out</SubHeading>
            <Sketch method={method} session={session} rig={rig} system={system} />
            {method.says && <Note>{method.says}</Note>}
          </>
        )}
        <SubHeading>Gather</SubHeading>
        <Box textStyle="note">{method.gather.join(" · ")}</Box>
        {onBucket && (
          <Box>
            <Button look="inline" onClick={onBucket}>
              The bucket first: set the flow, then walk
            </Button>
          </Box>
        )}
        <SubHeading>In this order</SubHeading>
        <Steps steps={[...SET_UP, ...extraSteps(rig), ...methodWords(method.steps, system)]} />
      </Column>
    </Box>
  );
}

/** The course that a method prescribes for a boom: so many feet for its spacing. */
export function courseOf(id: MethodId, { rig }: RigEntry, system: System): Partial<Session> {
  const { spacing, count } = readRig(rig).outlets;
  if (!spacing) return {};
  // Drawn, driven and timed is one and the same length, and each outlet is caught for as long as the drive took.
  if (id === "acre-128-boom")
    return { distance: `${valueIn(boomRun(given(spacing, "spacing")).value, "ft").toFixed(2)} ft`, outletTime: "" };
  if (id === "straight-course-boom") return { distance: courseText(spacing, count, system), outletTime: "" };
  return {};
}

/** The course that makes the reader's ground under a boom, to the hundredth of a foot or a metre. */
function courseText(spacing: Entered<"length">, count: number, system: System): string {
  const unit = system === "us" ? "ft" : "m";
  return `${valueIn(courseUnder(groundArea(system), spacing, count), unit).toFixed(2)} ${unit}`;
}

/** What every calibration begins with. */
const SET_UP = [
  "Gear on. Rinse, and fill to about half with clean water.",
  "Tip and strainer clean; pressure right, read while spraying with agitation as in work. A reading in bypass doesn't count.",
  "Spray on dry pavement: see the pattern, measure the swath a little inside the wet edges.",
  "Mark out on the kind of ground that will be sprayed, obstacles included.",
];

const extraSteps = ({ rig }: RigEntry): readonly string[] => FACES[rig.kind].before?.(setupOf(rig).strokes) ?? [];

export function Steps({ steps }: { steps: readonly string[] }) {
  return (
    <Box as="ol" listStyleType="none" display="grid" gap="2px" textStyle="note">
      {steps.map((step, i) => (
        <Box
          as="li"
          key={step}
          display="grid"
          gridTemplateColumns="28px 1fr"
          borderBottom="1px dotted"
          borderColor="line"
          paddingY="4px"
        >
          <chakra.span fontFamily="reading" fontWeight="700">
            {i + 1}
          </chakra.span>
          <span>{step}</span>
        </Box>
      ))}
    </Box>
  );
}

/** The vessel that is read: its graduation is what the reading is worth. */
function VesselPick({ session, change, rig }: Pick<StepProps, "session" | "change" | "rig">) {
  const vessels = setupOf(rig.rig).kit?.vessels ?? [];
  if (session.flow === "metered-flow" || session.flow === "tip-chart" || vessels.length === 0) return null;
  return (
    <Field label="Vessel that is read">
      {(props) => (
        <Select {...props} value={session.graduation} onChange={(e) => change({ graduation: e.target.value })}>
          <option value="">not noted: usual marks assumed</option>
          {vessels.map((v) => (
            <option key={v.name} value={v.graduation}>
              {v.name}, marks of {v.graduation}, holds {v.capacity}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

function Measures({ session, change, rig }: Pick<StepProps, "session" | "change" | "rig">) {
  const boom = rigRules(rig.rig.kind).spaced;
  const swathHint =
    session.pace === "timed-area" ? "for sketch and speed" : boom ? "empty: outlets × spacing" : "a little inside the wet edges";
  const fixed = methodOf(session.method)?.area !== undefined;
  return (
    <Box display="grid" gap="14px" gridTemplateColumns="1fr 1fr">
      {session.pace === "timed-area" && (
        <Typed
          label="Test area"
          field="testArea"
          value={session.area}
          onChange={(area) => change({ area })}
          {...(fixed ? { hint: "as the method has it" } : { choices: AREAS })}
        />
      )}
      {session.pace === "timed-run" && (
        <Typed label="Course, one way" field="course" value={session.distance} onChange={(distance) => change({ distance })} />
      )}
      {session.pace === "speed" && (
        <Typed
          label="Travel speed"
          field="speed"
          value={session.speed}
          onChange={(speed) => change({ speed })}
          placeholder="3 mph"
        />
      )}
      {session.pace === "asked" ? (
        <Typed
          label="Label rate of what goes into the jar"
          field="volumeRate"
          value={session.rate ?? ""}
          onChange={(rate) => change({ rate })}
          placeholder="4 fl oz"
          hint="a mix goes by its own product"
        />
      ) : (
        <Typed
          label="Effective swath"
          field="swath"
          optional
          value={session.swath}
          onChange={(swath) => change({ swath })}
          placeholder="5 ft"
          hint={swathHint}
        />
      )}
      {session.flow === "fill-time" && (
        <Typed
          label="Vessel is full at"
          field="catchVolume"
          value={session.fill}
          onChange={(fill) => change({ fill })}
          placeholder="1 gal"
          hint="marked by pouring in a known volume"
        />
      )}
      {session.flow === "tip-chart" && (
        <Typed
          label="Specific gravity"
          field="gravity"
          optional
          value={session.gravity}
          onChange={(gravity) => change({ gravity })}
          placeholder="1.28"
          hint="empty for water"
        />
      )}
    </Box>
  );
}

/** The method that a rig is usually calibrated by, of those that are of use to its reader. */
export const usualMethod = (rig: RigEntry, system: System) => methodsFor(rig.rig.kind, [], system)[0]!.method.id;
