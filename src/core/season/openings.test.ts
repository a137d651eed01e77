import { daysLater } from "../calendar";
import { soilDaysOf } from "./openings";
import { soilMeans } from "./soil";

const warming = (from: string, celsius: number) =>
  Array.from({ length: 30 }, (_, i) => ({ date: daysLater(from, i), celsius: celsius + i / 2 }));

test("the day of each year, and how many days sooner or later than the year before", () => {
  const means = soilMeans([...warming("2025-03-10", 4), ...warming("2026-03-01", 4)]);
  const rounds = [
    { name: "first", opens: { on: "rise", celsius: 10 } },
    { name: "late", opens: { on: "date", monthDay: "09-01" }, closes: { on: "fall", celsius: 10 } },
    { name: "never", opens: { on: "rise", celsius: 60 } },
  ] as const;
  // The mean of five reaches 10 °C when its middle day does, 12 days on: two days later.
  expect(soilDaysOf(rounds, means)).toEqual([
    {
      round: "first",
      as: "opens",
      celsius: 10,
      way: "rise",
      days: [
        { year: "2025", date: "2025-03-24", later: null },
        { year: "2026", date: "2026-03-15", later: -9 },
      ],
    },
    { round: "late", as: "closes", celsius: 10, way: "fall", days: [] },
    { round: "never", as: "opens", celsius: 60, way: "rise", days: [] },
  ]);
});
test("a year between that has no day makes no comparison", () => {
  const means = soilMeans([...warming("2024-03-10", 4), ...warming("2026-03-01", 4)]);
  expect(soilDaysOf([{ name: "first", opens: { on: "rise", celsius: 10 } }], means)[0]!.days.map((day) => day.later)).toEqual([
    null,
    null,
  ]);
});
