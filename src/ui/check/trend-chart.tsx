"use client";

import { useTheme } from "next-themes";
import Plotly from "plotly.js";
import createPlotlyComponent from "react-plotly.js/factory";
import { dateOf } from "@/core/calendar";
import { CHECK_BAND, type CheckPoint, type Trend } from "@/core/calibration/quick-check";
import { bandAcross, inksOf, overDays, percentOff } from "./chart-look";

const Plot = createPlotlyComponent(Plotly);

interface ChartProps {
  readonly points: readonly CheckPoint[];
  readonly trend: Trend | undefined;
  /** A day of the same count as the points'. */
  readonly today: number;
}

/** How far ahead of today the trend is drawn where it leaves nothing, days. */
const AHEAD = 60;

/** The series of quick checks with its trend line, the line's 95 % band, and the band that a check must stay in. */
export function TrendChart({ points, trend, today }: ChartProps) {
  const inks = inksOf(useTheme().resolvedTheme === "dark");
  const { ink, act, water, haze } = inks;
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
        ...overDays(inks),
        shapes: [
          bandAcross(CHECK_BAND, water),
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
                y: at.map((a) => percentOff(a.ratio - a.band)),
                mode: "lines" as const,
                line: { width: 0 },
                hoverinfo: "skip" as const,
              },
              {
                x,
                y: at.map((a) => percentOff(a.ratio + a.band)),
                mode: "lines" as const,
                line: { width: 0 },
                fill: "tonexty" as const,
                fillcolor: haze,
                hoverinfo: "skip" as const,
              },
              {
                x,
                y: at.map((a) => percentOff(a.ratio)),
                mode: "lines" as const,
                line: { color: act, width: 2 },
                hoverinfo: "skip" as const,
              },
            ]
          : []),
        {
          x: points.map((p) => dateOf(p.day)),
          y: points.map((p) => percentOff(p.ratio)),
          mode: "markers",
          marker: { color: ink, size: 9, symbol: "diamond" },
          hovertemplate: "%{x|%-d %b}: %{y:+.1f} %<extra></extra>",
        },
      ]}
    />
  );
}
