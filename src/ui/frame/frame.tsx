"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { BookProvider, useBook } from "../data/book";
import { KeyList, useRoomKeys } from "./keys";
import { RoomLine } from "./room-line";
import { Strip } from "./strip";

const Skip = chakra("a", {
  base: {
    position: "absolute",
    left: "-999px",
    _focus: { left: "8px", top: "8px", background: "sheet", padding: "10px", zIndex: 10 },
  },
});

function Lost() {
  const { lost } = useBook();
  if (!lost) return null;
  return (
    <Box role="status" background="act" color="onAct" padding="6px 16px" fontWeight="700" className="no-print">
      ! The server can&apos;t be reached. What you type and time is kept here; save when it is back.
    </Box>
  );
}

/** Strip, line of rooms, stage and pad: the one frame around every room. */
export function Frame({ children }: { children: ReactNode }) {
  const keys = useRoomKeys();
  return (
    <BookProvider>
      <Skip href="#stage">Skip to the work</Skip>
      <Strip onKeys={keys.open} />
      <RoomLine />
      <Lost />
      {children}
      <KeyList shown={keys.shown} onClose={keys.close} />
    </BookProvider>
  );
}
