"use client";

import { readTyped } from "@/formats/typed";
import { Box, chakra } from "@chakra-ui/react";
import { markingOut, squareOf, type MarkingOut } from "@/core/calibration/marking-out";
import type { Method } from "@/core/calibration/methods";
import { boomRun } from "@/core/calibration/required-flow";
import type { Quantity } from "@/core/quantity/kinds";
import { given } from "@/core/working/rule";
import { read, type System } from "@/core/working/units";
import { ratio } from "@/core/quantity/arithmetic";
import { rollingStart } from "@/core/calibration/methods";
import type { RigEntry } from "@/formats/entries";
import { readRig } from "@/formats/job-file/read-rig";
import type { Session } from "@/formats/session";

const WIDTH = 420;
const HEIGHT = 190;

interface SketchProps {
  readonly method: Method;
  readonly session: Session;
  readonly rig: RigEntry;
  readonly system: System;
}

/** The ground to mark out, with the sizes to tape: a plot by its diagonal, a course with its rolling start. */
export function Sketch({ method, session, rig, system }: SketchProps) {
  if (method.sketch === "course") return <CourseSketch method={method} session={session} rig={rig} system={system} />;
  const ground = readTyped("testArea", session.direct ? session.used[0]!.area : session.area);
  const width = readTyped("swath", session.swath);
  if (!ground.ok) return null;
  const area = given(ground.value, "test area");
  if (method.sketch === "square" && !width.ok) {
    const side = squareOf(area);
    return <Plot wide={side.side.value} long={side.side.value} diagonal={side.diagonal.value} passes={0} system={system} />;
  }
  if (!width.ok)
    return (
      <Box border="1px dashed" borderColor="field" padding="14px" color="soft" textStyle="note">
        Type the effective swath, and the ground to mark out is drawn here.
      </Box>
    );
  const marked: MarkingOut = markingOut(area, given(width.value, "effective swath"), method.sketch === "strip" ? 1 : 2);
  return (
    <Plot
      wide={marked.width.value}
      long={marked.length.value}
      diagonal={marked.diagonal.value}
      passes={marked.passes}
      system={system}
    />
  );
}

interface PlotProps {
  readonly wide: Quantity<"length">;
  readonly long: Quantity<"length">;
  readonly diagonal: Quantity<"length">;
  /** 0 where the passes are one's own. */
  readonly passes: 0 | 1 | 2;
  readonly system: System;
}

const PASS_WORDS = { 0: "your own passes", 1: "one pass", 2: "two passes" } as const;

/** A plot, the longer side along the page: true to shape as far as it can be drawn. */
function Plot({ wide, long: length, diagonal, passes, system }: PlotProps) {
  const text = (value: Quantity<"length">) => read(value, "length", system);
  const shape = ratio(wide, length);
  const lying = shape <= 1;
  const slim = Math.min(shape, 1 / shape);
  const long = Math.min(WIDTH - 90, (HEIGHT - 60) / slim);
  const short = Math.max(14, long * slim);
  const [x, y] = [20, 26];
  const middle = y + short / 2;
  const [along, across] = lying ? [text(length), text(wide)] : [text(wide), text(length)];
  return (
    <chakra.svg
      viewBox={`0 0 ${WIDTH} ${Math.max(110, short + 62)}`}
      width="100%"
      maxWidth={`${WIDTH}px`}
      role="img"
      aria-label={`Mark out ${text(wide)} wide and ${text(length)} long, ${PASS_WORDS[passes]}, diagonal ${text(diagonal)}`}
      color="ink"
    >
      <rect x={x} y={y} width={long} height={short} fill="none" stroke="currentColor" strokeWidth="2" />
      {[x, x + long].flatMap((cx) =>
        [y, y + short].map((cy) => <circle key={`${cx} ${cy}`} cx={cx} cy={cy} r="4.5" fill="currentColor" />),
      )}
      <line x1={x} y1={y + short} x2={x + long} y2={y} stroke="currentColor" strokeDasharray="3 5" />
      {lying && passes > 0 && (
        <g stroke="currentColor" strokeWidth="1.5" fill="none" opacity="0.75">
          {passes === 2 && <line x1={x} y1={middle} x2={x + long} y2={middle} strokeDasharray="1 6" />}
          <path d={`M${x + 14} ${passes === 2 ? y + short * 0.75 : middle} h${long - 40} m-8 -5 l8 5 -8 5`} />
          {passes === 2 && <path d={`M${x + long - 14} ${y + short * 0.25} h-${long - 40} m8 -5 l-8 5 8 5`} />}
        </g>
      )}
      <g style={{ fontSize: 15, fontWeight: 700, fontFamily: "var(--cg-fonts-reading)" }} fill="currentColor">
        <text x={x + long / 2} y={y - 9} textAnchor="middle">
          {along}
        </text>
        <text x={x + long + 10} y={middle + 5}>
          {across}
        </text>
        <text style={{ fontSize: 14, fontWeight: 400 }} x={x} y={y + short + 26}>
          diagonal {text(diagonal)}: equal both ways, it is square
        </text>
      </g>
    </chakra.svg>
  );
}

/** Two pegs and a rolling start; on a boom by 1/128 acre, how far to drive. */
function CourseSketch({ method, session, rig, system }: SketchProps) {
  const spacing = readRig(rig.rig).outlets.spacing;
  const run = method.id === "acre-128-boom" && spacing ? boomRun(given(spacing, "spacing")) : undefined;
  const typed = readTyped("course", session.distance);
  const distance = run?.value ?? (typed.ok ? typed.value.value : undefined);
  if (distance === undefined) return null;
  const text = read(distance, "length", system);
  const rolling = rollingStart(system);
  return (
    <Box>
      <chakra.svg
        viewBox={`0 0 ${WIDTH} 96`}
        width="100%"
        maxWidth={`${WIDTH}px`}
        role="img"
        aria-label={`Course of ${text} between two pegs, with a rolling start of ${rolling}`}
        color="ink"
      >
        <g stroke="currentColor" fill="none" strokeWidth="2">
          <line x1="16" y1="44" x2="92" y2="44" strokeDasharray="3 5" />
          <path d="M92 44 H392 m-10 -6 l10 6 -10 6" />
          <line x1="92" y1="26" x2="92" y2="62" strokeWidth="3" />
          <line x1="392" y1="26" x2="392" y2="62" strokeWidth="3" />
        </g>
        <g
          style={{ fontSize: 15, fontWeight: 700, fontFamily: "var(--cg-fonts-reading)" }}
          fill="currentColor"
          textAnchor="middle"
        >
          <text x="242" y="34">
            {text}
          </text>
          <text style={{ fontSize: 13, fontWeight: 400 }} x="54" y="34">
            {rolling}
          </text>
          <text style={{ fontSize: 13, fontWeight: 400 }} x="92" y="82">
            start
          </text>
          <text style={{ fontSize: 13, fontWeight: 400 }} x="392" y="82">
            stop
          </text>
        </g>
      </chakra.svg>
      {run && (
        <Box textStyle="note" color="soft">
          Drive {text} for {spacing!.text} outlets, and the ounces that one outlet gives in that time are gallons an acre.
        </Box>
      )}
    </Box>
  );
}
