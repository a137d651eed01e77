import type { CalibrationInput } from "@/core/calibration/calibrate";
import type { Evidence, FlowEvidence, PaceEvidence, RigBasics, UsedTrial } from "@/core/calibration/evidence";
import { ratedFlow } from "@/core/calibration/tips";
import type { Tank } from "@/core/mixing/plan";
import { compare } from "@/core/quantity/arithmetic";
import { extra, Faults, maybe, value } from "./faults";
import { readPractised } from "../practised";
import { readRig } from "./read-rig";
import type { CalibrationOf, CalibrationText, FlowOf, PaceOf, RigText, UsedOf, Written } from "./types";
import { rigRules } from "@/rig-kinds/rules";

/** The part of a job file that a calibration is worked out from: what stands on every page needs no more of it. */

/**
 * A recorded calibration → what core works it out from.
 * @throws Error where it can't be read: the records were checked
 */
export function soundCalibration(rig: RigText, calibration: CalibrationText): CalibrationInput {
  const faults = new Faults();
  const basics = readRig(rig, faults);
  const input = basics && readCalibration(calibration, basics, faults);
  const first = faults.issues[0];
  if (!input || first) throw new Error(`a recorded calibration can't be read: ${first?.path} ${first?.code}`);
  const rate = basics.head ? extra(calibration.labelRate, "volumeRate") : undefined;
  if (input.evidence.kind === "flow-alone" && !rate) throw new Error("a recorded calibration can't be read: it names no rate");
  return rate ? { ...input, rate } : input;
}

/** The tanks of a rig as it is written → as values. */
export const readTanks = (rig: RigText, faults?: Faults): Tank[] => (rig.tanks ?? []).map((t, i) => readTank(t, i, faults));

function readTank(tank: NonNullable<RigText["tanks"]>[number], i: number, faults?: Faults): Tank {
  const usable = value(tank.usable, "volume");
  const leastMix = maybe(tank.leastMix, "volume");
  if (leastMix && compare(leastMix.value, usable.value) > 0)
    faults?.add(
      `rig.tanks[${i}].leastMix`,
      "contradiction",
      `${tank.leastMix} is more than the tank's usable ${tank.usable}`,
      "write the least that the pump can agitate",
    );
  return { name: tank.name ?? (i === 0 ? "main" : `tank ${i + 1}`), usable, ...(leastMix && { leastMix }) };
}

/** The evidence of a calibration as it is written → as values; undefined where it makes none. */
export function readCalibration(text: CalibrationOf<Written>, rig: RigBasics, faults: Faults): CalibrationInput | undefined {
  const ways = [
    text.sprayVolume !== undefined && "sprayVolume",
    (text.pace || text.flow) && "pace and flow",
    text.used && "used",
  ].filter(Boolean);
  if (ways.length !== 1) {
    const received = ways.length === 0 ? "no evidence" : `${ways.join(", ")} together`;
    faults.add("calibration", "contradiction", received, `give one of: pace and flow; used; sprayVolume`);
    return undefined;
  }
  const evidence = readEvidence(text, rig, faults);
  const target = maybe(text.target, "sprayVolume");
  const tolerance = maybe(text.tolerance, "share");
  const graduation = extra(text.graduation, "graduation");
  const practised = readPractised(text.repeatability);
  return (
    evidence && {
      rig,
      evidence,
      ...(target && { target }),
      ...(tolerance && { tolerance }),
      ...(graduation && { graduation }),
      ...(practised && { practised }),
      ...(text.ownTimes === true && { ownCatchTime: true }),
    }
  );
}

function readEvidence(text: CalibrationOf<Written>, rig: RigBasics, faults: Faults): Evidence | undefined {
  if (text.sprayVolume !== undefined) return { kind: "given", sprayVolume: value(text.sprayVolume, "sprayVolume") };
  if (text.used) {
    const many = Array.isArray(text.used);
    const trials = [text.used]
      .flat()
      .flatMap((t, i) => readUsed(t as UsedOf<Written>, `calibration.used${many ? `[${i}]` : ""}`, faults) ?? []);
    return { kind: "used", trials };
  }
  // Through a head the flow alone tells the pace that a rate asks for.
  if (!text.pace && text.flow && rig.head) {
    const alone = readFlow(text, rig, faults);
    return alone && { kind: "flow-alone", flow: alone };
  }
  if (!text.pace) faults.add("calibration.pace", "missing", "", `{ "kind": "timed-area", … }`);
  if (!text.flow) faults.add("calibration.flow", "missing", "", `{ "kind": "timed-catch", … }`);
  const pace = text.pace && readPace(text.pace, rig, faults, text.swath);
  const flow = text.flow && readFlow(text, rig, faults);
  return pace && flow ? { kind: "timed", pace, flow } : undefined;
}

/** A pace or a flow by itself, while the rest of a calibration is still being gathered; undefined where it can't stand. */
export function readParts(rig: RigBasics, parts: { readonly pace?: PaceOf<Written>; readonly flow?: FlowOf<Written> }) {
  const faults = new Faults();
  const pace = parts.pace && readPace(parts.pace, rig, faults);
  const flow = parts.flow && readFlow({ flow: parts.flow }, rig, faults);
  return faults.issues.length > 0 ? {} : { ...(pace && { pace }), ...(flow && { flow }) };
}

function readPace(pace: PaceOf<Written>, rig: RigBasics, faults: Faults, ours?: unknown): PaceEvidence | undefined {
  if (pace.kind === "timed-area") {
    const known = extra(ours, "swath");
    return {
      kind: pace.kind,
      area: value(pace.area, "area"),
      times: pace.times.map((t) => value(t, "time")),
      ...(known && { swath: known }),
    };
  }
  const swath = maybe(pace.swath, "length");
  if (!swath && !(rigRules(rig.kind).spaced && rig.outlets.spacing)) {
    faults.add(
      "calibration.pace.swath",
      "missing",
      "",
      `"5 ft"${rigRules(rig.kind).spaced ? ", or the rig's outlets.spacing" : ""}`,
    );
    return undefined;
  }
  if (pace.kind === "speed") return { kind: pace.kind, speed: value(pace.speed, "speed"), swath };
  return { kind: pace.kind, distance: value(pace.distance, "length"), swath, times: pace.times.map((t) => value(t, "time")) };
}

function readFlow(text: CalibrationOf<Written>, rig: RigBasics, faults: Faults): FlowEvidence | undefined {
  const { flow } = text;
  const perOutlet = (given: number, path: string) => {
    if (given !== rig.outlets.count)
      faults.add(
        path,
        "contradiction",
        `${given} for ${rig.outlets.count} outlet${rig.outlets.count === 1 ? "" : "s"}`,
        "give one an outlet (rig.outlets.count)",
      );
  };
  switch (flow!.kind) {
    case "timed-catch":
      return {
        kind: "timed-catch",
        catches: flow!.catches.map((c) => ({ volume: value(c.volume, "volume"), time: value(c.time, "time") })),
      };
    case "outlet-catches":
      perOutlet(flow!.volumes.length, "calibration.flow.volumes");
      return { kind: "outlet-catches", time: value(flow!.time, "time"), volumes: flow!.volumes.map((v) => value(v, "volume")) };
    case "metered-flow": {
      const { readings, whole } = flow!;
      if ((readings === undefined) === (whole === undefined)) {
        faults.add(
          "calibration.flow",
          "contradiction",
          readings ? "readings and whole together" : "neither readings nor whole",
          "give one of them",
        );
        return undefined;
      }
      if (readings) perOutlet(readings.length, "calibration.flow.readings");
      return { kind: "metered-flow", readings: (readings ?? [whole!]).map((r) => value(r, "flow")) };
    }
    case "tip-chart": {
      const { size, pressure, chart } = rig.tip ?? {};
      if (size === undefined) faults.add("rig.tip.size", "missing", "", `"025"`);
      else if (ratedFlow(size) === undefined)
        faults.add("rig.tip.size", "not-a-choice", size, "a size in tenths of a gallon a minute, such as 025");
      if (pressure === undefined) faults.add("rig.tip.pressure", "missing", "", `"40 psi"`);
      if (size === undefined || pressure === undefined || ratedFlow(size) === undefined) return undefined;
      const gravity = extra(text.specificGravity, "gravity");
      return {
        kind: "tip-chart",
        size,
        pressure,
        count: rig.outlets.count,
        ...(chart && { chart }),
        ...(gravity && { gravity }),
      };
    }
  }
}

function readUsed(trial: UsedOf<Written>, path: string, faults: Faults): UsedTrial | undefined {
  const area = value(trial.area, "area");
  const pair = trial.start !== undefined || trial.remaining !== undefined;
  if (pair === (trial.topUp !== undefined)) {
    faults.add(
      path,
      "contradiction",
      pair ? "start and remaining with topUp" : "no volume",
      "give start and remaining, or topUp",
    );
    return undefined;
  }
  if (trial.topUp !== undefined) return { area, used: { topUp: value(trial.topUp, "volume") } };
  if (trial.start === undefined) faults.add(`${path}.start`, "missing", "", `"96 fl oz"`);
  if (trial.remaining === undefined) faults.add(`${path}.remaining`, "missing", "", `"60 fl oz"`);
  if (trial.start === undefined || trial.remaining === undefined) return undefined;
  const start = value(trial.start, "volume");
  const remaining = value(trial.remaining, "volume", true);
  if (compare(remaining.value, start.value) >= 0) {
    faults.add(
      `${path}.remaining`,
      "contradiction",
      `${remaining.text} left of ${start.text}`,
      "less must be left than was filled",
    );
    return undefined;
  }
  return { area, used: { start, remaining } };
}
