"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from "react";
import { heightOn, nomogramFor, throughLine, valueAt, type Nomogram } from "@/core/calibration/nomogram";
import type { Quantity } from "@/core/quantity/kinds";
import { read, type System } from "@/core/working/units";
import { paceText } from "@/core/working/thousand";
import { Button } from "../parts/controls";
import { Ground, HEIGHT, LOW, TOP, X, y, type ChartProps, type End } from "./chart-ground";
import { whatIf } from "./what-if";

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
      <Box textStyle="note" minHeight="74px" aria-live="polite">
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
  `${paceText(at.pace, system)} and ${read(at.flow, "flow", system)} give ${read(sprayVolume, "sprayVolume", system)}`;

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
