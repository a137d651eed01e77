import { afterWork, saveWatering, strikeWatering } from "./after-work";
import { holdClock } from "./clock";
import { put } from "./keep-up";
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

describe("two of everything", () => {
  const slip = "site-0000000002";
  const other = "label-000000002";
  const entry = (id: string, more: object = {}) =>
    must(saveApplication(records.db, { id, date: "2026-09-01", siteId: ids.sites, zoneId: `${ids.sites}.0`, labelId: ids.labels, amount: "1 oz", personId: null, note: "", corrects: null, facts: {}, ...more })); // prettier-ignore
  beforeEach(() => {
    must(add(records.db, "sites", { name: "Slip", waters: "client", zones: [{ name: "front", area: "900", irrigation: "0.5 in/h" }, { name: "back", area: "400" }] }, slip)); // prettier-ignore
    must(add(records.db, "labels", { ...LABEL, name: "Asks nothing" }, other));
  });

  test.each([
    ["keep dry", { keepDry: "6 h" }],
    ["water at least", { waterLeast: "0.25 in" }],
    ["water within", { waterLeast: "0.25 in", waterWithin: "24 h" }],
    ["stay off", { reentry: "12 h" }],
    ["mow after", { mowAfter: "2 days" }],
  ])("%s alone is owed", (_what, asks) => {
    must(put(records.db, "labels", { id: ids.labels, form: { ...LABEL, ...asks } }));
    entry("entry-00000001");
    expect(afterWork(records.db).map((one) => one.cards)).toEqual([[expect.objectContaining({ name: "Granule", ...asks })]]);
  });

  test("what asks nothing is owed nothing; beside something that does it is named with it", () => {
    entry("entry-00000001", { labelId: other });
    expect(afterWork(records.db)).toEqual([]);
    entry("entry-00000002");
    expect(afterWork(records.db).map((one) => one.cards.map((card) => card.name).sort())).toEqual([["Asks nothing", "Granule"]]);
  });

  test("each site with its own zones, who waters there, how fast, and its own water", () => {
    entry("entry-00000001", { zoneId: `${ids.sites}.1` });
    entry("entry-00000002", { siteId: slip, zoneId: `${slip}.0` });
    must(water({ siteIds: [slip] }));
    const [green, second] = [...afterWork(records.db)].sort((a, b) => a.site.localeCompare(b.site));
    expect(green).toMatchObject({
      siteId: ids.sites,
      site: "Green",
      waterer: null,
      waters: [],
      zones: [{ name: "south", irrigation: null }],
    });
    expect(second).toMatchObject({
      siteId: slip,
      site: "Slip",
      waterer: "client",
      waters: [{ depth: "0.3 in" }],
      zones: [{ name: "front", irrigation: "0.5 in/h" }],
    });
  });

  test("tanks of one day that ended at different hours are two; one that ended here earlier and there later has both", () => {
    entry("entry-00000001", { facts: { ended: "09:15" } });
    entry("entry-00000002", { zoneId: `${ids.sites}.1`, facts: { ended: "16:40" } });
    expect(
      afterWork(records.db)
        .map((one) => one.earliest)
        .sort(),
    ).toEqual(["2026-09-01T09:15:00.000Z", "2026-09-01T16:40:00.000Z"]);
    expect(afterWork(records.db).every((one) => one.hourKnown && one.earliest === one.latest)).toBe(true);
  });

  test.each<[string, object, string]>([
    ["no id", { id: "x" }, " wrong-type"],
    ["no list", { siteIds: ids.sites }, " wrong-type"],
    ["no site", { siteIds: [] }, " wrong-type"],
    ["a site of no kind among others", { siteIds: [ids.sites, 7] }, " wrong-type"],
    ["more sites than get one rain", { siteIds: Array.from({ length: 501 }, () => ids.sites) }, " wrong-type"],
    ["a depth of no kind", { depth: 7 }, "depth not-text"],
  ])("%s is no water that was measured", (_what, more, expected) => expect(faults(water(more))).toEqual([expected]));

  test("rain on two sites is two measurements, and each is struck by itself; a striking is none", () => {
    must(water({ siteIds: [ids.sites, slip] }));
    entry("entry-00000001");
    entry("entry-00000002", { siteId: slip, zoneId: `${slip}.0` });
    must(strikeWatering(records.db, { id: "strike-0000001", strikes: "water-00000001.1" }));
    expect(faults(strikeWatering(records.db, { id: "strike-0000002", strikes: "strike-0000001" }))).toEqual([
      "strikes unknown-name",
    ]);
    expect(faults(strikeWatering(records.db, { id: "x", strikes: "water-00000001.0" }))).toEqual([" wrong-type"]);
    expect(faults(strikeWatering(records.db, { id: "strike-0000002", strikes: 7 }))).toEqual([" wrong-type"]);
    expect(Object.fromEntries(afterWork(records.db).map((one) => [one.site, one.waters.length]))).toEqual({ Green: 1, Slip: 0 });
  });
});
