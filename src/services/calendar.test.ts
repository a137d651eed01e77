import ICAL from "ical.js";
import { putSetting } from "@/records/settings";
import { allRows } from "@/records/whole";
import { calendarOf, tellCalendar, tellCalendars } from "./calendar";
import { holdClock } from "./clock";
import { moveWork } from "./move-work";
import { programOf, saveProgram } from "./program";
import { saveApplication } from "./save-application";
import { add, freshRecords, ids, LABEL, must, town } from "./testing/town";

/**
 * The file as another program reads it: ical.js, a parser of RFC 5545 of its own.
 */
const records = freshRecords();
const ROUND = { name: "feed", label: ids.labels, opens: { date: "09-07" }, closes: { date: "11-30" } };

beforeEach(() => {
  town(records.db);
  must(saveProgram(records.db, { rounds: [ROUND], soil: [] }));
});

/** Without the work of next year, which has a test of its own. */
const parsed = (siteId?: string) =>
  all(siteId).filter(({ start, summary }) => !(start.year === 2027 && summary.includes("feed")));

function all(siteId?: string) {
  // As the hourly look would before the next change.
  tellCalendar(records.db, siteId);
  const text = calendarOf(records.db, siteId)!.text;
  for (const line of text.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  const calendar = new ICAL.Component(ICAL.parse(text) as never[]);
  for (const zone of calendar.getAllSubcomponents("vtimezone")) ICAL.TimezoneService.register(new ICAL.Timezone(zone));
  return calendar.getAllSubcomponents("vevent").map((one) => {
    const event = new ICAL.Event(one);
    return {
      uid: event.uid,
      sequence: Number(event.sequence),
      summary: event.summary,
      status: one.getFirstPropertyValue("status"),
      start: event.startDate,
      end: event.endDate,
      stamp: String(one.getFirstPropertyValue("dtstamp")),
      alarms: one.getAllSubcomponents("valarm").map((alarm) => String(alarm.getFirstPropertyValue("trigger"))),
    };
  });
}

const move = (day: string | null, id: string) =>
  must(moveWork(records.db, { id, year: 2026, moves: [{ siteId: ids.sites, round: "feed", day }] }));

test("a day of work is a whole day, with a reminder on the day before; the same state is the same file", () => {
  const [event, ...none] = parsed();
  expect(none).toEqual([]);
  expect(event).toMatchObject({ summary: "Spray 1 lawn: feed", status: "CONFIRMED", sequence: 0, alarms: ["-PT9H"] });
  expect([event!.start.isDate, String(event!.start), String(event!.end)]).toEqual([true, "2026-09-07", "2026-09-08"]);
  expect(event!.stamp).toMatch(/Z$/);
  const before = calendarOf(records.db)!.text;
  holdClock("2026-09-03T10:00:00.000Z");
  expect(calendarOf(records.db)!.text).toBe(before);
});

test("a round that is moved keeps its name, and says that it changed; what goes to another year's day is another", () => {
  const first = parsed(ids.sites)[0]!;
  expect(first).toMatchObject({ summary: "feed at Green", sequence: 0 });
  move("2026-09-21", "move-00000001");
  const moved = parsed(ids.sites);
  expect(moved).toHaveLength(1);
  expect(moved[0]).toMatchObject({ uid: first.uid, sequence: 1 });
  expect(String(moved[0]!.start)).toBe("2026-09-21");
});

test("a day that is left without work is called off, once, and can come back", () => {
  const first = parsed()[0]!;
  move("2026-09-21", "move-00000001");
  const both = parsed();
  expect(both.map(({ uid, status, sequence }) => [uid === first.uid, status, sequence])).toEqual([
    [true, "CANCELLED", 1],
    [false, "CONFIRMED", 0],
  ]);
  expect(both[0]!.alarms).toEqual([]);
  expect(parsed().map(({ sequence }) => sequence)).toEqual([1, 0]);
  move("2026-09-07", "move-00000002");
  expect(parsed().map(({ status, sequence }) => [status, sequence])).toEqual([
    ["CONFIRMED", 2],
    ["CANCELLED", 1],
  ]);
});

test("fetching a calendar keeps nothing; a change stands in it before it was told, and is told once", () => {
  const plain = () => calendarOf(records.db)!.text.replace(/^(DTSTAMP|LAST-MODIFIED):.*\r\n/gm, "");
  const told = () => allRows(records.db);
  const nothing = told();
  const first = plain();
  expect(calendarOf(records.db, ids.sites)!.text).toContain("feed at Green");
  expect(told()).toEqual(nothing);
  tellCalendars(records.db);
  expect(told()).toEqual(nothing);
  // Of this year and of the next.
  expect(tellCalendar(records.db)).toEqual({ ok: true, value: 2 });
  expect(plain()).toBe(first);
  move("2026-09-21", "move-00000001");
  const moved = plain();
  expect(moved).toMatch(/SEQUENCE:1[\s\S]*STATUS:CANCELLED/);
  expect(told().calendar_events).toHaveLength(2);
  tellCalendars(records.db);
  expect(plain()).toBe(moved);
  expect(tellCalendar(records.db)).toEqual({ ok: true, value: 0 });
  expect(tellCalendar(records.db, "site-9999999999").ok).toBe(false);
});

test("what lies behind is not called off: it happened", () => {
  parsed();
  holdClock("2026-09-08T10:00:00.000Z");
  for (const zone of [0, 1])
    must(saveApplication(records.db, { id: `entry-0000000${zone}`, date: "2026-09-07", siteId: ids.sites, zoneId: `${ids.sites}.${zone}`, labelId: ids.labels, amount: "1 oz", personId: null, note: "", corrects: null })); // prettier-ignore
  expect(parsed()).toEqual([]);
});

/** The event of the water that is owed to what ended at an hour. */
function watering(date: string, ended: string) {
  must(saveApplication(records.db, { id: "entry-00000001", date, siteId: ids.sites, zoneId: `${ids.sites}.0`, labelId: ids.labels, amount: "1 oz", personId: null, note: "", corrects: null, facts: { ended } })); // prettier-ignore
  return parsed().find(({ summary }) => summary.startsWith("Water in"))!;
}

test("a deadline has its hour at the firm's place, over the change of the clocks too", () => {
  putSetting(records.db, "time-zone", "America/New_York", "2026-09-02T10:00:00.000Z");
  must(add(records.db, "labels", { ...LABEL, waterLeast: "0.25 in", waterWithin: "24 h" }));
  // The clocks go back in the night to 1 November 2026: 24 hours after 16:40 it is 15:40.
  holdClock("2026-11-01T02:00:00.000Z");
  const event = watering("2026-10-31", "16:40");
  expect(event).toMatchObject({ summary: "Water in: Green", alarms: ["-PT1H"] });
  expect([String(event.start), event.start.zone!.tzid]).toEqual(["2026-10-31T16:40:00", "America/New_York"]);
  expect(String(event.end)).toBe("2026-11-01T15:40:00");
  expect(event.end.toJSDate().toISOString()).toBe("2026-11-01T20:40:00.000Z");
});

test("an hour that comes twice is told in UTC the second time", () => {
  putSetting(records.db, "time-zone", "America/New_York", "2026-09-02T10:00:00.000Z");
  must(add(records.db, "labels", { ...LABEL, waterLeast: "0.25 in", waterWithin: "2 h" }));
  holdClock("2026-11-01T05:00:00.000Z");
  const event = watering("2026-11-01", "00:40");
  // 00:40 and two hours: 01:40, as clocks show it for the second time.
  expect([event.start, event.end].map((at) => at.toJSDate().toISOString())).toEqual([
    "2026-11-01T04:40:00.000Z",
    "2026-11-01T06:40:00.000Z",
  ]);
});

test("next year's plan is told as this year's is", () => {
  const next = all().filter(({ start }) => start.year === 2027);
  expect(next.map(({ summary, start }) => [summary, String(start)])).toEqual([["Spray 1 lawn: feed", "2027-09-07"]]);
  expect(all(ids.sites).map(({ uid, start }) => [/-(20\d\d)@/.exec(uid)![1], start.year])).toEqual([
    ["2026", 2026],
    ["2027", 2027],
  ]);
});

test("a round that is called otherwise since is the same event, said anew", () => {
  const before = all(ids.sites);
  const { rounds, soil } = programOf(records.db);
  must(
    saveProgram(records.db, { rounds: rounds.map((round) => ({ ...round, name: "autumn feed", "x-was": round.name })), soil }),
  );
  const after = all(ids.sites);
  expect(after.map(({ uid }) => uid)).toEqual(before.map(({ uid }) => uid));
  expect(after.map(({ summary }) => summary)).toEqual(["autumn feed at Green", "autumn feed at Green"]);
});

test("a site whose id begins as another's takes none of its events away", () => {
  must(add(records.db, "sites", { name: "Pier", zones: [{ name: "lawn", area: "900" }] }, `${ids.sites}-2`));
  const other = calendarOf(records.db, `${ids.sites}-2`)!.text;
  parsed(ids.sites);
  expect(calendarOf(records.db, `${ids.sites}-2`)!.text).toBe(other);
});

test("papers are told two weeks before they end; two installations' events are never one", () => {
  must(add(records.db, "people", { name: "Odile Marsh", papers: [{ kind: "certificate", number: "D-7", ends: "2027-01-31" }] }));
  const paper = parsed().find(({ summary }) => summary.includes("certificate"))!;
  expect(paper).toMatchObject({ summary: "certificate of Odile Marsh ends", alarms: ["-P14D"] });
  expect(paper.uid).toMatch(/^firm-paper-.*@[a-z0-9]{12}\.careful-gauge$/);
  expect(calendarOf(records.db, "site-9999999999")).toBeUndefined();
});
