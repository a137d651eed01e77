import { lessonOf } from "@/core/practice/lessons";
import { LESSONS } from "@/core/practice/lesson-ids";
import { valueIn } from "@/core/quantity/quantity";
import { practisedNow } from "@/formats/practice-record";
import { readPractised } from "@/formats/practised";
import { practicesOf } from "@/records/practices";
import { put, retire } from "./keep-up";
import { holdClock } from "./clock";
import { readAll } from "./read-all";
import { saveCalibration } from "./save-calibration";
import { savePractice, strikePractice } from "./save-practice";
import { faults, freshRecords, ids, must, NOW, session, town } from "./testing/town";

const records = freshRecords();
let count = 0;
const id = () => `practice-${String(++count).padStart(6, "0")}`;
const pace = (times: readonly string[], more: object = {}) => ({
  id: id(),
  personId: ids.people,
  ground: "turf",
  what: { kind: "pace", course: "44 ft", wanted: "10 s", walks: times.map((time) => ({ time, beat: false })) },
  ...more,
});
const kept = () => practicesOf(records.db, ids.people);

beforeEach(() => town(records.db));

test("practice is kept at the server's moment, once however often it is sent", () => {
  holdClock(NOW);
  const walks = pace(["10.1 s", "10.0 s", "10.2 s"]);
  must(savePractice(records.db, walks));
  must(savePractice(records.db, walks));
  expect(kept()).toEqual([{ id: walks.id, personId: ids.people, rigId: null, ground: "turf", what: walks.what, at: NOW }]);
  expect(faults(savePractice(records.db, { ...pace(["11 s"]), id: walks.id }))).toEqual(["id kept-otherwise"]);
  expect(() => records.db.$client.prepare("update practices set ground = 'rough'").run()).toThrow(/append-only/);
  expect(() => records.db.$client.prepare("delete from practices").run()).toThrow(/append-only/);
});

test.each<[string, object, string]>([
  ["nobody", { personId: undefined }, "personId missing"],
  ["somebody who isn't there", { personId: "person-99999999" }, "personId missing"],
  ["no ground of a pace", { ground: null }, "ground missing"],
  ["a ground that there isn't", { ground: "sand" }, "ground not-a-choice"],
  ["another rig's name", { rigId: "rig-9999999999" }, "rigId unknown-name"],
  ["no id", { id: "x" }, "id wrong-type"],
  ["no walks", { what: { kind: "pace", course: "44 ft", wanted: "10 s", walks: [] } }, "what.walks out-of-range"],
  [
    "a walk in feet",
    { what: { kind: "pace", course: "44 ft", wanted: "10 s", walks: [{ time: "10 ft", beat: false }] } },
    "what.walks[0].time wrong-unit",
  ],
  ["a kind that there isn't", { what: { kind: "run" } }, "what.kind not-a-choice"],
  ["a field that there isn't", { what: { ...pace(["10 s"]).what, sits: true } }, "what.sits unknown-key"],
])("%s: refused, and nothing is kept", (_, more, fault) => {
  expect(faults(savePractice(records.db, pace(["10 s"], more)))).toEqual([expect.stringContaining(fault.split(" ")[0]!)]);
  expect(kept()).toEqual([]);
});

test("who left practises no more", () => {
  must(retire(records.db, "people", { id: ids.people, retired: true }));
  expect(faults(savePractice(records.db, pace(["10 s"])))[0]).toMatch(/^personId/);
});

test("a lesson's answer is judged by core, whatever was sent of it", () => {
  for (const [lesson, units] of LESSONS.flatMap((one) => (["us", "metric"] as const).map((of) => [one, of] as const))) {
    const { answer, unit } = lessonOf(lesson, 77, units);
    const right = `${valueIn(answer as never, unit as never)} ${unit}`;
    const send = (text: string, more: object = {}) =>
      savePractice(records.db, {
        id: id(),
        personId: ids.people,
        what: { kind: "lesson", lesson, seed: 77, units, answer: text, ...more },
      });
    expect(must(send(right))).toMatchObject({ right: true });
    expect(must(send(`${2 * valueIn(answer as never, unit as never)} ${unit}`, { right: true }))).toMatchObject({ right: false });
    expect(faults(send("a lot"))[0]).toMatch(/^what.answer/);
  }
  expect(kept().filter(({ what }) => what.kind === "lesson" && what.right).length).toBe(2 * LESSONS.length);
});

test("what was none is struck with its reason, once, and counts no more", () => {
  const walks = pace(["12 s"]);
  must(savePractice(records.db, walks));
  expect(faults(strikePractice(records.db, { id: id(), strikes: walks.id, why: "" }))).toEqual(["why reason-needed"]);
  const strike = { id: id(), strikes: walks.id, why: "the watch was somebody else's" };
  must(strikePractice(records.db, strike));
  must(strikePractice(records.db, strike));
  must(strikePractice(records.db, { ...strike, id: id() }));
  expect(kept()).toEqual([]);
  expect(records.db.$client.prepare("select count(*) from practices").pluck().get()).toBe(2);
  expect(faults(strikePractice(records.db, { id: id(), strikes: strike.id, why: "a strike can't be struck" }))).toEqual([
    "strikes unknown-name",
  ]);
});

describe("practice as evidence of a calibration", () => {
  const band = () => readAll(records.db).calibrations[0]!.calibration;
  test("walks without a beat on the same ground, of the last 90 days, are written down with it", () => {
    holdClock(NOW);
    must(savePractice(records.db, pace(["10.0 s", "10.2 s", "10.4 s"])));
    must(savePractice(records.db, { ...pace(["9 s", "12 s"]), ground: "pavement" }));
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    expect(band().repeatability).toEqual({ scatter: "1.96 %", freedom: 2, until: NOW.slice(0, 10) });
  });
  test("walks to the beat, struck ones and old ones say nothing of a person's legs today", () => {
    holdClock("2026-05-01T10:00:00.000Z");
    must(savePractice(records.db, pace(["10.0 s", "10.2 s"])));
    holdClock(NOW);
    const beat = pace([]);
    must(
      savePractice(records.db, {
        ...beat,
        what: {
          ...beat.what,
          walks: [
            { time: "10 s", beat: true },
            { time: "13 s", beat: false, struck: "stumbled or stopped" },
            { time: "10.4 s", beat: true },
          ],
        },
      }),
    );
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    expect(band().repeatability).toBeUndefined();
    expect(practisedNow(kept(), "turf", { today: NOW.slice(0, 10), zone: "UTC" })).toBeUndefined();
  });
  test("walks that took the very same time scatter by nothing, and are read again as that", () => {
    holdClock(NOW);
    must(savePractice(records.db, pace(["3.95 s", "3.95 s", "3.95 s"])));
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    expect(band().repeatability).toMatchObject({ scatter: "0 %", freedom: 2 });
    expect(readPractised(band().repeatability)).toEqual({ variance: 0, freedom: 2 });
  });
  test("another person's practice is not this one's", () => {
    holdClock(NOW);
    must(put(records.db, "people", { id: "person-0000000077", form: { name: "Bram Tolliver" } }));
    must(savePractice(records.db, { ...pace(["10 s", "10.1 s"]), personId: "person-0000000077" }));
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    expect(band().repeatability).toBeUndefined();
  });
});
