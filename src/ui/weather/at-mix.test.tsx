import { screen } from "@testing-library/react";
import { setFirmZone, setServerTime } from "../data/clock";
import { showWith } from "../testing/show";
import { AirAtMix } from "./at-mix";
import { WeatherHours } from "./hours";

const PRODUCT = {
  name: "Zel",
  form: "liquid",
  rate: "1 fl oz/1000 ft2",
  label: { wind: "5 mph", rates: [{ rate: "1 fl oz/1000 ft2" }], packages: [], limits: [], gear: [] },
} as never;

beforeEach(() => {
  localStorage.clear();
  setFirmZone("UTC");
  setServerTime(Date.parse("2026-09-02T17:00:00.000Z"));
});
const keep = (text: string) => localStorage.setItem("metars", JSON.stringify(text));

test("the newest report is held against the labels of the mix; an old one says nothing", () => {
  keep("KFRY 021653Z 24006KT 9999 SKC 20/12 Q1018");
  const { unmount } = showWith({}, <AirAtMix products={[PRODUCT]} sites={[]} />);
  expect(screen.getByRole("region", { name: "Weather for this mix" })).toHaveTextContent(
    /Not now by these labels, as of 16:53: .*6\.9 mph/,
  );
  unmount();
  keep("KFRY 021253Z 24006KT 9999 SKC 20/12 Q1018");
  const old = showWith({}, <AirAtMix products={[PRODUCT]} sites={[]} />);
  expect(old.container).toHaveTextContent("");
});

test("a day's reports hour by hour: when it went, what nobody could read, and how it is now", () => {
  keep(
    [
      "KFRY 021453Z 24005KT 9999 SKC 18/12 Q1018",
      "KFRY 021553Z 24005KT 9999 SKC 19/12 Q1018",
      "KFRY 021653Z 24016G25KT 9999 SKC 20/12 Q1018",
      "what",
    ].join("\n"),
  );
  showWith({}, <WeatherHours />);
  expect(screen.getByText("Weather: Not now, as of 16:53")).toBeInTheDocument();
  expect(screen.getByText(/It went from 14:53 to 15:53\./)).toBeInTheDocument();
  expect(screen.getByRole("listitem", { name: /^16:53: Not now, 2\d mph/ })).toBeInTheDocument();
  expect(screen.getByText("Not understood: what")).toBeInTheDocument();
});
