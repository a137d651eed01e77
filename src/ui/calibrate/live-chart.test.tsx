import { fireEvent, screen } from "@testing-library/react";
import { calibrate, type CalibrationInput } from "@/core/calibration/calibrate";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import type { CalibrationText, RigText } from "@/formats/job-file/types";
import { calibrationOn, RIG, show } from "../testing/show";
import { ThreeLineChart } from "./three-line-chart";
import { whatIf } from "./what-if";

const made = (calibration: CalibrationText, rig: RigText = RIG.rig) => {
  const input: CalibrationInput = soundJob(calibrationJob(rig, calibration)).calibration;
  return { input, made: calibrate(input) };
};
const ONE = calibrationOn("x").calibration;
/** 200 ft at a 5 ft swath in 62 s: 2.2 mph. */
const RUN: CalibrationText = { ...ONE, pace: { kind: "timed-run", distance: "200 ft", swath: "5 ft", times: ["62 s", "62 s"] } };

describe("the three-line chart, moved", () => {
  test("arrow keys move an end by one per cent, Shift by ten, Escape takes it back", () => {
    show(<ThreeLineChart {...made(ONE)} system="us" />);
    const pace = screen.getByRole("slider", { name: "Pace" });
    expect(pace).toHaveAttribute("aria-valuetext", "248.0 s");
    fireEvent.keyDown(pace, { key: "ArrowUp" });
    expect(pace).toHaveAttribute("aria-valuetext", `${(248 * 1.01).toFixed(1)} s`);
    fireEvent.keyDown(pace, { key: "ArrowUp", shiftKey: true });
    expect(pace).toHaveAttribute("aria-valuetext", `${(248 * 1.01 * 1.1).toFixed(1)} s`);
    fireEvent.keyDown(pace, { key: "Escape" });
    expect(pace).toHaveAttribute("aria-valuetext", "248.0 s");
  });

  test("an end stays on its scale", () => {
    show(<ThreeLineChart {...made(ONE)} system="us" />);
    const flow = screen.getByRole("slider", { name: "Flow" });
    for (let i = 0; i < 80; i++) fireEvent.keyDown(flow, { key: "ArrowUp", shiftKey: true });
    expect(flow).toHaveAttribute("aria-valuenow", "100");
    for (let i = 0; i < 120; i++) fireEvent.keyDown(flow, { key: "ArrowDown", shiftKey: true });
    expect(flow).toHaveAttribute("aria-valuenow", "0");
  });

  test("the walkable band is drawn for a person, not for a machine", () => {
    show(<ThreeLineChart {...made(RUN)} system="us" />).unmount();
    show(<ThreeLineChart {...made(RUN)} system="us" />);
    expect(screen.getByText("too fast on foot")).toBeInTheDocument();
  });

  test("tip sizes stand on the flow scale, the one that is on among them, none over another", () => {
    const { container } = show(<ThreeLineChart {...made(ONE)} system="us" />);
    const sizes = [...container.querySelectorAll("text")].filter(
      (t) => /^0\d+$|^10$|^15$|^20$/.test(t.textContent!) && t.getAttribute("text-anchor") === "end",
    );
    const own = sizes.find((t) => t.textContent === "025")!;
    expect(own).toHaveStyle({ fontWeight: 700 });
  });
});

describe("what a move would take", () => {
  const from = made(RUN);
  const stands = { pace: from.made.timePer1000!.value, flow: from.made.flow!.value };
  test("a speed, and whether it can be walked", () => {
    const faster = {
      ...stands,
      pace: made({ ...RUN, pace: { kind: "timed-run", distance: "200 ft", swath: "5 ft", times: ["25 s"] } }).made.timePer1000!
        .value,
    };
    expect(whatIf(stands, faster, from.made, from.input, "us")).toEqual(["Go at 5.45 mph. Too fast on foot."]);
  });
  test("a pressure, with what it does to the drops", () => {
    const flow = made({ ...RUN, flow: { kind: "metered-flow", whole: "62 fl oz/min" } }).made.flow!.value;
    // Twice the flow takes four times the pressure.
    expect(whatIf(stands, { ...stands, flow }, from.made, from.input, "us")).toEqual([
      "Pressure 160 psi. Finer drops, more drift.",
    ]);
  });
  test("nothing where neither swath nor pressure is known", () => {
    const bare = made(ONE, { ...RIG.rig, tip: {} });
    const at = { pace: bare.made.timePer1000!.value, flow: bare.made.flow!.value };
    expect(whatIf(at, stands, bare.made, bare.input, "us")).toEqual([]);
  });
});
