import { ON_FOOT, type RigRules } from "../kind";

export const hoseEnd: RigRules = {
  owner: "tap",
  onFoot: true,
  driven: false,
  gun: false,
  spaced: false,
  head: true,
  methods: ["area-catch", "acre-128", "straight-course", "up-and-back", "refill", "head-flow"],
  possible: {
    pace: ON_FOOT,
    flow: { least: 0.3, most: 15 },
    swath: { least: 1.5, most: 25 },
    tank: { least: 0.03, most: 2 },
  },
};
