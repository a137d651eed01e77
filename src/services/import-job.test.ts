import { readFileSync } from "node:fs";
import { importJob } from "./import-job";
import { readBook } from "./read-book";
import { faults, freshRecords, must } from "./testing/town";

const records = freshRecords();

describe("bringing in a job file", () => {
  const town00 = () => readFileSync("demo/00-town.job.json", "utf8");
  test("rig, person, calibration, labels and sites; the same file twice brings nothing new", () => {
    expect(must(importJob(records.db, town00()))).toMatchObject({
      rigs: ["Blue backpack"],
      people: ["Odile Marsh"],
      calibrations: 1,
    });
    expect(must(importJob(records.db, town00()))).toEqual({
      rigs: [],
      people: [],
      labels: [],
      sites: [],
      calibrations: 0,
      applications: 0,
      differing: [],
    });
    const book = readBook(records.db);
    expect([book.labels.length, book.sites.length]).toEqual([0, 6]);
    expect(book.sites.every((s) => s.site.zones.length >= 2)).toBe(true);
  });

  test.each<[string, (job: Record<string, never>) => unknown, string]>([
    ["nobody's pace", (job: Record<string, unknown>) => delete job["x-person"], "x-person missing"],
    ["a wrong moment", (job: Record<string, unknown>) => void (job["x-made-at"] = "spring"), "x-made-at bad-date"],
    ["a wrong ground", (job: Record<string, unknown>) => void (job["x-ground"] = "mud"), "x-ground not-a-choice"],
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
  ] as [string, (job: Record<string, never>) => unknown, string][])("%s: refused whole", (_what, spoil, expected) => {
    const job = JSON.parse(town00());
    spoil(job);
    expect(faults(importJob(records.db, JSON.stringify(job)))).toContain(expected);
    expect(readBook(records.db).rigs).toEqual([]);
  });
});
