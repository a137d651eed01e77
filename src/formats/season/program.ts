import { bad, good, type Issue, type Result } from "@/core/issue";
import { apart } from "@/core/area/geodesic";
import { foldedName, sameName } from "@/core/names";
import type { Season, Series } from "@/core/season/due";
import type { DaysWork } from "@/core/season/year";
import { canonical } from "@/core/quantity/arithmetic";
import { entered } from "@/core/quantity/parse";
import { placeOf } from "../area/place";
import { choice, exact, faultsIn, list, needed, number, place, text, within } from "../job-file/shape-parts";
import { typeName } from "../job-file/shown";
import {
  AIR,
  airOfDays,
  celsius,
  MOST_ROUNDS,
  ROUND,
  roundOf,
  SOIL,
  seriesFaults,
  togetherFaults,
  type AirText,
  type RoundText,
} from "./file";

/** The firm's own program: what a season file says of rounds and soil, and with what, where and by how much a day. */

export interface ProgramRound extends RoundText {
  /** Tells it from the others whatever it is called; a program of before it was kept has none. */
  readonly id?: string;
  /** The id of its product's card. */
  readonly label: string;
  /** What of it goes down, as the label writes rates; left out, its limits can't be counted ahead. */
  readonly rate?: string;
  /** On this turf alone. */
  readonly turf?: string;
  /** What it was called before it is kept; not kept itself. */
  readonly "x-was"?: string;
}

/** The id of a round: of one that was kept without, by the name that it had. */
export const idOfRound = ({ id, name }: Pick<ProgramRound, "id" | "name">): string => id ?? `round.${foldedName(name)}`;

export interface ProgramText {
  readonly rounds: readonly ProgramRound[];
  readonly soil: readonly { readonly date: string; readonly temperature: string }[];
  readonly air?: readonly AirText[];
  /** Where that was read, latitude first; left out, it holds wherever nobody knows better. */
  readonly place?: string;
  /** Other places where it is read. */
  readonly stations?: readonly StationText[];
  readonly work?: WorkText;
  /** How often it was changed when it was read; not kept itself. */
  readonly "x-revision"?: number;
}

/** A place where the soil and the air are read: the sites that lie nearest to it go by it. */
export interface StationText {
  readonly name: string;
  /** Latitude first, degrees. */
  readonly place: string;
  readonly soil: readonly { readonly date: string; readonly temperature: string }[];
  readonly air?: readonly AirText[];
}

/** As many stations as a firm reads (ours). */
const MOST_STATIONS = 20;

/** What the firm does in a day. */
export interface WorkText {
  /** An area; left out, a day takes all that is due. */
  readonly perDay?: string;
  /** Days of the week on which there is work, 0 (Sunday) to 6; left out, Monday to Friday. */
  readonly days?: readonly number[];
}

/** By so many days at most a season is later or earlier than usual (ours). */
export const MOST_LATER = 60;

const PROGRAM = exact({
  rounds: needed(
    list(
      exact({
        ...ROUND,
        id: text(80),
        label: needed(text(80), `"a product on the shelf"`),
        rate: text(60),
        turf: text(60),
        "x-was": text(),
      }),
      0,
      "round",
      MOST_ROUNDS,
    ),
    "[]",
  ),
  soil: needed(SOIL(), "[]"),
  air: AIR(),
  place: place(),
  stations: list(
    exact({
      name: needed(text(60), `"the hill"`),
      place: needed(place(), `"41.88321, -87.61231"`),
      soil: needed(SOIL(), "[]"),
      air: AIR(),
    }),
    0,
    "station",
    MOST_STATIONS,
  ),
  work: exact({ perDay: within("zoneArea"), days: list(choice([0, 1, 2, 3, 4, 5, 6]), 1, "day of the week", 7) }),
  "x-revision": number(true, 1e9),
});

/** A program as it comes from a screen, or every fault with its place. What its rates come to, only the cards can say. */
export function readProgram(told: unknown): Result<ProgramText> {
  if (typeof told !== "object" || told === null)
    return bad({ path: "", code: "wrong-type", received: typeName(told), expected: "a program" });
  const shape = faultsIn(PROGRAM, told);
  if (shape.length > 0) return { ok: false, issues: shape };
  const program = told as ProgramText;
  const issues = [
    ...togetherFaults({ ...program, date: "2026-01-01", sites: [] }),
    ...idFaults(program.rounds),
    ...stationFaults(program.stations ?? []),
  ];
  return issues.length > 0 ? { ok: false, issues } : good(program);
}

const idFaults = (rounds: readonly ProgramRound[]): Issue[] =>
  rounds.flatMap(({ id }, i): Issue[] =>
    id !== undefined && rounds.slice(0, i).some((other) => other.id === id)
      ? [{ path: `rounds[${i}].id`, code: "duplicate-name", received: id, expected: "round its id" }]
      : [],
  );

/** Stations by one name, and what each has twice. */
function stationFaults(stations: readonly StationText[]): Issue[] {
  return stations.flatMap(({ name, soil, air }, i): Issue[] => [
    ...(stations.slice(0, i).some((other) => sameName(other.name, name))
      ? [{ path: `stations[${i}].name`, code: "duplicate-name", received: name, expected: "station its name" } as const]
      : []),
    ...seriesFaults({ soil, air }).map((one) => ({ ...one, path: `stations[${i}].${one.path}` })),
  ]);
}

const seriesOf = ({ soil, air }: Pick<ProgramText, "soil" | "air">): Series => ({
  air: airOfDays(air),
  soil: soil.map(({ date: day, temperature: read }) => ({ date: day, celsius: celsius(read) })),
});

/** The rounds of a program and what was read, as core asks for them. */
export const seasonOf = ({
  rounds,
  stations = [],
  ...own
}: Pick<ProgramText, "rounds" | "soil" | "air" | "stations">): Pick<Season, "rounds" | "soil" | "air" | "stations"> => ({
  rounds: rounds.map(roundOf),
  ...seriesOf(own),
  stations: stations.map(seriesOf),
});

interface Placed {
  readonly place?: string | undefined;
  readonly stations?: readonly { readonly place: string }[] | undefined;
}

/**
 * The station that something goes by, by its place: the nearest one. Undefined where that is the firm's own series, or no place is
 * known.
 */
export function stationAt({ place: own, stations = [] }: Placed): (place: string | null | undefined) => number | undefined {
  const places = [own, ...stations.map((station) => station.place)].map(placeOf);
  return (text) => {
    const here = placeOf(text);
    if (!here || stations.length === 0) return undefined;
    const far = places.map((one) => (one ? apart(one, here) : Number.POSITIVE_INFINITY));
    const nearest = far.indexOf(Math.min(...far));
    return nearest === 0 ? undefined : nearest - 1;
  };
}

const WEEK = [1, 2, 3, 4, 5];

export const workOf = ({ work }: Pick<ProgramText, "work">): DaysWork => ({
  perDay: work?.perDay === undefined ? null : canonical(entered(work.perDay, "area").value),
  days: work?.days ?? WEEK,
});
