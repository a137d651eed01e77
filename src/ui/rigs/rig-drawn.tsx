"use client";

import { chakra } from "@chakra-ui/react";
import type { RigText } from "@/formats/job-file/types";
import { FACES } from "@/rig-kinds/faces";

/** A rig, drawn: its tank, its hose, its tip. What holds what is seen before it is read. */
export function RigDrawn({ rig }: { rig: RigText }) {
  const size = rig.tip?.size;
  return (
    <chakra.svg viewBox="0 0 104 60" width="104px" height="60px" flex="0 0 104px" aria-hidden>
      {FACES[rig.kind].drawing(rig)}
      {size !== undefined && (
        <text x="102" y="13" textAnchor="end" fontSize="11" fontWeight="700" fill="currentColor">
          {size}
        </text>
      )}
    </chakra.svg>
  );
}
