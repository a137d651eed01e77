import { act, fireEvent, screen } from "@testing-library/react";
import type { ChainEntry } from "@/formats/chain-state";
import { show } from "../testing/show";
import { ChainNotice } from "./chain-notice";

const ENTRY: ChainEntry = {
  faults: [
    { what: "altered", kind: "ticks", record: "7", place: 12 },
    { what: "outside", kind: "rinses", count: 2 },
  ],
  head: "00",
  rows: 20,
  accepted: null,
};
const asked = jest.fn<ChainEntry | null, [string, RequestInit?]>();
const server = global.fetch;
beforeEach(() => {
  asked.mockReset();
  global.fetch = jest.fn((path: string, init?: RequestInit) =>
    path === "/api/chain"
      ? Promise.resolve({
          ok: true,
          headers: new Headers(),
          status: 200,
          json: () => Promise.resolve(init?.method === "POST" ? { ok: true, value: {} } : asked(path, init)),
        } as Response)
      : server(path, init),
  ) as typeof fetch;
});
afterEach(() => void (global.fetch = server));
const appear = async () => act(async () => void show(<ChainNotice />));

test("what isn't as it was is told with its place, until somebody goes on with a reason", async () => {
  asked.mockReturnValue(ENTRY);
  await appear();
  expect(screen.getByText("tick of a mix sheet 7 was altered (place 12 of the chain)")).toBeInTheDocument();
  expect(screen.getByText("2 × rinse came in beside this program")).toBeInTheDocument();
  fireEvent.click(screen.getByText("Go on with them as they are"));
  fireEvent.change(screen.getByLabelText(/How did that come/), { target: { value: "a disk was swapped" } });
  asked.mockReturnValue({ ...ENTRY, accepted: { at: "2026-09-02T10:00:00Z", why: "a disk was swapped" } });
  await act(async () => fireEvent.click(screen.getByText("Go on with them as they are")));
  expect(screen.queryByText(/was altered/)).toBeNull();
});
test.each<[string, ChainEntry | null]>([
  ["records as they were", { ...ENTRY, faults: [] }],
  ["what isn't known yet", null],
])("of %s nothing is said", async (_, entry) => {
  asked.mockReturnValue(entry);
  await appear();
  expect(screen.queryByText(/not as they were/)).toBeNull();
});
