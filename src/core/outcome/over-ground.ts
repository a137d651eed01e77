import { num, nums, rule } from "../working/rule";

/** Ground that was covered, and what went down over it. */

export const groundCoveredRule = rule({
  id: "ground-covered",
  version: 1,
  title: "Ground covered",
  formula: "sum(passes)",
  inputs: { passes: ["area"] },
  output: "area",
  source: "what the first passes did; a second one over the same ground adds none",
  compute: ({ passes }) => nums(passes).reduce((sum, a) => sum + a, 0),
});

export const weightOverGroundRule = rule({
  id: "weight-over-ground",
  version: 1,
  title: "Put down",
  formula: "amount / ground",
  inputs: { amount: "mass", ground: "area" },
  output: "rateByWeight",
  source: "what left the tank of it, over the ground that was covered",
  compute: ({ amount, ground }) => num(amount) / num(ground),
});

export const volumeOverGroundRule = rule({
  id: "volume-over-ground",
  version: 1,
  title: "Put down",
  formula: "amount / ground",
  inputs: { amount: "volume", ground: "area" },
  output: "rateByVolume",
  source: "what left the tank of it, over the ground that was covered",
  compute: ({ amount, ground }) => num(amount) / num(ground),
});

export const weightInAllRule = rule({
  id: "weight-in-all",
  version: 1,
  title: "In all",
  formula: "sum(passes)",
  inputs: { passes: ["mass"] },
  output: "mass",
  source: "what each pass put down, added up",
  compute: ({ passes }) => nums(passes).reduce((sum, m) => sum + m, 0),
});

export const volumeInAllRule = rule({
  id: "volume-in-all",
  version: 1,
  title: "In all",
  formula: "sum(passes)",
  inputs: { passes: ["volume"] },
  output: "volume",
  source: "what each pass put down, added up",
  compute: ({ passes }) => nums(passes).reduce((sum, v) => sum + v, 0),
});
