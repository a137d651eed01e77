import { findApplication } from "@/records/applications";
import { readSheet } from "./slices/sheets";
import { readAll } from "./read-all";
import { importCards } from "./import-cards";
import { importJob } from "./import-job";
import { importLog } from "./import-log";
import { recordSheet } from "./record-sheet";
import { saveApplication, voidApplication } from "./save-application";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { withdraw } from "./withdraw";
import { tickStep } from "./tick-step";
import { put } from "./keep-up";
import { add, faults, freshRecords, gearOn, ids, LABEL, must, NOW, session, sheet, SITE, town } from "./testing/town";

const records = freshRecords();
const BOUND = {
  ...LABEL,
  actives: [{ name: "osselfenate", content: "40 %" }],
  rates: [{ rate: "0.2", to: "0.4" }],
  limits: [{ perApplication: "0.4", perYear: "0.8", yearKind: "rolling" }],
};
const application = (more: object = {}) => ({
  id: "application-0001",
  date: "2026-08-01",
  siteId: ids.sites,
  zoneId: `${ids.sites}.0`,
  labelId: ids.labels,
  amount: "0.4 oz per 1,000 sq ft",
  personId: ids.people,
  note: "",
  corrects: null,
  ...more,
});
beforeEach(() => {
  town(records.db);
  must(put(records.db, "labels", { id: ids.labels, form: BOUND }));
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
});
const counted = () => readAll(records.db).counted.map((c) => [c.zone, c.applied.amount, c.sheetId]);

describe("what went down", () => {
  test("a rate, or the zone's total; what it is of stands in the record, whatever becomes of the card", () => {
    must(saveApplication(records.db, application()));
    must(saveApplication(records.db, application({ id: "application-0002", zoneId: `${ids.sites}.1`, amount: "0.72 oz" })));
    must(
      put(records.db, "labels", {
        id: ids.labels,
        form: { ...BOUND, name: "Other", actives: [{ name: "tollazole", content: "5 %" }] },
      }),
    );
    const book = readAll(records.db);
    expect(book.applications.map((a) => [a.product, a.total, a.rate, a.actives[0]!.name])).toEqual([
      ["Granule", "0.72 oz", "0.4 oz/1000 ft2", "osselfenate"],
      ["Granule", "2.48 oz", "0.4 oz/1000 ft2", "osselfenate"],
    ]);
    // It counts by what the card says now, and by what was known then.
    expect(book.applications[0]!.activesNow!.map((a) => a.name).sort()).toEqual(["osselfenate", "tollazole"]);
    expect(book.counted.map((c) => [c.zone, c.applied.of, c.applied.active].join()).sort()).toEqual([
      "north,Other,osselfenate",
      "north,Other,tollazole",
      "south,Other,osselfenate",
      "south,Other,tollazole",
    ]);
  });
  test("the same sent twice is kept once; something else under its id is a conflict, and nobody is told otherwise", () => {
    must(saveApplication(records.db, application()));
    must(saveApplication(records.db, application()));
    expect(faults(saveApplication(records.db, application({ amount: "9 oz" })))).toEqual(["id kept-otherwise"]);
    expect(readAll(records.db).applications.map((a) => a.total)).toEqual(["2.48 oz"]);
  });
  test("a correction names what it corrects, a void one counts no more, each once", () => {
    must(saveApplication(records.db, application()));
    must(
      saveApplication(
        records.db,
        application({ id: "application-0002", amount: "0.3", corrects: "application-0001", why: "misread" }),
      ),
    );
    expect(faults(saveApplication(records.db, application({ id: "application-0003", corrects: "application-0001" })))).toEqual([
      "corrects already-done",
    ]);
    expect(counted().length).toBe(1);
    must(voidApplication(records.db, { id: "application-0004", corrects: "application-0002", why: "rained off" }));
    must(voidApplication(records.db, { id: "application-0004", corrects: "application-0002", why: "rained off" }));
    expect(counted()).toEqual([]);
    expect(readAll(records.db).applications.length).toBe(3);
    expect(faults(voidApplication(records.db, { id: "application-0005", corrects: "nothing-of-that" }))).toEqual([
      "corrects unknown-name",
    ]);
    expect(voidApplication(records.db, {}).ok).toBe(false);
  });
  test("nothing on record is changed or removed, not even by hand", () => {
    must(
      saveApplication(
        records.db,
        application({ dismissed: [{ field: "amount", slip: "decimal-point", typed: "4", reason: "spot" }] }),
      ),
    );
    const { $client } = records.db;
    expect(() => $client.exec("update applications set rate = '0.1 oz/1000 ft2'")).toThrow(/append-only/);
    expect(() => $client.exec("delete from applications")).toThrow(/append-only/);
    expect(() => $client.exec("delete from dismissals")).toThrow(/append-only/);
    expect($client.prepare("select reason from dismissals").pluck().all()).toEqual(["spot"]);
  });
  test("on a site of one zone nobody has to name it; of two, somebody has to", () => {
    const lone = "site-0000000002";
    must(put(records.db, "sites", { id: lone, form: { name: "Lone", zones: [{ name: "all of it", area: "1,000" }] } }));
    must(saveApplication(records.db, application({ siteId: lone, zoneId: "" })));
    expect(counted()).toEqual([["all of it", "0.4 oz/1000 ft2", null]]);
    const two = saveApplication(records.db, application({ id: "application-0002", zoneId: "" }));
    expect(faults(two)).toEqual(["zoneId missing"]);
  });
  test.each<[string, object, string]>([
    ["a day that never was", { date: "2026-02-30" }, "date bad-date"],
    ["a day to come", { date: "2031-01-01" }, "date bad-date"],
    ["another zone", { zoneId: "x" }, "zoneId unknown-name"],
    ["another label", { labelId: "label-999999999" }, "labelId unknown-name"],
    ["nobody", { personId: "person-99999999" }, "personId unknown-name"],
    ["a volume of a dry product", { amount: "3 fl oz" }, "amount volume-on-dry"],
    ["a strength", { amount: "3 oz/gal" }, "amount wrong-unit"],
    ["no amount", { amount: "" }, "amount missing"],
    ["more than anyone puts down", { amount: "90000 lb" }, "amount out-of-range"],
    ["what corrects nothing", { corrects: "application-9999" }, "corrects unknown-name"],
    ["slips of no kind", { dismissed: [{ field: "amount", slip: "oops", typed: "4", reason: "x" }] }, "dismissed wrong-type"],
  ])("%s", (_what, more, expected) => expect(faults(saveApplication(records.db, application(more)))).toContain(expected));
  test.each([null, {}, "x", application({ note: 7 })])("%j is no application", (input) =>
    expect(saveApplication(records.db, input).ok).toBe(false),
  );
  test.each(["2026-9-2", "1980-01-01", "2026-13-45", "2026-09-03"])("%s is no day that it went down on", (date) =>
    expect(faults(saveApplication(records.db, application({ date })))).toEqual(["date bad-date"]),
  );
});

describe("which zone, which label, which person a record is of", () => {
  const [north, south] = [`${ids.sites}.0`, `${ids.sites}.1`];
  const other = { site: "site-0000000002", label: "label-000000002", person: "person-00000002" };
  beforeEach(() => {
    must(put(records.db, "sites", { id: other.site, form: { name: "Slip", zones: [{ name: "north", area: "500" }, { name: "west", area: "700" }] } })); // prettier-ignore
    must(put(records.db, "labels", { id: other.label, form: { ...LABEL, name: "Second granule", gravity: "" } }));
    must(put(records.db, "people", { id: other.person, form: { name: "Bram Tolliver" } }));
  });
  const row = (id: string) => findApplication(records.db, id)!;
  /** A record's ground and what went down on it. */
  const ground = (id: string) => {
    const { siteId, zoneId, zone, area, total } = row(id);
    return [siteId, zoneId, zone, area.text, total];
  };

  test("each zone by its id, also where another site has one of its name", () => {
    must(saveApplication(records.db, application()));
    must(saveApplication(records.db, application({ id: "application-0002", zoneId: south })));
    must(saveApplication(records.db, application({ id: "application-0003", siteId: other.site, zoneId: `${other.site}.0` })));
    must(saveApplication(records.db, application({ id: "application-0004", siteId: other.site, zoneId: `${other.site}.1` })));
    expect([1, 2, 3, 4].map((n) => ground(`application-000${n}`))).toEqual([
      [ids.sites, north, "north", "6,200 ft2", "2.48 oz"],
      [ids.sites, south, "south", "1800 ft2", "0.72 oz"],
      [other.site, `${other.site}.0`, "north", "500 ft2", "0.2 oz"],
      [other.site, `${other.site}.1`, "west", "700 ft2", "0.28 oz"],
    ]);
    expect(faults(saveApplication(records.db, application({ id: "application-0005", zoneId: `${other.site}.1` })))).toEqual([
      "zoneId unknown-name",
    ]);
  });

  test("a correction stays on the ground as it was then; one to another zone takes that zone's", () => {
    must(saveApplication(records.db, application()));
    const zones = [
      { ...SITE.zones[0]!, id: north, name: "the north", area: "5,000" },
      { ...SITE.zones[1]!, id: south },
    ];
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones } }));
    const correct = (n: number, of: number, more: object) =>
      must(saveApplication(records.db, application({ id: `application-000${n}`, corrects: `application-000${of}`, why: "misread", ...more }))); // prettier-ignore
    correct(2, 1, { note: "  wet  " });
    expect([ground("application-0002"), row("application-0002").note]).toEqual([[ids.sites, north, "north", "6,200 ft2", "2.48 oz"], "wet"]); // prettier-ignore
    correct(3, 2, { zoneId: south, note: "   " });
    expect([ground("application-0003"), row("application-0003").note]).toEqual([[ids.sites, south, "south", "1800 ft2", "0.72 oz"], null]); // prettier-ignore
    // Back again it is the ground of today.
    correct(4, 3, {});
    expect(ground("application-0004")).toEqual([ids.sites, north, "the north", "5,000 ft2", "2 oz"]);
    correct(5, 4, { siteId: other.site, zoneId: `${other.site}.0`, labelId: other.label, personId: other.person });
    expect(ground("application-0005")).toEqual([other.site, `${other.site}.0`, "north", "500 ft2", "0.2 oz"]);
    expect([row("application-0005").product, row("application-0005").personId]).toEqual(["Second granule", other.person]);
    expect(counted()).toEqual([["north", "0.4 oz/1000 ft2", null]]);
  });

  test("zones that were taken out, each by its id", () => {
    const third = "site-0000000003";
    const zones = [{ name: "shore", area: "300" }, { name: "east", area: "900" }, { name: "west", area: "1,800" }]; // prettier-ignore
    must(add(records.db, "sites", { name: "Third", zones }, third));
    must(put(records.db, "sites", { id: third, form: { name: "Third", zones: [{ ...zones[0]!, id: `${third}.0` }] } }));
    must(saveApplication(records.db, application({ siteId: third, zoneId: `${third}.2` })));
    must(saveApplication(records.db, application({ id: "application-0002", siteId: third, zoneId: `${third}.1` })));
    expect(ground("application-0001")).toEqual([third, `${third}.2`, "west", "1,800 ft2", "0.72 oz"]);
    expect(ground("application-0002")).toEqual([third, `${third}.1`, "east", "900 ft2", "0.36 oz"]);
  });

  test("a liquid keeps its gravity; an ounce of it or a strength is asked about", () => {
    must(
      put(records.db, "labels", {
        id: other.label,
        form: { name: "Wetter", form: "liquid", gravity: "1.2", rates: [{ rate: "3" }] },
      }),
    );
    const of = (amount: string, id = "application-0001") =>
      saveApplication(records.db, application({ id, labelId: other.label, amount }));
    must(of("3 fl oz/1000 ft2"));
    expect([row("application-0001").gravity, row("application-0001").total]).toEqual(["1.2", "18.6 fl oz"]);
    const ounces = of("4 oz", "application-0002");
    expect(faults(ounces)).toEqual(["amount weight-on-liquid"]);
    expect(ounces.ok ? "" : ounces.issues[0]!.expected).toContain("fl oz");
    expect(faults(of("1 %v/v", "application-0002"))).toEqual(["amount wrong-unit"]);
  });

  test.each<[string, object]>([
    ["an id of no kind", { id: "x" }],
    ["a site of no kind", { siteId: 7 }],
    ["a label of no kind", { labelId: "x" }],
    ["a zone of no kind", { zoneId: 7 }],
    ["a date of no kind", { date: 7 }],
    ["an amount of no kind", { amount: 7 }],
    ["a person of no kind", { personId: 7 }],
    ["a person left out", { personId: undefined }],
    ["a note of no kind", { note: null }],
    ["a note that is a book", { note: "n".repeat(401) }],
    ["a correction of no kind", { corrects: 7 }],
    ["a reason of no kind", { why: 7 }],
    ["a reason that is a book", { why: "w".repeat(301) }],
  ])("%s is refused as a whole, with nothing kept", (_what, more) => {
    expect(faults(saveApplication(records.db, application(more)))).toEqual([" wrong-type"]);
    expect(readAll(records.db).applications).toEqual([]);
  });
  test("a note and a reason as long as they may be", () => {
    must(saveApplication(records.db, application({ note: "n".repeat(400), why: "w".repeat(300) })));
    expect(row("application-0001").note).toHaveLength(400);
  });
});

describe("never gone down, and yet", () => {
  const strike = (id: string, corrects: unknown, more: object = { why: " rained off " }) =>
    voidApplication(records.db, { id, corrects, ...more });
  test("of two records the one that is named is struck, once, with its reason; and brought back, once", () => {
    must(saveApplication(records.db, application()));
    must(saveApplication(records.db, application({ id: "application-0002", zoneId: `${ids.sites}.1` })));
    must(strike("striking-00001", "application-0002"));
    expect(counted().map(([zone]) => zone)).toEqual(["north"]);
    const row = readAll(records.db).applications.find((a) => a.id === "striking-00001")!;
    expect([row.why, row.note, row.isVoid, row.zone]).toEqual(["rained off", null, true, "south"]);
    expect(faults(strike("striking-00002", "application-0002"))).toEqual(["corrects already-done"]);
    expect(faults(strike("striking-00001", "application-0001"))).toEqual(["id kept-otherwise"]);
    expect(faults(strike("back-000000001", "application-0001", { back: true }))).toEqual(["corrects unknown-name"]);
    must(strike("back-000000001", "striking-00001", { back: true }));
    must(strike("back-000000001", "striking-00001", { back: true }));
    expect(
      counted()
        .map(([zone]) => zone)
        .sort(),
    ).toEqual(["north", "south"]);
    expect(faults(strike("back-000000002", "striking-00001", { back: true }))).toEqual(["corrects already-done"]);
  });
  test.each<[string, string, unknown, object]>([
    ["no id", "x", "application-0001", { why: "rained off" }],
    ["no record", "striking-00001", 7, { why: "rained off" }],
    ["no id, back", "x", "striking-00001", { back: true }],
    ["no record, back", "back-000000001", 7, { back: true }],
  ])("%s is no striking", (_what, id, corrects, more) => {
    must(saveApplication(records.db, application()));
    must(strike("striking-00009", "application-0001"));
    expect(faults(strike(id, corrects, more))).toEqual([" wrong-type"]);
  });
  test("what was ticked as poured says so when its record is struck; what was not asks why it never went down", () => {
    must(saveApplication(records.db, application({ zoneId: `${ids.sites}.1` })));
    must(saveSheet(records.db, sheet({ stops: [{ siteId: ids.sites, without: [`${ids.sites}.1`] }] })));
    must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true }));
    const asked = (id: string) => {
      const refused = strike("striking-00001", id, { why: "" });
      return refused.ok ? "" : refused.issues[0]!.received;
    };
    const ofSheet = readAll(records.db).applications.find((a) => a.sheetId !== null)!.id;
    expect(asked("application-0001")).toBe("nothing of it would count any more");
    expect(asked(ofSheet)).toBe("nothing of it would count any more");
    must(saveSheet(records.db, sheet({ id: "sheet-0000000002", stops: [{ siteId: ids.sites, without: [`${ids.sites}.1`] }], products: [{ labelId: ids.labels, rate: "0.1" }] }))); // prettier-ignore
    gearOn(records.db, "sheet-0000000002");
    for (const step of ["1.1.water", "1.1.product-1"]) must(tickStep(records.db, "sheet-0000000002", { step, done: true }));
    must(recordSheet(records.db, "sheet-0000000002", { date: "2026-09-02", all: true }));
    const poured = readAll(records.db).applications.find((a) => a.sheetId === "sheet-0000000002")!.id;
    expect(asked(poured)).toBe("it was ticked as poured on its sheet");
  });
});

describe("a plan past a limit has no door", () => {
  const over = () => must(saveApplication(records.db, application({ amount: "0.7 oz/1000 ft2" })));
  test("no sheet is saved, and the reasons are told", () => {
    over();
    const refused = saveSheet(records.db, sheet());
    expect(faults(refused)).toEqual([" held"]);
    expect(refused.ok ? "" : refused.issues[0]!.received).toMatch(
      /the label allows 0.8 oz .* 0.7 oz .* counts against it already/,
    );
    expect(readAll(records.db).sheets).toEqual([]);
  });
  test("at once: a rate over the label's highest", () => {
    expect(faults(saveSheet(records.db, sheet({ products: [{ labelId: ids.labels, rate: "0.5" }] })))).toEqual([
      " held",
      " held",
    ]);
  });
  test("leaving the zone out brings the rest inside", () => {
    over();
    must(saveSheet(records.db, sheet({ stops: [{ siteId: ids.sites, without: [`${ids.sites}.0`] }] })));
    expect(readSheet(records.db, "sheet-0000000001")!.job.sites![0]!.zones.map((z) => z.name)).toEqual(["south"]);
    expect(
      faults(
        saveSheet(
          records.db,
          sheet({ id: "sheet-0000000002", stops: [{ siteId: ids.sites, without: [`${ids.sites}.0`, `${ids.sites}.1`] }] }),
        ),
      ),
    ).toEqual(["stops[0].without missing"]);
  });
  test("an open sheet counts as planned; withdrawn it counts no more; on record it is down", () => {
    must(saveSheet(records.db, sheet({ products: [{ labelId: ids.labels, rate: "0.4", choice: { row: 0, point: "most" } }] })));
    // At once 0.4 is the most: the other ones are of later days.
    must(saveSheet(records.db, sheet({ id: "sheet-0000000002", date: "2026-09-03", products: [{ labelId: ids.labels, rate: "0.4" }] }))); // prettier-ignore
    const third = () =>
      saveSheet(records.db, sheet({ id: "sheet-0000000003", date: "2026-09-04", products: [{ labelId: ids.labels, rate: "0.2" }] })); // prettier-ignore
    expect(faults(third())).toEqual([" held", " held"]);
    must(withdraw(records.db, "sheet-0000000002", {}));
    must(third());
    expect(faults(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02" }))).toEqual(["all reason-needed"]);
    must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true }));
    must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true }));
    const book = readAll(records.db);
    expect(book.applications.map((a) => [a.zone, a.total, a.source])).toEqual(
      expect.arrayContaining([
        ["north", "2.48 oz", "sheet"],
        ["south", "0.72 oz", "sheet"],
      ]),
    );
    expect(Object.fromEntries(book.sheets.map((s) => [s.id.slice(-1), s.state]))).toEqual({
      1: "recorded",
      2: "withdrawn",
      3: "open",
    });
    expect(faults(tickStep(records.db, "sheet-0000000002", { step: "1.1.water", done: true }))).toEqual([" already-done"]);
    expect(faults(withdraw(records.db, "sheet-0000000001", {}))).toEqual([" already-done"]);
    expect(faults(recordSheet(records.db, "sheet-0000000002", { date: "2026-09-02" }))).toEqual([" already-done"]);
    expect(faults(recordSheet(records.db, "sheet-0000000003", { date: "tomorrow" }))).toEqual(["date bad-date"]);
  });
  test("a sheet that a later record takes the budget from is held: no amounts, no ticks", () => {
    must(saveSheet(records.db, sheet()));
    must(tickStep(records.db, "sheet-0000000001", { step: "1.1.water", done: true }));
    over();
    const job = readSheet(records.db, "sheet-0000000001")!.job;
    expect(job.sites![0]!.zones[0]!.applied).toEqual([expect.objectContaining({ amount: "0.7 oz/1000 ft2" })]);
    expect(faults(tickStep(records.db, "sheet-0000000001", { step: "1.1.product-1", done: true }))).toEqual([" held"]);
    // A tick can be taken back all the same.
    must(tickStep(records.db, "sheet-0000000001", { step: "1.1.water", done: false }));
  });
  test("an open sheet is held against the card and the zones of today", () => {
    must(saveSheet(records.db, sheet({ products: [{ labelId: ids.labels, rate: "0.4" }] })));
    const tick = () => faults(tickStep(records.db, "sheet-0000000001", { step: "1.1.water", done: true }));
    expect(tick()).toEqual([]);
    must(put(records.db, "labels", { id: ids.labels, form: { ...BOUND, limits: [{ perApplication: "0.35" }] } }));
    expect(tick()).toEqual([" held", " held"]);
    must(put(records.db, "labels", { id: ids.labels, form: { ...BOUND, turfs: "ryegrass" } }));
    expect(tick()).toEqual([]);
    const zones = SITE.zones.map((z, i) => ({ ...z, id: `${ids.sites}.${i}`, turf: i === 0 ? "bentgrass" : "ryegrass" }));
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones } }));
    expect(tick()).toEqual([" held"]);
  });
  test("a zone keeps what went down on it through a new name, and under its old one", () => {
    over();
    const zones = (name: string, id: string) => ({ ...SITE, zones: [{ ...SITE.zones[0]!, name, id }, SITE.zones[1]!] });
    must(put(records.db, "sites", { id: ids.sites, form: zones("the north", `${ids.sites}.0`) }));
    expect(saveSheet(records.db, sheet()).ok).toBe(false);
    // Taken out and put in again under the name that it had: still the same ground.
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: [SITE.zones[1]!] } }));
    expect(faults(put(records.db, "sites", { id: ids.sites, form: zones("north", "") }))).toEqual([
      "zones[0].ground same-ground",
    ]);
    const [north, south] = zones("north", "").zones;
    const again = { ...SITE, zones: [{ ...north, ground: `${ids.sites}.0` }, south] };
    must(put(records.db, "sites", { id: ids.sites, form: again }));
    expect(saveSheet(records.db, sheet()).ok).toBe(false);
  });
});

describe("files", () => {
  const CSV =
    "date,site,zone,product,amount,person,note\n2026-04-14,Green,north,Granule,0.3 oz/1000 ft2,Odile Marsh,\n2026-06-01,Green,south,Granule,0.5 oz,,second\n2026-06-01,Green,south,Granule,0.5 oz,,second\n";
  test("a log is taken in whole, and once; two lines that are alike are two applications", () => {
    expect(must(importLog(records.db, CSV))).toMatchObject({ applications: 3, known: 0 });
    expect(must(importLog(records.db, CSV))).toMatchObject({ applications: 0, known: 3 });
    expect(readAll(records.db).applications.every((a) => a.source === "file")).toBe(true);
  });
  test("one line that can't stand refuses them all, each with its place", () => {
    const wrong = `${CSV}2026-06-31,Green,north,Granule,0.3,,\n2026-06-01,Grey,north,Powder,0.3,Nobody,\n2026-06-01,Green,west,Granule,1,,\n`;
    expect(faults(importLog(records.db, wrong))).toEqual([
      "line 5.date bad-date",
      "line 6.site unknown-name",
      "line 6.product unknown-name",
      "line 6.person unknown-name",
      "line 7.zone unknown-name",
    ]);
    expect(readAll(records.db).applications).toEqual([]);
    expect(importLog(records.db, "a,b\n1,2\n").ok).toBe(false);
  });
  test("cards: new ones are added, others left and shown, taken one by one; the old is kept", () => {
    const cards = (rate: string) =>
      JSON.stringify({
        format: "careful-gauge-cards",
        version: 1,
        cards: [
          { ...BOUND, rates: [{ rate }] },
          { name: "New", form: "liquid", rates: [{ rate: "1" }] },
        ],
      });
    const states = (choices = {}) =>
      must(importCards(records.db, cards("0.9"), choices)).items.map((item) => [item.name, item.state, item.taken]);
    expect(states()).toEqual([
      ["Granule", "differs", false],
      ["New", "new", false],
    ]);
    expect(must(importCards(records.db, cards("0.9"))).items[0]!.differences).toEqual([
      { place: "rate 1 rate", here: "0.2 oz/1000 ft2", file: "0.9 oz/1000 ft2" },
      { place: "rate 1 to", here: "0.4 oz/1000 ft2", file: "–" },
    ]);
    expect(states({ [`label:${ids.labels}`]: "take" })).toEqual([
      ["Granule", "differs", true],
      ["New", "same", false],
    ]);
    expect(states()).toEqual([
      ["Granule", "same", false],
      ["New", "same", false],
    ]);
    const was = records.db.$client.prepare("select was from revisions where kind = 'labels' order by id desc").pluck().get();
    expect(JSON.parse(was as string)).toMatchObject({ rates: [{ rate: "0.2 oz/1000 ft2", to: "0.4 oz/1000 ft2" }] });
    expect(importCards(records.db, "name,form\n").ok).toBe(false);
  });
  const JOB = {
    format: "careful-gauge-job",
    version: 2,
    rig: { name: "Blue backpack", kind: "backpack", tanks: [{ name: "main", usable: "4 gal" }] },
    calibration: { sprayVolume: "1 gal/1000 ft2", record: { person: "Odile Marsh" } },
    date: "2026-09-02",
    products: [{ name: "Granule", form: "dry", rate: "0.3 oz/1000 ft2", limits: { perYear: "9 oz/1000 ft2" } }],
    sites: [
      {
        name: "Green",
        zones: [
          {
            name: "north",
            area: "6200 ft2",
            applied: [{ of: "Old", active: "osselfenate", fraction: "40 %", amount: "0.7 oz/1000 ft2", date: "2026-05-01" }],
          },
        ],
      },
    ],
  };
  test("a job file brings its history, once, and can't loosen a card that is here: it is told", () => {
    const brought = must(importJob(records.db, JSON.stringify(JOB), {}));
    expect(brought.applications).toBe(1);
    expect(brought.items.map((item) => [item.kind, item.state])).toEqual([
      ["rig", "differs"],
      ["person", "same"],
      ["label", "differs"],
      ["site", "same"],
    ]);
    expect(brought.items[2]!.differences).toContainEqual({
      place: "limit 1 per year",
      here: "0.8 oz/1000 ft2",
      file: "9 oz/1000 ft2",
    });
    expect(must(importJob(records.db, JSON.stringify(JOB), {}))).toMatchObject({ applications: 0 });
    expect(faults(saveSheet(records.db, sheet()))).toEqual([" held"]);
  });
  test("history of a zone that the site doesn't have is refused, not lost", () => {
    const other = { ...JOB, sites: [{ ...JOB.sites[0]!, zones: [{ ...JOB.sites[0]!.zones[0]!, name: "west" }] }] };
    expect(faults(importJob(records.db, JSON.stringify(other), {}))).toEqual(["sites[0].zones[0].name unknown-name"]);
    // Looked at beforehand it is asked which ground it is; said so, its history goes with it.
    const asked = must(importJob(records.db, JSON.stringify(other))).items.find((item) => item.state === "new-zone")!;
    expect(asked.grounds!.map((ground) => ground.id)).toEqual([`${ids.sites}.0`, `${ids.sites}.1`]);
    must(importJob(records.db, JSON.stringify(other), { [asked.key]: `${ids.sites}.0` }));
    expect(faults(saveSheet(records.db, sheet()))).toEqual([" held", " held"]);
  });
});

test("a form's slips that were meant are kept with it", () => {
  must(add(records.db, "people", { name: "Bram Tolliver" }, "person-00000009"));
  must(
    put(records.db, "sites", {
      id: ids.sites,
      form: SITE,
      dismissed: [{ field: "zones[0].area", slip: "thousands", typed: "6.2", reason: "a planter" }],
    }),
  );
  must(
    put(records.db, "sites", {
      id: ids.sites,
      form: SITE,
      dismissed: [{ field: "zones[0].area", slip: "thousands", typed: "6.2", reason: "a planter" }],
    }),
  );
  expect(records.db.$client.prepare("select count(*) from dismissals").pluck().get()).toBe(1);
});
