import fc from "fast-check";
import { entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { showChange, showDuration } from "../quantity/format";
import { expectNear } from "../testing/near";
import { constant, num } from "../working/rule";
import {
  heightOn,
  impliedSwath,
  nomogramFor,
  pressureForFlow,
  speedAtPace,
  throughLine,
  tipTicks,
  valueAt,
  walkablePace,
} from "./nomogram";
import { rankSetups } from "./planner";
import { tipFlow, TIP_SIZES, type TipChart } from "./tips";

const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe("the chart's sums are each other's inverse", () => {
  test("height and value", () => {
    fc.assert(
      fc.property(positive(15, 900), positive(0.06, 4), positive(0, 1), (seconds, gallons, height) => {
        const chart = nomogramFor(quantity("time", seconds, "s"), quantity("flow", gallons, "gal/min"));
        expect(heightOn(chart.pace, valueAt(chart.pace, height))).toBeCloseTo(height, 9);
        expect(heightOn(chart.flow, valueAt(chart.flow, height))).toBeCloseTo(height, 9);
      }),
    );
  });
  test("pace, speed and swath; the walkable pace is that of 4.5 mph", () => {
    fc.assert(
      fc.property(positive(10, 900), positive(1, 20), (seconds, feet) => {
        const [pace, swath] = [quantity("time", seconds, "s"), quantity("length", feet, "ft")];
        expectNear(valueIn(impliedSwath(pace, speedAtPace(pace, swath)), "ft"), feet, 1e-12);
        expectNear(valueIn(speedAtPace(walkablePace(swath), swath), "mph"), 4.5, 1e-12);
      }),
    );
  });
  test("the pressure that takes one flow to another gives that flow by the law", () => {
    fc.assert(
      fc.property(positive(15, 60), positive(0.05, 2), positive(0.5, 2), (psi, gallons, times) => {
        const [p, f] = [quantity("pressure", psi, "psi"), quantity("flow", gallons, "gal/min")];
        const to = pressureForFlow(p, f, quantity("flow", gallons * times, "gal/min"));
        expectNear(Math.sqrt(valueIn(to, "psi") / psi), times, 1e-12);
      }),
    );
  });
  test("the middle of the line is the equation's", () => {
    const q = throughLine(quantity("time", 34.4, "s"), quantity("flow", 4, "gal/min"));
    expect(valueIn(q, "gal/1000 ft2")).toBeCloseTo(2.293, 3);
  });
});

test("the ticks of tips and the planner go by the same law as a desk estimate", () => {
  const psi = quantity("pressure", 30, "psi");
  const scale = nomogramFor(quantity("time", 60, "s"), quantity("flow", 0.3, "gal/min")).flow;
  for (const { size, height } of tipTicks(scale, psi, 2))
    expect(height).toBeCloseTo(heightOn(scale, tipFlow(size, constant("pressure", psi, "p"), 2).value), 12);
  // A chart that says otherwise than the law is what counts for its tip, in the planner too.
  const chart: TipChart = {
    size: "025",
    rows: [{ pressure: entered("30 psi", "pressure"), flow: entered("0.24 gal/min", "flow") }],
  };
  const rank = (tips: readonly { size: string; chart?: TipChart }[]) =>
    rankSetups({
      count: 1,
      swath: quantity("length", 3, "ft"),
      onFoot: true,
      area: quantity("area", 4000, "ft2"),
      usable: quantity("volume", 4, "gal"),
      refill: quantity("time", 5, "min"),
      wanted: { least: quantity("sprayVolume", 0.9, "gal/1000 ft2"), most: quantity("sprayVolume", 1.1, "gal/1000 ft2") },
      tips,
      pressures: [psi],
      fastest: quantity("speed", 3, "mph"),
    });
  const bare = rank([{ size: "025" }])[0]!;
  expectNear(
    valueIn(bare.flow, "gal/min"),
    num(tipFlow("025", constant("pressure", psi, "p"), 1)) / num(constant("flow", quantity("flow", 1, "gal/min"), "one")),
    1e-12,
  );
  expectNear(valueIn(rank([{ size: "025", chart }])[0]!.flow, "gal/min"), 0.24, 1e-12);
  expect(TIP_SIZES).toContain("025");
});

describe("words for a time and for a change", () => {
  test.each([
    [42.54, "42.5 s"],
    [119.94, "119.9 s"],
    [450, "7 min 30 s"],
    [3599, "59 min 59 s"],
    [3900, "1 h 05 min"],
  ])("%d s is %s", (seconds, text) => expect(showDuration(quantity("time", seconds, "s"))).toBe(text));
  test.each([
    [0.038, "+3.8 %"],
    [-0.128, "−13 %"],
    [0, "+0 %"],
  ])("%d is %s", (part, text) => expect(showChange(part)).toBe(text));
});
