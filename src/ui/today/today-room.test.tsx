import { fireEvent, screen, within } from "@testing-library/react";
import { calibrationOn, PERSON, RIG, showWith } from "../testing/show";
import { TodayRoom } from "./today-room";

const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString();
const OTHER = { id: "person-2", retired: false, name: "Bram Tolliver" };
const rowOf = (text: string | RegExp) => screen.getByText(text).closest("li")!;

beforeEach(() => localStorage.clear());

test("with nothing on record it says what to do first", () => {
  showWith({}, <TodayRoom />);
  expect(screen.getByRole("heading", { name: "Nothing on record yet" })).toBeInTheDocument();
});

test("each rig with each person who has calibrated it, by what is due and what is ready", () => {
  const book = {
    rigs: [RIG],
    people: [PERSON, OTHER],
    calibrations: [calibrationOn(daysAgo(2)), calibrationOn(daysAgo(50), { personId: OTHER.id })],
  };
  showWith(book, <TodayRoom />);
  expect(within(rowOf(/, Odile Marsh/)).getByText("good")).toBeInTheDocument();
  expect(within(rowOf(/, Bram Tolliver/)).getByText("expired")).toBeInTheDocument();
  expect(within(rowOf(/, Bram Tolliver/)).getByText(/time the pace again, was good until/)).toBeInTheDocument();
});

test("a rig that nobody has calibrated is to do; a retired one is away", () => {
  const gone = { ...RIG, id: "rig-2", retired: true, rig: { ...RIG.rig, name: "Old can" } };
  showWith({ rigs: [RIG, gone], people: [PERSON] }, <TodayRoom />);
  expect(within(rowOf("never calibrated")).getByText("to do")).toBeInTheDocument();
  expect(screen.queryByText("Old can")).toBeNull();
});

test("a button takes rig and person in hand and goes there", () => {
  showWith({ rigs: [RIG], people: [PERSON], calibrations: [calibrationOn(daysAgo(2))] }, <TodayRoom />);
  fireEvent.click(screen.getByRole("button", { name: "Mix with Blue backpack, Odile Marsh" }));
  expect(window.location.pathname).toBe("/mix");
  expect(JSON.parse(localStorage.getItem("in-hand")!)).toEqual({ rigId: RIG.id, personId: PERSON.id });
});

test("open sheets are listed with how far they are", () => {
  const what = { sites: ["Bowling green"], products: [], tank: "main", run: false, dayId: null };
  const sheet = { id: "sheet-1", madeAt: daysAgo(0), rigId: RIG.id, personId: PERSON.id, steps: 5, done: 2, ...what };
  showWith({ rigs: [RIG], openSheets: [sheet, { ...sheet, id: "sheet-2", done: 5 }] }, <TodayRoom />);
  expect(screen.getAllByRole("link", { name: "Bowling green" }).map((l) => l.getAttribute("href"))).toEqual([
    "/mix/sheet?id=sheet-1",
    "/mix/sheet?id=sheet-2",
  ]);
  expect(screen.getByText(/poured, still open/)).toBeInTheDocument();
  expect(screen.getByText(/· 2 of 5 steps$/)).toBeInTheDocument();
  // What is in a tank comes before all else, at one press.
  const next = screen.getByRole("region", { name: "Next" });
  expect(next).toHaveTextContent("Go on with Bowling green");
  expect(within(next).getByRole("link", { name: "Go on" })).toHaveAttribute("href", "/mix/pour?id=sheet-1");
});

test("a run sheet begun on this device can be gone on with", () => {
  localStorage.setItem(`session:${RIG.id}:${PERSON.id}`, "{}");
  showWith({ rigs: [RIG], people: [PERSON] }, <TodayRoom />);
  fireEvent.click(screen.getByRole("button", { name: "Go on" }));
  expect(window.location.pathname).toBe("/calibrate");
});

describe("what is due", () => {
  const day = (ago: number) => new Date(Date.now() - ago * 86_400_000).toISOString();
  const bench = (more: object) => showWith({ rigs: [RIG], people: [PERSON], ...more }, <TodayRoom />);
  const check = (calibrationId: string, ratio: number, madeAt: string) => ({
    id: `check-${ratio}`,
    rigId: RIG.id,
    personId: PERSON.id,
    calibrationId,
    madeAt,
    volume: "31 fl oz",
    time: "60 s",
    ratio,
  });

  test("a quick check, a week after the calibration or the last check", () => {
    const entry = calibrationOn(day(9));
    bench({ calibrations: [entry] }).unmount();
    bench({ calibrations: [entry] });
    expect(screen.getByText("check due")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: /^Quick check with Blue backpack/ })).toBeInTheDocument();
  });
  test("no check while the last one passed within the week", () => {
    const entry = calibrationOn(day(20));
    bench({ calibrations: [entry], checks: [check(entry.id, 1.01, day(3))] });
    expect(screen.getByText("good")).toBeInTheDocument();
  });
  test("a check that failed is a stop", () => {
    const entry = calibrationOn(day(2));
    bench({ calibrations: [entry], checks: [check(entry.id, 0.9, day(1))] });
    expect(screen.getByText("failed")).toBeInTheDocument();
    expect(screen.getByText(/the quick check was 10 % low/)).toBeInTheDocument();
  });
  test("an estimate is no calibration to mix from", () => {
    bench({
      calibrations: [
        calibrationOn(day(1), {
          calibration: { pace: { kind: "speed", speed: "2 mph", swath: "5 ft" }, flow: { kind: "tip-chart" } },
        }),
      ],
    });
    expect(screen.getByText("estimate only")).toBeInTheDocument();
  });
  test("a hose-end head stands by its tap", () => {
    const rig = { ...RIG.rig, kind: "hose-end" as const, head: { kind: "metered" as const, feed: "2 fl oz/min" } };
    const site = {
      id: "site-1",
      retired: false,
      site: { name: "Rope museum court", zones: [{ name: "beds", area: "900 ft2" }] },
    };
    bench({
      rigs: [{ ...RIG, rig }],
      sites: [site],
      calibrations: [calibrationOn(day(1), { personId: null, siteId: "site-1", rig })],
    });
    expect(screen.getByText(", tap of Rope museum court")).toBeInTheDocument();
  });
});
