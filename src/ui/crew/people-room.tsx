"use client";

import { Box } from "@chakra-ui/react";
import { Suspense } from "react";
import { personFormOf } from "@/formats/forms/person";
import { useOpen } from "../data/addressed";
import { useInHand } from "../data/in-hand";
import { usePeople, useRead } from "../data/records";
import { Room } from "../frame/room";
import { Button, Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Archive, errorAt, KeptForm, Listed } from "../parts/keeper";
import { Column } from "../parts/layout";
import { RoomHead } from "../parts/room-head";
import { PaperLines, Papers } from "./papers";

/** The people who spray, with their certificates: a walking person's pace and swing are their own. */
export function PeopleRoom() {
  return (
    <Suspense>
      <People />
    </Suspense>
  );
}

function People() {
  const people = usePeople();
  const read = useRead("people");
  const { choose } = useInHand();
  const { id, adding, open, add, close } = useOpen();
  const entry = people.find((p) => p.id === id);
  const first = read && people.length === 0;
  const done = (made: string | undefined) => {
    if (made !== undefined && !entry) choose({ personId: made });
    close();
  };
  if (entry || adding || first)
    return (
      <Room>
        <RoomHead
          title={entry?.name ?? (first ? "Who sprays?" : "Add a person")}
          back={first ? undefined : { words: "People", go: close }}
        />
        {first && <Note>A pace and a swing are a person&apos;s own: each who sprays is calibrated by name.</Note>}
        <Column maxW="640px" gap="24px" marginTop="12px">
          <KeptForm
            key={entry?.id ?? "new"}
            kind="people"
            what="person"
            schema={() => import("@/formats/forms/person").then((forms) => forms.personForm)}
            blank={personFormOf()}
            editing={entry && { id: entry.id, revision: entry.revision, form: personFormOf(entry) }}
            onDone={done}
          >
            {(form) => (
              <>
                <TextField label="Name" placeholder="Odile Marsh" error={errorAt(form, "name")} {...form.register("name")} />
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
          {entry && (
            <Box>
              <Archive kind="people" id={entry.id} name={entry.name} retired={entry.retired} onDone={close} />
            </Box>
          )}
        </Column>
      </Room>
    );
  return (
    <Room>
      <RoomHead title="People">
        <Button onClick={add}>+ Person</Button>
      </RoomHead>
      <Listed
        kind="people"
        what="person"
        onOpen={open}
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
    </Room>
  );
}

const paceLine = (count: number) =>
  count === 0 ? "no calibration yet" : count === 1 ? "1 calibration" : `${count} calibrations`;
