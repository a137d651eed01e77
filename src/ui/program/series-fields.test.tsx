import { act, fireEvent, screen } from "@testing-library/react";
import { useState } from "react";
import { setFirmZone, setServerTime } from "../data/clock";
import { show } from "../testing/show";
import {
  NO_STATION,
  seriesDraft,
  SeriesFields,
  seriesText,
  seriesWords,
  withFile,
  withMadeUp,
  type SeriesDraft,
} from "./series-fields";

beforeEach(() => {
  localStorage.clear();
  setFirmZone("UTC");
  setServerTime(Date.parse("2026-04-20T10:00:00.000Z"));
});

test("what is on record is typed as lines, and goes out as it came", () => {
  const series = {
    place: "40.1, -75",
    soil: [{ date: "2026-03-20", temperature: "47 F" }],
    air: [{ date: "2026-03-20", least: "38 F", most: "61 F" }],
  };
  expect(seriesText(seriesDraft(series))).toEqual(series);
  expect(seriesText(NO_STATION)).toEqual({ soil: [] });
  expect(seriesWords("soil[2].temperature")).toBe("soil, line 3");
  expect(seriesWords("place")).toBe("place");
});

test("a file's days come beside those that are there, in their order, without its headings; of a day the file's counts", () => {
  const typed = "2026-03-21, 48 F\n2026-03-20, 47 F";
  expect(withFile(typed, "date,soil\n2026-03-21,49 F\n2026-03-19,46 F\n\n")).toBe(
    "2026-03-19, 46 F\n2026-03-20, 47 F\n2026-03-21, 49 F",
  );
  expect(withFile("", "2026-03-19, 40 F, 60 F")).toBe("2026-03-19, 40 F, 60 F");
});

test("what is no day is nobody's to throw away, and what was read isn't written over by what was made up", () => {
  expect(withFile("2026-3-20, 47 F", "day,soil\n2026-03-19,46 F\nMarch 21,48 F")).toBe(
    "2026-03-19, 46 F\n2026-3-20, 47 F\nMarch 21, 48 F",
  );
  expect(withMadeUp("2026-04-19, 50 F\nwarm", "2026-04-19, 61 F\n2026-04-18, 60 F")).toBe(
    "2026-04-18, 60 F\n2026-04-19, 50 F\nwarm",
  );
});

function Room() {
  const [series, set] = useState<SeriesDraft>({ soil: "2026-04-19, 50 F" });
  return <SeriesFields of={series} names="" change={(next) => set({ ...series, ...next })} />;
}

test("the made-up station gives its soil of a year and more, up to today", () => {
  show(<Room />);
  fireEvent.click(screen.getByRole("button", { name: "Ask the simulated station for its soil" }));
  const soil = screen.getByLabelText<HTMLTextAreaElement>(/^Soil temperature/).value.split("\n");
  expect(soil.length).toBe(401);
  expect(soil.at(-1)).toMatch(/^2026-04-20, \d+\.\d F$/);
});

test("a file is taken into its field", async () => {
  show(<Room />);
  const file = Object.assign(new File(["2026-04-18,49 F"], "soil.csv"), { text: () => Promise.resolve("2026-04-18,49 F") });
  await act(async () => fireEvent.change(screen.getByLabelText("Soil from a file"), { target: { files: [file] } }));
  expect(screen.getByLabelText(/^Soil temperature/)).toHaveValue("2026-04-18, 49 F\n2026-04-19, 50 F");
});
