import { put } from "./keep-up";
import { holdClock } from "./clock";
import { readSheet } from "./slices/sheets";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { saveWeather } from "./save-weather";
import { tickStep } from "./tick-step";
import { add, faults, freshRecords, gearOn, ids, LABEL, must, NOW, session, sheet, town } from "./testing/town";

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

const refusal = () => {
  const refused = open();
  return refused.ok ? [] : refused.issues.map(({ received, metric }) => [received, metric]);
};
const WINDY = [["wind of 9 mph, 8 mph is the most", "wind of 14 km/h, 13 km/h is the most"]];

test("no container is opened while the weather that was seen last says no; the next look there may say otherwise", () => {
  must(look({ wind: "9 mph" }));
  expect(readSheet(records.db, SHEET)!.weather!.seen).toEqual({ when: "day", wind: "9 mph" });
  expect(refusal()).toEqual(WINDY);
  holdClock("2026-09-02T10:20:00.000Z");
  must(look({ wind: "5 mph", air: "86 F" }, { at: "2026-09-02T10:20:00.000Z" }));
  expect(readSheet(records.db, SHEET)!.weatherHolds.map(({ received }) => received)).toEqual(["86 °F, 85 °F is the most"]);
  expect(faults(open())).toEqual(["step not-allowed-now"]);
  must(look({ wind: "5 mph", air: "80 F" }, { at: "2026-09-02T10:20:00.000Z" }));
  must(open());
});
test.each<[string, string, object, object]>([
  ["temperature alone", "10:20", { air: "70 F" }, {}],
  ["a calm that was guessed", "10:20", { wind: "calm", windMeasured: "guessed" }, {}],
  ["a wind that was guessed", "10:20", { wind: "4 mph", windMeasured: "guessed" }, {}],
  ["a look of three hours ago", "10:20", { wind: "4 mph" }, { at: "2026-09-02T07:20:00.000Z" }],
  ["a look of 1991", "10:20", { wind: "4 mph" }, { at: "1991-09-02T07:20:00.000Z" }],
  ["a report without a wind", "10:20", { metar: "KFRY 021018Z 10SM CLR 22/12 A3002" }, {}],
  ["a report whose wind is missing", "10:20", { metar: "KFRY 021018Z /////KT 10SM CLR 22/12 A3002" }, {}],
  ["a station's report: the station isn't the place", "10:20", { metar: "KFRY 021018Z 24003KT 10SM CLR 22/12 A3002" }, {}],
  ["a phone whose clock is two hours slow", "13:00", { wind: "4 mph" }, { at: "2026-09-02T11:00:00.000Z" }],
  ["three hours that go by", "13:00", {}, {}],
])("a wind that is too strong isn't answered by %s", (_what, clock, seen, more) => {
  must(look({ wind: "9 mph" }));
  const at = `2026-09-02T${clock}:00.000Z`;
  holdClock(at);
  if (Object.keys(seen).length > 0) must(look(seen, { at, ...more }));
  expect(refusal()).toEqual(WINDY);
  must(look({ wind: "calm", windMeasured: "measured" }, { at }));
  must(open());
});
test.each<[string, string, boolean]>([
  ["of now", "021018Z", true],
  ["of nineteen days ago", "141018Z", false],
  ["of an hour and a quarter ago", "020904Z", false],
  ["of a quarter of an hour ahead", "021036Z", false],
])("a report answers its own station where it is %s", (_what, time, answers) => {
  must(look({ metar: "KFRY 020958Z 24012KT 10SM CLR 22/12 A3002" }));
  expect(faults(open())).toEqual(["step not-allowed-now"]);
  holdClock("2026-09-02T10:20:00.000Z");
  must(look({ metar: "KOTH 021018Z 24004KT 10SM CLR 22/12 A3002" }));
  expect(faults(open())).toEqual(["step not-allowed-now"]);
  must(look({ metar: `KFRY ${time} 24004KT 10SM CLR 22/12 A3002` }));
  expect(open().ok).toBe(answers);
});
test("it holds the ground, not the sheet: another sheet for the lawn is held too, and so is one of its zone elsewhere", () => {
  must(look({ wind: "9 mph" }));
  const again = [{ labelId: ids.labels, rate: "0.3", choice: { row: 0, point: "typed", again: "the other half of it" } }];
  must(saveSheet(records.db, sheet({ id: "sheet-0000000002", products: again })));
  gearOn(records.db, "sheet-0000000002");
  expect(faults(tickStep(records.db, "sheet-0000000002", { step: STEP, done: true }))).toEqual(["step not-allowed-now"]);
  // A lawn elsewhere has weather of its own.
  must(add(records.db, "sites", { name: "Quay", zones: [{ name: "quay lawn", area: "900" }] }, "site-0000000002"));
  must(saveSheet(records.db, sheet({ id: "sheet-0000000003", stops: [{ siteId: "site-0000000002" }] })));
  gearOn(records.db, "sheet-0000000003");
  must(tickStep(records.db, "sheet-0000000003", { step: STEP, done: true }));
});
test("a server's clock that is set back releases nothing, and is told", () => {
  must(look({ wind: "9 mph" }));
  holdClock("2026-09-02T08:00:00.000Z");
  must(look({ wind: "3 mph" }, { at: "2026-09-02T08:00:00.000Z" }));
  expect(readSheet(records.db, SHEET)!.clockBehind).toMatch(/^2026-09-02T10:00/);
  const refused = open();
  expect(refused.ok ? "" : refused.issues[0]!.expected).toMatch(
    /^put the server's clock right first: it stands at 2026-09-02 08:0/,
  );
  // Not when it goes right again either: nobody knows when that look was.
  holdClock("2026-09-02T10:30:00.000Z");
  expect(refusal()).toEqual(WINDY);
  expect(faults(look({ wind: "3 mph", clock: "behind" }))).toEqual(["seen.clock unknown-key"]);
});
test("what nobody looked at holds nothing, and what says wait only warns", () => {
  must(look({ wind: "1 mph", when: "sunrise" }));
  must(open());
});
test("a calm without a word on how it is known is asked about", () =>
  expect(faults(look({ wind: "calm" }))).toEqual(["seen.windMeasured missing"]));
test("the gear and the water may be ticked in any weather, and a tick taken back", () => {
  must(open());
  must(look({ wind: "30 mph" }));
  must(tickStep(records.db, SHEET, { step: STEP, done: false }));
  expect(faults(open())).toEqual(["step not-allowed-now"]);
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
  must(look({ wind: "calm", windMeasured: "measured" }, { id: "weather-same-001" }));
  must(look({ wind: "calm", windMeasured: "measured" }, { id: "weather-same-001" }));
  expect(faults(look({ wind: "2 mph" }, { id: "weather-same-001" }))).toEqual(["id kept-otherwise"]);
  expect(faults(saveWeather(records.db, "sheet-0000000009", { id: "weather-00000009", at: NOW, seen: { when: "day", wind: "calm", windMeasured: "measured" } }))).toEqual([" unknown-name"]); // prettier-ignore
  expect(faults(look({ wind: "calm", windMeasured: "measured" }, { at: "yesterday" }))).toEqual(["at bad-date"]);
});

describe("a plan for several sites", () => {
  const OTHER = "site-0000000002";
  const BOTH = "sheet-0000000002";
  const at = (seen: object) =>
    saveWeather(records.db, BOTH, {
      id: `weather-${String(++count).padStart(8, "0")}`,
      at: NOW,
      seen: { when: "day", ...seen },
    });
  const holds = (id: string) => readSheet(records.db, id)!.weatherHolds.map(({ received }) => received);
  beforeEach(() => {
    must(add(records.db, "sites", { name: "Quay", zones: [{ name: "all", area: "3000" }] }, OTHER));
    must(saveSheet(records.db, sheet({ id: BOTH, stops: [{ siteId: ids.sites }, { siteId: OTHER }] })));
  });
  test("a look is at one of its sites, and answers for no other", () => {
    must(at({ wind: "9 mph", site: ids.sites }));
    must(at({ wind: "12 mph", site: OTHER }));
    must(at({ wind: "4 mph", site: ids.sites }));
    expect([holds(SHEET), holds(BOTH)]).toEqual([[], ["wind of 12 mph, 8 mph is the most"]]);
    must(at({ wind: "4 mph", site: OTHER }));
    expect(holds(BOTH)).toEqual([]);
    expect(faults(at({ wind: "4 mph", site: "site-0000000009" }))).toEqual(["seen.site unknown-name"]);
  });
  test("of which nobody says where it was holds all of them, and answers for none", () => {
    must(look({ wind: "9 mph" }));
    must(at({ wind: "4 mph" }));
    expect(holds(SHEET)).toEqual(["wind of 9 mph, 8 mph is the most"]);
    must(look({ wind: "4 mph" }));
    must(at({ wind: "12 mph" }));
    expect(holds(SHEET)).toEqual(["wind of 12 mph, 8 mph is the most"]);
  });
  test("a report is its station's wherever one stands; what is told of the soil beside it is the place's", () => {
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, wind: "8 mph", soilLeast: "50 °F" } }));
    const REPORT = (wind: string) => `KFRY 020958Z 240${wind}KT 10SM CLR 22/12 A3002`;
    must(at({ metar: REPORT("12"), soil: "40 F", site: OTHER }));
    expect(holds(SHEET)).toEqual([expect.stringMatching(/^wind/)]);
    expect(holds(BOTH)).toHaveLength(2);
    must(look({ metar: REPORT("03") }));
    expect(holds(SHEET)).toEqual([]);
  });
});
