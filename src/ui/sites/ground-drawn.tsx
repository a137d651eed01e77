"use client";

import { Box, chakra } from "@chakra-ui/react";
import { outlineOf, partsOf, type Outline } from "@/core/area/outline";
import type { Ground } from "@/core/area/ground";
import { showEntered } from "@/core/quantity/format";
import type { System } from "@/core/working/units";
import { ScaleBar } from "./scale-bar";

const WIDE = 420;
const HIGH = 230;
const EDGE = 26;

interface Placed extends Outline {
  readonly x: number;
  readonly less: boolean;
}

/** Shapes beside one another on one ground line, metres. What is taken off stands apart: where it lies nobody said. */
function placed(ground: Ground): { readonly all: readonly Placed[]; readonly wide: number; readonly high: number } {
  const shapes = [
    ...partsOf(ground.measured).map((shape) => ({ shape, less: false })),
    ...ground.less.flatMap(partsOf).map((shape) => ({ shape, less: true })),
  ].map(({ shape, less }) => ({ less, ...outlineOf(shape) }));
  const size = (of: Outline, axis: 0 | 1) => {
    const at = of.edge.map((point) => point[axis]);
    return { least: Math.min(...at), most: Math.max(...at) };
  };
  const gap = 0.06 * Math.max(...shapes.map((one) => size(one, 0).most - size(one, 0).least));
  let x = 0;
  const all = shapes.map((one) => {
    const [across, up] = [size(one, 0), size(one, 1)];
    const move = ([px, py]: readonly [number, number]) => [px - across.least, py - up.least] as const;
    const at = x;
    x += across.most - across.least + gap;
    return {
      less: one.less,
      x: at,
      edge: one.edge.map(move),
      sides: one.sides.map((side) => ({ ...side, from: move(side.from), to: move(side.to) })),
    };
  });
  const high = Math.max(...shapes.map((one) => size(one, 1).most - size(one, 1).least));
  return { all, wide: Math.max(x - gap, 1e-6), high: Math.max(high, 1e-6) };
}

/** How wide a shape lies there, m: where it is small its lengths would lie over one another. */
const widthOf = (of: Outline): number => Math.max(...of.edge.map(([x]) => x)) - Math.min(...of.edge.map(([x]) => x));

/** A piece of ground to scale while it is typed, with its lengths on it; what is taken off is hatched. */
export function GroundDrawn({ ground, system }: { ground: Ground; system: System }) {
  const { all, wide, high } = placed(ground);
  const scale = Math.min((WIDE - 2 * EDGE) / wide, (HIGH - 2 * EDGE) / high);
  const at = (x: number, [px, py]: readonly [number, number]) => [EDGE + (x + px) * scale, HIGH - EDGE - py * scale] as const;
  return (
    <Box maxWidth={`${WIDE}px`}>
      <chakra.svg viewBox={`0 0 ${WIDE} ${HIGH}`} width="100%" role="img" aria-label="The ground, to scale">
        <defs>
          <pattern id="taken-off" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0 v7" stroke="currentColor" strokeWidth="1.4" opacity="0.6" />
          </pattern>
        </defs>
        {all.map((one, i) => (
          <g key={i}>
            <path
              d={`M${one.edge
                .map((point) =>
                  at(one.x, point)
                    .map((n) => n.toFixed(1))
                    .join(" "),
                )
                .join(" L")} Z`}
              fill={one.less ? "url(#taken-off)" : "var(--cg-colors-water)"}
              fillOpacity={one.less ? 1 : 0.5}
              stroke="currentColor"
              strokeWidth="1.8"
              strokeDasharray={one.less ? "5 3" : undefined}
            />
            {one.sides.length * 26 <= widthOf(one) * scale &&
              one.sides.map((side, j) => {
                const [from, to] = [at(one.x, side.from), at(one.x, side.to)];
                return (
                  <g key={j}>
                    <path d={`M${from.join(" ")} L${to.join(" ")}`} stroke="currentColor" strokeWidth="1" strokeDasharray="2 3" />
                    <text
                      x={(from[0] + to[0]) / 2 + (Math.abs(from[0] - to[0]) < 8 ? 4 : 0)}
                      y={(from[1] + to[1]) / 2 + (Math.abs(from[0] - to[0]) < 8 ? 4 : -5)}
                      textAnchor={Math.abs(from[0] - to[0]) < 8 ? "start" : "middle"}
                      fontSize="12"
                      fill="currentColor"
                    >
                      {showEntered(side.length)}
                    </text>
                  </g>
                );
              })}
          </g>
        ))}
        <ScaleBar wide={wide} scale={scale} x={EDGE} y={HIGH - 8} system={system} />
      </chakra.svg>
    </Box>
  );
}
