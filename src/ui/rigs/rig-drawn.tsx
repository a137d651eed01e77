"use client";

import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { RigText } from "@/formats/job-file/types";

const line = { fill: "none", stroke: "currentColor", strokeWidth: 2.2, strokeLinecap: "round", strokeLinejoin: "round" } as const;

/** A rig, drawn: its tank, its hose, its tip. What holds what is seen before it is read. */
export function RigDrawn({ rig }: { rig: RigText }) {
  const size = rig.tip?.size;
  return (
    <chakra.svg viewBox="0 0 104 60" width="104px" height="60px" flex="0 0 104px" aria-hidden>
      {DRAWN[rig.kind](rig)}
      {size !== undefined && (
        <text x="102" y="13" textAnchor="end" fontSize="11" fontWeight="700" fill="currentColor">
          {size}
        </text>
      )}
    </chakra.svg>
  );
}

/** Spray out of a tip. */
const Fan = ({ x, y }: { x: number; y: number }) => (
  <path d={`M${x} ${y} l-7 14 M${x} ${y} v15 M${x} ${y} l7 14`} {...line} strokeWidth={1.4} strokeDasharray="1 4" />
);

const DRAWN: Readonly<Record<RigText["kind"], (rig: RigText) => ReactNode>> = {
  backpack: () => (
    <>
      <path d="M10 14 q0 -5 5 -5 h20 q5 0 5 5 v34 q0 5 -5 5 H15 q-5 0 -5 -5 z M20 9 V5 h10 v4 M10 40 h30" {...line} />
      <path d="M40 44 q14 8 20 -8 L84 18" {...line} />
      <Fan x={84} y={18} />
    </>
  ),
  "hand-can": () => (
    <>
      <path d="M12 26 q0 -6 6 -6 h18 q6 0 6 6 v26 H12 z M27 20 V8 M20 8 h14 M12 42 h30" {...line} />
      <path d="M42 40 q12 4 18 -10 L84 18" {...line} />
      <Fan x={84} y={18} />
    </>
  ),
  "spray-truck": ({ tanks }) => (
    <>
      <path d="M4 46 V22 h34 v24 M4 36 h34" {...line} />
      {(tanks?.length ?? 0) > 1 && <path d="M21 22 V46" {...line} />}
      <path d="M38 46 V28 h9 l6 8 v10 z M2 46 h54" {...line} />
      <circle cx="13" cy="50" r="5" {...line} />
      <circle cx="45" cy="50" r="5" {...line} />
      <path d="M21 22 q4 -14 24 -14 t39 10" {...line} />
      <Fan x={84} y={18} />
    </>
  ),
  boom: ({ outlets }) => {
    const shown = Math.min(Math.max(outlets?.count ?? 3, 2), 9);
    return (
      <>
        <path d="M34 8 h36 v20 H34 z M34 20 h36 M52 28 v8 M6 36 h92" {...line} />
        {Array.from({ length: shown }, (_, i) => {
          const x = 8 + (88 * i) / (shown - 1);
          return <path key={i} d={`M${x} 36 v4 l-5 12 M${x} 40 l5 12`} {...line} strokeWidth={1.5} />;
        })}
      </>
    );
  },
  "hose-end": () => (
    <>
      <path d="M4 12 h10 v6 H4 z M14 15 q16 0 16 18 t18 14" {...line} />
      <path d="M48 40 h16 M50 44 h12 v14 H50 z M64 38 h8 l6 -4" {...line} />
      <Fan x={80} y={33} />
    </>
  ),
};
