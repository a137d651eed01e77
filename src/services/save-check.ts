import { proveTool } from "@/core/calibration/kit";
import { judgeCheck } from "@/core/calibration/quick-check";
import { bad, good, type Result } from "@/core/issue";
import type { Quantity } from "@/core/quantity/kinds";
import { parseField, type Field } from "@/core/quantity/ranges";
import { flowOfCatch } from "@/core/calibration/expected-catch";
import { kitOf } from "@/formats/rig-setup";
import { workOut } from "@/formats/standing";
import { ownedBy } from "@/formats/stands-on";
import { findCalibration } from "@/records/calibrations";
import { addKitCheck, addQuickCheck, findKitCheck, findQuickCheck } from "@/records/checks";
import { type Records, whole } from "@/records/database";
import { findPerson } from "@/records/people";
import { findRig } from "@/records/rigs";
import { A_MOMENT, isId, isMoment, issue, nowText, shown as inWords } from "./input";
import { once } from "./once";
import { retiredFaults } from "./retired";
import { recordedAs } from "./slices/calibrations";

const text = (value: unknown) => (typeof value === "string" ? value : "");

/**
 * Saves a quick check: `{ id, calibrationId, personId, siteId, madeAt, volume, time }`. The ratio to the calibration's
 * flow is worked out here. Sending the same twice keeps it once.
 */
export function saveQuickCheck(db: Records, input: unknown): Result<{ id: string; ratio: number }> {
  const r = (input ?? {}) as Record<string, unknown>;
  if (!isId(r.id)) return bad(issue("id", "wrong-type", "no id", "a quick check"));
  if (!isMoment(r.madeAt)) return bad(issue("madeAt", "bad-date", inWords(r.madeAt), A_MOMENT));
  const calibration = isId(r.calibrationId) ? findCalibration(db, r.calibrationId) : undefined;
  if (!calibration) return bad(issue("calibrationId", "unknown-name", text(r.calibrationId), "the calibrations on record"));
  if (r.personId !== null && r.personId !== undefined && !(isId(r.personId) && findPerson(db, r.personId)))
    return bad(issue("personId", "unknown-name", inWords(r.personId), "the people on record"));
  const retired = retiredFaults(["rigId", calibration.job.rig.name ?? "this rig", findRig(db, calibration.rigId)]);
  if (retired.length > 0) return bad(...retired);
  const hand = { personId: isId(r.personId) ? r.personId : null, siteId: isId(r.siteId) ? r.siteId : null };
  if (!ownedBy(calibration.job.rig.kind, calibration, hand))
    return bad(issue("calibrationId", "not-possible", "this calibration is of another person or tap", "check against your own"));
  const volume = parseField("catchVolume", r.volume, { path: "volume" });
  const time = parseField("catchTime", r.time, { path: "time" });
  if (!volume.ok || !time.ok) return bad(...(volume.ok ? [] : volume.issues), ...(time.ok ? [] : time.issues));
  const { flow } = workOut(recordedAs(calibration));
  if (!flow)
    return bad(issue("calibrationId", "not-possible", "this calibration has no flow of its own", "calibrate with a catch first"));
  const checked = flowOfCatch(volume.value.value, time.value.value);
  const { ratio } = judgeCheck(checked, flow.value);
  const { rigId, id: calibrationId } = calibration;
  const id = r.id;
  const { madeAt, ...content } = r;
  return whole(db, (tx) => {
    const before = findQuickCheck(tx, id);
    return once(
      tx,
      "quick-check",
      id,
      content,
      before !== undefined,
      () => ({ id, ratio: before!.ratio }),
      (): Result<{ id: string; ratio: number }> => {
        const check = { id, rigId, calibrationId, madeAt: madeAt as string, volume: volume.value, time: time.value, ratio };
        addQuickCheck(tx, { ...check, personId: hand.personId }, nowText());
        return good({ id, ratio });
      },
    );
  });
}

/** Saves a proof of a tool of a rig's kit: `{ id, rigId, of, tool, madeAt, known, shown }`. */
export function saveKitCheck(db: Records, input: unknown): Result<{ id: string; good: boolean }> {
  const r = (input ?? {}) as Record<string, unknown>;
  const rig = isId(r.rigId) ? findRig(db, r.rigId)?.rig : undefined;
  if (!isId(r.id) || !rig) return bad(issue("rigId", "unknown-name", text(r.rigId), "the rigs on record"));
  if (!isMoment(r.madeAt)) return bad(issue("madeAt", "bad-date", inWords(r.madeAt), A_MOMENT));
  const kit = kitOf(rig);
  const scale = r.of === "scale" ? kit.scales.find((s) => s.name === r.tool) : undefined;
  const vessel = r.of === "vessel" ? kit.vessels.find((v) => v.name === r.tool) : undefined;
  const step = scale?.step ?? vessel?.graduation;
  if (!step) return bad(issue("tool", "unknown-name", text(r.tool), "the measuring kit of this rig"));
  const field: Field = scale ? "knownWeight" : "catchVolume";
  const known = parseField(field, r.known, { path: "known" });
  const shown = parseField(field, r.shown, { path: "shown" });
  if (!known.ok || !shown.ok) return bad(...(known.ok ? [] : known.issues), ...(shown.ok ? [] : shown.issues));
  const proof = proveTool(
    known.value.value as Quantity<"mass">,
    shown.value.value as Quantity<"mass">,
    step.value as Quantity<"mass">,
  );
  const { id, rigId, madeAt, of, tool } = r as {
    id: string;
    rigId: string;
    madeAt: string;
    of: "scale" | "vessel";
    tool: string;
  };
  const kept = { id, rigId, madeAt, of, tool, known: known.value.text, shown: shown.value.text };
  const { madeAt: _, ...content } = r;
  return whole(db, (tx) => {
    const before = findKitCheck(tx, id);
    return once(
      tx,
      "kit-check",
      id,
      content,
      before !== undefined,
      () => ({ id, good: before!.good }),
      (): Result<{ id: string; good: boolean }> => {
        addKitCheck(tx, { ...kept, ratio: proof.ratio, good: proof.good }, nowText());
        return good({ id, good: proof.good });
      },
    );
  });
}
