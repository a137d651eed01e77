"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { useState } from "react";
import { Finder } from "./go-to";
import { HowItReads } from "./in-hand-panel";
import { KeyList } from "./keys";
import { Room } from "./room";
import { ROOMS } from "./rooms";
import { useWhosePhone } from "./under-thumb";
import { Button } from "../parts/controls";
import { Row } from "../parts/layout";
import { PageLink } from "../parts/page-link";
import { RoomHead } from "../parts/room-head";

const Page = chakra(PageLink, {
  base: {
    display: "inline-flex",
    alignItems: "center",
    minHeight: "48px",
    padding: "0 8px",
    color: "ink",
    textDecoration: "none",
    _hover: { background: "well" },
  },
});

/** Every page by its room; how this device reads and whose it is; and the field that goes to anything. */
export function AllRoom() {
  const [keys, setKeys] = useState(false);
  return (
    <Room>
      <RoomHead title="All pages" />
      <ClientOnly>
        <Whose />
      </ClientOnly>
      {ROOMS.map((room) => (
        <Box
          key={room.name}
          as="section"
          aria-label={room.name}
          display="grid"
          gridTemplateColumns="6.5rem minmax(0,1fr)"
          borderBottom="1px solid"
          borderColor="line"
          padding="4px 0"
        >
          <Box fontWeight="700" paddingTop="12px">
            {room.name}
          </Box>
          <Box display="flex" flexWrap="wrap" gap="0 8px">
            {room.pages.map((page) => (
              <Page key={page.path} href={page.path}>
                {page.name}
              </Page>
            ))}
          </Box>
        </Box>
      ))}
      <Row flexWrap="wrap" marginY="16px">
        <HowItReads />
        <Button onClick={() => setKeys(true)}>Keys</Button>
      </Row>
      <Box maxW="640px">
        <Finder />
      </Box>
      <KeyList shown={keys} onClose={() => setKeys(false)} />
    </Room>
  );
}

const Side = chakra(Button, {
  base: { flex: "1 1 0", borderRadius: 0, "&[aria-pressed=true]": { background: "ink", color: "paper" } },
});

/** Which places lie under the thumb of this phone. */
function Whose() {
  const [whose, set] = useWhosePhone();
  return (
    <Box role="group" aria-label="Places of this phone" display={{ base: "flex", lg: "none" }} marginBottom="8px">
      <Side aria-pressed={whose === "crew"} onClick={() => set("crew")}>
        Crew&apos;s bar
      </Side>
      <Side aria-pressed={whose === "office"} onClick={() => set("office")}>
        Office&apos;s bar
      </Side>
    </Box>
  );
}
