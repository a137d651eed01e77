import { isDate } from "@/core/calendar";
import { parseTemperature } from "@/core/conditions/temperature";
import { good, type Issue, type Result } from "@/core/issue";
import { sameName } from "@/core/names";
import type { AirDay } from "@/core/season/degrees";
import { dueOf, type DueItem, type Edge, type Round, type Season } from "@/core/season/due";
import type { AnySchema } from "yup";
import { date, exact, faultsIn, list, matching, needed, text, choice, temperature, fault } from "../job-file/shape-parts";
import { shown } from "../job-file/shown";
import { parseObject } from "../json-file";
import * as schema from "../schema-parts";

/** The season file of the `gauge` command: rounds, what was done of them on which site, the soil's temperature. */

/** As many rounds, sites and days of soil as one file may have (ours). */
export const MOST_ROUNDS = 60;
const MOST_SITES = 20_000;
const MOST_DONE = 400;
const MOST_SOIL = 20_000;

/** As many days as may lie between two things of a season (ours). */
const MOST_DAYS = 2000;

const MONTH_DAY = /^(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/;
const DAYS = /^\d{1,4} days?$/;

const monthDay = () =>
  matching(MONTH_DAY, "bad-date", `"05-15": month and day`).test("month-day", function (value: unknown) {
    // 29 February is a day of some years.
    if (typeof value !== "string" || !MONTH_DAY.test(value) || isDate(`2024-${value}`)) return true;
    return fault(this, { code: "bad-date", received: shown(value), expected: `"05-15": month and day` });
  });

const days = () => matching(DAYS, "not-text", `"60 days"`);

/** Degree days in the degrees of their base, added up from a day of the year, the first where none is given. */
const DEGREE_DAYS = /^(\d{1,4}(?:\.\d+)?) over (\d{1,3}(?:\.\d+)? °?[FC])(?: from ((?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])))?$/;
const EDGE_KEYS = ["date", "soilRisesTo", "soilFallsTo", "degreeDays"] as const;

const edge = () =>
  exact({
    date: monthDay(),
    soilRisesTo: temperature(),
    soilFallsTo: temperature(),
    degreeDays: matching(DEGREE_DAYS, "not-text", `"150 over 50 F from 02-15"`),
  }).test("one-edge", function (value: unknown) {
    if (typeof value !== "object" || value === null) return true;
    const keys = EDGE_KEYS.filter((key) => key in value);
    if (keys.length === 1) return true;
    const expected = `one of ${EDGE_KEYS.map((key) => `"${key}"`).join(", ")}`;
    return keys.length === 0
      ? fault(this, { code: "missing", received: "", expected: `{ "date": "03-01" }` })
      : fault(this, { code: "contradiction", received: keys.join(" and "), expected });
  });

/** A round as it is written, without what is ours. */
export const ROUND = {
  name: needed(text(), `"first half"`),
  opens: edge(),
  closes: edge(),
  afterSeeding: days(),
  beforeSeeding: days(),
  after: exact({ round: needed(text(), `"first half"`), atLeast: days(), atMost: days() }),
};
export const SOIL = () =>
  list(exact({ date: needed(date(), `"2026-03-20"`), temperature: needed(temperature(), `"47 F"`) }), 0, "day", MOST_SOIL);

/** The air of each day, for degree days. */
export const AIR = () =>
  list(
    exact({
      date: needed(date(), `"2026-03-20"`),
      least: needed(temperature(), `"38 F"`),
      most: needed(temperature(), `"61 F"`),
    }),
    0,
    "day",
    MOST_SOIL,
  );

const SEASON_FILE: AnySchema = exact({
  format: needed(choice(["careful-gauge-season"]), `"careful-gauge-season"`),
  version: needed(choice([1]), "1"),
  date: needed(date(), `"2026-04-10"`),
  soil: SOIL(),
  air: AIR(),
  rounds: needed(list(exact(ROUND), 1, "round", MOST_ROUNDS), `[{ "name": "first half" }]`),
  sites: needed(
    list(
      exact({
        name: needed(text(), `"Ferry green"`),
        done: list(exact({ round: needed(text(), `"first half"`), date: needed(date(), `"2026-03-28"`) }), 0, "entry", MOST_DONE),
        seeded: date(),
        seeding: date(),
      }),
      1,
      "site",
      MOST_SITES,
    ),
    `[{ "name": "Ferry green" }]`,
  ),
});

const daysSchema: schema.Schema = { type: "string", pattern: "^\\d{1,4} days?$" };
const edgeSchema: schema.Schema = {
  oneOf: [
    schema.object(["date"], { date: { type: "string", pattern: MONTH_DAY.source } }),
    schema.object(["soilRisesTo"], { soilRisesTo: schema.temperatureText }),
    schema.object(["soilFallsTo"], { soilFallsTo: schema.temperatureText }),
    schema.object(["degreeDays"], { degreeDays: { type: "string", pattern: DEGREE_DAYS.source } }),
  ],
};

/** The season file as a JSON Schema. Which rounds there are, and days that never were, no schema says. */
export const SEASON_FILE_SCHEMA: schema.Schema = {
  $schema: "https://json-schema.org/draft/2020-12/schema",
  title: "Careful Gauge season file, version 1",
  description: "The rounds of a season and what was done of them. Its meaning is in job-file.md.",
  ...schema.object(["format", "version", "date", "rounds", "sites"], {
    format: { const: "careful-gauge-season" },
    version: { const: 1 },
    date: schema.date,
    soil: schema.list(
      schema.object(["date", "temperature"], { date: schema.date, temperature: schema.temperatureText }),
      0,
      MOST_SOIL,
    ),
    air: schema.list(
      schema.object(["date", "least", "most"], {
        date: schema.date,
        least: schema.temperatureText,
        most: schema.temperatureText,
      }),
      0,
      MOST_SOIL,
    ),
    rounds: schema.list(
      schema.object(["name"], {
        name: schema.text(),
        opens: edgeSchema,
        closes: edgeSchema,
        afterSeeding: daysSchema,
        beforeSeeding: daysSchema,
        after: schema.object(["round"], { round: schema.text(), atLeast: daysSchema, atMost: daysSchema }),
      }),
      1,
      MOST_ROUNDS,
    ),
    sites: schema.list(
      schema.object(["name"], {
        name: schema.text(),
        done: schema.list(schema.object(["round", "date"], { round: schema.text(), date: schema.date }), 0, MOST_DONE),
        seeded: schema.date,
        seeding: schema.date,
      }),
      1,
      MOST_SITES,
    ),
  }),
};

interface EdgeText {
  readonly date?: string;
  readonly soilRisesTo?: string;
  readonly soilFallsTo?: string;
  readonly degreeDays?: string;
}

export interface AirText {
  readonly date: string;
  readonly least: string;
  readonly most: string;
}

export interface RoundText {
  readonly name: string;
  readonly opens?: EdgeText;
  readonly closes?: EdgeText;
  readonly afterSeeding?: string;
  readonly beforeSeeding?: string;
  readonly after?: { readonly round: string; readonly atLeast?: string; readonly atMost?: string };
}

interface SeasonFile {
  readonly date: string;
  readonly soil?: readonly { readonly date: string; readonly temperature: string }[];
  readonly air?: readonly AirText[];
  readonly rounds: readonly RoundText[];
  readonly sites: readonly {
    readonly name: string;
    readonly done?: readonly { readonly round: string; readonly date: string }[];
    readonly seeded?: string;
    readonly seeding?: string;
  }[];
}

/** @param source the text of a season file */
export function readSeason(source: string): Result<Season> {
  const file = parseObject(source, "a season file is one JSON object", "the season file");
  if (!file.ok) return file;
  const shape = faultsIn(SEASON_FILE, file.value);
  if (shape.length > 0) return { ok: false, issues: shape };
  const season = file.value as SeasonFile;
  const issues = togetherFaults(season);
  if (issues.length > 0) return { ok: false, issues };
  return good({
    date: season.date,
    soil: (season.soil ?? []).map(({ date: day, temperature: read }) => ({ date: day, celsius: celsius(read) })),
    air: airOfDays(season.air),
    rounds: season.rounds.map(roundOf),
    sites: season.sites.map(({ name, done = [], seeded, seeding }) => ({ name, done, seeded, seeding })),
  });
}

/** What of a series is wrong together: a day that is there twice, a least over its most. */
export function seriesFaults({ soil = [], air = [] }: Pick<SeasonFile, "soil" | "air">): Issue[] {
  const again = (key: string, days: readonly { readonly date: string }[]) =>
    twice(days.map(({ date }) => date)).map((i): Issue => ({
      path: `${key}[${i}].date`,
      code: "duplicate-name",
      received: days[i]!.date,
      expected: "day",
    }));
  const swapped = air.flatMap(({ least, most }, i): Issue[] =>
    celsius(least) > celsius(most)
      ? [
          {
            path: `air[${i}].least`,
            code: "contradiction",
            received: `${least} at least, ${most} at most`,
            expected: "a most that is no less",
          },
        ]
      : [],
  );
  return [...again("soil", soil), ...again("air", air), ...swapped];
}

/** What two places make wrong together: names that are given twice or to nothing, spans that can't be. */
export function togetherFaults({ soil = [], air = [], rounds, sites }: SeasonFile): Issue[] {
  const names = rounds.map((round) => round.name);
  const listed = names.map((name) => `"${name}"`).join(", ");
  const issues: Issue[] = [];
  const add = (path: string, code: Issue["code"], received: string, expected: string) =>
    issues.push({ path, code, received, expected });
  issues.push(...seriesFaults({ soil, air }));
  twice(names).forEach((i) => add(`rounds[${i}].name`, "duplicate-name", names[i]!, "round its name"));
  twice(sites.map((site) => site.name)).forEach((i) =>
    add(`sites[${i}].name`, "duplicate-name", sites[i]!.name, "site its name"),
  );
  rounds.forEach(({ name, after }, i) => {
    if (!after) return;
    if (!names.includes(after.round)) add(`rounds[${i}].after.round`, "unknown-name", after.round, listed);
    else if (comesAfterItself(name, rounds))
      add(`rounds[${i}].after.round`, "contradiction", `"${name}" comes after itself`, "a round before it");
    const [least, most] = [daysIn(after.atLeast), daysIn(after.atMost)];
    if (least !== undefined && most !== undefined && least > most)
      add(
        `rounds[${i}].after.atMost`,
        "contradiction",
        `${after.atMost} at most, ${after.atLeast} at least`,
        "a most that is no less",
      );
  });
  rounds.forEach((round, i) => {
    const spans = [
      ["afterSeeding", round.afterSeeding],
      ["beforeSeeding", round.beforeSeeding],
      ["after.atLeast", round.after?.atLeast],
      ["after.atMost", round.after?.atMost],
    ] as const;
    for (const [key, span] of spans)
      if ((daysIn(span) ?? 0) > MOST_DAYS) add(`rounds[${i}].${key}`, "out-of-range", span!, `${MOST_DAYS} days at most`);
  });
  sites.forEach(({ done = [] }, i) =>
    done.forEach((entry, j) => {
      const path = `sites[${i}].done[${j}]`;
      if (!names.includes(entry.round)) add(`${path}.round`, "unknown-name", entry.round, listed);
    }),
  );
  return issues;
}

/** The numbers of those that were there before, but for capitals and accents. */
const twice = (names: readonly string[]): number[] => {
  const known = new Set<string>();
  return names.flatMap((name, i) => {
    const key = name.normalize("NFC").toLowerCase();
    const before = known.has(key) || (names.length < 100 && names.slice(0, i).some((other) => sameName(other, name)));
    known.add(key);
    return before ? [i] : [];
  });
};

function comesAfterItself(name: string, rounds: readonly RoundText[]): boolean {
  let at = rounds.find((round) => round.name === name)?.after?.round;
  for (let i = 0; at !== undefined && i < rounds.length; i++) {
    if (at === name) return true;
    at = rounds.find((round) => round.name === at)?.after?.round;
  }
  return false;
}

const daysIn = (text: string | undefined): number | undefined => (text === undefined ? undefined : Number.parseInt(text, 10));

/** A temperature that the shape has vouched for. */
export function celsius(text: string): number {
  const read = parseTemperature(text);
  if (!read.ok) throw new Error(`unchecked temperature "${text}"`);
  return read.value.celsius;
}

export const airOfDays = (air: readonly AirText[] = []): AirDay[] =>
  air.map(({ date: day, least, most }) => ({ date: day, least: celsius(least), most: celsius(most) }));

/** Kelvin in a degree Fahrenheit. */
const FAHRENHEIT = 5 / 9;

function edgeOf({ date: day, soilRisesTo, soilFallsTo, degreeDays }: EdgeText): Edge {
  if (day !== undefined) return { on: "date", monthDay: day };
  if (degreeDays !== undefined) {
    const [, sum, base, from = "01-01"] = DEGREE_DAYS.exec(degreeDays)!;
    return { on: "degrees", base: celsius(base!), sum: Number(sum) * (base!.endsWith("F") ? FAHRENHEIT : 1), from };
  }
  return soilRisesTo !== undefined
    ? { on: "rise", celsius: celsius(soilRisesTo) }
    : { on: "fall", celsius: celsius(soilFallsTo!) };
}

export const roundOf = ({ name, opens, closes, afterSeeding, beforeSeeding, after }: RoundText): Round => ({
  name,
  opens: opens && edgeOf(opens),
  closes: closes && edgeOf(closes),
  afterSeeding: daysIn(afterSeeding),
  beforeSeeding: daysIn(beforeSeeding),
  after: after && { round: after.round, atLeast: daysIn(after.atLeast), atMost: daysIn(after.atMost) },
});

/** What `gauge due` prints. The meaning of every field is in docs/job-file.md. */
export const dueResult = (season: Season): { format: string; version: number; date: string; items: readonly DueItem[] } => ({
  format: "careful-gauge-due",
  version: 1,
  date: season.date,
  items: dueOf(season),
});
