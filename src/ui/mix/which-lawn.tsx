"use client";

import { Box } from "@chakra-ui/react";
import type { SiteEntry } from "@/formats/entries";
import { useSite, useSlice } from "../data/records";
import { todayDate } from "../data/clock";
import { useSystem } from "../data/units";
import { PageLink } from "../parts/page-link";
import { RowButton } from "../parts/row-button";
import { SiteDrawn } from "../sites/site-drawn";
import { areaWords } from "./chosen-words";

interface LawnProps {
  readonly onPick: (siteId: string) => void;
}

/** As many of a firm's sites as are offered before anything is typed. */
const OFFERED = 8;

/** The sites to mix for, drawn: today's first, then others; a long list is searched above. */
export function WhichLawn({ onPick }: LawnProps) {
  const today = todayDate();
  const week = useSlice("week", { from: today }).value;
  const sites = useSlice("sites", {}).value?.rows ?? [];
  const due = [...new Set(week?.days.find((day) => day.date === today)?.items.map((item) => item.siteId) ?? [])];
  const others = sites.filter((site) => !due.includes(site.id)).slice(0, OFFERED);
  if (sites.length === 0)
    return (
      <Box marginTop="12px">
        No site yet: <PageLink href="/sites">add the lawn</PageLink>, or <PageLink href="/mix/quick">mix without one</PageLink>.
      </Box>
    );
  return (
    <Box marginTop="12px">
      {due.length > 0 && (
        <Box as="section" aria-label="Scheduled today">
          <Box fontWeight="700">Scheduled today</Box>
          {due.slice(0, OFFERED).map((id) => (
            <Scheduled key={id} id={id} onPick={onPick} />
          ))}
        </Box>
      )}
      <Box as="section" aria-label="Sites to choose" marginTop="8px">
        {due.length > 0 && <Box fontWeight="700">Other sites</Box>}
        {others.map((site) => (
          <Lawn key={site.id} site={site} onPick={onPick} />
        ))}
      </Box>
    </Box>
  );
}

function Scheduled({ id, onPick }: LawnProps & { id: string }) {
  const site = useSite(id);
  return site ? <Lawn site={site} onPick={onPick} /> : null;
}

function Lawn({ site, onPick }: LawnProps & { site: SiteEntry }) {
  const system = useSystem();
  const { name, zones } = site.site;
  return (
    <RowButton
      name={name}
      about={`${zones.length === 1 ? "1 lawn" : `${zones.length} zones`}, ${areaWords(zones, system) ?? ""}`}
      drawn={<SiteDrawn site={site.site} />}
      onPress={() => onPick(site.id)}
    />
  );
}
