"use client";

import { Box, chakra } from "@chakra-ui/react";
import { usePathname } from "next/navigation";
import { PageLink } from "../parts/page-link";
import { ALL, placeOf, ROOMS } from "./rooms";

/** The scale down the margin's edge: a tick every 8 px, a long one every sixth, where a room's name stands. */
const TICKS =
  "repeating-linear-gradient(var(--cg-colors-ink) 0 1px, transparent 1px 8px) right / 10px 100% no-repeat, " +
  "repeating-linear-gradient(transparent 0 24px, var(--cg-colors-ink) 24px 26px, transparent 26px 48px) right / 18px 100% no-repeat";

const Stop = chakra(PageLink, {
  base: {
    position: "relative",
    display: "flex",
    alignItems: "center",
    minHeight: "48px",
    padding: "4px 24px 4px 16px",
    color: "ink",
    textDecoration: "none",
    _hover: { textDecoration: "underline", textUnderlineOffset: "4px" },
    "&[data-open=true]": { fontWeight: "700" },
    "&[aria-current=page]": { background: "sheet", fontWeight: "700" },
    // The pointer that stands on the scale where one is.
    "&[aria-current=page]::after": {
      content: '""',
      position: "absolute",
      right: "0",
      top: "50%",
      marginTop: "-8px",
      border: "8px solid transparent",
      borderRightColor: "act",
      borderRightWidth: "12px",
      borderLeft: "none",
    },
  },
  variants: { page: { true: { paddingLeft: "32px", fontSize: ".9375rem" } } },
});

/** The rooms down a ruled margin, the pages of the open one under it. On a laptop. */
export function Margin() {
  const here = placeOf(usePathname());
  const all = usePathname() === ALL.path;
  return (
    <Box
      as="nav"
      aria-label="Rooms"
      className="no-print"
      display={{ base: "none", lg: "flex" }}
      flexDirection="column"
      justifyContent="space-between"
      position="sticky"
      top="3rem"
      height="calc(100dvh - 3rem)"
      overflowY="auto"
      borderRight="2px solid"
      borderColor="ink"
      style={{ background: TICKS }}
    >
      <div>
        {ROOMS.map((room) => {
          const open = here?.room === room;
          const pages = open && room.pages.length > 1 ? room.pages : [];
          return (
            <div key={room.name}>
              <Stop
                href={room.path}
                data-open={open}
                aria-current={open && pages.length === 0 && here.page.path === room.path ? "page" : undefined}
              >
                {room.name}
              </Stop>
              {pages.map((page) => (
                <Stop key={page.path} page href={page.path} aria-current={page === here?.page ? "page" : undefined}>
                  {page.name}
                </Stop>
              ))}
            </div>
          );
        })}
      </div>
      <Stop href={ALL.path} aria-current={all ? "page" : undefined}>
        {ALL.name}
      </Stop>
    </Box>
  );
}
