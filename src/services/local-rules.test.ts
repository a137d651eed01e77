import { holdClock } from "./clock";
import { put } from "./keep-up";
import { localRules, rulesOn, saveLocalRules } from "./local-rules";
import { saveCalibration } from "./save-calibration";
import { saveProgram } from "./program";
import { saveSheet } from "./save-sheet";
import { saveWeather } from "./save-weather";
import { firm } from "./slices/upkeep";
import { readSlice } from "./slices/read-slice";
import { tickStep } from "./tick-step";
import { putSetting } from "@/records/settings";
import { faults, freshRecords, gearOn, ids, LABEL, must, NOW, session, sheet, SITE, town } from "./testing/town";

const records = freshRecords();
const SHEET = "sheet-0000000001";
const QUAY = { jurisdiction: "Quay County", wind: "6 mph", source: "ordinance 12" };
let count = 0;
const look = (seen: object) =>
  must(
    saveWeather(records.db, SHEET, { id: `look-${String(++count).padStart(8, "0")}`, at: NOW, seen: { when: "day", ...seen } }),
  );
const open = () => tickStep(records.db, SHEET, { step: "1.1.product-1", done: true });
const rules = (...of: object[]) => saveLocalRules(records.db, { rules: of });

beforeEach(() => {
  town(records.db);
  must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, jurisdiction: "quay county" } }));
});

describe("what a place asks of the weather", () => {
  const mixed = (label: object = {}) => {
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, ...label } }));
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveSheet(records.db, sheet()));
    gearOn(records.db, SHEET);
  };
  const refusal = () => {
    const refused = open();
    return refused.ok ? [] : refused.issues.map(({ received }) => received);
  };
  test("holds the first container as a label does, and says whose it is", () => {
    mixed();
    must(rules(QUAY, { jurisdiction: "elsewhere", wind: "1 mph" }));
    look({ wind: "7 mph" });
    expect(refusal()).toEqual(["wind of 7 mph, 6 mph is the most (the rule of Quay County, ordinance 12)"]);
    look({ wind: "6 mph" });
    must(open());
  });
  test("never loosens a label, nor our own ceiling", () => {
    must(rules({ wind: "20 mph" }));
    mixed({ wind: "5 mph" });
    look({ wind: "6 mph" });
    expect(refusal()).toEqual(["wind of 6 mph, 5 mph is the most"]);
    must(put(records.db, "labels", { id: ids.labels, form: LABEL }));
    look({ wind: "11 mph" });
    expect(refusal()).toEqual(["wind of 11 mph, 10 mph is the most"]);
  });
  test("a rule of the firm's own holds everywhere, of the air too", () => {
    mixed();
    must(rules({ airMost: "80 F", airLeast: "45 F" }));
    look({ wind: "3 mph", air: "81 F" });
    expect(refusal()).toEqual(["81 °F, 80 °F is the most (the firm's own rule)"]);
    look({ wind: "3 mph", air: "44 F" });
    expect(refusal()).toEqual(["44 °F, 45 °F is the least (the firm's own rule)"]);
  });
});

describe("what a label asks of the soil", () => {
  test("soil that was measured there holds the container; what only the series says does not", () => {
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, soilLeast: "50 °F" } }));
    const soil = [28, 29, 30, 31].map((day) => ({ date: `2026-08-${day}`, temperature: "40 F" }));
    must(saveProgram(records.db, { rounds: [], soil: [...soil, { date: "2026-09-01", temperature: "45 F" }] }));
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveSheet(records.db, sheet()));
    gearOn(records.db, SHEET);
    look({ wind: "3 mph" });
    must(open());
    must(tickStep(records.db, SHEET, { step: "1.1.product-1", done: false }));
    look({ wind: "3 mph", soil: "48 F" });
    const refused = open();
    expect(refused.ok ? [] : refused.issues[0]!.received).toBe("soil of 48 °F, 50 °F is the least");
    // A look that doesn't say what held answers nothing of it.
    look({ wind: "3 mph", air: "70 F" });
    expect(open().ok).toBe(false);
    look({ wind: "3 mph", soil: "51 F" });
    must(open());
  });
  test("the firm's devices know the newest mean and the highs of the days before", () => {
    expect(firm(records.db, {}, [])).toMatchObject({ rules: [], before: { soil: null } });
    const soil = [28, 29, 30, 31].map((day) => ({ date: `2026-08-${day}`, temperature: "50 F" }));
    const air = [
      { date: "2026-08-31", least: "50 F", most: "77 F" },
      { date: "2026-09-01", least: "50 F", most: "86 F" },
    ];
    must(saveProgram(records.db, { rounds: [], soil: [...soil, { date: "2026-09-01", temperature: "50 F" }], air }));
    const { before } = firm(records.db, {}, []);
    expect(before.soil).toBeCloseTo(10, 9);
    expect(before.highs.slice(0, 3)).toEqual([30, 25, null]);
    // A mean of last week says nothing of today.
    holdClock("2026-09-08T10:00:00.000Z");
    expect(firm(records.db, {}, []).before.soil).toBeNull();
  });
});

test("rules are kept as they were told, the last ones beside those before them; what is wrong is told at its place", () => {
  must(rules(QUAY));
  must(rules());
  must(rules(QUAY, { wind: "9 mph" }));
  expect(localRules(records.db).rules).toEqual([QUAY, { wind: "9 mph" }]);
  expect(rulesOn(records.db, [{ name: "x", zones: [] }])).toEqual([{ wind: "9 mph" }]);
  const kept = records.db.$client.prepare("select was from revisions where kind = 'local-rules'").pluck().all();
  expect(kept).toHaveLength(2);
  expect(faults(rules({ jurisdiction: "Quay" }))).toEqual(["rules[0].wind missing"]);
  expect(faults(rules(QUAY, { wind: "200 mph" }))).toEqual(["rules[1].wind out-of-range"]);
  expect(faults(rules({ airMost: "warm" }))).toEqual(["rules[0].airMost not-a-number"]);
  expect(faults(rules({ wind: "5 mph", hail: "none" }))).toEqual(["rules[0].hail unknown-key"]);
  expect(faults(saveLocalRules(records.db, null))).toEqual([" wrong-type"]);
  expect(faults(rules(...Array.from({ length: 61 }, () => QUAY)))).toEqual(["rules too-many"]);
});

test("rules that can't be read are set aside and hold nothing up", () => {
  putSetting(records.db, "local-rules", `{"rules":[{}]}`, NOW);
  expect(readSlice(records.db, "/api/read/firm")!.aside).toMatchObject([{ of: "setting", id: "local-rules" }]);
  expect(localRules(records.db)).toEqual({ rules: [] });
});
