import { copyFileSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import Database from "better-sqlite3";
import sharp from "sharp";
import type { Imported } from "@/formats/import";
import { copyWhole, listBackups } from "@/records/backup";
import { closeRecords, openRecords, type Records } from "@/records/database";
import { evidenceState } from "@/records/evidence";
import { findPhoto } from "@/records/looks";
import { revisionsOf } from "@/records/revision";
import { exportAll } from "./all-records";
import { doJob } from "./background/jobs";
import { readAll } from "./read-all";
import { saveCalibration } from "./save-calibration";
import { saveLook, savePhoto } from "./save-look";
import { saveSheet } from "./save-sheet";
import { saveZone } from "./save-zone";
import { add, faults, freshRecords, gearOn, ids, must, NOW, session, sheet, town } from "./testing/town";

/** A firm moved to another computer: everything of it, and nothing else. */

const records = freshRecords();
const folders: string[] = [];
const folder = () => {
  const made = mkdtempSync(path.join(tmpdir(), "careful-gauge-move-"));
  folders.push(made);
  return made;
};
let there: Records;
let home: string;
let copy: string;
beforeEach(async () => {
  home = folder();
  there = openRecords(home);
  // The other computer has told its zone by now, no more.
  must(saveZone(there, { zone: "America/Chicago" }));
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
  must(saveSheet(records.db, sheet()));
  gearOn(records.db, "sheet-0000000001");
  const look = {
    id: "look-000000001",
    kind: "scout",
    siteId: ids.sites,
    zoneId: `${ids.sites}.0`,
    date: "2026-09-02",
    personId: null,
  };
  must(saveLook(records.db, { ...look, says: { note: "thin at the gate" } }));
  const picture = await sharp({ create: { width: 20, height: 20, channels: 3, background: "#3a5" } })
    .jpeg()
    .toBuffer();
  must(await savePhoto(records.db, { id: "photo-00000001", lookId: "look-000000001", image: picture.toString("base64") }));
  copy = path.join(folder(), "copy.db");
  copyWhole(records.folder, copy);
});
afterEach(() => {
  closeRecords(there);
  folders.splice(0).forEach((one) => rmSync(one, { recursive: true, force: true }));
});

const bring = async (file: string, choices?: object, kind: "move" | "records" | "job" = "move") => {
  const tmp = folder();
  const at = path.join(tmp, "file");
  copyFileSync(file, at);
  const done = await doJob(
    { what: "import", folder: home, tmp, kind, file: at, ...(choices && { choices: choices as never }) },
    () => {},
  );
  return done.ok ? ({ ok: true, value: done.value.imported! } as const) : done;
};
const told = (looked: Imported) => Object.fromEntries(looked.changes!.added.map(({ table, count }) => [table, count]));

test("a look says what would come and keeps nothing; taken, all of it is there: rows, photos, chain", async () => {
  const look = must(await bring(copy));
  expect(look.changes!.first).toEqual([]);
  expect(told(look)).toMatchObject({ rigs: 1, sites: 1, zones: 2, mix_sheets: 1, photos: 1, looks: 1 });
  expect(readAll(there).rigs).toEqual([]);
  const before = revisionsOf(there);
  must(await bring(copy, {}));
  // The connection that was open all along reads what came.
  expect(exportAll(there)).toBe(exportAll(records.db));
  expect(findPhoto(there, "photo-00000001")!.bytes.equals(findPhoto(records.db, "photo-00000001")!.bytes)).toBe(true);
  expect(evidenceState(there)).toEqual(evidenceState(records.db));
  for (const [kind, n] of revisionsOf(there)) expect([kind, n > (before.get(kind) ?? 0)]).toEqual([kind, true]);
  must(saveSheet(there, sheet({ id: "sheet-0000000002" })));
  // What was here is backed up.
  expect(listBackups(home)).toHaveLength(1);
});
test("where something is recorded it is refused, and nothing of it is touched", async () => {
  must(add(there, "people", { name: "Bram Tolliver" }));
  expect(faults(await bring(copy))).toEqual([" already-done"]);
  expect(faults(await bring(copy, {}))).toEqual([" already-done"]);
  expect(readAll(there).people).toHaveLength(1);
});
test("what of the file isn't as it was when it came is told first", async () => {
  const file = new Database(copy);
  file.exec("drop trigger trials_keep; update trials set time = '1 s' where rowid = 1");
  file.close();
  expect(must(await bring(copy)).changes!.first.map(({ words }) => words)).toEqual([
    expect.stringMatching(/^trial of a calibration 1 was altered/),
  ]);
});
test.each<[string, (at: string) => void]>([
  ["a text", (at) => writeFileSync(at, "hello")],
  ["half of a file", (at) => writeFileSync(at, Buffer.alloc(9000, "SQLite format 3\0"))],
  ["another program's", (at) => void new Database(at).exec("create table t (x)").close()],
  [
    "one of a newer program",
    (at) => void new Database(at).exec("insert into __drizzle_migrations (hash, created_at) values ('x', 1)").close(),
  ],
])("%s is refused with what to do", async (what, spoil) => {
  const at = what.startsWith("one") ? copy : path.join(folder(), "x");
  spoil(at);
  const refused = await bring(at);
  expect(faults(refused)).toEqual([" fault"]);
  expect(readAll(there).rigs).toEqual([]);
});
test("a file at the wrong door is sent to the right one", async () => {
  const json = path.join(folder(), "all.json");
  writeFileSync(json, exportAll(records.db));
  const said = async (file: string, kind: "move" | "records" | "job") => {
    const refused = await bring(file, undefined, kind);
    return refused.ok ? "taken" : `${refused.issues[0]!.received}: ${refused.issues[0]!.expected}`;
  };
  expect(await said(copy, "records")).toBe(
    "this is a whole copy of the records: bring it in at Settings, The records as a whole, Move a firm here",
  );
  expect(await said(json, "move")).toBe(
    "this is all records as JSON: bring it in at Settings, The records as a whole, Bring all records in",
  );
  expect(await said(json, "job")).toMatch(/^this is all records as JSON/);
});
