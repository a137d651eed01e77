import { act, fireEvent, screen, within } from "@testing-library/react";
import type { DueEntry, SiteEntry } from "@/formats/entries";
import { labelEntry, showWith } from "../testing/show";
import { DueRounds } from "./due-rounds";

beforeEach(() => {
  localStorage.clear();
  global.fetch = jest.fn().mockRejectedValue(new TypeError("no server")) as never;
});
const item = (site: string, siteId: string, more: object = {}): DueEntry["items"][number] => ({
  site,
  siteId,
  labelId: "label-1",
  round: "first half",
  state: "due",
  earliest: "2026-03-01",
  latest: "2026-10-14",
  reasons: [],
  ...more,
});
const GRANULE = labelEntry("label-1", "Granule", "dry", "0.3 oz/1000 ft2");
const DUE: DueEntry = {
  date: "2026-09-02",
  rounds: [
    { name: "first half", id: "round.1", label: "label-1", counts: { due: 2, overdue: 1, done: 1200, blocked: 3 } },
    { name: "second half", id: "round.2", label: "label-1", counts: { waits: 4 } },
  ],
  items: [
    item("Pier", "site-2", { state: "overdue", latest: "2026-08-30" }),
    item("Green", "site-1"),
    item("Mole", "site-3", { latest: null, left: [{ id: "z", name: "quay side" }] }),
  ],
  more: 1400,
  unclear: [],
};

test("each round says how far it is and where it is due, what is too late first; a site goes on to its mix", () => {
  showWith({ due: DUE }, <DueRounds />);
  const due = screen.getByRole("region", { name: "Due today" });
  expect(due).toHaveTextContent("first half · 3 due, 1 of them too late · 1,200 done, 3 blocked by seed");
  expect(due).toHaveTextContent("Pier by 30 Aug 2026: too late · Green by 14 Oct 2026 · Mole (still quay side)");
  expect(due).toHaveTextContent("second half · 0 due · 4 wait for the round before");
  expect(due).toHaveTextContent("And 1,400 more of them.");
  const green = within(due).getByRole("link", { name: "Green" });
  green.addEventListener("click", (e) => e.preventDefault());
  fireEvent.click(green);
  expect((JSON.parse(localStorage.getItem("in-hand") ?? "{}") as { siteId?: string }).siteId).toBe("site-1");
});

test("a site's link takes the round into the mix, with its product and without the zones that have had it", async () => {
  const round = { id: "round.7", name: "first half", label: "label-1", rate: "0.3 oz/1000 ft2" };
  const zones = [
    { id: "a", name: "lawn", area: "1000 ft2" },
    { id: "z", name: "quay side", area: "900 ft2" },
  ];
  const site = { id: "site-3", retired: false, revision: 1, former: [], site: { name: "Mole", zones } } as unknown as SiteEntry;
  // The page has neither program nor labels yet: what the mix is of is read at the press.
  const there: Record<string, unknown> = { sitesById: [site], program: { rounds: [round], soil: [] }, labels: [GRANULE] };
  global.fetch = jest.fn((url: string) => {
    const value = there[new URL(url, "http://here").pathname.split("/").at(-1)!];
    return Promise.resolve({ ok: true, status: 200, headers: new Map(), json: () => Promise.resolve({ value, aside: [] }) });
  }) as never;
  showWith({ due: DUE }, <DueRounds />);
  const mole = screen.getByRole("link", { name: "Mole" });
  mole.addEventListener("click", (e) => e.preventDefault());
  await act(async () => fireEvent.click(mole));
  expect(JSON.parse(localStorage.getItem("mix")!)).toMatchObject({
    purpose: "site",
    tanks: { "": { products: [{ labelId: "label-1", rate: "0.3 oz/1000 ft2", choice: { round: "round.7" } }], without: ["a"] } },
  });
});

test("what went down outside its window is asked about, and the answer names the round", async () => {
  const post = jest
    .fn()
    .mockResolvedValue({ ok: true, headers: new Map(), json: () => Promise.resolve({ ok: true, value: {} }) });
  global.fetch = post as never;
  const unclear = [{ recordId: "entry-1", site: "Pier", zone: "lawn", date: "2026-07-20", round: "first half" }];
  showWith({ due: { ...DUE, unclear }, labels: [GRANULE] }, <DueRounds />);
  expect(
    screen.getByText(/Granule went down on Pier, lawn on 20 Jul 2026, outside the window of first half/),
  ).toBeInTheDocument();
  await act(async () => fireEvent.click(screen.getByRole("button", { name: "Yes, count it as first half" })));
  const [path, { body }] = post.mock.calls[0] as [string, { body: string }];
  expect([path, JSON.parse(body)]).toEqual([
    "/api/season/given",
    { id: expect.any(String) as string, recordId: "entry-1", round: "round.1" },
  ]);
});

test("without a program there is nothing to say; with one of which nothing is due that is said", () => {
  const { container, unmount } = showWith({}, <DueRounds />);
  expect(container).toHaveTextContent("");
  unmount();
  showWith({ due: { ...DUE, items: [], more: 0 } }, <DueRounds here />);
  expect(screen.getByText("Nothing of the program is due today.")).toBeInTheDocument();
  expect(screen.queryByRole("link", { name: "The program" })).toBeNull();
});
