import { derive, num, rule, type Derived, type Source } from "../working/rule";

/** The beat that a wanted pace is walked to, and what a course tells of it. */

export const beatRule = rule({
  id: "beat",
  version: 1,
  title: "Seconds for a beat",
  formula: "stride / speed / beats",
  inputs: { stride: "length", speed: "speed", beats: "count" },
  output: "time",
  source: "a stride at a speed takes stride/speed; with so many beats a stride (a step, or swings of the wand)",
  compute: ({ stride, speed, beats }) => num(stride) / num(speed) / num(beats),
});

export const courseTimeRule = rule({
  id: "course-time",
  version: 1,
  title: "Seconds for the course",
  formula: "course / speed",
  inputs: { course: "length", speed: "speed" },
  output: "time",
  source: "definition of speed",
  compute: ({ course, speed }) => num(course) / num(speed),
});

export const strideRule = rule({
  id: "stride-of-course",
  version: 1,
  title: "One stride",
  formula: "course / strides",
  inputs: { course: "length", strides: "count" },
  output: "length",
  source: "strides counted over a measured course (common practice)",
  compute: ({ course, strides }) => num(course) / num(strides),
});

export const beatOf = (stride: Source<"length">, speed: Source<"speed">, beats: Source<"count">): Derived<"time"> =>
  derive(beatRule, { stride, speed, beats });

export const courseTime = (course: Source<"length">, speed: Source<"speed">): Derived<"time"> =>
  derive(courseTimeRule, { course, speed });

/**
 * A beat that runs: the n-th of it falls on `start + n · every`, seconds of one clock. Each is worked out from the start, so that
 * nothing adds up however long it is walked to.
 */
export interface Beat {
  readonly start: number;
  /** Seconds. */
  readonly every: number;
  /** Every so many beats one is louder: a step among its swings. */
  readonly loud: number;
  /** Seconds from the start at which a mark of the course is passed; sounded apart from the beat. */
  readonly marks: readonly number[];
}

/** Something to be heard at a moment. */
export interface Sound {
  readonly at: number;
  readonly kind: "beat" | "loud" | "mark" | "end";
}

/** What sounds from one moment up to another, the latter left out; in order. */
export function soundsBetween({ start, every, loud, marks }: Beat, from: number, to: number): Sound[] {
  const sounds: Sound[] = [];
  const first = Math.max(0, Math.ceil((from - start) / every - 1e-9));
  for (let n = first; start + n * every < to; n += 1)
    sounds.push({ at: start + n * every, kind: n % loud === 0 ? "loud" : "beat" });
  marks.forEach((mark, i) => {
    const at = start + mark;
    if (at >= from && at < to) sounds.push({ at, kind: i === marks.length - 1 ? "end" : "mark" });
  });
  return sounds.sort((a, b) => a.at - b.at);
}

/** The moments at which the marks of a course are passed, its start left out: as many equal parts as there are. @param seconds for all of it */
export const marksAt = (seconds: number, parts: number): number[] =>
  Array.from({ length: parts }, (_, i) => ((i + 1) * seconds) / parts);

/** How far a mark was passed from its moment: below nought it was early. Within a twentieth of the time it is on the beat. */
export function againstMark(
  took: number,
  wanted: number,
): { readonly off: number; readonly say: "early" | "late" | "on the beat" } {
  const off = took - wanted;
  return { off, say: Math.abs(off) <= 0.05 * wanted ? "on the beat" : off < 0 ? "early" : "late" };
}
