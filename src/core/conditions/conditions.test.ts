import fc from "fast-check";
import { quantity } from "../quantity/quantity";
import { airOf, humidityOf, wetBulbOf } from "./air";
import { judgeConditions, WHENS, type Seen, type When } from "./judge";
import { parseTemperature, readTemperature, temperature, toCelsius, toFahrenheit } from "./temperature";

const wind = (speed: number, gust?: number) => ({
  from: 240,
  variable: false,
  speed: quantity("speed", speed, "mph"),
  gust: gust === undefined ? null : quantity("speed", gust, "mph"),
});
const FAIR: Seen = { wind: wind(6), air: 20, deltaT: 5, wet: [] };
const judged = (more: Partial<Seen>, limits: Parameters<typeof judgeConditions>[1] = {}, when: When = "day") => {
  const { verdict, reasons } = judgeConditions({ ...FAIR, ...more }, limits, when);
  return [verdict, ...reasons.map((reason) => reason.code)];
};

describe("what the air does to a droplet", () => {
  // Stull 2011, his own example: 20 °C at 50 % is 13.7 °C wet bulb.
  test("Stull's example", () => expect(wetBulbOf(20, 50)).toBeCloseTo(13.7, 1));
  // Psychrometric tables for sea level (from memory): air, humidity, wet bulb, °C.
  test.each([
    [10, 80, 8.3],
    [30, 40, 20.1],
    [25, 60, 19.5],
    [35, 30, 21.8],
  ])("%d °C at %d %% is %d °C wet, within Stull's error of a degree", (air, humidity, wet) =>
    expect(Math.abs(wetBulbOf(air, humidity) - wet)).toBeLessThan(1),
  );
  // A dew point of 9.3 °C at 20 °C is 50 % (psychrometric tables).
  test("Magnus", () => {
    expect(humidityOf(20, 9.3)).toBeCloseTo(50, 0);
    expect(humidityOf(22, 22)).toBeCloseTo(100, 12);
  });
  test("the damper the air, the nearer the wet bulb", () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 40, noNaN: true }), fc.double({ min: 1, max: 15, noNaN: true }), (air, less) => {
        const [dry, damp] = [airOf(air, air - less), airOf(air, air - less / 2)];
        expect(damp.humidity).toBeGreaterThan(dry.humidity);
        expect(damp.deltaT).toBeLessThan(dry.deltaT);
      }),
    ));
});

describe("go, wait or no", () => {
  type Case = readonly [what: string, expected: unknown[], seen: Partial<Seen>, limits?: object, when?: When];
  const CASES: readonly Case[] = [
    ["a fair day", ["go"], {}],
    ["at our ceiling", ["go"], { wind: wind(10) }],
    ["over it", ["no", "wind-over-limit"], { wind: wind(10.01) }],
    ["gusts over it", ["no", "wind-over-limit"], { wind: wind(6, 12) }],
    ["a label's own", ["no", "wind-over-limit"], { wind: wind(9) }, { wind: quantity("speed", 8, "mph") }],
    ["nobody looked", ["wait", "not-known"], { wind: null }],
    ["too warm", ["no", "air-over-limit"], { air: 30 }, { airAtMost: toCelsius(85) }],
    ["just not", ["go"], { air: toCelsius(85) }, { airAtMost: toCelsius(85) }],
    ["too cold", ["no", "air-under-limit"], { air: 9 }, { airAtLeast: 10 }],
    ["no thermometer", ["wait", "not-known"], { air: null }, { airAtLeast: 10 }],
    ["no thermometer and nothing that asks", ["go"], { air: null }],
    ["rain", ["no", "rain-now"], { wet: ["RA"] }],
    ["calm by day", ["go"], { wind: wind(2) }],
    ["calm at dawn", ["wait", "inversion-possible"], { wind: wind(2) }, {}, "sunrise"],
    ["three miles at dawn", ["go"], { wind: wind(3) }, {}, "sunrise"],
    ["dry", ["wait", "dries-fast"], { deltaT: 10.1 }],
    ["damp", ["wait", "dries-slowly"], { deltaT: 1.9 }],
    ["all at once", ["no", "inversion-possible", "air-over-limit", "rain-now", "dries-fast"], { wind: wind(1), air: 40, deltaT: 12, wet: ["RA"] }, { airAtMost: 30 }, "night"], // prettier-ignore
  ];
  test.each(CASES.map((one) => [one[0], one] as const))("%s", (_what, [, expected, seen, limits, when]) =>
    expect(judged(seen, limits, when)).toEqual(expected),
  );
  test("more wind never makes it better by day; the hardest reason decides", () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 40, noNaN: true }), fc.double({ min: 0, max: 20, noNaN: true }), (speed, more) => {
        const order = ["go", "wait", "no"];
        const at = (one: number) => order.indexOf(judgeConditions({ ...FAIR, wind: wind(one) }, {}, "day").verdict);
        expect(at(speed + more)).toBeGreaterThanOrEqual(at(speed));
      }),
    ));
  test("each reason is said in the reader's units", () => {
    const { reasons } = judgeConditions({ ...FAIR, wind: wind(12), air: 40 }, { airAtMost: 30 }, "day");
    expect(reasons.map(({ text }) => text("us"))).toEqual(["wind of 12 mph, 10 mph is the most", "104 °F, 86 °F is the most"]);
    expect(reasons.map(({ text }) => text("metric"))).toEqual([
      "wind of 19 km/h, 16 km/h is the most",
      "40 °C, 30 °C is the most",
    ]);
    for (const when of WHENS)
      expect(judgeConditions({ ...FAIR, wind: wind(1) }, {}, when).verdict).toBe(when === "day" ? "go" : "wait");
  });
});

describe("temperatures", () => {
  test.each([
    ["50 F", 10],
    ["50 °F", 10],
    ["-40 F", -40],
    ["-2 C", -2],
    ["10.5 °C", 10.5],
    ["68°F", 20],
  ])("%s is %d °C", (text, celsius) => expect(temperature(text).celsius).toBeCloseTo(celsius, 12));
  test.each([["50"], ["F"], ["50 K"], [""], ["warm"], [50], [null], ["500 F"], ["1e2 F"]])("%j is none", (value) => {
    expect(parseTemperature(value).ok).toBe(false);
  });
  test("there and back", () =>
    fc.assert(
      fc.property(fc.double({ min: -90, max: 70, noNaN: true }), (c) => expect(toCelsius(toFahrenheit(c))).toBeCloseTo(c, 9)),
    ));
  test("whole degrees of the reader's", () =>
    expect([readTemperature(20, "us"), readTemperature(-2.4, "metric")]).toEqual(["68 °F", "-2 °C"]));
  test("what the code wrote wrongly is thrown", () => expect(() => temperature("hot")).toThrow(RangeError));
});
