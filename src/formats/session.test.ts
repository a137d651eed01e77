import { inText } from "./job-file/read-checked";
import { byMethod, emptySession, isSession, readSession as readValues, type Session } from "./session";

/** A run sheet as it is read, its values as the texts that they know. */
const readSession = (session: Session) => inText(readValues(session));

const session = (more: Partial<Session> = {}): Session => ({
  ...emptySession("s", { rigId: "r", personId: "p", outlets: 1, method: "area-catch" }),
  area: "250 ft2",
  distance: "200 ft",
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

test("no plot and no course stands there unasked", () => {
  const fresh = emptySession("s", { rigId: "r", personId: "p", outlets: 1, method: "area-catch" });
  expect([fresh.area, fresh.distance, fresh.used[0]!.area]).toEqual(["", "", ""]);
  expect(readSession(fresh)).toMatchObject({ state: "lacking", lacks: ["area", "walk", "catch"] });
});

test("outlets whose time was left empty were caught for as long as the course took", () => {
  const more = { pace: "timed-run", swath: "20 ft", flow: "outlet-catches", outlets: ["20"], outletTime: "" } as const;
  const reading = readSession(session({ ...more, walks: [{ time: "28" }, { time: "29" }] }));
  expect(reading).toMatchObject({ state: "ready", calibration: { flow: { time: "28.50 s" }, pace: { distance: "200 ft" } } });
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

describe("every method's readings come out as a job file writes them", () => {
  const walks = [{ time: "60" }];
  const ready = (more: Partial<Session>) => {
    const reading = readSession(session(more));
    if (reading.state !== "ready") throw new Error(JSON.stringify(reading));
    return reading.calibration;
  };

  test("a fill-time test is a catch whose time was measured", () => {
    expect(ready({ flow: "fill-time", walks, catches: [{ volume: "5 gal", time: "76.4 s" }] }).flow).toEqual({
      kind: "timed-catch",
      catches: [{ volume: "5 gal", time: "76.4 s" }],
    });
  });
  test("a flow meter reads one an outlet", () => {
    expect(ready({ flow: "metered-flow", walks, outlets: ["0.2", "12 fl oz/min"] }).flow).toEqual({
      kind: "metered-flow",
      readings: ["0.2 gal/min", "12 fl oz/min"],
    });
  });
  test("a chart's flow takes a density with it, where there is one", () => {
    const desk = { ...byMethod("desk", 1), speed: "3 mph", swath: "5 ft" };
    expect(ready(desk)).toEqual({ pace: { kind: "speed", speed: "3 mph", swath: "5 ft" }, flow: { kind: "tip-chart" } });
    expect(ready({ ...desk, gravity: "1.28" })).toMatchObject({ specificGravity: "1.28" });
  });
  test("refilled in place of measured off", () => {
    const used = [{ area: "100", start: "96", remaining: "", topUp: "36" }];
    expect(ready({ direct: true, used }).used).toEqual([{ area: "100 ft2", topUp: "36 fl oz" }]);
  });
  test("the swath of a timed area and the vessel's marks stand beside the readings", () => {
    const calibration = ready({ walks, catches: [{ volume: "33", time: "60" }], swath: "5", graduation: "1 fl oz" });
    expect(calibration).toMatchObject({ swath: "5 ft", graduation: "1 fl oz", pace: { kind: "timed-area" } });
  });
  test.each([
    ["acre-128-boom", 12, { pace: "timed-run", flow: "outlet-catches", direct: false }],
    ["speed-distance", 1, { pace: "timed-run", flow: "timed-catch", direct: false }],
    ["refill", 1, { direct: true }],
    ["desk", 1, { pace: "speed", flow: "tip-chart" }],
    ["acre-128", 1, { area: "340.3125 ft2" }],
    ["straight-course", 1, { area: "1000 ft2" }],
  ] as const)("%s on %d outlets sets what is measured", (method, outlets, sets) =>
    expect(byMethod(method, outlets)).toMatchObject(sets),
  );

  test.each([
    { method: "guess" },
    { flow: "bucket" },
    { siteId: 4 },
    { lever: { name: "wish", setTo: "", follows: "" } },
    { used: [{ area: "1", start: "", remaining: "" }] },
    { outlets: [1] },
  ])("%j is no run sheet", (more) => expect(isSession({ ...session(), ...more })).toBe(false));
});
