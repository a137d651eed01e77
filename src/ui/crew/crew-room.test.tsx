import { screen, within } from "@testing-library/react";
import { calibrationOn, PERSON, RIG, showWith } from "../testing/show";
import { CrewRoom } from "./crew-room";

const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString();
const OTHER = { id: "person-2", retired: false, name: "Bram Tolliver" };
const walks = (...times: string[]) => ({
  calibration: { ...calibrationOn("x").calibration, pace: { kind: "timed-area" as const, area: "250 ft2", times } },
});

beforeEach(() => {
  localStorage.clear();
  localStorage.setItem("in-hand", JSON.stringify({ rigId: RIG.id, personId: PERSON.id }));
});

describe("people on one rig", () => {
  test("nobody yet: what to do first", () => {
    showWith({ rigs: [RIG], people: [PERSON] }, <CrewRoom />);
    expect(screen.getByText(/Nobody has calibrated this rig yet/)).toBeInTheDocument();
  });

  test("are compared by pace, spray volume, coverage and repeatability; and what a swap would do", () => {
    const calibrations = [
      calibrationOn(daysAgo(2)),
      calibrationOn(daysAgo(3), { personId: OTHER.id, ...walks("49.6 s", "49.6 s") }),
      calibrationOn(daysAgo(40), { personId: OTHER.id, ...walks("48 s", "52 s") }),
    ];
    showWith({ rigs: [RIG], people: [PERSON, OTHER], calibrations }, <CrewRoom />);
    const row = (name: string) => within(screen.getByRole("row", { name: new RegExp(name) }));
    expect(row("Odile Marsh").getByText("248.0 s")).toBeInTheDocument();
    expect(row("Odile Marsh").getByText("4,000 sq ft")).toBeInTheDocument();
    // 49.6 s in place of 62: four fifths of the spray volume, a tank that goes a quarter farther.
    expect(row("Bram Tolliver").getByText("0.8 gal per 1,000 sq ft")).toBeInTheDocument();
    expect(row("Bram Tolliver").getByText("5,000 sq ft")).toBeInTheDocument();
    expect(screen.getByText("25 % too much")).toBeInTheDocument();
    // The training record, oldest first: 8 % apart, then none.
    expect(screen.getByText("8 %")).toBeInTheDocument();
    expect(screen.getAllByText("repeats").length).toBe(2);
  });

  test("what can't be mixed from is not compared in the swap", () => {
    const stale = calibrationOn(daysAgo(3), {
      personId: OTHER.id,
      rig: { ...RIG.rig, tip: { size: "03", pressure: "40 psi" } },
      ...walks("40 s", "40 s"),
    });
    showWith({ rigs: [RIG], people: [PERSON, OTHER], calibrations: [calibrationOn(daysAgo(2)), stale] }, <CrewRoom />);
    expect(screen.queryByText(/too much/)).toBeNull();
    expect(screen.getByText("! out of date: tip 025, was 03")).toBeInTheDocument();
  });

  test("a governed machine is anyone's", () => {
    showWith({ rigs: [{ ...RIG, rig: { ...RIG.rig, kind: "boom" } }], people: [PERSON] }, <CrewRoom />);
    expect(screen.getByText(/a governed machine goes as fast with anyone/)).toBeInTheDocument();
  });
});
