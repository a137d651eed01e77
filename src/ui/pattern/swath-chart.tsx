"use client";

import { useTheme } from "next-themes";
import Plotly from "plotly.js";
import createPlotlyComponent from "react-plotly.js/factory";
import type { Swath } from "@/core/pattern/swaths";
import { inksOf, overDays } from "../check/chart-look";

const Plot = createPlotlyComponent(Plotly);

interface ChartProps {
  readonly swaths: readonly Swath[];
  /** Of each swath, in the reader's unit. */
  readonly widths: readonly number[];
  readonly unit: string;
  /** A part. */
  readonly most: number;
  /** The number of the swath that is looked at. */
  readonly at: number;
}

/** How uneven the lawn gets it, by the swath: passes alike, and there and back; and the most that is even enough. */
export function SwathChart({ swaths, widths, unit, most, at }: ChartProps) {
  const inks = inksOf(useTheme().resolvedTheme === "dark");
  const { xaxis, yaxis, ...look } = overDays(inks);
  const line = (way: "sameWay" | "backAndForth", name: string, dash: "solid" | "dot") => ({
    name,
    x: [...widths],
    y: swaths.map((swath) => swath[way] * 100),
    mode: "lines+markers" as const,
    line: { color: inks.ink, width: 2, dash },
    marker: { color: inks.ink, size: 6, symbol: "square" as const },
    hovertemplate: `%{x} ${unit}: %{y:.1f} %<extra>${name}</extra>`,
  });
  return (
    <Plot
      style={{ width: "100%", height: 300 }}
      useResizeHandler
      config={{ displayModeBar: false, responsive: true }}
      layout={{
        ...look,
        showlegend: true,
        legend: { orientation: "h", y: 1.15 },
        xaxis: { ...xaxis, type: "linear", title: { text: `swath, ${unit}` } },
        yaxis: { ...yaxis, title: { text: "unevenness (CV), %" }, rangemode: "tozero" },
        shapes: [
          {
            type: "line",
            xref: "paper",
            x0: 0,
            x1: 1,
            y0: most * 100,
            y1: most * 100,
            line: { color: inks.act, width: 2, dash: "dash" },
          },
          { type: "line", yref: "paper", y0: 0, y1: 1, x0: widths[at]!, x1: widths[at]!, line: { color: inks.act, width: 2 } },
        ],
      }}
      data={[line("backAndForth", "there and back", "solid"), line("sameWay", "always the same way", "dot")]}
    />
  );
}
