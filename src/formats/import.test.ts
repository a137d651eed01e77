import { alikeAreas } from "./grounds";
import { differencesOf } from "./import";

describe("where a file and the records differ", () => {
  test("place by place, in words; ids and history are no part of it", () => {
    const here = {
      name: "Green",
      id: "a",
      zones: [{ name: "north", area: "6200 ft2", seededOn: "2026-08-20", applied: [1] }],
    };
    const file = {
      name: "Green",
      id: "b",
      zones: [
        { name: "north", area: "6400 ft2" },
        { name: "strip", area: "90 ft2" },
      ],
    };
    expect(differencesOf(here, file)).toEqual([
      { place: "zone 1 area", here: "6200 ft2", file: "6400 ft2" },
      { place: "zone 1 seeded on", here: "2026-08-20", file: "–" },
      { place: "zone 2 name", here: "–", file: "strip" },
      { place: "zone 2 area", here: "–", file: "90 ft2" },
    ]);
    expect(differencesOf(here, { ...here, id: "c" })).toEqual([]);
    expect(differencesOf({ limits: [{ perYear: "1 oz" }] }, { limits: [] })[0]!.place).toBe("limit 1 per year");
  });
});

test("two per cent apart is one ground measured twice", () =>
  expect([alikeAreas(100, 102), alikeAreas(100, 103)]).toEqual([true, false]));
