import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { lineFor, type Result } from "@/core/issue";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import { gearOf } from "@/formats/gear";
import { emptySession, type Session } from "@/formats/session";
import { closeRecords, openRecords, recordsFile, type Records } from "@/records/database";
import { putSetting } from "@/records/settings";
import { findSheet } from "@/records/sheets";
import { findSpreading } from "@/records/spreadings";
import { holdClock } from "../clock";
import { put, type KeptKind } from "../keep-up";
import { spreadSteps, tickSpread } from "../spread";
import { tickStep } from "../tick-step";

/** For tests: records of their own in a folder of their own, and a small town to put into them. */
export interface TestRecords {
  db: Records;
  readonly folder: string;
}

/** Records as they are made, with their time zone settled, in a folder of their own: written once a file of tests, then copied. */
function blankRecords(): Buffer {
  const folder = mkdtempSync(path.join(tmpdir(), "gauge-"));
  const db = openRecords(folder);
  putSetting(db, "time-zone", "UTC", NOW);
  closeRecords(db);
  const blank = readFileSync(recordsFile(folder));
  rmSync(folder, { recursive: true, force: true });
  return blank;
}

/** Opens fresh records before each test of a file and clears them away after it. */
export function freshRecords(): TestRecords {
  const records = {} as { db: Records; folder: string };
  let blank: Buffer;
  beforeAll(() => {
    holdClock(NOW);
    blank = blankRecords();
  });
  beforeEach(() => {
    holdClock(NOW);
    records.folder = mkdtempSync(path.join(tmpdir(), "gauge-"));
    writeFileSync(recordsFile(records.folder), blank);
    records.db = openRecords(records.folder);
    // What a plug that is pulled would lose is held by tests of its own, in processes of their own.
    records.db.$client.pragma("synchronous = OFF");
  });
  afterEach(() => {
    holdClock(undefined);
    records.db.$client.close();
    rmSync(records.folder, { recursive: true, force: true });
  });
  return records;
}

export function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.issues.map(lineFor).join("\n"));
  return result.value;
}

/** A result's faults as "path code". */
export const faults = (result: Result<unknown>) => (result.ok ? [] : result.issues.map((i) => `${i.path} ${i.code}`));

export const RIG = {
  ...rigFormOf(),
  name: "Blue backpack",
  tipSize: "025",
  pressure: "40",
  tanks: [{ name: "main", usable: "4", leastMix: "0.5 gal" }],
  vessels: [{ name: "jug", graduation: "1 fl oz", capacity: "64 fl oz" }],
  scales: [{ name: "bench scale", step: "0.01 oz", capacity: "20 oz" }],
};
export const LABEL = {
  name: "Granule",
  form: "dry",
  formulation: "wg",
  rates: [{ rate: "0.3" }],
  packages: [{ content: "80 oz", price: "64" }],
};
export const SITE = {
  name: "Green",
  zones: [
    { name: "north", area: "6,200" },
    { name: "south", area: "1800 sq ft" },
  ],
};
export const ids = {
  rigs: "rig-0000000001",
  people: "person-00000001",
  labels: "label-000000001",
  sites: "site-0000000001",
  tips: "tip-0000000001",
};
/** Adds one of a kind, under the test town's id unless told otherwise. */
export const add = (db: Records, kind: KeptKind, form: unknown, id: string = ids[kind]) => put(db, kind, { id, form });

/** One rig, one person, one label, one site. */
export function town(db: Records): void {
  must(add(db, "rigs", RIG));
  must(add(db, "people", { name: "Odile Marsh" }));
  must(add(db, "labels", LABEL));
  must(add(db, "sites", SITE));
}

/** A run sheet of the test town, ready to be saved. */
export const session = (more: Partial<Session> = {}): Session => ({
  ...emptySession("calibration-00001", { rigId: ids.rigs, personId: ids.people, outlets: 1, method: "area-catch" }),
  area: "250 ft2",
  distance: "200 ft",
  walks: [{ time: "61 s" }, { time: "63" }, { time: "1:02" }, { time: "95 s", struck: "stumbled or stopped" }],
  catches: [{ volume: "33", time: "62 s" }],
  ...more,
});
export const NOW = "2026-09-02T10:00:00.000Z";
/** How a rate was chosen, where a test doesn't say: with the answer to a second dose of its day. */
const CHOSEN = { row: 0, point: "typed", again: "another pass is wanted" };

/** A mix of the test town, as a screen asks for it. */
export const sheet = (more: object = {}) => ({
  id: "sheet-0000000001",
  madeAt: NOW,
  stops: [{ siteId: ids.sites }],
  rigId: ids.rigs,
  personId: ids.people,
  calibrationId: "calibration-00001",
  dayId: null,
  tank: "",
  loads: "full-then-part",
  run: false,
  overage: "",
  mixedFor: "",
  ...more,
  products: productsIn(more).map((one) => ({ choice: CHOSEN, ...one })),
});

const productsIn = ({ products }: { readonly products?: readonly object[] }): readonly object[] =>
  products ?? [{ labelId: ids.labels, rate: "0.3 oz/1000 ft2" }];

/** Ticks all the gear of a sheet, so that a container may be opened. */
export function gearOn(db: Records, sheetId: string): void {
  for (const { key } of gearOf(findSheet(db, sheetId)!.job.products ?? []))
    must(tickStep(db, sheetId, { step: key, done: true }));
}

/** Ticks everything of booked granules: the gear, then their bags. */
export function spreadOut(db: Records, id: string): void {
  for (const step of spreadSteps(findSpreading(db, id)!.job)) must(tickSpread(db, id, { step, done: true }));
}

/** What went down, as a form of the log sends it. */
export const entry = (more: object = {}) => ({
  id: "application-0001",
  date: NOW.slice(0, 10),
  siteId: ids.sites,
  zoneId: `${ids.sites}.0`,
  labelId: ids.labels,
  amount: "0.3 oz/1000 ft2",
  personId: null,
  note: "",
  corrects: null,
  ...more,
});

/** A quick check of the test town: 32.5 fl oz a minute. */
export const QUICK_CHECK = {
  id: "quick-check-0001",
  calibrationId: "calibration-00001",
  personId: ids.people,
  madeAt: NOW,
  volume: "32.5",
  time: "60 s",
};
/** A proof of the test town's jug. */
export const KIT_CHECK = {
  id: "kit-check-00001",
  rigId: ids.rigs,
  of: "vessel",
  tool: "jug",
  madeAt: NOW,
  known: "32 fl oz",
  shown: "32.5 fl oz",
};
