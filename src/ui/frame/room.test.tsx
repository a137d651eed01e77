import { fireEvent, screen } from "@testing-library/react";
import { calibrate } from "@/core/calibration/calibrate";
import type { Line } from "@/core/working/explain";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { calibrationWorking } from "../calibrate/working";
import { calibrationOn, RIG, show } from "../testing/show";
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

  test("slides up with its handle and with a key, and not while typing", () => {
    show(
      <Room working={lines}>
        <input aria-label="field" />
      </Room>,
    );
    const handle = screen.getByText("▲ Working");
    fireEvent.keyDown(screen.getByLabelText("field"), { key: "w", bubbles: true });
    expect(handle).toHaveAttribute("aria-expanded", "false");
    fireEvent.keyDown(document.body, { key: "w", bubbles: true });
    expect(handle).toHaveAttribute("aria-expanded", "true");
    fireEvent.click(handle);
    expect(handle).toHaveAttribute("aria-expanded", "false");
  });

  test("says what will stand there while there is nothing, and is away in a room that works nothing out", () => {
    show(<Room working={[]}>stage</Room>).unmount();
    show(<Room>stage</Room>);
    expect(screen.queryByText("Working")).toBeNull();
  });
});
