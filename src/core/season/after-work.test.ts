import fc from "fast-check";
import type { Aftercare } from "../labels/aftercare";
import { valueIn } from "../quantity/quantity";
import { entered } from "../quantity/parse";
import { dutiesOf, type Done, type Water } from "./after-work";

const at = (text: string) => Date.parse(`${text}:00Z`);
const inches = (text: string) => entered(text, "length");
const hours = (text: string) => entered(text, "time");
const done = (aftercare: Aftercare, more: Partial<Done["products"][number]> = {}): Done => ({
  earliest: at("2026-04-10T09:30"),
  latest: at("2026-04-10T09:30"),
  products: [{ name: "Reedgrain", aftercare, ...more }],
});
const water = (when: string, depth: string): Water => ({ at: at(when), depth: inches(depth).value });
const soak: Aftercare = { waterLeast: inches("0.25 in"), waterMost: inches("0.5 in"), waterWithin: hours("24 h") };
const one = (work: Done, waters: readonly Water[], now: string) => dutiesOf(work, waters, at(now))[0]!;
const inInches = (value: Parameters<typeof valueIn<"length">>[0] | null) => value && Number(valueIn(value, "in").toFixed(4));

describe("watering in", () => {
  test("open until its deadline, then late; what was measured counts, and what is missing is said", () => {
    expect(one(done(soak), [], "2026-04-10T12:00")).toMatchObject({
      what: "water-in",
      state: "open",
      until: at("2026-04-11T09:30"),
    });
    const rained = one(done(soak), [water("2026-04-10T20:00", "0.1 in")], "2026-04-10T21:00");
    expect([rained.state, inInches(rained.missing), inInches(rained.room)]).toEqual(["open", 0.15, 0.4]);
    expect(one(done(soak), [water("2026-04-10T20:00", "0.1 in")], "2026-04-11T09:31").state).toBe("late");
    expect(one(done(soak), [water("2026-04-10T20:00", "0.25 in")], "2026-04-10T21:00").state).toBe("done");
  });
  test("a storm is too much; rain before the work and after the deadline waters nothing in", () => {
    expect(one(done(soak), [water("2026-04-10T20:00", "1.2 in")], "2026-04-10T21:00").state).toBe("too-much");
    expect(one(done(soak), [water("2026-04-10T09:00", "0.3 in")], "2026-04-10T21:00").state).toBe("open");
    expect(one(done(soak), [water("2026-04-11T11:00", "0.3 in")], "2026-04-11T12:00").state).toBe("late");
  });
  test("in a tank of two, dry for as long as one asks, then watered in before the other's deadline", () => {
    const two: Done = {
      ...done(soak),
      products: [
        { name: "A", aftercare: soak },
        { name: "B", aftercare: { keepDry: hours("4 h") } },
      ],
    };
    const duties = dutiesOf(two, [], at("2026-04-10T11:00"));
    expect(duties.map(({ what, state }) => [what, state])).toEqual([
      ["keep-dry", "open"],
      ["water-in", "waits"],
    ]);
    expect(dutiesOf(two, [water("2026-04-10T12:00", "0.02 in")], at("2026-04-10T13:00"))[0]!.state).toBe("broken");
  });
  test("where its hour isn't noted the stricter one counts: dry for longer, watered sooner", () => {
    const open: Done = {
      ...done({ ...soak, keepDry: hours("2 h") }),
      earliest: at("2026-04-10T00:00"),
      latest: at("2026-04-10T23:59"),
    };
    const [first, second] = dutiesOf(open, [], at("2026-04-10T12:00"));
    expect([first!.what, first!.until]).toEqual(["water-in", at("2026-04-11T00:00")]);
    expect([second!.what, second!.until]).toEqual(["keep-dry", at("2026-04-11T01:59")]);
  });
});

test("people stay off and mowing waits for as long as the longest label asks", () => {
  const work: Done = {
    ...done({}),
    products: [
      { name: "A", offHours: 4, mowDays: 2 },
      { name: "B", offHours: 12 },
    ],
  };
  expect(dutiesOf(work, [], at("2026-04-10T21:00")).map(({ what, state, until }) => [what, state, until])).toEqual([
    ["stay-off", "open", at("2026-04-10T21:30")],
    ["no-mowing", "open", at("2026-04-12T09:30")],
  ]);
  expect(dutiesOf(work, [], at("2026-04-13T00:00")).every(({ state }) => state === "done")).toBe(true);
  expect(dutiesOf(done({}), [], at("2026-04-10T21:00"))).toEqual([]);
});

test("more water never makes done what was too much, nor open what was done", () => {
  const order = ["late", "open", "done", "too-much"];
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 30 }), { maxLength: 8 }), fc.integer({ min: 1, max: 30 }), (falls, more) => {
      const waters = (all: readonly number[]) => all.map((n, i) => water(`2026-04-10T1${i}:00`, `${n / 100} in`));
      const state = (all: readonly number[]) => order.indexOf(one(done(soak), waters(all), "2026-04-10T20:00").state);
      expect(state([...falls, more])).toBeGreaterThanOrEqual(state(falls));
    }),
  );
});
