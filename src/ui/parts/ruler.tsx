"use client";

import { chakra } from "@chakra-ui/react";

/** A scale as ornament, hanging from its upper edge: a tick every 8 px, a long one every fifth. */
export function Ruler() {
  return (
    <chakra.svg aria-hidden width="100%" height="9px" display="block" color="field">
      <defs>
        <pattern id="ruler" width="40" height="9" patternUnits="userSpaceOnUse">
          {[0, 8, 16, 24, 32].map((x) => (
            <line key={x} x1={x + 0.5} x2={x + 0.5} y1={0} y2={x === 0 ? 9 : 4} stroke="currentColor" />
          ))}
        </pattern>
      </defs>
      <rect width="100%" height="9" fill="url(#ruler)" />
    </chakra.svg>
  );
}
