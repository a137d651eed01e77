import { fireEvent, screen, within } from "@testing-library/react";
import { calibrate } from "@/core/calibration/calibrate";
import type { Line } from "@/core/working/explain";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { calibrationWorking } from "../calibrate/working";
import { calibrationOn, RIG, show } from "../testing/show";
import { HowItCame } from "../parts/math";
import { Room } from "./room";

const made = calibrate(soundJob(calibrationJob(RIG.rig, calibrationOn("x").calibration)).calibration);
const lines: readonly Line[] = calibrationWorking(made, "us");

describe("the pad", () => {
  test("shows the working of whatever is on the stage, line by line", () => {
    show(<Room working={lines}>stage</Room>);
    expect(screen.getAllByRole("listitem", { hidden: true }).map((l) => l.textContent!.split("why")[0])).toEqual([
      "Mean time(61 s + 63 s + 62 s) ÷ 3= 62.0 s",
      "Pace for 1,000 sq ft62.0 s ÷ 250 sq ft × 1,000 sq ft= 248.0 s",
      "Flow of the catch32 fl oz ÷ 62 s= 31 fl oz/min",
      "Flow of the catch32 fl oz ÷ 62 s= 31 fl oz/min",
      "Mean flow(31 fl oz/min + 31 fl oz/min) ÷ 2= 31 fl oz/min",
      "Spray volume31 fl oz/min × 62.0 s ÷ 250 sq ft= 1 gal per 1,000 sq ft",
    ]);
  });

  test("is copied as text", async () => {
    const writeText = jest.fn().mockResolvedValue(undefined);
    Object.assign(navigator, { clipboard: { writeText } });
    show(<Room working={lines}>stage</Room>);
    fireEvent.click(screen.getByText("Copy"));
    expect(await screen.findByText("Copied")).toBeInTheDocument();
    expect(writeText.mock.calls[0][0].split("\n")[0]).toBe("Mean time = (61 s + 63 s + 62 s) ÷ 3 = 62.0 s");
  });

  test("opens with its button and with a key, and not while typing", () => {
    show(
      <Room working={lines}>
        <input aria-label="field" />
      </Room>,
    );
    const button = screen.getByText("Show the math");
    fireEvent.keyDown(screen.getByLabelText("field"), { key: "w", bubbles: true });
    expect(button).toHaveAttribute("aria-expanded", "false");
    fireEvent.keyDown(document.body, { key: "w", bubbles: true });
    expect(button).toHaveAttribute("aria-expanded", "true");
    fireEvent.click(button);
    expect(button).toHaveAttribute("aria-expanded", "false");
  });

  test("shows how the amount came about that is pressed, and all of it when asked", () => {
    show(
      <Room working={lines}>
        <HowItCame of={made.flow!} title="Flow">
          31 fl oz/min
        </HowItCame>
      </Room>,
    );
    const pad = screen.getByLabelText("The math");
    const titles = () => within(pad).getAllByRole("listitem", { hidden: true }).length;
    fireEvent.click(screen.getByRole("button", { name: "Flow: show the math" }));
    expect(pad).toBeVisible();
    expect(titles()).toBeLessThan(lines.length);
    expect(within(pad).getByRole("heading")).toHaveTextContent("Flow");
    fireEvent.click(within(pad).getByText("All of it"));
    expect(titles()).toBe(lines.length);
    fireEvent.keyDown(document.body, { key: "Escape" });
    expect(pad).not.toBeVisible();
  });

  test("is away where nothing was worked out", () => {
    show(<Room working={[]}>stage</Room>).unmount();
    show(<Room>stage</Room>);
    expect(screen.queryByText("Show the math")).toBeNull();
  });
});
