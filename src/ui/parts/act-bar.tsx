"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/**
 * The next act of a view, at its foot and always in reach: over the places of a phone, at the foot of the stage on a laptop. Where text
 * is so large that it would take the screen, it stands at its place.
 */
export function ActBar({ children }: { children: ReactNode }) {
  return (
    <Box
      className="no-print"
      position="sticky"
      bottom={{ base: "calc(59px + env(safe-area-inset-bottom))", lg: "0" }}
      zIndex={3}
      marginX={{ base: "-16px", lg: "-32px" }}
      padding={{ base: "8px 16px", lg: "8px 32px" }}
      background="paper"
      borderTop="1px solid"
      borderColor="line"
      css={{
        "& button": { minHeight: "56px" },
        "@media (max-width: 63.99rem)": { "& > * > div > button:only-child": { width: "100%" } },
        "@media (max-height: 560px)": { position: "static" },
      }}
    >
      {children}
    </Box>
  );
}
