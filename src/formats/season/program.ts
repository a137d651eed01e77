import { bad, good, type Result } from "@/core/issue";
import type { Season } from "@/core/season/due";
import type { DaysWork } from "@/core/season/year";
import { canonical } from "@/core/quantity/arithmetic";
import { entered } from "@/core/quantity/parse";
import { choice, exact, faultsIn, list, needed, text, within } from "../job-file/shape-parts";
import { typeName } from "../job-file/shown";
import { AIR, airOfDays, celsius, MOST_ROUNDS, ROUND, roundOf, SOIL, togetherFaults, type AirText, type RoundText } from "./file";

/** The firm's own program: what a season file says of rounds and soil, and with what, where and by how much a day. */

export interface ProgramRound extends RoundText {
  /** The id of its product's card. */
  readonly label: string;
  /** What of it goes down, as the label writes rates; left out, its limits can't be counted ahead. */
  readonly rate?: string;
  /** On this turf alone. */
  readonly turf?: string;
  /** What it was called before it is kept; not kept itself. */
  readonly "x-was"?: string;
}

export interface ProgramText {
  readonly rounds: readonly ProgramRound[];
  readonly soil: readonly { readonly date: string; readonly temperature: string }[];
  readonly air?: readonly AirText[];
  readonly work?: WorkText;
}

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
      exact({ ...ROUND, label: needed(text(80), `"a product on the shelf"`), rate: text(60), turf: text(60), "x-was": text() }),
      0,
      "round",
      MOST_ROUNDS,
    ),
    "[]",
  ),
  soil: needed(SOIL(), "[]"),
  air: AIR(),
  work: exact({ perDay: within("zoneArea"), days: list(choice([0, 1, 2, 3, 4, 5, 6]), 1, "day of the week", 7) }),
});

/** A program as it comes from a screen, or every fault with its place. What its rates come to, only the cards can say. */
export function readProgram(told: unknown): Result<ProgramText> {
  if (typeof told !== "object" || told === null)
    return bad({ path: "", code: "wrong-type", received: typeName(told), expected: "a program" });
  const shape = faultsIn(PROGRAM, told);
  if (shape.length > 0) return { ok: false, issues: shape };
  const program = told as ProgramText;
  const issues = togetherFaults({ ...program, date: "2026-01-01", sites: [] });
  return issues.length > 0 ? { ok: false, issues } : good(program);
}

/** The rounds and the soil of a program, as core asks for them. */
export const seasonOf = ({
  rounds,
  soil,
  air,
}: Pick<ProgramText, "rounds" | "soil" | "air">): Pick<Season, "rounds" | "soil" | "air"> => ({
  rounds: rounds.map(roundOf),
  air: airOfDays(air),
  soil: soil.map(({ date: day, temperature: read }) => ({ date: day, celsius: celsius(read) })),
});

const WEEK = [1, 2, 3, 4, 5];

export const workOf = ({ work }: Pick<ProgramText, "work">): DaysWork => ({
  perDay: work?.perDay === undefined ? null : canonical(entered(work.perDay, "area").value),
  days: work?.days ?? WEEK,
});
