import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { runVerify } from "@/cli/verify";
import { closeRecords, records, recordsFile } from "@/records/database";
import { headOf } from "@/records/evidence";
import { exportAll } from "@/services/all-records";
import { saveApplication, voidApplication } from "@/services/save-application";
import { saveCalibration } from "@/services/save-calibration";
import { entry, must, NOW, session, town } from "@/services/testing/town";
import { GET } from "./route";

/** `gauge verify` on what goes out of the app: all records and the whole log as JSON, a copy of the file, as they are and tampered with. */

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), "careful-gauge-verified-"));
  process.env.CAREFUL_GAUGE_DATA = folder;
  const db = records();
  town(db);
  must(saveCalibration(db, { session: session(), madeAt: NOW }));
  for (const [i, date] of ["2026-07-02", "2026-07-20", "2026-08-12"].entries())
    must(saveApplication(db, entry({ id: `application-000${i + 1}`, date })));
  must(voidApplication(db, { id: "application-0009", corrects: "application-0002", why: "it was rained off" }));
});
afterAll(() => {
  closeRecords(records());
  rmSync(folder, { recursive: true, force: true });
});

type Json = Record<string, never> & {
  chain: { rows: unknown[][]; links: unknown[][] };
  records: Record<string, unknown>[];
  tables: Record<string, Record<string, unknown>[]>;
};
const log = async (q = ""): Promise<Json> =>
  (await (await GET(new Request(`http://localhost/api/log?as=json${q}`))).json()) as Json;
const all = (): Json => JSON.parse(exportAll(records())) as Json;
function verified(content: object | string, noted?: string) {
  const file = path.join(folder, "file.json");
  writeFileSync(file, typeof content === "string" ? content : JSON.stringify(content));
  return runVerify(file, noted);
}
const told = (out: string) => JSON.parse(out) as { format: string; head: string; entries: number; outside: number };

test("what is as it was: the head, which is the writer's", async () => {
  const head = headOf(records().$client);
  const whole = verified(all());
  expect([whole.err, told(whole.out).head, told(whole.out).outside]).toEqual(["", head, 0]);
  const file = await log();
  const { out, err } = verified(file);
  expect([err, told(out)]).toEqual([
    "",
    {
      format: "careful-gauge-verified",
      version: 1,
      head: (file.chain as never as { digest: string }).digest,
      entries: 4,
      outside: 0,
    },
  ]);
  expect(runVerify(Buffer.from(JSON.stringify(file))).out).toBe(out);
  const copy = path.join(folder, "copy.db");
  records().$client.prepare("vacuum into ?").run(copy);
  expect(told(runVerify(copy).out).head).toBe(head);
  expect(recordsFile(folder)).toContain(folder);
});

describe("the log as JSON, tampered with", () => {
  test.each<[string, (file: Json) => void, RegExp]>([
    [
      "a rate that is shown",
      ({ records }) => void (records[0]!.rate = "9 oz/1000 ft2"),
      /^entry 3, applications application-0003: changed$/,
    ],
    [
      "a value of the chain",
      ({ chain }) => void (chain.rows[1]![3] = "2026-01-01"),
      /^entry 2, applications application-0002: changed$/,
    ],
    [
      "both alike",
      ({ chain, records }) => {
        records.find(({ id }) => id === "application-0001")!.note = "x";
        chain.rows[0]![17] = "x";
      },
      /^entry 1, applications application-0001: changed$/,
    ],
    ["a record taken out", ({ records }) => void records.splice(0, 1), /^entry 3, applications application-0003: removed$/],
    [
      "a record put in",
      ({ records }) => void records.push({ ...records[0], id: "application-0007" }),
      /applications application-0007: added/,
    ],
    [
      "two that changed places",
      ({ chain }) => void chain.rows.splice(0, 2, chain.rows[1]!, chain.rows[0]!),
      /^entry 1, applications application-0002: reordered$/,
    ],
  ])("%s", async (_, spoil, expected) => {
    const file = await log();
    spoil(file);
    expect(verified(file)).toMatchObject({ exit: 2, out: "", err: expect.stringMatching(expected) as unknown });
  });
  test("a tail that was cut off is seen by a head that was noted; one that was noted earlier is in it", async () => {
    const file = await log();
    const [first, last] = [file.chain.rows[0]![0] as string, file.chain.rows[3]![0] as string];
    expect(verified(file, first).exit).toBe(0);
    file.chain.rows.pop();
    file.records = file.records.filter(({ id }) => id !== "application-0009");
    expect(verified(file).exit).toBe(0);
    expect(verified(file, last)).toMatchObject({ exit: 2, err: expect.stringMatching(/removed, cut off at the end/) as unknown });
  });
  test("a part of it carries no chain", async () => {
    const part = await log(`&q=${encodeURIComponent(JSON.stringify({ from: "2026-08-01" }))}`);
    expect(verified(part)).toMatchObject({ exit: 2, err: expect.stringMatching(/save the whole of it/) as unknown });
  });
});

describe("all records as JSON, tampered with", () => {
  test.each<[string, (file: Json) => void, RegExp]>([
    [
      "a row that was changed",
      ({ tables }) => void (tables.applications![0]!.total = "9 oz"),
      /^entry \d+, applications application-0001: changed$/,
    ],
    ["one that was taken out", ({ tables }) => void tables.trials!.pop(), /^entry \d+, trials \d+: removed$/],
    [
      "one that was put in",
      ({ tables }) => void tables.applications!.push({ ...tables.applications![0]!, id: "x" }),
      /applications x: added/,
    ],
    ["two that changed places", ({ chain: { links } }) => void links.splice(-2, 2, links.at(-1)!, links.at(-2)!), /: reordered$/],
  ])("%s", (_, spoil, expected) => {
    const file = all();
    spoil(file);
    expect(verified(file)).toMatchObject({ exit: 2, out: "", err: expect.stringMatching(expected) as unknown });
  });
});

test("other files, and the command itself", () => {
  for (const [content, why] of [
    ["{", /neither a file of records nor JSON/],
    ["{}", /no records, no log/],
    [JSON.stringify({ format: "careful-gauge-records", tables: {} }), /carries no chain/],
  ] as const)
    expect(verified(content)).toMatchObject({ exit: 2, err: expect.stringMatching(why) as unknown });
  const file = path.join(folder, "all.json");
  writeFileSync(file, exportAll(records()));
  const head = headOf(records().$client);
  const gauge = (...args: string[]) =>
    execFileSync("node", ["--import", "tsx", "src/cli/gauge.ts", "verify", ...args], {
      encoding: "utf8",
      env: { ...process.env, INIT_CWD: process.cwd() },
    });
  expect(told(gauge(file, "--head", head)).head).toBe(head);
  expect(() => gauge(file, "--head", "0".repeat(64))).toThrow();
});
