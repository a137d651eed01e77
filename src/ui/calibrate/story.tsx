"use client";

import { Box } from "@chakra-ui/react";
import { format } from "../data/dates";
import { PageLink } from "../parts/page-link";
import { writeNumber } from "@/core/quantity/format";
import { read } from "@/core/working/units";
import type { RigEntry } from "@/formats/entries";
import { workOut } from "@/formats/standing";
import type { Cursor } from "@/formats/slices";
import { useState } from "react";
import { useSlice } from "../data/records";
import { wallClock } from "../data/clock";
import { useSystem } from "../data/units";
import { LEVER_WORDS } from "./levers-panel";
import { Button, SubHeading } from "../parts/controls";

interface StoryProps {
  readonly rig: RigEntry;
  readonly personId: string | undefined;
  readonly siteId?: string | undefined;
}

/** What this rig has given with this person, newest first: the season so far. */
export function Story({ rig, personId, siteId }: StoryProps) {
  const [places, setPlaces] = useState<readonly Cursor[]>([]);
  const query = {
    rig: rig.id,
    ...(personId !== undefined && { person: personId }),
    ...(siteId !== undefined && { site: siteId }),
  };
  const last = places.at(-1);
  const page = useSlice("story", last ? { ...query, after: last } : query).value;
  const system = useSystem();
  if (!page || (page.rows.length === 0 && places.length === 0)) return null;
  const { rows: entries, next } = page;
  return (
    <Box marginTop="30px" maxW="560px">
      <SubHeading>So far</SubHeading>
      <Box as="ol" listStyleType="none">
        {entries.map((entry) => {
          const made = workOut(entry);
          return (
            <Box
              as="li"
              key={entry.id}
              display="flex"
              gap="14px"
              borderBottom="1px solid"
              borderColor="line"
              minHeight="44px"
              alignItems="center"
            >
              <Box flex="0 0 110px" color="soft">
                {format(wallClock(entry.madeAt), "d MMM yyyy")}
              </Box>
              <PageLink
                href={`/calibrate/record?id=${entry.id}`}
                style={{ fontFamily: "var(--cg-fonts-reading)", fontWeight: 700, flex: 1 }}
              >
                {read(made.sprayVolume.value, "sprayVolume", system)}
              </PageLink>
              {entry.lever && (
                <Box textStyle="small" color="soft" flex="1 1 160px">
                  {LEVER_WORDS[entry.lever].toLowerCase()} to {entry.leverSetTo}
                </Box>
              )}
              <Box color="soft">
                {entry.withdrawn !== undefined
                  ? "withdrawn"
                  : made.uncertainty
                    ? `± ${writeNumber(made.uncertainty.relative * 100, { figures: 2 })} %`
                    : "as given"}
              </Box>
            </Box>
          );
        })}
      </Box>
      {places.length > 0 && (
        <Button look="quiet" onClick={() => setPlaces(places.slice(0, -1))}>
          Later ones
        </Button>
      )}
      {next && (
        <Button look="quiet" onClick={() => setPlaces([...places, next])}>
          Earlier ones
        </Button>
      )}
    </Box>
  );
}
