import { expectNear } from "@/core/testing/near";
import type { Session } from "@/formats/session";
import { readAll } from "./read-all";
import { saveCalibration } from "./save-calibration";
import { add, faults, freshRecords, ids, must, NOW, RIG, session, town } from "./testing/town";

const records = freshRecords();

describe("saving a calibration", () => {
  test("is worked out on the server from the readings, with its tape and its rules", () => {
    town(records.db);
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    const row = records.db.$client.prepare("select * from calibrations").get() as Record<string, unknown>;
    // 33 fl oz / 62 s × 62 s / 250 sq ft = 132 fl oz per 1,000 sq ft, in mL/m²
    expectNear(row.spray_volume as number, (132 * 29.5735295625) / 92.90304, 1e-12);
    expect(JSON.parse(row.rules as string)).toEqual(["catch-flow v1", "mean-time v1", "pace-of-area v1", "spray-volume v1"]);
    expect(records.db.$client.prepare("select count(*) from trials").pluck().get()).toBe(5);
    expect(readAll(records.db).calibrations[0]).toMatchObject({
      personId: ids.people,
      struck: [{ of: "walk", time: "95 s", volume: null, why: "stumbled or stopped" }],
      calibration: { pace: { times: ["61 s", "63 s", "1:02"] } },
    });
  });

  test("sent twice, it is kept once", () => {
    town(records.db);
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    must(saveCalibration(records.db, { session: session(), madeAt: NOW }));
    expect(readAll(records.db).calibrations.length).toBe(1);
  });

  test.each<[string, Partial<Session>, string]>([
    ["nothing walked", { walks: [] }, "walk missing"],
    ["all walks struck", { walks: [{ time: "60 s", struck: "misread" }] }, "walk missing"],
    ["no catch", { catches: [] }, "catch missing"],
    ["text for a time", { walks: [{ time: "a minute" }] }, "walks[0].time not-a-number"],
    ["a weight caught", { catches: [{ volume: "33 oz", time: "62 s" }] }, "catches[0].volume wrong-unit"],
    ["no area", { area: "" }, "area missing"],
    ["an absurd area", { area: "20 ac" }, "area out-of-range"],
    ["a pace without its person", { personId: null }, "personId missing"],
    ["an unknown rig", { rigId: "rig-9999999999" }, "rigId unknown-name"],
    ["a run without a swath", { pace: "timed-run" }, "calibration.pace.swath missing"],
    ["no possible spray volume", { area: "10 ac", catches: [{ volume: "0.2 fl oz", time: "2 h" }] }, "session not-possible"],
    ["a wrong target", { target: "2 mi" }, "target wrong-unit"],
  ])("%s: refused", (_what, more, expected) => {
    town(records.db);
    expect(faults(saveCalibration(records.db, { session: session(more), madeAt: NOW }))).toContain(expected);
    expect(readAll(records.db).calibrations).toEqual([]);
  });

  test.each([
    null,
    {},
    { session: {} },
    { session: session(), madeAt: "yesterday" },
    { session: session(), madeAt: "2999-01-01T00:00:00Z" },
    { session: { ...session(), walks: "x" }, madeAt: NOW },
  ])("%p is no run sheet", (input) => {
    town(records.db);
    expect(saveCalibration(records.db, input).ok).toBe(false);
  });

  test("a governed machine's calibration is nobody's own", () => {
    must(add(records.db, "rigs", { ...RIG, kind: "boom", outlets: "2", spacing: "20 in" }));
    const boom = session({
      personId: null,
      pace: "timed-run",
      flow: "outlet-catches",
      outlets: ["20", "21"],
      walks: [{ time: "40 s" }],
    });
    must(saveCalibration(records.db, { session: boom, madeAt: NOW }));
    expect(readAll(records.db).calibrations[0]).toMatchObject({
      personId: null,
      calibration: { flow: { kind: "outlet-catches", time: "30 s", volumes: ["20 fl oz", "21 fl oz"] } },
    });
  });

  test("direct evidence, with nothing left in the tank", () => {
    town(records.db);
    must(
      saveCalibration(records.db, {
        session: session({ direct: true, used: [{ area: "100", start: "36 fl oz", topUp: "", remaining: "0" }] }),
        madeAt: NOW,
      }),
    );
    expect(readAll(records.db).calibrations[0]!.calibration).toEqual({
      used: [{ area: "100 ft2", start: "36 fl oz", remaining: "0 fl oz" }],
    });
  });
});
