"use client";

import { Box, chakra } from "@chakra-ui/react";
import { usePathname } from "next/navigation";
import { useKept } from "../data/kept-here";
import { PageLink } from "../parts/page-link";
import { Ruler } from "../parts/ruler";
import { ALL, placeOf, ROOMS, UNDER_THUMB, type WhosePhone } from "./rooms";

const Stop = chakra(PageLink, {
  base: {
    position: "relative",
    flex: 1,
    minHeight: "48px",
    minWidth: 0,
    padding: "4px 2px",
    fontSize: ".9375rem",
    textAlign: "center",
    color: "ink",
    textDecoration: "none",
    display: "flex",
    alignItems: "center",
    justifyContent: "center",
    "&[aria-current]": { fontWeight: "700", background: "sheet" },
    // The pointer that stands on the scale at the place one is in.
    "&[aria-current]::before": {
      content: '""',
      position: "absolute",
      top: "-9px",
      left: "50%",
      marginLeft: "-7px",
      border: "7px solid transparent",
      borderTopColor: "act",
      borderTopWidth: "11px",
    },
  },
});

/** Whose phone it is, as somebody said on it: the crew's or the office's. */
export function useWhosePhone(): [WhosePhone, (whose: WhosePhone) => void] {
  const [kept, set] = useKept<WhosePhone>("whose-phone");
  return [kept === "office" ? "office" : "crew", set];
}

/** Five places under the thumb of a phone. */
export function UnderThumb() {
  const path = usePathname();
  const [whose] = useWhosePhone();
  const rooms = UNDER_THUMB[whose].map((name) => ROOMS.find((room) => room.name === name)!);
  const here = placeOf(path)?.room;
  const elsewhere = path === ALL.path || (here !== undefined && !rooms.includes(here));
  return (
    <Box
      as="nav"
      aria-label="Places"
      className="no-print under-thumb"
      display={{ base: "block", lg: "none" }}
      background="paper"
      borderTop="2px solid"
      borderColor="ink"
      position="fixed"
      bottom="0"
      left="0"
      right="0"
      zIndex={5}
      paddingBottom="env(safe-area-inset-bottom)"
    >
      <Ruler />
      <Box display="flex">
        {rooms.map((room) => (
          <Stop key={room.name} href={room.path} aria-current={room === here ? "page" : undefined}>
            {room.name}
          </Stop>
        ))}
        <Stop href={ALL.path} aria-current={elsewhere ? "page" : undefined}>
          All
        </Stop>
      </Box>
    </Box>
  );
}
