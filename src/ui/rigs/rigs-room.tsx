"use client";

import dynamic from "next/dynamic";
import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { mixLock } from "@/core/calibration/may-mix";
import { standingMark, standingText } from "../frame/strip";
import { read as readVolume } from "@/core/working/units";
import { fromCanonical } from "@/core/quantity/arithmetic";
import type { RigEntry } from "@/formats/entries";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import { usePeople, useRead, useRigs, useSlice } from "../data/records";
import { useInHand } from "../data/in-hand";
import { useSystem } from "../data/units";
import { Room } from "../frame/room";
import { Heading, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { errorAt, KeptForm, Listed, TwoSides } from "../parts/keeper";
import { FirstThing } from "../parts/notices";
import { KitCheck } from "./kit-check";
import { RigDrawn } from "./rig-drawn";
import { RigFields } from "./rig-fields";
import { Tips } from "./tips";
import { rigLine } from "./words";
import { Column } from "../parts/layout";
import { personFormOf } from "@/formats/forms/person";
import { PaperLines, Papers } from "./papers";

const CleanOuts = dynamic(() => import("./clean-outs").then((m) => m.CleanOuts), { ssr: false });

export function RigsRoom() {
  const rigs = useRigs();
  const read = useRead("rigs");
  const { choose, rig } = useInHand();
  const system = useSystem();
  const [editing, setEditing] = useState<string>();
  const [added, setAdded] = useState(0);
  const entry = rigs.find((r) => r.id === editing);
  const done = (id: string | undefined) => {
    if (id !== undefined && !editing) choose({ rigId: id });
    setEditing(undefined);
    setAdded(added + 1);
  };
  return (
    <Room>
      <Heading>Rigs and crew</Heading>
      <Note>A rig is one sprayer with its hose, tip and pressure. Change any of them and its calibrations are stale.</Note>
      <TwoSides formFirst={read && (rigs.length === 0 || entry !== undefined)}>
        <Column gap="26px">
          <Box>
            <SubHeading>Rigs</SubHeading>
            {read && rigs.length === 0 && (
              <Box marginTop="12px">
                <FirstThing>
                  No rig yet. Add the sprayer that you will calibrate first: its tank, its tip and the pressure at the tip.
                </FirstThing>
              </Box>
            )}
            <Listed
              kind="rigs"
              what="rig"
              editing={editing}
              onEdit={setEditing}
              entries={rigs.map((r) => ({
                id: r.id,
                retired: r.retired,
                name: r.rig.name,
                drawn: <RigDrawn rig={r.rig} />,
                about: (
                  <>
                    {rigLine(r.rig, system)}
                    <Stands rig={r} />
                  </>
                ),
              }))}
            />
          </Box>
          <Crew />
          <Tips />
        </Column>
        <Box>
          <SubHeading>{entry ? `Change ${entry.rig.name}` : "Add a rig"}</SubHeading>
          <Box marginTop="12px">
            <KeptForm
              key={`${editing ?? "new"}${added}`}
              kind="rigs"
              what="rig"
              schema={() => import("@/formats/forms/rig").then((forms) => forms.rigForm)}
              blank={rigFormOf()}
              editing={entry && { id: entry.id, revision: entry.revision, form: rigFormOf(entry.rig) }}
              onDone={done}
            >
              {(form) => <RigFields form={form} />}
            </KeptForm>
          </Box>
          {(entry ?? rig) && (
            <Box marginTop="26px">
              <KitCheck rig={(entry ?? rig)!} />
              <Box marginTop="26px">
                <CleanOuts rig={(entry ?? rig)!} />
              </Box>
            </Box>
          )}
        </Box>
      </TwoSides>
    </Room>
  );
}

/** What stands of a rig today: with whom, and how much it puts down. */
function Stands({ rig }: { rig: RigEntry }) {
  const people = usePeople();
  const standings = useSlice("standings", {}).value ?? [];
  const system = useSystem();
  if (rig.retired) return null;
  return standings.map((one) => {
    const person = people.find((p) => p.id === one.personId);
    if (one.rigId !== rig.id || mixLock(one) || person?.retired) return null;
    const name = person?.name ?? one.tap;
    return (
      <Box key={one.calibrationId} color="ink">
        {standingMark(one)} <strong>{readVolume(fromCanonical<"sprayVolume">(one.sprayVolume), "sprayVolume", system)}</strong>
        {name && ` · ${name}`}
        {standingMark(one) !== "✓" && `: ${standingText(one)}`}
      </Box>
    );
  });
}

/** The people who spray: a walking person's pace and swing are their own. */
function Crew() {
  const people = usePeople();
  const { choose } = useInHand();
  const [editing, setEditing] = useState<string>();
  const [added, setAdded] = useState(0);
  const entry = people.find((p) => p.id === editing);
  const done = (id: string | undefined) => {
    if (id !== undefined && !editing) choose({ personId: id });
    setEditing(undefined);
    setAdded(added + 1);
  };
  return (
    <Box>
      <SubHeading>Crew</SubHeading>
      <Listed
        kind="people"
        what="person"
        editing={editing}
        onEdit={setEditing}
        entries={people.map((p) => ({
          id: p.id,
          retired: p.retired,
          name: p.name,
          about: (
            <>
              {paceLine(p.calibrations ?? 0)}
              <PaperLines papers={p.papers ?? []} />
            </>
          ),
        }))}
      />
      <Box marginTop="14px">
        <KeptForm
          key={`${editing ?? "new"}${added}`}
          kind="people"
          what="person"
          schema={() => import("@/formats/forms/person").then((forms) => forms.personForm)}
          blank={personFormOf()}
          editing={entry && { id: entry.id, revision: entry.revision, form: personFormOf(entry) }}
          onDone={done}
        >
          {(form) => (
            <>
              <TextField
                label={entry ? `New name for ${entry.name}` : "Name of the person"}
                placeholder="Odile Marsh"
                error={errorAt(form, "name")}
                {...form.register("name")}
              />
              <TextField
                label="One stride"
                quantity="stride"
                placeholder="30 in"
                hint="walk 100 ft, count, divide: lawns can be measured by it"
                error={errorAt(form, "stride")}
                {...form.register("stride")}
              />
              <Papers form={form} />
            </>
          )}
        </KeptForm>
      </Box>
    </Box>
  );
}

const paceLine = (count: number) =>
  count === 0 ? "no calibration yet" : count === 1 ? "1 calibration" : `${count} calibrations`;
