import fc from "fast-check";
import { dateOf, dayOf, daysFrom, daysLater, isDate, isMomentText, yearBefore } from "./calendar";

/** Held against the platform's own proleptic Gregorian calendar. */
test("days are counted as the platform counts them, and come back", () => {
  fc.assert(
    fc.property(fc.integer({ min: dayOf("1600-01-01"), max: dayOf("2999-12-31") }), (day) => {
      expect(dateOf(day)).toBe(new Date(day * 86_400_000).toISOString().slice(0, 10));
      expect(dayOf(dateOf(day))).toBe(day);
    }),
  );
});

test("between dates", () => {
  expect(daysFrom("2026-04-14", "2026-05-19")).toBe(35);
  expect(daysFrom("2026-05-19", "2026-04-14")).toBe(-35);
  expect(daysLater("2024-02-28", 2)).toBe("2024-03-01");
  expect(daysLater("2026-12-31", 1)).toBe("2027-01-01");
});

test("the same day a year before, to compare with: of 29 February between 28 February and 1 March", () => {
  expect(yearBefore("2026-09-02")).toBe("2025-09-02");
  expect("2023-02-28" < yearBefore("2024-02-29") && yearBefore("2024-02-29") < "2023-03-01").toBe(true);
});

test("a date is one that the calendar has", () => {
  for (const date of ["2026-09-02", "2024-02-29", "1600-12-31"]) expect(isDate(date)).toBe(true);
  for (const none of ["2026-02-30", "2025-02-29", "2026-13-01", "2026-00-10", "2026-1-2", "26-01-02", "", "2026-09-02T00:00"])
    expect(isDate(none)).toBe(false);
});

test("a moment stands on a date that the calendar has, and has its offset", () => {
  for (const moment of ["2026-09-02T10:00:00.000Z", "2024-02-29T23:59Z", "2026-04-10T12:05:00-04:00"])
    expect(isMomentText(moment)).toBe(true);
  // The platform reads the first as 2 March.
  for (const none of ["2026-02-30T10:00:00Z", "2026-09-02T10:00:00", "2026-09-02T25:00Z", "2026-09-02", ""])
    expect(isMomentText(none)).toBe(false);
});
