import { chmodSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import { backUp } from "./backup";
import { closeRecords, openRecords } from "./database";
import { clearStaging, stagingPrefix } from "./private";
import { copyRecords } from "./staging";
import { readAll } from "@/services/read-all";
import { freshRecords, ids, town } from "@/services/testing/town";
import { findRig } from "./rigs";

const records = freshRecords();

/** Records as the first few migrations left them. */
function olderRecords(folder: string, migrations: number): Database.Database {
  mkdirSync(folder);
  const db = new Database(path.join(folder, "careful-gauge.db"));
  const at = path.join("src", "records", "migrations");
  const { entries } = JSON.parse(readFileSync(path.join(at, "meta", "_journal.json"), "utf8")) as {
    entries: { tag: string; when: number }[];
  };
  db.exec("create table __drizzle_migrations (id serial primary key, hash text not null, created_at numeric)");
  for (const { tag, when } of entries.slice(0, migrations)) {
    db.exec(readFileSync(path.join(at, `${tag}.sql`), "utf8").replaceAll("--> statement-breakpoint", ""));
    db.prepare("insert into __drizzle_migrations (hash, created_at) values (?, ?)").run(tag, when);
  }
  return db;
}

describe("the file", () => {
  test("is there after it was closed", () => {
    town(records.db);
    records.db.$client.close();
    records.db = openRecords(records.folder);
    expect(readAll(records.db).rigs.length).toBe(1);
  });

  test("of an older schema is copied, and everything in it comes over; a newer one is left alone", () => {
    records.db.$client.close();
    const folder = path.join(records.folder, "older");
    olderRecords(folder, 3).exec(`
      insert into labels (id, name, form, formulation, rate, rate_value, price_amount, price_currency, price_per, created_at)
        values ('label-000000001', 'Granule', 'dry', 'WG', '0.3 oz/1000 ft2', 1, 64.5, 'USD', '80 oz', '2026-04-01'),
               ('label-000000002', 'Wetter', 'liquid', null, '6 fl oz/1000 ft2', 1, null, null, null, '2026-04-01');
      insert into sites (id, name, created_at) values ('site-0000000001', 'Green', '2026-04-01');
      insert into zones (id, site_id, position, name, area, area_m2)
        values (7, 'site-0000000001', 0, 'north', '6200 ft2', 576), (9, 'site-0000000001', 1, 'south', '1800 ft2', 167.2);
    `);
    records.db = openRecords(folder);
    const book = readAll(records.db);
    expect(book.labels.map((l) => l.card)).toEqual([
      {
        name: "Granule",
        form: "dry",
        formulation: "WG",
        actives: [],
        gear: [],
        limits: [],
        rates: [{ rate: "0.3 oz/1000 ft2" }],
        packages: [{ content: "80 oz", price: "64.50" }],
      },
      expect.objectContaining({ name: "Wetter", rates: [{ rate: "6 fl oz/1000 ft2" }], packages: [] }),
    ]);
    expect(book.sites[0]!.site.zones).toEqual([
      { name: "north", area: "6200 ft2", id: "site-0000000001.0" },
      { name: "south", area: "1800 ft2", id: "site-0000000001.1" },
    ]);
    const [copy] = readdirSync(path.join(folder, "copies"));
    const copied = new Database(path.join(folder, "copies", copy!), { readonly: true });
    expect(copied.prepare("select rate from labels order by id").pluck().all()).toEqual(["0.3 oz/1000 ft2", "6 fl oz/1000 ft2"]);
    copied.close();
    records.db.$client.prepare("insert into __drizzle_migrations (hash, created_at) values ('x', 9999999999999)").run();
    expect(() => openRecords(folder)).toThrow(/newer Careful Gauge/);
    expect(existsSync(path.join(folder, "careful-gauge.db"))).toBe(true);
  });

  test("a record that can't be understood is set aside, never a wrong number", () => {
    town(records.db);
    records.db.$client.prepare("update tanks set usable = '4 furlongs'").run();
    const book = readAll(records.db);
    expect(book.rigs).toEqual([]);
    expect(book.aside).toMatchObject([{ of: "rig", name: "Blue backpack" }]);
    expect(() => findRig(records.db, ids.rigs)).toThrow(/a tank of it can't be read/);
  });

  test("writes in full: WAL, synchronous, foreign keys", () => {
    records.db.$client.close();
    records.db = openRecords(records.folder);
    expect([
      records.db.$client.pragma("journal_mode", { simple: true }),
      records.db.$client.pragma("synchronous", { simple: true }),
      records.db.$client.pragma("foreign_keys", { simple: true }),
    ]).toEqual(["wal", 2, 1]);
  });

  test("what follows from the records is filled in for what was there before, and then keeps itself", () => {
    records.db.$client.close();
    const folder = path.join(records.folder, "before-slices");
    const older = olderRecords(folder, 7);
    older.pragma("foreign_keys = OFF");
    older.exec(`
      insert into sites (id, name, created_at) values ('site-0000000001', 'Quay terrace', '2026-04-01');
      insert into applications (id, date, site_id, zone_id, zone, area, product, rate, total, actives, source, sheet_id, void, created_at)
        values ('a', '2026-05-01', 'site-0000000001', 'z', 'north', '6200 ft2', 'Granule', '0.3 oz/1000 ft2', '1.86 oz', '[]', 'sheet', 'sheet-done', 0, '2026-05-01'),
               ('b', '2026-05-02', 'site-0000000001', 'z', 'north', '6200 ft2', 'Wetter', '6 fl oz/1000 ft2', '37.2 fl oz', '[]', 'hand', null, 0, '2026-05-02'),
               ('c', '2026-05-03', 'site-0000000001', 'z', 'north', '6200 ft2', 'Granule', 'some', 'much', '[]', 'hand', null, 0, '2026-05-03');
      insert into mix_sheets (id, made_at, site_id, rig_id, calibration_id, job, rules, created_at)
        values ('sheet-done', '2026-05-01', 'site-0000000001', 'rig', 'c', '{"tank":"rear","products":[{"x-id":"label-1","name":"A"},{"name":"B"}]}', '[]', '2026-05-01'),
               ('sheet-open', '2026-05-02', 'site-0000000001', 'rig', 'c', '{"rig":{"tanks":[{"name":"front"}]},"products":[]}', '[]', '2026-05-02'),
               ('sheet-broken', '2026-05-03', 'site-0000000001', 'rig', 'c', 'no json', '[]', '2026-05-03');
    `);
    older.close();
    records.db = openRecords(folder);
    const { $client: client } = records.db;
    const all = (text: string) => client.prepare(text).raw().all();
    // An ounce is 28.349523125 g, 1,000 sq ft are 92.90304 m² (NIST Handbook 44, Appendix C).
    expect(all("select id, measured, rate_canonical, total_canonical from applications order by id")).toEqual([
      ["a", "mass", expect.closeTo((0.3 * 28.349523125) / 92.90304, 12), expect.closeTo(1.86 * 28.349523125, 9)],
      ["b", "volume", expect.closeTo((6 * 29.5735295625) / 92.90304, 12), expect.closeTo(37.2 * 29.5735295625, 9)],
      ["c", null, null, null],
    ]);
    expect(all("select record_id from still_open order by record_id")).toEqual([["sheet-broken"], ["sheet-open"]]);
    expect(all("select sheet_id, tank from sheet_tanks order by sheet_id")).toEqual([
      ["sheet-done", "rear"],
      ["sheet-open", "front"],
    ]);
    expect(all("select label_id from sheet_products order by label_id")).toEqual([["B"], ["label-1"]]);
    expect(all(`select name from site_search where site_search match '"terr"*'`)).toEqual([["Quay terrace"]]);
    // From now on a number is what it was filled in with, and nothing else of a row is ever edited.
    for (const change of ["total_canonical = 1", "rate_canonical = 1", "measured = 'mass'", "note = 'x'"])
      expect(() => client.exec(`update applications set ${change} where id = 'a'`)).toThrow("append-only");
    expect(() => client.exec("update applications set total_canonical = 0 where id = 'c'")).toThrow(/CHECK/);
    client.exec("insert into withdrawals (sheet_id, at) values ('sheet-open', '2026-05-04')");
    expect(all("select record_id from still_open")).toEqual([["sheet-broken"]]);
  });
});

describe("the folder is its owner's alone", () => {
  const modes = (at: string): Record<string, string> =>
    Object.fromEntries(
      readdirSync(at, { recursive: true, withFileTypes: true }).map((entry) => {
        const file = path.join(entry.parentPath, entry.name);
        return [path.relative(at, file), (statSync(file).mode & 0o777).toString(8)];
      }),
    );
  test("folders are 0700 and files 0600, those that were there before and those that come: copies, backups, staging", () => {
    const own = path.join(records.folder, "own");
    mkdirSync(path.join(own, "backups"), { recursive: true, mode: 0o755 });
    writeFileSync(path.join(own, "backups", "old.db"), "x", { mode: 0o644 });
    chmodSync(path.join(own, "backups"), 0o755);
    chmodSync(path.join(own, "backups", "old.db"), 0o644);
    const opened = openRecords(own);
    backUp(own, new Date("2026-09-02T10:00:00Z"));
    const staged = copyRecords(own, mkdtempSync(stagingPrefix(own)));
    for (const [name, mode] of Object.entries(modes(own)))
      expect([name, mode]).toEqual([name, statSync(path.join(own, name)).isDirectory() ? "700" : "600"]);
    expect((statSync(own).mode & 0o777).toString(8)).toBe("700");
    expect(Object.keys(modes(own)).length).toBeGreaterThan(6);
    staged.db.$client.close();
    closeRecords(opened);
  });
  test("what jobs of a killed process left is taken away at the next start; a living one's stays", () => {
    const own = path.join(records.folder, "own");
    mkdirSync(own, { recursive: true });
    const alive = process.ppid;
    for (const name of [".staging-abc", ".staging-4194999-x", `.staging-${process.pid}-x`, `.staging-${alive}-x`])
      mkdirSync(path.join(own, name));
    const opened = openRecords(own);
    expect(readdirSync(own).filter((name) => name.startsWith(".staging"))).toEqual([`.staging-${alive}-x`]);
    // A job that runs keeps its own.
    mkdirSync(`${stagingPrefix(own)}y`);
    clearStaging(own);
    expect(readdirSync(own).filter((name) => name.endsWith("-y"))).toHaveLength(1);
    closeRecords(opened);
  });
});
