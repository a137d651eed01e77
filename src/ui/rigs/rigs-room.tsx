"use client";

import dynamic from "next/dynamic";
import { Box } from "@chakra-ui/react";
import { Suspense } from "react";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import { useRead, useRigs } from "../data/records";
import { useInHand } from "../data/in-hand";
import { useSystem } from "../data/units";
import { Room } from "../frame/room";
import { Button, Note } from "../parts/controls";
import { Archive, KeptForm, Listed } from "../parts/keeper";
import { Stands } from "../parts/need-hand";
import { RoomHead } from "../parts/room-head";
import { useOpen } from "../data/addressed";
import { KitCheck } from "./kit-check";
import { RigDrawn } from "./rig-drawn";
import { RigFields } from "./rig-fields";
import { Tips } from "./tips";
import { rigLine } from "./words";
import { Column } from "../parts/layout";

const CleanOuts = dynamic(() => import("./clean-outs").then((m) => m.CleanOuts), { ssr: false });

export function RigsRoom() {
  return (
    <Suspense>
      <Rigs />
    </Suspense>
  );
}

function Rigs() {
  const rigs = useRigs();
  const read = useRead("rigs");
  const { choose } = useInHand();
  const system = useSystem();
  const { id, adding, open, add, close } = useOpen();
  const entry = rigs.find((r) => r.id === id);
  const first = read && rigs.length === 0;
  const done = (made: string | undefined) => {
    if (made !== undefined && !entry) choose({ rigId: made });
    close();
  };
  if (entry || adding || first)
    return (
      <Room>
        <RoomHead
          title={entry?.rig.name ?? (first ? "Add the first rig" : "Add a rig")}
          back={first ? undefined : { words: "Rigs", go: close }}
        />
        {first && <Note>The sprayer that you will calibrate: its tank, its tip, and the pressure at the tip.</Note>}
        {entry && <RigDrawn rig={entry.rig} />}
        {entry && <Stands rig={entry} />}
        <Column maxW="640px" gap="24px" marginTop="12px">
          <KeptForm
            key={entry?.id ?? "new"}
            kind="rigs"
            what="rig"
            schema={() => import("@/formats/forms/rig").then((forms) => forms.rigForm)}
            blank={rigFormOf()}
            editing={entry && { id: entry.id, revision: entry.revision, form: rigFormOf(entry.rig) }}
            onDone={done}
          >
            {(form) => <RigFields form={form} />}
          </KeptForm>
          {entry && <KitCheck rig={entry} />}
          {entry && <CleanOuts rig={entry} />}
          {entry && (
            <Box>
              <Archive kind="rigs" id={entry.id} name={entry.rig.name} retired={entry.retired} onDone={close} />
            </Box>
          )}
        </Column>
      </Room>
    );
  return (
    <Room>
      <RoomHead title="Rigs">
        <Button onClick={add}>+ Rig</Button>
      </RoomHead>
      <Column gap="24px">
        <Listed
          kind="rigs"
          what="rig"
          onOpen={open}
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
        <Tips />
      </Column>
    </Room>
  );
}
