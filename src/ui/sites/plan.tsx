"use client";

import { Box, chakra } from "@chakra-ui/react";
import { memo, useMemo, useState, type PointerEvent } from "react";
import type { Position } from "@/core/area/geodesic";
import { workOrder } from "@/core/area/order";
import type { Point } from "@/core/area/ring";
import type { System } from "@/core/working/units";
import { cornerNear, EDGE, edgeOf, frameOf, HIGH, WIDE, type Corner, type Drawn, type FlatZone, type Frame } from "./plan-frame";
import { ScaleBar } from "./scale-bar";

/** As many hatchings as are told apart at a glance. */
const HATCHES = ["M0 0 v9", "M0 0 v9 M4.5 0 v9", "M0 0 h9 M0 0 v9", "M2 2 h.1 M6.5 6.5 h.1"];

interface PlanProps {
  readonly zones: readonly Drawn[];
  readonly system: System;
  readonly label: string;
  /** Where one goes in and out: the order of the work follows from it. And where the water is. */
  readonly gate?: Position | undefined;
  readonly tap?: Position | undefined;
  /** Degrees from north that the wind comes from: where a droplet drifts to is drawn. */
  readonly windFrom?: number | undefined;
  /** A place of it was pressed. */
  readonly onPlace?: ((place: Position) => void) | undefined;
  /** A corner was dragged to another place: corners can be taken hold of. */
  readonly onCorner?: ((corner: Corner, to: Position) => void) | undefined;
}

/** Zones from above, north up, to scale: each with its number in the order of the work and where it starts, what is cut out of it left blank. */
export function Plan({ zones, system, label, gate, tap, windFrom, onPlace, onCorner }: PlanProps) {
  const frame = useMemo(() => frameOf(zones, gate, tap), [zones, gate, tap]);
  const [moved, setMoved] = useState<Corner & { readonly to: Point }>();
  if (!frame) return null;
  const { at, back, place, wide, scale } = frame;
  const order =
    frame.gate &&
    workOrder(
      frame.zones.map(({ rings }) => rings),
      frame.gate,
    );
  const turfs = [...new Set(zones.map((zone) => zone.turf ?? ""))];
  const handlers = {
    ...(onPlace && { cursor: "crosshair", onPointerUp: (e: PointerEvent<SVGSVGElement>) => onPlace(place(back(pixelOf(e)))) }),
    ...(onCorner && {
      touchAction: "none",
      onPointerDown: (e: PointerEvent<SVGSVGElement>) => {
        const taken = cornerNear(frame, pixelOf(e));
        if (!taken) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        setMoved({ ...taken, to: back(pixelOf(e)) });
      },
      onPointerMove: (e: PointerEvent<SVGSVGElement>) => moved && setMoved({ ...moved, to: back(pixelOf(e)) }),
      onPointerUp: () => {
        if (moved) onCorner(moved, place(moved.to));
        setMoved(undefined);
      },
      onPointerCancel: () => setMoved(undefined),
    }),
  };
  return (
    <Box maxWidth={`${WIDE}px`} border="1px solid" borderColor="line" background="panel">
      <chakra.svg viewBox={`0 0 ${WIDE} ${HIGH}`} width="100%" role="img" aria-label={label} {...handlers}>
        <Hatches count={turfs.length} />
        {frame.zones.map((zone, i) => (
          <ZoneDrawn
            key={zone.key}
            zone={zone}
            at={at}
            number={(order ? order.findIndex((one) => one.zone === i) : i) + 1}
            turf={turfs.indexOf(zone.turf ?? "")}
            handles={onCorner !== undefined}
            moved={moved?.zone === i ? moved : undefined}
          />
        ))}
        {order?.map(({ zone, start }) => (
          <Spot key={zone} at={at(start)} says="start" />
        ))}
        {frame.gate && <Spot at={at(frame.gate)} says="gate" filled />}
        {frame.tap && <Spot at={at(frame.tap)} says="tap" filled />}
        {windFrom !== undefined && <WindArrow from={windFrom} />}
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

/** Where in the drawing a pointer is. */
function pixelOf(e: PointerEvent<SVGSVGElement>): Point {
  const box = e.currentTarget.getBoundingClientRect();
  return [((e.clientX - box.left) / box.width) * WIDE, ((e.clientY - box.top) / box.height) * HIGH];
}

/** More corners than these would hide the edge: they are found by touch. */
const MOST_HANDLES = 80;

interface ZoneProps {
  readonly zone: FlatZone;
  readonly at: Frame["at"];
  readonly number: number;
  /** Which hatching it has. */
  readonly turf: number;
  readonly handles: boolean;
  readonly moved: (Corner & { readonly to: Point }) | undefined;
}

/** One zone; while a corner of another is dragged it stays as it is. */
const ZoneDrawn = memo(function ZoneDrawn({ zone, at, number, turf, handles, moved }: ZoneProps) {
  const edge = edgeOf(zone, at, moved);
  const [x, y] = useMemo(() => at(middle(zone.rings[0]!)), [zone, at]);
  if (zone.broken) return <Broken edge={edge} marks={zone.marks.map(at)} />;
  const corners = zone.rings.flat();
  return (
    <g opacity={zone.faint ? 0.35 : 1}>
      <path d={edge} fillRule="evenodd" fill="var(--cg-colors-water)" fillOpacity="0.45" />
      <path d={edge} fillRule="evenodd" fill={`url(#turf-${turf})`} stroke="currentColor" strokeWidth="2" />
      {handles &&
        !zone.faint &&
        corners.length <= MOST_HANDLES &&
        corners.map((corner, i) => {
          const [cx, cy] = at(corner);
          return <circle key={i} cx={cx} cy={cy} r="4" fill="var(--cg-colors-panel)" stroke="currentColor" strokeWidth="1.5" />;
        })}
      {!zone.faint && (
        <text
          x={x}
          y={y}
          textAnchor="middle"
          fontSize="15"
          fontWeight="700"
          fill="currentColor"
          paintOrder="stroke"
          stroke="var(--cg-colors-panel)"
          strokeWidth="4"
        >
          {number} {zone.name}
        </text>
      )}
    </g>
  );
});

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

/** The wind over the drawing: an arrow along which a droplet drifts. */
function WindArrow({ from }: { from: number }) {
  return (
    <g transform={`translate(${WIDE - 70} 60)`} stroke="var(--cg-colors-act)" strokeWidth="4" fill="none">
      <path d="M0 -34 V34 M-10 20 L0 34 L10 20" transform={`rotate(${from})`} />
      <text y="56" textAnchor="middle" fontSize="13" fontWeight="700" fill="currentColor" stroke="none">
        drift
      </text>
    </g>
  );
}

/** A place with its name: a square that is filled, or, where work starts, a triangle. */
function Spot({ at, says, filled = false }: { at: Point; says: string; filled?: boolean }) {
  return (
    <g transform={`translate(${at.join(" ")})`}>
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
function Broken({ edge, marks }: { edge: string; marks: readonly Point[] }) {
  return (
    <g fill="none">
      <path d={edge} stroke="currentColor" strokeWidth="2" strokeDasharray="7 4" />
      {marks.slice(0, MOST_MARKS).map((mark) => (
        <g key={mark.join(" ")} transform={`translate(${mark.join(" ")})`} stroke="var(--cg-colors-stop)" strokeWidth="3">
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
const middle = (ring: readonly Point[]): Point => [
  ring.reduce((sum, [x]) => sum + x, 0) / ring.length,
  ring.reduce((sum, [, y]) => sum + y, 0) / ring.length,
];
