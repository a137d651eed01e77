"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** Two fields side by side. */
export const Pair = ({ children }: { children: ReactNode }) => (
  <Box display="grid" gap="12px" gridTemplateColumns="1fr 1fr" alignItems="start">
    {children}
  </Box>
);
