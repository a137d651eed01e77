import { act, fireEvent, screen, within } from "@testing-library/react";
import type { Sheet } from "@/formats/entries";
import type { JobFile } from "@/formats/job-file/types";
import { planOfSheet } from "@/formats/sheet-plan";
import { WashFirst } from "../after/wash-first";
import { PERSON, showWith } from "../testing/show";
import { CloseSheet } from "./close-sheet";

const sent = jest.fn();
let answer: object;
beforeEach(() => {
  localStorage.clear();
  sent.mockReset();
  answer = { ok: true, value: { id: "x" } };
  global.fetch = jest.fn((url: string, init?: { body?: string }) => {
    sent(url, init?.body && JSON.parse(init.body));
    return Promise.resolve({ ok: true, headers: new Map(), json: () => Promise.resolve(answer) });
  }) as never;
});

// 4 gal at 2 gal per 1,000 do 2,000 sq ft: 3,500 are a full load and one of 3 gal.
const job = (label: object = {}): JobFile => ({
  format: "careful-gauge-job",
  version: 2,
  rig: { name: "Blue backpack", kind: "backpack", tanks: [{ name: "main", usable: "4 gal" }] },
  calibration: { sprayVolume: "2 gal/1000 ft2" },
  products: [
    { name: "Granule", form: "dry", rate: "0.3 oz/1000 ft2", labelRange: ["0.2 oz/1000 ft2", "0.32 oz/1000 ft2"], ...label },
  ],
  sites: [{ name: "Green", zones: [{ name: "north", area: "3500 ft2" }] }],
});
const sheetOf = (file: JobFile): Sheet => ({
  id: "sheet-0000000001",
  madeAt: "2026-09-02T10:00:00.000Z",
  personId: PERSON.id,
  personName: PERSON.name,
  tank: "main",
  calibrationMadeAt: "2026-09-01T10:00:00.000Z",
  rigId: "rig-1",
  state: "open",
  run: null,
  others: [],
  job: file,
  stopped: [],
  poured: true,
  done: [],
  weather: null,
  weatherHolds: [],
  clockBehind: null,
  ends: [],
  outcome: [],
});
const onClosed = jest.fn();
function room(file = job(), people = [PERSON]) {
  const worked = planOfSheet(file, null);
  showWith({ people }, <CloseSheet sheet={sheetOf(file)} worked={worked} held={false} ready onClosed={onClosed} />);
}
const press = async (name: string | RegExp) => act(async () => void fireEvent.click(screen.getByRole("button", { name })));
const sayDifferent = async () => {
  await press("Entered per tank");
  await screen.findAllByLabelText("Never sprayed");
};
const type = (label: string, text: string, at = 0) =>
  fireEvent.change(screen.getAllByLabelText(label)[at]!, { target: { value: text } });
const recorded = () => sent.mock.calls.find(([url]) => String(url).endsWith("/record"))![1] as Record<string, unknown>;

test("what whoever sprayed does next is told after the day's first closing, once; not after a withdrawal", async () => {
  room();
  showWith({}, <WashFirst />);
  const words = () => screen.queryByText(/Hands and face are washed before you eat/);
  await press("Nothing was sprayed: void the sheet");
  expect(words()).toBeNull();
  await press("Came out even");
  expect(words()).toBeInTheDocument();
  await press("Read for today");
  expect(words()).toBeNull();
  await press("Came out even");
  expect(words()).toBeNull();
});

test("one that came out even is one press", async () => {
  room();
  await press("Came out even");
  expect(recorded()).not.toHaveProperty("outcome");
  expect(onClosed).toHaveBeenCalled();
});

test("ran out: what it came to is told at once, and only what was typed differs from the plan", async () => {
  room();
  await sayDifferent();
  const load1 = screen.getByRole("group", { name: /^Load 1/ });
  expect(load1).toHaveTextContent("4 gal for 2,000 sq ft");
  type("Area covered", "1,800");
  const panel = screen.getByRole("region", { name: "Meant and applied" });
  // 7 gal on 3,300 sq ft are 2.12 gal per 1,000, 106 %; 0.318 oz is still inside the label's 0.32.
  expect(panel).toHaveTextContent("2.12 gal per 1,000 sq ft");
  expect(panel).toHaveTextContent("6.1 % heavy");
  expect(panel).not.toHaveTextContent("over its label");
  expect(panel).toHaveTextContent("The pace: time 1,000 sq ft as it is walked today");
  await press("Put on record as it was");
  expect(recorded().outcome).toEqual([
    { site: "Green", load: 1, left: "0 gal", covered: "1,800 ft2" },
    { site: "Green", load: 2, left: "0 gal", covered: "1500 ft2" },
  ]);
});

test("ran out early is one number: what it came to is drawn against the label, and goes on record as it was", async () => {
  room();
  await press("Ran out early");
  // Of two loads it is the last that ran out.
  const area = await screen.findByLabelText("Area covered");
  expect(screen.queryByLabelText("Left in the tank")).toBeNull();
  expect(screen.getByRole("button", { name: "Put on record as it was" })).toBeDisabled();
  fireEvent.change(area, { target: { value: "1,300" } });
  const panel = screen.getByRole("region", { name: "Meant and applied" });
  expect(panel).toHaveTextContent("Area covered: 3,300 sq ft of 3,500 sq ft");
  expect(panel).toHaveTextContent("6.1 % heavy");
  expect(panel).toHaveTextContent("inside the label's most");
  fireEvent.change(area, { target: { value: "1,100" } });
  expect(panel).toHaveTextContent("✕ over the label's most");
  await press("Put on record as it was");
  expect(recorded().outcome).toEqual([
    { site: "Green", load: 1, left: "0 gal", covered: "2000 ft2" },
    { site: "Green", load: 2, left: "0 gal", covered: "1,100 ft2" },
  ]);
  expect(localStorage.getItem("ended:sheet-0000000001")).toBeNull();
});

test("some left asks for what is left, stopped for both; the load is another one where somebody says so", async () => {
  room();
  await press("Some left");
  fireEvent.change(await screen.findByLabelText("Left in the tank"), { target: { value: "0.5" } });
  expect(screen.queryByLabelText("Area covered")).toBeNull();
  await press("Stopped");
  expect(screen.getByLabelText("Left in the tank")).toHaveValue("0.5");
  fireEvent.change(screen.getByLabelText("Which load?"), { target: { value: "Green.1" } });
  fireEvent.change(screen.getByLabelText("Area covered"), { target: { value: "1,900" } });
  await press("Put on record as it was");
  expect(recorded().outcome).toEqual([
    { site: "Green", load: 1, left: "0.5 gal", covered: "1,900 ft2" },
    { site: "Green", load: 2, left: "0 gal", covered: "1500 ft2" },
  ]);
});

test("only what is asked for and in sight goes on record: not what was typed for another end, nor per tank", async () => {
  room();
  await sayDifferent();
  type("Area covered", "1,900", 0);
  await press("Some left");
  fireEvent.change(await screen.findByLabelText("Left in the tank"), { target: { value: "0.5" } });
  await press("Ran out early");
  fireEvent.change(screen.getByLabelText("Area covered"), { target: { value: "1,400" } });
  await press("Put on record as it was");
  expect(recorded().outcome).toEqual([
    { site: "Green", load: 1, left: "0 gal", covered: "2000 ft2" },
    { site: "Green", load: 2, left: "0 gal", covered: "1,400 ft2" },
  ]);
});

test("what was typed is there after “Came out even” was refused", async () => {
  room();
  await press("Ran out early");
  fireEvent.change(await screen.findByLabelText("Area covered"), { target: { value: "1,400" } });
  (global.fetch as jest.Mock).mockRejectedValueOnce(new TypeError("no server"));
  await press("Came out even");
  expect(screen.getByLabelText("Area covered")).toHaveValue("1,400");
});

test("a second pass with what was left is said as such, and passes the label", async () => {
  room();
  await sayDifferent();
  type("Left in the tank", "0.5", 1);
  const load2 = within(screen.getByRole("group", { name: /^Load 2/ }));
  fireEvent.click(load2.getByLabelText("A second pass with what was left"));
  const panel = screen.getByRole("region", { name: "Meant and applied" });
  expect(panel).toHaveTextContent("a second pass went over ground that was covered");
  type("Area covered", "1,700", 0);
  expect(panel).toHaveTextContent("over its label");
  await press("Put on record as it was");
  expect(recorded().outcome).toEqual([
    { site: "Green", load: 1, left: "0 gal", covered: "1,700 ft2" },
    { site: "Green", load: 2, left: "0.5 gal", covered: "1500 ft2" },
    { site: "Green", load: 2, left: "0 gal", covered: "1500 ft2", again: true },
  ]);
});

test("a load that was never sprayed is left out; of none at all there is nothing to put on record", async () => {
  room();
  await sayDifferent();
  fireEvent.click(screen.getAllByLabelText("Never sprayed")[1]!);
  expect(screen.getByRole("region", { name: "Meant and applied" })).toHaveTextContent("2,000 sq ft of 3,500 sq ft was covered");
  fireEvent.click(screen.getAllByLabelText("Never sprayed")[0]!);
  expect(screen.getByText(/No load was sprayed: void the sheet/)).toBeInTheDocument();
  expect(screen.getByRole("button", { name: "Put on record as it was" })).toBeDisabled();
});

test("more left than was mixed can't be put on record", async () => {
  room();
  await sayDifferent();
  type("Left in the tank", "9 gal");
  expect(screen.getByText(/less than the 4 gal that load 1 began with/)).toBeInTheDocument();
  expect(screen.getByRole("button", { name: "Put on record as it was" })).toBeDisabled();
});

test("what was typed stays through a reload, until it is put on record", async () => {
  room();
  await sayDifferent();
  type("Area covered", "1,800");
  fireEvent.click(screen.getByText("For the record: times, weather, what it was against"));
  type("Wind", "4 mph");
  expect(JSON.parse(localStorage.getItem("facts:sheet-0000000001")!)).toEqual({ wind: "4 mph" });
  expect(localStorage.getItem("outcome:sheet-0000000001")).toContain("1,800");
  await press("Put on record as it was");
  expect(recorded().facts).toEqual({ wind: "4 mph" });
  expect(localStorage.getItem("outcome:sheet-0000000001")).toBeNull();
});

describe("restricted use", () => {
  const restricted = job({ label: { restricted: "restricted use", registration: "DEMO-101" } });
  test("what the record would lack is said before it is closed", () => {
    room(restricted);
    const notice = screen.getByText(/Granule is for restricted use/);
    expect(notice).toHaveTextContent(/the crop or site/);
    expect(notice).toHaveTextContent(/certificate number/);
    expect(notice).not.toHaveTextContent(/registration number/);
  });
  test("a certificate that ended is said too", () => {
    const papers = [{ kind: "certificate", number: "FT-1", ends: "2020-01-01" }] as const;
    room(restricted, [{ ...PERSON, papers }] as never);
    expect(screen.getByText(/Granule is for restricted use/)).toHaveTextContent(/ended on 2020-01-01/);
  });
});
