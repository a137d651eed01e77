import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import type { JudgedEntry } from "@/formats/entries";
import { PERSON, showWith } from "../testing/show";
import { DueLooks } from "./due-looks";
import { LookForm } from "./look-form";
import { holdsBackOnly, isEarly, lookPath, seenWords } from "./look-words";
import { Results } from "./results";

const answers: { ok: boolean; issues?: object[]; value?: object }[] = [];
const sent: { path: string; body: Record<string, unknown> }[] = [];
beforeEach(() => {
  localStorage.clear();
  sent.length = 0;
  answers.length = 0;
  global.fetch = jest.fn((path: string, init?: { body?: string }) => {
    if (init?.body) sent.push({ path, body: JSON.parse(init.body) as Record<string, unknown> });
    const answer = (init?.body && answers.shift()) || { ok: true, value: { id: "look-1" } };
    return Promise.resolve({ ok: answer.ok, headers: new Map(), json: () => Promise.resolve(answer) });
  }) as never;
});

const RECORD: JudgedEntry = {
  id: "record-1",
  siteId: "site-1",
  site: "Green",
  zone: "north",
  of: {
    product: "Tollguard",
    rate: "0.3 fl oz/1000 ft2",
    date: "2026-08-01",
    from: "2999-01-01",
    target: "crabgrass",
    suppresses: "nutsedge",
  },
  seen: [],
};
const type = (label: string | RegExp, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe("judging what went down", () => {
  test("before its effect can be seen it says so; what is typed is kept, and goes out as it was said", async () => {
    const done = jest.fn();
    showWith({ people: [PERSON] }, <LookForm record={RECORD} onDone={done} />);
    expect(screen.getByText(/Don't judge before 1 Jan 2999/)).toBeInTheDocument();
    expect(screen.queryByText(/promises to hold back/)).toBeNull();
    type(/^Control/, "80 %");
    fireEvent.click(screen.getByLabelText("dog"));
    expect(screen.getByText(/left out of what works here/)).toBeInTheDocument();
    expect(JSON.parse(localStorage.getItem("look:record-1")!)).toMatchObject({ says: { control: "80 %", causes: ["dog"] } });
    fireEvent.click(screen.getByRole("button", { name: "Put the result on record" }));
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(sent).toEqual([
      {
        path: "/api/looks",
        body: expect.objectContaining({
          kind: "inspection",
          recordId: "record-1",
          says: { control: "80 %", causes: ["dog"] },
        }),
      },
    ]);
    expect(localStorage.getItem("look:record-1")).toBeNull();
  });
  test("what can't be is told at its field, and nothing typed is lost", async () => {
    answers.push({ ok: false, issues: [{ path: "says.control", code: "missing", received: "", expected: "a part" }] });
    const done = jest.fn();
    showWith({ people: [PERSON] }, <LookForm record={RECORD} onDone={done} />);
    type(/^Injury/, "150");
    expect(screen.getByText(/Write 0 to 100 %/)).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Put the result on record" }));
    await waitFor(() => expect(screen.getByLabelText(/^Control/)).toHaveAccessibleDescription(/a part/));
    expect(screen.getByLabelText(/^Injury/)).toHaveValue("150");
    expect(done).not.toHaveBeenCalled();
  });
  test("a photo that doesn't get through is still here, and is sent again without a second look", async () => {
    const photos = [
      { id: "photo-1", image: "/9j/AA==" },
      { id: "photo-2", image: "/9j/AB==" },
    ];
    const draft = { siteId: "", zoneId: "", date: "2026-08-20", personId: "", says: { control: "5" }, photos };
    localStorage.setItem("look:record-1", JSON.stringify(draft));
    answers.push({ ok: true, value: { id: "look-1" } }, { ok: true, value: { id: "photo-1" } });
    answers.push({
      ok: false,
      issues: [{ path: "", code: "unreachable", received: "the server can't be reached", expected: "x" }],
    });
    const done = jest.fn();
    showWith({ people: [PERSON] }, <LookForm record={RECORD} onDone={done} />);
    fireEvent.click(screen.getByRole("button", { name: "Put the result on record" }));
    const again = await screen.findByRole("button", { name: "Send the photos" });
    expect(screen.getByText(/1 photo is still here/)).toBeInTheDocument();
    fireEvent.click(again);
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(sent.map(({ path, body }) => [path, body.id])).toEqual([
      ["/api/looks", expect.any(String)],
      ["/api/looks/photo", "photo-1"],
      ["/api/looks/photo", "photo-2"],
      ["/api/looks/photo", "photo-2"],
    ]);
    expect(sent.at(-1)!.body.lookId).toBe("look-1");
  });
  test("a reload between the look and its photos makes no second look", async () => {
    const draft = {
      siteId: "",
      zoneId: "",
      date: "2026-08-20",
      personId: "",
      says: { control: "5" },
      photos: [{ id: "photo-1", image: "/9j/AA==" }],
      saved: "look-1",
    };
    localStorage.setItem("look:record-1", JSON.stringify(draft));
    const done = jest.fn();
    showWith({ people: [PERSON] }, <LookForm record={RECORD} onDone={done} />);
    expect(screen.queryByRole("button", { name: "Put the result on record" })).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "Leave them out" }));
    expect(done).toHaveBeenCalled();
    expect(sent).toEqual([]);
    expect(localStorage.getItem("look:record-1")).toBeNull();
  });
});

test("what the label only holds back is told, where it was put down against that, or nobody said against what", () => {
  const of = (target: string | null, suppresses: string | null) => holdsBackOnly({ target, suppresses });
  expect(of("yellow nutsedge", "Nutsedge, clover")).toBe(true);
  expect(of("crabgrass", "nutsedge")).toBe(false);
  expect(of(null, "nutsedge")).toBe(true);
  expect(of("crabgrass", null)).toBe(false);
});

test("the day itself isn't early; without a label's word nothing is", () => {
  expect(isEarly({ from: "2026-08-14" }, "2026-08-13")).toBe(true);
  expect(isEarly({ from: "2026-08-14" }, "2026-08-14")).toBe(false);
  expect(isEarly({ from: null }, "2026-08-01")).toBe(false);
});

test("what was seen, in words", () => {
  expect(seenWords({ control: "80", injury: "5 %", causes: ["shade", "dog"], followUp: "2026-10-01" })).toBe(
    "control 80 % · injury 5 % · could also be: shade, dog · follow-up planned for 1 Oct 2026",
  );
  expect(seenWords({ target: "crabgrass", stage: "2 leaves", cover: "30", soil: "dry" })).toBe(
    "crabgrass · at 2 leaves · cover 30 % · soil dry",
  );
});

test("Today says what is to be looked at, and leads there", () => {
  const due = { siteId: "s", site: "Green", zone: "north", product: "Tollguard", date: "2026-08-01", since: "2026-08-15" };
  showWith(
    {
      toLookAt: [
        { what: "inspection", recordId: "sheet-1.0.0", ...due },
        { what: "follow-up", recordId: null, ...due },
      ],
    },
    <DueLooks />,
  );
  const region = within(screen.getByRole("region", { name: "To look at" }));
  expect(region.getByRole("link", { name: "Rate result" })).toHaveAttribute("href", "/log/looks?record=sheet-1.0.0");
  expect(region.getByText(/can be judged since 15 Aug 2026/)).toBeInTheDocument();
  expect(region.getByText(/planned for 15 Aug 2026/)).toBeInTheDocument();
  expect(lookPath({ recordId: null })).toBe("/log/looks");
});

test("what works here: a band from three on, what was left out is said", () => {
  const result = { product: "Tollguard", by: "product" as const, of: "Tollguard", injury: null };
  showWith(
    {
      results: [
        { ...result, control: { count: 2, mean: 80, half: 90 }, leftOut: 0 },
        { ...result, of: "0.3 fl oz/1000 ft2", by: "rate", control: { count: 3, mean: 70, half: 12.4 }, leftOut: 1 },
      ],
    },
    <Results />,
  );
  const rows = screen.getAllByRole("row").slice(1);
  expect(rows[0]).toHaveTextContent("Tollguard80 %–2");
  expect(rows[1]).toHaveTextContent("0.3 fl oz per 1,000 sq ft70 % ± 12–3 (+1 left out)");
});
