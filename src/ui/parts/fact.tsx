"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** A number with its name above it, in a list of such: what a calibration, a head or a plan comes to. */
export function Fact({ name, value, large = false }: { name: string; value: string; large?: boolean }) {
  return (
    <Box>
      <chakra.dt textStyle="small" color="soft">
        {name}
      </chakra.dt>
      <chakra.dd fontFamily="reading" fontWeight="700" fontSize={large ? "1.375rem" : "1.0625rem"}>
        {value}
      </chakra.dd>
    </Box>
  );
}

export function Facts({ least = 180, children }: { least?: number; children: ReactNode }) {
  return (
    <Box as="dl" display="grid" gridTemplateColumns={`repeat(auto-fill, minmax(${least}px, 1fr))`} gap="10px 20px">
      {children}
    </Box>
  );
}
