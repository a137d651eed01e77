import fc from "fast-check";
import { run } from "./gauge";

/** The `mix` command on what a label never allows: what docs/job-file.md says, held against plain sums. */
const ACTIVE = { name: "demo active", fraction: "40 %" };
const PRODUCT = {
  name: "Demo granule",
  form: "dry",
  formulation: "WG",
  rate: "0.3 oz/1000 ft2",
  labelRange: ["0.2 oz/1000 ft2", "0.4 oz/1000 ft2"],
  actives: [ACTIVE],
  limits: {
    perApplication: "0.4 oz/1000 ft2",
    perYear: "0.8 oz/1000 ft2",
    yearKind: "calendar",
    applicationsPerYear: 2,
    intervalAtLeast: "35 days",
  },
  carrierAtLeast: "0.5 gal/1000 ft2",
};
const BEFORE = { of: "Other granule", active: "demo active", fraction: "2 %", amount: "1.5 oz/1000 ft2", date: "2026-04-14" };
const job = (product: object = {}, more: object = {}) =>
  JSON.stringify({
    format: "careful-gauge-job",
    version: 2,
    rig: { kind: "backpack", tanks: [{ usable: "4 gal" }] },
    calibration: { sprayVolume: "1 gal/1000 ft2" },
    products: [{ ...PRODUCT, ...product }],
    sites: [{ name: "Ferry green", zones: [{ name: "north", area: "6200 ft2", applied: [BEFORE] }] }],
    date: "2026-09-02",
    ...more,
  });
interface Made {
  status: string;
  reasons: {
    code: string;
    site: string | null;
    zone: string | null;
    product: string | null;
    most: { value: number; unit: string } | null;
  }[];
  sites: { name: string }[];
  warnings: { code: string }[];
  working: string[];
}
function mixed(text: string): Made {
  const { out, err, exit } = run("mix", text);
  if (exit !== 0) throw new Error(err);
  return JSON.parse(out) as Made;
}
const codes = (text: string) => mixed(text).reasons.map((r) => r.code);
const sites = (...applied: object[]) => ({
  sites: [{ name: "Ferry green", zones: [{ name: "north", area: "6200 ft2", applied }] }],
});

describe("status, reasons, most", () => {
  test("the example is ready", () => expect(mixed(job())).toMatchObject({ status: "ready", reasons: [] }));
  test("a held plan is a result: exit 0, no amount anywhere, each reason with its place and the most", () => {
    const made = mixed(job({ rate: "0.5 oz/1000 ft2" }));
    expect(made.status).toBe("held");
    expect(made.sites).toEqual([]);
    expect(made.reasons).toEqual([
      expect.objectContaining({
        code: "over-application-limit",
        site: "Ferry green",
        zone: "north",
        product: "Demo granule",
        most: { value: expect.closeTo(0.4, 12), unit: "oz/1000 ft2" },
      }),
    ]);
  });
  test("only the sites with a held zone are left out", () => {
    const full = { ...BEFORE, fraction: "40 %", amount: "0.7 oz/1000 ft2" };
    const made = mixed(
      job(
        {},
        {
          sites: [
            { name: "A", zones: [{ area: "1000 ft2" }, { area: "500 ft2", applied: [full] }] },
            { name: "B", zones: [{ area: "1000 ft2" }] },
          ],
        },
      ),
    );
    expect([made.status, made.sites.map((s) => s.name)]).toEqual(["held", ["B"]]);
    expect(made.reasons).toEqual([
      expect.objectContaining({
        code: "over-year-limit",
        site: "A",
        zone: "zone 2",
        most: { value: expect.closeTo(0.1, 12), unit: "oz/1000 ft2" },
      }),
    ]);
  });
  test.each<[string, object, object, string[]]>([
    ["too soon", {}, sites({ ...BEFORE, date: "2026-07-30" }), ["too-soon"]],
    ["35 days are enough", {}, sites({ ...BEFORE, date: "2026-07-29" }), []],
    ["the third of two", {}, sites(BEFORE, { ...BEFORE, date: "2026-01-01" }), ["over-count-limit"]],
    ["last year's don't count", {}, sites(BEFORE, { ...BEFORE, date: "2025-12-31" }), []],
    ["too little water", { carrierAtLeast: "1.1 gal/1000 ft2" }, {}, ["under-carrier-minimum"]],
    ["too strong", { dilutionAtLeast: "999:1" }, {}, ["over-concentrated"]],
  ])("%s", (_what, product, more, expected) => expect(codes(job(product, more))).toEqual(expected));
  test("9 : 1 of two liquids together, in the units of the trade", () => {
    const liquid = (name: string, rate: string, more = {}) => ({ name, form: "liquid", rate, ...more });
    const of = (a: string, b: string) =>
      codes(
        job(
          {},
          {
            products: [liquid("A", a, { dilutionAtLeast: "9:1" }), liquid("B", b)],
            calibration: { sprayVolume: "320 fl oz/1000 ft2" },
          },
        ),
      );
    expect(of("20 fl oz/1000 ft2", "12 fl oz/1000 ft2")).toEqual([]);
    expect(of("20 fl oz/1000 ft2", "12.1 fl oz/1000 ft2")).toEqual(["over-concentrated"]);
  });
  test("a granule and a liquid by one active, the strength in a gallon", () => {
    const before = {
      of: "Liquid",
      active: "Demo Active",
      strength: "4 lb/gal",
      amount: "0.5 fl oz/1000 ft2",
      date: "2026-04-14",
    };
    // 0.5 fl oz of 4 lb/gal: 0.25 oz of active, 0.625 oz of a granule of 40 %.
    const made = mixed(job({}, sites(before)));
    expect(made.reasons.map((r) => [r.code, r.most!.value])).toEqual([["over-year-limit", expect.closeTo(0.175, 10)]]);
  });
});

describe("slips are warnings beside any reason", () => {
  const warnings = (product: object) =>
    mixed(job(product))
      .warnings.map((w) => w.code)
      .filter((c) => c !== "given");
  test.each<[object, string[]]>([
    [{ rate: "13 oz/1000 ft2" }, ["per-acre-slip"]],
    [{ rate: "0.3 oz/ac" }, ["per-acre-slip", "under-label-range"]],
    [{ rate: "0.3 lb/1000 ft2" }, ["unit-slip"]],
    [{ rate: "3 oz/1000 ft2" }, ["unit-slip"]],
    [{ rate: "0.19 oz/1000 ft2" }, ["under-label-range"]],
    [{ rate: "0.3 oz/1000 ft2" }, []],
    [{ rate: "13 oz/1000 ft2", labelRange: undefined }, ["per-acre-slip"]],
  ])("%j", (product, expected) => expect(warnings(product)).toEqual(expected));
});

describe("faults, all at once, exit 2", () => {
  test.each<[string, object, object, string[]]>([
    ["no date for a limit on the year", {}, { date: undefined }, ["date: missing"]],
    [
      "an active with no content, and with two",
      { actives: [{ name: "a" }, { name: "b", fraction: "4 %", strength: "1 lb/gal" }] },
      {},
      ["products[0].actives[0]: no content", "products[0].actives[1]: fraction and strength together"],
    ],
    [
      "a strength of a dry product",
      { actives: [{ name: "a", strength: "1 lb/gal" }] },
      {},
      ["products[0].actives[0].strength: 1 lb/gal of a dry product"],
    ],
    [
      "a limit by volume on a dry product",
      { limits: { perApplication: "3 fl oz/1000 ft2" } },
      {},
      ["products[0].limits.perApplication: "],
    ],
    ["a range upside down", { labelRange: ["0.4 oz/1000 ft2", "0.2 oz/1000 ft2"] }, {}, ["products[0].labelRange: "]],
    ["an entry without its area", {}, sites({ ...BEFORE, amount: "3 oz/gal" }), ["sites[0].zones[0].applied[0].amount: "]],
    [
      "an entry by weight with a strength",
      {},
      sites({ ...BEFORE, fraction: undefined, strength: "1 lb/gal" }),
      ["sites[0].zones[0].applied[0].strength: "],
    ],
    [
      "the wrong ounces, in every place",
      { rate: "0.3 fl oz/1000 ft2", labelRange: ["0.2 fl oz/1000 ft2", "0.4 oz/1000 ft2"] },
      {},
      ["products[0].rate: ", "products[0].labelRange[0]: "],
    ],
  ])("%s", (_what, product, more, lines) => {
    const { out, err, exit } = run("mix", job(product, more));
    expect({ out, exit }).toEqual({ out: "", exit: 2 });
    for (const line of lines) expect(`\n${err}`).toContain(`\n${line}`);
  });
});

/** A naive model of the page in docs/job-file.md, in plain numbers, against the command on random files. */
describe("against a naive model", () => {
  interface Entry {
    readonly ounces: number;
    readonly fraction: number;
    readonly date: string;
  }
  const date = fc.integer({ min: 0, max: 1100 }).map((n) => new Date(Date.UTC(2024, 0, 1 + n)).toISOString().slice(0, 10));
  const entry = fc.record({ ounces: fc.integer({ min: 1, max: 40 }), fraction: fc.integer({ min: 1, max: 40 }), date });
  const yearBack = (d: string) => `${Number(d.slice(0, 4)) - 1}${d.slice(4)}`;
  const days = (a: string, b: string) => (Date.parse(b) - Date.parse(a)) / 86_400_000;

  test.each(["calendar", "rolling"] as const)("%s years", (yearKind) => {
    fc.assert(
      fc.property(
        fc.array(entry, { maxLength: 6 }),
        fc.integer({ min: 1, max: 60 }),
        date,
        fc.integer({ min: 1, max: 5 }),
        (entries: Entry[], hundredths, on, count) => {
          const rate = hundredths / 100;
          const applied = entries.map((e) => ({
            of: "X",
            active: "demo active",
            fraction: `${e.fraction} %`,
            amount: `${e.ounces / 100} oz/1000 ft2`,
            date: e.date,
          }));
          const limits = {
            perApplication: "0.4 oz/1000 ft2",
            perYear: "0.8 oz/1000 ft2",
            yearKind,
            applicationsPerYear: count,
            intervalAtLeast: "35 days",
          };
          const made = mixed(
            job({ rate: `${rate} oz/1000 ft2`, limits, labelRange: undefined }, { ...sites(...applied), date: on }),
          );
          const inYear = entries.filter((e) =>
            yearKind === "calendar" ? e.date.slice(0, 4) === on.slice(0, 4) : e.date <= on && e.date > yearBack(on),
          );
          const used = inYear.reduce((sum, e) => sum + ((e.ounces / 100) * e.fraction) / 40, 0);
          const expected = [
            ...(rate > 0.4 * (1 + 1e-9) ? ["over-application-limit"] : []),
            ...(used + rate > 0.8 * (1 + 1e-9) ? ["over-year-limit"] : []),
            ...(inYear.length + 1 > count ? ["over-count-limit"] : []),
            ...(entries.some((e) => e.date <= on && days(e.date, on) < 35) ? ["too-soon"] : []),
          ];
          expect(made.reasons.map((r) => r.code).sort()).toEqual(expected.sort());
          const over = made.reasons.find((r) => r.code === "over-year-limit");
          if (over) expect(over.most!.value).toBeCloseTo(Math.max(0, 0.8 - used), 9);
          expect(made.sites.length).toBe(expected.length === 0 ? 1 : 0);
        },
      ),
      { numRuns: 200 },
    );
  });
});
