import { emptySession, isSession, readSession, type Session } from "./session";

const session = (more: Partial<Session> = {}): Session => ({
  ...emptySession("s", { rigId: "r", personId: "p", outlets: 1, method: "area-catch" }),
  ...more,
});

const lacks = (more: Partial<Session>) => {
  const reading = readSession(session(more));
  return reading.state === "lacking" ? reading.lacks : reading.state;
};

test("an empty run sheet lacks, it isn't wrong", () => {
  expect(lacks({})).toEqual(["walk", "catch"]);
  expect(lacks({ pace: "speed" })).toEqual(["speed", "catch"]);
  expect(lacks({ direct: true })).toEqual(["used"]);
  expect(lacks({ area: "", distance: "" })).toEqual(["area", "walk", "catch"]);
  expect(lacks({ pace: "timed-run", distance: "" })).toEqual(["distance", "walk", "catch"]);
  expect(lacks({ flow: "outlet-catches", outlets: ["", ""], walks: [{ time: "60 s" }] })).toEqual(["outlets"]);
});

test("what is there already stands beside what is lacking", () => {
  const pace = { kind: "timed-area", area: "250 ft2", times: ["60 s"] };
  const flow = { kind: "timed-catch", catches: [{ volume: "30 fl oz", time: "60 s" }] };
  expect(readSession(session({ walks: [{ time: "60" }] }))).toEqual({ state: "lacking", lacks: ["catch"], pace });
  expect(readSession(session({ catches: [{ volume: "30", time: "60" }] }))).toEqual({ state: "lacking", lacks: ["walk"], flow });
});

test("a boom begins with a timed distance and its outlets", () => {
  const boom = emptySession("s", { rigId: "r", personId: null, outlets: 12, method: "acre-128-boom" });
  expect([boom.pace, boom.flow, boom.outlets.length]).toEqual(["timed-run", "outlet-catches", 12]);
});

test("struck trials don't count, and what was typed is written as a job file writes it", () => {
  const reading = readSession(
    session({
      area: "250 sq ft",
      walks: [{ time: "61" }, { time: "99", struck: "misread" }, { time: "1:03" }],
      catches: [{ volume: "33", time: "62 secs" }],
      target: "1",
    }),
  );
  expect(reading).toEqual({
    state: "ready",
    calibration: {
      pace: { kind: "timed-area", area: "250 ft2", times: ["61 s", "1:03"] },
      flow: { kind: "timed-catch", catches: [{ volume: "33 fl oz", time: "62 s" }] },
      target: "1 gal/1000 ft2",
    },
  });
});

test("what is wrong is named by its place on the run sheet", () => {
  const reading = readSession(
    session({ area: "250 gal", walks: [{ time: "61" }, { time: "soon" }], catches: [{ volume: "33 oz", time: "62" }] }),
  );
  expect(reading.state === "wrong" && reading.issues.map((i) => i.path)).toEqual(["area", "walks[1].time", "catches[0].volume"]);
});

test.each([
  null,
  1,
  {},
  [],
  { ...session(), pace: "hop" },
  { ...session(), walks: [null] },
  { ...session(), outlets: [1] },
  { ...session(), used: [{}] },
  { ...session(), target: "x".repeat(201) },
])("%p is no run sheet", (input) => expect(isSession(input)).toBe(false));
test("a run sheet is one", () => expect(isSession(session())).toBe(true));
