import type { RigRules } from "../kind";

export const boom: RigRules = {
  owner: "rig",
  onFoot: false,
  driven: true,
  gun: false,
  spaced: true,
  head: false,
  methods: ["acre-128-boom", "speed-distance", "known-speed", "refill", "desk", "straight-course-boom"],
  usual: { least: 0.5, most: 0.5, name: "a boom" },
  possible: {
    pace: { least: 0.5, most: 400 },
    flow: { least: 0.04, most: 3 },
    swath: { least: 1.5, most: 130 },
    tank: { least: 2, most: 3000 },
  },
};
