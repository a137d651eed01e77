import { isMomentText, MOMENT } from "@/core/calendar";
import { airLines, airOf, dewPointOf, type Air } from "@/core/conditions/air";
import { ageReason, hardestOf, judgeConditions, MOST_WIND, WHENS, type Conditions, type When } from "@/core/conditions/judge";
import { parseTemperature, readTemperature, toFahrenheit } from "@/core/conditions/temperature";
import * as yup from "yup";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { entered, parseQuantity } from "@/core/quantity/parse";
import type { Quantity } from "@/core/quantity/kinds";
import { quantity as quantityOf, valueIn } from "@/core/quantity/quantity";
import { lineText } from "@/core/working/explain";
import { read } from "@/core/working/units";
import { choice, exact, fault, faultsIn, needed, quantity, temperature, text } from "../job-file/shape-parts";
import { parseObject } from "../json-file";
import { choice as oneOf, object, q, temperatureText, text as words, type Schema } from "../schema-parts";
import { ageAt } from "../air-age";
import { WIND_MEASURED, type WindMeasured } from "../air-seen";
import { shown } from "../job-file/shown";
import { nearestMoment } from "./report-time";
import { readMetar, type Metar } from "./metar";

/** The weather file of the `gauge` command, or the plain text of a report: what a station saw, and whether that lets one spray. */

/** As long as a report is, with its remarks (ours). */
const LONGEST = 2000;

/** A speed, or no wind at all. */
const windText = () =>
  yup.mixed().test("wind", function (value) {
    if (value === undefined || value === "calm") return true;
    const speed = parseQuantity(value, "speed");
    if (speed.ok) return true;
    const { code, received } = speed.issues[0]!;
    return fault(this, { code, received, expected: `"6 mph", or "calm"` });
  });

const momentText = () =>
  yup.mixed().test("moment", function (value) {
    if (value === undefined) return true;
    const fits = typeof value === "string" && isMomentText(value);
    return (
      fits ||
      fault(this, { code: "bad-date", received: shown(value), expected: `"2026-04-10T12:05:00-04:00", a moment with its offset` })
    );
  });

const WEATHER_FILE = exact({
  format: needed(choice(["careful-gauge-weather"]), `"careful-gauge-weather"`),
  version: needed(choice([1]), "1"),
  metar: text(LONGEST),
  wind: windText(),
  windMeasured: choice(WIND_MEASURED),
  air: temperature(),
  humidity: quantity(["share"]),
  at: momentText(),
  limits: exact({ wind: quantity(["speed"]), airAtLeast: temperature(), airAtMost: temperature() }),
  when: choice(WHENS),
});

export const WEATHER_FILE_SCHEMA: Schema = {
  $schema: "https://json-schema.org/draft/2020-12/schema",
  title: "Careful Gauge weather file, version 1",
  description: "What a weather station reported, and the limits that it is held against. Its meaning is in job-file.md.",
  ...object(["format", "version"], {
    format: { const: "careful-gauge-weather" },
    version: { const: 1 },
    metar: words(LONGEST),
    wind: { anyOf: [{ const: "calm" }, q("speed")] },
    windMeasured: oneOf(WIND_MEASURED),
    air: temperatureText,
    humidity: q("share"),
    at: { type: "string", pattern: MOMENT.source },
    limits: object([], { wind: q("speed"), airAtLeast: temperatureText, airAtMost: temperatureText }),
    when: oneOf(WHENS),
  }),
};

interface WeatherFile {
  readonly metar?: string;
  /** What stands in a report's place: "calm" or a speed, measured unless it says guessed. */
  readonly wind?: string;
  readonly windMeasured?: WindMeasured;
  readonly air?: string;
  readonly humidity?: string;
  /** The moment that is asked about, ISO with its offset. */
  readonly at?: string;
  readonly limits?: { readonly wind?: string; readonly airAtLeast?: string; readonly airAtMost?: string };
  readonly when?: When;
}

/** A report, with what follows from it and how it stands to its limits. */
export interface WeatherRead extends Conditions {
  /** What was reported, or seen. */
  readonly metar: Omit<Metar, "station" | "time"> & { readonly station: string | null; readonly time: string | null };
  /** Minutes that a report is old, below zero where it is ahead; null where no moment is asked about. */
  readonly age: number | null;
  /** Null where the air, or how moist it is, isn't known. */
  readonly air: Air | null;
  readonly wind: Quantity<"speed">;
}

/** @param source a weather file, or a report as it stands */
export function readWeather(source: string): Result<WeatherRead> {
  const plain = source.replace(/^\uFEFF/, "").trim();
  if (!/^[{[]/.test(plain)) return weatherOf({ metar: plain }, "");
  const read = parseObject(plain, "a weather file, or the text of a METAR", "the weather file");
  if (!read.ok) return read;
  const file = read.value;
  const shape = faultsIn(WEATHER_FILE, file);
  const { metar } = file as { metar?: unknown };
  // A report that can't be read is told beside what is wrong around it.
  const report = typeof metar === "string" && !shape.some(({ path }) => path === "metar") ? readMetar(metar, "metar") : undefined;
  if (shape.length > 0) return { ok: false, issues: [...shape, ...(report && !report.ok ? report.issues : [])] };
  const told = file as WeatherFile;
  const beside = (["wind", "windMeasured", "air", "humidity"] as const).filter((key) => told[key] !== undefined);
  if (told.metar !== undefined && beside.length > 0)
    return bad(
      ...beside.map((path): Issue => ({
        path,
        code: "not-possible",
        received: "a report beside it",
        expected: "the one or the other",
      })),
    );
  if (told.metar === undefined && told.wind === undefined)
    return bad({
      path: "metar",
      code: "missing",
      received: "",
      expected: `"KFRY 101653Z 24008KT 10SM FEW040 22/12 A3002", or "wind"`,
    });
  return weatherOf(told, "metar");
}

/** What somebody measured or guessed in a report's place. What is guessed answers no limit. */
function seenOf({
  wind,
  windMeasured = "measured",
  air,
  humidity,
}: WeatherFile): Result<WeatherRead["metar"] & { readonly humidity: number | null }> {
  const speed = wind === "calm" ? quantityOf("speed", 0, "mph") : entered(wind!, "speed").value;
  const degrees = air === undefined ? null : parseTemperature(air);
  const moist = humidity === undefined ? null : valueIn(entered(humidity, "share").value, "%");
  if (moist !== null && (moist > 100 || degrees === null))
    return bad({
      path: "humidity",
      code: moist > 100 ? "out-of-range" : "not-possible",
      received: humidity!,
      expected: moist > 100 ? "100 % at the most" : "the air's temperature beside it",
    });
  return good({
    station: null,
    time: null,
    wind: windMeasured === "guessed" ? null : { from: null, variable: false, speed, gust: null },
    air: degrees?.ok ? degrees.value.celsius : null,
    dewPoint: null,
    humidity: moist,
    pressure: null,
    sky: [],
    weather: [],
    wet: [],
    weatherUnknown: false,
    unread: [],
  });
}

/** @param path where the report stands */
function weatherOf(file: WeatherFile, path: string): Result<WeatherRead> {
  const { metar: report, limits = {}, when = "day", at } = file;
  const metar = report === undefined ? seenOf(file) : readMetar(report, path);
  if (!metar.ok) return metar;
  const celsius = (written: string | undefined) => {
    const told = written === undefined ? undefined : parseTemperature(written);
    return told?.ok ? told.value.celsius : undefined;
  };
  const told = limits.wind === undefined ? undefined : parseQuantity(limits.wind, "speed");
  const wind = told?.ok ? told.value.value : MOST_WIND;
  const { air, wet, weatherUnknown } = metar.value;
  const moist = "humidity" in metar.value ? metar.value.humidity : null;
  const dewPoint = moist === null || air === null ? metar.value.dewPoint : dewPointOf(air, moist);
  const [atLeast, atMost] = [celsius(limits.airAtLeast), celsius(limits.airAtMost)];
  if (atLeast !== undefined && atMost !== undefined && atLeast > atMost)
    return bad({
      path: "limits.airAtLeast",
      code: "contradiction",
      received: `${limits.airAtLeast} at least and ${limits.airAtMost} at most`,
      expected: "a least that is under the most",
    });
  const worked = airOf(air, dewPoint);
  const seen = { wind: metar.value.wind, air, deltaT: worked?.deltaT ?? null, wet, weatherUnknown };
  const judged = judgeConditions(seen, { wind, airAtLeast: atLeast, airAtMost: atMost }, when);
  const asked = at === undefined ? NaN : Date.parse(at);
  const { time } = metar.value;
  const age = Number.isNaN(asked) || time === null ? null : (asked - nearestMoment(time, asked)) / 60_000;
  const late = age === null ? undefined : ageReason(ageAt(asked - age * 60_000, asked), age);
  const reasons = [...judged.reasons, ...(late ? [late] : [])];
  return good({ metar: { ...metar.value, dewPoint }, air: worked, wind, age, verdict: hardestOf(reasons), reasons });
}

/** What `gauge weather` prints. The meaning of every field is in docs/job-file.md. */
export function weatherResult({ metar, air, wind: most, verdict, reasons, age }: WeatherRead) {
  const mph = (speed: Quantity<"speed">) => ({ value: valueIn(speed, "mph"), unit: "mph" });
  const fahrenheit = (celsius: number | null) => (celsius === null ? null : { value: toFahrenheit(celsius), unit: "°F" });
  const { wind } = metar;
  return {
    format: "careful-gauge-conditions",
    version: 1,
    station: metar.station,
    time: metar.time,
    age: age === null ? null : { value: age, unit: "min" },
    wind: wind && { from: wind.from, variable: wind.variable, speed: mph(wind.speed), gust: wind.gust && mph(wind.gust) },
    air: fahrenheit(metar.air),
    dewPoint: fahrenheit(metar.dewPoint),
    humidity: air && { value: air.humidity, unit: "%" },
    wetBulb: fahrenheit(air?.wetBulb ?? null),
    deltaT: air?.deltaT ?? null,
    pressure: metar.pressure === null ? null : { value: metar.pressure, unit: "hPa" },
    sky: metar.sky,
    weather: metar.weather,
    unread: metar.unread,
    verdict,
    reasons: reasons.map(({ code, text: says }) => ({ code, text: says("us") })),
    working: weatherWorking({ metar, air, wind: most }),
  };
}

/** How the report was read, and what was worked out of it. */
export function weatherWorking({ metar, air, wind: most }: Pick<WeatherRead, "metar" | "air" | "wind">): string[] {
  const { wind } = metar;
  const speed = (one: Quantity<"speed">) => read(one, "speed", "us");
  return [
    ...(wind
      ? [
          `Wind = ${speed(wind.speed)}${wind.gust ? `, gusts of ${speed(wind.gust)}` : ""}, against ${speed(most)} at most (1 kt = 1.150779 mph)`,
        ]
      : []),
    ...(metar.air === null ? [] : [`Air = ${readTemperature(metar.air, "metric", 1)} = ${readTemperature(metar.air, "us", 1)}`]),
    ...(air ? airLines(air).map(lineText) : []),
  ];
}
