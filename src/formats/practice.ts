import * as yup from "yup";
import { GROUNDS, type Ground } from "@/core/calibration/evidence";
import type { Issue } from "@/core/issue";
import { LESSONS, type LessonId } from "@/core/practice/lesson-ids";
import type { System } from "@/core/working/units";
import { canonical } from "@/core/quantity/arithmetic";
import { entered } from "@/core/quantity/parse";
import { choice, exact, faultsIn, flag, list, needed, number, text, within } from "./job-file/shape-parts";

/** What somebody practised, as it is kept; lengths and times as they were typed or timed. */

/** One walk of the course. */
export interface WalkText {
  readonly time: string;
  /** Walked to the beat: it trains, but says nothing of how the pace sits. */
  readonly beat: boolean;
  /** Why it doesn't count. */
  readonly struck?: string;
}

export type PracticeText =
  | { readonly kind: "pace"; readonly course: string; readonly wanted: string; readonly walks: readonly WalkText[] }
  | {
      readonly kind: "countdown";
      /** Of a truck's guns, which. */
      readonly gun?: string;
      readonly strips: readonly { readonly area: string; readonly wanted: string; readonly took: string }[];
    }
  | { readonly kind: "swing"; readonly swings: number; readonly time: string; readonly width: string; readonly height: string }
  | {
      readonly kind: "lesson";
      readonly lesson: LessonId;
      readonly seed: number;
      /** In which units it was written; left out, in ours. */
      readonly units?: System;
      readonly answer: string;
      readonly right?: boolean;
    };
export type PracticeKind = PracticeText["kind"];
export const PRACTICE_KINDS = ["pace", "countdown", "swing", "lesson"] as const satisfies readonly PracticeKind[];

/** As many walks, or strips, as anybody does in a day (ours). */
export const MOST_REPEATS = 200;
const MOST_SEED = 1_000_000;

const SHAPES: { readonly [K in PracticeKind]: yup.AnySchema } = {
  pace: exact({
    kind: needed(choice(["pace"]), `"pace"`),
    course: needed(within("course"), `"44 ft"`),
    wanted: needed(within("walkTime"), `"10 s"`),
    walks: needed(
      list(
        exact({ time: needed(within("walkTime"), `"10.2 s"`), beat: needed(flag(), "true or false"), struck: text(300) }),
        1,
        "walks",
        MOST_REPEATS,
      ),
      "the walks",
    ),
  }),
  countdown: exact({
    kind: needed(choice(["countdown"]), `"countdown"`),
    gun: text(60),
    strips: needed(
      list(
        exact({
          area: needed(within("testArea"), `"1000 ft2"`),
          wanted: needed(within("walkTime"), `"248 s"`),
          took: needed(within("walkTime"), `"251 s"`),
        }),
        1,
        "strips",
        MOST_REPEATS,
      ),
      "the strips",
    ),
  }),
  swing: exact({
    kind: needed(choice(["swing"]), `"swing"`),
    swings: needed(number(true, 1000), "swings counted"),
    time: needed(within("walkTime"), `"30 s"`),
    width: needed(within("swath"), `"6 ft"`),
    height: needed(within("side"), `"20 in"`),
  }),
  lesson: exact({
    kind: needed(choice(["lesson"]), `"lesson"`),
    lesson: needed(choice(LESSONS), LESSONS.join(", ")),
    seed: needed(number(true, MOST_SEED), "a whole number"),
    units: choice(["us", "metric"]),
    answer: needed(text(60), "an answer with its unit"),
    right: flag(),
  }),
};

/** What is wrong with a piece of practice; nothing where it can stand. */
export function practiceFaults(value: unknown): Issue[] {
  const kind = (value as { kind?: unknown } | null | undefined)?.kind;
  const shape = PRACTICE_KINDS.find((one) => one === kind);
  if (!shape) return [{ path: "what.kind", code: "not-a-choice", received: String(kind), expected: PRACTICE_KINDS.join(", ") }];
  return faultsIn(SHAPES[shape], value).map((one) => ({ ...one, path: `what.${one.path}` }));
}

export const isPractice = (value: unknown): value is PracticeText => practiceFaults(value).length === 0;

export const isGround = (value: unknown): value is Ground => GROUNDS.includes(value as Ground);

export const seconds = (time: string): number => canonical(entered(time, "time").value);

/** The walks of a piece of practice that say how a pace sits: without a beat, and not struck; in seconds. */
export const freeWalks = (walks: readonly WalkText[]): number[] =>
  walks.filter(({ beat, struck }) => !beat && struck === undefined).map(({ time }) => seconds(time));
