import type { IncidentEntry } from "@/formats/entries";
import { incidents as incidentsSlice, incidentsOut } from "./slices/incidents";
import { saveIncident } from "./save-incident";
import { evidenceState } from "@/records/evidence";
import { faults, freshRecords, ids, must, NOW, town } from "./testing/town";

const records = freshRecords();
beforeEach(() => town(records.db));
const told = (more: object = {}) => ({
  ...{
    id: "incident-00001",
    kind: "spill",
    date: NOW.slice(0, 10),
    siteId: ids.sites,
    labelId: ids.labels,
    personId: ids.people,
  },
  ...{ says: { what: " A jug fell over. ", time: "14:05", told: "" }, corrects: null },
  ...more,
});
const save = (more?: object) => saveIncident(records.db, told(more));
const listed = (asked: object = {}): readonly IncidentEntry[] => incidentsSlice(records.db, asked, []).rows;

test("what went wrong stands on record with its place, product and person; sent again it is the same, and nothing takes it away", () => {
  must(save());
  must(save());
  expect(listed()).toMatchObject([
    { kind: "spill", site: "Green", product: "Granule", says: { what: "A jug fell over.", time: "14:05" }, corrects: null },
  ]);
  expect(faults(save({ says: { what: "Another" } }))).toEqual(["id kept-otherwise"]);
  for (const sql of ["delete from incidents", "update incidents set date = '2020-01-01'"])
    expect(() => records.db.$client.exec(sql)).toThrow(/append-only/);
  expect(evidenceState(records.db)).toMatchObject({ broken: null, outside: {} });
});

test("told anew the newest telling is shown, once; the first stays", () => {
  must(save());
  must(save({ id: "incident-00002", corrects: "incident-00001", says: { what: "Two jugs fell over." } }));
  expect(listed().map(({ id }) => id)).toEqual(["incident-00002"]);
  expect(faults(save({ id: "incident-00003", corrects: "incident-00001" }))).toEqual(["corrects already-done"]);
  expect(records.db.$client.prepare("select count(*) from incidents").pluck().get()).toBe(2);
});

test.each([
  [{ date: "2026-02-30" }, "date bad-date"],
  [{ date: "2999-01-01" }, "date bad-date"],
  [{ kind: "fire" }, "kind not-a-choice"],
  [{ says: { what: "  " } }, "says.what wrong-type"],
  [{ says: {} }, "says.what missing"],
  [{ says: { what: "x", time: "25:00" } }, "says.time wrong-type"],
  [{ says: { what: "x", blame: "y" } }, "says.blame wrong-type"],
  [{ siteId: "site-of-nobody" }, "siteId unknown-name"],
  [{ labelId: "label-of-nobody" }, "labelId unknown-name"],
  [{ personId: "person-of-nobody" }, "personId unknown-name"],
  [{ corrects: "incident-99999" }, "corrects unknown-name"],
  [{ siteId: undefined }, " wrong-type"],
])("%j is refused, and nothing is kept", (more, fault) => {
  expect(faults(save(more))).toEqual([fault]);
  expect(listed()).toEqual([]);
});

test("they go out with the days and the site that are asked for", () => {
  must(save());
  must(save({ id: "incident-00002", siteId: null, date: "2026-03-01" }));
  const out = (asked: object) => incidentsOut(records.db, asked).map(({ id }) => id);
  expect(out({})).toEqual(["incident-00001", "incident-00002"]);
  expect(out({ site: ids.sites })).toEqual(["incident-00001"]);
  expect(out({ to: "2026-06-30" })).toEqual(["incident-00002"]);
});
