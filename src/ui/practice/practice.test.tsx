import { act, fireEvent, screen, within } from "@testing-library/react";
import type { PracticeEntry } from "@/formats/entries";
import { keep } from "../data/kept-here";
import { PERSON, RIG, showWith, calibrationOn } from "../testing/show";
import { seasonOf } from "./season-lines";
import { CountdownRoom } from "./countdown-room";
import { LessonsRoom } from "./lessons-room";
import { newDrill, readDraft } from "./pace-draft";
import { PaceRoom } from "./pace-room";
import { aimWords } from "./pace-table";
import { PracticeRecord } from "./practice-record";
import { SwingRoom, widthsOf } from "./swing-room";
import { clockSlip, WalkPad } from "./walk-pad";
import { stripOf, usualCount } from "./zone-strips";

jest.mock("./season-chart", () => ({ SeasonChart: () => null }));

const at = (daysAgo: number) => new Date(Date.now() - daysAgo * 86_400_000).toISOString();
const walks = (daysAgo: number, times: readonly string[], beat = false): PracticeEntry => ({
  id: `practice-${daysAgo}`,
  personId: PERSON.id,
  rigId: null,
  ground: "turf",
  at: at(daysAgo),
  what: { kind: "pace", course: "44 ft", wanted: "10 s", walks: times.map((time) => ({ time, beat })) },
});

beforeEach(() => {
  localStorage.clear();
  localStorage.setItem("in-hand", JSON.stringify({ rigId: RIG.id, personId: PERSON.id }));
});

const type = (name: RegExp | string, value: string) => {
  const field = screen.getByLabelText(name);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};

describe("the pace trainer", () => {
  test("nobody in hand: says whom to pick", () => {
    localStorage.clear();
    showWith({ rigs: [RIG], people: [] }, <PaceRoom />);
    expect(screen.getByText(/Who practises\?/)).toBeInTheDocument();
  });
  test("the drill needs no calibration: 3 mph, and with 17 strides over 44 ft a beat of 102", () => {
    showWith({ rigs: [RIG], people: [PERSON] }, <PaceRoom />);
    expect(screen.getByText("3 mph")).toBeInTheDocument();
    type("or strides over the course", "17");
    expect(screen.getByText("102 a minute")).toBeInTheDocument();
  });
  test("walks that were kept in the draft are judged: three in a row sit, one struck doesn't count", () => {
    const three = ["10.1 s", "10.0 s", "10.2 s"].map((time) => ({ time, beat: false }));
    localStorage.setItem(`pace:${PERSON.id}`, JSON.stringify({ walks: three }));
    showWith({ rigs: [RIG], people: [PERSON] }, <PaceRoom />);
    expect(screen.getByText(/It sits$/)).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText("Strike walk 2"), { target: { value: "stumbled or stopped" } });
    expect(screen.getByText(/Not yet$/)).toBeInTheDocument();
    expect(JSON.parse(localStorage.getItem(`pace:${PERSON.id}`)!).walks[1].struck).toBe("stumbled or stopped");
  });
  test("a pace for a spray volume: 0.25 gal/min, 5 ft, 1 gal per 1,000 sq ft walk at 0.568 mph", () => {
    const made = readDraft({ ...newDrill("us"), by: "spray", flow: "0.25 gal/min", swath: "5 ft", wanted: "1 gal/1000 ft2" });
    // 250 sq ft a minute, five feet wide: 50 ft a minute.
    expect(made.time!.value).toBeCloseTo(44 / (50 / 60), 6);
    expect(made.beat).toBeUndefined();
  });
});

describe("a walk on a device whose clock is set in its middle", () => {
  const under = { since: 1_000_000, passed: [], page: 5, stamp: 300 };
  test("is known by the page's own clock, on the page that it began on", () => {
    expect(clockSlip(under, 1_010_000, 10_300, 5)).toBe(0);
    expect(clockSlip(under, 1_070_000, 10_300, 5)).toBe(60);
    expect(clockSlip(under, 950_000, 10_300, 5)).toBe(-60);
    expect(clockSlip(under, 1_070_000, 10_300, 6)).toBe(0);
  });
  test("isn't counted, and says so", () => {
    const now = jest.spyOn(Date, "now");
    const walked = jest.fn();
    now.mockReturnValue(1_000_000);
    showWith({}, <WalkPad keptAs="walk" seconds={10} parts={1} say={jest.fn()} onWalk={walked} />);
    const press = () => fireEvent.keyDown(document.body, { code: "Space" });
    press();
    now.mockReturnValue(1_060_000);
    press();
    expect(screen.getByText(/Not counted: this device's clock was set, or it slept, by \d+\.\d s/)).toBeInTheDocument();
    expect(walked).not.toHaveBeenCalled();
    expect(localStorage.getItem("walk")).toBeNull();
    now.mockRestore();
  });
});

describe("the record", () => {
  test("by kind of ground, and where to aim within a label's rates", () => {
    const practice = [walks(3, ["10.1 s", "10.2 s", "10 s"]), walks(12, ["10.2 s", "10.1 s", "10.1 s"])];
    showWith({ rigs: [RIG], people: [PERSON], practice }, <PracticeRecord person={PERSON} />);
    const row = within(screen.getByRole("row", { name: /Turf/ }));
    expect(row.getByText("6")).toBeInTheDocument();
    expect(row.getByText("type a label's rates")).toBeInTheDocument();
    type("Label's rates from", "3");
    type("to", "4");
    expect(row.getByText(/^3\.\d+ to 3\.\d+$/)).toBeInTheDocument();
  });
  test("a pace that was lost says when it held and since when it doesn't", () => {
    const practice = [walks(30, ["10 s", "10.1 s", "10 s"]), walks(4, ["9 s", "9.1 s"])];
    showWith({ rigs: [RIG], people: [PERSON], practice }, <PracticeRecord person={PERSON} />);
    expect(within(screen.getByRole("row", { name: /Turf/ })).getByText(/^on \d+ \w+, lost on \d+ \w+$/)).toBeInTheDocument();
  });
  test("walks of long ago say how it held, and give no margin any more", () => {
    showWith(
      { rigs: [RIG], people: [PERSON], practice: [walks(200, ["10 s", "10.1 s", "10 s"])] },
      <PracticeRecord person={PERSON} />,
    );
    const row = within(screen.getByRole("row", { name: /Turf/ }));
    expect(row.getByText("not walked in 90 days")).toBeInTheDocument();
    expect(row.getByText(/^on \d/)).toBeInTheDocument();
  });
  test("a pace that is wider than the label says so; no aim is given", () => {
    const band = { low: 0.5, high: 1.5 };
    expect(aimWords(band, { least: 3, most: 4 })).toMatch(/^✕/);
    expect(aimWords(band, { least: 0, most: 3 })).toBe("2 at most");
    expect(aimWords(null, { least: 0, most: 3 })).toBe("–");
  });
  test("walks to the beat alone make no record of a pace", () => {
    showWith({ rigs: [RIG], people: [PERSON], practice: [walks(2, ["10 s"], true)] }, <PracticeRecord person={PERSON} />);
    expect(screen.queryByRole("row", { name: /Turf/ })).toBeNull();
    expect(screen.getByText(/to the beat only/)).toBeInTheDocument();
  });
});

describe("the countdown", () => {
  test("no calibration: the seconds come from one", () => {
    showWith({ rigs: [RIG], people: [PERSON] }, <CountdownRoom />);
    expect(screen.getByText(/no timed calibration yet/)).toBeInTheDocument();
  });
  test("248 s for 1,000 sq ft", () => {
    showWith({ rigs: [RIG], people: [PERSON], calibrations: [calibrationOn(at(1))] }, <CountdownRoom />);
    expect(screen.getByText(/4:08\.0 s for the strip/)).toBeInTheDocument();
    type("A strip has", "500");
    expect(screen.getByText(/2:04\.0 s for the strip/)).toBeInTheDocument();
  });
  test("a lawn of the site in hand is cut into strips of a thousand or a little less, and of so many as are marked", () => {
    keep("in-hand", { rigId: RIG.id, personId: PERSON.id, siteId: "site-1" });
    const zone = { name: "quay side", area: "3500 ft2", id: "zone-1" };
    const site = { id: "site-1", retired: false, site: { name: "Green", zones: [zone] }, former: [] };
    showWith({ rigs: [RIG], people: [PERSON], calibrations: [calibrationOn(at(1))], sites: [site] }, <CountdownRoom />);
    fireEvent.change(screen.getByLabelText("A lawn of Green"), { target: { value: "zone-1" } });
    expect(screen.getByLabelText("Cut into strips")).toHaveValue("4");
    expect(screen.getByLabelText("A strip has")).toHaveValue("875 ft2");
    // 248 s × 0.875.
    expect(screen.getByText(/3:37\.0 s for the strip/)).toBeInTheDocument();
    type("Cut into strips", "7");
    expect(screen.getByLabelText("A strip has")).toHaveValue("500 ft2");
    type("Cut into strips", "none");
    expect(screen.getByLabelText("Cut into strips")).toHaveAccessibleDescription(/A whole number from 1 to 500/);
    expect(screen.getByLabelText("A strip has")).toHaveValue("500 ft2");
    // A strip that is typed is none of the lawn's.
    type("A strip has", "10 x 100");
    expect(screen.getByLabelText("A lawn of Green")).toHaveValue("");
  });
  test("strips of a metric reader are in square metres", () => {
    const site = { name: "Green", zones: [{ name: "lawn", area: "1000 m2", id: "zone-1" }] };
    expect(stripOf(site, { zoneId: "zone-1", count: "8" }, "metric")).toBe("125 m2");
    expect(stripOf(site, { zoneId: "zone-1", count: "0" }, "metric")).toBeUndefined();
    expect(stripOf(site, { zoneId: "zone-2", count: "1" }, "metric")).toBeUndefined();
    expect(["1000 ft2", "1001 ft2", "20 ac"].map((area) => usualCount(area, "us"))).toEqual(["1", "2", "500"]);
    expect(["100 m2", "450 m2"].map((area) => usualCount(area, "metric"))).toEqual(["1", "5"]);
  });
  test("over the season each gun of a rig has its own line, oldest first", () => {
    const strip = (daysAgo: number, gun: string, took: string): PracticeEntry => ({
      ...walks(daysAgo, ["10 s"]),
      rigId: RIG.id,
      what: { kind: "countdown", gun, strips: [{ area: "1000 ft2", wanted: "100 s", took }] },
    });
    const lines = seasonOf([strip(1, "left", "110 s"), strip(5, "right", "98 s"), strip(9, "left", "100 s")], RIG.id, "UTC");
    expect(lines.map(({ gun, percent }) => [gun, percent.map(Math.round)])).toEqual([
      ["left", [100, 110]],
      ["right", [98]],
    ]);
    expect(seasonOf([strip(1, "left", "110 s")], "another rig", "UTC")).toEqual([]);
  });
});

describe("swing and swath", () => {
  test("a lower wand is narrower by its height, and what that does is said", () => {
    showWith({ rigs: [RIG], people: [PERSON] }, <SwingRoom />);
    type("Width", "6 ft");
    type("at a height of", "20 in");
    type("and at", "15 in");
    expect(screen.getByRole("region", { name: "Height" })).toHaveTextContent("4.5 ft wide: 25 % narrower");
  });
  test("a wet strip's widths are read one by one; what is none is named", () => {
    expect(widthsOf("6 ft\n6.4 ft").widths).toHaveLength(2);
    expect(widthsOf("6 ft\nwide").strange).toBe("wide");
    showWith({ rigs: [RIG], people: [PERSON] }, <SwingRoom />);
    type("Its width, at several places", "6 ft\n6.4 ft");
    type("Of one soft edge not counted", "3 in");
    expect(screen.getByRole("region", { name: "A wet strip" })).toHaveTextContent("The effective swath is 5.7 ft");
  });
});

test("lessons: a text that is no answer is told and kept; what was done stands beside its lesson", () => {
  const done: PracticeEntry = {
    ...walks(4, ["10 s"]),
    ground: null,
    what: { kind: "lesson", lesson: "acres", seed: 5, answer: "10 fl oz", right: true },
  };
  showWith({ rigs: [RIG], people: [PERSON], practice: [done] }, <LessonsRoom />);
  expect(screen.getByText(/right on/)).toBeInTheDocument();
  fireEvent.click(screen.getByRole("button", { name: /Take the lesson: An ounce/ }));
  type("Your answer", "some");
  fireEvent.click(screen.getByRole("button", { name: "That is it" }));
  expect(screen.getByText(/does not begin with a number/)).toBeInTheDocument();
  expect(screen.getByLabelText("Your answer")).toHaveValue("some");
});

test("a metric reader's lesson is metric, and stays so when units are switched in its middle", () => {
  const hand = { rigId: RIG.id, personId: PERSON.id };
  keep("in-hand", { ...hand, system: "metric" });
  showWith({ rigs: [RIG], people: [PERSON] }, <LessonsRoom />);
  fireEvent.click(screen.getByRole("button", { name: "Take the lesson: Hectares for hundreds of square metres" }));
  expect(screen.getByText("mL if no unit")).toBeInTheDocument();
  const story = screen.getByText(/L per hectare/).textContent;
  act(() => keep("in-hand", { ...hand, system: "us" }));
  expect(screen.getByText(story)).toBeInTheDocument();
  expect(screen.getByRole("button", { name: "Take the lesson: An ounce is not an ounce" })).toBeInTheDocument();
});
