import { screen } from "@testing-library/react";
import { calibrate } from "@/core/calibration/calibrate";
import { methodOf } from "@/core/calibration/methods";
import { emptySession } from "@/formats/session";
import type { CalibrationText } from "@/formats/job-file/types";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { calibrationOn, PERSON, RIG, show } from "../testing/show";
import { Result } from "./result";
import { Sketch } from "./sketch";

function showResult(calibration: CalibrationText, system: "us" | "metric" = "us") {
  const job = soundJob(calibrationJob(RIG.rig, calibration));
  return show(<Result made={calibrate(job.calibration)} input={job.calibration} tank={job.tank} system={system} />);
}
const ONE = calibrationOn("x").calibration;

describe("a result", () => {
  test("is the spray volume with its band, and what it comes to", () => {
    showResult(ONE);
    expect(screen.getByTestId("spray-volume")).toHaveTextContent("1 gal per 1,000 sq ft");
    expect(screen.getByText("43.6 gal per acre")).toBeInTheDocument();
    expect(screen.getByText("4,000 sq ft")).toBeInTheDocument();
    expect(screen.getByText("3, spread 3.2 %")).toBeInTheDocument();
    expect(screen.getByText(/± 3\.\d %/)).toBeInTheDocument();
  });

  test("reads in metric, too", () => {
    showResult(ONE, "metric");
    expect(screen.getByTestId("spray-volume")).toHaveTextContent("4.07 L per 100 m²");
    expect(screen.getByText("407 L per ha")).toBeInTheDocument();
  });

  test("draws the line from pace to flow through the spray volume, exactly", () => {
    const { container } = showResult(ONE);
    expect(
      screen.getByRole("group", { name: /248.0 s for 1,000 sq ft and 31 fl oz\/min give 1 gal per 1,000 sq ft/ }),
    ).toBeInTheDocument();
    // The crossing, then each handle's target and dot.
    const [middle, , pace, , flow] = [...container.querySelectorAll("circle")].map(
      (c) => [Number(c.getAttribute("cx")), Number(c.getAttribute("cy"))] as const,
    );
    const along = (middle![0] - pace![0]) / (flow![0] - pace![0]);
    expect(middle![1]).toBeCloseTo(pace![1] + along * (flow![1] - pace![1]), 6);
  });

  test("has a tick for each trial that counts", () => {
    const { container } = showResult(ONE);
    expect([...container.querySelectorAll("path")].filter((p) => p.getAttribute("d")?.endsWith("v10 z")).length).toBe(5);
  });

  test("shows a wide spread once, at its worst", () => {
    showResult({ ...ONE, pace: { kind: "timed-area", area: "250 ft2", times: ["55 s", "66 s"] } });
    expect(screen.getByText(/over 10 %: this is not a calibration yet/)).toBeInTheDocument();
    expect(screen.queryByText(/take another\.$/)).toBeNull();
  });

  test("has no chart and no pace where only what was used is known", () => {
    showResult({ used: [{ area: "100 ft2", topUp: "12.8 fl oz" }] });
    expect(screen.getByTestId("spray-volume")).toHaveTextContent("1 gal per 1,000 sq ft");
    expect(screen.queryByRole("group", { name: /Three-line/ })).toBeNull();
    expect(screen.queryByText("Flow")).toBeNull();
  });

  test("says what it is when it was given", () => {
    showResult({ sprayVolume: "2 gal/1000 ft2" });
    expect(screen.getByText("as given, not measured")).toBeInTheDocument();
  });

  test("against a wish: within, or the levers", () => {
    showResult({ ...ONE, target: "1 gal/1000 ft2" }).unmount();
    showResult({ ...ONE, target: "1.2 gal/1000 ft2" });
    expect(screen.getByText("17 % too little")).toBeInTheDocument();
    expect(screen.getByText("→ Pressure")).toBeInTheDocument();
    expect(screen.getByText("57.6 psi")).toBeInTheDocument();
  });
});

const sketch = (swath: string) => {
  const method = methodOf("up-and-back")!;
  const begin = { rigId: RIG.id, personId: PERSON.id, outlets: 1, method: method.id };
  return <Sketch method={method} session={{ ...emptySession("s", begin), swath }} rig={RIG} system="us" />;
};

describe("the marking-out sketch", () => {
  test("up and back with a 10 ft swath: 20 by 50 ft, diagonal 53.9 ft", () => {
    show(sketch("10"));
    expect(
      screen.getByRole("img", { name: "Mark out 20 ft wide and 50 ft long, two passes, diagonal 53.9 ft" }),
    ).toBeInTheDocument();
  });
  test("is drawn true to shape", () => {
    const { container } = show(sketch("10"));
    const ground = container.querySelector("rect")!;
    expect(Number(ground.getAttribute("width")) / Number(ground.getAttribute("height"))).toBeCloseTo(2.5, 6);
  });
  test("asks for the swath first", () => {
    show(sketch(""));
    expect(screen.getByText(/Type the effective swath/)).toBeInTheDocument();
  });
});
