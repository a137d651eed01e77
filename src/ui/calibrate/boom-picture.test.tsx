import { screen } from "@testing-library/react";
import { boomCheck } from "@/core/calibration/boom";
import type { Quantity } from "@/core/quantity/kinds";
import { quantity } from "@/core/quantity/quantity";
import { show } from "../testing/show";
import { BoomPicture, BoomVerdict } from "./boom-picture";

const flows = (...volumes: (number | undefined)[]) =>
  volumes.map((v) => (v === undefined ? undefined : quantity("flow", v * 2, "fl oz/min")));
const rated = quantity("flow", 0.4, "gal/min");
const whole = (list: ReturnType<typeof flows>) => list.filter((f): f is Quantity<"flow"> => f !== undefined);

describe("the boom as a picture", () => {
  test("says that it waits for readings, then how many are there", () => {
    show(<BoomPicture flows={flows(undefined, undefined)} check={undefined} rated={undefined} system="us" />).unmount();
    show(<BoomPicture flows={flows(25, undefined)} check={undefined} rated={rated} system="us" />);
    expect(screen.getByRole("img", { name: "Boom of 2 outlets, 1 read" })).toBeInTheDocument();
  });

  test("draws each outlet to scale, and names those off the mean", () => {
    const list = flows(25, 25, 30, 25);
    const check = boomCheck(whole(list), rated);
    const { container } = show(<BoomPicture flows={list} check={check} rated={rated} system="us" />);
    expect(screen.getByRole("img", { name: "Boom of 4 outlets; off the mean: outlet 3 +14 %" })).toBeInTheDocument();
    // The band comes first; the columns follow, as high as they flow.
    const heights = [...container.querySelectorAll("rect")].slice(1).map((r) => Number(r.getAttribute("height")));
    expect(heights.length).toBe(4);
    expect(heights[2]! / heights[0]!).toBeCloseTo(30 / 25, 9);
    expect(screen.getByText(/replace/)).toBeInTheDocument();
  });

  test("an even boom says so, sides and all", () => {
    const list = whole(flows(25.6, 25.6, 25.6, 25.6));
    show(<BoomPicture flows={list} check={boomCheck(list, rated)} rated={rated} system="metric" />);
    expect(screen.getByRole("img", { name: /all within 5 % of the mean/ })).toBeInTheDocument();
    expect(screen.getByText(/^mean .* L\/min$/)).toBeInTheDocument();
  });
});

describe("the verdict in words", () => {
  test("which to replace, which to clean, which side gives more", () => {
    show(<BoomVerdict check={boomCheck(whole(flows(26.5, 29.5, 25, 22)), rated)} rated />);
    expect(screen.getByText("Replace 2: gives too much, worn.")).toBeInTheDocument();
    expect(screen.getByText("Clean 4, check its strainer: gives too little.")).toBeInTheDocument();
    expect(screen.getByText("The left side gives 17 % more.")).toBeInTheDocument();
  });
  test("without a rated flow it says what can't be told", () => {
    show(<BoomVerdict check={boomCheck(whole(flows(25, 25)))} rated={false} />);
    expect(screen.getByText("✓ Every outlet is within its band.")).toBeInTheDocument();
    expect(screen.getByText("Left and right agree.")).toBeInTheDocument();
    expect(screen.getByText(/wear can't be told/)).toBeInTheDocument();
  });
});
