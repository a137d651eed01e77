import { groundText } from "../working/thousand";
import type { System } from "../working/units";
import { rigRules, type RigKind } from "@/rig-kinds/rules";
import type { MethodId } from "./method-ids";

/** What a method needs, and a person may lack. */
export const NEEDS = ["watch", "tape", "bucket", "gauge"] as const;
export type Need = (typeof NEEDS)[number];

/** What is measured on the ground. `asked`: nobody's pace is timed; it is the one that the label rate asks for. */
export type PaceKind = "timed-area" | "timed-run" | "speed" | "asked";
/** How the flow is found. `fill-time`: the time to fill a marked vessel; a catch like any other in the arithmetic. */
export type FlowKind = "timed-catch" | "fill-time" | "outlet-catches" | "metered-flow" | "tip-chart";

export interface Method {
  readonly id: MethodId;
  readonly title: string;
  /** In one line: what it is good for. */
  readonly about: string;
  readonly pace: PaceKind;
  /** First the usual one; empty for direct evidence. */
  readonly flows: readonly FlowKind[];
  readonly needs: readonly Need[];
  readonly gather: readonly string[];
  /** The order of work, after the set-up that every calibration shares. */
  readonly steps: readonly string[];
  /** What is drawn to mark out. */
  readonly sketch: "square" | "strip" | "up-and-back" | "course" | "none";
  /** The test area or course that the method prescribes; undefined where it is free. */
  readonly area?: string;
  readonly says?: string;
  /** It rests on ounces and acres: of no use to a metric reader. */
  readonly inOunces?: true;
}

/** The area that a pace is stated for, as it is prescribed. */
const GROUND_OF_PACE = "1000 ft2";

const CATCHES: readonly FlowKind[] = ["timed-catch", "fill-time", "metered-flow"];
const TIMED = ["watch", "tape", "bucket"] as const;

/**
 * The methods of calibrating, as guided run sheets over the one equation. A method is a way to collect a pace and a flow
 * (or the direct evidence); nothing is computed by it that the equation doesn't.
 */
export const METHODS: readonly Method[] = [
  {
    id: "area-catch",
    title: "Timed area and catch",
    about: "Spray a marked area by the watch, then catch the output for as long.",
    pace: "timed-area",
    flows: CATCHES,
    needs: TIMED,
    gather: ["four pegs", "tape", "watch", "bucket or jug with marks", "clean water"],
    steps: ["Spray the marked area three times, as you would spray a lawn.", "Catch the output for as long as the mean walk."],
    sketch: "square",
  },
  {
    id: "acre-128",
    title: "1/128 acre",
    about: "Ounces caught in the time for 340.3 sq ft are gallons an acre: no sum to do on the lawn.",
    pace: "timed-area",
    flows: CATCHES,
    needs: TIMED,
    gather: ["four pegs", "tape", "watch", "jug marked in fluid ounces", "clean water"],
    steps: ["Spray the plot three times and time it.", "Catch for the mean time: fluid ounces are gallons an acre."],
    sketch: "square",
    inOunces: true,
    area: "340.3125 ft2",
    says: "Pegged as 18.5 × 18.5 ft it is 342.25 sq ft, 0.57 % large: the figures here are for 340.3125.",
  },
  {
    id: "acre-128-boom",
    title: "1/128 acre, driven",
    inOunces: true,
    about: "Drive the distance for one outlet's 1/128 acre, catch the outlets: ounces are gallons an acre.",
    pace: "timed-run",
    flows: ["outlet-catches", "metered-flow", "timed-catch"],
    needs: TIMED,
    gather: ["two pegs", "tape", "watch", "jug marked in fluid ounces", "clean water"],
    steps: [
      "Rolling start: be at working speed before the first peg, {rolling} ahead of it.",
      "Drive it three times in working gear and throttle.",
      "Standing still at the same throttle, catch each outlet for the mean time.",
    ],
    sketch: "course",
  },
  {
    id: "straight-course",
    title: "Straight course",
    about: "One pass wide, as long as makes {ground}: walk it once and the watch shows the pace.",
    pace: "timed-area",
    flows: CATCHES,
    needs: TIMED,
    gather: ["two pegs", "long tape", "watch", "bucket", "clean water"],
    steps: ["Walk the course once, one swath wide, three times.", "Catch the output in a bucket, 15 s at least."],
    sketch: "strip",
    area: GROUND_OF_PACE,
  },
  {
    id: "up-and-back",
    title: "Up-and-back rectangle",
    about: "Two passes wide: the turn is in the time, as it is in work.",
    pace: "timed-area",
    flows: CATCHES,
    needs: TIMED,
    gather: ["four pegs", "tape", "watch", "bucket", "clean water"],
    steps: ["Go up and come back, three times. Time it with the turn.", "Catch the output in a bucket, 15 s at least."],
    sketch: "up-and-back",
    area: GROUND_OF_PACE,
  },
  {
    id: "speed-distance",
    title: "Speed over a distance",
    about: "For machines of even speed, and anyone who walks a line: {course} between pegs, both directions.",
    pace: "timed-run",
    flows: ["outlet-catches", "timed-catch", "fill-time", "metered-flow"],
    needs: TIMED,
    gather: ["two pegs", "tape", "watch", "bucket", "clean water"],
    steps: [
      "Rolling start: be at working speed before the first peg, {rolling} ahead of it.",
      "Time it in both directions, on the ground that will be sprayed. A machine of governed speed may be timed dry.",
      "Catch the output standing still, pump at working speed.",
    ],
    sketch: "course",
  },
  {
    id: "known-speed",
    title: "The speed is known",
    about: "A governed machine whose speed was timed before. A display alone is not evidence: time it once.",
    pace: "speed",
    flows: ["outlet-catches", "timed-catch", "fill-time", "metered-flow"],
    needs: ["watch", "bucket"],
    gather: ["bucket or jugs with marks", "watch", "clean water"],
    steps: [
      "Fill in the speed that was timed, in this gear and throttle.",
      "Catch the output standing still, pump at working speed.",
    ],
    sketch: "none",
  },
  {
    id: "refill",
    title: "Refill or remainder",
    about: "Spray a marked area and measure what it took. No watch needed.",
    pace: "timed-area",
    flows: [],
    needs: ["tape", "bucket"],
    gather: ["pegs", "tape", "measuring jug", "clean water"],
    steps: [
      "Fill to a mark on level ground.",
      "Spray the marked area at your usual pace.",
      "Measure what is left, or what it takes to fill up to the mark again. A tapered tank fools the eye: measure, don't judge.",
    ],
    sketch: "square",
  },
  {
    id: "desk",
    title: "Desk estimate from a tip chart",
    about: "From the tip's rated flow. An estimate until a catch confirms it.",
    pace: "speed",
    flows: ["tip-chart"],
    needs: ["gauge"],
    gather: ["the tip's size", "pressure at the tip, read while spraying", "a travel speed that you can keep"],
    steps: ["Fill in size, pressure, speed and swath.", "Catch the flow before you mix from it."],
    sketch: "none",
  },
  // A hose-end head by its flow alone.
  {
    id: "head-flow",
    title: "Flow through the head alone",
    about: "Flow and setting tell the seconds for {ground}: no area to walk. You keep that pace by the watch.",
    pace: "asked",
    flows: CATCHES,
    needs: ["watch", "bucket"],
    gather: ["watch", "bucket with marks", "hose, head and jar as in work, clean water"],
    steps: [
      "Catch what leaves the head, through the hose, for half a minute. Do it again.",
      "Cover {ground} in the seconds that come out.",
    ],
    sketch: "none",
  },
  // A straight course as long as makes 1,000 sq ft under a boom.
  {
    id: "straight-course-boom",
    title: "Straight course, driven",
    about: "As long as makes {ground} under the boom: the watch shows the pace.",
    pace: "timed-run",
    flows: ["outlet-catches", "metered-flow", "timed-catch"],
    needs: TIMED,
    gather: ["two pegs", "long tape", "watch", "jugs with marks", "clean water"],
    steps: [
      "Rolling start: be at working speed before the first peg, {rolling} ahead of it.",
      "Drive it three times in working gear and throttle.",
      "Standing still at the same throttle, catch each outlet.",
    ],
    sketch: "course",
  },
];

/** Whether a method catches for a time of its own, and not for as long as the walk took. */
export const hasOwnCatchTime = (id: MethodId, flow?: FlowKind): boolean =>
  flow === "fill-time" || !["area-catch", "acre-128"].includes(id);

export const methodOf = (id: string): Method | undefined => METHODS.find((m) => m.id === id);

/**
 * The methods for a kind of rig and a reader, those first for which nothing lacks; each with what it lacks.
 * @param chosen is among them also where it is of no use to the reader: it was picked
 */
export function methodsFor(
  kind: RigKind,
  lacking: readonly Need[],
  system: System,
  chosen?: MethodId,
): readonly { readonly method: Method; readonly lacks: readonly Need[] }[] {
  return METHODS.filter((m) => rigRules(kind).methods.includes(m.id) && (system === "us" || !m.inOunces || m.id === chosen))
    .map((method) => ({ method, lacks: method.needs.filter((need) => lacking.includes(need)) }))
    .sort((a, b) => a.lacks.length - b.lacks.length);
}

/** The area that a method prescribes, in the reader's units; undefined where it is free. */
export const prescribedArea = ({ area }: Method, system: System): string | undefined =>
  area === GROUND_OF_PACE && system === "metric" ? "100 m2" : area;

const WORDS = {
  us: { course: "100 ft", rolling: "15 ft" },
  metric: { course: "100 m", rolling: "5 m" },
} as const;

/** A method's title, use and steps as its reader measures. */
export function methodWords<T extends string | readonly string[]>(text: T, system: System): T {
  const said = (one: string) =>
    one
      .replace("{ground}", groundText(system))
      .replace("{course}", WORDS[system].course)
      .replace("{rolling}", WORDS[system].rolling);
  return (typeof text === "string" ? said(text) : text.map(said)) as T;
}

/** The way before the first peg, to be at working speed there. */
export const rollingStart = (system: System): string => WORDS[system].rolling;
