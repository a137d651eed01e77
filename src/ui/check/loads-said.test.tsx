import { screen } from "@testing-library/react";
import { calibrationOn, PERSON, RIG, showWith } from "../testing/show";
import { CheckRoom } from "./check-room";

jest.mock("next/dynamic", () => () => () => null);

const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString();
// 4 gal are 15,141.6 mL; 2,000 sq ft are 185.8 m².
const load = (ratio: number, ago: number) => ({
  sheetId: `sheet-000000000${ago}`,
  site: "Green",
  at: daysAgo(ago),
  sprayed: 15_141.647 * ratio,
  covered: 185.80608,
  ratio,
  relative: 0.02,
});

beforeEach(() => {
  localStorage.clear();
  localStorage.setItem("in-hand", JSON.stringify({ rigId: RIG.id, personId: PERSON.id }));
});
const room = (...ratios: number[]) =>
  showWith(
    { rigs: [RIG], people: [PERSON], calibrations: [calibrationOn(daysAgo(9))], loads: ratios.map((r, i) => load(r, i + 1)) },
    <CheckRoom />,
  );

test("without loads nothing is said of them", () => {
  room();
  expect(screen.queryByRole("region", { name: "What the loads said" })).toBeNull();
});

test("three that lean the same way are a change, and may be taken as a calibration", () => {
  room(1.1, 1.11, 1.09);
  const said = screen.getByRole("region", { name: "What the loads said" });
  expect(said).toHaveTextContent("2.2 gal per 1,000 sq ft over 3 sheets, +10 % of the calibration");
  expect(said).toHaveTextContent("heavier than calibrated");
  expect(screen.getByRole("button", { name: "Take them as a field calibration" })).toBeInTheDocument();
});

test("two are none yet", () => {
  room(1.1, 1.11);
  expect(screen.getByRole("region", { name: "What the loads said" })).not.toHaveTextContent("something has changed");
  expect(screen.queryByRole("button", { name: "Take them as a field calibration" })).toBeNull();
});
