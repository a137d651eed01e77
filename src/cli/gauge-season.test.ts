import { readFileSync } from "node:fs";
import Ajv2020 from "ajv/dist/2020";
import { SEASON_FILE_SCHEMA } from "@/formats/season/file";
import { WEATHER_FILE_SCHEMA } from "@/formats/weather/file";
import { runDue, runWeather, type Outcome } from "./gauge";

const told = ({ out, err, exit }: Outcome) => {
  expect([err, exit]).toEqual(["", 0]);
  return JSON.parse(out) as Record<string, unknown>;
};
const refused = ({ out, err, exit }: Outcome) => {
  expect([out, exit]).toEqual(["", 2]);
  return err.split("\n");
};
const places = (outcome: Outcome) => refused(outcome).map((line) => line.split(": ")[0]);
const ajv = new Ajv2020({ strict: false });

describe("gauge weather", () => {
  const METAR = "KFRY 101653Z 24008G15KT 10SM FEW040 22/12 A3002";
  const file = (more: object = {}) => ({ format: "careful-gauge-weather", version: 1, metar: METAR, ...more });
  const weather = (more: object = {}) => runWeather(JSON.stringify(file(more)));
  const fits = ajv.compile(WEATHER_FILE_SCHEMA);

  test("the example of the format, worked by hand: 8 kt are 9.206 mph, gusts of 15 kt 17.262", () => {
    const limits = { wind: "10 mph", airAtLeast: "50 F", airAtMost: "85 F" };
    expect(fits(file({ limits, when: "day" }))).toBe(true);
    const result = told(weather({ limits, when: "day" }));
    expect(result).toMatchObject({
      format: "careful-gauge-conditions",
      version: 1,
      station: "KFRY",
      time: "101653Z",
      wind: { from: 240, variable: false, speed: { value: 9.206232, unit: "mph" }, gust: { value: 17.261685, unit: "mph" } },
      air: { value: 71.6, unit: "°F" },
      dewPoint: { value: 53.6, unit: "°F" },
      sky: ["FEW040"],
      weather: [],
      verdict: "no",
      reasons: [{ code: "wind-over-limit" }],
    });
    // By hand: e^(17.625·12/255.04) / e^(17.625·22/265.04) = 2.2915 / 4.3186.
    expect((result.humidity as { value: number }).value).toBeCloseTo(53.06, 2);
    expect((result.pressure as { value: number }).value).toBeCloseTo(1016.6, 1);
    expect(result.deltaT).toBeCloseTo(6.15, 2);
    expect(result.working).toContain("Air = 22.0 °C = 71.6 °F");
  });
  test("the same as plain text; without a limit 10 mph is the most", () => {
    expect(told(runWeather(METAR))).toMatchObject({ verdict: "no" });
    expect(told(runWeather(METAR.replace("G15", "")))).toMatchObject({ verdict: "go", reasons: [] });
    expect(told(weather({ limits: { wind: "20 mph" } }))).toMatchObject({ verdict: "go" });
  });
  test("what a report doesn't say is null, and no limit is passed by not knowing", () => {
    const bare = told(
      runWeather(JSON.stringify(file({ metar: "KFRY 101653Z AUTO /////KT //// ///// A////", limits: { airAtMost: "85 F" } }))),
    );
    expect(bare).toMatchObject({
      wind: null,
      air: null,
      dewPoint: null,
      humidity: null,
      wetBulb: null,
      deltaT: null,
      pressure: null,
    });
    expect([bare.verdict, (bare.reasons as { code: string }[]).map(({ code }) => code)]).toEqual([
      "wait",
      ["not-known", "not-known"],
    ]);
  });
  test("calm at dawn waits, by day it goes", () => {
    const metar = METAR.replace("24008G15KT", "VRB02KT");
    expect(told(weather({ metar, when: "sunrise" }))).toMatchObject({ verdict: "wait", reasons: [{ code: "inversion-possible" }], wind: { from: null, variable: true } }); // prettier-ignore
    expect(told(weather({ metar }))).toMatchObject({ verdict: "go" });
  });
  test("every fault at once, each at its place", () => {
    const broken = { metar: "hello", limits: { wind: "10 oz", airAtMost: "85", gusts: "3 mph" }, when: "noon", place: "x" };
    expect(places(weather(broken)).sort()).toEqual(["limits.airAtMost", "limits.gusts", "limits.wind", "metar", "place", "when"]);
    expect(fits(file(broken))).toBe(false);
    expect(places(weather({ limits: { airAtLeast: "90 F", airAtMost: "80 F" } }))).toEqual(["limits.airAtLeast"]);
    expect(refused(runWeather("{"))).toHaveLength(1);
    expect(refused(runWeather("[1]"))).toHaveLength(1);
    expect(refused(runWeather(""))).toHaveLength(1);
    expect(told(weather({ "x-mine": 1 })).station).toBe("KFRY");
  });
  test("the schema in docs is the one that is made", () =>
    expect(JSON.parse(readFileSync("docs/weather-file.schema.json", "utf8"))).toEqual(WEATHER_FILE_SCHEMA));
});

describe("gauge due", () => {
  const FILE = {
    format: "careful-gauge-season",
    version: 1,
    date: "2026-05-02",
    soil: [16, 17, 18, 19, 20].map((day) => ({ date: `2026-03-${day}`, temperature: day === 16 ? "9 C" : "51 F" })),
    rounds: [
      {
        name: "first half",
        opens: { soilRisesTo: "50 F" },
        closes: { date: "05-15" },
        afterSeeding: "60 days",
        beforeSeeding: "90 days",
      },
      { name: "second half", opens: { date: "03-01" }, after: { round: "first half", atLeast: "35 days", atMost: "70 days" } },
    ],
    sites: [
      { name: "Ferry green", done: [{ round: "first half", date: "2026-03-28" }], seeded: "2025-09-15", seeding: "2026-09-10" },
      { name: "Quay terrace" },
      { name: "Slip cottage", seeded: "2026-04-01" },
    ],
  };
  const due = (more: object = {}) => runDue(JSON.stringify({ ...FILE, ...more }));
  const fits = ajv.compile(SEASON_FILE_SCHEMA);

  test("sites in order, rounds in order, by hand: 28 March and 35 days is 2 May, 70 days 6 June", () => {
    expect([fits(FILE), fits.errors]).toEqual([true, null]);
    expect(told(due())).toEqual({
      format: "careful-gauge-due",
      version: 1,
      date: "2026-05-02",
      items: [
        { site: "Ferry green", round: "first half", state: "done", earliest: "2026-03-20", latest: "2026-05-15", reasons: [] },
        { site: "Ferry green", round: "second half", state: "due", earliest: "2026-05-02", latest: "2026-06-06", reasons: [] },
        { site: "Quay terrace", round: "first half", state: "due", earliest: "2026-03-20", latest: "2026-05-15", reasons: [] },
        { site: "Quay terrace", round: "second half", state: "waits", earliest: "2026-03-01", latest: null, reasons: ["after-not-done"] },
        { site: "Slip cottage", round: "first half", state: "blocked", earliest: "2026-05-31", latest: "2026-05-15", reasons: ["after-seeding"] },
        { site: "Slip cottage", round: "second half", state: "waits", earliest: "2026-03-01", latest: null, reasons: ["after-not-done"] },
      ],
    }); // prettier-ignore
  });
  test.each<[string, object, string[]]>([
    ["no date", { date: undefined }, ["date"]],
    ["a day that never was", { date: "2026-02-30" }, ["date"]],
    ["a month-day that never is", { rounds: [{ name: "a", opens: { date: "02-30" } }] }, ["rounds[0].opens.date"]],
    ["two edges", { rounds: [{ name: "a", opens: { date: "03-01", soilRisesTo: "50 F" } }], sites: [{ name: "s" }] }, ["rounds[0].opens"]],
    ["no edge", { rounds: [{ name: "a", closes: {} }], sites: [{ name: "s" }] }, ["rounds[0].closes"]],
    ["a span that is no number of days", { rounds: [{ name: "a", afterSeeding: "8 weeks" }], sites: [{ name: "s" }] }, ["rounds[0].afterSeeding"]],
    ["a temperature without a unit", { soil: [{ date: "2026-03-20", temperature: "47" }] }, ["soil[0].temperature"]],
    ["a key of no kind", { weather: 1, rounds: [{ name: "a", opnes: {} }] }, ["rounds[0].opnes", "weather"]],
    ["a list that is none", { sites: "all" }, ["sites"]],
    ["nothing to do", { rounds: [] }, ["rounds"]],
    [
      "names that mean nothing, and ones given twice",
      {
        soil: [...FILE.soil, FILE.soil[0]],
        rounds: [...FILE.rounds, { name: "First Half" }, { name: "x", after: { round: "y" } }],
        sites: [{ name: "Green", done: [{ round: "z", date: "2026-01-01" }] }, { name: "green" }],
      },
      ["soil[5].date", "rounds[2].name", "sites[1].name", "rounds[3].after.round", "sites[0].done[0].round"],
    ],
    [
      "rounds that wait for one another",
      { rounds: [{ name: "a", after: { round: "b" } }, { name: "b", after: { round: "a" } }], sites: [{ name: "s" }] },
      ["rounds[0].after.round", "rounds[1].after.round"],
    ],
    [
      "a most that is under the least",
      { rounds: [{ name: "a" }, { name: "b", after: { round: "a", atLeast: "70 days", atMost: "35 days" } }], sites: [{ name: "s" }] },
      ["rounds[1].after.atMost"],
    ],
  ])("%s is told at its place", (_what, more, expected) => expect(places(due(more)).sort()).toEqual([...expected].sort())); // prettier-ignore
  test("degree days open a round: 10 and 12 over 50 °F are 22 by the second day; Celsius degree days are as many in kelvins", () => {
    const air = [
      { date: "2026-02-15", least: "50 F", most: "70 F" },
      { date: "2026-02-16", least: "54 F", most: "70 F" },
    ];
    const opens = (degreeDays: string) => {
      const file = {
        ...FILE,
        date: "2026-02-16",
        air,
        rounds: [{ name: "grubs", opens: { degreeDays } }],
        sites: [{ name: "Green" }],
      };
      expect(fits(file)).toBe(true);
      return (told(runDue(JSON.stringify(file))).items as { earliest: string | null; reasons: string[] }[])[0];
    };
    expect(opens("22 over 50 F from 02-15")).toMatchObject({ state: "due", earliest: "2026-02-16" });
    expect(opens("22.5 over 50 F from 02-15")).toMatchObject({
      state: "too-early",
      earliest: null,
      reasons: ["degrees-not-reached"],
    });
    expect(opens("12.2 over 10 C from 02-15")).toMatchObject({ state: "due" });
    // From 1 January on most days are missing: nobody guesses them.
    expect(opens("22 over 50 F")).toMatchObject({ state: "too-early", earliest: null });
    expect(places(due({ air: [{ date: "2026-02-15", least: "60 F", most: "50 F" }] }))).toEqual(["air[0].least"]);
    expect(places(due({ rounds: [{ name: "a", opens: { degreeDays: "many" } }] }))).toEqual(["rounds[0].opens.degreeDays"]);
  });
  test("the schema in docs is the one that is made; what is no object is told", () => {
    expect(JSON.parse(readFileSync("docs/season-file.schema.json", "utf8"))).toEqual(SEASON_FILE_SCHEMA);
    expect(refused(runDue("[]"))).toHaveLength(1);
    expect(refused(runDue("{"))).toHaveLength(1);
  });
});

test("a round after another one, where nobody says how long: on the next day at the earliest", () => {
  const season = (date: string) => ({
    format: "careful-gauge-season",
    version: 1,
    date,
    rounds: [{ name: "first" }, { name: "second", after: { round: "first" } }],
    sites: [{ name: "Ferry green", done: [{ round: "first", date: "2026-04-10" }] }],
  });
  const second = (date: string) => (JSON.parse(runDue(JSON.stringify(season(date))).out) as { items: object[] }).items[1];
  expect(second("2026-04-10")).toMatchObject({ state: "too-early", earliest: "2026-04-11", reasons: ["too-soon-after"] });
  expect(second("2026-04-11")).toMatchObject({ state: "due", earliest: "2026-04-11" });
});
