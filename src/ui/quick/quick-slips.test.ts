import { BLANK, type Quick } from "./quick-job";
import { quickAsks } from "./quick-slips";

/** Each slip of the trade that can be made on the one page is asked about there, and nothing else is. */
const RIGHT: Quick = {
  ...BLANK,
  tank: "4 gal",
  plot: "250 ft2",
  times: "62 s, 64 s",
  caught: "33 fl oz",
  rate: "0.3 oz/1000 ft2",
  lawn: "62 x 100 ft",
};
const asked = (more: Partial<Quick>) =>
  quickAsks({ ...RIGHT, ...more }, "us").map(({ field, slips }) => [field, slips.map((slip) => slip.corrected)] as const);

test("what is right is never asked about", () => {
  expect(asked({})).toEqual([]);
  expect(asked({ kind: "spray-truck", tank: "300 gal", caught: "4 gal", form: "liquid", rate: "1.5 fl oz/1000 ft2" })).toEqual(
    [],
  );
  expect(asked({ rate: "0.35 oz/1000 ft2", most: "0.4 oz/1000 ft2" })).toEqual([]);
});

test.each<[string, Partial<Quick>, string, string | null]>([
  ["minutes for seconds", { times: "28 min" }, "times", "28 s"],
  ["a pack of 40 gal", { tank: "40 gal" }, "tank", "4 gal"],
  ["a truck's 2 gal that became fluid ounces", { kind: "spray-truck", tank: "300 gal", caught: "2 fl oz" }, "caught", "2 gal"],
  ["a lawn of 6.6", { lawn: "6.6 ft2" }, "lawn", "6600 ft2"],
  ["a point between thousands", { lawn: "6.200 ft2" }, "lawn", "6200 ft2"],
  ["pounds for an acre", { rate: "5 lb/1000 ft2" }, "rate", "5 lb/ac"],
  ["over the most that stands beside it", { rate: "3 oz/1000 ft2", most: "0.4 oz/1000 ft2" }, "rate", "0.3 oz/1000 ft2"],
  ["a weight of a liquid", { form: "liquid", rate: "1.5 oz/1000 ft2" }, "rate", "1.5 fl oz/1000 ft2"],
])("%s", (_, more, field, corrected) => {
  const found = asked(more).find(([of]) => of === field);
  expect(found?.[1]).toContain(corrected);
});

test("what is taken is put in its place, of several walks in its own", () => {
  const [ask] = quickAsks({ ...RIGHT, times: "62 s, 64 min, 61 s" }, "us").filter(({ field }) => field === "times");
  expect(ask!.typed).toBe("64 min");
  expect(ask!.take("64 s")).toEqual({ times: "62 s, 64 s, 61 s" });
});
