import { minutesToEmptyRule } from "../calibration/required-flow";
import { derive, num, rule, type Derived, type Source } from "../working/rule";

export const courseOfLoadRule = rule({
  id: "course-of-load",
  version: 1,
  title: "To walk with this load",
  formula: "covers / swath",
  inputs: { covers: "area", swath: "length" },
  output: "length",
  source: "a swath w over a length L treats w·L",
  compute: ({ covers, swath }) => num(covers) / num(swath),
});

/** How long a load lasts at the calibrated flow; null where the flow isn't known. */
export const lastsFor = (fillTo: Source<"volume">, flow: Source<"flow"> | null): Derived<"time"> | null =>
  flow && derive(minutesToEmptyRule, { usable: fillTo, flow });

/** The course that a load is walked or driven over: area over swath; null where the swath isn't known. */
export const courseOf = (covers: Source<"area">, swath: Source<"length"> | null): Derived<"length"> | null =>
  swath && derive(courseOfLoadRule, { covers, swath });
