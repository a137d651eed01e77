import { heldPace, type Held } from "@/core/practice/held";
import { beatOf, courseTime, strideRule } from "@/core/practice/beat";
import { speedForFlowRule } from "@/core/calibration/required-flow";
import { speedRule } from "@/core/calibration/pace";
import { quantity, valueIn } from "@/core/quantity/quantity";
import type { Entered } from "@/core/quantity/parse";
import { constant, derive, given, type AnySource, type Derived, type Source } from "@/core/working/rule";
import type { System } from "@/core/working/units";
import type { Ground } from "@/core/calibration/evidence";
import { freeWalks, type WalkText } from "@/formats/practice";
import { givenTyped, readTyped } from "@/formats/typed";

/** What is being drilled, as it was typed; kept through a reload. */
export interface PaceDraft {
  /** A course in a time, or the pace that a spray volume asks for. */
  readonly by: "drill" | "spray";
  readonly course: string;
  readonly seconds: string;
  readonly wanted: string;
  readonly flow: string;
  readonly swath: string;
  readonly stride: string;
  /** Strides counted over the course, in place of a stride. */
  readonly strides: string;
  readonly parts: number;
  readonly beats: "1" | "3";
  readonly ground: Ground;
  readonly walks: readonly WalkText[];
}

/** The drill that needs nothing: 44 ft in 10 s is 3 mph (extension handbooks); 12 m in 9 s are 4.8 km/h. */
export const newDrill = (system: System): PaceDraft => ({
  by: "drill",
  course: system === "us" ? "44 ft" : "12 m",
  seconds: system === "us" ? "10 s" : "9 s",
  wanted: "",
  flow: "",
  swath: "",
  stride: "",
  strides: "",
  parts: 4,
  beats: "1",
  ground: "turf",
  walks: [],
});

export interface PaceRead {
  readonly course: Entered<"length"> | undefined;
  readonly speed: Source<"speed"> | undefined;
  /** For all of the course. */
  readonly time: Source<"time"> | undefined;
  readonly beat: Derived<"time"> | undefined;
  readonly sources: readonly AnySource[];
  /** Walks without a beat, that count. */
  readonly free: readonly number[];
  readonly held: Held | undefined;
}

/** What a draft comes to, as far as it goes. */
export function readDraft(draft: PaceDraft): PaceRead {
  const read = readTyped("course", draft.course);
  const course = read.ok ? read.value : undefined;
  const length = course && given(course, "course");
  const speed = speedOf(draft, length);
  const time =
    draft.by === "drill" ? givenTyped("walkTime", draft.seconds, "wanted") : speed && length && courseTime(length, speed);
  const counted = Number(draft.strides);
  const stride =
    givenTyped("stride", draft.stride, "stride") ??
    (length && counted > 0 && counted < 1000
      ? derive(strideRule, { course: length, strides: constant("count", quantity("count", counted, ""), "strides") })
      : undefined);
  const beats = constant(
    "count",
    quantity("count", Number(draft.beats), ""),
    draft.beats === "1" ? "a step" : "three swings a step",
  );
  const beat = stride && speed ? beatOf(stride, speed, beats) : undefined;
  const free = freeWalks(draft.walks);
  const wanted = time && valueIn(time.value, "s");
  return {
    course,
    speed,
    time,
    beat,
    sources: [speed, time, beat].filter((one): one is NonNullable<typeof one> => one !== undefined && "rule" in one),
    free,
    held: wanted && free.length > 0 ? heldPace(free, wanted) : undefined,
  };
}

function speedOf(draft: PaceDraft, length: Source<"length"> | undefined): Source<"speed"> | undefined {
  if (draft.by === "drill") {
    const time = givenTyped("walkTime", draft.seconds, "wanted");
    return length && time ? derive(speedRule, { distance: length, time }) : undefined;
  }
  const sprayVolume = givenTyped("sprayVolume", draft.wanted, "wanted");
  const flow = givenTyped("meterFlow", draft.flow, "flow");
  const width = givenTyped("swath", draft.swath, "swath");
  return sprayVolume && flow && width ? derive(speedForFlowRule, { flow, sprayVolume, width }) : undefined;
}
