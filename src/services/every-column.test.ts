import { slicePath, type SliceName } from "@/formats/slices";
import { RecordUnreadable } from "@/records/aside";
import type { Records } from "@/records/database";
import { quoted } from "@/records/quoted";
import { revisionsOf } from "@/records/revision";
import { infoOf, TABLES } from "@/records/whole";
import { kindsAt, readSlice } from "./slices/read-slice";
import { lived } from "./testing/lived";
import { QUERIES } from "./testing/queries";
import { freshRecords } from "./testing/town";

/**
 * What is written can always be read: an older program, a damaged disk or a file of all records may bring anything that the tables let
 * in. Whatever one field of one row holds, every slice that is made of it answers: what can't be read is set aside, or the one record
 * that was asked for is told to be unreadable.
 */
const records = freshRecords();
const JUNK = ["junk", "", "{}", "[]", "null", '[{"a":1}]', "-1", "9999-99-99", "5 furlongs", "1e999", -1, 1e300, 0.5, null];
/** How many kinds of junk each column gets here; all of them with `JUNK=14`. */
const EACH = Number(process.env.JUNK ?? 1);
/** What no slice is made of. */
const UNREAD = ["chains_elsewhere", "saved_requests"];
/** Slices of one record, which are told that it can't be read. */
const OF_ONE: readonly string[] = [
  "sheet",
  "calibration",
  "series",
  "loads",
  "toJudge",
  "inForce",
  "yearOfSite",
  "proofs",
  "crew",
  "recall",
];

const PATHS = Object.entries(QUERIES).flatMap(([slice, list]) =>
  (list as object[]).map((query) => ({ slice, path: slicePath(slice as SliceName, query as never) })),
);

/** What breaks of the slices that are made of some kinds. */
const broken = (db: Records, kinds: readonly string[]): string[] =>
  PATHS.filter(({ path }) => kindsAt(path)!.some((kind) => kinds.includes(kind))).flatMap(({ slice, path }) => {
    try {
      JSON.stringify(readSlice(db, path));
      return [];
    } catch (error) {
      return error instanceof RecordUnreadable && OF_ONE.includes(slice) ? [] : [`${path}: ${String(error)}`];
    }
  });

/** Anything may be written into a row that is kept, but for what the tables themselves refuse. */
function withoutKeepers({ $client }: Records): void {
  const keepers = "select name from sqlite_master where type = 'trigger' and sql like '%raise(%'";
  for (const name of $client.prepare(keepers).pluck().all()) $client.exec(`drop trigger ${quoted(name as string)}`);
}

test("whatever one field of one row holds, every slice answers", () => {
  const { db } = records;
  lived(db);
  withoutKeepers(db);
  const { $client } = db;
  const failures = broken(db, [...revisionsOf(db).keys()]);
  let [taken, turn] = [0, 0];
  for (const table of TABLES.filter((one) => !UNREAD.includes(one)))
    for (const column of infoOf(db, table).columns) {
      const [t, c] = [quoted(table), quoted(column)];
      const found = $client.prepare(`select rowid, ${c} from ${t} order by rowid limit 1`).raw().get();
      if (!found) continue;
      const [row, value] = found as [number, unknown];
      const write = $client.prepare(`update ${t} set ${c} = ? where rowid = ?`);
      for (let i = 0; i < EACH; i++) {
        const junk = JUNK[(turn + i) % JUNK.length];
        const before = revisionsOf(db);
        try {
          write.run(junk, row);
        } catch {
          // The table itself refuses it.
          continue;
        }
        taken += 1;
        const touched = [...revisionsOf(db)].flatMap(([kind, n]) => (n === before.get(kind) ? [] : [kind]));
        failures.push(...broken(db, touched).map((one) => `${table}.${column} = ${JSON.stringify(junk)} ${one}`));
        write.run(value, row);
      }
      turn += EACH % JUNK.length === 0 ? 0 : EACH;
    }
  expect(failures).toEqual([]);
  // Most columns take most of it.
  expect(taken).toBeGreaterThan(150 * EACH);
});
