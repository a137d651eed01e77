"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useId, useRef, useState, type KeyboardEvent } from "react";
import { boomCheck } from "@/core/calibration/boom";
import { tipFlow } from "@/core/calibration/tips";
import { wordsFor } from "@/core/issue";
import { showEntered, unitText } from "@/core/quantity/format";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import { bareUnit, type Field } from "@/core/quantity/ranges";
import { given } from "@/core/working/rule";
import type { System } from "@/core/working/units";
import { flowOfCatch } from "@/core/calibration/expected-catch";
import type { RigEntry } from "@/formats/entries";
import { readRig } from "@/formats/job-file/read-rig";
import { catchTime, type Session } from "@/formats/session";
import { simulatedMeter } from "@/standins/flow-meter";
import { readTyped } from "@/formats/typed";
import { unitsInHand } from "../data/units";
import { Button, Note } from "../parts/controls";
import { QuantityInput } from "../parts/field";
import { BoomPicture, BoomVerdict } from "./boom-picture";
import { Typed } from "./typed";
import { Column, Row } from "../parts/layout";

interface StepProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
  readonly rig: RigEntry;
  readonly system: System;
}

/** What one tip of the rig should give at its working pressure; undefined where either isn't noted. */
function ratedOf(rig: RigEntry): Quantity<"flow"> | undefined {
  const { tip } = readRig(rig.rig);
  if (!tip?.size || !tip.pressure) return undefined;
  return tipFlow(tip.size, given(tip.pressure, "pressure"), 1, tip.chart).value;
}

/**
 * The boom check: one reading an outlet, all for the same time. Digits and Enter only, as somebody reads the numbers
 * aloud; the boom is drawn as they come.
 */
export function OutletStep({ session, change, rig, system }: StepProps) {
  const metered = session.flow === "metered-flow";
  const field: Field = metered ? "meterFlow" : "catchVolume";
  const time = readTyped("catchTime", session.outletTime.trim() === "" ? catchTime(session).text : session.outletTime);
  const flows = session.outlets.map((typed): Quantity<"flow"> | undefined => {
    const read = readTyped(field, typed);
    if (!read.ok) return undefined;
    if (metered) return read.value.value as Quantity<"flow">;
    return time.ok ? flowOfCatch(read.value.value as Quantity<"volume">, time.value.value) : undefined;
  });
  const known = flows.filter((flow) => flow !== undefined);
  const rated = ratedOf(rig);
  const check = known.length === flows.length && known.length > 0 ? boomCheck(known, rated) : undefined;
  const outlets = useRef(session.outlets);
  useEffect(() => {
    outlets.current = session.outlets;
  });
  const set = (i: number, typed: string) => {
    outlets.current = outlets.current.map((v, j) => (j === i ? typed : v));
    change({ outlets: outlets.current });
  };
  return (
    <Column gap="16px">
      {!metered && (
        <Box maxW="220px">
          <Typed
            label="Each caught for"
            field="catchTime"
            value={session.outletTime}
            {...(session.outletTime.trim() === "" && {
              hint: `empty: as long as the course, ${showEntered(catchTime(session))}`,
            })}
            onChange={(outletTime) => change({ outletTime })}
          />
        </Box>
      )}
      {metered && <Meter outlets={session.outlets.length} rated={rated} onReading={set} />}
      <BoomPicture flows={flows} check={check} rated={rated} system={system} />
      <Readings session={session} field={field} onSet={set} />
      {check && <BoomVerdict check={check} rated={rated !== undefined} />}
      <Note>
        From the left, seen from behind, in {unitText(bareUnit(field, system))} if no unit. Enter goes on to the next outlet.
        Dashed: ±10 % of the tip&apos;s rated flow.
      </Note>
    </Column>
  );
}

/** One small field an outlet; a reading that can't be right says so under the row, and is kept as typed. */
function Readings({ session, field, onSet }: { session: Session; field: Field; onSet: (i: number, typed: string) => void }) {
  const next = (event: KeyboardEvent<HTMLDivElement>) => {
    if (event.key !== "Enter") return;
    event.preventDefault();
    const inputs = [...event.currentTarget.querySelectorAll("input")];
    const to = inputs[inputs.indexOf(event.target as HTMLInputElement) + 1];
    to?.focus();
    to?.select();
  };
  const id = useId();
  const faults = session.outlets.flatMap((typed, i) => {
    const read = typed.trim() === "" ? undefined : readTyped(field, typed);
    return read && !read.ok ? [{ i, words: wordsFor(read.issues[0]!, unitsInHand()) }] : [];
  });
  return (
    <Box>
      <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(74px, 1fr))" gap="8px" onKeyDown={next}>
        {session.outlets.map((value, i) => (
          <Box key={i}>
            <Box as="label" textStyle="label">
              <span>{i + 1}</span>
              <QuantityInput
                quantity={field}
                tight
                aria-label={`Outlet ${i + 1}`}
                aria-invalid={faults.some((f) => f.i === i)}
                aria-describedby={faults.some((f) => f.i === i) ? `${id}-${i}` : undefined}
                inputMode="decimal"
                padding="8px 8px"
                value={value}
                onChange={(e) => onSet(i, e.target.value)}
              />
            </Box>
          </Box>
        ))}
      </Box>
      {faults.map(({ i, words }) => (
        <Box key={i} id={`${id}-${i}`} role="alert" color="stop" fontWeight="700" fontSize=".9375rem" marginTop="6px">
          ✕ Outlet {i + 1}: {words}
        </Box>
      ))}
    </Box>
  );
}

/** Reads the outlets off a meter, here a simulated one. */
function Meter({
  outlets,
  rated,
  onReading,
}: {
  outlets: number;
  rated: Quantity<"flow"> | undefined;
  onReading: (i: number, typed: string) => void;
}) {
  const [at, setAt] = useState<number>();
  const stop = useRef<() => void>(() => {});
  const report = useRef(onReading);
  useEffect(() => {
    report.current = onReading;
  });
  useEffect(() => () => stop.current(), []);
  const start = () => {
    setAt(0);
    const meter = simulatedMeter({ flow: rated === undefined ? 0.2 : valueIn(rated, "gal/min") });
    stop.current = meter.stream(outlets, (i, reading) => {
      report.current(i, reading);
      setAt(i + 1 < outlets ? i + 1 : undefined);
    });
  };
  return (
    <Row gap="12px" flexWrap="wrap">
      <Button
        onClick={() => {
          if (at === undefined) return start();
          stop.current();
          setAt(undefined);
        }}
      >
        {at === undefined ? "Read the simulated meter" : "Stop reading"}
      </Button>
      <Note role="status">
        {at === undefined ? "No meter is connected: this one is simulated, for practice." : `Outlet ${at + 1} of ${outlets} …`}
      </Note>
    </Row>
  );
}
