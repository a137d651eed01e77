"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** Something to act on, or that stops the work. Marked by its rule and its sign, not by colour alone. */
export function Notice({ state, children }: { state: "act" | "stop" | "plain"; children: ReactNode }) {
  const colour = state === "plain" ? "ink" : state;
  return (
    <Box
      role={state === "stop" ? "alert" : "status"}
      borderLeft="6px solid"
      borderColor={colour}
      padding="8px 14px"
      background="sheet"
    >
      <chakra.strong color={colour} marginRight="6px">
        {state === "stop" ? "✕ Stop" : state === "act" ? "! Act" : "Note"}
      </chakra.strong>
      {children}
    </Box>
  );
}

/** What an empty room says: what to do first. */
export function FirstThing({ children }: { children: ReactNode }) {
  return (
    <Box border="2px dashed" borderColor="field" padding="20px 24px" maxW="62ch">
      {children}
    </Box>
  );
}

/** The usual cautions, in words that people read. They stand on every screen that leads to a tank. */
export function Cautions({ mixing }: { mixing: boolean }) {
  return (
    <Box
      as="aside"
      aria-label="Cautions"
      textStyle="note"
      borderTop="1px solid"
      borderColor="line"
      paddingTop="10px"
      color="soft"
      maxW="74ch"
    >
      {mixing
        ? "Before the first container opens: long sleeves and trousers, chemical-resistant gloves, boots, eye protection (sunglasses aren't goggles), a respirator for fine powders. Measuring cups never go back to a kitchen. "
        : "Gear on, even with water, always if the sprayer ever held pesticide. Release the pressure before opening. "}
      The label is binding, then local rules and your licence. This app defers to them.
    </Box>
  );
}
