import fc from "fast-check";
import { parse } from "papaparse";
import { expectNear } from "@/core/testing/near";
import { run } from "./gauge";

const job = (areas: readonly (readonly [string, number])[], more: object = {}) =>
  JSON.stringify({
    format: "careful-gauge-job",
    version: 2,
    rig: { kind: "spray-truck", tanks: [{ usable: "10 gal", leastMix: "1 gal" }] },
    calibration: { sprayVolume: "1 gal/1000 ft2" },
    products: [
      { name: "Demo granule", form: "dry", rate: "0.3 oz/1000 ft2" },
      { name: "Demo dye", form: "liquid", rate: "1 fl oz/100 gal" },
    ],
    sites: areas.map(([name, area]) => ({ name, zones: [{ area: `${area} ft2` }] })),
    run: "day",
    ...more,
  });

interface DayLoad {
  number: number;
  fillTo: { value: number };
  covers: { value: number };
  products: { name: string; amount: { value: number; unit: string } }[];
  stops: { site: string; covers: { value: number; unit: string } }[];
}
const day = (
  text: string,
): { run: DayLoad[]; sites: unknown[]; status: string; warnings: { code: string }[]; working: string[] } => {
  const { out, err, exit } = run("mix", text);
  expect({ err, exit }).toEqual({ err: "", exit: 0 });
  return JSON.parse(out);
};
const short = (loads: readonly DayLoad[]) =>
  loads.map((l) => [Number(l.fillTo.value.toFixed(6)), ...l.stops.map((s) => `${s.site} ${Math.round(s.covers.value)}`)]);

describe("a day run", () => {
  const three = [
    ["Green", 6000],
    ["Court", 5000],
    ["Field", 4000],
  ] as const;
  test("loads serve several sites, in the file's order, the last one short", () => {
    const made = day(job(three));
    expect(short(made.run)).toEqual([
      [10, "Green 6000", "Court 4000"],
      [5, "Court 1000", "Field 4000"],
    ]);
    expect(made.sites).toHaveLength(3);
    expectNear(made.run[0]!.products[0]!.amount.value, 3, 1e-12);
    expect(made.run[0]!.products[1]!.amount).toEqual({ value: expect.closeTo(0.1, 12), unit: "fl oz" });
    expect(made.working.some((line) => line.startsWith("What the load still covers = "))).toBe(true);
  });
  test("equal loads; a last one under the least mix is joined", () => {
    expect(short(day(job(three, { loads: "equal" })).run).map((l) => l[0])).toEqual([7.5, 7.5]);
    expect(
      short(
        day(
          job([
            ["A", 10_000],
            ["B", 500],
          ]),
        ).run,
      ).map((l) => l[0]),
    ).toEqual([5.25, 5.25]);
  });
  test("where the sites say whether they have water, no lawn is left half done", () => {
    const made = day(job(three, { "x-places": true }));
    expect(short(made.run)).toEqual([
      [6, "Green 6000"],
      [9, "Court 5000", "Field 4000"],
    ]);
  });
  test("they say so by whether a tank can be filled there; version 1 by a key of its own, and otherwise not", () => {
    const placed = day(job(three, { "x-places": true })).run;
    const sites = (water: (i: number) => object) =>
      three.map(([name, area], i) => ({ name, zones: [{ area: `${area} ft2` }], ...water(i) }));
    // None of them has water: it is said of one.
    const dry = { sites: sites((i) => (i === 0 ? { waterSource: { fill: false } } : {})) };
    expect(short(day(job(three, dry)).run)).toEqual(short(placed));
    const first = (more: object) =>
      short(day(job(three, { version: 1, sites: sites(() => ({ "x-water": true })), ...more })).run);
    const unsaid = short(day(job(three)).run);
    expect(first({})).toEqual(unsaid);
    expect(unsaid).not.toEqual(short(placed));
    const second = short(day(job(three, { sites: sites(() => ({ waterSource: { fill: true } })) })).run);
    expect(first({ "x-places": true })).toEqual(second);
  });
  test("a held site is not on the round", () => {
    const limited = {
      name: "Demo granule",
      form: "dry",
      rate: "0.3 oz/1000 ft2",
      actives: [{ name: "a", fraction: "40 %" }],
      limits: { perYear: "0.4 oz/1000 ft2", yearKind: "calendar" },
    };
    const applied = [{ of: "Demo granule", active: "a", fraction: "40 %", amount: "0.3 oz/1000 ft2", date: "2026-04-01" }];
    const made = day(
      job([], {
        date: "2026-09-02",
        products: [limited],
        sites: [
          { name: "Green", zones: [{ area: "6000 ft2" }] },
          { name: "Court", zones: [{ area: "5000 ft2", applied }] },
        ],
      }),
    );
    expect(made.status).toBe("held");
    expect(short(made.run)).toEqual([[6, "Green 6000"]]);
  });
  test("without the key there is none", () => expect(day(job(three, { run: undefined })).run).toBeUndefined());
  test("a day that nobody pours is refused", () => {
    const { exit, err } = run(
      "mix",
      job([
        ["A", 15_000_000],
        ["B", 15_000_000],
      ]),
    );
    expect({ exit, err }).toEqual({ exit: 2, err: expect.stringMatching(/^run: a day of 3,000 loads, 2,000 is the most/) });
  });
  test("what the loads hold is what the sites take, of every product", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 40, max: 60_000 }), { minLength: 1, maxLength: 12 }),
        fc.constantFrom({}, { loads: "equal" }, { "x-places": true }),
        (areas, more) => {
          const made = day(
            job(
              areas.map((a, i) => [`S${i}`, a] as const),
              more,
            ),
          );
          const all = areas.reduce((sum, a) => sum + a, 0);
          expectNear(
            made.run.reduce((sum, l) => sum + l.fillTo.value, 0),
            all / 1000,
            1e-9,
          );
          expectNear(
            made.run.reduce((sum, l) => sum + l.products[0]!.amount.value, 0),
            (all / 1000) * 0.3,
            1e-9,
          );
          areas.forEach((area, i) => {
            const on = made.run.flatMap((l) => l.stops).filter((s) => s.site === `S${i}`);
            expectNear(
              on.reduce((sum, s) => sum + s.covers.value, 0),
              area,
              1e-6,
            );
          });
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("a batch: a table of sites in, a table of loads out", () => {
  const TABLE = 'site,zone,area,turf\nGreen,north,6200 ft2,ryegrass\nGreen,south,1800 ft2,\nCourt,,"5,000 ft2",\n';
  const batch = (table: string, more: object = {}) => run("mix", job([], { run: undefined, sites: undefined, ...more }), table);
  test("one line a product of a load, in the order of pouring", () => {
    const { out, exit } = batch(TABLE);
    expect(exit).toBe(0);
    const { data } = parse<Record<string, string>>(out, { header: true });
    expect(data.map((l) => [l.site, l.load, l.product, Number(Number(l.amount).toFixed(6)), l.unit])).toEqual([
      ["Green", "1", "Demo granule", 2.4, "oz"],
      ["Green", "1", "Demo dye", 0.08, "fl oz"],
      ["Court", "1", "Demo granule", 1.5, "oz"],
      ["Court", "1", "Demo dye", 0.05, "fl oz"],
    ]);
    expect(data[0]!["fill to (gal)"]).toBe("8");
  });
  test("with a day run, the sites of a load stand together", () => {
    const { data } = parse<Record<string, string>>(batch(TABLE, { run: "day" }).out, { header: true });
    expect(data.map((l) => l.site)).toEqual(["Green; Court", "Green; Court", "Court", "Court"]);
  });
  test("a held site has its line and its reason, and no amount", () => {
    const product = { name: "Demo granule", form: "dry", rate: "0.5 oz/1000 ft2", limits: { perApplication: "0.4 oz/1000 ft2" } };
    const { data } = parse<Record<string, string>>(batch(TABLE, { products: [product] }).out, { header: true });
    expect(data.map((l) => [l.site, l.status, l.amount])).toEqual([
      ["Green", "held", ""],
      ["Court", "held", ""],
    ]);
    expect(data[0]!.reason).toContain("0.4 oz");
  });
  test("every fault at once, each with its line; nothing on standard output", () => {
    const { out, err, exit } = batch("site,zone,area,seeded,water\nGreen,a,62,,\n,b,100 ft2,2026-02-30,\nGreen,a,1 ft2,,maybe\n");
    expect({ out, exit }).toEqual({ out: "", exit: 2 });
    expect(err.split("\n").map((l) => l.split(":")[0])).toEqual(["line 2.area", "line 3.site", "line 3.seeded", "line 4.water"]);
    expect(batch("site,aera\nA,1 ft2\n").err).toMatch(/^line 1: "aera"/);
    expect(batch("site,area\n").err).toMatch(/^no line, /);
    expect(batch("site,zone,area\nA,x,1 ft2\nA,x,2 ft2\n").err).toMatch(/^line 3\.zone: "x" is there already/);
    expect(run("calibrate", job([]), TABLE).exit).toBe(2);
  });
});
