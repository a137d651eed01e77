import { bad, good, type Result } from "@/core/issue";
import type { Wind } from "@/core/conditions/judge";
import { compare } from "@/core/quantity/arithmetic";
import { quantity } from "@/core/quantity/quantity";

/**
 * A weather report as stations send it: METAR and SPECI of WMO FM 15 (WMO-No. 306, Manual on Codes, Volume I.1; from memory), with
 * the habits of North America (statute miles, inches of mercury, remarks). What stands after RMK and in a trend is no observation
 * of now and is passed over; what can't be read is told and taken for missing.
 */
export interface Metar {
  readonly station: string;
  /** "101653Z": day, hour and minute, UTC. */
  readonly time: string;
  /** Null where it is missing or can't be read. */
  readonly wind: Wind | null;
  /** °C. */
  readonly air: number | null;
  readonly dewPoint: number | null;
  readonly pressure: number | null;
  readonly sky: readonly string[];
  readonly weather: readonly string[];
  /** The groups of weather in which something falls or freezes on here and now. */
  readonly wet: readonly string[];
  /** The station reports weather that it couldn't tell, or something stands in its place that nobody could read. */
  readonly weatherUnknown: boolean;
  /** Groups that nobody could read. */
  readonly unread: readonly string[];
}

/** A knot in mph: so much is agreed (1.150779, six places). */
const KNOT = 1.150779;
/** An inch of mercury, hPa. */
const INCH_OF_MERCURY = 33.86389;

const WIND = /^(\d{3}|VRB|\/{3})(P?\d{2,3}|\/\/)(?:G(P?\d{2,3}|\/\/))?(KT|MPS|KMH)$/;
const RANGE = /^\d{3}V\d{3}$/;
const WEATHER = /^(\+|-|VC|RE)?((?:MI|BC|PR|DR|BL|SH|TS|FZ|DZ|RA|SN|SG|IC|PL|GR|GS|UP|BR|FG|FU|VA|DU|SA|HZ|PY|PO|SQ|FC|SS|DS)+)$/;
const SKY = /^(?:SKC|CLR|NSC|NCD|CAVOK|(?:FEW|SCT|BKN|OVC|VV|\/{3})(?:\d{3}|\/{3})(?:CB|TCU|\/{3})?)$/;
const TEMPERATURE = /^(M?\d{2}|\/\/|XX)\/(M?\d{2}|\/\/|XX)?$/;
const PRESSURE = /^([QA])(\d{4})$/;

/** What falls, or freezes on: with it nobody sprays. */
const WET = ["RA", "DZ", "SN", "TS", "SH", "FZ", "PL", "GR", "GS", "SG", "IC", "UP"];

/** Groups that say nothing of what is asked here: visibility, runways, shear, sea, recent weather's colour codes. */
const PASSED: readonly RegExp[] = [
  /^(?:AUTO|COR|CC[A-Z])$/,
  /^\d{4}(?:NDV|[NSEW]{1,2})?$/,
  /^[PM]?\d{1,2}(?:\/\d{1,2})?SM$/,
  /^\/+(?:SM)?$/,
  /^R\d{2}[LCR]?\//,
  /^R\/SNOCLO$/,
  /^W(?:S|M?\d{2}\/|\/\/\/)/,
  /^(?:ALL|RWY(?:\d{2}[LCR]?)?|R\d{2}[LCR]?)$/,
  /^\d{8}$/,
  /^SNOCLO$/,
  /^[QA]\/{4}$/,
  /^(?:BLU|WHT|GRN|YLO|AMB|RED)\+?$/,
  /^\/\/$/,
  /^\$$/,
];

/** Where the report of now ends. */
const END = /^(?:RMK|NOSIG|BECMG|TEMPO|PROB\d{2})$/;

/** @param text one report; line breaks are blanks, "=" ends it */
export function readMetar(text: string, path = ""): Result<Metar> {
  const [own = "", ...more] = text.toUpperCase().split("=");
  const groups = withoutHeading(own.trim().split(/\s+/).filter(Boolean));
  const example = `"KFRY 101653Z 24008KT 10SM FEW040 22/12 A3002"`;
  const [station, time] = groups;
  const wrong = (received: string, expected: string) => bad({ path, code: "unreadable" as const, received, expected });
  if (more.some((rest) => rest.trim() !== "")) return wrong(`"${more.join("=").trim().slice(0, 40)}" after its end`, ONE);
  if (groups.includes("TAF")) return wrong("a forecast (TAF)", NOW);
  if (station === undefined) return bad({ path, code: "missing", received: "", expected: example });
  if (!/^[A-Z][A-Z\d]{3}$/.test(station))
    return wrong(`"${station.slice(0, 20)}"`, `it begins with a station of four letters: ${example}`);
  if (time === undefined || !isTime(time))
    return wrong(`"${(time ?? "").slice(0, 20)}"`, `after the station stand day, hour and minute: "101653Z"`);
  const rest = groups.slice(2);
  if (rest.includes("NIL")) return wrong("a report that says NIL", "a report with something in it");
  // Pasted behind the remarks, too: of two reports one would be made that never was.
  const second = rest.findIndex((group) => /^(?:METAR|SPECI)$/.test(group) || isTime(group));
  if (second >= 0) return wrong(`a second report (${rest.slice(Math.max(0, second - 1), second + 1).join(" ")})`, ONE);
  const end = rest.findIndex((group) => END.test(group));
  const body = end < 0 ? rest : rest.slice(0, end);
  const forecast = body.find((group) => /^\d{4}\/\d{4}$/.test(group));
  if (forecast !== undefined) return wrong(`a forecast (${forecast})`, NOW);
  if (body.length === 0) return wrong("a report without an observation", example);
  const found = readGroups(body);
  const strange = strangeIn(body, found);
  if (strange) return bad({ path, code: "out-of-range", ...strange });
  // A degree is what rounding does; the air is as moist as it can be then.
  if (found.air !== null && found.dewPoint !== null && found.dewPoint > found.air && found.dewPoint <= found.air + 1)
    return good({ station, time, ...found, dewPoint: found.air });
  if (found.air !== null && found.dewPoint !== null && found.dewPoint > found.air)
    return bad({
      path,
      code: "contradiction",
      received: `dew point ${found.dewPoint} °C over air ${found.air} °C`,
      expected: "a dew point that is no higher than the air",
    });
  return good({ station, time, ...found });
}

const ONE = "one report, and nothing after it: hold each by itself";
const NOW = "an observation of now: a forecast is none";

/** What stands before a report in a station's file or a bulletin: a date line, a heading, what kind of report it is. */
function withoutHeading(groups: readonly string[]): string[] {
  let at = 0;
  const skip = (...patterns: readonly RegExp[]) => {
    if (patterns.every((pattern, i) => pattern.test(groups[at + i] ?? ""))) at += patterns.length;
  };
  skip(/^\d{4}\/\d{2}\/\d{2}$/, /^\d{2}:\d{2}$/);
  skip(/^\d{3}$/);
  skip(/^[A-Z]{4}\d{2}$/, /^[A-Z]{4}$/, /^\d{6}$/);
  if (at > 0) skip(/^(?:RR|CC|AA)[A-Z]$/);
  for (let before = -1; before !== at;) {
    before = at;
    skip(/^(?:METAR|SPECI|COR|AUTO)$/);
  }
  return groups.slice(at);
}

/** Numbers that no station reads. */
function strangeIn(
  body: readonly string[],
  { wind, air, dewPoint }: Pick<Metar, "wind" | "air" | "dewPoint">,
): { readonly received: string; readonly expected: string } | undefined {
  const group = body.find((one) => WIND.test(one)) ?? "";
  if (wind?.from != null && wind.from > 360)
    return { received: `wind from ${wind.from}° (${group})`, expected: "from 0 to 360°" };
  if (wind?.gust && compare(wind.gust, wind.speed) <= 0)
    return { received: `gusts no stronger than the wind (${group})`, expected: "gusts over the wind" };
  const hot = [air, dewPoint].find((one) => one !== null && Math.abs(one) > 60);
  return hot === undefined ? undefined : { received: `${hot} °C`, expected: "from −60 to 60 °C" };
}

function isTime(group: string): boolean {
  const parts = /^(\d{2})(\d{2})(\d{2})Z$/.exec(group);
  const [day, hour, minute] = (parts ?? []).slice(1).map(Number);
  return parts !== null && day! >= 1 && day! <= 31 && hour! <= 23 && minute! <= 59;
}

function readGroups(body: readonly string[]): Omit<Metar, "station" | "time"> {
  const sky: string[] = [];
  const weather: string[] = [];
  const unread: string[] = [];
  let wind: Wind | null = null;
  let air: number | null = null;
  let dewPoint: number | null = null;
  let pressure: number | null = null;
  body.forEach((group, i) => {
    if (/^\/+$/.test(group)) return;
    if (WIND.test(group)) wind ??= windOf(group);
    else if (RANGE.test(group) && i > 0) wind &&= { ...wind, variable: true };
    else if (SKY.test(group)) sky.push(group);
    else if (TEMPERATURE.test(group)) {
      const [, here, dew] = TEMPERATURE.exec(group)!;
      [air, dewPoint] = [degrees(here), degrees(dew)];
    } else if (PRESSURE.test(group)) pressure ??= hectopascals(group);
    else if (WEATHER.test(group) && isWeather(group)) weather.push(group);
    else if (inWeathersPlace(body, i) && HAZARD.test(group) && !/^(?:VC|RE)/.test(group)) weather.push(group);
    // "1 1/2SM" are two groups.
    else if (!(PASSED.some((one) => one.test(group)) || (/^\d$/.test(group) && /SM$/.test(body[i + 1] ?? ""))))
      unread.push(group);
  });
  const missing = body.some((group, i) => group === "//" && inWeathersPlace(body, i));
  const strange = unread.some((group) => inWeathersPlace(body, body.indexOf(group)));
  return { wind, air, dewPoint, pressure, sky, weather, wet: weather.filter(isWet), weatherUnknown: missing || strange, unread };
}

function windOf(group: string): Wind | null {
  const [, from, force, gusts, unit] = WIND.exec(group)! as unknown as readonly [
    string,
    string,
    string,
    string | undefined,
    string,
  ];
  const speed = (digits: string) => {
    // "P99": more than that.
    const number = Number(digits.replace("P", ""));
    if (unit === "MPS") return quantity("speed", number, "m/s");
    if (unit === "KMH") return quantity("speed", number, "km/h");
    return quantity("speed", number * KNOT, "mph");
  };
  if (force === "//") return null;
  return {
    from: /^\d/.test(from) ? Number(from) : null,
    variable: from === "VRB",
    speed: speed(force),
    gust: gusts === undefined || gusts === "//" ? null : speed(gusts),
  };
}

const degrees = (text: string | undefined): number | null =>
  text === undefined || !/\d/.test(text) ? null : Number(text.replace("M", "-")) + 0;

function hectopascals(group: string): number {
  const [, kind, digits] = PRESSURE.exec(group)!;
  return kind === "Q" ? Number(digits) : (Number(digits) / 100) * INCH_OF_MERCURY;
}

const codesOf = (group: string): readonly string[] => group.replace(/^(?:\+|-|VC|RE)/, "").match(/../g) ?? [];

/** Recent weather is no weather of now. */
const isWeather = (group: string): boolean => codesOf(group).length > 0;
/** A known hazard, beside letters that nobody could read. */
const HAZARD = new RegExp(WET.join("|"));
const isWet = (group: string): boolean =>
  !/^(?:VC|RE)/.test(group) && (WEATHER.test(group) ? codesOf(group).some((code) => WET.includes(code)) : HAZARD.test(group));

/** Weather stands behind the wind, the visibility and the runways, and before the sky and the temperature. */
function inWeathersPlace(body: readonly string[], at: number): boolean {
  const first = body.findIndex((group) => SKY.test(group) || TEMPERATURE.test(group) || PRESSURE.test(group));
  const behind = body.findLastIndex((group, i) => (first < 0 || i < first) && VISIBILITY.some((one) => one.test(group)));
  return at > behind && behind >= 0 && (first < 0 || at < first);
}
const VISIBILITY = [
  WIND,
  RANGE,
  /^\d{4}(?:NDV|[NSEW]{1,2})?$/,
  /^[PM]?\d{1,2}(?:\/\d{1,2})?SM$/,
  /^\/{4}(?:SM)?$/,
  /^R\d{2}[LCR]?\//,
];
