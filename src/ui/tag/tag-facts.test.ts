import type { CalibrationEntry } from "@/formats/entries";
import { judge, thatCounts } from "@/formats/standing";
import { dayNow } from "../data/clock";
import { calibrationOn, labelEntry, PERSON, RIG } from "../testing/show";
import { ratesOn, tagFacts, tagLines, tankOnTag } from "./tag-facts";

const now = new Date().toISOString();
/** The tag of one calibration of some, newest first. */
const tagOf = (entry: CalibrationEntry, system: "us" | "metric", ...newestFirst: CalibrationEntry[]) => {
  const all = newestFirst.length > 0 ? newestFirst : [entry];
  const one = thatCounts(all.map((c) => judge(RIG.rig, c, undefined, dayNow())));
  const inForce = one ? { entry: one.entry, check: null } : null;
  return tagFacts({ entry, before: null, inForce, tap: null }, RIG, PERSON.name, system);
};

describe("the tag", () => {
  test("says all that is needed beside the sprayer", () => {
    const entry = calibrationOn(now);
    const tag = tagOf(entry, "us");
    expect(tag).toMatchObject({
      rig: "Blue backpack",
      whose: "Odile Marsh",
      sprayVolume: "1 gal per 1,000 sq ft",
      tip: "025 at 40 psi",
      course: "250 sq ft, 3 ×; 1,000 sq ft in 248.0 s",
      caught: "31 fl oz/min, 248 s a gallon",
      coverage: "4,000 sq ft",
      warns: "",
    });
    expect(tagLines(tag).map(([name]) => name)).toEqual([
      "Tip",
      "Swath",
      "Course",
      "Caught",
      "A full tank covers",
      "A gallon covers",
      "Made",
    ]);
  });
  test("a full tank's product, judged as a mix without ground is; none on a tag that isn't to be mixed from", () => {
    const entry = calibrationOn(now);
    const looked = { entry, before: null, inForce: { entry, check: null }, tap: null };
    const { card } = labelEntry("label-1", "Wetter", "liquid", "1.5 fl oz/1000 ft2");
    // 4 gal at 1 gal for 1,000 sq ft cover 4,000 sq ft.
    const into = tankOnTag(looked, { card, rate: "1.5 fl oz/1000 ft2" }, "us");
    expect(into).toEqual({ tank: { amount: "6 fl oz Wetter", rate: "1.5 fl oz per 1,000 sq ft" } });
    const lines = (of: CalibrationEntry, ...newest: CalibrationEntry[]) =>
      tagLines({ ...tagOf(of, "us", ...newest), ...("tank" in into && into) });
    expect(lines(entry)).toContainEqual(["Into a full tank", "6 fl oz Wetter"]);
    const old = calibrationOn("2026-01-02T08:00:00Z");
    expect(lines(old, calibrationOn(now), old).map(([name]) => name)).not.toContain("Into a full tank");
    // Over the label's most at once there is no amount, and of granules none for a tank.
    const bound = { ...card, limits: [{ perApplication: "1 fl oz/1000 ft2" }] };
    expect(tankOnTag(looked, { card: bound, rate: "1.5 fl oz/1000 ft2" }, "us")).toEqual({
      why: [expect.stringMatching(/^Held: /)],
    });
    const { card: dry } = labelEntry("label-2", "Prill", "dry", "3 lb/1000 ft2");
    expect(tankOnTag(looked, { card: { ...dry, formulation: "g" }, rate: "3 lb/1000 ft2" }, "us")).toEqual({
      why: ["It is spread dry: nothing of it goes into the tank."],
    });
    expect(
      ratesOn({ ...card, rates: [{ rate: "1 fl oz/1000 ft2", to: "2 fl oz/1000 ft2" }, { rate: "1 fl oz/1000 ft2" }] }),
    ).toEqual(["1 fl oz/1000 ft2", "2 fl oz/1000 ft2"]);
  });
  test("reads in metric", () => {
    const entry = calibrationOn(now);
    expect(tagOf(entry, "metric")).toMatchObject({ sprayVolume: "4.07 L per 100 m²", coverage: "372 m²" });
  });
  test("one that is not to be mixed from says so on its face", () => {
    const old = calibrationOn("2026-01-02T08:00:00Z");
    expect(tagOf(old, "us", calibrationOn(now), old).warns).toBe("A newer calibration has taken its place.");
    expect(tagOf(old, "us").warns).toMatch(/^expired: made \d+ days ago/);
    const changed = calibrationOn(now, { rig: { ...RIG.rig, tip: { size: "03", pressure: "40 psi" } } });
    expect(tagOf(changed, "us").warns).toBe("stale: tip 025, was 03");
  });
  test("an estimate is named as one", () => {
    const entry = calibrationOn(now, {
      calibration: { pace: { kind: "speed", speed: "3 mph", swath: "5 ft" }, flow: { kind: "tip-chart" } },
    });
    const tag = tagOf(entry, "us");
    expect(tag.warns).toBe("An estimate: catch it before mixing.");
    expect(tag.caught).toMatch(/\(estimate\)$/);
    expect(tag.swath).toBe("5 ft");
  });
});
