import { ON_FOOT, type RigRules } from "../kind";

export const backpack: RigRules = {
  owner: "person",
  onFoot: true,
  driven: false,
  gun: false,
  spaced: false,
  head: false,
  methods: ["area-catch", "acre-128", "straight-course", "up-and-back", "speed-distance", "refill", "desk"],
  usual: { least: 1, most: 1, name: "a backpack" },
  possible: {
    pace: ON_FOOT,
    flow: { least: 0.04, most: 2 },
    swath: { least: 0.8, most: 9 },
    tank: { least: 0.5, most: 10 },
  },
};
