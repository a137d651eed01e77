import { valueIn } from "@/core/quantity/quantity";
import type { TipEntry } from "@/formats/entries";
import { RIG } from "../testing/show";
import { backwardsOf } from "./backwards-of";
import { EMPTY_WISH } from "./wish";

const wish = (more: object) => ({ ...EMPTY_WISH, ...more });
const BOOM = { ...RIG, rig: { ...RIG.rig, kind: "boom" as const, outlets: { count: 12, spacing: "20 in" } } };

describe("working backwards from a wish", () => {
  // gal/min = GPA × mph × in ÷ 5,940 (extension handbooks, from memory).
  test("a boom's outlet has its spacing to itself", () => {
    const worked = backwardsOf(wish({ sprayVolume: "20 gal/ac", speed: "3 mph" }), BOOM);
    expect(valueIn(worked.flow!.value, "gal/min")).toBeCloseTo(0.202, 3);
    expect(worked.tips[0]).toMatchObject({ size: "02", works: true });
    expect(valueIn(worked.tips[0]!.needs, "psi")).toBeCloseTo(40 * (1.2 / 5.94 / 0.2) ** 2, 1);
  });
  test("a swath that was measured is shared by a boom's outlets", () => {
    // 12 outlets at 20 in are 20 ft; measured as 18 ft each has 18 in: nine tenths of the flow.
    const flow = (swath: string) =>
      valueIn(backwardsOf(wish({ sprayVolume: "20 gal/ac", speed: "3 mph", swath }), BOOM).flow!.value, "gal/min");
    expect(flow("20 ft")).toBeCloseTo(flow(""), 12);
    expect(flow("18 ft") / flow("")).toBeCloseTo(0.9, 12);
  });
  test("a tip works where its own chart says so, and those that do come first", () => {
    const row = (pressure: string) => ({ pressure, flow: "0.2 gal/min" });
    const chart = {
      id: "tip-1",
      name: "Drum",
      tip: { name: "Drum", size: "02", rows: [row("60 psi"), row("90 psi")] },
      retired: false,
    };
    const worked = backwardsOf(wish({ sprayVolume: "20 gal/ac", speed: "3 mph" }), BOOM, [chart as unknown as TipEntry]);
    // It would need 41 psi: under what its chart holds.
    expect(worked.tips.find(({ size }) => size === "02")).toMatchObject({ works: false });
    expect(worked.tips[0]).toMatchObject({ works: true });
    expect(worked.tips.map(({ works }) => works)).toEqual(
      [...worked.tips].map(({ works }) => works).sort((a, b) => Number(b) - Number(a)),
    );
  });
  test("a single outlet has the swath", () => {
    const worked = backwardsOf(wish({ sprayVolume: "1 gal/1000 ft2", speed: "2 mph", swath: "5 ft" }), RIG);
    expect(valueIn(worked.flow!.value, "gal/min")).toBeCloseTo((2 * 88 * 5) / 1000, 9);
  });
  // 100 gal do an acre: 2.296 gal per 1,000; 4 gal/min take 34.4 s (common practice).
  test("a round coverage with a known flow is solved for pace and speed", () => {
    const worked = backwardsOf(wish({ kind: "coverage", flow: "4 gal/min", swath: "12 ft" }), RIG);
    expect(valueIn(worked.sprayVolume!.value, "gal/1000 ft2")).toBeCloseTo(2.296, 3);
    expect(valueIn(worked.pace!.value, "s")).toBeCloseTo(34.4, 1);
    // 12 ft of swath: 1,000 sq ft are 83.3 ft of way.
    expect(valueIn(worked.speed!.value, "ft/min")).toBeCloseTo(1000 / 12 / (34.43 / 60), 0);
    expect(worked.flow).toBeUndefined();
  });
  test("what can't be read yet leaves the rest as it is", () => {
    expect(backwardsOf(wish({ sprayVolume: "a lot" }), RIG)).toMatchObject({
      sprayVolume: undefined,
      flow: undefined,
      tips: [],
      sources: [],
    });
    expect(backwardsOf(wish({ speed: "" }), BOOM).flow).toBeUndefined();
    expect(backwardsOf(wish({ swath: "" }), RIG).flow).toBeUndefined();
  });
});
