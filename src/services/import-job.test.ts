import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import type { Imported } from "@/formats/import";
import { openRecords } from "@/records/database";
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

test("the same file in its first version and in its second is the same file, whichever came before", () => {
  holdClock("2026-12-01T12:00:00Z");
  const applied = { of: "Other granule", active: "demo active", fraction: "2 %", amount: "1.5 oz/1000 ft2", date: "2026-04-14" };
  const withHistory = (text: string, entry: object) => {
    const file = JSON.parse(text) as { sites: { zones: { applied?: object[] }[] }[] };
    file.sites[0]!.zones[0]!.applied = [entry];
    return JSON.stringify(file);
  };
  const first = withHistory(readFileSync("src/testing/corpus/job-files/00-town.job.json", "utf8"), { ...applied, "x-also-on": "2026-04-15" }); // prettier-ignore
  const second = withHistory(readFileSync("demo/00-town.job.json", "utf8"), { ...applied, alsoOn: "2026-04-15" });
  for (const [one, other] of [
    [first, second],
    [second, first],
  ] as const) {
    const folder = mkdtempSync(path.join(tmpdir(), "gauge-"));
    const db = openRecords(folder);
    const came = must(importJob(db, one, {}));
    expect([came.calibrations, came.applications]).toEqual([1, 1]);
    const was = JSON.stringify(readAll(db));
    const again = must(importJob(db, other, {}));
    expect([again.calibrations, again.applications]).toEqual([0, 0]);
    expect(new Set(again.items.map((item) => item.state))).toEqual(new Set(["same"]));
    expect(JSON.stringify(readAll(db))).toBe(was);
    db.$client.close();
    rmSync(folder, { recursive: true, force: true });
  }
});
