import { afterWork, saveWatering, strikeWatering } from "./after-work";
import { holdClock } from "./clock";
import { saveApplication } from "./save-application";
import { add, faults, freshRecords, ids, LABEL, must, town } from "./testing/town";

const records = freshRecords();
const CARD = { ...LABEL, waterLeast: "0.25 in", waterMost: "0.5 in", waterWithin: "24 h", reentry: "12 h", mowAfter: "2 days" };
const down = (date: string, id: string, facts: object = {}) =>
  must(saveApplication(records.db, { id, date, siteId: ids.sites, zoneId: `${ids.sites}.0`, labelId: ids.labels, amount: "1 oz", personId: null, note: "", corrects: null, facts })); // prettier-ignore
const water = (more: object = {}) =>
  saveWatering(records.db, {
    id: "water-00000001",
    siteIds: [ids.sites],
    kind: "rain",
    at: "2026-09-02T09:50:00.000Z",
    depth: "0.3 in",
    ...more,
  });

beforeEach(() => {
  town(records.db);
  must(add(records.db, "labels", CARD));
});

test("what went down in the last days is owed what its card asks, from the hour at which it ended", () => {
  expect(afterWork(records.db)).toEqual([]);
  down("2026-08-20", "entry-00000001");
  down("2026-09-01", "entry-00000002", { ended: "16:40" });
  down("2026-08-31", "entry-00000003");
  const [first, second, ...none] = afterWork(records.db);
  expect(none).toEqual([]);
  expect(first).toMatchObject({
    site: "Green",
    date: "2026-09-01",
    earliest: "2026-09-01T16:40:00.000Z",
    hourKnown: true,
    cards: [{ name: "Granule", waterLeast: "0.25 in", reentry: "12 h", mowAfter: "2 days" }],
    zones: [{ name: "north", irrigation: null }],
  });
  // Without its hour it ended on that day, at its earliest or its latest.
  expect(second).toMatchObject({ earliest: "2026-08-31T00:00:00.000Z", latest: "2026-08-31T23:59:00.000Z", hourKnown: false });
});

test("water that was measured stands with it, once, until it is struck", () => {
  down("2026-09-01", "entry-00000002");
  must(water());
  must(water());
  expect(afterWork(records.db)[0]!.waters).toEqual([
    { id: "water-00000001.0", kind: "rain", at: "2026-09-02T09:50:00.000Z", depth: "0.3 in" },
  ]);
  expect(faults(water({ depth: "0.4 in" }))).toEqual(["id kept-otherwise"]);
  must(water({ id: "water-00000009", depth: "12.7 mm" }));
  expect(afterWork(records.db)[0]!.waters.map(({ depth }) => depth)).toEqual(["0.3 in", "1.27 cm"]);
  must(strikeWatering(records.db, { id: "strike-0000009", strikes: "water-00000009.0" }));
  must(strikeWatering(records.db, { id: "strike-0000001", strikes: "water-00000001.0" }));
  must(strikeWatering(records.db, { id: "strike-0000001", strikes: "water-00000001.0" }));
  must(strikeWatering(records.db, { id: "strike-0000002", strikes: "water-00000001.0" }));
  expect(afterWork(records.db)[0]!.waters).toEqual([]);
  expect(records.db.$client.prepare("select count(*) from waterings").pluck().get()).toBe(4);
  expect(() => records.db.$client.prepare("update waterings set depth = '1 in'").run()).toThrow(/append-only/);
});

test("a forecast is no measurement: what lies ahead, is no depth, or fell nowhere is refused", () => {
  holdClock("2026-09-02T10:00:00.000Z");
  expect(faults(water({ at: "2026-09-03T06:00:00.000Z" }))).toEqual(["at bad-date"]);
  expect(faults(water({ depth: "3 gal" }))).toEqual(["depth wrong-unit"]);
  expect(faults(water({ depth: "40 in" }))).toEqual(["depth out-of-range"]);
  expect(faults(water({ kind: "hope" }))).toEqual(["kind not-a-choice"]);
  expect(faults(water({ siteIds: ["site-9999999999"] }))).toEqual(["siteIds unknown-name"]);
  expect(faults(strikeWatering(records.db, { id: "strike-0000001", strikes: "water-9" }))).toEqual(["strikes unknown-name"]);
});
