"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { SheetEntry } from "@/formats/entries";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";
import { PageLink } from "../parts/page-link";

/** How far a sheet has come. */
export type StopState = "ready" | "pouring" | "close";

export const stateOf = ({ done, steps }: SheetEntry): StopState => (done === 0 ? "ready" : done < steps ? "pouring" : "close");

const WORDS: Record<StopState, string> = { ready: "ready", pouring: "pouring", close: "close it" };

/** What a sheet is called in a list: its site, or its day and how many stops it has. */
export const sheetName = ({ sites, run, tank, dayId }: SheetEntry): string =>
  `${run ? `Day of ${sites.length} ${sites.length === 1 ? "stop" : "stops"}` : sites.join(", ")}${dayId === null ? "" : `, ${tank} tank`}`;

const Target = chakra(PageLink, {
  base: {
    display: "flex",
    alignItems: "center",
    gap: "12px",
    minHeight: "56px",
    padding: "8px 4px",
    borderBottom: "1px solid",
    borderColor: "line",
    color: "ink",
    textDecoration: "none",
    _hover: { background: "well" },
  },
});

/** A disc that tells the state without its colour: empty, half, or with a mark. */
function Disc({ state }: { state: StopState }) {
  return (
    <chakra.svg viewBox="0 0 28 28" width="28px" height="28px" flex="0 0 auto" aria-hidden>
      <circle cx="14" cy="14" r="12" fill="var(--cg-colors-sheet)" stroke="currentColor" strokeWidth="2.5" />
      {state === "pouring" && <path d="M14 2 a12 12 0 0 0 0 24z" fill="currentColor" />}
      {state === "close" && <path d="M14 7 v9 M14 19.5 v2.5" stroke="var(--cg-colors-act)" strokeWidth="3" />}
    </chakra.svg>
  );
}

/** A stop of the day's route: its whole row goes to its sheet. */
export function Stop({ sheet }: { sheet: SheetEntry }) {
  const state = stateOf(sheet);
  return (
    <Target href={`/mix/sheet?id=${sheet.id}`} aria-label={sheetName(sheet)} aria-describedby={`stop${sheet.id}`}>
      <Disc state={state} />
      <Box flex="1 1 0" minW={0}>
        <strong>{sheetName(sheet)}</strong>
        <Box textStyle="small" color="soft" id={`stop${sheet.id}`}>
          {format(wallClock(sheet.madeAt), "d MMM, HH:mm")} ·{" "}
          {state === "close" ? "poured, still open" : `${sheet.done} of ${sheet.steps} steps`}
        </Box>
      </Box>
      <chakra.strong color={state === "close" ? "act" : "ink"} textStyle="small">
        {WORDS[state]}
      </chakra.strong>
      <span aria-hidden>›</span>
    </Target>
  );
}
