"use client";

import { Box } from "@chakra-ui/react";
import Link from "next/link";
import { mayChange } from "@/core/conditions/change";
import { airLimits } from "@/formats/air-seen";
import type { ProductText } from "@/formats/job-file/types";
import { hoursOf } from "@/formats/weather/hours";
import { nowMoment, wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useKept } from "../data/kept-here";
import { useSystem } from "../data/units";
import { Notice } from "../parts/notices";
import { REPORTS } from "./reports";

const FRESH = 2 * 3_600_000;
const VERDICT = { go: "Go", wait: "Wait", no: "Not now" } as const;

/** The weather of the newest report on this device, held against the labels of a mix before its sheet is saved; nothing where it is old. */
export function AirAtMix({ products }: { products: readonly ProductText[] }) {
  const [text = ""] = useKept<string>(REPORTS);
  const system = useSystem();
  if (text === "" || products.length === 0) return null;
  const now = Date.parse(nowMoment());
  const wall = (at: number) => wallClock(new Date(at).toISOString());
  const last = hoursOf(text, airLimits(products), now, (at) => wall(at).getHours()).hours.at(-1);
  if (!last || now - last.at >= FRESH) return null;
  const { verdict, reasons } = last.judged;
  const said = reasons.map(({ code, text: says }) => `${says(system)} (${mayChange(code, last.seen.when)})`).join("; ");
  return (
    <Box as="section" aria-label="Weather for this mix">
      <Notice state={verdict === "go" ? "plain" : verdict === "no" ? "stop" : "act"}>
        {VERDICT[verdict]} by these labels, as of {format(wall(last.at), "HH:mm")}
        {said && `: ${said}`}. <Link href="/">The hours</Link>
      </Notice>
    </Box>
  );
}
