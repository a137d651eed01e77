import fc from "fast-check";
import { run } from "./gauge";

/** `gauge mix` with no site: "what goes into a tank?", held by all that needs no ground. */

const job = (more: object = {}, product: object = {}) => ({
  format: "careful-gauge-job",
  version: 2,
  rig: { kind: "backpack", tanks: [{ name: "main", usable: "4 gal" }] },
  calibration: { sprayVolume: "1.25 gal/1000 ft2" },
  products: [{ name: "Osselgrain", form: "dry", rate: "0.3 oz/1000 ft2", ...product }],
  ...more,
});
interface Result {
  status: string;
  notJudged: string[];
  reasons: { code: string; text: string; site: null; zone: null }[];
  fullTank: {
    spray: { value: number };
    covers: { value: number };
    waterFirst: { value: number };
    steps: { do: string }[];
    products: { name: string; amount: { value: number; unit: string } }[];
  } | null;
  spreadDry?: { site: null; name: string; total: { value: number; unit: string } }[];
  sites?: { loads: { products: unknown }[] }[];
  working: string[];
}
const told = (file: object): Result => {
  const { out, err, exit } = run("mix", JSON.stringify(file));
  expect([err, exit]).toEqual(["", 0]);
  return JSON.parse(out) as Result;
};
const refused = (file: object) => run("mix", JSON.stringify(file)).err.split("\n");

test("by hand: 4 gal at 1.25 gal per 1,000 sq ft cover 3,200 sq ft, which take 0.96 oz; half the water first", () => {
  const { status, fullTank, notJudged, sites, spreadDry, working } = told(job());
  expect([status, notJudged, sites, spreadDry]).toEqual(["ready", [], undefined, undefined]);
  expect(fullTank!.spray).toEqual({ value: 4, unit: "gal" });
  expect(fullTank!.covers.value).toBeCloseTo(3200, 9);
  expect(fullTank!.waterFirst).toEqual({ value: 2, unit: "gal" });
  expect(fullTank!.products[0]!.amount.value).toBeCloseTo(0.96, 12);
  expect(fullTank!.steps.map((step) => step.do)).toEqual(["water", "product", "rinse", "top-up"]);
  expect(working).toContain("Tank coverage = 4 gal ÷ 1.25 gal per 1,000 sq ft = 3,200 sq ft");
});

test("it is the full load of a plan for more ground than a tank does", () => {
  const tank = fc.integer({ min: 1, max: 300 });
  const rate = fc.integer({ min: 1, max: 900 }).map((n) => n / 100);
  const volume = fc.integer({ min: 20, max: 800 }).map((n) => n / 100);
  fc.assert(
    fc.property(tank, rate, volume, fc.boolean(), (gallons, oz, q, liquid) => {
      const file = job(
        {
          rig: { kind: "boom", tanks: [{ name: "main", usable: `${gallons} gal` }] },
          calibration: { sprayVolume: `${q} gal/1000 ft2` },
        },
        liquid ? { form: "liquid", rate: `${oz} fl oz/1000 ft2` } : { rate: `${oz} oz/1000 ft2` },
      );
      const { fullTank } = told(file);
      const area = Math.ceil((2.5 * gallons * 1000) / q);
      const plan = told({ ...file, sites: [{ name: "Quay", zones: [{ area: `${area} ft2` }] }] });
      expect(fullTank!.products).toEqual(plan.sites![0]!.loads[0]!.products);
    }),
    { numRuns: 60 },
  );
});

describe("what needs no ground holds it, with no amount", () => {
  test.each<[string, object, string]>([
    ["a rate over the most at once", { limits: { perApplication: "0.2 oz/1000 ft2" } }, "over-application-limit"],
    ["a rate that alone is over a year's most", { limits: { perYear: "0.2 oz/1000 ft2" } }, "over-year-limit"],
    ["too little carrier", { carrierAtLeast: "2 gal/1000 ft2" }, "under-carrier-minimum"],
  ])("%s", (_, product, code) => {
    const { status, reasons, fullTank } = told(job({}, product));
    expect([status, reasons[0]!.code, reasons[0]!.site, reasons[0]!.zone, fullTank]).toEqual(["held", code, null, null, null]);
    expect(reasons[0]!.text).not.toMatch(/2000|undefined/);
  });
});

test("what needs ground is named where a product has such a limit, and no day is asked for", () => {
  expect(told(job({}, { limits: { perYear: "0.9 oz/1000 ft2" } })).notJudged).toEqual(["year"]);
  expect(told(job({}, { limits: { applicationsPerYear: 2, intervalAtLeast: "35 days" } })).notJudged).toEqual([
    "interval",
    "applications",
  ]);
  const dated = job({ sites: [{ name: "Quay", zones: [{ area: "500 ft2" }] }] }, { limits: { perYear: "0.9 oz/1000 ft2" } });
  expect(refused(dated)[0]).toMatch(/^date: /);
  expect(told({ ...dated, date: "2026-09-02" }).notJudged).toEqual([]);
});

test("granules beside it and alone: what goes on 1,000 sq ft", () => {
  const granule = { name: "Quaygrain", form: "dry", rate: "3 lb/1000 ft2", formulation: "G" };
  const both = job();
  both.products.push(granule);
  const beside = told(both);
  expect(beside.spreadDry).toMatchObject([{ site: null, name: "Quaygrain", total: { value: 48, unit: "oz" } }]);
  expect(beside.fullTank!.products.map(({ name }) => name)).toEqual(["Osselgrain"]);
  const alone = told({ format: "careful-gauge-job", version: 2, products: [granule] });
  expect([alone.status, alone.fullTank, alone.spreadDry![0]!.total.value]).toEqual(["ready", null, 48]);
  const held = told({
    format: "careful-gauge-job",
    version: 2,
    products: [{ ...granule, limits: { perApplication: "2 lb/1000 ft2" } }],
  });
  expect([held.status, held.spreadDry]).toEqual(["held", undefined]);
});

test("a hose-end head: its jar", () => {
  const { fullTank } = told({
    format: "careful-gauge-job",
    version: 2,
    rig: {
      kind: "hose-end",
      tanks: [{ name: "jar", usable: "32 fl oz" }],
      head: { kind: "dial", setting: "2 fl oz/gal" },
    },
    calibration: {
      pace: { kind: "timed-area", area: "1000 ft2", times: ["62 s"] },
      flow: { kind: "timed-catch", catches: [{ volume: "5 gal", time: "60 s" }] },
    },
    products: [{ name: "Wetter", form: "liquid", rate: "10 fl oz/1000 ft2" }],
  });
  // Undiluted, the jar holds 32 fl oz of it: 3,200 sq ft.
  expect(fullTank!.products[0]!.amount.value).toBeCloseTo(32, 9);
  expect(fullTank!.covers.value).toBeCloseTo(3200, 9);
});

test("a list of sites that is empty is a slip; a day, one load less and a table of sites need ground", () => {
  expect(refused(job({ sites: [] }))).toEqual([expect.stringMatching(/^sites: /)]);
  expect(refused(job({ run: "day" }))).toEqual([expect.stringMatching(/^run: /)]);
  expect(refused(job({ oneLoadLess: true }))).toEqual([expect.stringMatching(/^oneLoadLess: /)]);
  expect(run("reconcile", JSON.stringify(job())).err).toMatch(/^sites: /);
});
