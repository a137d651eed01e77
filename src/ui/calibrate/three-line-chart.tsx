"use client";

import { Box, chakra } from "@chakra-ui/react";
import {
  memo,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type RefObject,
} from "react";
import {
  bandAround,
  heightOn,
  nomogramFor,
  onFoot,
  PACE_PER_100_M2,
  read,
  throughLine,
  ticksOf,
  tipTicks,
  trialMarks,
  unitNamed,
  valueAt,
  walkablePace,
  writeNumber,
  type Calibration,
  type CalibrationInput,
  type Nomogram,
  type Quantity,
  type System,
} from "@/core/contents";
import { Button } from "../parts/controls";
import { swathOf } from "./swath";
import { whatIf } from "./what-if";

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
type End = "pace" | "flow";

const y = (height: number) => LOW - height * (LOW - TOP);

interface ChartProps {
  readonly made: Calibration;
  readonly input: CalibrationInput;
  readonly system: System;
}

/** How far a line has been moved from where the calibration stands. */
interface Moved {
  readonly pace: Quantity<"time">;
  readonly flow: Quantity<"flow">;
}

/**
 * The three-line chart: pace, spray volume and flow on parallel scales, and a straight line across that joins the three
 * which belong together. Each trial is a tick on its scale; the wanted band lies on the middle one. Drag an end of the
 * line, or move it with the arrow keys, to see what walking faster or more pressure would do.
 */
export function ThreeLineChart({ made, input, system }: ChartProps) {
  if (!made.timePer1000 || !made.flow) return null;
  const stands: Moved = { pace: made.timePer1000.value, flow: made.flow.value };
  return (
    <LiveChart key={`${String(stands.pace)} ${String(stands.flow)}`} stands={stands} made={made} input={input} system={system} />
  );
}

function LiveChart({ stands, made, input, system }: ChartProps & { stands: Moved }) {
  const [moved, setMoved] = useState<Moved>();
  const now = moved ?? stands;
  const chart = useMemo(() => nomogramFor(stands.pace, stands.flow), [stands.pace, stands.flow]);
  const svg = useRef<SVGSVGElement>(null);
  const begin = useDrag(svg, chart, now, setMoved);
  const sprayVolume = throughLine(now.pace, now.flow);
  const at = {
    pace: y(heightOn(chart.pace, now.pace)),
    sprayVolume: y(heightOn(chart.sprayVolume, sprayVolume)),
    flow: y(heightOn(chart.flow, now.flow)),
  };
  const onKey = (end: End) => (event: KeyboardEvent) => {
    const way = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
    if (event.key === "Escape") setMoved(undefined);
    if (way === undefined) return;
    event.preventDefault();
    // One per cent a press, ten with Shift, of the reading itself.
    const step = (event.shiftKey ? 0.1 : 0.01) * way;
    const height = heightOn<"time" | "flow">(chart[end], now[end]) + Math.log1p(step) / Math.log(100);
    setMoved(within(chart, now, end, height));
  };
  return (
    <Box>
      <chakra.svg
        ref={svg}
        viewBox={`0 0 460 ${HEIGHT}`}
        width="100%"
        maxWidth="560px"
        role="group"
        aria-label={`Three-line chart: ${chartWords(now, sprayVolume, system)}`}
        color="ink"
        fontFamily="var(--cg-fonts-reading)"
        userSelect="none"
        touchAction="pan-y"
      >
        <Ground chart={chart} input={input} made={made} system={system} />
        {moved && (
          <line
            x1={X.pace}
            y1={y(heightOn(chart.pace, stands.pace))}
            x2={X.flow}
            y2={y(heightOn(chart.flow, stands.flow))}
            stroke="currentColor"
            strokeWidth="1.5"
            strokeDasharray="5 5"
          />
        )}
        <line x1={X.pace} y1={at.pace} x2={X.flow} y2={at.flow} stroke="var(--cg-colors-act)" strokeWidth="3" />
        <circle
          data-testid="crossing"
          cx={X.sprayVolume}
          cy={at.sprayVolume}
          r={9}
          fill="var(--cg-colors-sheet)"
          stroke="var(--cg-colors-act)"
          strokeWidth="3.5"
        />
        {(["pace", "flow"] as const).map((end) => (
          <Handle
            key={end}
            end={end}
            cy={at[end]}
            value={read(now[end] as Quantity<"time">, (end === "pace" ? "time" : "flow") as "time", system)}
            height={heightOn<"time" | "flow">(chart[end], now[end])}
            onPointerDown={(event) => begin(end, event)}
            onKeyDown={onKey(end)}
          />
        ))}
      </chakra.svg>
      <Box fontSize="15px" minHeight="74px" aria-live="polite">
        {moved ? (
          <>
            <Box fontWeight="700">{chartWords(now, sprayVolume, system)}</Box>
            {whatIf(stands, moved, made, input, system).map((line) => (
              <Box key={line}>{line}</Box>
            ))}
            <Button look="quiet" onClick={() => setMoved(undefined)}>
              Back to the readings
            </Button>
          </>
        ) : (
          <Box color="soft">
            Drag an end of the line, or use the arrow keys on it: it shows what walking faster or more pressure would do.
          </Box>
        )}
      </Box>
    </Box>
  );
}

const chartWords = (at: Moved, sprayVolume: Quantity<"sprayVolume">, system: System) =>
  `${read(at.pace, "time", system)} a 1,000 sq ft and ${read(at.flow, "flow", system)} give ${read(sprayVolume, "sprayVolume", system)}`;

/** Keeps an end on its scale. */
function within(chart: Nomogram, now: Moved, end: End, height: number): Moved {
  const kept = Math.min(1, Math.max(0, height));
  return end === "pace" ? { ...now, pace: valueAt(chart.pace, kept) } : { ...now, flow: valueAt(chart.flow, kept) };
}

/** Follows a pointer along a scale; one drawing a frame, however many moves come in between. */
function useDrag(svg: RefObject<SVGSVGElement | null>, chart: Nomogram, now: Moved, onMove: (to: Moved) => void) {
  const latest = useRef({ chart, now, onMove });
  useEffect(() => {
    latest.current = { chart, now, onMove };
  });
  return useCallback(
    (end: End, event: PointerEvent<SVGGElement>) => {
      const target = event.currentTarget;
      event.preventDefault();
      target.focus();
      target.setPointerCapture(event.pointerId);
      let frame = 0;
      let clientY = event.clientY;
      const draw = () => {
        frame = 0;
        const box = svg.current!.getBoundingClientRect();
        const height = (LOW - ((clientY - box.top) / box.height) * HEIGHT) / (LOW - TOP);
        const { chart: on, now: from, onMove: move } = latest.current;
        move(within(on, from, end, height));
      };
      const follow = (moved: globalThis.PointerEvent) => {
        clientY = moved.clientY;
        frame ||= requestAnimationFrame(draw);
      };
      const stop = () => {
        target.removeEventListener("pointermove", follow);
        target.removeEventListener("pointerup", stop);
        target.removeEventListener("pointercancel", stop);
      };
      target.addEventListener("pointermove", follow);
      target.addEventListener("pointerup", stop);
      target.addEventListener("pointercancel", stop);
    },
    [svg],
  );
}

interface HandleProps {
  readonly end: End;
  readonly cy: number;
  readonly value: string;
  readonly height: number;
  readonly onPointerDown: (event: PointerEvent<SVGGElement>) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

/** An end of the line: a thumb's width around it takes the drag. */
function Handle({ end, cy, value, height, onPointerDown, onKeyDown }: HandleProps) {
  return (
    <chakra.g
      role="slider"
      tabIndex={0}
      aria-label={end === "pace" ? "Pace" : "Flow"}
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(height * 100)}
      aria-valuetext={value}
      cursor="ns-resize"
      touchAction="none"
      onPointerDown={onPointerDown}
      onKeyDown={onKeyDown}
      outline="none"
      css={{ "&:focus-visible circle:last-of-type": { strokeWidth: 6 } }}
    >
      <circle cx={X[end]} cy={cy} r="28" fill="transparent" />
      <circle cx={X[end]} cy={cy} r="8" fill="var(--cg-colors-sheet)" stroke="var(--cg-colors-act)" strokeWidth="3.5" />
    </chakra.g>
  );
}

/** All that stands still while an end is dragged. */
const Ground = memo(function Ground({ chart, input, made, system }: ChartProps & { chart: Nomogram }) {
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
