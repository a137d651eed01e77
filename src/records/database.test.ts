import { existsSync, mkdirSync, readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import { openRecords } from "./database";
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
      { name: "north", area: "6200 ft2", "x-id": "site-0000000001.0" },
      { name: "south", area: "1800 ft2", "x-id": "site-0000000001.1" },
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
    expect([
      records.db.$client.pragma("journal_mode", { simple: true }),
      records.db.$client.pragma("synchronous", { simple: true }),
      records.db.$client.pragma("foreign_keys", { simple: true }),
    ]).toEqual(["wal", 2, 1]);
  });
});
