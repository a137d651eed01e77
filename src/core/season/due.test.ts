import fc from "fast-check";
import { daysLater } from "../calendar";
import { dueOf, type Round, type SeasonSite } from "./due";
import { fallsTo, risesTo, soilMeans, type SoilDay } from "./soil";

const site = (more: Partial<SeasonSite> = {}): SeasonSite => ({ name: "Green", done: [], ...more });
const on = (monthDay: string) => ({ on: "date", monthDay }) as const;
const item = (date: string, round: Partial<Round>, at: Partial<SeasonSite> = {}, soil: readonly SoilDay[] = []) => {
  const rounds = [{ name: "first" }, { name: "round", ...round }];
  const { state, earliest, latest, reasons } = dueOf({ date, soil, rounds, sites: [site(at)] })[1]!;
  return [state, earliest, latest, ...reasons];
};
const FIRST = { done: [{ round: "first", date: "2026-03-28" }] };
/** Days from one on, a temperature each. */
const series = (from: string, ...celsius: number[]): SoilDay[] =>
  celsius.map((c, i) => ({ date: daysLater(from, i), celsius: c }));

describe("what is due", () => {
  type Case = readonly [what: string, expected: unknown[], date: string, round: Partial<Round>, at?: Partial<SeasonSite>];
  // prettier-ignore
  const CASES: readonly Case[] = [
    ["always open", ["due", null, null], "2026-04-10", {}],
    ["on the day that it opens", ["due", "2026-04-10", null], "2026-04-10", { opens: on("04-10") }],
    ["the day before", ["too-early", "2026-04-10", null, "not-open"], "2026-04-09", { opens: on("04-10") }],
    ["on the day that it closes", ["due", null, "2026-04-10"], "2026-04-10", { closes: on("04-10") }],
    ["the day after", ["missed", null, "2026-04-10", "closed"], "2026-04-11", { closes: on("04-10") }],
    ["done this year", ["done", null, "2026-04-01"], "2026-04-10", { closes: on("04-01") }, { done: [{ round: "round", date: "2026-01-01" }] }],
    ["done last year", ["due", null, null], "2026-04-10", {}, { done: [{ round: "round", date: "2025-12-31" }] }],
    ["the one before isn't done", ["waits", null, null, "after-not-done"], "2026-04-10", { after: { round: "first" } }],
    ["35 days after", ["due", "2026-05-02", "2026-06-06"], "2026-05-02", { after: { round: "first", atLeast: 35, atMost: 70 } }, FIRST],
    ["34 days after", ["too-early", "2026-05-02", "2026-06-06", "too-soon-after"], "2026-05-01", { after: { round: "first", atLeast: 35, atMost: 70 } }, FIRST],
    ["70 days after", ["due", "2026-05-02", "2026-06-06"], "2026-06-06", { after: { round: "first", atLeast: 35, atMost: 70 } }, FIRST],
    ["71 days after", ["overdue", "2026-05-02", "2026-06-06", "past-latest"], "2026-06-07", { after: { round: "first", atLeast: 35, atMost: 70 } }, FIRST],
    ["60 days after seeding", ["due", null, null], "2026-05-31", { afterSeeding: 60 }, { seeded: "2026-04-01" }],
    ["59 days after", ["blocked", "2026-05-31", null, "after-seeding"], "2026-05-30", { afterSeeding: 60 }, { seeded: "2026-04-01" }],
    ["90 days before seed", ["due", null, null], "2026-06-12", { beforeSeeding: 90 }, { seeding: "2026-09-10" }],
    ["89 days before seed", ["blocked", null, null, "before-seeding"], "2026-06-13", { beforeSeeding: 90 }, { seeding: "2026-09-10" }],
    ["seed that was planned for before", ["due", null, null], "2026-09-11", { beforeSeeding: 90 }, { seeding: "2026-09-10" }],
    ["missed before overdue", ["missed", "2026-05-02", "2026-05-20", "closed"], "2026-06-30", { closes: on("05-20"), after: { round: "first", atLeast: 35, atMost: 70 } }, FIRST],
    ["blocked before too early", ["blocked", "2026-05-31", null, "after-seeding"], "2026-04-10", { opens: on("05-01"), afterSeeding: 60 }, { seeded: "2026-04-01" }],
    ["twice done: the last counts", ["too-early", "2026-05-12", null, "too-soon-after"], "2026-05-05", { after: { round: "first", atLeast: 35 } }, { done: [...FIRST.done, { round: "first", date: "2026-04-07" }] }],
    ["the leap day of a common year opens the day after", ["due", "2026-03-01", null], "2026-03-01", { opens: on("02-29") }],
    ["and closes the day before", ["missed", null, "2026-02-28", "closed"], "2026-03-01", { closes: on("02-29") }],
    ["in a leap year it is a day", ["due", "2028-02-29", null], "2028-02-29", { opens: on("02-29") }],
    ["over a year's end the days go on", ["too-early", "2027-01-30", null, "too-soon-after"], "2027-01-05", { after: { round: "first", atLeast: 29 } }, { done: [{ round: "first", date: "2027-01-01" }] }],
  ];
  test.each(CASES.map((one) => [one[0], one] as const))("%s", (_what, [, expected, date, round, at]) =>
    expect(item(date, round, at)).toEqual(expected),
  );
});

describe("the soil", () => {
  const warm = series("2026-03-16", 9, 10, 10, 10, 11, 8, 8);
  test("opens a round on the day that the mean of five reaches it", () => {
    expect(item("2026-03-19", { opens: { on: "rise", celsius: 10 } }, {}, warm)).toEqual([
      "too-early",
      "2026-03-20",
      null,
      "not-open",
    ]);
    expect(item("2026-03-20", { opens: { on: "rise", celsius: 10 } }, {}, warm)).toEqual(["due", "2026-03-20", null]);
    // Once it was open a cold day doesn't close it.
    expect(item("2026-04-20", { opens: { on: "rise", celsius: 10 } }, {}, warm)[0]).toBe("due");
    expect(item("2026-04-20", { opens: { on: "rise", celsius: 12 } }, {}, warm)).toEqual([
      "too-early",
      null,
      null,
      "soil-not-reached",
    ]);
    expect(item("2026-04-20", { closes: { on: "rise", celsius: 10 } }, {}, warm)).toEqual([
      "missed",
      null,
      "2026-03-20",
      "closed",
    ]);
    expect(item("2026-04-20", { closes: { on: "rise", celsius: 12 } }, {}, warm)).toEqual(["due", null, null]);
  });
  test("a day that is lacking makes no mean; the four before may be of last year", () => {
    const gap = warm.filter((day) => day.date !== "2026-03-18");
    expect(soilMeans(gap)).toEqual([]);
    const newYear = soilMeans(series("2025-12-28", 12, 12, 12, 12, 12, 12));
    expect(risesTo(newYear, 12, "2026")).toBe("2026-01-01");
    expect(risesTo(newYear, 12, "2025")).toBeUndefined();
  });
  test("a fall counts from July on", () => {
    const means = soilMeans([...series("2026-02-01", 5, 5, 5, 5, 5), ...series("2026-06-27", 20, 20, 20, 20, 20, 26)]);
    expect(fallsTo(means, 20, "2026")).toBe("2026-07-01");
    expect(fallsTo(means, 4, "2026")).toBeUndefined();
  });
  test("the order of the days is no matter", () => expect(soilMeans([...warm].reverse())).toEqual(soilMeans(warm)));
});

test("what is due lies in its window; the first day is no day too early, the last one none too late", () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 364 }),
      fc.integer({ min: 0, max: 300 }),
      fc.integer({ min: 0, max: 200 }),
      fc.integer({ min: 0, max: 60 }),
      fc.integer({ min: 0, max: 60 }),
      (today, opens, open, least, more) => {
        const day = (n: number) => daysLater("2026-01-01", n);
        const round = {
          opens: on(day(opens).slice(5)),
          closes: on(day(Math.min(opens + open, 364)).slice(5)),
          after: { round: "first", atLeast: least, atMost: least + more },
        };
        const at = { done: [{ round: "first", date: day(Math.min(opens, 200)) }] };
        const [state, earliest, latest] = item(day(today), round, at) as [string, string, string];
        if (state === "due") {
          expect(earliest <= day(today)).toBe(true);
          expect(day(today) <= latest).toBe(true);
        }
        if (earliest > latest) return;
        expect(item(earliest, round, at)[0]).toBe("due");
        expect(item(latest, round, at)[0]).toBe("due");
        expect(item(daysLater(earliest, -1), round, at)[0]).not.toBe("due");
        if (latest < "2026-12-31") expect(["missed", "overdue"]).toContain(item(daysLater(latest, 1), round, at)[0]);
      },
    ),
  ));
