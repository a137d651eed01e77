"use client";

import { Box } from "@chakra-ui/react";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { read, type System } from "@/core/working/units";
import type { LoadEndEntry } from "@/formats/entries";
import { SubHeading } from "../parts/controls";

/** What became of each load that was poured: what was filled is what went down, is left, was disposed of, or is unaccounted for. */
export function LoadEnds({ ends, system }: { ends: readonly LoadEndEntry[]; system: System }) {
  if (ends.length === 0) return null;
  const say = (mL: number) => read(fromCanonical<"volume">(mL), "volume", system);
  return (
    <Box as="section" aria-label="What became of the loads">
      <SubHeading>What became of the loads</SubHeading>
      <Box as="ul" listStyleType="none">
        {ends.map(({ site, load, filled, applied, left, disposed, unaccounted, says }) => (
          <li key={`${site} ${load}`}>
            {site === "" ? "The day's tank" : `${site}, load ${load}`}: filled {say(filled)},{" "}
            {applied > 0 ? `went down ${say(applied)}` : "nothing went down"}
            {left > 0 && `, left ${say(left)}`}
            {disposed > 0 && `, disposed of ${say(disposed)}`}
            {unaccounted > 0 && `, unaccounted for ${say(unaccounted)}`}
            {says && ` (${says})`}
          </li>
        ))}
      </Box>
    </Box>
  );
}
