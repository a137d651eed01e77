import { existsSync, readdirSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import { openRecords } from "./database";
import { readBook } from "@/services/read-book";
import { freshRecords, town } from "@/services/testing/town";

const records = freshRecords();

describe("the file", () => {
  test("is there after it was closed", () => {
    town(records.db);
    records.db.$client.close();
    records.db = openRecords(records.folder);
    expect(readBook(records.db).rigs.length).toBe(1);
  });

  test("is copied before its schema changes, and a newer one is left alone", () => {
    town(records.db);
    // As it was before the newest migration: its tables, columns and triggers undone.
    const db = records.db.$client;
    db.exec(
      "drop table quick_checks; drop table kit_checks; drop table tips; alter table rigs drop column head; alter table rigs drop column setup;" +
        ["site_id", "method", "lever", "lever_set_to", "follows"]
          .map((c) => `alter table calibrations drop column ${c};`)
          .join(""),
    );
    db.prepare("delete from __drizzle_migrations where rowid = (select max(rowid) from __drizzle_migrations)").run();
    records.db.$client.close();
    records.db = openRecords(records.folder);
    const [copy] = readdirSync(path.join(records.folder, "copies"));
    const copied = new Database(path.join(records.folder, "copies", copy!), { readonly: true });
    expect(copied.prepare("select name from rigs").pluck().all()).toEqual(["Blue backpack"]);
    copied.close();
    records.db.$client.prepare("insert into __drizzle_migrations (hash, created_at) values ('x', 9999999999999)").run();
    expect(() => openRecords(records.folder)).toThrow(/newer Careful Gauge/);
    expect(existsSync(path.join(records.folder, "careful-gauge.db"))).toBe(true);
  });

  test("a record that can't be understood is an error, never a wrong number", () => {
    town(records.db);
    records.db.$client.prepare("update tanks set usable = '4 furlongs'").run();
    expect(() => readBook(records.db)).toThrow(/no volume/);
  });

  test("writes in full: WAL, synchronous, foreign keys", () => {
    expect([
      records.db.$client.pragma("journal_mode", { simple: true }),
      records.db.$client.pragma("synchronous", { simple: true }),
      records.db.$client.pragma("foreign_keys", { simple: true }),
    ]).toEqual(["wal", 2, 1]);
  });
});
