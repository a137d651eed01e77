import { fireEvent, screen } from "@testing-library/react";
import type { AfterEntry } from "@/formats/entries";
import { setFirmZone, setServerTime } from "../data/clock";
import { showWith } from "../testing/show";
import { AfterWork } from "./after-work";

const entry = (more: Partial<AfterEntry> = {}): AfterEntry => ({
  siteId: "site-1",
  site: "Pier",
  date: "2026-09-01",
  earliest: "2026-09-01T16:40:00.000Z",
  latest: "2026-09-01T16:40:00.000Z",
  hourKnown: true,
  cards: [
    { name: "Granule", waterLeast: "0.25 in", waterMost: "0.5 in", waterWithin: "24 h", reentry: "24 h", mowAfter: "2 days" },
  ],
  waters: [],
  waterer: null,
  zones: [{ name: "lawn", area: "5000 ft2", irrigation: "0.5 in/h" }],
  ...more,
});

beforeEach(() => {
  localStorage.clear();
  setFirmZone("UTC");
  setServerTime(Date.parse("2026-09-02T10:00:00.000Z"));
});

test("what is owed says until when, how much water and how long the irrigation runs for it", () => {
  showWith({ afterWork: [entry()] }, <AfterWork />);
  const region = screen.getByRole("region", { name: "After the work" });
  expect(region).toHaveTextContent("Water in 0.25 in to 0.5 in by Wed 2 Sep, 16:40. Irrigation: lawn 30 min 00 s to 1 h 00 min.");
  expect(region).toHaveTextContent("People and pets off until Wed 2 Sep, 16:40.");
  expect(region).toHaveTextContent("No mowing until Thu 3 Sep, 16:40.");
});

test("rain that was measured counts; a storm is told, and so is what was missed", () => {
  const rained = (depth: string) => [{ id: "w.0", kind: "rain" as const, at: "2026-09-02T04:00:00.000Z", depth }];
  const { unmount } = showWith({ afterWork: [entry({ waters: rained("0.1 in") })] }, <AfterWork />);
  expect(screen.getByText(/Water in 0.15 in to 0.4 in more by .* 0.1 in was measured\./)).toBeInTheDocument();
  unmount();
  const storm = showWith({ afterWork: [entry({ waters: rained("1.4 in") })] }, <AfterWork />);
  expect(screen.getByText(/It got 1.4 in, at most 0.5 in was allowed/)).toBeInTheDocument();
  storm.unmount();
  setServerTime(Date.parse("2026-09-03T10:00:00.000Z"));
  showWith({ afterWork: [entry()] }, <AfterWork />);
  expect(screen.getByText(/Not watered in by Wed 2 Sep, 16:40/)).toBeInTheDocument();
});

test("where all is done there is nothing to say; a metric reader reads millimetres", () => {
  const enough = entry({ waters: [{ id: "w.0", kind: "irrigation", at: "2026-09-02T04:00:00.000Z", depth: "0.3 in" }] });
  setServerTime(Date.parse("2026-09-04T10:00:00.000Z"));
  const { container, unmount } = showWith({ afterWork: [enough] }, <AfterWork />);
  expect(container).toHaveTextContent("");
  unmount();
  setServerTime(Date.parse("2026-09-02T10:00:00.000Z"));
  localStorage.setItem("in-hand", JSON.stringify({ system: "metric" }));
  showWith({ afterWork: [entry()] }, <AfterWork />);
  expect(screen.getByText(/Water in 6.4 mm to 13 mm by/)).toBeInTheDocument();
  fireEvent.click(screen.getByText("Rain or watering that was measured"));
  expect(screen.getByLabelText("How much")).toHaveAttribute("placeholder", expect.stringContaining("mm"));
});
