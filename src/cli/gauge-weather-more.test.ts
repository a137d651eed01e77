import { runWeather } from "./gauge";

/** `gauge weather`, second round: one report, its age, what counts as rain, and what is seen in a report's place. */
const REPORT = "KFRY 101653Z 24008KT 10SM FEW040 22/12 A3002";
interface Told {
  verdict: string;
  reasons: { code: string }[];
  wind: { speed: { value: number }; gust: null } | null;
  age: { value: number; unit: string } | null;
  air: { value: number } | null;
  dewPoint: { value: number } | null;
  humidity: { value: number } | null;
  deltaT: number | null;
  station: string | null;
  time: string | null;
}
const told = (text: string): Told => {
  const { out, err, exit } = runWeather(text);
  expect([err, exit]).toEqual(["", 0]);
  return JSON.parse(out) as Told;
};
const file = (more: object) => JSON.stringify({ format: "careful-gauge-weather", version: 1, ...more });
const codes = (text: string) => told(text).reasons.map(({ code }) => code);
const refused = (text: string) => {
  const { err, exit, out } = runWeather(text);
  expect([exit, out]).toEqual([2, ""]);
  return err;
};

test.each([
  `2026/11/29 10:53\n${REPORT}`,
  `SAUS44 KWBC 291053\nMETAR ${REPORT}=`,
  `000\nSAUS44 KWBC 291053 RRA\nMETAR ${REPORT}`,
  `METAR COR ${REPORT}=\n`,
  `SPECI AUTO ${REPORT}`,
])("what stands before a report is passed over: %j", (text) =>
  expect(told(text)).toMatchObject({ station: "KFRY", time: "101653Z", verdict: "go" }),
);

describe("one report, of now", () => {
  test.each<[string, RegExp]>([
    [`${REPORT} KFRY 101753Z 24020KT 10SM 23/12 A3001`, /second report/],
    [`${REPORT} RMK AO2\nMETAR KFRY 101753Z 24020KT 10SM 23/12 A3001`, /second report/],
    [`${REPORT}=\nKFRY 101753Z 24020KT`, /after its end/],
    [`TAF KFRY 101130Z 1012/1112 24008KT P6SM FEW040`, /forecast/],
    [`KFRY 101130Z 1012/1112 24008KT P6SM FEW040`, /forecast/],
    ["METAR KFRY 101653Z NIL=", /NIL/],
    ["KFRY 101653Z 37008KT 10SM 22/12 A3002", /370/],
    ["KFRY 101653Z 24010G10KT 10SM 22/12 A3002", /gusts/],
    ["KFRY 101653Z 24010KT 10SM 61/12 A3002", /61 °C/],
    ["KFRY 101653Z 24010KT 10SM M61/M62 A3002", /-61 °C/],
    ["KFRY 101653Z 24010KT 10SM 22/24 A3002", /./],
  ])("%j is refused", (text, why) => expect(refused(text)).toMatch(why));
  test("a dew point a degree over the air is rounding: taken as the air's", () => {
    const { air, dewPoint, humidity } = told("KFRY 101653Z 24008KT 10SM OVC003 12/13 A3002");
    expect(dewPoint).toEqual(air);
    expect(humidity!.value).toBeCloseTo(100, 9);
  });
});

describe("what falls, and what can't be told", () => {
  test.each(["PL", "GR", "-GS", "SG", "IC", "UP", "RAXX", "+XXTS"])("%s is rain", (group) =>
    expect(codes(`KFRY 101653Z 24008KT 10SM ${group} OVC020 22/12 A3002`)).toEqual(["rain-now"]),
  );
  test.each(["VCSH", "RERA"])("%s isn't", (group) =>
    expect(codes(`KFRY 101653Z 24008KT 10SM ${group} OVC020 22/12 A3002`)).toEqual([]),
  );
  test.each(["//", "XYZZ"])("%s in the weather's place is not known: wait", (group) => {
    const { verdict, reasons } = told(`KFRY 101653Z AUTO 24008KT 10SM ${group} OVC020 22/12 A3002`);
    expect([verdict, reasons[0]!.code]).toEqual(["wait", "not-known"]);
  });
  test("a group that can't be read elsewhere is no weather", () => expect(codes(`${REPORT} XYZZ`)).toEqual([]));
});

describe("how old it is", () => {
  const at = (moment: string, report = REPORT) => told(file({ metar: report, at: moment }));
  test.each<[string, number, string[]]>([
    ["2026-04-10T12:53:00-04:00", 0, []],
    ["2026-04-10T18:08:00Z", 75, []],
    ["2026-04-10T18:09:00Z", 76, ["report-old"]],
    ["2026-04-10T16:43:00Z", -10, []],
    ["2026-04-10T16:42:00Z", -11, ["report-ahead"]],
  ])("at %s", (moment, age, reasons) => {
    const one = at(moment);
    expect([one.age, one.reasons.map(({ code }) => code), one.verdict]).toEqual([
      { value: age, unit: "min" },
      reasons,
      reasons.length > 0 ? "wait" : "go",
    ]);
  });
  test("over a month's end, and without a moment none is judged", () => {
    expect(at("2026-05-01T00:10:00Z", REPORT.replace("101653Z", "302353Z")).age!.value).toBe(17);
    expect(told(REPORT).age).toBeNull();
  });
  test.each(["2026-04-10T12:53:00", "2026-02-30T12:53:00-04:00", "10 April", 7])("%j is no moment", (moment) =>
    expect(refused(file({ metar: REPORT, at: moment }))).toMatch(/^at: /),
  );
});

describe("in a report's place", () => {
  test("calm, or a speed; without humidity nothing is said of drying", () => {
    const calm = told(file({ wind: "calm", air: "68 F" }));
    expect(calm).toMatchObject({ verdict: "go", station: null, time: null, dewPoint: null, humidity: null, deltaT: null });
    expect(calm.wind!.speed.value).toBe(0);
    expect(codes(file({ wind: "calm", when: "sunset" }))).toEqual(["inversion-possible"]);
    expect(codes(file({ wind: "12 mph" }))).toEqual(["wind-over-limit"]);
  });
  test("with humidity it is worked out as from a dew point", () => {
    const made = told(file({ wind: "5 mph", air: "20 C", humidity: "60 %" }));
    expect(made.humidity!.value).toBeCloseTo(60, 6);
    // 20 °C at 60 %: dew point 12.0 °C (Magnus, by hand), 53.6 °F.
    expect(made.dewPoint!.value).toBeCloseTo(53.6, 0);
    expect(codes(file({ wind: "5 mph", air: "35 C", humidity: "15 %" }))).toEqual(["dries-fast"]);
  });
  test("what is guessed answers no limit", () => {
    const { verdict, reasons, wind } = told(file({ wind: "calm", windMeasured: "guessed" }));
    expect([verdict, reasons.map(({ code }) => code), wind]).toEqual(["wait", ["not-known"], null]);
  });
  test("a report and a wind are two tellings of one thing; neither is none", () => {
    expect(refused(file({ metar: REPORT, wind: "calm" }))).toMatch(/^wind: /);
    expect(refused(file({}))).toMatch(/^metar: /);
    expect(refused(file({ wind: "calm", humidity: "60 %" }))).toMatch(/^humidity: /);
    expect(refused(file({ wind: "brisk" }))).toMatch(/^wind: /);
  });
});
