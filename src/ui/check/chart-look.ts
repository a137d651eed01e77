"use client";

/** Inks of a drawing, by day and in the dark. */
export const inksOf = (dark: boolean) => ({
  ink: dark ? "#f1ecdc" : "#10352a",
  act: dark ? "#ff9a4a" : "#9a3f00",
  line: dark ? "#44604f" : "#b3a98c",
  water: dark ? "rgba(43,85,96,0.7)" : "rgba(188,211,214,0.8)",
  haze: dark ? "rgba(255,154,74,0.18)" : "rgba(154,63,0,0.14)",
});

/** A ratio to the calibration, as the drawings show it. */
export const percentOff = (ratio: number) => (ratio - 1) * 100;

/** A drawing of what was measured over the days, in per cent off the calibration. */
export function overDays({ ink, line }: Pick<ReturnType<typeof inksOf>, "ink" | "line">) {
  return {
    margin: { l: 48, r: 10, t: 8, b: 36 },
    paper_bgcolor: "rgba(0,0,0,0)",
    plot_bgcolor: "rgba(0,0,0,0)",
    font: { family: "'B612', sans-serif", size: 13, color: ink },
    showlegend: false,
    hovermode: "closest" as const,
    xaxis: { type: "date" as const, gridcolor: line, linecolor: ink, fixedrange: true },
    yaxis: { title: { text: "% off the calibration" }, gridcolor: line, zerolinecolor: ink, fixedrange: true },
  };
}

/** The band that is still the calibration, from side to side. @param band its half, as a part */
export const bandAcross = (band: number, fillcolor: string) => ({
  type: "rect" as const,
  xref: "paper" as const,
  x0: 0,
  x1: 1,
  y0: -band * 100,
  y1: band * 100,
  fillcolor,
  line: { width: 0 },
  layer: "below" as const,
});
