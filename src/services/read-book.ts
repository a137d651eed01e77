import { stepKeys } from "@/core/contents";
import type { Book, Sheet } from "@/formats/book";
import { soundJob, soundPlan } from "@/formats/job-file/assemble";
import { dismissalsOf, listApplications } from "@/records/applications";
import { findCalibration, listCalibrations } from "@/records/calibrations";
import { listKitChecks, listQuickChecks } from "@/records/checks";
import type { Records } from "@/records/database";
import { listLabels } from "@/records/labels";
import { findPerson, listPeople } from "@/records/people";
import { listRigs } from "@/records/rigs";
import { doneSteps, findSheet, listSheets } from "@/records/sheets";
import { listTips } from "@/records/tips";
import { countedOf } from "./counted";
import { jobToday, sheetState } from "./save-sheet";
import { listSites } from "@/records/sites";

/** As many as a screen can use: the last season's calibrations, the last weeks' sheets. */
const CALIBRATIONS = 300;
const SHEETS = 40;
const CHECKS = 400;
const APPLICATIONS = 300;

/** Everything that the screens show, in one reading. */
export function readBook(db: Records): Book {
  const applications = listApplications(db, APPLICATIONS);
  const calibrations = listCalibrations(db, CALIBRATIONS);
  const dismissed = dismissalsOf(
    db,
    [...applications, ...calibrations].map((record) => record.id),
  );
  const meant = (id: string) => dismissed.filter((d) => d.recordId === id).map((d) => `${d.typed}: ${d.reason}`);
  return {
    people: listPeople(db).map((p) => ({ id: p.id, name: p.name, retired: p.retiredAt !== null })),
    rigs: listRigs(db),
    labels: listLabels(db),
    sites: listSites(db),
    calibrations: calibrations.map((c) => ({
      id: c.id,
      rigId: c.rigId,
      personId: c.personId,
      siteId: c.siteId,
      method: c.method,
      lever: c.lever,
      leverSetTo: c.leverSetTo,
      follows: c.follows,
      madeAt: c.madeAt,
      ground: c.ground,
      rig: c.job.rig,
      calibration: c.job.calibration,
      meant: meant(c.id),
      struck: c.struck.map((t) => ({ of: t.of, time: t.time.text, volume: t.volume?.text ?? null, why: t.struck! })),
    })),
    tips: listTips(db),
    checks: listQuickChecks(db, CHECKS).map((c) => ({
      id: c.id,
      rigId: c.rigId,
      personId: c.personId,
      calibrationId: c.calibrationId,
      madeAt: c.madeAt,
      volume: c.volume.text,
      time: c.time.text,
      ratio: c.ratio,
    })),
    kitChecks: listKitChecks(db, CHECKS).map(({ createdAt: _, ...proof }) => proof),
    sheets: listSheets(db, SHEETS).map((s) => ({
      id: s.id,
      madeAt: s.madeAt,
      siteId: s.siteId,
      rigId: s.rigId,
      personId: s.personId,
      steps: stepKeys(soundPlan(soundJob(s.job)).plan).length,
      done: s.done.length,
      state: sheetState(db, s.id),
    })),
    counted: countedOf(db),
    applications: applications.map(({ area: _, gravity: _g, createdAt: _c, ...record }) => ({
      ...record,
      meant: meant(record.id),
    })),
  };
}

/** One mix sheet, whole, with its ticks; undefined where there is none. */
export function readSheet(db: Records, id: string): Sheet | undefined {
  const sheet = findSheet(db, id);
  if (!sheet) return undefined;
  return {
    id,
    madeAt: sheet.madeAt,
    personName: sheet.personId === null ? null : (findPerson(db, sheet.personId)?.name ?? null),
    calibrationMadeAt: findCalibration(db, sheet.calibrationId)!.madeAt,
    state: sheetState(db, id),
    job: jobToday(db, sheet),
    done: doneSteps(db, id),
  };
}
