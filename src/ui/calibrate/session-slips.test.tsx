import { fireEvent, screen } from "@testing-library/react";
import { useEffect, useState } from "react";
import { emptySession, type Session } from "@/formats/session";
import { PERSON, RIG, showWith } from "../testing/show";
import { SessionSlips } from "./session-slips";
import type { StepName } from "./steps";

const seen = jest.fn<void, [Session]>();
const latest = () => seen.mock.lastCall![0];
function Sheet({ start, step }: { start: Partial<Session>; step: StepName }) {
  const [session, setSession] = useState<Session>({
    ...emptySession("session-00001", { rigId: RIG.id, personId: PERSON.id, outlets: 1, method: "area-catch" }),
    area: "250 ft2",
    ...start,
  });
  useEffect(() => seen(session));
  return <SessionSlips session={session} change={(next) => setSession({ ...session, ...next })} rig={RIG} step={step} />;
}
const sheet = (start: Partial<Session>, step: StepName) =>
  showWith({ rigs: [RIG], people: [PERSON] }, <Sheet start={start} step={step} />);
const take = (name: string) => fireEvent.click(screen.getByRole("button", { name }));

beforeEach(() => localStorage.clear());

test("minutes typed as seconds are asked about on the walk, and the trial is put right", () => {
  sheet({ walks: [{ time: "62 s" }, { time: "1.05 s" }] }, "walk");
  expect(screen.getAllByRole("alert").length).toBe(1);
  expect(screen.getByRole("alert")).toHaveTextContent("Walk 2, 1.05 s: A point was probably typed for the colon");
  take("Take 65 s");
  expect(latest().walks).toEqual([{ time: "62 s" }, { time: "65 s" }]);
  expect(screen.queryByRole("alert")).toBeNull();
});

test("a catch in the wrong unit, and a struck one that nobody asks about", () => {
  sheet(
    {
      walks: [{ time: "62 s" }],
      catches: [
        { volume: "33 gal", time: "62 s" },
        { volume: "33 gal", time: "62 s", struck: "spilled" },
      ],
    },
    "catch",
  );
  expect(screen.getAllByRole("alert").length).toBe(1);
  take("Take 33 fl oz");
  expect(latest().catches[0]).toEqual({ volume: "33 fl oz", time: "62 s" });
});

test("the step where it was typed, and no other", () => {
  sheet({ target: "40 gal/1000 ft2", swath: "60 ft", walks: [{ time: "1 s" }] }, "mark");
  expect(screen.getAllByRole("alert").length).toBe(2);
  take("Take 40 gal/ac");
  expect(latest().target).toBe("40 gal/ac");
  take("Take 60 in");
  expect(latest().swath).toBe("60 in");
});

test("what is meant is kept with the run sheet, and never asked again", () => {
  sheet({ area: "6.2 ft2" }, "mark");
  fireEvent.click(screen.getByRole("button", { name: "It is meant" }));
  fireEvent.change(screen.getByLabelText("Why it is meant"), { target: { value: "a planter" } });
  take("Keep it");
  expect(latest().dismissed).toEqual(
    expect.arrayContaining([{ field: "area", slip: "thousands", typed: "6.2 ft2", reason: "a planter" }]),
  );
  expect(screen.queryByRole("alert")).toBeNull();
});

test("a run sheet that is right is left in peace", () => {
  const right = {
    target: "1 gal/1000 ft2",
    swath: "5 ft",
    walks: [{ time: "62 s" }],
    catches: [{ volume: "33 fl oz", time: "62 s" }],
  };
  for (const step of ["mark", "walk", "catch"] as const) {
    const { unmount } = sheet(right, step);
    expect(screen.queryByRole("alert")).toBeNull();
    unmount();
  }
});
