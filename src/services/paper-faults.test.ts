import type { PaperText } from "@/formats/papers";
import { holdClock } from "./clock";
import { put } from "./keep-up";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { saveSpread, tickSpread } from "./spread";
import { add, faults, freshRecords, gearOn, ids, LABEL, must, NOW, session, sheet, town } from "./testing/town";
import { tickStep } from "./tick-step";

/** Who opens what: papers as they stand on the day. */

const records = freshRecords();
const SHEET = "sheet-0000000001";
const RESTRICTED = { ...LABEL, restricted: "restricted use", registration: "DEMO-101" };
const certificate = (more: Partial<PaperText> = {}): PaperText => ({
  kind: "certificate",
  number: "FT-1",
  ends: "2026-09-02",
  ...more,
});
const papers = (...list: PaperText[]) =>
  must(put(records.db, "people", { id: ids.people, form: { name: "Odile Marsh", papers: list } }));
const open = () => {
  const opened = tickStep(records.db, SHEET, { step: "1.1.product-1", done: true });
  return opened.ok ? [] : opened.issues.map(({ received }) => received);
};
const planned = (card: object, more: object = {}) => {
  must(put(records.db, "labels", { id: ids.labels, form: card }));
  must(saveSheet(records.db, sheet(more)));
  gearOn(records.db, SHEET);
};

beforeEach(() => {
  town(records.db);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
});

const NOBODY = "Granule is for restricted use, and nobody has a certificate that holds today";

test("a product for restricted use is opened only where somebody of the firm has a certificate that holds today", () => {
  planned(RESTRICTED);
  expect(open()).toEqual([NOBODY]);
  papers(certificate({ ends: "2026-09-01" }));
  expect(open()).toEqual([NOBODY]);
  papers(certificate());
  expect(open()).toEqual([]);
  // On the next day it has ended, whatever was opened before.
  holdClock("2026-09-03T15:00:00.000Z");
  expect(open()).toEqual([NOBODY]);
  must(add(records.db, "people", { name: "Bram Tolliver", papers: [certificate({ ends: "2027-01-01" })] }, "person-00000002"));
  expect(open()).toEqual([]);
});
test("where the label names a category the certificate that names some has it among them", () => {
  planned({ ...RESTRICTED, category: "turf" });
  papers(certificate({ categories: "core, aquatic" }));
  expect(open()).toEqual(["Granule is for restricted use, and nobody has a certificate for turf that holds today"]);
  papers(certificate({ categories: "core, Turf" }));
  expect(open()).toEqual([]);
});
test("somebody is named for it", () => {
  papers(certificate());
  planned(RESTRICTED);
  must(put(records.db, "labels", { id: ids.labels, form: { ...RESTRICTED, formulation: "g" } }));
  const stops = [{ siteId: ids.sites }];
  const products = [{ labelId: ids.labels, rate: "0.3", choice: { row: 0, point: "typed", again: "another pass is wanted" } }];
  must(saveSpread(records.db, { id: "spreading-00001", personId: null, stops, products }));
  const bags = () => tickSpread(records.db, "spreading-00001", { step: "bags.product-1", done: true });
  for (const key of ["long-sleeves-and-trousers", "gloves", "eye-protection", "boots"])
    must(tickSpread(records.db, "spreading-00001", { step: `gear.${key}`, done: true }));
  expect(faults(bags())).toEqual(["step not-allowed-now"]);
  must(saveSpread(records.db, { id: "spreading-00002", personId: ids.people, stops, products }));
});
test("a respirator is worn by whose fit and filters hold, where they are noted", () => {
  planned({ ...LABEL, gear: [{ item: "respirator", type: "half mask" }] });
  papers({ kind: "respirator fit", ends: "2026-09-01" }, { kind: "respirator filters", ends: "2026-12-01" });
  expect(open()).toEqual(["a respirator is worn, and Odile Marsh: respirator fit is over"]);
  papers({ kind: "respirator fit", ends: "2026-09-01" }, { kind: "respirator fit", ends: "2027-09-01" });
  expect(open()).toEqual([]);
});
test("what anybody may use asks for no paper", () => {
  planned(LABEL);
  expect(open()).toEqual([]);
});
