import { COMES } from "@/formats/grounds";
import { findSite, sitesPage } from "@/records/sites";
import { countedOf } from "./counted";
import { importSiteTable } from "./import-site-table";
import { put } from "./keep-up";
import { mergeSites } from "./merge-sites";
import { saveApplication } from "./save-application";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { yearOfSite } from "./slices/season";
import { afterWork, saveWatering } from "./after-work";
import { moveWork } from "./move-work";
import { dueToday, saveProgram } from "./program";
import { lastBatch } from "@/records/plan";
import { add, faults, freshRecords, ids, LABEL, must, NOW, session, sheet, town } from "./testing/town";

const records = freshRecords();
const OTHER = "site-0000000002";
const KEEP = ids.sites;
const BACK = { name: "back", area: "900", seeded: "2026-04-20", seeding: "2026-10-01", turf: "fescue" };
beforeEach(() => {
  town(records.db);
  other();
});
const other = (more: object = {}, front: object = {}) =>
  must(
    put(records.db, "sites", {
      id: OTHER,
      form: { name: "Green, old", zones: [{ name: "North", area: "6000", ...front }, BACK], ...more },
    }),
  );
const down = (id: string, siteId: string, zoneId: string) =>
  must(
    saveApplication(records.db, {
      id,
      date: "2026-08-20",
      siteId,
      zoneId,
      labelId: ids.labels,
      amount: "1 oz",
      personId: null,
      note: "",
      corrects: null,
    }),
  );
const SAME = { keep: KEEP, other: OTHER, zones: { [`${OTHER}.0`]: `${KEEP}.0`, [`${OTHER}.1`]: COMES } };
const live = () => sitesPage(records.db, { retired: false }, undefined, 10).rows.map((row) => row.site.name);

test("what went down on either counts for both; what comes brings its history; the other is retired", () => {
  down("entry-000000001", OTHER, `${OTHER}.0`);
  down("entry-000000002", OTHER, `${OTHER}.1`);
  down("entry-000000003", KEEP, `${KEEP}.0`);
  const counts = (zone: string) => countedOf(records.db, [KEEP]).filter((one) => one.zoneIds.includes(zone)).length;
  expect(counts(`${KEEP}.0`)).toBe(1);
  expect(must(mergeSites(records.db, SAME))).toEqual({ id: KEEP });
  expect(live()).toEqual(["Green"]);
  const { zones } = findSite(records.db, KEEP)!.site;
  expect(zones.map((zone) => [zone.name, zone.area])).toEqual([
    ["north", "6,200 ft2"],
    ["south", "1800 ft2"],
    ["back", "900 ft2"],
  ]);
  expect(zones.map((zone) => counts(zone.id))).toEqual([2, 0, 1]);
  // An answer got lost: asked again it is what it was.
  expect(must(mergeSites(records.db, SAME))).toEqual({ id: KEEP });
  expect(findSite(records.db, KEEP)!.site.zones).toHaveLength(3);
});

test("what is owed on either is owed on the one that stayed, and what was measured on either counts for it", () => {
  must(add(records.db, "labels", { ...LABEL, name: "Watered", waterLeast: "0.25 in", waterWithin: "24 h" }, "label-000000002"));
  const put2 = { id: "entry-000000001", date: "2026-09-01", siteId: OTHER, zoneId: `${OTHER}.0`, labelId: "label-000000002" };
  must(saveApplication(records.db, { ...put2, amount: "1 oz", personId: null, note: "", corrects: null }));
  const rain = (id: string, siteId: string) =>
    must(saveWatering(records.db, { id, siteIds: [siteId], kind: "rain", at: "2026-09-02T08:00:00.000Z", depth: "0.1 in" }));
  rain("water-000000001", OTHER);
  must(mergeSites(records.db, SAME));
  rain("water-000000002", KEEP);
  expect(afterWork(records.db)).toMatchObject([{ siteId: KEEP, site: "Green", zones: [{ name: "north" }] }]);
  expect(
    afterWork(records.db)[0]!
      .waters.map(({ id }) => id)
      .sort(),
  ).toEqual(["water-000000001.0", "water-000000002.0"]);
});

test("a round that the other's ground has had is done on it; the rest of the site is still to do, also for who moves it", () => {
  must(saveProgram(records.db, { rounds: [{ name: "feed", label: ids.labels, rate: "0.3 oz/1000 ft2" }], soil: [] }));
  down("entry-000000001", OTHER, `${OTHER}.0`);
  must(mergeSites(records.db, SAME));
  const left = () => dueToday(records.db).items.map((item) => item.left?.map(({ name }) => name));
  expect(left()).toEqual([["south", "back"]]);
  const came = findSite(records.db, KEEP)!.site.zones[2]!.id;
  down("entry-000000002", KEEP, `${KEEP}.1`);
  down("entry-000000003", KEEP, came);
  expect(left()).toEqual([]);
  const move = moveWork(records.db, { id: "move-000000001", year: 2026, moves: [{ siteId: KEEP, round: "feed", day: "2026-09-10" }] }); // prettier-ignore
  expect(faults(move)).toEqual(["moves[0].round already-done"]);
});

test("days that were fixed for the other are the kept one's, where it has none and its label lets them; undoing moves leaves them", () => {
  const limits = [{ intervalAtLeast: "30 days", perYear: "0.9" }];
  must(
    add(records.db, "labels", { ...LABEL, name: "Zel", actives: [{ name: "zelol", content: "2 %" }], limits }, "label-000000002"),
  );
  const rounds = ["one", "two", "three"].map((name) => ({ name, label: "label-000000002", rate: "0.3 oz/1000 ft2" }));
  must(saveProgram(records.db, { rounds, soil: [] }));
  const move = (siteId: string, round: string, day: string) =>
    must(moveWork(records.db, { id: `move-${siteId}-${round}`, year: 2026, moves: [{ siteId, round, day }] }));
  move(OTHER, "one", "2026-09-10");
  move(OTHER, "two", "2026-10-20");
  move(OTHER, "three", "2026-11-25");
  move(KEEP, "two", "2026-11-02");
  must(mergeSites(records.db, SAME));
  const fixed = yearOfSite(records.db, { site: KEEP }, [])!.items.map(({ on, fixed: is }) => [is, on] as const);
  // The second has a day of its own, the third would be too soon after that.
  expect(fixed.slice(0, 2)).toEqual([
    [true, "2026-09-10"],
    [true, "2026-11-02"],
  ]);
  expect(fixed[2]![0]).toBe(false);
  expect(lastBatch(records.db, 2026)).toBe(`move-${KEEP}-two`);
});

test("a file that knows the other by its name means the one that stayed", () => {
  must(mergeSites(records.db, SAME));
  const { items } = must(importSiteTable(records.db, `site,zone,area\n"Green, old",North,6000 ft2\n`, {}));
  expect(items[0]).toMatchObject({ key: `site:${KEEP}`, state: "renamed", calledHere: "Green" });
  expect(live()).toEqual(["Green"]);
});

test("what the one doesn't say it takes from the other, whom to mind from both; of seed the stricter day holds", () => {
  const form = { name: "Green", minding: "a dog", notes: "ours", zones: [{ id: `${KEEP}.0`, name: "north", area: "6,200 ft2" }] };
  const seed = { seeded: "2026-03-01", seeding: "2026-10-01" };
  must(put(records.db, "sites", { id: KEEP, form: { ...form, zones: [{ ...form.zones[0], ...seed }] } }));
  const facts = { seeded: "2026-04-01", seeding: "2026-11-01", sodded: "2025-05-05", turf: "rye", irrigation: "1" };
  other({ minding: "bees", notes: "theirs", access: "gate 7", water: true, jurisdiction: "Osselby" }, facts);
  must(mergeSites(records.db, SAME));
  const { site } = findSite(records.db, KEEP)!;
  expect(site).toMatchObject({ precautions: "a dog; bees", notes: "ours", access: "gate 7", waterSource: { fill: true } });
  expect(site.jurisdiction).toBe("Osselby");
  expect(site.zones[0]).toMatchObject({
    area: "6,200 ft2",
    turf: "rye",
    seededOn: "2026-04-01",
    seedingOn: "2026-10-01",
    soddedOn: "2025-05-05",
    irrigationRate: "1 in/h",
  });
});

test("a zone that comes and is called as one that is there gets another name", () => {
  must(mergeSites(records.db, { ...SAME, zones: { ...SAME.zones, [`${OTHER}.0`]: COMES } }));
  expect(findSite(records.db, KEEP)!.site.zones.map((zone) => zone.name)).toEqual([
    "north",
    "south",
    "North of Green, old",
    "back",
  ]);
});

describe("what has to be settled first, and nothing is changed", () => {
  afterEach(() => expect(live()).toContain("Green"));
  test("two sites, and an answer for each zone", () => {
    expect(faults(mergeSites(records.db, { keep: KEEP, other: KEEP }))).toEqual([" wrong-type"]);
    expect(faults(mergeSites(records.db, null))).toEqual([" wrong-type"]);
    expect(faults(mergeSites(records.db, { ...SAME, other: "site-0000000009" }))).toEqual(["other unknown-name"]);
    expect(faults(mergeSites(records.db, { ...SAME, keep: "site-0000000009" }))).toEqual(["keep unknown-name"]);
    expect(faults(mergeSites(records.db, { ...SAME, zones: { [`${OTHER}.0`]: `${OTHER}.1` } }))).toEqual([
      "zones.North not-a-choice",
      "zones.back not-a-choice",
    ]);
  });
  test("whose rules hold and what grows there", () => {
    must(put(records.db, "sites", { id: KEEP, form: { name: "Green", jurisdiction: "Quay", zones: [{ id: `${KEEP}.0`, name: "north", area: "6,200", turf: "fescue" }] } })); // prettier-ignore
    other({ jurisdiction: "Osselby" }, { turf: "rye" });
    expect(faults(mergeSites(records.db, SAME))).toEqual(["jurisdiction not-possible", "zones.North not-possible"]);
    expect(live()).toHaveLength(2);
  });
  test("an open sheet", () => {
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveSheet(records.db, sheet({ stops: [{ siteId: OTHER }] })));
    expect(faults(mergeSites(records.db, SAME))).toEqual(["other out-of-turn"]);
  });
});

test("ground of ten times the size is asked about, and the reason stays on record", () => {
  other({}, { area: "62,000" });
  const refused = mergeSites(records.db, SAME);
  expect(faults(refused)).toEqual(["why reason-needed"]);
  expect(refused.ok ? "" : refused.issues[0]!.received).toBe("North of 62,000 sq ft there, north of 6,200 sq ft here");
  expect(faults(mergeSites(records.db, { ...SAME, why: "a" }))).toEqual(["why reason-needed"]);
  must(mergeSites(records.db, { ...SAME, why: "only a tenth of it is sprayed" }));
  const was = records.db.$client
    .prepare("select was from revisions where record_id = ? and was like '%mergedInto%'")
    .pluck()
    .all(OTHER);
  expect(was.map((one) => JSON.parse(one as string) as object)).toMatchObject([
    { mergedInto: KEEP, why: "only a tenth of it is sprayed" },
  ]);
});

test("a zone of the other that is two here brings its history to both", () => {
  other({}, { area: "8000" });
  down("entry-000000001", OTHER, `${OTHER}.0`);
  must(mergeSites(records.db, { ...SAME, zones: { [`${OTHER}.0`]: `${KEEP}.0,${KEEP}.1`, [`${OTHER}.1`]: COMES } }));
  const counted = countedOf(records.db, [KEEP]);
  for (const zone of [`${KEEP}.0`, `${KEEP}.1`]) expect(counted.filter((one) => one.zoneIds.includes(zone))).toHaveLength(1);
  expect(faults(mergeSites(records.db, { keep: OTHER, other: KEEP, zones: {} })).length).toBeGreaterThan(0);
});
