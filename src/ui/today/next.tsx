"use client";

import { Box } from "@chakra-ui/react";
import type { SheetEntry } from "@/formats/entries";
import { todayDate } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { useSlice } from "../data/records";
import { Button } from "../parts/controls";
import { PageLink } from "../parts/page-link";
import { sheetName, stateOf } from "./stop";

interface Action {
  readonly title: string;
  readonly says: string;
  readonly press: string;
  readonly path: string;
  readonly siteId?: string;
}

/** What is next of the open sheets: what is in a tank before what was sprayed, and that before what was only planned. */
function ofSheets(sheets: readonly SheetEntry[]): Action | undefined {
  const first = (state: string) => sheets.find((sheet) => stateOf(sheet) === state);
  const pouring = first("pouring");
  if (pouring)
    return {
      title: `Go on with ${sheetName(pouring)}`,
      says: `${pouring.done} of ${pouring.steps} steps done`,
      press: "Go on",
      path: `/mix/pour?id=${pouring.id}`,
    };
  const poured = first("close");
  if (poured)
    return {
      title: `Close ${sheetName(poured)}`,
      says: "All is poured. Anything left?",
      press: "Close it",
      path: `/mix/sheet?id=${poured.id}`,
    };
  const ready = first("ready");
  return (
    ready && {
      title: `Pour for ${sheetName(ready)}`,
      says: "The sheet is ready.",
      press: "Start",
      path: `/mix/sheet?id=${ready.id}`,
    }
  );
}

/** The one thing to do next, with its press. */
export function Next() {
  const sheets = useSlice("openSheets", {}).value;
  const today = todayDate();
  const week = useSlice("week", { from: today }).value;
  const { choose } = useInHand();
  const ofSheet = sheets && ofSheets(sheets.rows);
  // Only where no sheet is open it takes the season to say what is next.
  if (!sheets || (!ofSheet && !week)) return null;
  const [item] = week?.days.find((day) => day.date === today)?.items ?? [];
  const action: Action =
    ofSheet ??
    (item
      ? { title: `Mix for ${item.site}`, says: item.round, press: "Mix", path: "/mix", siteId: item.siteId }
      : { title: "Mix for a lawn", says: "No sheet is open, and nothing is scheduled today.", press: "Mix", path: "/mix" });
  return (
    <Box
      as="section"
      aria-label="Next"
      border="2px solid"
      borderColor="ink"
      background="sheet"
      padding="12px 16px 16px"
      display="grid"
      gap="8px 16px"
      gridTemplateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) auto" }}
      alignItems="center"
    >
      <Box>
        <Box color="act" fontWeight="700" textStyle="small">
          ▲ Next
        </Box>
        <Box textStyle="lead" lineHeight="1.2">
          {action.title}
        </Box>
        <Box textStyle="small" color="soft">
          {action.says}
        </Box>
      </Box>
      <Button look="act" minHeight="64px" minW="200px" fontSize="1.375rem" asChild>
        <PageLink href={action.path} onClick={() => action.siteId && choose({ siteId: action.siteId })}>
          {action.press}
        </PageLink>
      </Button>
    </Box>
  );
}
