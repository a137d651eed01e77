import tQuantile from "@stdlib/stats-base-dists-t-quantile";
import { entered } from "../quantity/parse";
import { expectNear } from "../testing/near";
import type { Evidence, RigBasics } from "./evidence";
import { coverageFactor } from "./student";
import { agreement, trialStats } from "./trials";
import { combine, PRESS, readingLimit, TAPE, uncertaintyOf } from "./uncertainty";

const RIG: RigBasics = { kind: "backpack", outlets: { count: 1 } };
const evidence = (times: string[], catches: [string, string][]): Evidence => ({
  kind: "timed",
  pace: { kind: "timed-area", area: entered("250 ft2", "area"), times: times.map((t) => entered(t, "time")) },
  flow: { kind: "timed-catch", catches: catches.map(([v, t]) => ({ volume: entered(v, "volume"), time: entered(t, "time") })) },
});

describe("Student's t, two-sided 95 %", () => {
  // JCGM 100:2008 (GUM), annex G, table G.2 (values from memory) against an independent implementation of the distribution.
  test.each(Array.from({ length: 30 }, (_, i) => i + 1))("%d degrees of freedom", (freedom) => {
    expect(coverageFactor(freedom)).toBeCloseTo(tQuantile(0.975, freedom), 3);
  });
  test("between the table's rows the wider is taken, so no band is too narrow", () => {
    for (let freedom = 1; freedom < 300; freedom += 0.25)
      expect(coverageFactor(freedom)).toBeGreaterThanOrEqual(tQuantile(0.975, freedom < 1 ? 1 : Math.ceil(freedom)) - 6e-4);
    expect(coverageFactor(Infinity)).toBeCloseTo(1.96, 2);
  });
});

describe("trial statistics", () => {
  test("mean, spread and variance against a worked example", () => {
    // By hand: 61, 63, 62 → mean 62, spread 2/62, variance 1.
    const stats = trialStats([61, 63, 62]);
    expectNear(stats.mean, 62);
    expectNear(stats.spread!, 2 / 62);
    expectNear(stats.variance!, 1);
  });
  test("one trial has no spread; none is an error", () => {
    expect(trialStats([5])).toMatchObject({ count: 1, mean: 5, spread: null, variance: null });
    expect(() => trialStats([])).toThrow(RangeError);
  });
  test.each([
    [null, "single"],
    [0.05, "good"],
    [0.0501, "wide"],
    [0.1, "wide"],
    [0.101, "disagree"],
  ] as const)("a spread of %p is %s", (spread, word) => expect(agreement(spread)).toBe(word));
});

describe("uncertainty of a spray volume", () => {
  test("worked by hand: three walks that scatter, three catches that don't", () => {
    const { relative, largest } = uncertaintyOf(
      evidence(
        ["60 s", "64 s", "62 s"],
        [
          ["33 fl oz", "62 s"],
          ["33 fl oz", "62 s"],
          ["33 fl oz", "62 s"],
        ],
      ),
      RIG,
    )!;
    const walk = 4 / 3 / 62 ** 2; // s² = 4, n = 3
    const reading = (0.5 ** 2 / 3 / 33 ** 2 + (2 * (PRESS ** 2 / 3)) / 62 ** 2) / 3;
    const tape = (2 * TAPE ** 2) / 3;
    const variance = walk + reading + tape;
    const freedom = variance ** 2 / (walk ** 2 / 2);
    expectNear(relative, coverageFactor(freedom) * Math.sqrt(variance), 1e-12);
    expect(largest).toBe("walk-scatter");
  });

  test("two trials honestly give a wider band than three with the same scatter", () => {
    const two = uncertaintyOf(
      evidence(
        ["60 s", "64 s"],
        [
          ["33 fl oz", "62 s"],
          ["33 fl oz", "62 s"],
        ],
      ),
      RIG,
    )!;
    const three = uncertaintyOf(
      evidence(
        ["60 s", "64 s", "62 s"],
        [
          ["33 fl oz", "62 s"],
          ["33 fl oz", "62 s"],
        ],
      ),
      RIG,
    )!;
    expect(two.relative).toBeGreaterThan(2 * three.relative);
  });

  test("a single trial never looks better than three good ones, and names itself", () => {
    const one = uncertaintyOf(evidence(["62 s"], [["33 fl oz", "62 s"]]), RIG)!;
    const three = uncertaintyOf(
      evidence(
        ["61 s", "62 s", "62 s"],
        [
          ["33 fl oz", "62 s"],
          ["33 fl oz", "62 s"],
          ["33.4 fl oz", "62 s"],
        ],
      ),
      RIG,
    )!;
    expect(one.relative).toBeGreaterThan(three.relative);
    expect(one.largest).toMatch(/single/);
  });

  test("where trials agree to the watch's own error, that error is taken in place of their scatter", () => {
    const { parts } = uncertaintyOf(
      evidence(
        ["62.00 s", "62.01 s", "62.00 s"],
        [
          ["33 fl oz", "62 s"],
          ["34 fl oz", "62 s"],
        ],
      ),
      RIG,
    )!;
    expect(parts.map((p) => p.part)).toEqual(["walk-stopwatch", "tape", "catch-scatter"]);
    expectNear(parts[0]!.variance, (2 * PRESS ** 2) / 3 / 3 / 62 ** 2, 1e-3);
  });

  test("half a graduation, finer where it was typed finer", () => {
    const inFlOz = (text: string) => readingLimit(entered(text, "volume")) / 29.5735295625;
    expectNear(inFlOz("33 fl oz"), 0.5);
    expectNear(inFlOz("33.5 fl oz"), 0.05);
    expectNear(inFlOz("4 gal"), 8);
    expectNear(readingLimit(entered("500 mL", "volume")), 5);
    expectNear(readingLimit(entered("505 mL", "volume")), 0.5);
  });

  test("a swath's soft edges are the largest part of a narrow course", () => {
    const run: Evidence = {
      kind: "timed",
      pace: {
        kind: "timed-run",
        distance: entered("200 ft", "length"),
        swath: entered("3 ft", "length"),
        times: ["60.0 s", "60.4 s", "60.2 s"].map((t) => entered(t, "time")),
      },
      flow: {
        kind: "timed-catch",
        catches: [
          ["64 fl oz", "60 s"],
          ["64 fl oz", "60 s"],
          ["64.5 fl oz", "60 s"],
        ].map(([v, t]) => ({ volume: entered(v!, "volume"), time: entered(t!, "time") })),
      },
    };
    const { largest, parts } = uncertaintyOf(run, RIG)!;
    expect(largest).toBe("swath-edges");
    expectNear(parts.find((p) => p.part === "swath-edges")!.variance, (2 * 0.25 ** 2) / 3 / 9, 1e-12);
  });

  test("none where the spray volume was given", () =>
    expect(uncertaintyOf({ kind: "given", sprayVolume: entered("1 gal/1000 ft2", "sprayVolume") }, RIG)).toBeNull());

  test("Welch–Satterthwaite: equal parts of n − 1 freedom each add their freedoms", () => {
    // GUM G.4.1: with equal variances ν_eff = N·ν.
    const part = { part: "walk-scatter", variance: 1e-4, freedom: 2 } as const;
    expectNear(combine([part, part]).relative, coverageFactor(4) * Math.sqrt(2e-4), 1e-12);
  });
});

describe("practice goes into the ± of a person's walks", () => {
  const walks = evidence(
    ["62 s", "64 s"],
    [
      ["33 fl oz", "62 s"],
      ["33.2 fl oz", "62 s"],
    ],
  );
  const alone = uncertaintyOf(walks, RIG)!;
  const share = (made: typeof alone, part: string) => made.parts.find((p) => p.part === part);

  test("pooled by hand: two walks and eight practised ones of 2 %", () => {
    const made = uncertaintyOf(walks, RIG, { practised: { variance: 0.02 ** 2, freedom: 7 } })!;
    // (62, 64): variance 2 about 63, one degree of freedom.
    const pooled = (2 / 63 ** 2 + 7 * 0.02 ** 2) / 8 / 2;
    expect(share(made, "walk-practice")).toMatchObject({ freedom: 8 });
    expect(share(made, "walk-practice")!.variance).toBeCloseTo(pooled, 12);
    expect(share(alone, "walk-practice")).toBeUndefined();
  });
  test("two walks alone give a wide band; who has practised has a narrower one", () => {
    const made = uncertaintyOf(walks, RIG, { practised: { variance: 0.015 ** 2, freedom: 12 } })!;
    expect(made.relative).toBeLessThan(alone.relative);
  });
  test("a single walk stands on what practice showed, a wide scatter makes it wide", () => {
    const single = evidence(["62 s"], [["33 fl oz", "62 s"]]);
    const steady = uncertaintyOf(single, RIG, { practised: { variance: 0.01 ** 2, freedom: 9 } })!;
    const wild = uncertaintyOf(single, RIG, { practised: { variance: 0.09 ** 2, freedom: 9 } })!;
    expect(share(steady, "walk-single")).toBeUndefined();
    expect(wild.relative).toBeGreaterThan(steady.relative);
  });
});
