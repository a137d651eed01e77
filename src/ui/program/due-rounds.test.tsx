import { fireEvent, screen, within } from "@testing-library/react";
import type { DueEntry } from "@/formats/entries";
import { showWith } from "../testing/show";
import { DueRounds } from "./due-rounds";

beforeEach(() => localStorage.clear());
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
const DUE: DueEntry = {
  date: "2026-09-02",
  rounds: [
    { name: "first half", label: "label-1", counts: { due: 2, overdue: 1, done: 1200, blocked: 3 } },
    { name: "second half", label: "label-1", counts: { waits: 4 } },
  ],
  items: [
    item("Pier", "site-2", { state: "overdue", latest: "2026-08-30" }),
    item("Green", "site-1"),
    item("Mole", "site-3", { latest: null, left: [{ id: "z", name: "quay side" }] }),
  ],
  more: 1400,
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

test("without a program there is nothing to say; with one of which nothing is due that is said", () => {
  const { container, unmount } = showWith({}, <DueRounds />);
  expect(container).toHaveTextContent("");
  unmount();
  showWith({ due: { ...DUE, items: [], more: 0 } }, <DueRounds here />);
  expect(screen.getByText("Nothing of the program is due today.")).toBeInTheDocument();
  expect(screen.queryByRole("link", { name: "The program" })).toBeNull();
});
