"use client";

import { Box } from "@chakra-ui/react";
import Link from "next/link";
import { airCounts, airLimits } from "@/formats/air-seen";
import type { ProductText } from "@/formats/job-file/types";
import { hoursOf } from "@/formats/weather/hours";
import { nowMoment, wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useKept } from "../data/kept-here";
import { useSystem } from "../data/units";
import { Notice } from "../parts/notices";
import { REPORTS } from "./reports";
import { reasonsSaid, VERDICT_STATE, VERDICT_WORDS } from "./verdict";

/** The weather of the newest report on this device, held against the labels of a mix before its sheet is saved; nothing where it is old. */
export function AirAtMix({ products }: { products: readonly ProductText[] }) {
  const [text = ""] = useKept<string>(REPORTS);
  const system = useSystem();
  if (text === "" || products.length === 0) return null;
  const now = nowMoment();
  const moment = (at: number) => new Date(at).toISOString();
  const last = hoursOf(text, airLimits(products), Date.parse(now), (at) => wallClock(moment(at)).getHours()).hours.at(-1);
  if (!last || !airCounts(moment(last.at), now)) return null;
  const { verdict, reasons } = last.judged;
  const said = reasonsSaid(reasons, last.seen.when, system);
  return (
    <Box as="section" aria-label="Weather for this mix">
      <Notice state={VERDICT_STATE[verdict]}>
        {VERDICT_WORDS[verdict]} by these labels, as of {format(wallClock(moment(last.at)), "HH:mm")}
        {said && `: ${said}`}. <Link href="/">The hours</Link>
      </Notice>
    </Box>
  );
}
