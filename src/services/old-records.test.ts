import { createHash } from "node:crypto";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { brotliDecompressSync } from "node:zlib";
import { calibrate } from "@/core/calibration/calibrate";
import { calibrationResult, mixResult } from "@/formats/job-file/results";
import { calibrationJob, soundJob, soundPlan } from "@/formats/job-file/assemble";
import { openRecords, recordsFile, type Records } from "@/records/database";
import { allSheets } from "@/records/sheets";
import { holdClock } from "./clock";
import { judgeSheet } from "./judge";
import { readAll } from "./read-all";

/**
 * Records as each state of the schema left them, written by the program of its day from demo data (`src/testing/corpus`).
 * They open, nothing of them is set aside, and they count, plan and explain as they did on 2 December 2026, when these
 * figures were taken: a record that was kept is never read otherwise because the program moved on. A figure that changes
 * on purpose is changed in `stood.json`, with the reason in the commit.
 */
const CORPUS = path.join("src", "testing", "corpus");
const WHEN = "2026-12-02T15:00:00.000Z";
const files = readdirSync(path.join(CORPUS, "records")).sort();

/** Every text, number and flag in something, whatever its keys are called: names may change, what was written may not. */
function leaves(value: unknown, into: string[] = []): string[] {
  if (typeof value === "object" && value !== null) for (const one of Object.values(value)) leaves(one, into);
  else if (value !== undefined) into.push(typeof value === "number" ? value.toPrecision(12) : JSON.stringify(value));
  return into;
}
const digest = (value: unknown) => createHash("sha256").update(leaves(value).sort().join("\n")).digest("hex").slice(0, 16);

function stoodNow(db: Records) {
  const all = readAll(db);
  const plans = allSheets(db).map((sheet) => {
    const { calibration, plan } = soundPlan(soundJob(sheet.job));
    const { stopped } = judgeSheet(db, sheet);
    return [sheet.id, mixResult(plan, calibration), stopped.map(({ code, received }) => [code, received])];
  });
  const calibrations = all.calibrations.map(({ id, rig, calibration }) => {
    const job = soundJob(calibrationJob(rig, calibration));
    return [id, calibrationResult(job, calibrate(job.calibration))];
  });
  return {
    rigs: all.rigs.length,
    people: all.people.length,
    labels: all.labels.length,
    zones: all.sites.flatMap(({ site }) => site.zones.map((zone) => `${site.name} ${zone.name}: ${zone.area}`)),
    calibrations: [all.calibrations.length, digest(calibrations), digest(all.calibrations)],
    sheets: [plans.length, digest(plans), digest(all.sheets.map(({ id, state, steps, done }) => [id, state, steps, done]))],
    applications: [all.applications.length, digest(all.applications)],
    counted: [all.counted.length, digest(all.counted)],
    aside: all.aside.map(({ of, id }) => `${of} ${id}`),
  };
}

const stood = JSON.parse(readFileSync(path.join(CORPUS, "stood.json"), "utf8")) as Record<string, unknown>;

test("the corpus has records of every state of the schema that was released", () => {
  expect(files.length).toBeGreaterThan(20);
  expect(files.map((file) => file.replace(".db.br", ""))).toEqual(Object.keys(stood));
});

describe("records as each state of the schema left them", () => {
  let folder: string;
  beforeEach(() => {
    holdClock(WHEN);
    folder = mkdtempSync(path.join(tmpdir(), "gauge-"));
  });
  afterEach(() => {
    holdClock(undefined);
    rmSync(folder, { recursive: true, force: true });
  });
  test.each(files)("%s", (file) => {
    writeFileSync(recordsFile(folder), brotliDecompressSync(readFileSync(path.join(CORPUS, "records", file))));
    const db = openRecords(folder);
    try {
      expect(stoodNow(db)).toEqual(stood[file.replace(".db.br", "")]);
    } finally {
      db.$client.close();
    }
  });
});
