import { expectNear } from "../testing/near";
import { entered } from "../quantity/parse";
import { quantity } from "../quantity/quantity";
import { expectedCatch } from "../calibration/expected-catch";
import { flowOf, outletFlowRule } from "../calibration/flow";
import { paceOf } from "../calibration/pace";
import { explain, explainAll, lineText, reading } from "./explain";
import { constant, derive, given, isDerived, kindOf, num } from "./rule";
import { read, readParts, unitFor } from "./units";

const s = (text: string) => entered(text, "time");
const RIG = { kind: "backpack", outlets: { count: 1 } } as const;

describe("the working", () => {
  test("each step once, however often it is used", () => {
    const flow = flowOf({ kind: "timed-catch", catches: [{ volume: entered("30 fl oz", "volume"), time: s("30 s") }] });
    expect(explainAll([flow, flow], "us").length).toBe(1);
  });

  test("long lists show their ends and how many there are", () => {
    const volumes = Array.from({ length: 12 }, (_, i) => given(entered(`${20 + i} fl oz`, "volume"), `outlet ${i + 1}`));
    const flow = derive(outletFlowRule, { volumes, time: given(s("30 s"), "time") });
    expect(lineText(explain(flow, "us")[0]!)).toBe(
      "Flow of all outlets = (20 fl oz + 21 fl oz + … 12 in all … + 31 fl oz) ÷ 30 s = 4.78 gal/min",
    );
  });

  test("what was entered is read as entered, what was worked out in the reader's units", () => {
    const flow = flowOf({ kind: "timed-catch", catches: [{ volume: entered("1 gal", "volume"), time: s("1:00") }] });
    expect(explain(flow, "metric").map(lineText)).toEqual(["Flow of the catch = 1 gal ÷ 1:00 = 3.79 L/min"]);
    expect(reading(constant("count", quantity("count", 3, ""), "loads"), "us")).toBe("3");
  });

  test("a line names its rule and source", () => {
    const flow = flowOf({ kind: "timed-catch", catches: [{ volume: entered("1 gal", "volume"), time: s("60 s") }] });
    expect(explain(flow, "us")[0]).toMatchObject({ rule: "catch-flow v1", source: "definition" });
    expect([isDerived(flow), kindOf(flow)]).toEqual([true, "flow"]);
  });
});

describe("the catch to expect", () => {
  // By hand: 1 gal per 1,000 sq ft on 250 sq ft in 62 s is 32 fl oz in those 62 s.
  test("is what the wanted spray volume takes for the time of the catch", () => {
    const pace = paceOf({ kind: "timed-area", area: entered("250 ft2", "area"), times: ["61 s", "63 s", "62 s"].map(s) }, RIG);
    const wanted = given(entered("1 gal/1000 ft2", "sprayVolume"), "wanted");
    const expected = (time: string) => num(expectedCatch(wanted, pace, given(s(time), "catch"))) / 29.5735295625;
    expectNear(expected("62 s"), 32, 1e-12);
    expectNear(expected("31 s"), 16, 1e-12);
  });
});

describe("the reader's units", () => {
  test.each([
    [12, "fl oz", "us", "12 fl oz"],
    [0.99, "gal", "us", "127 fl oz"],
    [1, "gal", "us", "1 gal"],
    [500, "mL", "metric", "500 mL"],
    [1, "L", "metric", "1 L"],
  ] as const)("%d %s reads %s as %s", (number, unit, system, text) =>
    expect(read(quantity("volume", number, unit), "volume", system)).toBe(text),
  );

  test("a number and its unit apart", () => {
    expect(readParts(quantity("sprayVolume", 1.0312, "gal/1000 ft2"), "sprayVolume", "us")).toEqual({
      number: "1.03",
      unit: "gal per 1,000 sq ft",
    });
    expect(unitFor(quantity("area", 3, "ha"), "area", "metric")).toBe("ha");
    expect(unitFor(quantity("mass", 6, "lb"), "mass", "us")).toBe("lb");
    expect(read(quantity("share", 12, "%"), "share", "us")).toBe("12 %");
  });
});
