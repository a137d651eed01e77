"use client";

import { Box, chakra } from "@chakra-ui/react";
import { given, markingOut, parseField, raw, read, type MarkingOut, type System } from "@/core/contents";

const WIDTH = 420;
const HEIGHT = 190;

/** The ground to mark out, to scale, with the sizes to tape and the diagonal that squares it. */
export function Sketch({ area, swath, system }: { area: string; swath: string; system: System }) {
  const ground = parseField("testArea", area);
  const width = parseField("swath", swath);
  if (!ground.ok) return null;
  if (!width.ok)
    return (
      <Box border="1px dashed" borderColor="field" padding="14px" color="soft" fontSize="15px">
        Type the effective swath, and the ground to mark out is drawn here.
      </Box>
    );
  const marked = markingOut(given(ground.value, "test area"), given(width.value, "effective swath"), 2);
  return <Drawing marked={marked} system={system} />;
}

function Drawing({ marked, system }: { marked: MarkingOut; system: System }) {
  const text = (q: MarkingOut["width"]) => read(q.value, "length", system);
  // Drawn true to shape, the longer side along the page.
  const ratio = raw(marked.width.value) / raw(marked.length.value);
  const long = Math.min(WIDTH - 90, (HEIGHT - 60) / Math.min(ratio, 1 / ratio));
  const short = Math.max(14, long * Math.min(ratio, 1 / ratio));
  const x = 20;
  const y = 26;
  const along = ratio <= 1 ? text(marked.length) : text(marked.width);
  const across = ratio <= 1 ? text(marked.width) : text(marked.length);
  const middle = y + short / 2;
  return (
    <chakra.svg
      viewBox={`0 0 ${WIDTH} ${Math.max(110, short + 62)}`}
      width="100%"
      maxWidth={`${WIDTH}px`}
      role="img"
      aria-label={`Mark out ${text(marked.width)} wide and ${text(marked.length)} long, two passes, diagonal ${text(marked.diagonal)}`}
      color="ink"
    >
      <rect x={x} y={y} width={long} height={short} fill="none" stroke="currentColor" strokeWidth="2" />
      {[
        [x, y],
        [x + long, y],
        [x, y + short],
        [x + long, y + short],
      ].map(([cx, cy]) => (
        <circle key={`${cx} ${cy}`} cx={cx} cy={cy} r="4.5" fill="currentColor" />
      ))}
      <line x1={x} y1={y + short} x2={x + long} y2={y} stroke="currentColor" strokeDasharray="3 5" />
      {ratio <= 1 && (
        <g stroke="currentColor" strokeWidth="1.5" fill="none" opacity="0.75">
          <line x1={x} y1={middle} x2={x + long} y2={middle} strokeDasharray="1 6" />
          <path d={`M${x + 14} ${y + short * 0.75} h${long - 40} m-8 -5 l8 5 -8 5`} />
          <path d={`M${x + long - 14} ${y + short * 0.25} h-${long - 40} m8 -5 l-8 5 8 5`} />
        </g>
      )}
      <g fill="currentColor" fontFamily="var(--cg-fonts-reading)" fontSize="15" fontWeight="700">
        <text x={x + long / 2} y={y - 9} textAnchor="middle">
          {along}
        </text>
        <text x={x + long + 10} y={middle + 5}>
          {across}
        </text>
        <text x={x} y={y + short + 26} fontSize="14" fontWeight="400">
          diagonal {text(marked.diagonal)}: equal both ways, it is square
        </text>
      </g>
    </chakra.svg>
  );
}
