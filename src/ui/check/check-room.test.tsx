import { screen, within } from "@testing-library/react";
import { calibrationOn, PERSON, RIG, showWith } from "../testing/show";
import { dayHere } from "../data/clock";
import { CheckRoom } from "./check-room";

// The chart has its own library and is looked at in the browser; here its points are what counts.
jest.mock(
  "next/dynamic",
  () => () =>
    function Chart({ points }: { points: readonly { ratio: number }[] }) {
      return <div data-testid="chart">{points.map((p) => p.ratio.toFixed(3)).join(" ")}</div>;
    },
);

const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString();
const check = (calibrationId: string, ratio: number, ago: number) => ({
  id: `check-${calibrationId}-${ago}`,
  rigId: RIG.id,
  personId: PERSON.id,
  calibrationId,
  madeAt: daysAgo(ago),
  volume: "31 fl oz",
  time: "60 s",
  ratio,
});
const room = (more: object) => showWith({ rigs: [RIG], people: [PERSON], ...more }, <CheckRoom />);

beforeEach(() => {
  localStorage.clear();
  localStorage.setItem("in-hand", JSON.stringify({ rigId: RIG.id, personId: PERSON.id }));
});

describe("the quick check", () => {
  test("is held against a full calibration: without one it says what to do first", () => {
    room({});
    expect(screen.getByText(/A quick check is held against a full calibration/)).toBeInTheDocument();
  });

  test("and against a measured flow: direct evidence has none", () => {
    room({ calibrations: [calibrationOn(daysAgo(1), { calibration: { used: [{ area: "100 ft2", topUp: "12.8 fl oz" }] } })] });
    expect(screen.getByText(/no measured flow to hold a check against/)).toBeInTheDocument();
  });

  test("says what a minute should fill, and that three checks make a trend", () => {
    const entry = calibrationOn(daysAgo(3));
    room({ calibrations: [entry], points: [{ day: 1, ratio: 0.98 }], checks: [check(entry.id, 0.98, 1)] });
    expect(screen.getByText(/About 31 fl oz in the minute/)).toBeInTheDocument();
    expect(screen.getByText("Three checks make a trend.")).toBeInTheDocument();
    expect(screen.getByText("pass")).toBeInTheDocument();
    expect(screen.getByText("−2 %")).toBeInTheDocument();
  });

  test("a failed one asks for a calibration", () => {
    const entry = calibrationOn(daysAgo(3));
    room({ calibrations: [entry], checks: [check(entry.id, 1.06, 1)] });
    expect(screen.getByText("recalibrate")).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Calibrate again" })).toHaveAttribute("href", "/calibrate");
  });
});

describe("the series", () => {
  test("is drawn as the server carried it over, oldest first; all of the checks stay in the list", () => {
    const now = calibrationOn(daysAgo(2));
    const points = [
      { day: 1, ratio: 1.0625 },
      { day: 20, ratio: 1.01 },
    ];
    room({ calibrations: [now], points, checks: [check(now.id, 1.01, 1), check("older", 1, 20)] });
    expect(screen.getByTestId("chart")).toHaveTextContent("1.063 1.010");
    expect(within(screen.getByRole("list", { name: "Quick checks" })).getAllByRole("listitem").length).toBe(2);
  });

  test("says when the trend leaves the band, and in which window", () => {
    const entry = calibrationOn(daysAgo(29));
    const ratios = [1.0, 0.993, 0.987, 0.979].map((ratio, i) => check(entry.id, ratio, 28 - 7 * i));
    const points = ratios.map(({ ratio, madeAt }) => ({ day: dayHere(madeAt), ratio }));
    room({ calibrations: [entry], points, checks: ratios.reverse() });
    expect(screen.getByText(/It leaves the ±5 % band about/)).toBeInTheDocument();
    expect(screen.getByText(/in 30 days/)).toHaveTextContent(/^Trend −3 ± 0\.\d+ % in 30 days/);
  });
});
