import { moveWork, shiftSeason, undoMoves } from "./move-work";
import { programOf, saveProgram } from "./program";
import { holdClock } from "./clock";
import { saveApplication } from "./save-application";
import { week, yearEntry, yearOfSite } from "./slices/season";
import { add, faults, freshRecords, ids, LABEL, must, town } from "./testing/town";
import { yearNow } from "./year";

const records = freshRecords();
const CARD = {
  ...LABEL,
  actives: [{ name: "Zelol", content: "2 %" }],
  limits: [{ perYear: "0.5 oz/1000 ft2", intervalAtLeast: "30 days" }],
};
const ROUNDS = [
  { name: "spring", label: ids.labels, rate: "0.3 oz/1000 ft2", opens: { date: "03-02" }, closes: { date: "05-15" } },
  { name: "feed", label: "label-000000002", opens: { date: "04-06" }, closes: { date: "04-30" } },
];

function january(rounds: readonly object[] = ROUNDS): void {
  holdClock("2026-01-05T10:00:00.000Z");
  town(records.db);
  must(add(records.db, "labels", { ...LABEL, name: "Feed" }, "label-000000002"));
  must(add(records.db, "labels", { ...CARD, name: "Zel" }, "label-000000003"));
  must(
    saveProgram(records.db, {
      rounds: rounds.map((one) => ({
        ...one,
        label: (one as { label: string }).label === ids.labels ? "label-000000003" : "label-000000002",
      })),
      soil: [],
      work: { perDay: "2000 ft2" },
    }),
  );
}
const days = () => yearNow(records.db).year.items.map(({ on, reasons }) => on ?? reasons.join());
const move = (round: string, day: string | null, id = `move-${round}-${day}`) =>
  moveWork(records.db, { id, year: 2026, moves: [{ siteId: ids.sites, round, day }] });

test("a rate of a round is one for an area, as its label writes it", () => {
  town(records.db);
  const save = (rate: string) => faults(saveProgram(records.db, { rounds: [{ ...ROUNDS[0], rate }], soil: [] }));
  expect(save("0.3 fl oz/1000 ft2")).toEqual(["rounds[0].rate volume-on-dry"]);
  expect(save("2 oz/gal")).toEqual(["rounds[0].rate no-area"]);
  expect(save("much")).toEqual(["rounds[0].rate not-a-number"]);
  expect(save("0.3 oz/1000 ft2")).toEqual([]);
});

test("the year lies ahead in January: the day of each round, how much ground, and the week that it is in", () => {
  january();
  expect(days()).toEqual(["2026-03-02", "2026-04-06"]);
  const { rounds, perDay } = yearEntry(records.db, {}, []);
  expect(rounds.map(({ planned, counted }) => [planned.map(([day, sites]) => [day, sites]), counted])).toEqual([
    [[["2026-03-02", 1]], true],
    [[["2026-04-06", 1]], false],
  ]);
  expect(perDay).toBeCloseTo(185.8, 1);
  const days7 = week(records.db, { from: "2026-03-04" }, [])!.days;
  expect(days7.map(({ date, works, items }) => [date.slice(8), works, items.length])).toEqual([
    ["02", true, 1],
    ["03", true, 0],
    ["04", true, 0],
    ["05", true, 0],
    ["06", true, 0],
    ["07", false, 0],
    ["08", false, 0],
  ]);
});

test("a round is moved, and moved back; what a label holds is refused, with the reason, and nothing is kept", () => {
  january([...ROUNDS, { name: "again", label: ids.labels, rate: "0.2 oz/1000 ft2", opens: { date: "05-01" } }]);
  expect(days()).toEqual(["2026-03-02", "2026-04-06", "2026-05-01"]);
  const moved = must(move("spring", "2026-03-10"));
  expect(moved).toMatchObject({ moved: 1, worse: [], better: [] });
  expect(days()[0]).toBe("2026-03-10");
  // 30 days apart, says the label.
  const refused = move("again", "2026-03-20");
  expect(refused).toMatchObject({
    ok: false,
    issues: [{ code: "held", received: expect.stringContaining("the year's plan has its active on 2026-03-10") }],
  });
  expect(days()).toEqual(["2026-03-10", "2026-04-06", "2026-05-01"]);
  const { undo } = yearEntry(records.db, {}, []);
  expect(undo).toBe("move-spring-2026-03-10");
  must(undoMoves(records.db, { id: undo, year: 2026 }));
  expect(days()[0]).toBe("2026-03-02");
  expect(yearEntry(records.db, {}, []).undo).toBeNull();
  // Undone once is undone once.
  must(undoMoves(records.db, { id: undo, year: 2026 }));
  expect(faults(undoMoves(records.db, { id: "move-unknown", year: 2026 }))).toEqual([" changed-meanwhile"]);
});

test("out of its window it may be moved, and that is said", () => {
  january();
  const { worse } = must(move("spring", "2026-02-10"));
  expect(worse).toEqual([{ site: "Green", round: "spring", reasons: ["not-open"] }]);
  expect(yearOfSite(records.db, { site: ids.sites }, [])!.items[0]).toMatchObject({
    on: "2026-02-10",
    fixed: true,
    reasons: ["not-open"],
  });
  expect(must(move("spring", null, "free-0000001")).better).toEqual([{ site: "Green", round: "spring", reasons: ["not-open"] }]);
});

test("what isn't there, is done or lies behind can't be moved; the same sent twice is one move, another under its id is none", () => {
  january();
  expect(faults(move("summer", "2026-03-10"))).toEqual(["moves[0].round unknown-name"]);
  expect(faults(move("spring", "2026-01-04"))).toEqual(["moves[0].day out-of-range"]);
  expect(faults(move("spring", "2027-03-04"))).toEqual(["moves[0] bad-date"]);
  expect(faults(move("spring", "2026-02-30"))).toEqual(["moves[0] bad-date"]);
  expect(
    faults(
      moveWork(records.db, { id: "move-000000001", year: 2029, moves: [{ siteId: ids.sites, round: "spring", day: null }] }),
    ),
  ).toEqual(["year out-of-range"]);
  must(move("spring", "2026-03-10", "move-000000002"));
  must(move("spring", "2026-03-10", "move-000000002"));
  expect(faults(move("spring", "2026-03-11", "move-000000002"))).toEqual(["id kept-otherwise"]);
  holdClock("2026-03-12T10:00:00.000Z");
  const down = (zone: number, amount: string) =>
    must(
      saveApplication(records.db, {
        id: `entry-0000000${zone}`,
        date: "2026-03-11",
        siteId: ids.sites,
        zoneId: `${ids.sites}.${zone}`,
        labelId: "label-000000003",
        amount,
        personId: ids.people,
        note: "",
        corrects: null,
      }),
    );
  down(0, "1.8 oz");
  // What is done is held by nothing: the label's 30 days are those of the zone that had it.
  must(move("spring", "2026-03-20", "move-000000003"));
  expect(yearOfSite(records.db, { site: ids.sites }, [])!.items[0]).toMatchObject({
    on: "2026-03-20",
    left: [{ id: `${ids.sites}.1`, name: "south" }],
    reasons: [],
  });
  const [friday] = week(records.db, { from: "2026-03-20" }, [])!.days.filter(({ date }) => date === "2026-03-20");
  expect(friday!.items[0]).toMatchObject({ left: [{ name: "south" }] });
  expect(friday!.area).toBeCloseTo(167.2, 1);
  down(1, "0.5 oz");
  expect(faults(move("spring", "2026-04-10", "move-000000004"))).toEqual(["moves[0].round already-done"]);
});

test("a round that gets another name keeps its days and its lateness; two may change names; a name that comes again is another", () => {
  january();
  must(move("spring", "2026-03-20"));
  must(shiftSeason(records.db, { id: "shift-00000001", year: 2026, days: 5, rounds: ["feed"] }));
  const program = programOf(records.db);
  const called = (...names: readonly (readonly [string, string])[]) =>
    must(
      saveProgram(records.db, {
        ...program,
        rounds: program.rounds.map((one, i) => ({ ...one, name: names[i]![1], "x-was": names[i]![0] })),
      }),
    );
  const found = () => yearEntry(records.db, {}, []).rounds.map(({ name, later, planned }) => [name, later, planned[0]?.[0]]);
  expect(found()).toEqual([
    ["spring", 0, "2026-03-20"],
    ["feed", 5, "2026-04-13"],
  ]);
  called(["spring", "first half"], ["feed", "feed"]);
  expect(found()).toEqual([
    ["first half", 0, "2026-03-20"],
    ["feed", 5, "2026-04-13"],
  ]);
  // They change names: what each had goes with it.
  called(["first half", "feed"], ["feed", "first half"]);
  expect(found()).toEqual([
    ["feed", 0, "2026-03-20"],
    ["first half", 5, "2026-04-13"],
  ]);
  expect(programOf(records.db).rounds[0]).not.toHaveProperty("x-was");
  // A round that is called spring again was never moved, nor is what was undone.
  called(["x", "spring"], ["y", "summer"]);
  expect(found()).toEqual([
    ["spring", 0, "2026-03-02"],
    ["summer", 0, "2026-04-06"],
  ]);
  expect(yearEntry(records.db, {}, []).undo).toBe("shift-00000001");
});

test("a cold spring moves what opens with one press, says what fits no more, and is taken back with one", () => {
  january();
  const shifted = must(shiftSeason(records.db, { id: "shift-000000001", year: 2026, days: 28, rounds: ["spring", "feed"] }));
  // Four weeks later the feed opens on 4 May, and has closed on 30 April.
  expect(shifted.worse).toEqual([{ site: "Green", round: "feed", reasons: ["closed"] }]);
  expect(days()).toEqual(["2026-03-30", "closed"]);
  expect(yearEntry(records.db, {}, []).rounds.map(({ later }) => later)).toEqual([28, 28]);
  must(undoMoves(records.db, { id: "shift-000000001", year: 2026 }));
  expect(days()).toEqual(["2026-03-02", "2026-04-06"]);
  expect(faults(shiftSeason(records.db, { id: "shift-000000002", year: 2026, days: 90, rounds: ["spring"] }))).toEqual([
    "days out-of-range",
  ]);
});

test("a cold spring takes fixed days along", () => {
  january();
  must(move("spring", "2026-03-10"));
  must(shiftSeason(records.db, { id: "shift-000000001", year: 2026, days: 7, rounds: ["spring"] }));
  expect(days()[0]).toBe("2026-03-17");
  // As usual again.
  must(shiftSeason(records.db, { id: "shift-000000002", year: 2026, days: 0, rounds: ["spring"] }));
  expect(days()[0]).toBe("2026-03-10");
});

test("next year counts what this one will have put down on the zones of its round alone", () => {
  january();
  const rolling = { ...CARD, name: "Zel", limits: [{ perYear: "0.5 oz/1000 ft2", yearKind: "rolling" }] };
  must(add(records.db, "labels", rolling, "label-000000003"));
  const zones = [
    { name: "green", area: "500", turf: "bentgrass" },
    { name: "rough", area: "900", turf: "fescue" },
  ];
  must(add(records.db, "sites", { name: "Two turfs", zones }, "site-0000000002"));
  const round = { name: "greens", label: "label-000000003", rate: "0.3 oz/1000 ft2", opens: { date: "11-02" } };
  const rough = { ...round, name: "rough", opens: { date: "03-01" } };
  must(
    saveProgram(records.db, {
      rounds: [
        { ...round, turf: "bentgrass" },
        { ...rough, turf: "fescue", closes: { date: "03-31" } },
      ],
      soil: [],
    }),
  );
  // What the greens get in November is none of what the rough gets in March.
  holdClock("2026-04-05T10:00:00.000Z");
  expect(yearNow(records.db, true).year.items.map(({ state, held }) => [state, held.length])).toEqual([
    ["planned", 0],
    ["planned", 0],
  ]);
});

test("next year counts what this one will have put down", () => {
  january([{ ...ROUNDS[0]!, opens: { date: "11-02" }, closes: { date: "12-31" } }]);
  const rolling = { ...CARD, name: "Zel", limits: [{ perYear: "0.5 oz/1000 ft2", yearKind: "rolling" }] };
  must(add(records.db, "labels", rolling, "label-000000003"));
  must(
    saveProgram(records.db, {
      rounds: [{ name: "early", label: "label-000000003", rate: "0.3 oz/1000 ft2", opens: { date: "11-02" } }],
      soil: [],
    }),
  );
  expect(days()).toEqual(["2026-11-02"]);
  const next = yearNow(records.db, true);
  expect(next.asked.date).toBe("2027-01-01");
  // A year after 2 November 2026 the 12 months hold it no more.
  expect(next.year.items.map(({ on, held }) => [on, held.length])).toEqual([["2027-11-02", 0]]);
});
