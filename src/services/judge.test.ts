import { put, retire } from "./keep-up";
import { holdClock } from "./clock";
import { readSlice } from "./slices/read-slice";
import { readSheet } from "./slices/sheets";
import { recordSheet } from "./record-sheet";
import { saveApplication } from "./save-application";
import { saveCalibration, withdrawCalibrationOf } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { saveSpreadWeather } from "./save-weather";
import { recordSpread, saveSpread, tickSpread, withdrawSpread } from "./spread";
import { readAll } from "./read-all";
import { withdraw } from "./withdraw";
import {
  add,
  entry,
  faults,
  freshRecords,
  gearOn,
  ids,
  LABEL,
  must,
  NOW,
  RIG,
  session,
  sheet,
  SITE,
  spreadOut,
  town,
} from "./testing/town";
import { tickStep } from "./tick-step";

/** One judge at the moment of opening a container: what was good when it was saved may not be by now. */

const records = freshRecords();
const SHEET = "sheet-0000000001";
const OTHER = "sheet-0000000002";
const water = (id = SHEET) => tickStep(records.db, id, { step: "1.1.water", done: true });
const stops = (id = SHEET) => readSheet(records.db, id)!.stopped.map(({ received }) => received);
const mix = (more: Parameters<typeof sheet>[0] = {}) => saveSheet(records.db, sheet({ products: rate("0.3"), ...more }));
const rate = (text: string, again?: string) => [
  { labelId: ids.labels, rate: text, choice: { row: 0, point: "typed", ...(again && { again }) } },
];
const AGAIN = ["products[0].choice.again reason-needed"];
const down = (more: object = {}) => must(saveApplication(records.db, entry(more)));

beforeEach(() => {
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
});

describe("the calibration in force", () => {
  const heavier = () => {
    holdClock("2026-09-02T11:00:00.000Z");
    const madeAt = "2026-09-02T11:00:00.000Z";
    const catches = [{ volume: "80", time: "62 s" }];
    must(saveCalibration(records.db, { session: session({ id: "calibration-00002", catches }), madeAt }));
  };
  test("a newer one stops the sheet of the older one, and says what to do", () => {
    must(mix());
    must(water());
    must(tickStep(records.db, SHEET, { step: "1.1.water", done: false }));
    heavier();
    expect(faults(water())).toEqual([" calibration-unusable"]);
    expect(stops()).toEqual([
      "a newer calibration is in force, of 2026-09-02: this sheet was worked out by the one of 2026-09-02",
    ]);
  });
  test("nor is a new sheet made by the older one; where the newer is withdrawn it is", () => {
    heavier();
    expect(faults(mix())).toEqual(["calibrationId calibration-unusable"]);
    must(mix({ calibrationId: "calibration-00002" }));
    must(withdrawCalibrationOf(records.db, { id: "calibration-00002", why: "the jug was another one" }));
    expect(stops()).toEqual(["its calibration was withdrawn (the jug was another one)"]);
    must(mix({ id: OTHER, products: rate("0.3", "the first sheet is withdrawn next") }));
  });
  test("somebody else's pushes none aside", () => {
    must(mix());
    must(add(records.db, "people", { name: "Bram Quay" }, "person-00000002"));
    holdClock("2026-09-02T11:00:00.000Z");
    const madeAt = "2026-09-02T11:00:00.000Z";
    must(saveCalibration(records.db, { session: session({ id: "calibration-00002", personId: "person-00000002" }), madeAt }));
    must(water());
  });
  test("of a partly poured sheet, what is in the tank counts beside the new one", () => {
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, limits: [{ perApplication: "0.5" }] } }));
    must(mix());
    gearOn(records.db, SHEET);
    must(water());
    must(tickStep(records.db, SHEET, { step: "1.1.product-1", done: true }));
    heavier();
    const anew = (text: string) =>
      mix({ id: OTHER, calibrationId: "calibration-00002", products: rate(text, "the first was stopped half way") });
    expect(faults(anew("0.3"))).toContain(" held");
    must(anew("0.2"));
  });
});

describe("what a plan is made of", () => {
  test.each<["rigs" | "people" | "labels" | "sites", string]>([
    ["rigs", "the rig Blue backpack"],
    ["people", "the person Odile Marsh"],
    ["labels", "the product Granule"],
    ["sites", "the site Green"],
  ])("%s that are retired since stop it, and it goes on when they are brought back", (kind, said) => {
    must(mix());
    must(retire(records.db, kind, { id: ids[kind], retired: true }));
    expect(stops()).toEqual([said]);
    expect(faults(water())).toContain(kind === "labels" ? "products[0] retired" : " retired");
    must(retire(records.db, kind, { id: ids[kind], retired: false }));
    must(water());
  });
  const zones = (area: string) => SITE.zones.map((zone, i) => ({ ...zone, id: `${ids.sites}.${i}`, ...(i === 0 && { area }) }));
  test("a zone that is measured again since stops it; the same area in other words doesn't", () => {
    must(mix());
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: zones("6200 ft2") } }));
    must(water());
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: zones("620") } }));
    expect(stops()).toEqual(["north of Green was planned as 6,200 sq ft, and is 620 sq ft by now"]);
    expect(faults(tickStep(records.db, SHEET, { step: "1.1.water", done: true }))).toEqual([" plan-outdated"]);
  });
  test("a zone that was taken out stops it", () => {
    must(mix());
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: zones("6,200").slice(1) } }));
    expect(stops()).toEqual(["north of Green was taken out of its site"]);
  });
  test("a tank that holds less stops it", () => {
    must(mix());
    must(add(records.db, "rigs", { ...RIG, tanks: [{ name: "main", usable: "3", leastMix: "0.5 gal" }] }));
    expect(stops().join()).toMatch(/the main tank holds 3 gal, this was planned for 4 gal/);
  });
  test("what was never opened isn't put on record against the judge either; what was, is", () => {
    must(mix());
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: zones("620") } }));
    const record = (more: object = {}) => recordSheet(records.db, SHEET, { date: "2026-09-02", all: true, ...more });
    expect(faults(record())).toEqual([" plan-outdated", " out-of-turn"]);
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: zones("6,200") } }));
    gearOn(records.db, SHEET);
    must(water());
    must(tickStep(records.db, SHEET, { step: "1.1.product-1", done: true }));
    must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones: zones("620") } }));
    expect(faults(record())).toEqual([" plan-outdated", " out-of-turn"]);
    const outcome = [1, 2].map((load) => ({ site: "Green", load, left: "0 gal", covered: "3900 ft2" }));
    must(record({ outcome, why: "as it was read" }));
  });
});

describe("the same ground on the same day", () => {
  test("a limit at once holds what all sheets of the day put there together", () => {
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, rates: [{ rate: "0.2", to: "0.4" }], limits: [{ perApplication: "0.5" }] } })); // prettier-ignore
    must(mix({ products: rate("0.4") }));
    const again = mix({ id: OTHER, products: rate("0.4", "the first was too thin") });
    expect(faults(again)).toEqual([" held", " held"]);
    expect(again.ok ? "" : again.issues[0]!.received).toMatch(
      /0\.4 oz per 1,000 sq ft is planned, the label allows 0\.5 oz per 1,000 sq ft at once, and 0\.4 oz per 1,000 sq ft counts with it: the same ground, the same day/,
    );
    must(mix({ id: OTHER, products: rate("0.1", "the first was too thin") }));
    expect(faults(mix({ id: "sheet-0000000003", products: rate("0.1", "and again") }))).toEqual([" held", " held"]);
    // Tomorrow is another application.
    must(mix({ id: "sheet-0000000003", date: "2026-09-03", products: rate("0.4") }));
  });
  test("where a label names no time between, a second dose is asked about, and the answer goes on record", () => {
    down();
    expect(faults(mix())).toEqual(AGAIN);
    expect(faults(mix({ products: rate("0.3", " a") }))).toEqual(AGAIN);
    must(mix({ products: rate("0.3", "the first was washed off") }));
    must(recordSheet(records.db, SHEET, { date: "2026-09-02", all: true }));
    const notes = readAll(records.db).applications.flatMap(({ source, note }) => (source === "sheet" ? [note] : []));
    expect(notes[0]).toMatch(/^again on the same day: the first was washed off; /);
  });
  test("what went down since the sheet was saved asks it before a container; what only stands on another sheet doesn't", () => {
    must(mix());
    must(mix({ id: OTHER, products: rate("0.3", "another pass is wanted") }));
    must(water());
    down();
    expect(stops().join()).toMatch(/0\.3 oz per 1,000 sq ft of Granule went down there on 2026-09-02 too/);
    expect(faults(tickStep(records.db, SHEET, { step: "1.1.top-up", done: true }))).toEqual(AGAIN);
    must(water(OTHER));
  });
  test("another product with its active counts the same; a named time between holds without asking", () => {
    const actives = [{ name: "osselfenate", content: "40 %" }];
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, actives } }));
    must(add(records.db, "labels", { ...LABEL, name: "Powder", actives }, "label-000000002"));
    down({ labelId: "label-000000002" });
    expect(faults(mix())).toEqual(AGAIN);
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, actives, limits: [{ intervalAtLeast: "1 day" }] } }));
    expect(faults(mix({ products: rate("0.3", "the first was washed off") }))).toContain(" held");
  });
});

describe("granules that are booked", () => {
  const FEED = { ...LABEL, formulation: "g", rates: [{ rate: "3 lb" }], limits: [{ perYear: "6 lb" }], wind: "10 mph" };
  const BOOKED = "spreading-00001";
  const feed = (more: object = {}) =>
    put(records.db, "labels", { id: "label-000000002", form: { ...FEED, name: "Feed", ...more } });
  const book = (more: object = {}) =>
    saveSpread(records.db, {
      id: BOOKED,
      personId: ids.people,
      stops: [{ siteId: ids.sites, without: [`${ids.sites}.1`] }],
      products: [{ labelId: "label-000000002", rate: "3 lb", choice: { row: 0, point: "typed" } }],
      ...more,
    });
  const open = () => tickSpread(records.db, BOOKED, { step: "bags.product-1", done: true });
  const record = (more: object = {}) => recordSpread(records.db, BOOKED, { date: "2026-09-02", all: true, ...more });
  const seen = () =>
    (readSlice(records.db, "/api/read/spreadings") as unknown as { value: { stopped: object[]; weatherHolds: object[] }[] })
      .value[0]!;
  const look = (more: object, id: string) =>
    saveSpreadWeather(records.db, BOOKED, { id, at: NOW, seen: { when: "day", ...more } });
  beforeEach(() => {
    must(feed());
    must(book());
  });
  test("a limit that was reached meanwhile holds the bags and the record", () => {
    down({ labelId: "label-000000002", amount: "4 lb/1000 ft2", date: "2026-08-01" });
    expect(faults(open())).toContain(" held");
    expect(faults(record())).toEqual([" held", " out-of-turn"]);
    expect(readAll(records.db).applications).toHaveLength(1);
  });
  test("so do a card that was tightened, and one that was retired", () => {
    must(feed({ limits: [{ perApplication: "2 lb" }] }));
    expect(faults(record())).toEqual([" held", " out-of-turn"]);
    must(feed());
    must(retire(records.db, "labels", { id: "label-000000002", retired: true }));
    expect(faults(open())).toEqual(["products[0] retired"]);
    expect(seen().stopped).toHaveLength(1);
  });
  test("what was planned for another year is judged by the day on which it goes down", () => {
    must(withdrawSpread(records.db, BOOKED));
    down({ labelId: "label-000000002", amount: "4 lb/1000 ft2", date: "2026-08-01" });
    must(book({ id: "spreading-00002", date: "2027-01-04" }));
    expect(faults(recordSpread(records.db, "spreading-00002", { date: "2026-09-02", all: true }))).toEqual([
      " held",
      " out-of-turn",
    ]);
  });
  test("the gear comes first, and no bag is opened against the weather of the place", () => {
    expect(faults(open())).toEqual(["step out-of-turn"]);
    must(look({ wind: "12 mph" }, "weather-00000001"));
    expect(seen().weatherHolds).toHaveLength(1);
    expect(() => spreadOut(records.db, BOOKED)).toThrow(/wind of 12 mph/);
    must(look({ wind: "4 mph" }, "weather-00000002"));
    spreadOut(records.db, BOOKED);
    // A sheet for the same lawn is held by what was seen for the granules.
    must(look({ wind: "12 mph" }, "weather-00000003"));
    must(mix());
    gearOn(records.db, SHEET);
    expect(faults(tickStep(records.db, SHEET, { step: "1.1.product-1", done: true }))).toEqual(["step not-allowed-now"]);
  });
  test("with steps unticked it is said that all went down, and stands in the record; with all of them it isn't asked", () => {
    expect(faults(recordSpread(records.db, BOOKED, { date: "2026-09-02" }))).toEqual(["all reason-needed"]);
    must(record());
    expect(readAll(records.db).applications[0]!.note).toBe(
      "spread dry; put on record with 0 of 5 steps ticked: all of it was said to be spread",
    );
    must(book({ id: "spreading-00002", products: [{ labelId: "label-000000002", rate: "3 lb", choice: { row: 0, point: "typed", again: "half of it was missed" } }] })); // prettier-ignore
    spreadOut(records.db, "spreading-00002");
    must(recordSpread(records.db, "spreading-00002", { date: "2026-09-02" }));
  });
  test("a step that there isn't, one that is taken back, one of granules that are closed", () => {
    expect(faults(tickSpread(records.db, BOOKED, { step: "bags.product-2", done: true }))).toEqual(["step unknown-name"]);
    expect(faults(tickSpread(records.db, BOOKED, { step: 3 }))).toEqual(["step wrong-type"]);
    spreadOut(records.db, BOOKED);
    must(tickSpread(records.db, BOOKED, { step: "bags.product-1", done: false }));
    must(withdrawSpread(records.db, BOOKED));
    expect(faults(open())).toEqual([" already-done"]);
    expect(faults(look({ wind: "4 mph" }, "weather-00000001"))).toEqual([" already-done"]);
    expect(faults(tickSpread(records.db, "spreading-00009", { step: "x", done: true }))).toEqual([" unknown-name"]);
  });
});

test("a withdrawn sheet asks nothing of the next one of its day", () => {
  must(mix());
  must(withdraw(records.db, SHEET, {}));
  must(mix({ id: OTHER }));
});
