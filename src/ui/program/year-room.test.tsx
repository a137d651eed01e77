import { fireEvent, screen, within } from "@testing-library/react";
import type { WeekEntry, YearEntry, YearOfSiteEntry } from "@/formats/entries";
import { setServerTime } from "../data/clock";
import { showWith } from "../testing/show";
import { owedOn } from "./against";
import { Budgets } from "./budgets";
import { dayAfter, YearDrawing } from "./year-drawing";
import { Week } from "./week";
import { YearRoom } from "./year-room";

beforeEach(() => {
  localStorage.clear();
  setServerTime(Date.parse("2026-09-02T10:00:00Z"));
});

const YEAR: YearEntry = {
  date: "2026-09-02",
  sites: 30,
  perDay: 2000,
  undo: "batch-0000001",
  rounds: [
    {
      name: "autumn half",
      label: "label-1",
      opens: "2026-09-10",
      closes: "2026-10-20",
      expected: true,
      later: 9,
      counted: true,
      planned: [
        ["2026-09-14", 12, 900],
        ["2026-09-29", 10, 800],
      ],
      done: [["2026-08-30", 4]],
      unfit: [
        {
          reason: "limit",
          sites: 4,
          names: ["Pier", "Mole"],
          says: [{ us: "Zel: 2 oz too much.", metric: "Zel: 60 g too much." }],
        },
      ],
    },
    {
      name: "feed",
      label: "label-2",
      closes: null,
      expected: false,
      later: 0,
      counted: false,
      planned: [],
      done: [],
      unfit: [{ reason: "soil-unknown", sites: 1, names: ["Pier"], says: [] }],
    },
  ],
};

test("each round says how far it is, when the rest is, what its label holds and whether anybody counted", () => {
  showWith({ year: YEAR }, <YearRoom />);
  const rows = within(screen.getByRole("list", { name: "Rounds of 2026" })).getAllByRole("listitem");
  expect(rows[0]).toHaveTextContent("autumn half4 done · 22 to do, 14 Sep to 29 Sep · 9 days later than usual");
  expect(rows[0]).toHaveTextContent("✕ 4 sites: its label holds it. Pier, Mole … For example: Zel: 2 oz too much.");
  expect(screen.getByText("no rate: its limits aren't counted ahead")).toBeInTheDocument();
  expect(screen.getByText(/nothing measured in an earlier year says when it opens/)).toBeInTheDocument();
});

const row = (onMove: (days: number) => void) => ({
  name: "feed",
  sub: "",
  opens: "2026-03-01",
  closes: null,
  expected: false,
  marks: [{ day: "2026-03-10", part: 1, done: false }],
  wide: 5,
  move: { whole: false, least: -9, most: 20, says: (days: number) => dayAfter("2026-03-10", days), onMove },
});

test("a bar is moved by keys: the day is said, Enter keeps it, Escape leaves it, and no key moves it past its ends", () => {
  const moved = jest.fn();
  showWith({}, <YearDrawing year={2026} today={null} rows={[row(moved)]} />);
  const bar = screen.getByRole("slider", { name: "feed" });
  expect(bar).toHaveAttribute("aria-valuetext", "10 Mar 2026");
  fireEvent.keyDown(bar, { key: "PageUp" });
  fireEvent.keyDown(bar, { key: "ArrowRight" });
  expect(bar).toHaveAttribute("aria-valuetext", "18 Mar 2026");
  fireEvent.keyDown(bar, { key: "Escape" });
  fireEvent.keyDown(bar, { key: "Enter" });
  expect(moved).not.toHaveBeenCalled();
  for (let i = 0; i < 3; i++) fireEvent.keyDown(bar, { key: "PageDown" });
  expect(bar).toHaveAttribute("aria-valuetext", "1 Mar 2026");
  fireEvent.keyDown(bar, { key: "Enter" });
  expect(moved).toHaveBeenCalledWith(-9);
});

test("a year of a site: each round with its day, what speaks against it, and how the year's limits fill", () => {
  const site: YearOfSiteEntry = {
    date: "2026-09-02",
    undo: null,
    items: [
      {
        round: "feed",
        label: "label-2",
        state: "planned",
        on: "2026-09-14",
        fixed: true,
        earliest: "2026-09-20",
        latest: null,
        reasons: ["not-open"],
        says: [],
        cost: null,
      },
      {
        round: "late",
        label: "label-2",
        state: "unfit",
        on: null,
        fixed: false,
        earliest: null,
        latest: null,
        reasons: ["limit"],
        says: [{ us: "Over by 1 oz.", metric: "Over by 28 g." }],
        cost: 12.3,
      },
    ],
    budgets: [{ product: "Zel", active: "zelol", zone: "north", down: 0.25, steps: [["2026-09-14", 0.75]] }],
  };
  showWith({}, <Budgets year={2026} budgets={site.budgets} />);
  expect(screen.getByRole("listitem")).toHaveTextContent(
    "Zelzelol, north25 % down, 75 % after 14 Sep 2026 of what a year allows",
  );
});

const week = (more: Partial<WeekEntry["days"][number]>): WeekEntry => ({
  today: "2026-09-02",
  perDay: 100,
  undo: null,
  days: [
    { date: "2026-08-31", works: true, area: 0, items: [], more: 0, load: [] },
    { date: "2026-09-02", works: true, area: 180, items: [item("Pier"), item("Mole")], more: 0, load: [], ...more },
  ],
});
const item = (site: string) => ({
  siteId: `site-${site}`,
  site,
  round: "feed",
  labelId: "label-1",
  area: 90,
  fixed: site === "Mole",
  reasons: [],
});

describe("what speaks against a day", () => {
  const moves = { said: undefined, move: jest.fn(), shift: jest.fn(), undo: jest.fn() };
  const shownDay = () => screen.getByRole("region", { name: "Wed 2 Sep" });
  test("of today what the newest report says, by the labels of its work; an old report says nothing", () => {
    const gusty = "KFRY 020953Z 24016G25KT 9999 SKC 20/12 Q1018";
    localStorage.setItem("metars", JSON.stringify(gusty));
    const now = showWith({ week: week({}) }, <Week moves={moves} />);
    expect(shownDay()).toHaveTextContent(/! not now, by the weather: wind of 18 mph, 10 mph is the most/);
    now.unmount();
    localStorage.setItem("metars", JSON.stringify("KFRY 020453Z 24016G25KT 9999 SKC 20/12 Q1018"));
    const old = showWith({ week: week({}) }, <Week moves={moves} />);
    expect(shownDay()).not.toHaveTextContent("by the weather");
    old.unmount();
    localStorage.setItem("metars", JSON.stringify(gusty));
    showWith({ week: week({ date: "2026-09-03" }) }, <Week moves={moves} />);
    expect(screen.getByRole("region", { name: "Thu 3 Sep" })).not.toHaveTextContent("by the weather");
  });
  test("what the ground is still owed on the morning of a day", () => {
    const card = { name: "Zel", keepDry: "24 h", mowAfter: "9 days" };
    const entry = { siteId: "site-Pier", site: "Pier", date: "2026-09-01", earliest: "2026-09-01T16:00:00.000Z", latest: "2026-09-01T16:00:00.000Z", hourKnown: true, cards: [card], waters: [], waterer: null, zones: [] }; // prettier-ignore
    showWith({ week: week({}), afterWork: [entry as never] }, <Week moves={moves} />);
    const owed = "! after Zel it is to be kept dry until Wed 2 Sep 16:00";
    expect(within(shownDay()).getAllByRole("listitem")[0]).toHaveTextContent(owed);
    expect(shownDay().textContent!.split(owed)).toHaveLength(2);
    const now = Date.parse("2026-09-02T10:00:00Z");
    expect(owedOn([entry as never], "site-Pier", "2026-09-03", now)).toEqual([]);
    expect(owedOn([entry as never], "site-Mole", "2026-09-02", now)).toEqual([]);
  });
});

test("a day of the week says how much it is and what speaks against it; work moves from it without a drag", () => {
  const move = jest.fn();
  const moves = { said: undefined, move, shift: jest.fn(), undo: jest.fn() };
  showWith({ week: week({}) }, <Week moves={moves} />);
  const day = screen.getByRole("region", { name: "Wed 2 Sep" });
  expect(day).toHaveTextContent("1,938 sq ft");
  expect(day).toHaveTextContent("! more than a day's work");
  expect(day).toHaveTextContent("! no rig is calibrated");
  expect(day).toHaveTextContent("Molefeed, fixed");
  fireEvent.change(within(day).getByLabelText("feed of Pier to"), { target: { value: "2026-09-04" } });
  expect(move).toHaveBeenLastCalledWith([{ siteId: "site-Pier", round: "feed", day: "2026-09-04" }]);
  fireEvent.change(within(day).getByLabelText("All of Wed 2 Sep to"), { target: { value: "2026-09-07" } });
  expect(move.mock.lastCall![0]).toHaveLength(2);
});
