import { areasOf, findSite, putSite } from "@/records/sites";
import type { MeasuredText } from "@/formats/area/types";
import { siteFormOf } from "@/formats/forms/site-form-of";
import { readSheet } from "./slices/sheets";
import { put } from "./keep-up";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { holdClock } from "./clock";
import { faults, freshRecords, ids, must, NOW, session, sheet, SITE, town } from "./testing/town";

const records = freshRecords();
const ZONE = `${ids.sites}.0`;
const TAPED: MeasuredText = { by: "tape", ground: { measured: { shape: "rectangle", length: "60 ft", width: "100 ft" } } };
const STRIDES: MeasuredText = {
  by: "strides",
  stride: "30 in",
  ground: { measured: { shape: "rectangle", length: "60 ft", width: "102.5 ft" } },
};
/** The town's site, its first zone as large as is said. */
const measured = (area: string, how?: MeasuredText) => {
  const form = siteFormOf(findSite(records.db, ids.sites)!.site);
  const zones = form.zones.map((zone, i) => (i === 0 ? { ...zone, area, measured: how ? JSON.stringify(how) : "" } : zone));
  must(put(records.db, "sites", { id: ids.sites, form: { ...form, zones } }));
};
const zone = () => findSite(records.db, ids.sites)!.site.zones[0]!;

beforeEach(() => town(records.db));

test("a zone keeps how it was measured, and what it was taken for before", () => {
  expect(areasOf(records.db, ZONE)).toEqual([]);
  measured("6,000 ft2", TAPED);
  expect(zone()).toMatchObject({ area: "6,000 ft2", measurement: TAPED });
  measured("6,150 ft2", STRIDES);
  measured("6,300 ft2");
  expect(zone().measurement).toBeUndefined();
  expect(areasOf(records.db, ZONE).map(({ area, by }) => [area, by])).toEqual([
    ["6,150 ft2", "strides"],
    ["6,000 ft2", "tape"],
    ["6,200 ft2", null],
  ]);
  expect(() => records.db.$client.exec("delete from areas_before")).toThrow(/append-only/);
  expect(() => records.db.$client.exec("update areas_before set area = '1 ft2'")).toThrow(/append-only/);
});

test("who means the same area and says nothing of how takes nothing away; what is no measurement isn't kept as one", () => {
  measured("6,000 ft2", TAPED);
  const { site } = findSite(records.db, ids.sites)!;
  const zones = site.zones.map(({ measurement: _, ...rest }) => rest);
  putSite(records.db, ids.sites, { ...site, zones }, NOW);
  expect(zone().measurement).toEqual(TAPED);
  const odd = zones.map((one) => ({ ...one, area: "5000 ft2", measurement: { by: "guess" } as never }));
  putSite(records.db, ids.sites, { ...site, zones: odd }, NOW);
  expect(zone()).toMatchObject({ area: "5000 ft2" });
  expect(zone().measurement).toBeUndefined();
  expect(SITE.name).toBe(site.name);
});

test("a sheet knows by what its ground was measured, not every corner of it, on the day and later", () => {
  measured("6,000 ft2", TAPED);
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
  must(saveSheet(records.db, sheet()));
  const zones = () => readSheet(records.db, "sheet-0000000001")!.job.sites![0]!.zones;
  expect(zones()[0]).toMatchObject({ measuredBy: "tape" });
  expect(JSON.stringify(zones())).not.toContain("measurement:");
});

test("who must be minded there stands on the sheet as it is known today; what is no text isn't kept as one", () => {
  must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
  must(saveSheet(records.db, sheet()));
  const form = siteFormOf(findSite(records.db, ids.sites)!.site);
  must(put(records.db, "sites", { id: ids.sites, form: { ...form, minding: "bees along the hedge", access: "gate 7" } }));
  expect(readSheet(records.db, "sheet-0000000001")!.job.sites![0]).toMatchObject({
    precautions: "bees along the hedge",
    access: "gate 7",
  });
  putSite(records.db, ids.sites, { ...findSite(records.db, ids.sites)!.site, precautions: { a: 1 } as never }, NOW);
  expect(findSite(records.db, ids.sites)!.site.precautions).toBeUndefined();
});

test("what is known of a site and its zones comes back as it was told; notes have the moment since which they stand", () => {
  const site = () => findSite(records.db, ids.sites)!;
  const form = siteFormOf(site().site);
  const known = { irrigation: "0.5 in/h", lies: "rough", height: "3", mowed: "2026-08-20" };
  const told = {
    ...form,
    waters: "client",
    tapFlow: "8",
    notes: "hedge",
    zones: [{ ...form.zones[0]!, ...known }, form.zones[1]!],
  };
  must(put(records.db, "sites", { id: ids.sites, form: told }));
  const since = site().noted!;
  expect(since.slice(0, 19)).toBe(NOW.slice(0, 19));
  expect(site()).toMatchObject({ site: { irrigatedBy: "client", waterSource: { flow: "8 gal/min" }, notes: "hedge" } });
  expect(site().site.zones[0]).toMatchObject({ irrigationRate: "0.5 in/h", footing: "rough", mowingHeight: "3 in" });
  expect(siteFormOf(site().site)).toMatchObject({ ...told, tapFlow: "8 gal/min", zones: [{ mowed: "2026-08-20" }, {}] });
  // Another change leaves the notes as old as they are; kept again as it is, nothing is changed.
  holdClock("2026-09-09T10:00:00.000Z");
  must(put(records.db, "sites", { id: ids.sites, form: { ...siteFormOf(site().site), access: "gate 7" } }));
  expect(site().noted).toBe(since);
  const { revision } = site();
  must(put(records.db, "sites", { id: ids.sites, form: siteFormOf(site().site) }));
  expect(site().revision).toBe(revision);
  must(put(records.db, "sites", { id: ids.sites, form: { ...siteFormOf(site().site), notes: "" } }));
  expect(site().noted).toBeNull();
  // A file may say anything: what it can't mean is left out.
  expect(faults(put(records.db, "sites", { id: ids.sites, form: { ...form, waters: "rain", tapFlow: "4 oz" } }))).toHaveLength(2);
  const odd = {
    irrigatedBy: "rain",
    waterSource: { flow: "4 oz" },
    zones: site().site.zones.map((z) => ({ ...z, footing: "sea" })),
  };
  putSite(records.db, ids.sites, { ...site().site, ...odd } as never, NOW);
  expect(site().site.irrigatedBy ?? site().site.waterSource ?? site().site.zones[0]!.footing).toBeUndefined();
});
