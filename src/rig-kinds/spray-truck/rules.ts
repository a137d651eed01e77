import { ON_FOOT, type RigRules } from "../kind";

export const sprayTruck: RigRules = {
  owner: "person",
  onFoot: true,
  driven: true,
  gun: true,
  spaced: false,
  head: false,
  methods: ["area-catch", "acre-128", "straight-course", "up-and-back", "speed-distance", "known-speed", "refill", "desk"],
  usual: { least: 2, most: 4, name: "a gun and hose" },
  possible: {
    pace: ON_FOOT,
    flow: { least: 0.3, most: 20 },
    swath: { least: 1.5, most: 25 },
    tank: { least: 5, most: 3000 },
  },
};
