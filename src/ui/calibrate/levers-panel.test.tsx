import { fireEvent, screen, within } from "@testing-library/react";
import { calibrate } from "@/core/calibration/calibrate";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { calibrationOn, RIG, show } from "../testing/show";
import { LeversPanel, settingText } from "./levers-panel";

function panel(target: string, more: { pumpMost?: string; onProve?: jest.Mock; swath?: boolean } = {}) {
  const text = {
    ...calibrationOn("x").calibration,
    ...(more.swath && { pace: { kind: "timed-run" as const, distance: "200 ft", swath: "5 ft", times: ["62 s", "62 s"] } }),
    target,
  };
  const job = soundJob(calibrationJob({ ...RIG.rig, ...(more.pumpMost && { setup: { mostPressure: more.pumpMost } }) }, text));
  const made = calibrate(job.calibration);
  show(
    <LeversPanel
      made={made}
      input={job.calibration}
      target={job.calibration.target!}
      tank={job.tank}
      system="us"
      onProve={more.onProve}
    />,
  );
}

describe("the levers", () => {
  test("are away while the spray volume is within its band", () => {
    panel("1.02 gal/1000 ft2");
    expect(screen.getByText("within the wanted band")).toBeInTheDocument();
    expect(screen.queryByText(/Pressure/)).toBeNull();
  });

  test("stand side by side with what to set and what to expect", () => {
    panel("1.2 gal/1000 ft2");
    const levers = within(screen.getByRole("region", { name: "Levers" }));
    expect(levers.getByText("57.6 psi")).toBeInTheDocument();
    expect(levers.getByText("size 03")).toBeInTheDocument();
    expect(levers.getByText("4,000 sq ft")).toBeInTheDocument();
    // 31 fl oz a minute, a fifth more.
    expect(levers.getAllByText("37.2 fl oz/min").length).toBe(2);
    expect(levers.getByText("297.6 s for 1,000 sq ft")).toBeInTheDocument();
  });

  test("one that can't be pulled says why, and isn't offered to be proved", () => {
    const onProve = jest.fn();
    panel("1.2 gal/1000 ft2", { pumpMost: "50 psi", onProve });
    expect(screen.getByText(/this pump gives 50 psi at the most/)).toBeInTheDocument();
    expect(screen.getByText("✕ Pressure")).toBeInTheDocument();
    // The tip alone: the speed isn't known, and leaving it needs no proof.
    expect(screen.getAllByRole("button", { name: "Prove it" }).length).toBe(1);
    fireEvent.click(screen.getByRole("button", { name: "Prove it" }));
    expect(onProve.mock.calls[0][0]).toMatchObject({ lever: "tip", setTo: "03" });
  });

  test("a known swath makes the speed a lever", () => {
    const onProve = jest.fn();
    panel("0.4 gal/1000 ft2", { swath: true, onProve });
    expect(screen.getByText(/→ Speed|✕ Speed/)).toBeInTheDocument();
    expect(screen.getByText(/mph on foot: 4.5 mph is the most|time it again/)).toBeInTheDocument();
  });

  test("a setting is a text with its unit", () => {
    const none = { feasible: false, why: { code: "flow-unmeasured", values: {} }, expect: null } as const;
    expect(settingText({ lever: "tip", setTo: "03", ...none }, "us")).toBe("size 03");
    expect(settingText({ lever: "pressure", setTo: null, ...none }, "us")).toBe("");
  });
});
