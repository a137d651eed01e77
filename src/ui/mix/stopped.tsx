"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { Issue } from "@/core/issue";
import { sentences } from "../data/records";

/** The world has changed since a sheet was made: nothing may be poured from it any more, and no amount of it is shown. */
export function Stopped({ issues }: { issues: readonly Issue[] }) {
  if (issues.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label="Held"
      role="alert"
      border="3px solid"
      borderColor="stop"
      padding="16px"
      background="sheet"
      display="grid"
      gap="10px"
    >
      <chakra.h2 fontSize="1.375rem" fontWeight="700" color="stop">
        Held: no amounts
      </chakra.h2>
      {sentences(issues).map((text) => (
        <Box key={text}>{text}</Box>
      ))}
    </Box>
  );
}
