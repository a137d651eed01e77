"use client";

import { Box, chakra } from "@chakra-ui/react";
import { flatAround, type Position } from "@/core/area/geodesic";
import type { System } from "@/core/working/units";
import type { MapText } from "@/formats/area/types";
import { ScaleBar } from "./scale-bar";

export interface Drawn {
  readonly key: string;
  readonly name: string;
  readonly polygons: MapText["polygons"];
  /** What grows there: each has its own hatching. */
  readonly turf?: string | undefined;
  /** Left out of what is taken. */
  readonly faint?: boolean;
}

const WIDE = 560;
const HIGH = 380;
const EDGE = 30;

/** As many hatchings as are told apart at a glance. */
const HATCHES = ["M0 0 v9", "M0 0 v9 M4.5 0 v9", "M0 0 h9 M0 0 v9", "M2 2 h.1 M6.5 6.5 h.1"];

interface PlanProps {
  readonly zones: readonly Drawn[];
  readonly system: System;
  readonly label: string;
}

/** Zones from above, north up, to scale: each with its number in the order of the work, what is cut out of it left blank. */
export function Plan({ zones, system, label }: PlanProps) {
  const origin = zones[0]?.polygons[0]?.[0]?.[0];
  if (!origin) return null;
  const flat = zones.map((zone) => ({
    ...zone,
    rings: zone.polygons.flatMap((polygon) => polygon.map((ring) => flatAround(origin, ring as readonly Position[]))),
  }));
  const all = flat.flatMap((zone) => zone.rings.flat());
  const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)];
  const least = (of: readonly number[]) => of.reduce((a, b) => Math.min(a, b));
  const most = (of: readonly number[]) => of.reduce((a, b) => Math.max(a, b));
  const [west, south] = [least(xs), least(ys)];
  const [wide, high] = [Math.max(most(xs) - west, 1), Math.max(most(ys) - south, 1)];
  const scale = Math.min((WIDE - 2 * EDGE) / wide, (HIGH - 2 * EDGE) / high);
  const at = ([x, y]: readonly [number, number]) =>
    `${(EDGE + (x - west) * scale).toFixed(1)} ${(HIGH - EDGE - (y - south) * scale).toFixed(1)}`;
  const turfs = [...new Set(zones.map((zone) => zone.turf ?? ""))];
  return (
    <Box maxWidth={`${WIDE}px`} border="1px solid" borderColor="line" background="panel">
      <chakra.svg viewBox={`0 0 ${WIDE} ${HIGH}`} width="100%" role="img" aria-label={label}>
        <defs>
          {turfs.map((turf, i) => (
            <pattern key={turf} id={`turf-${i}`} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(30)">
              <path
                d={HATCHES[i % HATCHES.length]}
                stroke="currentColor"
                strokeWidth="1.2"
                strokeLinecap="round"
                opacity="0.45"
              />
            </pattern>
          ))}
        </defs>
        {flat.map((zone, i) => {
          const edge = zone.rings.map((ring) => `M${ring.map(at).join(" L")} Z`).join(" ");
          const [x, y] = middle(zone.rings[0]!);
          const [tx, ty] = at([x, y]).split(" ");
          return (
            <g key={zone.key} opacity={zone.faint ? 0.35 : 1}>
              <path d={edge} fillRule="evenodd" fill="var(--cg-colors-water)" fillOpacity="0.45" />
              <path
                d={edge}
                fillRule="evenodd"
                fill={`url(#turf-${turfs.indexOf(zone.turf ?? "")})`}
                stroke="currentColor"
                strokeWidth="2"
              />
              {!zone.faint && (
                <text
                  x={tx}
                  y={ty}
                  textAnchor="middle"
                  fontSize="15"
                  fontWeight="700"
                  fill="currentColor"
                  paintOrder="stroke"
                  stroke="var(--cg-colors-panel)"
                  strokeWidth="4"
                >
                  {i + 1} {zone.name}
                </text>
              )}
            </g>
          );
        })}
        <path d={`M${WIDE - 22} 34 v-22 l-5 9 m5 -9 l5 9`} stroke="currentColor" strokeWidth="2" fill="none" />
        <text x={WIDE - 22} y={48} textAnchor="middle" fontSize="13" fill="currentColor">
          N
        </text>
        <ScaleBar wide={wide} scale={scale} x={EDGE} y={HIGH - 10} system={system} />
      </chakra.svg>
      {turfs.some((turf) => turf !== "") && (
        <Box textStyle="small" color="soft" padding="2px 10px 8px">
          {turfs
            .filter((turf) => turf !== "")
            .map((turf) => `${turf}: ${zones.flatMap((zone, i) => (zone.turf === turf ? [i + 1] : [])).join(", ")}`)
            .join(" · ")}
        </Box>
      )}
    </Box>
  );
}

/** The middle of a ring's corners, for its name. */
const middle = (ring: readonly (readonly [number, number])[]): [number, number] => [
  ring.reduce((sum, [x]) => sum + x, 0) / ring.length,
  ring.reduce((sum, [, y]) => sum + y, 0) / ring.length,
];
