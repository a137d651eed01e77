import fc from "fast-check";
import { expectNear } from "@/core/testing/near";
import { run } from "./gauge";

/**
 * `gauge reconcile`, against examples worked by hand. 4 gal at 2 gal per 1,000 do 2,000 sq ft; 7 gal for 3,500 sq ft are a full
 * load and one of 3 gal. At 0.3 oz per 1,000 a gallon of the mix holds 0.15 oz.
 */
const GRANULE = { name: "Demo granule", form: "dry", rate: "0.3 oz/1000 ft2" };
const file = (outcome: unknown, more: object = {}) =>
  JSON.stringify({
    format: "careful-gauge-job",
    version: 2,
    rig: { kind: "backpack", tanks: [{ usable: "4 gal" }] },
    calibration: { sprayVolume: "2 gal/1000 ft2" },
    products: [GRANULE],
    sites: [{ name: "Ferry green", zones: [{ area: "3500 ft2" }] }],
    outcome,
    ...more,
  });
const told = (outcome: unknown, more: object = {}) => {
  const { out, err, exit } = run("reconcile", file(outcome, more));
  expect({ err, exit }).toEqual({ err: "", exit: 0 });
  return JSON.parse(out);
};
const refused = (outcome: unknown, more: object = {}) => {
  const { out, err, exit } = run("reconcile", file(outcome, more));
  expect({ out, exit }).toEqual({ out: "", exit: 2 });
  return err.split("\n");
};
const codes = (result: { warnings: { code: string }[] }) => result.warnings.map((w) => w.code);
const pass = (load: number, left: string, covered: string, more: object = {}) => ({
  site: "Ferry green",
  load,
  left,
  covered,
  ...more,
});

test("to plan: 7 gal on 3,500 sq ft are 2 gal per 1,000 and 0.3 oz, nothing is left and nothing is said", () => {
  const result = told([pass(1, "0 gal", "2000 ft2"), pass(2, "0 gal", "1500 ft2")]);
  expect(result).toMatchObject({ format: "careful-gauge-outcome", version: 1, warnings: [] });
  const [site] = result.sites;
  expect(site.sprayVolume.unit).toBe("gal/1000 ft2");
  expectNear(site.sprayVolume.value, 2, 1e-12);
  expectNear(site.ratio, 1, 1e-12);
  expect(site.leftover).toEqual({ value: 0, unit: "gal" });
  expect(site.products[0]).toMatchObject({ name: "Demo granule", planned: { unit: "oz/1000 ft2" }, total: { unit: "oz" } });
  expectNear(site.products[0].planned.value, 0.3, 1e-12);
  expectNear(site.products[0].putDown.value, 0.3, 1e-12);
  expectNear(site.products[0].total.value, 1.05, 1e-12);
  expect(site.causes).toEqual([]);
});

test("ran out on 1,800 sq ft of a load meant for 2,000: 2.22 gal and a ninth too heavy; the pace comes first", () => {
  const result = told([pass(1, "0 gal", "1800 ft2"), pass(2, "0.3 gal", "1200 ft2")]);
  const [site] = result.sites;
  // 6.7 gal on 3,000 sq ft.
  expectNear(site.sprayVolume.value, 6.7 / 3, 1e-12);
  expectNear(site.next.sprayVolume.value, 6.7 / 3, 1e-12);
  expectNear(site.products[0].putDown.value, (0.15 * 6.7) / 3, 1e-12);
  expectNear(site.products[0].left.value, 0.15 * 0.3, 1e-12);
  expectNear(site.leftover.value, 0.3, 1e-12);
  expectNear(site.leftoverCovers.value, 150, 1e-12);
  // 3,000 of 3,500 sq ft are 86 %.
  expect(codes(result)).toEqual(["too-heavy", "left-over", "not-all-covered"]);
  expect(site.causes.map((c: { of: string }) => c.of)).toEqual(["pace", "flow", "swath", "area"]);
});

test("a second pass adds volume and no ground; what to mix by next is the first passes' alone", () => {
  const result = told([
    pass(1, "0.4 gal", "2000 ft2"),
    pass(1, "0 gal", "1000 ft2", { again: true }),
    pass(2, "0 gal", "1500 ft2"),
  ]);
  const [site] = result.sites;
  expectNear(site.sprayVolume.value, 2, 1e-12);
  // 3.6 + 3 gal on 3,500 sq ft: 5.7 % too light, hidden by the second pass.
  expectNear(site.next.sprayVolume.value, 6.6 / 3.5, 1e-12);
  expect(codes(result)).toEqual(["too-light", "second-pass"]);
  expect(site.leftover.value).toBe(0);
});

test("within 5 %, equality too, nothing is said; a hair over it is", () => {
  const one = { sites: [{ name: "Ferry green", zones: [{ area: "2000 ft2" }] }] };
  expect(codes(told([pass(1, "0.2 gal", "2000 ft2")], one))).toEqual(["left-over"]);
  expect(codes(told([pass(1, "0.21 gal", "2000 ft2")], one))).toEqual(["too-light", "left-over"]);
  // 98 % of the ground is the whole of it.
  expect(codes(told([pass(1, "0 gal", "1960 ft2")], one))).toEqual([]);
  expect(codes(told([pass(1, "0 gal", "1959 ft2")], one))).toEqual(["not-all-covered"]);
});

describe("against the label", () => {
  const heavy = [pass(1, "0 gal", "1800 ft2"), pass(2, "0 gal", "1350 ft2")];
  test.each([
    ["its range", { labelRange: ["0.2 oz/1000 ft2", "0.32 oz/1000 ft2"] }],
    ["its limit at once", { limits: { perApplication: "0.32 oz/1000 ft2" } }],
  ])("0.333 oz against %s of 0.32 is over", (_what, says) => {
    const result = told(heavy, { products: [{ ...GRANULE, ...says }] });
    expect(result.warnings.find((w: { code: string }) => w.code === "put-down-over-label")).toMatchObject({
      site: "Ferry green",
      product: "Demo granule",
    });
  });
  test("under its least", () => {
    const products = [{ ...GRANULE, labelRange: ["0.28 oz/1000 ft2", "0.4 oz/1000 ft2"] }];
    expect(codes(told([pass(1, "0 gal", "2000 ft2"), pass(2, "0.6 gal", "1500 ft2")], { products }))).toContain(
      "put-down-under-label",
    );
  });
  test("a plan that its label holds was sprayed all the same: it is told, not refused", () => {
    const products = [{ ...GRANULE, limits: { perApplication: "0.2 oz/1000 ft2" } }];
    const result = told([pass(1, "0 gal", "2000 ft2"), pass(2, "0 gal", "1500 ft2")], { products });
    expectNear(result.sites[0].products[0].putDown.value, 0.3, 1e-12);
    expect(codes(result)).toEqual(["put-down-over-label"]);
  });
});

test("what was really mixed counts in place of the plan's fill; a liquid is in fluid ounces", () => {
  const products = [{ name: "Demo liquid", form: "liquid", rate: "1.5 fl oz/1000 ft2" }];
  const result = told([pass(1, "0 gal", "2000 ft2"), pass(2, "0.5 gal", "1500 ft2", { mixed: "3.5 gal" })], { products });
  expectNear(result.sites[0].sprayVolume.value, 2, 1e-12);
  expect(result.sites[0].products[0].putDown.unit).toBe("fl oz/1000 ft2");
  expectNear(result.sites[0].products[0].total.value, 0.75 * 7, 1e-12);
});

test("of a day one load serves several sites: each begins with what the one before left", () => {
  const sites = ["North lawn", "South lawn"].map((name) => ({ name, zones: [{ area: "1000 ft2" }] }));
  const result = told(
    [
      { site: "North lawn", load: 1, left: "2 gal", covered: "1000 ft2" },
      { site: "South lawn", load: 1, left: "0.2 gal", covered: "1000 ft2" },
    ],
    { sites, run: "day" },
  );
  expect(result.sites.map((s: { name: string }) => s.name)).toEqual(["North lawn", "South lawn"]);
  expectNear(result.sites[0].sprayVolume.value, 2, 1e-12);
  expectNear(result.sites[1].sprayVolume.value, 1.8, 1e-12);
  // What North lawn left went on to South lawn: it is no leftover of the day.
  expectNear(result.sites[0].leftover.value, 0, 1e-12);
  expectNear(result.sites[1].leftover.value, 0.2, 1e-12);
});

test("a time tells the pace from the flow", () => {
  const timed = {
    calibration: {
      pace: { kind: "timed-area", area: "1000 ft2", times: ["200 s"] },
      flow: { kind: "timed-catch", catches: [{ volume: "2 gal", time: "200 s" }] },
    },
    sites: [{ name: "Ferry green", zones: [{ area: "2000 ft2" }] }],
  };
  // Ran out on 1,800 sq ft. In 400 s the flow was right and the walk slow; in 360 s the walk was right and the flow strong.
  const of = (time: string) => told([pass(1, "0 gal", "1800 ft2", { time })], timed).sites[0].causes;
  expect(of("400 s").map((c: { of: string }) => c.of)).toEqual(["pace", "swath", "area", "flow"]);
  expectNear(of("400 s")[0].ratio, 400 / 360, 1e-12);
  expect(of("360 s").map((c: { of: string }) => c.of)).toEqual(["flow", "pace", "swath", "area"]);
  expectNear(of("360 s")[0].ratio, 4 / 360 / (2 / 200), 1e-12);
});

test("through a hose-end head the jar tells: emptied a tenth sooner, a tenth more was sprayed", () => {
  const head = {
    rig: { kind: "hose-end", tanks: [{ usable: "1 qt" }], head: { kind: "metered", feed: "2 fl oz/min" } },
    calibration: {
      pace: { kind: "timed-area", area: "1000 ft2", times: ["60 s"] },
      flow: { kind: "timed-catch", catches: [{ volume: "2.5 gal", time: "60 s" }] },
    },
    products: [{ name: "Demo liquid", form: "liquid", rate: "2 fl oz/1000 ft2" }],
    sites: [{ name: "Ferry green", zones: [{ area: "11000 ft2" }] }],
  };
  const [site] = told([pass(1, "0 fl oz", "10000 ft2")], head).sites;
  expectNear(site.sprayVolume.value, 2.5 * 1.1, 1e-9);
  expectNear(site.products[0].putDown.value, 2.2, 1e-9);
});

describe("what can't be is refused, each at its place", () => {
  test.each([
    ["no outcome", undefined, "outcome: missing"],
    ["an unknown site", [{ ...pass(1, "0 gal", "10 ft2"), site: "Nowhere" }], "outcome[0].site"],
    ["a load that there is not", [pass(3, "0 gal", "10 ft2")], "outcome[0].load"],
    ["as much left as there was", [pass(1, "4 gal", "10 ft2")], "outcome[0].left"],
    ["more left than a pass before", [pass(1, "1 gal", "900 ft2"), pass(1, "1.5 gal", "10 ft2")], "outcome[1].left"],
    ["second passes alone", [pass(1, "0 gal", "10 ft2", { again: true })], "outcome[0].again"],
    [
      "a second word on what was mixed",
      [pass(1, "1 gal", "900 ft2"), pass(1, "0 gal", "9 ft2", { mixed: "4 gal" })],
      "outcome[1].mixed",
    ],
    ["a weight for a volume", [pass(1, "4 oz", "10 ft2")], "outcome[0].left"],
    ["nothing covered", [pass(1, "0 gal", "0 ft2")], "outcome[0].covered"],
    ["a word for a flag", [pass(1, "0 gal", "10 ft2", { again: "yes" })], "outcome[0].again"],
    ["a strange key", [pass(1, "0 gal", "10 ft2", { rest: 1 })], "outcome[0].rest"],
  ])("%s", (_what, outcome, place) => {
    expect(refused(outcome).join("\n")).toContain(place);
  });
  test("every fault at once", () => {
    expect(refused([pass(9, "0 gal", "10 ft2"), pass(1, "4 gal", "10 ft2")])).toHaveLength(2);
  });
  test("granules that are spread dry have no loads", () => {
    const products = [{ ...GRANULE, formulation: "G" }];
    expect(refused([pass(1, "0 gal", "10 ft2")], { products })[0]).toContain("spread dry");
  });
});

test("what was mixed of a product went down or is left, whatever is told", () => {
  const tenths = (most: number) => fc.integer({ min: 0, max: most }).map((n) => n / 10);
  fc.assert(
    fc.property(
      tenths(39),
      tenths(29),
      fc.integer({ min: 10, max: 4000 }),
      fc.integer({ min: 10, max: 4000 }),
      fc.boolean(),
      (one, two, a, b, more) => {
        const rest = Math.floor(one * 5) / 10;
        const second = more && rest < one ? [pass(1, `${rest} gal`, "300 ft2", { again: true })] : [];
        const [site] = told([pass(1, `${one} gal`, `${a} ft2`), ...second, pass(2, `${two} gal`, `${b} ft2`)]).sites;
        // 7 gal with 0.15 oz each were mixed.
        expectNear(site.products[0].total.value + site.products[0].left.value, 0.15 * 7, 1e-9);
        expectNear((site.sprayVolume.value * site.covered.value) / 1000 + site.leftover.value, 7, 1e-9);
      },
    ),
    { numRuns: 60 },
  );
});
