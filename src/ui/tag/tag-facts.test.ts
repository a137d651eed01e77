import type { CalibrationEntry } from "@/formats/entries";
import { judge, thatCounts } from "@/formats/standing";
import { dayNow } from "../data/clock";
import { calibrationOn, PERSON, RIG } from "../testing/show";
import { tagFacts, tagLines } from "./tag-facts";

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
