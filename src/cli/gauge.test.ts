import { spawnSync } from "node:child_process";
import { expectNear } from "@/core/testing/near";
import { run } from "./gauge";

const job = (more: object = {}) =>
  JSON.stringify({
    format: "careful-gauge-job",
    version: 2,
    rig: { kind: "backpack", tanks: [{ usable: "4 gal", leastMix: "0.5 gal" }], tip: { size: "025", pressure: "40 psi" } },
    calibration: {
      pace: { kind: "timed-area", area: "250 ft2", times: ["61 s", "63 s", "62 s"] },
      flow: { kind: "timed-catch", catches: [{ volume: "33 fl oz", time: "62 s" }] },
    },
    products: [
      { name: "Demo granule", form: "dry", rate: "0.3 oz/1000 ft2", price: { amount: 64, currency: "USD", per: "80 oz" } },
    ],
    sites: [{ name: "Ferry green", zones: [{ area: "6200 ft2" }, { area: "1800 ft2" }] }],
    ...more,
  });

const result = (command: string, text: string) => {
  const { out, err, exit } = run(command, text);
  expect({ err, exit }).toEqual({ err: "", exit: 0 });
  return JSON.parse(out);
};

describe("calibrate", () => {
  test("the whole result, against the sum done by hand", () => {
    const made = result("calibrate", job());
    // 33 fl oz / 62 s × 62 s / 250 sq ft = 132 fl oz per 1,000 = 1.03125 gal
    expect(Object.keys(made)).toEqual([
      "format",
      "version",
      "sprayVolume",
      "perAcre",
      "flow",
      "timePer1000",
      "speed",
      "uncertainty",
      "trials",
      "againstTarget",
      "remedies",
      "hoseEnd",
      "warnings",
      "working",
    ]);
    expect(made).toMatchObject({
      format: "careful-gauge-calibration",
      version: 1,
      speed: null,
      againstTarget: null,
      remedies: [],
      hoseEnd: null,
    });
    expect(made.sprayVolume).toEqual({ value: expect.closeTo(1.03125, 12), unit: "gal/1000 ft2" });
    expectNear(made.perAcre.value, 1.03125 * 43.56, 1e-12);
    expectNear(made.flow.value, (33 / 128 / 62) * 60, 1e-12);
    expectNear(made.timePer1000.value, 248, 1e-12);
    expect(made.trials).toEqual([
      { of: "pace", count: 3, spread: expect.closeTo(2 / 62, 12) },
      { of: "flow", count: 1, spread: null },
    ]);
    expect(made.warnings.map((w: { code: string }) => w.code)).toEqual(["single-trial"]);
    expect(made.working.at(-1)).toBe("Spray volume = 31.9 fl oz/min × 62.0 s ÷ 250 sq ft = 1.03 gal per 1,000 sq ft");
  });

  test("a spray volume taken as given", () => {
    const made = result("calibrate", job({ calibration: { sprayVolume: "2 gal/1000 ft2" } }));
    expect(made).toMatchObject({ flow: null, timePer1000: null, speed: null, uncertainty: null, trials: [] });
    expectNear(made.sprayVolume.value, 2, 1e-15);
  });

  test("direct evidence has no flow and no pace", () => {
    const made = result(
      "calibrate",
      job({ calibration: { used: [{ area: "100 ft2", start: "96 fl oz", remaining: "60 fl oz" }] } }),
    );
    expectNear(made.sprayVolume.value, 360 / 128, 1e-12);
    expect(made).toMatchObject({ flow: null, timePer1000: null, trials: [{ of: "used", count: 1, spread: null }] });
  });

  test("against a target, with all four levers where it is missed", () => {
    const calibration = {
      pace: { kind: "speed", speed: "3 mph", swath: "5 ft" },
      flow: { kind: "metered-flow", whole: "0.33 gal/min" },
      target: "0.3 gal/1000 ft2",
    };
    const made = result("calibrate", job({ calibration }));
    const q = (0.33 / (3 * 88 * 5)) * 1000;
    expectNear(made.againstTarget.ratio, q / 0.3, 1e-12);
    expect(made.remedies.map((r: { lever: string }) => r.lever)).toEqual(["pressure", "tip", "speed", "remix"]);
    expect(made.remedies[0].setTo).toEqual({ value: expect.closeTo(40 * (0.3 / q) ** 2, 9), unit: "psi" });
    expect(made.remedies[2].setTo).toEqual({ value: expect.closeTo(3 / (0.3 / q), 9), unit: "mph" });
    expect(made.remedies[3].setTo).toEqual({ value: expect.closeTo(4000 / q, 6), unit: "ft2" });
    expect(
      result("calibrate", job({ calibration: { ...calibration, target: `${q.toFixed(6)} gal/1000 ft2` } })).remedies,
    ).toEqual([]);
  });
});

describe("calibrate, in full", () => {
  const speed = (mph: string) => ({ kind: "speed", speed: mph, swath: "5 ft" });
  const codes = (made: { warnings: { code: string }[] }) => made.warnings.map((w) => w.code);

  // Size 025 at 20 psi: 0.177 gal/min (square-root law, extension handbooks from memory).
  test("a tip chart is an estimate, and says so", () => {
    const rig = { kind: "boom", outlets: { count: 12, spacing: "20 in" }, tip: { size: "025", pressure: "20 psi" } };
    const made = result(
      "calibrate",
      job({ rig, calibration: { pace: { kind: "speed", speed: "3.0 mph" }, flow: { kind: "tip-chart" } } }),
    );
    expect(made.flow.value / 12).toBeCloseTo(0.177, 3);
    // gal/ac = 5,940 × gal/min ÷ (mph × in)
    expectNear(made.perAcre.value, (5940 * 0.25 * Math.sqrt(0.5)) / (3 * 20), 1e-12);
    expect(codes(made)).toContain("estimate-only");
    expect(made.uncertainty.largest).toBe("the rated flow of the tip");
  });
  test.each([
    [{ kind: "backpack" }, ["rig.tip.size: missing", "rig.tip.pressure: missing"]],
    [{ kind: "backpack", tip: { size: "025" } }, ["rig.tip.pressure: missing"]],
    [{ kind: "backpack", tip: { size: "00", pressure: "40 psi" } }, ["rig.tip.size: "]],
  ])("a chart needs the tip and its pressure: %j", (rig, places) => {
    const { err, exit } = run("calibrate", job({ rig, calibration: { pace: speed("3 mph"), flow: { kind: "tip-chart" } } }));
    expect(exit).toBe(2);
    for (const place of places) expect(err).toContain(place);
  });

  test("a target that is missed: four levers, each with the reading to expect", () => {
    const pace = { kind: "timed-run", distance: "200 ft", swath: "5 ft", times: ["60 s", "60 s"] };
    const flow = { kind: "metered-flow", whole: "0.25 gal/min" };
    const made = result("calibrate", job({ calibration: { pace, flow, target: "0.3 gal/1000 ft2" } }));
    expectNear(made.sprayVolume.value, 0.25, 1e-12);
    const lever = (name: string) => made.remedies.find((r: { lever: string }) => r.lever === name);
    expect(lever("pressure")).toMatchObject({ feasible: true, setTo: { value: expect.closeTo(57.6, 9), unit: "psi" } });
    expect(lever("pressure").expect).toEqual({ value: expect.closeTo(0.3, 12), unit: "gal/min" });
    expect(lever("tip")).toMatchObject({ feasible: true, setTo: "03" });
    expect(lever("speed").setTo).toEqual({ value: expect.closeTo(200 / 60 / (88 / 60) / 1.2, 9), unit: "mph" });
    expect(lever("speed").expect).toEqual({ value: expect.closeTo(72, 9), unit: "s" });
    expect(lever("remix").setTo).toEqual({ value: expect.closeTo(16_000, 6), unit: "ft2" });
  });

  const hoseEnd = (head: object, more: object = {}) =>
    job({
      rig: { kind: "hose-end", tanks: [{ usable: "12 fl oz" }], head },
      calibration: {
        pace: { kind: "timed-area", area: "1000 ft2", times: ["60 s", "60 s"] },
        flow: {
          kind: "timed-catch",
          catches: [
            { volume: "2.5 gal", time: "60 s" },
            { volume: "2.5 gal", time: "60 s" },
          ],
        },
      },
      products: [{ name: "Demo wetter", form: "liquid", rate: "4 fl oz/1000 ft2" }],
      ...more,
    });
  // Check values of hose-end heads: common practice.
  test("a metered head: 160 : 1, 2 min for 4 fl oz", () => {
    const made = result("calibrate", hoseEnd({ kind: "metered", feed: "2 fl oz/min" }));
    expect(made.hoseEnd.productFlow).toEqual({ value: expect.closeTo(2, 9), unit: "fl oz/min" });
    expectNear(made.hoseEnd.dilution, 160, 1e-9);
    expect(made.hoseEnd.timePer1000).toEqual({ value: expect.closeTo(120, 9), unit: "s" });
    expectNear(made.hoseEnd.overdose, 0.5, 1e-9);
  });
  test("the dial set to the label's number: gone in 24 s, 2.5 times too much", () => {
    const made = result("calibrate", hoseEnd({ kind: "dial", setting: "4 fl oz/gal" }));
    expectNear(made.hoseEnd.timePer1000.value, 24, 1e-9);
    expectNear(made.hoseEnd.overdose, 2.5, 1e-9);
    expect(codes(made)).toEqual(expect.arrayContaining(["pace-far-from-label", "dial-is-label-number"]));
  });
  test("a diluted jar multiplies the time: 2 min 24 s", () => {
    const head = { kind: "dial", setting: "2 fl oz/gal", jar: { product: "8 fl oz", water: "4 fl oz" } };
    const products = [{ name: "Demo wetter", form: "liquid", rate: "8 fl oz/1000 ft2" }];
    expectNear(result("calibrate", hoseEnd(head, { products })).hoseEnd.timePer1000.value, 144, 1e-9);
  });
  test("without a rate or a pace there is no time and no overdose", () => {
    const made = result("calibrate", hoseEnd({ kind: "dial", setting: "2 fl oz/gal" }, { products: undefined }));
    expect(made.hoseEnd).toMatchObject({ timePer1000: null, overdose: null });
    const given = result(
      "calibrate",
      hoseEnd({ kind: "dial", setting: "2 fl oz/gal" }, { calibration: { sprayVolume: "2.5 gal/1000 ft2" } }),
    );
    expect(given.hoseEnd).toEqual({ productFlow: null, dilution: null, timePer1000: null, overdose: null });
  });
  test("in a mix a load is a jar: product and water in its ratio", () => {
    const head = { kind: "dial", setting: "2 fl oz/gal", jar: { product: "8 fl oz", water: "4 fl oz" } };
    const sites = [{ name: "Beds", zones: [{ area: "5000 ft2" }] }];
    // At 2 fl oz a gallon, two thirds of it product, 4 fl oz take 72 s.
    const pace = { kind: "timed-area", area: "1000 ft2", times: ["72 s", "72 s"] };
    const flow = { kind: "timed-catch", catches: [{ volume: "2.5 gal", time: "60 s" }] };
    const plan = result("mix", hoseEnd(head, { sites, calibration: { pace, flow } }));
    // 4 fl oz per 1,000 on 5,000 sq ft are 20 fl oz of product, 30 with their water: two jars of 12 and one of 6.
    expect(plan.sites[0].loads.map((l: { fillTo: { value: number } }) => l.fillTo.value * 128)).toEqual(
      [12, 12, 6].map((n) => expect.closeTo(n, 9)),
    );
    expect(plan.sites[0].loads[0].products).toEqual([
      { name: "Demo wetter", amount: { value: expect.closeTo(8, 9), unit: "fl oz" } },
    ]);
    expect(plan.sites[0].loads[0].covers).toEqual({ value: expect.closeTo(2000, 6), unit: "ft2" });
    expect(plan.tankCoverage).toEqual({ value: expect.closeTo(2000, 6), unit: "ft2" });
    expect(plan.sprayVolume.value).toBeCloseTo(3, 9);
    expect(plan.sites[0].spray.value).toBeCloseTo(15, 9);
  });
  test("two products don't go into an undiluted jar, nor does a strength", () => {
    const head = { kind: "dial", setting: "2 fl oz/gal" };
    const one = { name: "A", form: "liquid", rate: "4 fl oz/1000 ft2" };
    expect(run("mix", hoseEnd(head, { products: [one, { ...one, name: "B" }] })).err).toMatch(
      /^products\[1\]\.rate: .*nothing fits into an undiluted jar/,
    );
    expect(run("mix", hoseEnd(head, { products: [{ ...one, rate: "1 fl oz/gal" }] })).err).toMatch(/^products\[0\]\.rate: /);
  });
});

describe("mix", () => {
  test("the whole result, against the sum done by hand", () => {
    const made = result("mix", job({ calibration: { sprayVolume: "1.5 gal/1000 ft2" } }));
    expect(Object.keys(made)).toEqual([
      "format",
      "version",
      "status",
      "notJudged",
      "reasons",
      "sprayVolume",
      "tankCoverage",
      "sites",
      "warnings",
      "working",
    ]);
    expect(made).toMatchObject({ format: "careful-gauge-mix", status: "ready", reasons: [] });
    expectNear(made.tankCoverage.value, 4000 / 1.5, 1e-12);
    const [site] = made.sites;
    // 8,000 sq ft × 1.5 gal per 1,000 = 12 gal: three full loads of 4
    expect(site.loads.map((l: { fillTo: { value: number } }) => l.fillTo.value)).toEqual(
      [4, 4, 4].map((n) => expect.closeTo(n, 12)),
    );
    expectNear(site.loads[0].products[0].amount.value, 0.3 * (4 / 1.5), 1e-12);
    expect(site.products).toEqual([
      {
        name: "Demo granule",
        total: { value: expect.closeTo(2.4, 12), unit: "oz" },
        cost: { value: expect.closeTo(1.92, 12), currency: "USD" },
      },
    ]);
    expect(made.warnings.map((w: { code: string }) => w.code)).toEqual(["given"]);
  });

  test("liquids in fl oz, equal loads, another tank", () => {
    const made = result(
      "mix",
      job({
        calibration: { sprayVolume: "1 gal/1000 ft2" },
        rig: {
          kind: "boom",
          tanks: [
            { name: "front", usable: "100 gal" },
            { name: "rear", usable: "3 gal" },
          ],
        },
        tank: "rear",
        loads: "equal",
        products: [{ name: "L", form: "liquid", rate: "2 pt/ac" }],
      }),
    );
    expect(made.sites[0].loads.map((l: { fillTo: { value: number } }) => l.fillTo.value)).toEqual(
      [8 / 3, 8 / 3, 8 / 3].map((n) => expect.closeTo(n, 12)),
    );
    expect(made.sites[0].products[0]).toEqual({
      name: "L",
      total: { value: expect.closeTo((32 * 8000) / 43560, 12), unit: "fl oz" },
      cost: null,
    });
  });

  test("needs a tank and products, and says so all at once", () => {
    const { err, exit, out } = run(
      "mix",
      JSON.stringify({
        format: "careful-gauge-job",
        version: 2,
        rig: { kind: "backpack" },
        calibration: { sprayVolume: "1 gal/1000 ft2" },
      }),
    );
    expect({ exit, out }).toEqual({ exit: 2, out: "" });
    expect(err.split("\n").map((l) => l.split(":")[0])).toEqual(["rig.tanks", "products"]);
  });
});

test("an unknown command says how it is used", () =>
  expect(run("measure", "{}")).toMatchObject({ out: "", exit: 2, err: expect.stringContaining("usage") }));

describe("as a command", () => {
  const gauge = (args: string[], input = "") =>
    spawnSync("npm", ["run", "--silent", "gauge", "--", ...args], {
      input,
      encoding: "utf8",
      env: { ...process.env, npm_config_loglevel: "silent" },
    });
  test("reads standard input, prints one JSON object, exit 0", () => {
    const { stdout, status } = gauge(["calibrate", "-"], job());
    expect(status).toBe(0);
    expectNear(JSON.parse(stdout).sprayVolume.value, 1.03125, 1e-12);
  });
  test("bad input: nothing on standard output, the place on standard error, exit 2", () => {
    const { stdout, stderr, status } = gauge(["mix", "-"], job({ tnak: "main" }));
    expect({ stdout, status }).toEqual({ stdout: "", status: 2 });
    expect(stderr.trim()).toBe(`tnak: not a key of the format, did you mean "tank"?`);
  });
  test("a file that isn't there", () => {
    const { stdout, stderr, status } = gauge(["mix", "no-such-file.json"]);
    expect({ stdout, status }).toEqual({ stdout: "", status: 2 });
    expect(stderr).toMatch(/no-such-file\.json: can't be read \(ENOENT\)/);
  });
});
