"use client";

import { chakra } from "@chakra-ui/react";
import { entered } from "@/core/quantity/parse";
import { canonical } from "@/core/quantity/arithmetic";
import type { SiteText } from "@/formats/job-file/types";

const WIDE = 132;
const HIGH = 56;

/** The zones of a site to scale, one beside the other: which lawn is the big one is seen at a glance. */
export function SiteDrawn({ site }: { site: SiteText }) {
  const zones = site.zones.map((zone) => ({ name: zone.name ?? "", area: canonical(entered(zone.area, "area").value) }));
  const shown = zones.slice(0, 8);
  // Each as a rectangle of 3 : 2; together no wider, none higher, than the drawing.
  const sides = shown.map(({ area }) => Math.sqrt(area * 1.5));
  const all = sides.reduce((sum, side) => sum + side, 0);
  const most = Math.max(...sides);
  const gap = 5;
  const scale = Math.min((WIDE - gap * (shown.length - 1)) / all, HIGH / (most / 1.5));
  const at = sides.map((_, i) => sides.slice(0, i).reduce((sum, side) => sum + side * scale + gap, 0));
  return (
    <chakra.svg
      viewBox={`0 0 ${WIDE} ${HIGH + 4}`}
      width={`${WIDE}px`}
      height={`${HIGH + 4}px`}
      flex={`0 0 ${WIDE}px`}
      aria-hidden
    >
      {shown.map((zone, i) => {
        const wide = Math.max(3, sides[i]! * scale);
        const high = Math.max(2, wide / 1.5);
        return (
          <g key={`${zone.name}${i}`}>
            <rect
              x={at[i]}
              y={HIGH - high + 1}
              width={wide}
              height={high}
              fill="var(--cg-colors-water)"
              fillOpacity="0.5"
              stroke="currentColor"
              strokeWidth="1.6"
            />
            {wide > 26 && (
              <path
                d={`M${at[i]! + 5} ${HIGH - 4} v-4 M${at[i]! + 9} ${HIGH - 4} v-6 M${at[i]! + 13} ${HIGH - 4} v-4`}
                stroke="currentColor"
                strokeWidth="1.3"
                fill="none"
              />
            )}
          </g>
        );
      })}
      <path d={`M0 ${HIGH + 2} h${WIDE}`} stroke="currentColor" strokeWidth="1" opacity="0.5" />
    </chakra.svg>
  );
}
