import type { Row } from "@/records/whole";
import { recordsInMemory } from "@/records/whole";
import { evidenceState, headOf } from "@/records/evidence";
import { exportAll, importAll } from "./all-records";
import { chainsElsewhere } from "./elsewhere";
import { saveApplication } from "./save-application";
import { saveCalibration } from "./save-calibration";
import { entry, freshRecords, faults, must, NOW, session, town } from "./testing/town";

/** Records that came in as a file keep the chain of where they come from. */

const records = freshRecords();
interface AllFile {
  tables: Record<string, Row[]>;
  chain?: { head: string; links: [string, string, string, number, number][] };
}
function filled(): AllFile {
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
  for (const date of ["2026-08-02", "2026-08-12"]) must(saveApplication(records.db, entry({ id: `application-${date}`, date })));
  return JSON.parse(exportAll(records.db)) as AllFile;
}

test("the head of elsewhere is found here, in the chain here, once; an export of these records carries it on", () => {
  const file = filled();
  const head = headOf(records.db.$client);
  expect(file.chain!.head).toBe(head);
  const there = recordsInMemory();
  must(importAll(there, JSON.stringify(file)));
  must(importAll(there, JSON.stringify(file)));
  expect(chainsElsewhere(there)).toEqual([
    { head, rows: file.chain!.links.length, at: expect.any(String) as string, faults: [] },
  ]);
  expect(evidenceState(there)).toMatchObject({ broken: null, outside: {}, cut: 0 });
  expect(() => there.$client.prepare("delete from chains_elsewhere").run()).toThrow(/append-only/);
  must(saveApplication(there, entry({ date: "2026-08-20" })));
  const third = recordsInMemory();
  must(importAll(third, exportAll(there)));
  expect(
    chainsElsewhere(third)
      .map((one) => one.head)
      .sort(),
  ).toEqual([head, headOf(there.$client)].sort());
  // What this chain grew from is no other installation's.
  must(importAll(records.db, JSON.stringify(file)));
  expect(chainsElsewhere(records.db)).toEqual([]);
});

test.each<[string, (file: AllFile) => void, RegExp]>([
  [
    "altered",
    ({ tables }) => (tables.applications![0] = { ...tables.applications![0]!, note: "x" }),
    /^record of the log application-2026-08-02 was altered \(place \d+ of the chain\)$/,
  ],
  ["taken out", ({ tables }) => void tables.applications!.pop(), /^record of the log application-2026-08-12 was taken out/],
  [
    "put in",
    ({ tables }) => void tables.applications!.push({ ...tables.applications![0]!, id: "application-0003" }),
    /^1 × record of the log came in beside/,
  ],
  ["left out of the chain", ({ chain }) => void chain!.links.splice(-2, 1), /./],
])("a row that was %s in the file is told", (_, spoil, expected) => {
  const file = filled();
  spoil(file);
  const there = recordsInMemory();
  must(importAll(there, JSON.stringify(file)));
  expect(chainsElsewhere(there)[0]!.faults[0]).toMatch(expected);
});

test("a chain that is none is refused; a file from before has none", () => {
  const file = filled();
  for (const chain of [null, "x", { head: "x", links: [] }, { head: "", links: [["a"]] }])
    expect(faults(importAll(recordsInMemory(), JSON.stringify({ ...file, chain })))).toEqual(["chain wrong-type"]);
  const { chain: _, ...before } = file;
  const there = recordsInMemory();
  must(importAll(there, JSON.stringify(before)));
  expect(chainsElsewhere(there)).toEqual([]);
});
