import { readSheet } from "./slices/sheets";
import { readAll } from "./read-all";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { tickStep } from "./tick-step";
import { add, faults, freshRecords, gearOn, ids, LABEL, must, NOW, RIG, session, sheet, town } from "./testing/town";

const records = freshRecords();

describe("mix sheets", () => {
  beforeEach(() => {
    town(records.db);
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
  });

  test("hold everything they are worked out from", () => {
    must(saveSheet(records.db, sheet()));
    const kept = readSheet(records.db, "sheet-0000000001")!;
    expect(kept).toMatchObject({
      personName: "Odile Marsh",
      done: [],
      job: { loads: "full-then-part", date: "2026-09-02", sites: [{ name: "Green" }] },
    });
    // Changing the label afterwards changes no sheet.
    must(add(records.db, "labels", { ...LABEL, rates: [{ rate: "0.9" }] }));
    expect(readSheet(records.db, "sheet-0000000001")!.job.products![0]!.rate).toBe("0.3 oz/1000 ft2");
    expect(readAll(records.db).sheets[0]).toMatchObject({ steps: 16, done: 0 });
  });

  test("ticks: the last word on each step, on every device", () => {
    must(saveSheet(records.db, sheet()));
    const tick = (step: string, done: boolean) => must(tickStep(records.db, "sheet-0000000001", { step, done })).done;
    expect(tick("1.1.water", true)).toEqual(["1.1.water"]);
    // No container before the gear is on.
    expect(faults(tickStep(records.db, "sheet-0000000001", { step: "1.1.product-1", done: true }))).toEqual(["step out-of-turn"]);
    gearOn(records.db, "sheet-0000000001");
    const rest = (done: readonly string[]) => done.filter((key) => !key.startsWith("gear."));
    expect(rest(tick("1.1.product-1", true))).toEqual(["1.1.water", "1.1.product-1"]);
    expect(rest(tick("1.1.water", false))).toEqual(["1.1.product-1"]);
    expect(rest(tick("1.1.water", false))).toEqual(["1.1.product-1"]);
    expect(faults(tickStep(records.db, "sheet-0000000001", { step: "9.9.water", done: true }))).toEqual(["step unknown-name"]);
    expect(faults(tickStep(records.db, "sheet-9999999999", { step: "1.1.water", done: true }))).toEqual([" unknown-name"]);
  });

  test.each<[string, object, string]>([
    ["another person's pace", { personId: "person-00000002" }, "calibrationId calibration-unusable"],
    ["no product", { products: [] }, "products missing"],
    ["a wrong rate", { products: [{ labelId: ids.labels, rate: "0.3 fl oz/1000 ft2" }] }, "products[0].rate volume-on-dry"],
    ["an unknown label", { products: [{ labelId: "label-999999999", rate: "1" }] }, "products[0].labelId unknown-name"],
    ["an unknown tank", { tank: "rear" }, "tank unknown-name"],
    ["an unknown site", { stops: [{ siteId: "site-9999999999" }] }, " unknown-name"],
  ])("%s: refused", (_what, more, expected) => expect(faults(saveSheet(records.db, sheet(more)))).toContain(expected));

  test.each([null, {}, { ...sheet(), loads: "half" }, { ...sheet(), products: "all" }, { ...sheet(), id: "x" }])(
    "%p is no mix",
    (input) => expect(saveSheet(records.db, input).ok).toBe(false),
  );

  test("a rig that has changed since gives no sheet, and says what changed", () => {
    must(add(records.db, "rigs", { ...RIG, tipSize: "03" }));
    const result = saveSheet(records.db, sheet());
    expect(result.ok ? "" : result.issues[0]!.received).toBe("the calibration is stale (tip 03, was 025)");
  });

  test("trials that disagree are no calibration to mix from", () => {
    must(
      saveCalibration(records.db, {
        session: session({ id: "calibration-00002", walks: [{ time: "60 s" }, { time: "70 s" }] }),
        madeAt: NOW,
      }),
    );
    expect(faults(saveSheet(records.db, sheet({ calibrationId: "calibration-00002" })))).toEqual([
      "calibrationId calibration-unusable",
    ]);
  });

  test("sent twice, kept once", () => {
    must(saveSheet(records.db, sheet()));
    must(saveSheet(records.db, sheet()));
    expect(readAll(records.db).sheets.length).toBe(1);
  });
});
