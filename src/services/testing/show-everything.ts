import { calibrate } from "@/core/calibration/calibrate";
import { standingOf } from "@/core/calibration/standing";
import { rateAt, rowRates } from "@/formats/card/choice";
import { productOf } from "@/formats/card/product-of";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { kitOf } from "@/formats/rig-setup";
import { planOfSheet } from "@/formats/sheet-plan";
import { standsOn } from "@/formats/stands-on";
import type { Records } from "@/records/database";
import { readSheet } from "../slices/sheets";
import { readAll } from "../read-all";

/** For tests: works out what every room works out of the records. @throws Error where a room would be empty */
export function showEverything(db: Records): void {
  const book = readAll(db);
  if (book.aside.length > 0) throw new Error(`set aside: ${JSON.stringify(book.aside)}`);
  for (const { rig } of book.rigs) {
    standsOn(rig);
    kitOf(rig);
  }
  for (const entry of book.calibrations) {
    calibrate(soundJob(calibrationJob(entry.rig, entry.calibration)).calibration);
    const rig = book.rigs.find((r) => r.id === entry.rigId)!;
    standingOf(standsOn(entry.rig), standsOn(rig.rig), 0, 0);
  }
  for (const { card } of book.labels)
    card.rates.forEach((_, i) => {
      rowRates(card, i);
      if (!productOf(card, rateAt(card, i, "least", false)).ok) throw new Error(`${card.name} can't be mixed`);
    });
  for (const { id } of book.sheets) {
    const sheet = readSheet(db, id)!;
    planOfSheet(sheet.job, sheet.run);
  }
  JSON.stringify(book);
}
