import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import Database from "better-sqlite3";
import { runVerify } from "@/cli/verify";
import { saveCalibration } from "@/services/save-calibration";
import { saveSheet } from "@/services/save-sheet";
import { gearOn, must, NOW, session, sheet, town } from "@/services/testing/town";
import type { Records } from "./access";
import { backUp } from "./backup";
import { LOG_LISTS } from "./chain";
import { closeRecords, connect, openRecords, recordsFile } from "./database";
import { evidenceState, evidenceTriggers } from "./evidence";
import { EVIDENCE, EVIDENCE_NAMES, type EvidenceName } from "./evidence-kinds";
import { recordsIn, recordsInMemory } from "./whole";

/** Whatever is altered, added, removed or cut off behind the app's back is told, with its place. */

const folders: string[] = [];
const folder = () => {
  const made = mkdtempSync(path.join(tmpdir(), "careful-gauge-evidence-"));
  folders.push(made);
  return made;
};
afterEach(() => folders.splice(0).forEach((one) => rmSync(one, { recursive: true, force: true })));

const quoted = (name: string) => `"${name}"`;
/** A row of a table with something in each column: what it means is nothing to the chain. */
function addRow({ $client: client }: Records, name: EvidenceName, n: number): void {
  const info = client.prepare(`pragma table_info(${quoted(name)})`).all() as { name: string; type: string; pk: number }[];
  const columns = info.filter(({ type, pk }) => !(pk > 0 && type.toLowerCase() === "integer"));
  const value = ({ name: column, type, pk }: (typeof info)[number]) => {
    if (pk > 0) return `${column}-${n}`;
    if (/int|real/i.test(type)) return /^(void|done|struck|good)$/.test(column) ? 0 : n + 0.5;
    if (/blob/i.test(type)) return Buffer.from([n, 2, 3]);
    return column === "corrects" ? null : `{"n":${n}}`;
  };
  client
    .prepare(
      `insert into ${quoted(name)} (${columns.map((c) => quoted(c.name)).join(", ")}) values (${columns.map(() => "?").join(", ")})`,
    )
    .run(columns.map(value));
}
/** Two rows of each kind, in turn; made once, and copied. */
let made: Buffer | undefined;
function filled(): Records {
  made ??= fill();
  const db = recordsIn(new Database(made));
  db.$client.pragma("foreign_keys = OFF");
  db.$client.pragma("ignore_check_constraints = ON");
  return db;
}
function fill(): Buffer {
  const db = recordsInMemory();
  db.$client.pragma("foreign_keys = OFF");
  db.$client.pragma("ignore_check_constraints = ON");
  for (const n of [1, 2]) for (const name of EVIDENCE_NAMES) addRow(db, name, n);
  const bytes = db.$client.serialize();
  db.$client.close();
  return bytes;
}
/** As somebody would who holds the file: no trigger stands in the way there. */
const unguarded = ({ $client: client }: Records) => {
  for (const trigger of client.prepare("select name from sqlite_master where type = 'trigger'").pluck().all() as string[])
    client.exec(`drop trigger ${quoted(trigger)}`);
};

test("every row of every kind is in the chain at once, in the order in which they came", () => {
  const db = filled();
  expect(evidenceState(db)).toMatchObject({ rows: 2 * EVIDENCE_NAMES.length, broken: null, outside: {}, cut: 0, found: 0 });
  db.$client.close();
});

describe.each(EVIDENCE_NAMES)("%s", (name) => {
  const place = EVIDENCE_NAMES.indexOf(name) + 1;
  const first = (db: Records) =>
    db.$client
      .prepare(`select rowid from ${quoted(name)} order by rowid limit 1`)
      .pluck()
      .get() as number;
  test("each column that was altered is told at its place", () => {
    const kind = EVIDENCE[name] as { key: readonly string[]; lists: readonly (readonly string[])[] };
    const db = filled();
    unguarded(db);
    const last = evidenceState(db).digest;
    for (const column of kind.lists.at(-1)!.filter((one) => !kind.key.includes(one))) {
      db.$client.exec("savepoint tampered");
      db.$client.prepare(`update ${quoted(name)} set ${quoted(column)} = '"another"' where rowid = ?`).run(first(db));
      const state = evidenceState(db);
      expect([column, state.broken?.place, state.broken?.kind, state.broken?.why]).toEqual([column, place, name, "altered"]);
      expect(state.digest).toBe(last);
      db.$client.exec("rollback to tampered");
    }
    db.$client.close();
  });
  test("a row that was taken out is told, one that was put in stands outside, one that is cut off at the end is missed", () => {
    const db = filled();
    unguarded(db);
    addRow(db, name, 3);
    expect(evidenceState(db)).toMatchObject({ broken: null, outside: { [name]: 1 } });
    db.$client.prepare(`delete from ${quoted(name)} where rowid = ?`).run(first(db));
    expect(evidenceState(db).broken).toMatchObject({ place, kind: name, why: "gone" });
    db.$client.exec("delete from evidence where place > (select max(place) - 2 from evidence)");
    expect(evidenceState(db).cut).toBe(2);
    db.$client.close();
  });
});

test("what comes in by another program is not taken in by itself: it can't be added, or stands outside, at the next start too", () => {
  const at = folder();
  const records = openRecords(at);
  town(records);
  must(saveCalibration(records, { session: session(), madeAt: NOW }));
  closeRecords(records);
  const other = new Database(recordsFile(at));
  const add = () =>
    other.exec(
      "insert into calibration_withdrawals (calibration_id, why, at) values ('calibration-00001', 'never was', '2026-09-02')",
    );
  expect(add).toThrow(/no such function: chain_digest/);
  other.exec("drop trigger calibration_withdrawals_evidence");
  add();
  other.close();
  const again = openRecords(at);
  expect(evidenceState(again)).toMatchObject({ broken: null, outside: { calibration_withdrawals: 1 } });
  closeRecords(again);
});
test("a chain that was emptied is not made anew in silence", () => {
  const at = folder();
  const records = openRecords(at);
  town(records);
  must(saveCalibration(records, { session: session(), madeAt: NOW }));
  const { rows } = evidenceState(records);
  closeRecords(records);
  const other = new Database(recordsFile(at));
  other.exec("drop trigger evidence_stay; delete from evidence");
  other.close();
  const again = openRecords(at);
  const state = evidenceState(again);
  expect([state.rows, state.cut, state.outside.calibrations]).toEqual([0, rows, 1]);
  closeRecords(again);
});
test("what was there before the chain was is taken in once, as found", () => {
  const at = folder();
  const records = openRecords(at);
  town(records);
  must(saveCalibration(records, { session: session(), madeAt: NOW }));
  // More than are taken in at a time.
  for (let n = 0; n < 250; n++)
    records.$client.prepare("insert into revisions (kind, record_id, was, at) values ('rigs', 'x', ?, ?)").run(`{"n":${n}}`, NOW);
  // As records are that an older program wrote.
  for (const name of EVIDENCE_NAMES) records.$client.exec(`drop trigger ${name}_evidence`);
  records.$client.exec(
    "drop trigger evidence_stay; drop trigger chain_events_stay; delete from evidence; delete from chain_events; delete from sqlite_sequence where name in ('evidence', 'chain_events')",
  );
  for (const trigger of evidenceTriggers())
    records.$client.exec(trigger.replace(/cast\((new\."\w+") as text\)/g, "cast($1 as text)"));
  closeRecords(records);
  const again = openRecords(at);
  const state = evidenceState(again);
  expect(state).toMatchObject({ broken: null, outside: {}, cut: 0 });
  expect(state.found).toBe(state.rows - 1);
  must(saveSheet(again, sheet()));
  expect(evidenceState(again).found).toBe(state.found);
  closeRecords(again);
});
test("the triggers of the migration are those of the lists, and docs/ say the same", () => {
  const db = recordsInMemory();
  const made = db.$client
    .prepare("select sql from sqlite_master where type = 'trigger' and name like '%_evidence'")
    .pluck()
    .all();
  const plain = (sql: unknown) => String(sql).replace(/\s+/g, " ").replace(/;$/, "");
  expect(made.map(plain).sort()).toEqual(evidenceTriggers().map(plain).sort());
  expect(JSON.parse(readFileSync("docs/chain.json", "utf8"))).toEqual({
    format: "careful-gauge-chain",
    version: 1,
    kinds: EVIDENCE,
    log: { kind: "applications", key: ["id"], lists: LOG_LISTS },
  });
  db.$client.close();
});

describe("checked by another program", () => {
  const firm = () => {
    const at = folder();
    const records = openRecords(at);
    town(records);
    must(saveCalibration(records, { session: session(), madeAt: NOW }));
    must(saveSheet(records, sheet()));
    gearOn(records, "sheet-0000000001");
    return { at, records };
  };
  test("a file that is as it was: its head, which is the writer's; a backup has the same", () => {
    const { at, records } = firm();
    const head = evidenceState(records).digest;
    expect(runVerify(recordsFile(at))).toMatchObject({ exit: 0, out: expect.stringContaining(head) as unknown });
    const backup = backUp(at, new Date("2026-09-02T10:00:00Z"));
    expect(runVerify(backup.file)).toMatchObject({ exit: 0, out: expect.stringContaining(head) as unknown });
    expect(path.basename(backup.file)).toContain(head.slice(0, 12));
    closeRecords(records);
  });
  test.each([
    ["altered", "update trials set time = '1 s' where rowid = 1", /^entry \d+, trials 1: changed$/],
    ["taken out", "delete from ticks where id = 1", /^entry \d+, ticks 1: removed$/],
    ["cut off", "delete from evidence where place > 3", /^after entry 3: \d+ removed, cut off at the end$/],
    [
      "put in",
      "insert into deliveries (id, label_id, lot, content, count, came, created_at) select 'x', id, '', '1 oz', 1, '2026-01-01', '2026-01-01' from labels limit 1",
      /deliveries x: added, in no entry/,
    ],
  ])("a row that was %s", (_, sql, told) => {
    const { at, records } = firm();
    closeRecords(records);
    const client = connect(recordsFile(at)).$client;
    client.pragma("foreign_keys = OFF");
    client.exec(
      `drop trigger trials_keep; drop trigger ticks_stay; drop trigger evidence_stay; drop trigger deliveries_evidence; ${sql}`,
    );
    client.close();
    expect(runVerify(recordsFile(at))).toMatchObject({ exit: 2, out: "", err: expect.stringMatching(told) as unknown });
  });
  test("an end that was cut off is missed also once more came after it", () => {
    const { at, records } = firm();
    const { rows } = evidenceState(records);
    unguarded(records);
    records.$client.exec(`delete from ticks; delete from evidence where kind = 'ticks'`);
    for (const trigger of evidenceTriggers()) records.$client.exec(trigger);
    records.$client.exec("insert into revisions (kind, record_id, was, at) values ('rigs', 'x', 'was', '2026-09-02')");
    const state = evidenceState(records);
    expect([state.broken, state.cut]).toEqual([null, rows + 1 - state.rows]);
    expect(state.cut).toBeGreaterThan(0);
    closeRecords(records);
    expect(runVerify(recordsFile(at))).toMatchObject({
      exit: 2,
      err: expect.stringMatching(/removed, and entries that came after/) as unknown,
    });
  });
  test("what is no file of records", () => {
    const at = path.join(folder(), "x");
    expect(runVerify(at)).toMatchObject({ exit: 2, out: "" });
  });
});
