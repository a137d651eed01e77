/** The methods of calibrating, by name: what each is stands in methods.ts, which kind of rig has which in rig-kinds. */
export const METHOD_IDS = [
  "area-catch",
  "acre-128",
  "acre-128-boom",
  "straight-course",
  "up-and-back",
  "speed-distance",
  "known-speed",
  "refill",
  "desk",
  "head-flow",
  "straight-course-boom",
] as const;
export type MethodId = (typeof METHOD_IDS)[number];
