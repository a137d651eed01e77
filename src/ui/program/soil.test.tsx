import { screen } from "@testing-library/react";
import type { ProgramText } from "@/formats/season/program";
import { setFirmZone, setServerTime } from "../data/clock";
import { show, showWith } from "../testing/show";
import { Soil } from "./soil";

jest.mock("./years-chart", () => ({
  YearsChart: ({ title, years, marks }: { title: string; years: { year: string; points: unknown[] }[]; marks: number[] }) => (
    <figure>{`${title}: ${years.map(({ year, points }) => `${year} ${points.length} days`).join(", ")}; at ${marks.map((m) => Math.round(m)).join(", ")}`}</figure>
  ),
}));

beforeEach(() => {
  localStorage.clear();
  setFirmZone("UTC");
  setServerTime(Date.parse("2026-04-20T10:00:00.000Z"));
});
const day = (n: number) => String(n).padStart(2, "0");
/** The first days of April, each so many degrees, F. */
const soil = (year: string, degrees: readonly number[]) =>
  degrees.map((d, i) => ({ date: `${year}-04-${day(i + 1)}`, temperature: `${d} F` }));
const air = (year: string, most: readonly number[]) =>
  most.map((d, i) => ({ date: `${year}-04-${day(i + 1)}`, least: "50 F", most: `${d} F` }));
const round = (name: string, opens: object, closes?: object) => ({ name, label: "label-1", opens, ...(closes && { closes }) });
const program = (more: object): ProgramText => ({ rounds: [], soil: [], ...more }) as ProgramText;

test("the soil is drawn, the years above one another, and says when it opened what, and how that is against last year", async () => {
  const warm = [45, 50, 50, 50, 55, 60, 60];
  const rounds = [round("first half", { soilRisesTo: "50 F" }), round("second", { soilRisesTo: "70 F" })];
  const years = [...soil("2025", [40, 45, 45, 50, 50, 55, 60, 60]), ...soil("2026", warm)];
  showWith({}, <Soil program={program({ rounds, soil: years })} />);
  expect(await screen.findByText("soil, °F: 2026 3 days, 2025 4 days; at 50, 70")).toBeInTheDocument();
  expect(
    screen.getByText("first half, when the soil rises to 50 °F: opened on 5 Apr 2026, 2 days before last year."),
  ).toBeInTheDocument();
  expect(screen.getByText("second, when the soil rises to 70 °F: not yet.")).toBeInTheDocument();
});

test("degree days are drawn by their base, with how far they are and when they opened what", async () => {
  const rounds = [
    round("grubs", { degreeDays: "20 over 50 F from 04-01" }, { degreeDays: "60 over 50 F from 04-01" }),
    round("weeds", { degreeDays: "10 over 10 C from 04-01" }),
  ];
  const days = [...air("2025", [60, 60, 60, 60, 60]), ...air("2026", [50, 60, 60, 70, 60])];
  const { unmount } = showWith({}, <Soil program={program({ rounds, air: days })} />);
  // Five, ten, … over 50 °F: each day's half of what its most is over. 10 °C is 50 °F, and 10 K·d are 18 in degrees F.
  expect(await screen.findByText("degree days, °F: 2026 5 days, 2025 5 days; at 20, 60, 18")).toBeInTheDocument();
  expect(
    screen.getByText("grubs: 20 degree days over 50 °F, were there on 4 Apr 2026, and opened it, as last year."),
  ).toBeInTheDocument();
  expect(screen.getByText("grubs: 60 degree days over 50 °F, 25 of them by 5 Apr 2026.")).toBeInTheDocument();
  expect(
    screen.getByText("weeds: 18 degree days over 50 °F, were there on 4 Apr 2026, and opened it, as last year."),
  ).toBeInTheDocument();
  unmount();
  localStorage.setItem("in-hand", JSON.stringify({ system: "metric" }));
  showWith({}, <Soil program={program({ rounds: [rounds[1]] })} />);
  expect(screen.getByText("weeds: 10 degree days over 10 °C, none of this year on record.")).toBeInTheDocument();
});

test("of a program that asks for neither nothing is drawn", () => {
  const { container } = show(<Soil program={program({ rounds: [round("a", { date: "03-01" })], air: air("2026", [60]) })} />);
  expect(container).toHaveTextContent("");
});
