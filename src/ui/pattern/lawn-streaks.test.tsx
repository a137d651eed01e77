import { fireEvent, screen } from "@testing-library/react";
import { swathsOf } from "@/core/pattern/swaths";
import type { SiteEntry } from "@/formats/entries";
import { showWith } from "../testing/show";
import { LawnStreaks } from "./lawn-streaks";

/** A made-up lawn of about a hundred metres by fifty, on no coast. */
const RING = [
  [0, 0],
  [0.0009, 0],
  [0.0009, 0.00045],
  [0, 0.00045],
  [0, 0],
];
const site = (map: object): SiteEntry =>
  ({
    id: "site-1",
    retired: false,
    site: { name: "Ferry office", zones: [{ name: "front", id: "zone-1", area: "50000 ft2", ...map }] },
  }) as never;
const MAPPED = site({ measurement: { by: "map", map: { polygons: [[RING]] } } });
const DEPOSIT = [0, 2, 5, 9, 10, 9, 5, 2, 0];

const streaks = (one: SiteEntry, spacings: number) =>
  showWith(
    {},
    <LawnStreaks site={one} deposit={DEPOSIT} swath={swathsOf(DEPOSIT)[spacings - 1]!} spacing={0.3048} system="us" />,
  );

test("a site without a map has no streaks to draw", () => {
  streaks(site({}), 5);
  expect(screen.queryByRole("region")).toBeNull();
});

test("one stripe for each place of two passes, turned with the slider", () => {
  const { container } = streaks(MAPPED, 5);
  expect(screen.getByRole("img", { name: /Ferry office from above/ })).toBeInTheDocument();
  // Two passes of five places, over a blank.
  expect(container.querySelectorAll("pattern rect")).toHaveLength(11);
  fireEvent.change(screen.getByRole("slider", { name: /Passes run/ }), { target: { value: "45" } });
  expect(container.querySelector("pattern")).toHaveAttribute("patternTransform", "rotate(45)");
});

test("an even swath is one tone, an uneven one isn't", () => {
  const tones = (spacings: number) => {
    const { container, unmount } = streaks(MAPPED, spacings);
    const all = [...container.querySelectorAll("pattern rect[fill-opacity]")].map((one) =>
      Number(one.getAttribute("fill-opacity")),
    );
    unmount();
    return Math.min(...all) / Math.max(...all);
  };
  expect(tones(3)).toBeGreaterThan(0.6);
  expect(tones(9)).toBe(0);
});
