import { chartOf, heldOf, isHead, isSetup, readTip } from "@/formats/rig-setup";
import { readAll } from "./read-all";
import { saveCalibration } from "./save-calibration";
import { saveKitCheck, saveQuickCheck } from "./save-check";
import { saveSheet } from "./save-sheet";
import { add, faults, freshRecords, ids, KIT_CHECK, must, NOW, QUICK_CHECK, RIG, session, sheet, town } from "./testing/town";

const records = freshRecords();
const calibrated = (more: object = {}) => must(saveCalibration(records.db, { session: session(more), madeAt: NOW }));

describe("quick checks", () => {
  beforeEach(() => {
    town(records.db);
    calibrated();
  });

  // 33 fl oz in 62 s are 31.94 a minute; 32.5 are 1.8 % more.
  test("are held against the calibration's own flow, worked out here", () => {
    const { ratio } = must(saveQuickCheck(records.db, QUICK_CHECK));
    expect(ratio).toBeCloseTo(32.5 / ((33 / 62) * 60), 12);
    expect(readAll(records.db).checks).toMatchObject([
      { calibrationId: "calibration-00001", volume: "32.5 fl oz", time: "60 s" },
    ]);
  });
  test("sent twice, kept once", () => {
    must(saveQuickCheck(records.db, QUICK_CHECK));
    expect(must(saveQuickCheck(records.db, QUICK_CHECK)).ratio).toBeCloseTo(32.5 / ((33 / 62) * 60), 12);
    expect(faults(saveQuickCheck(records.db, { ...QUICK_CHECK, volume: "40" }))).toEqual(["id kept-otherwise"]);
    expect(readAll(records.db).checks.length).toBe(1);
  });
  test.each<[string, object, string]>([
    ["another person's", { personId: "person-00000002" }, "calibrationId not-possible"],
    ["nobody's", { personId: null }, "calibrationId not-possible"],
    ["no calibration", { calibrationId: "calibration-99999" }, "calibrationId unknown-name"],
    ["a volume that is none", { volume: "40 psi" }, "volume wrong-unit"],
    ["an empty time", { time: "" }, "time missing"],
    ["a moment that is none", { madeAt: "today" }, "madeAt bad-date"],
    ["somebody who isn't here", { personId: "person-99999999" }, "personId unknown-name"],
    ["a moment to come", { madeAt: "2026-09-02T11:00:00Z" }, "madeAt bad-date"],
  ])("%s: refused", (_what, more, fault) => {
    must(add(records.db, "people", { name: "Bram Tolliver" }, "person-00000002"));
    expect(faults(saveQuickCheck(records.db, { ...QUICK_CHECK, ...more }))).toContain(fault);
  });
  test.each([null, {}, { id: "x" }])("%p is no check", (input) => expect(saveQuickCheck(records.db, input).ok).toBe(false));

  test("one that failed gives no sheet", () => {
    must(saveQuickCheck(records.db, { ...QUICK_CHECK, volume: "29 fl oz" }));
    const refused = saveSheet(records.db, sheet());
    expect(refused.ok ? "" : refused.issues[0]!.received).toMatch(/failing \(the quick check was 9\.2 % low\)/);
  });
});

describe("kit proofs", () => {
  beforeEach(() => town(records.db));
  test("are judged by the tool's own step, and kept with the rig", () => {
    expect(must(saveKitCheck(records.db, KIT_CHECK)).good).toBe(true);
    expect(must(saveKitCheck(records.db, { ...KIT_CHECK, id: "kit-check-00002", shown: "33 fl oz" })).good).toBe(false);
    expect(
      must(
        saveKitCheck(records.db, {
          ...KIT_CHECK,
          id: "kit-check-00003",
          of: "scale",
          tool: "bench scale",
          known: "16 oz",
          shown: "16.2 oz",
        }),
      ).good,
    ).toBe(true);
    expect(records.db.$client.prepare("select count(*) from kit_checks").pluck().get()).toBe(3);
    // A room is told the last word on each tool.
    expect(readAll(records.db).kitChecks.length).toBe(2);
  });
  test.each<[string, object, string]>([
    ["a tool that the rig hasn't", { tool: "spoon" }, "tool unknown-name"],
    ["a volume on a scale", { of: "scale", tool: "bench scale" }, "known wrong-unit"],
    ["another rig", { rigId: "rig-9999999999" }, "rigId unknown-name"],
  ])("%s: refused", (_what, more, fault) => expect(faults(saveKitCheck(records.db, { ...KIT_CHECK, ...more }))).toContain(fault));
});

describe("what a calibration stands on", () => {
  beforeEach(() => {
    town(records.db);
    calibrated();
  });
  test.each<[object, string]>([
    [{ pumpServiced: "2026-08-30" }, "pump serviced 2026-08-30, was not noted"],
    [{ nozzle: "two turns open" }, "nozzle setting two turns open, was not noted"],
    [{ ground: "rough" }, "ground rough, was not noted"],
    [{ hoseDiameter: "0.5 in", hoseLength: "100 ft" }, "hose 0.5 in × 100 ft, was not noted"],
    [{ engineSpeed: "2,000 rpm" }, "engine speed 2,000 rpm, was not noted"],
  ])("%j makes it stale, by name", (more, reason) => {
    must(add(records.db, "rigs", { ...RIG, ...more }));
    const refused = saveSheet(records.db, sheet());
    expect(refused.ok ? "" : refused.issues[0]!.received).toBe(`the calibration is stale (${reason})`);
  });
  test.each<object>([{ dedication: "herbicides only" }, { vessels: [] }, { mostPressure: "60 psi" }])("%j doesn't", (more) => {
    must(add(records.db, "rigs", { ...RIG, ...more }));
    expect(saveSheet(records.db, sheet()).ok).toBe(true);
  });
  test("a flow that is only estimated gives no sheet", () => {
    calibrated({ id: "calibration-00002", method: "desk", pace: "speed", flow: "tip-chart", speed: "3 mph", swath: "5 ft" });
    expect(faults(saveSheet(records.db, sheet({ calibrationId: "calibration-00002" })))).toEqual([
      "calibrationId calibration-unusable",
    ]);
  });
});

describe("a hose-end head", () => {
  const HEAD = { kind: "dial", feed: "", setting: "2", product: "8", water: "4" };
  beforeEach(() => {
    town(records.db);
    must(
      add(records.db, "rigs", {
        ...RIG,
        kind: "hose-end",
        tipSize: "",
        pressure: "",
        tanks: [{ name: "jar", usable: "32 fl oz", leastMix: "" }],
        head: HEAD,
      }),
    );
  });
  test("is calibrated at a tap, by whoever", () => {
    expect(faults(saveCalibration(records.db, { session: session(), madeAt: NOW }))).toEqual(["siteId missing"]);
    calibrated({ siteId: ids.sites });
    expect(readAll(records.db).calibrations[0]).toMatchObject({
      siteId: ids.sites,
      personId: null,
      rig: { head: { kind: "dial", setting: "2 fl oz/gal", jar: { product: "8 fl oz", water: "4 fl oz" } } },
    });
  });
});

describe("what comes in beside the format is read before it is believed", () => {
  test.each([
    null,
    3,
    { pump: 4 },
    { kit: { scales: 1, vessels: [] } },
    { hose: { diameter: "3 gal", length: "1 ft" } },
    { somebody: "else" },
  ])("%j is no set-up", (input) => expect(isSetup(input)).toBe(false));
  test.each([
    null,
    {},
    { kind: "dial" },
    { kind: "metered", feed: "2 psi" },
    { kind: "dial", setting: "2 fl oz/gal", jar: { product: "1 fl oz" } },
  ])("%j is no head", (input) => expect(isHead(input)).toBe(false));
  test("a chart in which a pressure stands twice, or a flow is none, is no chart", () => {
    const row = { pressure: "40 psi", flow: "0.25 gal/min" };
    expect(chartOf({ name: "Fan", size: "025", rows: [row] })?.rows.length).toBe(1);
    expect(chartOf({ name: "Fan", size: "025", rows: [row, row] })).toBeUndefined();
    const wrong = readTip({ name: "", size: "x", angle: 500, rows: [{ pressure: "4", flow: "9 psi", droplet: "huge" }] });
    expect(faults(wrong)).toEqual([
      "name missing",
      "size not-a-choice",
      "angle out-of-range",
      "rows[0].flow wrong-unit",
      "rows[0].droplet not-a-choice",
    ]);
  });
  test("somebody else's x- key is passed over", () => {
    expect(heldOf({ kind: "backpack", setup: "theirs" })).toEqual({});
  });
});
