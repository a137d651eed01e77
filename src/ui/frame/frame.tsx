"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { format } from "../data/dates";
import { useState, type ReactNode } from "react";
import { useConnection, useRead } from "../data/records";
import { clockIsOff, wallClock } from "../data/clock";
import { useStorageFull } from "../data/kept-here";
import { Notice } from "../parts/notices";
import { ChainNotice } from "./chain-notice";
import { GoTo } from "./go-to";
import { KeyList, useRoomKeys } from "./keys";
import { Margin } from "./margin";
import { UnderThumb } from "./under-thumb";
import { Trouble } from "../trouble/trouble";
import { Strip } from "./strip";

const Skip = chakra("a", {
  base: {
    position: "absolute",
    left: "-999px",
    _focus: { left: "8px", top: "8px", background: "sheet", padding: "10px", zIndex: 10 },
  },
});

function Lost() {
  const { lost } = useConnection();
  if (!lost) return null;
  return (
    <Box role="status" background="act" color="onAct" padding="6px 16px" fontWeight="700" className="no-print">
      ! The server can&apos;t be reached. What you type and time is kept here; save when it is back.
    </Box>
  );
}

function StorageFull() {
  if (!useStorageFull()) return null;
  return (
    <Box role="status" background="act" color="onAct" padding="6px 16px" fontWeight="700" className="no-print">
      ! This browser has no room left to keep what you type. It stands as long as this page is open: save before you leave it.
    </Box>
  );
}

/** A device whose clock is off is told: the day is the server's. */
const OFF = 5 * 60_000;

function ClockOff() {
  const read = useRead("firm");
  const off = clockIsOff();
  if (!read || Math.abs(off) < OFF) return null;
  const minutes = Math.round(Math.abs(off) / 60_000);
  const words = minutes >= 120 ? `${Math.round(minutes / 60)} hours` : `${minutes} minutes`;
  return (
    <Box role="status" background="act" color="onAct" padding="6px 16px" fontWeight="700" className="no-print">
      ! This device&apos;s clock is {words} {off > 0 ? "ahead" : "behind"}. The server&apos;s clock counts: here it is{" "}
      {format(wallClock(), "EEEE, d MMMM, HH:mm")}.
    </Box>
  );
}

/** The records can't be opened: nothing else can be shown, but why, and what to do. */
function Fault({ children }: { children: ReactNode }) {
  const { fault } = useConnection();
  const read = useRead("rigs");
  if (!fault) return children;
  const message = (
    <Box padding="24px 16px" maxW="860px">
      <Notice state="stop">
        {fault.received} {fault.expected}
      </Notice>
    </Box>
  );
  return read ? (
    <>
      {message}
      {children}
    </>
  ) : (
    message
  );
}

/** Strip, rooms, stage and pad: the one frame around every room. */
export function Frame({ children }: { children: ReactNode }) {
  const keys = useRoomKeys();
  const [trouble, setTrouble] = useState(false);
  return (
    <>
      <Skip href="#stage">Skip to the work</Skip>
      <Strip onGoTo={keys.goTo.open} onTrouble={() => setTrouble(true)} />
      <Box
        display={{ base: "block", lg: "grid" }}
        gridTemplateColumns="184px minmax(0, 1fr)"
        css={{ "@media print": { display: "block" } }}
      >
        <Margin />
        <Box minW={0}>
          <Lost />
          <StorageFull />
          <ClientOnly>
            <ClockOff />
            <ChainNotice />
          </ClientOnly>
          <Fault>{children}</Fault>
        </Box>
      </Box>
      <UnderThumb />
      <KeyList shown={keys.list.shown} onClose={keys.list.close} />
      <GoTo shown={keys.goTo.shown} onClose={keys.goTo.close} />
      <Trouble shown={trouble} onClose={() => setTrouble(false)} />
    </>
  );
}
