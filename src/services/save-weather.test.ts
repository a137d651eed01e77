import { put } from "./keep-up";
import { holdClock } from "./clock";
import { readSheet } from "./slices/sheets";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { saveWeather } from "./save-weather";
import { tickStep } from "./tick-step";
import { faults, freshRecords, gearOn, ids, LABEL, must, NOW, session, sheet, town } from "./testing/town";

const records = freshRecords();
const SHEET = "sheet-0000000001";
let count = 0;
const look = (seen: object, more: object = {}) =>
  saveWeather(records.db, SHEET, {
    id: `weather-${String(++count).padStart(8, "0")}`,
    at: NOW,
    seen: { when: "day", ...seen },
    ...more,
  });
const STEP = "1.1.product-1";
const open = () => tickStep(records.db, SHEET, { step: STEP, done: true });

beforeEach(() => {
  town(records.db);
  must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, wind: "8 mph", airMost: "85 °F" } }));
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
  must(saveSheet(records.db, sheet()));
  gearOn(records.db, SHEET);
});

test("no container is opened while the weather that was seen last says no; the next look may say otherwise", () => {
  must(look({ wind: "9 mph" }));
  expect(readSheet(records.db, SHEET)!.weather!.seen).toEqual({ when: "day", wind: "9 mph" });
  const refused = open();
  expect(refused.ok ? [] : refused.issues.map(({ received, metric }) => [received, metric])).toEqual([
    ["wind of 9 mph, 8 mph is the most", "wind of 14 km/h, 13 km/h is the most"],
  ]);
  holdClock("2026-09-02T10:20:00.000Z");
  must(look({ metar: "KFRY 021018Z 24006KT 10SM CLR 30/15 A3002" }));
  expect(faults(open())).toEqual(["step conflict"]);
  holdClock("2026-09-02T10:40:00.000Z");
  must(look({ metar: "KFRY 021038Z 24006KT 10SM CLR 22/12 A3002" }));
  must(open());
});
test("what was seen hours ago holds nothing, and what says wait only warns", () => {
  must(look({ wind: "20 mph" }));
  holdClock("2026-09-02T12:01:00.000Z");
  must(open());
  must(tickStep(records.db, SHEET, { step: STEP, done: false }));
  must(look({ wind: "1 mph", when: "sunrise" }, { at: "2026-09-02T12:01:00.000Z" }));
  must(open());
});
test("the gear and the water may be ticked in any weather, and a tick taken back", () => {
  must(open());
  must(look({ wind: "30 mph" }));
  must(tickStep(records.db, SHEET, { step: STEP, done: false }));
  expect(faults(open())).toEqual(["step conflict"]);
});
test.each<[string, object, string[]]>([
  ["nothing seen", {}, ["seen.wind missing"]],
  ["no hour of the day", { when: "noon", wind: "3 mph" }, ["seen.when not-a-choice"]],
  ["units of another kind", { wind: "3 oz", air: "warm" }, ["seen.wind wrong-unit", "seen.air not-a-number"]],
  ["a report that is none", { metar: "fine" }, ["seen.metar unreadable"]],
  ["a key of no kind", { wind: "3 mph", hail: true }, ["seen.hail unknown-key"]],
  ["a dew point over the air", { air: "60 F", dewPoint: "70 F" }, ["seen.dewPoint contradiction"]],
  ["a wind from nowhere", { wind: "3 mph", from: 400 }, ["seen.from out-of-range"]],
  ["rain that is neither", { wind: "3 mph", wet: "yes" }, ["seen.wet wrong-type"]],
])("%s is told at its field", (_what, seen, expected) => expect(faults(look(seen))).toEqual(expected));
test("told again it is the same; a closed sheet and one that isn't there are told", () => {
  must(look({ wind: "calm" }, { id: "weather-same-001" }));
  must(look({ wind: "calm" }, { id: "weather-same-001" }));
  expect(faults(look({ wind: "2 mph" }, { id: "weather-same-001" }))).toEqual(["id kept-otherwise"]);
  expect(faults(saveWeather(records.db, "sheet-0000000009", { id: "weather-00000009", at: NOW, seen: { when: "day", wind: "calm" } }))).toEqual([" unknown-name"]); // prettier-ignore
  expect(faults(look({ wind: "calm" }, { at: "yesterday" }))).toEqual(["at bad-date"]);
});
