import { rigFormOf } from "@/formats/forms/rig-form-of";
import { planOfSheet } from "@/formats/sheet-plan";
import { findSheet } from "@/records/sheets";
import { num } from "@/core/working/rule";
import { readSheet } from "./slices/sheets";
import { readAll } from "./read-all";
import { recordSheet } from "./record-sheet";
import { saveApplication, voidApplication } from "./save-application";
import { saveCalibration, withdrawCalibrationOf } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { recordSpread, saveSpread, withdrawSpread } from "./spread";
import { importJob } from "./import-job";
import { add, faults, freshRecords, gearOn, ids, LABEL, must, NOW, session, sheet, spreadOut, town } from "./testing/town";
import { tickStep } from "./tick-step";

/** What would let somebody do harm, at the server's door. */
const records = freshRecords();
const SHEET = "sheet-0000000001";
const HEAD = "rig-0000000002";

beforeEach(() => {
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
});

describe("a hose-end head", () => {
  const SOAP = { name: "Soap", form: "liquid", formulation: "sl", hoseEnd: "allowed", rates: [{ rate: "4" }] };
  const head = (pace: string) => {
    must(
      add(
        records.db,
        "rigs",
        {
          ...rigFormOf(),
          name: "Head",
          kind: "hose-end",
          tanks: [{ name: "main", usable: "32 fl oz", leastMix: "" }],
          head: { kind: "dial", feed: "", setting: "2", settings: "2, 4, 8", product: "", water: "" },
        },
        HEAD,
      ),
    );
    must(add(records.db, "labels", SOAP, "label-000000002"));
    const walked = {
      id: "calibration-00002",
      rigId: HEAD,
      personId: null,
      siteId: ids.sites,
      area: "1000 ft2",
      walks: [{ time: pace }],
      catches: [{ volume: "2.5 gal", time: "60 s" }],
    };
    must(saveCalibration(records.db, { session: session(walked), madeAt: NOW }));
  };
  const mix = (more: object = {}) =>
    sheet({
      rigId: HEAD,
      personId: null,
      calibrationId: "calibration-00002",
      products: [{ labelId: "label-000000002", rate: "4 fl oz/1000 ft2" }],
      ...more,
    });
  test("is held where head, jar and pace are off the label; set right it is not, and the water's flow goes on standing", () => {
    head("24 s");
    // A dial of 2 gives 4 fl oz in 48 s; at 24 s half of it goes down. A dial of 4 gives all of it.
    expect(faults(saveSheet(records.db, mix()))).toEqual([" held"]);
    const set = { kind: "dial", setting: "4 fl oz/gal" };
    must(saveSheet(records.db, mix({ head: set })));
    expect(findSheet(records.db, SHEET)!.job.rig.head).toEqual(set);
    expect(readSheet(records.db, SHEET)!.stopped).toEqual([]);
  });
  test("can't be set to a number that its dial doesn't have, nor to another family", () => {
    head("24 s");
    expect(faults(saveSheet(records.db, mix({ head: { kind: "dial", setting: "5 fl oz/gal" } })))).toEqual(["head not-possible"]);
    expect(faults(saveSheet(records.db, mix({ head: { kind: "metered", feed: "5 fl oz/min" } })))).toEqual(["head not-possible"]);
    expect(faults(saveSheet(records.db, sheet({ head: { kind: "dial", setting: "4 fl oz/gal" } })))).toEqual([
      "head not-possible",
    ]);
  });
  test("by its flow alone it gives the seconds, and a mix goes by its own product", () => {
    head("24 s");
    const flow = {
      id: "calibration-00003",
      rigId: HEAD,
      personId: null,
      siteId: ids.sites,
      method: "head-flow" as const,
      pace: "asked" as const,
      rate: "6",
      walks: [],
      catches: [{ volume: "2.5 gal", time: "60 s" }],
    };
    must(saveCalibration(records.db, { session: session(flow), madeAt: NOW }));
    must(saveSheet(records.db, mix({ calibrationId: "calibration-00003" })));
    const { calibration } = planOfSheet(findSheet(records.db, SHEET)!.job, null);
    expect(num(calibration.hoseEnd!.timePer1000!)).toBeCloseTo(48, 9);
    expect(
      faults(saveCalibration(records.db, { session: session({ ...flow, id: "calibration-00004", rate: "" }), madeAt: NOW })),
    ).toEqual(["rate missing"]);
  });
});

describe("a rate for a gallon", () => {
  const WET = { name: "Wetter", form: "liquid", formulation: "sl", rates: [{ rate: "2 tbsp/gal" }] };
  const mix = (choice?: object) =>
    sheet({ products: [{ labelId: "label-000000002", rate: "2 tbsp/gal", ...(choice && { choice }) }] });
  const choice = { row: 0, point: "least", again: "another pass is wanted" };
  test("is asked about before there is an amount; either answer is kept with the sheet", () => {
    must(add(records.db, "labels", WET, "label-000000002"));
    expect(faults(saveSheet(records.db, mix()))).toEqual(["products[0].rate answer-needed"]);
    must(saveSheet(records.db, mix({ ...choice, gallon: "1000 ft2" })));
    const { plan } = planOfSheet(findSheet(records.db, SHEET)!.job, null);
    // 1 fl oz on 1,000 sq ft, whatever is sprayed.
    expect(num(plan.sites[0]!.totals[0]!) / 29.5735295625).toBeCloseTo(8, 9);
    must(saveSheet(records.db, { ...mix({ ...choice, gallon: "strength" }), id: "sheet-0000000002" }));
    expect(faults(saveSheet(records.db, { ...mix({ ...choice, gallon: "some" }), id: "sheet-0000000003" }))).toEqual([
      " wrong-type",
    ]);
  });
  test("a card that says so needs no answer, and a sheet of before it is not poured", () => {
    must(add(records.db, "labels", WET, "label-000000002"));
    must(saveSheet(records.db, mix({ ...choice, gallon: "strength" })));
    must(add(records.db, "labels", { ...WET, gallonCovers: "500" }, "label-000000002"));
    expect(readSheet(records.db, SHEET)!.stopped.map((s) => s.received)).toEqual([
      "the card of Wetter says today that a gallon is for 500 ft2",
    ]);
    must(saveSheet(records.db, { ...mix(), id: "sheet-0000000002" }));
  });
});

describe("granules spread dry", () => {
  const FEED = {
    name: "Feed",
    form: "dry",
    formulation: "g",
    use: "fertilizer",
    analysis: "12-0-0",
    rates: [{ rate: "0.75 lb N" }],
    packages: [{ content: "50 lb", price: "40" }],
    limits: [{ perYear: "7 lb", yearKind: "calendar" }],
  };
  const book = (more: object = {}) => ({
    id: "spreading-00001",
    personId: ids.people,
    stops: [{ siteId: ids.sites }],
    products: [{ labelId: "label-000000002", rate: "0.75 lb N" }],
    ...more,
  });
  beforeEach(() => must(add(records.db, "labels", FEED, "label-000000002")));
  test("need no rig; booked they count, on record they are down, each once", () => {
    must(saveSpread(records.db, book()));
    must(saveSpread(records.db, book()));
    expect(readAll(records.db).spreadings).toHaveLength(1);
    // 6.25 lb of the 7 that a year allows are planned.
    expect(faults(saveSpread(records.db, book({ id: "spreading-00002" })))).toEqual([" held", " held"]);
    spreadOut(records.db, "spreading-00001");
    must(recordSpread(records.db, "spreading-00001", { date: "2026-09-02" }));
    must(recordSpread(records.db, "spreading-00001", { date: "2026-09-02" }));
    const { applications, spreadings } = readAll(records.db);
    expect(spreadings).toEqual([]);
    expect(applications.map((a) => [a.zone, Math.round(Number.parseFloat(a.total)), a.note])).toEqual([
      ["south", 180, "spread dry"],
      ["north", 620, "spread dry"],
    ]);
    expect(faults(saveSpread(records.db, book({ id: "spreading-00003" })))).toEqual([" held", " held"]);
    expect(faults(withdrawSpread(records.db, "spreading-00001"))).toEqual([" already-done"]);
  });
  test("what goes into a tank is not booked as spread dry: nothing is kept that can't be read again", () => {
    const wet = [{ labelId: ids.labels, rate: "0.3" }];
    expect(faults(saveSpread(records.db, book({ products: wet })))).toEqual(["products[0].formulation not-possible"]);
    const both = [...(book().products as object[]), ...wet];
    expect(faults(saveSpread(records.db, book({ products: both })))).toEqual(["products[1].formulation not-possible"]);
    const spot = [{ siteId: ids.sites, spot: { zoneId: `${ids.sites}.0`, volume: "1 gal" } }];
    expect(faults(saveSpread(records.db, book({ stops: spot })))).toEqual([" wrong-type"]);
    expect(readAll(records.db)).toMatchObject({ spreadings: [], aside: [] });
  });
  test("withdrawn they count no more", () => {
    must(saveSpread(records.db, book()));
    must(withdrawSpread(records.db, "spreading-00001"));
    expect(faults(recordSpread(records.db, "spreading-00001", { date: "2026-09-02" }))).toEqual([" already-done"]);
    must(saveSpread(records.db, book({ id: "spreading-00002" })));
  });
  test("a soil test's need counts above the printed coverage, not above a limit", () => {
    const more = (soil: boolean, rate = "0.8 lb N") => [
      { labelId: "label-000000002", rate, choice: { row: 0, point: "typed", ...(soil && { soil }) } },
    ];
    expect(faults(saveSpread(records.db, book({ products: more(false) })))).toEqual([" held", " held"]);
    must(saveSpread(records.db, book({ products: more(true) })));
    must(withdrawSpread(records.db, "spreading-00001"));
    expect(faults(saveSpread(records.db, book({ id: "spreading-00002", products: more(true, "0.9 lb N") })))).toEqual([
      " held",
      " held",
    ]);
  });
  test("a file of granules alone brings their cards and sites", () => {
    const file = {
      format: "careful-gauge-job",
      version: 2,
      products: [{ name: "Other feed", form: "dry", formulation: "G", rate: "3 lb/1000 ft2" }],
      sites: [{ name: "Quay", zones: [{ name: "a", area: "900 ft2" }] }],
    };
    must(importJob(records.db, JSON.stringify(file), {}));
    const { labels, sites, rigs } = readAll(records.db);
    expect([labels.map((l) => l.card.name), sites.map((s) => s.site.name), rigs.length]).toEqual([
      ["Feed", "Granule", "Other feed"],
      ["Green", "Quay"],
      1,
    ]);
  });
});

describe("a record says what happened", () => {
  test("with steps unticked it is asked whether it was all poured, and the answer is kept", () => {
    must(saveSheet(records.db, sheet()));
    gearOn(records.db, SHEET);
    must(tickStep(records.db, SHEET, { step: "1.1.water", done: true }));
    const refused = recordSheet(records.db, SHEET, { date: "2026-09-02" });
    expect(refused).toMatchObject({ ok: false, issues: [{ path: "all", code: "reason-needed" }] });
    expect(refused.ok ? "" : refused.issues[0]!.received).toMatch(/^5 of 16 steps are ticked$/);
    must(recordSheet(records.db, SHEET, { date: "2026-09-02", all: true }));
    expect(readAll(records.db).applications[0]!.note).toMatch(/^put on record with 5 of 16 steps ticked: all of it was said/);
  });
  test("an entry of a real sheet can be corrected, struck, and brought back", () => {
    must(saveSheet(records.db, sheet()));
    must(recordSheet(records.db, SHEET, { date: "2026-09-02", all: true }));
    const [north] = readAll(records.db).applications;
    expect(north!.id).toMatch(/\./);
    const entry = {
      id: "application-0001",
      date: "2026-09-02",
      siteId: ids.sites,
      zoneId: north!.zoneId,
      labelId: ids.labels,
      amount: "0.28 oz/1000 ft2",
      personId: null,
      note: "",
      why: "the scale was off",
      corrects: north!.id,
    };
    must(saveApplication(records.db, entry));
    must(voidApplication(records.db, { id: "application-0002", corrects: "application-0001", why: "the other lawn" }));
    const standing = () => {
      const all = readAll(records.db).applications;
      const old = new Set(all.map((a) => a.corrects));
      return all.filter((a) => !old.has(a.id) && !a.isVoid && a.zone === north!.zone).map((a) => a.rate);
    };
    expect(standing()).toEqual([]);
    must(voidApplication(records.db, { id: "application-0003", corrects: "application-0002", back: true }));
    expect(standing()).toEqual(["0.28 oz/1000 ft2"]);
    expect(faults(voidApplication(records.db, { id: "application-0004", corrects: "application-0003", back: true }))).toEqual([
      "corrects unknown-name",
    ]);
  });
});

describe("a calibration", () => {
  test("is withdrawn with its reason; nothing is mixed from it, and its open sheets stop", () => {
    must(saveSheet(records.db, sheet()));
    expect(faults(withdrawCalibrationOf(records.db, { id: "calibration-00001" }))).toEqual(["why reason-needed"]);
    must(withdrawCalibrationOf(records.db, { id: "calibration-00001", why: "the tip was worn" }));
    must(withdrawCalibrationOf(records.db, { id: "calibration-00001", why: "the tip was worn" }));
    expect(readAll(records.db).calibrations[0]!.withdrawn).toBe("the tip was worn");
    expect(faults(saveSheet(records.db, sheet({ id: "sheet-0000000002" })))).toEqual(["calibrationId calibration-unusable"]);
    expect(readSheet(records.db, SHEET)!.stopped.map((s) => s.received)).toEqual([
      "its calibration was withdrawn (the tip was worn)",
    ]);
    expect(faults(withdrawCalibrationOf(records.db, { id: "calibration-00009", why: "worn" }))).toEqual(["id unknown-name"]);
  });
});

test("a row for another turf is not saved in silence", () => {
  must(
    add(records.db, "labels", {
      ...LABEL,
      rates: [
        { turf: "bentgrass", rate: "0.3" },
        { turf: "ryegrass", rate: "0.4" },
      ],
    }),
  );
  must(
    add(records.db, "sites", {
      name: "Green",
      zones: [{ id: `${ids.sites}.0`, name: "north", area: "6200", turf: "Ryegrass" }],
    }),
  );
  const mix = (row: number, reason?: string) =>
    sheet({
      products: [
        { labelId: ids.labels, rate: "0.3", choice: { row, point: "typed", again: "another pass", ...(reason && { reason }) } },
      ],
    });
  expect(faults(saveSheet(records.db, mix(0)))).toEqual(["products[0].choice reason-needed"]);
  must(saveSheet(records.db, mix(0, "half ryegrass, the label's agent said so")));
  must(saveSheet(records.db, { ...mix(1), id: "sheet-0000000002" }));
});
