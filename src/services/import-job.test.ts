import { readFileSync } from "node:fs";
import type { Imported } from "@/formats/import";
import { holdClock } from "./clock";
import { importJob } from "./import-job";
import { readAll } from "./read-all";
import { faults, freshRecords, must } from "./testing/town";

const records = freshRecords();
/** A file that is spoilt in one place. */
interface Recorded {
  readonly calibration: { readonly record: { person?: string; madeAt: string; footing: string } };
}

describe("bringing in a job file", () => {
  // Its readings were taken in November.
  beforeEach(() => holdClock("2026-12-01T12:00:00Z"));
  const town00 = () => readFileSync("demo/00-town.job.json", "utf8");
  test("rig, person, calibration, labels and sites; the same file twice brings nothing new", () => {
    const states = (imported: Imported) => new Set(imported.items.map((item) => item.state));
    const first = must(importJob(records.db, town00(), {}));
    expect(first.calibrations).toBe(1);
    expect(first.items.map((item) => item.name)).toEqual(expect.arrayContaining(["Blue backpack", "Odile Marsh"]));
    expect(states(first)).toEqual(new Set(["new"]));
    const again = must(importJob(records.db, town00(), {}));
    expect([again.calibrations, again.applications]).toEqual([0, 0]);
    expect(states(again)).toEqual(new Set(["same"]));
    const book = readAll(records.db);
    expect([book.labels.length, book.sites.length]).toEqual([0, 6]);
    expect(book.sites.every((s) => s.site.zones.length >= 2)).toBe(true);
  });

  test.each<[string, (job: object) => unknown, string]>([
    ["nobody's pace", (job: Recorded) => delete job.calibration.record.person, "calibration.record.person missing"],
    ["a wrong moment", (job: Recorded) => void (job.calibration.record.madeAt = "spring"), "calibration.record.madeAt bad-date"],
    [
      "a wrong ground",
      (job: Recorded) => void (job.calibration.record.footing = "mud"),
      "calibration.record.footing not-a-choice",
    ],
    [
      "an impossible tank",
      (job: { rig: { tanks: { usable: string }[] } }) => void (job.rig.tanks[0]!.usable = "900000 gal"),
      "rig.tanks[0].usable out-of-range",
    ],
    [
      "a bad area",
      (job: { sites: { zones: { area: string }[] }[] }) => void (job.sites[0]!.zones[0]!.area = "many"),
      "sites[0].zones[0].area not-a-number",
    ],
  ] as unknown as [string, (job: object) => unknown, string][])("%s: refused whole", (_what, spoil, expected) => {
    const job = JSON.parse(town00()) as object;
    spoil(job);
    expect(faults(importJob(records.db, JSON.stringify(job), {}))).toContain(expected);
    expect(readAll(records.db).rigs).toEqual([]);
  });
});
