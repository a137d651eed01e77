"use client";

import { useTheme } from "next-themes";
import Plotly from "plotly.js";
import createPlotlyComponent from "react-plotly.js/factory";
import { toFahrenheit } from "@/core/conditions/temperature";
import type { SoilDays } from "@/core/season/openings";
import type { SoilMean } from "@/core/season/soil";
import type { System } from "@/core/working/units";
import { inksOf, overDays } from "../check/chart-look";

const Plot = createPlotlyComponent(Plotly);

interface ChartProps {
  readonly means: readonly SoilMean[];
  readonly edges: readonly SoilDays[];
  readonly system: System;
}

/** Years are drawn above one another: each day stands in this one, a leap year. */
const ANY = "2024";
const DASHES = ["solid", "dash", "dot", "dashdot"] as const;

/** The five-day mean of each year, and the temperatures that open and close rounds. */
export function SoilChart({ means, edges, system }: ChartProps) {
  const inks = inksOf(useTheme().resolvedTheme === "dark");
  const degrees = (celsius: number) => (system === "us" ? toFahrenheit(celsius) : celsius);
  const years = [...new Set(means.map((mean) => mean.date.slice(0, 4)))].reverse();
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
        yaxis: { ...yaxis, title: { text: system === "us" ? "soil, °F" : "soil, °C" } },
        shapes: [...new Set(edges.map((edge) => edge.celsius))].map((celsius) => ({
          type: "line" as const,
          xref: "paper" as const,
          x0: 0,
          x1: 1,
          y0: degrees(celsius),
          y1: degrees(celsius),
          line: { color: inks.act, width: 2, dash: "dot" as const },
        })),
      }}
      data={years.map((year, i) => {
        const own = means.filter((mean) => mean.date.startsWith(year));
        return {
          name: year,
          x: own.map(({ date }) => `${ANY}${date.slice(4)}`),
          y: own.map(({ celsius }) => degrees(celsius)),
          mode: "lines" as const,
          line: { color: inks.ink, width: i === 0 ? 3 : 1.5, dash: DASHES[i % DASHES.length]! },
          hovertemplate: `%{x|%-d %b} ${year}: %{y:.1f}<extra></extra>`,
        };
      })}
    />
  );
}
