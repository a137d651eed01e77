"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { judgeAir } from "@/formats/air-seen";
import type { ProductText, SiteText } from "@/formats/job-file/types";
import { hoursOf, newestOf } from "@/formats/weather/hours";
import { nowMoment, wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useKept } from "../data/kept-here";
import { useSystem } from "../data/units";
import { Known } from "../parts/to-know";
import { partAt, useAirBeside } from "./beside";
import { REPORTS } from "./reports";
import { reasonsSaid, VERDICT_STATE, VERDICT_WORDS } from "./verdict";

interface AtMixProps {
  readonly products: readonly ProductText[];
  readonly sites: readonly SiteText[];
}

/** The weather of the newest report on this device, held against the labels of a mix and the rules of its places; nothing where it is old. */
export function AirAtMix({ products, sites }: AtMixProps) {
  const [text = ""] = useKept<string>(REPORTS);
  const system = useSystem();
  const beside = useAirBeside(sites);
  if (text === "" || products.length === 0) return null;
  const now = nowMoment();
  const last = newestOf(hoursOf(text, {}, Date.parse(now), partAt(sites)).hours, now);
  if (!last) return null;
  const { verdict, reasons } = judgeAir(last.seen, products, beside);
  const said = reasonsSaid(reasons, last.seen.when, system);
  return (
    <Known rank="before" brief={`weather: ${VERDICT_WORDS[verdict].toLowerCase()}`} state={VERDICT_STATE[verdict]}>
      <Box as="section" aria-label="Weather for this mix">
        {VERDICT_WORDS[verdict]} by these labels, as of {format(wallClock(new Date(last.at).toISOString()), "HH:mm")}
        {said && `: ${said}`}. <PageLink href="/">The hours</PageLink>
      </Box>
    </Known>
  );
}
