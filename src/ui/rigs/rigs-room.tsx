"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { useFieldArray, type UseFormReturn } from "react-hook-form";
import { RIG_KINDS, type RigKind } from "@/core/contents";
import type { RigForm } from "@/formats/forms/rig";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import type { RigText } from "@/formats/job-file/types";
import { useBook } from "../data/book";
import { useInHand } from "../data/in-hand";
import { Room } from "../frame/room";
import { Button, Heading, Note, Select, SubHeading } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { errorAt, KeptForm, Listed, TwoSides } from "../parts/keeper";
import { FirstThing } from "../parts/notices";

export const KIND_WORDS: Record<RigKind, string> = {
  backpack: "Backpack",
  "hand-can": "Hand can",
  "hose-end": "Hose-end head",
  boom: "Boom",
  "spray-truck": "Spray truck, gun and hose",
};

/** A rig in one line: what it is and what it stands on. */
export function rigLine(rig: RigText): string {
  const tanks = (rig.tanks ?? []).map((t) => t.usable).join(" and ");
  const outlets =
    (rig.outlets?.count ?? 1) > 1
      ? `${rig.outlets!.count} outlets${rig.outlets?.spacing ? ` at ${rig.outlets.spacing}` : ""}`
      : "";
  const tip = rig.tip?.size ? `tip ${rig.tip.size}${rig.tip.pressure ? ` at ${rig.tip.pressure}` : ""}` : rig.tip?.pressure;
  return [KIND_WORDS[rig.kind], tanks, outlets, tip].filter(Boolean).join(" · ");
}

export function RigsRoom() {
  const { book, read } = useBook();
  const { choose } = useInHand();
  const [editing, setEditing] = useState<string>();
  const [added, setAdded] = useState(0);
  const entry = book.rigs.find((r) => r.id === editing);
  const done = (id: string | undefined) => {
    if (id !== undefined && !editing) choose({ rigId: id });
    setEditing(undefined);
    setAdded(added + 1);
  };
  return (
    <Room>
      <Heading>Rigs and crew</Heading>
      <Note>A rig is one sprayer with its hose, tip and pressure. Change any of them and its calibrations are stale.</Note>
      <TwoSides>
        <Box display="grid" gap="26px">
          <Box>
            <SubHeading>Rigs</SubHeading>
            {read && book.rigs.length === 0 && (
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
              entries={book.rigs.map((r) => ({ id: r.id, retired: r.retired, name: r.rig.name, about: rigLine(r.rig) }))}
            />
          </Box>
          <Crew />
        </Box>
        <Box>
          <SubHeading>{entry ? `Change ${entry.rig.name}` : "Add a rig"}</SubHeading>
          <Box marginTop="12px">
            <KeptForm
              key={`${editing ?? "new"}${added}`}
              kind="rigs"
              what="rig"
              schema={() => import("@/formats/forms/rig").then((forms) => forms.rigForm)}
              blank={rigFormOf()}
              editing={entry && { id: entry.id, form: rigFormOf(entry.rig) }}
              onDone={done}
            >
              {(form) => <RigFields form={form} />}
            </KeptForm>
          </Box>
        </Box>
      </TwoSides>
    </Room>
  );
}

function RigFields({ form }: { form: UseFormReturn<RigForm> }) {
  const tanks = useFieldArray({ control: form.control, name: "tanks" });
  const boom = form.watch("kind") === "boom";
  const { register } = form;
  return (
    <>
      <TextField label="Name" placeholder="Blue backpack" error={errorAt(form, "name")} {...register("name")} />
      <Field label="Kind">
        {(props) => (
          <Select {...props} {...register("kind")}>
            {RIG_KINDS.filter((kind) => kind !== "hose-end").map((kind) => (
              <option key={kind} value={kind}>
                {KIND_WORDS[kind]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      {tanks.fields.map((tank, i) => (
        <Box
          key={tank.id}
          as="fieldset"
          border="1px solid"
          borderColor="line"
          padding="10px 12px 14px"
          display="grid"
          gap="12px"
          gridTemplateColumns="1fr 1fr"
        >
          <Box as="legend" fontSize="14px" fontWeight="700" paddingX="6px">
            Tank {tanks.fields.length > 1 ? i + 1 : ""}
          </Box>
          {tanks.fields.length > 1 && (
            <TextField label="Tank name" error={errorAt(form, `tanks.${i}.name`)} {...register(`tanks.${i}.name`)} />
          )}
          {tanks.fields.length > 1 && (
            <Box alignSelf="end">
              <Button type="button" look="quiet" onClick={() => tanks.remove(i)}>
                Take out
              </Button>
            </Box>
          )}
          <TextField
            label="Usable volume"
            placeholder="4 gal"
            hint="gal if no unit"
            inputMode="text"
            error={errorAt(form, `tanks.${i}.usable`)}
            {...register(`tanks.${i}.usable`)}
          />
          <TextField
            label="Least mix"
            placeholder="0.5 gal"
            hint="what the pump can agitate"
            error={errorAt(form, `tanks.${i}.leastMix`)}
            {...register(`tanks.${i}.leastMix`)}
          />
        </Box>
      ))}
      {tanks.fields.length < 2 && (
        <Button
          type="button"
          look="quiet"
          justifySelf="start"
          onClick={() => tanks.append({ name: "second", usable: "", leastMix: "" })}
        >
          Add a second tank
        </Button>
      )}
      <Box display="grid" gap="12px" gridTemplateColumns="1fr 1fr">
        <TextField label="Outlets" inputMode="numeric" error={errorAt(form, "outlets")} {...register("outlets")} />
        {boom && (
          <TextField
            label="Spacing"
            placeholder="20 in"
            hint="in if no unit"
            error={errorAt(form, "spacing")}
            {...register("spacing")}
          />
        )}
        <TextField label="Tip size" placeholder="025" error={errorAt(form, "tipSize")} {...register("tipSize")} />
        <TextField
          label="Pressure at the tip"
          placeholder="40 psi"
          hint="read while spraying"
          error={errorAt(form, "pressure")}
          {...register("pressure")}
        />
      </Box>
    </>
  );
}

/** The people who spray: a walking person's pace and swing are their own. */
function Crew() {
  const { book } = useBook();
  const { choose } = useInHand();
  const [editing, setEditing] = useState<string>();
  const [added, setAdded] = useState(0);
  const entry = book.people.find((p) => p.id === editing);
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
        entries={book.people.map((p) => ({
          id: p.id,
          retired: p.retired,
          name: p.name,
          about: paceLine(book.calibrations.filter((c) => c.personId === p.id).length),
        }))}
      />
      <Box marginTop="14px">
        <KeptForm
          key={`${editing ?? "new"}${added}`}
          kind="people"
          what="person"
          schema={() => import("@/formats/forms/person").then((forms) => forms.personForm)}
          blank={{ name: "" }}
          editing={entry && { id: entry.id, form: { name: entry.name } }}
          onDone={done}
        >
          {(form) => (
            <TextField
              label={entry ? `New name for ${entry.name}` : "Name of the person"}
              placeholder="Odile Marsh"
              error={errorAt(form, "name")}
              {...form.register("name")}
            />
          )}
        </KeptForm>
      </Box>
    </Box>
  );
}

const paceLine = (count: number) =>
  count === 0 ? "no calibration yet" : count === 1 ? "1 calibration" : `${count} calibrations`;
