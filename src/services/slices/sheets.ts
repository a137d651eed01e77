import { tankName } from "@/formats/job-file/assemble";
import type { JobFile } from "@/formats/job-file/types";
import { planOfSheet, tickKeys } from "@/formats/sheet-plan";
import type { LastMix, Sheet, SheetEntry, UnaccountedEntry } from "@/formats/entries";
import type { Cursor, Page } from "@/formats/slices";
import { readRows, type SetAside } from "@/records/aside";
import { findCalibration } from "@/records/calibrations";
import type { Access } from "@/records/database";
import { endsOfSheet, unaccountedLoads } from "@/records/load-ends";
import { outcomesOfSheet } from "@/records/outcomes";
import { findPerson } from "@/records/people";
import {
  doneSteps,
  findSheet,
  mixedInto,
  openSheetsPage,
  productsOfSheet,
  sheetsById,
  sheetsOfDay,
  siteIdOf,
} from "@/records/sheets";
import { rinsedSince } from "@/records/stock";
import { lastWeather } from "@/records/weather";
import { wasPoured } from "../counted";
import { clockBehind, judgeSheet, stoppedFaults, weatherFaults } from "../judge";
import { runOf, sheetState, type SheetRow } from "../sheet-state";

/** What is known of mix sheets: which are open, one of them whole, what was mixed before. */

const OPEN = 20;

export function openSheets(db: Access, { after }: { after?: Cursor }, aside: SetAside[]): Page<SheetEntry> {
  const page = openSheetsPage(db, after, OPEN, aside);
  return { ...page, rows: readRows("mix sheet", page.rows, (sheet) => sheetEntry(db, sheet), aside) };
}

/** What a list shows of a sheet: the gear and the steps that there are, and those that are ticked. */
export function sheetEntry(db: Access, sheet: SheetRow): SheetEntry {
  const keys = keysOf(db, sheet);
  return {
    id: sheet.id,
    madeAt: sheet.madeAt,
    rigId: sheet.rigId,
    personId: sheet.personId,
    sites: (sheet.job.sites ?? []).map((site) => site.name),
    products: (sheet.job.products ?? []).map((product) => product.name),
    tank: tankName(sheet.job),
    run: sheet.job.run === "day",
    dayId: sheet.dayId,
    steps: keys.length,
    done: doneSteps(db, sheet.id).filter((key) => keys.includes(key)).length,
  };
}

/** The keys of a sheet, worked out once for each way that its day may stand; of one that is no day there is only one. */
const known = new WeakMap<JobFile, Map<string, readonly string[]>>();

function keysOf(db: Access, sheet: SheetRow): readonly string[] {
  const run = runOf(db, sheet);
  const states = known.get(sheet.job) ?? new Map<string, readonly string[]>();
  known.set(sheet.job, states);
  const state = JSON.stringify(run);
  const keys = states.get(state) ?? tickKeys(sheet.job, planOfSheet(sheet.job, run));
  states.set(state, keys);
  return keys;
}

const othersOf = (db: Access, { id, dayId }: SheetRow) =>
  dayId === null
    ? []
    : sheetsOfDay(db, dayId).flatMap((other) => (other.id === id ? [] : [{ id: other.id, tank: tankName(other.job) }]));

/** A sheet as it stands: an open one as the world is now, with what the weather of its places says; another one as it was. */
function standing(db: Access, sheet: SheetRow): Pick<Sheet, "job" | "stopped" | "weatherHolds" | "clockBehind"> {
  if (sheetState(db, sheet.id) !== "open") return { job: sheet.job, stopped: [], weatherHolds: [], clockBehind: null };
  const judged = judgeSheet(db, sheet);
  const { job } = judged;
  const siteIds = (sheet.job.sites ?? []).map((site) => siteIdOf(sheet, site));
  return {
    job,
    stopped: stoppedFaults(judged),
    weatherHolds: weatherFaults(db, siteIds, job),
    clockBehind: clockBehind(db) ?? null,
  };
}

/** One mix sheet, whole, with its ticks; undefined where there is none. */
export function readSheet(db: Access, id: string): Sheet | undefined {
  const sheet = findSheet(db, id);
  if (!sheet) return undefined;
  return {
    id,
    madeAt: sheet.madeAt,
    personId: sheet.personId,
    personName: sheet.personId === null ? null : (findPerson(db, sheet.personId)?.name ?? null),
    calibrationMadeAt: findCalibration(db, sheet.calibrationId)!.madeAt,
    rigId: sheet.rigId,
    tank: tankName(sheet.job),
    run: runOf(db, sheet),
    others: othersOf(db, sheet),
    state: sheetState(db, id),
    ...standing(db, sheet),
    poured: wasPoured(db, id),
    done: doneSteps(db, id),
    weather: lastWeather(db, { sheetId: id }) ?? null,
    ends: endsOfSheet(db, id).map(({ sheetId: _, at: _a, ...end }) => end),
    outcome: outcomesOfSheet(db, id).flatMap((outcome) => outcome.entries),
  };
}

/** The last mix that went into a tank and was not rinsed out since. */
export function lastMix(db: Access, { rig, tank, except }: { rig: string; tank: string; except?: string }): LastMix | null {
  const last = mixedInto(db, rig, tank, except, 1)[0];
  if (!last || rinsedSince(db, rig, tank, last.madeAt)) return null;
  const products = (findSheet(db, last.id)?.job.products ?? []).map((product) => product.name);
  return { sheetId: last.id, madeAt: last.madeAt, labelIds: productsOfSheet(db, last.id), products };
}

/** What was poured and nobody can account for, the newest first. */
export function unaccounted(db: Access): UnaccountedEntry[] {
  const ends = unaccountedLoads(db);
  const ids = [...new Set(ends.map((end) => end.sheetId))];
  return sheetsById(db, ids).map(({ id, job }) => {
    const own = ends.filter((end) => end.sheetId === id);
    return {
      sheetId: id,
      sites: (job.sites ?? []).map((site) => site.name),
      products: (job.products ?? []).map((product) => product.name),
      volume: own.reduce((sum, end) => sum + end.unaccounted, 0),
      says: own[0]!.says,
      at: own[0]!.at,
    };
  });
}
