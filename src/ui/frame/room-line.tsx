"use client";

import { Box, chakra } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { usePathname } from "next/navigation";
import { Ruler } from "../parts/ruler";
import { ROOMS } from "./rooms";

const Stop = chakra(PageLink, {
  base: {
    position: "relative",
    flex: { base: 1, lg: "0 0 auto" },
    minHeight: "48px",
    padding: { base: "6px 2px 4px", lg: "10px 26px 8px" },
    fontSize: { base: "13px", lg: "16px" },
    fontWeight: "700",
    textAlign: "center",
    color: "soft",
    textDecoration: "none",
    display: "flex",
    alignItems: "center",
    justifyContent: "center",
    _hover: { color: "ink" },
    // The pointer that stands on the scale at the room one is in.
    "&[aria-current=page]": { color: "ink", background: "sheet" },
    "&[aria-current=page]::before": {
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

/** The rooms along a scale, with a pointer at the one you are in. On a phone it lies under the thumb. */
export function RoomLine() {
  const path = usePathname();
  const here = (room: (typeof ROOMS)[number]) => (room.path === "/" ? path === "/" : path.startsWith(room.path));
  return (
    <Box
      as="nav"
      aria-label="Rooms"
      className="no-print"
      background="paper"
      borderBottom={{ lg: "1px solid" }}
      borderTop={{ base: "1px solid", lg: "none" }}
      borderColor="line"
      position={{ base: "fixed", lg: "static" }}
      bottom="0"
      left="0"
      right="0"
      zIndex={5}
      paddingBottom="env(safe-area-inset-bottom)"
    >
      <Ruler />
      <Box display="flex" paddingX={{ lg: "8px" }}>
        {ROOMS.map((room) => (
          <Stop key={room.path} href={room.path} aria-current={here(room) ? "page" : undefined}>
            {room.name}
          </Stop>
        ))}
      </Box>
    </Box>
  );
}
