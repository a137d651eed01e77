import { runState, type StopEvent } from "@/core/mixing/run-state";
import { num } from "@/core/working/rule";
import { planOfSheet } from "@/formats/sheet-plan";
import { findSheet } from "@/records/sheets";
import { tellStop } from "./day-stops";
import { importJob } from "./import-job";
import { loads } from "./slices/calibrations";
import { readSheet } from "./slices/sheets";
import { readAll } from "./read-all";
import { recordSheet } from "./record-sheet";
import { voidApplication } from "./save-application";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { saveRinse, saveStockCount } from "./save-stock";
import { add, faults, freshRecords, gearOn, ids, LABEL, must, NOW, session, sheet, town } from "./testing/town";
import { tickStep } from "./tick-step";

const records = freshRecords();
const DAY = "sheet-0000000001";
const SECOND = "site-0000000002";
const THIRD = "site-0000000003";
const GAL = 3785.411784;

/** Three sites of 8,000, 3,000 and 2,500 sq ft at 1.03 gal for 1,000, out of a tank of 4 gal. */
const day = (more: object = {}) =>
  sheet({ run: true, stops: [{ siteId: SECOND }, { siteId: ids.sites }, { siteId: THIRD }], ...more });

beforeEach(() => {
  town(records.db);
  must(add(records.db, "sites", { name: "Court", zones: [{ name: "court", area: "3000" }] }, SECOND));
  must(add(records.db, "sites", { name: "Park", water: true, zones: [{ name: "park", area: "2500" }] }, THIRD));
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
});

const now = () => {
  const kept = readSheet(records.db, DAY)!;
  const { plan, fillings, filled } = planOfSheet(kept.job, kept.run);
  const loads = fillings.map((f) => Number((num(f.fillTo) / GAL).toFixed(3)));
  return { kept, plan, fillings, filled, loads, stops: kept.run!.stops.map((s) => `${s.site} ${s.state}`) };
};
const tell = (what: string, more: object = {}) => tellStop(records.db, DAY, { what, ...more });
/** Pours the next fill of the day, step by step. */
const pour = (number: number) => {
  for (const step of ["water", "product-1", "rinse", "top-up"])
    must(tickStep(records.db, DAY, { step: `run.${number}.${step}`, done: true }));
};

test("a day from the first fill to the log: done, read off the tank, skipped", () => {
  must(saveSheet(records.db, day()));
  // 3.09 gal for the court; 6.39 for the north lawn, which is over a tank and so is begun with what is left; what of it is
  // over, and 1.86 for the south; 2.58 for the park, filled at its own water.
  expect(now().loads).toEqual([4, 4, 3.344, 2.578]);
  expect(faults(tickStep(records.db, DAY, { step: "run.2.water", done: true }))).toEqual(["step out-of-turn"]);
  gearOn(records.db, DAY);
  pour(1);
  expect(now()).toMatchObject({ filled: 1, stops: ["Court todo", "Green todo", "Park todo"] });
  expect(num(now().plan.run!.begun[0]!.covers)).toBeGreaterThan(0);
  must(tell("done", { site: "Court", left: "0.5 gal" }));
  // 3.5 gal went out where 3.09 were planned: the rest of the day is filled for what the tank has.
  const after = now();
  expect(after.kept.run!.stops[0]).toMatchObject({ site: "Court", state: "done", ratio: expect.closeTo(3.5 / (1.03125 * 3), 3) });
  expect(after.kept.run!.inTank / GAL).toBeCloseTo(0.5, 9);
  must(tell("skipped", { site: "Green" }));
  expect(now().stops).toEqual(["Court done", "Green skipped", "Park todo"]);
  const fill = now().fillings[1]!;
  expect([num(fill.startsWith!) / GAL, num(fill.fillTo) / GAL, num(fill.adds) / GAL].map((n) => Number(n.toFixed(3)))).toEqual([
    0.5, 2.578, 2.078,
  ]);
  expect(faults(recordSheet(records.db, DAY, { date: "2026-09-02" }))).toEqual([" out-of-turn"]);
  pour(2);
  must(tell("done", { site: "Park" }));
  must(recordSheet(records.db, DAY, { date: "2026-09-02", all: true }));
  const { applications, sheets } = readAll(records.db);
  expect(sheets[0]).toMatchObject({ run: true, state: "recorded", sites: ["Court", "Green", "Park"] });
  expect(applications.map((a) => [a.zone, Number(Number.parseFloat(a.rate).toFixed(3)), a.note]).sort()).toEqual([
    ["court", Number((0.3 * (3.5 / 3.09375)).toFixed(3)), "read off the tank: 113 % of the calibrated spray volume went down"],
    ["park", 0.3, null],
  ]);
  expect(faults(tell("back", { site: "Park" }))).toEqual([" already-done"]);
});

test("a stop's tank and ground say what really went down there; it is evidence until its records are struck", () => {
  must(saveSheet(records.db, day()));
  gearOn(records.db, DAY);
  pour(1);
  expect(faults(tell("done", { site: "Court", covered: "2,000" }))).toEqual(["left missing"]);
  expect(faults(tell("done", { site: "Court", left: "4 gal" }))).toEqual(["left not-possible"]);
  expect(faults(tell("done", { site: "Court", left: "1 gal", covered: "2 gal" }))).toEqual(["covered wrong-unit"]);
  must(tell("done", { site: "Court", left: "1 gal", covered: "2,000" }));
  for (const site of ["Green", "Park"]) must(tell("skipped", { site }));
  must(recordSheet(records.db, DAY, { date: "2026-09-02", rest: { what: "left", says: "goes on the court tomorrow" } }));
  const sheetNow = readSheet(records.db, DAY)!;
  expect(sheetNow.outcome).toEqual([{ site: "Court", load: 1, mixed: `${4 * GAL} mL`, left: `${GAL} mL`, covered: "2,000 ft2" }]);
  // 3 gal on 2,000 sq ft, of a mix that puts 0.3 oz into 1.03125 gal.
  const [row] = readAll(records.db).applications;
  expect(Number.parseFloat(row!.rate)).toBeCloseTo((3 / 2 / 1.03125) * 0.3, 6);
  expect(row!.note).toContain("2,000 sq ft of 3,000 sq ft was covered");
  const calibration = findSheet(records.db, DAY)!.calibrationId;
  const evidence = () => loads(records.db, { calibration }).map((one) => Number(one.ratio.toFixed(3)));
  expect(evidence()).toEqual([Number((1.5 / 1.03125).toFixed(3))]);
  must(voidApplication(records.db, { id: "void-000000001", corrects: row!.id, why: "the wrong day's sheet" }));
  expect(evidence()).toEqual([]);
});

test("a new order for what is still to do; what is behind stays behind", () => {
  must(saveSheet(records.db, day()));
  // What was never filled can't have gone down.
  expect(faults(tell("done", { site: "Court" }))).toEqual(["site out-of-turn"]);
  expect(faults(tell("done", { site: "Court", left: "0" }))).toEqual(["site out-of-turn"]);
  gearOn(records.db, DAY);
  pour(1);
  must(tell("done", { site: "Court" }));
  must(tell("order", { order: ["Park", "Green"] }));
  expect(now().stops).toEqual(["Court done", "Park todo", "Green todo"]);
  expect(faults(tell("order", { order: ["Park"] }))).toEqual(["order not-possible"]);
  expect(faults(tell("order", { order: ["Park", "Court"] }))).toEqual(["order not-possible"]);
  must(tell("back", { site: "Court" }));
  expect(now().stops).toEqual(["Court todo", "Park todo", "Green todo"]);
});

test("a fill that is half poured holds still: the day changes before it or after it", () => {
  must(saveSheet(records.db, day()));
  must(tickStep(records.db, DAY, { step: "run.1.water", done: true }));
  expect(faults(tell("skipped", { site: "Court" }))).toEqual([" out-of-turn"]);
  must(tickStep(records.db, DAY, { step: "run.1.water", done: false }));
  must(tell("skipped", { site: "Court" }));
});

test("only the last fill can be taken back, and its ticks stay", () => {
  must(saveSheet(records.db, day()));
  gearOn(records.db, DAY);
  pour(1);
  // The court is still to be sprayed with what is in the tank: the next fill isn't due.
  expect(faults(tickStep(records.db, DAY, { step: "run.2.water", done: true }))).toEqual(["step out-of-turn"]);
  must(tell("done", { site: "Court" }));
  pour(2);
  expect(faults(tickStep(records.db, DAY, { step: "run.1.top-up", done: false }))).toEqual(["step out-of-turn"]);
  must(tickStep(records.db, DAY, { step: "run.2.top-up", done: false }));
  expect(now()).toMatchObject({ filled: 1 });
});

test.each<[string, object, string[]]>([
  ["a stop that isn't on the day", { what: "done", site: "Elsewhere" }, ["site unknown-name"]],
  ["something else", { what: "lost", site: "Court" }, ["what not-a-choice"]],
  ["more left than there was", { what: "done", site: "Court", left: "3 gal" }, ["left not-possible"]],
  ["a wrong unit", { what: "done", site: "Court", left: "3 ft" }, ["left wrong-unit"]],
])("%s: refused", (_what, event, expected) => {
  must(saveSheet(records.db, day()));
  expect(faults(tellStop(records.db, DAY, event))).toEqual(expected);
});

test("a sheet of one site has no stops to tell of", () => {
  must(saveSheet(records.db, sheet()));
  expect(faults(tell("done", { site: "Green" }))).toEqual([" unknown-name"]);
  expect(faults(tellStop(records.db, "sheet-9999999999", { what: "done" }))).toEqual([" unknown-name"]);
});

test("every stop skipped is nothing to record; a site twice is no day", () => {
  must(saveSheet(records.db, day()));
  for (const site of ["Court", "Green", "Park"]) must(tell("skipped", { site }));
  expect(now().loads).toEqual([]);
  expect(faults(recordSheet(records.db, DAY, { date: "2026-09-02" }))).toEqual([" not-possible"]);
  expect(faults(saveSheet(records.db, day({ id: "sheet-0000000002", stops: [{ siteId: SECOND }, { siteId: SECOND }] })))).toEqual(
    ["stops[1] duplicate-name"],
  );
});

test("a budget counts on every site of an open day, and two tanks know of each other", () => {
  const limited = { ...LABEL, limits: [{ perYear: "0.4 oz/1000 ft2", yearKind: "calendar" }] };
  must(add(records.db, "labels", limited));
  must(saveSheet(records.db, day({ dayId: "day-0000000001" })));
  const again = sheet({ id: "sheet-0000000002", stops: [{ siteId: THIRD }] });
  expect(faults(saveSheet(records.db, again))).toEqual([" held"]);
  must(add(records.db, "labels", { ...limited, limits: [] }));
  must(saveSheet(records.db, day({ id: "sheet-0000000003", dayId: "day-0000000001" })));
  expect(readSheet(records.db, DAY)!.others).toEqual([{ id: "sheet-0000000003", tank: "main" }]);
});

test("a spot mix: half a gallon, on so much of the zone as it treats", () => {
  must(saveSheet(records.db, sheet({ stops: [{ siteId: ids.sites, spot: { zoneId: `${ids.sites}.0`, volume: "0.5" } }] })));
  const { job } = findSheet(records.db, DAY)!;
  expect(job.sites![0]!.zones).toHaveLength(1);
  expect(job.sites![0]!.zones[0]).toMatchObject({ spot: { volume: "0.5 gal" } });
  const { plan } = planOfSheet(job, null);
  expect(num(plan.sites[0]!.spray) / GAL).toBeCloseTo(0.5, 9);
  must(recordSheet(records.db, DAY, { date: "2026-09-02", all: true }));
  expect(readAll(records.db).applications[0]).toMatchObject({
    zone: "north",
    note: expect.stringMatching(/^a spot of 0\.5 gal; put on record with 0 of \d+ steps ticked/),
  });
  // Its file can't bring the site in: how large the zone really is isn't in it.
  const elsewhere = { ...job.sites![0]!, name: "Elsewhere", id: "site-9999999999" };
  const calibration = { ...job.calibration, record: { person: "Odile Marsh" } };
  const file = { ...job, calibration, sites: [elsewhere] };
  expect(faults(importJob(records.db, JSON.stringify(file), {}))).toEqual(["sites[0].zones[0].area not-possible"]);
  const of = (spot: object) =>
    faults(saveSheet(records.db, sheet({ id: "sheet-0000000009", stops: [{ siteId: ids.sites, spot }] })));
  expect(of({ zoneId: "elsewhere", volume: "1" })).toEqual(["stops[0].spot missing"]);
  expect(of({ zoneId: `${ids.sites}.0`, volume: "half" })).toEqual(["stops[0].spot not-a-number"]);
});

test("mixed for another volume is counted as it goes down", () => {
  must(saveSheet(records.db, sheet({ mixedFor: "2 gal/1000 ft2" })));
  const [planned] = readAll(records.db).counted;
  // 0.3 oz in every two gallons, 1.03 gal on 1,000 sq ft.
  expect(Number.parseFloat(planned!.applied.amount)).toBeCloseTo((0.3 / 2) * 1.03125, 6);
  // The other way round twice the label would go down: held.
  expect(faults(saveSheet(records.db, sheet({ id: "sheet-0000000004", mixedFor: "0.5" })))).toContain(" held");
  expect(faults(saveSheet(records.db, sheet({ id: "sheet-0000000002", mixedFor: "half" })))).toEqual(["mixedFor not-a-number"]);
});

describe("what is on hand", () => {
  const count = (amount: string, id = "count-00000001") =>
    saveStockCount(records.db, { id, labelId: ids.labels, amount, countedAt: NOW });
  test("the last count, less what went down since", () => {
    must(count("80"));
    must(saveSheet(records.db, sheet()));
    expect(readAll(records.db).stock).toEqual([
      { labelId: ids.labels, counted: "80 oz", countedAt: NOW, left: expect.closeTo(80 * 28.349523125, 6) },
    ]);
    must(recordSheet(records.db, DAY, { date: "2026-09-02", all: true }));
    expect(readAll(records.db).stock[0]!.left / 28.349523125).toBeCloseTo(80 - 8 * 0.3, 6);
    must(count("12 oz", "count-00000002"));
    expect(readAll(records.db).stock[0]!.left / 28.349523125).toBeCloseTo(12, 6);
  });
  test("an empty shelf is a count too; a volume of a dry product is not", () => {
    must(count("0 oz"));
    expect(readAll(records.db).stock[0]!.left).toBe(0);
    expect(faults(count("3 fl oz", "count-00000003"))).toEqual(["amount volume-on-dry"]);
    expect(faults(saveStockCount(records.db, { id: "x" }))).toEqual([" wrong-type"]);
  });
  test("a rinse is on record once, of a tank that there is", () => {
    const rinse = { id: "rinse-00000001", rigId: ids.rigs, tank: "main", personId: ids.people, rinsedAt: NOW };
    must(saveRinse(records.db, rinse));
    must(saveRinse(records.db, rinse));
    expect(records.db.$client.prepare("select id, rig_id, tank, rinsed_at from rinses").raw().all()).toEqual([
      ["rinse-00000001", ids.rigs, "main", NOW],
    ]);
    expect(faults(saveRinse(records.db, { ...rinse, tank: "rear" }))).toEqual(["tank unknown-name"]);
    expect(faults(saveRinse(records.db, { ...rinse, rigId: "rig-9999999999" }))).toEqual(["rigId unknown-name"]);
  });
});

describe("replaying a day", () => {
  const planned = [
    { site: "a", spray: 100 },
    { site: "b", spray: 50 },
  ];
  let id = 0;
  const event = (what: StopEvent["what"], site: string, left: number | null = null): StopEvent => ({
    id: ++id,
    what,
    site,
    left,
    order: null,
  });
  beforeEach(() => void (id = 0));
  const fill = (number: number, adds: number, after: number) => ({ number, fillTo: adds, adds, after });
  test("fills and stops in the order in which they were told", () => {
    const state = runState(planned, [event("done", "a", 30), event("done", "b")], [fill(1, 150, 0), fill(2, 40, 1)]);
    expect(state.inTank).toBe(20);
    expect(state.stops.map((s) => s.used)).toEqual([120, 50]);
  });
  test("taking a stop back gives its spray back; said twice counts once", () => {
    const fills = [fill(1, 150, 0)];
    const twice = [event("done", "a"), event("done", "a")];
    expect(runState(planned, twice, fills).inTank).toBe(50);
    expect(runState(planned, [...twice, event("back", "a")], fills)).toMatchObject({
      inTank: 150,
      stops: [{ state: "todo" }, {}],
    });
    expect(runState(planned, [...twice, event("skipped", "a")], fills).inTank).toBe(150);
  });
  test("a tank is never less than empty", () => expect(runState(planned, [event("done", "a")], []).inTank).toBe(0));
});
