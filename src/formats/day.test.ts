import fc from "fast-check";
import { localDate, momentOf } from "./day";

const iso = (date: string, time: string, zone: string) => new Date(momentOf(date, time, zone)).toISOString();

test("the moment of a wall clock: winter, summer, halves of an hour, the southern half of the earth", () => {
  expect(iso("2026-01-10", "09:30", "America/New_York")).toBe("2026-01-10T14:30:00.000Z");
  expect(iso("2026-07-10", "09:30", "America/New_York")).toBe("2026-07-10T13:30:00.000Z");
  expect(iso("2026-07-10", "09:30", "Asia/Kolkata")).toBe("2026-07-10T04:00:00.000Z");
  expect(iso("2026-01-10", "09:30", "Australia/Hobart")).toBe("2026-01-09T22:30:00.000Z");
});

test("an hour that comes twice is the first of the two; one that is left out lies behind the leap", () => {
  // US clocks go back on 1 November 2026 at 2:00, and went forward on 8 March at 2:00 (Energy Policy Act of 2005).
  expect(iso("2026-11-01", "01:30", "America/New_York")).toBe("2026-11-01T05:30:00.000Z");
  expect(iso("2026-03-08", "02:30", "America/New_York")).toBe("2026-03-08T07:30:00.000Z");
});

test("the moment of a day's time lies on that day", () => {
  const zones = ["America/New_York", "Europe/Berlin", "Australia/Lord_Howe", "Pacific/Chatham", "UTC", "America/St_Johns"];
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 20_000 }),
      fc.integer({ min: 4, max: 23 }),
      fc.constantFrom(...zones),
      (day, hour, zone) => {
        const date = new Date(day * 86_400_000 + 946_684_800_000).toISOString().slice(0, 10);
        expect(localDate(iso(date, `${String(hour).padStart(2, "0")}:15`, zone), zone)).toBe(date);
      },
    ),
  );
});
