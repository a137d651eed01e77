import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import fc from "fast-check";
import { backUp, checkCopy, keptBackups, listBackups } from "@/records/backup";
import { closeRecords, openRecords, recordsFile } from "@/records/database";
import { diskFaultOf, RecordsFault } from "@/records/disk";
import { restore } from "@/records/restore";
import { revisionsOf } from "@/records/revision";
import { ChangedMeanwhile, copyRecords, takeOver } from "@/records/staging";
import { exportAll, importAll } from "./all-records";
import { importFile } from "./background/import-file";
import { importCards } from "./import-cards";
import { importJob } from "./import-job";
import { put, retire } from "./keep-up";
import { readAll } from "./read-all";
import { recordSheet } from "./record-sheet";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { tickStep } from "./tick-step";
import { add, faults, freshRecords, gearOn, ids, LABEL, must, NOW, RIG, session, sheet, SITE, town } from "./testing/town";
import { showEverything } from "./testing/show-everything";

const records = freshRecords();

const HEAD_JOB = {
  format: "careful-gauge-job",
  version: 2,
  rig: {
    name: "Bed head",
    kind: "hose-end",
    tanks: [{ name: "jar", usable: "32 fl oz" }],
    head: { kind: "dial", setting: "2 fl oz/gal", jar: { product: "8 fl oz", water: "4 fl oz" } },
  },
  calibration: {
    pace: { kind: "timed-area", area: "250 ft2", times: ["61 s", "63 s"] },
    flow: { kind: "timed-catch", catches: [{ volume: "2.5 gal", time: "60 s" }] },
    target: "1 gal/1000 ft2",
    record: { person: "Odile Marsh" },
  },
  products: [
    {
      name: "Wetter",
      form: "liquid",
      rate: "4 fl oz/1000 ft2",
      labelRange: ["2 fl oz/1000 ft2", "6 fl oz/1000 ft2"],
      actives: [{ name: "demo active", strength: "4 lb/gal" }],
      limits: { perYear: "12 fl oz/1000 ft2", applicationsPerYear: 3, intervalAtLeast: "14 days" },
      carrierAtLeast: "0.5 gal/1000 ft2",
      price: { amount: 64, currency: "USD", per: "1 gal" },
    },
  ],
  sites: [{ name: "Quay", zones: [{ name: "bed", area: "900 ft2" }] }],
  date: "2026-09-02",
};
type Json = { [key: string]: Json } | Json[] | string | number;
const job = (change: (job: never) => void): string => {
  const copy = structuredClone(HEAD_JOB);
  change(copy as never);
  return JSON.stringify(copy);
};

describe("an import never overwrites or deletes", () => {
  const file = () =>
    JSON.stringify({ format: "careful-gauge-cards", version: 1, cards: [{ ...LABEL, limits: [{ perYear: "2" }] }] });
  test("a card that was renamed, and its limit tightened, stays so however often its file comes", () => {
    must(importCards(records.db, file(), {}));
    const { id } = readAll(records.db).labels[0]!;
    must(put(records.db, "labels", { id, form: { ...LABEL, name: "Granule Plus", limits: [{ perYear: "0.1" }] } }));
    const again = must(importCards(records.db, file(), {}));
    expect(again.items).toMatchObject([{ state: "renamed", calledHere: "Granule Plus", taken: false }]);
    expect(readAll(records.db).labels.map((l) => [l.id, l.card.name, l.card.limits[0]!.perYear])).toEqual([
      [id, "Granule Plus", "0.1 oz/1000 ft2"],
    ]);
  });
  test("a rig with two tanks, a site with three zones and a person, all renamed, stay as they are", () => {
    must(
      importJob(records.db, readFileSync("demo/00-town.job.json", "utf8").replace(/"madeAt": "[^"]*"/, `"madeAt": "${NOW}"`), {}),
    );
    const before = readAll(records.db);
    const tank = { name: "main", usable: "4", leastMix: "" };
    must(
      put(records.db, "rigs", {
        id: before.rigs[0]!.id,
        form: { ...RIG, name: "Old blue", tanks: [tank, { ...tank, name: "spare" }] },
      }),
    );
    must(put(records.db, "people", { id: before.people[0]!.id, form: { name: "Odile Marsh-Quaye" } }));
    const site = before.sites[0]!;
    const zones = [
      ...site.site.zones.map((z) => ({ name: z.name, area: z.area, id: z.id })),
      { name: "strip", area: "300", ground: "new" },
    ];
    must(put(records.db, "sites", { id: site.id, form: { name: "Green by the quay", zones } }));
    const changed = JSON.stringify(readAll(records.db));
    const again = must(
      importJob(records.db, readFileSync("demo/00-town.job.json", "utf8").replace(/"madeAt": "[^"]*"/, `"madeAt": "${NOW}"`), {}),
    );
    expect(again.items.map((item) => item.state).filter((state) => state !== "same")).toEqual(["renamed", "renamed", "renamed"]);
    expect(JSON.stringify(readAll(records.db))).toBe(changed);
  });
  test("an active that is a letter from one on record is pointed at before the card is kept", () => {
    must(add(records.db, "labels", { ...LABEL, actives: [{ name: "osselfenate", content: "40 %" }] }));
    const cards = [{ ...LABEL, name: "Powder", actives: [{ name: "osselfenat", content: "5 %" }] }];
    const looked = must(importCards(records.db, JSON.stringify({ format: "careful-gauge-cards", version: 1, cards })));
    expect(looked.items[0]!.notes).toEqual([expect.stringMatching(/osselfenat: osselfenate is on record/)]);
  });
  test("what is retired is left, and brought back by a choice alone", () => {
    must(importCards(records.db, file(), {}));
    const { id } = readAll(records.db).labels[0]!;
    must(retire(records.db, "labels", { id, retired: true }));
    expect(must(importCards(records.db, file(), {})).items).toMatchObject([{ state: "retired", taken: false }]);
    expect(readAll(records.db).labels).toMatchObject([{ id, retired: true }]);
    must(importCards(records.db, file(), { [`label:${id}`]: "take" }));
    expect(readAll(records.db).labels).toMatchObject([{ id, retired: false }]);
  });
  test("an id that travels in the file is who it is, whatever it is called", () => {
    must(
      importJob(
        records.db,
        job(() => undefined),
        {},
      ),
    );
    const site = readAll(records.db).sites[0]!;
    const moved = job((j: { sites: object[] }) => (j.sites = [{ ...HEAD_JOB.sites[0], name: "Quay bed", id: site.id }]));
    expect(must(importJob(records.db, moved, {})).items.at(-1)).toMatchObject({ kind: "site", calledHere: "Quay" });
    expect(readAll(records.db).sites.length).toBe(1);
  });
  test("what a file leaves unsaid stays when the rest of it is taken", () => {
    town(records.db);
    const zones = SITE.zones.map((z, i) => ({ ...z, id: `${ids.sites}.${i}`, seeded: "2026-08-20" }));
    must(add(records.db, "sites", { ...SITE, zones }));
    const file = {
      format: "careful-gauge-job",
      version: 2,
      rig: { name: "Blue backpack", kind: "backpack", tanks: [{ name: "main", usable: "3 gal" }] },
      calibration: { sprayVolume: "1 gal/1000 ft2", record: { person: "Odile Marsh" } },
      sites: [{ name: "Green", zones: [{ name: "north", area: "6400 ft2" }] }],
    };
    must(importJob(records.db, JSON.stringify(file), { [`site:${ids.sites}`]: "take", [`rig:${ids.rigs}`]: "take" }));
    const book = readAll(records.db);
    expect(book.sites[0]!.site.zones).toMatchObject([
      { name: "north", area: "6400 ft2", seededOn: "2026-08-20" },
      { name: "south", area: "1800 ft2", seededOn: "2026-08-20" },
    ]);
    expect(book.rigs[0]!.rig).toMatchObject({
      tanks: [{ usable: "3 gal" }],
      setup: { kit: { vessels: [{ name: "jug" }] } },
    });
  });
  test("a site of a file that may be ground that was given up is asked about; said so, its history is known there", () => {
    town(records.db);
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveSheet(records.db, sheet()));
    must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true }));
    must(retire(records.db, "sites", { id: ids.sites, retired: true }));
    const file = job((j: { sites: object[] }) => (j.sites = [{ name: "Slip", zones: [{ name: "lawn", area: "6200 ft2" }] }]));
    // Looked at on a copy, as every file is.
    const tmp = path.join(records.folder, "look");
    mkdirSync(tmp);
    const { db } = copyRecords(records.folder, tmp);
    const asked = must(importJob(db, file)).items.find((item) => item.state === "new-zone")!;
    db.$client.close();
    expect(asked).toMatchObject({ key: "zone:Slip:lawn", grounds: [{ id: `${ids.sites}.0`, name: "north of Green" }] });
    expect(faults(importJob(records.db, file, {}))).toEqual(["sites[0] same-ground"]);
    must(importJob(records.db, file, { "zone:Slip:lawn": `${ids.sites}.0` }));
    const slip = readAll(records.db).sites.find((s) => s.site.name === "Slip")!;
    const there = readAll(records.db).counted.filter((c) => c.zoneIds.includes(slip.site.zones[0]!.id));
    expect(there.map((c) => c.applied.of)).toEqual(["Granule"]);
  });
  test("every former text is kept", () => {
    town(records.db);
    must(add(records.db, "rigs", { ...RIG, pressure: "45 psi" }));
    must(add(records.db, "sites", { ...SITE, name: "Greener" }));
    const was = records.db.$client.prepare("select kind, was from revisions order by id").all() as {
      kind: string;
      was: string;
    }[];
    expect(was.map(({ kind, was: text }) => [kind, (JSON.parse(text) as { name: string }).name])).toEqual([
      ["rigs", "Blue backpack"],
      ["sites", "Green"],
    ]);
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(
      put(records.db, "sites", {
        id: ids.sites,
        form: { ...SITE, zones: [...SITE.zones, { name: "strip", area: "90", ground: "new" }] },
      }),
    );
    for (const table of ["revisions", "record_names", "saved_requests", "same_ground"]) {
      expect(() => records.db.$client.exec(`delete from ${table}`)).toThrow(/never deleted/);
      expect(() => records.db.$client.exec(`update ${table} set at = ''`)).toThrow(/append-only/);
    }
    for (const table of ["people", "rigs", "labels", "sites", "zones"])
      expect(() => records.db.$client.exec(`delete from ${table}`)).toThrow(/never deleted/);
  });
});

describe("what comes in is checked by the same reader as what is read", () => {
  test.each<[string, (j: { rig: { head: { setting: string; jar: { product: string } } } }) => void, string]>([
    ["a dial", (j) => (j.rig.head.setting = "100 fl oz/gal"), "rig.head.setting out-of-range"],
    ["a jar", (j) => (j.rig.head.jar.product = "6 gal"), "rig.head.jar.product out-of-range"],
    ["a feed", (j) => (j.rig.head = { kind: "metered", feed: "2 gal/min" } as never), "rig.head.feed out-of-range"],
  ])("%s that no room could show is refused", (_what, change, fault) => {
    expect(faults(importJob(records.db, job(change as never), {}))).toEqual([fault]);
    showEverything(records.db);
  });

  const TEXTS = [
    "2 gal/min",
    "100 fl oz/gal",
    "6 gal",
    "0.00001 fl oz",
    "900000 gal",
    "1000000000 ft2",
    "0.001 s",
    "500 h",
    "5 psi",
    "0.9 %",
    "1e3",
    "",
    "4 oz",
    "0.3 oz/1000 ft2",
    "7:1",
    "x",
  ];
  const leaves = (value: Json, at: (string | number)[] = []): (string | number)[][] =>
    typeof value === "object"
      ? Object.entries(value).flatMap(([key, one]) => leaves(one, [...at, Array.isArray(value) ? Number(key) : key]))
      : [at];
  const PATHS = leaves(HEAD_JOB as Json);
  test("what any door accepts, every room can show", () => {
    let accepted = 0;
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.constantFrom(...PATHS), fc.oneof(fc.constantFrom<Json>(...TEXTS), fc.constantFrom<Json>(7, -1, [], {}))),
          {
            minLength: 1,
            maxLength: 3,
          },
        ),
        fc.nat(),
        (changes, n) => {
          const copy = structuredClone(HEAD_JOB) as Json;
          for (const [at, value] of changes) {
            const last = at.at(-1)!;
            const parent = at.slice(0, -1).reduce<Json>((one, key) => (one as never)[key], copy);
            if (typeof parent === "object") (parent as Record<string, Json>)[last] = value;
          }
          (copy as { rig: { name: unknown } }).rig.name = `Head ${n}`;
          if (importJob(records.db, JSON.stringify(copy), {}).ok) accepted += 1;
          showEverything(records.db);
        },
      ),
      // How many of the others are taken is chance; one that is taken for certain stands among them.
      { numRuns: 150, examples: [[[[["rig", "name"], "x"]], 1]] },
    );
    expect(accepted).toBeGreaterThan(0);
  });

  test.each([
    ["rigs", 'update rigs set head = \'{"kind":"dial","setting":"100 fl oz/gal"}\'', "rig"],
    ["rigs", "update rigs set kind = 'spaceship'", "rig"],
    ["labels", "update labels set card = '{'", "label"],
    ["sites", "update zones set area = '5 furlongs' where position = 0", "site"],
    ["sites", "update zones set seeded = 'spring' where position = 0", "site"],
    ["people", "update people set name = ''", "person"],
  ] as const)("one damaged row of the %s is set aside with its reason; the rest works (%s)", (kind, damage, of) => {
    town(records.db);
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    records.db.$client.exec(damage);
    const book = readAll(records.db);
    expect(book[kind]).toEqual([]);
    expect(book.aside).toMatchObject([{ of }]);
    expect(book.aside[0]!.raw).not.toBe("");
    for (const other of ["rigs", "labels", "sites", "people"] as const) if (other !== kind) expect(book[other].length).toBe(1);
    // Saved anew it is whole again, and its raw text is kept.
    must(add(records.db, kind, { rigs: RIG, labels: LABEL, sites: SITE, people: { name: "Odile Marsh" } }[kind]));
    expect(readAll(records.db).aside).toEqual([]);
  });
  test("a damaged calibration, sheet or record of the log takes nothing with it; beside what can't be counted nothing is planned", () => {
    town(records.db);
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveSheet(records.db, sheet()));
    must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true }));
    const { $client } = records.db;
    $client.exec(
      "drop trigger applications_keep; drop trigger applications_numbers; update applications set rate = 'some', zone_id = '?' where id = 'sheet-0000000001.0.0'",
    );
    expect(readAll(records.db)).toMatchObject({ aside: [{ of: "record of the log", id: "sheet-0000000001.0.0" }] });
    expect(faults(saveSheet(records.db, sheet({ id: "sheet-0000000002" })))).toEqual([" unreadable"]);
    $client.exec("drop trigger calibrations_keep; update calibrations set job = '{}'");
    $client.exec("drop trigger mix_sheets_keep; update mix_sheets set job = 'nothing'");
    expect(
      readAll(records.db)
        .aside.map((one) => one.of)
        .sort(),
    ).toEqual(["calibration", "mix sheet", "record of the log"]);
  });
});

describe("a copy that can be trusted", () => {
  const folder = () => records.folder;
  beforeEach(() => town(records.db));
  test("the one file holds everything once it is closed", () => {
    closeRecords(records.db);
    expect(existsSync(`${recordsFile(folder())}-wal`)).toBe(false);
    const copy = new Database(recordsFile(folder()), { readonly: true });
    expect(copy.prepare("select count(*) from rigs").pluck().get()).toBe(1);
    copy.close();
    records.db = openRecords(folder());
  });
  test("a backup while the records are in use is whole; restored, it is what was; what it replaced is kept", () => {
    const made = backUp(folder(), new Date("2026-09-02T10:00:00Z"));
    expect(made.counts).toMatchObject({ rigs: 1, people: 1, labels: 1, sites: 1, zones: 2 });
    must(add(records.db, "people", { name: "Bram Tolliver" }, "person-00000002"));
    expect(() => restore(folder(), made.file, new Date())).toThrow(/in use/);
    closeRecords(records.db);
    const { replaced } = restore(folder(), made.file, new Date("2026-09-02T11:00:00Z"));
    records.db = openRecords(folder());
    expect(readAll(records.db).people.map((p) => p.name)).toEqual(["Odile Marsh"]);
    expect(checkCopy(replaced!).counts.people).toBe(2);
  });
  test.each([
    ["nothing", () => undefined, /no such file/],
    ["a text", (file: string) => writeFileSync(file, "hello, this is no database at all ".repeat(100)), /can't be read/],
    ["another database", (file: string) => new Database(file).exec("create table t (a)").close(), /holds no records/],
    [
      "half a file",
      (file: string) => {
        const made = backUp(folder(), new Date(NOW));
        const bytes = readFileSync(made.file);
        bytes.fill(7, 8192, 60_000);
        writeFileSync(file, bytes);
      },
      /damaged|can't be read/,
    ],
  ] as const)("%s is no backup", (_what, make, says) => {
    const file = path.join(folder(), "wrong.db");
    make(file);
    expect(() => checkCopy(file)).toThrow(says);
    expect(() => restore(folder(), file, new Date())).toThrow(RecordsFault);
    expect(readAll(records.db).rigs.length).toBe(1);
  });
  test("7 days, 4 weeks, 12 months are kept, the newest of each", () => {
    const day = (n: number) => new Date(Date.parse("2026-09-02T10:00:00Z") - n * 86_400_000).toISOString();
    const all = Array.from({ length: 800 }, (_, n) => day(n));
    const kept = keptBackups(all);
    expect(kept.slice(0, 7)).toEqual(all.slice(0, 7));
    expect(kept.length).toBeLessThanOrEqual(7 + 4 + 12);
    expect(new Set(kept.map((stamp) => stamp.slice(0, 7))).size).toBe(12);
    expect(kept).toContain("2026-08-31T10:00:00.000Z");
    for (let n = 8; n >= 0; n--) backUp(folder(), new Date(day(n)));
    expect(listBackups(folder()).map((backup) => backup.at.slice(0, 10))).toEqual(
      [0, 1, 2, 3, 4, 5, 6].map((n) => day(n).slice(0, 10)),
    );
  });
  test("all records out and in again are the same, row by row", () => {
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveSheet(records.db, sheet()));
    gearOn(records.db, "sheet-0000000001");
    must(tickStep(records.db, "sheet-0000000001", { step: "1.1.water", done: true }));
    must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true }));
    const text = exportAll(records.db);
    const other = openRecords(path.join(folder(), "other"));
    must(importAll(other, text, {}));
    // Its chain and its name for calendars are its own, and it keeps the chain of where the rows come from.
    const tablesOf = (file: string) => {
      const { tables } = JSON.parse(file) as { tables: { settings: { key: string }[] } };
      return { ...tables, chains_elsewhere: [], settings: tables.settings.filter(({ key }) => key !== "calendar-name") };
    };
    expect(tablesOf(exportAll(other))).toEqual(tablesOf(text));
    expect(must(importAll(other, text, {})).rows).toBe(0);
    showEverything(other);
    // What differs is left, and taken by a choice.
    must(put(other, "labels", { id: ids.labels, form: { ...LABEL, limits: [{ perYear: "0.1" }] } }));
    expect(must(importAll(other, text, {})).items).toMatchObject([{ kind: "label", state: "differs", taken: false }]);
    expect(readAll(other).labels[0]!.card.limits.length).toBe(1);
    must(importAll(other, text, { [`label:${ids.labels}`]: "take" }));
    expect(readAll(other).labels[0]!.card.limits).toEqual([]);
    // A zone that came to the site since is asked about; it comes with its id, so that its history finds it.
    const more = {
      ...SITE,
      zones: [...SITE.zones.map((z, i) => ({ ...z, id: `${ids.sites}.${i}` })), { name: "strip", area: "90", ground: "new" }],
    };
    must(put(records.db, "sites", { id: ids.sites, form: more }));
    const later = exportAll(records.db);
    const asked = must(importAll(other, later, {})).items.find((item) => item.state === "new-zone")!;
    expect(readAll(other).sites[0]!.site.zones.length).toBe(2);
    must(importAll(other, later, { [asked.key]: "new" }));
    expect(readAll(other).sites[0]!.site.zones.map((z) => z.id)).toEqual(
      readAll(records.db).sites[0]!.site.zones.map((z) => z.id),
    );
    // What happened is never another thing.
    const spoilt = text.replace('"rate":"0.3 oz/1000 ft2","total"', '"rate":"0.2 oz/1000 ft2","total"');
    expect(spoilt).not.toBe(text);
    expect(faults(importAll(other, spoilt, {}))[0]).toMatch(/tables.applications .* kept-otherwise/);
    closeRecords(other);
  });
  test.each([
    ["{", " not-json"],
    ["{}", "format not-a-choice"],
    ['{"format":"careful-gauge-records","version":999,"tables":{}}', "version not-a-choice"],
    ['{"format":"careful-gauge-records","version":1,"tables":{"sqlite_master":[]}}', "tables.sqlite_master unknown-key"],
    [
      '{"format":"careful-gauge-records","version":1,"tables":{"people":[{"id":"x","nam":"y"}]}}',
      "tables.people[0].nam unknown-key",
    ],
    ['{"format":"careful-gauge-records","version":1,"tables":{"people":[7]}}', "tables.people wrong-type"],
  ])("%s brings nothing in", (text, fault) => expect(faults(importAll(records.db, text, {}))).toContain(fault));
});

describe("long work goes over all at once", () => {
  const tmp = () => {
    const made = path.join(records.folder, "tmp");
    rmSync(made, { recursive: true, force: true });
    mkdirSync(made);
    return made;
  };
  test("a look keeps nothing; kept, everything is there; what was saved meanwhile is there too", () => {
    town(records.db);
    const file = path.join(records.folder, "file");
    writeFileSync(
      file,
      job(() => undefined),
    );
    const of = (choices?: object) =>
      importFile({ folder: records.folder, tmp: tmp(), kind: "job", file, ...(choices && { choices: choices as never }) }, () => {
        // Somebody saves while the file is worked through.
        put(records.db, "people", { id: "person-00000002", form: { name: "Bram Tolliver" } });
      });
    const before = revisionsOf(records.db);
    must(of());
    expect(readAll(records.db).rigs.length).toBe(1);
    expect(revisionsOf(records.db).get("people")).toBeGreaterThan(before.get("people")!);
    must(of({}));
    expect(readAll(records.db).rigs.map((r) => r.rig.name)).toEqual(["Bed head", "Blue backpack"]);
    expect(readAll(records.db).people.map((p) => p.name)).toEqual(["Bram Tolliver", "Odile Marsh"]);
    showEverything(records.db);
  });
  test("changed at the same place meanwhile: nothing of it is taken", () => {
    town(records.db);
    const copies = copyRecords(records.folder, tmp());
    must(put(copies.db, "labels", { id: ids.labels, form: { ...LABEL, name: "From the file" } }));
    copies.db.$client.close();
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, name: "From a person" } }));
    expect(() => takeOver(records.folder, copies)).toThrow(ChangedMeanwhile);
    expect(readAll(records.db).labels.map((l) => l.card.name)).toEqual(["From a person"]);
  });
  test("a rig's tanks are taken over as they are in the copy", () => {
    town(records.db);
    const copies = copyRecords(records.folder, tmp());
    const tank = { name: "front", usable: "2", leastMix: "" };
    must(add(copies.db, "rigs", { ...RIG, tanks: [tank, { ...tank, name: "rear" }] }));
    copies.db.$client.close();
    expect(takeOver(records.folder, copies)).toBeGreaterThan(0);
    expect(readAll(records.db).rigs[0]!.rig.tanks!.map((t) => t.name)).toEqual(["front", "rear"]);
  });
});

describe("a disk that fails says so", () => {
  const why = (work: () => unknown): string => {
    try {
      work();
    } catch (error) {
      return diskFaultOf(error)?.reason ?? `unknown: ${String(error)}`;
    }
    return "worked";
  };
  test("full, in the middle of work: nothing of it is kept, what was there stays", () => {
    town(records.db);
    records.db.$client.pragma(`max_page_count = ${String(records.db.$client.pragma("page_count", { simple: true }))}`);
    const fill = () => {
      for (let i = 0; i < 2000; i++) must(add(records.db, "people", { name: `P ${i}` }, `person-fill-${1000 + i}`));
    };
    expect(why(fill)).toBe("The disk is full.");
    expect(readAll(records.db).people.length).toBeGreaterThan(0);
  });
  test("read-only", () => {
    records.db.$client.pragma("query_only = ON");
    expect(why(() => add(records.db, "people", { name: "Bram" }))).toBe("The folder of the records can't be written to.");
    records.db.$client.pragma("query_only = OFF");
  });
  test("damaged; a file where the folder should be; newer than the program", () => {
    const at = (name: string) => path.join(records.folder, name);
    mkdirSync(at("damaged"));
    writeFileSync(recordsFile(at("damaged")), "this was a database once ".repeat(400));
    expect(why(() => openRecords(at("damaged")))).toMatch(/^The file of the records is damaged\. \(/);
    writeFileSync(at("file"), "");
    expect(why(() => openRecords(at("file")))).toMatch(/can't be written to/);
    const newer = openRecords(at("newer"));
    newer.$client.exec("insert into __drizzle_migrations (hash, created_at) values ('x', 9999999999999)");
    closeRecords(newer);
    expect(why(() => openRecords(at("newer")))).toMatch(/written by a newer Careful Gauge/);
  });
});
