import type { RigRules } from "@/rig-kinds/kind";

/** A kind of rig that nobody builds, for the test that adds one: a barrow with a line of outlets, pushed along. */
export const barrow: RigRules = {
  owner: "person",
  onFoot: true,
  driven: false,
  gun: false,
  spaced: true,
  head: false,
  methods: ["straight-course", "refill"],
  usual: { least: 1, most: 2, name: "a barrow" },
  possible: {
    pace: { least: 10, most: 900 },
    flow: { least: 0.04, most: 3 },
    swath: { least: 1, most: 12 },
    tank: { least: 3, most: 30 },
  },
};
