"use client";

import { Box } from "@chakra-ui/react";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { read, type System } from "@/core/working/units";
import type { LoadEndEntry } from "@/formats/entries";
import { SubHeading } from "../parts/controls";

/** A load that was poured, in a line: what was filled, and where that is by now. */
export function endWords(
  { site, load, filled, applied, left, disposed, unaccounted, says }: LoadEndEntry,
  system: System,
): string {
  const say = (mL: number) => read(fromCanonical<"volume">(mL), "volume", system);
  const parts = [
    `filled ${say(filled)}`,
    applied > 0 ? `went down ${say(applied)}` : "nothing went down",
    left > 0 && `left ${say(left)}`,
    disposed > 0 && `disposed of ${say(disposed)}`,
    unaccounted > 0 && `unaccounted for ${say(unaccounted)}`,
  ].filter(Boolean);
  return `${site === "" ? "The day's tank" : `${site}, load ${load}`}: ${parts.join(", ")}${says ? ` (${says})` : ""}`;
}

/** What became of each load that was poured: what was filled is what went down, is left, was disposed of, or is unaccounted for. */
export function LoadEnds({ ends, system }: { ends: readonly LoadEndEntry[]; system: System }) {
  if (ends.length === 0) return null;
  return (
    <Box as="section" aria-label="What became of the loads">
      <SubHeading>What became of the loads</SubHeading>
      <Box as="ul" listStyleType="none">
        {ends.map((end) => (
          <li key={`${end.site} ${end.load}`}>{endWords(end, system)}</li>
        ))}
      </Box>
    </Box>
  );
}
