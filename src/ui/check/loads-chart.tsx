"use client";

import { useTheme } from "next-themes";
import Plotly from "plotly.js";
import createPlotlyComponent from "react-plotly.js/factory";
import { TOLERANCE } from "@/core/calibration/calibrate";
import type { Pooled } from "@/core/outcome/evidence";
import { writeNumber } from "@/core/quantity/format";
import type { LoadsEntry } from "@/formats/entries";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";
import { bandAcross, inksOf, overDays, percentOff } from "./chart-look";

const Plot = createPlotlyComponent(Plotly);

interface ChartProps {
  readonly loads: readonly LoadsEntry[];
  readonly pooled: Pooled;
}

/** Each load with its ±, the mean of all with its band, and the band in which the calibration still holds. */
export function LoadsChart({ loads, pooled: { ratio, relative } }: ChartProps) {
  const inks = inksOf(useTheme().resolvedTheme === "dark");
  const { ink, act, water, haze } = inks;
  const half = relative === null ? 0 : relative * ratio;
  return (
    <Plot
      style={{ width: "100%", height: 260 }}
      useResizeHandler
      config={{ displayModeBar: false, responsive: true }}
      layout={{
        ...overDays(inks),
        shapes: [
          bandAcross(TOLERANCE, water),
          { ...bandAcross(half, haze), y0: percentOff(ratio - half), y1: percentOff(ratio + half) },
          {
            type: "line",
            xref: "paper",
            x0: 0,
            x1: 1,
            y0: percentOff(ratio),
            y1: percentOff(ratio),
            line: { color: act, width: 2 },
          },
        ],
      }}
      data={[
        {
          x: loads.map(({ at }) => format(wallClock(at), "yyyy-MM-dd HH:mm")),
          y: loads.map((one) => percentOff(one.ratio)),
          error_y: { type: "data", array: loads.map((one) => one.ratio * one.relative * 100), color: ink, thickness: 1.5 },
          text: loads.map(
            (one) =>
              `${one.site}: ${writeNumber(percentOff(one.ratio), { decimals: 1 })} ± ${writeNumber(one.relative * 100, { figures: 2 })} %`,
          ),
          mode: "markers",
          marker: { color: ink, size: 10, symbol: "square" },
          hovertemplate: "%{x|%-d %b}, %{text}<extra></extra>",
        },
      ]}
    />
  );
}
