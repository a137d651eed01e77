import { entered } from "../quantity/parse";
import { quantity } from "../quantity/quantity";
import {
  slipsOfArea,
  slipsOfCatch,
  slipsOfCatchTime,
  slipsOfMarks,
  slipsOfOutlet,
  slipsOfRounded,
  slipsOfSprayVolume,
  slipsOfSwath,
  slipsOfWalk,
} from "./of-reading";
import type { Slip } from "./slip";

/** Where what is possible of a reading begins and ends: just inside nothing is asked, just outside the likely slips are offered. */

const offers = (slips: readonly Slip[]) => slips.map((s) => `${s.code}: ${s.corrected}`);
const time = (text: string) => entered(text, "time");
const backpack = { rig: "backpack", outlets: 1 } as const;

describe("a catch that ran for a round time beside its walk", () => {
  const rounded = (typed: string, walked: string) => offers(slipsOfRounded(time(typed), time(walked)));
  test.each([
    ["30 s", "28 s"],
    ["25 s", "28 s"],
    ["60 s", "59 s"],
    ["30 s", "27 s"],
  ])("%s for a walk of %s is asked about", (typed, walked) => expect(rounded(typed, walked)).toEqual([`rounded-up: ${walked}`]));
  test.each([
    ["no round time", "31 s", "28 s"],
    ["read to the tenth", "30.0 s", "28 s"],
    ["within a hundredth", "60 s", "59.5 s"],
    ["an eighth off: another time altogether", "30 s", "26.5 s"],
    ["an eighth off, the other way", "25 s", "29 s"],
    ["the walk's own", "30 s", "30 s"],
  ])("%s: %s for a walk of %s is left alone", (_, typed, walked) => expect(rounded(typed, walked)).toEqual([]));
  test("it says how long the walk was", () =>
    expect(slipsOfRounded(time("30 s"), time("28.254 s"))[0]!.says).toBe(
      "the walk took 28.25 s: a time that was probably rounded",
    ));
});

describe("a walk, for the ground that it goes over", () => {
  const over = (typed: string) => offers(slipsOfWalk(time(typed), { area: quantity("area", 250, "ft2"), rig: "backpack" }));
  // 12 to 1,200 s for 1,000 sq ft: 3 to 300 s for a quarter of it.
  test.each(["3 s", "10 s", "300 s"])("%s is possible", (typed) => expect(over(typed)).toEqual([]));
  test("less and more are asked about", () => {
    expect(over("2 s")).toEqual(["minutes-for-seconds: 120 s"]);
    expect(over("301 s")).toEqual(["seconds-for-minutes: 5.01666666667 s"]);
    expect(over("2.05 s")).toEqual(["minutes-for-seconds: 125 s", "minutes-for-seconds: 123 s"]);
  });
});

describe("a catch", () => {
  const minute = quantity("time", 60, "s");
  const boom = { rig: "boom", outlets: 8 } as const;
  const caught = (text: string, context: Parameters<typeof slipsOfCatch>[2]) =>
    offers(slipsOfCatch(entered(text, "volume"), minute, context));
  // Eight outlets of 0.04 to 3 gal a minute.
  test.each(["0.33 gal", "20 gal", "24 gal"])("%s from eight outlets is possible", (typed) =>
    expect(caught(typed, boom)).toEqual([]),
  );
  test("one outlet's catch is offered as that of all, of a rig that has several", () => {
    expect(caught("0.2 gal", boom)[0]).toBe("one-outlet: 1.6 gal");
    expect(caught("0.02 gal", backpack).join()).not.toContain("one-outlet");
  });
  test("imperial gallons are thought of where a flow is expected, and gallons were typed", () => {
    const expected = { ...backpack, expected: quantity("flow", 0.25, "gal/min") };
    expect(caught("3 gal", backpack).join()).not.toContain("imperial-gallon");
    expect(caught("64 fl oz", expected).join()).not.toContain("imperial-gallon");
    expect(caught("0.131 gal", expected)).toContain("imperial-gallon: 0.157324440241 gal");
  });
  test("its time, for what was caught: 33 fl oz take a backpack from 8 to 387 s", () => {
    const took = (text: string) => offers(slipsOfCatchTime(time(text), quantity("volume", 33, "fl oz"), backpack));
    expect(took("8 s")).toEqual([]);
    expect(took("380 s")).toEqual([]);
    expect(took("600 s")).toEqual(["seconds-for-minutes: 10 s"]);
  });
  test("of one outlet: all of them were caught at once", () => {
    const outlet = (text: string) => offers(slipsOfOutlet(entered(text, "volume"), minute, boom));
    expect(outlet("2 gal")).toEqual([]);
    expect(outlet("8 gal")).toEqual(["all-outlets: 1 gal"]);
    expect(outlet("0.05 gal")).toEqual([]);
  });
});

describe("an area", () => {
  const zone = (text: string) => offers(slipsOfArea(entered(text, "area")));
  test("of one and more thousands come first, of a part of one acres", () => {
    expect(zone("1 ft2")[0]).toBe("thousands: 1000 ft2");
    expect(zone("0.5 ft2")[0]).toBe("acres-for-feet: 0.5 ac");
  });
  test("in acres: feet or metres were meant, nobody types thousands of acres", () =>
    expect(zone("90 ac")).toEqual(["acres-for-feet: 90 ft2", "metres-for-feet: 90 m2"]));
  test("in square metres: what is offered is metres for something else", () =>
    expect(zone("2 m2")).toEqual(["metres-for-feet: 2 ac"]));
});

describe("a swath beside the last one", () => {
  const truck = (text: string, before?: number) =>
    offers(
      slipsOfSwath(entered(text, "length"), "spray-truck", before === undefined ? undefined : quantity("length", before, "ft")),
    );
  test("half of it, or twice", () => {
    expect(truck("3 ft", 6)[0]).toBe("half-width: 6 ft");
    expect(truck("12 ft", 6)[0]).toBe("half-width: 6 ft");
    expect(slipsOfSwath(entered("12 ft", "length"), "spray-truck", quantity("length", 6, "ft"))[0]!.says).toContain("two passes");
    expect(slipsOfSwath(entered("3 ft", "length"), "spray-truck", quantity("length", 6, "ft"))[0]!.says).toContain(
      "half the width",
    );
    expect(truck("4 ft", 6)).toEqual([]);
  });
  test("wider than is usual, and as wide as last time: not asked", () => {
    expect(truck("40 ft", 38)).toEqual([]);
    expect(truck("40 ft")).toEqual(["metres-for-feet: 40 in"]);
  });
});

test("a wanted spray volume in gallons for an acre that were meant for 1,000 sq ft", () => {
  const wanted = (text: string) => offers(slipsOfSprayVolume(entered(text, "sprayVolume")));
  expect(wanted("2 gal/ac")).toEqual(["acre-for-1000: 2 gal/1000 ft2"]);
  expect(wanted("5 gal/ac")).toEqual([]);
  expect(wanted("11 gal/1000 ft2")).toEqual([]);
});

test("catches on the marks of a coarse jug: two at least, all of them on marks, all of them coarse", () => {
  const jug = quantity("volume", 4, "fl oz");
  const one = (volume: number, seconds: number) => ({
    volume: quantity("volume", volume, "fl oz"),
    time: quantity("time", seconds, "s"),
  });
  const asked = (...catches: ReturnType<typeof one>[]) => slipsOfMarks(catches, jug).length > 0;
  expect(asked(one(32, 60), one(32, 75))).toBe(true);
  expect(asked(one(32, 75), one(32, 60), one(36, 80))).toBe(true);
  expect(asked(one(32, 60))).toBe(false);
  expect(asked(one(32, 60), one(32, 75), one(33, 60))).toBe(false);
  expect(asked(one(32, 60), one(32, 75), one(200, 300))).toBe(false);
  // 32 fl oz in 60 s are 34.1 in 64: half a mark is two.
  expect(asked(one(32, 60), one(32, 63))).toBe(false);
  expect(asked(one(32, 60), one(32, 65))).toBe(true);
});
