import fc from "fast-check";
import { plainNumber } from "@/core/quantity/plain";
import type { SetAside } from "@/records/aside";
import { dayLedger } from "@/formats/day-ledger";
import { outcomeOfSheet } from "@/formats/job-file/outcome-of-sheet";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import { findSheet } from "@/records/sheets";
import { endsOfSheet, type LoadEnd } from "@/records/load-ends";
import { chainState } from "@/records/chain";
import { countedOf } from "./counted";
import { tellStop } from "./day-stops";
import { accountFor } from "./ledger";
import { recordSheet } from "./record-sheet";
import { readAll } from "./read-all";
import { saveApplication } from "./save-application";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { recordSpread, saveSpread } from "./spread";
import { logPage } from "./slices/log";
import { readSheet, unaccounted } from "./slices/sheets";
import { put } from "./keep-up";
import { add, entry, faults, freshRecords, gearOn, ids, LABEL, must, NOW, session, sheet, town } from "./testing/town";
import { tickStep } from "./tick-step";
import { withdraw } from "./withdraw";

/** One ledger that balances: what was ticked went down, is left, was disposed of, or is unaccounted for. */

const records = freshRecords();
const ID = "sheet-0000000001";
const OTHER = "site-0000000002";
const TODAY = "2026-09-02";
const GAL = 3785.411784;
const LEFT = { what: "left", says: "goes on the hedge by the slip tomorrow" };
const log = () => logPage(records.db, {}, []).rows;
const ounces = (text: string) => Number.parseFloat(text);
const record = (more: object = {}) => recordSheet(records.db, ID, { date: TODAY, ...more });
const told = (more: object = {}) => [{ site: "Green", load: 1, left: "1 gal", covered: "1000 ft2", ...more }];
/** Ticks the gear and some loads of a sheet. */
const pour = (...loads: string[]) => {
  gearOn(records.db, ID);
  for (const load of loads)
    for (const step of ["water", "product-1", "rinse", "top-up"])
      must(tickStep(records.db, ID, { step: `${load}.${step}`, done: true }));
};
const balanced = (ends: readonly LoadEnd[]) => {
  for (const { filled, applied, left, disposed, unaccounted: lost } of ends)
    expect(applied + left + disposed + lost).toBeCloseTo(filled, 6);
  return ends.map(({ site, load, filled, applied, left, disposed, unaccounted: lost }) => [
    `${site} ${load}`,
    ...[filled, applied, left, disposed, lost].map((mL) => Math.round((mL / GAL) * 100) / 100),
  ]);
};

beforeEach(() => {
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
});

describe("a record carries the ground that it covered", () => {
  const correct = (of: string, more: object = {}) => {
    const was = log().find((row) => row.id === of)!;
    return saveApplication(records.db, {
      id: `correction-${of.length}-${Object.keys(more).length}`,
      date: was.date,
      siteId: was.siteId,
      zoneId: was.zoneId,
      labelId: ids.labels,
      amount: was.rate,
      personId: ids.people,
      note: "",
      corrects: of,
      ...more,
    });
  };
  test("ground that was covered in part stays that through a correction of the note, amount and rate with it", () => {
    must(saveSheet(records.db, sheet()));
    must(record({ outcome: told(), all: true, rest: LEFT }));
    const [north] = log().filter((row) => row.zone === "north");
    expect([ounces(north!.covered), north!.area]).toEqual([775, "6,200 ft2"]);
    must(correct(north!.id, { note: "windy at the end" }));
    const now = log().find((row) => row.corrects === north!.id)!;
    expect([now.rate, now.total, now.covered]).toEqual([north!.rate, north!.total, north!.covered]);
    expect([now.source, now.was, now.note]).toEqual(["sheet", undefined, "windy at the end"]);
    expect(chainState(records.db)).toMatchObject({ broken: null, outside: 0 });
  });
  test("told by its total it is the same; on other ground it is the same amount", () => {
    must(saveSheet(records.db, sheet()));
    must(record({ outcome: told(), all: true, rest: LEFT }));
    const [north] = log().filter((row) => row.zone === "north");
    must(correct(north!.id, { amount: north!.total, covered: "1550 ft2", why: "measured with the wheel" }));
    const now = log().find((row) => row.corrects === north!.id)!;
    expect(ounces(now.total)).toBeCloseTo(ounces(north!.total), 9);
    expect(ounces(now.rate)).toBeCloseTo(ounces(north!.rate) / 2, 9);
  });
  test("the database itself refuses a total that isn't rate times ground", () => {
    must(saveSheet(records.db, sheet()));
    must(record({ all: true }));
    const { id: _, ...row } = records.db.$client.prepare("select * from applications limit 1").get() as Record<string, unknown>;
    const again = (more: object) => {
      const values = { ...row, id: "by-hand-0000001", corrects: null, ...more };
      const names = Object.keys(values);
      records.db.$client
        .prepare(`insert into applications (${names.map((n) => `"${n}"`).join()}) values (${names.map(() => "?").join()})`)
        .run(Object.values(values));
    };
    expect(() => again({ covered_m2: 1 })).toThrow(/applications_balance/);
    expect(() => again({ total_canonical: 9999 })).toThrow(/applications_balance/);
    again({});
  });
  test("what would let less count needs a reason, and is marked with what it was", () => {
    must(saveSheet(records.db, sheet()));
    must(record({ all: true }));
    const [north] = log().filter((row) => row.zone === "north");
    const said = (more: object) => {
      const refused = correct(north!.id, more);
      return refused.ok ? "" : refused.issues.map((one) => `${one.path}: ${one.received}`).join();
    };
    must(add(records.db, "labels", { ...LABEL, name: "Other" }, "label-000000002"));
    must(add(records.db, "sites", { name: "Quay", zones: [{ name: "a", area: "6200" }] }, OTHER));
    expect(said({ amount: "0.2 oz/1000 ft2" })).toBe("why: 0.3 oz/1000 ft2 becomes 0.2 oz/1000 ft2");
    expect(said({ amount: "1 oz" })).toMatch(/^why: 0\.3 oz\/1000 ft2 becomes 0\.1613 oz\/1000 ft2/);
    expect(said({ labelId: "label-000000002" })).toBe("why: Granule becomes Other");
    expect(said({ siteId: OTHER, zoneId: `${OTHER}.0` })).toBe("why: north becomes a");
    expect(said({ covered: "9000 ft2" })).toMatch(/why: 9,000 sq ft were covered, the zone has 6,200 sq ft/);
    must(correct(north!.id, { amount: "0.4 oz/1000 ft2" }));
    const more = log().find((row) => row.corrects === north!.id)!;
    expect(more.was).toBe("1.86 oz, 0.3 oz/1000 ft2");
    must(correct(more.id, { amount: "0.2 oz/1000 ft2", why: "the scale was off" }));
    expect(log().find((row) => row.corrects === more.id)).toMatchObject({
      was: "2.48 oz, 0.4 oz/1000 ft2",
      why: "the scale was off",
    });
  });
  test("granules bind their day as a sheet does, through every correction", () => {
    must(add(records.db, "labels", { ...LABEL, name: "Feed", formulation: "g" }, "label-000000002"));
    const stops = [{ siteId: ids.sites }];
    must(saveSpread(records.db, { id: "spreading-00001", personId: null, stops, products: [{ labelId: "label-000000002", rate: "0.3" }] })); // prettier-ignore
    must(recordSpread(records.db, "spreading-00001", { date: TODAY, all: true }));
    const [north] = log().filter((row) => row.zone === "north");
    const early = { labelId: "label-000000002", date: "2025-09-01" };
    expect(faults(correct(north!.id, early))).toEqual(["why reason-needed"]);
    must(correct(north!.id, { ...early, why: "written up a year late" }));
    expect(log().find((row) => row.corrects === north!.id)).toMatchObject({ date: "2025-09-01", alsoOn: TODAY });
  });
});

describe("each poured load ends somewhere", () => {
  test("what is left is asked about, and the ledger balances", () => {
    must(saveSheet(records.db, sheet()));
    const refused = record({ outcome: told(), all: true });
    expect(faults(refused)).toEqual(["rest reason-needed"]);
    expect(refused.ok ? "" : refused.issues[0]!.received).toBe("1 gal of load 1 of Green did not go down");
    for (const rest of [{ what: "left", says: "abc" }, { what: "gone", says: "down the drain of the yard" }, "left"])
      expect(faults(record({ outcome: told(), all: true, rest })).join()).toMatch(/^rest\.(what|says) /);
    must(record({ outcome: told(), all: true, rest: LEFT }));
    expect(balanced(endsOfSheet(records.db, ID))).toEqual([["Green 1", 4, 3, 1, 0, 0]]);
  });
  test("of two loads that were poured, one that is told of doesn't let the other vanish", () => {
    must(saveSheet(records.db, sheet()));
    pour("1.1", "1.2");
    const one = told({ left: "0 gal", covered: "3500 ft2" });
    expect(faults(record({ outcome: one }))).toEqual(["rest reason-needed"]);
    must(record({ outcome: one, rest: { what: "unaccounted", says: "nobody saw it leave the truck" } }));
    const ends = balanced(endsOfSheet(records.db, ID));
    expect(ends.map(([load, , applied, left]) => [load, applied, left])).toEqual([
      ["Green 1", 4, 0],
      ["Green 2", 0, 0],
    ]);
    expect(ends[1]![5]).toBeGreaterThan(2);
  });
  test("what nobody can account for counts until it is known where it is", () => {
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, limits: [{ perYear: "0.65" }] } }));
    must(saveSheet(records.db, sheet()));
    pour("1.1");
    const rest = { what: "unaccounted", became: "the tank was empty when we came back" };
    must(withdraw(records.db, ID, rest));
    const counts = () =>
      countedOf(records.db, [ids.sites]).map(({ zone, applied }) => [zone, Number(ounces(applied.amount).toFixed(3))]);
    expect(counts().map(([zone]) => zone)).toEqual(["north", "south"]);
    expect(unaccounted(records.db)).toMatchObject([{ sheetId: ID, sites: ["Green"], says: rest.became }]);
    expect(accountFor(records.db, ID, { what: "left", says: "abc" }).ok).toBe(false);
    must(accountFor(records.db, ID, { what: "disposed", says: "sprayed out over the same lawn" }));
    expect([counts(), unaccounted(records.db)]).toEqual([[], []]);
    expect(faults(accountFor(records.db, ID, { what: "left", says: "it is in the tank" }))).toEqual([" already-done"]);
    balanced(endsOfSheet(records.db, ID));
  });
  test("a sheet of two sites told for one doesn't put the other down in silence", () => {
    must(add(records.db, "sites", { name: "Quay", zones: [{ name: "a", area: "1000" }] }, OTHER));
    must(saveSheet(records.db, sheet({ stops: [{ siteId: OTHER }, { siteId: ids.sites }] })));
    const one = [{ site: "Quay", load: 1, left: "0 gal", covered: "1000 ft2" }];
    const refused = record({ outcome: one });
    expect(faults(refused)).toEqual(["all reason-needed"]);
    expect(refused.ok ? "" : refused.issues[0]!.received).toMatch(/^nothing is told of Green: 0 of \d+ steps are ticked/);
    expect(faults(record({ outcome: one, nothing: ["Hythe"] }))).toEqual(["nothing unknown-name"]);
    expect(faults(record({ outcome: one, nothing: ["Quay", "Green"] }))).toEqual(["nothing not-possible"]);
    must(record({ outcome: one, nothing: ["Green"] }));
    expect(log().map((row) => row.site)).toEqual(["Quay"]);
  });
  test("of two sites the one that was never opened is judged as it is put on record, the other one isn't any more", () => {
    must(add(records.db, "sites", { name: "Quay", zones: [{ name: "a", area: "1000" }] }, OTHER));
    must(saveSheet(records.db, sheet({ stops: [{ siteId: OTHER }, { siteId: ids.sites }] })));
    pour("1.1");
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, limits: [{ perApplication: "0.2" }] } }));
    const refused = record({ all: true });
    expect(faults(refused)).toEqual([" held", " held", " out-of-turn"]);
    expect(refused.ok ? "" : refused.issues[2]!.received).toBe("not all of it was ticked as opened on Green");
    expect(log()).toEqual([]);
    must(record({ all: true, nothing: ["Green"] }));
    expect(log().map((row) => row.site)).toEqual(["Quay"]);
  });
  test("of two loads the one that was never opened is judged too, unless it is told load by load", () => {
    must(saveSheet(records.db, sheet()));
    pour("1.1");
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, limits: [{ perApplication: "0.2" }] } }));
    expect(faults(record({ all: true }))).toEqual([" held", " held", " out-of-turn"]);
    must(record({ outcome: told({ left: "0 gal", covered: "3500 ft2" }), all: true }));
    expect(log().length).toBeGreaterThan(0);
  });
  test("a load that was poured for a site on which nothing went down is asked for", () => {
    must(add(records.db, "sites", { name: "Quay", zones: [{ name: "a", area: "1000" }] }, OTHER));
    must(saveSheet(records.db, sheet({ stops: [{ siteId: OTHER }, { siteId: ids.sites }] })));
    pour("1.1", "2.1");
    const one = { outcome: [{ site: "Quay", load: 1, left: "0 gal", covered: "1000 ft2" }], nothing: ["Green"] };
    expect(faults(record(one))).toEqual(["rest reason-needed"]);
    must(record({ ...one, rest: LEFT }));
    expect(balanced(endsOfSheet(records.db, ID)).map(([load, , applied, left]) => [load, applied, left])).toEqual([
      ["Quay 1", 1.03, 0],
      ["Green 1", 0, 4],
    ]);
  });
  test("a second telling is shown beside what stands, not thrown away", () => {
    must(saveSheet(records.db, sheet()));
    must(record({ all: true }));
    must(record({ all: true }));
    const second = record({ outcome: told(), all: true, rest: LEFT });
    expect(faults(second)).toEqual(["outcome kept-otherwise"]);
    expect(second.ok ? "" : second.issues[0]!.received).toMatch(/^on record since: .*Granule on north.*; told now: load by load/);
    expect(faults(recordSheet(records.db, ID, { date: "2026-09-01", all: true, why: "it was yesterday" }))).toEqual(["date kept-otherwise"]); // prettier-ignore
  });
  test.each([
    ["ten times the ground", { covered: "80000 ft2" }],
    ["more than the load could do", { covered: "7900 ft2" }],
    ["another fill than was poured", { mixed: "0.4 gal", left: "0 gal", covered: "350 ft2" }],
  ])("%s is asked about, and kept with its reason", (_what, more) => {
    must(saveSheet(records.db, sheet()));
    expect(faults(record({ outcome: told({ left: "0 gal", ...more }), all: true }))).toEqual(["why reason-needed"]);
    must(record({ outcome: told({ left: "0 gal", ...more }), all: true, why: "read off the gauge twice" }));
    expect(log()[0]!.why).toBe("read off the gauge twice");
  });
  test("the ticked amounts went in whatever the volume", () => {
    must(saveSheet(records.db, sheet()));
    const planned = readSheet(records.db, ID)!.job;
    expect(planned.products![0]!.rate).toBe("0.3 oz/1000 ft2");
    must(
      record({
        outcome: told({ left: "0 gal", mixed: "2 gal", covered: "3000 ft2" }),
        all: true,
        why: "only half of the water went in",
      }),
    );
    const half = log().reduce((sum, row) => sum + ounces(row.total), 0);
    // All of what was measured for the load of 4 gal, though only 2 gal left the tank.
    const { spray_volume: q } = records.db.$client.prepare("select spray_volume from calibrations").get() as {
      spray_volume: number;
    };
    const perThousand = (q * 92.90304) / GAL;
    expect(half).toBeCloseTo((4 / perThousand) * 0.3, 6);
  });
  test("so little that nobody could read it again is no record: the site stays open to plans", () => {
    must(saveSheet(records.db, sheet()));
    const refused = record({
      outcome: told({ left: "3.99999999 gal", covered: "8000 ft2" }),
      all: true,
      why: "hardly any",
      rest: LEFT,
    });
    expect(faults(refused)).toEqual(["outcome out-of-range"]);
    expect(log()).toEqual([]);
    must(withdraw(records.db, ID, {}));
  });
});

describe("a truck's day", () => {
  const step = (name: string) => must(tickStep(records.db, ID, { step: `run.1.${name}`, done: true }));
  beforeEach(() => {
    must(add(records.db, "sites", { name: "Quay", zones: [{ name: "a", area: "1000" }] }, OTHER));
    must(
      saveSheet(records.db, sheet({ run: true, stops: [{ siteId: OTHER }, { siteId: ids.sites, without: [`${ids.sites}.0`] }] })),
    );
    gearOn(records.db, ID);
    for (const name of ["water", "product-1", "rinse", "top-up"]) step(name);
  });
  test("a stop that is done is no skipped one, and more ground than there is is asked about", () => {
    const tell = (more: object) => tellStop(records.db, ID, { site: "Quay", ...more });
    expect(faults(tell({ what: "done", left: "1.9 gal", covered: "1000000 ft2" }))).toEqual(["why reason-needed"]);
    must(tell({ what: "done", left: "1.9 gal", covered: "1000 ft2" }));
    expect(faults(tell({ what: "skipped" }))).toEqual(["site already-done"]);
  });
  test("the rest of its tank is what was filled less what went down, and is asked about", () => {
    must(tellStop(records.db, ID, { what: "done", site: "Quay" }));
    must(tellStop(records.db, ID, { what: "skipped", site: "Green" }));
    expect(faults(record())).toEqual(["rest reason-needed"]);
    must(record({ rest: LEFT }));
    const [end] = endsOfSheet(records.db, ID);
    balanced([end!]);
    expect(end!.applied / GAL).toBeCloseTo(1.031, 2);
    expect(end!.left).toBeGreaterThan(0);
  });
});

describe("a truck's day, along the day", () => {
  const step = (name: string) => must(tickStep(records.db, ID, { step: `run.1.${name}`, done: true }));
  const ledger = () => {
    const { job, run } = readSheet(records.db, ID)!;
    return dayLedger(job, run!);
  };
  beforeEach(() => {
    must(add(records.db, "sites", { name: "Quay", zones: [{ name: "a", area: "1000" }] }, OTHER));
    must(
      saveSheet(records.db, sheet({ run: true, stops: [{ siteId: OTHER }, { siteId: ids.sites, without: [`${ids.sites}.0`] }] })),
    );
    gearOn(records.db, ID);
  });
  test("what was filled is what went down and what is in it, of the mix and of each product", () => {
    expect(ledger()).toBeUndefined();
    for (const name of ["water", "product-1", "rinse", "top-up"]) step(name);
    const full = ledger()!;
    // 2,800 sq ft at 0.3 oz: 0.84 oz went into the tank.
    expect([full.applied, full.products[0]!.name]).toEqual([0, "Granule"]);
    expect(ounces(full.products[0]!.filled)).toBeCloseTo(0.84, 6);
    must(tellStop(records.db, ID, { what: "done", site: "Quay" }));
    const one = ledger()!;
    expect(ounces(one.products[0]!.applied)).toBeCloseTo(0.3, 6);
    expect(ounces(one.products[0]!.inTank)).toBeCloseTo(0.54, 6);
    // The tank is read: what is in it is what was read, and the product goes with it.
    must(tellStop(records.db, ID, { what: "done", site: "Green", left: "0.5 gal", why: "thin at the end" }));
    const read = ledger()!;
    expect(read.inTank / GAL).toBeCloseTo(0.5, 9);
    expect(read.filled).toBeCloseTo(read.applied + read.inTank, 6);
    expect(ounces(read.products[0]!.inTank) / 0.84).toBeCloseTo(read.inTank / read.filled, 6);
    must(record({ rest: LEFT }));
    expect(ledger()!.inTank).toBeCloseTo(endsOfSheet(records.db, ID)[0]!.left, 3);
    expect(ledger()).toEqual(read);
  });
  test("a limit that was reached since takes nothing from the ledger", () => {
    for (const name of ["water", "product-1", "rinse", "top-up"]) step(name);
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, limits: [{ perApplication: "0.1 oz/1000 ft2" }] } }));
    expect(ounces(ledger()!.products[0]!.filled)).toBeCloseTo(0.84, 6);
  });
});

describe("a record that can't be read", () => {
  const CARD = { ...LABEL, actives: [{ name: "tidal", content: "50 %" }], rates: [{ rate: "0.2", to: "0.4" }] };
  const on = (zone: 0 | 1, id: string) => entry({ id, zoneId: `${ids.sites}.${zone}` });
  /** Of a year's half ounce, on the north. */
  const damaged = (change: string) => {
    must(put(records.db, "labels", { id: ids.labels, form: { ...CARD, limits: [{ perYear: "0.7 oz/1000 ft2" }] } }));
    must(saveApplication(records.db, on(0, "application-0001")));
    records.db.$client.exec(
      `drop trigger applications_keep; drop trigger applications_numbers; update applications set ${change} where id = 'application-0001'`,
    );
  };
  const heldOn = () =>
    countedOf(records.db, [ids.sites]).map(({ zone, applied, unreadable }) => [zone, applied.amount, applied.date, unreadable]);
  const mixed = (without: string[] = []) => saveSheet(records.db, sheet({ stops: [{ siteId: ids.sites, without }] }));
  const [NORTH, SOUTH] = [`${ids.sites}.0`, `${ids.sites}.1`];

  test.each([
    ["a rate of which the number was kept", "rate = 'some'", "0.3 oz/1000 ft2", TODAY],
    [
      "no rate at all: the label's most",
      "rate = 'some', rate_canonical = null, measured = null, total_canonical = null",
      "0.4 oz/1000 ft2",
      TODAY,
    ],
    ["facts that are none", "facts = '7'", "0.3 oz/1000 ft2", TODAY],
    ["actives that are none", "actives = 'none'", "0.3 oz/1000 ft2", TODAY],
    ["no day: today", "date = '2026-08-32'", "0.3 oz/1000 ft2", TODAY],
  ])("counts on its own zone: %s", (_, change, amount, date) => {
    damaged(change);
    expect(heldOn()).toEqual([["north", expect.stringMatching(new RegExp(`^${amount}`)), date, true]]);
    // 0.3 and 0.4 are all of a year's 0.7; 0.4 more are not, and the zone beside it is free.
    expect(faults(mixed([NORTH]))).toEqual([]);
  });
  test("it holds what would pass a limit beside it, and is written anew, with a reason", () => {
    damaged("rate = 'some', rate_canonical = null, measured = null, total_canonical = null");
    const more = {
      products: [{ labelId: ids.labels, rate: "0.35 oz/1000 ft2" }],
      stops: [{ siteId: ids.sites, without: [SOUTH] }],
    };
    expect(faults(saveSheet(records.db, sheet(more)))).toEqual([" held"]);
    const anew = { ...on(0, "application-0002"), corrects: "application-0001" };
    expect(faults(saveApplication(records.db, anew))).toEqual(["why reason-needed"]);
    must(saveApplication(records.db, { ...anew, why: "the pad has 0.3 oz" }));
    expect(heldOn()).toEqual([["north", "0.3 oz/1000 ft2", TODAY, undefined]]);
    expect(logPage(records.db, {}, []).rows.map(({ id, why }) => [id, why])).toEqual([
      ["application-0002", "the pad has 0.3 oz"],
    ]);
    expect(faults(saveSheet(records.db, sheet(more)))).toEqual([]);
  });
  test("of which nobody knows the zone or the product holds its whole site", () => {
    damaged("zone_id = '?', rate = 'some'");
    expect(faults(mixed())).toEqual([" unreadable"]);
  });
});

describe("what is written can be read", () => {
  const size = fc.tuple(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: -9, max: 7 }));
  const text = fc
    .tuple(
      size,
      fc.constantFrom(
        "gal",
        "oz",
        "fl oz",
        "lb",
        "mL",
        "g",
        "kg",
        "ft2",
        "sq yd",
        "m2",
        "ac",
        "ha",
        "oz/1000 ft2",
        "lb/ac",
        "g/m2",
        "",
      ),
    )
    .map(([[digits, power], unit]) => `${plainNumber(digits * 10 ** power)} ${unit}`.trim());
  /** Nothing of what is on record is set aside, and nothing is held because it can't be read. */
  const allRead = () => {
    expect(readAll(records.db).aside).toEqual([]);
    const aside: SetAside[] = [];
    countedOf(records.db, [ids.sites, OTHER], aside);
    expect(aside).toEqual([]);
  };
  let n = 0;
  const id = (of: string) => `${of}-${String((n += 1)).padStart(6, "0")}`;

  /** So many of a unit, from a grain to too much. */
  const of = (unit: string, least: number, most: number) =>
    fc
      .tuple(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: least, max: most }))
      .map(([digits, power]) => `${plainNumber(digits * 10 ** power)} ${unit}`);
  /** What is left of four gallons, also where next to nothing went down. */
  const left = fc.oneof(
    of("gal", -6, -2),
    fc.integer({ min: 1, max: 9 }).map((k) => `${plainNumber(4 - 10 ** -k)} gal`),
  );
  const outcomes = fc.record({ left, covered: of("ft2", -3, 3), mixed: of("gal", -3, 0) }, { requiredKeys: ["left", "covered"] });

  test("however a close is told: what is taken is read by every room", () => {
    let taken = 0;
    fc.assert(
      fc.property(outcomes, (outcome) => {
        const sheetId = id("sheet-of-a-close");
        must(saveSheet(records.db, sheet({ id: sheetId })));
        const said = { site: "Green", load: 1, ...outcome };
        const why = "the hose had burst";
        if (recordSheet(records.db, sheetId, { date: TODAY, all: true, outcome: [said], rest: LEFT, why }).ok) taken += 1;
        else must(withdraw(records.db, sheetId, {}));
        allRead();
      }),
      { numRuns: 60, examples: [[{ left: "1 gal", covered: "1000 ft2" }], [{ left: "3.999 gal", covered: "3000 ft2" }]] },
    );
    expect(taken).toBeGreaterThan(5);
  });
  test("however a record is entered", () => {
    let taken = 0;
    fc.assert(
      fc.property(text, fc.option(text, { nil: undefined }), (amount, covered) => {
        const entry = {
          id: id("application"),
          date: TODAY,
          siteId: ids.sites,
          zoneId: `${ids.sites}.0`,
          labelId: ids.labels,
          amount,
          ...(covered !== undefined && { covered }),
          why: "more than was measured",
          personId: null,
          note: "",
          corrects: null,
        };
        if (saveApplication(records.db, entry).ok) taken += 1;
        allRead();
      }),
      {
        numRuns: 150,
        examples: [
          ["0.000000001 oz", undefined],
          ["4 oz", "1 ft2"],
          ["4 oz", "9999 ha"],
        ],
      },
    );
    expect(taken).toBeGreaterThan(0);
  });
});

describe("which zone got what", () => {
  const entry = (load: number, more: object = {}) => ({ site: "Green", load, left: "0 gal", covered: "3000 ft2", ...more });
  const close = (outcome: readonly object[], more: object = {}) => {
    must(saveSheet(records.db, sheet()));
    return record({ outcome, all: true, rest: LEFT, ...more });
  };
  const rows = () =>
    Object.fromEntries(log().map((row) => [row.zone, [ounces(row.rate), ounces(row.total), ounces(row.covered)]]));

  test("a load that is told for one zone alone is that zone's; the rate is each zone's own", () => {
    // Two of four gallons each; over half the ground that is twice the rate.
    const north1 = entry(1, { left: "2 gal", zones: { north: "3000 ft2" } });
    must(close([north1, entry(1, { covered: "1500 ft2", zones: { south: "1500 ft2" } })]));
    const { north, south } = rows();
    expect([north![2], south![2]]).toEqual([3000, 1500]);
    expect(south![0]! / north![0]!).toBeCloseTo(2, 6);
    expect(south![1]!).toBeCloseTo(north![1]!, 6);
  });
  test("a zone that got nothing has no record", () => {
    must(close([entry(1, { zones: { north: "3000 ft2", south: "0 ft2" } })]));
    expect(Object.keys(rows())).toEqual(["north"]);
  });
  test("what is shared out is all of it, load by load and pass by pass", () => {
    const part = fc.integer({ min: 0, max: 100 });
    fc.assert(
      fc.property(fc.array(fc.option(part, { nil: undefined }), { minLength: 1, maxLength: 2 }), fc.boolean(), (parts, again) => {
        const id = `sheet-${String((n += 1)).padStart(10, "0")}`;
        must(saveSheet(records.db, sheet({ id })));
        const told = parts.map((north, i) => ({
          ...entry(i + 1, { covered: "1500 ft2", left: "0.5 gal" }),
          ...(north !== undefined && { zones: { north: `${15 * north} ft2`, south: `${15 * (100 - north)} ft2` } }),
        }));
        const outcome = again ? [...told, { ...entry(1), covered: "900 ft2", again: true }] : told;
        must(recordSheet(records.db, id, { date: TODAY, all: true, outcome, rest: LEFT, why: "paced" }));
        const own = log().filter((row) => row.id.startsWith(id));
        const sum = (of: (row: (typeof own)[number]) => string) => own.reduce((all, row) => all + ounces(of(row)), 0);
        expect(sum((row) => row.covered)).toBeCloseTo(1500 * parts.length, 3);
        // As much as the same loads told without zones.
        const plain = outcome.map((one) => ({ ...one, zones: undefined }));
        const told2 = outcomeOfSheet(findSheet(records.db, id)!.job, plain);
        const total = must(told2).sites[0]!.products[0]!.total;
        expect(sum((row) => row.total)).toBeCloseTo(valueIn(total.value as Quantity<"mass">, "oz"), 6);
        for (const row of own) expect(ounces(row.rate) * ounces(row.covered)).toBeCloseTo(ounces(row.total) * 1000, 3);
      }),
      { numRuns: 25 },
    );
  });
  let n = 0;
  test.each<[string, object, readonly string[]]>([
    ["no zone of the site", { east: "3000 ft2" }, ["outcome[0].zones.east unknown-name"]],
    ["parts that are less than the whole", { north: "1000 ft2" }, ["outcome[0].zones contradiction"]],
    ["a text", { north: "some" }, ["outcome[0].zones.north not-a-number"]],
    ["no text", { north: 3000 }, ["outcome[0].zones.north not-text"]],
  ])("%s is told with its place", (_, zones, told) => {
    expect(faults(close([entry(1, { zones })]))).toEqual(told);
  });
  test("more of a zone than there is of it needs a reason", () => {
    const outcome = [entry(1, { zones: { south: "3000 ft2" } })];
    expect(faults(close(outcome))).toEqual(["why reason-needed"]);
    must(record({ outcome, all: true, rest: LEFT, why: "the verge belongs to it" }));
  });
});
