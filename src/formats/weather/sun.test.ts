import fc from "fast-check";
import { sunAt } from "./sun";

const at = (text: string) => Date.parse(text);
const GREENWICH = [0, 51.4779] as const;
const NEW_YORK = [-74.006, 40.7128] as const;
const SYDNEY = [151.209, -33.868] as const;

describe("when the sun rises and sets", () => {
  // Almanac values, to the minute, from memory.
  test.each([
    ["Greenwich, the longest day", GREENWICH, "2024-06-20T12:00:00Z", "2024-06-20T03:43:00Z", "2024-06-20T20:21:00Z"],
    ["Greenwich, the shortest day", GREENWICH, "2024-12-21T12:00:00Z", "2024-12-21T08:04:00Z", "2024-12-21T15:53:00Z"],
    ["New York, the equinox", NEW_YORK, "2024-03-20T16:00:00Z", "2024-03-20T10:59:00Z", "2024-03-20T23:08:00Z"],
    ["Sydney, its summer", SYDNEY, "2024-12-21T02:00:00Z", "2024-12-20T18:41:00Z", "2024-12-21T09:05:00Z"],
  ] as const)("%s", (_what, place, noon, rises, sets) => {
    const sun = sunAt(at(noon), place);
    expect(sun.when).toBe("day");
    expect(Math.abs(sun.rises! - at(rises))).toBeLessThan(4 * 60_000);
    expect(Math.abs(sun.sets! - at(sets))).toBeLessThan(4 * 60_000);
  });
  test("where it doesn't, nobody says that it does", () => {
    const tromso = [18.96, 69.65] as const;
    expect(sunAt(at("2024-06-20T23:00:00Z"), tromso)).toEqual({ when: "day", rises: null, sets: null });
    expect(sunAt(at("2024-12-21T12:00:00Z"), tromso)).toEqual({ when: "night", rises: null, sets: null });
  });
});

describe("the part of the day", () => {
  test.each([
    ["2024-06-20T02:30:00Z", "night"],
    ["2024-06-20T02:50:00Z", "sunrise"],
    ["2024-06-20T05:30:00Z", "sunrise"],
    ["2024-06-20T05:55:00Z", "day"],
    ["2024-06-20T18:10:00Z", "day"],
    ["2024-06-20T18:30:00Z", "sunset"],
    ["2024-06-20T21:10:00Z", "sunset"],
    ["2024-06-20T21:40:00Z", "night"],
    ["2024-12-21T16:30:00Z", "sunset"],
  ])("%s at Greenwich is %s", (moment, when) => expect(sunAt(at(moment), GREENWICH).when).toBe(when));
  test("west of Greenwich the evening is after the date has changed there", () => {
    expect(sunAt(at("2024-03-21T00:00:00Z"), NEW_YORK).when).toBe("sunset");
    expect(sunAt(at("2024-03-21T00:00:00Z"), NEW_YORK).sets! - at("2024-03-20T23:08:00Z")).toBeLessThan(4 * 60_000);
  });
  test("by day the sun is up, at night it isn't, anywhere between the circles", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: at("2020-01-01T00:00:00Z"), max: at("2030-01-01T00:00:00Z") }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        (moment, lon, lat) => {
          const { when, rises, sets } = sunAt(moment, [lon, lat]);
          expect(sets! - rises!).toBeGreaterThan(0);
          const up = moment > rises! && moment < sets!;
          if (when === "day") expect(up).toBe(true);
          if (when === "night") expect(up).toBe(false);
        },
      ),
    ));
});
