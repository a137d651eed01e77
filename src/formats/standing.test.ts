import type { CalibrationEntry, CheckEntry, RigEntry } from "./entries";
import { judge, lockOf, thatCounts, workOut } from "./standing";

const rig = (tip: object): RigEntry => ({
  id: "rig-1",
  retired: false,
  rig: { name: "Pack", kind: "backpack", tanks: [{ usable: "4 gal" }], outlets: { count: 1 }, tip },
});
const ONE = { size: "025", pressure: "40 psi" };
const OTHER = { size: "02", pressure: "30 psi" };
const entry = (id: string, tip: object, walks: readonly string[], more: Partial<CalibrationEntry> = {}): CalibrationEntry => ({
  id,
  rigId: "rig-1",
  personId: "p",
  siteId: null,
  method: "area-catch",
  lever: null,
  leverSetTo: null,
  follows: null,
  madeAt: "2026-09-01T10:00:00.000Z",
  ground: "turf",
  rig: rig(tip).rig,
  calibration: {
    pace: { kind: "timed-area", area: "250 ft2", times: walks },
    flow: { kind: "timed-catch", catches: [{ volume: "33 fl oz", time: "62 s" }] },
  },
  struck: [],
  ...more,
});
const SURE = ["61 s", "62 s", "63 s"];
const UNSURE = ["50 s", "62 s", "74 s"];
const today = Math.floor(Date.parse("2026-09-02T10:00:00.000Z") / 86_400_000);
/** Newest first. */
const counts = (tip: object, calibrations: readonly CalibrationEntry[], checks: readonly CheckEntry[] = []) =>
  thatCounts(
    calibrations.map((one) =>
      judge(
        rig(tip).rig,
        one,
        checks.find((c) => c.calibrationId === one.id),
        { today, zone: "UTC" },
      ),
    ),
  );
const chosen = (tip: object, ...calibrations: CalibrationEntry[]) => counts(tip, calibrations);

test("one that is no calibration yet pushes none aside that stands", () => {
  const found = chosen(ONE, entry("new", ONE, UNSURE), entry("old", ONE, SURE));
  expect([found?.entry.id, found?.standing.state]).toEqual(["old", "stands"]);
  expect(chosen(ONE, entry("new", ONE, UNSURE))?.unsure).toBe(true);
});

test("a rig that goes back to a setup finds its calibration standing", () => {
  const both = [entry("beds", OTHER, SURE), entry("greens", ONE, SURE)];
  expect(chosen(OTHER, ...both)?.entry.id).toBe("beds");
  expect(chosen(ONE, ...both)?.entry.id).toBe("greens");
  // Where none fits, the newest says what changed.
  const none = chosen({ size: "03", pressure: "40 psi" }, ...both);
  expect([none?.entry.id, none?.standing.state]).toEqual(["beds", "stale"]);
});

test("what was withdrawn counts no more, and what stood before stands again", () => {
  expect(chosen(ONE, entry("new", ONE, SURE, { withdrawn: "worn tip" }), entry("old", ONE, SURE))?.entry.id).toBe("old");
  expect(chosen(ONE, entry("new", ONE, SURE, { withdrawn: "worn tip" }))).toBeUndefined();
});

test("a failed check is newer word than an older calibration", () => {
  const calibrations = [entry("new", ONE, SURE), entry("old", ONE, SURE)];
  const checks = [
    {
      id: "c",
      rigId: "rig-1",
      personId: "p",
      calibrationId: "new",
      madeAt: "2026-09-02T08:00:00.000Z",
      volume: "28 fl oz",
      time: "62 s",
      ratio: 0.85,
    },
  ];
  const found = counts(ONE, calibrations, checks);
  expect([found?.entry.id, found?.standing.state]).toEqual(["new", "failing"]);
});

test("how it stands: how long it is good for, when it runs out, what changed", () => {
  expect(chosen(ONE, entry("a", ONE, SURE))?.standing).toMatchObject({ state: "stands", daysLeft: 29 });
  const old = chosen(ONE, entry("a", ONE, SURE, { madeAt: "2026-07-01T10:00:00.000Z" }))!;
  // An old pace is warned of, and mixed from.
  expect([old.standing.state, lockOf(old)]).toEqual(["expired", undefined]);
  const changed = chosen({ size: "03", pressure: "40 psi" }, entry("a", ONE, SURE))!;
  expect(lockOf(changed)).toEqual({ code: "stale", reasons: ["tip 03, was 025"] });
});

test("what it may not be mixed from has one order: withdrawn, unsure, an estimate, stale", () => {
  const at = (tip: object, one: CalibrationEntry) => lockOf(judge(rig(tip).rig, one, undefined, { today, zone: "UTC" }))?.code;
  const estimate = {
    calibration: { pace: { kind: "speed", speed: "3 mph", swath: "5 ft" }, flow: { kind: "tip-chart" } },
  } as const;
  expect(at(OTHER, entry("a", ONE, UNSURE, { withdrawn: "worn tip" }))).toBe("withdrawn");
  expect(at(OTHER, entry("a", ONE, UNSURE))).toBe("unsure");
  expect(at(OTHER, entry("a", ONE, SURE, estimate))).toBe("estimate");
  expect(at(OTHER, entry("a", ONE, SURE))).toBe("stale");
  expect(at(ONE, entry("a", ONE, SURE))).toBeUndefined();
});

test("it is worked out once; what was noted of the ground is another working", () => {
  const one = entry("a", ONE, SURE);
  expect(workOut(one)).toBe(workOut({ ...one }));
  expect(workOut({ ...one, ground: "pavement" })).not.toBe(workOut(one));
});
