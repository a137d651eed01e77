import * as yup from "yup";
import { GROUNDS, type Ground } from "@/core/calibration/evidence";
import type { Issue } from "@/core/issue";
import { LESSONS, type LessonId } from "@/core/practice/lesson-ids";
import { paceRecord, type PaceRecord, type Walks } from "@/core/practice/held";
import { daysFrom } from "@/core/calendar";
import { canonical } from "@/core/quantity/arithmetic";
import { entered } from "@/core/quantity/parse";
import { localDate } from "./day";
import type { PracticeEntry } from "./entries";
import type { PractisedText } from "./practised";
import type { Session } from "./session";
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

const seconds = (time: string): number => canonical(entered(time, "time").value);

/** The walks of a piece of practice that say how a pace sits: without a beat, and not struck; in seconds. */
export const freeWalks = (walks: readonly WalkText[]): number[] =>
  walks.filter(({ beat, struck }) => !beat && struck === undefined).map(({ time }) => seconds(time));

/** Somebody's days of walking on one kind of ground, in order. @param entries of that person */
export function daysOf(entries: readonly PracticeEntry[], ground: Ground, zone: string): Walks[] {
  const days = entries.flatMap(({ at, ground: on, what }) => {
    if (what.kind !== "pace" || on !== ground) return [];
    const times = freeWalks(what.walks);
    return times.length === 0 ? [] : [{ at, day: localDate(at, zone), times, wanted: seconds(what.wanted) }];
  });
  return days.sort((a, b) => (a.at < b.at ? -1 : 1));
}

/** What somebody's walks come to on each kind of ground that they walked on. */
export function recordsOf(
  entries: readonly PracticeEntry[],
  zone: string,
): { readonly ground: Ground; readonly record: PaceRecord }[] {
  return GROUNDS.flatMap((ground) => {
    const days = daysOf(entries, ground, zone);
    return days.length === 0 ? [] : [{ ground, record: paceRecord(days) }];
  });
}

/** Practice older than this says nothing of today's legs, days (ours). */
const FRESH = 90;

/** What is written beside a calibration whose pace is a person's legs. @param entries of that person */
export function practisedBeside(
  { direct, pace, ground }: Pick<Session, "direct" | "pace" | "ground">,
  entries: readonly PracticeEntry[],
  day: { readonly today: string; readonly zone: string },
): { readonly "x-practice"?: PractisedText } {
  const walked = !direct && (pace === "timed-area" || pace === "timed-run");
  const practised = walked ? practisedNow(entries, ground, day) : undefined;
  return practised ? { "x-practice": practised } : {};
}

/** What practice says of a person's walks on the ground of a calibration; undefined where it says nothing. @param today ISO date */
export function practisedNow(
  entries: readonly PracticeEntry[],
  ground: Ground,
  { today, zone }: { readonly today: string; readonly zone: string },
): PractisedText | undefined {
  const days = daysOf(entries, ground, zone).filter(({ day }) => day <= today && daysFrom(day, today) <= FRESH);
  if (days.length === 0) return undefined;
  const { scatter, freedom } = paceRecord(days);
  return scatter === null || freedom === 0
    ? undefined
    : { scatter: `${Number((100 * scatter).toPrecision(3))} %`, freedom, until: days.at(-1)!.day };
}
