"use client";

import { Box } from "@chakra-ui/react";
import { format } from "date-fns";
import Link from "next/link";
import { read, writeNumber } from "@/core/contents";
import type { RigEntry } from "@/formats/book";
import { useBook } from "../data/book";
import { wallClock } from "../data/clock";
import { useInHand, workOut } from "../data/in-hand";
import { LEVER_WORDS } from "./levers-panel";
import { SubHeading } from "../parts/controls";

interface StoryProps {
  readonly rig: RigEntry;
  readonly personId: string | undefined;
  readonly siteId?: string | undefined;
}

/** What this rig has given with this person, newest first: the season so far. */
export function Story({ rig, personId, siteId }: StoryProps) {
  const { book } = useBook();
  const { system } = useInHand();
  const entries = book.calibrations
    .filter(
      (c) =>
        c.rigId === rig.id &&
        (personId === undefined || c.personId === personId) &&
        (siteId === undefined || c.siteId === siteId),
    )
    .slice(0, 12);
  if (entries.length === 0) return null;
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
              <Link
                href={`/calibrate/record?id=${entry.id}`}
                style={{ fontFamily: "var(--cg-fonts-reading)", fontWeight: 700, flex: 1 }}
              >
                {read(made.sprayVolume.value, "sprayVolume", system)}
              </Link>
              {entry.lever && (
                <Box fontSize="14px" color="soft" flex="1 1 160px">
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
    </Box>
  );
}
