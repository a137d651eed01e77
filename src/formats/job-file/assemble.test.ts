import { calibrate, calibrationSources } from "@/core/calibration/calibrate";
import { flowOf } from "@/core/calibration/flow";
import { paceOf } from "@/core/calibration/pace";
import { num } from "@/core/working/rule";
import { expectNear } from "@/core/testing/near";
import { calibrationJob, mixJob, planOf, rulesOf, soundJob, soundPlan } from "./assemble";
import { readChecked } from "./read-checked";
import { readParts } from "./read-calibration";
import { readRig } from "./read-rig";
import type { RigText } from "./types";

const RIG: RigText = {
  name: "Boom",
  kind: "boom",
  tanks: [{ name: "front", usable: "60 gal" }],
  outlets: { count: 3, spacing: "20 in" },
};
const parts = (area: string) => ({
  rig: RIG,
  calibration: { sprayVolume: "1 gal/1000 ft2" },
  products: [{ name: "D", form: "dry" as const, rate: "0.3 oz/1000 ft2" }],
  sites: [{ name: "S", zones: [{ area }] }],
  loads: "full-then-part" as const,
});

test("a job of records makes a plan", () => {
  const { plan } = soundPlan(soundJob(mixJob(parts("2 ac"))));
  expect(plan.sites[0]!.loads.length).toBe(2);
  expectNear(num(plan.sites[0]!.spray), 2 * 43.56 * 3785.411784, 1e-12);
});

test("without a tank, or with more loads than anyone pours, there is none, and it is said why", () => {
  const job = (more: object) => soundJob(mixJob({ ...parts("2 ac"), ...more }));
  expect(planOf(job({ rig: { kind: "boom" } }))).toMatchObject({ ok: false, issues: [{ path: "rig.tanks", code: "missing" }] });
  const much = planOf(
    job({
      sites: [
        { name: "S", zones: [{ area: "1 ac" }] },
        { name: "T", zones: [{ area: "1000000 ac" }] },
      ],
    }),
  );
  expect(much).toMatchObject({ ok: false, issues: [{ path: "sites[1]", received: "726,000 loads of 60 gal for T" }] });
  expect(() => soundPlan(job({ rig: { kind: "boom" } }))).toThrow(/no plan/);
});

test("what was checked and can't be read is a fault of ours, and thrown", () => {
  expect(() => soundJob(calibrationJob(RIG, {}))).toThrow(/can't be read/);
});

test("the rules of a result, once each, with their versions", () => {
  const { calibration } = soundPlan(soundJob(mixJob(parts("2 ac"))));
  expect(rulesOf(calibrationSources(calibration))).toEqual([]);
  const job = soundJob(
    calibrationJob(RIG, {
      pace: { kind: "timed-run", distance: "200 ft", times: ["40 s", "41 s"] },
      flow: { kind: "outlet-catches", time: "30 s", volumes: ["16 fl oz", "16 fl oz", "16 fl oz"] },
    }),
  );
  const made = calibrate(job.calibration);
  expect(rulesOf(calibrationSources(made))).toEqual([
    "boom-swath v1",
    "mean-time v1",
    "outlet-flow v1",
    "pace-of-speed v1",
    "speed v1",
    "spray-volume v1",
  ]);
});

test("a pace and a flow can be worked with by themselves", () => {
  const rig = readRig(RIG);
  const read = readParts(rig, {
    pace: { kind: "timed-run", distance: "200 ft", times: ["40 s"] },
    flow: { kind: "outlet-catches", time: "30 s", volumes: ["16 fl oz", "16 fl oz", "16 fl oz"] },
  });
  expectNear(num(paceOf(read.pace!, rig).timePer1000), 40, 1e-12);
  expectNear(num(flowOf(read.flow!)) / 29.5735295625, 48 / 30, 1e-12);
  expect(readParts(readRig({ kind: "backpack" }), { pace: { kind: "speed", speed: "3 mph" } })).toEqual({});
});

test("a job of the right shape is read without checking its shape again, with the same result", () => {
  const file = mixJob(parts("2 ac"));
  const again = readChecked(file);
  expect(again.ok && again.value.sites).toEqual(soundJob(file).sites);
});
