import { readdirSync, readFileSync } from "node:fs";
import Ajv2020 from "ajv/dist/2020";
import fc from "fast-check";
import { lineFor } from "@/core/issue";
import { EXAMPLE } from "@/testing/job-example";
import { readJob, readJobText } from "./read";
import { jobFileSchema } from "./schema";
import { shapeFaults } from "./shapes";

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** The example with something changed: a path such as "rig.tanks.0.usable" and what is put there; undefined removes. */
function changed(path: string, value: unknown): unknown {
  const copy = structuredClone(EXAMPLE) as unknown as Record<string, unknown>;
  const keys = path.split(".");
  let at = copy as Record<string, unknown>;
  for (const key of keys.slice(0, -1)) at = at[key] as Record<string, unknown>;
  if (value === undefined) delete at[keys.at(-1)!];
  else at[keys.at(-1)!] = value;
  return JSON.parse(JSON.stringify(copy));
}

const lines = (file: unknown) => {
  const read = readJob(file);
  return read.ok ? [] : read.issues.map(lineFor);
};
const fits = new Ajv2020({ strict: false }).compile(jobFileSchema(2));

test("the example is read", () => expect(lines(EXAMPLE)).toEqual([]));

describe("bad input says where, what and what would be right", () => {
  test.each<[string, unknown, string | RegExp]>([
    ["format", "other", `format: "other" is not one of: careful-gauge-job`],
    ["version", 3, `version: "3" is not one of: 1, 2`],
    ["rig", undefined, /^rig: missing/],
    ["rig.kind", "backpak", /^rig\.kind: "backpak" is not one of: backpack, hand-can/],
    ["rig.tnaks", [], `rig.tnaks: not a key of the format, did you mean "tanks"?`],
    ["rig.tanks.0.leastmix", "1 gal", `rig.tanks[0].leastmix: not a key of the format, did you mean "leastMix"?`],
    ["zzz", 1, "zzz: not a key of the format"],
    ["rig.tanks.0.usable", "4gal", `rig.tanks[0].usable: "4gal" has no space between number and unit, write "4 gal"`],
    ["rig.tanks.0.usable", 4, /^rig\.tanks\[0\]\.usable: 4 is not text with a unit/],
    ["rig.tanks.0.leastMix", "5 gal", /^rig\.tanks\[0\]\.leastMix: 5 gal is more than the tank's usable 4 gal/],
    ["rig.tanks", {}, "rig.tanks: an object stands where a list is needed"],
    ["rig.tanks", null, "rig.tanks: null stands where a list is needed"],
    ["rig.tanks.0", null, "rig.tanks[0]: null stands where an object is needed"],
    ["rig", null, "rig: null stands where an object is needed"],
    ["calibration.used", null, "calibration.used: null stands where an object is needed"],
    ["calibration.pace", null, "calibration.pace: null stands where an object is needed"],
    ["calibration.flow", [], "calibration.flow: a list stands where an object is needed"],
    ["rig.tanks", [], /^rig\.tanks: empty, at least 1 tank needed/],
    ["rig.outlets.count", 0, /^rig\.outlets\.count: "0" can't be right, it should be a whole number above 0/],
    ["rig.outlets.count", "1", /^rig\.outlets\.count: text stands where a whole number is needed/],
    ["rig.outlets.spacing", "20 in", /^rig\.outlets\.spacing: a backpack has no spacing/],
    ["calibration.pace.times.1", "1:75", /^calibration\.pace\.times\[1\]: "1:75" is not minutes and seconds/],
    ["calibration.pace.times", [], /^calibration\.pace\.times: empty/],
    ["calibration.pace.kind", "timed", /^calibration\.pace\.kind: "timed" is not one of/],
    ["calibration.pace", undefined, /^calibration\.pace: missing/],
    ["calibration.flow", undefined, /^calibration\.flow: missing/],
    ["calibration.sprayVolume", "2 gal/1000 ft2", /^calibration: sprayVolume, pace and flow together/],
    ["calibration", {}, /^calibration: no evidence: give one of/],
    ["rig.head", { kind: "metered", feed: "2 fl oz/min" }, /^rig\.head: a backpack has no head: only a hose-end rig has one/],
    ["rig.kind", "hose-end", /^rig\.head: missing, write e\.g\. /],
    ["calibration.flow", { kind: "metered-flow" }, /^calibration\.flow: neither readings nor whole/],
    [
      "calibration.flow",
      { kind: "outlet-catches", time: "30 s", volumes: ["1 fl oz", "1 fl oz"] },
      /^calibration\.flow\.volumes: 2 for 1 outlet: give one an outlet/,
    ],
    ["calibration.pace", { kind: "timed-run", distance: "200 ft", times: ["60 s"] }, /^calibration\.pace\.swath: missing/],
    ["products.0.rate", "0.2 oz", `products[0].rate: "0.2 oz" has no area, write e.g. "0.2 oz/1000 ft2"`],
    [
      "products.0.rate",
      "0.2 fl oz/1000 ft2",
      /^products\[0\]\.rate: "0\.2 fl oz\/1000 ft2" is a volume, but the product is dry: write "0\.2 oz\/1000 ft2"/,
    ],
    [
      "products.0.form",
      "liquid",
      /^products\[0\]\.rate: .* is a weight, but the product is a liquid: write "0\.3 fl oz\/1000 ft2" if fluid ounces are meant/,
    ],
    ["products.0.price.per", "1 gal", /^products\[0\]\.price\.per: "1 gal" is a volume, but the product is dry/],
    ["products.0.price.amount", -1, /^products\[0\]\.price\.amount: "-1" can't be right/],
    ["products.0.limits.intervalAtLeast", "5 weeks", /^products\[0\]\.limits\.intervalAtLeast/],
    ["sites.0.zones", [], /^sites\[0\]\.zones: empty/],
    ["sites.0.zones.0.area", "1,5 ac", /^sites\[0\]\.zones\[0\]\.area: "1,5 ac" has a decimal comma/],
    ["sites.0.name", "  ", /^sites\[0\]\.name: missing/],
    ["date", "2026-02-30", /^date: "2026-02-30" is not a date/],
    ["date", "02/09/2026", /^date: "02\/09\/2026" is not a date/],
    ["tank", "rear", /^tank: "rear" is not among: main/],
    ["loads", "half", /^loads: "half" is not one of: full-then-part, equal/],
  ])("%s = %p", (path, value, expected) => {
    const found = lines(changed(path, value));
    expect(found.some((line) => (typeof expected === "string" ? line === expected : expected.test(line)))).toBe(true);
  });

  test("all faults at once, also those that two places make together", () => {
    const file = changed("rig.kind", "backpak") as typeof EXAMPLE;
    file.products[0]!.rate = "0.3 fl oz/1000 ft2";
    file.sites.push(structuredClone(file.sites[0]!));
    file.sites[1]!.zones[0]!.area = "0 ft2";
    file.products.push(structuredClone(file.products[0]!));
    expect(lines(file).map((l) => l.split(":")[0])).toEqual([
      "rig.kind",
      "sites[1].zones[0].area",
      "products[0].rate",
      "products[1].rate",
      "products[1].name",
    ]);
  });

  test("what isn't an object is refused whole", () => {
    for (const value of [null, 1, "x", [], true])
      expect(lines(value)).toEqual([expect.stringContaining("stands where an object")]);
  });

  test("a used trial: start and remaining, or topUp, and less left than filled", () => {
    const used = (trial: unknown) => lines(changed("calibration", { used: trial }));
    expect(used({ area: "100 ft2", start: "96 fl oz", remaining: "60 fl oz" })).toEqual([]);
    expect(used({ area: "100 ft2", start: "96 fl oz", remaining: "0 fl oz" })).toEqual([]);
    expect(
      used([
        { area: "100 ft2", topUp: "36 fl oz" },
        { area: "100 ft2", topUp: "37 fl oz" },
      ]),
    ).toEqual([]);
    expect(used({ area: "100 ft2" })[0]).toMatch(/^calibration\.used: no volume/);
    expect(used([{ area: "100 ft2", start: "60 fl oz", remaining: "96 fl oz" }])[0]).toMatch(
      /^calibration\.used\[0\]\.remaining/,
    );
    expect(used({ area: "100 ft2", start: "96 fl oz" })[0]).toMatch(/^calibration\.used\.remaining: missing/);
    expect(used({ area: "100 ft2", start: "96 fl oz", remaining: "60 fl oz", topUp: "1 fl oz" })[0]).toMatch(/with topUp/);
  });

  test("text that is no JSON", () => {
    const read = readJobText("{");
    expect(read.ok ? "" : lineFor(read.issues[0]!)).toMatch(/^not JSON: /);
    expect(readJobText(`\uFEFF${JSON.stringify(EXAMPLE)}`).ok).toBe(true);
  });
});

describe("the JSON Schema in docs", () => {
  test("is the one that is made from the catalogue", () => {
    expect(JSON.parse(readFileSync("docs/job-file.schema.json", "utf8"))).toEqual(jobFileSchema(2));
    expect(JSON.parse(readFileSync("docs/job-file-1.schema.json", "utf8"))).toEqual(jobFileSchema(1));
  });

  test("takes the example and every demo file", () => {
    expect(fits(EXAMPLE)).toBe(true);
    const files = readdirSync("demo", { recursive: true, encoding: "utf8" }).filter((f) => f.endsWith(".job.json"));
    expect(files.length).toBeGreaterThan(20);
    for (const file of files) expect([file, fits(JSON.parse(readFileSync(`demo/${file}`, "utf8")))]).toEqual([file, true]);
  });

  // Every place of the example, with every wrong thing put there: both must say the same.
  const places: string[] = [];
  const walk = (value: unknown, path: string) => {
    // What is in a label whoever reads labels judges.
    if (path !== "" && !path.includes("x-note") && !path.includes(".label.")) places.push(path);
    if (typeof value === "object" && value !== null)
      for (const [k, v] of Object.entries(value)) walk(v, path === "" ? k : `${path}.${k}`);
  };
  walk(EXAMPLE, "");
  const wrong: Json[] = [
    null,
    true,
    0,
    -1,
    1.5,
    7,
    "",
    "  ",
    "x",
    "4 gal",
    "4gal",
    "0 gal",
    "1,5 gal",
    "62 s",
    "1:75",
    "1:05",
    "5 ft",
    "250 ft2",
    "1 oz",
    "3 mph",
    "40 psi",
    "5 %",
    "7:1",
    "0.2 oz/1000 ft2",
    "2 gal/1,000 ft2",
    "1 %v/v",
    "2026-04-14",
    "35 days",
    "025",
    "main",
    [],
    {},
    ["4 gal"],
    { kind: "speed", speed: "3 mph", swath: "5 ft" },
  ];

  test("agrees with the validation wherever something is put", () => {
    let taken = 0;
    fc.assert(
      fc.property(fc.constantFrom(...places), fc.constantFrom<Json | undefined>(undefined, ...wrong), (path, value) => {
        const file = changed(path, value);
        const sound = shapeFaults(file).length === 0;
        if (sound) taken++;
        if (fits(file) !== sound)
          throw new Error(
            `${path} = ${JSON.stringify(value)}: schema ${fits(file)}, validation ${sound}: ${shapeFaults(file).map(lineFor).join("; ")}`,
          );
      }),
      { numRuns: 4000 },
    );
    expect(taken).toBeGreaterThan(50);
  });

  test("agrees on unknown keys anywhere", () => {
    for (const path of places.filter(
      (p) => typeof p.split(".").reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], EXAMPLE) === "object",
    )) {
      const value = path.split(".").reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], EXAMPLE);
      if (Array.isArray(value) || path.endsWith(".label")) continue;
      expect([path, fits(changed(`${path}.unheardOf`, 1)), shapeFaults(changed(`${path}.unheardOf`, 1)).length]).toEqual([
        path,
        false,
        1,
      ]);
      expect([path, fits(changed(`${path}.x-own`, 1)), shapeFaults(changed(`${path}.x-own`, 1)).length]).toEqual([path, true, 0]);
    }
  });
});
