"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { FIELDS, parseField, unitText, wordsFor, type Field as FieldName, type Ground, type System } from "@/core/contents";
import type { Session } from "@/formats/session";
import { Select, SubHeading } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Sketch } from "./sketch";

interface StepProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
  readonly system: System;
  readonly boom: boolean;
}

const PACES: readonly (readonly [Session["pace"], string])[] = [
  ["timed-area", "Spray a marked area"],
  ["timed-run", "Time a marked distance"],
  ["speed", "The speed is known"],
];
const AREAS = ["50 ft2", "100 ft2", "250 ft2", "340.3 ft2", "500 ft2", "1000 ft2"];
const GROUND_WORDS: Record<Ground, string> = {
  turf: "Turf, as it will be sprayed",
  rough: "Rough ground, beds",
  pavement: "Pavement",
};

/** Choose how to measure, and mark the ground out. */
export function MarkStep({ session, change, system, boom }: StepProps) {
  return (
    <Box
      display="grid"
      gap="20px"
      gridTemplateColumns={{ base: "minmax(0,1fr)", xl: "minmax(0,1fr) minmax(0,1fr)" }}
      alignItems="start"
    >
      <Box display="grid" gap="14px">
        <Field label="What is measured">
          {(props) => (
            <Select
              {...props}
              value={session.direct ? "direct" : "timed"}
              onChange={(e) => change({ direct: e.target.value === "direct" })}
            >
              <option value="timed">pace and flow, each by itself</option>
              <option value="direct">what a marked area uses up</option>
            </Select>
          )}
        </Field>
        {!session.direct && (
          <Field label="Pace">
            {(props) => (
              <Select {...props} value={session.pace} onChange={(e) => change({ pace: e.target.value as Session["pace"] })}>
                {PACES.map(([value, words]) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
        {!session.direct && session.outlets.length > 1 && (
          <Field label="Flow">
            {(props) => (
              <Select {...props} value={session.flow} onChange={(e) => change({ flow: e.target.value as Session["flow"] })}>
                <option value="outlet-catches">One catch an outlet</option>
                <option value="timed-catch">The whole output</option>
              </Select>
            )}
          </Field>
        )}
        {!session.direct && <Measures session={session} change={change} boom={boom} />}
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
          label="Wanted spray volume, if there is one"
          field="sprayVolume"
          optional
          value={session.target}
          onChange={(target) => change({ target })}
          placeholder="1 gal/1000 ft2"
        />
      </Box>
      <Box display="grid" gap="14px">
        {!session.direct && session.pace === "timed-area" && (
          <>
            <SubHeading>Mark out</SubHeading>
            <Sketch area={session.area} swath={session.swath} system={system} />
          </>
        )}
        <Box as="ol" listStyleType="decimal" paddingLeft="22px" display="grid" gap="4px" fontSize="15px" color="soft">
          <li>Gear on. Rinse, and fill to about half with clean water.</li>
          <li>Tip and strainer clean; pressure right, read while spraying with agitation as in work.</li>
          <li>Spray on dry pavement: see the pattern, measure the swath a little inside the wet edges.</li>
          <li>Mark out on the kind of ground that will be sprayed.</li>
        </Box>
      </Box>
    </Box>
  );
}

function Measures({ session, change, boom }: Pick<StepProps, "session" | "change" | "boom">) {
  const swathHint =
    session.pace === "timed-area" ? "for the sketch" : boom ? "empty: outlets × spacing" : "a little inside the wet edges";
  return (
    <Box display="grid" gap="14px" gridTemplateColumns="1fr 1fr">
      {session.pace === "timed-area" && (
        <Typed label="Test area" field="testArea" value={session.area} onChange={(area) => change({ area })} choices={AREAS} />
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
      <Typed
        label="Effective swath"
        field="swath"
        optional
        value={session.swath}
        onChange={(swath) => change({ swath })}
        placeholder="5 ft"
        hint={swathHint}
      />
    </Box>
  );
}

interface TypedProps {
  readonly label: string;
  readonly field: FieldName;
  readonly value: string;
  readonly onChange: (typed: string) => void;
  readonly optional?: boolean;
  readonly placeholder?: string;
  readonly choices?: readonly string[];
  readonly hint?: string;
  readonly zero?: boolean;
}

/** A field of the run sheet: whatever is typed is kept; what is wrong with it is said once it is left. */
export function Typed({ label, field, value, onChange, optional = false, placeholder, choices, hint, zero = false }: TypedProps) {
  const [left, setLeft] = useState(value !== "");
  const read = value.trim() === "" ? undefined : parseField(field, value, { zero });
  const error = left && read && !read.ok ? wordsFor(read.issues[0]!) : undefined;
  const list = choices && `choices-${field}`;
  return (
    <Box>
      <TextField
        label={label}
        value={value}
        error={error}
        hint={hint ?? (optional ? "may stay empty" : `${unitText(FIELDS[field].bare)} if no unit`)}
        placeholder={placeholder}
        list={list}
        onChange={(e) => onChange(e.target.value)}
        onBlur={() => setLeft(true)}
      />
      {choices && (
        <datalist id={list}>
          {choices.map((choice) => (
            <option key={choice} value={choice} />
          ))}
        </datalist>
      )}
    </Box>
  );
}
