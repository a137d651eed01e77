import { expectNear } from "@/core/testing/near";
import { run } from "./gauge";

/** Rates for a gallon, granules spread dry, several products in one jar, a head off the label's rate. */
const RIG = { kind: "backpack", tanks: [{ usable: "4 gal" }] };
const SITES = [{ name: "Slip lawn", zones: [{ area: "4000 ft2" }] }];
const job = (more: object) =>
  JSON.stringify({
    format: "careful-gauge-job",
    version: 2,
    rig: RIG,
    calibration: { sprayVolume: "3.75 gal/1000 ft2" },
    sites: SITES,
    ...more,
  });
const mixed = (more: object) => {
  const { out, err, exit } = run("mix", job(more));
  expect({ err, exit }).toEqual({ err: "", exit: 0 });
  return JSON.parse(out);
};
const refused = (more: object) => {
  const { out, err, exit } = run("mix", job(more));
  expect({ out, exit }).toEqual({ out: "", exit: 2 });
  return err;
};
const codes = (list: { code: string }[]) => list.map((one) => one.code);

describe("a rate for a gallon", () => {
  const wet = { name: "Demo wetter", form: "liquid", rate: "2 tbsp/gal" };
  test("2 tbsp a gallon for 1,000 sq ft is 1 fl oz per 1,000, whatever is sprayed", () => {
    for (const volume of ["0.5 gal/1000 ft2", "3.75 gal/1000 ft2"]) {
      const plan = mixed({ products: [{ ...wet, gallonCovers: "1000 ft2" }], calibration: { sprayVolume: volume } });
      expectNear(plan.sites[0].products[0].total.value, 4, 1e-12);
      expect(codes(plan.warnings)).not.toContain("ground-open");
    }
  });
  test("without it the strength stays one, and that is said: 3.75 times as much goes down", () => {
    const plan = mixed({ products: [wet] });
    expectNear(plan.sites[0].products[0].total.value, 4 * 3.75, 1e-12);
    expect(codes(plan.warnings)).toContain("ground-open");
  });
  test.each([
    ["an adjuvant", { formulation: "SURFACTANT" }],
    ["dye", { formulation: "dye" }],
    ["a limit by area", { limits: { perApplication: "9 fl oz/1000 ft2" } }],
  ])("%s is not asked about", (_, more) => {
    expect(codes(mixed({ products: [{ ...wet, ...more }] }).warnings)).not.toContain("ground-open");
  });
  test("limits hold against the ground, and those for a gallon are turned likewise", () => {
    const one = { ...wet, gallonCovers: "1000 ft2" };
    expect(mixed({ products: [{ ...one, limits: { perApplication: "1 fl oz/1000 ft2" } }] }).status).toBe("ready");
    const held = mixed({ products: [{ ...one, limits: { perApplication: "0.9 fl oz/1000 ft2" } }] });
    expect(codes(held.reasons)).toEqual(["over-application-limit"]);
    expect(held.reasons[0].most).toEqual({ value: expect.closeTo(0.9, 12), unit: "fl oz/1000 ft2" });
    expect(codes(mixed({ products: [{ ...one, limits: { perApplication: "1 tbsp/gal" } }] }).reasons)).toEqual([
      "over-application-limit",
    ]);
    expect(mixed({ products: [{ ...one, labelRange: ["1 tbsp/gal", "2 tbsp/gal"] }] }).status).toBe("ready");
  });
  test("beside a rate for an area it is a fault; what is no area is another", () => {
    expect(refused({ products: [{ ...wet, rate: "1 fl oz/1000 ft2", gallonCovers: "1000 ft2" }] })).toMatch(
      /^products\[0\]\.gallonCovers: /,
    );
    expect(refused({ products: [{ ...wet, gallonCovers: "1 gal" }] })).toMatch(/^products\[0\]\.gallonCovers: /);
  });
  test("of a dry product by weight; %v/v is fluid ounces of 128", () => {
    const dry = { name: "Grain", form: "dry", rate: "0.5 oz/gal", gallonCovers: "500 ft2" };
    expectNear(mixed({ products: [dry] }).sites[0].products[0].total.value, 4, 1e-12);
    expectNear(
      mixed({ products: [{ ...wet, rate: "1 %v/v", gallonCovers: "1000 ft2" }] }).sites[0].products[0].total.value,
      5.12,
      1e-12,
    );
  });
});

describe("granules spread dry", () => {
  const granule = {
    name: "Demo feed",
    form: "dry",
    formulation: "G",
    rate: "6.25 lb/1000 ft2",
    price: { amount: 40, currency: "USD", per: "50 lb" },
  };
  const alone = { rig: undefined, calibration: undefined, products: [granule] };
  test("alone they need no rig: bags, pounds, area; 0.75 lb N from 12 % on 40,000 sq ft are 5 bags of 50 lb (trade check value)", () => {
    const sites = [{ name: "Field", zones: [{ area: "30000 ft2" }, { area: "10000 ft2" }] }];
    const plan = mixed({ ...alone, sites });
    expect(plan).toMatchObject({ format: "careful-gauge-mix", status: "ready" });
    expect(plan.spreadDry).toEqual([
      {
        site: "Field",
        name: "Demo feed",
        total: { value: expect.closeTo(4000, 9), unit: "oz" },
        area: { value: expect.closeTo(40000, 6), unit: "ft2" },
        packages: { count: 5, content: { value: expect.closeTo(800, 9), unit: "oz" } },
        cost: { value: expect.closeTo(200, 9), currency: "USD" },
      },
    ]);
    expect(plan.sites[0]).toMatchObject({ name: "Field", loads: [], products: [{ name: "Demo feed" }] });
  });
  test("what should be known of them is said in words, as of any mix", () => {
    const plan = mixed({ ...alone, products: [{ ...granule, labelRange: ["7 lb/1000 ft2", "8 lb/1000 ft2"] }] });
    expect(plan.warnings).toEqual([
      {
        code: "under-label-range",
        text: expect.stringContaining("6.25 lb per 1,000 sq ft is under the label's least, 7 lb per 1,000"),
      },
    ]);
  });
  test("their limits hold, and a held site has no bags", () => {
    const limits = { perApplication: "6 lb/1000 ft2" };
    const plan = mixed({ ...alone, products: [{ ...granule, limits }] });
    expect(plan).toMatchObject({ status: "held", sites: [], spreadDry: [] });
    expect(codes(plan.reasons)).toEqual(["over-application-limit"]);
  });
  test("beside wet ones they are in no load, and share one budget by their active", () => {
    const active = (fraction: string) => [{ name: "demo active", fraction }];
    const wet = { name: "Demo grain", form: "dry", formulation: "WG", rate: "0.3 oz/1000 ft2", actives: active("40 %") };
    const plan = mixed({ products: [{ ...granule, actives: active("1 %") }, wet] });
    expect(plan.sites[0].loads[0].products.map((p: { name: string }) => p.name)).toEqual(["Demo grain"]);
    expect(plan.sites[0].products.map((p: { name: string }) => p.name)).toEqual(["Demo grain"]);
    expectNear(plan.spreadDry[0].total.value, 6.25 * 16 * 4, 1e-12);
    const held = mixed({
      products: [
        { ...granule, actives: active("1 %") },
        { ...wet, limits: { perApplication: "2 oz/1000 ft2" } },
      ],
    });
    // 100 oz of 1 % are 2.5 oz of 40 %.
    expect(codes(held.reasons)).toEqual(["over-application-limit"]);
    expect(held.spreadDry).toBeUndefined();
  });
  test("wet ones still need their rig, and a strength is no rate for what is spread", () => {
    expect(refused({ ...alone, products: [granule, { ...granule, name: "B", formulation: "WG" }] })).toMatch(/^rig: /);
    expect(refused({ ...alone, products: [{ ...granule, rate: "1 oz/gal" }] })).toMatch(/^products\[0\]\.rate: /);
    expect(refused({ ...alone, sites: [] })).toMatch(/^sites: /);
    expect(run("calibrate", job(alone)).err).toMatch(/^calibration: /);
    expect(run("mix", job(alone), "site,area\nA,500 ft2").err).toMatch(/^products: /);
  });
  test("carrier and dilution are no matter of theirs", () => {
    const says = { carrierAtLeast: "5 gal/1000 ft2", dilutionAtLeast: "90:1" };
    expect(
      mixed({
        products: [
          { ...granule, ...says },
          { name: "Soap", form: "liquid", rate: "1 fl oz/1000 ft2" },
        ],
      }).status,
    ).toBe("ready");
  });
});

describe("a hose-end head", () => {
  const head = (jar?: object) => ({
    kind: "hose-end",
    tanks: [{ usable: "32 fl oz" }],
    head: { kind: "dial", setting: "2 fl oz/gal", ...(jar && { jar }) },
  });
  const flow = { kind: "timed-catch", catches: [{ volume: "2.5 gal", time: "60 s" }] };
  const pace = (seconds: number) => ({ kind: "timed-area", area: "1000 ft2", times: [`${seconds} s`] });
  const soap = { name: "Soap", form: "liquid", rate: "4 fl oz/1000 ft2" };
  test("at the pace that was timed it is held beyond 10 % of the label, and ready up to it", () => {
    // 2.5 gal/min at 2 fl oz a gallon draw 5 fl oz a minute: 4 fl oz take 48 s.
    for (const [seconds, status] of [
      [48, "ready"],
      [52.8, "ready"],
      [43.2, "ready"],
      [53, "held"],
      [43, "held"],
    ] as const) {
      const plan = mixed({ rig: head(), calibration: { pace: pace(seconds), flow }, products: [soap] });
      expect(plan.status).toBe(status);
      expect(codes(plan.reasons)).toEqual(status === "held" ? ["head-off-rate"] : []);
      expectNear(plan.hoseEnd.timePer1000.value, 48, 1e-9);
      expectNear(plan.hoseEnd.overdose, seconds / 48, 1e-9);
    }
  });
  test("by its flow alone the plan gives the seconds, and isn't held", () => {
    const plan = mixed({ rig: head(), calibration: { flow }, products: [soap] });
    expect(plan.status).toBe("ready");
    expectNear(plan.hoseEnd.timePer1000.value, 48, 1e-9);
    expect(plan.hoseEnd.overdose).toBeNull();
    expectNear(plan.sprayVolume.value, 2, 1e-9);
    expect(run("mix", job({ rig: head(), calibration: { flow }, products: undefined })).err).toMatch(/^calibration\.pace: /m);
    expect(refused({ rig: RIG, calibration: { flow }, products: [soap] })).toMatch(/^calibration\.pace: /);
  });
  test("several products in one jar: by their rates, where the first one's water has room", () => {
    const jar = { product: "8 fl oz", water: "8 fl oz" };
    const second = { name: "Iron", form: "liquid", rate: "3 fl oz/1000 ft2" };
    const plan = mixed({ rig: head(jar), calibration: { flow }, products: [soap, second] });
    // A jar of 32 fl oz holds 16 of the first for 4,000 sq ft, and 12 of the second in its water.
    expect(plan.sites[0].loads).toHaveLength(1);
    expectNear(plan.sites[0].loads[0].fillTo.value, 0.25, 1e-9);
    expect(plan.sites[0].loads[0].products).toEqual([
      { name: "Soap", amount: { value: expect.closeTo(16, 9), unit: "fl oz" } },
      { name: "Iron", amount: { value: expect.closeTo(12, 9), unit: "fl oz" } },
    ]);
    const over = refused({ rig: head(jar), calibration: { flow }, products: [soap, { ...second, rate: "5 fl oz/1000 ft2" }] });
    expect(over).toMatch(/^products\[1\]\.rate: .*4 fl oz.*is the most that fits/);
    expect(refused({ rig: head(), calibration: { flow }, products: [soap, second] })).toMatch(/^products\[1\]\.rate: /);
    expect(refused({ rig: head(jar), calibration: { flow }, products: [soap, { ...second, rate: "1 fl oz/gal" }] })).toMatch(
      /^products\[1\]\.rate: /,
    );
  });
});
