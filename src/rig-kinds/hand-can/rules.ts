import { ON_FOOT, type RigRules } from "../kind";

export const handCan: RigRules = {
  owner: "person",
  onFoot: true,
  driven: false,
  gun: false,
  spaced: false,
  head: false,
  methods: ["area-catch", "acre-128", "straight-course", "up-and-back", "refill", "desk"],
  usual: { least: 2, most: 4, name: "a hand can" },
  possible: {
    pace: ON_FOOT,
    flow: { least: 0.03, most: 2 },
    swath: { least: 0.6, most: 9 },
    tank: { least: 0.1, most: 5 },
  },
};
