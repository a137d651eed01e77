import { act, fireEvent, screen, within } from "@testing-library/react";
import type { Result } from "@/core/issue";
import { NOTHING, type Choices, type Imported } from "@/formats/import";
import { sendFile } from "../data/send-file";
import { showWith } from "../testing/show";
import { TakeFile } from "./take-file";

jest.mock("../data/send-file", () => ({ sendFile: jest.fn() }));
const sent = jest.mocked(sendFile);

const FILE = new File(["{}"], "town.json");
const LOOKED: Imported = {
  ...NOTHING,
  calibrations: 1,
  applications: 2,
  items: [
    {
      key: "label:New",
      kind: "label",
      name: "New",
      state: "new",
      differences: [],
      notes: ["bindol: bindoll is on record."],
      taken: false,
    },
    {
      key: "label:l1",
      kind: "label",
      name: "Old",
      state: "differs",
      differences: [{ place: "rate 1", here: "0.2", file: "0.9" }],
      taken: false,
    },
    { key: "label:l2", kind: "label", name: "Gone", state: "retired", differences: [], taken: false },
    {
      key: "zone:s1:strip",
      kind: "zone",
      name: "strip of Green",
      state: "new-zone",
      differences: [],
      grounds: [{ id: "s1.0", name: "north of Green" }],
      taken: false,
    },
    { key: "person:p1", kind: "person", name: "Odile", state: "same", differences: [], taken: false },
  ],
};

const answer = (result: Result<Imported>) => sent.mockResolvedValueOnce(result);
const pick = async () => {
  showWith(
    {},
    <TakeFile kind="job" label="Job file" accept=".json">
      Choose a file
    </TakeFile>,
  );
  await act(async () => fireEvent.change(screen.getByLabelText("Job file"), { target: { files: [FILE] } }));
};
beforeEach(() => sent.mockReset());

test("a file is looked at first: what is new, what differs side by side; nothing is sent to be kept", async () => {
  answer({ ok: true, value: LOOKED });
  await pick();
  const look = screen.getByRole("region", { name: "What town.json would bring" });
  expect(look).toHaveTextContent("label New, 1 calibration, 2 applications would be added. 1 item is here just so.");
  expect(within(look).getByRole("row", { name: "rate 1 0.2 0.9" })).toBeInTheDocument();
  expect(look).toHaveTextContent("New: bindol: bindoll is on record.");
  expect(sent.mock.calls.map(([kind, , choices]) => [kind, choices])).toEqual([["job", undefined]]);
  fireEvent.click(within(look).getByRole("button", { name: "Leave it" }));
  expect(screen.queryByRole("region", { name: /would bring/ })).toBeNull();
});

test("what is chosen goes with it, item by item; the rest is left", async () => {
  answer({ ok: true, value: LOOKED });
  await pick();
  fireEvent.change(screen.getByLabelText("What to do with Old"), { target: { value: "take" } });
  fireEvent.change(screen.getByLabelText("What to do with strip of Green"), { target: { value: "s1.0" } });
  expect(screen.getByRole("option", { name: "bring it back" })).toBeInTheDocument();
  answer({ ok: true, value: { ...LOOKED, items: [{ ...LOOKED.items[1]!, taken: true }] } });
  await act(async () => fireEvent.click(screen.getByRole("button", { name: "Bring it in" })));
  expect(sent.mock.calls[1]![2]).toEqual({ "label:l1": "take", "zone:s1:strip": "s1.0" } satisfies Choices);
  expect(screen.getByText(/Taken from the file: Old\./)).toBeInTheDocument();
});

test("a file that can't stand is told with every fault, and that nothing of it was kept", async () => {
  const fault = { path: "rig.kind", code: "not-a-choice", received: "boat", expected: "backpack" } as const;
  answer({ ok: false, issues: [fault, { ...fault, path: "rig.name" }] });
  await pick();
  expect(screen.getAllByRole("alert").map((alert) => alert.textContent)).toEqual([
    "✕ Stoptown.json: nothing of it was kept.",
    '✕ Stoprig.kind: "boat" is not one of: backpack',
    '✕ Stoprig.name: "boat" is not one of: backpack',
  ]);
});

test("a long one says how far it is, and can be stopped", async () => {
  let signal: AbortSignal | undefined;
  sent.mockImplementationOnce((_kind, _file, _choices, sending) => {
    signal = sending.signal;
    sending.progress(1200, 20_000);
    return new Promise(() => undefined);
  });
  await pick();
  expect(screen.getByRole("status")).toHaveTextContent("Looking at town.json: 1,200 of 20,000");
  fireEvent.click(screen.getByRole("button", { name: "Stop" }));
  expect(signal!.aborted).toBe(true);
});

test("columns that aren't known are asked about, and the file is read again before anything is kept", async () => {
  const heading = (name: string, as: string | null) => ({ heading: name, key: `column:${name.toLowerCase()}`, as });
  const columns = { ours: ["site", "zone", "area"], units: ["ft2", "m2"] };
  const open = { ...columns, headings: [heading("Client", "site"), heading("Notes to us", null)], unit: null };
  answer({ ok: true, value: { ...NOTHING, items: [], columns: open } });
  await pick();
  expect(screen.queryByRole("button", { name: "Bring it in" })).toBeNull();
  const on = screen.getByRole("button", { name: "Go on" });
  expect(on).toBeDisabled();
  fireEvent.change(screen.getByLabelText("Notes to us"), { target: { value: "" } });
  expect(on).toBeDisabled();
  fireEvent.change(screen.getByLabelText("Areas that have no unit are in"), { target: { value: "m2" } });
  const told = { ...columns, headings: [heading("Client", "site"), heading("Notes to us", "")], unit: "m2" };
  answer({ ok: true, value: { ...LOOKED, columns: told } });
  await act(async () => fireEvent.click(on));
  expect(sent.mock.calls[1]![2]).toBeUndefined();
  expect(sent.mock.calls[1]![3].said).toEqual({ "column:notes to us": "", unit: "m2" });
  // What was told by its heading can be said otherwise too: then it is read once more.
  fireEvent.change(screen.getByLabelText("Client"), { target: { value: "zone" } });
  expect(screen.queryByRole("button", { name: "Bring it in" })).toBeNull();
  expect(screen.getByRole("button", { name: "Read it so" })).toBeEnabled();
  fireEvent.change(screen.getByLabelText("Client"), { target: { value: "site" } });
  answer({ ok: true, value: LOOKED });
  await act(async () => fireEvent.click(screen.getByRole("button", { name: "Bring it in" })));
  expect(sent.mock.calls[2]![2]).toEqual({ "column:notes to us": "", "column:client": "site", unit: "m2" });
});

test("what a file strikes or changes stands in sight, what it adds is a fold away", async () => {
  const first = Array.from({ length: 10 }, (_, i) => ({
    of: "strikes",
    table: "applications",
    id: `a${i}`,
    words: `${i} oz of Granule`,
  }));
  const added = [{ table: "rigs", of: "rig", ids: ["r1", "r2"], names: ["Blue", "Green"] }];
  answer({ ok: true, value: { ...LOOKED, items: [], changes: { first, added } } });
  await pick();
  expect(screen.getByText("It changes what is here, or what counts:")).toBeInTheDocument();
  expect(screen.getByText("strikes 0 oz of Granule")).toBeInTheDocument();
  expect(screen.getByText("2 more of these")).toBeInTheDocument();
  expect(screen.getByText("Everything that it adds: 2 rows")).toBeInTheDocument();
  expect(screen.getByText("Green")).toBeInTheDocument();
});
test("ground that is in use is other ground with a reason alone, which goes with the choice", async () => {
  const item = { ...LOOKED.items[3]!, grounds: [{ id: "s1.0", name: "north of Green", live: true as const }] };
  answer({ ok: true, value: { ...LOOKED, items: [item] } });
  await pick();
  fireEvent.change(screen.getByLabelText("What to do with strip of Green"), { target: { value: "new" } });
  fireEvent.change(screen.getByLabelText(/^Why strip of Green is other ground/), { target: { value: "behind the fence " } });
  expect(screen.getByLabelText(/^Why strip of Green is other ground/)).toHaveValue("behind the fence ");
  answer({ ok: true, value: LOOKED });
  await act(async () => fireEvent.click(screen.getByText("Bring it in")));
  expect(sent.mock.calls.at(-1)![2]).toEqual({ [item.key]: "new: behind the fence " });
});
