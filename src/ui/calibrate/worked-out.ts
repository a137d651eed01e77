import { calibrate, type Calibration } from "@/core/calibration/calibrate";
import { readTyped } from "@/formats/typed";
import { expectedCatch, volumeIn } from "@/core/calibration/expected-catch";
import { flowOf } from "@/core/calibration/flow";
import { hasOwnCatchTime } from "@/core/calibration/methods";
import { paceOf, type Pace } from "@/core/calibration/pace";
import { tipFlow } from "@/core/calibration/tips";
import type { Head } from "@/core/hose-end/head";
import type { Tank } from "@/core/mixing/plan";
import type { Quantity } from "@/core/quantity/kinds";
import { given, type Derived, type Source } from "@/core/working/rule";
import type { RigEntry } from "@/formats/entries";
import { calibrationJob } from "@/formats/job-file/assemble";
import { readChecked, type Job } from "@/formats/job-file/read-checked";
import { readParts, readTanks } from "@/formats/job-file/read-calibration";
import { readRig } from "@/formats/job-file/read-rig";
import type { practisedBeside } from "@/formats/practice-record";
import { catchTime, readSession, type Session, type SessionReading } from "@/formats/session";

/** A session read as far as it goes: the job and its calibration; or what stands in the way, and what is there already. */
export interface WorkedOut {
  readonly reading: SessionReading;
  readonly job?: Job;
  readonly made?: Calibration;
  readonly pace?: Pace;
  readonly flow?: Source<"flow">;
  /** Of a hose-end head whose label rate is still missing: what its flow says by itself. */
  readonly head?: { readonly head: Head; readonly tank: Tank | undefined };
}

/** Reads a run sheet as far as it goes. @param beside what practice says of the person's walks */
export function workedOut(rig: RigEntry, session: Session, beside: ReturnType<typeof practisedBeside> = {}): WorkedOut {
  const reading = readSession(session, readTyped);
  if (reading.state === "wrong") return { reading };
  const basics = readRig(rig.rig);
  if (reading.state === "lacking") {
    const parts = readParts(basics, reading);
    return {
      reading,
      ...(parts.pace && { pace: paceOf(parts.pace, basics) }),
      ...(parts.flow && { flow: flowOf(parts.flow) }),
      ...(basics.head && { head: { head: basics.head, tank: readTanks(rig.rig)[0] } }),
    };
  }
  const job = readChecked(calibrationJob(rig.rig, { ...reading.calibration, ...beside }));
  if (!job.ok) return { reading: { state: "wrong", issues: job.issues } };
  const { evidence } = job.value.calibration;
  const made = calibrate({
    ...job.value.calibration,
    ground: session.ground,
    ownCatchTime: hasOwnCatchTime(session.method, session.flow),
  });
  return { reading, job: job.value, made, ...(evidence.kind === "timed" && { pace: paceOf(evidence.pace, basics) }) };
}

/** What a catch will hold if the tips give their rated flow at the rig's pressure; undefined where that isn't known. */
export function likelyCatch(rig: RigEntry, session: Session): Quantity<"volume"> | undefined {
  const { tip, outlets } = readRig(rig.rig);
  if (!tip?.size || !tip.pressure) return undefined;
  const flow = tipFlow(tip.size, given(tip.pressure, "pressure"), outlets.count, tip.chart);
  return volumeIn(flow.value, catchTime(session).value);
}

/** What a catch should hold for the wanted spray volume; undefined until there is a pace and a wish. */
export function expectedOf(session: Session, pace: Pace | undefined): Derived<"volume"> | undefined {
  const wanted = readTyped("sprayVolume", session.target);
  if (!pace || !wanted.ok) return undefined;
  return expectedCatch(given(wanted.value, "wanted"), pace, given(catchTime(session), "catch time"));
}
