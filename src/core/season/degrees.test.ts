import { daysLater } from "../calendar";
import { dueOf } from "./due";
import { degreesIn, reachedOn, type AirDay } from "./degrees";

const air = (from: string, list: readonly (readonly [least: number, most: number])[]): AirDay[] =>
  list.map(([least, most], i) => ({ date: daysLater(from, i), least, most }));
const wanted = { base: 10, sum: 12, from: "02-15" };

test("worked by hand: 6, then nothing on a cold day, then 5, then 4 over ten degrees", () => {
  const days = air("2026-02-15", [
    [10, 22],
    [4, 12],
    [8, 22],
    [9, 19],
  ]);
  expect(degreesIn(days, wanted, "2026").map(({ sum }) => sum)).toEqual([6, 6, 11, 15]);
  expect(reachedOn(days, wanted, "2026")).toBe("2026-02-18");
  expect(reachedOn(days, { ...wanted, sum: 15 }, "2026")).toBe("2026-02-18");
  expect(reachedOn(days, { ...wanted, sum: 16 }, "2026")).toBeUndefined();
});

test("a day that is missing ends the sum; what lies before its first day, or in another year, isn't added", () => {
  const days = air("2026-02-14", [
    [30, 40],
    [10, 22],
    [10, 22],
    [10, 22],
  ]);
  expect(reachedOn(days, wanted, "2026")).toBe("2026-02-16");
  expect(
    reachedOn(
      days.filter(({ date }) => date !== "2026-02-15"),
      wanted,
      "2026",
    ),
  ).toBeUndefined();
  expect(reachedOn(days, wanted, "2027")).toBeUndefined();
});

test("a round opens on the day on which its degree days are there", () => {
  const rounds = [{ name: "grubs", opens: { on: "degrees" as const, ...wanted } }];
  const days = air("2026-02-15", [
    [10, 22],
    [10, 22],
  ]);
  const on = (date: string, known = days) =>
    dueOf({ date, soil: [], air: known, rounds, sites: [{ name: "Green", done: [] }] })[0];
  expect(on("2026-02-15")).toMatchObject({ state: "too-early", earliest: "2026-02-16", reasons: ["not-open"] });
  expect(on("2026-02-16")).toMatchObject({ state: "due" });
  expect(on("2026-02-16", [])).toMatchObject({ state: "too-early", earliest: null, reasons: ["degrees-not-reached"] });
});
