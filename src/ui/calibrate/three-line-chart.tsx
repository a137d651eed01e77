"use client";

import { chakra } from "@chakra-ui/react";
import {
  bandAround,
  heightOn,
  nomogramFor,
  PACE_PER_100_M2,
  read,
  ticksOf,
  trialMarks,
  unitNamed,
  writeNumber,
  type Calibration,
  type CalibrationInput,
  type Nomogram,
  type System,
} from "@/core/contents";

const TOP = 58;
const LOW = 380;
const HEIGHT = 404;
const X = { pace: 84, sprayVolume: 230, flow: 376 } as const;

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

interface ChartProps {
  readonly made: Calibration;
  readonly input: CalibrationInput;
  readonly system: System;
}

/**
 * The three-line chart: pace, spray volume and flow on parallel scales, and a straight line across that joins the three
 * which belong together. Each trial is a tick on its scale; the wanted band lies on the middle one.
 */
export function ThreeLineChart({ made, input, system }: ChartProps) {
  if (!made.timePer1000 || !made.flow) return null;
  const chart = nomogramFor(made.timePer1000.value, made.flow.value);
  const y = (height: number) => LOW - height * (LOW - TOP);
  const marks = trialMarks(input.evidence, input.rig);
  const at = {
    pace: y(heightOn(chart.pace, made.timePer1000.value)),
    sprayVolume: y(heightOn(chart.sprayVolume, made.sprayVolume.value)),
    flow: y(heightOn(chart.flow, made.flow.value)),
  };
  const described = `Pace ${read(made.timePer1000.value, "time", system)} for 1,000 sq ft and flow ${read(made.flow.value, "flow", system)} meet at a spray volume of ${read(made.sprayVolume.value, "sprayVolume", system)}`;
  return (
    <chakra.svg
      viewBox={`0 0 460 ${HEIGHT}`}
      width="100%"
      maxWidth="520px"
      role="img"
      aria-label={described}
      color="ink"
      fontFamily="var(--cg-fonts-reading)"
    >
      <Wanted chart={chart} input={input} y={y} />
      <ScaleLine chart={chart} axis="pace" system={system} y={y} />
      <ScaleLine chart={chart} axis="sprayVolume" system={system} y={y} />
      <ScaleLine chart={chart} axis="flow" system={system} y={y} />
      <g stroke="var(--cg-colors-act)" strokeWidth="3">
        {marks.pace.map((value, i) => (
          <TrialMark key={i} x={X.pace} side={-1} y={y(heightOn(chart.pace, value))} />
        ))}
        {marks.flow.map((value, i) => (
          <TrialMark key={i} x={X.flow} side={1} y={y(heightOn(chart.flow, value))} />
        ))}
      </g>
      <line x1={X.pace} y1={at.pace} x2={X.flow} y2={at.flow} stroke="var(--cg-colors-act)" strokeWidth="3" />
      {(Object.keys(X) as Axis[]).map((axis) => (
        <circle
          key={axis}
          cx={X[axis]}
          cy={at[axis]}
          r={axis === "sprayVolume" ? 9 : 6}
          fill="var(--cg-colors-sheet)"
          stroke="var(--cg-colors-act)"
          strokeWidth="3.5"
        />
      ))}
    </chakra.svg>
  );
}

/** A trial's tick lies outside its scale, where no graduation is. */
function TrialMark({ x, y, side }: { x: number; y: number; side: 1 | -1 }) {
  return <path d={`M${x + side * 44} ${y} l${side * 12} -5 v10 z`} fill="var(--cg-colors-act)" strokeWidth="1" />;
}

function ScaleLine({ chart, axis, system, y }: { chart: Nomogram; axis: Axis; system: System; y: (height: number) => number }) {
  const { factor, title, unit } = AXES[system][axis];
  const side = axis === "flow" ? 1 : -1;
  const x = X[axis];
  return (
    <g stroke="currentColor" fill="currentColor">
      <text x={x} y="18" textAnchor="middle" stroke="none" fontSize="15" fontWeight="700" fontFamily="var(--cg-fonts-body)">
        {title}
      </text>
      <text x={x} y="37" textAnchor="middle" stroke="none" fontSize="12.5" fontFamily="var(--cg-fonts-body)">
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
              x={x + side * 16}
              y={y(tick.height) + 4.5}
              textAnchor={side === 1 ? "start" : "end"}
              stroke="none"
              fontSize="13"
            >
              {writeNumber(tick.value, { figures: 3 })}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

/** The wanted band, hatched along the middle scale with a bracket at its ends. */
function Wanted({ chart, input, y }: { chart: Nomogram; input: CalibrationInput; y: (height: number) => number }) {
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
        x={X.sprayVolume + 28}
        y={(low! + high!) / 2 + 4.5}
        fontSize="13"
        fill="currentColor"
        fontFamily="var(--cg-fonts-body)"
      >
        wanted
      </text>
    </g>
  );
}
