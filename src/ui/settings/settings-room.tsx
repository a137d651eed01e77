"use client";

import { ClientOnly } from "@chakra-ui/react";
import { useRead } from "../data/records";
import { Room } from "../frame/room";
import { Column } from "../parts/layout";
import { RoomHead } from "../parts/room-head";
import { BringIn } from "./bring-in";
import { WholeRecords } from "./records";

/** The firm's settings, and its records as files: in, out, and as a whole. */
export function SettingsRoom() {
  const known = useRead("firm");
  return (
    <Room>
      <RoomHead title="Settings" />
      <ClientOnly>
        {known && (
          <Column gap="24px" maxW="760px">
            <WholeRecords />
            <BringIn />
          </Column>
        )}
      </ClientOnly>
    </Room>
  );
}
