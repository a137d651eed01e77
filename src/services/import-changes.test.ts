import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import fc from "fast-check";
import type { Imported } from "@/formats/import";
import { closeRecords, openRecords, recordsFile } from "@/records/database";
import { allRows, TABLES, type Row } from "@/records/whole";
import { exportAll } from "./all-records";
import { importFile } from "./background/import-file";
import { saveApplication, voidApplication } from "./save-application";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { readAll } from "./read-all";
import { add, entry, faults, freshRecords, ids, LABEL, must, NOW, session, sheet, town } from "./testing/town";

/** Nothing changes by a file that was not shown first, row by row. */

const records = freshRecords();
const folders: string[] = [];
const tmp = () => {
  const folder = mkdtempSync(path.join(tmpdir(), "careful-gauge-look-"));
  folders.push(folder);
  return folder;
};
afterEach(() => folders.splice(0).forEach((folder) => rmSync(folder, { recursive: true, force: true })));

type Tables = Record<string, Record<string, unknown>[]>;
interface RecordsFile {
  tables: Tables;
}
const take = (file: RecordsFile, choices?: Record<string, string>) => {
  const at = tmp();
  const name = path.join(at, "records.json");
  writeFileSync(name, JSON.stringify(file));
  return importFile({ folder: records.folder, tmp: at, kind: "records", file: name, ...(choices && { choices }) }, () => {});
};
const exported = () => JSON.parse(exportAll(records.db)) as RecordsFile;
/** Every row, by table and content. */
const rows = () =>
  new Map(
    Object.entries(allRows(records.db)).flatMap(([t, list]) =>
      list.map((row) => [`${t} ${JSON.stringify(row)}`, [t, row] as const]),
    ),
  );
const listed = ({ changes }: Imported) =>
  new Set([
    ...changes!.first.map(({ table, id }) => `${table} ${id}`),
    ...changes!.added.flatMap(({ table, ids: list }) => list.map((id) => `${table} ${id}`)),
  ]);

const down = (id: string, more: object = {}) => must(saveApplication(records.db, entry({ id, date: "2026-08-02", ...more })));
beforeEach(() => {
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
  down("application-0001");
});

test("a strike is told first, with what it strikes and why", () => {
  const file = exported();
  const [old] = file.tables.applications!;
  file.tables.applications!.push({
    ...old,
    id: "application-0002",
    corrects: "application-0001",
    void: 1,
    why: "it was the other lawn",
  });
  const look = must(take(file));
  expect(look.changes!.first.map(({ of, words }) => [of, words])).toEqual([
    ["strikes", "1.86 oz of Granule on north, Green, 2026-08-02: never went down (it was the other lawn)"],
  ]);
});
test("so are a correction with its before and after, a setting, a withdrawal and a ground", () => {
  must(saveSheet(records.db, sheet()));
  const file = exported();
  const [old] = file.tables.applications!;
  file.tables.applications!.push({
    ...old,
    id: "application-0002",
    corrects: "application-0001",
    rate: "0.1 oz/1000 ft2",
    total: "0.62 oz",
    rate_canonical: null,
    total_canonical: null,
    measured: null,
  });
  file.tables.settings!.push({ key: "rules", value: "[]", at: NOW });
  file.tables.withdrawals!.push({ sheet_id: "sheet-0000000001", became: null, at: NOW });
  file.tables.same_ground!.push({ id: 900, zone_id: `${ids.sites}.1`, as_zone_id: `${ids.sites}.0`, at: NOW, why: null });
  expect(must(take(file)).changes!.first.map(({ of, words }) => `${of} ${words}`)).toEqual([
    "corrects 1.86 oz of Granule on north, Green, 2026-08-02: becomes 0.62 oz of Granule on north, Green, 2026-08-02",
    "withdraws mix sheet sheet-0000000001",
    "joins south is the same ground as north",
    "settles rules: []",
  ]);
});
test("what is added is named by its kind, and a file of what is here adds nothing", () => {
  expect(must(take(exported())).changes).toEqual({ first: [], added: [] });
  const file = exported();
  const [old] = file.tables.applications!;
  file.tables.applications!.push({ ...old, id: "application-0009", date: "2026-08-20" });
  expect(must(take(file)).changes!.added).toEqual([
    {
      table: "applications",
      of: "record of the log",
      ids: ["application-0009"],
      names: ["1.86 oz of Granule on north, Green, 2026-08-20"],
    },
  ]);
});

test("every row that a taken file adds, changes or strikes was listed by its look", () => {
  must(add(records.db, "people", { name: "Bram Tolliver" }, "person-00000002"));
  must(saveSheet(records.db, sheet()));
  down("application-0003", { date: "2026-08-12" });
  must(voidApplication(records.db, { id: "application-0004", corrects: "application-0003", why: "it was rained off" }));
  const whole = exported();
  const places = TABLES.flatMap((table) => (whole.tables[table] ?? []).map((_, i) => [table, i] as const));
  /** An edit: a row that is doubled under another id, or changed in one of its columns. */
  const edit = fc.tuple(
    fc.constantFrom(...places),
    fc.constantFrom("double", "double", "double", "change"),
    fc.nat(30),
    fc.constantFrom("x", "2026-08-03", 7, null),
  );
  let [taken, changed] = [0, 0];
  fc.assert(
    fc.property(fc.array(edit, { minLength: 1, maxLength: 2 }), fc.boolean(), (edits, elsewhere) => {
      const file = structuredClone(whole);
      for (const [[table, i], what, column, value] of edits) {
        const row = { ...file.tables[table]![i]! };
        const keys = Object.keys(row);
        const key = keys[column % keys.length]!;
        if (what === "double")
          file.tables[table]!.push({
            ...row,
            ...("id" in row && { id: typeof row.id === "number" ? row.id + 500 : `${String(row.id)}-b` }),
            ...("name" in row && { name: `${String(row.name)} b` }),
          });
        else file.tables[table]![i] = { ...row, [key]: value };
      }
      if (elsewhere) {
        closeRecords(records.db);
        rmSync(recordsFile(records.folder));
        records.db = openRecords(records.folder);
      }
      const before = rows();
      const look = take(file);
      expect([...rows().keys()]).toEqual([...before.keys()]);
      const kept = take(file, {});
      expect(kept.ok).toBe(look.ok);
      if (!look.ok) return expect(faults(kept)).toEqual(faults(look));
      taken += 1;
      const told = listed(look.value);
      const after = rows();
      const keyOf = (table: string, row: Row) => {
        const info = records.db.$client.prepare(`pragma table_info("${table}")`).all() as { name: string; pk: number }[];
        return `${table} ${info
          .filter((c) => c.pk > 0)
          .sort((a, b) => a.pk - b.pk)
          .map((c) => String(row[c.name]))
          .join(" ")}`;
      };
      for (const [content, [table, row]] of after)
        if (!before.has(content)) {
          changed += 1;
          expect(told).toContain(keyOf(table, row));
        }
      for (const [content, [table, row]] of before) if (!after.has(content)) expect(told).toContain(keyOf(table, row));
    }),
    { seed: 20260902, numRuns: 14 },
  );
  expect(taken).toBeGreaterThan(3);
  expect(changed).toBeGreaterThan(10);
});

describe("a row of a file is no more than values for the columns that there are", () => {
  const EVIL = `id", "name") values ('x', 'y'); update labels set card = '{}' where 1 or ("`;
  test("a key that is no column is refused with its place, cut; nothing is run", () => {
    const file = exported();
    const card = readAll(records.db).labels[0]!.card;
    file.tables.labels![0] = { ...file.tables.labels![0], [EVIL]: "x" };
    const refused = take(file, {});
    expect(faults(refused)).toEqual([`tables.labels[0].${EVIL} unknown-key`]);
    // Said once, at its place.
    expect(refused.ok ? "" : refused.issues[0]!.received).toBe("");
    expect(readAll(records.db).labels[0]!.card).toEqual(card);
    expect(card.name).toBe(LABEL.name);
  });
  test.each([
    ["an object", {}],
    ["true", true],
    ["a list", [1]],
  ])("%s is no value of a column", (_, value) => {
    const file = exported();
    file.tables.people![0]!.name = value;
    expect(faults(take(file, {}))).toEqual(["tables.people[0].name wrong-type"]);
  });
});
