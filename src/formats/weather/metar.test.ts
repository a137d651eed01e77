import fc from "fast-check";
import { valueIn } from "@/core/quantity/quantity";
import { readMetar, type Metar } from "./metar";

const read = (text: string): Metar => {
  const report = readMetar(text);
  if (!report.ok) throw new Error(JSON.stringify(report.issues));
  return report.value;
};
const mph = (text: string) => {
  const { wind } = read(`KFRY 101653Z ${text} 10SM 22/12 A3002`);
  return wind && [wind.from, wind.variable, valueIn(wind.speed, "mph"), wind.gust && valueIn(wind.gust, "mph")];
};

describe("published reports", () => {
  // ICAO Annex 3, appendix 3, examples of METAR and SPECI (from memory).
  test("drizzle and fog, metres a second, a trend that is no weather of now", () => {
    const report = read(
      "METAR YUDO 221630Z 24004MPS 0600 R12/1000U DZ FG SCT010 OVC020 17/16 Q1018 BECMG TL1700 0900 FG BECMG AT1800 9999 NSW",
    );
    expect(report).toMatchObject({ station: "YUDO", time: "221630Z", air: 17, dewPoint: 16, pressure: 1018, unread: [] });
    expect([report.sky, report.weather, report.wet]).toEqual([["SCT010", "OVC020"], ["DZ", "FG"], ["DZ"]]);
    expect(valueIn(report.wind!.speed, "m/s")).toBeCloseTo(4, 12);
  });
  test("a thunderstorm with gusts", () => {
    const report = read(
      "SPECI YUDO 151115Z 05013G25KT 3000 1200NE +TSRA BKN005CB 25/22 Q1008 TEMPO TL1200 0600 BECMG AT1200 8000 NSW NSC",
    );
    expect(report).toMatchObject({ weather: ["+TSRA"], wet: ["+TSRA"], sky: ["BKN005CB"], unread: [] });
    expect(valueIn(report.wind!.gust!, "mph")).toBeCloseTo(28.769475, 9);
  });
});

describe("wind", () => {
  test.each<[string, unknown]>([
    ["24008KT", [240, false, 9.206232, null]],
    ["24008G15KT", [240, false, 9.206232, 17.261685]],
    ["24008KT 200V280", [240, true, 9.206232, null]],
    ["VRB02KT", [null, true, 2.301558, null]],
    ["00000KT", [0, false, 0, null]],
    ["/////KT", null],
    ["240//KT", null],
    ["24010G//KT", [240, false, 11.50779, null]],
    ["240P99KT", [240, false, 113.927121, null]],
    ["///05KT", [null, false, 5.753895, null]],
  ])("%s", (text, expected) => expect(mph(text)).toEqual(expected));
  test("metres a second and kilometres an hour", () => {
    expect(mph("09004MPS")![2]).toBeCloseTo(8.947745, 5);
    expect(mph("09010KMH")![2]).toBeCloseTo(6.213712, 5);
  });
  test("what isn't a wind is told and not guessed", () =>
    expect(read("KFRY 101653Z 24O08KT 10SM 22/12 A3002")).toMatchObject({ wind: null, unread: ["24O08KT"] }));
});

describe("the rest of it", () => {
  test.each<[string, number | null, number | null]>([
    ["M05/M07", -5, -7],
    ["M00/M01", 0, -1],
    ["22/", 22, null],
    ["22///", 22, null],
    ["/////", null, null],
    ["22/XX", 22, null],
    ["XX/XX", null, null],
  ])("air and dew point %s", (group, air, dewPoint) =>
    expect(read(`KFRY 101653Z 24008KT 10SM ${group} A3002`)).toMatchObject({ air, dewPoint, unread: [] }),
  );
  test("pressure in hectopascals or inches, or none", () => {
    expect(read("EGXX 101650Z 24008KT 9999 12/08 Q0998").pressure).toBe(998);
    expect(read("KFRY 101653Z 24008KT 10SM 12/08 A2992").pressure).toBeCloseTo(1013.2, 1);
    expect(read("EGXX 101650Z 24008KT 9999 12/08 Q////").pressure).toBeNull();
  });
  test.each<[string, string[]]>([
    ["-RA BR", ["-RA"]],
    ["VCSH", []],
    ["VCTS RERA", []],
    ["+SHRAGS", ["+SHRAGS"]],
    ["FZFG", ["FZFG"]],
    ["BLSN", ["BLSN"]],
    ["HZ FU", []],
    ["MIFG BCFG", []],
    ["GR", ["GR"]],
    ["TS", ["TS"]],
    ["//", []],
  ])("what of %s falls on the ground now", (groups, wet) =>
    expect(read(`KFRY 101653Z 24008KT 9999 ${groups} SCT020 12/08 Q1013`)).toMatchObject({ wet, unread: [] }),
  );
  test("nothing of the remarks is an observation of now", () =>
    expect(read("KFRY 101653Z AUTO 24008KT 10SM CLR 22/12 A3002 RMK AO2 RAB15E30 SLP164 T02220117 TSNO $")).toMatchObject({
      weather: [],
      air: 22,
      unread: [],
    }));
  test.each([
    ["METAR COR LFXX 010530Z AUTO VRB02KT 0350 R06/0600N R24L/P1500 FZFG VV001 M02/M02 Q1031 R06/290157 NOSIG="],
    ["ENXX 201120Z 31015G27KT 260V350 9999 -SHSN VCSH FEW015TCU SCT030 BKN045 01/M04 Q0987 RESHSN WS R18 W04/S4 TEMPO 1500 SHSN"],
    ["KFRY 101653Z 00000KT 1 1/2SM M1/4SM R28L/2600VP6000FT/U BR OVC002 12/12 A3001"],
    ["SAXX 101200Z 18004KT CAVOK 15/09 Q1020 NOSIG"],
    ["UUXX 101200Z 18004MPS 9999 ///015 15/09 Q1020 24019293 RMK QFE745"],
    ["LIXX 101200Z AUTO 18004KT 9999NDV NCD 15/09 Q1020"],
    ["EDXX 101220Z 18004KT 9999 //////CB 15/09 Q1020 BLU"],
  ])("all of it is read: %s", (text) => expect(read(text).unread).toEqual([]));
  test("small letters, line breaks and an equals sign are no matter", () =>
    expect(read("metar kfry 101653z 24008kt\n  10sm few040 22/12 a3002 =\n").sky).toEqual(["FEW040"]));
});

describe("what is no report", () => {
  test.each([
    ["", "missing"],
    ["hello world", "unreadable"],
    ["KFRY", "unreadable"],
    ["KFRY 321653Z 24008KT", "unreadable"],
    ["KFRY 102453Z 24008KT", "unreadable"],
    ["KFRY 101653Z", "unreadable"],
    ["KFRY 101653Z NIL", "unreadable"],
    ["KFRY 101653Z 24008KT 10SM 12/22 A3002", "contradiction"],
  ])("%s", (text, code) => {
    const report = readMetar(text, "metar");
    expect(report.ok ? [] : report.issues.map((issue) => [issue.path, issue.code])).toEqual([["metar", code]]);
  });
  test("whatever stands there, it is read or refused", () =>
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[A-Z0-9/+-]{1,12}$/), { maxLength: 12 }), (groups) => {
        const report = readMetar(`KFRY 101653Z ${groups.join(" ")}`);
        if (report.ok && report.value.wind) expect(valueIn(report.value.wind.speed, "mph")).toBeGreaterThanOrEqual(0);
      }),
    ));
});
