import { readFileSync } from "node:fs";
import path from "node:path";
import { lineFor, type Result } from "@/core/issue";
import { closeRecords, openRecords, type Records } from "@/records/database";
import { putSetting } from "@/records/settings";
import { machineZone, nowText } from "@/services/clock";
import { importCards } from "@/services/import-cards";
import { importJob } from "@/services/import-job";
import type { Template } from "./server";

/** Writes the records that journeys begin on, once a run: copied for each, not loaded. */
const loads: Record<Template, (db: Records) => void> = {
  empty: () => {},
  town: (db) => {
    must(importCards(db, readFileSync("demo/labels.json", "utf8")));
    must(importJob(db, readFileSync("demo/00-town.job.json", "utf8"), {}));
  },
};

function must(result: Result<unknown>): void {
  if (!result.ok) throw new Error(result.issues.map(lineFor).join("\n"));
}

for (const [name, load] of Object.entries(loads)) {
  const db = openRecords(path.join(process.env.TEST_TEMPLATES!, name));
  putSetting(db, "time-zone", machineZone(), nowText());
  load(db);
  closeRecords(db);
}
