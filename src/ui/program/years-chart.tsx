"use client";

import { useTheme } from "next-themes";
import Plotly from "plotly.js";
import createPlotlyComponent from "react-plotly.js/factory";
import { inksOf, overDays } from "../check/chart-look";

const Plot = createPlotlyComponent(Plotly);

export interface YearLine {
  /** Four digits. */
  readonly year: string;
  readonly points: readonly (readonly [date: string, value: number])[];
}

interface ChartProps {
  /** The newest first. */
  readonly years: readonly YearLine[];
  /** Values that matter. */
  readonly marks: readonly number[];
  readonly title: string;
}

/** Years are drawn above one another: each day stands in this one, a leap year. */
const ANY = "2024";
const DASHES = ["solid", "dash", "dot", "dashdot"] as const;

/** Something that goes on through a year, the years above one another, and the values that open and close rounds. */
export function YearsChart({ years, marks, title }: ChartProps) {
  const inks = inksOf(useTheme().resolvedTheme === "dark");
  const { xaxis, yaxis, ...look } = overDays(inks);
  return (
    <Plot
      style={{ width: "100%", height: 280 }}
      useResizeHandler
      config={{ displayModeBar: false, responsive: true }}
      layout={{
        ...look,
        showlegend: years.length > 1,
        legend: { orientation: "h", y: 1.12 },
        xaxis: { ...xaxis, tickformat: "%-d %b" },
        yaxis: { ...yaxis, title: { text: title } },
        shapes: [...new Set(marks)].map((value) => ({
          type: "line" as const,
          xref: "paper" as const,
          x0: 0,
          x1: 1,
          y0: value,
          y1: value,
          line: { color: inks.act, width: 2, dash: "dot" as const },
        })),
      }}
      data={years.map(({ year, points }, i) => ({
        name: year,
        x: points.map(([date]) => `${ANY}${date.slice(4)}`),
        y: points.map(([, value]) => value),
        mode: "lines" as const,
        line: { color: inks.ink, width: i === 0 ? 3 : 1.5, dash: DASHES[i % DASHES.length]! },
        hovertemplate: `%{x|%-d %b} ${year}: %{y:.1f}<extra></extra>`,
      }))}
    />
  );
}
