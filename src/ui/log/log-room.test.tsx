import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import type { ApplicationEntry } from "@/formats/entries";
import { logLines, logToCsv } from "@/formats/log-csv";
import { labelEntry, PERSON, showWith } from "../testing/show";
import { LogRoom } from "./log-room";

const sent = jest.fn();
beforeEach(() => {
  localStorage.clear();
  sent.mockReset();
  global.fetch = jest.fn((url: string, init?: { body?: string }) => {
    sent(url, init?.body && JSON.parse(init.body));
    return Promise.resolve({
      ok: true,
      headers: new Map(),
      json: () => Promise.resolve({ ok: true, value: { id: "x" } }),
    });
  }) as never;
});

const SITE = {
  id: "site-1",
  retired: false,
  site: { name: "Green", zones: [{ name: "north", area: "6200 ft2", id: "site-1.0" }] },
  former: [],
};
const GRANULE = labelEntry("label-1", "Granule", "dry", "0.2 oz/1000 ft2", {
  rates: [{ rate: "0.2 oz/1000 ft2", to: "0.4 oz/1000 ft2" }],
});
const entry = (more: Partial<ApplicationEntry> = {}): ApplicationEntry => ({
  id: "a-1",
  date: "2026-05-01",
  siteId: SITE.id,
  site: "Green",
  person: PERSON.name,
  corrected: false,
  zoneId: "site-1.0",
  zone: "north",
  product: "Granule",
  labelId: GRANULE.id,
  rate: "0.3 oz/1000 ft2",
  total: "1.86 oz",
  actives: [],
  personId: PERSON.id,
  source: "hand",
  sheetId: null,
  note: null,
  why: null,
  alsoOn: null,
  corrects: null,
  isVoid: false,
  facts: null,
  area: "6200 ft2",
  covered: "6200 ft2",
  meant: [],
  ...more,
});
const room = (...log: ApplicationEntry[]) => showWith({ sites: [SITE], labels: [GRANULE], people: [PERSON], log }, <LogRoom />);

test("an empty log says what it is for", () => {
  room();
  expect(screen.getByText(/a limit counts only what it knows/)).toBeInTheDocument();
});

test("what was corrected is struck and can't be corrected twice; what was meant is told", () => {
  room(
    entry({ id: "a-2", corrects: "a-1", rate: "0.4 oz/1000 ft2", total: "2.48 oz", meant: ["2.48 oz: spot"] }),
    entry({ corrected: true }),
  );
  // The first is the day that they stand under.
  const [day, newer, older] = screen.getAllByRole("listitem");
  expect(day).toHaveTextContent("Fri 1 May 2026");
  expect(newer).toHaveTextContent("2.48 oz · 0.4 oz per 1,000 sq ft");
  expect(newer).toHaveTextContent("meant: 2.48 oz: spot");
  expect(within(older!).queryByRole("button")).toBeNull();
  expect(older).toHaveTextContent("corrected");
});

test("a record is sent as typed, and its form is closed", async () => {
  room();
  fireEvent.click(screen.getByRole("button", { name: "+ Record" }));
  const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
  type("Product", GRANULE.id);
  type("Amount", "1.86 oz");
  fireEvent.click(screen.getByRole("button", { name: "Put on record" }));
  await waitFor(() =>
    expect(sent).toHaveBeenCalledWith(
      "/api/applications",
      expect.objectContaining({
        siteId: "site-1",
        zoneId: "site-1.0",
        labelId: "label-1",
        amount: "1.86 oz",
        personId: PERSON.id,
        corrects: null,
      }),
    ),
  );
  await waitFor(() => expect(screen.getByRole("heading", { name: "Log" })).toBeInTheDocument());
  // The next one begins empty.
  fireEvent.click(screen.getByRole("button", { name: "+ Record" }));
  expect(screen.getByLabelText("Amount")).toHaveValue("");
});

test("a correction begins with what it corrects, and names it", async () => {
  room(entry({ rate: "0.333333333333333 oz/1000 ft2" }));
  fireEvent.click(screen.getByRole("button", { name: "Correct Granule, 2026-05-01" }));
  // In the row itself, with the amount as it is shown there.
  const row = within(screen.getByRole("form", { name: "Correct a record" }));
  expect(row.getByLabelText("Amount")).toHaveValue("0.3333 oz/1000 ft2");
  fireEvent.change(row.getByLabelText("Note"), { target: { value: "by hand" } });
  fireEvent.click(row.getByRole("button", { name: "Save the correction" }));
  await waitFor(() =>
    expect(sent).toHaveBeenCalledWith(
      "/api/applications",
      expect.objectContaining({ corrects: "a-1", amount: "0.333333333333333 oz/1000 ft2", note: "by hand" }),
    ),
  );
});

test("that it never went down is asked about, and taken back", async () => {
  room(entry());
  fireEvent.click(screen.getByRole("button", { name: "Granule, 2026-05-01, void record" }));
  expect(sent).not.toHaveBeenCalled();
  fireEvent.change(screen.getByLabelText(/Why is it void/), { target: { value: "rained off" } });
  fireEvent.click(screen.getByRole("button", { name: "Void the record" }));
  await waitFor(() =>
    expect(sent).toHaveBeenCalledWith("/api/applications/void", expect.objectContaining({ corrects: "a-1", why: "rained off" })),
  );
});

test("what was struck by mistake can be brought back", async () => {
  room(entry({ id: "a-2", corrects: "a-1", isVoid: true }), entry({ corrected: true }));
  fireEvent.click(screen.getByRole("button", { name: "Granule, 2026-05-01, restore" }));
  await waitFor(() =>
    expect(sent).toHaveBeenCalledWith("/api/applications/void", expect.objectContaining({ corrects: "a-2", back: true })),
  );
});

test("the rate typed for the zone's total is asked about", () => {
  room();
  fireEvent.click(screen.getByRole("button", { name: "+ Record" }));
  fireEvent.change(screen.getByLabelText("Product"), { target: { value: GRANULE.id } });
  fireEvent.change(screen.getByLabelText("Amount"), { target: { value: "0.3" } });
  fireEvent.click(screen.getByRole("button", { name: "Take 1.86 oz" }));
  expect(screen.getByLabelText("Amount")).toHaveValue("1.86 oz");
  fireEvent.change(screen.getByLabelText("Amount"), { target: { value: "3 fl oz" } });
  expect(screen.getByRole("button", { name: "Take 3 oz" })).toBeInTheDocument();
});

test("as CSV: what stands, and it can be read again", () => {
  const all = [
    entry({ id: "a-2", corrects: "a-1", note: "=late" }),
    entry({ corrected: true }),
    entry({ id: "a-3", isVoid: true }),
  ];
  // As the server writes it: page by page, the names of the columns once.
  const csv = logToCsv(all.slice(0, 1)) + logToCsv(all.slice(1), false);
  const lines = logLines(csv);
  expect(lines.ok && lines.value.map((l) => l.cells)).toEqual([
    {
      date: "2026-05-01",
      site: "Green",
      zone: "north",
      product: "Granule",
      amount: "0.3 oz/1000 ft2",
      person: "Odile Marsh",
      note: "=late",
    },
  ]);
});

test("totals are asked for, and add each active up through the products that hold it", () => {
  const actives = [{ name: "Quarril", content: "40 %" }];
  const total = { product: "Granule", measured: "mass" as const, total: 283.49523125, count: 3, actives, gravity: null };
  const wet = { ...total, product: "Liquid", measured: "volume" as const, count: 1 };
  showWith({ sites: [SITE], labels: [GRANULE], people: [PERSON], log: [entry()], totals: [total, wet] }, <LogRoom />);
  fireEvent.click(screen.getByRole("button", { name: /^Totals from / }));
  const said = screen.getByRole("region", { name: "Totals" });
  // 10 oz with 40 % are 4 oz of the active; of the liquid it can't be told.
  expect(said).toHaveTextContent("Granule3 records10 oz");
  expect(said).toHaveTextContent("Quarriland what is in Liquid: its card lacks the specific gravity4 oz");
});
