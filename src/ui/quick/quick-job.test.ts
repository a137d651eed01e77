import { raw } from "@/core/quantity/kinds";
import { num } from "@/core/working/rule";
import { expectNear } from "@/core/testing/near";
import { readAny } from "@/formats/job-file/read";
import { BLANK, quickAnswer, quickFile, timesOf, type Quick } from "./quick-job";

const GAL = 3785.411784;
const quick = (more: Partial<Quick> = {}): Quick => ({
  ...BLANK,
  tank: "4",
  plot: "10 x 25",
  times: "62, 63, 61",
  caught: "33",
  rate: "0.3 oz",
  lawn: "62 x 100",
  ...more,
});

test("the answer grows with what is typed: the spray volume, what a tank covers, the loads", () => {
  expect(quickAnswer(BLANK)).toEqual({ issues: [] });
  const sprayed = quickAnswer(quick({ tank: "", rate: "", lawn: "" }));
  // 33 fl oz on 250 sq ft are 132 for 1,000: 1.03125 gal.
  expectNear((num(sprayed.made!.sprayVolume) * 92.90304) / GAL, 1.03125, 1e-9);
  expect([sprayed.covers, sprayed.planned]).toEqual([undefined, undefined]);
  expectNear(num(quickAnswer(quick({ rate: "", lawn: "" })).covers!) / 0.09290304, 4000 / 1.03125, 1e-9);
  const { plan } = quickAnswer(quick()).planned!;
  expect(plan.sites[0]!.loads).toHaveLength(2);
  expectNear(raw(plan.sites[0]!.totals[0]!.value as never) / 28.349523125, 0.3 * 6.2, 1e-9);
});

test("a rest within the ± is no load by itself; how it is gone about can be said", () => {
  const loads = (more: Partial<Quick> = {}) => {
    const { job, plan } = quickAnswer(quick({ lawn: "3900 sq ft", ...more })).planned!;
    return [job.oneLess, plan.sites[0]!.loads.length];
  };
  // A tank covers 3,879 sq ft: the rest is 0.5 % of the spray.
  expect(loads()).toEqual([true, 1]);
  expect(loads({ lastLoad: "less" })).toEqual([true, 1]);
  expect(loads({ lastLoad: "fill" })).toEqual([false, 2]);
  expect(loads({ lastLoad: "equal" })).toEqual([false, 2]);
  // Of a real rest nothing is taken away.
  expect(loads({ lawn: "6000 sq ft" })).toEqual([false, 2]);
});

test("a course in place of a plot, and a catch for a time of its own", () => {
  const { made } = quickAnswer(quick({ course: true, distance: "50", swath: "5", times: "62", caught: "33", caughtFor: "62" }));
  expectNear((num(made!.sprayVolume) * 92.90304) / GAL, 1.03125, 1e-9);
  const half = quickAnswer(quick({ caught: "16.5", caughtFor: "31" }));
  expectNear((num(half.made!.sprayVolume) * 92.90304) / GAL, 1.03125, 1e-9);
});

test("times of several walks, with commas or blanks between", () => {
  expect(timesOf("62, 63 ;61")).toEqual(["62 s", "63 s", "61 s"]);
  expect(timesOf("1:02 63")).toEqual(["1:02", "63 s"]);
  expect(timesOf("62, soon")).toBeUndefined();
  expect(timesOf("")).toBeUndefined();
});

test("over the label's most there is no amount; a rate for a gallon is asked about", () => {
  const over = quickAnswer(quick({ most: "0.25 oz" })).planned!.plan;
  expect([over.sites, over.reasons.map((r) => r.code)]).toEqual([[], ["over-application-limit"]]);
  const gallon = quickAnswer(quick({ form: "liquid", rate: "2 tbsp/gal" }));
  expect([gallon.planned, gallon.issues[0]!.received]).toEqual([undefined, "2 tbsp/gal is a rate for a gallon"]);
  expect(quickAnswer(quick({ rate: "2 fl oz" })).issues[0]).toMatchObject({ code: "volume-on-dry" });
});

test("kept, it is a job file that anyone can read", () => {
  const names = { rig: "Blue backpack", person: "Odile Marsh", product: "Osselgrain", site: "Ferry green" };
  const file = quickFile(quick({ names, most: "0.4" }));
  expect(file?.ok && readAny(file.value).ok).toBe(true);
  expect(file?.ok && file.value).toMatchObject({
    rig: { name: "Blue backpack", tanks: [{ usable: "4 gal" }] },
    products: [{ name: "Osselgrain", rate: "0.3 oz/1000 ft2", limits: { perApplication: "0.4 oz/1000 ft2" } }],
    sites: [{ name: "Ferry green", zones: [{ area: "6200 ft2" }] }],
  });
  expect(quickFile(quick({ lawn: "" }))).toBeUndefined();
});

test("with no lawn typed it says what goes into a full tank, held by the label's most at once", () => {
  const quick = { ...BLANK, tank: "4 gal", plot: "250 ft2", times: "62 s, 62 s", caught: "33 fl oz", rate: "0.3 oz/1000 ft2" };
  const { full, planned } = quickAnswer(quick);
  expect(planned).toBeUndefined();
  // 33 fl oz in 62 s over 250 sq ft is 1.03125 gal per 1,000 sq ft: 4 gal cover 3,879 sq ft, which take 1.164 oz.
  expect(full!.contents!.amounts.map((amount) => Number(amount.value) / 28.349523125)[0]).toBeCloseTo(1.1636, 3);
  expect(quickAnswer({ ...quick, most: "0.2 oz/1000 ft2" }).full).toMatchObject({ contents: null });
  expect(quickAnswer({ ...quick, lawn: "6,200 ft2" }).full).toBeUndefined();
});
