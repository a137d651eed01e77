"use client";

import { useTheme } from "next-themes";
import Plotly from "plotly.js";
import createPlotlyComponent from "react-plotly.js/factory";
import { dateOf } from "@/core/calendar";
import { CHECK_BAND, type CheckPoint, type Trend } from "@/core/calibration/quick-check";

const Plot = createPlotlyComponent(Plotly);

interface ChartProps {
  readonly points: readonly CheckPoint[];
  readonly trend: Trend | undefined;
  /** A day of the same count as the points'. */
  readonly today: number;
}

/** How far ahead of today the trend is drawn where it leaves nothing, days. */
const AHEAD = 60;

const percent = (ratio: number) => (ratio - 1) * 100;

/** The series of quick checks with its trend line, the line's 95 % band, and the band that a check must stay in. */
export function TrendChart({ points, trend, today }: ChartProps) {
  const dark = useTheme().resolvedTheme === "dark";
  const ink = dark ? "#f1ecdc" : "#10352a";
  const act = dark ? "#ff9a4a" : "#9a3f00";
  const line = dark ? "#44604f" : "#b3a98c";
  const water = dark ? "rgba(43,85,96,0.7)" : "rgba(188,211,214,0.8)";
  const first = points[0]!.day;
  const last = Math.min(today + 400, Math.max(today + AHEAD, trend?.told && trend.leaves ? trend.leaves.day + 14 : 0));
  const days = Array.from({ length: 40 }, (_, i) => Math.round(first + ((last - first) * i) / 39));
  const at = trend && days.map((d) => trend.at(d));
  const x = days.map(dateOf);
  return (
    <Plot
      style={{ width: "100%", height: 300 }}
      useResizeHandler
      config={{ displayModeBar: false, responsive: true }}
      layout={{
        margin: { l: 48, r: 10, t: 8, b: 36 },
        paper_bgcolor: "rgba(0,0,0,0)",
        plot_bgcolor: "rgba(0,0,0,0)",
        font: { family: "'B612', sans-serif", size: 13, color: ink },
        showlegend: false,
        hovermode: "closest",
        xaxis: { type: "date", gridcolor: line, linecolor: ink, fixedrange: true },
        yaxis: { title: { text: "% off the calibration" }, gridcolor: line, zerolinecolor: ink, fixedrange: true },
        shapes: [
          {
            type: "rect",
            xref: "paper",
            x0: 0,
            x1: 1,
            y0: -CHECK_BAND * 100,
            y1: CHECK_BAND * 100,
            fillcolor: water,
            line: { width: 0 },
            layer: "below",
          },
          {
            type: "line",
            x0: dateOf(today),
            x1: dateOf(today),
            yref: "paper",
            y0: 0,
            y1: 1,
            line: { color: ink, width: 1, dash: "dot" },
          },
        ],
      }}
      data={[
        ...(at
          ? [
              {
                x,
                y: at.map((a) => percent(a.ratio - a.band)),
                mode: "lines" as const,
                line: { width: 0 },
                hoverinfo: "skip" as const,
              },
              {
                x,
                y: at.map((a) => percent(a.ratio + a.band)),
                mode: "lines" as const,
                line: { width: 0 },
                fill: "tonexty" as const,
                fillcolor: dark ? "rgba(255,154,74,0.18)" : "rgba(154,63,0,0.14)",
                hoverinfo: "skip" as const,
              },
              {
                x,
                y: at.map((a) => percent(a.ratio)),
                mode: "lines" as const,
                line: { color: act, width: 2 },
                hoverinfo: "skip" as const,
              },
            ]
          : []),
        {
          x: points.map((p) => dateOf(p.day)),
          y: points.map((p) => percent(p.ratio)),
          mode: "markers",
          marker: { color: ink, size: 9, symbol: "diamond" },
          hovertemplate: "%{x|%-d %b}: %{y:+.1f} %<extra></extra>",
        },
      ]}
    />
  );
}
