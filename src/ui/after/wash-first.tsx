"use client";

import { Box } from "@chakra-ui/react";
import { todayDate } from "../data/clock";
import { keep, useKept } from "../data/kept-here";
import { Button } from "../parts/controls";
import { Notice } from "../parts/notices";

/** The day on which something was closed on this device, and the last one on which this was read. */
const CLOSED = "closed-on";
const READ = "washed-on";

/** Work was closed on this device today. */
export const closedToday = (): void => keep(CLOSED, todayDate());

/** What whoever sprayed does next, told once a day, after the day's first closing (common practice; the label may ask for more). */
export function WashFirst() {
  const [closed] = useKept<string>(CLOSED);
  const [read, setRead] = useKept<string>(READ);
  const today = todayDate();
  if (closed !== today || read === today) return null;
  return (
    <Notice state="act">
      Hands and face are washed before you eat, drink or smoke. Work clothes come off and are washed apart, then a shower; boots
      stay at the shed.
      <Box marginTop="8px">
        <Button onClick={() => setRead(today)}>Read for today</Button>
      </Box>
    </Notice>
  );
}
