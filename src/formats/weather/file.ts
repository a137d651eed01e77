import { airLines, airOf, type Air } from "@/core/conditions/air";
import { judgeConditions, MOST_WIND, WHENS, type Conditions, type When } from "@/core/conditions/judge";
import { parseTemperature, readTemperature, toFahrenheit } from "@/core/conditions/temperature";
import { bad, good, type Result } from "@/core/issue";
import { parseQuantity } from "@/core/quantity/parse";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import { lineText } from "@/core/working/explain";
import { read } from "@/core/working/units";
import { choice, exact, faultsIn, needed, quantity, temperature, text } from "../job-file/shape-parts";
import { parseObject } from "../json-file";
import { choice as oneOf, object, q, temperatureText, text as words, type Schema } from "../schema-parts";
import { readMetar, type Metar } from "./metar";

/** The weather file of the `gauge` command, or the plain text of a report: what a station saw, and whether that lets one spray. */

/** As long as a report is, with its remarks (ours). */
const LONGEST = 2000;

const WEATHER_FILE = exact({
  format: needed(choice(["careful-gauge-weather"]), `"careful-gauge-weather"`),
  version: needed(choice([1]), "1"),
  metar: needed(text(LONGEST), `"KFRY 101653Z 24008KT 10SM FEW040 22/12 A3002"`),
  limits: exact({ wind: quantity(["speed"]), airAtLeast: temperature(), airAtMost: temperature() }),
  when: choice(WHENS),
});

export const WEATHER_FILE_SCHEMA: Schema = {
  $schema: "https://json-schema.org/draft/2020-12/schema",
  title: "Careful Gauge weather file, version 1",
  description: "What a weather station reported, and the limits that it is held against. Its meaning is in job-file.md.",
  ...object(["format", "version", "metar"], {
    format: { const: "careful-gauge-weather" },
    version: { const: 1 },
    metar: words(LONGEST),
    limits: object([], { wind: q("speed"), airAtLeast: temperatureText, airAtMost: temperatureText }),
    when: oneOf(WHENS),
  }),
};

interface WeatherFile {
  readonly metar: string;
  readonly limits?: { readonly wind?: string; readonly airAtLeast?: string; readonly airAtMost?: string };
  readonly when?: When;
}

/** A report, with what follows from it and how it stands to its limits. */
export interface WeatherRead extends Conditions {
  readonly metar: Metar;
  /** Null where the report lacks the air or the dew point. */
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
  return weatherOf(file as WeatherFile, "metar");
}

/** @param path where the report stands */
function weatherOf({ metar: report, limits = {}, when = "day" }: WeatherFile, path: string): Result<WeatherRead> {
  const metar = readMetar(report, path);
  if (!metar.ok) return metar;
  const celsius = (written: string | undefined) => {
    const told = written === undefined ? undefined : parseTemperature(written);
    return told?.ok ? told.value.celsius : undefined;
  };
  const told = limits.wind === undefined ? undefined : parseQuantity(limits.wind, "speed");
  const wind = told?.ok ? told.value.value : MOST_WIND;
  const { air, dewPoint, wet } = metar.value;
  const [atLeast, atMost] = [celsius(limits.airAtLeast), celsius(limits.airAtMost)];
  if (atLeast !== undefined && atMost !== undefined && atLeast > atMost)
    return bad({
      path: "limits.airAtLeast",
      code: "contradiction",
      received: `${limits.airAtLeast} at least and ${limits.airAtMost} at most`,
      expected: "a least that is under the most",
    });
  const worked = airOf(air, dewPoint);
  const seen = { wind: metar.value.wind, air, deltaT: worked?.deltaT ?? null, wet };
  const judged = judgeConditions(seen, { wind, airAtLeast: atLeast, airAtMost: atMost }, when);
  return good({ metar: metar.value, air: worked, wind, ...judged });
}

/** What `gauge weather` prints. The meaning of every field is in docs/job-file.md. */
export function weatherResult({ metar, air, wind: most, verdict, reasons }: WeatherRead) {
  const mph = (speed: Quantity<"speed">) => ({ value: valueIn(speed, "mph"), unit: "mph" });
  const fahrenheit = (celsius: number | null) => (celsius === null ? null : { value: toFahrenheit(celsius), unit: "°F" });
  const { wind } = metar;
  return {
    format: "careful-gauge-conditions",
    version: 1,
    station: metar.station,
    time: metar.time,
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
