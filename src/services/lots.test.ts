import { listLabels } from "@/records/labels";
import { put } from "./keep-up";
import { readAll } from "./read-all";
import { recordSheet } from "./record-sheet";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { lotsOf, recall, saveDelivery } from "./shelf";
import { recordSpread, saveSpread } from "./spread";
import { add, faults, freshRecords, ids, LABEL, must, NOW, session, sheet, town } from "./testing/town";

const records = freshRecords();
const SHEET = "sheet-0000000001";
const SECOND = "label-000000002";
const came = (n: number, labelId: string, lot: string, more: object = {}) =>
  must(saveDelivery(records.db, { id: `delivery-00000${n}`, labelId, lot, content: "80 oz", count: 1, price: null, came: "2026-08-01", opened: null, useBy: null, ...more })); // prettier-ignore
const ofLot = (label: string, lot: string) => {
  const { surely, perhaps } = recall(records.db, { label, lot })!;
  return [surely.length, perhaps.length];
};

beforeEach(() => {
  town(records.db);
  must(add(records.db, "labels", { ...LABEL, name: "Second", formulation: "WG" }, SECOND));
  came(1, ids.labels, "L-1");
  came(2, SECOND, "K-7");
});

describe("a sheet of two products", () => {
  beforeEach(() => {
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    const products = [ids.labels, SECOND].map((labelId) => ({ labelId, rate: "0.3 oz/1000 ft2" }));
    must(saveSheet(records.db, { ...sheet(), products }));
  });
  const record = (more: object) => recordSheet(records.db, SHEET, { date: "2026-09-02", all: true, ...more });
  test("each has a lot of its own, and is called back by it alone", () => {
    must(record({ lots: ["L-1", "K-7"] }));
    const zones = readAll(records.db).applications.length / 2;
    expect([ofLot(ids.labels, "l-1"), ofLot(SECOND, "K-7")]).toEqual([
      [zones, 0],
      [zones, 0],
    ]);
    expect([ofLot(ids.labels, "K-7"), ofLot(SECOND, "L-1")]).toEqual([
      [0, 0],
      [0, 0],
    ]);
  });
  test("where one of them wasn't read, it may have been any that was there", () => {
    must(record({ lots: ["L-1", null], facts: { wind: "4 mph" } }));
    const zones = readAll(records.db).applications.length / 2;
    expect([ofLot(ids.labels, "L-1"), ofLot(SECOND, "K-7")]).toEqual([
      [zones, 0],
      [0, zones],
    ]);
    expect(readAll(records.db).applications.map(({ facts }) => [facts?.lot, facts?.wind])).toEqual(
      expect.arrayContaining([
        ["L-1", "4 mph"],
        [undefined, "4 mph"],
      ]),
    );
  });
  test("what is no list of lots is told, and nothing is put on record", () => {
    expect(faults(record({ lots: ["L-1"] }))).toEqual(["lots wrong-type"]);
    expect(faults(record({ lots: "L-1" }))).toEqual(["lots wrong-type"]);
    expect(faults(record({ lots: [" ", 7] }))).toEqual(["lots[0] not-a-choice", "lots[1] not-a-choice"]);
    expect(readAll(records.db).applications).toEqual([]);
  });
});

test("granules that were spread have theirs too", () => {
  must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, formulation: "G" } }));
  const book = { id: "spreading-00001", date: "2026-09-02", personId: null, stops: [{ siteId: ids.sites }], products: [{ labelId: ids.labels, rate: "0.3 oz/1000 ft2" }] }; // prettier-ignore
  must(saveSpread(records.db, book));
  expect(faults(recordSpread(records.db, book.id, { date: "2026-09-02", lots: [7] }))).toEqual(["lots[0] not-a-choice"]);
  must(recordSpread(records.db, book.id, { date: "2026-09-02", all: true, lots: ["L-1"] }));
  expect(ofLot(ids.labels, "L-1")[0]).toBeGreaterThan(0);
});

test("the lots of a product are those that came and were not counted away, the newest first, old ones said", () => {
  came(3, ids.labels, "L-2", { came: "2026-08-20", useBy: "2026-09-01" });
  came(4, ids.labels, "l-2", { came: "2026-08-25", useBy: "2027-01-01" });
  came(5, ids.labels, "L-0", { count: 0 });
  const asked = listLabels(records.db).map(({ id }) => id);
  expect(lotsOf(records.db, [ids.labels, ids.labels]).map(({ lot, old }) => [lot, old])).toEqual([
    ["l-2", false],
    ["L-1", false],
  ]);
  expect(lotsOf(records.db, asked)).toHaveLength(3);
  came(6, SECOND, "K-8", { useBy: "2026-09-01" });
  expect(lotsOf(records.db, [SECOND]).map(({ lot, old }) => [lot, old])).toEqual([
    ["K-8", true],
    ["K-7", false],
  ]);
});
