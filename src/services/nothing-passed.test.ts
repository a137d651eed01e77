import { importJob } from "./import-job";
import { holdClock } from "./clock";
import { put, retire } from "./keep-up";
import { readSheet } from "./slices/sheets";
import { readAll } from "./read-all";
import { recordSheet } from "./record-sheet";
import { saveApplication, voidApplication } from "./save-application";
import { saveCalibration } from "./save-calibration";
import { saveQuickCheck } from "./save-check";
import { saveSheet } from "./save-sheet";
import { saveZone } from "./save-zone";
import { withdraw } from "./withdraw";
import { tickStep } from "./tick-step";
import {
  add,
  faults,
  freshRecords,
  gearOn,
  ids,
  LABEL,
  must,
  NOW,
  QUICK_CHECK,
  RIG,
  session,
  sheet,
  SITE,
  town,
} from "./testing/town";

/**
 * Each way in which a limit was once passed to the last tick. All of them end in `held`, or in a question that has to be
 * answered first. The label allows 0.8 oz in a year; 0.7 is down.
 */
const records = freshRecords();
const BOUND = {
  ...LABEL,
  actives: [{ name: "osselfenate", content: "40 %" }],
  rates: [{ rate: "0.2", to: "0.4" }],
  limits: [{ perApplication: "0.4", perYear: "0.8" }],
};
const OTHER = "label-000000002";
const NORTH = `${ids.sites}.0`;
const SHEET = "sheet-0000000001";
const label = (form: object, id: string = ids.labels) => put(records.db, "labels", { id, form });
const down = (more: object = {}) =>
  must(
    saveApplication(records.db, {
      id: "application-0001",
      date: "2026-08-01",
      siteId: ids.sites,
      zoneId: NORTH,
      labelId: ids.labels,
      amount: "0.7 oz/1000 ft2",
      personId: null,
      note: "",
      corrects: null,
      ...more,
    }),
  );
const north = { siteId: ids.sites, without: [`${ids.sites}.1`] };
const plan = (more: object = {}) => saveSheet(records.db, sheet({ stops: [north], ...more }));
const held = (more: object = {}) => expect(faults(plan(more))).toContain(" held");

beforeEach(() => {
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
  must(label(BOUND));
});

describe("ground and product keep their history", () => {
  test("a card that had no active is renamed", () => {
    must(label({ ...BOUND, actives: [] }));
    down();
    must(label({ ...BOUND, actives: [], name: "Granule Plus" }));
    held();
  });
  test("the active is noted only later", () => {
    must(label({ ...BOUND, actives: [] }));
    down();
    must(label(BOUND));
    held();
  });
  test("on another card too: one active, one budget, however late it is known", () => {
    must(label({ ...BOUND, name: "Powder", actives: [] }, OTHER));
    down({ labelId: OTHER });
    must(label({ ...BOUND, name: "Powder" }, OTHER));
    held();
  });
  test.each([
    ["its spelling is put right", "oselfenate", "osselfenate"],
    ["in another Unicode form", "ósselfenate", "o\u0301sselfenate"],
    ["with a zero-width space", "ossel\u200bfenate", "osselfenate"],
    ["in full width", "ｏｓｓｅｌｆｅｎａｔｅ", "osselfenate"],
    ["with Cyrillic letters", "оssеlfеnаtе", "osselfenate"],
    ["in capitals", "OSSELFENATE", "osselfenate"],
  ])("the active of the other card: %s", (_what, then, now) => {
    const powder = (name: string) => ({ ...BOUND, name: "Powder", actives: [{ name, content: "40 %" }] });
    must(label(powder(then), OTHER));
    down({ labelId: OTHER });
    if (_what === "its spelling is put right") must(label(powder(now), OTHER));
    held();
  });
  test.each(["GRANULE", "Gránule", "Granule\u200b", "Ｇranule", " granule "])("a twin of a card, %j, is refused", (name) =>
    expect(faults(label({ ...BOUND, name }, OTHER))).toEqual(["name duplicate-name"]),
  );
  test("so is a twin of a rig, a person, a site, a zone of a site", () => {
    expect(faults(add(records.db, "rigs", { ...RIG, name: "BLUE BACKPACK" }, "rig-0000000002"))).toEqual(["name duplicate-name"]);
    expect(faults(add(records.db, "people", { name: "odile  marsh" }, "person-00000002"))).toEqual(["name duplicate-name"]);
    expect(faults(add(records.db, "sites", { ...SITE, name: "GREEN" }, "site-0000000002"))).toEqual(["name duplicate-name"]);
    const zones = [SITE.zones[0]!, { name: "North", area: "900" }];
    expect(faults(add(records.db, "sites", { name: "New", zones }, "site-0000000002"))).toEqual(["zones[1].name duplicate-name"]);
    expect(faults(add(records.db, "people", { name: "\u200b\u2060" }, "person-00000002"))).toEqual(["name missing"]);
  });
  test("a zone is entered again under a new name: asked, and its history goes with it", () => {
    down();
    const zones = (ground?: string) => [{ name: "lawn by the slip", area: "6,200", ...(ground && { ground }) }, SITE.zones[1]!];
    expect(faults(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: zones() } }))).toEqual([
      "zones[0].ground same-ground",
    ]);
    expect(faults(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: zones("zone-9") } }))).toEqual([
      "zones[0].ground same-ground",
    ]);
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: zones(NORTH) } }));
    held();
  });
  test("a zone that joins two carries the history of both", () => {
    down();
    down({ id: "application-0002", zoneId: `${ids.sites}.1`, amount: "0.3 oz/1000 ft2" });
    const joined = (ground: string) => [{ name: "all of it", area: "8,000", ground }];
    const joinedAs = (ground: string) => put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: joined(ground) } });
    expect(faults(joinedAs(`${NORTH},zone-9`))).toEqual(["zones[0].ground same-ground"]);
    must(joinedAs(`${NORTH}, ${ids.sites}.1`));
    const entries = readAll(records.db).counted.filter((one) => one.zoneIds.includes(`${ids.sites}.2`));
    expect(entries.map((one) => one.applied.amount).sort()).toEqual(["0.3 oz/1000 ft2", "0.7 oz/1000 ft2"]);
    held({ stops: [{ siteId: ids.sites }] });
  });
  test("a site is retired and entered again under another name: asked", () => {
    down();
    must(retire(records.db, "sites", { id: ids.sites, retired: true }));
    const again = (ground?: string) =>
      add(
        records.db,
        "sites",
        { name: "Slip", zones: [{ name: "a", area: "6,200", ...(ground && { ground }) }] },
        "site-0000000002",
      );
    expect(faults(again())).toEqual(["zones[0].ground same-ground"]);
    must(again(NORTH));
    held({ stops: [{ siteId: "site-0000000002" }] });
  });
  test("a zone is never deleted, and what went down on it is still known", () => {
    down();
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: [SITE.zones[1]!] } }));
    expect(readAll(records.db).sites[0]).toMatchObject({ former: [{ id: NORTH, name: "north", area: "6,200 ft2" }] });
    expect(() => records.db.$client.exec("delete from zones")).toThrow(/never deleted/);
    must(
      put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: [{ ...SITE.zones[0]!, id: NORTH }, SITE.zones[1]!] } }),
    );
    held();
  });
  test("a pesticide whose active nobody noted is asked for it where anything unknown went down", () => {
    const powder = { ...BOUND, name: "Powder", use: "herbicide", actives: [] };
    must(label(powder, OTHER));
    down({ labelId: OTHER });
    must(label({ ...BOUND, use: "herbicide", actives: [] }));
    const refused = plan();
    expect(refused.ok ? "" : refused.issues[0]!.received).toMatch(/its active isn't noted, nor that of Powder/);
    // Once it is known to be another one, it may be mixed.
    must(label({ ...powder, actives: [{ name: "tollazole", content: "5 %" }] }, OTHER));
    must(label({ ...BOUND, use: "herbicide" }));
    must(plan());
  });
  test("a history from a file counts by the card that is noted later, whatever it is called by then", () => {
    const job = {
      format: "careful-gauge-job",
      version: 2,
      rig: { name: "Blue backpack", kind: "backpack", tanks: [{ name: "main", usable: "4 gal" }] },
      calibration: { sprayVolume: "1 gal/1000 ft2", record: { person: "Odile Marsh" } },
      sites: [
        {
          name: "Green",
          zones: [
            {
              name: "north",
              area: "6200 ft2",
              applied: [
                {
                  of: "Powder",
                  active: "Powder",
                  fraction: "100 %",
                  amount: "0.7 oz/1000 ft2",
                  date: "2026-05-01",
                  activeUnknown: true,
                },
              ],
            },
          ],
        },
      ],
    };
    must(importJob(records.db, JSON.stringify(job), {}));
    must(plan());
    must(withdraw(records.db, SHEET, {}));
    must(label({ ...BOUND, name: "Powder" }, OTHER));
    must(label({ ...BOUND, name: "Powder 40" }, OTHER));
    held({ id: "sheet-0000000002" });
  });
});

describe("the server's clock and the firm's zone decide the day", () => {
  test("a sheet that says it is of last year is of today", () => {
    down();
    held({ madeAt: "2025-06-01T10:00:00.000Z" });
    expect(faults(plan({ date: "2025-06-01" }))).toEqual(["date bad-date"]);
    expect(faults(plan({ date: "2026-09-01" }))).toEqual(["date bad-date"]);
  });
  test("a later day may be planned for, and is judged as that day", () => {
    down();
    must(plan({ date: "2027-01-02" }));
    expect(readSheet(records.db, SHEET)!.job.date).toBe("2027-01-02");
    expect(faults(plan({ id: "sheet-0000000002", date: "2028-01-02" }))).toEqual(["date bad-date"]);
  });
  test("what is planned for next year and poured today counts today", () => {
    down();
    must(plan({ date: "2027-01-02" }));
    expect(faults(tickStep(records.db, SHEET, { step: "1.1.water", done: true }))).toContain(" held");
    holdClock("2027-01-02T10:00:00Z");
    must(tickStep(records.db, SHEET, { step: "1.1.water", done: true }));
  });
  test("+23 h on a device pass no wait of 28 days", () => {
    must(label({ ...BOUND, limits: [{ intervalAtLeast: "28 days" }] }));
    down({ date: "2026-08-06" });
    holdClock("2026-09-02T20:00:00Z");
    held({ madeAt: "2026-09-03T19:00:00.000Z" });
  });
  test("half past four on the last of December in California is not next year", () => {
    must(saveZone(records.db, { zone: "America/Los_Angeles", why: "the grounds lie there" }));
    holdClock("2026-12-31T10:00:00Z");
    down({ date: "2026-11-01" });
    must(saveCalibration(records.db, { session: session({ id: "calibration-00002" }), madeAt: "2026-12-31T09:00:00.000Z" }));
    holdClock("2027-01-01T00:30:00Z");
    held({ calibrationId: "calibration-00002" });
    expect(readAll(records.db).firm.today).toBe("2026-12-31");
    holdClock("2027-01-01T08:30:00Z");
    must(plan({ calibrationId: "calibration-00002" }));
  });
  test("another time zone opens no year, and needs a reason that stays on record", () => {
    holdClock("2026-12-31T23:30:00Z");
    const move = (zone: string, why?: string) => saveZone(records.db, { zone, ...(why && { why }) });
    expect(faults(move("Asia/Tokyo", "we bought a yard there"))).toEqual(["zone not-allowed-now"]);
    expect(faults(move("America/New_York"))).toEqual(["why reason-needed"]);
    must(move("America/New_York", "it was guessed wrongly"));
    // It is 2026 there by now, and where it was it would be 2027: neither way back opens one.
    holdClock("2027-01-01T01:00:00Z");
    expect(faults(move("UTC", "back again"))).toEqual(["zone not-allowed-now"]);
    holdClock("2027-01-01T06:00:00Z");
    must(move("UTC", "back again"));
    const was = records.db.$client.prepare("select kind, was from revisions where kind like 'time-zone%' order by id").all();
    expect(was).toEqual([
      { kind: "time-zone", was: "UTC" },
      { kind: "time-zone-why", was: "it was guessed wrongly" },
      { kind: "time-zone", was: "America/New_York" },
    ]);
    must(move("UTC"));
    expect(faults(move("Mars/Olympus", "further away"))).toEqual(["zone not-a-choice"]);
  });
  test("a sheet recorded as 1990 frees nothing: a day before it wants a reason, and counts on its own day too", () => {
    must(plan({ products: [{ labelId: ids.labels, rate: "0.4" }] }));
    expect(faults(recordSheet(records.db, SHEET, { date: "1990-01-01" }))).toEqual(["why reason-needed"]);
    expect(faults(recordSheet(records.db, SHEET, { date: "2026-09-03" }))).toEqual(["date bad-date"]);
    must(recordSheet(records.db, SHEET, { date: "2025-11-30", all: true, why: "written up much later" }));
    expect(readAll(records.db).applications[0]).toMatchObject({ date: "2025-11-30", alsoOn: "2026-09-02" });
    must(plan({ id: "sheet-0000000002", date: "2026-09-03", products: [{ labelId: ids.labels, rate: "0.4" }] }));
    held({ id: "sheet-0000000003", date: "2026-09-04", products: [{ labelId: ids.labels, rate: "0.2" }] });
  });
  test("nor does a correction that moves a sheet's record to another day", () => {
    must(plan({ products: [{ labelId: ids.labels, rate: "0.4" }] }));
    must(recordSheet(records.db, SHEET, { date: "2026-09-02", all: true }));
    const correct = (more: object) =>
      saveApplication(records.db, {
        id: "application-0002",
        date: "1990-01-01",
        siteId: ids.sites,
        zoneId: NORTH,
        labelId: ids.labels,
        amount: "0.4 oz/1000 ft2",
        personId: null,
        note: "",
        corrects: `${SHEET}.0.0`,
        ...more,
      });
    expect(faults(correct({}))).toEqual(["why reason-needed"]);
    must(correct({ why: "it was another year" }));
    must(plan({ id: "sheet-0000000002", date: "2026-09-03", products: [{ labelId: ids.labels, rate: "0.4" }] }));
    held({ id: "sheet-0000000003", date: "2026-09-04", products: [{ labelId: ids.labels, rate: "0.2" }] });
  });
  test("a reading can't be from tomorrow", () =>
    expect(
      faults(saveCalibration(records.db, { session: session({ id: "calibration-00002" }), madeAt: "2026-09-03T10:00:00.000Z" })),
    ).toEqual(["madeAt bad-date"]));
});

describe("an open sheet is judged as the world is now", () => {
  const stopped = () => {
    const read = readSheet(records.db, SHEET)!;
    expect(tickStep(records.db, SHEET, { step: "1.1.water", done: true }).ok).toBe(false);
    return read.stopped.map((issue) => issue.received).join();
  };
  beforeEach(() => {
    must(plan({ products: [{ labelId: ids.labels, rate: "0.4", choice: { row: 0, point: "most", from: "the label's rate" } }] }));
  });
  test("the tip was changed since", () => {
    must(add(records.db, "rigs", { ...RIG, tipSize: "03" }));
    expect(stopped()).toMatch(/calibration is stale \(tip 03, was 025\)/);
  });
  test("a quick check failed since", () => {
    must(saveQuickCheck(records.db, { ...QUICK_CHECK, volume: "29 fl oz" }));
    expect(stopped()).toMatch(/failing/);
  });
  test("the card says liquid now", () => {
    must(label({ ...BOUND, form: "liquid", packages: [], actives: [], limits: [] }));
    expect(stopped()).toMatch(/is liquid, this was planned as dry/);
  });
  test("the row of the label is another one now", () => {
    must(label({ ...BOUND, rates: [{ turf: "bentgrass", rate: "0.1" }, ...BOUND.rates] }));
    expect(stopped()).toMatch(/row "the label's rate" of Granule is another one today/);
  });
  test("the label's limit was tightened, and the card renamed with it", () => {
    must(label({ ...BOUND, name: "Granule 2", limits: [{ perApplication: "0.3" }] }));
    expect(faults(tickStep(records.db, SHEET, { step: "1.1.water", done: true }))).toEqual([" held"]);
  });
  test("the zone was seeded since", () => {
    must(label({ ...BOUND, afterSeeding: "60 days" }));
    const zones = SITE.zones.map((z, i) => ({ ...z, id: `${ids.sites}.${i}`, seeded: "2026-09-01" }));
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones } }));
    expect(faults(tickStep(records.db, SHEET, { step: "1.1.water", done: true }))).toEqual([" held"]);
  });
  test("what was another year when it was saved is this one when it is poured", () => {
    must(withdraw(records.db, SHEET, {}));
    down({ date: "2025-12-01" });
    must(label({ ...BOUND, limits: [{ intervalAtLeast: "300 days" }] }));
    held({ id: "sheet-0000000002" });
  });
  test("more gear is named on the card since: it is ticked first", () => {
    gearOn(records.db, SHEET);
    must(label({ ...BOUND, gear: [{ item: "hood" }] }));
    must(tickStep(records.db, SHEET, { step: "1.1.water", done: true }));
    expect(faults(tickStep(records.db, SHEET, { step: "1.1.product-1", done: true }))).toEqual(["step out-of-turn"]);
    must(tickStep(records.db, SHEET, { step: "gear.hood", done: true }));
    must(tickStep(records.db, SHEET, { step: "1.1.product-1", done: true }));
  });
});

describe("what was poured can't be un-poured", () => {
  const pour = () => {
    must(plan({ products: [{ labelId: ids.labels, rate: "0.4" }] }));
    gearOn(records.db, SHEET);
    for (const step of ["1.1.water", "1.1.product-1"]) must(tickStep(records.db, SHEET, { step, done: true }));
  };
  test("withdrawing asks what became of it, and the budget stays taken until that is on record", () => {
    pour();
    must(plan({ id: "sheet-0000000002", date: "2026-09-03", products: [{ labelId: ids.labels, rate: "0.4" }] }));
    for (const said of [{}, { became: "" }, { became: 7 }, { became: "abc", what: "left" }, { became: "it was knocked over" }])
      expect(faults(withdraw(records.db, SHEET, said))).toEqual(["became reason-needed"]);
    held({ id: "sheet-0000000003", date: "2026-09-04" });
    must(withdraw(records.db, SHEET, { what: "disposed", became: "the jug was knocked over on the truck" }));
    expect(records.db.$client.prepare("select became from withdrawals").pluck().all()).toEqual([
      "the jug was knocked over on the truck",
    ]);
    must(plan({ id: "sheet-0000000003", date: "2026-09-04" }));
  });
  test("taking the tick back first doesn't help", () => {
    pour();
    must(tickStep(records.db, SHEET, { step: "1.1.product-1", done: false }));
    expect(faults(withdraw(records.db, SHEET, {}))).toEqual(["became reason-needed"]);
  });
  test("no tick is taken back, or added, on a recorded sheet", () => {
    pour();
    must(recordSheet(records.db, SHEET, { date: "2026-09-02", all: true }));
    for (const done of [true, false])
      expect(faults(tickStep(records.db, SHEET, { step: "1.1.product-1", done }))).toEqual([" already-done"]);
  });
  test("striking a record of it wants what became of it", () => {
    pour();
    must(recordSheet(records.db, SHEET, { date: "2026-09-02", all: true }));
    const strike = (more: object = {}) =>
      voidApplication(records.db, { id: "application-0009", corrects: `${SHEET}.0.0`, ...more });
    expect(faults(strike())).toEqual(["why reason-needed"]);
    must(strike({ why: "it was the other lawn" }));
  });
  test("a record that is moved to another site counts there, and nowhere else", () => {
    must(add(records.db, "sites", { name: "Quay", zones: [{ name: "a", area: "500" }] }, "site-0000000002"));
    down();
    down({
      id: "application-0002",
      siteId: "site-0000000002",
      zoneId: "site-0000000002.0",
      corrects: "application-0001",
      why: "the other lawn",
    });
    must(plan());
    held({ id: "sheet-0000000002", stops: [{ siteId: "site-0000000002" }] });
    expect(
      readAll(records.db)
        .counted.filter((c) => c.sheetId === null)
        .map((c) => c.siteId),
    ).toEqual(["site-0000000002"]);
  });
});

describe("what is retired takes nothing new", () => {
  test.each<["rigs" | "people" | "labels" | "sites", string]>([
    ["rigs", "rigId retired"],
    ["people", "personId retired"],
    ["labels", "products[0] retired"],
    ["sites", "stops[0] retired"],
  ])("%s: no sheet", (kind, fault) => {
    must(retire(records.db, kind, { id: ids[kind], retired: true }));
    expect(faults(plan())).toEqual([fault]);
  });
  test("no calibration of a rig or by a person, no quick check; a sheet of it stops", () => {
    must(plan());
    for (const kind of ["rigs", "people"] as const) {
      must(retire(records.db, kind, { id: ids[kind], retired: true }));
      const again = saveCalibration(records.db, { session: session({ id: "calibration-00002" }), madeAt: NOW });
      expect(faults(again)).toEqual([`${kind === "rigs" ? "rigId" : "personId"} retired`]);
      if (kind === "rigs") expect(faults(saveQuickCheck(records.db, QUICK_CHECK))).toEqual(["rigId retired"]);
      must(retire(records.db, kind, { id: ids[kind], retired: false }));
    }
    must(retire(records.db, "rigs", { id: ids.rigs, retired: true }));
    expect(faults(tickStep(records.db, SHEET, { step: "1.1.water", done: true }))).toEqual([" retired"]);
    expect(faults(recordSheet(records.db, SHEET, { date: "2026-09-02", all: true }))).toEqual([" retired", " out-of-turn"]);
  });
  test("a spot is held against its zone's own size", () => {
    const spot = (volume: string) => plan({ stops: [{ siteId: ids.sites, spot: { zoneId: NORTH, volume } }] });
    const refused = spot("50 gal");
    expect(faults(refused)).toEqual([" held"]);
    expect(refused.ok ? "" : refused.issues[0]!.received).toMatch(/so much spray treats .* the zone has 6,200 sq ft/);
    must(spot("0.5 gal"));
    const zones = SITE.zones.map((z, i) => ({ ...z, id: `${ids.sites}.${i}`, area: i === 0 ? "300" : z.area }));
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones } }));
    expect(faults(tickStep(records.db, SHEET, { step: "1.1.water", done: true }))).toEqual([" held"]);
  });
  test("two ticks don't open four: gear in Japanese, two kinds of boots", () => {
    const gear = [{ item: "手袋" }, { item: "長靴" }, { item: "boots (rubber)" }, { item: "boots (leather)" }];
    must(label({ ...BOUND, gear }));
    must(plan());
    const items = readSheet(records.db, SHEET)!;
    expect(items).toBeDefined();
    gearOn(records.db, SHEET);
    expect(new Set(readSheet(records.db, SHEET)!.done.filter((key) => key.startsWith("gear."))).size).toBe(4);
  });
});
