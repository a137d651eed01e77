"use client";

import { memo } from "react";
import type { Calibration, CalibrationInput } from "@/core/calibration/calibrate";
import {
  bandAround,
  heightOn,
  PACE_PER_100_M2,
  ticksOf,
  tipTicks,
  trialMarks,
  walkablePace,
  type Nomogram,
} from "@/core/calibration/nomogram";
import { writeNumber } from "@/core/quantity/format";
import { unitNamed } from "@/core/quantity/unit";
import type { System } from "@/core/working/units";
import { swathOf } from "./swath";
import { onFoot } from "@/rig-kinds/rules";

export const TOP = 58;
export const LOW = 380;
export const HEIGHT = 404;
export const X = { pace: 84, sprayVolume: 230, flow: 376 } as const;

const AXES = {
  us: {
    pace: { factor: 1, title: "Pace", unit: "s per 1,000 sq ft" },
    sprayVolume: { factor: unitNamed("gal/1000 ft2").factor, title: "Spray volume", unit: "gal per 1,000 sq ft" },
    flow: { factor: unitNamed("gal/min").factor, title: "Flow", unit: "gal/min" },
  },
  metric: {
    // A pace is kept for 1,000 sq ft; 100 m² take so much longer.
    pace: { factor: PACE_PER_100_M2, title: "Pace", unit: "s per 100 m²" },
    sprayVolume: { factor: unitNamed("L/100 m2").factor, title: "Spray volume", unit: "L per 100 m²" },
    flow: { factor: unitNamed("L/min").factor, title: "Flow", unit: "L/min" },
  },
} as const;

type Axis = keyof typeof X;
export type End = "pace" | "flow";

export const y = (height: number) => LOW - height * (LOW - TOP);

export interface ChartProps {
  readonly made: Calibration;
  readonly input: CalibrationInput;
  readonly system: System;
}

/** All that stands still while an end is dragged. */
export const Ground = memo(function Ground({ chart, input, made, system }: ChartProps & { chart: Nomogram }) {
  const marks = trialMarks(input.evidence, input.rig);
  const pressure = input.rig.tip?.pressure;
  const swath = swathOf(made);
  const fastest = swath && onFoot(input.rig.kind) ? heightOn(chart.pace, walkablePace(swath)) : 0;
  return (
    <g>
      <Wanted chart={chart} input={input} />
      {fastest > 0 && (
        <g>
          <rect
            x={X.pace}
            y={y(Math.min(1, fastest))}
            width="10"
            height={LOW - y(Math.min(1, fastest))}
            fill="var(--cg-colors-stop)"
            fillOpacity="0.35"
          />
          <text
            style={{ fontSize: 12, fontFamily: "var(--cg-fonts-body)" }}
            x={X.pace + 15}
            y={LOW - 4}
            fill="var(--cg-colors-stop)"
          >
            too fast on foot
          </text>
        </g>
      )}
      <ScaleLine chart={chart} axis="pace" system={system} />
      <ScaleLine chart={chart} axis="sprayVolume" system={system} />
      <ScaleLine chart={chart} axis="flow" system={system} />
      {pressure &&
        spaced(tipTicks(chart.flow, pressure.value, input.rig.outlets.count), input.rig.tip?.size).map(({ size, height }) => (
          <g key={size} fill="currentColor" stroke="currentColor">
            <line x1={X.flow - 9} x2={X.flow} y1={y(height)} y2={y(height)} strokeWidth="2" />
            <text
              style={{ fontSize: 11, fontWeight: size === input.rig.tip?.size ? 700 : 400 }}
              x={X.flow - 12}
              y={y(height) + 4}
              textAnchor="end"
              stroke="none"
            >
              {size}
            </text>
          </g>
        ))}
      {marks.pace.map((value, i) => (
        <TrialMark key={`p${i}`} x={X.pace} side={-1} at={y(heightOn(chart.pace, value))} />
      ))}
      {marks.flow.map((value, i) => (
        <TrialMark key={`f${i}`} x={X.flow} side={1} at={y(heightOn(chart.flow, value))} />
      ))}
    </g>
  );
});

/** Sizes that would be written over one another are left out, the one that is on never. */
function spaced(ticks: readonly { size: string; height: number }[], on: string | undefined) {
  const kept = ticks.filter((tick) => tick.size === on);
  for (const tick of ticks) if (kept.every((other) => Math.abs(y(other.height) - y(tick.height)) >= 13)) kept.push(tick);
  return kept;
}

/** A trial's tick lies outside its scale, where no graduation is. */
function TrialMark({ x, at, side }: { x: number; at: number; side: 1 | -1 }) {
  return <path d={`M${x + side * 50} ${at} l${side * 12} -5 v10 z`} fill="var(--cg-colors-act)" />;
}

const ScaleLine = memo(function ScaleLine({ chart, axis, system }: { chart: Nomogram; axis: Axis; system: System }) {
  const { factor, title, unit } = AXES[system][axis];
  const side = axis === "flow" ? 1 : -1;
  const x = X[axis];
  return (
    <g stroke="currentColor" fill="currentColor">
      <text
        style={{ fontSize: 15, fontWeight: 700, fontFamily: "var(--cg-fonts-body)" }}
        x={x}
        y="18"
        textAnchor="middle"
        stroke="none"
      >
        {title}
      </text>
      <text style={{ fontSize: 12.5, fontFamily: "var(--cg-fonts-body)" }} x={x} y="37" textAnchor="middle" stroke="none">
        {unit}
      </text>
      <line x1={x} x2={x} y1={TOP} y2={LOW} strokeWidth="2" />
      {ticksOf(chart[axis], factor).map((tick) => (
        <g key={tick.value}>
          <line
            x1={x}
            x2={x + side * (tick.major ? 12 : 6)}
            y1={y(tick.height)}
            y2={y(tick.height)}
            strokeWidth={tick.major ? 1.6 : 0.8}
          />
          {tick.major && (
            <text
              style={{ fontSize: 13 }}
              x={x + side * 16}
              y={y(tick.height) + 4.5}
              textAnchor={side === 1 ? "start" : "end"}
              stroke="none"
            >
              {writeNumber(tick.value, { figures: 3 })}
            </text>
          )}
        </g>
      ))}
    </g>
  );
});

/** The wanted band, hatched along the middle scale with a bracket at its ends. */
function Wanted({ chart, input }: { chart: Nomogram; input: CalibrationInput }) {
  const band = input.target && bandAround(input.target.value, input.tolerance?.value);
  if (!band) return null;
  const [low, high] = band.map((value) => Math.min(LOW, Math.max(TOP, y(heightOn(chart.sprayVolume, value)))));
  return (
    <g>
      <rect
        x={X.sprayVolume}
        y={high}
        width="22"
        height={Math.max(4, low! - high!)}
        fill="var(--cg-colors-water)"
        stroke="currentColor"
        strokeWidth="1.5"
      />
      <text
        style={{ fontSize: 13, fontFamily: "var(--cg-fonts-body)" }}
        x={X.sprayVolume + 28}
        y={(low! + high!) / 2 + 4.5}
        fill="currentColor"
      >
        wanted
      </text>
    </g>
  );
}
