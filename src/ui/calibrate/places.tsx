"use client";

import { Box, chakra } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";

const PLACES = [
  ["/calibrate", "Run sheet"],
  ["/calibrate/check", "Quick check"],
  ["/calibrate/plan", "Plan"],
  ["/calibrate/pattern", "Swath"],
  ["/calibrate/cards", "Cards"],
  ["/calibrate/practice", "Practice"],
  ["/calibrate/crew", "Crew"],
] as const;

const Place = chakra(PageLink, {
  base: {
    display: "inline-flex",
    alignItems: "center",
    minHeight: "44px",
    padding: "0 8px",
    color: "soft",
    fontSize: "15px",
    textDecoration: "underline",
    textUnderlineOffset: "4px",
    "&[aria-current=page]": { color: "ink", fontWeight: "700", textDecoration: "none" },
  },
});

/** What else there is to do in this room. */
export function Places({ at }: { at: (typeof PLACES)[number][0] }) {
  return (
    <Box as="nav" aria-label="In this room" display="flex" flexWrap="wrap" className="no-print">
      {PLACES.map(([path, name]) => (
        <Place key={path} href={path} aria-current={path === at ? "page" : undefined}>
          {name}
        </Place>
      ))}
    </Box>
  );
}
