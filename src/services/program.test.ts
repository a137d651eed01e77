import { putSetting } from "@/records/settings";
import { putSite } from "@/records/sites";
import { readSlice } from "./slices/read-slice";
import { holdClock } from "./clock";
import { put } from "./keep-up";
import { dueToday, programOf, saveProgram } from "./program";
import { saveApplication, voidApplication } from "./save-application";
import { faults, freshRecords, ids, LABEL, must, NOW, town } from "./testing/town";

const records = freshRecords();
const OTHER = "label-000000002";
const PROGRAM = {
  rounds: [
    { name: "first half", label: ids.labels, opens: { date: "08-01" }, closes: { date: "10-15" }, afterSeeding: "60 days" },
    { name: "second half", label: ids.labels, after: { round: "first half", atLeast: "35 days", atMost: "70 days" } },
    { name: "fescue only", label: OTHER, turf: "Fescue", opens: { soilFallsTo: "70 F" } },
  ],
  soil: [] as { date: string; temperature: string }[],
};
beforeEach(() => {
  town(records.db);
  must(put(records.db, "labels", { id: OTHER, form: { ...LABEL, name: "Other" } }));
  const zones = [{ name: "lawn", area: "1000 ft2", "x-turf": "fescue" }];
  putSite(records.db, "site-0000000002", { name: "Pier", zones } as never, NOW);
});
const on = (date: string, id: string, zoneId: string, siteId: string = ids.sites) =>
  must(saveApplication(records.db, { id, date, siteId, zoneId, labelId: ids.labels, amount: "1 oz", personId: null, note: "", corrects: null })); // prettier-ignore
/** On both zones of the green. */
const down = (date: string, id: string) => [0, 1].forEach((zone) => on(date, `${id}${zone}`, `${ids.sites}.${zone}`));
const due = () => dueToday(records.db).items.map(({ site, round, state }) => `${site}: ${round} ${state}`);

test("without a program nothing is due; with one, what is open on which site", () => {
  expect(dueToday(records.db)).toEqual({ date: "2026-09-02", rounds: [], items: [], more: 0 });
  must(saveProgram(records.db, PROGRAM));
  expect(programOf(records.db)).toEqual(PROGRAM);
  expect(due()).toEqual(["Green: first half due", "Pier: first half due"]);
  expect(dueToday(records.db).rounds.map(({ counts }) => counts)).toEqual([{ due: 2 }, { waits: 2 }, { "too-early": 1 }]);
});

test("of two rounds with one product the first application of the year is the first, the next one the second", () => {
  must(saveProgram(records.db, PROGRAM));
  holdClock("2026-08-05T10:00:00.000Z");
  down("2026-08-05", "entry-000000001");
  expect(due()).toEqual(["Pier: first half due"]);
  holdClock("2026-09-09T10:00:00.000Z");
  // What ends soonest stands first: 5 August and 70 days is the day before the other's last.
  expect(due()).toEqual(["Green: second half due", "Pier: first half due"]);
  holdClock("2026-10-20T10:00:00.000Z");
  expect(due()).toEqual(["Green: second half overdue"]);
  down("2026-10-20", "entry-000000002");
  expect(due()).toEqual([]);
  // What was struck was not done.
  must(voidApplication(records.db, { id: "void-000000001", corrects: "entry-0000000021", why: "rained off" }));
  expect(due()).toEqual(["Green: second half overdue"]);
});

describe("zone by zone", () => {
  const left = () => dueToday(records.db).items.map((item) => [item.site, item.round, item.left?.map(({ name }) => name)]);
  beforeEach(() => {
    must(saveProgram(records.db, PROGRAM));
    holdClock("2026-08-06T10:00:00.000Z");
    on("2026-08-03", "entry-000000001", `${ids.sites}.0`);
  });
  test("a round is done when the last zone has had it: two zones on two days are one half, not two", () => {
    expect(left()).toEqual([
      ["Green", "first half", ["south"]],
      ["Pier", "first half", undefined],
    ]);
    on("2026-08-05", "entry-000000002", `${ids.sites}.1`);
    expect(left().map(([site]) => site)).toEqual(["Pier"]);
    expect(dueToday(records.db).rounds[1]!.counts).toEqual({ "too-early": 1, waits: 1 });
    // The days from the first half on are those of the zone that had it last.
    holdClock("2026-09-08T10:00:00.000Z");
    expect(due()).toEqual(["Pier: first half due"]);
    holdClock("2026-09-09T10:00:00.000Z");
    expect(due()).toContain("Green: second half due");
  });
  test("what went down on ground counts for the zone that is that ground now, and a zone that is new has had nothing", () => {
    const redrawn = [
      { name: "putting green", area: "6,250", ground: `${ids.sites}.0` },
      { name: "south", area: "1800 sq ft", id: `${ids.sites}.1` },
      { name: "tee", area: "400", ground: "new" },
    ];
    must(put(records.db, "sites", { id: ids.sites, form: { name: "Green", zones: redrawn } }));
    expect(left()[0]).toEqual(["Green", "first half", ["south", "tee"]]);
  });
  test("rounds of one product for two turfs are each done on their own", () => {
    const [first] = PROGRAM.rounds;
    const turfs = ["bent", "fescue"].map((turf) => ({ ...first, name: turf, turf, afterSeeding: undefined }));
    must(saveProgram(records.db, JSON.parse(JSON.stringify({ rounds: turfs, soil: [] }))));
    const zones = [
      { name: "north", area: "6,200", turf: "bent", id: `${ids.sites}.0` },
      { name: "south", area: "1800 sq ft", turf: "fescue", id: `${ids.sites}.1` },
    ];
    must(put(records.db, "sites", { id: ids.sites, form: { name: "Green", zones } }));
    on("2026-08-04", "entry-000000002", `${ids.sites}.1`);
    expect(dueToday(records.db).rounds.map(({ counts }) => counts)).toEqual([{ done: 1 }, { done: 1, due: 1 }]);
  });
});

test("the soil opens a round for the turf that it is for; seed that is too young blocks", () => {
  const soil = [28, 29, 30, 31].map((day) => ({ date: `2026-08-${day}`, temperature: "69 F" }));
  must(saveProgram(records.db, { ...PROGRAM, soil: [...soil, { date: "2026-09-01", temperature: "20 C" }] }));
  expect(due()).toEqual(["Green: first half due", "Pier: first half due", "Pier: fescue only due"]);
  const seeded = [{ name: "lawn", area: "1000 ft2", "x-turf": "fescue", "x-seeded": "2026-08-01" }];
  putSite(records.db, "site-0000000002", { name: "Pier", zones: seeded } as never, NOW);
  expect(due()).toEqual(["Green: first half due", "Pier: fescue only due"]);
  expect(dueToday(records.db).rounds[0]!.counts).toEqual({ due: 1, blocked: 1 });
});

test("what stood before stays on record; what is wrong is told at its place, and nothing is changed", () => {
  must(saveProgram(records.db, PROGRAM));
  must(saveProgram(records.db, PROGRAM));
  must(saveProgram(records.db, { rounds: [], soil: [] }));
  const kept = records.db.$client.prepare("select was from revisions where kind = 'program'").pluck().all();
  expect(kept.map((was) => JSON.parse(was as string) as unknown)).toEqual([PROGRAM]);
  const [first] = PROGRAM.rounds;
  expect(faults(saveProgram(records.db, { ...PROGRAM, rounds: [{ ...first, label: "label-000000009" }] }))).toEqual(["rounds[0].label unknown-name"]); // prettier-ignore
  expect(faults(saveProgram(records.db, { ...PROGRAM, rounds: [{ ...first, opens: { date: "13-01" } }, { label: OTHER }] })).sort()).toEqual(["rounds[0].opens.date bad-date", "rounds[1].name missing"]); // prettier-ignore
  expect(faults(saveProgram(records.db, { ...PROGRAM, rounds: [first, first] }))).toEqual(["rounds[1].name duplicate-name"]);
  expect(faults(saveProgram(records.db, null))).toEqual([" wrong-type"]);
  expect(faults(saveProgram(records.db, { rounds: [] }))).toEqual(["soil missing"]);
  expect(programOf(records.db)).toEqual({ rounds: [], soil: [] });
});

test.each([["{"], ["[]"], [`{"rounds":[{"name":"a"}],"soil":[]}`], ["null"]])(
  "a program that can't be read (%s) is set aside and takes nothing with it; saved anew it is one",
  (raw) => {
    putSetting(records.db, "program", raw, NOW);
    expect(dueToday(records.db).rounds).toEqual([]);
    expect(readSlice(records.db, "/api/read/due")!.aside).toMatchObject([{ of: "setting", id: "program", raw }]);
    must(saveProgram(records.db, PROGRAM));
    expect(programOf(records.db)).toEqual(PROGRAM);
  },
);
