import { judgeGround, type GroundLimits, type GroundSeen } from "./ground";
import { toCelsius } from "./temperature";

const NOTHING: GroundSeen = { soil: null, series: null, highs: [] };
const F = toCelsius;

describe("what the ground and the days before say", () => {
  type Case = readonly [what: string, expected: readonly string[], seen: Partial<GroundSeen>, limits: GroundLimits];
  test.each<Case>([
    ["nothing is asked", [], { soil: 1, series: 40, highs: [50] }, {}],
    ["measured there, warm enough", [], { soil: F(50) }, { soilAtLeast: F(50) }],
    ["measured there, too cold", ["no soil-under-limit"], { soil: F(49) }, { soilAtLeast: F(50) }],
    ["measured there, too warm", ["no soil-over-limit"], { soil: F(71) }, { soilAtMost: F(70) }],
    ["what was measured there goes before the series", [], { soil: F(52), series: F(40) }, { soilAtLeast: F(50) }],
    ["by the series alone it is measured first", ["wait soil-under-limit"], { series: F(47) }, { soilAtLeast: F(50) }],
    ["by the series it is warm enough", [], { series: F(55) }, { soilAtLeast: F(50) }],
    ["nobody knows", ["wait not-known"], {}, { soilAtLeast: F(50) }],
    ["three days under 80", [], { highs: [F(79), F(80), F(70), F(99)] }, { days: { count: 3, atMost: F(80) } }],
    ["one of them over", ["wait days-over-limit"], { highs: [F(79), F(81), F(70)] }, { days: { count: 3, atMost: F(80) } }],
    ["one of them not measured", ["wait not-known"], { highs: [F(79), null, F(70)] }, { days: { count: 3, atMost: F(80) } }],
    [
      "one over says it, whatever else isn't known",
      ["wait days-over-limit"],
      { highs: [null, F(90)] },
      { days: { count: 3, atMost: F(80) } },
    ],
  ])("%s", (_what, expected, seen, limits) =>
    expect(judgeGround({ ...NOTHING, ...seen }, limits).map(({ verdict, code }) => `${verdict} ${code}`)).toEqual(expected),
  );
  test("the words stand in the reader's units", () => {
    const [soil] = judgeGround({ ...NOTHING, series: F(47) }, { soilAtLeast: F(50) });
    expect(soil!.text("us")).toBe("soil of 47 °F by the firm's series, 50 °F is the least: measure it there");
    expect(soil!.text("metric")).toBe("soil of 8 °C by the firm's series, 10 °C is the least: measure it there");
    const [days] = judgeGround({ ...NOTHING, highs: [F(84)] }, { days: { count: 3, atMost: F(80) } });
    expect(days!.text("us")).toBe("84 °F within the last 3 days, 80 °F is the most");
  });
});
