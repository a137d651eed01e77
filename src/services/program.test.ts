import { putSetting } from "@/records/settings";
import { putSite } from "@/records/sites";
import { readSlice } from "./slices/read-slice";
import { holdClock } from "./clock";
import { put } from "./keep-up";
import { stationAt } from "@/formats/season/program";
import { firm } from "./slices/upkeep";
import { yearNow } from "./year";
import { localRules, saveLocalRules } from "./local-rules";
import { dueToday, giveToRound, programNow, programOf, saveProgram } from "./program";
import { recordSheet } from "./record-sheet";
import { saveApplication, voidApplication } from "./save-application";
import { saveCalibration } from "./save-calibration";
import { saveSheet } from "./save-sheet";
import { faults, freshRecords, ids, LABEL, must, NOW, session, sheet, town } from "./testing/town";

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
  const zones = [{ name: "lawn", area: "1000 ft2", turf: "fescue" }];
  putSite(records.db, "site-0000000002", { name: "Pier", zones } as never, NOW);
});
const on = (date: string, id: string, zoneId: string, siteId: string = ids.sites) =>
  must(saveApplication(records.db, { id, date, siteId, zoneId, labelId: ids.labels, amount: "1 oz", personId: null, note: "", corrects: null })); // prettier-ignore
/** On both zones of the green. */
const down = (date: string, id: string) => [0, 1].forEach((zone) => on(date, `${id}${zone}`, `${ids.sites}.${zone}`));
const due = () => dueToday(records.db).items.map(({ site, round, state }) => `${site}: ${round} ${state}`);

test("without a program nothing is due; with one, what is open on which site", () => {
  expect(dueToday(records.db)).toEqual({ date: "2026-09-02", rounds: [], items: [], more: 0, unclear: [] });
  must(saveProgram(records.db, PROGRAM));
  expect(programOf(records.db)).toMatchObject(PROGRAM);
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

describe("a record is of its round", () => {
  const KNOWN = {
    name: "first half",
    label: ids.labels,
    rate: "0.3 oz/1000 ft2",
    opens: { date: "08-01" },
    closes: { date: "10-15" },
  };
  const LATE = { ...KNOWN, name: "second half", opens: { date: "08-01" }, closes: { date: "11-30" } };
  const doneIn = () => dueToday(records.db).rounds.map(({ name, counts }) => [name, counts.done ?? 0]);
  const idOf = (name: string) => programOf(records.db).rounds.find((round) => round.name === name)!.id!;
  const entry = (id: string, date: string, zone: number, amount: string, more: object = {}) =>
    must(saveApplication(records.db, { id, date, siteId: ids.sites, zoneId: `${ids.sites}.${zone}`, labelId: ids.labels, amount, personId: null, note: "", corrects: null, ...more })); // prettier-ignore
  const give = (recordId: string, round: string | null, id = `given-${recordId}`) =>
    giveToRound(records.db, { id, recordId, round });
  beforeEach(() => {
    holdClock("2026-09-02T10:00:00.000Z");
    must(saveProgram(records.db, { rounds: [KNOWN, LATE], soil: [] }));
  });

  test("what was mixed for a round is of it, also where another of its product comes first, and whatever it is called later", () => {
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    const choice = { row: 0, point: "typed", round: idOf("second half") };
    must(saveSheet(records.db, sheet({ products: [{ labelId: ids.labels, rate: "0.3 oz/1000 ft2", choice }] })));
    must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true }));
    expect(doneIn()).toEqual([
      ["first half", 0],
      ["second half", 1],
    ]);
    must(saveProgram(records.db, { rounds: [KNOWN, { ...LATE, name: "autumn feed", "x-was": "second half" }], soil: [] }));
    expect(doneIn()[1]).toEqual(["autumn feed", 1]);
  });
  test("a pinch of it, or a spot, marks nothing done; a part is told, and the rest of the ground makes it whole", () => {
    [0, 1].forEach((zone) => entry(`entry-pinch-000${zone}`, "2026-09-01", zone, "0.01 oz"));
    expect(doneIn()[0]![1]).toBe(0);
    entry("entry-000000001", "2026-09-01", 1, "0.3 oz/1000 ft2");
    entry("entry-000000002", "2026-09-01", 0, "0.3 oz/1000 ft2", { covered: "3,720 sq ft" });
    const left = () => dueToday(records.db).items.find((item) => item.site === "Green")!.left;
    expect(left()).toEqual([{ id: `${ids.sites}.0`, name: "north", had: expect.closeTo(0.6, 6) as number }]);
    entry("entry-000000003", "2026-09-02", 0, "0.3 oz/1000 ft2", { covered: "2,400 sq ft" });
    expect(doneIn()[0]![1]).toBe(1);
  });
  test("outside its window it is asked about once, and the answer stands beside the record", () => {
    const unclear = () => dueToday(records.db).unclear.map(({ recordId, round, zone }) => [recordId, round, zone]);
    [0, 1].forEach((zone) => entry(`entry-early-000${zone}`, "2026-07-20", zone, "0.3 oz/1000 ft2"));
    expect(doneIn()[0]![1]).toBe(0);
    expect(unclear()).toEqual([
      ["entry-early-0000", "first half", "north"],
      ["entry-early-0001", "first half", "south"],
    ]);
    expect(faults(give("entry-early-0000", "round.none"))).toEqual(["round unknown-name"]);
    expect(faults(give("entry-early-9999", null))).toEqual(["recordId unknown-name"]);
    must(give("entry-early-0000", idOf("first half")));
    must(give("entry-early-0000", idOf("first half")));
    expect(faults(give("entry-early-0000", null))).toEqual(["id kept-otherwise"]);
    must(give("entry-early-0001", null));
    expect(unclear()).toEqual([]);
    expect(doneIn()[0]![1]).toBe(0);
    // The newest word counts, also on what was corrected since.
    entry("entry-early-0002", "2026-07-20", 1, "0.31 oz/1000 ft2", { corrects: "entry-early-0001", why: "read again" });
    holdClock("2026-09-02T11:00:00.000Z");
    must(give("entry-early-0001", idOf("first half"), "given-000000002"));
    expect(doneIn()[0]![1]).toBe(1);
    expect(() => records.db.$client.exec("delete from rounds_given")).toThrow(/append-only/);
  });
  test("what was inferred stays so when the window changes after it: kept once, marked, and a person's word after it counts", () => {
    [0, 1].forEach((zone) => entry(`entry-0000000${zone}`, "2026-09-01", zone, "0.3 oz/1000 ft2"));
    expect(doneIn()[0]![1]).toBe(1);
    const kept = () =>
      records.db.$client.prepare("select record_id, round, inferred from rounds_given order by record_id").raw().all();
    expect(kept()).toEqual([]);
    const later = { ...KNOWN, opens: { date: "09-02" }, closes: { date: "11-30" } };
    must(saveProgram(records.db, { rounds: [later, LATE], soil: [] }));
    must(saveProgram(records.db, { rounds: [{ ...later, rate: "3 oz/1000 ft2" }, LATE], soil: [] }));
    expect(doneIn()).toEqual([
      ["first half", 1],
      ["second half", 0],
    ]);
    expect(kept()).toEqual(["entry-00000000", "entry-00000001"].map((id) => [id, idOf("first half"), 1]));
    holdClock("2026-09-02T11:00:00.000Z");
    must(give("entry-00000000", null));
    expect(doneIn()[0]![1]).toBe(0);
  });
  test("a record of a round that is no more, or never was, is inferred like one that knows none", () => {
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    const choice = { row: 0, point: "typed", round: idOf("first half") };
    must(saveSheet(records.db, sheet({ products: [{ labelId: ids.labels, rate: "0.3 oz/1000 ft2", choice }] })));
    must(recordSheet(records.db, "sheet-0000000001", { date: "2026-09-02", all: true }));
    must(saveProgram(records.db, { rounds: [LATE], soil: [] }));
    expect(doneIn()).toEqual([["second half", 1]]);
  });
  test("a new round under a name that another one had until now is another; two that change names keep what was done", () => {
    [0, 1].forEach((zone) => entry(`entry-0000000${zone}`, "2026-09-01", zone, "0.3 oz/1000 ft2"));
    [0, 1].forEach((zone) => must(give(`entry-0000000${zone}`, idOf("first half"))));
    const [first, second] = [idOf("first half"), idOf("second half")];
    const swapped = [
      { ...KNOWN, name: "second half", "x-was": "first half" },
      { ...LATE, name: "first half", "x-was": "second half" },
    ];
    must(saveProgram(records.db, { rounds: swapped, soil: [] }));
    expect(programOf(records.db).rounds.map(({ id }) => id)).toEqual([first, second]);
    expect(doneIn()).toEqual([
      ["second half", 1],
      ["first half", 0],
    ]);
    must(saveProgram(records.db, { rounds: [{ ...KNOWN, name: "feed", "x-was": "second half" }, { ...KNOWN, name: "second half" }], soil: [] })); // prettier-ignore
    const [feed, anew] = programOf(records.db).rounds.map(({ id }) => id);
    expect([feed, [first, second].includes(anew!)]).toEqual([first, false]);
    expect(doneIn()[0]).toEqual(["feed", 1]);
  });
  test("a program of before rounds had ids keeps what was done by the names that they had", () => {
    putSetting(records.db, "program", JSON.stringify({ rounds: [KNOWN], soil: [] }), NOW);
    const old = dueToday(records.db).rounds[0]!.id;
    must(saveProgram(records.db, { rounds: [{ ...KNOWN, name: "feed", "x-was": "first half" }], soil: [] }));
    expect(programOf(records.db).rounds[0]!.id).toBe(old);
  });
});

test("the soil opens a round for the turf that it is for; seed that is too young blocks", () => {
  const soil = [28, 29, 30, 31].map((day) => ({ date: `2026-08-${day}`, temperature: "69 F" }));
  must(saveProgram(records.db, { ...PROGRAM, soil: [...soil, { date: "2026-09-01", temperature: "20 C" }] }));
  expect(due()).toEqual(["Green: first half due", "Pier: first half due", "Pier: fescue only due"]);
  const seeded = [{ name: "lawn", area: "1000 ft2", turf: "fescue", seededOn: "2026-08-01" }];
  putSite(records.db, "site-0000000002", { name: "Pier", zones: seeded } as never, NOW);
  expect(due()).toEqual(["Green: first half due", "Pier: fescue only due"]);
  expect(dueToday(records.db).rounds[0]!.counts).toEqual({ due: 1, blocked: 1 });
});

describe("stations", () => {
  const days = (degrees: string) => [28, 29, 30, 31].map((day) => ({ date: `2026-08-${day}`, temperature: degrees }));
  const soil = (degrees: string) => [...days(degrees), { date: "2026-09-01", temperature: degrees }];
  const [, , fescue] = PROGRAM.rounds;
  const program = (more: object) => ({
    rounds: [{ ...fescue, turf: undefined, opens: { soilFallsTo: "70 F" } }],
    soil: soil("80 F"),
    ...more,
  });
  const save = (more: object) => saveProgram(records.db, JSON.parse(JSON.stringify(program(more))));
  const gate = (id: string, gateAt: string, name: string) =>
    putSite(records.db, id, { name, entrance: gateAt, zones: [{ name: "lawn", area: "1000 ft2" }] } as never, NOW);
  beforeEach(() => {
    gate(ids.sites, "40.10, -75.00", "Green");
    gate("site-0000000002", "40.30, -75.00", "Pier");
    putSite(records.db, "site-0000000003", { name: "Nowhere", zones: [{ name: "lawn", area: "1000 ft2" }] } as never, NOW);
  });
  const hill = { name: "the hill", place: "40.29, -75.01", soil: soil("65 F") };
  test("a site goes by the one that is nearest to its gate, where no place is known by the firm's own", () => {
    must(save({ place: "40.11, -75.0", stations: [hill] }));
    expect(due()).toEqual(["Pier: fescue only due"]);
    const { sites, year } = yearNow(records.db);
    const laidOut = year.items.map(({ site, on: day, reasons }) => [sites[site]!.name, day ?? reasons.join()]);
    expect(laidOut.sort()).toEqual([
      ["Green", "soil-unknown"],
      ["Nowhere", "soil-unknown"],
      ["Pier", "2026-09-02"],
    ]);
    expect(yearNow(records.db).year.windows.map(([one]) => one!.opens)).toEqual([undefined, "2026-09-01"]);
    // Without a place of its own the firm's series is that of sites of no place.
    must(save({ stations: [hill] }));
    expect(due().sort()).toEqual(["Green: fescue only due", "Pier: fescue only due"]);
    must(save({ stations: [] }));
    expect(due()).toEqual([]);
  });
  test("what is wrong with one is told at its place", () => {
    expect(faults(save({ stations: [hill, { ...hill, name: "The Hill" }] }))).toEqual(["stations[1].name duplicate-name"]);
    expect(faults(save({ place: "here", stations: [{ ...hill, place: "north" }] })).sort()).toEqual(["place wrong-type", "stations[0].place wrong-type"]); // prettier-ignore
    expect(faults(save({ stations: [{ name: "x", place: hill.place, soil: [...days("60 F"), ...days("60 F")] }] }))[0]).toBe("stations[0].soil[4].date duplicate-name"); // prettier-ignore
    const air = [{ date: "2026-08-01", least: "70 F", most: "60 F" }];
    expect(faults(save({ stations: [{ ...hill, air }] }))).toEqual(["stations[0].air[0].least contradiction"]);
    expect(faults(save({ stations: Array.from({ length: 21 }, (_, i) => ({ ...hill, name: `s${i}` })) }))).toEqual(["stations too-many"]); // prettier-ignore
  });
  test("a device holds the weather of a place against what was read nearest to it", () => {
    must(save({ place: "40.11, -75.0", stations: [hill] }));
    const told = firm(records.db, {}, []);
    expect(told.place).toBe("40.11, -75.0");
    expect([told.before.soil!, told.stations![0]!.before.soil!].map((soil) => soil.toFixed(1))).toEqual(["26.7", "18.3"]);
    const at = stationAt(told);
    expect([at("40.3, -75.0"), at("40.1, -75"), at(null), at("x")]).toEqual([0, undefined, undefined, undefined]);
  });
});

test("a reading of tomorrow is none", () => {
  const ahead = [{ date: "2026-09-03", temperature: "60 F" }];
  const station = { name: "the hill", place: "41.88, -87.61", soil: ahead };
  expect(faults(saveProgram(records.db, { ...PROGRAM, soil: ahead }))).toEqual(["soil[0].date bad-date"]);
  expect(faults(saveProgram(records.db, { ...PROGRAM, stations: [station] }))).toEqual(["stations[0].soil[0].date bad-date"]);
  must(saveProgram(records.db, { ...PROGRAM, soil: [{ date: "2026-09-02", temperature: "60 F" }] }));
});
test("the program and the rules are saved over knowingly alone: a stale tab is told", () => {
  const program = (more: object) => saveProgram(records.db, { ...PROGRAM, ...more });
  const revision = () => programNow(records.db)["x-revision"];
  expect(revision()).toBe(1);
  must(program({ "x-revision": 1 }));
  expect(revision()).toBe(2);
  must(program({ soil: [{ date: "2026-09-01", temperature: "60 F" }], "x-revision": 2 }));
  expect(faults(program({ rounds: [], "x-revision": 2 }))).toEqual([" changed-meanwhile"]);
  expect(programOf(records.db).soil).toHaveLength(1);
  // An answer that got lost is asked again, and what stands is what was asked for.
  must(program({ soil: [{ date: "2026-09-01", temperature: "60 F" }], "x-revision": 2 }));
  must(program({ rounds: [], "x-revision": 3 }));
  const rules = (wind: string, more: object) => saveLocalRules(records.db, { rules: [{ wind }], ...more });
  must(rules("8 mph", { "x-revision": 1 }));
  must(rules("7 mph", { "x-revision": 2 }));
  expect(faults(rules("9 mph", { "x-revision": 2 }))).toEqual([" changed-meanwhile"]);
  expect(localRules(records.db)).toEqual({ rules: [{ wind: "7 mph" }] });
});

test("what stood before stays on record; what is wrong is told at its place, and nothing is changed", () => {
  must(saveProgram(records.db, PROGRAM));
  must(saveProgram(records.db, PROGRAM));
  must(saveProgram(records.db, { rounds: [], soil: [] }));
  const kept = records.db.$client.prepare("select was from revisions where kind = 'program'").pluck().all();
  expect(kept.map((was) => JSON.parse(was as string) as unknown)).toMatchObject([PROGRAM]);
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
    expect(programOf(records.db)).toMatchObject(PROGRAM);
  },
);
