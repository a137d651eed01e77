"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { MouseEvent } from "react";
import { flatAround, placeAt, type Position } from "@/core/area/geodesic";
import { workOrder } from "@/core/area/order";
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
  /** It is no piece of ground: drawn as a line, its fault marked at these places. */
  readonly broken?: readonly Position[];
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
  /** Where one goes in and out: the order of the work follows from it. And where the water is. */
  readonly gate?: Position | undefined;
  readonly tap?: Position | undefined;
  /** A place of it was pressed. */
  readonly onPlace?: ((place: Position) => void) | undefined;
}

/** Zones from above, north up, to scale: each with its number in the order of the work and where it starts, what is cut out of it left blank. */
export function Plan({ zones, system, label, gate, tap, onPlace }: PlanProps) {
  const origin = zones[0]?.polygons[0]?.[0]?.[0];
  if (!origin) return null;
  const flat = zones.map((zone) => ({
    ...zone,
    rings: zone.polygons.flatMap((polygon) => polygon.map((ring) => flatAround(origin, ring as readonly Position[]))),
    marks: flatAround(origin, zone.broken ?? []),
  }));
  const [gateAt, tapAt] = [gate, tap].map((place) => place && flatAround(origin, [place])[0]!);
  const order = gateAt && workOrder(flat.map(({ rings }) => rings), gateAt); // prettier-ignore
  const beside = [gateAt, tapAt].filter((place) => place !== undefined);
  const all = [...flat.flatMap((zone) => [...zone.rings.flat(), ...zone.marks]), ...beside];
  const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)];
  const least = (of: readonly number[]) => of.reduce((a, b) => Math.min(a, b));
  const most = (of: readonly number[]) => of.reduce((a, b) => Math.max(a, b));
  const [west, south] = [least(xs), least(ys)];
  const [wide, high] = [Math.max(most(xs) - west, 1), Math.max(most(ys) - south, 1)];
  const scale = Math.min((WIDE - 2 * EDGE) / wide, (HIGH - 2 * EDGE) / high);
  const at = ([x, y]: readonly [number, number]) =>
    `${(EDGE + (x - west) * scale).toFixed(1)} ${(HIGH - EDGE - (y - south) * scale).toFixed(1)}`;
  const press = (e: MouseEvent<SVGSVGElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const [px, py] = [((e.clientX - box.left) / box.width) * WIDE, ((e.clientY - box.top) / box.height) * HIGH];
    onPlace?.(placeAt(origin, [west + (px - EDGE) / scale, south + (HIGH - EDGE - py) / scale]));
  };
  const turfs = [...new Set(zones.map((zone) => zone.turf ?? ""))];
  return (
    <Box maxWidth={`${WIDE}px`} border="1px solid" borderColor="line" background="panel">
      <chakra.svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        width="100%"
        role="img"
        aria-label={label}
        {...(onPlace && { onClick: press, cursor: "crosshair" })}
      >
        <Hatches count={turfs.length} />
        {flat.map((zone, i) => {
          const edge = zone.rings.map((ring) => `M${ring.map(at).join(" L")}${zone.broken ? "" : " Z"}`).join(" ");
          const [x, y] = middle(zone.rings[0]!);
          const [tx, ty] = at([x, y]).split(" ");
          if (zone.broken) return <Broken key={zone.key} edge={edge} marks={zone.marks.map(at)} />;
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
                  {(order ? order.findIndex((one) => one.zone === i) : i) + 1} {zone.name}
                </text>
              )}
            </g>
          );
        })}
        {order?.map(({ zone, start }) => (
          <Spot key={zone} at={at(start)} says="start" />
        ))}
        {gateAt && <Spot at={at(gateAt)} says="gate" filled />}
        {tapAt && <Spot at={at(tapAt)} says="tap" filled />}
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
            .map((turf) => `${turf}: ${zones.flatMap((zone) => (zone.turf === turf ? [zone.name] : [])).join(", ")}`)
            .join(" · ")}
        </Box>
      )}
    </Box>
  );
}

/** The hatchings of so many turfs. */
function Hatches({ count }: { count: number }) {
  return (
    <defs>
      {Array.from({ length: count }, (_, i) => (
        <pattern key={i} id={`turf-${i}`} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(30)">
          <path d={HATCHES[i % HATCHES.length]} stroke="currentColor" strokeWidth="1.2" strokeLinecap="round" opacity="0.45" />
        </pattern>
      ))}
    </defs>
  );
}

/** A place with its name: a square that is filled, or, where work starts, a triangle. */
function Spot({ at, says, filled = false }: { at: string; says: string; filled?: boolean }) {
  return (
    <g transform={`translate(${at})`}>
      <path
        d={filled ? "M-6 -6 h12 v12 h-12 Z" : "M-7 6 L0 -7 L7 6 Z"}
        fill={filled ? "currentColor" : "var(--cg-colors-act)"}
        stroke="var(--cg-colors-panel)"
        strokeWidth="2"
      />
      <text
        y="-10"
        textAnchor="middle"
        fontSize="13"
        fontWeight="700"
        fill="currentColor"
        paintOrder="stroke"
        stroke="var(--cg-colors-panel)"
        strokeWidth="4"
      >
        {says}
      </text>
    </g>
  );
}

/** A line that is the edge of nothing, with a cross where that is so. */
function Broken({ edge, marks }: { edge: string; marks: readonly string[] }) {
  return (
    <g fill="none">
      <path d={edge} stroke="currentColor" strokeWidth="2" strokeDasharray="7 4" />
      {marks.slice(0, MOST_MARKS).map((mark) => (
        <g key={mark} transform={`translate(${mark})`} stroke="var(--cg-colors-stop)" strokeWidth="3">
          <circle r="11" />
          <path d="M-5 -5 L5 5 M-5 5 L5 -5" />
        </g>
      ))}
    </g>
  );
}

/** More places than these are a smear. */
const MOST_MARKS = 60;

/** The middle of a ring's corners, for its name. */
const middle = (ring: readonly (readonly [number, number])[]): [number, number] => [
  ring.reduce((sum, [x]) => sum + x, 0) / ring.length,
  ring.reduce((sum, [, y]) => sum + y, 0) / ring.length,
];
