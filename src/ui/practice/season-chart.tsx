"use client";

import { useTheme } from "next-themes";
import Plotly from "plotly.js";
import createPlotlyComponent from "react-plotly.js/factory";
import { inksOf, overDays } from "../check/chart-look";
import type { SeasonLine } from "./season-lines";

const Plot = createPlotlyComponent(Plotly);
const DASHES = ["solid", "dot", "dash", "longdash"] as const;

/** Time taken against time wanted, day by day, each gun its own line, with the band of 5 % that repeats. */
export function SeasonChart({ lines }: { lines: readonly SeasonLine[] }) {
  const inks = inksOf(useTheme().resolvedTheme === "dark");
  const { xaxis, yaxis, ...look } = overDays(inks);
  const at = (y: number) => ({
    type: "line" as const,
    xref: "paper" as const,
    x0: 0,
    x1: 1,
    y0: y,
    y1: y,
    line: { color: inks.act, width: 1.5, dash: "dash" as const },
  });
  return (
    <Plot
      style={{ width: "100%", height: 240 }}
      useResizeHandler
      config={{ displayModeBar: false, responsive: true }}
      layout={{
        ...look,
        showlegend: lines.length > 1,
        xaxis,
        yaxis: { ...yaxis, title: { text: "of the time, %" } },
        shapes: [at(95), at(105)],
      }}
      data={lines.map(({ gun, days, percent }, i) => ({
        name: gun || "no gun named",
        x: [...days],
        y: [...percent],
        mode: "lines+markers" as const,
        line: { color: inks.ink, width: 2, dash: DASHES[i % DASHES.length]! },
        marker: { color: inks.ink, size: 7, symbol: "square" as const },
        hovertemplate: "%{y:.1f} %<extra></extra>",
      }))}
    />
  );
}
